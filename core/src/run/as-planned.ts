import type { RunFact } from './events.js';
import type { Run } from './run-state.js';
import { strokesLeft } from './run.js';

/**
 * What a station stands for where all is well: its strokes made, its question answered, the last one left by
 * finishing. One tap of a practised hand, one tick on the list.
 * @example asPlanned(run) // at a stone with 8 to go: [{ kind: 'strokes', count: 8 }, { kind: 'done' }]
 */
export function asPlanned(run: Run): readonly RunFact[] {
  const station = run.stations[run.at];
  const onward: RunFact = { kind: run.at === run.stations.length - 1 ? 'finished' : 'done' };
  switch (station?.kind) {
    case undefined:
      return [];
    case 'stone': {
      const step = run.steps[station.step];
      const left = step ? strokesLeft(step) : 0;
      return left > 0 ? [{ kind: 'strokes', count: left }, onward] : [onward];
    }
    case 'grind':
    case 'hollow':
      return run.confirmed.includes('eyes') ? [onward] : [{ kind: 'confirmed', what: 'eyes' }, onward];
    case 'heat':
      return [{ kind: 'heated', heat: 'cool' }];
    case 'marker':
      return [{ kind: 'marked', left: [] }];
    case 'polished':
      return [{ kind: 'polished', polish: 'all' }];
    case 'burr':
      return [{ kind: 'burr', burr: 'all-along' }];
    case 'scratch':
      return [{ kind: 'scratched', gone: true }];
    case 'straight':
      return [{ kind: 'lit', light: 'none' }];
    case 'even':
      return [{ kind: 'evened', seen: 'even' }];
    case 'nail':
      return [{ kind: 'shook', places: [] }];
    case 'proof':
      return run.proof.length > 0 ? [onward] : [{ kind: 'proved', test: 'nail', passed: true }, onward];
    default:
      return [onward];
  }
}
