import { stonesAtWork, type OwnedAbrasive, removalPerStrokeMm3, type StoneAtWork } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import { type SingleBevelEdge, STEELS, type Tool } from '@mellow-anvil/core/blade';
import { cornerBackMm, spreadStrokes, strokesTo } from '@mellow-anvil/core/camber';
import { isNear, PLAN_DEFAULTS, wantedRemoval } from '@mellow-anvil/core/plan';
import { edgeAtFirst, type RecordedSession, type SessionStep } from '@mellow-anvil/core/record';
import { calipered, curveHoned, shaved, type TrueCurve } from '@mellow-anvil/core/simulate';
import { faceAtEdgeMm, placedWork } from '@mellow-anvil/core/work';
import { ownSteelAfter } from './own-steel.js';

/** How the curve of one made-up iron is looked after. */
export interface CamberHabit {
  readonly toolId: string;
  /** How many times as fast strokes by place really cut. */
  readonly rate: number;
  /** Share of its camber an ordinary honing wears away. */
  readonly fading: number;
  readonly shavingMm: number;
}

const READ_CHANCE = 0.7;
const CALIPER_CHANCE = 0.35;
const ROUND_MIN = 0.1;

/**
 * A made-up record with the curve of one iron in it: every honing is worked by place as the plan of that day
 * has it, wears some of the curve away, and most of them are read afterwards.
 * @param sessions the record before, in order of time
 */
export function camberYears(
  tool: Identified<Tool>,
  sessions: readonly RecordedSession[],
  abrasives: readonly OwnedAbrasive[],
  habit: CamberHabit,
  random: () => number,
): readonly RecordedSession[] {
  const { edge, host } = tool;
  if (edge.form !== 'single-bevel' || !host) return sessions;
  const bench = new Map(stonesAtWork(abrasives).map((stone) => [stone.id, stone]));
  let state = edgeAtFirst(tool);
  let curve: TrueCurve = { camberMm: state.camber?.camberMm ?? 0, leanMm: 0.02 };
  let readings = 0;
  return sessions.flatMap((session) => {
    if (session.toolId !== tool.id) return [session];
    if (session.kind !== 'honing') {
      state = ownSteelAfter(tool, state, session, bench);
      return [session];
    }
    curve = { ...curve, camberMm: curve.camberMm * (1 - habit.fading * (0.5 + random())) };
    const steps = byPlace(tool.steel, edge, session.steps ?? [], state, bench);
    for (const { abrasiveId, places } of steps) {
      const stone = bench.get(abrasiveId);
      if (!stone || !places) continue;
      curve = curveHoned(
        curve,
        placedWork(edge, 5, faceAtEdgeMm(edge, state.work), perStroke(tool.steel, stone)),
        places,
        habit.rate,
      );
    }
    const honed = { ...session, steps };
    state = ownSteelAfter(tool, state, honed, bench);
    if (random() > READ_CHANCE) return [honed];
    const camber =
      random() < CALIPER_CHANCE
        ? calipered(curve, edge.widthMm, random)
        : shaved(curve, { widthMm: edge.widthMm, bedDeg: host.bedDeg }, habit.shavingMm, random);
    readings += 1;
    const read: RecordedSession = {
      id: `k${String(readings).padStart(4, '0')}`,
      toolId: tool.id,
      kind: 'measuring',
      startedAt: new Date(Date.parse(session.startedAt) + 900_000).toISOString(),
      ...(session.who !== undefined && { who: session.who }),
      camber: {
        ...camber,
        camberMm: Number(camber.camberMm.toFixed(4)),
        pmMm: Number(camber.pmMm.toFixed(4)),
        ...(camber.leanMm !== undefined && { leanMm: Number(camber.leanMm.toFixed(4)) }),
      },
    };
    state = ownSteelAfter(tool, state, read, bench);
    return [honed, read];
  });
}

/** A honing's steps with the curve made on the first stone and kept on the finer ones. */
function byPlace(
  steel: Tool['steel'],
  edge: SingleBevelEdge,
  steps: readonly SessionStep[],
  { camber, work: stands }: ReturnType<typeof edgeAtFirst>,
  bench: ReadonlyMap<string, StoneAtWork>,
): readonly SessionStep[] {
  const stone = steps[0] && bench.get(steps[0].abrasiveId);
  if (!camber || !stone) return steps;
  const wantedMm = cornerBackMm(edge.front, edge.widthMm);
  const due = !isNear(camber.camberMm, wantedMm, 0.5) || !isNear(camber.leanMm, 0);
  const work = placedWork(edge, 5, faceAtEdgeMm(edge, stands), camber.factor * perStroke(steel, stone));
  const bow = Math.max(0, (camber.camberMm + wantedMm) / 2);
  const { strokes } = strokesTo(work, wantedRemoval(edge, camber.camberMm, camber.leanMm), bow);
  const count = strokes.reduce((sum, each) => sum + each, 0);
  const shaping: SessionStep[] =
    due && count > 0
      ? [
          {
            abrasiveId: stone.id,
            strokes: count,
            minutes: Math.round(count / PLAN_DEFAULTS.strokesPerMin / ROUND_MIN) * ROUND_MIN || ROUND_MIN,
            places: strokes,
          },
        ]
      : [];
  const [first, ...finer] = steps as [SessionStep, ...SessionStep[]];
  return [
    first,
    ...shaping.map((step) => ({ ...step, minutes: Number(step.minutes.toFixed(1)) })),
    ...finer.map((step) => {
      if (step.strokes < 5) return step;
      return { ...step, places: spreadStrokes(work, step.strokes, wantedMm) };
    }),
  ];
}

const perStroke = (steel: Tool['steel'], stone: StoneAtWork): number =>
  removalPerStrokeMm3(
    stone.removalMm3PerNm,
    stone.forceN ?? PLAN_DEFAULTS.forceN,
    stone.strokeMm,
    STEELS[steel].factor,
  );
