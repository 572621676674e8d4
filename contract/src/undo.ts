/** A change people can take back, as the page lists it. */
export interface CommandSummary {
  readonly id: number;
  readonly label: string;
  readonly createdAt: string;
}

/** What can be undone and redone, the next one first, and how far back that goes. */
export interface CommandList {
  readonly undo: readonly CommandSummary[];
  readonly redo: readonly CommandSummary[];
  /** The most commands that are kept, and the most bytes they hold together; the newest always is. */
  readonly kept: { readonly commands: number; readonly bytes: number };
}
