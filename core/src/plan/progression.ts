import { Refusal, insist } from '../base/refusal.js';
import type { AbrasiveKind } from '../abrasive/abrasive.js';
import { estimatedRemovalMm3PerNm, removalPerStrokeMm3, scratchOf } from '../abrasive/removal.js';

export interface ProgressionAbrasive {
  readonly id: string;
  readonly sizeUm: number;
  /** Supplies the missing removal factor; a water stone unless said. */
  readonly kind?: AbrasiveKind | undefined;
  readonly removalMm3PerNm?: number | undefined;
  readonly scratchUm?: number | undefined;
  readonly strokeMm: number;
  readonly overheadMin: number;
  /** In place of the job's. */
  readonly forceN?: number | undefined;
  /** More strokes than this are not made on it, where that is asked for. */
  readonly mostStrokes?: number | undefined;
}

interface ProgressionJob {
  /** Steel the first abrasive has to take, 0 or more. */
  readonly removeMm3: number;
  /** Area each finer abrasive has to clear of scratches. */
  readonly contactMm2: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  /** Work per volume against plain carbon steel, default 1. */
  readonly steelFactor?: number;
  /** Marks found on the face, µm, which the first abrasive has to clear too. */
  readonly foundUm?: number | undefined;
  /**
   * Steel that lowers the face by so much, once so much is off it, mm³: for faces that grow as they are honed, in
   * place of the contact area. Never less for more of either.
   */
  readonly clearMm3?: (spentMm3: number, downUm: number) => number;
}

export interface ProgressionInput {
  readonly abrasives: readonly ProgressionAbrasive[];
  readonly job: ProgressionJob;
  /** The last abrasive used is no coarser than this. */
  readonly finishUm: number;
  /** Fewest strokes on any abrasive, default 4. */
  readonly minStrokes?: number | undefined;
  /** Largest ratio between consecutive sizes, inclusive; unlimited unless given. */
  readonly maxRatio?: number | undefined;
  /** Exactly so many abrasives, where that is asked for. */
  readonly stones?: number | undefined;
  /** The first abrasive is no finer than this, where that is asked for. */
  readonly startUm?: number | undefined;
}

export interface ProgressionStep {
  readonly id: string;
  readonly removeMm3: number;
  readonly strokes: number;
  readonly minutes: number;
}

export interface Progression {
  readonly steps: readonly ProgressionStep[];
  readonly totalMin: number;
}

/** What is in reach through one abrasive: the least total minutes of any route that uses it. */
interface RouteThrough {
  readonly id: string;
  /** Infinity where no allowed route uses it. */
  readonly totalMin: number;
}

const TIE_MIN = 1e-9;
/** So little hardly widens a face, µm. */
const LITTLE_UM = 1e-3;

/**
 * The least total minutes over every subset of the abrasives, coarse to fine, that ends at one no
 * coarser than `finishUm`: a shortest path through the abrasives in order of size. The first step
 * takes `removeMm3`; each later one the scratches of the one before, contact·(scratch before −
 * own)/1000; strokes = max(minStrokes, ⌈volume/per stroke⌉). Totals within 1e-9 min tie; then fewer
 * abrasives, then input order. O(n²), and as many times that as `stones` asks for.
 *
 * On a face that grows the strokes of a stone depend on all before it: then routes are followed best first (A*, Hart,
 * Nilsson and Raphael 1968), what is left of each taken as the shortest path on the face as small as it can be.
 * @throws Refusal on `finishUm` when no abrasive is fine enough, on `stones`, `startUm` or `maxRatio` when
 * those leave no way there.
 */
export function progression(input: ProgressionInput): Progression {
  const net = new StoneNet(input);
  const best = net.bestRoute();
  if (!best) throw net.noWay();
  return best;
}

/** {@link progression}, and nothing where there is no way. @throws Refusal on what no way could be without */
export function progressionIfAny(input: ProgressionInput): Progression | undefined {
  return new StoneNet(input).bestRoute();
}

/** For every abrasive, in input order, the least minutes of a route that passes through it. */
export function routesThrough(input: ProgressionInput): readonly RouteThrough[] {
  const net = new StoneNet(input);
  return net.routesThrough();
}

interface Stone extends ProgressionAbrasive {
  readonly position: number;
  readonly scratch: number;
  readonly perStroke: number;
}

/** A route as far as it has come. */
interface Along {
  readonly at: number | undefined;
  readonly left: number;
  readonly minutes: number;
  readonly spentMm3: number;
  /** Minutes in all, should the rest go as well as it can. */
  readonly leastMin: number;
  readonly steps: readonly ProgressionStep[];
  readonly positions: readonly number[];
}

interface Rest {
  readonly minutes: number;
  readonly stones: number;
  readonly next: number | undefined;
}

const UNREACHABLE: Rest = { minutes: Infinity, stones: Infinity, next: undefined };
const DONE: Rest = { minutes: 0, stones: 0, next: undefined };

/** The abrasives coarse to fine, with what is left to do after each: the shortest-path table. */
class StoneNet {
  private readonly stones: readonly Stone[];
  /**
   * rest[left][i]: the best way on once stone i has been used and `left` more have to follow; one row for
   * all where any number may.
   */
  private readonly rest: Rest[][];
  private readonly minStrokes: number;
  private readonly maxRatio: number;
  private readonly counted: boolean;
  /** The face at its smallest, mm²: as it is once the worn steel is off. */
  private readonly contactMm2: number;

  constructor(private readonly input: ProgressionInput) {
    this.minStrokes = input.minStrokes ?? 4;
    this.maxRatio = input.maxRatio ?? Infinity;
    this.counted = input.stones !== undefined;
    const { clearMm3, contactMm2, removeMm3 } = input.job;
    this.contactMm2 = clearMm3 ? (clearMm3(removeMm3, LITTLE_UM) * 1000) / LITTLE_UM : contactMm2;
    this.stones = input.abrasives
      .map((abrasive, position) => toStone(abrasive, position, input.job))
      .sort((a, b) => b.sizeUm - a.sizeUm || a.position - b.position);
    this.refuseTheImpossible();
    this.rest = Array.from({ length: input.stones ?? 1 }, () =>
      new Array<Rest>(this.stones.length).fill(UNREACHABLE),
    );
    this.rest.forEach((row, left) => {
      for (let i = this.stones.length - 1; i >= 0; i--) {
        const fine = this.stone(i).sizeUm <= input.finishUm;
        if (left === 0 && (fine || this.counted)) row[i] = fine ? DONE : UNREACHABLE;
        else row[i] = this.wayOn(i, left);
      }
    });
  }

  bestRoute(): Progression | undefined {
    if (this.input.job.clearMm3) return this.bestOfGrowing();
    let left = this.rest.length;
    const start = this.wayOn(undefined, left);
    if (start.next === undefined) return undefined;
    const steps: ProgressionStep[] = [];
    let before: number | undefined;
    for (let at: number | undefined = start.next; at !== undefined;) {
      steps.push(this.step(before, at));
      before = at;
      left -= 1;
      at = this.restOf(at, left).next;
    }
    return { steps, totalMin: steps.reduce((sum, step) => sum + step.minutes, 0) };
  }

  /** Routes best first, until none can be as short as the best that arrived. */
  private bestOfGrowing(): Progression | undefined {
    const start = this.wayOn(undefined, this.rest.length);
    const nowhere = {
      at: undefined,
      left: this.rest.length,
      minutes: 0,
      spentMm3: 0,
      steps: [],
      positions: [],
    };
    let open: readonly Along[] = [{ ...nowhere, leastMin: start.minutes }];
    const arrived: Along[] = [];
    const closed = new Map<string, Along[]>();
    for (;;) {
      const next = open.reduce<Along | undefined>(
        (best, each) => (best && best.leastMin <= each.leastMin ? best : each),
        undefined,
      );
      if (!next || next.leastMin > (arrived[0]?.minutes ?? Infinity) + TIE_MIN || next.leastMin === Infinity)
        break;
      open = open.filter((each) => each !== next);
      if (next.at !== undefined && this.endsAt(next.at, next.left)) {
        arrived.push(next);
        continue;
      }
      const key = `${String(next.at)} ${String(next.left)}`;
      const before = closed.get(key) ?? [];
      // Sooner here and with less off the face, no way on from it is longer.
      if (before.some((other) => other.minutes < next.minutes - TIE_MIN && other.spentMm3 <= next.spentMm3))
        continue;
      closed.set(key, [...before, next]);
      open = [...open, ...this.onwardFrom(next)];
    }
    const [best] = arrived
      .filter(({ minutes }) => minutes <= (arrived[0] as Along).minutes + TIE_MIN)
      .sort((a, b) => a.steps.length - b.steps.length || inOrder(a.positions, b.positions));
    return best && { steps: best.steps, totalMin: best.minutes };
  }

  private onwardFrom(along: Along): readonly Along[] {
    const { at, minutes, spentMm3, steps, positions } = along;
    const left = along.left - 1;
    return this.stones.flatMap((stone, i): Along[] => {
      if (i <= (at ?? -1) || !this.follows(at, i)) return [];
      const rest = this.restOf(i, left).minutes;
      if (rest === Infinity) return [];
      const step = this.step(at, i, spentMm3);
      const soFar = minutes + step.minutes;
      if (soFar === Infinity) return [];
      return [
        {
          at: i,
          left,
          minutes: soFar,
          spentMm3: spentMm3 + step.strokes * stone.perStroke,
          leastMin: soFar + rest,
          steps: [...steps, step],
          positions: [...positions, stone.position],
        },
      ];
    });
  }

  private endsAt(i: number, left: number): boolean {
    return this.stone(i).sizeUm <= this.input.finishUm && (!this.counted || left === 0);
  }

  routesThrough(): readonly RouteThrough[] {
    const levels = this.rest.length;
    /** upTo[used][i]: the least minutes that end at stone i with `used` stones before it. */
    const upTo: number[][] = [];
    for (let used = 0; used < levels; used++) {
      upTo.push(
        this.stones.map((_, i) =>
          used === 0 && this.follows(undefined, i) ? this.step(undefined, i).minutes : Infinity,
        ),
      );
      const row = upTo[used] as number[];
      const before = this.counted ? upTo[used - 1] : row;
      for (let i = 0; before && i < this.stones.length; i++) {
        for (let j = 0; j < i; j++) {
          if (this.follows(j, i)) {
            row[i] = Math.min(row[i] as number, (before[j] as number) + this.step(j, i).minutes);
          }
        }
      }
    }
    const through = new Map(
      this.stones.map((stone, i) => [
        stone.position,
        Math.min(...upTo.map((row, used) => (row[i] as number) + this.restOf(i, levels - 1 - used).minutes)),
      ]),
    );
    return this.input.abrasives.map(({ id }, position) => ({
      id,
      totalMin: through.get(position) as number,
    }));
  }

  /** The best way on from a stone, or from the start, with `left` stones still to come. */
  private wayOn(from: number | undefined, left: number): Rest {
    const ways: Rest[] = [];
    for (let i = from === undefined ? 0 : from + 1; i < this.stones.length; i++) {
      const rest = this.restOf(i, left - 1);
      if (rest.minutes === Infinity || !this.follows(from, i)) continue;
      const minutes = this.step(from, i).minutes + rest.minutes;
      if (minutes === Infinity) continue;
      ways.push({ minutes, stones: rest.stones + 1, next: i });
    }
    const least = Math.min(...ways.map((way) => way.minutes));
    const position = (way: Rest): number => this.stone(way.next as number).position;
    return (
      ways
        .filter((way) => way.minutes <= least + TIE_MIN)
        .sort((a, b) => a.stones - b.stones || position(a) - position(b))[0] ?? UNREACHABLE
    );
  }

  private follows(from: number | undefined, to: number): boolean {
    if (from === undefined) return this.stone(to).sizeUm >= (this.input.startUm ?? 0);
    const [before, after] = [this.stone(from).sizeUm, this.stone(to).sizeUm];
    return before > after && before <= after * this.maxRatio * (1 + 1e-12);
  }

  /** @param spentMm3 steel off the face so far; as small as it can be unless said */
  private step(from: number | undefined, to: number, spentMm3?: number): ProgressionStep {
    const { job } = this.input;
    const stone = this.stone(to);
    const marksUm = from === undefined ? (job.foundUm ?? 0) : this.stone(from).scratch;
    const downUm = Math.max(0, marksUm - stone.scratch);
    const clearing =
      spentMm3 === undefined || !job.clearMm3 || downUm === 0
        ? (this.contactMm2 * downUm) / 1000
        : job.clearMm3(spentMm3, downUm);
    const removeMm3 = from === undefined ? Math.max(job.removeMm3, clearing) : clearing;
    const strokes = Math.max(this.minStrokes, Math.ceil(removeMm3 / stone.perStroke - 1e-9));
    return {
      id: stone.id,
      removeMm3,
      strokes,
      minutes:
        strokes <= (stone.mostStrokes ?? Infinity)
          ? strokes / job.strokesPerMin + stone.overheadMin
          : Infinity,
    };
  }

  private stone(i: number): Stone {
    return this.stones[i] as Stone;
  }

  private restOf(i: number, left: number): Rest {
    return (this.counted ? this.rest[left] : this.rest[0])?.[i] ?? UNREACHABLE;
  }

  /** Why there is no way: the first of what was asked for that stands in it. */
  noWay(): Refusal {
    const { stones, startUm, finishUm } = this.input;
    const reach = (input: ProgressionInput): boolean =>
      new StoneNet(input).wayOn(undefined, input.stones ?? 1).next !== undefined;
    if (stones !== undefined && reach({ ...this.input, stones: undefined })) {
      return new Refusal(
        'stones',
        `No ${stones} of these abrasives lead from coarse to ${finishUm} µm: allow another number, or a larger jump.`,
      );
    }
    if (startUm !== undefined && this.stones.every(({ sizeUm }) => sizeUm < startUm)) {
      return new Refusal('startUm', `Nothing here is as coarse as ${startUm} µm to begin on: begin finer.`);
    }
    const limited = this.input.abrasives.some(({ mostStrokes }) => mostStrokes !== undefined);
    const unlimited = this.input.abrasives.map((abrasive) => ({ ...abrasive, mostStrokes: undefined }));
    if (limited && reach({ ...this.input, abrasives: unlimited })) {
      return new Refusal(
        'mostStrokes',
        'This would take more strokes on one stone than are allowed: allow more, or take a coarser stone first.',
      );
    }
    return new Refusal(
      'maxRatio',
      `No route from coarse to ${finishUm} µm keeps every jump within ${this.maxRatio} times; ` +
        'allow a larger jump or add a stone between.',
    );
  }

  private refuseTheImpossible(): void {
    const { abrasives, finishUm } = this.input;
    insist(abrasives.length > 0, 'abrasives', 'Put at least one abrasive on the bench first.');
    const { stones = 1 } = this.input;
    insist(
      Number.isInteger(stones) && stones >= 1,
      'stones',
      'Ask for one abrasive, or a larger whole number.',
    );
    const finest = Math.min(...abrasives.map((abrasive) => abrasive.sizeUm));
    insist(
      finest <= finishUm,
      'finishUm',
      `Nothing on the bench is as fine as ${finishUm} µm; the finest is ${finest} µm. ` +
        `Ask for ${finest} µm or coarser, or add a finer abrasive.`,
    );
  }
}

const inOrder = (a: readonly number[], b: readonly number[]): number =>
  a.map((each, i) => each - (b[i] ?? -1)).find((difference) => difference !== 0) ?? 0;

/** The rate and the marks of an abrasive: its own, else the estimates. */
export const removalOf = ({ removalMm3PerNm, sizeUm, kind }: ProgressionAbrasive): number =>
  removalMm3PerNm ?? estimatedRemovalMm3PerNm(sizeUm, kind);
function toStone(abrasive: ProgressionAbrasive, position: number, job: ProgressionJob): Stone {
  const removal = removalOf(abrasive);
  return {
    ...abrasive,
    position,
    scratch: scratchOf(abrasive),
    perStroke: removalPerStrokeMm3(
      removal,
      abrasive.forceN ?? job.forceN,
      abrasive.strokeMm,
      job.steelFactor ?? 1,
    ),
  };
}
