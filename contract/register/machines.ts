/** Forms and answers about machines, their points and what must match; units are made with them. */
import { array, lazy, number, object, string, type InferType } from 'yup';
import type { Grade } from '../../core/catalogue/grades.ts';
import { ELBOW_RADII, type DuctRun } from '../../core/measure/ductRun.ts';
import { parseFilterSize } from '../../core/quantities/filterSize.ts';
import { ACCESSES, AGENTS, SURFACES, type PointKind, type SpecificationField } from '../../core/catalogue/types.ts';
import { count, email, id, ids, isoDay, line, note, yes } from '../form/fields.ts';

export const OWNERS = ['landlord', 'tenant', 'contractor'] as const;

export const FUELS = ['electric', 'gas'] as const;

const FORBIDDABLE = AGENTS.filter((agent): agent is Exclude<typeof agent, 'water'> => agent !== 'water');

/**
 * A machine as it is described before it stands anywhere: what templates hold, and what is added to many units at once.
 */
const described = {
  type: line(40).required(),
  label: line(60).default(''),
  maker: line(80).default(''),
  model: line(80).default(''),
  installed: isoDay().nullable().default(null),
  fuel: string().oneOf(FUELS).default('electric'),
  owner: string().oneOf(OWNERS).default('landlord'),
  drainBranch: line(60).default(''),
  /** Wired in, without a plug. */
  hardWired: yes().default(false),
  /** The day on which all its parts were last served, as whoever hands the home over says; believed as claimed. */
  lastDone: isoDay().nullable().default(null),
  /** Procedures of parts that this one lacks. */
  leftOut: array().of(line(60).required()).max(20).default([]),
};

export const newMachine = object({
  ...described,
  id: id().required(),
  placeId: id().required(),
  fuel: string().oneOf(FUELS).required(),
  owner: string().oneOf(OWNERS).required(),
  serves: array().of(id().required()).max(200).default([]),
  shutoffPhotoId: id().nullable().default(null),
  platePhotoId: id().nullable().default(null),
});

export const machineChange = object({
  label: line(60),
  maker: line(80),
  model: line(80),
  installed: isoDay().nullable().default(undefined),
  fuel: string().oneOf(FUELS),
  owner: string().oneOf(OWNERS),
  hardWired: yes(),
  shutoffPhotoId: id().nullable(),
  platePhotoId: id().nullable(),
  drainBranch: line(60),
  /** The parts that it lacks, all of them. */
  leftOut: array().of(line(60).required()).max(20).default(undefined),
});

/** The photo of what shuts a machine off; whoever stands before it may take it. */
export const shutoffPhoto = object({ photoId: id().required() });

export const moveMachine = object({ placeId: id().required() });

const limitDays = () =>
  number().integer('field.wholeDays').min(1, 'field.wholeDays').max(3650, 'field.wholeDays').nullable();

export const specification = object({
  filterSize: string()
    .trim()
    .max(40)
    .test('size', 'field.filterSize', (text) => !text || parseFilterSize(text) !== undefined),
  /** How long the cycle runs on this model, in place of the procedure's minutes. */
  runMinutes: number().integer('field.wholeNumber').min(5, 'field.runMinutes').max(360, 'field.runMinutes').nullable(),
  /** MERV, ANSI/ASHRAE 52.2. */
  rating: number().integer('field.wholeNumber').min(1, 'field.rating').max(20, 'field.rating').nullable(),
  airflowCfm: number().min(50, 'field.airflow').max(10_000, 'field.airflow').nullable(),
  drainCount: number().integer('field.wholeNumber').min(1, 'field.drains').max(60, 'field.drains').nullable(),
  /** The dryer's run: straight length in mm, and its bends. */
  duct: object({
    straightMm: number().min(0).max(100_000).required(),
    elbows: array()
      .of(
        object({
          radius: string().oneOf(ELBOW_RADII).required(),
          degrees: number<45 | 90>().oneOf([45, 90]).required(),
          count: count(20).required(),
        }),
      )
      .max(10)
      .default([]),
  })
    .nullable()
    .default(undefined),
  position: line(),
  airflow: line(60),
  note: note(),
  access: string().oneOf(ACCESSES).nullable(),
  surface: string().oneOf(SURFACES).nullable(),
  forbiddenAgents: array().of(string().oneOf(FORBIDDABLE).required()).max(FORBIDDABLE.length),
  makerLimitDays: limitDays(),
  localLimitDays: limitDays(),
});

/** Machines of a unit, with what must match at their points, by procedure. */
export const machineSketch = object({
  ...described,
  specifications: lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((value as object | undefined) ?? {})
          .slice(0, 20)
          .map((key) => [key, specification]),
      ),
    ).default({}),
  ),
});

export const machineSketches = array().of(machineSketch).max(40).default([]);

/** Units that are alike: each named, all with the same machines. */
export const newUnits = object({
  propertyId: id().required(),
  buildingId: id().nullable().default(null),
  names: array().of(line(80).required()).min(1).max(300).required(),
  machines: machineSketches,
});

/** Units to take back while nothing has happened in them. */
export const removeUnits = object({ ids: ids(300).required() });

/** One machine, added to many places. */
export const manyMachines = object({
  placeIds: array().of(id().required()).min(1).max(500).required(),
  machine: machineSketch.required(),
});

export const newTemplate = object({ id: id().required(), name: line(80).required(), machines: machineSketches.min(1) });

/** A template as it is from now on. */
export const templateChange = object({ name: line(80).required(), machines: machineSketches.min(1) });

export const specify = object({
  specification: specification.required(),
  /** The fact that the form was opened on; null where there was none. Another one by now is a conflict. */
  basedOn: id().nullable().default(null),
});

export const retireMachine = object({ day: isoDay().required() });

export const contractOf = object({
  contract: object({
    lastVisit: isoDay().required(),
    everyMonths: number().integer().min(1).max(24).required(),
    /** Who comes, and where they are asked; empty where nobody says. */
    name: line(80).default(''),
    email: email().default(''),
  })
    .nullable()
    .defined()
    .default(null),
});

export type RetireMachine = InferType<typeof retireMachine>;

export type ContractForm = InferType<typeof contractOf>;

export type NewMachine = InferType<typeof newMachine>;

export type MachineSketch = Omit<InferType<typeof machineSketch>, 'specifications'> & {
  readonly specifications: Readonly<Record<string, Specification>>;
};

export type NewUnits = Omit<InferType<typeof newUnits>, 'machines'> & { readonly machines: readonly MachineSketch[] };

export type RemoveUnits = InferType<typeof removeUnits>;

export type ManyMachines = { readonly placeIds: readonly string[]; readonly machine: MachineSketch };

export type NewTemplate = { readonly id: string; readonly name: string; readonly machines: readonly MachineSketch[] };

export type TemplateChange = Omit<NewTemplate, 'id'>;

export type ShutoffPhoto = InferType<typeof shutoffPhoto>;

export type MoveMachine = InferType<typeof moveMachine>;

export type MachineChange = InferType<typeof machineChange>;

/** What must match at a point, as far as anybody entered it. */
export type Specification = Omit<Partial<InferType<typeof specification>>, 'duct'> & {
  duct?: DuctRun | null | undefined;
};

export interface PointSummary {
  readonly id: string;
  readonly number: number;
  readonly procedure: string;
  readonly name: string;
  readonly kind: PointKind;
  readonly safetyCritical: boolean;
  readonly specification: Specification;
  readonly specificationId: string | null;
  readonly mark: MarkDates;
  /** It asks by itself; false rides along. */
  readonly scheduled: boolean;
  readonly fields: readonly SpecificationField[];
}

/** A mark's dates as the board draws them; see `contract/due.ts`. */
export interface MarkDates {
  readonly servedDay: number;
  readonly intervalDays: number;
  readonly capSlack: number;
  readonly work: number;
}

export interface MachineSummary {
  readonly id: string;
  readonly type: string;
  readonly name: string;
  /** What it is called here beside its kind; empty where nothing. */
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly installed: string | null;
  readonly fuel: string;
  readonly owner: string;
  readonly drainBranch: string;
  readonly hardWired: boolean;
  readonly contract: ContractForm['contract'];
  /** When it was last served, as somebody says; it counts until a service is recorded. */
  readonly claim: { readonly day: string; readonly by: string; readonly grade: Grade | null } | null;
  readonly emitters: readonly { readonly id: string; readonly retired: boolean }[];
  readonly retired: string | null;
  readonly serves: readonly { id: string; name: string }[];
  readonly shutoffPhotoId: string | null;
  readonly platePhotoId: string | null;
  /** What stands on its label. */
  readonly number: number;
  readonly leftOut: readonly string[];
  readonly points: readonly PointSummary[];
}
