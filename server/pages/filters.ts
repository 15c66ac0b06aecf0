/** What a thin, a dense and a deep filter would ask of one home in a year, side by side. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { DAYS_A_YEAR } from '../../core/calendar/day.ts';
import { burdenOf, type BurdenPoint } from '../../core/due/burden.ts';
import { computeLine } from '../../core/due/compute.ts';
import { taughtConditions } from '../../core/due/lessons.ts';
import { isAlarmSymptom } from '../../core/faults/alarms.ts';
import { CATALOGUE_FAULTS_A_YEAR, CATALOGUE_YEARS } from '../../core/faults/patterns.ts';
import { faceWorking } from '../../core/measure/faceVelocity.ts';
import { parseFilterSize } from '../../core/quantities/filterSize.ts';
import {
  faultsAYear,
  FILTER_KINDS,
  filterKindOf,
  FILTERS,
  lineInstead,
  type FilterKind,
  type Watched,
} from '../../core/stock/filters.ts';
import type { FiltersAnswer, FilterYear } from '../../contract/stock/filters.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { beliefIn, burdenPoint, burdenPoints } from '../due/burden.ts';
import { readHistories, readHistory } from '../due/history.ts';
import type { PointHistory } from '../due/pointHistory.ts';
import { budgetOf } from '../due/settings.ts';
import { readPortfolio } from '../faults/portfolio.ts';
import { personPace } from '../jobs/pace.ts';
import { findPoint } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { factsOf, inForce } from '../store/facts.ts';
import { sizeOf } from '../stock/parts.ts';

/** What comes once in nine months is no whole number a year: a year is the mean of so many. */
const YEARS = 4;

/**
 * Each kind of filter in the place of what is there: its changes, and the whole home's requests, doors, calls and costs.
 * @throws Problem: what is not there or not theirs, or no air filter of a central system (404)
 */
export async function readFilters(call: Call, idOrNumber: string): Promise<FiltersAnswer> {
  const { db, now, actor, env } = call;
  const found = await findPoint(call, idOrNumber);
  const homes = await readHistories(db, await pointsOfHome(call, found.machineId), now);
  const here = homes.filter(({ retired }) => !retired);
  const own = here.find(({ point }) => point.id === found.id);
  const present = own && filterKindOf(own.point.procedure, own.choices);
  if (!present) throw notFound();
  const isFilter = (it: PointHistory) => it.machineId === own.machineId && filterKindOf(it.point.procedure, it.choices);
  const slots = here.filter(isFilter);
  const rest = here.filter((it) => !isFilter(it));
  const specification = (await factsOf(db, [own.point.id], 'specification')).at(-1)?.value ?? {};
  const size = sizeOf(specification.filterSize);
  const prices = inForce(await factsOf(db, [actor.organisationId], 'prices'), own.today)?.value ?? null;
  const home = await householdOf(call, own);
  const others = rest.flatMap((it) => burdenPoints(it, [it.inputs.practice], prices?.materials ?? {}));
  const watched = await watchedBy(call);
  const faults = faultsAYear(watched, { assumed: CATALOGUE_FAULTS_A_YEAR, assumedYears: CATALOGUE_YEARS });
  const speed = computeLine(own.inputs, own.today).speed.median;
  const kinds: FilterYear[] = [];
  for (const kind of FILTER_KINDS) {
    const { material } = FILTERS[kind];
    const { price, ofSize } = await priceOf(call, material, size, prices?.materials ?? {});
    const filled = await filledWith(call, slots, kind, { present, price });
    const burden = burdenOf(
      [...others, ...filled],
      () => home.tenanted,
      () => home.budget,
      prices,
      () => home.pace,
      YEARS,
    );
    const changes = filled.reduce((sum, { intervalDays }) => sum + DAYS_A_YEAR / intervalDays, 0);
    const { months: _, ...asked } = burden;
    kinds.push({
      kind,
      days: filled[0]!.intervalDays,
      assumed: procedureOf(FILTERS[kind].procedure, choicesFor(own, kind)).assumed.includes('steady'),
      changes,
      price,
      ofSize,
      filters: price === null ? null : price * changes,
      forTenant: filled[0]!.level === 'tenant',
      home: asked,
      total: burden.cost && burden.cost.total * 12,
      faults: { aYear: faults[kind], reported: watched[kind].faults, years: watched[kind].years },
      air: airAt(specification, kind),
    });
  }
  const [machine, place] = [(await db.machine.one({ id: own.machineId }))!, (await db.place.one({ id: own.placeId }))!];
  return {
    number: found.number,
    machine: { id: machine.id, name: machineName(env.say, machine) },
    place: { id: place.id, name: place.name, property: (await db.property.one({ id: place.propertyId }))!.name },
    now: present,
    size,
    speed,
    findings: taughtConditions(own.inputs).length,
    tenanted: home.tenanted,
    years: YEARS,
    currency: prices ? actor.currency : null,
    kinds,
  };
}

async function pointsOfHome({ db }: Call, machineId: string): Promise<string[]> {
  const { placeId } = (await db.machine.one({ id: machineId }))!;
  const machines = await db.machine.all({ placeId }, { columns: ['id'] });
  return (await db.point.all({ machineId: machines.map(({ id }) => id) }, { columns: ['id'] })).map(({ id }) => id);
}

/** Who lives there now, what they may be asked for, and how fast they are. */
async function householdOf({ db, actor: { organisationId } }: Call, { placeId, today }: PointHistory) {
  const tenancy = (await db.tenancy.all({ placeId })).find(
    ({ fromDay, toDay }) => fromDay <= today && (toDay ?? today) >= today,
  );
  return {
    tenanted: tenancy !== undefined,
    budget: await budgetOf(db, organisationId, tenancy?.id ?? null, today),
    pace: tenancy ? await personPace(db, tenancy.personId) : 1,
  };
}

const choicesFor = ({ choices }: PointHistory, kind: FilterKind) => ({
  ...choices,
  ...(FILTERS[kind].method && { filterMedia: FILTERS[kind].method }),
});

/** The filters of a machine as points of a burden, each with this kind in the place of its own. */
async function filledWith(
  { db, now }: Call,
  slots: readonly PointHistory[],
  kind: FilterKind,
  { present, price }: { readonly present: FilterKind; readonly price: number | null },
): Promise<BurdenPoint[]> {
  const filled: BurdenPoint[] = [];
  for (const slot of slots) {
    const { today, inputs: asIs } = slot;
    const line = computeLine(asIs, today);
    const supposed = { instead: FILTERS[kind].procedure, choices: choicesFor(slot, kind) };
    const { procedure, inputs } = kind === present ? slot : await readHistory(db, slot.point.id, now, supposed);
    const served = {
      procedure,
      inputs,
      believed: beliefIn(asIs),
      line: kind === present ? line : lineInstead(inputs, line.speed.median, today),
    };
    const { firstDue } = burdenPoint(
      slot,
      { procedure: slot.procedure, inputs: asIs, believed: served.believed, line },
      {},
    );
    // What is in there now is changed when it is due, whatever comes after it.
    filled.push({ ...burdenPoint(slot, served, {}), firstDue, materials: price ?? 0 });
  }
  return filled;
}

/** The price of one of its exact size as it is bought; else of its kind. */
async function priceOf(
  { db, actor: { organisationId } }: Call,
  material: string,
  size: string | null,
  prices: Readonly<Record<string, number>>,
): Promise<{ price: number | null; ofSize: boolean }> {
  const bought = size && (await db.stockItem.one({ organisationId, item: `${material} ${size}` }));
  if (bought && bought.price !== null) return { price: bought.price, ofSize: true };
  return { price: prices[material] ?? null, ofSize: false };
}

/** How fast air crosses the frame; what lets it through freely has no fastest. */
function airAt({ filterSize, airflowCfm }: Specification, kind: FilterKind): FilterYear['air'] {
  const size = filterSize ? parseFilterSize(filterSize) : undefined;
  if (!size || !airflowCfm || kind === 'thin') return null;
  const { velocityFpm, limits } = faceWorking({ ...size, depthIn: FILTERS[kind].depthIn }, airflowCfm);
  return { fpm: Math.round(velocityFpm), most: Number(limits[0]!.values.fpm), met: limits[0]!.met };
}

/** Machines by the kind of filter that they have today, and what was reported of them since they are registered. */
async function watchedBy(call: Call): Promise<Record<FilterKind, Watched>> {
  const { db, now, actor } = call;
  const watched = { thin: { years: 0, faults: 0 }, dense: { years: 0, faults: 0 }, deep: { years: 0, faults: 0 } };
  const { machines, byMachine, daysOf } = await readPortfolio(call);
  const keys = [FILTERS.dense.procedure, FILTERS.deep.procedure];
  const points = await db.point.all({ organisationId: actor.organisationId, procedure: keys }, { columns: ['id'] });
  const histories = await readHistories(
    db,
    points.map(({ id }) => id),
    now,
  );
  const kinds = new Map(
    histories
      .filter(({ retired }) => !retired)
      .map((it) => [it.machineId, filterKindOf(it.point.procedure, it.choices)!]),
  );
  for (const [id, kind] of kinds) {
    const machine = machines.get(id);
    if (!machine) continue;
    const { since, until } = daysOf(machine);
    watched[kind].years += (until - since) / DAYS_A_YEAR;
    watched[kind].faults += (byMachine.get(id) ?? []).filter(({ symptom }) => !isAlarmSymptom(symptom)).length;
  }
  return watched;
}
