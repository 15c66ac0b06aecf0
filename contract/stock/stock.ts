/** What is on the shelf, what will be taken from it, and what is to be ordered. */
import { number, object, string, type InferType } from 'yup';
import type { RoundNeed } from '../../core/stock/rounds.ts';
import { count, id, line } from '../form/fields.ts';

/** A thing and its exact size: `airFilter 16x25x1`; without a size where none is known. */
const item = () => string().trim().min(1).max(80);
export const STOCK_CHANGES = ['counted', 'received'] as const;
export const SERVICE_LEVELS = [0.8, 0.9, 0.95, 0.98] as const;

export const changeStock = object({
  id: id().required(),
  item: item().required(),
  kind: string().oneOf(STOCK_CHANGES).required(),
  quantity: count(100_000).required(),
});
export type ChangeStock = InferType<typeof changeStock>;

export const changeStockItem = object({
  item: item().required(),
  supplier: line().default(''),
  price: number().min(0).max(100_000).nullable().default(null),
  pack: number().integer().min(1).max(1000).required(),
  leadWeeks: number().integer().min(1).max(26).required(),
  service: number()
    .oneOf([...SERVICE_LEVELS])
    .required(),
});
export type ChangeStockItem = InferType<typeof changeStockItem>;

/** How a thing is bought until somebody says: our assumptions. */
export const AS_BOUGHT = { supplier: '', price: null, pack: 1, leadWeeks: 2, service: 0.95 } as const;

export interface StockWeek {
  /** Its Monday. */
  readonly from: number;
  readonly mean: number;
  /** A band of 80 %. */
  readonly low: number;
  readonly high: number;
}

export interface StockItem extends Omit<ChangeStockItem, 'item'> {
  readonly item: string;
  readonly name: string;
  /** Its exact size; null where a part of it has none in the register. */
  readonly size: string | null;
  /** Parts that use it. */
  readonly parts: number;
  /** On the shelf; null where nobody has counted. */
  readonly shelf: number | null;
  readonly countedAt: number | null;
  /** Taken by services since it was counted. */
  readonly taken: number;
  readonly weeks: readonly StockWeek[];
  /** Of the lead time: what is taken on average, and what is not exceeded at the service level. */
  readonly leadMean: number;
  readonly reorderAt: number;
  /** What the next rounds that are taken over need, and what is left after each. */
  readonly rounds: readonly RoundNeed[];
  /** What rounds need beyond what is there, the first day that lacks some, and by when to order for it. */
  readonly lack: { readonly count: number; readonly day: number; readonly orderBy: number } | null;
  /** To be ordered now, in whole packs, for the weeks to come and for every round; null where nobody has counted. */
  readonly order: number | null;
}

export interface StockAnswer {
  readonly items: readonly StockItem[];
  /** Parts that take something whose size nobody has written down. */
  readonly withoutSize: number;
  /** By how much weeks differ together, as a share; and from how many services of a year that is learned. */
  readonly swing: number;
  readonly learnedFrom: number;
  readonly zone: string;
}
