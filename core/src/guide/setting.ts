/** The guide and stop an edge was set on. */
export interface SessionSetting {
  readonly guideId?: string;
  readonly seatName?: string;
  readonly angleDeg: number;
  /** The right side's, of a blade whose sides are set each by itself, degrees; `angleDeg` is then the left's. */
  readonly rightDeg?: number;
  readonly projectionMm?: number;
  /** The stop of a setting board it was set by. */
  readonly stop?: StopUsed;
}

/** A stop by its board and letter, and the board's name that day. */
export interface StopUsed {
  readonly boardId: string;
  readonly board: string;
  readonly label: string;
}
