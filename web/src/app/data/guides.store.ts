import { Injectable } from '@angular/core';
import type { Guide } from '@mellow-anvil/core/guide';
import { CollectionStore } from './collection.store';

/** The honing guides the user owns. */
@Injectable({ providedIn: 'root' })
export class GuidesStore extends CollectionStore<Guide> {
  constructor() {
    super('/api/guides', 'name');
  }
}
