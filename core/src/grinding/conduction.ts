/** A body cut across into cells, heat flowing from each to the next. SI units, per mm of its width. */
export interface Bar {
  /** Heat capacity of each cell, J/K. */
  readonly capacity: Float64Array;
  /** Conductance from each cell to the next, W/K: one fewer than there are cells. */
  readonly conductance: Float64Array;
  /** Power going into each cell, W. */
  readonly source: Float64Array;
  /** Conductance from each cell to what cools it, W/K. */
  readonly loss: Float64Array;
  /** Temperature of what cools it, °C. */
  readonly coolantC: number;
}

/** Where a bar's heat went over some time, J. */
interface HeatFlow {
  readonly seconds: number;
  readonly inJ: number;
  readonly lostJ: number;
}

/** Share of the longest stable step that is taken. */
const CAUTION = 0.8;

/** The longest step an explicit scheme may take with a bar: no cell may give more than it holds. */
function stableStep({ capacity, conductance, loss }: Bar): number {
  let least = Infinity;
  for (let i = 0; i < capacity.length; i++) {
    const out = (conductance[i - 1] ?? 0) + (conductance[i] ?? 0) + (loss[i] ?? 0);
    if (out > 0) least = Math.min(least, (capacity[i] ?? 0) / out);
  }
  return least * CAUTION;
}

/**
 * One explicit step: T' = T + dt·(q + Σ G·ΔT)/C in every cell, in place. What leaves a cell enters its
 * neighbour, so that energy is kept to rounding.
 * @param flow a cell's gain before it is added, as long as the bar
 * @returns the heat lost to the coolant, J
 */
function conductStep(bar: Bar, celsius: Float64Array, flow: Float64Array, dt: number): number {
  const { capacity, conductance, source, loss, coolantC } = bar;
  const last = capacity.length - 1;
  let lost = 0;
  let from = 0;
  for (let i = 0; i <= last; i++) {
    const here = celsius[i] as number;
    const to = i < last ? (conductance[i] as number) * (here - (celsius[i + 1] as number)) : 0;
    const away = (loss[i] as number) * (here - coolantC);
    flow[i] = (source[i] as number) + from - to - away;
    lost += away;
    from = to;
  }
  for (let i = 0; i <= last; i++) {
    celsius[i] = (celsius[i] as number) + (dt * (flow[i] as number)) / (capacity[i] as number);
  }
  return lost * dt;
}

/**
 * Conducts for some time, in equal stable steps.
 * @param eachStep looks at the temperatures after a step and says whether to stop
 */
export function conduct(
  bar: Bar,
  celsius: Float64Array,
  seconds: number,
  eachStep?: (celsius: Float64Array, atS: number) => boolean,
): HeatFlow {
  const steps = Math.max(1, Math.ceil(seconds / stableStep(bar)));
  const dt = seconds / steps;
  const flow = new Float64Array(celsius.length);
  const power = bar.source.reduce((sum, each) => sum + each, 0);
  let lostJ = 0;
  let done = 0;
  while (done < steps) {
    lostJ += conductStep(bar, celsius, flow, dt);
    done++;
    if (eachStep?.(celsius, done * dt)) break;
  }
  return { seconds: done * dt, inJ: power * done * dt, lostJ };
}

/** Heat a bar holds above a temperature, J. */
export const heldJ = ({ capacity }: Bar, celsius: Float64Array, aboveC: number): number =>
  capacity.reduce((sum, each, i) => sum + each * ((celsius[i] ?? aboveC) - aboveC), 0);
