import { Injectable } from '@angular/core';
import { map } from 'rxjs';
import { grit, type Abrasive } from '@mellow-anvil/core';
import { CollectionStore } from '../shared/collection.store';

/** The bench set, coarse to fine. */
@Injectable({ providedIn: 'root' })
export class AbrasivesStore extends CollectionStore<Abrasive> {
  readonly inOrder$ = this.items$.pipe(
    map((items) =>
      items
        .map((item) => ({ ...item, sizeUm: grit(item.grade).sizeUm }))
        .sort((a, b) => b.sizeUm - a.sizeUm || a.name.localeCompare(b.name)),
    ),
  );

  /** What an abrasive is called, by id; the record may name one that is gone. */
  readonly nameOf$ = this.items$.pipe(
    map((items) => {
      const names = new Map(items.map(({ id, name }) => [id, name]));
      return (id: string): string => names.get(id) ?? 'an abrasive since removed';
    }),
  );

  constructor() {
    super('/api/abrasives', '-sizeUm');
  }
}
