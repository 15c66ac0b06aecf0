/** Alarms: *not safe*, who is called, and who answered. */
import { array, mixed, object, string, type InferType } from 'yup';
import { ALARM_KINDS, type AlarmKind } from '../../core/faults/alarms.ts';
import { count, email, id, line, note } from '../form/fields.ts';

export const raiseAlarm = object({
  id: id().required(),
  kind: mixed<AlarmKind>()
    .oneOf([...ALARM_KINDS])
    .required(),
  /** The job in hand; else a machine that the caller may see. */
  jobId: id().nullable().default(null),
  machineId: id().nullable().default(null),
  note: note().default(''),
  /** What stands otherwise than usual, `<variable>.<value>`. */
  still: array().of(line(60).required()).max(12).default([]),
}).test('about', 'field.required', ({ jobId, machineId }) => Boolean(jobId ?? machineId));
export const acknowledgeAlarm = object({ token: line(200).required() });

/** Who is called, in order, and how. */
export const changeDuty = object({
  people: array().of(id().required()).max(12).required(),
  minutes: count(120).min(1).required(),
  webhook: string().trim().url().max(300).nullable().default(null),
  mail: object({
    host: line(120).required(),
    port: count(65_535).min(1).required(),
    secure: mixed<'yes' | 'no'>().oneOf(['yes', 'no']).required(),
    user: line(120).default(''),
    /** Null keeps the one that is known. */
    password: string().max(200).nullable().default(null),
    from: email().required(),
  })
    .nullable()
    .default(null),
});
/** Numbers that a doer is shown when nobody knows yet; of a property. */
export const changeNumbers = object({
  emergency: line(40).default(''),
  gas: line(40).default(''),
  office: line(40).default(''),
});

export type RaiseAlarm = InferType<typeof raiseAlarm>;
export type ChangeDuty = InferType<typeof changeDuty>;
export type ChangeNumbers = InferType<typeof changeNumbers>;

export interface EmergencyNumbers {
  readonly emergency: string;
  readonly gas: string;
  readonly office: string;
}

export interface AlarmAnswer {
  readonly id: string;
  readonly kind: AlarmKind;
  readonly says: string;
  readonly note: string;
  readonly place: string;
  readonly placeId: string;
  readonly machine: string;
  readonly by: string;
  readonly at: number;
  readonly zone: string;
  /** Who has said that they see to it; null while nobody has. */
  readonly acknowledgedBy: string | null;
  readonly acknowledgedAt: number | null;
  /** How many were called so far, and whether anybody can be. */
  readonly called: number;
  readonly reachable: boolean;
  readonly numbers: EmergencyNumbers;
}

export interface DutyAnswer {
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly email: string | null;
    readonly onDuty: boolean;
  }[];
  readonly minutes: number;
  readonly webhook: string | null;
  readonly mail: {
    readonly host: string;
    readonly port: number;
    readonly secure: 'yes' | 'no';
    readonly user: string;
    readonly hasPassword: boolean;
    readonly from: string;
  } | null;
  /** Letters that the stand-in took, newest first; null where none runs. */
  readonly letters:
    readonly { readonly to: string; readonly subject: string; readonly text: string; readonly at: number }[] | null;
}
