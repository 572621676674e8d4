import { Joi, type NumberSchema, type ObjectSchema, type StringSchema } from './joi.js';
import { shape } from './shape.js';
import {
  BACKS,
  type DoubleBevelEdge,
  type Edge,
  type EdgeForm,
  type Family,
  FAMILY_NAMES,
  familyFacts,
  type FrontLine,
  type GougeEdge,
  GRINDS,
  type HookEdge,
  type KnifeEdge,
  type KnifeSetEdge,
  type ScrapingEdge,
  type SingleBevelEdge,
  BEGINS,
  CORNERS,
  SWEEPS,
  type VEdge,
} from '@mellow-anvil/core/blade';
import { number, oneOf, related, whole } from './fields.js';

const form = (name: EdgeForm): StringSchema<never> =>
  Joi.string<never>()
    .valid(name)
    .required()
    .messages({ 'any.only': `A tool of this family has an edge of the form “${name}”.` });

const grind = oneOf('Grind', GRINDS);

const front = Joi.alternatives<FrontLine>()
  .conditional('.shape', {
    switch: [
      { is: 'straight', then: Joi.object({ shape: Joi.valid('straight').required() }) },
      {
        is: 'corners-relieved',
        then: Joi.object({
          shape: Joi.valid('corners-relieved').required(),
          widthMm: number('reliefMm', 'Width of the corner relief'),
          depthMm: number('reliefMm', 'Depth of the corner relief'),
        }),
      },
      {
        is: 'arc',
        then: Joi.object({ shape: Joi.valid('arc').required(), radiusMm: number('frontRadiusMm') }),
      },
    ],
    otherwise: Joi.object({
      shape: oneOf('Shape of the edge', ['straight', 'corners-relieved', 'arc']),
    }).unknown(),
  })
  .required();

const steeper = (
  label: string,
  than: readonly (readonly [field: string, label: string])[],
): NumberSchema<number> =>
  related(number('bevelDeg', label), (deg: number, edge) => {
    const below = than.find(([field]) => typeof edge[field] === 'number');
    return below === undefined || deg > (edge[below[0]] as number)
      ? undefined
      : `${label} has to be steeper than the ${below[1]}: raise it, lower the ${below[1]}, or leave it out.`;
  }).optional();

const PRIMARY = ['primaryDeg', 'primary'] as const;
const SECONDARY = ['secondaryDeg', 'secondary'] as const;

const grindRadius = number('grindRadiusMm').optional();

const onlyOverShim = <T>(schema: NumberSchema<T>): NumberSchema<T> =>
  related(schema, (_value: number, { back, shimMm, shimAtMm }) => {
    if (back !== 'shim')
      return 'A shim’s figures belong to a back bevelled over one: choose shim, or leave them out.';
    return typeof shimMm === 'number' && typeof shimAtMm === 'number' && shimAtMm <= shimMm
      ? 'The shim would stand higher than it lies away from the edge: move it further back, or take a thinner one.'
      : undefined;
  });

const onlyHollowed = <T>(schema: NumberSchema<T>): NumberSchema<T> =>
  related(schema, (_value: number, { back }) =>
    back === 'hollowed'
      ? undefined
      : 'A hollow’s figures belong to a back that is hollowed: choose that, or leave them out.',
  );

const singleBevel = (backRegisters: boolean): ObjectSchema<SingleBevelEdge> =>
  shape<SingleBevelEdge>({
    form: form('single-bevel'),
    widthMm: number('widthMm'),
    thicknessMm: number('thicknessMm'),
    primaryDeg: number('bevelDeg', 'Primary angle'),
    secondaryDeg: steeper('The secondary angle', [PRIMARY]),
    microDeg: steeper('The micro-bevel', [SECONDARY, PRIMARY]),
    landMm: number('landMm').optional(),
    microLandMm: number('microLandMm').optional(),
    grind,
    grindRadiusMm: grindRadius,
    polishedMm: number('polishedMm').optional(),
    hollowMm: onlyHollowed(number('hollowMm')).optional(),
    hollows: onlyHollowed(whole('backPasses')).optional(),
    hollowDeepMm: onlyHollowed(number('hollowDeepMm')).optional(),
    farRimMm: onlyHollowed(number('farRimMm')).optional(),
    shimMm: onlyOverShim(number('shimMm')).optional(),
    shimAtMm: onlyOverShim(number('shimAtMm')).optional(),
    back: (backRegisters
      ? oneOf('Back', ['flat', 'rim', 'hollowed'] as const).messages({
          'any.only':
            'This tool registers on its flat back, so its back is never bevelled over a shim: choose flat, rim or hollowed.',
        })
      : oneOf('Back', BACKS)) as StringSchema<SingleBevelEdge['back']>,
    front: front,
  });

const doubleBevel = shape<DoubleBevelEdge>({
  form: form('double-bevel'),
  widthMm: number('widthMm'),
  thicknessMm: number('thicknessMm'),
  leftDeg: number('sideDeg', 'Left bevel'),
  rightDeg: number('sideDeg', 'Right bevel'),
  skewDeg: number('skewDeg'),
  grind,
  grindRadiusMm: grindRadius,
  heelRadiusMm: number('heelRadiusMm').optional(),
});

const gouge = shape<GougeEdge>({
  form: form('gouge'),
  widthMm: number('widthMm'),
  depthMm: number('depthMm'),
  thicknessMm: number('thicknessMm'),
  cannel: oneOf('Cannel', ['out', 'in'] as const),
  bevelDeg: number('bevelDeg'),
  counterBevelDeg: number('counterBevelDeg').optional(),
  corners: oneOf('Corners', CORNERS).optional(),
});

const vTool = shape<VEdge>({
  form: form('v'),
  wingMm: number('wingMm'),
  openingDeg: number('openingDeg'),
  thicknessMm: number('thicknessMm'),
  bevelDeg: number('bevelDeg'),
  keelRadiusMm: number('keelRadiusMm'),
});

const knife = shape<KnifeEdge>({
  form: form('knife'),
  lengthMm: number('lengthMm'),
  widthMm: number('widthMm'),
  spineMm: number('spineMm'),
  leftDeg: number('sideDeg', 'Left bevel'),
  rightDeg: number('sideDeg', 'Right bevel'),
  grind,
  grindRadiusMm: grindRadius,
  sweep: oneOf('Edge towards the tip', SWEEPS).optional(),
  begins: oneOf('Strokes begin', BEGINS).optional(),
});

const hook = shape<HookEdge>({
  form: form('hook'),
  make: oneOf('Make', ['hollow-inside', 'flat-inside', 'bevelled-both-sides'] as const),
  lengthMm: number('lengthMm'),
  innerRadiusMm: number('innerRadiusMm'),
  thicknessMm: number('thicknessMm'),
  includedDeg: number('includedDeg'),
});

const knifeSet = shape<KnifeSetEdge>({
  form: form('knife-set'),
  count: whole('count'),
  lengthMm: number('lengthMm'),
  widthMm: number('widthMm'),
  thicknessMm: number('thicknessMm'),
  bevelDeg: number('bevelDeg'),
  jigMm: number('jigMm').optional(),
});

const scraping = shape<ScrapingEdge>({
  form: form('scraping'),
  lengthMm: number('lengthMm'),
  thicknessMm: number('thicknessMm'),
  bevelDeg: number('bevelDeg'),
  grindRadiusMm: grindRadius,
  burrSide: oneOf('Scraping side', ['left', 'right'] as const),
});

const SCHEMAS: Readonly<Record<Exclude<EdgeForm, 'single-bevel'>, ObjectSchema>> = {
  'double-bevel': doubleBevel,
  gouge,
  v: vTool,
  knife,
  hook,
  'knife-set': knifeSet,
  scraping,
};

const edgeOf = (family: Family): ObjectSchema => {
  const facts = familyFacts(family);
  return facts.form === 'single-bevel' ? singleBevel(facts.backRegisters) : SCHEMAS[facts.form];
};

/** The edge a tool's `family` has; for use inside an object that has that field. */
export const edge = Joi.alternatives<Edge>()
  .conditional('family', {
    switch: FAMILY_NAMES.map((family) => ({ is: family, then: edgeOf(family).required() })),
    otherwise: Joi.any(),
  })
  .required();
