import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { catchError, map, of, shareReplay } from 'rxjs';

/** Which release this is, as its server says. */
@Injectable({ providedIn: 'root' })
export class About {
  readonly version$ = inject(HttpClient)
    .get<{ version: string }>('/api/health')
    .pipe(
      map(({ version }) => version),
      catchError(() => of('')),
      shareReplay(1),
    );
}
