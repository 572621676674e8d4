import { Injectable, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Observable } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import { STROP_STROKES } from '@mellow-anvil/core/plan';
import type { Session } from '@mellow-anvil/core/record';
import { AbrasivesStore } from './abrasives.store';
import { SessionsStore } from './sessions.store';

/** Minutes a strop is put down as: a few breaths (estimate). */
const STROP_MIN = 1;

/** A strop put down in one tap, with the counts its family has. */
@Injectable({ providedIn: 'root' })
export class Stropping {
  private readonly sessions = inject(SessionsStore);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });

  stropped(tool: Stored<Tool>): Observable<Stored<Session>> {
    const strop = this.stones().findLast(
      ({ kind }) => kind === (tool.edge.form === 'gouge' ? 'profiled-strop' : 'strop'),
    );
    const any = strop ?? this.stones().findLast(({ kind }) => kind === 'strop');
    return this.sessions.create({
      toolId: tool.id,
      kind: 'stropping',
      startedAt: new Date().toISOString(),
      minutes: STROP_MIN,
      ...(any && { steps: [{ abrasiveId: any.id, strokes: STROP_STROKES, minutes: STROP_MIN }] }),
    });
  }
}
