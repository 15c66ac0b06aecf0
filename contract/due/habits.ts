/** Habits: attested by the tenant, spot-checked by staff. */
import { array, mixed, object, type InferType } from 'yup';
import { id, line, note } from '../form/fields.ts';

const kept = () => mixed<'kept' | 'lapsed'>().oneOf(['kept', 'lapsed']).required();

export const attestHabits = object({
  answers: array()
    .of(object({ id: id().required(), machineId: id().required(), habit: line(60).required(), kept: kept() }))
    .min(1)
    .max(30)
    .required(),
});
export const checkHabit = object({
  id: id().required(),
  machineId: id().required(),
  habit: line(60).required(),
  kept: kept(),
  note: note().default(''),
});

export type AttestHabits = InferType<typeof attestHabits>;
export type CheckHabit = InferType<typeof checkHabit>;

export interface HabitCard {
  readonly machineId: string;
  readonly machine: string;
  readonly habit: string;
  readonly says: string;
  readonly how: string;
  readonly why: string;
  /** What came back on this machine, where the office asks because of it. */
  readonly because: string | null;
}

/** A habit as the office sees it. */
export interface HabitSummary extends HabitCard {
  readonly attested: { readonly day: string; readonly kept: boolean } | null;
  readonly checked: { readonly day: string; readonly kept: boolean; readonly by: string } | null;
  /** Times that this household said, or staff saw, that it was not kept. */
  readonly lapses: number;
  /** It is time to ask again. */
  readonly due: boolean;
}
