/**
 * Work that nobody asked for: whoever scans a machine's label begins it there and then, and proves it like any other.
 */
import type { Begin } from '../../contract/jobs/jobs.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { aboveLevel, createJob } from './jobs.ts';
import { labelledMachine } from '../lookup/visible.ts';

/** The levels that this person may do: a tenant what needs nobody else, staff all that needs no licence or theirs. */
export const mayDo = ({ actor }: Call, level: string): boolean =>
  level === 'tenant' || (isOffice(actor) && (level === 'staff' || actor.licensed));

/**
 * Begins work that nobody planned, for whoever stands before the machine.
 * @throws Problem: what is not there or not theirs (404), level (422)
 */
export async function beginUnplanned(call: Call, number: string, { id, numbers }: Begin): Promise<{ id: string }> {
  const {
    env: { say },
    db,
    actor,
    now,
  } = call;
  const machine = await labelledMachine(call, number);
  const points = await db.point.all({ number: [...numbers], machineId: machine.id });
  if (points.length !== new Set(numbers).size) throw notFound();
  const histories = await readHistories(
    db,
    points.map((point) => point.id),
    now,
  );
  const above = histories.find(({ procedure }) => !mayDo(call, procedure.level));
  if (above) throw aboveLevel(say, above.procedure);
  return createJob(call, { id, machine, points, histories, assigneeId: actor.personId });
}
