/** Calls avoided: faults that a tenant found and put right, so that nobody had to come. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { FaultsAnswer } from '../../contract/faults/faults.ts';
import type { Call } from '../context/context.ts';
import { factsOf, inForce } from '../store/facts.ts';
import { countByTenants } from '../sql/faultEvidence.ts';

/** How many there were, and what as many doors would have cost at the price that was entered. */
export async function countAvoided({
  db,
  now,
  actor: { organisationId, currency },
}: Call): Promise<FaultsAnswer['avoided']> {
  const [count, prices] = await Promise.all([
    countByTenants(db, organisationId),
    factsOf(db, [organisationId], 'prices'),
  ]);
  // An office has its prices from a day on; which zone that day is in does not matter to a sum of all time.
  const entered = inForce(prices, dayOfInstant(now, 'UTC'))?.value;
  return { count, price: entered ? count * entered.door : null, currency };
}
