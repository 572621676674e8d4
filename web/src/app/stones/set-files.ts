import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Button, ButtonDirective } from 'primeng/button';
import type { FieldProblem } from '@mellow-anvil/contract';
import { LineField } from '../ui/line-field';
import { Notices } from '../platform/notices';
import { told } from '../platform/problem';
import { Undo } from '../platform/undo.store';

const MOST_BYTES = 200_000;

/** A set of stones, out as a file or a table and in again; wrong rows are named and nothing is taken in. */
@Component({
  selector: 'ma-set-files',
  imports: [Button, ButtonDirective, LineField],
  templateUrl: './set-files.html',
  styles: `
    section {
      border-top: 3px solid var(--leather);
      padding-top: 0.5rem;
    }
    h2 {
      font-size: 1.1rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem;
      align-items: end;
    }
    ma-line {
      margin-left: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetFiles {
  /** The set to take away; the whole bench without one. */
  readonly set = input<string | undefined>();
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly notices = inject(Notices);
  protected readonly into = signal('');
  protected readonly busy = signal(false);
  protected readonly refusal = signal('');
  protected readonly problems = signal<readonly FieldProblem[]>([]);

  protected named(): string {
    return this.set() ?? 'The whole bench';
  }

  protected href(form: 'json' | 'csv'): string {
    const set = this.set();
    return `/api/sets/set.${form}${set === undefined ? '' : `?set=${encodeURIComponent(set)}`}`;
  }

  protected async takeIn(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.problems.set([]);
    this.refusal.set('');
    if (file.size > MOST_BYTES) {
      this.refusal.set('This file is over 200 kB; no set is that large. Nothing was taken in.');
      return;
    }
    const text = await file.text();
    const body = this.bodyOf(file.name, text);
    if (!body) {
      this.refusal.set(`${file.name} is neither JSON nor a CSV table: choose another. Nothing was taken in.`);
      return;
    }
    const set = this.into().trim();
    this.busy.set(true);
    this.http
      .post<{ added: number; changed: number }>('/api/sets/import', { ...body, ...(set && { set }) })
      .subscribe({
        next: ({ added, changed }) => {
          this.busy.set(false);
          this.undo.reloadAll();
          this.notices.done(`Taken in: ${added} added, ${changed} changed. Undo takes it back.`);
        },
        error: (reason: unknown) => {
          const { detail, fields } = told(reason);
          this.busy.set(false);
          this.refusal.set(fields.length > 0 ? 'Nothing was taken in. What to change:' : detail);
          this.problems.set(fields);
        },
      });
  }

  private bodyOf(name: string, text: string): object | undefined {
    if (!/\.json$/i.test(name)) return { csv: text };
    try {
      return { file: JSON.parse(text) as unknown };
    } catch {
      return undefined;
    }
  }
}
