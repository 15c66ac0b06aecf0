/** States of a system: what a value stands for where nothing is said, what satisfies what, and what a run wants. */
import { SWITCHES, type Change } from './systems.ts';
import type { Hands, Run, State } from './types.ts';

/** What a variable is where nothing was said of it: parts are in, everything else as usual. */
function usualOf(variable: string): string {
  if (isPart(variable)) return 'in';
  if (variable === 'settled') return 'yes';
  return variable === 'heat' ? 'cool' : 'usual';
}

export const isPart = (variable: string): boolean =>
  variable.startsWith('part.') || variable === 'own' || variable.startsWith('own.');
export const isSwitch = (variable: string): boolean => (SWITCHES as readonly string[]).includes(variable);

export const valueIn = (state: State, variable: string): string => state[variable] ?? usualOf(variable);

/** Whether a value is as good as the wanted one: what is off is idle too. */
export const satisfies = (value: string, wanted: string): boolean =>
  value === wanted || (wanted === 'idle' && value === 'off');

/** Runs that wet the inside. */
const WET: readonly Run[] = ['short', 'hot', 'pump'];

/** A step or act as far as the system's state is concerned. */
export interface Acting {
  readonly wants: State;
  readonly makes: State;
  readonly run: Run | null;
  /** Parts that need not be in while it runs. */
  readonly but: readonly string[];
  readonly hands: Hands;
}

/**
 * All that a step wants of a state: its own words, and what any run wants: everything in, supplies open, the machine in
 * its place.
 */
export function wantsIn({ wants, run, but }: Acting, state: State): State {
  if (run === null) return wants;
  const parts = Object.keys(state)
    .filter((variable) => isPart(variable) && !but.includes(variable))
    .map((part) => [part, 'in']);
  const supplies = Object.entries({ circuit: 'on', tap: 'open', gas: 'open', place: 'home', outdoor: 'on' }).filter(
    ([variable]) => state[variable] !== undefined,
  );
  return {
    ...Object.fromEntries([...parts, ...supplies]),
    ...(WET.includes(run) && state.racks !== undefined && { racks: 'usual' }),
    power: 'on',
    ...wants,
  };
}

/** A contradiction between a step and the state that it would be done in. */
export interface Contradiction {
  readonly kind: 'state' | 'hands';
  readonly variable: string;
  readonly wanted: string;
  readonly value: string;
}

/** Everything about a step that contradicts the state; none where it can be done as written. */
export function contradictionsIn(step: Acting, state: State): Contradiction[] {
  const found = Object.entries(wantsIn(step, state))
    .filter(([variable, wanted]) => !satisfies(valueIn(state, variable), wanted))
    .map(([variable, wanted]): Contradiction => ({ kind: 'state', variable, wanted, value: valueIn(state, variable) }));
  const hand = (wanted: string, variable = 'power') =>
    found.push({ kind: 'hands', variable, wanted, value: valueIn(state, variable) });
  if (step.hands === 'inside' && valueIn(state, 'power') !== 'off' && valueIn(state, 'outdoor') !== 'off') hand('off');
  if (step.hands === 'inside' && valueIn(state, 'heat') === 'hot') hand('cool', 'heat');
  if (step.hands !== 'outside' && step.run !== null) hand('still', 'run');
  return found;
}

/** The state once something was switched. */
export const switched = ({ variable, to, makes }: Change, state: State): State => ({
  ...state,
  ...makes,
  [variable]: to,
});

/** Whether a value is one that isolates or moves away; else it puts back. */
export const isolates = (to: string): boolean => ['off', 'idle', 'shut', 'out', 'drained'].includes(to);

export const after = ({ makes }: Pick<Acting, 'makes'>, state: State): State => ({ ...state, ...makes });
