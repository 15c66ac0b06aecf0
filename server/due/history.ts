/**
 * What a point's line is computed from: its register, its facts as they were, what was found, its signals. Read for
 * many points at once.
 */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { carriedOver, withEdition } from '../../core/catalogue/edition.ts';
import { findProcedure, methodsOf, procedureOf } from '../../core/catalogue/catalogue.ts';
import { forbiddenAt, withAllowed } from '../../core/catalogue/chemistry.ts';
import { levelAt } from '../../core/catalogue/levels.ts';
import { withoutAgents } from '../../core/catalogue/methods.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import { resolveAnchor } from '../../core/due/anchor.ts';
import { assumptionsWith, NO_CHANGES } from '../../core/due/assumptions.ts';
import type { Stretch } from '../../core/due/exposure.ts';
import { servedDayOf } from '../../core/due/inputs.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import { signalDay } from '../../core/due/signals.ts';
import { pointsOfSymptom } from '../../core/faults/symptoms.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { SCOPES, type Scope } from '../../contract/due/practice.ts';
import { editionsInForce, type EditionInForce } from '../lookup/editions.ts';
import * as sql from '../sql/history.ts';
import type { Db } from '../store/db.ts';
import { inForce, knownFacts, type KnownFacts } from '../store/facts.ts';
import { holdAmong } from '../lookup/hold.ts';
import { effectsOn, placeHistory, stretchesOf, type PlaceHistory } from './circumstances.ts';
import type { Seasons } from '../store/factValues.ts';
import { conditionsAt, contractedMonths, isGone, plainCondition, type Contracted } from './conditions.ts';
import type { PointHistory, Supposition } from './pointHistory.ts';
import { waitsForSignal, choicesOf, daysWith, capsOf, turnAt, newSince } from './pointFacts.ts';

export const SEASONS: Seasons = { coolingMonth: 6, coolingDate: 1, leadDays: 14, warmCelsius: 22 };

/** A point with all that was so on each day, and what its line follows from. */
export async function readHistory(
  db: Db,
  pointId: string,
  now: number,
  supposed: Supposition = {},
): Promise<PointHistory> {
  return (await readHistories(db, [pointId], now, supposed))[0]!;
}

/** Histories in no certain order; a thousand or two at a time is quickest. */
export async function readHistories(
  db: Db,
  pointIds: readonly string[],
  now: number,
  supposed: Supposition = {},
): Promise<PointHistory[]> {
  const points = await sql.readPointRows(db, pointIds);
  const tenancies = await sql.readTenancyRows(db, [...new Set(points.map(({ placeId }) => placeId))]);
  const subjects = new Set(tenancies.map(({ id }) => id));
  for (const { id, organisationId, machineId, placeId, propertyId } of points)
    subjects.add(id).add(organisationId).add(machineId).add(placeId).add(propertyId);
  const [factRows, conditions, waiting, work, faults, signals] = await Promise.all([
    sql.readFactRows(db, [...subjects]),
    sql.readConditionRows(db, pointIds),
    sql.readWaitingRows(db, pointIds),
    sql.readWorkRows(db, pointIds),
    sql.readFaultRows(db, pointIds),
    sql.readSignalRows(db, pointIds),
  ]);
  const facts = knownFacts(
    factRows.sort((a, b) => a.fromDay - b.fromDay || a.recordedAt - b.recordedAt || (a.id < b.id ? -1 : 1)),
  );
  const read: HistoryRows = {
    now,
    supposed,
    facts,
    editions: await editionsInForce(db, [...new Set(points.map(({ organisationId }) => organisationId))]),
    today: new Map(),
    places: new Map(),
    stretches: new Map(),
    tenancies: grouped(tenancies.sort(byDay('fromDay')), ({ placeId }) => placeId),
    conditions: ofPoints(conditions.sort((a, b) => a.day - b.day || a.at - b.at)),
    waiting: new Map(waiting.map((row) => [row.pointId, row])),
    work: new Map(work.map((row) => [row.pointId, row])),
    faults: ofPoints(
      faults
        .filter(({ symptom, machineType, procedure }) => pointsOfSymptom(machineType, symptom).includes(procedure))
        .sort(byDay('day')),
    ),
    signals: ofPoints(signals.sort(byDay('day'))),
  };
  return points.map((row) => historyOf(read, row));
}

interface HistoryRows {
  readonly now: number;
  readonly supposed: Supposition;
  readonly facts: KnownFacts;
  readonly editions: ReadonlyMap<string, EditionInForce>;
  readonly today: Map<string, Day>;
  readonly places: Map<string, PlaceHistory>;
  readonly stretches: Map<string, Stretch[]>;
  readonly tenancies: ReadonlyMap<string, readonly sql.TenancyRow[]>;
  readonly conditions: ReadonlyMap<string, sql.ConditionRow[]>;
  readonly waiting: ReadonlyMap<string, sql.WaitingRow>;
  readonly work: ReadonlyMap<string, sql.WorkRow>;
  readonly faults: ReadonlyMap<string, readonly sql.FaultRow[]>;
  readonly signals: ReadonlyMap<string, readonly sql.SignalRow[]>;
}

const ofPoints = <T extends { readonly pointId: string }>(rows: readonly T[]) =>
  grouped(rows, ({ pointId }) => pointId);

const byDay =
  <K extends string>(name: K) =>
  (a: Readonly<Record<K, Day>>, b: Readonly<Record<K, Day>>): number =>
    a[name] - b[name];

function remembered<V>(map: Map<string, V>, key: string, make: () => V): V {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
}

function historyOf(read: HistoryRows, there: sql.PointRow): PointHistory {
  const row = read.supposed.instead === undefined ? there : { ...there, procedure: read.supposed.instead };
  const { id, number, procedure: key, organisationId, machineId, placeId, propertyId, zone } = row;
  const { facts, supposed } = read;
  const today = remembered(read.today, zone, () => dayOfInstant(read.now, zone));
  const scopes = [id, machineId, placeId, propertyId, organisationId];
  const changes = supposed.changes ?? inForce(facts.of(organisationId, 'assumptions'), today)?.value ?? NO_CHANGES;
  const assumed = assumptionsWith(changes);
  const specification = facts.of(id, 'specification').at(-1)?.value;
  const made = procedureAt(read, row, scopes, specification, today);
  const { procedure, choices, forbidden } = made;
  const place = remembered(read.places, placeId, () =>
    placeHistory(facts, placeId, propertyId, read.tenancies.get(placeId) ?? [], assumed),
  );
  const stretches = remembered(read.stretches, `${placeId} ${procedure.drivers.join()}`, () =>
    stretchesOf(procedure, place, assumed),
  );
  const { practice, practiceFrom } = practiceAt(read, scopes, today);
  const contract = facts.nearest([machineId], 'contract', today)?.value ?? null;
  const conditions = conditionsAt(read, row, contract, today);
  const calendar = calendarAt(read, row, { practice, contract, today });
  const anchor = anchorAt(read, id, procedure, today);
  const simple = conditions.map(plainCondition);
  const servedDay = servedDayOf({ conditions: simple });
  const faults = read.faults.get(id) ?? [];
  const signals = read.signals.get(id) ?? [];
  const lastService = conditions.findLast(({ kind }) => kind === 'service');
  return {
    point: { id, number, procedure: key, organisationId },
    machineId,
    placeId,
    propertyId,
    zone,
    today,
    ...made,
    calendar,
    signals,
    faults,
    conditions,
    lastService,
    retired: isGone(row, contract, today),
    practiceFrom,
    anchorChoice: anchor.choice,
    anchorMode: anchor.mode,
    scheduled: facts.nearest([id], 'scheduled', today)?.value ?? procedure.core,
    hold: holdAmong(facts.of(placeId, 'hold'), today),
    turn: turnAt(procedure, lastService?.agent ?? null, forbidden, today),
    waiting: read.waiting.get(id),
    jobState: read.work.get(id)?.state,
    inputs: {
      procedure: key,
      version: procedure.version,
      methods: methodsOf(procedure, choices),
      days: daysWith(key, procedure.days, changes),
      assumed: procedure.assumed.includes('steady'),
      ...(waitsForSignal(procedure, practice) && { signalled: true }),
      critical: procedure.safetyCritical,
      ...contractedMonths(key, contract),
      practice,
      caps: capsOf(facts, procedure, specification, propertyId, today),
      changes,
      stretches,
      effects: effectsOn(procedure, place, today, assumed),
      conditions: simple,
      newSince: newSince(row.installedDay, row.registeredAt, zone),
      turnovers: turnoversAt(read, placeId, today),
      anchor: resolveAnchor(anchor.choice, anchor.mode, calendar, servedDay ?? today),
      upkeepDay: facts.nearest([placeId, propertyId, organisationId], 'upkeepDay', today)?.value ?? null,
      signalDay: signalDay(
        [...signals, ...faults.map(({ day }) => ({ day, state: 'open' as const, recheckDay: null }))],
        servedDay,
        today,
      ),
    },
  };
}

function practiceAt({ facts, supposed }: HistoryRows, scopes: readonly string[], today: Day) {
  const fact = facts.nearest(scopes, 'practice', today);
  return { practice: supposed.practice ?? fact?.value ?? 'steady', practiceFrom: fact?.subjectId ?? scopes.at(-1)! };
}

/** Days on which a household followed another. */
function turnoversAt({ tenancies }: HistoryRows, placeId: string, today: Day): Day[] {
  const later = (tenancies.get(placeId) ?? []).slice(1);
  return later.map(({ fromDay }) => fromDay).filter((fromDay) => fromDay <= today);
}

/** Whether the household that lives there today has said that it does not do this. */
function isDeclined({ facts, tenancies }: HistoryRows, placeId: string, key: string, today: Day): boolean {
  const tenancy = tenancies.get(placeId)?.findLast(({ fromDay }) => fromDay <= today);
  return tenancy !== undefined && (facts.of(tenancy.id, 'agreed').at(-1)?.value.declined.includes(key) ?? false);
}

/** The procedure as methods, the edition in force, what is forbidden there and the machine make it. */
function procedureAt(
  read: HistoryRows,
  { procedure: key, organisationId, placeId, fuel, hardWired, switchKnown }: sql.PointRow,
  scopes: readonly string[],
  specification: Specification | undefined,
  today: Day,
): Pick<PointHistory, 'procedure' | 'edition' | 'choices' | 'forbidden' | 'raised'> {
  const { facts, supposed, editions } = read;
  const forbidden = forbiddenAt(findProcedure(key)!, specification ?? {});
  const choices = withoutAgents(supposed.choices ?? choicesOf(facts, scopes, today), forbidden);
  const saved = editions.get(`${organisationId} ${key}`) ?? null;
  const ours = procedureOf(key, choices);
  const edition = saved && { ...saved, content: carriedOver(ours, saved.content) };
  // Whatever method or edition says, what is forbidden here is not offered.
  const allowed = withAllowed(edition ? withEdition(ours, edition.content) : ours, forbidden);
  const { level, raised } = levelAt(allowed, {
    fuel,
    hardWired: hardWired === 1,
    switchKnown: switchKnown === 1,
    access: specification?.access ?? null,
    declined: isDeclined(read, placeId, key, today),
  });
  return { procedure: level === allowed.level ? allowed : { ...allowed, level }, edition, choices, forbidden, raised };
}

function calendarAt(
  { facts }: HistoryRows,
  { propertyId, organisationId, visitedDay }: sql.PointRow,
  { practice, contract, today }: { practice: Practice; contract: Contracted; today: Day },
): PointHistory['calendar'] {
  const seasons = facts.nearest([propertyId, organisationId], 'seasons', today)?.value ?? SEASONS;
  return {
    cooling: { month: seasons.coolingMonth, date: seasons.coolingDate },
    leadDays: seasons.leadDays,
    warmCelsius: seasons.warmCelsius,
    warmSpells: facts.of(propertyId, 'warmSpell').map(({ value }) => value),
    // What was recorded moves the last visit by itself.
    contract: contract && { ...contract, lastVisit: Math.max(contract.lastVisit, visitedDay ?? -Infinity) },
    practice,
  };
}

type AnchorInForce = NonNullable<Supposition['anchor']>;

function anchorAt({ facts, supposed }: HistoryRows, pointId: string, procedure: Procedure, today: Day): AnchorInForce {
  const chosen = supposed.anchor ?? facts.nearest([pointId], 'anchor', today)?.value ?? procedure.anchor;
  return chosen ?? { choice: { kind: 'none' }, mode: 'sets' };
}

/** The scope at which the practice of a point was chosen. */
export function practiceScope({ practiceFrom, point, machineId, placeId, propertyId }: PointHistory): Scope {
  const at = [point.id, machineId, placeId, propertyId].indexOf(practiceFrom);
  return at === -1 ? 'organisation' : SCOPES[SCOPES.length - 1 - at]!;
}
