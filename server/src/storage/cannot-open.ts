/** A reason the workshop cannot be opened, for the person who started the program. */
export class CannotOpen extends Error {}
