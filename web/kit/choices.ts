/** What is chosen from, and how it looks: tiles for a thumb, chips in a row, plain options in one or more columns. */
export interface Choice<V> {
  readonly value: V;
  readonly says: string;
  readonly note?: string | undefined;
  readonly disabled?: boolean;
  /** How an answer is marked once it is given. */
  readonly mark?: 'right' | 'wrong' | undefined;
}

export const LOOKS = {
  tiles: 'stack close',
  chips: 'chips',
  options: 'options',
  across: 'options across',
  many: 'options many',
} as const;
export type Look = keyof typeof LOOKS;
