/** The faults of a whole portfolio by machine, and the patterns in them. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { patternsOf, type Pattern } from '../../core/faults/patterns.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Call } from '../context/context.ts';
import { readFaultHistory, type FaultHistoryRow } from '../sql/faultHistory.ts';
import type { Row } from '../store/tables.ts';

export interface Portfolio {
  readonly machines: ReadonlyMap<string, Row<'machine'>>;
  readonly places: ReadonlyMap<string, Row<'place'>>;
  readonly faults: ReadonlyMap<string, FaultHistoryRow>;
  readonly byMachine: ReadonlyMap<string, readonly FaultHistoryRow[]>;
  /** The surest first. */
  readonly patterns: readonly Pattern[];
  /** The first day on which a machine's faults would be known, and the last: retired, or today. */
  daysOf(machine: Row<'machine'>): { readonly since: Day; readonly until: Day };
}

/** Reads all faults of the caller's organisation and finds what recurs in them. */
export async function readPortfolio({ db, now, actor: { organisationId } }: Call): Promise<Portfolio> {
  const [properties, places, machines, history] = await Promise.all([
    db.property.all({ organisationId }),
    db.place.all({ organisationId }),
    db.machine.all({ organisationId }),
    readFaultHistory(db, organisationId),
  ]);
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const zoneOf = new Map(properties.map(({ id, zone }) => [id, zone]));
  const daysOf = ({ placeId, createdAt, retiredDay }: Row<'machine'>) => {
    const zone = zoneOf.get(placeOf.get(placeId)!.propertyId)!;
    return { since: dayOfInstant(createdAt, zone), until: retiredDay ?? dayOfInstant(now, zone) };
  };
  const byMachine = grouped(history, ({ machineId }) => machineId);
  const patterns = patternsOf(
    machines.map((machine) => ({
      id: machine.id,
      type: machine.type,
      sinceDay: daysOf(machine).since,
      untilDay: daysOf(machine).until,
      faults: (byMachine.get(machine.id) ?? []).map(({ id, symptom, openedDay, cause }) => ({
        id,
        symptom,
        day: openedDay,
        cause,
      })),
    })),
    Math.max(...properties.map(({ zone }) => dayOfInstant(now, zone))),
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
