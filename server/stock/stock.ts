/** The shelf: what is there, what the coming weeks take, when and how much to order. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import {
  countAt,
  countsWithin,
  learnLateness,
  meanCount,
  type Lateness,
  type Wanted,
} from '../../core/stock/forecast.ts';
import { afterRounds, lackOf, type Need } from '../../core/stock/rounds.ts';
import {
  AS_BOUGHT,
  type ChangeStock,
  type ChangeStockItem,
  type StockAnswer,
  type StockItem,
  type StockWeek,
} from '../../contract/stock/stock.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { firstZone } from '../lookup/zone.ts';
import { readServicesOf, type ServiceOfPart } from '../sql/services.ts';
import type { Row } from '../store/tables.ts';
import { mondayOfWeek, partsOnShelf, pastWeeks, wantedOf, weekOf, type PartOnShelf } from './parts.ts';

const WEEKS_SHOWN = 8;
const ROUNDS_SHOWN = 6;
/** Services are learned from so long back. */
const LEARNED_DAYS = 365;
/** What is ordered lasts until the next order, weeks after it came: our assumption. */
const COVER_WEEKS = 4;

/** Parts that somebody's round will serve, by their numbers. */
export interface RoundToCome {
  readonly day: Day;
  readonly who: string;
  readonly numbers: readonly number[];
}

/** What is on the shelf and what will be taken, thing by thing, what is to be ordered first. */
export async function readStock(call: Call, rounds: readonly RoundToCome[]): Promise<StockAnswer> {
  const { db, actor, now } = call;
  const { zone, today } = await firstZone(call);
  const parts = await partsOnShelf(call);
  const services = await readServicesOf(
    db,
    parts.map(({ pointId }) => pointId),
    today - LEARNED_DAYS,
  );
  const lateness = learnLateness(pastWeeks(services, parts, today));
  const [bought, changes] = await Promise.all([
    db.stockItem.all({ organisationId: actor.organisationId }),
    db.stockChange.all({ organisationId: actor.organisationId }, { order: [['at', 'ASC']] }),
  ]);
  const byItem = grouped(parts, ({ item }) => item);
  const named = [...new Set([...byItem.keys(), ...changes.map(({ item }) => item)])];
  const breathe = breather();
  const items: StockItem[] = [];
  for (const item of named) {
    const its = byItem.get(item) ?? [];
    const ids = new Set(its.map(({ pointId }) => pointId));
    items.push(
      describe(call, item, {
        parts: its,
        lateness,
        week: weekOf(dayOfInstant(now, zone)),
        bought: bought.find((it) => it.item === item),
        changes: changes.filter((it) => it.item === item),
        services: services.filter(({ pointId }) => ids.has(pointId)),
        needs: needsOf(its, rounds),
      }),
    );
    await breathe();
  }
  return {
    items: items.sort((a, b) => (b.order ?? -1) - (a.order ?? -1) || a.name.localeCompare(b.name)),
    withoutSize: parts.filter(({ wantsSize }) => wantsSize).length,
    swing: Math.sqrt(lateness.shock),
    learnedFrom: services.length,
    zone,
  };
}

interface Shelf {
  readonly parts: readonly PartOnShelf[];
  readonly lateness: Lateness;
  readonly week: number;
  readonly bought: Row<'stockItem'> | undefined;
  readonly changes: readonly Row<'stockChange'>[];
  readonly services: readonly ServiceOfPart[];
  readonly needs: readonly Need[];
}

/** What rounds take of one thing; what was served since a round was made, it does not take again. */
const needsOf = (parts: readonly PartOnShelf[], rounds: readonly RoundToCome[]): Need[] =>
  rounds.flatMap(({ day, who, numbers }) => {
    const count = parts.filter((it) => numbers.includes(it.number) && (it.servedDay ?? 0) < day).length;
    return count > 0 ? [{ day, who, count }] : [];
  });

function describe({ env: { say } }: Call, item: string, shelf: Shelf): StockItem {
  const { parts, lateness, week, bought, changes, services, needs } = shelf;
  const [, what = item, size = null] = /^(\S+) (.+)$/.exec(item) ?? [];
  const { supplier, price, pack, leadWeeks, service } = bought ?? AS_BOUGHT;
  const wanted = parts.map((part) => wantedOf(part, week));
  const lead = countsWithin(lateness, wanted, leadWeeks);
  const reorderAt = countAt(lead, service);
  const counted = changes.findLast(({ kind }) => kind === 'counted');
  const taken = counted ? services.filter(({ doneAt }) => doneAt > counted.at).length : 0;
  const came = changes.filter(({ kind, at }) => kind === 'received' && counted && at > counted.at);
  const there = counted ? counted.quantity + came.reduce((sum, { quantity }) => sum + quantity, 0) - taken : null;
  const rounds = afterRounds(there, needs);
  const lack = lackOf(rounds);
  return {
    item,
    name: say('stock.piece', { what }),
    size,
    supplier,
    price,
    pack,
    leadWeeks,
    service: service as StockItem['service'],
    parts: parts.length,
    shelf: there,
    countedAt: counted?.at ?? null,
    taken,
    weeks: weeksOf(lateness, wanted, week),
    leadMean: meanCount(lead),
    reorderAt,
    rounds: rounds.slice(0, ROUNDS_SHOWN),
    lack: lack && { ...lack, orderBy: lack.day - 7 * leadWeeks },
    order:
      there === null
        ? null
        : Math.max(
            orderOf(there, reorderAt, countsWithin(lateness, wanted, leadWeeks + COVER_WEEKS), { pack, service }),
            inPacks(lack?.count ?? 0, pack),
          ),
  };
}

const inPacks = (pieces: number, pack: number): number => Math.ceil(pieces / pack) * pack;

/** In whole packs, up to what is not exceeded until the order after this one has come; nothing above the reorder point. */
function orderOf(
  there: number,
  reorderAt: number,
  untilNext: Float64Array,
  { pack, service }: { readonly pack: number; readonly service: number },
): number {
  if (there > reorderAt) return 0;
  return inPacks(Math.max(0, countAt(untilNext, service) - there), pack);
}

/** Week by week: what is taken within so many weeks, less what is within one fewer; the band by the week alone. */
function weeksOf(lateness: Lateness, wanted: readonly Wanted[], week: number): StockWeek[] {
  let before = 0;
  return Array.from({ length: WEEKS_SHOWN }, (_, i) => {
    const within = countsWithin(lateness, wanted, i + 1);
    const sum = meanCount(within);
    const mean = Math.max(0, sum - before);
    before = sum;
    // As wide as the first week is for its mean.
    const half = 1.2816 * Math.sqrt(mean + lateness.shock * mean * mean);
    const first = i === 0;
    return {
      from: mondayOfWeek(week + i),
      mean,
      low: first ? countAt(within, 0.1) : Math.max(0, Math.round(mean - half)),
      high: first ? countAt(within, 0.9) : Math.round(mean + half),
    };
  });
}

/** Something was counted, or came in. */
export async function changeStock(call: Call, { id, item, kind, quantity }: ChangeStock): Promise<object> {
  const { db, actor, now } = call;
  await refuseUnknown(call, item);
  const { organisationId, personId: byPerson } = actor;
  await db.stockChange.insert({ id, organisationId, item, kind, quantity, at: now, byPerson });
  return {};
}

/** Says how something is bought. */
export async function changeStockItem(call: Call, { item, ...bought }: ChangeStockItem): Promise<object> {
  const {
    env,
    db,
    actor: { organisationId },
  } = call;
  await refuseUnknown(call, item);
  const known = await db.stockItem.one({ organisationId, item });
  if (known) await db.stockItem.update({ id: known.id }, bought);
  else await db.stockItem.insert({ id: env.newId(), organisationId, item, ...bought });
  return {};
}

/** @throws Problem: nothing of the kind is used here (422) */
async function refuseUnknown(call: Call, item: string): Promise<void> {
  if (!(await partsOnShelf(call)).some((it) => it.item === item)) throw fieldProblem('item', 'field.oneOf');
}
