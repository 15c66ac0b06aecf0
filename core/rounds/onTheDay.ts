/**
 * A round on its day, when something has come between: in which order what is left is best walked. An order is only
 * ever proposed. Times in minutes past midnight of the day.
 */
import { MINUTES_A_DAY } from '../calendar/day.ts';

export interface Leg {
  readonly property: string;
  /** Minutes in the home, its door aside; at least 0. */
  readonly minutes: number;
  /** The window that whoever lives there was told of; null where nobody was. */
  readonly told: { readonly from: number; readonly until: number } | null;
  /** Of going back: the leg that it goes back to, and the minutes that must lie between the beginnings of both. */
  readonly back: { readonly leg: number; readonly gap: number } | null;
}

/** A stop as a round sheet has it; where the home is gone back to, it stands there twice. */
export interface StopLeft {
  readonly id: string;
  readonly propertyId: string;
  readonly at: number;
  readonly until: number;
  readonly back: boolean;
  readonly told: { readonly from: number; readonly until: number } | null;
}

/** What is left of a round, as legs. What is gone back to and was begun before waits out its time. */
export function legsOf(stops: readonly StopLeft[]): Leg[] {
  return stops.map(({ id, propertyId: property, at, until, back, told }) => {
    const minutes = Math.max(0, until - at);
    const first = stops.findIndex((it) => it.id === id && !it.back);
    if (!back) return { property, minutes, told, back: null };
    if (first < 0) return { property, minutes, told: { from: at, until: MINUTES_A_DAY }, back: null };
    return { property, minutes, told: null, back: { leg: first, gap: Math.max(0, at - stops[first]!.at) } };
  });
}

export interface RoundTerms {
  /** When the next leg can be set out for. */
  readonly now: number;
  /** The property one is at; null where one is at none. */
  readonly at: string | null;
  /** Minutes of a door, and of the way between two properties. */
  readonly door: number;
  readonly between: number;
}

export interface LegTimes {
  readonly leg: number;
  readonly from: number;
  readonly until: number;
  /** It begins after the window that they were told of. */
  readonly missed: boolean;
}

/**
 * When each leg begins and ends in an order: never before the window that was told, nor before what is gone back to has
 * waited.
 * @throws RangeError where a leg goes back to one that does not stand before it
 */
export function timesOf(legs: readonly Leg[], order: readonly number[], terms: RoundTerms): LegTimes[] {
  const begun = new Map<number, number>();
  let [clock, at] = [terms.now, terms.at];
  return order.map((leg) => {
    const { property, minutes, told, back } = legs[leg]!;
    const ready = back === null ? 0 : (begun.get(back.leg) ?? Number.NaN) + back.gap;
    if (Number.isNaN(ready)) throw new RangeError('a leg goes back to one that does not stand before it');
    const there = clock + (at === property ? 0 : terms.between) + terms.door;
    const from = Math.max(there, ready, told?.from ?? 0);
    begun.set(leg, from);
    [clock, at] = [from + minutes, property];
    return { leg, from, until: clock, missed: told !== null && from > told.until };
  });
}

/** What an order costs, the weightiest first: windows missed, minutes after them, when it is over, what it changes. */
type Cost = readonly [missed: number, after: number, over: number, swapped: number];

function costOf(legs: readonly Leg[], order: readonly number[], terms: RoundTerms): Cost {
  const times = timesOf(legs, order, terms);
  const after = times.map(({ leg, from }) => Math.max(0, from - (legs[leg]!.told?.until ?? from)));
  return [
    times.filter(({ missed }) => missed).length,
    after.reduce((sum, minutes) => sum + minutes, 0),
    times.at(-1)?.until ?? terms.now,
    order.reduce((sum, leg, i) => sum + order.slice(i).filter((later) => later < leg).length, 0),
  ];
}

const isLess = (a: Cost, b: Cost): boolean => {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at >= 0 && a[at]! < b[at]!;
};

/** Orders of so many legs are all tried; of more, the best that moving one leg at a time leads to. */
const ALL_TRIED = 7;

const mayStand = (legs: readonly Leg[], order: readonly number[]): boolean =>
  order.every((leg, i) => {
    const { back } = legs[leg]!;
    return back === null || order.indexOf(back.leg) < i;
  });

/**
 * The best order of what is left: fewest told windows missed, then fewest minutes after them, then soonest over, then as
 * little changed as may be.
 * @param legs in the order in which they stand now
 * @returns places in the list
 */
export function bestOrder(legs: readonly Leg[], terms: RoundTerms): number[] {
  let best = [...legs.keys()];
  let least = costOf(legs, best, terms);
  const consider = (order: number[]): boolean => {
    if (!mayStand(legs, order)) return false;
    const cost = costOf(legs, order, terms);
    if (!isLess(cost, least)) return false;
    [best, least] = [order, cost];
    return true;
  };
  if (legs.length <= ALL_TRIED) {
    for (const order of ordersOf([...legs.keys()])) consider(order);
    return best;
  }
  // Those whose window ends first, first; then one leg at a time to where it does best.
  const ends = (leg: number): number => legs[leg]!.told?.until ?? MINUTES_A_DAY;
  consider([...best].sort((a, b) => ends(a) - ends(b) || a - b));
  for (let better = true; better;) {
    better = false;
    for (const leg of legs.keys())
      for (const place of legs.keys()) {
        const others = best.filter((it) => it !== leg);
        better = consider([...others.slice(0, place), leg, ...others.slice(place)]) || better;
      }
  }
  return best;
}

function* ordersOf(legs: readonly number[]): Generator<number[]> {
  if (legs.length === 0) yield [];
  for (const leg of legs) for (const rest of ordersOf(legs.filter((it) => it !== leg))) yield [leg, ...rest];
}
