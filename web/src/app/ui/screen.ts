import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/**
 * Whether the screen is as a media query says, now and whenever that changes; in an injection context.
 * @example protected readonly narrow = screenIs('(max-width: 40rem)');
 */
export const screenIs = (query: string): Signal<boolean> =>
  toSignal(
    inject(BreakpointObserver)
      .observe(query)
      .pipe(map(({ matches }) => matches)),
    { initialValue: false },
  );
