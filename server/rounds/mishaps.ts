/** What comes between on the day of a round: nobody home, no key, a part that does not fit, more time than thought. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { trueTimes } from '../../core/proof/claim.ts';
import type { Mishap, NewMishap } from '../../contract/rounds/mishaps.ts';
import { isManager, type Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { tellMissed, untellMissed } from '../notices/missed.ts';
import { numbersOfStop } from './stops.ts';
import type { Row } from '../store/tables.ts';

/** So long after a thing happened a device may still say so: our assumption. */
const LATEST_MS = 24 * 3_600_000;

/** @throws Problem: what is not there or not theirs (404) */
export async function findMishap({ db, actor }: Call, id: string): Promise<Row<'mishap'>> {
  const mishap = await db.mishap.one({ id, organisationId: actor.organisationId });
  if (!mishap || (mishap.personId !== actor.personId && !isManager(actor))) throw notFound();
  return mishap;
}

/** Nobody was let in: nothing of the stop is done. */
export const keepsOut = ({ kind }: Pick<Row<'mishap'>, 'kind'>): boolean => kind === 'nobodyHome' || kind === 'noKey';

/**
 * Something came between at a stop of one's own round; the office sees it, and whoever lives there is told where nobody
 * was let in. When it was, the device says, within a day before it is received.
 * @throws Problem: what is not there or not theirs (404), not the day of that round (409), fields (422)
 */
export async function createMishap(call: Call, stopId: string, form: NewMishap): Promise<{ id: string }> {
  const { db, actor, now } = call;
  const stop = await db.roundStop.one({ id: stopId, organisationId: actor.organisationId });
  if (!stop || stop.personId !== actor.personId) throw notFound();
  const claimed = trueTimes({ startedAt: form.at, doneAt: form.at, deviceAt: form.deviceAt }, now).doneAt;
  const at = Math.max(claimed, now - LATEST_MS);
  if (dayOfInstant(at, await zoneOfPlace(db, stop.placeId)) !== stop.day) throw new Problem(409, 'notToday');
  const all = numbersOfStop(stop);
  if (form.kind === 'partWrong' && !all.includes(form.part!)) throw fieldProblem('part', 'field.oneOf');
  const mishap: Row<'mishap'> = {
    id: form.id,
    organisationId: actor.organisationId,
    stopId,
    placeId: stop.placeId,
    personId: actor.personId,
    kind: form.kind,
    numbers: JSON.stringify(form.kind === 'partWrong' ? [form.part] : all),
    minutes: form.kind === 'late' ? form.minutes : 0,
    at,
    settledAt: null,
    settledBy: null,
    againDay: null,
  };
  await db.mishap.insert(mishap);
  if (keepsOut(mishap)) await tellMissed(call, mishap, stop.visitId);
  return { id: form.id };
}

/**
 * It was a slip: nothing came between.
 * @throws Problem: what is not there or not theirs (404), somebody was told or has seen to it (409)
 */
export async function takeMishapBack(call: Call, id: string): Promise<object> {
  const { db } = call;
  const mishap = await findMishap(call, id);
  const { visitId } = (await db.roundStop.one({ id: mishap.stopId }))!;
  if (mishap.settledAt !== null || !(await untellMissed(call, id, keepsOut(mishap) ? visitId : null)))
    throw new Problem(409, 'mishapTold');
  await db.mishap.remove({ id });
  return {};
}

/** Somebody of the office has seen to it. @throws Problem: what is not there or not theirs (404) */
export async function settleMishap(call: Call, id: string): Promise<object> {
  const { settledAt } = await findMishap(call, id);
  if (settledAt === null) await call.db.mishap.update({ id }, { settledAt: call.now, settledBy: call.actor.personId });
  return {};
}

/** A mishap in words, with how whoever lives there hears of it. */
export async function describeMishap(
  { db, env: { say } }: Call,
  mishap: Row<'mishap'>,
  zone: string,
  again: Mishap['again'],
): Promise<Mishap> {
  const { id, kind, at, minutes, settledAt, againDay } = mishap;
  const [letter] = await db.message.all({ subjectId: id, kind: 'entryMissed' });
  const told = keepsOut(mishap) ? (letter?.state ?? 'noWay') : 'nothing';
  return {
    id,
    kind,
    says: say('mishap.says', {
      kind,
      at: say.time(at, zone),
      minutes,
      told,
      day: againDay === null ? 'none' : say.day(againDay),
    }),
    settled: settledAt !== null,
    again,
    mayUndo: settledAt === null && (!letter || letter.state === 'planned'),
  };
}
