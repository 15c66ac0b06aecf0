/** Visits of the office to homes that are lived in: announced in time, delivered, answered, moved, called off. */
import { dayFromIso, dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { earliestEntry } from '../../core/notices/entry.ts';
import { tellableFrom } from '../../core/notices/telling.ts';
import { ANNOUNCING } from '../../contract/notices/messages.ts';
import type {
  AnswerVisit,
  ChangeEntryRule,
  EntryNote,
  MoveVisit,
  NewVisit,
  SettleVisit,
} from '../../contract/notices/visits.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { noticeHours } from '../jobs/entry.ts';
import { findPlace } from '../lookup/places.ts';
import { findScope } from '../lookup/scope.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { askingRuleOf, planTo } from './planning.ts';
import { visitorsTo } from './visitors.ts';

/**
 * Says how many hours before somebody comes into a home of a property whoever lives there is told.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeEntryRule(call: Call, propertyId: string, rule: ChangeEntryRule): Promise<object> {
  const { subjectId, today } = await findScope(call, 'property', propertyId);
  await recordFact(call, subjectId, 'entryRule', rule, today);
  return {};
}

interface When {
  readonly day: number;
  readonly from: number;
  readonly until: number;
  readonly agreed: boolean;
  /** Who comes, where that changes. */
  readonly personId?: string | null;
}

const whenOf = ({ day, from, until, agreed }: Pick<NewVisit, 'day' | 'from' | 'until' | 'agreed'>): When => ({
  day: dayFromIso(day),
  from,
  until,
  agreed,
});

/** @throws Problem: the time is over, or sooner than notice allows (422) */
async function refuseTooSoon(call: Call, placeId: string, when: When): Promise<void> {
  const { db, now, env } = call;
  const { propertyId } = (await db.place.one({ id: placeId }))!;
  const zone = await zoneOfPlace(db, placeId);
  const begins = instantOfDay(when.day, when.from, zone);
  if (instantOfDay(when.day, when.until, zone) <= now) throw fieldProblem('day', 'field.past');
  if (when.agreed) return;
  const hours = await noticeHours(db, propertyId, dayOfInstant(now, zone));
  const told = tellableFrom(now, await askingRuleOf(db, call.actor.organisationId), zone);
  const earliest = earliestEntry(told, hours);
  if (begins < earliest) throw new Problem(422, 'noticeTooShort', { hours, earliest: env.say.time(earliest, zone) });
}

/** Writes down that whoever lives there is told of a visit as it stands now; nothing where they cannot be written to. */
async function announce(call: Call, visit: Row<'visit'>, kind: 'entry' | 'entryOff' | 'entryLate'): Promise<void> {
  const { db, now } = call;
  const { organisationId, placeId, tenantId: personId, id: subjectId, turn } = visit;
  const zone = await zoneOfPlace(db, placeId);
  // Somebody who is late is on the way: that is told at once.
  const notBefore = kind === 'entryLate' ? now : tellableFrom(now, await askingRuleOf(db, organisationId), zone);
  await planTo(call, { organisationId, personId, placeId, kind, subjectId, turn, notBefore });
}

/**
 * Announces a visit to a home that is lived in.
 * @throws Problem: nobodyLivesThere, noticeTooShort (422), what is not there or not theirs (404)
 */
export async function createVisit(call: Call, form: NewVisit): Promise<{ id: string }> {
  const { db, actor, now } = call;
  const place = await findPlace(call, form.placeId);
  const visitor = (await visitorsTo(call, place)).find(({ id }) => id === form.personId)?.id;
  if (!visitor) throw fieldProblem('personId', 'field.oneOf');
  const when = whenOf(form);
  const zone = await zoneOfPlace(db, place.id);
  const tenancy = await tenancyOn(db, place.id, Math.max(now, instantOfDay(when.day, when.from, zone)));
  if (!tenancy) throw new Problem(422, 'nobodyLivesThere');
  await refuseTooSoon(call, place.id, when);
  const visit: Row<'visit'> = {
    id: form.id,
    organisationId: actor.organisationId,
    placeId: place.id,
    personId: visitor,
    tenantId: tenancy.personId,
    day: when.day,
    fromMinute: when.from,
    untilMinute: when.until,
    purpose: form.purpose,
    state: 'announced',
    turn: 0,
    ...answered(when.agreed ? 'agreed' : 'none', when.agreed ? call : null),
    note: '',
    deliveredAt: null,
    deliveredBy: null,
    createdAt: now,
    createdBy: actor.personId,
  };
  await db.visit.insert(visit);
  await announce(call, visit, 'entry');
  return { id: form.id };
}

const answered = (answer: Row<'visit'>['answer'], by: Call | null) => ({
  answer,
  answeredAt: by ? by.now : null,
  answeredBy: by ? by.actor.personId : null,
  otherDay: null,
  otherFrom: null,
  otherUntil: null,
});

/** @throws Problem: what is not there or not theirs (404), visitOver (409) */
async function openVisit({ db, actor, now }: Call, id: string): Promise<Row<'visit'>> {
  const visit = await db.visit.one({ id, organisationId: actor.organisationId });
  if (!visit) throw notFound();
  const zone = await zoneOfPlace(db, visit.placeId);
  if (visit.state !== 'announced' || instantOfDay(visit.day, visit.untilMinute, zone) < now)
    throw new Problem(409, 'visitOver');
  return visit;
}

/** The visit at another time; whoever lives there is told anew, and the old notice counts for nothing. */
export async function moveTo(
  call: Call,
  visit: Row<'visit'>,
  when: When,
  kind: 'entry' | 'entryLate' = 'entry',
): Promise<void> {
  const moved: Row<'visit'> = {
    ...visit,
    day: when.day,
    fromMinute: when.from,
    untilMinute: when.until,
    turn: visit.turn + 1,
    deliveredAt: null,
    deliveredBy: null,
    ...answered(when.agreed ? 'agreed' : 'none', when.agreed ? call : null),
  };
  const { id, ...rest } = { ...moved, ...(when.personId && { personId: when.personId }) };
  await call.db.visit.update({ id }, rest);
  await call.db.message.update({ subjectId: id, state: 'planned' }, { state: 'over' });
  await announce(call, moved, kind);
}

/**
 * Moves a visit to another time, or has somebody else make it.
 * @throws Problem: visitOver (409), noticeTooShort, fields (422), what is not there or not theirs (404)
 */
export async function moveVisit(call: Call, id: string, form: MoveVisit): Promise<object> {
  const visit = await openVisit(call, id);
  const when = { ...whenOf(form), personId: form.personId };
  if (form.personId !== null) {
    const place = await findPlace(call, visit.placeId);
    if ((await visitorsTo(call, place)).every(({ id: known }) => known !== form.personId))
      throw fieldProblem('personId', 'field.oneOf');
  }
  await refuseTooSoon(call, visit.placeId, when);
  await moveTo(call, visit, when);
  return {};
}

/**
 * Says yes to another time that was asked for, or stays with the one that was announced; both are told.
 * @throws Problem: visitOver, noOtherTime (409), what is not there or not theirs (404)
 */
export async function settleVisit(call: Call, id: string, { settles }: SettleVisit): Promise<object> {
  const visit = await openVisit(call, id);
  const { otherDay, otherFrom, otherUntil } = visit;
  if (visit.answer !== 'another' || otherDay === null || otherFrom === null || otherUntil === null)
    throw new Problem(409, 'noOtherTime');
  if (settles === 'accept')
    await moveTo(call, visit, { day: otherDay, from: otherFrom, until: otherUntil, agreed: true });
  else {
    // The notice that they have stands; that it does is told.
    const kept = { ...visit, turn: visit.turn + 1 };
    await call.db.visit.update({ id }, { turn: kept.turn, ...answered('kept', call) });
    await announce(call, kept, 'entry');
  }
  return {};
}

/** Calls a visit off, and tells whoever was told. @throws Problem: visitOver (409), notFound (404) */
export async function callOff(call: Call, id: string): Promise<object> {
  const visit = await openVisit(call, id);
  await call.db.visit.update({ id }, { state: 'off' });
  await call.db.message.update({ subjectId: id, state: 'planned' }, { state: 'over' });
  // Whoever heard of it at any time, were it of another hour, hears that nobody comes.
  const heard = await call.db.message.count({ subjectId: id, kind: [...ANNOUNCING], state: ['sent', 'claimed'] });
  if (heard > 0 || visit.deliveredAt !== null || visit.answer !== 'none') await announce(call, visit, 'entryOff');
  return {};
}

/** A notice was handed over on paper, now. @throws Problem: visitOver (409), notFound (404) */
export async function noteDelivered(call: Call, id: string): Promise<object> {
  const visit = await openVisit(call, id);
  const { actor, now, db } = call;
  if (visit.deliveredAt === null) await db.visit.update({ id }, { deliveredAt: now, deliveredBy: actor.personId });
  return {};
}

/**
 * Whoever lives there says yes, or asks for another time.
 * @throws Problem: visitOver (409), what is not there or not theirs (404)
 */
export async function answerVisit(call: Call, id: string, form: AnswerVisit): Promise<object> {
  const { db, actor, now } = call;
  const visit = await openVisit(call, id);
  if (visit.tenantId !== actor.personId) throw notFound();
  const zone = await zoneOfPlace(db, visit.placeId);
  if (form.answer === 'another' && instantOfDay(dayFromIso(form.day!), form.until!, zone) <= now)
    throw fieldProblem('day', 'field.past');
  const other =
    form.answer === 'another' ? { otherDay: dayFromIso(form.day!), otherFrom: form.from, otherUntil: form.until } : {};
  await db.visit.update({ id }, { ...answered(form.answer, call), ...other, note: form.note });
  return {};
}

/** More words on how a home was entered. @throws Problem: notFound (404) */
export async function noteEntry({ db, actor }: Call, id: string, { note }: EntryNote): Promise<object> {
  const entry = await db.entry.one({ id, organisationId: actor.organisationId });
  if (!entry) throw notFound();
  await db.entry.update({ id }, { note });
  return {};
}
