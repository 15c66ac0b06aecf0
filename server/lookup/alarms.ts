/** Machines that somebody has called unsafe. */
import { alarmSymptom, type AlarmKind } from '../../core/faults/alarms.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';

/** Refuses work on a machine that somebody has called unsafe. */
export async function refuseStopped({ db, env: { say } }: Call, machineId: string): Promise<void> {
  const alarm = await db.alarm.one({ machineId, liftedAt: null });
  if (alarm)
    throw new Problem(409, 'machineStopped', { what: say(`symptom.${alarmSymptom(alarm.kind as AlarmKind)}`) });
}
