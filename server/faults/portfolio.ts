/** The faults of a whole portfolio by machine, and the patterns in them. */
import type { Day } from '../../core/calendar/day.ts';
import { patternsOf, type Pattern } from '../../core/faults/patterns.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Call } from '../context/context.ts';
import { dayReader, QUARTER_HOUR_MS } from '../lookup/dayReader.ts';
import {
  readFaultHistory,
  readPortfolioMachines,
  type FaultHistoryRow,
  type PortfolioMachine,
} from '../sql/faultHistory.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

export interface Portfolio {
  readonly machines: ReadonlyMap<string, PortfolioMachine>;
  readonly places: ReadonlyMap<string, Row<'place'>>;
  readonly faults: ReadonlyMap<string, FaultHistoryRow>;
  readonly byMachine: ReadonlyMap<string, readonly FaultHistoryRow[]>;
  /** The surest first. */
  readonly patterns: readonly Pattern[];
  /** The first day on which a machine's faults would be known, and the last: retired, or today. */
  daysOf(machine: PortfolioMachine): { readonly since: Day; readonly until: Day };
}

/** What a portfolio is worked out from. */
const TABLES = ['property', 'place', 'machine', 'fault', 'line', 'tenancy'] as const;

interface KeptPortfolio {
  readonly key: string;
  readonly portfolio: Promise<Portfolio>;
}

/** By the store as it is read: whoever is limited to some properties has one of their own. */
const kept = new WeakMap<Db, Map<string, KeptPortfolio>>();

/**
 * All faults of the caller's organisation and what recurs in them. What was found is kept until something that it comes
 * from is written; a call that writes reads for itself.
 */
export function readPortfolio(call: Call): Promise<Portfolio> {
  if (call.db.transaction) return findPortfolio(call);
  const { store } = call.env;
  const known = kept.get(call.db) ?? new Map<string, KeptPortfolio>();
  kept.set(call.db, known);
  const key = `${store.revisionOf(TABLES)} ${Math.floor(call.now / QUARTER_HOUR_MS)}`;
  const before = known.get(call.actor.organisationId);
  if (before?.key === key) return before.portfolio;
  const portfolio = findPortfolio(call);
  known.set(call.actor.organisationId, { key, portfolio });
  // What failed is asked for again.
  portfolio.catch(() => known.delete(call.actor.organisationId));
  return portfolio;
}

async function findPortfolio({ db, now, actor: { organisationId } }: Call): Promise<Portfolio> {
  const [properties, places, machines, history] = await Promise.all([
    db.property.all({ organisationId }),
    db.place.all({ organisationId }),
    readPortfolioMachines(db, organisationId),
    readFaultHistory(db, organisationId),
  ]);
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const readers = new Map(properties.map(({ zone }) => [zone, dayReader(zone)]));
  const readerOf = new Map(properties.map(({ id, zone }) => [id, readers.get(zone)!]));
  const daysOf = ({ placeId, createdAt, retiredDay }: PortfolioMachine) => {
    const dayOf = readerOf.get(placeOf.get(placeId)!.propertyId)!;
    return { since: dayOf(createdAt), until: retiredDay ?? dayOf(now) };
  };
  const byMachine = grouped(history, ({ machineId }) => machineId);
  const patterns = patternsOf(
    machines.map((machine) => ({
      id: machine.id,
      type: machine.type,
      ...spanOf(daysOf(machine)),
      faults: (byMachine.get(machine.id) ?? []).map(({ id, symptom, openedDay, cause }) => ({
        id,
        symptom,
        day: openedDay,
        cause,
      })),
    })),
    Math.max(...properties.map(({ zone }) => readers.get(zone)!(now))),
  );
  return {
    machines: new Map(machines.map((machine) => [machine.id, machine])),
    places: placeOf,
    faults: new Map(history.map((row) => [row.id, row])),
    byMachine,
    patterns,
    daysOf,
  };
}

const spanOf = ({ since, until }: { readonly since: Day; readonly until: Day }) => ({
  sinceDay: since,
  untilDay: until,
});
