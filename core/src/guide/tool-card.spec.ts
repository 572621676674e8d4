import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { guideProjection } from './guide-projection.js';
import { GENERIC_SIDE_CLAMPING_GUIDE as GUIDE, type Guide } from './guide.js';
import { flatBlade } from '../testing/blades.js';
import type { Tool } from '../blade/tool.js';
import type { Identified } from '../base/identified.js';
import { USUAL_BOARD, makeBoard } from './setting-board.js';
import { toolCard } from './tool-card.js';
import { without } from '../testing/without.js';

const CHISEL: Tool = {
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 19, primaryDeg: 25, secondaryDeg: 30 }),
};
const GUIDES: readonly Identified<Guide>[] = [
  { ...GUIDE, id: 'side' },
  { id: 'hand', name: 'By hand', form: 'freehand' },
  {
    id: 'jig',
    name: 'Jig',
    form: 'wet-wheel-jig',
    wheelRadiusMm: 125,
    wheelId: 'wheel',
    jigProjectionMm: 139,
    offsetMm: 12,
  },
];
const WHEEL: OwnedAbrasive = {
  id: 'wheel',
  name: 'Wet wheel',
  kind: 'wet-wheel',
  grade: { standard: 'FEPA-F', grade: 'F220' },
  lubricant: 'water',
  strokeMm: 50,
  overheadMin: 4,
  wheel: { readings: [{ on: '2026-08-24', diameterMm: 250 }] },
};

describe('a tool’s card', () => {
  const board = makeBoard(
    GUIDE,
    {
      ...USUAL_BOARD,
      name: 'Shed board',
      guideId: 'side',
      seatName: 'Chisel jaws',
      stops: [{ label: 'B', angleDeg: 30 }],
    },
    '2026-05-04',
  );

  it('tells each facet in each seat that takes the blade, and the stop where there is one', () => {
    const { settings, facets, includedDeg } = toolCard(CHISEL, GUIDES, [{ ...board, id: 'b' }], [WHEEL]);
    expect(facets.map(({ angleDeg }) => angleDeg)).toEqual([25, 30]);
    expect(includedDeg).toBe(30);
    // The iron jaws do not take 19 mm, and hands set nothing.
    expect(settings.map(({ guide, seat, facet }) => [guide, seat, facet])).toEqual([
      [GUIDE.name, 'Chisel jaws', 'primary'],
      [GUIDE.name, 'Chisel jaws', 'secondary'],
      ['Jig', undefined, 'primary'],
      ['Jig', undefined, 'secondary'],
    ]);
    const geometry = { rollerRadiusMm: 9, seatHeightMm: 16.25, noseMm: 16.25 };
    expect(settings[1]?.projectionMm).toBeCloseTo(
      guideProjection({ guide: geometry, angleDeg: 30 }).projectionMm,
      9,
    );
    expect(settings.map(({ stop }) => stop?.label)).toEqual([undefined, 'B', undefined, undefined]);
    expect(settings[2]?.gapMm).withContext('D 216.926 less the radius').toBeCloseTo(91.926, 3);
  });

  it('follows a wheel that has worn: a smaller one, another gap', () => {
    const worn = { ...WHEEL, wheel: { readings: [{ on: '2026-11-23', diameterMm: 230 }] } };
    const gap = (wheel: typeof WHEEL): number =>
      toolCard(CHISEL, GUIDES, [], [wheel]).settings.find(({ gapMm }) => gapMm !== undefined)?.gapMm ?? NaN;
    expect(gap(worn)).not.toBeCloseTo(gap(WHEEL), 1);
    expect(gap(without(WHEEL, 'wheel')))
      .withContext('as typed')
      .toBeCloseTo(91.926, 3);
  });
});
