/** Visits as they are read: by the office, by whoever makes them, by whoever lives there. */
import { dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { isLawful } from '../../core/notices/entry.ts';
import type { EntrySummary, VisitsAnswer, VisitsOf, VisitSummary, VisitToMe } from '../../contract/notices/visits.ts';
import type { Call } from '../context/context.ts';
import { announced, noticeHours } from '../jobs/entry.ts';
import type { Translator } from '../language/translator.ts';
import { namesOf } from '../lookup/find.ts';
import { placeInFull } from '../lookup/names.ts';
import { findPlace } from '../lookup/places.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';
import { visitorsTo } from './visitors.ts';

/** Visits of the past that a list still shows, and how long entries are shown. */
const PAST_DAYS = 7;
const ENTRIES_MS = 90 * 86_400_000;
const MOST_LISTED = 500;

/** Visits to come and just over, of one home or of all; staff read their own, unless they look at one home. */
export async function listVisits(call: Call, { placeId }: VisitsOf): Promise<VisitsAnswer> {
  const { db, actor, now } = call;
  const { organisationId } = actor;
  const place = placeId === null ? null : await findPlace(call, placeId);
  const some = place
    ? { placeId: place.id }
    : { organisationId, ...(!actor.roles.includes('manager') && { personId: actor.personId }) };
  const from = Math.floor(now / 86_400_000) - PAST_DAYS;
  const rows = await db.visit.all(
    { ...some, day: above(from) },
    {
      order: [
        ['day', 'ASC'],
        ['fromMinute', 'ASC'],
      ],
      limit: MOST_LISTED,
    },
  );
  const entries = place
    ? await db.entry.all({ placeId: place.id, at: above(now - ENTRIES_MS) }, { order: [['at', 'DESC']] })
    : [];
  const today = place ? dayOfInstant(now, await zoneOfPlace(db, place.id)) : 0;
  return {
    visits: await describe(call, rows),
    entries: await describeEntries(call, entries),
    hours: place ? await noticeHours(db, place.propertyId, today) : 0,
    people: place ? await visitorsTo(call, place) : [],
    purpose: place ? await purposeOf(call, place.id) : '',
  };
}

/** What staff and contractors have in hand in a home, in words. */
async function purposeOf({ db, env: { say } }: Call, placeId: string): Promise<string> {
  const jobs = await db.job.all({ placeId, state: 'given' });
  const staff = new Set(
    (
      await db.roleGrant.all({
        role: ['staff', 'manager', 'contractor'],
        personId: jobs.flatMap((it) => it.assigneeId ?? []),
      })
    ).map(({ personId }) => personId),
  );
  const theirs = jobs.filter(({ assigneeId }) => assigneeId !== null && staff.has(assigneeId));
  const tasks = await db.task.all({ jobId: theirs.map(({ id }) => id), state: 'outstanding' });
  const points = await db.point.all({ id: tasks.map(({ pointId }) => pointId) });
  return points.length === 0 ? '' : say.list(points.map(({ procedure }) => say(`task.${procedure}`))).slice(0, 200);
}

async function describe(call: Call, rows: readonly Row<'visit'>[]): Promise<VisitSummary[]> {
  const {
    db,
    env: { say },
    now,
  } = call;
  const names = await namesOf(
    db,
    rows.flatMap(({ personId, tenantId }) => [personId, tenantId]),
  );
  const places = await db.place.all({ id: [...new Set(rows.map(({ placeId }) => placeId))] });
  const properties = await db.property.all({ id: [...new Set(places.map(({ propertyId }) => propertyId))] });
  const here = new Set(
    (await db.roleGrant.all({ personId: rows.map(({ personId }) => personId) })).map(({ personId }) => personId),
  );
  return Promise.all(
    rows.map(async (row) => {
      const place = places.find(({ id }) => id === row.placeId)!;
      const property = properties.find(({ id }) => id === place.propertyId)!;
      const today = dayOfInstant(now, property.zone);
      const hours = await noticeHours(db, property.id, today);
      const lawful = isLawful(announced(row), hours, property.zone);
      return {
        id: row.id,
        placeId: row.placeId,
        place: placeInFull(place, property),
        zone: property.zone,
        today,
        personId: row.personId,
        person: names.get(row.personId) ?? say('story.someone'),
        gone: !here.has(row.personId),
        tenant: names.get(row.tenantId) ?? say('story.someone'),
        day: row.day,
        from: row.fromMinute,
        until: row.untilMinute,
        purpose: row.purpose,
        state: row.state,
        answer: row.answer,
        other: otherOf(row),
        note: row.note,
        says: visitWords(say, row, lawful, property.zone),
        lawful,
        delivered: row.deliveredAt !== null,
      };
    }),
  );
}

const otherOf = ({ otherDay: day, otherFrom: from, otherUntil: until }: Row<'visit'>) =>
  day === null || from === null || until === null ? null : { day, from, until };

const visitWords = (say: Translator, row: Row<'visit'>, lawful: boolean, zone: string): string =>
  say('visit.says', {
    state: row.state,
    answer: row.answer,
    delivered: row.deliveredAt === null ? 'none' : say.time(row.deliveredAt, zone),
    lawful: String(lawful),
  });

async function describeEntries({ db, env: { say } }: Call, rows: readonly Row<'entry'>[]): Promise<EntrySummary[]> {
  const names = await namesOf(
    db,
    rows.map(({ personId }) => personId),
  );
  return Promise.all(
    rows.map(async ({ id, at, ground, name, note, personId, placeId }) => ({
      id,
      at,
      zone: await zoneOfPlace(db, placeId),
      ground,
      note,
      says: say('entry.says', { ground, name: name || 'none', who: names.get(personId) ?? say('story.someone') }),
      wantsNote: ['fire', 'flood', 'gas', 'none'].includes(ground) && note === '',
    })),
  );
}

/** Visits to come to a tenant's home, for that tenant; those that anybody else is to make, for them. */
export async function visitsToMe({ db, actor, now, env: { say } }: Call, today: number): Promise<VisitToMe[]> {
  const whose = actor.roles.includes('tenant') ? { tenantId: actor.personId } : { personId: actor.personId };
  const rows = await db.visit.all(
    { ...whose, state: 'announced', day: above(today - 1) },
    { order: [['day', 'ASC']], limit: 20 },
  );
  const names = await namesOf(
    db,
    rows.map(({ personId }) => personId),
  );
  const places = await db.place.all({ id: rows.map(({ placeId }) => placeId) });
  const properties = await db.property.all({ id: places.map(({ propertyId }) => propertyId) });
  return rows
    .map((row) => {
      const place = places.find(({ id }) => id === row.placeId)!;
      return { row, place, property: properties.find(({ id }) => id === place.propertyId)! };
    })
    .filter(({ row, property }) => instantOfDay(row.day, row.untilMinute, property.zone) >= now)
    .map(({ row, place, property }) => ({
      id: row.id,
      placeId: row.placeId,
      place: placeInFull(place, property),
      day: row.day,
      from: row.fromMinute,
      until: row.untilMinute,
      person: names.get(row.personId) ?? say('story.someone'),
      purpose: row.purpose,
      answer: row.answer,
      other: otherOf(row),
    }));
}
