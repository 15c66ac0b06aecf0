/**
 * What a new day changes by itself: facts that begin, holds and new homes that end, signals that come back,
 * the first warm spell. Idempotent: done twice, it finds nothing more to do.
 */
import { below, upTo, within } from '../store/where.ts';
import { civilOf } from '../../core/calendar/civil.ts';
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { firstWarmSpell } from '../../core/due/warmSpell.ts';
import { WORK } from '../../contract/due/due.ts';
import type { Env } from '../context/context.ts';
import { clockActor } from '../people/clockActor.ts';
import { giveMonthLists } from '../jobs/monthList.ts';
import { askByRule } from '../notices/ahead.ts';
import { takeBack } from '../register/turnover.ts';
import type { Db } from '../store/db.ts';
import { factsOf, nearestFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { readHistories, SEASONS } from '../due/history.ts';
import { recompute } from '../due/recompute.ts';

/** How far back a start catches up on days on which nothing ran. */
const CATCH_UP_DAYS = 40;

/** What a new day changes by itself, for every organisation, as the system; doing it twice changes nothing. */
export async function turnDay(env: Env): Promise<void> {
  const now = env.clock();
  await env.store.write(async (db) => {
    for (const property of await db.property.all({})) {
      const today = dayOfInstant(now, property.zone);
      const places = (await db.place.all({ propertyId: property.id }, { columns: ['id'] })).map(({ id }) => id);
      const warm = await noteWarmSpell(env, db, property, today, now);
      await takeBackFromGone(env, db, property, places, today, now);
      const points = new Set([
        ...(await begun(db, property, places, today)),
        ...(await ended(db, places, today, now)),
        ...warm,
      ]);
      if (points.size > 0) await recompute(db, [...points], now);
    }
  });
  await env.redrawing.run();
  await giveMonthLists(env);
  await askByRule(env);
}

/**
 * Points below a fact that began lately: the organisation's, the property's, a place's, a tenancy's, a machine's or
 * their own.
 */
async function begun(db: Db, property: Row<'property'>, places: readonly string[], today: Day): Promise<string[]> {
  const marks = await db.mark.all({ placeId: [...places] }, { columns: ['pointId', 'placeId'] });
  const tenancies = await db.tenancy.all({ placeId: [...places] });
  const machines = await db.machine.all({ placeId: [...places] }, { columns: ['id', 'placeId'] });
  const placeOf = new Map([
    ...places.map((id) => [id, id] as const),
    ...tenancies.map((it) => [it.id, it.placeId] as const),
    ...machines.map((it) => [it.id, it.placeId] as const),
    ...marks.map((it) => [it.pointId, it.placeId] as const),
  ]);
  const facts = await db.fact.all(
    { organisationId: property.organisationId, fromDay: within(today - CATCH_UP_DAYS, today) },
    { columns: ['subjectId', 'fromDay', 'recordedAt'] },
  );
  // Those recorded on their own day were computed at once; only those written ahead of their day are waited for.
  const ahead = facts.filter(({ fromDay, recordedAt }) => dayOfInstant(recordedAt, property.zone) < fromDay);
  const moved = tenancies.filter(({ fromDay, toDay }) =>
    [fromDay, (toDay ?? Infinity) + 1].some((day) => day <= today && day > today - CATCH_UP_DAYS),
  );
  const whole = ahead.some(({ subjectId }) => subjectId === property.id || subjectId === property.organisationId);
  const touched = new Set([
    ...ahead.map(({ subjectId }) => placeOf.get(subjectId)),
    ...moved.map(({ placeId }) => placeId),
  ]);
  return marks.filter(({ placeId }) => whole || touched.has(placeId)).map(({ pointId }) => pointId);
}

/** Points whose hold is over, and those whose dismissed signal comes back. */
async function ended(db: Db, places: readonly string[], today: Day, now: number): Promise<string[]> {
  const held = (await db.mark.all({ placeId: [...places], work: WORK.onHold }, { columns: ['pointId'] })).map(
    ({ pointId }) => pointId,
  );
  const over =
    held.length === 0
      ? []
      : (await readHistories(db, held, now)).filter(({ hold }) => hold === null).map(({ point }) => point.id);
  const back = await db.signal.all({ placeId: [...places], state: 'dismissed', recheckDay: upTo(today) });
  // It waits again like a new one, with what was said of it.
  for (const signal of back) await db.signal.update({ id: signal.id }, { state: 'open', day: signal.recheckDay! });
  return [...over, ...back.map(({ pointId }) => pointId)];
}

/** What tenants who are gone by now still had in hand goes back to the office. */
async function takeBackFromGone(
  env: Env,
  db: Db,
  property: Row<'property'>,
  places: readonly string[],
  today: Day,
  now: number,
): Promise<void> {
  const gone = (await db.tenancy.all({ placeId: [...places], toDay: below(today) })).filter(
    ({ toDay }) => toDay! >= today - CATCH_UP_DAYS,
  );
  if (gone.length === 0) return;
  const actor = await clockActor(env, db, property.organisationId, now);
  for (const { personId } of gone) await takeBack({ env, db, actor, now }, personId);
}

/** Procedures that wait for the first warm spell. */
const WARM = [...procedures.values()].filter(({ anchor }) => anchor?.choice.kind === 'firstWarm').map(({ key }) => key);

/** Writes the first warm spell of this year down once, and names the points that wait for it. */
async function noteWarmSpell(env: Env, db: Db, property: Row<'property'>, today: Day, now: number): Promise<string[]> {
  const { year } = civilOf(today);
  const known = await factsOf(db, [property.id], 'warmSpell');
  if (known.some(({ value }) => civilOf(value).year === year)) return [];
  const { warmCelsius } =
    (await nearestFact(db, [property.id, property.organisationId], 'seasons', today))?.value ?? SEASONS;
  const day = firstWarmSpell((it) => env.weather.highCelsius(property.zone, it), warmCelsius, year, today);
  if (day === undefined) return [];
  const { personId: recorder } = await clockActor(env, db, property.organisationId, now);
  await db.fact.insert({
    id: env.newId(),
    organisationId: property.organisationId,
    subjectId: property.id,
    name: 'warmSpell',
    value: JSON.stringify(day),
    fromDay: day,
    recordedAt: now,
    recordedBy: recorder,
  });
  const machines = (
    await db.machine.all(
      { placeId: (await db.place.all({ propertyId: property.id }, { columns: ['id'] })).map(({ id }) => id) },
      { columns: ['id'] },
    )
  ).map(({ id }) => id);
  return (await db.point.all({ machineId: machines, procedure: WARM }, { columns: ['id'] })).map(({ id }) => id);
}
