/** Home lists: several sittings of one home in one request. */
import { array, object, string, type InferType } from 'yup';
import { id, ids } from '../form/fields.ts';
import type { PointAnswer } from '../due/due.ts';

export const giveList = object({
  id: id().required(),
  assigneeId: id().required(),
  sittings: array()
    .of(object({ id: id().required(), pointIds: ids(12).required() }))
    .min(1)
    .max(12)
    .required(),
});
export type GiveList = InferType<typeof giveList>;

/** Homes that work is given in by one write. */
export const MOST_HOMES = 25;
/** `past`: what hangs over its line; `near`: also what may be asked for. `assigneeId` null: each home's tenant. */
export const giveMany = object({
  placeIds: ids(MOST_HOMES).required(),
  which: string()
    .oneOf(['past', 'near'] as const)
    .default('past'),
  assigneeId: id().nullable().default(null),
});
export const takeListsBack = object({ ids: ids(MOST_HOMES).required() });
export type GiveMany = InferType<typeof giveMany>;
export type TakeListsBack = InferType<typeof takeListsBack>;

export interface ManyGiven {
  /** The requests that were given, for taking them back. */
  readonly lists: readonly string[];
  readonly jobs: number;
  readonly homes: number;
  /** What was not given, each with its reason. */
  readonly left: readonly {
    readonly placeId: string;
    readonly place: string;
    readonly machine: string;
    readonly says: string;
  }[];
}

export interface ListSitting {
  readonly machine: string;
  readonly points: readonly {
    readonly id: string;
    readonly name: string;
    readonly minutes: number;
    readonly forTenant: boolean;
    readonly share: number | null;
    readonly rides: boolean;
  }[];
}

export interface HomeListAnswer {
  readonly place: string;
  readonly sittings: readonly ListSitting[];
  readonly assignees: PointAnswer['assignees'];
}
