/** A plan in the making: tasks are put in and taken out, its cost follows at once, and steps can be taken back. */
import { addWork, dayOfWorker, NO_WORK, type Stop, type Work } from './day.ts';
import {
  leftOutCost,
  mayDo,
  taskCost,
  unlikedCost,
  windowOf,
  type Instance,
  type PlanVisit,
  type Task,
} from './instance.ts';

interface OpenVisit extends Work, Pick<Stop, 'property'> {
  readonly home: number;
  readonly worker: number;
  readonly day: number;
  readonly tasks: number[];
  pinned: boolean;
}

interface Step {
  readonly task: number;
  readonly worker: number;
  readonly day: number;
  readonly put: boolean;
}

export class PlanState {
  readonly at: (OpenVisit | null)[];
  readonly visitsOf: OpenVisit[][];
  readonly tasksOf: number[][];
  /** The service of the same part that comes after a task. */
  readonly next: (number | null)[];
  readonly slots: OpenVisit[][];
  readonly minutes: Int32Array;
  private readonly slotCosts: Int32Array;
  /** What a minute of each day costs beside itself, hundredths: it guides a search, and is no part of a plan's cost. */
  prices: readonly number[];
  private readonly slotPriced: Int32Array;
  private priced = 0;
  private readonly used: Int32Array;
  private readonly had: readonly number[];
  private readonly agents = new Map<string, string[]>();
  private readonly clash = new Map<string, Set<string>>();
  private steps: Step[] = [];
  /** What lateness and leaving out cost in each home. */
  readonly late: Float64Array;
  /** Of doors, days not liked, minutes, lateness and interval thrown away. */
  private sum = 0;

  constructor(readonly instance: Instance) {
    const { tasks, homes, workers, days, clashes } = instance;
    this.at = tasks.map(() => null);
    this.visitsOf = homes.map(() => []);
    this.tasksOf = homes.map(() => []);
    this.next = tasks.map(() => null);
    tasks.forEach(({ home, after }, i) => {
      this.tasksOf[home]!.push(i);
      if (after !== null) this.next[after] = i;
    });
    this.slots = Array.from({ length: workers.length * days }, () => []);
    this.minutes = new Int32Array(this.slots.length);
    this.slotCosts = new Int32Array(this.slots.length);
    this.slotPriced = new Int32Array(this.slots.length);
    this.prices = new Array<number>(days).fill(0);
    this.used = new Int32Array(workers.length);
    this.had = workers.map(({ minutes }) => minutes.reduce((total, of) => total + of, 0));
    for (const [a, b] of clashes) {
      this.clash.set(a, (this.clash.get(a) ?? new Set()).add(b));
      this.clash.set(b, (this.clash.get(b) ?? new Set()).add(a));
    }
    this.late = new Float64Array(homes.length);
    tasks.forEach((_, i) => this.countOut(i, 1));
  }

  /** Whole cost of the plan. */
  get cost(): number {
    return this.sum + this.unevenWith(-1, 0);
  }

  /** Its cost with what its days are priced at. */
  get guided(): number {
    return this.cost + this.priced;
  }

  /** Prices the days anew; what is laid counts by them from now on. */
  price(prices: readonly number[]): void {
    this.prices = prices;
    const { days } = this.instance;
    this.slots.forEach((_, slot) => this.recount(Math.floor(slot / days), slot % days));
  }

  /** What some minutes of a day cost beside themselves. */
  pricedAt(day: number, minutes: number): number {
    return Math.floor((minutes * this.prices[day]!) / 100);
  }

  /** Last day in time: of a later service of a part it follows from the one before. */
  lineOf(task: number): number {
    const { after, line, interval } = this.instance.tasks[task]!;
    const before = after === null ? null : this.at[after];
    return before ? before.day + interval : line;
  }

  opensOf(task: number): number {
    return this.lineOf(task) - windowOf(this.instance.tasks[task]!);
  }

  /** Whether the service before it, where there is one, has its day. */
  follows(task: number): boolean {
    const { after } = this.instance.tasks[task]!;
    return after === null || this.at[after] !== null;
  }

  /** What leaving it out costs; a service after one that is left out costs nothing more. */
  outCost(task: number): number {
    const { tasks, days, weights } = this.instance;
    return this.follows(task) ? leftOutCost(tasks[task]!, this.lineOf(task), days, weights) : 0;
  }

  /** Counts what leaving a task out costs, or no longer. */
  private countOut(task: number, sign: 1 | -1): void {
    const cost = sign * this.outCost(task);
    this.sum += cost;
    this.late[this.instance.tasks[task]!.home]! += cost;
  }

  private countDone(task: number, day: number, sign: 1 | -1): void {
    const it = this.instance.tasks[task]!;
    const line = this.lineOf(task);
    const cost = sign * taskCost(it, line, day, this.instance.weights);
    this.sum += cost;
    if (day > line) this.late[it.home]! += cost;
  }

  private unevenWith(worker: number, more: number): number {
    let most = 0;
    for (let w = 0; w < this.used.length; w += 1) {
      const had = this.had[w]!;
      if (had > 0) most = Math.max(most, Math.floor((100 * (this.used[w]! + (w === worker ? more : 0))) / had));
    }
    return most * this.instance.weights.uneven;
  }

  private slotWith(worker: number, stops: readonly Stop[]) {
    const { minutes, returns } = dayOfWorker(this.instance, worker, stops);
    return { minutes, cost: minutes + (stops.length + returns.length) * this.instance.weights.door };
  }

  private meets(task: number, day: number): boolean {
    const { agent, branch } = this.instance.tasks[task]!;
    if (agent === null) return false;
    const bad = this.clash.get(agent);
    const there = this.agents.get(`${branch} ${day}`);
    return bad !== undefined && there !== undefined && there.some((other) => bad.has(other));
  }

  /** Whether tasks of a home may be done by somebody on a day, as far as the home and the tasks go. */
  allows(task: number, worker: number, day: number): boolean {
    const { tasks, homes, workers } = this.instance;
    const { firstDay, closed } = homes[tasks[task]!.home]!;
    return (
      workers[worker]!.minutes[day]! > 0 &&
      day >= firstDay &&
      !closed.has(day) &&
      mayDo(this.instance, task, worker) &&
      this.follows(task) &&
      day >= this.opensOf(task) &&
      !this.meets(task, day)
    );
  }

  /**
   * What it changes to do a task by somebody on a day, beside what leaving it out cost; null where the day does not hold
   * it. That it is allowed is taken as known.
   */
  deltaOf(task: number, worker: number, day: number): number | null {
    const { instance } = this;
    const slot = worker * instance.days + day;
    const it = instance.tasks[task]!;
    const its = this.slots[slot]!;
    const there = its.findIndex((visit) => visit.home === it.home);
    const { starts, others, wait, finish } = there < 0 ? NO_WORK : its[there]!;
    const work = { property: instance.homes[it.home]!.propertyId, starts, others, wait, finish };
    addWork(work, it);
    const stops: Stop[] = its.slice();
    if (there < 0) stops.push(work);
    else stops[there] = work;
    const { minutes, cost } = this.slotWith(worker, stops);
    if (minutes > instance.workers[worker]!.minutes[day]!) return null;
    const uneven = this.unevenWith(worker, minutes - this.minutes[slot]!) - this.unevenWith(-1, 0);
    const own = taskCost(it, this.lineOf(task), day, instance.weights) - this.outCost(task);
    const priced = this.pricedAt(day, minutes) - this.slotPriced[slot]!;
    const unliked = there < 0 ? unlikedCost(instance, it.home, day) : 0;
    return cost - this.slotCosts[slot]! + priced + own + uneven + unliked;
  }

  /** Does a task by somebody on a day. */
  put(task: number, worker: number, day: number, keep = true): void {
    const { tasks, homes, days } = this.instance;
    const it = tasks[task]!;
    this.countOut(task, -1);
    this.countDone(task, day, 1);
    const slot = this.slots[worker * days + day]!;
    let visit = slot.find(({ home }) => home === it.home);
    if (!visit) {
      const { propertyId } = homes[it.home]!;
      visit = { home: it.home, worker, day, tasks: [], pinned: false, property: propertyId, ...NO_WORK };
      slot.push(visit);
      this.sum += unlikedCost(this.instance, it.home, day);
      this.visitsOf[it.home]!.push(visit);
    }
    visit.tasks.push(task);
    addWork(visit, it);
    this.at[task] = visit;
    this.mark(it, day, true);
    this.recount(worker, day);
    const next = this.next[task];
    if (next != null) this.countOut(next, 1);
    if (keep) this.steps.push({ task, worker, day, put: true });
  }

  /** Takes a task out, and what follows it first. */
  take(task: number, keep = true): void {
    const visit = this.at[task];
    if (!visit) return;
    const next = this.next[task];
    if (next != null) {
      this.take(next, keep);
      this.countOut(next, -1);
    }
    const { tasks, days } = this.instance;
    const it = tasks[task]!;
    const { worker, day } = visit;
    this.countDone(task, day, -1);
    visit.tasks.splice(visit.tasks.indexOf(task), 1);
    Object.assign(visit, NO_WORK);
    for (const other of visit.tasks) addWork(visit, tasks[other]!);
    if (visit.tasks.length === 0) {
      const slot = this.slots[worker * days + day]!;
      slot.splice(slot.indexOf(visit), 1);
      const its = this.visitsOf[it.home]!;
      its.splice(its.indexOf(visit), 1);
      this.sum -= unlikedCost(this.instance, it.home, day);
    }
    this.at[task] = null;
    this.mark(it, day, false);
    this.recount(worker, day);
    this.countOut(task, 1);
    if (keep) this.steps.push({ task, worker, day, put: false });
  }

  private mark({ agent, branch }: Task, day: number, there: boolean): void {
    if (agent === null) return;
    const key = `${branch} ${day}`;
    const its = this.agents.get(key) ?? [];
    if (there) its.push(agent);
    else its.splice(its.indexOf(agent), 1);
    this.agents.set(key, its);
  }

  private recount(worker: number, day: number): void {
    const slot = worker * this.instance.days + day;
    const { minutes, cost } = this.slotWith(worker, this.slots[slot]!);
    this.used[worker]! += minutes - this.minutes[slot]!;
    this.sum += cost - this.slotCosts[slot]!;
    this.minutes[slot] = minutes;
    this.slotCosts[slot] = cost;
    const priced = this.pricedAt(day, minutes);
    this.priced += priced - this.slotPriced[slot]!;
    this.slotPriced[slot] = priced;
  }

  /** Steps from here on can be taken back together. */
  begin(): void {
    this.steps = [];
  }

  back(): void {
    for (const { task, worker, day, put } of this.steps.reverse()) {
      if (put) this.take(task, false);
      else this.put(task, worker, day, false);
    }
    this.steps = [];
  }

  /** Lays some visits as they are, whether or not they break a rule. */
  lay(visits: readonly PlanVisit[]): void {
    const order = visits.flatMap((visit) => visit.tasks.map((task) => ({ task, visit })));
    order.sort((a, b) => a.visit.day - b.visit.day || a.task - b.task);
    for (const { task, visit } of order) {
      if (!this.follows(task)) continue;
      this.put(task, visit.worker, visit.day, false);
      if (visit.pinned) this.at[task]!.pinned = true;
    }
  }

  /** The plan as it is, in an order that does not depend on how it came about. */
  visits(): PlanVisit[] {
    return this.slots
      .flat()
      .map(({ home, worker, day, tasks, pinned }) => ({
        home,
        worker,
        day,
        tasks: tasks.toSorted((a, b) => a - b),
        pinned,
      }))
      .sort((a, b) => a.day - b.day || a.worker - b.worker || a.home - b.home);
  }
}
