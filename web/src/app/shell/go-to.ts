import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { AbrasivesStore } from '../data/abrasives.store';
import { GuidesStore } from '../data/guides.store';
import { ToolsStore } from '../data/tools.store';
import { found, type Place } from './finding';
import { ROOMS } from './rooms';

/** As many as are in sight at once. */
const MOST = 9;

const FIXED: readonly Place[] = [
  ...ROOMS.map(({ path, label }) => ({ name: label, kind: 'room', to: [path] })),
  { name: 'Add a tool', kind: 'new', to: ['/tools/new'] },
  { name: 'Before money: an old edge', kind: 'new', to: ['/before-money'] },
  { name: 'Add a stone', kind: 'new', to: ['/stones/new'] },
  { name: 'Add a guide', kind: 'new', to: ['/guides/new'] },
];

/** A tool, a stone, a guide or a room by a few letters of its name. */
@Component({
  selector: 'ma-go-to',
  imports: [Button, Dialog, InputText],
  templateUrl: './go-to.html',
  styles: `
    input {
      width: min(30rem, 80vw);
      min-height: var(--touch);
    }
    ul {
      list-style: none;
      margin: 0.5rem 0 0;
      padding: 0;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 1rem;
      min-height: var(--touch);
      padding: 0 0.6rem;
      border-left: var(--mark) solid transparent;
      cursor: pointer;
    }
    li[aria-selected='true'] {
      background: var(--accent-wash);
      border-left-color: var(--accent);
      font-weight: 700;
    }
    small {
      font-weight: 400;
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GoTo {
  readonly left = output<void>();
  /** The sheet of keys is asked for. */
  readonly keys = output<void>();
  private readonly router = inject(Router);
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  protected readonly typed = signal('');
  /** The place that Enter goes to. */
  protected readonly at = signal(0);

  protected readonly places = computed(() =>
    found(
      [
        ...FIXED,
        ...this.tools().map(({ id, name }) => ({ name, kind: 'tool', to: ['/tools', id, this.side()] })),
        ...this.stones().map(({ id, name }) => ({ name, kind: 'stone', to: ['/stones', id] })),
        ...this.guides().map(({ id, name }) => ({ name, kind: 'guide', to: ['/guides', id] })),
      ],
      this.typed(),
    ).slice(0, MOST),
  );

  protected move(by: number, event: Event): void {
    event.preventDefault();
    const { length } = this.places();
    if (length > 0) this.at.update((at) => (at + by + length) % length);
  }

  protected go(place: Place | undefined): void {
    if (!place) return;
    this.left.emit();
    void this.router.navigate([...place.to]);
  }

  /** A tool is gone to on the side the one in hand is looked at from. */
  private side(): string {
    return /^\/tools\/[^/]+\/([\w-]+)/.exec(this.router.url)?.[1] ?? 'edge';
  }
}
