import { DOCUMENT, Injectable, inject } from '@angular/core';

/** Loads the page again, as its button in the browser does. */
@Injectable({ providedIn: 'root' })
export class Reload {
  private readonly document = inject(DOCUMENT);

  now(): void {
    this.document.location.reload();
  }
}
