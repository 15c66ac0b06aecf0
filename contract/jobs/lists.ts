/** Home lists: several sittings of one home in one request. */
import { array, object, string, type InferType } from 'yup';
import { count, id, ids, yes } from '../form/fields.ts';
import { MOST_CHOSEN } from '../form/limits.ts';
import type { PointAnswer } from '../due/due.ts';

/** Parts of one sitting. */
export const MOST_PARTS = 12;
export const giveList = object({
  id: id().required(),
  assigneeId: id().required(),
  sittings: array()
    .of(object({ id: id().required(), pointIds: ids(MOST_PARTS).required() }))
    .min(1)
    .max(12)
    .required(),
});
export type GiveList = InferType<typeof giveList>;

/** Homes that work is given in by one write. */
export const MOST_HOMES = 25;
export const WHICH = ['past', 'near', 'chosen', 'inHand'] as const;
/**
 * `past`: what hangs over its line; `near`: also what may be asked for; `chosen`: parts by their numbers, wherever they
 * stand; `inHand`: what was given and nobody has begun. `assigneeId` null: each home's tenant.
 */
export const giveMany = object({
  placeIds: ids(MOST_HOMES).required(),
  which: string().oneOf(WHICH).default('past'),
  numbers: array()
    .of(count(1_000_000_000).required())
    .max(MOST_CHOSEN)
    .default([])
    .when('which', ([which], schema) => (which === 'chosen' ? schema.min(1) : schema)),
  /** With `chosen`: whether what somebody else was given moves, too. */
  moves: yes().default(false),
  /** With `inHand`: whose alone; null is anybody's. */
  from: id().nullable().default(null),
  assigneeId: id().nullable().default(null),
});
/** A job that came of a move, and who it goes back to. */
const movedJob = object({ id: id().required(), from: id().required() });
export const takeListsBack = object({
  ids: array().of(id().required()).max(MOST_HOMES).default([]),
  moved: array().of(movedJob).max(MOST_CHOSEN).default([]),
});
export type MovedJob = InferType<typeof movedJob>;
export type GiveMany = InferType<typeof giveMany>;
export type TakeListsBack = InferType<typeof takeListsBack>;

export interface ManyGiven {
  /** The requests that were given, for taking them back. */
  readonly lists: readonly string[];
  readonly jobs: number;
  readonly homes: number;
  /** Jobs that came of moving another, each with whose that was. */
  readonly moved: readonly MovedJob[];
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
