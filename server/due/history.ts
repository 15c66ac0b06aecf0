/** What a point's line is computed from: its register, its facts as they were, what was found, its signals. Read for many points at once. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { carriedOver, withEdition } from '../../core/catalogue/edition.ts';
import { methodsOf, procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { forbiddenAt, withAllowed } from '../../core/catalogue/chemistry.ts';
import { levelAt, type Raise } from '../../core/catalogue/levels.ts';
import { withoutAgents } from '../../core/catalogue/methods.ts';
import type { Agent, Choices, Procedure } from '../../core/catalogue/types.ts';
import { ROTATION } from '../../core/catalogue/procedures/dishwasher.ts';
import { expand } from '../../core/calendar/recurrence.ts';
import { resolveAnchor, ruleOf, turnOf, type AnchorChoice, type CalendarFacts } from '../../core/due/anchor.ts';
import { assumptionsWith, intervalName, NO_CHANGES, type Changes } from '../../core/due/assumptions.ts';
import type { Stretch } from '../../core/due/exposure.ts';
import { servedDayOf, type Cap, type LineInputs } from '../../core/due/inputs.ts';
import type { Practice, PracticeDays } from '../../core/due/practice.ts';
import { signalDay, type SignalState } from '../../core/due/signals.ts';
import { pointsOfSymptom } from '../../core/faults/symptoms.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Specification } from '../../contract/register.ts';
import { SCOPES, type Scope } from '../../contract/practice.ts';
import { editionsInForce, type EditionInForce } from '../lookup/editions.ts';
import * as sql from '../sql/history.ts';
import type { Db } from '../store/db.ts';
import { inForce, knownFacts, type KnownFacts } from '../store/facts.ts';
import { holdAmong } from '../lookup/hold.ts';
import { effectsOn, placeHistory, stretchesOf, type PlaceHistory } from './circumstances.ts';
import type { Hold, Seasons } from '../store/factValues.ts';

export interface PointHistory {
  readonly point: {
    readonly id: string;
    readonly number: number;
    readonly procedure: string;
    readonly organisationId: string;
  };
  readonly machineId: string;
  readonly placeId: string;
  readonly propertyId: string;
  readonly zone: string;
  readonly today: Day;
  /** Its machine is out of service, or lacks this part. */
  readonly retired: boolean;
  /** As the chosen methods make it. */
  readonly procedure: Procedure;
  /** The manager's own edition in force, where there is one. */
  readonly edition: EditionInForce | null;
  readonly inputs: LineInputs;
  /** Where the practice comes from: the subject whose fact it is, the organisation without one. */
  readonly practiceFrom: string;
  readonly choices: Choices;
  readonly anchorChoice: AnchorChoice;
  readonly anchorMode: 'sets' | 'limits';
  readonly calendar: CalendarFacts & { readonly warmCelsius: number };
  readonly scheduled: boolean;
  readonly hold: Hold | null;
  /** Rows of what was found, oldest first, beside `inputs.conditions`. */
  readonly conditions: readonly sql.ConditionRow[];
  readonly lastService: sql.ConditionRow | undefined;
  /** What raises its level on this machine. */
  readonly raised: readonly Raise[];
  /** Agents that may not be used at it. */
  readonly forbidden: readonly Agent[];
  /** The agent whose turn it is at the coming service; null where nothing rotates. */
  readonly turn: Agent | null;
  /** Work done that awaits its proof. */
  readonly waiting: { readonly recordId: string; readonly doneDay: Day } | undefined;
  /** Signals that are not answered, and open faults, oldest first. */
  readonly signals: readonly {
    readonly id: string;
    readonly type: string;
    readonly state: SignalState;
    readonly day: Day;
    readonly recheckDay: Day | null;
  }[];
  readonly faults: readonly { readonly day: Day; readonly symptom: string }[];
  readonly jobState: JobState | undefined;
}

/** What may be assumed otherwise, to see what would follow before it is saved. */
export interface Supposed {
  readonly practice?: Practice | undefined;
  readonly changes?: Changes | undefined;
  readonly choices?: Choices | undefined;
  readonly anchor?: { readonly choice: AnchorChoice; readonly mode: 'sets' | 'limits' } | undefined;
}

export const SEASONS: Seasons = { coolingMonth: 6, coolingDate: 1, leadDays: 14, warmCelsius: 22 };

export async function readHistory(
  db: Db,
  pointId: string,
  now: number,
  supposed: Supposed = {},
): Promise<PointHistory> {
  return (await readHistories(db, [pointId], now, supposed))[0]!;
}

/** Histories in no certain order; a thousand or two at a time is quickest. */
export async function readHistories(
  db: Db,
  pointIds: readonly string[],
  now: number,
  supposed: Supposed = {},
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
  const read: Read = {
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

interface Read {
  readonly now: number;
  readonly supposed: Supposed;
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

/** A machine registered within so many days of its installation was new: nobody served it before. */
const NEW_MACHINE_DAYS = 30;

function historyOf(read: Read, row: sql.PointRow): PointHistory {
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
  const conditions = conditionsAt(read, row, today);
  const calendar = calendarAt(read, row, practice, today);
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
    retired: (row.retiredDay !== null && row.retiredDay <= today) || lacks(row.leftOut, key),
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

function practiceAt({ facts, supposed }: Read, scopes: readonly string[], today: Day) {
  const fact = facts.nearest(scopes, 'practice', today);
  return { practice: supposed.practice ?? fact?.value ?? 'steady', practiceFrom: fact?.subjectId ?? scopes.at(-1)! };
}

/** Days on which a household followed another. */
function turnoversAt({ tenancies }: Read, placeId: string, today: Day): Day[] {
  const later = (tenancies.get(placeId) ?? []).slice(1);
  return later.map(({ fromDay }) => fromDay).filter((fromDay) => fromDay <= today);
}

/** The procedure as methods, the edition in force, what is forbidden there and the machine make it. */
function procedureAt(
  { facts, supposed, editions }: Read,
  { procedure: key, organisationId, fuel, hardWired, switchKnown }: sql.PointRow,
  scopes: readonly string[],
  specification: Specification | undefined,
  today: Day,
): Pick<PointHistory, 'procedure' | 'edition' | 'choices' | 'forbidden' | 'raised'> {
  const forbidden = forbiddenAt(procedures.get(key)!, specification ?? {});
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
  });
  return { procedure: level === allowed.level ? allowed : { ...allowed, level }, edition, choices, forbidden, raised };
}

/** What was found, oldest first. A day that somebody claimed is believed until a service is recorded; it teaches nothing. */
function conditionsAt({ facts, conditions }: Read, { id, machineId }: sql.PointRow, today: Day): sql.ConditionRow[] {
  const found = conditions.get(id) ?? [];
  if (found.some(({ kind }) => kind === 'service')) return found;
  const claimed = facts.nearest([id, machineId], 'lastDone', today)?.value;
  if (claimed === undefined) return found;
  return [{ ...CLAIMED, pointId: id, day: claimed }, ...found.filter(({ day }) => day >= claimed)];
}

/** Nobody's condition. */
const CLAIMED: Omit<sql.ConditionRow, 'pointId' | 'day'> = {
  kind: 'service',
  at: 0,
  grade: null,
  confirmed: 0,
  agent: null,
  evidence: 'attested',
  personId: null,
  doubtful: 0,
};

const plainCondition = ({ kind, day, grade, confirmed, doubtful }: sql.ConditionRow) => ({
  kind,
  day,
  grade,
  confirmed: confirmed === 1,
  ...(doubtful === 1 && { doubtful: true }),
});

function calendarAt(
  { facts }: Read,
  { machineId, propertyId, organisationId }: sql.PointRow,
  practice: Practice,
  today: Day,
): PointHistory['calendar'] {
  const seasons = facts.nearest([propertyId, organisationId], 'seasons', today)?.value ?? SEASONS;
  return {
    cooling: { month: seasons.coolingMonth, date: seasons.coolingDate },
    leadDays: seasons.leadDays,
    warmCelsius: seasons.warmCelsius,
    warmSpells: facts.of(propertyId, 'warmSpell').map(({ value }) => value),
    contract: facts.nearest([machineId], 'contract', today)?.value ?? null,
    practice,
  };
}

type Anchored = NonNullable<Supposed['anchor']>;

function anchorAt({ facts, supposed }: Read, pointId: string, procedure: Procedure, today: Day): Anchored {
  const chosen = supposed.anchor ?? facts.nearest([pointId], 'anchor', today)?.value ?? procedure.anchor;
  return chosen ?? { choice: { kind: 'none' }, mode: 'sets' };
}

function waitsForSignal({ signalled }: Procedure, practice: Practice): boolean {
  return signalled?.includes(practice === 'maker' ? 'steady' : practice) ?? false;
}

/** Choices of methods, the inner scopes over the outer ones. */
function choicesOf(facts: KnownFacts, scopes: readonly string[], today: Day): Choices {
  return scopes.reduceRight<Choices>((chosen, subject) => {
    const fact = inForce(facts.of(subject, 'methods'), today);
    return fact ? { ...chosen, ...fact.value } : chosen;
  }, {});
}

/** The intervals as the organisation assumes them. */
function daysWith(procedure: string, days: PracticeDays, changes: Changes): PracticeDays {
  const own = (school: keyof PracticeDays) => changes[intervalName(procedure, school)] ?? days[school];
  return changes === NO_CHANGES ? days : { watchful: own('watchful'), steady: own('steady'), light: own('light') };
}

function capsOf(
  facts: KnownFacts,
  { waterCapDays }: Procedure,
  specification: Specification | undefined,
  propertyId: string,
  today: Day,
): Cap[] {
  const water = waterCapDays && inForce(facts.of(propertyId, 'water'), today)?.value;
  return [
    ...(specification?.makerLimitDays ? [{ reason: 'maker' as const, days: specification.makerLimitDays }] : []),
    ...(specification?.localLimitDays ? [{ reason: 'local' as const, days: specification.localLimitDays }] : []),
    ...(water ? [{ reason: 'water' as const, days: waterCapDays![water.source] }] : []),
  ];
}

/** After the last agent used; by the calendar where none was. Forbidden ones have no turn. */
function turnAt({ rotation }: Procedure, last: Agent | null, forbidden: readonly Agent[], today: Day): Agent | null {
  const order = rotation?.filter((agent) => !forbidden.includes(agent)) ?? [];
  if (order.length === 0) return null;
  const passed = expand(ruleOf(ROTATION.rule), ROTATION.start, ROTATION.start, today).length;
  return turnOf(order, last, passed);
}

/** Whether the machine is one that has no such part. */
function lacks(leftOut: string, procedure: string): boolean {
  return leftOut !== '[]' && (JSON.parse(leftOut) as string[]).includes(procedure);
}

function newSince(installedDay: Day | null, registeredAt: number, zone: string): Day | null {
  if (installedDay === null) return null;
  return dayOfInstant(registeredAt, zone) - installedDay <= NEW_MACHINE_DAYS ? installedDay : null;
}

/** The scope at which the practice of a point was chosen. */
export function practiceScope({ practiceFrom, point, machineId, placeId, propertyId }: PointHistory): Scope {
  const at = [point.id, machineId, placeId, propertyId].indexOf(practiceFrom);
  return at === -1 ? 'organisation' : SCOPES[SCOPES.length - 1 - at]!;
}
