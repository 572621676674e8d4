/** How many of each kind a workshop holds; more cannot be added until some are removed. */
export const MOST = {
  tools: 2000,
  guides: 200,
  boards: 200,
  abrasives: 500,
  cares: 200_000,
  plans: 20_000,
  sessions: 200_000,
} as const;

/**
 * How many times that a file may hold: releases up to 0.7.0 kept no count, and what they stored opens all
 * the same.
 */
export const FILE_SLACK = 10;

/** How large the database may grow before nothing can be added to it, bytes: less than a file that is read. */
export const DATABASE_BYTES = 256 * 1024 * 1024;
