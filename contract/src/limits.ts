/** How many of each kind a workshop holds; more cannot be added until some are removed. */
export const MOST = {
  tools: 2000,
  guides: 200,
  boards: 200,
  abrasives: 500,
  cares: 100_000,
  plans: 20_000,
  sessions: 100_000,
} as const;

/**
 * How many times that a file may hold: releases up to 0.7.0 kept no count, and what they stored opens all
 * the same.
 */
export const FILE_SLACK = 10;

/** The largest workshop file that is read, bytes: more than the database may grow to. */
export const WORKSHOP_FILE_BYTES = 300 * 1024 * 1024;

/** How large the database may grow before nothing can be added to it, bytes. */
export const DATABASE_BYTES = 256 * 1024 * 1024;
