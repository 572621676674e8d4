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
  templateUrl: './edge-fields.html',
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
  /** The bevel's angle, which has a usual one; how far a V's wings stand apart is no bevel. */
  protected readonly first = computed(
    () => this.fields().find(({ quantity, field }) => quantity === 'angle' && field !== 'openingDeg')?.field,
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
