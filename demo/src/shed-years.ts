import { stonesAtWork, type Care, type OwnedAbrasive, type StoneAtWork, stoneCare } from '@mellow-anvil/core/abrasive';
import type { Identified } from '@mellow-anvil/core/base';
import { type Condition, familyFacts, type RackState, type Tool, type UseMeasure } from '@mellow-anvil/core/blade';
import { type Guide, guideProjection, honedAtDeg, isRoller, type RollerGuide, seatForWidth, seatGeometry, seatTakes, type SessionSetting } from '@mellow-anvil/core/guide';
import { PLAN_DEFAULTS, planHoning } from '@mellow-anvil/core/plan';
import { asItStands, edgeAtFirst, type EdgeState, type HistoryEntry, readiness, type RecordedSession, recordOf, type Session, type SessionStep, type UseOfStone, usesOfStones } from '@mellow-anvil/core/record';
import { ownSteelAfter } from './own-steel.js';

/** How one tool is used in a made-up workshop. */
export interface Habit {
  readonly toolId: string;
  /** Spells of use in an ordinary week. */
  readonly perWeek: number;
  readonly measure: UseMeasure;
  /** Amount of a usual spell, and how much an edge stands before it no longer cuts. */
  readonly spell: number;
  readonly life: number;
  /** Woods worked, each with how hard it is on an edge (1 is ordinary). */
  readonly woods: readonly (readonly [wood: string, hardness: number])[];
  readonly hands: readonly string[];
  /** Strokes on each abrasive where the tool is not one a plan can be made for. */
  readonly stones?: readonly (readonly [abrasiveId: string, strokes: number])[];
  /** How it is pushed, where that is not one hand’s push on a stroke that cuts one way. */
  readonly push?: Pick<SessionStep, 'forceN' | 'bothWays'>;
  /** The set it is honed on, where that is not the shed’s. */
  readonly set?: string;
  /** How the angle it is set at drifts, degrees a year. */
  readonly creepDegPerYear?: number;
}

/** Something that happens to an edge on a given day. */
export interface Mishap {
  readonly toolId: string;
  /** `yyyy-mm-dd` */
  readonly day: string;
  readonly who: string;
  readonly wood: string;
  readonly chips: number;
  readonly deepestMm: number;
  readonly notes: string;
  /** Nobody has seen to it by the evening. */
  readonly left?: boolean;
}

export interface ShedYears {
  readonly tools: readonly Identified<Tool>[];
  readonly guides: readonly Identified<Guide>[];
  readonly abrasives: readonly OwnedAbrasive[];
  /** First day, `yyyy-mm-dd`, and how many. */
  readonly from: string;
  readonly days: number;
  /** How busy each month is, January first; 1 is ordinary. */
  readonly busy: readonly number[];
  readonly habits: readonly Habit[];
  readonly mishaps: readonly Mishap[];
  /** How fast each stone really cuts against the estimate; 1 unless said. */
  readonly trueRates: Readonly<Record<string, number>>;
  /** How much faster than estimated each stone really dishes; 1 unless said. */
  readonly trueWear: Readonly<Record<string, number>>;
  /** A stone that glazes: the strokes it needs grow by this share a year. */
  readonly slowing: Readonly<Record<string, number>>;
  /** The last Saturday anybody saw to the stones, `yyyy-mm-dd`. */
  readonly lastRound: string;
  /** The set most tools are honed on. */
  readonly set: string;
  readonly sharpener: string;
}

/** What made-up years leave behind. */
interface ShedRecord {
  readonly sessions: readonly RecordedSession[];
  readonly cares: readonly (Care & { readonly id: string })[];
}

const DAY_MS = 86_400_000;
const STRIKE_CHANCE = 0.004;
/** How often somebody lays the rule on a land before honing, and a straightedge on a stone before flattening it. */
const MEASURE_CHANCE = 0.4;
const STRAIGHTEDGE_CHANCE = 0.3;
/** A carving edge that cuts no longer is stropped first, by old habit oftener than pays. */
const STROPS_OF_HABIT = 8;
/** How the shed’s people judge an edge: by so many of the latest, and stropping at a share of what those lasted. */
const EDGES_REMEMBERED = 12;
const EDGES_TO_GO_BY = 3;
const STROPPED_AT = 0.6;

/**
 * Plausible sessions for a made-up workshop: use follows habit and season, edges wear by what they
 * cut, and every sharpening is what the rack's own rules and the planner ask for on that day.
 * @param random numbers in 0..1; the same ones give the same sessions
 */
export function shedYears(shed: ShedYears, random: () => number): ShedRecord {
  const bench = new Map(
    stonesAtWork(shed.abrasives).map((stone) => [
      stone.id,
      { ...stone, removalMm3PerNm: stone.removalMm3PerNm * (shed.trueRates[stone.id] ?? 1) },
    ]),
  );
  const upkeep = new ShedUpkeep(shed, [...bench.values()], random);
  const lives = shed.habits.flatMap((habit) => {
    const tool = shed.tools.find(({ id }) => id === habit.toolId);
    return tool ? [new ToolLife(shed, tool, habit, bench, random)] : [];
  });
  const first = Date.parse(`${shed.from}T00:00:00Z`);
  const sessions: RecordedSession[] = [];
  for (let day = 0; day < shed.days; day++) {
    const date = new Date(first + day * DAY_MS);
    if (date.getUTCDay() === 0) continue;
    for (const life of lives) {
      for (const session of life.day(date, day)) {
        const recorded = life.record({ id: `s${String(sessions.length + 1).padStart(4, '0')}`, ...session });
        sessions.push(recorded);
        upkeep.used(usesOfStones(life.tool, [recorded], bench));
      }
    }
    if (date.getUTCDay() === SATURDAY) upkeep.evening(date);
  }
  return { sessions, cares: upkeep.cares };
}

const SATURDAY = 6;

/** The Saturday round of the stones: what is due is done, most of the time. */
class ShedUpkeep {
  readonly cares: (Care & { readonly id: string })[] = [];
  private readonly uses = new Map<string, UseOfStone[]>();

  constructor(
    private readonly shed: ShedYears,
    private readonly bench: readonly StoneAtWork[],
    private readonly random: () => number,
  ) {}

  used(uses: readonly UseOfStone[]): void {
    for (const use of uses) {
      const before = this.uses.get(use.abrasiveId);
      if (before) before.push(use);
      else this.uses.set(use.abrasiveId, [use]);
    }
  }

  evening(date: Date): void {
    if (date.toISOString().slice(0, 10) > this.shed.lastRound) return;
    for (const stone of this.bench) {
      const cares = this.cares.filter(({ abrasiveId }) => abrasiveId === stone.id);
      // Only what came since the last care is looked at: what was flattened away is gone.
      const lastAt = cares.at(-1)?.at ?? '';
      const uses = (this.uses.get(stone.id) ?? []).filter(({ at }) => at > lastAt);
      // Wheels are dressed by the day they were measured, not by the minute.
      const { wheel: _, ...cared } = stone;
      const { due, hollowUm = 0 } = stoneCare(cared, stone.sizeUm, uses, cares);
      if (!due || this.random() > 0.55) continue;
      const note = (care: Omit<Care, 'abrasiveId' | 'at' | 'who'>, hour: number): void => {
        const id = `c${String(this.cares.length + 1).padStart(4, '0')}`;
        this.cares.push({ id, abrasiveId: stone.id, at: at(date, hour), who: this.shed.sharpener, ...care });
      };
      if (due.kind === 'flattened' && this.random() < STRAIGHTEDGE_CHANCE) {
        const seen = hollowUm * (this.shed.trueWear[stone.id] ?? 1) * (0.85 + 0.3 * this.random());
        note({ kind: 'straightedge', hollowUm: rounded(seen, 5) }, 17);
      }
      note({ kind: due.kind, minutes: rounded(due.minutes * (0.8 + 0.5 * this.random()), 0.5) }, 17.25);
    }
  }
}

/** One tool's way through the years. */
class ToolLife {
  private state: EdgeState;
  private readonly history: HistoryEntry[] = [];
  private wear = 0;
  private dullness: Condition['kind'] = 'dull';

  constructor(
    private readonly shed: ShedYears,
    readonly tool: Identified<Tool>,
    private readonly habit: Habit,
    private readonly bench: ReadonlyMap<string, StoneAtWork>,
    private readonly random: () => number,
  ) {
    this.state = edgeAtFirst(tool);
  }

  record(session: RecordedSession): RecordedSession {
    const before = this.state;
    this.state = ownSteelAfter(this.tool, before, session, this.bench);
    this.history.push({ session, before, after: this.state });
    return session;
  }

  /** A day's entries; each is recorded before the next is asked for. */
  *day(date: Date, since: number): Iterable<Session> {
    const mishap = this.shed.mishaps.find(
      ({ toolId, day }) => toolId === this.tool.id && date.toISOString().startsWith(day),
    );
    const chance = (this.habit.perWeek / 6) * (this.shed.busy[date.getUTCMonth()] ?? 1);
    const used = mishap !== undefined || this.random() < chance;
    if (used) yield this.use(at(date, 8 + this.random() * 6), mishap);
    const state = this.asks();
    // Nobody sharpens in the middle of a job: three times in four it is done the same evening.
    if (!used || mishap?.left || state === 'ready' || this.random() > 0.75) return;
    if (state === 'strop') {
      if (!familyFacts(this.tool.family).stropped) return;
      yield this.strop(at(date, 15));
      return;
    }
    if (state === 'regrind' || state === 'repair') {
      yield this.grind(at(date, 16));
    }
    yield this.hone(at(date, 16.5), since);
  }

  /** What the shed’s people think the tool asks for: by habits of their own, not by what is advised. */
  private asks(): RackState {
    const { strop: _, life: __, ...record } = recordOf(this.tool, this.history);
    const seen = { ...record, stropped: familyFacts(this.tool.family).stropped };
    const { state, rule } = readiness(this.tool, seen);
    const { measure } = this.habit;
    if (rule === 'blunt' && seen.stropped && this.state.stropsSinceHoned < STROPS_OF_HABIT) return 'strop';
    const usual = this.usualLife();
    const used = this.state.sinceHoned[measure];
    // However often it was stropped.
    const fades = rule === 'half-hour' || rule === 'strops-done';
    if (!fades && rule !== 'sharp') return state;
    if (usual !== undefined && used >= usual) return 'hone';
    if (fades) return 'strop';
    return usual !== undefined && this.state.stropsSinceHoned === 0 && used >= STROPPED_AT * usual
      ? 'strop'
      : 'ready';
  }

  /** The middle one of the latest edges that went blunt, from three on. */
  private usualLife(): number | undefined {
    const amounts = this.history
      .filter(({ session, before }) => session.kind === 'honing' && before.sinceHoned.stillCutting === false)
      .map(({ before }) => before.sinceHoned[this.habit.measure])
      .filter((amount) => amount > 0)
      .slice(-EDGES_REMEMBERED)
      .sort((a, b) => a - b);
    if (amounts.length < EDGES_TO_GO_BY) return undefined;
    const middle = amounts.length >> 1;
    const [low, high] = [amounts[(amounts.length - 1) >> 1], amounts[middle]] as [number, number];
    return (low + high) / 2;
  }

  private use(startedAt: string, mishap: Mishap | undefined): Session {
    const { habit } = this;
    const [wood, hardness] = this.pick(habit.woods);
    const amount = rounded(habit.spell * (0.5 + this.random()), habit.measure === 'mortises' ? 1 : 5);
    this.wear += (amount * hardness * (0.8 + 0.4 * this.random())) / habit.life;
    const struck = mishap === undefined && this.random() < STRIKE_CHANCE * hardness;
    const chips = mishap
      ? { count: mishap.chips, deepestMm: mishap.deepestMm }
      : struck
        ? { count: 1 + Math.floor(this.random() * 3), deepestMm: rounded(0.04 + 0.1 * this.random(), 0.02) }
        : undefined;
    const stillCutting = this.wear < 1 && !mishap;
    this.dullness = this.wear > 1.35 ? 'very-dull' : this.wear > 0.8 ? 'dull' : 'fading';
    return {
      toolId: this.tool.id,
      kind: 'use',
      startedAt,
      who: mishap?.who ?? this.pick(habit.hands),
      use: { [habit.measure]: amount, wood: mishap?.wood ?? wood, stillCutting },
      ...(chips && { chips }),
      ...(mishap && { notes: mishap.notes }),
    };
  }

  private strop(startedAt: string): Session {
    // Each strop brings back less of the edge than the one before it.
    this.wear = Math.max(0.45 * this.wear, 0.1 * (this.state.stropsSinceHoned + 1));
    return {
      toolId: this.tool.id,
      kind: 'stropping',
      startedAt,
      minutes: 1,
      who: this.pick(this.habit.hands),
      steps: [{ abrasiveId: 'strop', strokes: 2 * Math.round(8 + 4 * this.random()), minutes: 1 }],
    };
  }

  private grind(startedAt: string): Session {
    const { deepestMm, chips } = this.state.sinceHoned;
    const minutes = rounded(9 + 6 * this.random(), 0.5);
    return {
      toolId: this.tool.id,
      kind: 'grinding',
      startedAt,
      minutes,
      who: this.shed.sharpener,
      ...(chips > 0 && deepestMm > 0 && { conditionBefore: { kind: 'nicked', nickMm: deepestMm } }),
      steps: [{ abrasiveId: 'dry-wheel', strokes: 0, minutes }],
      notes: chips > 0 ? 'Ground the nick out, dipping all the way.' : 'Ground the primary back.',
    };
  }

  private hone(startedAt: string, since: number): Session {
    const { landMm } = this.state;
    const measured = this.random() < MEASURE_CHANCE && landMm !== undefined && landMm > 0.1;
    const { deepestMm } = this.state.sinceHoned;
    const condition: Condition =
      deepestMm > 0 ? { kind: 'nicked', nickMm: deepestMm } : { kind: this.dullness };
    const steps = this.habit.stones ? this.byHand(this.habit.stones) : this.byPlan(condition, since);
    const setting = this.setting(since);
    this.wear = 0;
    const clean = this.random() < 0.93;
    return {
      toolId: this.tool.id,
      kind: 'honing',
      startedAt,
      minutes: rounded(
        steps.reduce((sum, { minutes }) => sum + minutes, 2.5),
        0.1,
      ),
      who: this.shed.sharpener,
      conditionBefore: condition,
      // To a twentieth of a millimetre, as a lens and a rule show it.
      ...(measured && { landMm: rounded(landMm, 0.05) }),
      ...(setting && { setting }),
      steps,
      outcome: {
        burr: 'all-along',
        proof: [
          { test: 'nail', passed: true },
          { test: 'cut', passed: clean },
        ],
        ...(!clean && { word: 'A fine line in the cut; left for next time.' }),
      },
    };
  }

  private byPlan(condition: Condition, since: number): SessionStep[] {
    const tool = asItStands(this.tool, this.state);
    const fresh = this.state.landFrom === 'ground' && this.state.honings === 0;
    const { steps } = planHoning(tool, [...this.bench.values()], {
      condition: fresh ? { kind: 'dull' } : condition,
      finishUm: Math.max(1.2, familyFacts(tool.family).finishUm),
      forceN: PLAN_DEFAULTS.forceN,
      strokesPerMin: PLAN_DEFAULTS.strokesPerMin,
      maxRatio: PLAN_DEFAULTS.maxRatio,
      // A made-up shed was taught to double the grit.
      school: 'doubling',
      set: this.habit.set ?? this.shed.set,
      laidAside: [],
    });
    return steps.map(({ id, strokes }) => {
      const slow = 1 + ((this.shed.slowing[id] ?? 0) * since) / 365;
      const made = Math.max(4, Math.round(strokes * slow * (0.92 + 0.24 * this.random())));
      return this.step(id, made);
    });
  }

  private byHand(stones: NonNullable<Habit['stones']>): SessionStep[] {
    return stones.map(([id, strokes]) => this.step(id, Math.round(strokes * (0.8 + 0.5 * this.random()))));
  }

  private step(abrasiveId: string, strokes: number): SessionStep {
    const overhead = this.bench.get(abrasiveId)?.overheadMin ?? 0.5;
    const pace = PLAN_DEFAULTS.strokesPerMin * (0.85 + 0.3 * this.random());
    return { abrasiveId, strokes, minutes: rounded(strokes / pace + overhead, 0.1), ...this.habit.push };
  }

  /** The guide and projection, as near to the angle meant as a ruler gets. */
  private setting(since: number): SessionSetting | undefined {
    const { edge } = this.tool;
    const drift = ((this.habit.creepDegPerYear ?? 0) * since) / 365;
    const angleDeg = rounded(honedAtDeg(edge) + drift + 0.5 * (this.random() - 0.5), 0.1);
    if (edge.form !== 'single-bevel' || this.habit.stones) return { angleDeg };
    const guide = this.shed.guides.find(isRollerGuide);
    const seat = guide && seatForWidth(guide, edge.widthMm);
    if (!guide || !seat || !seatTakes(seat, edge.widthMm)) return { angleDeg };
    const { projectionMm } = guideProjection({
      guide: seatGeometry(guide, seat),
      thicknessMm: edge.thicknessMm,
      angleDeg,
    });
    return { guideId: guide.id, seatName: seat.name, angleDeg, projectionMm: rounded(projectionMm, 0.1) };
  }

  private pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.random() * from.length)] as T;
  }
}

const isRollerGuide = (guide: Identified<Guide>): guide is Identified<RollerGuide> => isRoller(guide);

const at = (day: Date, hour: number): string =>
  new Date(day.getTime() + Math.round(hour * 12) * 300_000).toISOString();

/** To the nearest step, without the tails of binary fractions. */
function rounded(value: number, step: number): number {
  return Number((Math.max(1, Math.round(value / step)) * step).toFixed(3));
}
