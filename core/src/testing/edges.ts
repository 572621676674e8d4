import type { Edge } from '../blade/edge.js';
import type { Family } from '../blade/families.js';
import { flatBlade } from './blades.js';
import { without } from './without.js';

const single = flatBlade({ widthMm: 40, secondaryDeg: 30, landMm: 0.5 });
export const HOOK = {
  form: 'hook',
  lengthMm: 50,
  innerRadiusMm: 20,
  thicknessMm: 2.6,
  includedDeg: 30,
} as const;

/** An edge of every form and make, with a family that has it. */
export const EDGES: readonly (readonly [what: string, family: Family, edge: Edge])[] = [
  ['a land', 'plane-iron', single],
  ['a micro-bevel', 'plane-iron', { ...single, microDeg: 33, microLandMm: 0.1 }],
  ['a whole bevel', 'bench-chisel', without(single, 'secondaryDeg', 'landMm')],
  [
    'hollow rims',
    'bench-chisel',
    { ...without(single, 'secondaryDeg'), landMm: 0.6, grind: 'hollow', grindRadiusMm: 75 },
  ],
  ['a land on a hollow', 'plane-iron', { ...single, grind: 'hollow', grindRadiusMm: 75 }],
  ['a convex bevel', 'bench-chisel', { ...without(single, 'secondaryDeg', 'landMm'), grind: 'convex' }],
  [
    'two whole sides',
    'carving-chisel',
    {
      form: 'double-bevel',
      widthMm: 20,
      thicknessMm: 3,
      leftDeg: 11,
      rightDeg: 11,
      skewDeg: 0,
      grind: 'flat',
    },
  ],
  [
    'two uneven sides',
    'carving-chisel',
    {
      form: 'double-bevel',
      widthMm: 20,
      thicknessMm: 3,
      leftDeg: 9,
      rightDeg: 13,
      skewDeg: 20,
      grind: 'flat',
    },
  ],
  [
    'a gouge',
    'gouge',
    { form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.5, cannel: 'out', bevelDeg: 22 },
  ],
  [
    'an in-cannel gouge',
    'gouge',
    { form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.5, cannel: 'in', bevelDeg: 25 },
  ],
  [
    'a V',
    'v-tool',
    { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.5 },
  ],
  [
    'a knife',
    'whittling-knife',
    { form: 'knife', lengthMm: 60, widthMm: 14, spineMm: 2.5, leftDeg: 11, rightDeg: 11, grind: 'flat' },
  ],
  [
    'a convex knife',
    'whittling-knife',
    {
      form: 'knife',
      lengthMm: 60,
      widthMm: 14,
      spineMm: 2.5,
      leftDeg: 12,
      rightDeg: 12,
      grind: 'convex',
      grindRadiusMm: 40,
    },
  ],
  [
    'a knife hollow from heel to edge',
    'whittling-knife',
    {
      form: 'knife',
      lengthMm: 78,
      widthMm: 18,
      spineMm: 2.7,
      leftDeg: 12,
      rightDeg: 12,
      grind: 'hollow',
      grindRadiusMm: 75,
    },
  ],
  ['a hook flat inside', 'hooked-blade', { ...HOOK, make: 'flat-inside' }],
  ['a hook hollow inside', 'hooked-blade', { ...HOOK, make: 'hollow-inside' }],
  ['a hook of two bevels', 'hooked-blade', { ...HOOK, make: 'bevelled-both-sides' }],
  [
    'a set of machine knives',
    'planer-knives',
    { form: 'knife-set', count: 3, lengthMm: 150, widthMm: 20, thicknessMm: 3, bevelDeg: 40 },
  ],
  [
    'a scraping edge',
    'scraping-knife',
    { form: 'scraping', lengthMm: 120, thicknessMm: 2, bevelDeg: 45, burrSide: 'right' },
  ],
];
