import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { arcRadiusMm, attempt, Refusal } from '@mellow-anvil/core/base';
import { CAMBER_JOBS, type CamberJob, type FrontLine, frontProfile } from '@mellow-anvil/core/blade';
import {
  camber,
  CAMBER_JOB_FACTS,
  camberOnBed,
  cornerBackMm,
  shavingSection,
} from '@mellow-anvil/core/camber';
import type { Sentences } from '../../ui/checks';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import {
  bedOf,
  byShaving,
  forJob,
  frontOf,
  type CamberDraft,
  type FrontDraft,
  type Iron,
} from './camber-draft';
import { FrontArc } from '../../drawings/front-arc';
import { ShavingDrawing } from '../../drawings/shaving-drawing';
import type { FieldChange } from '../../platform/change';
import { changed } from '../../platform/change';

const LOW_BED_DEG = 12;

/** The curve designed: from the job and the shaving one wants, or dragged. */
@Component({
  selector: 'ma-camber-design',
  imports: [ChoiceField, FrontArc, QuantityField, ShavingDrawing, Why],
  templateUrl: './design-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .drawn {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 0.9rem;
      align-items: start;
    }
    ma-choice {
      min-width: 12rem;
    }
    .other p {
      flex: 1 1 20rem;
    }
    @media (max-width: 48rem) {
      .drawn {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignPanel {
  readonly iron = input.required<Iron>();
  readonly draft = input.required<CamberDraft>();
  readonly sentences = input<Sentences>({});
  readonly drafted = output<FieldChange<CamberDraft>>();
  readonly settled = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly byShaving = byShaving;
  protected readonly jobs = CAMBER_JOBS.map((value) => ({ value, label: CAMBER_JOB_FACTS[value].label }));
  protected readonly otherBed = signal<number | undefined>(LOW_BED_DEG);
  protected readonly bed = computed(() => bedOf(this.iron()));
  protected readonly says = computed(() => CAMBER_JOB_FACTS[this.draft().job].says);
  protected readonly bedSaid = computed(() => {
    const { host } = this.iron();
    return host
      ? `In its plane, bed ${this.figures.angle(host.bedDeg)}.`
      : `No plane is named under Edge: the bed is taken as ${this.figures.angle(this.bed())}.`;
  });
  protected readonly front = computed((): FrontLine | undefined => {
    const front = frontOf(this.draft());
    if (!front) return undefined;
    const drawn = attempt(() => frontProfile(front, this.iron().edge.widthMm));
    return drawn instanceof Refusal ? undefined : front;
  });
  protected readonly cornerMm = computed(() => {
    const front = this.front();
    return front ? cornerBackMm(front, this.iron().edge.widthMm) : 0;
  });
  /** What the figures together are refused for, if they are. */
  private readonly refusal = computed(() => {
    const { edge } = this.iron();
    const { shavingMm, shavingWidthMm, passStepMm } = this.draft();
    const front = frontOf(this.draft());
    if (front) {
      const drawn = attempt(() => frontProfile(front, edge.widthMm));
      if (drawn instanceof Refusal) return drawn;
    }
    if (!(shavingMm !== undefined && shavingMm > 0)) return undefined;
    const asked = {
      widthMm: edge.widthMm,
      bedDeg: this.bed(),
      shavingMm,
      ...(byShaving(this.draft().job) && shavingWidthMm !== undefined && { shavingWidthMm }),
      ...(passStepMm !== undefined && { passStepMm }),
    };
    const result = attempt(() => camber(asked));
    return result instanceof Refusal ? result : undefined;
  });
  protected readonly section = computed(() => {
    const [front, { shavingMm }] = [this.front(), this.draft()];
    if (!front || !(shavingMm !== undefined && shavingMm > 0)) return undefined;
    const { edge } = this.iron();
    return shavingSection({ front, widthMm: edge.widthMm, bedDeg: this.bed(), shavingMm });
  });
  protected readonly shoulders = computed(() => {
    const s = this.section();
    if (!s) return '';
    const { shape } = this.draft().front;
    if (shape === 'corners-relieved' && s.shoulderMm < 0.0005) {
      const lost = this.iron().edge.widthMm - s.widthMm;
      return `With its corners eased no pass leaves a step, where a straight edge would leave one of ${this.figures.sliver(this.draft().shavingMm ?? 0)}; ${this.figures.length(lost, 1)} of the width no longer cuts.`;
    }
    if (s.shoulderMm < 0.0005) return '';
    return `At its corners the shaving is still ${this.figures.sliver(s.shoulderMm)} thick: on a wide board each pass leaves a step that can be felt. More camber, eased corners, or a thinner shaving takes it away.`;
  });
  protected readonly other = computed((): { words: string; says: string; front?: FrontLine } => {
    const bedDeg = this.otherBed();
    const { edge } = this.iron();
    const front = this.front();
    if (bedDeg === undefined || Number.isNaN(bedDeg) || front?.shape !== 'arc')
      return { words: '', says: '' };
    if (!(bedDeg >= 5 && bedDeg <= 90)) return { words: 'A plane’s bed lies between 5 and 90°.', says: '' };
    const here = cornerBackMm(front, edge.widthMm);
    const there = camberOnBed(here, this.bed(), bedDeg);
    if (there > edge.widthMm / 2) return { words: 'On that bed it would be past a half circle.', says: '' };
    return {
      words: '',
      front: { shape: 'arc', radiusMm: arcRadiusMm(edge.widthMm, there) },
      says: `A bed of ${this.figures.angle(bedDeg)} wants ${this.figures.sliver(there)} of light for the same shaving, ${this.figures.number(there / here, 1)} times as much: what shows below the sole is the curve times the sine of the bed.`,
    };
  });
  protected readonly otherArc = computed(() => {
    const { front } = this.other();
    return front && { front, words: `- - bed ${this.figures.angle(this.otherBed() ?? 0)}` };
  });

  protected wrong(field: string): string {
    const refusal = this.refusal();
    return refusal?.field === field ? refusal.message : '';
  }

  /** What is refused here is not kept. */
  protected settle(): void {
    if (!this.refusal()) this.settled.emit();
  }

  protected choose(job: CamberJob): void {
    this.drafted.emit(forJob(job, this.iron()));
    this.settled.emit();
  }

  /** A smoother's curve follows its shaving. */
  protected shave(typed: Pick<CamberDraft, 'shavingMm' | 'shavingWidthMm'>): void {
    const next = { ...this.draft(), ...typed };
    const { shavingMm, shavingWidthMm } = next;
    const { edge } = this.iron();
    const arc =
      byShaving(next.job) &&
      shavingMm !== undefined &&
      attempt(() =>
        camber({
          widthMm: edge.widthMm,
          bedDeg: this.bed(),
          shavingMm,
          ...(shavingWidthMm !== undefined && { shavingWidthMm }),
        }),
      );
    if (!arc || arc instanceof Refusal || !Number.isFinite(arc.radiusMm)) this.drafted.emit(typed);
    else
      this.drafted.emit({
        ...typed,
        front: { shape: 'arc', radiusMm: Number(arc.radiusMm.toPrecision(4)) },
      });
  }

  protected setFront(change: FieldChange<FrontDraft>): void {
    this.drafted.emit({ front: changed(this.draft().front, change) });
  }

  /** Pulled from straight, a corner makes an arc; pulled back to nothing, it is straight again. */
  protected drag(mm: number): void {
    const { front } = this.draft();
    const { widthMm } = this.iron().edge;
    if (front.shape === 'corners-relieved') this.setFront({ depthMm: Math.max(0.01, mm) });
    else if (mm < 0.001) this.drafted.emit({ front: { shape: 'straight' } });
    else
      this.drafted.emit({
        front: { shape: 'arc', radiusMm: Number(arcRadiusMm(widthMm, mm).toPrecision(4)) },
      });
  }

  protected reason(): Reason {
    const { edge } = this.iron();
    const { shavingMm = 0 } = this.draft();
    return {
      formula: 's = τ/sin β over the shaving’s width ws; R = (ws²/4 + s²)/2s; camber = R − √(R² − w²/4)',
      inputs: [
        `w = ${this.figures.length(edge.widthMm)}, the iron’s width`,
        `β = ${this.figures.angle(this.bed())}, the bed: a degree more asks for ${this.figures.number(100 * (1 - camberOnBed(1, this.bed(), this.bed() + 1)), 1)} % less`,
        `τ = ${this.figures.length(shavingMm, 3)}, the shaving: half as thick, half the camber`,
      ],
      source: 'Plane geometry. Which job wants which curve is common practice, without a source.',
      sure: 'As sure as the bed and the width. A hair’s thickness of light for a smoother is common practice.',
    };
  }
}
