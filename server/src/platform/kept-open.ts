/**
 * How long a connection stays open unasked. Closed after five seconds, as is usual, it is now and then closed just as
 * it is asked on again.
 */
export const KEPT_OPEN_MS = 65_000;
