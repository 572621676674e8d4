import { DOCUMENT, Injectable, inject, type DestroyRef } from '@angular/core';
import { filter, fromEvent, startWith } from 'rxjs';

/** Keeps the screen on, where the browser knows how; asked anew when the page comes back to view. */
@Injectable({ providedIn: 'root' })
export class StayAwake {
  private readonly document = inject(DOCUMENT);

  /** Until the place that asks is left. */
  while(place: DestroyRef): void {
    let lock: WakeLockSentinel | undefined;
    const watching = fromEvent(this.document, 'visibilitychange')
      .pipe(
        startWith(undefined),
        filter(() => this.document.visibilityState === 'visible'),
      )
      .subscribe(() => {
        // Absent in some browsers, refused on an empty battery: the run goes on either way.
        void (this.document.defaultView?.navigator as Partial<Navigator> | undefined)?.wakeLock
          ?.request('screen')
          .then((sentinel) => (lock = sentinel))
          .catch(() => undefined);
      });
    place.onDestroy(() => {
      watching.unsubscribe();
      void lock?.release();
    });
  }
}
