import { concatMap, delay, from, of, scan, mergeMap, type Observable } from 'rxjs';
import { CALIPER_START, type CaliperLine, type CaliperStream, caliperText } from '@mellow-anvil/core/device';
import { caliperChunks, type SimulatedEdge, simulatedReadings } from '@mellow-anvil/core/simulate';
import { serialText } from './serial';

/** A caliper as the page meets it, whatever it is: lines read, one after another. */
export interface CaliperSource {
  readonly lines$: Observable<CaliperLine>;
}

const PIECE_MS = 15;

/** Lines out of pieces of text, by core's parser. */
function parsed(text: Observable<string>): Observable<CaliperLine> {
  return text.pipe(
    scan(
      (at: { readonly stream: CaliperStream; readonly lines: readonly CaliperLine[] }, chunk) =>
        caliperText(at.stream, chunk),
      { stream: CALIPER_START, lines: [] },
    ),
    mergeMap(({ lines }) => from(lines)),
  );
}

/** A caliper on a serial port. */
export const serialCaliper = (): CaliperSource => ({ lines$: parsed(serialText()) });

/** The one that ships: a made-up iron, read at nine places through the same parser. */
export function simulatedCaliper(edge: SimulatedEdge, random: () => number = Math.random): CaliperSource {
  const chunks = caliperChunks(simulatedReadings(edge, SIMULATED_PLACES, random), random);
  return { lines$: parsed(from(chunks).pipe(concatMap((chunk) => of(chunk).pipe(delay(PIECE_MS))))) };
}

export const SIMULATED_PLACES = 9;
