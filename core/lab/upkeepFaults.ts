/**
 * The truth of upkeep and faults (T2): a part past its line makes its machine fault ρ times as often, a fault makes it
 * served soon, and late households may have frail machines.
 */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import { upkeepEffect, type MachineExposure, type UpkeepEffect } from '../faults/upkeepEffect.ts';
import { gammaQuantile } from '../statistics/gamma.ts';
import { normalCdf } from '../statistics/normal.ts';
import { normalDraw, seeded, type Random } from '../statistics/random.ts';

export interface UpkeepTruth {
  /** Interval, days. */
  readonly interval: number;
  /** Fault rate past the line over that in order. */
  readonly ratio: number;
  /** Of the household's lateness and the machine's frailty, as normal scores. */
  readonly correlation: number;
  /** Faults a machine-year in order. */
  readonly base: number;
  readonly machines: number;
  readonly years: number;
}

/** Frailty of the machine: gamma, coefficient of variation 0.5. */
const SHAPE = 4;
/** How late a service is, in shares of the interval: lognormal around a household's own, less a tenth. */
const LATE = { middle: 0.16, household: 0.8, service: 0.6, early: 0.1 };
/** Scheduled services of the household's other parts, by which its lateness is known. */
const OTHERS = 10;
/** Days from a fault to the service that answers it. */
const ANSWERED = { least: 2, most: 12 };

const lateShare = (random: Random, household: number) =>
  LATE.middle * Math.exp(LATE.household * household + LATE.service * normalDraw(random)) - LATE.early;

/** Frailty by its normal score, from a table: quantiles are slow. */
const FRAILTIES = Array.from({ length: 401 }, (_, i) => gammaQuantile((i + 0.5) / 401, SHAPE, 1 / SHAPE));

/** Lives one machine and counts its time and faults by the state strictly before each. */
export function liveMachine(random: Random, truth: UpkeepTruth): MachineExposure {
  const household = normalDraw(random);
  const score = truth.correlation * household + Math.sqrt(1 - truth.correlation ** 2) * normalDraw(random);
  const frailty = FRAILTIES[Math.min(FRAILTIES.length - 1, Math.floor(normalCdf(score) * FRAILTIES.length))]!;
  const rate = (truth.base * frailty) / DAYS_A_YEAR;
  const end = truth.years * DAYS_A_YEAR;
  const days = { inOrder: 0, past: 0 };
  const faults = { inOrder: 0, past: 0 };
  let served = -random() * truth.interval;
  for (let now = 0; now < end;) {
    const line = served + truth.interval;
    let service = Math.max(line + truth.interval * lateShare(random, household), now + 1);
    while (now < Math.min(service, end)) {
      const state = now < line ? 'inOrder' : 'past';
      const until = Math.min(service, end, state === 'inOrder' ? line : Infinity);
      const fault = now - Math.log(1 - random()) / (state === 'past' ? rate * truth.ratio : rate);
      days[state] += Math.min(fault, until) - now;
      now = Math.min(fault, until);
      if (fault >= until) continue;
      faults[state] += 1;
      service = Math.min(service, fault + ANSWERED.least + random() * (ANSWERED.most - ANSWERED.least));
    }
    served = service;
  }
  let lateness = 0;
  for (let i = 0; i < OTHERS; i += 1) lateness += Math.log(lateShare(random, household) + LATE.early) / OTHERS;
  return {
    inOrder: { years: days.inOrder / DAYS_A_YEAR, faults: faults.inOrder },
    past: { years: days.past / DAYS_A_YEAR, faults: faults.past },
    lateness,
  };
}

export interface JudgedEffect {
  /** Share of 95 % intervals that hold the true ratio. */
  readonly covers: number;
  /** Share that claim an effect: whose interval leaves 1 out. */
  readonly claims: number;
  /** Mean of the ratio found over the true one, less 1. */
  readonly bias: number;
}

/** Judges a method on so many portfolios of a truth. */
export function judgeEffect(
  truth: UpkeepTruth,
  portfolios: number,
  seed: number,
  method: (machines: readonly MachineExposure[]) => Pick<UpkeepEffect, 'ratio' | 'low' | 'high'> | null = upkeepEffect,
): JudgedEffect {
  const random = seeded(seed);
  let [covers, claims, ratios] = [0, 0, 0];
  for (let i = 0; i < portfolios; i += 1) {
    const found = method(Array.from({ length: truth.machines }, () => liveMachine(random, truth)));
    if (!found) throw new Error('a portfolio too small to judge');
    if (found.low <= truth.ratio && truth.ratio <= found.high) covers += 1;
    if (found.low > 1 || found.high < 1) claims += 1;
    ratios += found.ratio;
  }
  return { covers: covers / portfolios, claims: claims / portfolios, bias: ratios / portfolios / truth.ratio - 1 };
}
