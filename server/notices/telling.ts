/**
 * Sending what households are told. Each message is taken up, written down as that, and only then sent: a reminder that
 * a stopped server may or may not have sent is never sent again, what is about safety always is, under the same id.
 */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { ANNOUNCING, type Contact, type MessageKind, type MessageWay } from '../../contract/notices/messages.ts';
import type { Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { NotTaken, type MailSettings } from '../ports/mail.ts';
import { makeJobLink } from '../people/jobLinks.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { below, upTo } from '../store/where.ts';
import { beliefOf } from './answers.ts';
import { contactsOf } from './contact.ts';
import { planContracted } from './contracts.ts';
import { dutyOf } from './duty.ts';
import { mustArrive, letterOf, type Letter, type OpenBySubject } from './householdLetter.ts';
import { openAskings, subjectsOf } from './openAskings.ts';
import { planAsked, reminderOf } from './planning.ts';
import { passAll } from './passing.ts';

/** Times that a letter is tried which its server refuses for now. */
const TRIES = 8;
const TRY_AGAIN_MS = 15 * 60_000;
/** Longer than any way out waits: what was taken up before that was left by a server that was stopped. */
const LEFT_MS = 60_000;
/** What asks for nothing. */
const OPENS_NOTHING: readonly MessageKind[] = ['stopped', 'lifted', 'entryMissed'];
/** A link in a letter opens the home so long. */
const LETTER_LINK_MS = 60 * MS_PER_DAY;

/**
 * Tells households what they are asked for, reminds them, and passes on what nobody began in time. The clock calls it every
 * minute, and nothing is done twice.
 * @returns how many letters went out
 */
export async function tellHouseholds(env: Env): Promise<number> {
  await planAsked(env);
  await planContracted(env);
  await settleLeft(env);
  await passAll(env);
  return sendPlanned(env);
}

/** What a stopped server left in the middle: sent anew where it is about safety, else never again. */
async function settleLeft({ store, clock }: Env): Promise<void> {
  const left = await store.db.message.all({ state: 'claimed', claimedAt: below(clock() - LEFT_MS) });
  if (left.length === 0) return;
  await store.write(async (db) => {
    for (const { id, kind } of left)
      await db.message.update({ id, state: 'claimed' }, { state: mustArrive(kind) ? 'planned' : 'unsure' });
  });
}

async function sendPlanned(env: Env): Promise<number> {
  const { db } = env.store;
  const due = await db.message.all(
    { state: 'planned', notBefore: upTo(env.clock()) },
    { order: [['notBefore', 'ASC']] },
  );
  // One letter for all that somebody is told at once; what is about safety goes alone, and first.
  const letters = [...grouped(due, ({ id, kind, personId }) => (mustArrive(kind) ? id : personId)).values()];
  let sent = 0;
  const mistakes: unknown[] = [];
  for (const its of letters.sort((a, b) => Number(mustArrive(b[0]!.kind)) - Number(mustArrive(a[0]!.kind))))
    try {
      if (await sendOne(env, its)) sent += 1;
    } catch (error) {
      // One letter that cannot be written holds up nobody else's.
      mistakes.push(error);
    }
  if (mistakes.length > 0) throw new AggregateError(mistakes, 'letters could not be written');
  return sent;
}

interface Claimed {
  readonly messages: readonly Row<'message'>[];
  readonly person: Row<'person'>;
  readonly contact: Contact;
  readonly mail: MailSettings | null;
  readonly webhook: string | null;
  readonly letter: Letter;
  readonly link: string;
  readonly open: OpenBySubject;
}

/** Sends one letter. @returns whether it went out */
async function sendOne(env: Env, messages: readonly Row<'message'>[]): Promise<boolean> {
  const claimed = await env.store.write((db) => claim(env, db, messages));
  if (!claimed) return false;
  const outcome = await goOut(env, claimed).then(
    () => null,
    (error: unknown) => error as Error,
  );
  if (outcome === null) await markSent(env, claimed);
  else await markLeft(env, claimed.messages, outcome);
  return outcome === null;
}

/** Takes up what of some messages is still so, and can go out; null where nothing is left to send. */
async function claim(env: Env, db: Db, messages: readonly Row<'message'>[]): Promise<Claimed | null> {
  const { organisationId, personId } = messages[0]!;
  const person = (await db.person.one({ id: personId }))!;
  const contact = (await contactsOf(db, [personId])).get(personId);
  const open = await openBySubject(db, organisationId, personId);
  const so = await Promise.all(messages.map((it) => isStill(db, it, open, contact)));
  const still = messages.filter((_, i) => so[i]);
  const over = messages.filter((it) => !still.includes(it)).map(({ id }) => id);
  if (over.length > 0) await db.message.update({ id: over }, { state: 'over' });
  if (still.length === 0) return null;
  const { mail, duty } = await dutyOf(db, organisationId);
  const ids = still.map(({ id }) => id);
  const way = wayTo(contact, mail, duty.webhook);
  if (!contact || !way) {
    const say = env.sayIn((await db.organisation.one({ id: organisationId }))!.language);
    await db.message.update({ id: ids }, { state: 'failed', problem: say('message.noWay') });
    return null;
  }
  const letter = await letterOf(env, db, person, still, open);
  const link = OPENS_NOTHING.includes(still[0]!.kind) ? '' : await mintLink(env, db, still[0]!);
  for (const { id, tries } of still)
    await db.message.update(
      { id },
      {
        state: 'claimed',
        claimedAt: env.clock(),
        tries: tries + 1,
        way,
        address: way === 'mail' ? contact.email : contact.phone,
        heading: letter.heading,
        body: letter.body('…'),
      },
    );
  return { messages: still, person, contact, mail, webhook: duty.webhook, letter, link, open };
}

function wayTo(contact: Contact | undefined, mail: unknown, webhook: string | null): MessageWay | null {
  if (contact?.way === 'mail') return mail ? 'mail' : null;
  return contact?.way === 'text' && webhook !== null ? 'text' : null;
}

/** What of one person is open, found by a request's id and by those of its jobs. */
async function openBySubject(db: Db, organisationId: string, personId: string): Promise<OpenBySubject> {
  const open = await openAskings(db, organisationId, personId);
  return new Map(open.flatMap((it) => subjectsOf(it.id, it.parts).map((id) => [id, it] as const)));
}

/** Whether what was to be told still is so when its time has come. */
async function isStill(
  db: Db,
  { kind, subjectId, turn }: Row<'message'>,
  open: OpenBySubject,
  contact: Contact | undefined,
): Promise<boolean> {
  if (ANNOUNCING.includes(kind)) return (await db.visit.count({ id: subjectId, turn, state: 'announced' })) > 0;
  if (mustArrive(kind)) return true;
  if (kind === 'contracted') return (await db.job.count({ id: subjectId, state: 'given' })) > 0;
  if (kind === 'passed') return contact?.reminders === true;
  const request = open.get(subjectId);
  if (!request) return false;
  if (kind === 'again') return request.parts.some((it) => it.jobId === subjectId && it.sentBack !== null);
  if (kind === 'asked') return true;
  // Somebody of the office reminds whoever wants no reminders by rule.
  return turn > 0 || (contact?.reminders === true && request.parts.some(({ state }) => state === 'given'));
}

/** A link of its own for each letter, kept as a hash; it ends with the tenancy, a contractor's with the job. */
async function mintLink(
  env: Env,
  db: Db,
  { kind, organisationId, personId, placeId, subjectId }: Row<'message'>,
): Promise<string> {
  const { secret, clock, address } = env;
  if (kind === 'contracted')
    return `${address()}${await makeJobLink({ env, db, now: clock() }, { jobId: subjectId, personId, organisationId })}`;
  const token = secret();
  const [tenancy] = await db.tenancy.all({ personId, placeId }, { order: [['fromDay', 'DESC']], limit: 1 });
  await db.link.insert({
    id: sha256(token),
    organisationId,
    tenancyId: tenancy!.id,
    personId,
    createdAt: clock(),
    expiresAt: clock() + LETTER_LINK_MS,
    revokedAt: null,
  });
  return `${address()}/home/#${token}`;
}

/** @throws Error where it did not go out; `NotTaken` where that is sure */
async function goOut(env: Env, { messages, person, contact, mail, webhook, letter, link }: Claimed): Promise<void> {
  const [{ id }] = messages as [Row<'message'>];
  const text = letter.body(link);
  if (contact.way === 'mail')
    await env.waysOut.mail(mail!, {
      to: contact.email,
      subject: letter.heading,
      text,
      messageId: `<message-${id}@dewline>`,
    });
  else
    await env.waysOut.webhook(webhook!, {
      kind: 'message',
      id,
      to: contact.phone,
      name: person.name,
      text: link ? `${letter.heading} ${link}` : text,
    });
}

/** It went out: what was asked now counts as told, and its one reminder is written down. */
async function markSent(env: Env, { messages, open }: Claimed): Promise<void> {
  const asked = messages.flatMap(({ kind, subjectId }) => (kind === 'asked' ? [open.get(subjectId)!] : []));
  const beliefs = await Promise.all(asked.map((it) => beliefOf(env, it)));
  await env.store.write(async (db) => {
    await db.message.update(
      { id: messages.map(({ id }) => id) },
      { state: 'sent', sentAt: env.clock(), problem: null },
    );
    for (const { kind, subjectId, turn } of messages)
      if (ANNOUNCING.includes(kind))
        await db.visit.update({ id: subjectId, turn, deliveredAt: null }, { deliveredAt: env.clock() });
    for (const [i, it] of asked.entries()) {
      const reminder = await reminderOf(env, db, it, beliefs[i]!);
      if (reminder) await db.message.insert(reminder);
    }
  });
}

/** It did not go out: tried again later where that is sure and may help, else left with its reason. */
async function markLeft(env: Env, messages: readonly Row<'message'>[], error: Error): Promise<void> {
  const problem = error.message.slice(0, 200);
  await env.store.write(async (db) => {
    for (const { id, kind, tries } of messages) {
      const sure = error instanceof NotTaken;
      const again = (sure ? error.again : mustArrive(kind)) && tries + 1 < TRIES;
      const notBefore = env.clock() + TRY_AGAIN_MS;
      const unsent = sure || mustArrive(kind) ? 'failed' : 'unsure';
      await db.message.update({ id }, again ? { state: 'planned', problem, notBefore } : { state: unsent, problem });
    }
  });
}
