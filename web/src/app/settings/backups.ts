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
  templateUrl: './backups.html',
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
      min-height: var(--touch);
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
