import { Injectable } from '@angular/core';
import type { Plan } from '@mellow-anvil/core/workshop';
import { CollectionStore } from './collection.store';

/** The plans kept for later. */
@Injectable({ providedIn: 'root' })
export class PlansStore extends CollectionStore<Plan> {
  constructor() {
    super('/api/plans', '-updatedAt');
  }
}
