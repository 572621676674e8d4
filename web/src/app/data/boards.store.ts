import { Injectable } from '@angular/core';
import type { SettingBoard } from '@mellow-anvil/core/guide';
import { CollectionStore } from './collection.store';

/** The setting boards that were made. */
@Injectable({ providedIn: 'root' })
export class BoardsStore extends CollectionStore<SettingBoard> {
  constructor() {
    super('/api/boards', 'name');
  }
}
