import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { LastLook } from '../data/last-look';
import { StateMark } from '../drawings/state-mark';

/** So many are named; the rest are counted. */
const NAMED = 6;

/** What changed since one was here last, folded to a line, until it was seen. */
@Component({
  selector: 'ma-since',
  imports: [Button, DatePipe, RouterLink, StateMark],
  template: `
    @if (since(); as s) {
      <details>
        <summary>Since {{ s.at | date: 'd MMMM' }}: {{ sum() }}</summary>
        @if (s.wantMore.length > 0) {
          <b>Want more than they did</b>
          <ul>
            @for (tool of s.wantMore.slice(0, named); track tool.id) {
              <li>
                @if (tool.ready; as ready) {
                  <ma-state-mark [state]="ready.state" />
                }
                <a [routerLink]="['/tools', tool.id, 'plan']" (click)="gone.emit()">{{ tool.name }}</a>
              </li>
            }
          </ul>
          @if (s.wantMore.length > named) {
            <p class="muted">and {{ s.wantMore.length - named }} more, at the head of the rack</p>
          }
        }
        @if (s.seenTo.length > 0) {
          <b>Seen to</b>
          <p>{{ seenTo() }}</p>
        }
        @if (s.changes.length > 0) {
          <b>Put down, the newest first</b>
          <ul>
            @for (change of s.changes.slice(0, named); track change.id) {
              <li>{{ change.label }}</li>
            }
          </ul>
          @if (s.changes.length > named) {
            <p class="muted">and {{ s.changes.length - named }} before those</p>
          }
        }
        <p-button label="Seen" size="small" severity="secondary" [outlined]="true" (onClick)="look.seen()" />
      </details>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    details {
      background: var(--accent-wash);
      border-left: var(--mark) solid var(--accent);
      padding: 0 0.5rem;
    }
    details[open] {
      padding-bottom: 0.5rem;
    }
    summary {
      min-height: 40px;
      align-content: center;
      cursor: pointer;
      font-weight: 700;
      line-height: 1.2;
    }
    b {
      display: block;
      margin-top: 0.3rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: flex;
      gap: 0.4rem;
      align-items: center;
      min-height: 32px;
      line-height: 1.15;
    }
    p-button {
      display: block;
      margin-top: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SincePanel {
  readonly gone = output<void>();
  protected readonly look = inject(LastLook);
  protected readonly since = toSignal(this.look.since$);
  protected readonly named = NAMED;

  protected readonly sum = computed(() => {
    const { wantMore = [], seenTo = [], changes = [] } = this.since() ?? {};
    return [
      counted(wantMore.length, 'tool wants more', 'tools want more'),
      counted(seenTo.length, 'seen to', 'seen to'),
      counted(changes.length, 'change', 'changes'),
    ]
      .filter((words) => words !== '')
      .join(', ');
  });
  protected readonly seenTo = computed(() => (this.since()?.seenTo ?? []).map(({ name }) => name).join(', '));
}

const counted = (count: number, one: string, many: string): string =>
  count === 0 ? '' : `${count} ${count === 1 ? one : many}`;
