/** Calling people about an alarm: in order, the next after minutes, round after round until somebody answers. */
import { alarmSymptom, callTimes } from '../../core/faults/alarms.ts';
import type { Call, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { canCall, dutyOf, type OnDuty } from './duty.ts';
import { voiceFor } from './reader.ts';
import { lookingAfter } from '../lookup/looksAfter.ts';

const MINUTE_MS = 60_000;
/** Nobody has answered in so many rounds: whoever was to answer will not by another letter. */
const ROUNDS = 6;
/** Times that one call is tried over a way that fails. */
const TRIES = 3;

/** Writes down who will be called and when, for the first round. */
export async function planCalls(call: Call, alarmId: string): Promise<void> {
  await planRound(call.env, call.db, (await call.db.alarm.one({ id: alarmId }))!, 0, call.now);
}

/** Who is called about an alarm: of those on duty who look after its property; all of them where none does. */
async function onDutyFor(db: Db, { organisationId, placeId }: Row<'alarm'>): Promise<OnDuty> {
  const onDuty = await dutyOf(db, organisationId);
  const { propertyId } = (await db.place.one({ id: placeId }))!;
  const people = await lookingAfter(db, propertyId, onDuty.duty.people);
  return people.length === 0 ? onDuty : { ...onDuty, duty: { ...onDuty.duty, people } };
}

async function planRound(env: Env, db: Db, alarm: Row<'alarm'>, round: number, from: number): Promise<void> {
  const { id: alarmId, organisationId } = alarm;
  const onDuty = await onDutyFor(db, alarm);
  if (!canCall(onDuty)) return;
  const { duty } = onDuty;
  const times = callTimes(duty.people.length, round, duty.minutes);
  const start = from - times[0]! * MINUTE_MS;
  for (const [i, minutes] of times.entries()) {
    await db.alarmCall.insert({
      id: env.newId(),
      organisationId,
      alarmId,
      personId: duty.people[i]!,
      placeInOrder: round * duty.people.length + i,
      dueAt: start + minutes * MINUTE_MS,
      tokenHash: sha256(env.secret()),
      sentAt: null,
      failed: null,
      tries: 0,
    });
  }
}

/**
 * Sends what is due of alarms that nobody has answered. The clock calls it every few seconds; done twice it sends
 * nothing twice, since a call is claimed before it goes out, and tried again only when its way has said no.
 */
export async function callOnDuty(env: Env): Promise<number> {
  const {
    store: { db },
  } = env;
  let sent = 0;
  for (const alarm of await db.alarm.all({ liftedAt: null, acknowledgedAt: null })) {
    const calls = await db.alarmCall.all({ alarmId: alarm.id }, { order: [['placeInOrder', 'ASC']] });
    for (const it of calls.filter(
      ({ sentAt, dueAt, tries }) => sentAt === null && dueAt <= env.clock() && tries < TRIES,
    ))
      if (await makeCall(env, alarm, it)) sent += 1;
    await nextRound(env, alarm, calls);
  }
  return sent;
}

async function nextRound(env: Env, alarm: Row<'alarm'>, calls: readonly Row<'alarmCall'>[]): Promise<void> {
  const last = calls.at(-1);
  const { duty } = await onDutyFor(env.store.db, alarm);
  const now = env.clock();
  if (!last) {
    // Nobody was on duty when it was raised; somebody may be by now.
    if (duty.people.length > 0) await env.store.write((db) => planRound(env, db, alarm, 0, now));
    return;
  }
  const rounds = Math.ceil((last.placeInOrder + 1) / Math.max(1, duty.people.length));
  if (rounds >= ROUNDS || now < last.dueAt + duty.minutes * MINUTE_MS) return;
  await env.store.write((db) => planRound(env, db, alarm, rounds, now));
}

async function makeCall(env: Env, alarm: Row<'alarm'>, { id, personId, tries }: Row<'alarmCall'>): Promise<boolean> {
  const { store, waysOut } = env;
  const { db } = store;
  const token = env.secret();
  await store.write((it) => it.alarmCall.update({ id }, { tokenHash: sha256(token), tries: tries + 1 }));
  const [person, machine, place] = [
    (await db.person.one({ id: personId }))!,
    (await db.machine.one({ id: alarm.machineId }))!,
    (await db.place.one({ id: alarm.placeId }))!,
  ];
  const property = (await db.property.one({ id: place.propertyId }))!;
  const say = await voiceFor(env, db, person);
  const { duty, mail } = await dutyOf(db, alarm.organisationId);
  const words = {
    what: say(`symptom.${alarmSymptom(alarm.kind)}`),
    place: place.name,
    property: property.name,
    address: property.address,
    machine: machineName(say, machine),
    note: alarm.note || 'none',
    at: say.time(alarm.raisedAt, property.zone),
    link: `${env.address()}/alarm#${token}`,
  };
  const ways: Promise<void>[] = [];
  if (mail && person.email)
    ways.push(
      waysOut.mail(mail, {
        to: person.email,
        subject: say('alarm.letter.subject', words),
        text: say('alarm.letter.text', words),
        messageId: `<alarm-${id}@dewline>`,
      }),
    );
  if (duty.webhook)
    ways.push(waysOut.webhook(duty.webhook, { kind: 'alarm', id: alarm.id, call: id, person: person.name, ...words }));
  const ended = await Promise.allSettled(ways);
  const failed = ended.flatMap((it) =>
    it.status === 'rejected' ? [String((it.reason as Error).message).slice(0, 200)] : [],
  );
  const reached = ended.some(({ status }) => status === 'fulfilled');
  await store.write((it) =>
    it.alarmCall.update(
      { id },
      {
        sentAt: reached ? env.clock() : null,
        failed: failed.join('; ') || (ways.length === 0 ? say('alarm.noWay') : null),
      },
    ),
  );
  return reached;
}
