import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { edgeWord, knivesOwed, type Run } from '@mellow-anvil/core/run';
import { AbrasivesStore } from '../data/abrasives.store';
import { Figures } from '../ui/figures';
import { outcomeWords } from '../words/entry-words';

/** What a finished run came to, and where it went. */
@Component({
  selector: 'ma-run-summary',
  imports: [ButtonDirective, RouterLink],
  template: `
    <h1>{{ run().ended === 'finished' ? 'Done, and in the record' : 'Thrown away' }}</h1>
    @if (run().ended === 'finished') {
      <p class="total figure">{{ figures.minutes(run().minutes) }}</p>
      <ul>
        @for (step of steps(); track $index) {
          <li>
            <b class="figure">{{ step.strokes }}</b>
            {{ step.strokes === 1 ? 'stroke' : 'strokes' }} on the {{ step.name }},
            {{ figures.minutes(step.minutes) }}{{ step.owed }}
          </li>
        }
      </ul>
      <p>{{ outcome() }}</p>
      @if (unsent() > 0) {
        <p role="status">
          It is safe on this device and goes into the record as soon as the program answers.
        </p>
      }
      <p class="after">
        <a [href]="'/api/runs/' + id() + '/run.csv'" download>This run as a table</a>
        or
        <a [href]="'/api/runs/' + id() + '/run.json'" download>as a file</a>
        . Wipe and oil the steel, away from the edge; wrap it. Flatten the stones for next time. Oily rags lie
        flat to dry.
      </p>
    }
    <div class="actions">
      <a pButton size="large" [routerLink]="['/tools', run().plan.toolId, 'life']">See its life</a>
      <a pButton size="large" severity="secondary" [outlined]="true" routerLink="/">To the rack</a>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 1rem;
      align-content: center;
      justify-items: start;
      max-width: 44rem;
      margin: 0 auto;
      font-size: 1.3rem;
    }
    h1 {
      font-size: 2.4rem;
    }
    .total {
      font-size: 4rem;
      line-height: 1;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.4rem;
    }
    .after {
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunSummaryCard {
  readonly run = input.required<Run>();
  readonly unsent = input(0);
  readonly id = input('');
  protected readonly figures = inject(Figures);
  private readonly nameOf = toSignal(inject(AbrasivesStore).nameOf$, { requireSync: true });

  protected readonly steps = computed(() =>
    this.run()
      .steps.filter(({ strokes }) => strokes > 0)
      .map((step) => ({
        ...step,
        name: this.nameOf()(step.abrasiveId),
        owed: owedWords(knivesOwed(step)),
      })),
  );
  protected readonly outcome = computed(() => {
    const { burr, proof } = this.run();
    const word = edgeWord(proof);
    return outcomeWords({ proof, ...(burr && { burr }), ...(word && { word }) });
  });
}

/** Of a set broken off: which knife is still owed what. */
function owedWords(owed: readonly number[]): string {
  const words = owed.flatMap((strokes, i) => (strokes > 0 ? [`knife ${i + 1} is owed ${strokes}`] : []));
  return words.length === 0 ? '' : `; ${words.join(', ')}`;
}
