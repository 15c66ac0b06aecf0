/** Closing a fault by code, and coding the closings that were words alone. */
import { causesToName } from '../../core/faults/causes.ts';
import type { CloseFault, CodeFault } from '../../contract/faults/faults.ts';
import { recompute } from '../due/recompute.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import type { Row } from '../store/tables.ts';
import { claimPhoto, DONE_SLOT } from '../photos/photos.ts';
import { liftAlarms } from './alarms.ts';
import { refuseUnapproved } from './approvals.ts';
import { pointsDue } from './faults.ts';
import { closingWords } from './words.ts';

/**
 * Closes a fault with its cause and what was done; an alarm of its machine is lifted with the last.
 * @throws Problem: faultClosed, needsYes (409), a cause that is none of this machine's (422), what is not there or not theirs (404)
 */
export async function closeFault(call: Call, id: string, form: CloseFault): Promise<object> {
  const fault = await faultOf(call, id);
  await close(call, fault, form);
  return {};
}

/**
 * Closes a fault for whoever was found to be allowed to.
 * @throws Problem: faultClosed, needsYes (409), a cause that is none of this machine's (422)
 */
export async function close(call: Call, fault: Row<'fault'>, form: CloseFault): Promise<void> {
  const { db, actor, now } = call;
  if (fault.closedAt !== null) throw new Problem(409, 'faultClosed', { found: closingWords(call.env.say, fault) });
  const machine = (await db.machine.one({ id: fault.machineId }))!;
  refuseForeignCause(machine, fault, form.cause);
  await refuseUnapproved(call, fault.id, form);
  const { cause, remedy, found, minutes, parts, cost, payer } = form;
  await db.fault.update(
    { id: fault.id },
    { closedAt: now, closedBy: actor.personId, cause, remedy, found, minutes, parts, cost, payer },
  );
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, fault.id, DONE_SLOT);
  await liftAlarms(call, fault.id);
  await recompute(
    db,
    (await pointsDue(db, machine, fault.symptom)).map((point) => point.id),
    now,
  );
}

/**
 * Says the cause of a fault that was closed in words alone, or says it better.
 * @throws Problem: faultOpen (409), a cause that is none of this machine's (422), what is not there or not theirs (404)
 */
export async function codeFault(call: Call, id: string, { cause }: CodeFault): Promise<object> {
  const fault = await faultOf(call, id);
  if (fault.closedAt === null) throw new Problem(409, 'faultOpen');
  refuseForeignCause((await call.db.machine.one({ id: fault.machineId }))!, fault, cause);
  await call.db.fault.update({ id }, { cause });
  return {};
}

async function faultOf({ db, actor }: Call, id: string): Promise<Row<'fault'>> {
  const fault = await db.fault.one({ id, organisationId: actor.organisationId });
  if (!fault) throw notFound();
  return fault;
}

function refuseForeignCause({ type }: Row<'machine'>, { symptom }: Row<'fault'>, cause: string): void {
  if (!causesToName(type, symptom).some(({ key }) => key === cause)) throw fieldProblem('cause', 'field.cause');
}
