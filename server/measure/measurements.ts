/** Keeping a measurement with the record that it belongs to. */
import { isoFromDay } from '../../core/calendar/day.ts';
import { measureOf } from '../../core/measure/measures.ts';
import { workingWords } from '../../core/measure/words.ts';
import type { KeepMeasurement, MeasurementAnswer } from '../../contract/measure/measure.ts';
import { findPoint } from '../lookup/find.ts';
import { readHistory } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { takeReadings } from '../faults/readings.ts';
import { fieldProblem } from '../context/problem.ts';

/** Works a measurement out again and keeps it with the point's latest record, for good. */
export async function keepMeasurement(
  call: Call,
  { id, point: asked, measure, inputs, note }: KeepMeasurement,
): Promise<MeasurementAnswer> {
  const {
    db,
    actor,
    now,
    env: { say },
  } = call;
  const point = await findPoint(call, asked);
  const { of, work, reads = {} } = measureOf(measure);
  if (of.length > 0 && !of.includes(point.procedure)) throw fieldProblem('point', 'field.measurePoint');
  let working;
  try {
    working = work(inputs);
  } catch (error) {
    if (error instanceof RangeError) throw fieldProblem('inputs', 'field.measure');
    throw error;
  }
  const [record] = await db.record.all({ pointId: point.id }, { order: [['doneAt', 'DESC']], limit: 1 });
  const { terms, limits } = workingWords(say, working, call.units ?? 'metric');
  await db.measurement.insert({
    id,
    organisationId: actor.organisationId,
    pointId: point.id,
    recordId: record?.id ?? null,
    measure,
    inputs: JSON.stringify(inputs),
    says: [...terms, ...limits.map((it) => it.says)].join(' · '),
    note,
    at: now,
    personId: actor.personId,
  });
  const readings = Object.fromEntries(
    Object.entries(reads).flatMap(([field, reading]) =>
      typeof inputs[field] === 'number' ? [[reading, inputs[field]]] : [],
    ),
  );
  const { procedure } = await readHistory(db, point.id, now);
  const machine = (await db.machine.one({ id: point.machineId }))!;
  await takeReadings(call, {
    pointId: point.id,
    machine,
    needs: procedure.steps.flatMap(({ needs }) => needs),
    readings,
    at: now,
  });
  return { point: say(`point.${point.procedure}`), record: record ? isoFromDay(record.doneDay) : null };
}
