/**
 * Making a plan: each home is pierced, then parts of the plan are taken out and put in again, so many times as is said.
 * What is worse is taken for a while within a margin that shrinks to nothing (threshold accepting, Dueck and Scheuer
 * 1990; large neighbourhoods, Shaw 1998). Whole numbers and a seed: the same plan on any machine.
 */
import { seeded, type Random } from '../statistics/random.ts';
import type { Instance, PlanVisit } from './instance.ts';
import { dealOut, layHome, putLeft } from './lay.ts';
import { eased, isCrowded, PRICINGS, raised } from './pressure.ts';
import { PlanState } from './state.ts';

export interface SearchTerms {
  readonly seed: number;
  /** Steps of the search; it ends after them, never by the clock. */
  readonly steps: number;
  /** Visits that stay, and others that are a beginning. */
  readonly from?: readonly PlanVisit[];
  /** How far it is, 0 to 1; the search ends early where it answers false. */
  readonly tell?: (share: number) => boolean;
}

export interface PlanFound {
  readonly visits: readonly PlanVisit[];
  readonly cost: number;
  /** Of the plan that the piercing alone gave. */
  readonly startCost: number;
  readonly stopped: boolean;
}

/** Minutes by which a plan may be worse at first. */
const MARGIN = 30;
/** Larger plans are written down so many times on the way, not at each gain. */
const LOOKS = 40;
const SMALL = 400;
/** Days by which the first or the last visit of a home is given another day, at most. */
const REDATED_BY = 10;

/** Makes a plan. @throws nothing: what finds no place is left out of it */
export function findPlan(instance: Instance, { seed, steps, from = [], tell }: SearchTerms): PlanFound {
  const random = seeded(seed);
  const state = new PlanState(instance);
  state.lay(from);
  const order = instance.homes.map((_, i) => i);
  // Those with least freedom first: whose first line is next.
  const first = order.map((home) => Math.min(...state.tasksOf[home]!.map((task) => state.lineOf(task)), Infinity));
  order.sort((a, b) => first[a]! - first[b]! || a - b);
  for (const home of order) layHome(state, home, random, false);
  const startCost = state.cost;
  let best = { cost: startCost, visits: state.visits() };
  // Without homes or people there is nothing to search.
  const many = instance.homes.length * instance.workers.length === 0 ? 0 : steps;
  const small = instance.tasks.length <= SMALL;
  const every = Math.max(1, Math.floor(steps / LOOKS));
  const keep = () => {
    if (state.cost < best.cost) best = { cost: state.cost, visits: state.visits() };
  };
  let stopped = false;
  const pressed = !small && isCrowded(state);
  const repriced = Math.max(1, Math.floor(many / PRICINGS));
  for (let i = 0; i < many; i += 1) {
    if (pressed && i % repriced === 0)
      state.price(2 * i < many ? raised(state, 1 - (2 * i) / many) : eased(state.prices));
    const before = state.guided;
    state.begin();
    step(state, random, small);
    const margin = Math.floor((MARGIN * (steps - i)) / steps) - 1;
    if (state.guided > before + Math.max(0, margin)) state.back();
    else if (small) keep();
    if (i % every === 0) {
      keep();
      if (tell && !tell(i / steps)) {
        stopped = true;
        break;
      }
    }
  }
  keep();
  return { ...best, startCost, stopped };
}

const pick = <T>(random: Random, from: readonly T[]): T | undefined => from[Math.floor(random() * from.length)];

/** Takes a part of the plan out and puts it in again. */
function step(state: PlanState, random: Random, small: boolean): void {
  const home = random() < 0.5 ? worstHome(state, random) : Math.floor(random() * state.instance.homes.length);
  const kind = random();
  if (kind < 0.3) relay(state, [home], random);
  else if (kind < 0.6) relay(state, neighbours(state, home, random), random);
  else if (kind < 0.8) redate(state, home, random);
  else ruinTasks(state, home, random, small);
}

/** A home, that rather in which more is late; any where nothing is. */
function worstHome(state: PlanState, random: Random): number {
  let [worst, most] = [-1, 0];
  state.late.forEach((late, home) => {
    if (late > 0 && late * random() > most) [worst, most] = [home, late];
  });
  return worst < 0 ? Math.floor(random() * state.late.length) : worst;
}

/** A home, and others that are visited on a day on which one of its tasks could be done. */
function neighbours(state: PlanState, home: number, random: Random): number[] {
  const { days, workers } = state.instance;
  const its = state.tasksOf[home]!;
  const late = its.filter((task) => state.lineOf(task) < Math.min(days, state.at[task]?.day ?? days));
  const task = pick(random, late.length > 0 && random() < 0.7 ? late : its);
  if (task === undefined) return [home];
  const opens = Math.max(0, state.opensOf(task));
  const day = Math.min(days - 1, opens + Math.floor(random() * Math.max(1, state.lineOf(task) - opens + 1)));
  const worker = Math.floor(random() * workers.length);
  const others = state.slots[worker * days + day]!.map((it) => it.home);
  const [one = home, other = home] = [pick(random, others), pick(random, others)];
  return [...new Set(random() < 0.5 ? [home, one, other] : [one, other, home])];
}

const free = (state: PlanState, home: number): number[] =>
  state.tasksOf[home]!.filter((task) => state.at[task] && !state.at[task].pinned);

function relay(state: PlanState, homes: readonly number[], random: Random): void {
  for (const home of homes) for (const task of free(state, home)) takeFree(state, task);
  for (const home of homes) layHome(state, home, random);
}

/** Takes a task out, unless something that stays follows it. */
function takeFree(state: PlanState, task: number): void {
  if (!state.at[task]) return;
  for (let next: number | null = task; next !== null; next = state.next[next]!) {
    if (state.at[next]?.pinned) return;
  }
  state.take(task);
}

/** Gives one visit of a home another day, leaves one out or brings one in, and deals its tasks out to its visits anew. */
function redate(state: PlanState, home: number, random: Random): void {
  const { days, workers } = state.instance;
  const spots = state.visitsOf[home]!.map(({ worker, day, pinned }) => ({ worker, day, pinned }));
  spots.sort((a, b) => a.day - b.day || a.worker - b.worker);
  const i = Math.floor(random() * spots.length);
  const spot = spots[i];
  if (!spot || spot.pinned) return;
  const from = i > 0 ? spots[i - 1]!.day + 1 : Math.max(0, spot.day - REDATED_BY);
  const to = i < spots.length - 1 ? spots[i + 1]!.day - 1 : Math.min(days - 1, spot.day + REDATED_BY);
  const day = from + Math.floor(random() * Math.max(1, to - from + 1));
  const worker = random() < 0.5 ? spot.worker : Math.floor(random() * workers.length);
  if (random() < 0.85) spots[i] = { worker, day, pinned: false };
  else spots.splice(i, 1);
  for (const task of free(state, home)) takeFree(state, task);
  dealOut(state, home, spots);
  putLeft(state, home, random);
}

/** Takes single tasks of one or two homes out and puts each where it costs least. */
function ruinTasks(state: PlanState, home: number, random: Random, small: boolean): void {
  const homes = small && random() < 0.5 ? state.instance.homes.map((_, i) => i) : neighbours(state, home, random);
  const open = homes.flatMap((it) => free(state, it));
  const many = 1 + Math.floor(random() * Math.min(open.length, small ? 7 : 5));
  for (let i = 0; i < many; i += 1) takeFree(state, pick(random, open)!);
  for (const it of homes) putLeft(state, it, random);
}
