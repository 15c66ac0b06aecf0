/**
 * Drivers multiply the fouling rate of a point, so they divide its interval.
 *
 * Values are our starting assumptions, gathered from practice; each is shown as an assumption.
 * Only the drivers that a procedure names apply to it, and their product is held within [0.4, 3].
 */
import { hardnessClass } from '../quantities/hardness.ts';

export const COOKING = ['rare', 'average', 'frequent'] as const;
export type Cooking = (typeof COOKING)[number];

/** What is known about the people in a home on some day. Absent means not asked. */
export interface Household {
  readonly people?: number | undefined;
  readonly pets?: number | undefined;
  readonly cooking?: Cooking | undefined;
  readonly loadsAWeek?: number | undefined;
  readonly coolWashes?: boolean | undefined;
  readonly smoking?: boolean | undefined;
}

export interface Circumstances {
  readonly household: Household;
  /** Hardness as CaCO3, mg/L; absent when nobody entered it. */
  readonly hardnessMgL?: number | undefined;
}

export type DriverName = 'people' | 'laundry' | 'pets' | 'cooking' | 'coolWashes' | 'hardness' | 'smoking';

export interface DriverEffect {
  readonly driver: DriverName;
  readonly factor: number;
  /** The value that was looked up, for the working. */
  readonly given: number | string | boolean;
  /** People stand in for loads a week where nobody counted loads. */
  readonly from: 'people' | 'loads' | 'pets' | 'cooking' | 'coolWashes' | 'hardness' | 'smoking';
}

export const FACTOR_FLOOR = 0.4;
export const FACTOR_CEILING = 3;

const byPeople = (people: number) => (people <= 1 ? 0.8 : people <= 3 ? 1 : people === 4 ? 1.3 : 1.6);
/** Our assumption: the loads that one, two or three, four, and five or more people wash. */
const byLoads = (loads: number) => (loads <= 2 ? 0.8 : loads <= 6 ? 1 : loads <= 9 ? 1.3 : 1.6);
const byPets = (pets: number) => (pets <= 0 ? 1 : pets === 1 ? 1.3 : 1.6);
const BY_COOKING: Record<Cooking, number> = { rare: 0.7, average: 1, frequent: 3 };
const BY_HARDNESS = { soft: 0.8, moderate: 1, hard: 1.3, veryHard: 1.7 } as const;
const COOL_WASHES = 1.4;
const SMOKING = 1.3;

type Reading = (circumstances: Circumstances) => Omit<DriverEffect, 'driver'> | undefined;

const READINGS: Record<DriverName, Reading> = {
  people: ({ household: { people } }) =>
    people === undefined ? undefined : { factor: byPeople(people), given: people, from: 'people' },
  laundry: ({ household: { loadsAWeek, people } }) => {
    if (loadsAWeek !== undefined) return { factor: byLoads(loadsAWeek), given: loadsAWeek, from: 'loads' };
    return people === undefined ? undefined : { factor: byPeople(people), given: people, from: 'people' };
  },
  pets: ({ household: { pets } }) =>
    pets === undefined ? undefined : { factor: byPets(pets), given: pets, from: 'pets' },
  cooking: ({ household: { cooking } }) =>
    cooking === undefined ? undefined : { factor: BY_COOKING[cooking], given: cooking, from: 'cooking' },
  coolWashes: ({ household: { coolWashes } }) =>
    coolWashes === undefined ? undefined : { factor: coolWashes ? COOL_WASHES : 1, given: coolWashes, from: 'coolWashes' },
  hardness: ({ hardnessMgL }) =>
    hardnessMgL === undefined
      ? undefined
      : { factor: BY_HARDNESS[hardnessClass(hardnessMgL)], given: hardnessMgL, from: 'hardness' },
  smoking: ({ household: { smoking } }) =>
    smoking === undefined ? undefined : { factor: smoking ? SMOKING : 1, given: smoking, from: 'smoking' },
};

/** The effect of each named driver that is known, in the order named. Factor 1 effects are included. */
export function driverEffects(drivers: readonly DriverName[], circumstances: Circumstances): DriverEffect[] {
  return drivers.flatMap((driver) => {
    const effect = READINGS[driver](circumstances);
    return effect ? [{ driver, ...effect }] : [];
  });
}

/** Product of the effects, held within [0.4, 3]. */
export function combinedFactor(effects: readonly DriverEffect[]): number {
  const product = effects.reduce((sum, { factor }) => sum * factor, 1);
  return Math.min(FACTOR_CEILING, Math.max(FACTOR_FLOOR, product));
}
