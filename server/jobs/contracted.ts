/** A job for a contractor: one link opens one job, and closes with it. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { GiveContracted } from '../../contract/jobs/jobs.ts';
import { NO_CONTACT } from '../../contract/notices/messages.ts';
import type { Call } from '../context/context.ts';
import { makeJobLink } from '../people/jobLinks.ts';
import { createJob, readSitting } from './jobs.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { recordFact } from '../store/facts.ts';
import { personRow } from '../store/person.ts';

/** Work of any level: a contractor holds what licence it wants, and the office has seen to that. */
export async function giveContracted(call: Call, form: GiveContracted): Promise<{ id: string; path: string }> {
  const {
    env,
    db,
    actor: { organisationId },
    now,
  } = call;
  const sitting = await readSitting(call, form.pointIds);
  const personId = env.newId();
  await db.person.insert(personRow({ id: personId, organisationId, name: form.name, createdAt: now }));
  await db.roleGrant.insert({ id: env.newId(), organisationId, personId, role: 'contractor' });
  await createJob(call, { id: form.id, ...sitting, assigneeId: personId });
  if (form.email) {
    const today = dayOfInstant(now, await zoneOfPlace(db, sitting.machine.placeId));
    await recordFact(call, personId, 'contact', { ...NO_CONTACT, way: 'mail', email: form.email }, today);
  }
  return { id: form.id, path: await makeJobLink(call, { jobId: form.id, personId, organisationId }) };
}
