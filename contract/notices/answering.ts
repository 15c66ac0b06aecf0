/** How long whoever lives there takes to do what they are asked for. */
export interface Answering {
  readonly name: string;
  /** Requests of two years, and how many of them are done. */
  readonly asked: number;
  readonly done: number;
  /** Days within which half of what is asked for is done, and within which four fifths are; null: not in a year. */
  readonly usual: number | null;
  readonly lead: number | null;
  /** They have answered nothing and hardly will. */
  readonly silent: boolean;
}
