import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { honedDeg } from '@mellow-anvil/core/blade';
import { cornerBackMm, cornerLeanDeg, rocker } from '@mellow-anvil/core/camber';
import { type CamberStep, isNear } from '@mellow-anvil/core/plan';
import type { CamberState } from '@mellow-anvil/core/record';
import { placeCountOf, placedWork } from '@mellow-anvil/core/work';
import type { Stored } from '@mellow-anvil/contract';
import type { Answer } from '../../data/desk';
import { TakeAway } from '../../ui/take-away';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { CAMBER_FROM, type Iron } from './camber-draft';
import { CurveDrawing } from '../../drawings/curve-drawing';
import { FingerDrawing } from '../../drawings/finger-drawing';

const KNOBS_KEY = 'mellow-anvil.knobs';
/** A wet-wheel jig's knobs before anybody measured them (the worked example's). */
const KNOBS = { spacingMm: 30, pitchMm: 0.8 };
const PLACE_CHOICES = [
  { value: 5, label: 'Five places' },
  { value: 3, label: 'Three places' },
  { value: 0, label: 'Not this time' },
] as const;

/** How far apart a guide’s two knobs stand and the pitch of their thread, mm, as typed. */
interface Knobs {
  readonly spacingMm?: number | undefined;
  readonly pitchMm?: number | undefined;
}

/** The curve made: strokes by place, by leaning, by a jig's knobs, or ground to a template. */
@Component({
  selector: 'ma-camber-make',
  imports: [
    Button,
    ButtonDirective,
    ChoiceField,
    CurveDrawing,
    FingerDrawing,
    QuantityField,
    RouterLink,
    TakeAway,
    Why,
  ],
  templateUrl: './make-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .state {
      font-size: 1.1rem;
    }
    ma-choice {
      min-width: 10rem;
    }
    .drawn {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
      gap: 0.9rem;
      align-items: center;
    }
    .ways {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
      gap: 0.8rem 1.6rem;
    }
    section {
      display: grid;
      gap: 0.5rem;
      align-content: start;
      border-left: 4px solid var(--line);
      padding-left: 0.8rem;
    }
    h4 {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakePanel {
  readonly iron = input.required<Stored<Iron> | (Iron & { readonly id: string })>();
  readonly answer = input<Answer>();
  readonly state = input<CamberState>();
  readonly nameOf = input.required<(id: string) => string>();
  readonly places = output<0 | 3 | 5>();
  /** It only asks for the strop, and is to be honed. */
  readonly honed = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly choices = [...PLACE_CHOICES];
  private readonly knobs = signal(keptKnobs());
  protected readonly spacing = computed((): number | undefined => this.knobs().spacingMm);
  protected readonly pitch = computed((): number | undefined => this.knobs().pitchMm);
  protected readonly positions = computed(() => this.answer()?.request.camber?.positions ?? 5);
  protected readonly step = computed((): CamberStep | undefined => this.answer()?.plan?.camber);
  protected readonly grind = computed(() => this.answer()?.plan?.curveToGrind);
  private readonly wantedMm = computed(() => cornerBackMm(this.iron().edge.front, this.iron().edge.widthMm));

  /** What one stroke of the chosen stone works on, as the plan had it. */
  protected readonly work = computed(() => {
    const [step, plan, camber] = [this.step(), this.answer()?.plan, this.answer()?.request.camber];
    const positions = step && placeCountOf(step.places);
    if (!step || !plan || !positions) return undefined;
    const each = ((camber?.factor ?? 1) * step.steelMm3) / step.strokes;
    const { edge } = this.iron();
    return placedWork(edge, positions, plan.job.contactMm2 / edge.widthMm, each);
  });
  protected readonly stateWords = computed(() => {
    const state = this.state();
    const wanted = this.figures.sliver(this.wantedMm());
    if (!state) return `Wanted: ${wanted} of light at the corners.`;
    const lean =
      Math.abs(state.leanMm) > 0.005
        ? `, its ${state.leanMm > 0 ? 'right' : 'left'} corner ${this.figures.sliver(Math.abs(state.leanMm))} further back`
        : '';
    return `Wanted ${wanted} of light at the corners; it has ${this.figures.sliver(state.camberMm)} ± ${this.figures.sliver(state.pmMm)}${lean}, ${CAMBER_FROM[state.from]}.${againstWords(state, this.figures)}`;
  });
  protected readonly stropped = computed(() => this.answer()?.request.stropOnly ?? false);
  protected readonly nothingWords = computed(() => {
    const { plan, refusal, request } = this.answer() ?? {};
    if (refusal) return refusal.message;
    if (request?.camber?.positions === 0)
      return 'The next honing leaves the curve alone: every stroke even, both corners down.';
    if (plan && plan.steps.length === 0)
      return 'It only fades: it is stropped, and the curve stays as it is.';
    const [state, wanted] = [this.state(), this.wantedMm()];
    if (!state || (wanted === 0 && isNear(state.camberMm, 0)))
      return 'Straight, and to stay so: nothing to press by place.';
    return isNear(state.camberMm, wanted)
      ? 'It has the curve that is wanted, near enough: strokes are only spread over the places, so that it stays.'
      : 'No strokes at these places come nearer.';
  });
  protected readonly tradeWords = computed(() => {
    const { nearest, furthestMm, middleLossMm } = this.step() ?? {};
    if (!nearest || furthestMm === undefined || middleLossMm === undefined) return '';
    return `${nearest.places.join(' · ')} would come as near as ${this.figures.sliver(nearest.furthestMm)} and lose ${this.figures.sliver(nearest.middleLossMm)} in the middle; this loses ${this.figures.sliver(middleLossMm)}.`;
  });
  protected readonly finerWords = computed(() => {
    const finer = (this.answer()?.plan?.steps ?? []).filter(({ places }) => places);
    if (finer.length === 0) return '';
    return `Then, so that the curve stays: ${finer
      .map(({ id, places }) => `${this.nameOf()(id)} ${places?.join(' · ')}`)
      .join('; ')}.`;
  });
  protected readonly leanWords = computed(() => {
    const { edge } = this.iron();
    const lean = attempt(() =>
      cornerLeanDeg({ widthMm: edge.widthMm, camberMm: this.wantedMm(), bevelDeg: honedDeg(edge) }),
    );
    if (lean instanceof Refusal) return lean.message;
    return `Lean on one corner, then the other, until the guide has rolled ${this.figures.angle(lean, 2)} each way; it passes through everything between.`;
  });
  protected readonly knobWords = computed(() => {
    const { spacingMm, pitchMm } = this.knobs();
    if (!((spacingMm ?? 0) > 0 && (pitchMm ?? 0) > 0)) return 'Give both figures above 0.';
    const turns = attempt(() =>
      rocker({
        widthMm: this.iron().edge.widthMm,
        camberMm: this.wantedMm(),
        knobSpacingMm: spacingMm as number,
        threadPitchMm: pitchMm as number,
      }),
    );
    if (turns instanceof Refusal) return turns.message;
    return `Back each knob off ${this.figures.number(turns.turns, 2)} of a turn. First centre the iron, and check that it grinds straight.`;
  });
  protected readonly templateQuery = computed((): Readonly<Record<string, number>> => {
    const { front, widthMm } = this.iron().edge;
    return front.shape === 'arc' ? { widthMm, radiusMm: front.radiusMm } : {};
  });

  protected knob(change: Knobs): void {
    this.knobs.update((knobs) => ({ ...knobs, ...change }));
    const { spacingMm, pitchMm } = this.knobs();
    if ((spacingMm ?? 0) > 0 && (pitchMm ?? 0) > 0)
      localStorage.setItem(KNOBS_KEY, JSON.stringify(this.knobs()));
  }

  protected knobReason(): Reason {
    const { spacingMm = 0, pitchMm = 0 } = this.knobs();
    return {
      formula:
        'turns = spacing·4c/w ÷ pitch: as far as the edge’s slope at its corner, 4c/w, asks of the knobs',
      inputs: [
        `c = ${this.figures.sliver(this.wantedMm())}, w = ${this.figures.length(this.iron().edge.widthMm)}`,
        `knob to centre ${this.figures.length(spacingMm)}: twice as far, twice the turns`,
        `pitch ${this.figures.length(pitchMm)}: twice as coarse, half the turns`,
      ],
      source: 'Plane geometry; a quarter turn and a little more for a smoother is common practice.',
      sure: 'As sure as the two measurements; play in the thread adds to it. Read the iron back.',
    };
  }

  protected leanReason(): Reason {
    const { edge } = this.iron();
    return {
      formula: 'sin ρ = 4c/w·tan θ: the roll at which the stone holds the edge’s own direction at its corner',
      inputs: [
        `c = ${this.figures.sliver(this.wantedMm())}, w = ${this.figures.length(edge.widthMm)}`,
        `θ = ${this.figures.angle(honedDeg(edge))}, the honed bevel`,
      ],
      source: 'Vector geometry.',
      sure: 'How far it is leaned; how long each side is worked decides the curve between.',
    };
  }

  protected reason(): Reason {
    const { edge } = this.iron();
    const { factor = 1, ratios = [] } = this.state() ?? {};
    return {
      formula:
        'Each stroke sets the edge back by V·p(u)·2/(w·ℓ·sin θ2); p is a rigid strip on a bed that pushes but never pulls (the kern rule), pressed at the finger’s place',
      inputs: [
        `w = ${this.figures.length(edge.widthMm)}, the iron’s width`,
        `θ2 = ${this.figures.angle(honedDeg(edge))}, the honed bevel; ℓ its land as the plan leaves it`,
        'V = what a stroke of this stone takes; half as fast a stone, twice the strokes',
        ratios.length > 0
          ? `Yours work ${this.figures.number(factor, 2)} times as fast as reckoned, from ${ratios.length} reading${ratios.length === 1 ? '' : 's'}`
          : 'no reading has taught it yet: read the iron after a honing by place',
      ],
      source:
        'The strip is the eccentrically loaded footing of any soil mechanics textbook; whole plans are searched for the smallest mean square off the curve, and of those within a tenth the one that takes least from the middle.',
      sure: 'The shape is as sure as your finger’s place; how fast, to a factor of two until readings teach it. How the middle of a curved edge bears is an estimate (a bed that gives 30 µm).',
    };
  }
}

function keptKnobs(): Knobs {
  try {
    return { ...KNOBS, ...(JSON.parse(localStorage.getItem(KNOBS_KEY) ?? '{}') as object) };
  } catch {
    return KNOBS;
  }
}

/** What the last reading contradicts, where it does. */
function againstWords({ against }: CamberState, figures: Figures): string {
  if (!against) return '';
  return ` That reading contradicts what was reckoned, ${figures.sliver(against.camberMm)} ± ${figures.sliver(against.pmMm)}: it stands by itself; read it once more.`;
}
