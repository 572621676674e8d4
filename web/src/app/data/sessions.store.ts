import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { tap, type Observable } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import type { Session } from '@mellow-anvil/core/record';
import { Undo } from '../platform/undo.store';

/** Entries of the record, put in, corrected and taken out; what they come to is in {@link RecordsStore}. */
@Injectable({ providedIn: 'root' })
export class SessionsStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);

  create(session: Session): Observable<Stored<Session>> {
    return this.http.post<Stored<Session>>('/api/sessions', session).pipe(this.told());
  }

  change(id: string, version: number, session: Session): Observable<Stored<Session>> {
    return this.http.put<Stored<Session>>(`/api/sessions/${id}`, { ...session, version }).pipe(this.told());
  }

  remove({ id, version }: { readonly id: string; readonly version: number }): Observable<void> {
    return this.http.delete<void>(`/api/sessions/${id}`, { params: { version } }).pipe(this.told());
  }

  private told<T>(): (answer: Observable<T>) => Observable<T> {
    return tap({ next: () => this.undo.refresh() });
  }
}
