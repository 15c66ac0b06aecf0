/**
 * Signals: something seen or reported makes a point due; answered by a service, or dismissed with a reason and a day of
 * looking again.
 */
import { dayFromIso, dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { signalsOf, signalTypeOf } from '../../core/due/signals.ts';
import type { DismissSignal, ReportSignal, SignalSummary } from '../../contract/due/signals.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { claimPhoto } from '../photos/photos.ts';
import { refuseRetired, visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { namesOf } from '../lookup/find.ts';
import { recompute } from './recompute.ts';

export interface NewSignal {
  readonly id: string;
  readonly machine: Row<'machine'>;
  readonly type: string;
  readonly note: string;
  readonly personId: string | null;
  readonly emitterId: string | null;
}

/**
 * Opens a signal, or counts it once more where the same one still waits; a dismissed one keeps its day of looking
 * again.
 */
export async function raiseSignal(
  db: Db,
  { id, machine, type, note, personId, emitterId }: NewSignal,
  now: number,
): Promise<string> {
  const kind = signalsOf(machine.type).find(({ key }) => key === type);
  const point = kind && (await db.point.one({ machineId: machine.id, procedure: kind.point }));
  if (!point) throw fieldProblem('type', 'field.signal');
  const known = await db.signal.one({ pointId: point.id, type, state: ['open', 'dismissed'] });
  if (known) {
    await db.signal.update({ id: known.id }, { times: known.times + 1, lastAt: now });
    if (emitterId === null)
      await db.signalReport.insert({
        id,
        organisationId: machine.organisationId,
        signalId: known.id,
        personId,
        note,
        at: now,
      });
    return known.id;
  }
  const zone = await zoneOfPlace(db, machine.placeId);
  await db.signal.insert({
    id,
    organisationId: machine.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    pointId: point.id,
    type,
    note,
    state: 'open',
    day: dayOfInstant(now, zone),
    at: now,
    times: 1,
    lastAt: now,
    personId,
    emitterId,
    recheckDay: null,
    reason: null,
    settledAt: null,
    settledBy: null,
  });
  await recompute(db, [point.id], now);
  return id;
}

/**
 * Takes what a person noticed; what it makes due is due from now.
 * @throws Problem: machineRetired (409), what is not there or not theirs (404)
 */
export async function reportSignal(
  call: Call,
  { id, machineId, type, note, photoIds }: ReportSignal,
): Promise<{ id: string }> {
  const machine = await visibleMachine(call, machineId);
  refuseRetired(call.env, machine);
  const raised = await raiseSignal(
    call.db,
    { id, machine, type, note, personId: call.actor.personId, emitterId: null },
    call.now,
  );
  for (const photoId of photoIds) await claimPhoto(call, photoId, raised, 'fault');
  return { id: raised };
}

/**
 * Sets a signal aside with a reason until the day it is looked at again.
 * @throws Problem: signalAnswered (409), what is not there or not theirs (404)
 */
export async function dismissSignal(call: Call, id: string, { reason, recheck }: DismissSignal): Promise<object> {
  const {
    db,
    actor,
    now,
    env: { say },
  } = call;
  const signal = await db.signal.one({ id, organisationId: actor.organisationId });
  if (!signal) throw notFound();
  if (signal.state === 'answered') throw new Problem(409, 'signalAnswered', { day: say.day(signal.day) });
  const recheckDay = dayFromIso(recheck);
  if (recheckDay <= dayOfInstant(now, await zoneOfPlace(db, signal.placeId)))
    throw fieldProblem('recheck', 'field.recheck');
  await db.signal.update({ id }, { state: 'dismissed', recheckDay, reason, settledAt: now, settledBy: actor.personId });
  await recompute(db, [signal.pointId], now);
  return {};
}

/** A service that counts answers what was reported up to its day. */
export async function answerSignals(db: Db, pointId: string, doneDay: Day, now: number): Promise<void> {
  for (const signal of await db.signal.all({ pointId, state: ['open', 'dismissed'] })) {
    if (signal.day <= doneDay) await db.signal.update({ id: signal.id }, { state: 'answered', settledAt: now });
  }
}

const SHOWN_SETTLED = 10;

/** Open ones first, then dismissed ones by their day of looking again, then those answered lately. */
export async function listSignals(call: Call, where: { placeId?: string }): Promise<SignalSummary[]> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const [open, dismissed, answered] = await Promise.all([
    db.signal.all({ ...where, organisationId, state: 'open' }, { order: [['at', 'ASC']], limit: 500 }),
    db.signal.all({ ...where, organisationId, state: 'dismissed' }, { order: [['recheckDay', 'ASC']], limit: 200 }),
    db.signal.all(
      { ...where, organisationId, state: 'answered' },
      { order: [['settledAt', 'DESC']], limit: SHOWN_SETTLED },
    ),
  ]);
  return describeSignals(call, [...open, ...dismissed, ...answered]);
}

/** Signals as screens show them. */
export async function describeSignals(
  { db, env: { say }, now }: Call,
  signals: readonly Row<'signal'>[],
): Promise<SignalSummary[]> {
  const ids = signals.map(({ id }) => id);
  const reports = await db.signalReport.all({ signalId: ids }, { order: [['at', 'ASC']] });
  const uses = await db.photoUse.all({ subjectId: ids });
  const [machines, places, points, names] = await Promise.all([
    db.machine.all({ id: signals.map(({ machineId }) => machineId) }),
    db.place.all({ id: signals.map(({ placeId }) => placeId) }),
    db.point.all({ id: signals.map(({ pointId }) => pointId) }),
    namesOf(
      db,
      [...signals, ...reports].map(({ personId }) => personId),
    ),
  ]);
  const properties = await db.property.all({ id: places.map(({ propertyId }) => propertyId) });
  return signals.map((signal) => {
    const place = places.find(({ id }) => id === signal.placeId)!;
    const property = properties.find(({ id }) => id === place.propertyId)!;
    return {
      id: signal.id,
      says: say(`signal.${signalTypeOf(signal.type).key}`),
      note: signal.note,
      placeId: place.id,
      place: placeInFull(place, property),
      machine: machineName(
        say,
        machines.find(({ id }) => id === signal.machineId)!,
      ),
      pointNumber: points.find(({ id }) => id === signal.pointId)!.number,
      state: signal.state,
      stateSays: say(`signalState.${signal.state}`),
      at: signal.at,
      zone: property.zone,
      today: isoFromDay(dayOfInstant(now, property.zone)),
      times: signal.times,
      by: signal.emitterId
        ? say('signal.byMachine')
        : ((signal.personId && names.get(signal.personId)) ?? say('story.someone')),
      fromMachine: signal.emitterId !== null,
      photoIds: uses.filter(({ subjectId }) => subjectId === signal.id).map(({ photoId }) => photoId),
      reports: reports
        .filter(({ signalId }) => signalId === signal.id)
        .map((report) => ({
          by: (report.personId && names.get(report.personId)) ?? say('story.someone'),
          at: report.at,
          note: report.note,
        })),
      recheck: signal.recheckDay === null ? null : isoFromDay(signal.recheckDay),
      reason: signal.reason,
    };
  });
}
