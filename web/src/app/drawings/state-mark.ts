import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RACK_STATES, type RackState } from '@mellow-anvil/core/blade';
import { STATE_WORDS } from '../words/state-words';

/** A tool's state: its word, and as many tally marks as there is work in it. */
@Component({
  selector: 'ma-state-mark',
  template: `
    <svg viewBox="0 0 24 16" width="24" height="16" aria-hidden="true">
      <path d="M1 14.5H23" class="board" />
      @for (x of tally(); track x) {
        <path [attr.d]="'M' + x + ' 12L' + (x + 2.5) + ' 2'" class="tally" />
      }
    </svg>
    <span>{{ words() }}</span>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 0.35rem;
      font-weight: 700;
    }
    .board {
      stroke: var(--muted);
      stroke-width: 1.5;
    }
    .tally {
      stroke: var(--accent);
      stroke-width: 2.6;
      stroke-linecap: round;
    }
    :host(.urgent) .tally {
      stroke: var(--danger);
    }
  `,
  host: { '[class.urgent]': 'state() === "repair"' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StateMark {
  readonly state = input.required<RackState>();
  protected readonly words = computed(() => STATE_WORDS[this.state()]);
  protected readonly tally = computed(() =>
    Array.from({ length: RACK_STATES.indexOf(this.state()) }, (_, i) => 2.5 + i * 5.2),
  );
}
