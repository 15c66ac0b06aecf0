/** How a household is reached, as the office or the household itself says. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { NO_CONTACT, type Contact, type OwnContact } from '../../contract/notices/messages.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { findTenancy, ownTenancy } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Translator } from '../language/translator.ts';
import type { Db } from '../store/db.ts';
import { dutyOf } from './duty.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';

/** How each of some people is reached: of their latest tenancy, or of themselves, as was last said. */
export async function contactsOf(db: Db, personIds: readonly string[]): Promise<Map<string, Contact>> {
  const tenancies = await db.tenancy.all({ personId: [...new Set(personIds)] }, { order: [['fromDay', 'ASC']] });
  // Of somebody from outside, who lives nowhere here, it is said of themselves.
  const subjects = [...tenancies.map(({ id }) => id), ...personIds];
  const said = new Map((await factsOf(db, subjects, 'contact')).map(({ subjectId, value }) => [subjectId, value]));
  return new Map([
    ...personIds.flatMap((id) => (said.has(id) ? [[id, said.get(id)!] as const] : [])),
    ...tenancies.map(({ id, personId }) => [personId, said.get(id) ?? NO_CONTACT] as const),
  ]);
}

async function keepContact(call: Call, tenancy: Row<'tenancy'>, contact: Contact): Promise<void> {
  const { db, now } = call;
  const today = dayOfInstant(now, await zoneOfPlace(db, tenancy.placeId));
  await recordFact(call, tenancy.id, 'contact', contact, today);
  // What was refused for want of a good address goes out to the new one.
  await db.message.update(
    { personId: tenancy.personId, state: 'failed' },
    { state: 'planned', tries: 0, problem: null },
  );
}

/**
 * Says how a household is reached.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeContact(call: Call, tenancyId: string, contact: Contact): Promise<object> {
  await keepContact(call, await findTenancy(call, tenancyId), contact);
  return {};
}

/** How the household that asks is reached; null where it is not. */
export async function ownContactOf(call: Call): Promise<Contact | null> {
  const tenancy = await ownTenancy(call);
  const contact = tenancy && (await contactsOf(call.db, [tenancy.personId])).get(tenancy.personId);
  return contact && contact.way !== 'none' ? contact : null;
}

/**
 * A household wants reminders or none, and letters as work comes or once a month.
 * @throws Problem: noWay (409)
 */
export async function changeOwnContact(call: Call, { reminders, rhythm }: OwnContact): Promise<object> {
  const [tenancy, contact] = [await ownTenancy(call), await ownContactOf(call)];
  if (!tenancy || !contact) throw new Problem(409, 'noWay');
  await keepContact(call, tenancy, { ...contact, reminders, rhythm });
  return {};
}

/** Why somebody cannot be written to, in words; null where they can. */
export function whyUnreached(
  say: Translator,
  contact: Contact | undefined,
  { mail, duty }: Awaited<ReturnType<typeof dutyOf>>,
): string | null {
  if (!contact || contact.way === 'none') return say('asking.noContact');
  if (contact.way === 'mail' && !mail) return say('asking.noMail');
  return contact.way === 'text' && duty.webhook === null ? say('asking.noWebhook') : null;
}
