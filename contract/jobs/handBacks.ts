/** What was handed back undone. */
export interface HandBackSummary {
  readonly id: string;
  readonly at: number;
  readonly placeId: string;
  readonly place: string;
  readonly machine: string;
  readonly points: readonly string[];
  /** Of the first of them, to open its panel. */
  readonly pointNumber: number | null;
  readonly zone: string;
  readonly by: string;
  readonly reason: string;
  readonly says: string;
  readonly note: string;
  /** What stands otherwise than usual since, in words. */
  readonly still: readonly string[];
}

export interface HandBacksAnswer {
  readonly open: readonly HandBackSummary[];
}
