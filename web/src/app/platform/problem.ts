import { HttpErrorResponse } from '@angular/common/http';
import type { FieldProblem, Problem } from '@mellow-anvil/contract';

/** A refusal in words, wherever it came from. */
export interface Told {
  readonly title: string;
  readonly detail: string;
  readonly fields: readonly FieldProblem[];
  readonly stale: boolean;
}

/** Turns any failure of a request into words for the page. */
export function told(reason: unknown): Told {
  if (reason instanceof HttpErrorResponse) {
    const problem = reason.error as Partial<Problem> | null;
    if (problem && typeof problem.detail === 'string') {
      return {
        title: problem.title ?? 'Not done',
        detail: problem.detail,
        fields: problem.errors ?? [],
        stale: reason.status === 409,
      };
    }
    if (reason.status === 0) {
      return {
        title: 'No answer',
        detail: 'The Mellow Anvil program does not answer; start it again. What you typed is still here.',
        fields: [],
        stale: false,
      };
    }
  }
  const detail =
    reason instanceof Error ? reason.message : 'Something went wrong on this page; load it again.';
  return { title: 'Not done', detail, fields: [], stale: false };
}
