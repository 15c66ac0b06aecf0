/** Rehearsals: a procedure walked through without a machine, with questions. */
import { array, number, object, string, type InferType } from 'yup';
import type { Grade } from '../../core/catalogue/grades.ts';
import { id } from '../form/fields.ts';

const seed = () => number().integer().min(0).max(0xffffffff);

export const rehearsalOf = object({ seed: seed().required() });
export const rehearsed = object({
  id: id().required(),
  procedure: string().max(80).required(),
  seed: seed().required(),
  answers: array().of(number().integer().min(0).max(9).required()).max(12).required(),
});
export type RehearsalOf = InferType<typeof rehearsalOf>;
export type RehearsedForm = InferType<typeof rehearsed>;

export interface RehearsalQuestion {
  readonly says: string;
  readonly after: number;
  readonly options: readonly string[];
  readonly right: number;
  /** Said once it was answered. */
  readonly because: string;
  readonly grade: Grade | null;
}
export interface RehearsalAnswer {
  readonly questions: readonly RehearsalQuestion[];
}
export interface RehearsalsAnswer {
  readonly rehearsals: readonly {
    readonly procedure: string;
    readonly day: string;
    readonly asked: number;
    readonly correct: number;
    /** The edition or the catalogue has moved on since. */ readonly older: boolean;
  }[];
}
