/** Letters to those who answer for a fault or a deficiency, and to the managers, as its time runs out. */
import { hearersOf, stageOf } from '../../core/faults/clock.ts';
import type { Env } from '../context/context.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { below } from '../store/where.ts';
import { dutyOf } from './duty.ts';
import { voiceFor } from './reader.ts';

/** Times that one letter is tried over a way that fails. */
const TRIES = 3;
/** So many lines stand in one letter; the rest is counted. */
const NAMED = 20;

type Clocked = Row<'fault'> | Row<'deficiency'>;

/**
 * Writes down who is to hear that time runs out, and sends it: one letter to each, however much there is. The clock
 * calls it every minute; done twice it sends nothing twice.
 */
export async function remind(env: Env): Promise<number> {
  const due = await dueReminders(env);
  if (due.length > 0) await env.store.write((db) => db.reminder.insertMany(due));
  return sendReminders(env);
}

/** Reminders of stages that were reached and that nobody has written down. */
async function dueReminders(env: Env): Promise<Row<'reminder'>[]> {
  const { db } = env.store;
  const now = env.clock();
  const reached = (await openOnes(db)).flatMap((it) => {
    const stage = stageOf(it, now);
    return stage ? [{ it, stage }] : [];
  });
  const known = await db.reminder.all({ subjectId: reached.map(({ it }) => it.id) });
  const key = (it: Pick<Row<'reminder'>, 'subjectId' | 'stage' | 'correctBy' | 'personId'>) =>
    [it.subjectId, it.stage, it.correctBy, it.personId].join(' ');
  const told = new Set(known.map(key));
  const managers = new Map<string, string[]>();
  for (const { organisationId, personId } of await db.roleGrant.all({ role: 'manager' }))
    managers.set(organisationId, [...(managers.get(organisationId) ?? []), personId]);
  return reached
    .flatMap(({ it: { id: subjectId, organisationId, correctBy, responsibleId }, stage }) =>
      hearersOf(stage, responsibleId, managers.get(organisationId) ?? []).map((personId) => ({
        id: env.newId(),
        organisationId,
        subjectId,
        stage,
        correctBy,
        personId,
        at: now,
        sentAt: null,
        failed: null,
        tries: 0,
      })),
    )
    .filter((it) => !told.has(key(it)));
}

async function openOnes(db: Db): Promise<Clocked[]> {
  const open = { organisationId: (await db.organisation.all({})).map(({ id }) => id), closedAt: null };
  const [faults, deficiencies] = await Promise.all([db.fault.all(open), db.deficiency.all(open)]);
  return [...faults, ...deficiencies];
}

async function sendReminders(env: Env): Promise<number> {
  const { db } = env.store;
  const unsent = await db.reminder.all({ sentAt: null, tries: below(TRIES) }, { order: [['at', 'ASC']] });
  if (unsent.length === 0) return 0;
  const open = new Map((await openOnes(db)).map((it) => [it.id, it]));
  let sent = 0;
  for (const personId of new Set(unsent.map((it) => it.personId))) {
    const theirs = unsent.filter((it) => it.personId === personId);
    // What was put right, or given another day, before the letter went out is not told.
    const still = theirs.filter(({ subjectId, correctBy }) => open.get(subjectId)?.correctBy === correctBy);
    const failed = still.length === 0 ? 'over' : await sendLetter(env, personId, still, open);
    await env.store.write((it) =>
      Promise.all(
        theirs.map(({ id, tries }) =>
          it.reminder.update({ id }, { tries: tries + 1, failed, sentAt: failed === null ? env.clock() : null }),
        ),
      ),
    );
    if (failed === null) sent += 1;
  }
  return sent;
}

/** Sends one letter; null, or why it did not go out. */
async function sendLetter(
  env: Env,
  personId: string,
  reminders: readonly Row<'reminder'>[],
  open: ReadonlyMap<string, Clocked>,
): Promise<string | null> {
  const {
    store: { db },
    waysOut,
    address,
    clock,
  } = env;
  const person = (await db.person.one({ id: personId }))!;
  const say = await voiceFor(env, db, person);
  const { mail } = await dutyOf(db, person.organisationId);
  if (!mail || !person.email) return say('alarm.noWay');
  const lines: string[] = [];
  for (const { subjectId } of reminders.slice(0, NAMED)) {
    const it = open.get(subjectId)!;
    const place = (await db.place.one({ id: it.placeId }))!;
    const property = (await db.property.one({ id: place.propertyId }))!;
    const machine = machineName(say, (await db.machine.one({ id: it.machineId }))!);
    const what = 'symptom' in it ? say(`symptom.${it.symptom}`) : say(`deficiency.${it.type}`);
    lines.push(
      say(it.correctBy <= clock() ? 'reminder.over' : 'reminder.by', {
        what,
        machine,
        place: placeInFull(place, property),
        at: say.time(it.correctBy, property.zone),
        who: it.responsibleId === personId ? 'you' : (it.responsibleId ?? 'nobody'),
      }),
    );
  }
  if (reminders.length > NAMED) lines.push(say('reminder.more', { count: reminders.length - NAMED }));
  return waysOut
    .mail(mail, {
      to: person.email,
      subject: say('reminder.subject', { count: reminders.length }),
      text: say('reminder.text', { lines: lines.join('\n'), link: `${address()}/faults` }),
      messageId: `<reminder-${reminders[0]!.id}-${reminders[0]!.tries}@dewline>`,
    })
    .then(
      () => null,
      (error: unknown) => String((error as Error).message).slice(0, 200),
    );
}
