import { newtonsOf, type Session } from './session.js';

/** Forces that parted a thread in a tool’s record, N, in its order. */
export const forcesOf = (sessions: readonly Pick<Session, 'outcome'>[]): readonly number[] =>
  sessions.flatMap(({ outcome }) =>
    (outcome?.proof ?? []).flatMap((proof) => (proof.test === 'force' ? (newtonsOf(proof) ?? []) : [])),
  );
