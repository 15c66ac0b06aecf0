/** A week after a fault was closed its reporter is asked, once: gone, or not? */
import { dayOfInstant, isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { isAlarmSymptom } from '../../core/faults/alarms.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import type { AnswerGone, GoneQuestion } from '../../contract/faults/faults.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Row } from '../store/tables.ts';
import { reportFault } from './faults.ts';

/** Asked from a week after the closing on, for six weeks: later nobody remembers. Our assumptions. */
const [ASKED_AFTER, ASKED_UNTIL] = [7 * MS_PER_DAY, 49 * MS_PER_DAY];

/** Faults that the caller reported and may be asked about; not where it has been said already that it came back. */
async function asked({ db, actor: { personId, organisationId }, now }: Call): Promise<Row<'fault'>[]> {
  const joined = await db.faultReport.all({ byPerson: personId }, { columns: ['faultId'] });
  const [own, theirs] = await Promise.all([
    db.fault.all({ organisationId, openedBy: personId, gone: null }),
    db.fault.all({ organisationId, id: joined.map(({ faultId }) => faultId), gone: null }),
  ]);
  const mine = [...own, ...theirs];
  // A machine that was replaced answers the question itself.
  const used = await db.machine.all({ id: mine.map(({ machineId }) => machineId), retiredDay: null });
  return mine.filter(
    (fault) =>
      used.some(({ id }) => id === fault.machineId) &&
      fault.closedAt !== null &&
      !isAlarmSymptom(fault.symptom) &&
      now - fault.closedAt >= ASKED_AFTER &&
      now - fault.closedAt < ASKED_UNTIL &&
      !mine.some(
        (later) =>
          later.machineId === fault.machineId &&
          later.openedAt > fault.closedAt! &&
          groupOfSymptom(later.symptom) === groupOfSymptom(fault.symptom),
      ),
  );
}

/** The questions that wait for the caller. */
export async function goneQuestions(call: Call): Promise<GoneQuestion[]> {
  const { db } = call;
  const { say } = call.env;
  return Promise.all(
    (await asked(call)).map(async (fault) => {
      const machine = (await db.machine.one({ id: fault.machineId }))!;
      return {
        faultId: fault.id,
        machine: machineName(say, machine),
        says: say(`symptom.${fault.symptom}`),
        day: isoFromDay(dayOfInstant(fault.closedAt!, await zoneOfPlace(db, fault.placeId))),
      };
    }),
  );
}

/**
 * Takes the answer; what is not gone is a fault anew, of the same symptom.
 * @throws Problem: what is not there or not theirs (404), notAsked (409)
 */
export async function answerGone(call: Call, id: string, { id: anew, gone }: AnswerGone): Promise<object> {
  const fault = (await asked(call)).find((it) => it.id === id);
  if (!fault) {
    const known = await call.db.fault.count({ id, openedBy: call.actor.personId });
    throw known > 0 ? new Problem(409, 'notAsked') : notFound();
  }
  await call.db.fault.update({ id }, { gone, goneAt: call.now });
  const { machineId, symptom } = fault;
  if (gone === 'no')
    await reportFault(call, {
      id: anew,
      machineId,
      symptom,
      note: houseVoice(call)('fault.notGone'),
      noticed: null,
      photoIds: [],
    });
  return {};
}
