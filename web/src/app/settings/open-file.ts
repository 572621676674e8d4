import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { WORKSHOP_FILE_BYTES, type FieldProblem } from '@mellow-anvil/contract';
import { Notices } from '../shared/notices';
import { told } from '../shared/problem';
import { Undo } from '../shared/undo.store';

/** Puts a workshop file in place of what is stored; one undo takes it back. */
@Component({
  selector: 'ma-open-file',
  imports: [Button],
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
  protected readonly busy = signal(false);
  protected readonly refusal = signal('');
  protected readonly problems = signal<readonly FieldProblem[]>([]);

  protected async open(event: Event): Promise<void> {
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
    let body: unknown;
    try {
      body = JSON.parse(await file.text());
    } catch {
      this.refusal.set(`${file.name} is not JSON; choose a file this program saved. Nothing was changed.`);
      return;
    }
    this.busy.set(true);
    this.http.put<{ name: string }>('/api/workshop', body).subscribe({
      next: ({ name }) => {
        this.busy.set(false);
        this.undo.reloadAll();
        this.notices.done(`${name} is open. Undo brings back what was here before.`);
        void this.router.navigate(['/']);
      },
      error: (reason: unknown) => {
        const { detail, fields } = told(reason);
        this.busy.set(false);
        this.refusal.set(`Not opened, and nothing was changed. ${detail}`);
        this.problems.set(fields.slice(0, 8));
      },
    });
  }
}
