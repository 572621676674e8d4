import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { kindFacts } from '@mellow-anvil/core/abrasive';
import { formatDay } from '@mellow-anvil/core/base';
import { ladderOf, type RecordedSession } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';

/** The ladder of visits of a scraping edge: what a sitting, a month and a season ask, and what is due today. */
@Component({
  selector: 'ma-ladder',
  template: `
    <h2>The ladder of visits</h2>
    <p>
      <b>{{ told() }}</b>
      Never a strop: it would take the burr that scrapes.
    </p>
    <ol>
      @for (rung of rungs(); track rung.kind) {
        <li [class.due]="rung.due">
          <b>{{ rung.label }}</b>
          <span>{{ rung.often }}</span>
          <span>{{ rung.last }}</span>
          <span class="when">{{ rung.when }}</span>
        </li>
      }
    </ol>
    <p class="muted">
      Common practice, without a source, until its own record shows another rhythm: four visits to a stone.
    </p>
  `,
  styles: `
    :host {
      display: block;
      max-width: 52rem;
    }
    p {
      margin: 0.2rem 0 0.4rem;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 11rem 1fr 1fr 10rem;
      gap: 0.2rem 0.8rem;
      padding: 0.35rem 0.5rem;
      border-left: var(--mark) solid var(--line);
      margin-bottom: 0.25rem;
      background: var(--raised);
    }
    .due {
      border-left-color: var(--accent);
    }
    .due .when {
      color: var(--accent);
      font-weight: 700;
    }
    .muted {
      color: var(--muted);
    }
    @media (max-width: 48rem) {
      li {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LadderPanel {
  readonly sessions = input.required<readonly RecordedSession[]>();
  /** ISO 8601 instant. */
  readonly now = input(new Date().toISOString());
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });

  protected readonly rungs = computed(() => {
    const kinds = new Map(this.stones().map(({ id, kind }) => [id, kind]));
    return ladderOf(this.sessions(), (id) => kinds.get(id), new Set(kinds.values()), this.now()).map(
      ({ kind, says, everyDays, learned, lastAt, dueAt, due }) => ({
        kind,
        due,
        label: kindFacts(kind).label,
        often: learned ? `every ${everyDays} days, by its record` : says,
        last: lastAt === undefined ? 'never on one yet' : `last on ${formatDay(lastAt)}`,
        when: due ? 'due' : dueAt === undefined ? 'done' : `from ${formatDay(dueAt)}`,
      }),
    );
  });
  protected readonly told = computed(() => {
    const due = this.rungs().filter((rung) => rung.due);
    const coarsest = due.at(-1);
    if (!coarsest) return 'Nothing is due.';
    const finer = due.slice(0, -1).map(({ label }) => label.toLowerCase());
    return `Today: ${coarsest.label.toLowerCase()}${finer.length > 0 ? `, then ${finer.toReversed().join(', then ')}` : ''}.`;
  });
}
