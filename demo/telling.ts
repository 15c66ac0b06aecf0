/** How the demo's households are reached, and what they were told of the work that they have in hand. */
import { dayOfInstant } from '../core/calendar/day.ts';
import { ASKING_RULE, SETTLE_MS, tellableFrom } from '../core/notices/telling.ts';
import { NO_CONTACT, type Contact } from '../contract/notices/messages.ts';
import type { Call } from '../server/context/context.ts';
import { changeAskingRule } from '../server/notices/askings.ts';
import { beliefOf } from '../server/notices/answers.ts';
import { changeContact } from '../server/notices/contact.ts';
import { letterOf } from '../server/notices/householdLetter.ts';
import { openAskings, passesOn, type Open } from '../server/notices/openAskings.ts';
import { messageRow, reminderOf } from '../server/notices/planning.ts';

/** The address of somebody, made of their name. */
const addressOf = (name: string): string =>
  `${name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z ]/g, '')
    .trim()
    .replace(/ +/g, '.')}@portellery.example`;

/** One household in nine has no mail and is rung up; one in five wants a letter a month. */
const contactOf = (nth: number, name: string): Contact => ({
  ...NO_CONTACT,
  ...(nth % 9 === 8 ? {} : { way: 'mail', email: addressOf(name) }),
  rhythm: nth % 5 === 3 ? 'monthly' : 'each',
});

/** Gives the households their addresses, and writes down what they were told; from now on they are asked by itself. */
export async function tellDemo(call: Call): Promise<void> {
  const { db, actor } = call;
  const open = await openAskings(db, actor.organisationId);
  const people = new Map((await db.person.all({})).map((it) => [it.id, it]));
  const tenancies = await db.tenancy.all({ toDay: null }, { order: [['createdAt', 'ASC']] });
  const reached = new Set<string>();
  for (const [nth, { id, personId }] of tenancies.entries()) {
    const contact = contactOf(nth, people.get(personId)!.name);
    // What nobody heard of never passes: these have not answered for long, and somebody is to ring them up.
    const late = open.some((it) => it.personId === personId && isOver(call, it));
    if (contact.way === 'none' || late) continue;
    await changeContact(call, id, contact);
    reached.add(personId);
  }
  for (const it of open.filter(({ personId }) => reached.has(personId))) await writeDown(call, it);
  await changeAskingRule(call, { ...ASKING_RULE, gives: true });
}

/** The instant at which a household hears of what it was asked. */
const heardAt = ({ givenAt, zone }: Open): number => tellableFrom(givenAt + SETTLE_MS, ASKING_RULE, zone);

/** Whether a request would have passed to staff by now, or would tomorrow, had its household been told. */
function isOver({ now }: Call, open: Open): boolean {
  const day = passesOn({ ...open, toldAt: heardAt(open) }, ASKING_RULE);
  return day !== null && day <= dayOfInstant(now, open.zone) + 1;
}

async function writeDown({ env, db, now }: Call, open: Open): Promise<void> {
  const sentAt = heardAt(open);
  if (sentAt > now) return;
  const { organisationId, personId, placeId, id: subjectId, parts } = open;
  const person = (await db.person.one({ id: personId }))!;
  const asked = messageRow(env, { organisationId, personId, placeId, kind: 'asked', subjectId, notBefore: sentAt });
  const letter = await letterOf(
    env,
    db,
    person,
    [asked],
    new Map([subjectId, ...parts.map(({ jobId }) => jobId)].map((id) => [id, open])),
  );
  await db.message.insert({
    ...asked,
    state: 'sent',
    at: open.givenAt,
    claimedAt: sentAt,
    sentAt,
    tries: 1,
    way: 'mail',
    address: addressOf(person.name),
    heading: letter.heading,
    body: letter.body('…'),
  });
  const reminder = await reminderOf(env, db, open, await beliefOf(env, open), sentAt);
  if (reminder) await db.message.insert(reminder);
}
