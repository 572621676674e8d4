import { Refusal, insist } from '../refusal.js';
import type { AbrasiveKind } from '../abrasive/abrasive.js';
import { estimatedRemovalMm3PerNm, estimatedScratchUm, removalPerStrokeMm3 } from '../abrasive/removal.js';

export interface ProgressionAbrasive {
  readonly id: string;
  readonly sizeUm: number;
  /** Supplies the missing removal factor; a water stone unless said. */
  readonly kind?: AbrasiveKind;
  readonly removalMm3PerNm?: number;
  readonly scratchUm?: number;
  readonly strokeMm: number;
  readonly overheadMin: number;
  /** In place of the job's. */
  readonly forceN?: number;
  /** More strokes than this are not made on it, where that is asked for. */
  readonly mostStrokes?: number;
}

export interface ProgressionJob {
  /** Steel the first abrasive has to take, 0 or more. */
  readonly removeMm3: number;
  /** Area each finer abrasive has to clear of scratches. */
  readonly contactMm2: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  /** Work per volume against plain carbon steel, default 1. */
  readonly steelFactor?: number;
}

export interface ProgressionInput {
  readonly abrasives: readonly ProgressionAbrasive[];
  readonly job: ProgressionJob;
  /** The last abrasive used is no coarser than this. */
  readonly finishUm: number;
  /** Fewest strokes on any abrasive, default 4. */
  readonly minStrokes?: number;
  /** Largest ratio between consecutive sizes, inclusive; unlimited unless given. */
  readonly maxRatio?: number;
  /** Exactly so many abrasives, where that is asked for. */
  readonly stones?: number;
  /** The first abrasive is no finer than this, where that is asked for. */
  readonly startUm?: number;
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
export interface RouteThrough {
  readonly id: string;
  /** Infinity where no allowed route uses it. */
  readonly totalMin: number;
}

const TIE_MIN = 1e-9;

/**
 * The least total minutes over every subset of the abrasives, coarse to fine, that ends at one no
 * coarser than `finishUm`: a shortest path through the abrasives in order of size. The first step
 * takes `removeMm3`; each later one the scratches of the one before, contact·(scratch before −
 * own)/1000; strokes = max(minStrokes, ⌈volume/per stroke⌉). Totals within 1e-9 min tie; then fewer
 * abrasives, then input order. O(n²), and as many times that as `stones` asks for.
 * @throws Refusal on `finishUm` when no abrasive is fine enough, on `stones`, `startUm` or `maxRatio` when
 * those leave no way there.
 */
export function progression(input: ProgressionInput): Progression {
  const net = new StoneNet(input);
  return net.bestRoute();
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

  constructor(private readonly input: ProgressionInput) {
    this.minStrokes = input.minStrokes ?? 4;
    this.maxRatio = input.maxRatio ?? Infinity;
    this.counted = input.stones !== undefined;
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

  bestRoute(): Progression {
    let left = this.rest.length;
    const start = this.wayOn(undefined, left);
    if (start.next === undefined) throw this.noWay();
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

  private step(from: number | undefined, to: number): ProgressionStep {
    const { job } = this.input;
    const stone = this.stone(to);
    const removeMm3 =
      from === undefined
        ? job.removeMm3
        : (job.contactMm2 * Math.max(0, this.stone(from).scratch - stone.scratch)) / 1000;
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
  private noWay(): Refusal {
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

/** The rate and the marks of an abrasive: its own, else the estimates. */
export const removalOf = ({ removalMm3PerNm, sizeUm, kind }: ProgressionAbrasive): number =>
  removalMm3PerNm ?? estimatedRemovalMm3PerNm(sizeUm, kind);
export const scratchOf = ({ scratchUm, sizeUm }: ProgressionAbrasive): number =>
  scratchUm ?? estimatedScratchUm(sizeUm);

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
