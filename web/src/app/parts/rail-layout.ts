/** Where one stone stands on the rail, and where its size really lies on the scale. */
interface RailPlace {
  readonly left: number;
  readonly scaleAt: number;
}

/** Smallest and largest µm the scale shows at least, so that one stone does not fill it. */
const LEAST_SPAN = [1, 60] as const;

/** A logarithmic scale, coarse at the left: µm to px within `width`. */
export function railScale(sizesUm: readonly number[], width: number, margin: number): (um: number) => number {
  const coarsest = Math.log(Math.max(LEAST_SPAN[1], ...sizesUm));
  const finest = Math.log(Math.min(LEAST_SPAN[0], ...sizesUm));
  return (um) => margin + ((coarsest - Math.log(um)) / (coarsest - finest)) * (width - 2 * margin);
}

/**
 * Places stones (coarse to fine) as near their true position as `spacing` between centres allows:
 * crowded neighbours form a group centred on the mean of its places, groups merging as they touch.
 */
export function railPlaces(sizesUm: readonly number[], width: number, spacing: number): readonly RailPlace[] {
  const wide = Math.max(width, sizesUm.length * spacing);
  const at = railScale(sizesUm, wide, spacing / 2);
  interface Group {
    readonly count: number;
    readonly centre: number;
  }
  const span = (group: Group): number => ((group.count - 1) * spacing) / 2;
  const groups: Group[] = [];
  for (const um of sizesUm) {
    let group: Group = { count: 1, centre: at(um) };
    for (let before = groups.at(-1); before; before = groups.at(-1)) {
      if (before.centre + span(before) + spacing <= group.centre - span(group)) break;
      groups.pop();
      const count = before.count + group.count;
      group = { count, centre: (before.centre * before.count + group.centre * group.count) / count };
    }
    const [least, most] = [spacing / 2 + span(group), wide - spacing / 2 - span(group)];
    groups.push({ ...group, centre: Math.min(most, Math.max(least, group.centre)) });
  }
  const lefts = groups.flatMap((group) =>
    Array.from({ length: group.count }, (_, i) => group.centre - span(group) + i * spacing),
  );
  // Groups held inside the ends may still lean on each other; push them apart from the fine end.
  for (let i = lefts.length - 2; i >= 0; i--)
    lefts[i] = Math.min(lefts[i] as number, (lefts[i + 1] as number) - spacing);
  return sizesUm.map((um, i) => ({ left: lefts[i] as number, scaleAt: at(um) }));
}
