/** The replacement case of a pattern: repairs so far and a year against the price of a new machine. */
import { spentOn, yearsToPayBack, type Repair } from '../../core/faults/replacement.ts';
import type { PriceReplacement, ReplacementCase } from '../../contract/faults/patterns.ts';
import type { Call } from '../context/context.ts';
import { findScope } from '../lookup/scope.ts';
import type { Db } from '../store/db.ts';
import { factsOf, recordFact } from '../store/facts.ts';

/** What a case is reckoned with. */
export interface ReplacementPrices {
  readonly anHour: number | null;
  /** By machine. */
  readonly ofNew: ReadonlyMap<string, number>;
}

/** The prices that were entered: of an hour, and of new machines in the place of some. */
export async function readReplacementPrices(
  db: Db,
  organisationId: string,
  machineIds: readonly string[],
): Promise<ReplacementPrices> {
  const [prices, ofNew] = await Promise.all([
    factsOf(db, [organisationId], 'prices'),
    factsOf(db, machineIds, 'replacementPrice'),
  ]);
  const entered = prices.at(-1)?.value;
  return {
    anHour: entered?.staffHour ?? null,
    ofNew: new Map(ofNew.map(({ subjectId, value }) => [subjectId, value.price])),
  };
}

/** The case of one machine. @param perYear faults a year at the pace of the pattern; 0 where nobody can tell */
export function replacementCase(
  { env: { say }, actor: { currency } }: Call,
  machineId: string,
  repairs: readonly Repair[],
  perYear: number,
  { anHour, ofNew }: ReplacementPrices,
): ReplacementCase {
  const spent = anHour === null ? null : spentOn(repairs, anHour);
  const known = repairs.filter(({ minutes, cost }) => minutes !== null || cost !== null);
  const aYear = spent === null || known.length === 0 ? null : (spent / known.length) * perYear;
  const price = ofNew.get(machineId) ?? null;
  const years = price === null || aYear === null ? null : yearsToPayBack(price, aYear);
  const money = (sum: number | null) => (sum === null ? 'none' : say.money(Math.round(sum), currency));
  return {
    currency,
    spent,
    aYear,
    price,
    years,
    says: say('replacement.says', {
      spent: money(spent),
      known: known.length,
      of: repairs.length,
      aYear: money(aYear),
      price: money(price),
      years: years === null ? 'none' : years.toFixed(1),
    }),
  };
}

/**
 * Enters what a new machine in the place of this one would cost.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function priceReplacement(call: Call, machineId: string, { price }: PriceReplacement): Promise<object> {
  const { subjectId, today } = await findScope(call, 'machine', machineId);
  await recordFact(call, subjectId, 'replacementPrice', { price }, today);
  return {};
}
