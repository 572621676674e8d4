/** Told, by a work of some time, the share of it that is done, 0…1. */
export type Tell = (share: number) => void;
