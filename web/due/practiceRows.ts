/** The rows of the table of practices: what each would ask, and beside it what the last year took. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { PracticePreview } from '../../contract/due/practice.ts';
import { ownCurrency } from '../api/api.ts';
import { say } from '../language/say.ts';

type Burden = PracticePreview['options'][number]['burden'];
type Spent = NonNullable<PracticePreview['spent']>;

/** A figure as it is read, and how much it is, for the bar beside it; null where there is nothing to draw. */
interface Figure {
  readonly says: string;
  readonly amount: number | null;
}
const NOTHING: Figure = { says: '–', amount: null };
const words = (says: string): Figure => ({ says, amount: null });
const tenth = (value: number) => Math.round(value * 10) / 10;
const counted = (unit: 'requests' | 'minutes' | 'jobs' | 'hours' | 'doors' | 'calls', amount: number): Figure => ({
  says: say(`practice.unit.${unit}`, { value: tenth(amount) }),
  amount,
});
const percent = (share: number | null): Figure =>
  share === null ? NOTHING : { says: `${say.figure(share * 100)} %`, amount: share };
const money = (amount: number | null | undefined, currency: string, without: Figure): Figure =>
  amount == null ? without : { says: say.money(Math.round(amount), currency), amount };

/** The minutes of a home in the month that asks most. */
const fullest = ({ months, tenancies }: Burden) =>
  Math.max(...months.map(({ tenantMinutes }) => tenantMinutes)) / Math.max(1, tenancies);

/** Every row with its figures; of the last year where it is known, and a dash where a plan alone has it. */
export function practiceRows(preview: PracticePreview) {
  const { options, spent, hoursAMonth, currency } = preview;
  const row = <Key extends string>(
    key: Key,
    sub: boolean,
    asks: (burden: Burden) => Figure,
    was: (spent: Spent) => Figure,
  ) => ({ key, sub, values: options.map(({ burden }) => asks(burden)), was: spent && was(spent) });
  const both = <Key extends string>(key: Key, of: (it: Burden | Spent) => Figure, sub = false) => row(key, sub, of, of);
  const planned = <Key extends string>(key: Key, of: (it: Burden) => Figure) => row(key, true, of, () => NOTHING);
  const priced = currency ?? ownCurrency.value;
  return [
    both('tenant', (it) => counted('requests', it.tenantRequestsAMonth)),
    both('most', (it) => counted('requests', it.mostInAMonth), true),
    planned('minutes', (it) => counted('minutes', fullest(it))),
    planned('spilled', (it) => counted('jobs', it.spilledAMonth)),
    both('hours', (it) => counted('hours', it.staffHoursAMonth)),
    planned(hoursAMonth === null ? 'fullest' : 'short', (it) => words(shortOf(it, preview))),
    both('doors', (it) => counted('doors', it.doorsAMonth)),
    both('calls', (it) => counted('calls', it.callsAMonth)),
    both('heavy', (it) => percent(it.heavyShare)),
    both('cost', ({ cost }) => money(cost?.total, priced, words(say('practice.row.noPrices')))),
    // What the cost is made of.
    ...(currency === null ? [] : (['hours', 'doors', 'calls', 'materials'] as const)).map((part) =>
      both(`cost.${part}`, ({ cost }) => money(cost?.[part], priced, words(say('practice.row.unpriced'))), true),
    ),
  ];
}

/** Months whose hours are more than staff have, by name; all of it named, or nobody said what they have. */
function shortOf({ months }: Burden, { hoursAMonth, from }: PracticePreview): string {
  if (hoursAMonth === null) return counted('hours', Math.max(...months.map(({ staffHours }) => staffHours))).says;
  const first = dayFromIso(from);
  const short = months.flatMap(({ staffHours }, i) =>
    staffHours > hoursAMonth
      ? [{ month: say.month(first + Math.round(i * 30.4)), hours: tenth(staffHours - hoursAMonth) }]
      : [],
  );
  return short.length === 0
    ? say('practice.short.none')
    : say('practice.short', {
        count: short.length,
        hours: say.figure(short.reduce((sum, { hours }) => sum + hours, 0)),
        month: short.toSorted((a, b) => b.hours - a.hours)[0]!.month,
      });
}

/** How long the bar beside a figure is, of the longest in its row, 0 to 1. */
export function share(
  { values, was }: { readonly values: readonly Figure[]; readonly was: Figure | null },
  it: Figure,
): number {
  const longest = Math.max(...[...values, ...(was ? [was] : [])].map(({ amount }) => amount ?? 0));
  return longest > 0 ? (it.amount ?? 0) / longest : 0;
}
