/**
 * Thin, dense and deep: what each kind of air filter would ask of one home in a year.
 *
 * What was found of the filter that is there says how fast air fouls in this home against what is assumed; another kind
 * fouls as much faster or slower than its own reference. A maker's limit is of the filter that it was written for.
 */
import type { Day } from '../calendar/day.ts';
import type { Choices } from '../catalogue/types.ts';
import { computeLine, type ComputedLine } from '../due/compute.ts';
import type { LineInputs } from '../due/inputs.ts';

export const FILTER_KINDS = ['thin', 'dense', 'deep'] as const;
export type FilterKind = (typeof FILTER_KINDS)[number];

/** The part that each kind is, by which method, what is bought for it, and how deep it is for the speed of the air. */
export const FILTERS = {
  thin: { procedure: 'airHandler.returnFilter', method: 'thin', material: 'thinFilter', depthIn: 1 },
  dense: { procedure: 'airHandler.returnFilter', method: 'dense', material: 'airFilter', depthIn: 1 },
  deep: { procedure: 'airHandler.mediaFilter', method: null, material: 'mediaFilter', depthIn: 4 },
} as const;

/** Which kind a part is; null where it is no air filter of a central system. */
export function filterKindOf(procedure: string, { filterMedia }: Choices): FilterKind | null {
  if (procedure === FILTERS.deep.procedure) return 'deep';
  if (procedure !== FILTERS.dense.procedure) return null;
  return filterMedia === 'thin' ? 'thin' : 'dense';
}

/**
 * The line of another kind in the place of what is there.
 * @param inputs as they would be with it
 * @param speed how fast the filter that is there fills against what is assumed, 1 as assumed; above 0
 */
export function lineInstead(inputs: LineInputs, speed: number, today: Day): ComputedLine {
  return computeLine(
    {
      ...inputs,
      // What was graded was another filter; what was learned of it is in the speed.
      conditions: inputs.conditions.map((condition) => ({ ...condition, grade: null })),
      stretches: inputs.stretches.map((stretch) => ({ ...stretch, factor: stretch.factor * speed })),
      caps: inputs.caps.filter(({ reason }) => reason !== 'maker'),
      signalDay: null,
    },
    today,
  );
}

/** Machines of a kind: how long they were watched, in years, and what was reported of them. */
export interface Watched {
  readonly years: number;
  readonly faults: number;
}

/** Ours: machine-years that the rate of all kinds counts for against what one kind has shown. */
const SHARED_YEARS = 10;

/**
 * Faults a machine-year of each kind, as a portfolio reported them: shrunk to the rate of all kinds together, and that
 * to the rate that is assumed. It is a count, not what a filter causes.
 * @param assumed faults a machine-year before anything was seen, counting as `assumedYears`
 */
export function faultsAYear(
  watched: Readonly<Record<FilterKind, Watched>>,
  { assumed, assumedYears }: { readonly assumed: number; readonly assumedYears: number },
): Record<FilterKind, number> {
  const all = FILTER_KINDS.reduce(
    (sum, kind) => ({ years: sum.years + watched[kind].years, faults: sum.faults + watched[kind].faults }),
    { years: assumedYears, faults: assumed * assumedYears },
  );
  const rate = all.faults / all.years;
  const of = ({ years, faults }: Watched) => (faults + rate * SHARED_YEARS) / (years + SHARED_YEARS);
  return { thin: of(watched.thin), dense: of(watched.dense), deep: of(watched.deep) };
}
