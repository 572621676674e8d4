import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import type { OwnedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { type BackSaved, backTaken, type PlanRequest, savedBack } from '@mellow-anvil/core/plan';
import { HollowedBackDrawing } from '../../drawings/hollowed-back-drawing';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** An old, pitted back as it is usually found, mm and passes (estimates). */
const USUAL = { backMm: 25, edgeRimMm: 3, farRimMm: 3, passes: 2, pitsMm: 0.1, rimPitsMm: 0.05 } as const;
type Measure = keyof typeof USUAL;

/** An old back: flattened whole, or hollowed on the wheel and polished at its rims. */
@Component({
  selector: 'ma-old-back',
  imports: [Button, HollowedBackDrawing, QuantityField, Why],
  template: `
    <div class="asked">
      @for (field of fields; track field.of) {
        <ma-quantity
          [label]="field.label"
          [quantity]="field.of === 'passes' ? 'number' : 'length'"
          [value]="old()[field.of]"
          (valueChange)="measured(field.of, $event)"
          [sentence]="refusal()?.field === field.of ? (refusal()?.message ?? '') : ''"
        />
      }
    </div>
    @if (saved(); as s) {
      <dl class="sums">
        <div>
          <dt>Hollowed, its rims polished</dt>
          <dd>{{ figures.minutes(s.hollowed.minutes) }}</dd>
        </div>
        <div>
          <dt>Flattened whole</dt>
          <dd>{{ figures.minutes(s.whole.minutes) }}</dd>
        </div>
      </dl>
      <ma-hollowed-back-drawing [back]="drawn()" [depthMm]="s.hollowed.depthMm" />
      <div class="actions">
        <p-button label="Plan it hollowed" (onClick)="take(s, 'hollowed')" />
        <p-button
          label="Plan it flattened whole"
          severity="secondary"
          [outlined]="true"
          (onClick)="take(s, 'whole')"
        />
      </div>
    }
    <p class="told" role="status">
      {{ words() }}
      <ma-why of="saving an old back" [reason]="reason" />
    </p>
  `,
  styleUrl: '../../ui/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackPanel {
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});

  /** Planned by one of the two ways: its edge, and what its plan is asked. */
  readonly taken = output<ReturnType<typeof backTaken>>();

  protected readonly figures = inject(Figures);
  protected readonly fields: readonly { readonly of: Measure; readonly label: string }[] = [
    { of: 'backMm', label: 'Flat back, edge to far side' },
    { of: 'edgeRimMm', label: 'Rim at the edge' },
    { of: 'farRimMm', label: 'Rim at the far side' },
    { of: 'passes', label: 'Hollows side by side' },
    { of: 'pitsMm', label: 'Deepest pit' },
    { of: 'rimPitsMm', label: 'Deepest at the edge' },
  ];
  protected readonly old = signal<Readonly<Record<Measure, number>>>(USUAL);

  protected take(saved: BackSaved, way: 'hollowed' | 'whole'): void {
    const { edge } = this.tool();
    if (edge.form === 'single-bevel') this.taken.emit(backTaken(edge, this.old(), saved, way));
  }

  protected measured(of: Measure, value: number | undefined): void {
    this.old.update((old) => ({ ...old, [of]: value ?? NaN }));
  }

  private readonly found = computed(() =>
    attempt(() => savedBack(this.tool(), this.old(), this.stones(), this.request(), this.record())),
  );
  protected readonly saved = computed(() => {
    const found = this.found();
    return found instanceof Refusal ? undefined : found;
  });
  protected readonly refusal = computed(() => {
    const found = this.found();
    return found instanceof Refusal ? found : undefined;
  });
  protected readonly drawn = computed(() => ({
    ...this.old(),
    chordMm: this.saved()?.hollowed.chordMm ?? 0,
  }));

  protected readonly words = computed(() => {
    const saved = this.saved();
    if (!saved) return this.refusal()?.message ?? '';
    const { hollowed, pitsLeftMm } = saved;
    const wheel = this.stones().find(({ id }) => id === hollowed.wheelId)?.name ?? 'wheel';
    const deep = this.figures.length(hollowed.depthMm);
    const pits =
      pitsLeftMm > 0
        ? ` Pits deeper than the hollow stay in it, and do no harm there.`
        : ' Every pit in it is ground out.';
    return `On the ${wheel}: ${this.figures.minutes(hollowed.wheelMin)}, ${deep} deep, then ${this.figures.minutes(hollowed.rubbingMin)} of rubbing on the rims alone.${pits} Dip often, as for a bevel; keep off the edge and its corners. Of a chisel the rim at the edge stays wide: its back guides it.`;
  });

  protected readonly reason: Reason = {
    formula:
      'A hollow c wide is R − √(R² − c²/4) deep; the wheel takes its segment, the stones the unevenness or the deepest pit over what is polished, and then the marks of each stone before.',
    inputs: ['Both ways on the stones of this plan, by the same wear law as its strokes.'],
    source: 'docs/formulas.md: an old back.',
    sure: 'An estimate, good to perhaps a factor of two, as rates are until your stones are learned.',
  };
}
