import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { Notices } from '../shared/notices';
import { told } from '../shared/problem';
import { Undo } from '../shared/undo.store';

interface Backup {
  readonly name: string;
  readonly madeAt: string;
  readonly bytes: number;
  readonly because: 'regular' | 'before-restore' | 'before-migration';
}

interface BackupList {
  readonly folder: string;
  readonly backups: readonly Backup[];
  readonly trouble?: string;
}

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
      <ul aria-label="Backups">
        @for (backup of shown(); track backup.name) {
          <li>
            <b>{{ when(backup) }}</b>
            <span class="muted">
              {{ size(backup) }}{{ because[backup.because] ? ', ' + because[backup.because] : '' }}
            </span>
            @if (asked() === backup.name) {
              <span>Everything stored now gives way to this copy; what is there is backed up first.</span>
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
                [text]="true"
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
  private readonly http = inject(HttpClient);
  private readonly notices = inject(Notices);
  private readonly undo = inject(Undo);
  protected readonly list = signal<BackupList | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly asked = signal('');
  protected readonly all = signal(false);
  protected readonly refusal = signal('');
  protected readonly because = BECAUSE;
  protected readonly shown = computed(() => {
    const { backups = [] } = this.list() ?? {};
    return this.all() ? backups : backups.slice(0, AT_FIRST);
  });

  constructor() {
    this.look();
  }

  protected when({ madeAt }: Backup): string {
    return new Date(madeAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  }

  protected size({ bytes }: Backup): string {
    return `${Math.max(1, Math.round(bytes / 1024)).toLocaleString('en-GB')} kB`;
  }

  protected make(): void {
    this.send('/api/backups', {}, () => this.notices.done('Backed up.'));
  }

  protected restore(backup: Backup): void {
    this.send('/api/backups/restore', { name: backup.name }, () => {
      this.asked.set('');
      this.notices.done(
        `The workshop is as it was on ${this.when(backup)}. What was here before is in the list.`,
      );
      this.undo.reloadAll();
    });
  }

  private send(path: string, body: object, done: () => void): void {
    this.busy.set(true);
    this.refusal.set('');
    this.http.post(path, body).subscribe({
      next: () => {
        this.busy.set(false);
        done();
        this.look();
      },
      error: (reason: unknown) => {
        this.busy.set(false);
        this.refusal.set(told(reason).detail);
        this.look();
      },
    });
  }

  private look(): void {
    this.http.get<BackupList>('/api/backups').subscribe({
      next: (list) => this.list.set(list),
      error: (reason: unknown) => this.refusal.set(told(reason).detail),
    });
  }
}
