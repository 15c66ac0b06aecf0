/** A tenant's own home: what to do, what was done, what is wrong, and nobody else's anything. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import type { HomeAnswer } from '../../contract/jobs/jobs.ts';
import { habitsAt } from '../due/habits.ts';
import { listSignals } from '../due/signals.ts';
import type { Call } from '../context/context.ts';
import { goneQuestions } from '../faults/gone.ts';
import { listFaults } from '../faults/faults.ts';
import type { FaultSummary } from '../../contract/faults/faults.ts';
import { ownContactOf } from '../notices/contact.ts';
import { visitsToMe } from '../notices/visitLists.ts';
import { ownTenancy } from '../lookup/tenancies.ts';
import type { Row } from '../store/tables.ts';
import { reportableMachine } from '../words/reportable.ts';
import { doneLately, jobsInHand } from './jobsOfPerson.ts';

const NOTHING = {
  kind: 'home',
  place: null,
  jobs: [],
  done: [],
  habits: [],
  signals: [],
  faults: [],
  gone: [],
  machines: [],
  opens: null,
  contact: null,
  monthList: null,
  visits: [],
} as const;

/** What a tenant, or somebody from outside with a link, sees first. */
export async function readHome(call: Call): Promise<HomeAnswer> {
  const {
    db,
    actor,
    now,
    env: { say },
  } = call;
  if (actor.roles.includes('contractor'))
    return {
      ...NOTHING,
      kind: 'work',
      name: actor.name,
      jobs: await jobsInHand(call),
      done: await doneLately(call),
      visits: await visitsToMe(call, dayOfInstant(now, 'UTC') - 1),
    };
  const tenancy = await ownTenancy(call);
  const place = tenancy && (await db.place.one({ id: tenancy.placeId }));
  const property = place && (await db.property.one({ id: place.propertyId }));
  const today = property && dayOfInstant(now, property.zone);
  if (!place || !property || (tenancy.toDay ?? today!) < today!) return { ...NOTHING, name: actor.name };
  // Before its first day a tenancy reads nothing of who lives there now.
  if (tenancy.fromDay > today!) return { ...NOTHING, name: actor.name, opens: say.day(tenancy.fromDay) };
  const served = await db.machineServes.all({ placeId: place.id });
  const machines = await db.machine.all({ organisationId: actor.organisationId, retiredDay: null });
  const mine = machines.filter(
    ({ id, placeId }) => placeId === place.id || served.some(({ machineId }) => machineId === id),
  );
  const given = await db.monthList.one({ placeId: place.id });
  return {
    kind: 'home',
    name: actor.name,
    opens: null,
    place: { id: place.id, name: place.name, property: property.name, today: dayOfInstant(now, property.zone) },
    jobs: await jobsInHand(call),
    done: await doneLately(call),
    habits: (await habitsAt(call, place.id, tenancy)).filter(({ due }) => due),
    signals: (await listSignals(call, { placeId: place.id }))
      .filter(({ state }) => state === 'open')
      .map(({ id, says, machine }) => ({ id, says, machine })),
    faults: await openFaultsFor(call, mine, place.id),
    gone: await goneQuestions(call),
    machines: mine.map((machine) => reportableMachine(say, machine)),
    contact: await ownContactOf(call),
    monthList: given?.listId && given.givenDay !== null ? isoFromDay(given.givenDay) : null,
    visits: await visitsToMe(call, today!),
  };
}

/**
 * What is wrong at home, and what this household itself reported at a machine that it shares; whose words those are is
 * their own alone.
 */
async function openFaultsFor(
  call: Call,
  machines: readonly Row<'machine'>[],
  placeId: string,
): Promise<FaultSummary[]> {
  const shared = machines.filter((machine) => machine.placeId !== placeId).map(({ id }) => id);
  const own = await call.db.fault.all({ openedBy: call.actor.personId, closedAt: null }, { columns: ['id'] });
  const joined = await call.db.faultReport.all({ byPerson: call.actor.personId }, { columns: ['faultId'] });
  const mine = new Set([...own.map(({ id }) => id), ...joined.map(({ faultId }) => faultId)]);
  const faults = [
    ...(await listFaults(call, { placeId })),
    ...(await Promise.all(shared.map((machineId) => listFaults(call, { machineId }))))
      .flat()
      .filter(({ id }) => mine.has(id)),
  ];
  return faults
    .filter(({ closedAt }) => closedAt === null)
    .map((fault) =>
      own.some(({ id }) => id === fault.id)
        ? { ...fault, alsoBy: [] }
        : { ...fault, openedBy: '', alsoBy: [], note: '', photoIds: [] },
    );
}
