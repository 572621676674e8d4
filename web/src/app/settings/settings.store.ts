import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { BehaviorSubject, type Observable, tap } from 'rxjs';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core';
import { Undo } from '../shared/undo.store';

type KeptSettings = Settings & { readonly version: number };

/** How the workshop is called and how its figures are written; kept on the server. */
@Injectable({ providedIn: 'root' })
export class SettingsStore {
  private readonly http = inject(HttpClient);
  private readonly undo = inject(Undo);
  private readonly kept = new BehaviorSubject<KeptSettings>({ ...DEFAULT_SETTINGS, version: 0 });
  readonly settings$ = this.kept.asObservable();

  constructor() {
    this.undo.turned$.subscribe(() => this.load());
    this.load();
  }

  load(): void {
    this.http
      .get<KeptSettings>('/api/settings')
      .subscribe({ next: (settings) => this.kept.next(settings), error: () => undefined });
  }

  change(change: Partial<Settings>): Observable<KeptSettings> {
    const { name, units, decimalMark, version } = { ...this.kept.value, ...change };
    return this.http.put<KeptSettings>('/api/settings', { name, units, decimalMark, version }).pipe(
      tap((settings) => {
        this.kept.next(settings);
        this.undo.refresh();
      }),
    );
  }
}
