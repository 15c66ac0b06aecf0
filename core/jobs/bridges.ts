/** Bridges: what is switched, and in which order, to come from one state to another. */
import type { Change } from '../catalogue/systems.ts';
import type { State } from '../catalogue/types.ts';
import { isolates, isSwitch, satisfies, switched, valueIn } from '../catalogue/state.ts';

/** In which order several are switched: isolating from the plug outwards, putting back from the wall inwards. */
const ISOLATING = ['power', 'circuit', 'outdoor', 'gas', 'tap', 'water', 'place'];

/**
 * Ways from a state to one that satisfies what is wanted: the changes in order, and where they lead; none where no
 * switch leads there.
 */
export function bridger(changes: readonly Change[]) {
  const through = (
    state: State,
    variable: string,
    to: string,
    depth = 0,
  ): { changes: Change[]; state: State } | null => {
    if (valueIn(state, variable) === to) return { changes: [], state };
    const change = changes.find(
      (it) => it.variable === variable && it.to === to && (it.from === null || it.from === valueIn(state, variable)),
    );
    if (!change || depth > 4) return null;
    const made: Change[] = [];
    let now = state;
    for (const [needed, value] of Object.entries(change.wants)) {
      const first = through(now, needed, value, depth + 1);
      if (!first) return null;
      made.push(...first.changes);
      now = first.state;
    }
    return { changes: [...made, change], state: switched(change, now) };
  };
  const reach = (state: State, wants: State): { changes: Change[]; state: State } | null => {
    const wanted = Object.entries(wants).filter(
      ([variable, value]) =>
        isSwitch(variable) &&
        !satisfies(valueIn(state, variable), value) &&
        changes.some((it) => it.variable === variable),
    );
    const order = (variable: string, value: string) =>
      isolates(value) ? ISOLATING.indexOf(variable) : 20 - ISOLATING.indexOf(variable);
    const made: Change[] = [];
    let now = state;
    for (const [variable, value] of wanted.sort((a, b) => order(...a) - order(...b))) {
      const next = through(now, variable, value);
      if (!next) return null;
      made.push(...next.changes);
      now = next.state;
    }
    return Object.entries(wants).every(([variable, value]) => satisfies(valueIn(now, variable), value))
      ? { changes: made, state: now }
      : null;
  };
  return (state: State, wants: State): { changes: Change[]; state: State }[] => {
    const ways = [reach(state, wants)];
    // What may idle may be off as well, and may stay off for what follows.
    if (wants.power === 'idle' && valueIn(state, 'power') === 'on') ways.push(reach(state, { ...wants, power: 'off' }));
    return ways.filter((way) => way !== null);
  };
}
