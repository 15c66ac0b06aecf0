/** Standing as of a day, of every home, of each property and of all: from records and lines as they stood. */
import { civilOf, dayOfCivil } from '../../core/calendar/civil.ts';
import { dayFromIso, dayOfInstant, DAYS_A_YEAR, instantOfDay, isoFromDay, type Day } from '../../core/calendar/day.ts';
import {
  figuresOf,
  shortfallsOf,
  soundUntil,
  trendOf,
  type ServicesBy,
  type Window,
} from '../../core/standing/figures.ts';
import { addDays, NO_DAYS } from '../../core/standing/trace.ts';
import type { StandingVerdict } from '../../core/standing/standing.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type {
  FiguresAnswer,
  GroupStanding,
  MonthDays,
  PlaceStanding,
  StandingAnswer,
  StandingOn,
} from '../../contract/standing/standing.ts';
import { fieldProblem } from '../context/problem.ts';
import type { Call } from '../context/context.ts';
import { logHead } from '../log/head.ts';
import { breachShareOn } from './verdict.ts';
import { readingScope } from '../people/ownerLinks.ts';
import type { Translator } from '../language/translator.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';
import { readAssigned, readServices } from '../sql/standing.ts';
import type { Row } from '../store/tables.ts';
import { countsOf } from './counts.ts';
import { readStood, type PlacedPoint } from './stood.ts';

/** Everything that standing as of a day is worked out from. */
interface Stood {
  readonly window: Window;
  readonly breachShare: number;
  readonly points: ReadonlyMap<string, readonly PlacedPoint[]>;
  readonly services: ReadonlyMap<string, readonly ServicesBy[]>;
  readonly alarms: ReadonlyMap<string, number>;
}

/**
 * Standing as of a day, and over the window before it.
 * @param counts of which procedures the parts are that it is about
 * @throws Problem: a day that has not come, or a window that ends before it begins (422); linkOver (401)
 */
export async function readStanding(
  call: Call,
  form: StandingOn,
  counts: (procedure: string) => boolean = () => true,
): Promise<StandingAnswer> {
  const { db, actor, now, env } = call;
  const { organisationId } = actor;
  const scope = await readingScope(call);
  const within = { organisationId, ...(scope.propertyId !== null && { propertyId: scope.propertyId }) };
  const [properties, buildings, places, tenancies] = await Promise.all([
    db.property.all(
      { organisationId, ...(scope.propertyId !== null && { id: scope.propertyId }) },
      { order: [['sort', 'ASC']] },
    ),
    db.building.all(within),
    db.place.all(within, { order: [['sort', 'ASC']] }),
    scope.names
      ? db.tenancy.all({ organisationId }, { columns: ['placeId', 'personId', 'fromDay', 'toDay'] })
      : Promise.resolve([]),
  ]);
  const zones = new Map(properties.map(({ id, zone }) => [id, zone]));
  const zone = properties[0]?.zone ?? 'UTC';
  const today = dayOfInstant(now, zone);
  const toDay = form.day === undefined ? today : dayFromIso(form.day);
  if (toDay > today) throw fieldProblem('day', 'field.future');
  const asked = form.from === undefined ? toDay - DAYS_A_YEAR + 1 : dayFromIso(form.from);
  if (asked > toDay) throw fieldProblem('from', 'field.windowEnds');
  const zoneOf = new Map(places.map(({ id, propertyId }) => [id, zones.get(propertyId)!]));
  const points = (await readStood(db, organisationId, zoneOf, toDay)).filter(({ procedure }) => counts(procedure));
  const began = points.length === 0 ? null : points.reduce((day, it) => Math.min(day, it.trace.sinceDay), toDay);
  const window = { fromDay: Math.max(asked, began ?? asked), toDay };
  const dayEnds = instantOfDay(toDay + 1, 0, zone);
  const [services, alarms, assigned] = await Promise.all([
    readServices(db, organisationId, null, window.fromDay, toDay),
    db.alarm.all({ organisationId }, { columns: ['placeId', 'raisedAt', 'liftedAt'] }),
    scope.names ? readAssigned(db, organisationId, Math.min(dayEnds, now)) : Promise.resolve([]),
  ]);
  const stood: Stood = {
    window,
    breachShare: await breachShareOn(db, organisationId, toDay),
    points: grouped(points, ({ placeId }) => placeId),
    services: grouped(
      services
        .filter(({ placeId, procedure }) => zoneOf.has(placeId) && counts(procedure))
        .map((it) => ({ ...it, by: it.by ?? '' })),
      ({ placeId }) => placeId,
    ),
    alarms: new Map(
      places.map(({ id }) => [
        id,
        alarms.filter((it) => it.placeId === id && it.raisedAt < dayEnds && (it.liftedAt ?? Infinity) >= dayEnds)
          .length,
      ]),
    ),
  };
  const names = await namesOf(db, [
    ...[...tenancies, ...assigned].map(({ personId }) => personId),
    ...(scope.names ? services.map(({ by }) => by) : []),
  ]);
  const holders = new Map(assigned.map(({ pointId, personId }) => [pointId, names.get(personId) ?? null]));
  const nameOf = namesOfParts(env.say);
  const of = (place: Row<'place'>): PlaceStanding => {
    const its = stood.points.get(place.id) ?? [];
    const tenancy = tenancies.find((it) => it.placeId === place.id && tenancyDuring(it, toDay));
    const sound = soundUntil(its, toDay);
    return {
      id: place.id,
      name: place.name,
      kind: place.kind,
      propertyId: place.propertyId,
      buildingId: place.buildingId,
      tenant: tenancy ? (names.get(tenancy.personId) ?? null) : null,
      figures: figuresOfPlaces(stood, [place.id]),
      alarms: stood.alarms.get(place.id)!,
      shortfalls: shortfallsOf(its, toDay).map(({ point, state, daysPast }) => ({
        number: point.number,
        says: nameOf(point),
        safetyCritical: point.safetyCritical,
        daysPast: state === 'noRecord' ? null : daysPast,
        by: holders.get(point.pointId) ?? null,
      })),
      soundUntil: sound === null ? null : isoFromDay(sound),
    };
  };
  const stand = places.map(of);
  const groupOf = (id: string, name: string, its: readonly PlaceStanding[]): GroupStanding => ({
    id,
    name,
    ...wholeOf(stood, its),
  });
  return {
    day: isoFromDay(toDay),
    from: isoFromDay(window.fromDay),
    today: isoFromDay(today),
    began: began === null ? null : isoFromDay(began),
    cut: window.fromDay > asked,
    breachShare: stood.breachShare,
    whole: wholeOf(stood, stand),
    properties: properties.map(({ id, name }) => {
      const its = stand.filter(({ propertyId }) => propertyId === id);
      return {
        ...groupOf(id, name, its),
        buildings: buildings
          .filter(({ propertyId }) => propertyId === id)
          .map((building) =>
            groupOf(
              building.id,
              building.name,
              its.filter(({ buildingId }) => buildingId === building.id),
            ),
          ),
      };
    }),
    places: stand,
    months: monthsOf(
      points,
      window,
      properties.map(({ id }) => id),
      new Map(places.map(({ id, propertyId }) => [id, propertyId])),
    ),
    ...(scope.names
      ? await countsOf(call, [...stood.services.values()].flat(), window, names)
      : { people: [], conditions: [], causes: { coded: [], open: 0, uncoded: 0 } }),
    log: await logHead(env.store, organisationId).then(({ entries, hash }) => ({ entries, head: hash })),
  };
}

/** A part as a sentence names it; thousands of them go by the same names. */
function namesOfParts(say: Translator): (part: PlacedPoint) => string {
  const known = new Map<string, string>();
  return ({ procedure, label, machineType: type }) => {
    const key = `${procedure} ${type} ${label}`;
    const name =
      known.get(key) ??
      say('standing.part', { part: say(`point.${procedure}`), machine: machineName(say, { label, type }) });
    known.set(key, name);
    return name;
  };
}

/** The figures of some places together. */
function figuresOfPlaces(
  { points, services, alarms, window, breachShare }: Stood,
  ids: readonly string[],
): FiguresAnswer {
  return figuresOf(
    ids.flatMap((id) => points.get(id) ?? []),
    ids.flatMap((id) => services.get(id) ?? []),
    ids.reduce((sum, id) => sum + alarms.get(id)!, 0),
    window,
    breachShare,
  );
}

function wholeOf(stood: Stood, places: readonly PlaceStanding[]): Omit<GroupStanding, 'id' | 'name'> {
  const count = (verdict: StandingVerdict) =>
    places.filter(({ figures }) => figures.standing.verdict === verdict).length;
  return {
    figures: figuresOfPlaces(
      stood,
      places.map(({ id }) => id),
    ),
    homes: { sound: count('sound'), watch: count('watch'), breach: count('breach'), unknown: count('unknown') },
  };
}

/** Past-line days by calendar month; the first and the last month as far as the window reaches. */
function monthsOf(
  points: readonly PlacedPoint[],
  { fromDay, toDay }: Window,
  propertyIds: readonly string[],
  propertyOf: ReadonlyMap<string, string>,
): MonthDays[] {
  const windows: Window[] = [];
  for (let day: Day = fromDay; day <= toDay; day = windows.at(-1)!.toDay + 1) {
    const { year, month } = civilOf(day);
    windows.push({ fromDay: day, toDay: Math.min(toDay, dayOfCivil(year, month + 1, 1) - 1) });
  }
  const its = grouped(points, ({ placeId }) => propertyOf.get(placeId)!);
  const each = propertyIds.map((id) => trendOf(its.get(id) ?? [], windows));
  return windows.map((window, i) => ({
    month: isoFromDay(window.fromDay).slice(0, 7),
    days: each.reduce((sum, days) => addDays(sum, days[i]!), NO_DAYS),
    byProperty: each.map((days) => days[i]!),
  }));
}
