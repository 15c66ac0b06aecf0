/**
 * The length of a dryer's exhaust duct as the code counts it: straight length, and for every bend what it
 * costs. IRC M1502.4.6 (M1502.4.5 in older editions) and its table, from memory; the maker's own length may replace
 * the limit, and the local code decides.
 */
import { MM_PER_FOOT, MM_PER_INCH } from '../quantities/units.ts';
import { rounded, within, type Working } from './working.ts';

export const ELBOW_RADII = ['mitred4', 'smooth6', 'smooth8', 'smooth10'] as const;
export type ElbowRadius = (typeof ELBOW_RADII)[number];

export interface Elbow {
  readonly radius: ElbowRadius;
  readonly degrees: 45 | 90;
  readonly count: number;
}

export interface DuctRun {
  /** From the transition duct to the outlet, mm. */
  readonly straightMm: number;
  readonly elbows: readonly Elbow[];
}

/** 35 ft. */
export const LONGEST_DUCT_MM = 35 * MM_PER_FOOT;

/** What a bend takes off the length, inches. */
const ELBOW_INCHES: Readonly<Record<ElbowRadius, Readonly<Record<45 | 90, number>>>> = {
  mitred4: { 45: 30, 90: 60 },
  smooth6: { 45: 12, 90: 21 },
  smooth8: { 45: 12, 90: 19 },
  smooth10: { 45: 9, 90: 18 },
};

/** What one bend counts for, mm. */
export const elbowMm = (radius: ElbowRadius, degrees: 45 | 90): number => ELBOW_INCHES[radius][degrees] * MM_PER_INCH;

/** Straight length and bends together, mm. */
export function equivalentMm({ straightMm, elbows }: DuctRun): number {
  within('straightMm', straightMm, 0, 100_000);
  return elbows.reduce(
    (sum, { radius, degrees, count }) => sum + within('count', count, 0, 20) * elbowMm(radius, degrees),
    straightMm,
  );
}

/** The working of a run. @param makerMm the maker's own limit, which replaces the code's */
export function ductWorking(
  run: DuctRun,
  makerMm?: number,
): Working & { readonly equivalentMm: number; readonly limitMm: number } {
  const total = equivalentMm(run);
  const limitMm = makerMm ?? LONGEST_DUCT_MM;
  const metres = (mm: number) => rounded(mm / 1000, 2);
  return {
    equivalentMm: total,
    limitMm,
    terms: [
      { key: 'duct.straight', values: { metres: metres(run.straightMm), feet: rounded(run.straightMm / MM_PER_FOOT) } },
      ...run.elbows
        .filter(({ count }) => count > 0)
        .map(({ radius, degrees, count }) => ({
          key: 'duct.elbow',
          values: {
            radius,
            degrees,
            count,
            metres: metres(count * elbowMm(radius, degrees)),
            feet: rounded((count * elbowMm(radius, degrees)) / MM_PER_FOOT, 2),
          },
        })),
      { key: 'duct.total', values: { metres: metres(total), feet: rounded(total / MM_PER_FOOT) } },
    ],
    limits: [
      {
        key: makerMm === undefined ? 'duct.code' : 'duct.maker',
        met: total <= limitMm + 0.5,
        values: {
          metres: metres(limitMm),
          feet: rounded(limitMm / MM_PER_FOOT),
          over: metres(Math.max(0, total - limitMm)),
        },
      },
    ],
  };
}

/** Length of one brush rod: 3 ft, a common one. Our assumption. */
export const ROD_MM = 3 * MM_PER_FOOT;

/** Rods that reach from end to end of the run; bends bend the rods and add none. */
export function rodsFor({ straightMm }: Pick<DuctRun, 'straightMm'>): number {
  return Math.max(1, Math.ceil(straightMm / ROD_MM));
}
