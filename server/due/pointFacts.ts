/** What single facts say of a point: its intervals, its caps, whose turn it is. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import type { Agent, Choices, Procedure } from '../../core/catalogue/types.ts';
import { ROTATION } from '../../core/catalogue/procedures/dishwasher.ts';
import { expand } from '../../core/calendar/recurrence.ts';
import { ruleOf, turnOf } from '../../core/due/anchor.ts';
import { intervalName, NO_CHANGES, type Changes } from '../../core/due/assumptions.ts';
import type { Cap } from '../../core/due/inputs.ts';
import type { Practice, PracticeDays } from '../../core/catalogue/practice.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { inForce, type KnownFacts } from '../store/facts.ts';

/** Whether under a practice a part waits for a signal and has no interval of its own. */
export function waitsForSignal({ signalled }: Procedure, practice: Practice): boolean {
  return signalled?.includes(practice === 'maker' ? 'steady' : practice) ?? false;
}

/** Choices of methods, the inner scopes over the outer ones. */
export function choicesOf(facts: KnownFacts, scopes: readonly string[], today: Day): Choices {
  return scopes.reduceRight<Choices>((chosen, subject) => {
    const fact = inForce(facts.of(subject, 'methods'), today);
    return fact ? { ...chosen, ...fact.value } : chosen;
  }, {});
}

/** The intervals as the organisation assumes them. */
export function daysWith(procedure: string, days: PracticeDays, changes: Changes): PracticeDays {
  if (changes === NO_CHANGES) return days;
  const own = (school: keyof PracticeDays) => changes[intervalName(procedure, school)] ?? days[school];
  return { watchful: own('watchful'), steady: own('steady'), light: own('light') };
}

/** The longest a part may go here whatever was learned: by its water, its maker, its specification. */
export function capsOf(
  facts: KnownFacts,
  { waterCapDays }: Procedure,
  specification: Specification | undefined,
  propertyId: string,
  today: Day,
): Cap[] {
  const water = waterCapDays && inForce(facts.of(propertyId, 'water'), today)?.value;
  return [
    ...(specification?.makerLimitDays ? [{ reason: 'maker' as const, days: specification.makerLimitDays }] : []),
    ...(specification?.localLimitDays ? [{ reason: 'local' as const, days: specification.localLimitDays }] : []),
    ...(water ? [{ reason: 'water' as const, days: waterCapDays![water.source] }] : []),
  ];
}

/** After the last agent used; by the calendar where none was. Forbidden ones have no turn. */
export function turnAt(
  { rotation }: Procedure,
  last: Agent | null,
  forbidden: readonly Agent[],
  today: Day,
): Agent | null {
  const order = rotation?.filter((agent) => !forbidden.includes(agent)) ?? [];
  if (order.length === 0) return null;
  const passed = expand(ruleOf(ROTATION.rule), ROTATION.start, ROTATION.start, today).length;
  return turnOf(order, last, passed);
}

/** Whether the machine is one that has no such part. */
export function lacks(leftOut: string, procedure: string): boolean {
  return leftOut !== '[]' && (JSON.parse(leftOut) as string[]).includes(procedure);
}

/** The day from which a part counts as new; null where it was old when it came into the register. */
export function newSince(installedDay: Day | null, registeredAt: number, zone: string): Day | null {
  if (installedDay === null) return null;
  return dayOfInstant(registeredAt, zone) - installedDay <= NEW_MACHINE_DAYS ? installedDay : null;
}

/** A machine registered within so many days of its installation was new: nobody served it before. */
export const NEW_MACHINE_DAYS = 30;
