/**
 * Faults that several machines share because of where they stand, what they are or who looks after them: machines that
 * had a fault are counted, not faults, so that one machine with seven of them says nothing about its building.
 */
import { claimable } from '../statistics/falseDiscovery.ts';
import { atLeastByChance } from '../statistics/fisher.ts';
import { grouped } from '../statistics/grouped.ts';

/** What machines may have in common. */
export const SHARED_BY = ['property', 'building', 'branch', 'model', 'lot', 'assignee'] as const;
export type SharedBy = (typeof SHARED_BY)[number];

/** A machine of which a fault of some group might have been reported. */
export interface Sharing {
  readonly machineId: string;
  /** The symptom that names the group. */
  readonly group: string;
  /** Whether it had one. */
  readonly faulty: boolean;
  /** What it has in common with others, where that is known. */
  readonly has: Readonly<Partial<Record<SharedBy, string>>>;
}

/** A group of machines that has a fault oftener than those outside it. */
export interface SharedPattern {
  readonly by: SharedBy;
  readonly value: string;
  readonly group: string;
  /** Machines inside that had the fault, the same order as they came in; and how many there are. */
  readonly faulty: readonly string[];
  readonly machines: number;
  /** The same outside, of those of which is known what is asked. */
  readonly faultyElsewhere: number;
  readonly elsewhere: number;
  /** Probability that as many of them would have had it by chance. */
  readonly chance: number;
}

/** Fewer machines say nothing: inside that had it, inside, and outside to be compared with. Our assumptions. */
const [LEAST_FAULTY, LEAST_INSIDE, LEAST_OUTSIDE] = [3, 4, 4];
/** Of what is claimed at most this share is chance, on average. */
const FALSE_SHARE = 0.05;

/** Every group of machines with enough of them inside and outside to be compared. */
export const comparable = (machines: readonly Sharing[]): SharedPattern[] =>
  [...grouped(machines, ({ group }) => group)].flatMap(([group, its]) =>
    SHARED_BY.flatMap((by) => compare(by, group, its)),
  );

/**
 * Of all groups that were compared those that may be claimed, the surest first; of groups with the same faulty machines
 * the surest alone.
 */
export function sharedPatterns(tried: readonly SharedPattern[]): SharedPattern[] {
  const claimed = claimable(
    tried.map(({ chance }) => chance),
    FALSE_SHARE,
  ).map((i) => tried[i]!);
  return claimed.filter(
    ({ group, faulty }, i) =>
      !claimed.slice(0, i).some((surer) => surer.group === group && faulty.every((id) => surer.faulty.includes(id))),
  );
}

function compare(by: SharedBy, group: string, its: readonly Sharing[]): SharedPattern[] {
  const known = its.filter(({ has }) => has[by] !== undefined);
  const marked = known.filter(({ faulty }) => faulty).length;
  return [...grouped(known, ({ has }) => has[by]!)].flatMap(([value, inside]) => {
    const faulty = inside.filter((it) => it.faulty).map(({ machineId }) => machineId);
    const outside = known.length - inside.length;
    if (faulty.length < LEAST_FAULTY || inside.length < LEAST_INSIDE || outside < LEAST_OUTSIDE) return [];
    const drawn = { all: known.length, marked, drawn: inside.length, markedDrawn: faulty.length };
    return {
      by,
      value,
      group,
      faulty,
      machines: inside.length,
      faultyElsewhere: marked - faulty.length,
      elsewhere: outside,
      chance: atLeastByChance(drawn),
    };
  });
}
