import type { Edge } from '@mellow-anvil/core/blade';
import type { Station } from '@mellow-anvil/core/plan';
import {
  CARE_TITLES,
  MACHINE_REFIT,
  OIL_WASH,
  sideNamesOf,
  STATION_TEXT,
  type StationText,
} from './station-words';

const UNTIL_NONE = 'each lighter than the last, until no burr is felt on either side.';

/** How the burr is taken off: what lies flat on the stone does, what is hollow takes something round. Common practice. */
function burrOffWords(edge: Edge | undefined): string {
  switch (edge?.form) {
    case 'gouge':
      return edge.cannel === 'in'
        ? `Its outside flat along the finest stone, rolled from corner to corner, a few strokes. Then a stroke in the hollow, one outside, ${UNTIL_NONE}`
        : `A slip in the hollow, flat along its inside, rolled from corner to corner, a few strokes. Then a rolled stroke on the bevel, one inside, ${UNTIL_NONE}`;
    case 'v':
      return `A slip’s edge flat along the inside of each wing, down to the keel, a few strokes. Then a stroke on each wing, one inside, ${UNTIL_NONE}`;
    case 'hook':
      return edge.make === 'hollow-inside'
        ? `The outside along the strop, the rod in the hollow, in turn, ${UNTIL_NONE} Never across the edge.`
        : `Outside and inside, stroke by stroke, ${UNTIL_NONE} Never across the edge.`;
    default:
      return sideNamesOf(edge).length === 2
        ? `Side for side, stroke by stroke, ${UNTIL_NONE} Swap hands to mirror the angle.`
        : `Back flat on the finest stone, a few strokes: lifting the blade rounds it. Then a stroke on the bevel, one on the back, ${UNTIL_NONE}`;
  }
}

/** What is said at a station while it is at hand. */
export function textAtHand(
  station: Station,
  edge: Edge | undefined,
  nameOf: (id: string) => string,
): StationText {
  const text = STATION_TEXT[station.kind];
  switch (station.kind) {
    case 'care':
      return {
        title: `${CARE_TITLES[station.care]} ${nameOf(station.abrasiveId)}`,
        does: [
          ...(station.after && station.care === 'cleaned'
            ? ['A little oil over it, the swarf wiped up with it, until the rag comes away clean.']
            : []),
          station.after
            ? 'For next time, while the bench is wet. It goes into the stone’s own record.'
            : 'Before the edge touches it. It goes into the stone’s own record.',
        ],
        done: text.done,
      };
    case 'wash':
      return station.oil ? { ...text, does: [OIL_WASH, ...text.does] } : text;
    case 'burr-off':
      return { ...text, does: [burrOffWords(edge)] };
    case 'refit':
      return edge?.form === 'knife-set' ? MACHINE_REFIT : text;
    default:
      return text;
  }
}

/** Its heading; a stone has its own name. */
export function titleAtHand(station: Station, edge: Edge | undefined, { title }: StationText): string {
  const names = sideNamesOf(edge);
  switch (station.kind) {
    case 'proof':
      return station.before ? 'Prove it before the strop' : title;
    case 'grind':
      return station.pastColour ? 'Grind past the colour' : title;
    case 'burr':
      if (station.wanted) return 'Is the burr up?';
      return station.side === undefined ? title : `Feel for the burr: ${names[1 - station.side] ?? ''}`;
    case 'marker':
      if (station.wheel) return 'Colour the bevel for the wheel';
      return station.side === undefined ? title : `Colour the ${names[station.side] ?? 'bevel'}`;
    case 'set':
      if (station.facet === 'primary') return 'Set the guide to the primary';
      return station.facet === 'micro' ? 'Set the guide to the micro-bevel' : title;
    default:
      return title;
  }
}
