import { HttpClient } from '@angular/common/http';
import { inject } from '@angular/core';
import { BehaviorSubject, EMPTY, expand, filter, map, reduce, type Observable, shareReplay, tap } from 'rxjs';
import type { Page, Stored } from '@mellow-anvil/contract';
import { Undo } from '../platform/undo.store';

interface Loaded<T> {
  readonly items: readonly Stored<T>[];
  readonly loaded: boolean;
}

const PAGE_SIZE = 500;

/**
 * One kind of stored thing as the page holds it. Commands go to the server first; what it answers
 * is what is shown.
 */
export abstract class CollectionStore<T extends object> {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly state = new BehaviorSubject<Loaded<T>>({ items: [], loaded: false });

  readonly items$ = this.state.pipe(map(({ items }) => items));
  /** Emits once the first answer is there. */
  readonly ready$ = this.state.pipe(
    filter(({ loaded }) => loaded),
    map(({ items }) => items),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  protected constructor(
    private readonly path: string,
    private readonly sort: string,
  ) {
    this.undo.turned$.subscribe(() => this.load());
    this.load();
  }

  load(): void {
    this.page(1)
      .pipe(
        expand(({ page, total }) => (page * PAGE_SIZE < total ? this.page(page + 1) : EMPTY)),
        reduce((all, { items }) => [...all, ...items], [] as readonly Stored<T>[]),
      )
      .subscribe({
        next: (items) => this.state.next({ items, loaded: true }),
        error: () => this.state.next({ ...this.state.value, loaded: true }),
      });
  }

  create(thing: object): Observable<Stored<T>> {
    return this.http.post<Stored<T>>(this.path, thing).pipe(tap((stored) => this.put(stored)));
  }

  /** Stores a changed thing, made from the version named. */
  change(id: string, version: number, thing: object): Observable<Stored<T>> {
    return this.http
      .put<Stored<T>>(`${this.path}/${encodeURIComponent(id)}`, { ...thing, version })
      .pipe(tap((stored) => this.put(stored)));
  }

  remove({ id, version }: { readonly id: string; readonly version: number }): Observable<void> {
    return this.http.delete<void>(`${this.path}/${encodeURIComponent(id)}`, { params: { version } }).pipe(
      tap(() => {
        this.state.next({ items: this.state.value.items.filter((item) => item.id !== id), loaded: true });
        this.undo.refresh();
      }),
    );
  }

  private page(page: number): Observable<Page<Stored<T>>> {
    return this.http.get<Page<Stored<T>>>(this.path, {
      params: { sort: this.sort, page, pageSize: PAGE_SIZE },
    });
  }

  private put(stored: Stored<T>): void {
    const { items } = this.state.value;
    const known = items.some(({ id }) => id === stored.id);
    const next = known ? items.map((item) => (item.id === stored.id ? stored : item)) : [...items, stored];
    this.state.next({ items: next, loaded: true });
    this.undo.refresh();
  }
}

/** What a stored thing holds, without what the server keeps about it. */
export function contentOf<T extends object>(stored: Stored<T>): T {
  const { id, version, createdAt, updatedAt, ...content } = stored;
  return content as unknown as T;
}
