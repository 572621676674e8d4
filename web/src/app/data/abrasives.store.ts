import { Injectable, inject } from '@angular/core';
import { combineLatest, map } from 'rxjs';
import { type Abrasive, inOrder, setNames } from '@mellow-anvil/core/abrasive';
import { StonesStore } from './stones.store';
import { CollectionStore } from './collection.store';

/** The bench set, coarse to fine. */
@Injectable({ providedIn: 'root' })
export class AbrasivesStore extends CollectionStore<Abrasive> {
  readonly inOrder$ = this.items$.pipe(map((items) => inOrder(items)));

  /** The names of the sets that stones stand in. */
  readonly sets$ = this.items$.pipe(map((items) => setNames(items)));

  /** What an abrasive is called, by id; the record may name one that is gone. */
  readonly nameOf$ = combineLatest([this.items$, inject(StonesStore).gone$]).pipe(
    map(([items, gone]) => {
      const names = new Map([
        ...gone.map(({ id, name }) => [id, `${name} (off the bench)`] as const),
        ...items.map(({ id, name }) => [id, name] as const),
      ]);
      return (id: string): string => names.get(id) ?? 'a stone since removed';
    }),
  );

  constructor() {
    super('/api/abrasives', '-sizeUm');
  }
}
