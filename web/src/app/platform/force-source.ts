import { concatMap, delay, from, mergeMap, of, scan, type Observable } from 'rxjs';
import { type ForceLine, forceText, simulatedForce } from '@mellow-anvil/core/device';
import { serialText } from './serial';

/** A cutting-force tester as the page meets it. */
export interface ForceSource {
  readonly lines$: Observable<ForceLine>;
}

const PIECE_MS = 20;
/** What the made-up tester reads of an edge that was just honed, N. */
const SIMULATED_N = 1.7;

function parsed(text: Observable<string>): Observable<ForceLine> {
  return text.pipe(
    scan(
      (at: { readonly rest: string; readonly lines: readonly ForceLine[] }, chunk) =>
        forceText(at.rest, chunk),
      {
        rest: '',
        lines: [],
      },
    ),
    mergeMap(({ lines }) => from(lines)),
  );
}

/** A tester on a serial port. */
export const serialForce = (): ForceSource => ({ lines$: parsed(serialText()) });

/** The one that ships, through the same parser. */
export const simulatedTester = (random: () => number = Math.random): ForceSource => ({
  lines$: parsed(
    from(simulatedForce(SIMULATED_N, random)).pipe(concatMap((chunk) => of(chunk).pipe(delay(PIECE_MS)))),
  ),
});
