/** The loop of setting a fridge right: out of its limits, one degree of turning, and a look again two days later. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { nextTuning, type TemperatureReading } from '../../core/measure/tuning.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import type { Call } from '../context/context.ts';
import { zoneOfPlace } from '../lookup/zone.ts';

/** The loop's own signals, by procedure. */
const SIGNAL_OF: Readonly<Record<string, string>> = {
  'refrigerator.temperatures': 'refrigerator.tuning',
  'freezer.temperature': 'freezer.tuning',
};
export const TUNING_SIGNALS = Object.values(SIGNAL_OF);
const DAYS_BETWEEN = 2;
/** A loop that long ago is over. */
const REMEMBERED = 6;

/**
 * After a record of temperatures that counts: what to do next stands with the point, and it asks again when it is time.
 */
export async function followTuning({ env: { say, newId }, db, now }: Call, recordId: string): Promise<void> {
  const record = (await db.record.one({ id: recordId }))!;
  const point = (await db.point.one({ id: record.pointId }))!;
  const type = SIGNAL_OF[point.procedure];
  if (!type) return;
  const records = await db.record.all({ pointId: point.id }, { order: [['doneAt', 'DESC']], limit: REMEMBERED });
  const measured = records.reverse().flatMap(({ doneAt, canonical }): TemperatureReading[] => {
    const { readings } = JSON.parse(canonical) as ServiceRecord;
    const fridgeC = readings.fridgeCelsius;
    const freezerC = readings.freezerCelsius ?? null;
    // A freezer by itself has no fresh-food side to set.
    return fridgeC === undefined && freezerC === null ? [] : [{ at: doneAt, fridgeC: fridgeC ?? 4, freezerC }];
  });
  const step = nextTuning(measured, now);
  if (step.do !== 'turn' && step.do !== 'fault') return;
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const day = dayOfInstant(record.doneAt, await zoneOfPlace(db, machine.placeId));
  const waits = step.do === 'turn';
  await db.signal.insert({
    id: newId(),
    organisationId: point.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    pointId: point.id,
    type,
    note: say.text(`tuning.${step.do}`, { ...step }),
    state: waits ? 'dismissed' : 'open',
    day,
    at: now,
    times: 1,
    lastAt: now,
    personId: record.personId,
    emitterId: null,
    recheckDay: waits ? day + DAYS_BETWEEN : null,
    reason: waits ? say.text(`tuning.${step.do}`, { ...step }) : null,
    settledAt: waits ? now : null,
    settledBy: waits ? record.personId : null,
  });
}
