import type { StationKind } from '../plan/station.js';
import type { RunEvent, RunFact } from './events.js';
import { afterEvent, beginRun } from './run.js';

/** One event of a run as a line of a table. */
interface RunLine {
  readonly seq: number;
  readonly at: string;
  /** Where the run stood. */
  readonly station: StationKind | '';
  readonly fact: RunFact['kind'];
  readonly abrasiveId: string;
  /** Strokes this line adds; taken back where below 0. */
  readonly strokes: number | '';
  /** What was answered, found or chosen. */
  readonly said: string;
}

/** A run line by line, for a table: each event with the station it happened at. @returns nothing where it does not begin with `begun` */
export function runTable(events: readonly RunEvent[]): readonly RunLine[] {
  const [first, ...rest] = events;
  if (first?.kind !== 'begun') return [];
  let run = beginRun(first.plan, first.at);
  const begun: RunLine = {
    seq: first.seq,
    at: first.at,
    station: '',
    fact: 'begun',
    abrasiveId: '',
    strokes: '',
    said: first.plan.condition.kind,
  };
  return [
    begun,
    ...rest.map((event): RunLine => {
      const station = run.stations[run.at];
      const step = station && 'step' in station ? station.step : undefined;
      const cared = station?.kind === 'care' ? station.abrasiveId : '';
      const line: RunLine = {
        seq: event.seq,
        at: event.at,
        station: station?.kind ?? '',
        fact: event.kind,
        abrasiveId: step === undefined ? cared : (run.steps[step]?.abrasiveId ?? ''),
        strokes: event.kind === 'strokes' ? event.count : '',
        said: saidBy(event),
      };
      run = afterEvent(run, event);
      return line;
    }),
  ];
}

function saidBy(fact: RunFact): string {
  switch (fact.kind) {
    case 'burr':
      return [fact.burr, ...(fact.places ?? [])].join(' ');
    case 'marked':
      return fact.left.join(' ');
    case 'scratched':
      return fact.gone ? 'gone' : 'left';
    case 'heated':
      return fact.heat;
    case 'polished':
      return fact.polish;
    case 'shook':
      return fact.places.join(' ');
    case 'counted-by':
      return fact.by;
    case 'skipped':
      return fact.why;
    case 'confirmed':
      return fact.what;
    case 'proved':
      return `${fact.test} ${fact.passed ? 'passed' : 'failed'}`;
    case 'put-in':
      return fact.work.kind;
    default:
      return '';
  }
}
