import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { rateFromReadings } from '../abrasive/rate-from-readings.js';
import { estimatedRemovalMm3PerNm, estimatedScratchUm } from '../abrasive/removal.js';
import type { Tool } from '../blade/tool.js';
import { landMmOf, unworked } from '../work/edge-at-work.js';
import { groundTo } from '../work/ground.js';
import { worked } from '../work/worked.js';
import { edgeHistory, type RecordedSession } from './edge-state.js';
import { flatBlade, waterStone } from '../testing/blades.js';
import { rateReadings } from './rate-readings.js';

const SHOPS = 1000;

const edge = flatBlade({ widthMm: 45, secondaryDeg: 30, landMm: 0.5 });
const iron: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge };
const coarse = waterStone('coarse', { standard: 'UM', grade: '14' });
const fine = waterStone('fine', { standard: 'UM', grade: '1.2' });
const bench = new Map([coarse, fine].map((each) => [each.id, each]));

describe('a stone’s rate, learned from a made-up shop that knows the truth', () => {
  const generator = xoroshiro128plus(20261128);
  const uniform = (): number => uniformFloat64(generator);
  const normal = (sd: number): number =>
    sd * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const toTwentieths = (mm: number): number => Math.max(0.05, Math.round(mm * 20) / 20);

  /** Two years or so of one iron. What the learner is told is miscounted, misread and pressed as hands do. */
  function shop(rate: number, fineRate: number): readonly RecordedSession[] {
    const hand = 0.05 + 0.25 * uniform();
    const honings = 6 + Math.floor(40 * uniform());
    const measuring = 0.2 + 0.5 * uniform();
    const sessions: RecordedSession[] = [];
    let now = unworked(edge);
    for (let i = 0; i < honings; i++) {
      const common = {
        toolId: 't',
        startedAt: new Date(Date.UTC(2025, 0, 1 + 7 * i, 9)).toISOString(),
      };
      if (landMmOf(edge, now) > 1.6) {
        now = groundTo(edge, now, { nickMm: 0, landLeftMm: 0.7 });
        sessions.push({ ...common, id: `g${i}`, kind: 'grinding', landLeftMm: 0.7 });
      }
      const seen = uniform() < measuring;
      const land = toTwentieths(landMmOf(edge, now) + normal(0.03));
      const made = { coarse: 8 + Math.floor(14 * uniform()), fine: 6 + Math.floor(6 * uniform()) };
      for (const [each, strokes, true_] of [
        [coarse, made.coarse, rate],
        [fine, made.fine, fineRate],
      ] as const) {
        now = worked(edge, now, {
          strokes,
          forceN: 20 * Math.exp(normal(hand)),
          strokeMm: 150,
          removalMm3PerNm: true_ * estimatedRemovalMm3PerNm(each.sizeUm),
          marksUm: estimatedScratchUm(each.sizeUm),
          steelFactor: 1,
        });
      }
      // Two strokes are lost or added now and then, and once in thirty a ten.
      const counted = (strokes: number): number =>
        Math.max(1, strokes + Math.round(normal(1)) + (uniform() < 1 / 30 ? 10 : 0));
      sessions.push({
        ...common,
        id: `s${i}`,
        kind: 'honing',
        conditionBefore: { kind: 'dull' },
        ...(seen && { landMm: land }),
        steps: [
          { abrasiveId: coarse.id, strokes: counted(made.coarse), minutes: 1 },
          { abrasiveId: fine.id, strokes: counted(made.fine), minutes: 1 },
        ],
        outcome: { burr: 'all-along' },
      });
    }
    return sessions;
  }

  it(`lies in its 80 % range in 75–85 of 100 of ${SHOPS} shops, as often above as below`, () => {
    let held = 0;
    const off: number[] = [];
    for (let i = 0; i < SHOPS; i++) {
      const rate = Math.exp(normal(0.5));
      const sessions = shop(rate, Math.exp(normal(0.5)));
      const readings = rateReadings(iron, edgeHistory(iron, sessions, [coarse, fine]), bench).filter(
        ({ abrasiveId }) => abrasiveId === coarse.id,
      );
      const { factor, low, high } = rateFromReadings(readings);
      if (rate >= low && rate <= high) held += 1;
      off.push(factor / rate);
    }
    const median = off.sort((a, b) => a - b)[SHOPS / 2] as number;
    expect(held / SHOPS).toBeGreaterThanOrEqual(0.75);
    expect(held / SHOPS).toBeLessThanOrEqual(0.85);
    expect(Math.abs(median - 1)).toBeLessThanOrEqual(0.03);
  });
});
