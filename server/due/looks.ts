/** Looks: a grade without a service. Teaches the rate, resets nothing. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { CATALOGUE_VERSION, procedureOf } from '../../core/catalogue/catalogue.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { contradictions } from '../../core/due/lessons.ts';
import { canonicalText, RECORD_SCHEMA } from '../../core/proof/record.ts';
import type { LookAnswer, LookDone, NewLook } from '../../contract/due/signals.ts';
import type { Call } from '../context/context.ts';
import { isOffice, sha256 } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { appendToLog, commitment } from '../log/log.ts';
import { machineName } from '../lookup/names.ts';
import { visibleMachine } from '../lookup/visible.ts';
import { dueWords } from '../words/dueWords.ts';
import { findPoint } from '../lookup/find.ts';
import { readHistory } from './history.ts';
import { recompute } from './recompute.ts';

/** A point that this person may look at: the office any, a tenant those of their home. */
async function lookedAt(call: Call, number: string) {
  const point = await findPoint(call, number);
  const machine = await visibleMachine(call, point.machineId);
  const place = (await call.db.place.one({ id: machine.placeId }))!;
  const { zone } = (await call.db.property.one({ id: place.propertyId }))!;
  const mark = await call.db.mark.one({ pointId: point.id });
  if (!mark || point.procedure === CONTRACTOR_VISIT) throw notFound();
  return { point, machine, place, zone, mark, today: dayOfInstant(call.now, zone) };
}

/** What a look at a point shows before it is graded. */
export async function openLook(call: Call, number: string): Promise<LookAnswer> {
  const {
    env: { say },
  } = call;
  const { point, machine, place, mark, today } = await lookedAt(call, number);
  return {
    number: point.number,
    name: say(`point.${point.procedure}`),
    place: place.name,
    machine: machineName(say, machine),
    procedure: procedureOf(point.procedure).key,
    today: isoFromDay(today),
    due: dueWords(say, [mark], today),
    served: mark.servedDay ? isoFromDay(mark.servedDay) : null,
    grades: GRADES.map((value) => ({ value, label: say(`grade.${value}`) })),
  };
}

/**
 * Takes a grade without a service: it teaches the rate and resets nothing.
 * @throws Problem: lookBefore (409)
 */
export async function createLook(call: Call, form: NewLook): Promise<LookDone> {
  const { env, db, actor, now } = call;
  const { say } = env;
  const { point, zone, mark, today } = await lookedAt(call, String(form.number));
  const day = form.day ? dayFromIso(form.day) : today;
  if (day > today) throw fieldProblem('day', 'field.future');
  // Before the last service it would tell of a part that has been cleaned since.
  if (mark.servedDay > day) throw new Problem(409, 'lookBefore', { day: say.day(mark.servedDay) });
  const at = day === today ? now : instantOfDay(day, 12 * 60, zone);
  const told = [
    { field: 'by', value: actor.personId },
    ...(form.note ? [{ field: 'note', value: form.note }] : []),
  ].map((it) => ({ ...it, salt: env.secret() }));
  const committed = (field: string) =>
    told.filter((it) => it.field === field).map(({ salt, value }) => commitment(salt, value))[0] ?? null;
  const canonical = canonicalText({
    schema: RECORD_SCHEMA,
    catalogue: CATALOGUE_VERSION,
    kind: 'look',
    id: form.id,
    organisation: actor.organisationId,
    point: point.id,
    procedure: point.procedure,
    day: isoFromDay(day),
    at,
    receivedAt: now,
    grade: form.grade,
    by: committed('by'),
    note: committed('note'),
  });
  await db.look.insert({
    id: form.id,
    organisationId: actor.organisationId,
    pointId: point.id,
    day,
    at,
    personId: actor.personId,
    canonical,
    hash: sha256(canonical),
  });
  await db.personal.insertMany(
    told.map((it) => ({ ...it, id: env.newId(), organisationId: actor.organisationId, recordId: form.id })),
  );
  await appendToLog(db, { organisationId: actor.organisationId, kind: 'look', subjectId: form.id, canonical, at: now });
  await db.condition.insert({
    id: form.id,
    organisationId: actor.organisationId,
    pointId: point.id,
    kind: 'look',
    day,
    at,
    grade: form.grade,
    confirmed: isOffice(actor) ? 1 : 0,
    agent: null,
    agents: '[]',
    afterGrade: null,
    doubtful: 0,
    evidence: null,
    personId: actor.personId,
  });
  await recompute(db, [point.id], now);
  const after = (await db.mark.one({ pointId: point.id }))!;
  const moved = after.servedDay ? after.intervalDays - mark.intervalDays : 0;
  const { inputs } = await readHistory(db, point.id, now);
  const contradicts = contradictions(inputs.conditions).some(
    ({ later }) => later.day === day && later.grade === form.grade,
  );
  if (contradicts) return { id: form.id, says: say('look.contradicts') };
  if (!after.servedDay) return { id: form.id, says: say('look.noRecord') };
  const direction = moved > 0 ? 'later' : 'sooner';
  return {
    id: form.id,
    says: say('look.done', {
      direction: moved === 0 ? 'same' : direction,
      far: Math.abs(moved),
      next: say.shortDay(after.servedDay + after.intervalDays),
    }),
  };
}
