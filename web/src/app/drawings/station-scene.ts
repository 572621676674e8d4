import { breaker, flattening, ready, unplugged, washing, wiping, wrapped } from './bench-scenes';
import {
  againstLight,
  atWheel,
  backUp,
  burrOff,
  close,
  fromItsEnd,
  held,
  marked,
  nail,
  onStone,
  still,
} from './blade-scenes';
import type { Scene, SceneOf } from './scene-marks';

/** Every station as a drawing, from the tool's own section and the guide's own measures. */
export function sceneOf(of: SceneOf): Scene {
  const { station, run, edge } = of;
  switch (station.kind) {
    case 'stone': {
      const step = run.plan.steps[run.steps[station.step]?.like ?? station.step];
      return step ? onStone(of, step) : still(of, 'the blade');
    }
    case 'colour-back':
      return marked(backUp(of));
    case 'polished':
      return backUp(of);
    case 'scratch':
      return close(of, 'marks', 'under a lens: only the finest marks may be left, out to the edge');
    case 'set':
    case 'lift':
      return held(of, station.facet === 'primary' || station.facet === 'secondary' ? station.facet : 'bevel');
    case 'marker':
      return station.wheel ? atWheel(of, 'colour') : marked(held(of, station.side === 1 ? 'other' : 'bevel'));
    case 'burr':
      return close(
        of,
        'burr',
        station.wanted
          ? 'the burr stands on the scraping side and stays'
          : 'the burr stands on the side that did not lie on the stone; slide a fingertip off, across the edge',
      );
    case 'straight':
      return againstLight();
    case 'burr-off':
      return burrOff(of);
    case 'even':
      return fromItsEnd(of);
    case 'nail':
      return nail(of);
    case 'proof':
      return nail(of);
    case 'joint':
      return atWheel(of, 'square');
    case 'hollow':
      return atWheel(of, 'back');
    case 'grind':
    case 'template':
      return atWheel(of, 'bevel');
    case 'heat':
      return atWheel(of, 'hot');
    case 'wash':
      return washing(station.oil ?? false);
    case 'care':
      return flattening();
    case 'ready':
      return ready(of);
    case 'isolate':
      return unplugged();
    case 'look':
      return close(of, 'look', 'look along the edge against the light: chips, a white line, rust');
    case 'wipe':
      return wiping(of);
    case 'refit':
      return edge.form === 'knife-set' ? unplugged() : breaker(of);
    case 'away':
      return wrapped(of);
  }
}
