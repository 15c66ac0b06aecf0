/**
 * Anchors: points that keep a calendar, and phases, which place them in it.
 *
 * A choice ("at the turn of the season") is resolved with what is known of the place (its cooling season,
 * the warm spells seen, the contractor's visits) into days, or into a rule of the RFC 5545 subset. An
 * occurrence is answered by a service within the last part of the way to it, so that work done a little
 * early is not asked again.
 */
import { civilOf, dayOfCivil } from '../calendar/civil.ts';
import type { Day } from '../calendar/day.ts';
import { expand } from '../calendar/recurrence.ts';
import { parseRule, type Rule } from '../calendar/rule.ts';
import type { AnchorKind, AnchorChoice } from '../catalogue/anchorChoice.ts';
import type { Practice } from '../catalogue/practice.ts';

/** A resolved anchor. It sets the line, or only limits how late it may fall. */
export interface Anchor {
  readonly kind: Exclude<AnchorKind, 'none'>;
  readonly mode: 'sets' | 'limits';
  readonly rule?: string;
  readonly start?: Day;
  /** Explicit days, ascending, where no rule gives them. */
  readonly days?: readonly Day[];
}

/** The home's upkeep day: a rule that due dates may snap to. */
export interface UpkeepDay {
  readonly rule: string;
  readonly start: Day;
}

/** A contractor who comes by contract and does this work too. */
export interface Contract {
  readonly lastVisit: Day;
  readonly everyMonths: number;
}

/** The day of the k-th visit from the last one on, 0 being that one; the 28th stands in for the days after it. */
export function visitDay({ lastVisit, everyMonths }: Contract, k: number): Day {
  const { year, month, date } = civilOf(lastVisit);
  return k === 0 ? lastVisit : dayOfCivil(year, month + k * everyMonths, Math.min(date, 28));
}

export interface CalendarFacts {
  /** Month and date on which the cooling season is taken to begin. */
  readonly cooling: { readonly month: number; readonly date: number };
  /** Days before the cooling season by which it wants to be done. */
  readonly leadDays: number;
  /** First day of the first warm spell of each year that has had one. */
  readonly warmSpells: readonly Day[];
  readonly contract: Contract | null;
  readonly practice: Practice;
}

/** Turns of the season, meteorological: the first of March, June, September and December. */
const SEASONS = 'FREQ=YEARLY;BYMONTH=3,6,9,12;BYMONTHDAY=1';
const EPOCH = dayOfCivil(2000, 1, 1);

/**
 * Our assumption from common practice: own flushes between two visits of a contractor, by practice, at six-monthly and
 * at yearly visits.
 */
const FLUSHES: Readonly<Record<Practice, readonly [halfYearly: number, yearly: number]>> = {
  watchful: [2, 5],
  steady: [1, 3],
  light: [1, 2],
  maker: [1, 3],
};

/** How far ahead and back explicit days are given. */
const YEARS_BACK = 2;
const YEARS_AHEAD = 4;

/**
 * The anchor of a choice around a day, or null where nothing is known that would place it (no contract).
 * @param around the last service, or today without one
 */
export function resolveAnchor(
  choice: AnchorChoice,
  mode: Anchor['mode'],
  facts: CalendarFacts,
  around: Day,
): Anchor | null {
  switch (choice.kind) {
    case 'none':
      return null;
    case 'rule':
      return { kind: 'rule', mode, rule: choice.rule, start: choice.start };
    case 'seasonTurn':
      return { kind: 'seasonTurn', mode, rule: SEASONS, start: EPOCH };
    case 'beforeCooling':
      return { kind: 'beforeCooling', mode, days: years(around).map((year) => coolingDay(facts, year)) };
    case 'firstWarm':
      return { kind: 'firstWarm', mode, days: years(around).map((year) => firstWarmDay(facts, year)) };
    case 'betweenVisits':
      return (
        facts.contract && { kind: 'betweenVisits', mode, days: betweenVisits(facts.contract, facts.practice, around) }
      );
  }
}

function years(around: Day): number[] {
  const { year } = civilOf(around);
  return Array.from({ length: YEARS_BACK + YEARS_AHEAD + 1 }, (_, i) => year - YEARS_BACK + i);
}

function coolingDay({ cooling, leadDays }: CalendarFacts, year: number): Day {
  return dayOfCivil(year, cooling.month, cooling.date) - leadDays;
}

/** The first warm spell of the year where it came before the season was taken to begin, else that day. */
function firstWarmDay(facts: CalendarFacts, year: number): Day {
  const fallback = dayOfCivil(year, facts.cooling.month, facts.cooling.date);
  const spell = facts.warmSpells.find((day) => civilOf(day).year === year);
  return spell === undefined ? fallback : Math.min(spell, fallback);
}

/** Own flushes, evenly between the contractor's visits: one of them half-way. */
function betweenVisits(contract: Contract, practice: Practice, around: Day): Day[] {
  const { lastVisit, everyMonths } = contract;
  const visit = (k: number) => visitDay(contract, k);
  const many = FLUSHES[practice][everyMonths <= 6 ? 0 : 1];
  const first = Math.floor(((around - lastVisit) / 30.44 - 12 * YEARS_BACK) / everyMonths);
  const last = Math.ceil(((around - lastVisit) / 30.44 + 12 * YEARS_AHEAD) / everyMonths);
  const days: Day[] = [];
  for (let k = first; k <= last; k += 1) {
    for (let i = 1; i <= many; i += 1) days.push(Math.round(visit(k) + ((visit(k + 1) - visit(k)) * i) / (many + 1)));
  }
  return days;
}

const rules = new Map<string, Rule>();

/** A parsed rule, remembered. @throws RangeError as `parseRule` */
export function ruleOf(text: string): Rule {
  let rule = rules.get(text);
  if (!rule) {
    rule = parseRule(text);
    if (rules.size < 1000) rules.set(text, rule);
  }
  return rule;
}

/** The days of an anchor between two days. */
export function anchorDays({ rule, start, days }: Anchor, from: Day, to: Day): Day[] {
  return rule === undefined
    ? (days ?? []).filter((day) => day >= from && day <= to)
    : expand(ruleOf(rule), start!, from, to);
}

const LOOK_AHEAD = 1500;

/**
 * The first occurrence that a service does not answer; undefined where the anchor has none.
 * @param answered part of the way between two occurrences in which a service answers the later one
 */
export function nextAnchorDay(anchor: Anchor, servedDay: Day, answered: number): Day | undefined {
  const days = anchorDays(anchor, servedDay - 800, servedDay + LOOK_AHEAD);
  return days.find((day, i) => {
    const before = i > 0 ? days[i - 1]! : day - (days[1] === undefined ? 365 : days[1]! - days[0]!);
    return day > servedDay && servedDay < day - answered * (day - before);
  });
}

/** The agent whose turn it is in a fixed rotation: the one after the last used, or by the calendar where none was. */
export function turnOf<T extends string>(order: readonly T[], last: T | null, occurrence: number): T {
  const at = last === null ? -1 : order.indexOf(last);
  return at === -1
    ? order[((occurrence % order.length) + order.length) % order.length]!
    : order[(at + 1) % order.length]!;
}

/** The upkeep day nearest to a day within reach, the earlier of two as near; undefined where none is in reach. */
export function nearestUpkeepDay({ rule, start }: UpkeepDay, day: Day, earliest: Day, latest: Day): Day | undefined {
  return expand(ruleOf(rule), start, earliest, latest).reduce<Day | undefined>(
    (best, it) => (best === undefined || Math.abs(it - day) < Math.abs(best - day) ? it : best),
    undefined,
  );
}
