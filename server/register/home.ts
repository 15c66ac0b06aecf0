/** A tenant's own home: what to do, what was done, what is wrong, and nobody else's anything. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { HomeAnswer } from '../../contract/jobs.ts';
import { habitsAt } from '../due/habits.ts';
import { listSignals } from '../due/signals.ts';
import type { Call } from '../env.ts';
import { listFaults } from '../faults/faults.ts';
import { reportableMachine } from '../faults/reportable.ts';
import { doneLately, jobsInHand } from '../jobs/describe.ts';

const NOTHING = { kind: 'home', place: null, jobs: [], done: [], habits: [], signals: [], faults: [], machines: [] } as const;

export async function readHome(call: Call): Promise<HomeAnswer> {
  const { db, actor, now, env: { say } } = call;
  if (actor.roles.includes('contractor')) return { ...NOTHING, kind: 'work', name: actor.name, jobs: await jobsInHand(call), done: await doneLately(call) };
  const link = actor.linkId ? await db.link.one({ id: actor.linkId }) : undefined;
  const tenancy = link && await db.tenancy.one({ id: link.tenancyId });
  const place = tenancy && await db.place.one({ id: tenancy.placeId });
  const property = place && await db.property.one({ id: place.propertyId });
  const today = property && dayOfInstant(now, property.zone);
  if (!place || !property || (tenancy.toDay ?? today!) < today!) return { ...NOTHING, name: actor.name };
  const served = await db.machineServes.all({ placeId: place.id });
  const machines = await db.machine.all({ organisationId: actor.organisationId, retiredDay: null });
  const mine = machines.filter(({ id, placeId }) => placeId === place.id || served.some(({ machineId }) => machineId === id));
  return {
    kind: 'home', name: actor.name,
    place: { id: place.id, name: place.name, property: property.name, today: dayOfInstant(now, property.zone) },
    jobs: await jobsInHand(call),
    done: await doneLately(call),
    habits: (await habitsAt(call, place.id, tenancy)).filter(({ due }) => due),
    signals: (await listSignals(call, { placeId: place.id })).filter(({ state }) => state === 'open').map(({ id, says, machine }) => ({ id, says, machine })),
    faults: (await listFaults(call, { placeId: place.id })).filter(({ closedAt }) => closedAt === null),
    machines: mine.map((machine) => reportableMachine(say, machine)),
  };
}
