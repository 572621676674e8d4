/** A timber and how hard it is to dent sideways. */
interface Timber {
  readonly name: string;
  /** What people at a bench call it, for matching their records. */
  readonly calledAlso: readonly string[];
  /** Side hardness at 12 % moisture, pounds-force (Janka). */
  readonly sideHardnessLbf: number;
}

const timber = (name: string, sideHardnessLbf: number, ...calledAlso: readonly string[]): Timber => ({
  name,
  sideHardnessLbf,
  calledAlso,
});

/**
 * Common timbers by side hardness: USDA Forest Products Laboratory, *Wood Handbook*, chapter 5
 * (mechanical properties of woods grown in the United States and of imported woods, at 12 %
 * moisture). Every figure is from memory of that table.
 */
export const TIMBERS: readonly Timber[] = [
  timber('Balsam fir', 400),
  timber('Eastern white pine', 380, 'pine', 'white pine'),
  timber('Western redcedar', 350, 'cedar', 'red cedar'),
  timber('Basswood (lime)', 410, 'basswood', 'lime', 'linden'),
  timber('Redwood, old growth', 480, 'redwood'),
  timber('Sitka spruce', 510, 'spruce'),
  timber('Baldcypress', 510, 'cypress'),
  timber('Yellow-poplar', 540, 'poplar', 'tulipwood'),
  timber('Western hemlock', 540, 'hemlock'),
  timber('Red alder', 590, 'alder'),
  timber('Douglas-fir, coast', 710, 'Douglas fir', 'fir'),
  timber('Sycamore, American', 770, 'sycamore'),
  timber('Mahogany', 800),
  timber('Western larch', 830, 'larch'),
  timber('Elm, American', 830, 'elm'),
  timber('Longleaf pine', 870, 'pitch pine', 'yellow pine'),
  timber('Paper birch', 910),
  timber('Black cherry', 950, 'cherry'),
  timber('Red maple', 950, 'soft maple'),
  timber('Teak', 1000),
  timber('Black walnut', 1010, 'walnut'),
  timber('Yellow birch', 1260, 'birch'),
  timber('Northern red oak', 1290, 'red oak'),
  timber('American beech', 1300, 'beech'),
  timber('White ash', 1320, 'ash'),
  timber('White oak', 1360, 'oak'),
  timber('Sugar maple', 1450, 'maple', 'hard maple', 'rock maple'),
  timber('Black locust', 1700, 'locust', 'robinia'),
  timber('Shagbark hickory', 1880, 'hickory'),
];

/** The timber a record means by what it wrote down, if the table has it. */
export function timberCalled(wood: string): Timber | undefined {
  const plain = (text: string): string => text.toLowerCase().replaceAll('-', ' ').trim();
  const wanted = plain(wood);
  return TIMBERS.find(({ name, calledAlso }) => [name, ...calledAlso].some((each) => plain(each) === wanted));
}
