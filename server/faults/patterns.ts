/** What recurs: patterns of faults, each with its evidence in sentences, what it comes of, and what was decided. */
import { DAYS_A_MONTH, DAYS_A_YEAR, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { suspectsOf } from '../../core/faults/causes.ts';
import type { Pattern } from '../../core/faults/patterns.ts';
import type { Decision } from '../../core/faults/remedies.ts';
import { sortOf, weigh, type Sort } from '../../core/faults/sorting.ts';
import { stretchesOf } from '../../core/faults/stretches.ts';
import { pointsOfSymptom, symptomOf } from '../../core/faults/symptoms.ts';
import { REPAIR_HOURS } from '../../core/faults/clock.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { meanOfKnown } from '../../core/statistics/mean.ts';
import type { PatternsAnswer, PatternsForm, PatternSummary } from '../../contract/faults/patterns.ts';
import type { Call } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import { readCycles, type ServiceCycle } from '../sql/faultEvidence.ts';
import type { FaultHistoryRow, PortfolioMachine } from '../sql/faultHistory.ts';
import type { Row } from '../store/tables.ts';
import { readPortfolio, type Portfolio } from './portfolio.ts';
import { readReplacementPrices, replacementCase, type ReplacementPrices } from './replacement.ts';
import { describeRemedies } from './remedies.ts';
import { causeWords, closingWords } from './words.ts';

/** Nothing is surer than this in words: the model is a model. */
const MOST_TO_ONE = 1000;

/** So many parts stand on the tape beside a pattern. */
const MOST_SHOWN = 3;

/** What fits a sort, the first one first; where nobody can tell yet, its cause is looked for. */
const FITTING: Readonly<Record<Sort | 'unknown', readonly Decision[]>> = {
  upkeep: ['interval', 'assignee'],
  habit: ['coaching'],
  installation: ['rootCause'],
  age: ['replacement', 'rootCause'],
  unknown: ['rootCause'],
};

/** Patterns of the whole portfolio, the gravest and dearest first, and how the remedies that were decided have done. */
export async function listPatterns(call: Call, { most }: PatternsForm): Promise<PatternsAnswer> {
  const portfolio = await readPortfolio(call);
  const { db } = call;
  const stated = portfolio.patterns.filter(({ level }) => level === 'stated');
  const shown = byRiskAndCost(portfolio).slice(0, most);
  const machineIds = [...new Set(shown.map(({ machineId }) => machineId))];
  const placeIds = machineIds.map((id) => portfolio.machines.get(id)!.placeId);
  const [cycles, tenancies, prices] = await Promise.all([
    readCycles(db, machineIds),
    db.tenancy.all({ placeId: placeIds }),
    readReplacementPrices(db, call.actor.organisationId, machineIds),
  ]);
  const cyclesOf = grouped(cycles, ({ machineId }) => machineId);
  const remedies = await describeRemedies(call, portfolio);
  const watched = (pattern: Pattern) =>
    remedies.some(
      ({ machineId, group, verdict }) =>
        machineId === pattern.machineId && group === pattern.group && verdict === 'open',
    );
  const patterns = shown.map((pattern) => {
    const summary = summaryOf(call, portfolio, pattern, cyclesOf.get(pattern.machineId) ?? [], tenancies, prices);
    return watched(pattern) ? { ...summary, decisions: [] } : summary;
  });
  return {
    counted: {
      stated: stated.length,
      inPatterns: new Set(stated.flatMap(({ faultIds }) => faultIds)).size,
      of: portfolio.faults.size,
    },
    patterns,
    more: portfolio.patterns.length - shown.length,
    remedies,
  };
}

/** What may be stated before what is watched; of those the gravest symptom first, then what costs most a year. */
function byRiskAndCost({ patterns, faults }: Portfolio): Pattern[] {
  const weighed = patterns.map((pattern) => ({
    pattern,
    hours: REPAIR_HOURS[symptomOf(pattern.group).severity],
    minutes: yearlyOf(
      pattern,
      pattern.faultIds.map((id) => faults.get(id)!),
    ).minutes,
  }));
  return weighed
    .sort(
      (a, b) =>
        Number(b.pattern.level === 'stated') - Number(a.pattern.level === 'stated') ||
        a.hours - b.hours ||
        b.minutes - a.minutes,
    )
    .map(({ pattern }) => pattern);
}

function summaryOf(
  call: Call,
  portfolio: Portfolio,
  pattern: Pattern,
  cycles: readonly ServiceCycle[],
  tenancies: readonly Row<'tenancy'>[],
  prices: ReplacementPrices,
): PatternSummary {
  const { say } = call.env;
  const machine = portfolio.machines.get(pattern.machineId)!;
  const its = pattern.faultIds.map((id) => portfolio.faults.get(id)!);
  const place = portfolio.places.get(machine.placeId)!;
  const answering = pointsOfSymptom(machine.type, pattern.group);
  const served = cycles.filter((it) => it.procedure === answering[0]);
  const shown = cycles.filter((it) => answering.slice(0, MOST_SHOWN).includes(it.procedure));
  const households = tenancies.filter(({ placeId }) => placeId === place.id);
  const sort = sortOfPattern(portfolio, machine, pattern, its, served, households);
  return {
    machineId: machine.id,
    machineNumber: machine.number,
    machine: machineName(say, machine),
    placeId: place.id,
    place: place.name,
    level: pattern.level,
    group: pattern.group,
    severity: symptomOf(pattern.group).severity,
    minutesAYear: yearlyOf(pattern, its).minutes,
    symptom: say(`symptom.${pattern.group}`),
    sort,
    inOrder: 2 * its.filter((it) => upkeepBefore(it.openedDay, it.lineDay) === 'inOrder').length > its.length,
    pointNumber: served[0]?.number ?? null,
    pointNumbers: [...new Set(shown.map(({ number }) => number))],
    decisions: FITTING[sort ?? 'unknown'],
    replacement:
      pattern.level === 'stated' && FITTING[sort ?? 'unknown'].includes('replacement')
        ? replacementCase(call, machine.id, its, paceOf(pattern, its), prices)
        : null,
    says: evidence(call, pattern, its),
    faults: its.map((fault) => ({
      id: fault.id,
      day: isoFromDay(fault.openedDay),
      found: fault.closedAt === null ? null : closingWords(say, fault),
      upkeep: upkeepBefore(fault.openedDay, fault.lineDay),
    })),
  };
}

/** What a pattern comes of, by its causes, its upkeep and its households; null where nobody can tell yet. */
function sortOfPattern(
  { daysOf }: Portfolio,
  machine: PortfolioMachine,
  pattern: Pattern,
  its: readonly FaultHistoryRow[],
  cycles: readonly ServiceCycle[],
  households: readonly Row<'tenancy'>[],
): Sort | null {
  if (pattern.level === 'watch') return null;
  const { since, until } = daysOf(machine);
  const suspects = suspectsOf(machine.type, pattern.group);
  const indexOf = (cause: string) => {
    const found = suspects.findIndex((it) => it.cause.key === cause);
    return found === -1 ? suspects.length - 1 : found;
  };
  return sortOf(
    weigh({
      base: pattern.base,
      perYear: pattern.peersAYear,
      causes: suspects.map(({ cause: { nature }, odds }) => ({ share: odds, nature })),
      stretches: stretchesOf(since, until + 1, cycles, households),
      faults: its.map(({ openedDay, cause }) => ({
        day: openedDay - since,
        cause: cause === null ? null : indexOf(cause),
      })),
    }),
  );
}

const upkeepBefore = (day: Day, lineDay: Day | null) => {
  if (lineDay === null) return 'unknown';
  return lineDay < day ? 'past' : 'inOrder';
};

function evidence(call: Call, pattern: Pattern, its: readonly FaultHistoryRow[]): string[] {
  const { say } = call.env;
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
    ...spent(call, its),
    ...untilCured(call, yearlyOf(pattern, its)),
  ];
}

/**
 * What a pattern costs a year at the pace of its faults, by the mean of the closings that say; 0 where none does, or
 * where it has not lasted a quarter of a year.
 */
function yearlyOf(pattern: Pattern, its: readonly FaultHistoryRow[]) {
  const perYear = paceOf(pattern, its);
  return {
    minutes: perYear * (meanOfKnown(its.map(({ minutes }) => minutes)) ?? 0),
    cost: perYear * (meanOfKnown(its.map(({ cost }) => cost)) ?? 0),
  };
}

/** Faults a year at its pace; 0 where it has not lasted a quarter of a year. */
function paceOf({ firstDay, lastDay }: Pattern, its: readonly FaultHistoryRow[]): number {
  const years = (lastDay - firstDay) / DAYS_A_YEAR;
  return years < 0.25 ? 0 : (its.length - 1) / years;
}

const untilCured = (
  { env: { say }, actor: { currency } }: Call,
  { minutes, cost }: { minutes: number; cost: number },
): string[] =>
  minutes + cost < 1
    ? []
    : [
        say('pattern.untilCured', {
          minutes: Math.round(minutes),
          cost: cost < 1 ? 'none' : say.money(Math.round(cost), currency),
        }),
      ];

/** Hours and money that its closings name, with how many do. */
function spent({ env: { say }, actor: { currency } }: Call, its: readonly FaultHistoryRow[]): string[] {
  const timed = its.filter(({ minutes }) => minutes !== null);
  const priced = its.filter(({ cost }) => cost !== null);
  const sum = (all: readonly (number | null)[]) => all.reduce<number>((total, it) => total + (it ?? 0), 0);
  return [
    ...(timed.length > 0
      ? [say('pattern.minutes', { minutes: sum(timed.map(({ minutes }) => minutes)), count: timed.length })]
      : []),
    ...(priced.length > 0
      ? [say('pattern.cost', { cost: say.money(sum(priced.map(({ cost }) => cost)), currency), count: priced.length })]
      : []),
  ];
}
