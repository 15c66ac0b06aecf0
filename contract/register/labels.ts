/** Sheets of labels, and what a scanned one opens. */
import { number, object, string, type InferType } from 'yup';

interface Sheet {
  readonly page: 'A4' | 'LETTER';
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Left and top edge of the first label. */
  readonly leftMm: number;
  readonly topMm: number;
  readonly gapXMm: number;
  readonly gapYMm: number;
}

/** Common sizes of self-adhesive sheets; one label a sheet of paper for cutting by hand is among them. */
export const SHEETS = {
  'a4-21': {
    page: 'A4',
    columns: 3,
    rows: 7,
    widthMm: 63.5,
    heightMm: 38.1,
    leftMm: 7.2,
    topMm: 15.1,
    gapXMm: 2.5,
    gapYMm: 0,
  },
  'a4-8': {
    page: 'A4',
    columns: 2,
    rows: 4,
    widthMm: 99.1,
    heightMm: 67.7,
    leftMm: 4.7,
    topMm: 13.1,
    gapXMm: 2.5,
    gapYMm: 0,
  },
  'a4-40': {
    page: 'A4',
    columns: 4,
    rows: 10,
    widthMm: 48.5,
    heightMm: 25.4,
    leftMm: 8,
    topMm: 21.5,
    gapXMm: 0,
    gapYMm: 0,
  },
  'letter-30': {
    page: 'LETTER',
    columns: 3,
    rows: 10,
    widthMm: 66.7,
    heightMm: 25.4,
    leftMm: 4.8,
    topMm: 12.7,
    gapXMm: 3.2,
    gapYMm: 0,
  },
  'letter-10': {
    page: 'LETTER',
    columns: 2,
    rows: 5,
    widthMm: 101.6,
    heightMm: 50.8,
    leftMm: 4,
    topMm: 12.7,
    gapXMm: 4.8,
    gapYMm: 0,
  },
} as const satisfies Readonly<Record<string, Sheet>>;
export type SheetKey = keyof typeof SHEETS;

export const labelForm = object({
  sheet: string()
    .oneOf(Object.keys(SHEETS) as SheetKey[])
    .default('a4-21'),
  /** Labels of the first sheet that are used up already. */
  skip: number().integer().min(0).max(39).default(0),
});
export type LabelForm = InferType<typeof labelForm>;
