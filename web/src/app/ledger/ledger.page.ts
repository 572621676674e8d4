import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { SelectButton } from 'primeng/selectbutton';
import { TableModule } from 'primeng/table';
import { EMPTY, catchError, combineLatest, debounceTime, startWith, switchMap } from 'rxjs';
import type { Page, Stored } from '@mellow-anvil/contract';
import { formatDay } from '@mellow-anvil/core/base';
import { type Session, SESSION_KINDS, type SessionKind } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../data/abrasives.store';
import { KIND_WORDS, entryWords, outcomeWords } from '../words/entry-words';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { Notices } from '../platform/notices';
import { Undo } from '../platform/undo.store';
import { ToolsStore } from '../data/tools.store';

const ROWS = 50;

/** Every entry of every tool's record, the newest first. */
@Component({
  selector: 'ma-ledger',
  imports: [FormsModule, LineField, RouterLink, SelectButton, TableModule],
  templateUrl: './ledger.page.html',
  styles: `
    .find {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1.4rem;
      align-items: end;
    }
    .when {
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--muted);
      font-size: 0.92rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LedgerPage {
  private readonly http = inject(HttpClient);
  private readonly notices = inject(Notices);
  private readonly figures = inject(Figures);
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly nameOf = toSignal(inject(AbrasivesStore).nameOf$, { requireSync: true });
  protected readonly rows = ROWS;
  protected readonly kinds: { readonly value: SessionKind | 'all'; readonly label: string }[] = [
    { value: 'all', label: 'All' },
    ...SESSION_KINDS.map((value) => ({ value, label: KIND_WORDS[value] })),
  ];
  protected readonly kind = signal<SessionKind | 'all'>('all');
  protected readonly text = signal('');
  protected readonly first = signal(0);
  protected readonly narrowed = computed(() => this.kind() !== 'all' || this.text().trim() !== '');

  private readonly asked = computed(() => ({
    sort: '-startedAt',
    page: this.first() / ROWS + 1,
    pageSize: ROWS,
    ...(this.kind() !== 'all' && { kind: this.kind() }),
    ...(this.text().trim() && { q: this.text().trim() }),
  }));
  private readonly answer = toSignal(
    combineLatest([toObservable(this.asked), inject(Undo).changed$.pipe(startWith(undefined))]).pipe(
      debounceTime(120),
      switchMap(([params]) =>
        this.http.get<Page<Stored<Session>>>('/api/sessions', { params }).pipe(
          catchError((reason: unknown) => {
            this.notices.refused(reason);
            return EMPTY;
          }),
        ),
      ),
    ),
  );
  protected readonly entries = computed(() => this.answer()?.items ?? []);
  protected readonly total = computed(() => this.answer()?.total ?? 0);

  protected day({ startedAt }: Session): string {
    return formatDay(startedAt);
  }

  protected words({ kind }: Session): string {
    return KIND_WORDS[kind];
  }

  protected toolOf({ toolId }: Session): string {
    return this.tools().find(({ id }) => id === toolId)?.name ?? '';
  }

  protected how(session: Stored<Session>): string {
    return entryWords({ session }, this.nameOf(), this.figures);
  }

  protected beside({ outcome, notes }: Session): string {
    return [outcome && outcomeWords(outcome), notes].filter(Boolean).join(' · ');
  }
}
