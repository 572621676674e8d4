import { inject, Injectable, PendingTasks } from '@angular/core';
import type { FieldProblem } from '@mellow-anvil/contract';

/** A sentence for each wrong field, by its dotted path. */
export type Sentences = Readonly<Record<string, string>>;

export function sentencesOf(problems: readonly FieldProblem[]): Sentences {
  return Object.fromEntries([...problems].reverse().map(({ field, message }) => [field, message]));
}

type Contract = typeof import('@mellow-anvil/contract');
export type SchemaName =
  | 'toolSchema'
  | 'guideSchema'
  | 'abrasiveSchema'
  | 'boardDraftSchema'
  | 'planDraftSchema'
  | 'sessionSchema'
  | 'settingsSchema';

/** Checks what was typed against the very schemas the server uses. */
@Injectable({ providedIn: 'root' })
export class Checks {
  private readonly pending = inject(PendingTasks);

  /** The contract is loaded when the first thing is checked, so that reading costs nothing of it. */
  async sentencesFor(schema: SchemaName, thing: object): Promise<Sentences> {
    const done = this.pending.add();
    try {
      const contract: Contract = await import('@mellow-anvil/contract');
      const result = contract.check<object>(contract[schema], thing);
      return result.ok ? {} : sentencesOf(result.errors);
    } finally {
      // The page is at rest once whoever asked has gone on with it.
      setTimeout(done);
    }
  }
}
