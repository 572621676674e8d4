import { Injectable } from '@angular/core';
import type { Tool } from '@mellow-anvil/core/blade';
import { CollectionStore } from './collection.store';

/** The tools on the rack. */
@Injectable({ providedIn: 'root' })
export class ToolsStore extends CollectionStore<Tool> {
  constructor() {
    super('/api/tools', 'name');
  }
}
