/** The state of a system in one line: what it must be like now. */
import type { State } from '../catalogue/types.ts';
import type { Sitting } from './sitting.ts';
import { valueIn } from '../catalogue/state.ts';
import type { PlannedStep } from './plannedStep.ts';

/**
 * Variables that stand in the line: power where it can be switched, and whatever this plan switches or was found
 * otherwise.
 */
export function shownVariables(
  { changes, usual }: Sitting,
  steps: readonly PlannedStep[],
  begin: State = {},
): string[] {
  const touched = new Set([...steps.flatMap(({ change }) => change?.variable ?? []), ...Object.keys(begin)]);
  return [...new Set(changes.map(({ variable }) => variable))].filter(
    (variable) => usual[variable] !== undefined && (variable === 'power' || touched.has(variable)),
  );
}

/** @param words words for `<variable>.<value>` */
export function stateLine(words: Readonly<Record<string, string>>, variables: readonly string[], state: State): string {
  return variables.flatMap((variable) => words[`${variable}.${valueIn(state, variable)}`] ?? []).join(', ');
}

/** What of a state is not as it was at the beginning: keys of words, for whoever leaves it so. */
export function standsOtherwise({ changes, usual }: Sitting, state: State, begin: State = {}): string[] {
  const variables = [...new Set(changes.map(({ variable }) => variable))].filter((variable) => variable !== 'water');
  return variables
    .filter(
      (variable) => usual[variable] !== undefined && valueIn(state, variable) !== (begin[variable] ?? usual[variable]),
    )
    .map((variable) => `${variable}.${valueIn(state, variable)}`);
}
