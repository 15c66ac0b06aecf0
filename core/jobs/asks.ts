/** How a step asks for what it needs, with as little to tap as there can be. */
import type { Need } from '../catalogue/types.ts';

export interface Asks<N> {
  /** An assurance that is all a step asks for: its button gives it. */
  readonly button: N | null;
  /** Assurances that are given together, by one tick. */
  readonly ticks: readonly N[];
  /** Everything else, a field each. */
  readonly fields: readonly N[];
}

/**
 * What a step asks for, parted into ticks that are given at once, fields, and the one button that may answer by
 * itself.
 */
export function asksOf<N extends { readonly need: Need }>(needs: readonly N[]): Asks<N> {
  const assurances = needs.filter(({ need }) => need.kind === 'confirm');
  const button = needs.length === 1 ? (assurances[0] ?? null) : null;
  return { button, ticks: button ? [] : assurances, fields: needs.filter(({ need }) => need.kind !== 'confirm') };
}

/** A job of at most so many steps is sent from its last one: there is little to look over. */
export const SHORT_STEPS = 3;

/** Screens from opening a job to having sent it: the stop points, the steps, and what is about to be sent. */
export const screensOf = (steps: number): number => 1 + steps + (steps > SHORT_STEPS ? 1 : 0);

/** What must be entered besides photos; waits and what may be left out are not counted. */
export function inputsOf(steps: readonly (readonly Need[])[]): number {
  return steps.reduce((sum, needs) => {
    const { ticks, fields } = asksOf(needs.map((need) => ({ need })));
    const entered = fields.filter(
      ({ need }) =>
        !['photo', 'timer', 'finds', 'finding'].includes(need.kind) && !('optional' in need && need.optional),
    );
    return sum + Math.min(1, ticks.length) + entered.length;
  }, 0);
}
