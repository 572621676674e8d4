import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Button } from 'primeng/button';
import type { Observable } from 'rxjs';
import type { BackupList } from '@mellow-anvil/contract';
import { told } from '../platform/problem';
import { Reload } from '../platform/reload';
import { Backups } from '../settings/backups';
import { BackupsStore } from '../data/backups.store';

/** The one room there is while the workshop's file is not to be used as it is: why, and the ways out. */
@Component({
  selector: 'ma-damaged',
  imports: [Backups, Button],
  template: `
    <div class="room">
      <header><h1>The workshop’s file is damaged</h1></header>
      <p role="alert">{{ damage().why }}</p>
      <p>Nothing in it was changed. Until you choose, nothing is read from it or written to it.</p>
      <h2>Put a backup in its place</h2>
      <ma-backups />
      @if (damage().readable) {
        <h2>Or open it as it is</h2>
        <p>
          It can still be read, but something in it is not what you entered, and it cannot be said what. If
          you changed it yourself with another program, all is well.
        </p>
        <p-button
          label="Open it as it is"
          severity="secondary"
          [outlined]="true"
          [loading]="busy()"
          (onClick)="choose(store.openAsItIs())"
        />
      }
      <h2>Or begin with nothing</h2>
      <p>The damaged file is set aside in the workshop’s folder, and the backups stay in the list.</p>
      <p-button
        label="Begin an empty workshop"
        severity="secondary"
        [outlined]="true"
        [loading]="busy()"
        (onClick)="choose(store.beginAnew())"
      />
      @if (refusal()) {
        <p class="sentence-error" role="alert">{{ refusal() }}</p>
      }
    </div>
  `,
  styles: `
    .room {
      display: grid;
      gap: 0.6rem;
      justify-items: start;
      max-width: 46rem;
    }
    h2 {
      margin: 0.9rem 0 0;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Damaged {
  readonly damage = input.required<NonNullable<BackupList['damage']>>();
  protected readonly store = inject(BackupsStore);
  private readonly reload = inject(Reload);
  protected readonly busy = signal(false);
  protected readonly refusal = signal('');

  protected choose(way: Observable<unknown>): void {
    this.busy.set(true);
    this.refusal.set('');
    way.subscribe({
      next: () => this.reload.now(),
      error: (reason: unknown) => {
        this.busy.set(false);
        this.refusal.set(told(reason).detail);
      },
    });
  }
}
