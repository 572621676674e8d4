import { Injectable, inject } from '@angular/core';
import type { Care, CareKind } from '@mellow-anvil/core/abrasive';
import { Notices } from '../platform/notices';
import { StonesStore } from '../data/stones.store';
import { CARE_DONE } from '../words/care-words';

/** Puts care of a stone on record in one tap, and says so. */
@Injectable({ providedIn: 'root' })
export class CareOfStones {
  private readonly bench = inject(StonesStore);
  private readonly notices = inject(Notices);

  done(
    stone: { readonly id: string; readonly name: string },
    kind: CareKind,
    more: Pick<Care, 'hollowUm' | 'minutes'> = {},
  ): void {
    const care = { abrasiveId: stone.id, kind, at: new Date().toISOString(), ...more };
    this.bench.note(care).subscribe({
      next: () => this.notices.done(`${CARE_DONE[kind]}: ${stone.name}. Undo takes it back.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
