/** What being past the line does to faults here, by kind of part, and what a past-line day costs. */
import { DAYS_A_YEAR, type Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { PointKind } from '../../core/catalogue/types.ts';
import { pointsOfSymptom } from '../../core/faults/symptoms.ts';
import { segmentsOf } from '../../core/standing/trace.ts';
import { beganPast, upkeepEffect, type MachineExposure, type UpkeepEffect } from '../../core/faults/upkeepEffect.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { meanOfKnown } from '../../core/statistics/mean.ts';
import type { UpkeepEffectSummary, UpkeepEffectsAnswer } from '../../contract/faults/upkeepEffects.ts';
import type { Call } from '../context/context.ts';
import { readTraces } from '../sql/standing.ts';
import type { FaultHistoryRow } from '../sql/faultHistory.ts';
import { readPortfolio, type Portfolio } from '../faults/portfolio.ts';
import { linesOf } from './stood.ts';

/** One part's time at risk, with the faults that it answers to. */
interface PartExposure extends MachineExposure {
  readonly kind: PointKind;
  readonly faults: readonly FaultHistoryRow[];
}

/** The effect for every kind of part that has been served here; those of which nothing can be said yet by name. */
export async function listUpkeepEffects(call: Call): Promise<UpkeepEffectsAnswer> {
  const portfolio = await readPortfolio(call);
  const parts = (await readTraces(call.db, call.actor.organisationId, null)).map(({ lines, ...row }): ServedPart => {
    // By the line that was drawn at each service; the day on which it was drawn does not matter here.
    const segments = segmentsOf(linesOf(lines, () => 0));
    return { ...row, cycles: segments.filter(({ servedDay }, i) => servedDay !== segments[i - 1]?.servedDay) };
  });
  const served = parts.filter(({ cycles }) => cycles.length > 0);
  const kinds = grouped(exposuresOf(portfolio, served), ({ kind }) => kind);
  const told = [...kinds].map(([, parts]) => ({
    kind: parts[0]!.kind,
    effect: upkeepEffect(parts),
    faults: parts.flatMap(({ faults }) => faults),
  }));
  return {
    effects: told.flatMap(({ kind, effect, faults }) => (effect ? [summaryOf(kind, effect, faults)] : [])),
    untold: told.flatMap(({ kind, effect, faults }) => (effect ? [] : [{ kind, faults: faults.length }])),
  };
}

/** From a service to the next, with the line that was drawn at it. */
interface Cycle {
  readonly servedDay: Day;
  readonly lineDay: Day;
}

interface ServedPart {
  readonly machineId: string;
  readonly placeId: string;
  readonly procedure: string;
  /** Ascending, never empty. */
  readonly cycles: readonly Cycle[];
}

/** Part-years of a cycle on either side of its line, from a first day on. */
function atRisk({ servedDay, lineDay }: Cycle, from: Day, to: Day) {
  const start = Math.max(servedDay, from);
  const turn = Math.min(Math.max(lineDay, start), to);
  return { inOrder: Math.max(0, turn - start) / DAYS_A_YEAR, past: Math.max(0, to - turn) / DAYS_A_YEAR };
}

function exposuresOf(portfolio: Portfolio, parts: readonly ServedPart[]): PartExposure[] {
  const lateness = latenessOf(portfolio, parts);
  return parts.map((part) => {
    const { machineId, procedure, cycles: its } = part;
    const machine = portfolio.machines.get(machineId)!;
    const { since, until } = portfolio.daysOf(machine);
    const faults = (portfolio.byMachine.get(machineId) ?? []).filter(
      ({ symptom, onsetDay }) =>
        onsetDay > its[0]!.servedDay && pointsOfSymptom(machine.type, symptom)[0] === procedure,
    );
    const count = { inOrder: 0, past: 0 };
    for (const { onsetDay } of faults) {
      // As it stood on the day before, by the line that was drawn at its service: the fault moves the line itself.
      const asOfDay = onsetDay - 1;
      const cycle = its.findLast(({ servedDay }) => servedDay <= asOfDay)!;
      count[beganPast({ onsetDay, asOfDay, past: asOfDay > cycle.lineDay }) ? 'past' : 'inOrder'] += 1;
    }
    const years = { inOrder: 0, past: 0 };
    for (const [i, cycle] of its.entries()) {
      const risk = atRisk(cycle, since, Math.min(until, its[i + 1]?.servedDay ?? until));
      years.inOrder += risk.inOrder;
      years.past += risk.past;
    }
    return {
      kind: procedureOf(procedure).kind,
      faults,
      inOrder: { years: years.inOrder, faults: count.inOrder },
      past: { years: years.past, faults: count.past },
      lateness: lateness(part),
    };
  });
}

/** No single service counts as earlier, or later, than this share of its interval. */
const [EARLIEST, LATEST] = [-1, 3];

/**
 * How late the household of a machine serves the parts of its other machines, by services that no fault of theirs can
 * have moved; where nothing is known of it, as late as all.
 */
function latenessOf({ byMachine }: Portfolio, parts: readonly ServedPart[]): (part: ServedPart) => number {
  const [all, places, machines] = [{ sum: 0, count: 0 }, new Map<string, Sum>(), new Map<string, Sum>()];
  for (const { machineId, placeId, cycles } of parts) {
    const faults = byMachine.get(machineId) ?? [];
    for (const [i, { servedDay, lineDay }] of cycles.slice(0, -1).entries()) {
      const next = cycles[i + 1]!.servedDay;
      if (faults.some(({ onsetDay }) => servedDay < onsetDay && onsetDay <= next)) continue;
      const share = Math.min(LATEST, Math.max(EARLIEST, (next - lineDay) / Math.max(1, lineDay - servedDay)));
      for (const sum of [all, sumOf(places, placeId), sumOf(machines, machineId)]) {
        sum.sum += share;
        sum.count += 1;
      }
    }
  }
  return ({ machineId, placeId }) => {
    const [home, own] = [sumOf(places, placeId), sumOf(machines, machineId)];
    const others = home.count - own.count;
    if (others > 0) return (home.sum - own.sum) / others;
    return all.count > 0 ? all.sum / all.count : 0;
  };
}

interface Sum {
  sum: number;
  count: number;
}

function sumOf(sums: Map<string, Sum>, key: string): Sum {
  const known = sums.get(key) ?? { sum: 0, count: 0 };
  sums.set(key, known);
  return known;
}

function summaryOf(kind: PointKind, effect: UpkeepEffect, faults: readonly FaultHistoryRow[]): UpkeepEffectSummary {
  const per100 = (ratio: number) => (effect.perYear * (ratio - 1) * 100) / DAYS_A_YEAR;
  return {
    kind,
    ...effect,
    faultsPer100Days: { middle: per100(effect.ratio), low: per100(effect.low), high: per100(effect.high) },
    minutesAFault: meanOfKnown(faults.map(({ minutes }) => minutes)),
    costAFault: meanOfKnown(faults.map(({ cost }) => cost)),
  };
}
