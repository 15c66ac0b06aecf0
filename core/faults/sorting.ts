/**
 * Sorting a pattern: whether it comes of upkeep, of a habit, of the installation, of age, or of chance.
 *
 * Each sort says when extra faults come: on days past the line, or always where the line is too long; while one household lives there; from a day on, which
 * for an installation is most often the first; from a day on that is late in a machine's life. It says, too, of which
 * causes they are. Every sort is weighed by its marginal likelihood over grids of how many more faults, from when on,
 * and of which one cause; *chance* is always among them, and in every one of them a part that is past its line has
 * somewhat more faults, or chance would read as upkeep.
 */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import type { Nature } from './causeTable.ts';
import { nodesOf } from './frailty.ts';
import { FRAILTY_SPREAD, SUSPICION } from './suspicion.ts';

export const SORTS = ['upkeep', 'habit', 'installation', 'age'] as const;
export type Sort = (typeof SORTS)[number];
export type Weighed = Sort | 'chance';

/** Days in which nothing changed: whether the part was past its line, and who lived there. Together without a gap. */
export interface Stretch {
  /** Days since the machine stood in the register; `to` is not within. */
  readonly from: number;
  readonly to: number;
  readonly past: boolean;
  readonly household: string | null;
}

export interface PatternHistory {
  /** Faults a machine-year over all groups, and of this one, on a sound machine. */
  readonly base: number;
  readonly perYear: number;
  readonly causes: readonly { readonly share: number; readonly nature: Nature | null }[];
  readonly stretches: readonly Stretch[];
  readonly faults: readonly { readonly day: number; readonly cause: number | null }[];
}

/** Ours: how much more often a sound machine fails while its part is past the line. */
const ORDINARY_PAST = 1.5;
/** Ours: what every sort weighs beforehand, beside the causes of its nature. */
const FLOOR = 0.3;
const ONSETS = 8;
/** Ours: half of the installations that are wrong were so from the first day. */
const WRONG_FROM_THE_START = 0.5;
/** Ours: of what comes of upkeep, how much comes of a line that is too long, though it is kept. */
const TOO_LONG = 0.25;
/** A machine does not age in its first weeks here. */
const AGE_FROM = 0.15;

/** Probability of each sort, and of chance; they add up to 1. @throws RangeError where a fault lies in no stretch */
export function weigh(history: PatternHistory): Record<Weighed, number> {
  const { causes, stretches } = history;
  const days = stretches.at(-1)?.to ?? 0;
  const beforehand = SORTS.map(
    (sort) => FLOOR + causes.reduce((sum, { share, nature }) => sum + (nature === sort ? share : 0), 0),
  );
  const all = beforehand.reduce((sum, it) => sum + it, 0);
  const wrong = Math.min(0.5, (SUSPICION.onsetsAYear * days) / DAYS_A_YEAR);
  const likelihoods = likelihoodsOf(history);
  const weights: Record<Weighed, number> = {
    chance: (1 - wrong) * likelihoods.chance,
    upkeep: 0,
    habit: 0,
    installation: 0,
    age: 0,
  };
  SORTS.forEach((sort, i) => (weights[sort] = (wrong * beforehand[i]! * likelihoods[sort]) / all));
  const whole = Object.values(weights).reduce((total, it) => total + it, 0);
  for (const key of [...SORTS, 'chance'] as const) weights[key] /= whole;
  return weights;
}

/** When extra faults come under a sort, as a share of each stretch's days and of the moment of each fault. */
interface Course {
  readonly weight: number;
  readonly exposed: number;
  readonly at: readonly boolean[];
}

function likelihoodsOf({ base, perYear, causes, stretches, faults }: PatternHistory): Record<Weighed, number> {
  const stretchOf = faults.map(({ day }) => {
    const found = stretches.find(({ from, to }) => day >= from && day < to);
    if (!found) throw new RangeError(`no stretch of days has day ${day}`);
    return found;
  });
  const days = stretches.at(-1)!.to;
  const past = stretches.reduce((sum, it) => sum + (it.past ? it.to - it.from : 0), 0);
  const sound = perYear / DAYS_A_YEAR;
  const extra = base / DAYS_A_YEAR;
  const usual = faults.map(
    ({ cause }, i) => sound * (stretchOf[i]!.past ? ORDINARY_PAST : 1) * (cause === null ? 1 : causes[cause]!.share),
  );
  const soundDays = sound * (days + (ORDINARY_PAST - 1) * past);
  const frailties = nodesOf(FRAILTY_SPREAD);
  // Only proportions matter; each fault is kept near 1, so that long histories do not vanish.
  const scale = usual.map((it) => Math.max(it, extra / 10));
  const chance = mean(frailties, (frailty) =>
    usual.reduce((product, it, i) => product * ((frailty * it) / scale[i]!), Math.exp(-frailty * soundDays)),
  );
  const under = (sort: Sort, courses: readonly Course[]) =>
    courses.reduce(
      (sum, course) =>
        sum +
        course.weight *
          mean(SUSPICION.ratios, (ratio) =>
            mean(frailties, (frailty) => {
              const more = (ratio - 1) * extra;
              const none = Math.exp(-frailty * soundDays - more * course.exposed);
              return ofEachCause(causes, sort).reduce(
                (total, { weight, shares }) =>
                  total +
                  weight *
                    faults.reduce(
                      (product, { cause }, i) =>
                        product *
                        ((frailty * usual[i]! + (course.at[i] ? more * (cause === null ? 1 : shares[cause]!) : 0)) /
                          scale[i]!),
                      none,
                    ),
                0,
              );
            }),
          ),
      0,
    );
  const from = (onset: number, weight: number): Course => ({
    weight,
    exposed: days - onset,
    at: faults.map(({ day }) => day >= onset),
  });
  const grid = (begin: number, weight: number) =>
    Array.from({ length: ONSETS }, (_, i) => from(begin + ((i + 0.5) / ONSETS) * (days - begin), weight / ONSETS));
  const households = [...new Set(stretches.flatMap(({ household }) => household ?? []))];
  return {
    chance,
    upkeep: under('upkeep', [
      { weight: 1 - TOO_LONG, exposed: past, at: stretchOf.map((it) => it.past) },
      // It fouls before its line, which is too long.
      from(0, TOO_LONG),
    ]),
    habit: under(
      'habit',
      households.map((who) => ({
        weight: 1 / households.length,
        exposed: stretches.reduce((sum, it) => sum + (it.household === who ? it.to - it.from : 0), 0),
        at: stretchOf.map(({ household }) => household === who),
      })),
    ),
    installation: under('installation', [from(0, WRONG_FROM_THE_START), ...grid(0, 1 - WRONG_FROM_THE_START)]),
    age: under('age', grid(AGE_FROM * days, 1)),
  };
}

/** What the extra faults of a sort are of: most of one cause of that nature; of any, where the symptom has none. */
function ofEachCause(causes: PatternHistory['causes'], sort: Sort): { weight: number; shares: readonly number[] }[] {
  const its = causes.flatMap(({ nature, share }, k) => (nature === sort ? [{ k, share }] : []));
  const whole = its.reduce((sum, { share }) => sum + share, 0);
  if (whole === 0) return [{ weight: 1, shares: causes.map(({ share }) => share) }];
  const { ofOneCause } = SUSPICION;
  const others = causes.length > 1 ? (1 - ofOneCause) / (causes.length - 1) : 0;
  return its.map(({ k, share }) => ({
    weight: share / whole,
    shares: causes.map((_, c) => (c === k ? ofOneCause : others)),
  }));
}

const mean = (nodes: readonly number[], of: (node: number) => number): number =>
  nodes.reduce((sum, node) => sum + of(node), 0) / nodes.length;

/** Ours: from which probability a sort is said. A household is named only where hardly any doubt is left. */
export const SAID_FROM: Readonly<Record<Sort, number>> = { upkeep: 0.8, habit: 0.95, installation: 0.8, age: 0.8 };

/** The sort that may be said; null where nobody can tell yet. */
export function sortOf(weights: Readonly<Record<Weighed, number>>): Sort | null {
  return SORTS.find((sort) => weights[sort] >= SAID_FROM[sort]) ?? null;
}
