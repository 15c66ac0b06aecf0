/**
 * The plan of a sitting: the order of its acts, with what is switched off, shut or moved between them.
 *
 * Hard limits and the trade's order first (`after`, wants, hands); then the fewest changes of state; then the fewest
 * elapsed minutes, a wait running while something else is done; then the trade's score. Exact: a shortest path over
 * what is done × the state, by dynamic programming. Acts in a row of one procedure that want the same are taken
 * together. An act that changes nothing and needs no change is done at once when only changes are counted, since
 * putting it off can only cost more.
 */
import type { Finding, State } from '../catalogue/types.ts';
import { baseKey, numbered, withTasks } from './stepKeys.ts';
import type { Act, Sitting } from './sitting.ts';
import { after, switched, valueIn } from '../catalogue/state.ts';
import type { PlannedStep, Plan, Situation } from './plannedStep.ts';
import { type PlanDraft, solve } from './solve.ts';

/** A newcomer's pace; a practised person needs less (`burden.ts`). */
const NEWCOMER = 1;

/**
 * Plans a sitting, or the rest of one.
 * @param pace share of a newcomer's minutes that the doer needs, for the longest time without power
 */
export function planSitting(sitting: Sitting, situation: Situation = {}, pace = NEWCOMER): Plan {
  const found = situation.found ?? [];
  const acts = activeActs(sitting, found);
  const begin: State = { ...sitting.usual, ...situation.begin };
  const past = replay(sitting, acts, situation);
  const tasks = [...new Set(acts.flatMap(({ of }) => of.map(({ task }) => task)))];
  for (let left: string[] = []; ; left = [...left, dropped(acts, tasks, left, past, begin, sitting)]) {
    const wanted = acts.filter(({ of }) => of.some(({ task }) => !left.includes(task)));
    const groups = groupsOf(
      sitting,
      wanted,
      tasks.filter((task) => !left.includes(task)),
      past,
      begin,
      pace,
    );
    if (groups) return { steps: [...past.steps, ...numbered(past.steps, groups.steps)], left, elapsed: groups.elapsed };
    if (left.length >= tasks.length) return { steps: past.steps, left: tasks, elapsed: 0 };
  }
}

/** What is left of the acts under what was found. */
export function activeActs({ acts }: Sitting, found: readonly Finding[]): Act[] {
  return acts
    .filter(({ when }) => when === null || found.includes(when))
    .map((act) => {
      if (act.poweredWhen === null || !found.includes(act.poweredWhen)) return act;
      const { power: _power, ...wants } = act.wants;
      return { ...act, wants, hands: 'outside' };
    });
}

interface Past {
  readonly steps: readonly PlannedStep[];
  readonly state: State;
}

/** The steps that were done, with the states they were done in. */
export function replay(sitting: Sitting, acts: readonly Act[], { begin, done = [] }: Situation): Past {
  let state: State = { ...sitting.usual, ...begin };
  const steps: PlannedStep[] = [];
  for (const key of done) {
    const act = acts.find((it) => it.key === key) ?? null;
    const change = act ? null : (sitting.changes.find(({ words }) => words === baseKey(key)) ?? null);
    if (change) state = switched(change, state);
    steps.push({ key, act, change, tasks: act ? act.of.map(({ task }) => task) : [], state });
    if (act) state = after(act, state);
  }
  return { steps: withTasks(steps), state };
}

/** One plan; where power would be off too long, the tasks are planned in lots, power back for as long between them. */
function groupsOf(
  sitting: Sitting,
  acts: readonly Act[],
  tasks: readonly string[],
  past: Past,
  begin: State,
  pace: number,
): PlanDraft | null {
  const done = new Set(past.steps.map(({ key }) => key));
  const rest = acts.filter(({ key }) => !done.has(key));
  const whole = solve(sitting, rest, past.state, begin);
  if (!whole || sitting.offMinutes === null || longestOff(whole.steps, pace) <= sitting.offMinutes || tasks.length < 2)
    return whole;
  const off = tasks.filter((task) =>
    rest.some(({ of, wants }) => wants.power === 'off' && of.some((it) => it.task === task)),
  );
  if (off.length < 2) return whole;
  // The last of those that want it off waits for a second stretch.
  const last = off.at(-1)!;
  const actsOf = (ids: readonly string[]) =>
    rest
      .filter(({ of }) => of.some(({ task }) => ids.includes(task)))
      .map((act) => ({ ...act, of: act.of.filter(({ task }) => ids.includes(task)) }));
  const first = groupsOf(
    sitting,
    actsOf(tasks.filter((task) => task !== last)),
    tasks.filter((task) => task !== last),
    { steps: [], state: past.state },
    begin,
    pace,
  );
  const second =
    first &&
    solve(
      sitting,
      actsOf([last]).map((act) => ({
        ...act,
        key: keyAgain(first.steps, act.key),
        after: act.after.map((key) => keyAgain(first.steps, key)),
      })),
      first.state,
      begin,
    );
  if (!first || !second) return whole;
  return {
    steps: [...first.steps, restStep(sitting.offMinutes, first.state, last), ...second.steps],
    elapsed: first.elapsed + sitting.offMinutes + second.elapsed,
    state: second.state,
  };
}

const keyAgain = (steps: readonly PlannedStep[], key: string): string =>
  steps.some((it) => it.key === key) ? `${key}+` : key;

/** Power stays on for as long as it may be off, before it is cut again. */
export const REST = 'sitting.rest';

function restStep(minutes: number, state: State, task: string): PlannedStep {
  const act: Act = {
    key: REST,
    of: [{ task, text: REST }],
    wants: { power: 'on' },
    makes: {},
    run: null,
    but: [],
    hands: 'outside',
    when: null,
    poweredWhen: null,
    minutes: 0,
    wait: minutes,
    after: [],
    rank: 0,
  };
  return { key: REST, act, change: null, tasks: [task], state };
}

function longestOff(steps: readonly PlannedStep[], pace: number): number {
  let [longest, now] = [0, 0];
  for (const { act, state } of steps) {
    now = valueIn(state, 'power') === 'off' ? now + (act ? act.minutes * pace + act.wait : 0) : 0;
    longest = Math.max(longest, now);
  }
  return longest;
}

/** The task that stands in the way: one that cannot be planned even alone, else the last. */
function dropped(
  acts: readonly Act[],
  tasks: readonly string[],
  left: readonly string[],
  past: Past,
  begin: State,
  sitting: Sitting,
): string {
  const open = tasks.filter((task) => !left.includes(task));
  const done = new Set(past.steps.map(({ key }) => key));
  const alone = (task: string) =>
    solve(
      sitting,
      acts.filter(({ key, of }) => !done.has(key) && of.some((it) => it.task === task)),
      past.state,
      begin,
    );
  return open.find((task) => !alone(task)) ?? open.at(-1)!;
}
