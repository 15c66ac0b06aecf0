/** By what right somebody of the office, or whom it sent, is in a home that is lived in: nobody begins there without one. */
import { NOTICE_HOURS, visitNow, type Announced } from '../../core/notices/entry.ts';
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { EnterHome, EntryAnswer } from '../../contract/notices/visits.ts';
import type { Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';

/** Whoever does not live there. */
const comesIn = (actor: Call['actor']) => isOffice(actor) || actor.roles.includes('contractor');

/** What was said at the door holds for the rest of that day: our assumption. */
const HOLDS_MS = 12 * 3_600_000;

/** Hours of notice at a property on a day. */
export const noticeHours = async (db: Db, propertyId: string, day: number): Promise<number> =>
  inForce(await factsOf(db, [propertyId], 'entryRule'), day)?.value.hours ?? NOTICE_HOURS;

/** A visit's window and answer, as the rule reads them. */
export const announced = (visit: Row<'visit'>): Row<'visit'> & Announced => ({
  ...visit,
  from: visit.fromMinute,
  until: visit.untilMinute,
});

interface Standing {
  /** Nothing is asked: nobody lives there, it is shared, they live there themselves, or the rule asks for no notice. */
  readonly free: boolean;
  readonly visit: Row<'visit'> | undefined;
  /** Somebody was let in for this job, or to this home by the same person, today. */
  readonly entered: boolean;
}

async function standingOf({ db, actor, now }: Call, job: Row<'job'>): Promise<Standing> {
  const place = (await db.place.one({ id: job.placeId }))!;
  const zone = await zoneOfPlace(db, place.id);
  const today = dayOfInstant(now, zone);
  const hours = await noticeHours(db, place.propertyId, today);
  const tenancy = await tenancyOn(db, place.id, now);
  if (hours === 0 || !tenancy || tenancy.personId === actor.personId)
    return { free: true, visit: undefined, entered: false };
  const visits = (await db.visit.all({ placeId: place.id, day: today, state: 'announced' })).map(announced);
  const entries = await db.entry.all({ placeId: place.id, personId: actor.personId });
  return {
    free: false,
    visit: visitNow(visits, { hours, now, zone }),
    entered: entries.some((it) => it.ground !== 'none' && now - it.at < HOLDS_MS),
  };
}

const NOTHING_ASKED: EntryAnswer = { needed: false, says: '', tenant: '' };

/** Whether a word at the door is needed before a job is begun, for whoever is to do it. */
export async function entryFor(call: Call, job: Row<'job'>): Promise<EntryAnswer> {
  const {
    actor,
    db,
    env: { say },
    now,
  } = call;
  if (!comesIn(actor) || job.assigneeId !== actor.personId) return NOTHING_ASKED;
  const { free, visit, entered } = await standingOf(call, job);
  if (free) return NOTHING_ASKED;
  if (visit) return { ...NOTHING_ASKED, says: say(visit.answer === 'agreed' ? 'entry.agreed' : 'entry.notice') };
  if (entered) return { ...NOTHING_ASKED, says: say('entry.entered') };
  const { personId } = (await tenancyOn(db, job.placeId, now))!;
  return { needed: true, says: say('entry.needed'), tenant: (await db.person.one({ id: personId }))!.name };
}

type Right = Pick<Row<'entry'>, 'ground' | 'name' | 'note' | 'visitId'>;

/** By what right a home is entered for a job; null where nothing is to be written down. */
async function rightOf(call: Call, job: Row<'job'>, said: EnterHome | null): Promise<Right | null> {
  if (!comesIn(call.actor) || job.assigneeId !== call.actor.personId) return null;
  const { free, visit, entered } = await standingOf(call, job);
  if (free || (entered && !said)) return null;
  if (said) return { ...said, visitId: null };
  return { ground: visit ? 'visit' : 'none', name: '', note: '', visitId: visit?.id ?? null };
}

/**
 * Writes down by what right a home is entered for a job that is begun.
 * @throws Problem: entryNeeded (409) where there is none
 */
export async function enter(call: Call, job: Row<'job'>, said: EnterHome | null): Promise<void> {
  const right = await rightOf(call, job, said);
  if (right?.ground === 'none') throw new Problem(409, 'entryNeeded');
  if (right) await writeEntry(call, job, right);
}

/** Work that was sent is taken whatever happened; that a home was entered without any right is written down. */
export async function noteEntered(call: Call, job: Row<'job'>, said: EnterHome | null): Promise<void> {
  if ((await call.db.entry.count({ jobId: job.id })) > 0) return;
  const right = await rightOf(call, job, said);
  if (right) await writeEntry(call, job, right);
}

const writeEntry = async (
  { env, db, actor, now }: Call,
  { id: jobId, placeId }: Row<'job'>,
  entry: Right,
): Promise<void> =>
  db.entry.insert({
    id: env.newId(),
    organisationId: actor.organisationId,
    placeId,
    jobId,
    personId: actor.personId,
    at: now,
    ...entry,
  });
