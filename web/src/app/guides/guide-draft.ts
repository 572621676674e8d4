import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  type Guide,
  GUIDE_FORMS,
  type GuideForm,
  type GuideSeat,
  type PairJig,
  ROLLER_FORMS,
  type RollerGuide,
  type WetWheelJig,
} from '@mellow-anvil/core/guide';
import type { Quantity } from '../ui/figures';

type Figures<T, Known extends keyof T> = Partial<Omit<T, Known | 'name' | 'form' | 'notes'>> &
  Pick<Partial<T>, Known>;

/** A guide being typed: the figures of its own form, some of which may not be read yet. */
export type GuideDraft = Pick<Guide, 'name' | 'notes'> & { readonly form: GuideForm } & Figures<
    RollerGuide,
    'seats'
  > &
  Figures<PairJig, 'fixedDeg'> &
  Figures<WetWheelJig, 'offsetMm'>;

export const FORM_WORDS: Readonly<Record<GuideForm, string>> = {
  'side-clamping-roller': 'Side-clamping roller guide',
  'top-clamping-roller': 'Top-clamping roller guide',
  'wide-roller': 'Wide-roller guide',
  'pair-jig': 'Jig for two knives at 45°',
  'wet-wheel-jig': 'Jig on a wet wheel’s bar',
  freehand: 'By hand, without a guide',
};
export const FORM_OPTIONS = GUIDE_FORMS.map((value) => ({ value, label: FORM_WORDS[value] }));

/** One measured figure of a guide as a field on the page. */
export interface GuideFigure {
  readonly field:
    | 'rollerRadiusMm'
    | 'noseMm'
    | 'rollerDropMm'
    | 'fixedDeg'
    | 'wheelRadiusMm'
    | 'jigProjectionMm'
    | 'offsetMm'
    | 'barDiameterMm';
  readonly label: string;
  readonly quantity: Quantity;
  readonly hint: string;
}

const length = (field: GuideFigure['field'], label: string, hint: string): GuideFigure => ({
  field,
  label,
  quantity: 'length',
  hint,
});
const ROLLER_FIGURES: readonly GuideFigure[] = [
  length('rollerRadiusMm', 'Roller radius', 'Half the roller’s diameter'),
  length('noseMm', 'Nose ahead of the axle', 'Along the blade, from the axle to where you measure from'),
  length('rollerDropMm', 'Roller runs lower by', 'Empty where it runs on the stone'),
];

/** What is measured of a guide of each form, beside its seats. */
export const GUIDE_FIGURES: Readonly<Record<GuideForm, readonly GuideFigure[]>> = {
  'side-clamping-roller': ROLLER_FIGURES,
  'top-clamping-roller': ROLLER_FIGURES,
  'wide-roller': ROLLER_FIGURES,
  'pair-jig': [
    {
      field: 'fixedDeg',
      label: 'It holds every knife at',
      quantity: 'angle',
      hint: 'Two knives at a right angle: 45°',
    },
  ],
  'wet-wheel-jig': [
    length('wheelRadiusMm', 'Wheel radius', 'As it is now: wheels shrink'),
    length('jigProjectionMm', 'Projection from the bar', 'Centre of the bar to the edge, along the blade'),
    length('offsetMm', 'Bar off the back', 'Its centre from the blade’s back, towards the wheel'),
    length('barDiameterMm', 'Thickness of the bar', 'For gauge blocks; empty where it is not wanted'),
  ],
  freehand: [],
};

/** Figures of an ordinary guide of each form, to begin with until one's own is measured (estimates). */
const USUAL: Readonly<Record<GuideForm, Omit<GuideDraft, 'name' | 'form' | 'notes'>>> = {
  'side-clamping-roller': figuresOf(GENERIC_SIDE_CLAMPING_GUIDE),
  'top-clamping-roller': {
    rollerRadiusMm: 12.5,
    noseMm: 20,
    camRisesMm: [0.6, 1.2],
    seats: [{ name: 'Bed', registers: 'underside', heightMm: 14, minWidthMm: 3, maxWidthMm: 75 }],
  },
  'wide-roller': {
    rollerRadiusMm: 14,
    noseMm: 5,
    seats: [{ name: 'Bed', registers: 'back', heightMm: 22, minWidthMm: 10, maxWidthMm: 80 }],
  },
  'pair-jig': { fixedDeg: 45 },
  'wet-wheel-jig': { wheelRadiusMm: 125, jigProjectionMm: 139, offsetMm: 12 },
  freehand: {},
};

function figuresOf({
  name: _name,
  form: _form,
  ...figures
}: RollerGuide): Omit<GuideDraft, 'name' | 'form' | 'notes'> {
  return figures;
}

const rolls = (form: GuideForm): boolean => (ROLLER_FORMS as readonly GuideForm[]).includes(form);

/**
 * The draft as a guide of another form. A guide named after its form takes the new form's name;
 * between roller guides nobody changed, the figures are the new form's usual ones.
 */
export function asForm(draft: GuideDraft, form: GuideForm): GuideDraft {
  const { name, notes } = draft;
  const untouched = JSON.stringify(USUAL[draft.form]) === JSON.stringify(withoutWords(draft));
  const figures = rolls(form) && rolls(draft.form) && !untouched ? withoutWords(draft) : USUAL[form];
  return {
    ...figures,
    name: name === FORM_WORDS[draft.form] ? FORM_WORDS[form] : name,
    form,
    ...(notes !== undefined && { notes }),
  };
}

function withoutWords({
  name: _name,
  form: _form,
  notes: _notes,
  ...figures
}: GuideDraft): Omit<GuideDraft, 'name' | 'form' | 'notes'> {
  return figures;
}

/** The draft as a roller guide, once the figures that set an angle can be read. */
export function asRoller(draft: GuideDraft): RollerGuide | undefined {
  const { rollerRadiusMm, noseMm, seats = [] } = draft;
  if (!rolls(draft.form) || ![rollerRadiusMm, noseMm].every(Number.isFinite)) return undefined;
  if (draft.rollerDropMm !== undefined && Number.isNaN(draft.rollerDropMm)) return undefined;
  return { ...draft, seats } as RollerGuide;
}

export const newSeat = (seats: readonly GuideSeat[]): GuideSeat => ({
  name: `Seat ${seats.length + 1}`,
  registers: 'back',
  heightMm: seats.at(-1)?.heightMm ?? 16,
});
