/**
 * Upkeep lived through: homes of the truth model over some years, each part served when the engine's line and the rules
 * of asking bring somebody to it. It asks the same functions as the product does: `computeLine`, riders, pace, budget,
 * grace.
 *
 * A tenant has what comes round most often, as far as their own minutes reach; the rest is with staff. They are asked
 * by home list ahead of the first line, since people take 10 to 14 days. What does not fit a month, and what nobody
 * answered, goes to staff, who take along what is near. Every part begins part-worn, at a random point of its interval.
 * Left out: faults, seasons, changes of tenancy, refusals.
 */
import { DAYS_A_MONTH, type Day } from '../calendar/day.ts';
import { BUDGET, PRACTISED } from '../due/burden.ts';
import { computeLine } from '../due/compute.ts';
import { graceDays } from '../due/line.ts';
import { joins, leadersOf } from '../due/riders.ts';
import { paceOf } from '../jobs/pace.ts';
import { seeded, type Random } from '../statistics/random.ts';
import { drawGrade, drawLoad } from './truth.ts';
import { type Part, type Home, moveIn, siblingOf, siblingsOf, isRider, lasts } from './upkeepHome.ts';

export interface UpkeepSetting {
  readonly seed: number;
  readonly homes: number;
  readonly days: number;
  /** Share of households that never do anything. */
  readonly silent: number;
}

export interface UpkeepResult {
  readonly parts: number;
  /** Share of part-days past the line, of all kept parts and of the safety-critical ones. */
  readonly past: number;
  readonly criticalPast: number;
  /** Share of services by the line and its grace. */
  readonly onTime: number;
  readonly services: number;
  readonly requestsAMonth: number;
  /** Requests in the fullest month of any tenancy. */
  readonly mostInAMonth: number;
  /** Of a household that answers, in its own minutes; 0 where none does. */
  readonly tenantMinutesAMonth: number;
  /** Staff hours, doors among them: on average and in the fullest month. */
  readonly staffHoursAMonth: number;
  readonly fullestMonthHours: number;
  readonly doorsAMonth: number;
}

/** Our assumption: minutes to a home and away again. */
export const DOOR_MINUTES = 20;

/** Days that people take, and after which nobody waits for them any longer. */
const ANSWER = { soonest: 10, latest: 14 };

/** Days before a line at which a tenant is asked, and staff are. */
const AHEAD = { tenant: 14, critical: 17, staff: 7 };

/** Days until a visit that was booked takes place. */
const VISIT = { soonest: 3, latest: 7 };

/** Requests in a row without an answer, after which staff do it without asking. */
const PATIENCE = 2;

/** Our assumption: a third of a known person's proofs are looked at, and that confirms the condition. */
const LOOKED_AT = { first: 3, share: 1 / 3 };

/** Lives through it. The same seed lives the same. */
export function liveUpkeep({ seed, homes: many, days, silent }: UpkeepSetting): UpkeepResult {
  const random = seeded(seed);
  const homes = Array.from({ length: many }, (_, i) => moveIn(random, i < many * silent));
  const sum = {
    past: 0,
    critical: 0,
    criticalDays: 0,
    services: 0,
    onTime: 0,
    requests: 0,
    most: 0,
    tenantMinutes: 0,
    doors: 0,
  };
  const hours: number[] = Array.from({ length: Math.ceil(days / DAYS_A_MONTH) }, () => 0);

  const serve = (part: Part, day: Day, confirmed: boolean) => {
    if (!part.first) {
      sum.services += 1;
      if (day <= part.line + graceDays(part.line - part.served, part.procedure.safetyCritical)) sum.onTime += 1;
    }
    const exposure = ((day - part.served) * part.factor) / part.inputs.days.steady;
    part.conditions.push({
      day,
      kind: 'service',
      grade: drawGrade(random, drawLoad(random, part.speed, exposure)),
      confirmed,
    });
    Object.assign(part, {
      served: day,
      line: computeLine({ ...part.inputs, conditions: part.conditions }, day).lineDay,
      owed: false,
      first: false,
    });
  };

  for (let day = 0; day < days; day += 1) {
    for (const home of homes) {
      for (const { line, procedure } of home.parts) {
        if (day > line) sum.past += 1;
        if (!procedure.safetyCritical) continue;
        sum.criticalDays += 1;
        if (day > line) sum.critical += 1;
      }
      answer(home, day);
      visit(home, day);
      ask(home, day);
      book(home, day);
    }
  }

  function answer(home: Home, day: Day): void {
    const { request } = home;
    if (!request || day < request.answer) return;
    home.request = null;
    if (home.silent) {
      home.lapsed += 1;
      for (const part of request.parts) part.owed = true;
      return;
    }
    const expected = minutesOf(request.parts);
    const took = expected * Math.max(home.gift, 1 - home.timed.length * 0.15);
    home.timed.push({ expected, took });
    sum.tenantMinutes += took;
    const confirmed = home.timed.length <= LOOKED_AT.first || random() < LOOKED_AT.share;
    for (const part of request.parts) serve(part, day, confirmed);
  }

  function ask(home: Home, day: Day): void {
    const month = Math.floor(day / DAYS_A_MONTH);
    if (month !== home.month) Object.assign(home, { month, requests: 0, minutes: 0 });
    if (home.request) return;
    const pace = paceOf(home.timed);
    share(home, pace);
    const theirs = home.parts.filter((part) => !isStaffs(part));
    const urgent = (part: Part) => part.line - day <= (part.procedure.safetyCritical ? AHEAD.critical : AHEAD.tenant);
    if (!theirs.some((part) => urgent(part) && !isRider(part, home))) return;
    const expected = day + ANSWER.latest;
    const near = theirs
      .filter((part) => urgent(part) || nearBy(part, home, expected))
      .sort((a, b) => Number(urgent(b)) - Number(urgent(a)) || lasts(a) - lasts(b));
    const asked: Part[] = [];
    for (const part of near) {
      const fits = home.requests < BUDGET.jobs && home.minutes + part.procedure.minutes * pace <= BUDGET.minutes;
      if (fits) {
        asked.push(part);
        home.minutes += part.procedure.minutes * pace;
      } else if (urgent(part)) part.owed = true;
    }
    if (asked.length === 0) return;
    home.requests += 1;
    sum.requests += 1;
    sum.most = Math.max(sum.most, home.requests);
    home.request = { parts: asked, answer: day + between(random, ANSWER) };
  }

  function book(home: Home, day: Day): void {
    if (home.visit !== null) return;
    if (home.parts.some((part) => isStaffs(part) && part.line - day <= AHEAD.staff && !isRider(part, home)))
      home.visit = day + between(random, VISIT);
  }

  function visit(home: Home, day: Day): void {
    if (home.visit !== day) return;
    home.visit = null;
    const taken = home.parts.filter(
      (part) => isStaffs(part) && (part.line - day <= AHEAD.staff || nearBy(part, home, day)),
    );
    for (const part of taken) serve(part, day, true);
    sum.doors += 1;
    hours[Math.floor(day / DAYS_A_MONTH)]! += (minutesOf(taken) * PRACTISED + DOOR_MINUTES) / 60;
  }

  const parts = homes.reduce((total, home) => total + home.parts.length, 0);
  const months = days / DAYS_A_MONTH;
  const answering = Math.max(1, homes.filter((home) => !home.silent).length);
  return {
    parts,
    past: sum.past / (parts * days),
    criticalPast: sum.critical / sum.criticalDays,
    onTime: sum.onTime / sum.services,
    services: sum.services,
    requestsAMonth: sum.requests / months / many,
    mostInAMonth: sum.most,
    tenantMinutesAMonth: sum.tenantMinutes / months / answering,
    staffHoursAMonth: hours.reduce((total, it) => total + it, 0) / months,
    fullestMonthHours: Math.max(...hours),
    doorsAMonth: sum.doors / months,
  };
}

/**
 * Who has what: a tenant the parts that come round most often, those that ask for themselves first, up to their minutes
 * a month.
 */
function share(home: Home, pace: number): void {
  let minutes = home.lapsed >= PATIENCE ? Infinity : 0;
  const open = home.parts
    .filter((part) => !isStaffs(part))
    .sort((a, b) => Number(b.procedure.core) - Number(a.procedure.core) || lasts(a) - lasts(b));
  for (const part of open) {
    minutes += (part.procedure.minutes * pace * DAYS_A_MONTH) / lasts(part);
    if (minutes > BUDGET.minutes) part.owed = true;
  }
}

const minutesOf = (parts: readonly Part[]): number => parts.reduce((sum, { procedure }) => sum + procedure.minutes, 0);

const between = (random: Random, { soonest, latest }: { readonly soonest: number; readonly latest: number }): number =>
  soonest + Math.floor(random() * (latest - soonest + 1));

const isStaffs = ({ procedure, owed }: Part): boolean => procedure.level !== 'tenant' || owed;

/** Taken along on a day: near its line by then, or passing it before its machine is expected to be opened again. */
function nearBy(part: Part, home: Home, day: Day): boolean {
  const leaders = part.procedure.core ? [] : leadersOf(siblingOf(part), siblingsOf(part, home));
  const again = day + Math.min(Infinity, ...leaders.map(({ intervalDays }) => intervalDays));
  return joins(
    { share: (day - part.served) / lasts(part), lineDay: part.line },
    Number.isFinite(again) ? again : part.line,
  );
}
