/** Property, building, place, tenancy, machine, service point. */
import type { Contact } from '../notices/messages.ts';
import type { EmergencyNumbers } from '../faults/alarms.ts';
import { mixed, number, object, string, type InferType } from 'yup';
import { COOKING, DETERGENTS } from '../../core/due/drivers.ts';
import { PRACTICES, type Practice } from '../../core/catalogue/practice.ts';
import { LANGUAGES, type Language } from '../../core/language/languages.ts';
import { count, id, ids, isoDay, line, yes, zone } from '../form/fields.ts';

export const WATER_SOURCES = ['public', 'well'] as const;

export const PLACE_KINDS = ['unit', 'shared'] as const;

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

/**
 * Who has it, and since when or from when. `language`: what the household reads in; null: as the office does, left out:
 * as it was.
 */
export const tenancyChange = object({
  name: line().required(),
  from: isoDay().required(),
  language: string().oneOf(LANGUAGES).nullable().default(undefined),
});

export const householdChange = object({ household: household.required(), from: isoDay().required() });

/** The last day that they live there. */
export const endTenancy = object({ last: isoDay().required(), holdUntil: isoDay().nullable().default(null) });

/** Homes of one write. */
export const MOST_HELD = 25;

export const holdPlace = object({ until: isoDay().nullable().defined(), reason: line(200).default('') });

/** Homes that are put on hold, or taken off it, by one write. */
export const holdPlaces = object({
  placeIds: ids(MOST_HELD).required(),
  until: isoDay().nullable().defined(),
  reason: line(200).default(''),
});
export type HoldPlaces = InferType<typeof holdPlaces>;
export interface HeldPlaces {
  readonly held: readonly string[];
  /** Homes that stand as they stood, each with the reason. */
  readonly left: readonly { readonly placeId: string; readonly place: string; readonly says: string }[];
}

export type EndTenancy = InferType<typeof endTenancy>;

export type HoldPlace = InferType<typeof holdPlace>;

/** What a property is called, where it is, by which clock. */
export const propertyEdit = object({ name: line().required(), address: line(300).required(), zone: zone().required() });
export const buildingEdit = object({ name: line().required() });
export const placeEdit = object({ name: line().required(), buildingId: id().nullable().default(null) });
/** All homes and shared spaces of a property, as somebody walks them. */
export const walkingOrder = object({ placeIds: ids(5000) });
export type WalkingOrder = InferType<typeof walkingOrder>;
export type PropertyEdit = InferType<typeof propertyEdit>;
export type BuildingEdit = InferType<typeof buildingEdit>;
export type PlaceEdit = InferType<typeof placeEdit>;
export type NewProperty = InferType<typeof newProperty>;

export type PropertyChange = InferType<typeof propertyChange>;

export type NewBuilding = InferType<typeof newBuilding>;

export type NewPlace = InferType<typeof newPlace>;

export type HouseholdFacts = InferType<typeof household>;

export type NewTenancy = InferType<typeof newTenancy>;

export type TenancyChange = InferType<typeof tenancyChange>;

export type HouseholdChange = InferType<typeof householdChange>;

export type WaterFacts = NewProperty['water'];

export interface PropertySummary {
  readonly numbers: EmergencyNumbers;
  /** Hours of notice before somebody comes into a home. */
  readonly noticeHours: number;
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

export interface TenancySummary {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string | null;
  /** What the household chose, or the office for it; null: as the office reads. */
  readonly language: Language | null;
  readonly household: HouseholdFacts;
  readonly hasLink: boolean;
  /** How it is reached; null where nobody said. */
  readonly contact: Contact | null;
}
