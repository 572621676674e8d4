import { Injectable } from '@angular/core';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Stored } from '@mellow-anvil/contract';
import type { Observable } from 'rxjs';
import { CollectionStore, contentOf } from './collection.store';

/** The tools on the rack. */
@Injectable({ providedIn: 'root' })
export class ToolsStore extends CollectionStore<Tool> {
  constructor() {
    super('/api/tools', 'name');
  }

  /** A tool as it is, but for what is changed of it. */
  amend(tool: Stored<Tool>, change: Partial<Tool>): Observable<Stored<Tool>> {
    return this.change(tool.id, tool.version, { ...contentOf<Tool>(tool), ...change });
  }
}
