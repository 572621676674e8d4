import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { catchError, map, of, switchMap, timer, type Subscription } from 'rxjs';
import type { FieldProblem, LongWorkNow } from '@mellow-anvil/contract';
import { WORKSHOP_FILE_BYTES } from '@mellow-anvil/core/workshop';
import { Notices } from '../platform/notices';
import { told } from '../platform/problem';
import { Undo } from '../platform/undo.store';

/** How often it is asked how far a long work has come. */
const LOOK_EVERY_MS = 500;

/** Puts a workshop file in place of what is stored; one undo takes it back. */
@Component({
  selector: 'ma-open-file',
  imports: [Button, ProgressBar],
  template: `
    <input
      #file
      type="file"
      accept=".json,application/json"
      class="visually-hidden"
      tabindex="-1"
      aria-hidden="true"
      (change)="open($event)"
    />
    <p-button
      label="Open a workshop file"
      severity="secondary"
      [outlined]="true"
      (onClick)="file.click()"
      [loading]="busy()"
    />
    @if (busy()) {
      <p-button label="Stop" severity="secondary" [text]="true" (onClick)="stop()" />
    }
    @if (percent(); as p) {
      <p-progressBar [value]="p" ariaLabel="How far it is opened" />
    }
    @if (refusal()) {
      <div role="alert">
        <p class="sentence-error">{{ refusal() }}</p>
        <ul>
          @for (problem of problems(); track $index) {
            <li>
              <b>{{ problem.field }}</b>
              {{ problem.message }}
            </li>
          }
        </ul>
      </div>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpenFile {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly sending = signal<Subscription | undefined>(undefined);
  protected readonly busy = computed(() => this.sending() !== undefined);
  /** How far the server has come with it, percent. */
  protected readonly percent = toSignal(
    toObservable(this.busy).pipe(
      switchMap((busy) =>
        busy
          ? timer(LOOK_EVERY_MS, LOOK_EVERY_MS).pipe(
              switchMap(() =>
                this.http.get<readonly LongWorkNow[]>('/api/work').pipe(catchError(() => of([]))),
              ),
              map(([work]) => (work ? percentOf(work) : 0)),
            )
          : of(undefined),
      ),
    ),
  );
  protected readonly refusal = signal('');
  protected readonly problems = signal<readonly FieldProblem[]>([]);

  protected open(event: Event): void {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.problems.set([]);
    this.refusal.set('');
    if (file.size > WORKSHOP_FILE_BYTES) {
      this.refusal.set('This file is over 300 MB; no workshop is that large. Nothing was changed.');
      return;
    }
    // As it is: a large file is not taken apart here, where the page would stand still meanwhile.
    const headers = { 'Content-Type': 'application/json' };
    this.sending.set(
      this.http.put<{ name: string }>('/api/workshop', file, { headers }).subscribe({
        next: ({ name }) => {
          this.sending.set(undefined);
          this.undo.reloadAll();
          this.notices.done(`${name} is open. Undo brings back what was here before.`);
          void this.router.navigate(['/']);
        },
        error: (reason: unknown) => {
          const { detail, fields } = told(reason);
          this.sending.set(undefined);
          this.refusal.set(`Not opened, and nothing was changed. ${detail}`);
          this.problems.set(fields.slice(0, 8));
        },
      }),
    );
  }

  /** Whoever asked being gone, the server stops, and stores nothing of it. */
  protected stop(): void {
    this.sending()?.unsubscribe();
    this.sending.set(undefined);
    this.refusal.set('Stopped. Nothing was changed.');
  }
}

const percentOf = ({ done, of }: LongWorkNow): number => (of === 0 ? 0 : Math.round((100 * done) / of));
