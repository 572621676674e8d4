import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ASSUMED, FAMILIES, type Family } from '@mellow-anvil/core/blade';
import type { Sentences } from '../../ui/checks';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { EDGE_CHOICES, EDGE_FIGURES, type EdgeDraft } from '../../drawings/blade';

type FrontShape = 'straight' | 'corners-relieved' | 'arc';
const FRONTS = [
  { value: 'straight', label: 'Straight' },
  { value: 'corners-relieved', label: 'Corners eased' },
  { value: 'arc', label: 'An arc' },
] as const;
/** What a shape of edge begins with, mm (common practice for a smoothing iron). */
const FRONT_BEGINS = {
  straight: { shape: 'straight' },
  'corners-relieved': { shape: 'corners-relieved', widthMm: 3, depthMm: 0.08 },
  arc: { shape: 'arc', radiusMm: 4500 },
} as const;

/** Every figure and choice of an edge, of whatever form, each with its sentence beside it. */
@Component({
  selector: 'ma-edge-fields',
  imports: [ChoiceField, QuantityField],
  template: `
    @for (each of fields(); track each.field) {
      <ma-quantity
        [label]="each.label"
        [quantity]="each.quantity"
        [value]="figure(each.field)"
        (valueChange)="changed.emit(with(each.field, $event))"
        [sentence]="sentences()['edge.' + each.field]"
        [hint]="each.hint ?? (each.field === first() ? usual() : '')"
        (settled)="settled.emit()"
      />
    }
    @if (draft().form === 'single-bevel' && !fresh()) {
      <ma-quantity
        label="Micro-bevel"
        quantity="angle"
        [value]="figure('microDeg')"
        (valueChange)="changed.emit(with('microDeg', $event))"
        [sentence]="sentences()['edge.microDeg']"
        hint="Empty unless you add one"
        (settled)="settled.emit()"
      />
      @if (figure('secondaryDeg') !== undefined) {
        <ma-quantity
          label="Land now"
          [value]="land()?.mm"
          (valueChange)="landTyped = $event"
          [sentence]="sentences()['landMm']"
          [hint]="land()?.from ?? ''"
          (settled)="measure()"
        />
      }
      @if (figure('microDeg') !== undefined) {
        <ma-quantity
          label="Micro-bevel’s land"
          [value]="figure('microLandMm')"
          (valueChange)="changed.emit(with('microLandMm', $event))"
          [sentence]="sentences()['edge.microLandMm']"
          [hint]="figure('microLandMm') === undefined ? figures.taken(assumed.microLandMm) : ''"
          (settled)="settled.emit()"
        />
      }
    }
    @for (each of choices(); track each.field) {
      <ma-choice
        [label]="each.label"
        [options]="each.options"
        [value]="word(each.field)"
        (valueChange)="changed.emit(with(each.field, $event)); settled.emit()"
      />
    }
    @if (word('grind') === 'hollow' || word('grind') === 'convex') {
      <ma-quantity
        [label]="word('grind') === 'hollow' ? 'Radius of the wheel' : 'Radius of the rounding'"
        [value]="figure('grindRadiusMm')"
        (valueChange)="changed.emit(with('grindRadiusMm', $event))"
        [sentence]="sentences()['edge.grindRadiusMm']"
        [hint]="
          figure('grindRadiusMm') !== undefined
            ? ''
            : figures.taken(word('grind') === 'hollow' ? assumed.hollowRadiusMm : assumed.convexRadiusMm)
        "
        (settled)="settled.emit()"
      />
    }
    @if (front(); as f) {
      <ma-choice
        label="Edge from the front"
        [options]="fronts"
        [value]="f.shape"
        (valueChange)="shape($event)"
      />
      @if (f.shape === 'arc') {
        <ma-quantity
          label="Radius of the arc"
          [value]="f.radiusMm"
          (valueChange)="changed.emit({ front: { shape: 'arc', radiusMm: $event ?? none } })"
          [sentence]="sentences()['edge.front.radiusMm']"
          (settled)="settled.emit()"
        />
      } @else if (f.shape === 'corners-relieved') {
        <ma-quantity
          label="Corners eased over"
          [value]="f.widthMm"
          (valueChange)="changed.emit({ front: corners(f, { widthMm: $event ?? none }) })"
          [sentence]="sentences()['edge.front.widthMm']"
          (settled)="settled.emit()"
        />
        <ma-quantity
          label="Corners stand back"
          [value]="f.depthMm"
          (valueChange)="changed.emit({ front: corners(f, { depthMm: $event ?? none }) })"
          [sentence]="sentences()['edge.front.depthMm']"
          (settled)="settled.emit()"
        />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem 1.2rem;
      grid-template-columns: repeat(auto-fill, minmax(8.6rem, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeFields {
  readonly draft = input.required<EdgeDraft>();
  readonly family = input.required<Family>();
  readonly sentences = input<Sentences>({});
  /** A tool that is being added: only what it needs is asked. */
  readonly fresh = input(false);
  /** The land as the record has it, and where that is from. */
  readonly land = input<{ readonly mm: number; readonly from: string }>();
  readonly changed = output<object>();
  readonly measured = output<number>();
  readonly settled = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly none = NaN;
  protected readonly assumed = ASSUMED;
  protected readonly fronts = FRONTS;
  protected landTyped: number | undefined;
  protected readonly fields = computed(() => EDGE_FIGURES[this.draft().form]);
  protected readonly choices = computed(() => (this.fresh() ? [] : EDGE_CHOICES[this.draft().form]));
  protected readonly first = computed(
    () => this.fields().find(({ quantity }) => quantity === 'angle')?.field,
  );
  protected readonly front = computed(() => {
    const draft = this.draft();
    return draft.form === 'single-bevel' && !this.fresh() ? draft.front : undefined;
  });

  protected readonly usual = computed(() => {
    const [least, most] = FAMILIES[this.family()].primaryDeg;
    const { angle } = this.figures;
    const write = angle.bind(this.figures);
    return `Usual: ${least === most ? write(least) : `${write(least)} to ${write(most)}`} (common practice)`;
  });

  protected figure(field: string): number | undefined {
    const value = (this.draft() as Readonly<Record<string, unknown>>)[field];
    return typeof value === 'number' ? value : undefined;
  }

  protected word(field: string): string {
    const value = (this.draft() as Readonly<Record<string, unknown>>)[field];
    return typeof value === 'string' ? value : '';
  }

  protected with(field: string, value: unknown): object {
    return Object.fromEntries([[field, value]]);
  }

  protected corners(front: object, change: object): object {
    return { ...front, ...change };
  }

  protected shape(shape: FrontShape): void {
    this.changed.emit({ front: FRONT_BEGINS[shape] });
    this.settled.emit();
  }

  protected measure(): void {
    const typed = this.landTyped;
    this.landTyped = undefined;
    if (typed !== undefined && typed !== this.land()?.mm) this.measured.emit(typed);
  }
}
