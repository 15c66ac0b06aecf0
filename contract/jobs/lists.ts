/** Home lists: several sittings of one home in one request. */
import { array, object, type InferType } from 'yup';
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
