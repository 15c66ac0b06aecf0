/** The people of an office as one screen lists them: found, ordered, a page at a time. */
import {
  PEOPLE_KINDS,
  type FindPeople,
  type PeopleAnswer,
  type Person,
  type Role,
} from '../../contract/people/people.ts';
import { isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { PRACTISED } from '../../core/due/burden.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import { wilsonInterval } from '../../core/statistics/proportion.ts';
import type { Call } from '../context/context.ts';
import { firstZone } from '../lookup/zone.ts';
import { rolesIn } from '../people/office.ts';
import { namedProperties } from '../people/properties.ts';
import { countPeople, listPeople, readDoneByPerson, readRehearsedBy, type DoneByPerson } from '../sql/people.ts';
import type { Db } from '../store/db.ts';

const YEAR_MS = 365 * MS_PER_DAY;

/** Those of one kind who match, one page of them; and how many there are of each kind. */
export async function readPeople(call: Call, form: FindPeople): Promise<PeopleAnswer> {
  const { db, actor, now } = call;
  const { organisationId } = actor;
  const { today } = await firstZone(call);
  const since = now - YEAR_MS;
  const [{ ids, matching }, counted, properties] = await Promise.all([
    listPeople(db, organisationId, form, { today, since }),
    countPeople(db, organisationId, today),
    namedProperties(db, organisationId),
  ]);
  const [people, grants, limits, done, rehearsed, inHand, homes] = await Promise.all([
    db.person.all({ id: ids }),
    db.roleGrant.all({ personId: ids }),
    db.personProperty.all({ personId: ids }),
    readDoneByPerson(db, organisationId, since),
    readRehearsedBy(db, organisationId),
    workInHand(db, ids),
    homesOf(db, ids),
  ]);
  const personOf = new Map(people.map((it) => [it.id, it]));
  const listed = ids.map((id): Person => {
    const { name, email, disabledAt, formerRoles, passwordHash, totpSecret, limited, level, hoursAWeek } =
      personOf.get(id)!;
    const roles: Role[] = grants.filter(({ personId }) => personId === id).map(({ role }) => role);
    const theirs = new Set(limits.filter(({ personId }) => personId === id).map(({ propertyId }) => propertyId));
    return {
      id,
      name,
      email,
      properties: limited === 1 ? properties.filter((it) => theirs.has(it.id)) : null,
      roles: disabledAt === null ? roles : rolesIn(formerRoles),
      disabledAt,
      opened: passwordHash !== null,
      secondFactor: totpSecret !== null,
      onTime: onTimeOf(done.find(({ personId }) => personId === id)),
      rehearsed: rehearsed.find(({ personId }) => personId === id)?.count ?? 0,
      openJobs: inHand.get(id)?.jobs ?? 0,
      openMinutes: Math.round((inHand.get(id)?.minutes ?? 0) * PRACTISED),
      level,
      hoursAWeek,
      homes: homes.get(id) ?? [],
    };
  });
  const countOf = (kind: string) => counted.find((it) => it.kind === kind)?.count ?? 0;
  const counts = Object.fromEntries(PEOPLE_KINDS.map((kind) => [kind, countOf(kind)])) as PeopleAnswer['counts'];
  return { people: listed, matching, counts, properties };
}

/** Jobs in the hands of some people, and a newcomer's hands-on minutes of what is outstanding of them. */
async function workInHand(db: Db, ids: readonly string[]) {
  const jobs = await db.job.all({ assigneeId: [...ids], state: DOING_STATES }, { columns: ['id', 'assigneeId'] });
  const tasks = await db.task.all(
    { jobId: jobs.map(({ id }) => id), state: 'outstanding' },
    { columns: ['jobId', 'pointId'] },
  );
  const points = await db.point.all({ id: tasks.map(({ pointId }) => pointId) }, { columns: ['id', 'procedure'] });
  const minutesOf = new Map(points.map(({ id, procedure }) => [id, procedureOf(procedure).minutes]));
  const inHand = new Map<string, { jobs: number; minutes: number }>();
  for (const { id, assigneeId } of jobs) {
    const { jobs: count, minutes } = inHand.get(assigneeId!) ?? { jobs: 0, minutes: 0 };
    const own = tasks.filter(({ jobId }) => jobId === id);
    inHand.set(assigneeId!, {
      jobs: count + 1,
      minutes: own.reduce((sum, { pointId }) => sum + (minutesOf.get(pointId) ?? 0), minutes),
    });
  }
  return inHand;
}

/** Where some people live, come to live or lived, the latest first. */
async function homesOf(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, Person['homes']>> {
  const tenancies = await db.tenancy.all({ personId: [...ids] }, { order: [['fromDay', 'DESC']] });
  const places = await db.place.all({ id: tenancies.map(({ placeId }) => placeId) });
  const properties = await db.property.all({ id: [...new Set(places.map(({ propertyId }) => propertyId))] });
  const homes = new Map<string, Person['homes'][number][]>();
  for (const { personId, placeId, fromDay, toDay } of tenancies) {
    const place = places.find(({ id }) => id === placeId)!;
    const property = properties.find(({ id }) => id === place.propertyId)!;
    const to = toDay === null ? null : isoFromDay(toDay);
    const home = { id: placeId, name: place.name, property: property.name, from: isoFromDay(fromDay), to };
    homes.set(personId, [...(homes.get(personId) ?? []), home]);
  }
  return homes;
}

function onTimeOf(done: DoneByPerson | undefined): Person['onTime'] {
  if (!done) return null;
  const { low, high } = wilsonInterval(done.onTime, done.services);
  return { of: done.services, on: done.onTime, low, high };
}
