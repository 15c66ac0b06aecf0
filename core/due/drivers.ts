/**
 * Drivers multiply the fouling rate of a point, so they divide its interval.
 *
 * Their values are assumptions (`assumptions.ts`). Only the drivers that a procedure names apply to it, and
 * their product is held within bounds.
 */
import type { DriverName } from '../catalogue/types.ts';
import type { Day } from '../calendar/day.ts';
import { hardnessClass } from '../quantities/hardness.ts';
import { assumptionsWith, type Assumptions } from './assumptions.ts';

export const COOKING = ['rare', 'average', 'frequent'] as const;
export type Cooking = (typeof COOKING)[number];
export const DETERGENTS = ['pods', 'liquid', 'powder'] as const;
export type Detergent = (typeof DETERGENTS)[number];

/** What is known about the people in a home on some day. Absent means not asked. */
export interface Household {
  readonly people?: number | undefined;
  readonly pets?: number | undefined;
  readonly cooking?: Cooking | undefined;
  readonly loadsAWeek?: number | undefined;
  readonly coolWashes?: boolean | undefined;
  readonly smoking?: boolean | undefined;
  readonly detergent?: Detergent | undefined;
  readonly dust?: boolean | undefined;
}

export interface Circumstances {
  readonly household: Household;
  /** Hardness as CaCO3, mg/L; absent when nobody entered it. */
  readonly hardnessMgL?: number | undefined;
  /** They moved in lately. */
  readonly newHome?: boolean | undefined;
}

export interface DriverEffect {
  readonly driver: DriverName;
  readonly factor: number;
  /** The value that was looked up, for the working. */
  readonly given: number | string | boolean;
  /** People stand in for loads a week where nobody counted loads. */
  readonly from: Exclude<DriverName, 'laundry'> | 'loads';
  /** The day from which it holds; absent where it always did. */
  readonly since?: Day | undefined;
}

type Reading = (circumstances: Circumstances, assumed: Assumptions) => Omit<DriverEffect, 'driver'> | undefined;

const byPeople = (people: number, assumed: Assumptions) => {
  if (people <= 1) return assumed['people.one'];
  if (people <= 3) return 1;
  return people === 4 ? assumed['people.four'] : assumed['people.five'];
};
/**
 * A condenser: yearly for one or two people, three to four times a year for a large family, against a reference of half
 * a year (common practice).
 */
const condenserBy = (people: number, assumed: Assumptions) => {
  if (people <= 2) return assumed['condenser.two'];
  if (people === 3) return 1;
  return people === 4 ? assumed['condenser.four'] : assumed['condenser.five'];
};
/** Our assumption: the most loads that a household of so many people washes; who washes more counts as five. */
const LOADS_OF: readonly { readonly people: number; readonly most: number }[] = [
  { people: 1, most: 2 },
  { people: 2, most: 6 },
  { people: 4, most: 9 },
];
const asPeople = (loads: number) => LOADS_OF.find(({ most }) => loads <= most)?.people ?? 5;

const byPets = (pets: number, assumed: Assumptions) => {
  if (pets <= 0) return 1;
  return pets === 1 ? assumed['pets.one'] : assumed['pets.two'];
};

/** A driver that is either so or not. */
const flagged =
  (name: 'coolWashes' | 'smoking' | 'dust'): Reading =>
  ({ household }, assumed) => {
    const given = household[name];
    return given === undefined ? undefined : { factor: given ? assumed[name] : 1, given, from: name };
  };

const READINGS: Record<DriverName, Reading> = {
  people: ({ household: { people } }, assumed) =>
    people === undefined ? undefined : { factor: byPeople(people, assumed), given: people, from: 'people' },
  condenserPeople: ({ household: { people } }, assumed) =>
    people === undefined ? undefined : { factor: condenserBy(people, assumed), given: people, from: 'condenserPeople' },
  laundry: ({ household: { loadsAWeek, people } }, assumed) => {
    if (loadsAWeek !== undefined)
      return { factor: byPeople(asPeople(loadsAWeek), assumed), given: loadsAWeek, from: 'loads' };
    return people === undefined ? undefined : { factor: byPeople(people, assumed), given: people, from: 'people' };
  },
  pets: ({ household: { pets } }, assumed) =>
    pets === undefined ? undefined : { factor: byPets(pets, assumed), given: pets, from: 'pets' },
  cooking: ({ household: { cooking } }, assumed) =>
    cooking === undefined
      ? undefined
      : { factor: cooking === 'average' ? 1 : assumed[`cooking.${cooking}`], given: cooking, from: 'cooking' },
  detergent: ({ household: { detergent } }, assumed) =>
    detergent === undefined
      ? undefined
      : { factor: detergent === 'liquid' ? 1 : assumed[`detergent.${detergent}`], given: detergent, from: 'detergent' },
  coolWashes: flagged('coolWashes'),
  smoking: flagged('smoking'),
  dust: flagged('dust'),
  hardness: ({ hardnessMgL }, assumed) => {
    if (hardnessMgL === undefined) return undefined;
    const name = hardnessClass(hardnessMgL);
    return { factor: name === 'moderate' ? 1 : assumed[`hardness.${name}`], given: hardnessMgL, from: 'hardness' };
  },
  newHome: ({ newHome }, assumed) => (newHome ? { factor: assumed.newHome, given: true, from: 'newHome' } : undefined),
};

/** The effect of each named driver that is known, in the order named. Factor 1 effects are included. */
export function driverEffects(
  drivers: readonly DriverName[],
  circumstances: Circumstances,
  assumed: Assumptions = assumptionsWith(),
): DriverEffect[] {
  return drivers.flatMap((driver) => {
    const effect = READINGS[driver](circumstances, assumed);
    return effect ? [{ driver, ...effect }] : [];
  });
}

/** Product of the effects, held within the factor's floor and ceiling. */
export function combinedFactor(
  effects: readonly DriverEffect[],
  { factorFloor, factorCeiling }: Assumptions = assumptionsWith(),
): number {
  const product = effects.reduce((sum, { factor }) => sum * factor, 1);
  return Math.min(factorCeiling, Math.max(factorFloor, product));
}
