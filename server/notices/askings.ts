/** Who is to be reminded: people with what they are asked for, the most pressing first; and reminding them by hand. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { tellableFrom } from '../../core/notices/telling.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type {
  AskedPerson,
  AskingsAnswer,
  ChangeAskingRule,
  JobTold,
  MessageSummary,
  OpenAsking,
  SaidInPerson,
} from '../../contract/notices/messages.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import type { Translator } from '../language/translator.ts';
import { findScope } from '../lookup/scope.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { contactsOf, whyUnreached } from './contact.ts';
import { dutyOf } from './duty.ts';
import { openAskings, passesOn, type Open } from './openAskings.ts';
import { askingRuleOf, messageRow } from './planning.ts';

/** Everybody who has something open, the most pressing first. */
export async function listAskings(call: Call): Promise<AskingsAnswer> {
  const {
    db,
    env: { say },
    actor: { organisationId },
    now,
  } = call;
  const rule = await askingRuleOf(db, organisationId);
  const byPerson = [...grouped(await openAskings(db, organisationId), ({ personId }) => personId)];
  const ids = byPerson.map(([id]) => id);
  const [contacts, names, ways] = await Promise.all([
    contactsOf(db, ids),
    namesOf(db, ids),
    dutyOf(db, organisationId),
  ]);
  const places = await db.place.all({ id: [...new Set(byPerson.map(([, [first]]) => first!.placeId))] });
  const properties = await db.property.all({ organisationId });
  const machines = await db.machine.all({
    id: [...new Set(byPerson.flatMap(([, of]) => of.flatMap(({ parts }) => parts.map((it) => it.machineId))))],
  });
  const machineNames = new Map(machines.map((it) => [it.id, machineName(say, it)]));
  const people = byPerson.map(([id, of]): AskedPerson => {
    const { placeId, zone, propertyId } = of[0]!;
    const contact = contacts.get(id);
    const today = dayOfInstant(now, zone);
    return {
      id,
      name: names.get(id) ?? say('story.someone'),
      placeId,
      place: placeInFull(
        places.find((it) => it.id === placeId)!,
        properties.find((it) => it.id === propertyId)!,
      ),
      today,
      way: contact?.way ?? 'none',
      unreached: whyUnreached(say, contact, ways),
      remindedToday: of.some((it) => isRemindedOn(it, today)),
      askings: of.map((it) => describe(say, it, machineNames, passesOn(it, rule))).sort((a, b) => a.doBy - b.doBy),
    };
  });
  return { people: people.sort((a, b) => a.askings[0]!.doBy - b.askings[0]!.doBy), rule };
}

/** Whether somebody of the office has reminded on that day. */
const isRemindedOn = ({ messages, zone }: Open, day: number): boolean =>
  messages.some(({ kind, turn, at }) => kind === 'reminder' && turn > 0 && dayOfInstant(at, zone) === day);

function describe(
  say: Translator,
  { id, parts, givenAt, toldAt, doBy, zone, safetyCritical, messages }: Open,
  machineNames: ReadonlyMap<string, string>,
  passes: number | null,
): OpenAsking {
  return {
    id,
    machines: [...grouped(parts, ({ jobId }) => jobId)].map(([jobId, of]) => ({
      jobId,
      says: say('asking.machine', {
        machine: machineNames.get(of[0]!.machineId)!,
        parts: say.list(of.map(({ procedure }) => say(`point.${procedure}`))),
      }),
      begun: of[0]!.state !== 'given',
    })),
    given: dayOfInstant(givenAt, zone),
    told: toldAt === null ? null : dayOfInstant(toldAt, zone),
    doBy,
    passes,
    safetyCritical,
    messages: messages.map((it) => describeMessage(say, it, zone)),
  };
}

/** A message in words: what it was, how it went, and what it said. */
export const describeMessage = (say: Translator, it: Row<'message'>, zone: string): MessageSummary => ({
  id: it.id,
  kind: it.kind,
  state: it.state,
  heading: it.heading,
  body: it.body,
  says: say('message.says', {
    kind: it.kind,
    state: it.state,
    way: it.way ?? 'none',
    address: it.address || 'none',
    at: say.time(it.sentAt ?? it.claimedAt ?? it.notBefore, zone),
    problem: it.problem ?? 'none',
  }),
});

/** What one person has open. @throws Problem: notFound (404), nothingAsked (409) */
async function openOf({ db, actor: { organisationId } }: Call, personId: string): Promise<Open[]> {
  if (!(await db.tenancy.one({ personId, organisationId }))) throw notFound();
  const open = await openAskings(db, organisationId, personId);
  if (open.length === 0) throw new Problem(409, 'nothingAsked');
  return open;
}

const turnAfter = ({ messages }: Open, of: Row<'message'>['kind']): number =>
  1 + Math.max(0, ...messages.filter(({ kind }) => kind === of).map(({ turn }) => turn));

/**
 * Reminds somebody of all that they have open, in one letter: now, or when their night is over.
 * @throws Problem: notFound (404); nothingAsked, remindedToday, noWay (409)
 */
export async function remindPerson(call: Call, personId: string): Promise<object> {
  const { env, db, actor, now } = call;
  const open = await openOf(call, personId);
  const contact = (await contactsOf(db, [personId])).get(personId);
  if (whyUnreached(env.say, contact, await dutyOf(db, actor.organisationId)) !== null) throw new Problem(409, 'noWay');
  if (open.some((it) => isRemindedOn(it, dayOfInstant(now, it.zone)))) throw new Problem(409, 'remindedToday');
  const rule = await askingRuleOf(db, actor.organisationId);
  for (const it of open) {
    const { organisationId, placeId, id: subjectId, zone } = it;
    const asked = it.messages.find(({ kind }) => kind === 'asked');
    const notBefore = tellableFrom(now, rule, zone);
    const told = { organisationId, personId, placeId, subjectId, notBefore };
    // Whoever has not heard of it yet hears of it now.
    if (asked?.state === 'planned') await db.message.update({ id: asked.id }, { notBefore });
    else if (asked)
      await db.message.insert(messageRow(env, { ...told, kind: 'reminder', turn: turnAfter(it, 'reminder') }));
    else await db.message.insert(messageRow(env, { ...told, kind: 'asked' }));
  }
  return {};
}

/**
 * Somebody of the office has said it: it counts as told from now on.
 * @throws Problem: notFound (404), nothingAsked (409)
 */
export async function saidInPerson(call: Call, personId: string, { note }: SaidInPerson): Promise<object> {
  const { env, db, now, actor } = call;
  for (const it of await openOf(call, personId)) {
    const untold = it.toldAt === null;
    const planned = it.messages.find(({ kind, state }) => kind === 'asked' && state !== 'sent');
    const said = {
      state: 'sent',
      sentAt: now,
      way: 'word',
      address: actor.name,
      body: note || null,
      problem: null,
    } as const;
    if (untold && planned) await db.message.update({ id: planned.id }, said);
    else
      await db.message.insert({
        ...messageRow(env, {
          organisationId: it.organisationId,
          personId,
          placeId: it.placeId,
          kind: untold ? 'asked' : 'reminder',
          subjectId: it.id,
          turn: untold ? 0 : turnAfter(it, 'reminder'),
          notBefore: now,
        }),
        ...said,
      });
  }
  return {};
}

/** Says when households are written to, and when work passes to staff. */
export async function changeAskingRule(call: Call, rule: ChangeAskingRule): Promise<object> {
  const { today } = await findScope(call, 'organisation', null);
  await recordFact(call, call.actor.organisationId, 'askingRule', rule, today);
  return {};
}

/**
 * What was told about one job, and by when it is to be done.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readTold({ db, env: { say }, actor: { organisationId } }: Call, jobId: string): Promise<JobTold> {
  const job = await db.job.one({ id: jobId, organisationId });
  if (!job) throw notFound();
  const zone = await zoneOfPlace(db, job.placeId);
  const open = (await openAskings(db, organisationId, job.assigneeId ?? '')).find(({ parts }) =>
    parts.some((it) => it.jobId === jobId),
  );
  const messages = await db.message.all({ subjectId: [jobId, job.listId ?? jobId] }, { order: [['at', 'ASC']] });
  return {
    given: job.givenAt === null ? null : dayOfInstant(job.givenAt, zone),
    doBy: open?.doBy ?? null,
    passes: open ? passesOn(open, await askingRuleOf(db, organisationId)) : null,
    messages: messages.map((it) => describeMessage(say, it, zone)),
  };
}
