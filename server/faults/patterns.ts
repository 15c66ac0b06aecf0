/** What recurs: patterns of faults, each with its evidence in sentences. */
import { DAYS_A_MONTH, dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { patternsOf, type Pattern } from '../../core/faults/patterns.ts';
import type { PatternSummary } from '../../contract/faults/patterns.ts';
import type { Call } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import { readFaultHistory, type FaultHistoryRow } from '../sql/faultHistory.ts';
import { causeWords, closingWords } from './words.ts';
import type { Row } from '../store/tables.ts';

/** Nothing is surer than this in words: the model is a model. */
const MOST_TO_ONE = 1000;

/** Patterns of the whole portfolio, the surest first. */
export async function listPatterns(call: Call): Promise<PatternSummary[]> {
  const {
    db,
    now,
    env: { say },
    actor: { organisationId },
  } = call;
  const [properties, places, machines, history] = await Promise.all([
    db.property.all({ organisationId }),
    db.place.all({ organisationId }),
    db.machine.all({ organisationId }),
    readFaultHistory(db, organisationId),
  ]);
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const zoneOf = new Map(properties.map(({ id, zone }) => [id, zone]));
  const zoneOfMachine = ({ placeId }: Row<'machine'>) => zoneOf.get(placeOf.get(placeId)!.propertyId)!;
  const faults = new Map(history.map((row) => [row.id, row]));
  const byMachine = grouped(history, ({ machineId }) => machineId);
  const machineOf = new Map(machines.map((machine) => [machine.id, machine]));
  const patterns = patternsOf(
    machines.map((machine) => ({
      id: machine.id,
      type: machine.type,
      sinceDay: dayOfInstant(machine.createdAt, zoneOfMachine(machine)),
      untilDay: machine.retiredDay ?? dayOfInstant(now, zoneOfMachine(machine)),
      faults: (byMachine.get(machine.id) ?? []).map(({ id, symptom, openedDay, cause }) => ({
        id,
        symptom,
        day: openedDay,
        cause,
      })),
    })),
    Math.max(...properties.map(({ zone }) => dayOfInstant(now, zone))),
  );
  return patterns.map((pattern) => {
    const machine = machineOf.get(pattern.machineId)!;
    const its = pattern.faultIds.map((id) => faults.get(id)!);
    const place = placeOf.get(machine.placeId)!;
    return {
      machineId: machine.id,
      machineNumber: machine.number,
      machine: machineName(say, machine),
      placeId: place.id,
      place: place.name,
      level: pattern.level,
      symptom: say(`symptom.${pattern.group}`),
      says: evidence(call, pattern, its),
      faults: its.map((fault) => ({
        id: fault.id,
        day: isoFromDay(fault.openedDay),
        found: fault.closedAt === null ? null : closingWords(say, fault),
        upkeep: upkeepBefore(fault.openedDay, fault.lineDay),
      })),
    };
  });
}

const upkeepBefore = (day: Day, lineDay: Day | null) => {
  if (lineDay === null) return 'unknown';
  return lineDay < day ? 'past' : 'inOrder';
};

function evidence({ env: { say } }: Call, pattern: Pattern, its: readonly FaultHistoryRow[]): string[] {
  const { firstDay, lastDay, faultIds, expected, peersAYear, probability, cause } = pattern;
  const closed = its.filter(({ closedAt }) => closedAt !== null);
  const coded = closed.filter(({ cause: named }) => named !== null).length;
  const known = its.filter(({ lineDay }) => lineDay !== null);
  const inOrder = known.filter(({ openedDay, lineDay }) => lineDay! >= openedDay);
  const households = new Set(its.flatMap(({ tenancyId }) => tenancyId ?? []));
  return [
    say('pattern.count', {
      count: faultIds.length,
      months: Math.max(1, Math.round((lastDay - firstDay) / DAYS_A_MONTH)),
    }),
    say('pattern.peers', { years: Math.max(1, Math.round(1 / peersAYear)), expected }),
    say('pattern.odds', { times: Math.min(MOST_TO_ONE, Math.max(2, Math.round(1 / (1 - probability)))) }),
    ...(cause
      ? [
          say('pattern.cause', {
            cause: causeWords(say, cause.key),
            count: cause.count,
            coded,
            words: closed.length - coded,
          }),
        ]
      : []),
    ...(known.length > 0 ? [say('pattern.upkeep', { inOrder: inOrder.length, known: known.length })] : []),
    ...(households.size > 1 ? [say('pattern.households', { households: households.size })] : []),
  ];
}
