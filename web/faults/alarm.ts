/** Raising an alarm from this device, and hearing what became of it. */
import type { AlarmAnswer, RaiseAlarm } from '../../contract/faults/alarms.ts';
import { api, newId, Problem } from '../api/api.ts';
import { enqueue } from '../outbox/outbox.ts';

/** Sends it before anything else that waits here; without a connection it is kept, and goes with the rest. */
export async function raise(
  form: Omit<RaiseAlarm, 'id'>,
): Promise<{ readonly id: string; readonly answer: AlarmAnswer | null }> {
  const id = newId();
  try {
    return { id, answer: await api('alarm.raise', { form: { id, ...form }, once: id }) };
  } catch (error) {
    if (!(error instanceof Problem) || (error.status !== 0 && error.status < 500)) throw error;
    await enqueue(form.jobId ?? id, { kind: 'form', path: '/alarms', form: { id, ...form } }, id);
    return { id, answer: null };
  }
}

/** What the office knows of it; null while it has not heard. */
export const hear = (id: string): Promise<AlarmAnswer | null> => api('alarm.read', { id }).catch(() => null);
