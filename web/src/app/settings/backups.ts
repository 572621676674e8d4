import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import type { Observable } from 'rxjs';
import type { Backup } from '@mellow-anvil/contract';
import { Notices } from '../platform/notices';
import { told } from '../platform/problem';
import { Reload } from '../platform/reload';
import { Undo } from '../platform/undo.store';
import { BackupsStore } from '../data/backups.store';

const BECAUSE: Readonly<Record<Backup['because'], string>> = {
  regular: '',
  'before-restore': 'as it was before a restore',
  'before-migration': 'as the release before left it',
};
const AT_FIRST = 6;

/** The copies of the database: made by itself and by hand, and put back. */
@Component({
  selector: 'ma-backups',
  imports: [Button],
  template: `
    @if (list(); as l) {
      @if (!l.damage) {
        <p>
          While the program runs it copies the whole workshop every six hours in which something changed, and
          keeps the last eight, one a day for two weeks and one a month for a year, in
          <span class="path">{{ l.folder }}</span>
          .
        </p>
        @if (l.trouble) {
          <p class="sentence-error" role="alert">{{ l.trouble }}</p>
        }
        <p-button
          label="Back up now"
          severity="secondary"
          [outlined]="true"
          [loading]="busy()"
          (onClick)="make()"
        />
      }
      <ul aria-label="Backups">
        @for (backup of shown(); track backup.name) {
          <li>
            <b>{{ when(backup) }}</b>
            <span class="muted">
              {{ size(backup) }}{{ because[backup.because] ? ', ' + because[backup.because] : '' }}
            </span>
            @if (asked() === backup.name) {
              <span>
                @if (l.damage) {
                  The workshop is then as it was on that day; the damaged file is set aside.
                } @else {
                  Everything stored now gives way to this copy; what is there is backed up first.
                }
              </span>
              <p-button label="Restore it" size="small" [loading]="busy()" (onClick)="restore(backup)" />
              <p-button
                label="Leave it"
                size="small"
                severity="secondary"
                [text]="true"
                (onClick)="asked.set('')"
              />
            } @else {
              <p-button
                label="Restore"
                [ariaLabel]="'Restore the backup of ' + when(backup)"
                size="small"
                severity="secondary"
                [text]="!l.damage"
                [outlined]="!!l.damage"
                (onClick)="asked.set(backup.name)"
              />
            }
          </li>
        } @empty {
          <li class="muted">None yet.</li>
        }
      </ul>
      @if (l.backups.length > shown().length) {
        <p-button
          [label]="'Show all ' + l.backups.length"
          severity="secondary"
          [text]="true"
          (onClick)="all.set(true)"
        />
      }
    }
    @if (refusal()) {
      <p class="sentence-error" role="alert">{{ refusal() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
      justify-items: start;
    }
    .path {
      font-weight: 700;
      overflow-wrap: anywhere;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.2rem;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.9rem;
      align-items: center;
      min-height: 44px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Backups {
  private readonly store = inject(BackupsStore);
  private readonly notices = inject(Notices);
  private readonly undo = inject(Undo);
  private readonly reload = inject(Reload);
  protected readonly list = toSignal(this.store.list$);
  protected readonly busy = signal(false);
  protected readonly asked = signal('');
  protected readonly all = signal(false);
  protected readonly refusal = signal('');
  protected readonly because = BECAUSE;
  protected readonly shown = computed(() => {
    const { backups = [] } = this.list() ?? {};
    return this.all() ? backups : backups.slice(0, AT_FIRST);
  });

  protected when({ madeAt }: Backup): string {
    return new Date(madeAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  }

  protected size({ bytes }: Backup): string {
    return `${Math.max(1, Math.round(bytes / 1024)).toLocaleString('en-GB')} kB`;
  }

  protected make(): void {
    this.send(this.store.make(), () => this.notices.done('Backed up.'));
  }

  protected restore(backup: Backup): void {
    const damaged = this.list()?.damage !== undefined;
    this.send(this.store.restore(backup.name), () => {
      this.asked.set('');
      // Nothing on this page could be loaded before.
      if (damaged) return this.reload.now();
      this.notices.done(
        `The workshop is as it was on ${this.when(backup)}. What was here before is in the list.`,
      );
      this.undo.reloadAll();
    });
  }

  private send(request: Observable<unknown>, done: () => void): void {
    this.busy.set(true);
    this.refusal.set('');
    request.subscribe({
      next: () => {
        this.busy.set(false);
        done();
        this.store.look();
      },
      error: (reason: unknown) => {
        this.busy.set(false);
        this.refusal.set(told(reason).detail);
        this.store.look();
      },
    });
  }
}
