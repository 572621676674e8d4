import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import type { Stored } from '@mellow-anvil/contract';
import type { PlanRequest } from '@mellow-anvil/core/plan';
import type { Plan } from '@mellow-anvil/core/workshop';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { conditionWords } from '../../words/condition-words';
import { PlansStore } from '../../data/plans.store';

/** The plans kept for a tool, newest first. */
@Component({
  selector: 'ma-kept-plans',
  imports: [Button],
  template: `
    @if (kept().length) {
      <section class="kept" aria-label="Plans kept for this tool">
        <h3>Kept for this tool</h3>
        <ul>
          @for (plan of kept(); track plan.id) {
            <li>
              <span>
                <b>{{ plan.name }}</b>
                · {{ figures.minutes(plan.result.totalMin) }}, {{ words(plan) }}
              </span>
              <p-button
                label="Ask this again"
                severity="secondary"
                [outlined]="true"
                size="small"
                (onClick)="again.emit(plan.request)"
              />
              <p-button
                label="Remove"
                [ariaLabel]="'Remove ' + plan.name"
                severity="secondary"
                [text]="true"
                size="small"
                (onClick)="remove(plan)"
              />
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
      padding: 0.2rem 0;
    }
    li > span {
      flex: 1 1 16rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeptPlans {
  readonly toolId = input.required<string>();
  readonly again = output<PlanRequest>();

  protected readonly figures = inject(Figures);
  private readonly plans = inject(PlansStore);
  private readonly notices = inject(Notices);
  private readonly all = toSignal(this.plans.items$, { initialValue: [] });

  protected readonly kept = computed(() =>
    this.all()
      .filter(({ toolId }) => toolId === this.toolId())
      .sort((a, b) => b.updatedAt.localeCompare(a.updatedAt)),
  );

  protected words({ result, request }: Plan): string {
    const strokes = result.steps.reduce((sum, step) => sum + step.strokes, 0);
    const stones = result.steps.length === 1 ? '1 stone' : `${result.steps.length} stones`;
    return `${conditionWords(request.condition)}, ${stones}, ${strokes} strokes`;
  }

  protected remove(plan: Stored<Plan>): void {
    this.plans.remove(plan).subscribe({
      next: () => this.notices.done(`Removed: ${plan.name}. Undo brings it back.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
