/** Writing down what a household is to be told, and from when on; sending is another matter. */
import { dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { leadFor, LINE_SHARE, type AnswerBelief } from '../../core/notices/answering.ts';
import {
  ASKING_RULE,
  digestDay,
  doByDay,
  reminderDay,
  SETTLE_MS,
  tellableFrom,
  type AskingRule,
} from '../../core/notices/telling.ts';
import type { Contact, MessageKind } from '../../contract/notices/messages.ts';
import type { Call, Env } from '../context/context.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { beliefOf } from './answers.ts';
import { contactsOf } from './contact.ts';
import { lineDayOf, openAskings, type Open } from './openAskings.ts';

/** When an office writes to households, and when work passes to staff. */
export const askingRuleOf = async (db: Db, organisationId: string): Promise<AskingRule> => ({
  ...ASKING_RULE,
  ...(await factsOf(db, [organisationId], 'askingRule')).at(-1)?.value,
});

interface ToBeTold {
  readonly organisationId: string;
  readonly personId: string;
  readonly placeId: string;
  readonly kind: MessageKind;
  readonly subjectId: string;
  readonly turn?: number;
  readonly notBefore: number;
  readonly detail?: string;
}

/** A message's whole row, as it is planned. */
export const messageRow = ({ newId, clock }: Pick<Env, 'newId' | 'clock'>, it: ToBeTold): Row<'message'> => ({
  id: newId(),
  turn: 0,
  state: 'planned',
  at: clock(),
  claimedAt: null,
  sentAt: null,
  tries: 0,
  problem: null,
  way: null,
  address: null,
  heading: null,
  body: null,
  detail: null,
  ...it,
});

/** Writes down what somebody is told; nothing where they cannot be written to. */
export async function planTo({ env, db }: Pick<Call, 'env' | 'db'>, it: ToBeTold): Promise<void> {
  const contact = (await contactsOf(db, [it.personId])).get(it.personId);
  if (contact && contact.way !== 'none') await db.message.insert(messageRow(env, it));
}

/** A household hears once more of work that was sent back, unless that is taken back meanwhile. */
export async function planAgain(
  { env, db, now, actor: { organisationId } }: Pick<Call, 'env' | 'db' | 'now' | 'actor'>,
  { id: subjectId, placeId, assigneeId, revision: turn }: Row<'job'>,
): Promise<void> {
  if (!assigneeId || !(await db.roleGrant.one({ personId: assigneeId, role: 'tenant' }))) return;
  const rule = await askingRuleOf(db, organisationId);
  const notBefore = tellableFrom(now + SETTLE_MS, rule, await zoneOfPlace(db, placeId));
  await db.message.insert(
    messageRow(env, { organisationId, personId: assigneeId, placeId, kind: 'again', subjectId, turn, notBefore }),
  );
}

/** Whoever lives with a machine hears that it is out of use, unless they said so themselves; at night as well. */
export async function planStopped({ env, db, now }: Pick<Call, 'env' | 'db' | 'now'>, alarm: Row<'alarm'>) {
  const { organisationId, placeId, id: subjectId, raisedBy } = alarm;
  const tenancy = await tenancyOn(db, placeId, now);
  if (!tenancy || tenancy.personId === raisedBy) return;
  const { personId } = tenancy;
  await db.message.insert(
    messageRow(env, { organisationId, personId, placeId, kind: 'stopped', subjectId, notBefore: now }),
  );
}

/** Whoever heard that a machine is out of use hears that it may be used again. */
export async function planLifted({ env, db, now }: Pick<Call, 'env' | 'db' | 'now'>, faultId: string): Promise<void> {
  for (const { id: subjectId } of await db.alarm.all({ faultId }))
    for (const { organisationId, personId, placeId, state } of await db.message.all({ subjectId, kind: 'stopped' })) {
      if (state === 'failed') continue;
      const rule = await askingRuleOf(db, organisationId);
      const notBefore = tellableFrom(now, rule, await zoneOfPlace(db, placeId));
      await db.message.insert(
        messageRow(env, { organisationId, personId, placeId, kind: 'lifted', subjectId, notBefore }),
      );
    }
}

/** Writes down what was asked and nobody has been told; where a household cannot be written to, nothing. */
export async function planAsked(env: Env): Promise<void> {
  const { db } = env.store;
  const untold = (await openAskings(db, null)).filter(
    (open) =>
      open.messages.every(({ kind }) => kind !== 'asked' && kind !== 'again') &&
      open.parts.some(({ state }) => state === 'given'),
  );
  const contacts = await contactsOf(
    db,
    untold.map(({ personId }) => personId),
  );
  const planned: Row<'message'>[] = [];
  for (const open of untold) {
    const contact = contacts.get(open.personId);
    if (!contact || contact.way === 'none') continue;
    const { organisationId, personId, placeId, id: subjectId } = open;
    const notBefore = await askedFrom(env, open, contact);
    planned.push(messageRow(env, { organisationId, personId, placeId, kind: 'asked', subjectId, notBefore }));
  }
  if (planned.length > 0) await env.store.write((it) => it.message.insertMany(planned));
}

/** From when on a household hears of a request: soon, or with its letter of the month where that is early enough. */
async function askedFrom(env: Env, open: Open, { rhythm }: Contact): Promise<number> {
  const { organisationId, zone, givenAt } = open;
  const rule = await askingRuleOf(env.store.db, organisationId);
  const soon = tellableFrom(Math.max(givenAt + SETTLE_MS, env.clock()), rule, zone);
  if (rhythm === 'each') return soon;
  const today = dayOfInstant(soon, zone);
  const lead = leadFor(await beliefOf(env, open), LINE_SHARE);
  const doBy = doByDay(today, open.parts.map(lineDayOf));
  const day = digestDay(today, lead === null ? null : doBy - lead);
  return day > today ? tellableFrom(instantOfDay(day, 0, zone), rule, zone) : soon;
}

/** The one reminder of a request that was told at an instant; null where none would help. */
export async function reminderOf(
  env: Env,
  db: Db,
  open: Open,
  belief: AnswerBelief,
  toldAt = env.clock(),
): Promise<Row<'message'> | null> {
  const { organisationId, personId, placeId, id: subjectId, zone } = open;
  const asked = dayOfInstant(toldAt, zone);
  const day = reminderDay(asked, doByDay(asked, open.parts.map(lineDayOf)), belief);
  if (day === null) return null;
  const notBefore = tellableFrom(instantOfDay(day, 0, zone), await askingRuleOf(db, organisationId), zone);
  return messageRow(env, { organisationId, personId, placeId, kind: 'reminder', subjectId, notBefore });
}
