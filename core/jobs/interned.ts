/** Equal states as one object with one number, so that comparing them and asking again cost a look. */
import type { State } from '../catalogue/types.ts';

/** Gives one object for equal ones, so that what is equal can be compared by identity. */
export function interner() {
  const known = new Map<string, State>();
  const numbers = new Map<State, number>();
  return {
    same(state: State): State {
      const text = Object.keys(state)
        .sort()
        .map((variable) => `${variable}=${state[variable]}`)
        .join();
      const there = known.get(text);
      if (there) return there;
      known.set(text, state);
      numbers.set(state, numbers.size);
      return state;
    },
    /** Of a state that `same` gave. */
    numberOf: (state: State): number => numbers.get(state)!,
  };
}
