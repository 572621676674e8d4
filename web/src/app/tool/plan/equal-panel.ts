import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import type { OwnedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { evenedByPlan, type HoningPlan, type PlanRequest } from '@mellow-anvil/core/plan';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';

/** Are the knives of a set equal still: their widths, how far they lie apart, and what evens them. */
@Component({
  selector: 'ma-equal',
  imports: [QuantityField],
  template: `
    <div class="asked">
      @for (width of widths(); track $index) {
        <ma-quantity
          [label]="'Knife ' + ($index + 1) + ', edge to far side'"
          [value]="width"
          (valueChange)="measured($index, $event)"
        />
      }
    </div>
    <p class="told" role="status">{{ words() }}</p>
  `,
  styleUrl: '../../ui/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EqualPanel {
  readonly tool = input.required<Tool>();
  readonly plan = input.required<HoningPlan>();
  readonly request = input.required<PlanRequest>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});

  private readonly figures = inject(Figures);
  protected readonly widths = linkedSignal((): readonly (number | undefined)[] => {
    const { edge } = this.tool();
    return Array.from({ length: edge.form === 'knife-set' ? edge.count : 0 }, () => undefined);
  });

  protected measured(index: number, width: number | undefined): void {
    this.widths.update((all) => all.map((each, i) => (i === index ? width : each)));
  }

  protected readonly words = computed(() => {
    const widths = this.widths().filter((width) => width !== undefined && width > 0) as number[];
    if (widths.length < this.widths().length)
      return 'Measure each with a caliper, in the middle and at both ends; give the mean of each.';
    const evened = attempt(() =>
      evenedByPlan(this.tool(), widths, this.plan(), this.request(), this.stones(), this.record()),
    );
    if (evened instanceof Refusal) return evened.message;
    const { spreadMm, knives, id } = evened;
    const wider = knives.flatMap(({ strokes }, i) => (strokes > 0 ? [`knife ${i + 1}: ${strokes}`] : []));
    if (wider.length === 0) return 'They are equal.';
    const stone = this.stones().find((each) => each.id === id)?.name ?? 'first paper';
    return `They lie ${this.figures.length(spreadMm)} apart. What evens them, alone in the jig on the ${stone}: ${wider.join(', ')} strokes, then the finer papers alike. Or set the narrower ones further out when they go back, where the machine sets each by itself. How far apart it lets them be is in its manual.`;
  });
}
