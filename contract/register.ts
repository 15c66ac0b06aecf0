/** Property, building, place, tenancy, machine, service point. */
import type { AlarmAnswer, EmergencyNumbers } from './alarms.ts';
import type { HandBackSummary } from './handBacks.ts';
import { array, lazy, mixed, number, object, string, type InferType } from 'yup';
import { COOKING, DETERGENTS } from '../core/due/drivers.ts';
import { PRACTICES, type Practice } from '../core/catalogue/practice.ts';
import { ELBOW_RADII, type DuctRun } from '../core/measure/ductRun.ts';
import { parseFilterSize } from '../core/quantities/filterSize.ts';
import { ACCESSES, AGENTS, SURFACES, type PointKind, type SpecificationField } from '../core/catalogue/types.ts';
import type { Standing } from '../core/standing/standing.ts';
import { count, id, ids, isoDay, line, note, yes, zone } from './fields.ts';
import type { Severity } from '../core/faults/symptoms.ts';
import type { HabitSummary } from './habits.ts';
import type { SignalSummary } from './signals.ts';

export const WATER_SOURCES = ['public', 'well'] as const;
export const OWNERS = ['landlord', 'tenant', 'contractor'] as const;
export const PLACE_KINDS = ['unit', 'shared'] as const;
export const FUELS = ['electric', 'gas'] as const;
const FORBIDDABLE = AGENTS.filter((agent): agent is Exclude<typeof agent, 'water'> => agent !== 'water');

const water = {
  source: string().oneOf(WATER_SOURCES).required(),
  hardnessMgL: number().min(0).max(1000, 'field.hardness').nullable().default(null),
};
const practice = () => mixed<Practice>().oneOf([...PRACTICES]);

export const newProperty = object({
  id: id().required(),
  name: line().required(),
  address: line(300).required(),
  zone: zone().required(),
  water: object(water).required(),
  /** Null follows the organisation. */
  practice: practice().nullable().defined(),
});
/** What may change about a property, from a day on. */
export const propertyChange = object({
  water: object(water).default(undefined),
  practice: practice().nullable().default(undefined),
  from: isoDay().required(),
});
export const newBuilding = object({ id: id().required(), propertyId: id().required(), name: line().required() });
export const newPlace = object({
  id: id().required(),
  propertyId: id().required(),
  buildingId: id().nullable().default(null),
  kind: string().oneOf(PLACE_KINDS).required(),
  name: line().required(),
});
export const household = object({
  people: number().integer().min(1, 'field.peopleNone').max(20, 'field.peopleMany').required(),
  pets: count(20).required(),
  cooking: string().oneOf(COOKING).required(),
  loadsAWeek: count(60).nullable().default(null),
  coolWashes: yes().default(false),
  smoking: yes().default(false),
  dust: yes().default(false),
  detergent: string().oneOf(DETERGENTS).nullable().default(null),
});
export const newTenancy = object({
  id: id().required(),
  placeId: id().required(),
  personId: id().required(),
  name: line().required(),
  from: isoDay().required(),
  household: household.required(),
});
/** Of a tenancy that has not begun. */
export const tenancyChange = object({ name: line().required(), from: isoDay().required() });
export const householdChange = object({ household: household.required(), from: isoDay().required() });
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
  hardWired: yes(),
  shutoffPhotoId: id().nullable(),
  platePhotoId: id().nullable(),
  drainBranch: line(60),
  /** The parts that it lacks, all of them. */
  leftOut: array().of(line(60).required()).max(20).default(undefined),
});
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
export const specify = object({
  specification: specification.required(),
  /** The fact that the form was opened on; null where there was none. Another one by now is a conflict. */
  basedOn: id().nullable().default(null),
});

/** The last day that they live there. */
export const endTenancy = object({ last: isoDay().required(), holdUntil: isoDay().nullable().default(null) });
export const holdPlace = object({ until: isoDay().nullable().defined(), reason: line(200).default('') });
export const retireMachine = object({ day: isoDay().required() });
export const contractOf = object({
  contract: object({ lastVisit: isoDay().required(), everyMonths: number().integer().min(1).max(24).required() })
    .nullable()
    .defined()
    .default(null),
});

export type EndTenancy = InferType<typeof endTenancy>;
export type HoldPlace = InferType<typeof holdPlace>;
export type RetireMachine = InferType<typeof retireMachine>;
export type ContractForm = InferType<typeof contractOf>;
export type NewProperty = InferType<typeof newProperty>;
export type PropertyChange = InferType<typeof propertyChange>;
export type NewBuilding = InferType<typeof newBuilding>;
export type NewPlace = InferType<typeof newPlace>;
export type HouseholdFacts = InferType<typeof household>;
export type NewTenancy = InferType<typeof newTenancy>;
export type TenancyChange = InferType<typeof tenancyChange>;
export type HouseholdChange = InferType<typeof householdChange>;
export type NewMachine = InferType<typeof newMachine>;
export type MachineSketch = Omit<InferType<typeof machineSketch>, 'specifications'> & {
  readonly specifications: Readonly<Record<string, Specification>>;
};
export type NewUnits = Omit<InferType<typeof newUnits>, 'machines'> & { readonly machines: readonly MachineSketch[] };
export type RemoveUnits = InferType<typeof removeUnits>;
export type ManyMachines = { readonly placeIds: readonly string[]; readonly machine: MachineSketch };
export type NewTemplate = { readonly id: string; readonly name: string; readonly machines: readonly MachineSketch[] };
export type MoveMachine = InferType<typeof moveMachine>;
export type MachineChange = InferType<typeof machineChange>;
/** What must match at a point, as far as anybody entered it. */
export type Specification = Omit<Partial<InferType<typeof specification>>, 'duct'> & {
  duct?: DuctRun | null | undefined;
};
export type WaterFacts = NewProperty['water'];
export const FORBIDDABLE_AGENTS = FORBIDDABLE;

export interface PropertySummary {
  readonly numbers: EmergencyNumbers;
  readonly id: string;
  readonly name: string;
  readonly address: string;
  readonly zone: string;
  readonly today: string;
  readonly water: WaterFacts;
  /** Null follows the organisation. */
  readonly practice: Practice | null;
  readonly practiceSays: string;
  readonly buildings: readonly { id: string; name: string }[];
  readonly places: readonly {
    id: string;
    name: string;
    kind: (typeof PLACE_KINDS)[number];
    buildingId: string | null;
    tenant: string | null;
    machines: number;
  }[];
}

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
  readonly maker: string;
  readonly model: string;
  readonly installed: string | null;
  readonly fuel: string;
  readonly owner: string;
  readonly drainBranch: string;
  readonly hardWired: boolean;
  readonly contract: { readonly lastVisit: string; readonly everyMonths: number } | null;
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

export interface FaultSummary {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly machineId: string;
  readonly machine: string;
  readonly symptom: string;
  readonly says: string;
  readonly severity: Severity;
  readonly note: string;
  readonly openedAt: number;
  readonly zone: string;
  readonly openedBy: string;
  readonly correctBy: number;
  readonly stopUsing: boolean;
  /** Called unsafe by somebody at the machine: its work stands still until it is closed. */
  readonly alarm: boolean;
  readonly photoIds: readonly string[];
  readonly pointNumber: number | null;
  readonly closedAt: number | null;
  readonly found: string | null;
}

export interface TenancySummary {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string | null;
  readonly household: HouseholdFacts;
  readonly hasLink: boolean;
}

export interface PlaceAnswer {
  readonly id: string;
  readonly name: string;
  readonly kind: (typeof PLACE_KINDS)[number];
  readonly buildingId: string | null;
  readonly property: { id: string; name: string; zone: string; today: number };
  readonly tenancy: TenancySummary | null;
  /** One that begins later. */
  readonly coming: TenancySummary | null;
  readonly machines: readonly MachineSummary[];
  readonly hold: { readonly until: string; readonly reason: string } | null;
  readonly habits: readonly HabitSummary[];
  readonly budget: {
    readonly jobs: number;
    readonly minutes: number;
    readonly usedJobs: number;
    readonly usedMinutes: number;
  } | null;
  readonly standing: Standing;
  readonly alarms: readonly AlarmAnswer[];
  /** What was handed back undone and nobody has seen to. */
  readonly handBacks: readonly HandBackSummary[];
  readonly faults: readonly FaultSummary[];
  readonly signals: readonly SignalSummary[];
}

/** What an empty home wants before somebody moves in. */
export interface TurnoverAnswer {
  readonly place: { readonly id: string; readonly name: string; readonly property: string };
  readonly tenancy: { readonly id: string; readonly name: string; readonly to: string | null } | null;
  readonly hold: { readonly until: string; readonly reason: string } | null;
  readonly machines: readonly {
    readonly id: string;
    readonly name: string;
    readonly tasks: readonly {
      readonly pointId: string;
      readonly number: number;
      readonly name: string;
      readonly kind: string;
      readonly todo: 'serve' | 'look';
      readonly says: string;
      readonly minutes: number;
      readonly taken: string | null;
      readonly forTenants: boolean;
    }[];
    readonly habits: readonly string[];
  }[];
  readonly minutes: number;
  readonly assignees: readonly { readonly id: string; readonly name: string }[];
}
