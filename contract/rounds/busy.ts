/** When somebody of the office is busy elsewhere, taken from a calendar of theirs: times alone. */
import { array, object, type InferType } from 'yup';
import { count, isoDay } from '../form/fields.ts';

/** Days ahead that are taken from a calendar. */
export const BUSY_DAYS = 182;
/** The most times that are kept of one person. */
export const MOST_BUSY = 2000;

export const busyTimes = object({
  times: array()
    .of(
      object({
        day: isoDay().required(),
        from: count(1439).required(),
        until: count(1440)
          .required()
          .when('from', ([from], schema) =>
            Number.isInteger(from) ? schema.moreThan(from as number, 'field.afterFrom') : schema,
          ),
      }),
    )
    .max(MOST_BUSY)
    .required(),
});
export type ChangeBusyTimes = InferType<typeof busyTimes>;

export interface BusyTimesAnswer {
  /** Days to come with a busy time, and hours of working time that go by it. */
  readonly days: number;
  readonly hours: number;
  /** ISO day of the last of them; null where there is none. */
  readonly until: string | null;
  /** The zone in which times are kept. */
  readonly zone: string;
  readonly today: string;
}
