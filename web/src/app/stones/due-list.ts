import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import type { StonesRecord } from '@mellow-anvil/core/abrasive';
import { AbrasivesStore } from '../data/abrasives.store';
import { StonesStore } from '../data/stones.store';
import { CARE_WORDS, careSentence } from '../words/care-words';
import { CareOfStones } from '../parts/care-of-stones';
import { Figures } from '../ui/figures';

/** Everything on the bench that wants seeing to, each one tap from done. */
@Component({
  selector: 'ma-due-list',
  imports: [Button],
  template: `
    @if (due().length) {
      <details>
        <summary>
          {{ due().length === 1 ? 'One wants' : due().length + ' want' }} seeing to ·
          {{ figures.minutes(minutes()) }}
        </summary>
        <ul>
          @for (each of due(); track each.stone.id) {
            <li>
              <b>{{ each.stone.name }}</b>
              <span>{{ each.words }}</span>
              <p-button
                [label]="each.label"
                [ariaLabel]="each.label + ', done: ' + each.stone.name"
                (onClick)="care.done(each.stone, each.kind)"
              />
            </li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    details {
      background: var(--accent-wash);
      border-left: var(--mark) solid var(--accent);
      padding: 0 0.9rem;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
      padding: 0.5rem 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 13rem 1fr auto;
      gap: 0.3rem 1rem;
      align-items: center;
      padding: 0.3rem 0;
    }
    @media (max-width: 48rem) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DueList {
  protected readonly figures = inject(Figures);
  protected readonly care = inject(CareOfStones);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly record = toSignal(inject(StonesStore).record$, { initialValue: {} as StonesRecord });

  protected readonly due = computed(() =>
    this.stones().flatMap((stone) => {
      const care = this.record()[stone.id]?.care;
      if (!care?.due) return [];
      const { kind, minutes } = care.due;
      return [
        { stone, kind, minutes, label: CARE_WORDS[kind], words: careSentence(stone, care, this.figures) },
      ];
    }),
  );
  protected readonly minutes = computed(() => this.due().reduce((sum, { minutes }) => sum + minutes, 0));
}
