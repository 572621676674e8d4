import { arcRadiusMm } from '../base/arc.js';
import { unlessRefused } from '../base/refusal.js';
import type { CamberRead } from '../camber/camber-read.js';
import { camberReading } from '../camber/camber-reading.js';
import { lightReading } from '../camber/light-reading.js';
import { CALIPER_DIVISION_MM, profileReading } from '../camber/profile-reading.js';
import { shavingSection } from '../camber/shaving-section.js';
import type { CamberState } from './camber-state.js';

/** The reading of a curve that is worth most now. */
export interface NextCamberReading {
  readonly by: CamberRead['by'];
  /** What taking it costs, and what it saves of the strokes by place still to come, as a mean, min. */
  readonly costMin: number;
  readonly savesMin?: number;
  /** The curve’s ± as it is known, and after that reading. */
  readonly pmMm: number;
  readonly leavesPmMm: number;
}

interface Asked {
  readonly widthMm: number;
  readonly bedDeg: number;
  /** The shaving it would be read from. */
  readonly shavingMm: number;
  /** Strokes by place that are planned, and the curve they are to make: what a reading may save. */
  readonly planned?: { readonly minutes: number; readonly wantedMm: number } | undefined;
}

/** Minutes a reading takes: a shaving is cut anyway, a straightedge is held up, a caliper goes to nine places (estimates). */
const COST_MIN = { shaving: 0.5, light: 1, caliper: 3 } as const satisfies Record<CamberRead['by'], number>;
const CALIPERED_PLACES = 9;
/** A reading that leaves more than so much of the doubt is not worth a word. */
const WORTH_TELLING = 0.75;
/** A curve known to a hundredth of a millimetre, or a fifth of itself, is known well enough (estimates). */
const KNOWN_PM = { mm: 0.01, share: 0.2 } as const;
/** Mean distance from the middle of a normal distribution, in standard deviations: √(2/π). */
const MEAN_OFF = Math.sqrt(2 / Math.PI);
/** A ± of 95 % in standard deviations. */
const PM_SD = 1.96;

/**
 * Which reading of a curve would save most: by each way, the ± it would have on the curve as it is reckoned, joined
 * with what is known by the inverse of their squares. Strokes by place made for a curve that is another are made for
 * nothing, or have to be made again: a mean √(2/π) of the doubt, in minutes. Where no strokes are planned, the
 * quickest that takes a quarter off the doubt.
 * @returns undefined where no reading saves what it costs, or the curve is known well enough
 */
export function nextCamberReading(state: CamberState, asked: Asked): NextCamberReading | undefined {
  const minPerMm = minutesPerMm(state, asked);
  if (state.pmMm <= Math.max(KNOWN_PM.mm, KNOWN_PM.share * Math.abs(state.camberMm))) return undefined;
  const ways = (Object.keys(COST_MIN) as CamberRead['by'][]).flatMap((by): NextCamberReading[] => {
    const readPmMm = unlessRefused(() => pmOf(by, state.camberMm, asked));
    if (readPmMm === undefined) return [];
    // What was entered is given up for the first reading.
    const leavesPmMm = state.from === 'entered' ? readPmMm : joined(state.pmMm, readPmMm);
    const offMm = (MEAN_OFF * (state.pmMm - leavesPmMm)) / PM_SD;
    return [
      {
        by,
        costMin: COST_MIN[by],
        pmMm: state.pmMm,
        leavesPmMm,
        ...(minPerMm !== undefined && { savesMin: minPerMm * offMm }),
      },
    ];
  });
  const telling = ways.filter(
    ({ pmMm, leavesPmMm, savesMin = Infinity, costMin }) =>
      leavesPmMm < WORTH_TELLING * pmMm && savesMin > costMin,
  );
  const gain = ({ savesMin = 0, costMin }: NextCamberReading): number => savesMin - costMin;
  return telling.reduce<NextCamberReading | undefined>(
    (best, each) => (best && gain(best) >= gain(each) ? best : each),
    undefined,
  );
}

/** What strokes by place take for a millimetre of camber, min; unknown where none are planned. */
function minutesPerMm({ camberMm }: CamberState, { planned }: Asked): number | undefined {
  const changeMm = planned ? Math.abs(planned.wantedMm - camberMm) : 0;
  return planned && changeMm > 0 ? planned.minutes / changeMm : undefined;
}

/** The ± that a reading would have of so much camber; none by a shaving as wide as the iron, which only bounds it. */
function pmOf(
  by: CamberRead['by'],
  camberMm: number,
  { widthMm, bedDeg, shavingMm }: Asked,
): number | undefined {
  if (by === 'light') return lightReading({ widthMm, leftMm: camberMm, rightMm: camberMm }).camber.pmMm;
  if (by === 'caliper') {
    const points = Array.from({ length: CALIPERED_PLACES }, (_, i) => {
      const atMm = (widthMm * i) / (CALIPERED_PLACES - 1);
      const off = (2 * i) / (CALIPERED_PLACES - 1) - 1;
      return { atMm, outMm: -Math.round((camberMm * off ** 2) / CALIPER_DIVISION_MM) * CALIPER_DIVISION_MM };
    });
    return profileReading({ widthMm, points }).camber.pmMm;
  }
  const front = { shape: 'arc', radiusMm: arcRadiusMm(widthMm, camberMm) } as const;
  const shavingWidthMm = shavingSection({ front, widthMm, bedDeg, shavingMm }).widthMm;
  return shavingWidthMm < widthMm
    ? camberReading({ widthMm, bedDeg, shavingMm, shavingWidthMm }).pmMm
    : undefined;
}

const joined = (one: number, other: number): number => 1 / Math.hypot(1 / one, 1 / other);
