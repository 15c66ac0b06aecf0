/** The order of a sitting's steps that switches least, by dynamic programming over what is done and the state. */
import type { Change } from '../catalogue/systems.ts';
import type { State } from '../catalogue/types.ts';
import { blocksOf } from './blocks.ts';
import { bridger } from './bridges.ts';
import { interner } from './interned.ts';
import type { Act, Sitting } from './sitting.ts';
import { after, contradictionsIn, isPart, isSwitch, switched, wantsIn } from '../catalogue/state.ts';
import type { PlannedStep } from './plannedStep.ts';

export interface PlanDraft {
  readonly steps: readonly PlannedStep[];
  readonly elapsed: number;
  readonly state: State;
}

const INFINITE = Infinity;

/** The cheapest order of the acts from one state to another; null where there is none. */
export function solve(sitting: Sitting, acts: readonly Act[], start: State, begin: State): PlanDraft | null {
  const blocks = blocksOf(acts);
  const count = blocks.length;
  const done: boolean[] = Array(count).fill(false);
  // 2^53 sets of blocks are told apart exactly.
  const bit = blocks.map((_, i) => 2 ** i);
  const ready = (i: number) => !done[i] && blocks[i]!.before.every((it) => done[it]);
  const bridges = bridger(sitting.changes);
  const leadsTo = blocks.map((_, i) => blocks.flatMap(({ before }, j) => (before.includes(i) ? [j] : [])));
  const { same, numberOf } = interner();

  const fewest = new Map<string, number>();
  /** Fewest changes from here to the end, everything put back. */
  function changesLeft(set: number, left: number, state: State): number {
    if (left === 0) return endChanges(state)?.length ?? INFINITE;
    const key = `${set} ${numberOf(state)}`;
    const found = fewest.get(key);
    if (found !== undefined) return found;
    let best = INFINITE;
    const open: [number, Step[]][] = [];
    for (let i = 0; i < count; i += 1) {
      if (!ready(i)) continue;
      const into = waysInto(i, state);
      const free = into.find((way) => way.changes.length === 0);
      if (free && free.state === state) {
        open.length = 0;
        open.push([i, [free]]);
        break;
      }
      open.push([i, into]);
    }
    for (const [i, into] of open) {
      for (const way of into) {
        if (way.changes.length >= best) continue;
        done[i] = true;
        best = Math.min(best, way.changes.length + changesLeft(set + bit[i]!, left - 1, way.state));
        done[i] = false;
      }
    }
    fewest.set(key, best);
    return best;
  }

  interface Step {
    readonly changes: readonly Change[];
    readonly state: State;
  }
  const ways = blocks.map(() => new Map<State, Step[]>());
  /** The ways to come to a block from a state, with the state after it; none where its limits cannot be met. */
  function waysInto(block: number, state: State): Step[] {
    const seen = ways[block]!.get(state);
    if (seen) return seen;
    const row = blocks[block]!.acts;
    const found = bridges(state, wantsIn(row[0]!, state)).flatMap(({ changes, state: reached }) => {
      let now = reached;
      for (const act of row) {
        if (contradictionsIn(act, now).length > 0) return [];
        now = after(act, now);
      }
      return [{ changes, state: same(now) }];
    });
    ways[block]!.set(state, found);
    return found;
  }
  const endWants = (state: State): State => ({
    ...Object.fromEntries(
      Object.keys(state)
        .filter(isPart)
        .map((part) => [part, 'in']),
    ),
    ...Object.fromEntries(Object.entries(begin).filter(([variable]) => isSwitch(variable) && variable !== 'water')),
    ...(state.mode !== undefined && { mode: 'usual' }),
  });
  const endChanges = (state: State) =>
    bridges(state, endWants(state))
      .map(({ changes }) => changes)
      .sort((a, b) => a.length - b.length)[0];

  type Waits = readonly (readonly [block: number, minutes: number])[];
  const shortest = new Map<string, number>();
  /** Fewest elapsed minutes to the end among plans with the fewest changes. */
  function minutesLeft(set: number, left: number, state: State, waits: Waits): number {
    if (left === 0) return 0;
    const plain = waits.length === 0 && blocks.every(({ wait }, i) => done[i] || wait === 0);
    if (plain) return blocks.reduce((sum, { minutes, busy }, i) => sum + (done[i] ? 0 : minutes + busy), 0);
    const key = `${set} ${numberOf(state)} ${waits.map(([i, minutes]) => `${i}:${minutes.toFixed(3)}`).join()}`;
    const found = shortest.get(key);
    if (found !== undefined) return found;
    let best = INFINITE;
    // It takes at least the work that is left; a plan that never idles cannot be beaten.
    const work = workLeft();
    for (const move of moves(set, left, state, waits)) {
      if (leastOf(move, work) >= best) continue;
      best = Math.min(best, move.minutes + rest(move, set, left));
      if (best <= work) break;
    }
    shortest.set(key, best);
    return best;
  }

  const workLeft = () => blocks.reduce((sum, { minutes, busy }, i) => sum + (done[i] ? 0 : minutes + busy), 0);
  const leastOf = ({ block, minutes }: Move, work: number) =>
    minutes + work - blocks[block]!.minutes - blocks[block]!.busy;
  interface Move extends Step {
    readonly block: number;
    readonly minutes: number;
    readonly waits: Waits;
  }
  function* moves(set: number, left: number, state: State, waits: Waits): Generator<Move> {
    const fewestHere = changesLeft(set, left, state);
    for (let i = 0; i < count; i += 1) {
      if (!ready(i)) continue;
      for (const way of waysInto(i, state)) {
        done[i] = true;
        const optimal = way.changes.length + changesLeft(set + bit[i]!, left - 1, way.state) === fewestHere;
        done[i] = false;
        if (!optimal) continue;
        const { minutes, busy, wait, before } = blocks[i]!;
        const idle = Math.max(0, ...waits.filter(([of]) => before.includes(of)).map(([, remaining]) => remaining));
        const spent = idle + minutes + busy;
        // A wait that nothing is left to wait for is over.
        const running = waits
          .map(([of, remaining]) => [of, remaining - spent] as const)
          .filter(([of, remaining]) => remaining > 0 && leadsTo[of]!.some((it) => it !== i && !done[it]));
        yield {
          ...way,
          block: i,
          minutes: spent,
          waits: wait > 0 ? [...running, [i, wait] as const].sort((a, b) => a[0] - b[0]) : running,
        };
      }
    }
  }
  function rest({ block, state, waits }: Move, set: number, left: number): number {
    done[block] = true;
    const minutes = minutesLeft(set + bit[block]!, left - 1, state, waits);
    done[block] = false;
    return minutes;
  }

  const first = same(start);
  if (changesLeft(0, count, first) === INFINITE) return null;
  const elapsed = minutesLeft(0, count, first, []);
  const steps: PlannedStep[] = [];
  const switchBy = (changes: readonly Change[], from: State) => {
    let now = from;
    for (const change of changes) {
      now = switched(change, now);
      steps.push({ key: change.words, act: null, change, tasks: [], state: now });
    }
    return now;
  };
  let [set, state, waits]: [number, State, Waits] = [0, first, []];
  for (let left = count; left > 0; left -= 1) {
    const wanted = minutesLeft(set, left, state, waits);
    const work = workLeft();
    const best = [...moves(set, left, state, waits)]
      .filter(
        (move) => leastOf(move, work) < wanted + 1e-6 && Math.abs(move.minutes + rest(move, set, left) - wanted) < 1e-6,
      )
      .sort(
        (a, b) => blocks[a.block]!.first.rank - blocks[b.block]!.first.rank || a.changes.length - b.changes.length,
      )[0]!;
    let now = switchBy(best.changes, state);
    for (const act of blocks[best.block]!.acts) {
      steps.push({ key: act.key, act, change: null, tasks: act.of.map(({ task }) => task), state: now });
      now = after(act, now);
    }
    done[best.block] = true;
    set += bit[best.block]!;
    [state, waits] = [same(now), best.waits];
  }
  state = switchBy(endChanges(state)!, state);
  return { steps, elapsed, state };
}
