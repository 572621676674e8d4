import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { OwnedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { compareSchools, type PlanRequest, type School } from '@mellow-anvil/core/plan';
import { Figures } from '../../ui/figures';
import { SCHOOL_WORDS } from '../../words/condition-words';

/** The same job by every school, side by side. */
@Component({
  selector: 'ma-schools',
  imports: [Button],
  templateUrl: './schools-panel.html',
  styleUrl: '../../ui/table.css',
  styles: `
    .number {
      text-align: right;
      white-space: nowrap;
    }
    p-button,
    td:last-child {
      white-space: nowrap;
    }
    td.figure {
      font-size: 1.15rem;
    }
    small {
      display: block;
      font-weight: 400;
      color: var(--muted);
    }
    .here th {
      border-left: var(--mark) solid var(--accent);
      padding-left: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SchoolsPanel {
  /** The tool as it stands. */
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});
  readonly chosen = output<School>();

  private readonly figures = inject(Figures);

  protected readonly rows = computed(() => {
    const names = new Map(this.stones().map(({ id, name }) => [id, name]));
    const now = this.request().school ?? 'least-time';
    return compareSchools(this.tool(), this.stones(), this.request(), this.record()).map(
      ({ school, plan, refusal, strokes, steelMm3 }) => ({
        school,
        ...SCHOOL_WORDS[school],
        here: school === now,
        refusal,
        strokes,
        stones: plan?.steps.map(({ id }) => names.get(id)).join(' → ') ?? '',
        minutes: plan ? this.figures.minutes(plan.totalMin) : '',
        steel: `${this.figures.number(steelMm3, 2)} mm³`,
      }),
    );
  });
}
