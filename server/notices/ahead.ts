/** What households are to be asked for next, each part on the day that their answers say; and asking for it by itself. */
import { dayOfInstant, MS_PER_DAY, type Day } from '../../core/calendar/day.ts';
import { WINDOW_OPENS } from '../../core/due/line.ts';
import { askedOn, askingLead, GATHERED_DAYS, WINDOWS_AHEAD, type Fit, type ToAsk } from '../../core/notices/asking.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { lineOfMark, WORK } from '../../contract/due/due.ts';
import type { AheadAnswer, AheadHome } from '../../contract/notices/messages.ts';
import { breather } from '../context/breathe.ts';
import { speaking, type Call, type Env } from '../context/context.ts';
import { readHistories } from '../due/history.ts';
import { budgetUse } from '../jobs/budget.ts';
import { giveMany } from '../jobs/giveMany.ts';
import { namesOf } from '../lookup/find.ts';
import { placeInFull } from '../lookup/names.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';
import { clockActor } from '../people/clockActor.ts';
import { readTakenBack } from '../sql/askings.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { beliefsIn } from './answers.ts';
import { contactsOf, whyUnreached } from './contact.ts';
import { dutyOf } from './duty.ts';
import { askingRuleOf } from './planning.ts';

/** Homes that are named one by one; the others are counted. */
const NAMED_MOST = 60;
/** Days that the list looks ahead. */
const AHEAD_DAYS = 14;
/** Parts read between two turns of the event loop. */
const CHUNK = 500;
/** Work that was taken back longer ago is of an earlier service. */
const TAKEN_BACK_MS = 2 * 365 * MS_PER_DAY;

interface PartAhead extends ToAsk {
  readonly lineDay: Day;
  readonly fit: Fit;
  /** Somebody took it back, or handed it back, since it was served: it is theirs to say what follows. */
  readonly takenBack: boolean;
}

interface HomeToAsk {
  readonly place: Row<'place'>;
  readonly property: Row<'property'>;
  readonly tenancy: Row<'tenancy'>;
  readonly personId: string;
  readonly today: Day;
  readonly parts: readonly PartAhead[];
}

interface Office {
  readonly env: Env;
  readonly db: Db;
  readonly organisationId: string;
}

/** Every home in which something of a tenant's is to be asked for within some days. */
async function homesToAsk({ env, db, organisationId }: Office): Promise<HomeToAsk[]> {
  const now = env.clock();
  const properties = await db.property.all({ organisationId });
  const todays = new Map(
    properties.map((property) => [property.id, { property, today: dayOfInstant(now, property.zone) }]),
  );
  const places = new Map((await db.place.all({ organisationId })).map((place) => [place.id, place]));
  const tenancies = (await db.tenancy.all({ organisationId })).filter((it) => {
    const place = places.get(it.placeId);
    return place && tenancyDuring(it, todays.get(place.propertyId)!.today);
  });
  const tenancyOf = new Map(tenancies.map((it) => [it.placeId, it]));
  const todayAt = (placeId: string) => todays.get(places.get(placeId)!.propertyId)!;
  const marks = (await db.mark.all({ organisationId, work: WORK.none, scheduled: 1 })).filter((mark) => {
    const { servedDay, lineDay } = lineOfMark(mark);
    if (servedDay === null || !tenancyOf.has(mark.placeId)) return false;
    return lineDay - todayAt(mark.placeId).today <= WINDOWS_AHEAD * windowOfMark(mark) + AHEAD_DAYS + GATHERED_DAYS;
  });
  const forTenant = await tenantsOwn(db, marks, now);
  const [beliefOf, taken] = await Promise.all([
    beliefsIn(env, organisationId),
    readTakenBack(db, organisationId, now - TAKEN_BACK_MS),
  ]);
  const takenAt = new Map(taken.map(({ pointId, at }) => [pointId, at]));
  const mine = marks.filter(({ pointId }) => forTenant.has(pointId));
  return [...grouped(mine, ({ placeId }) => placeId)].map(([placeId, its]) => {
    const tenancy = tenancyOf.get(placeId)!;
    const { personId } = tenancy;
    const { today, property } = todayAt(placeId);
    const parts = its.map((mark): PartAhead => {
      const { servedDay, lineDay } = lineOfMark(mark);
      const { lead, fit } = askingLead(beliefOf(personId), windowOfMark(mark));
      const at = takenAt.get(mark.pointId);
      const takenBack = at !== undefined && dayOfInstant(at, property.zone) > servedDay!;
      return { number: mark.number, lineDay, askDay: lineDay - lead, fit, takenBack };
    });
    return { place: places.get(placeId)!, property, tenancy, personId, today, parts };
  });
}

/** Days before its line from which a part may be done. */
export const windowOfMark = ({ intervalDays }: Pick<Row<'mark'>, 'intervalDays'>): number =>
  Math.max(1, Math.floor(intervalDays * (1 - WINDOW_OPENS)));

/** Ids of the parts that a tenant may do. */
async function tenantsOwn(db: Db, marks: readonly Row<'mark'>[], now: number): Promise<Set<string>> {
  const found = new Set<string>();
  const breathe = breather();
  for (let i = 0; i < marks.length; i += CHUNK) {
    const ids = marks.slice(i, i + CHUNK).map(({ pointId }) => pointId);
    for (const { point, procedure, retired } of await readHistories(db, ids, now))
      if (!retired && procedure.level === 'tenant') found.add(point.id);
    await breathe();
  }
  return found;
}

const askable = ({ fit, takenBack }: PartAhead): boolean => fit !== 'staff' && !takenBack;

/** When each office was last looked through: a day is not longer for being looked at every hour. */
const looked = new WeakMap<Env['store'], Map<string, number>>();
const LOOK_EVERY_MS = 6 * 3_600_000;

/** Asks for what is to be asked for today, where an office wants that by itself. The clock calls it with each day. */
export async function askByRule(env: Env): Promise<void> {
  const now = env.clock();
  const lookedAt = looked.get(env.store) ?? new Map<string, number>();
  looked.set(env.store, lookedAt);
  for (const { id: organisationId } of await env.store.db.organisation.all({})) {
    const { gives } = await askingRuleOf(env.store.db, organisationId);
    // Whoever turns it off and on again is not made to wait.
    if (!gives) lookedAt.delete(organisationId);
    if (!gives || now < (lookedAt.get(organisationId) ?? -Infinity) + LOOK_EVERY_MS) continue;
    lookedAt.set(organisationId, now);
    const office = { env, db: env.store.db, organisationId };
    const homes = await homesToAsk(office);
    const whyNot = await whyNotBy(office, homes);
    for (const home of homes) {
      const numbers = askedOn(home.parts.filter(askable), home.today);
      if (numbers.length === 0 || (await whyNot(home)) !== null) continue;
      await env.store.write(async (db) => {
        const actor = await clockActor(env, db, organisationId, now);
        const chosen = { which: 'chosen', moves: false, from: null, assigneeId: null } as const;
        const call: Call = { env: speaking(env, actor.houseLanguage), db, actor, now };
        await giveMany(call, { ...chosen, placeIds: [home.place.id], numbers });
      });
    }
  }
}

/** Why a home is not asked by itself: nobody could be told, it has a list of its own, or its month is full. */
async function whyNotBy({ env, db, organisationId }: Office, homes: readonly HomeToAsk[]) {
  const contacts = await contactsOf(
    db,
    homes.map(({ personId }) => personId),
  );
  const duty = await dutyOf(db, organisationId);
  const lists = new Set((await db.monthList.all({ organisationId })).map(({ placeId }) => placeId));
  return async ({ place, property, tenancy, personId, today, parts }: HomeToAsk): Promise<string | null> => {
    if (lists.has(place.id)) return env.say('ahead.list');
    const unreached = whyUnreached(env.say, contacts.get(personId), duty);
    // What their month holds is asked only where something would be given today.
    if (unreached !== null || askedOn(parts.filter(askable), today).length === 0) return unreached;
    const { jobs, minutes, usedJobs, usedMinutes } = await budgetUse(db, tenancy, env.clock(), property.zone);
    return usedJobs >= jobs || usedMinutes >= minutes ? env.say('ahead.full') : null;
  };
}

/** What is to be asked for in the coming days, home by home, the first first, and what is not asked of tenants at all. */
export async function readAhead(call: Call): Promise<AheadAnswer> {
  const { env, db, actor } = call;
  const { organisationId } = actor;
  const office = { env, db, organisationId };
  const homes = await homesToAsk(office);
  const first = homes.flatMap((home) => {
    const mine = home.parts.filter(askable);
    const askDay = Math.max(home.today, Math.min(...mine.map((it) => it.askDay)));
    if (askDay > home.today + AHEAD_DAYS) return [];
    const numbers = new Set(askedOn(mine, askDay));
    const parts = mine.filter(({ number }) => numbers.has(number));
    return [{ home, askDay, parts, lineDay: Math.min(...parts.map((it) => it.lineDay)) }];
  });
  first.sort((a, b) => a.askDay - b.askDay || a.lineDay - b.lineDay);
  const named = first.slice(0, NAMED_MOST);
  const whyNot = await whyNotBy(
    office,
    named.map(({ home }) => home),
  );
  const names = await namesOf(
    db,
    named.map(({ home }) => home.personId),
  );
  const whys = new Map<HomeToAsk, string | null>();
  for (const { home } of named) whys.set(home, await whyNot(home));
  const near = homes.flatMap(({ parts, today }) =>
    parts.filter(({ lineDay }) => lineDay - today <= AHEAD_DAYS + GATHERED_DAYS),
  );
  return {
    gives: (await askingRuleOf(db, organisationId)).gives,
    days: AHEAD_DAYS,
    homes: named.map(({ home, askDay, lineDay, parts }): AheadHome => {
      const { place, property, personId, today } = home;
      return {
        placeId: place.id,
        place: placeInFull(place, property),
        person: names.get(personId) ?? env.say('story.someone'),
        parts: parts.length,
        lineDay,
        askDay,
        today,
        earlier: parts.some(({ fit }) => fit === 'earlier'),
        why: whys.get(home) ?? null,
      };
    }),
    more: first.length - named.length,
    withStaff: near.filter(({ fit }) => fit === 'staff').length,
    takenBack: near.filter(({ takenBack }) => takenBack).length,
  };
}
