/** Calendars that others subscribe to: each behind an address of its own, read as whoever made it may read. */
import { instantOfDay, type Day } from '../../core/calendar/day.ts';
import { calendarOf, type CalendarEvent } from '../../core/calendar/icalendar.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { FeedMade, FeedsAnswer, NewFeed } from '../../contract/pages/feeds.ts';
import { isManager, isOffice, sha256, speaking, type Call, type Env } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { findProperty } from '../lookup/places.ts';
import { ownTenancy, tenancyDuring } from '../lookup/tenancies.ts';
import { firstZone } from '../lookup/zone.ts';
import { openAskings } from '../notices/openAskings.ts';
import { memberOf } from '../people/members.ts';
import { numbersOfStop } from '../rounds/stops.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';
import { datesOf } from './calendar.ts';
import { jobsInHand } from './jobsOfPerson.ts';

/** Addresses that one person may have at once. */
const MOST = 20;
/** Days back that rounds and visits stay in a calendar. */
const PAST_DAYS = 14;
/** When it was read is written down so often, ms: a calendar program asks every few minutes. */
const READ_AGAIN_MS = 3_600_000;

/** Addresses of the caller, the latest first. */
export async function listFeeds({ db, actor }: Call): Promise<FeedsAnswer> {
  const feeds = await db.calendarFeed.all({ personId: actor.personId }, { order: [['createdAt', 'DESC']] });
  return {
    feeds: feeds.map(({ id, kind, subjectId, createdAt, readAt }) => ({
      id,
      kind,
      propertyId: kind === 'property' ? subjectId : null,
      createdAt,
      readAt,
    })),
  };
}

/**
 * Makes an address; its token is told once and kept as a hash.
 * @throws Problem: what is not there or not theirs (404), tooManyFeeds (409)
 */
export async function createFeed(call: Call, { kind, propertyId }: NewFeed): Promise<FeedMade> {
  const { env, db, actor, now } = call;
  const subjectId = await subjectOf(call, kind, propertyId);
  if ((await db.calendarFeed.count({ personId: actor.personId })) >= MOST) throw new Problem(409, 'tooManyFeeds');
  const token = env.secret();
  const { organisationId, personId } = actor;
  await db.calendarFeed.insert({
    id: sha256(token),
    organisationId,
    personId,
    kind,
    subjectId,
    createdAt: now,
    readAt: null,
  });
  return { address: `${env.publicAddress ?? call.origin ?? env.address()}/api/feeds/${token}.ics` };
}

async function subjectOf(call: Call, kind: NewFeed['kind'], propertyId: string | null): Promise<string> {
  const { actor } = call;
  if (kind === 'own' && isOffice(actor)) return actor.personId;
  if (kind === 'property' && isManager(actor)) return (await findProperty(call, propertyId!)).id;
  const tenancy = kind === 'tenancy' ? await ownTenancy(call) : undefined;
  if (!tenancy) throw notFound();
  return tenancy.id;
}

/** Ends an address at once. @throws Problem: what is not there or not theirs (404) */
export async function revokeFeed({ db, actor }: Call, id: string): Promise<object> {
  if ((await db.calendarFeed.remove({ id, personId: actor.personId })) === 0) throw notFound();
  return {};
}

/**
 * The calendar behind an address, for whoever has it.
 * @throws Problem: notFound (404) where it was revoked, or whoever made it may not read it any more
 */
export async function readFeed(env: Env, token: string): Promise<{ name: string; text: string }> {
  const { store, clock } = env;
  const now = clock();
  const feed = await store.db.calendarFeed.one({ id: sha256(token.replace(/\.ics$/, '')) });
  const member = feed && (await memberOf(store.db, feed));
  if (!feed || !member) throw notFound();
  const actor = { ...member, sessionId: '', linkId: null, csrf: '' };
  const call: Call = { env: speaking(env, actor.language), db: store.db, actor, now };
  const { name, events } = await eventsOf(call, feed);
  if (feed.readAt === null || now - feed.readAt > READ_AGAIN_MS)
    await store.write((db) => db.calendarFeed.update({ id: feed.id }, { readAt: now }));
  return { name, text: calendarOf(name, events, now) };
}

interface Events {
  readonly name: string;
  readonly events: CalendarEvent[];
}

async function eventsOf(call: Call, { kind, subjectId }: Row<'calendarFeed'>): Promise<Events> {
  const { actor } = call;
  const { today } = await firstZone(call);
  if (kind === 'own') {
    if (!isOffice(actor)) throw notFound();
    return { name: actor.organisation, events: await ownEvents(call, today) };
  }
  if (kind === 'tenancy') return tenancyEvents(call, subjectId, today);
  if (!isManager(actor) || (actor.properties && !actor.properties.includes(subjectId))) throw notFound();
  const dates = await datesOf(call, 'property', subjectId);
  const places = await call.db.place.all({ propertyId: subjectId });
  const visits = await call.db.visit.all({
    placeId: places.map(({ id }) => id),
    state: 'announced',
    day: above(today - PAST_DAYS),
  });
  return { name: dates.name, events: [...dates.events, ...(await visitsIn(call, visits))] };
}

/** One's rounds, and the jobs in hand that none of those to come has. */
async function ownEvents(call: Call, today: Day): Promise<CalendarEvent[]> {
  const stops = await call.db.roundStop.all({ personId: call.actor.personId, day: above(today - PAST_DAYS) });
  const toCome = new Set(stops.filter(({ day }) => day >= today).map(({ placeId }) => placeId));
  return [...(await stopsIn(call, stops)), ...(await handOf(call, toCome))];
}

/** Stops of rounds. Where a key lies is in no calendar. */
async function stopsIn(call: Call, stops: readonly Row<'roundStop'>[]): Promise<CalendarEvent[]> {
  const { say } = call.env;
  const placeOf = await placesOf(call, stops);
  return stops.map((stop) => {
    const { place, property } = placeOf(stop.placeId);
    return {
      uid: `stop-${stop.id}@dewline`,
      summary: placeInFull(place, property),
      description: say('feed.stop', { parts: numbersOfStop(stop).length }),
      from: instantOfDay(stop.day, stop.fromMinute, property.zone),
      until: instantOfDay(stop.day, Math.max(stop.fromMinute + 1, stop.overMinute ?? stop.untilMinute), property.zone),
    };
  });
}

/** Jobs in hand but in some homes, on the day of their line, or today where that is over. */
async function handOf(call: Call, but: ReadonlySet<string>): Promise<CalendarEvent[]> {
  const { say } = call.env;
  return (await jobsInHand(call))
    .filter(({ placeId }) => !but.has(placeId))
    .map((job) => {
      const lines = job.marks.flatMap(({ servedDay, intervalDays }) => (servedDay ? servedDay + intervalDays : []));
      return {
        uid: `job-${job.id}@dewline`,
        summary: `${job.machine}, ${job.place}`,
        description: say('feed.job'),
        day: Math.max(job.today, Math.min(...lines, job.today + 3650)),
      };
    });
}

/** Visits to a tenant, and what they are asked for by when. */
async function tenancyEvents(call: Call, tenancyId: string, today: Day): Promise<Events> {
  const { db, actor, env } = call;
  const { say } = env;
  const tenancy = await db.tenancy.one({ id: tenancyId, personId: actor.personId });
  if (!tenancy || (!tenancyDuring(tenancy, today) && tenancy.fromDay <= today)) throw notFound();
  const { placeId } = tenancy;
  const day = above(today - PAST_DAYS);
  const visits = await db.visit.all({ placeId, tenantId: actor.personId, state: 'announced', day });
  const asked = await openAskings(db, actor.organisationId, actor.personId);
  const machines = new Map((await db.machine.all({ placeId })).map((it) => [it.id, machineName(say, it)]));
  const requests = asked
    .filter((it) => it.placeId === placeId)
    .map(({ id, doBy, parts }) => ({
      uid: `request-${id}@dewline`,
      summary: say('feed.asked'),
      description: [...grouped(parts, ({ machineId }) => machineId)]
        .map(([machineId, its]) =>
          say('asking.machine', {
            machine: machines.get(machineId) ?? '',
            parts: say.list(its.map(({ procedure }) => say(`point.${procedure}`))),
          }),
        )
        .join('\n'),
      day: Math.max(today, doBy),
    }));
  return { name: actor.organisation, events: [...(await visitsIn(call, visits)), ...requests] };
}

async function visitsIn(call: Call, visits: readonly Row<'visit'>[]): Promise<CalendarEvent[]> {
  const { db, env } = call;
  const placeOf = await placesOf(call, visits);
  const people = await db.person.all({ id: [...new Set(visits.map(({ personId }) => personId))] });
  return visits.map((visit) => {
    const { place, property } = placeOf(visit.placeId);
    const who = people.find(({ id }) => id === visit.personId)!.name;
    return {
      uid: `visit-${visit.id}@dewline`,
      summary: env.say('feed.visit', { who, place: place.name }),
      description: visit.purpose,
      from: instantOfDay(visit.day, visit.fromMinute, property.zone),
      until: instantOfDay(visit.day, visit.untilMinute, property.zone),
    };
  });
}

/** Home and property of each of some rows. */
async function placesOf({ db }: Call, rows: readonly { readonly placeId: string }[]) {
  const places = await db.place.all({ id: [...new Set(rows.map(({ placeId }) => placeId))] });
  const properties = await db.property.all({ id: [...new Set(places.map(({ propertyId }) => propertyId))] });
  return (placeId: string) => {
    const place = places.find(({ id }) => id === placeId)!;
    return { place, property: properties.find(({ id }) => id === place.propertyId)! };
  };
}
