/** Keys and tasks of the steps of a plan. */
import { wantsIn } from '../catalogue/state.ts';
import type { PlannedStep } from './plannedStep.ts';

/** The words of a change, without its number. */
export const baseKey = (key: string): string => key.replace(/#\d+$/, '');

/** Numbers changes that come again, and says which tasks each change is for. */
export function numbered(past: readonly PlannedStep[], steps: readonly PlannedStep[]): PlannedStep[] {
  const times = new Map<string, number>();
  const count = (key: string) => times.set(key, (times.get(key) ?? 0) + 1).get(key)!;
  for (const { key, change } of past) if (change) count(baseKey(key));
  const named = steps.map((step) => {
    if (!step.change) return step;
    const n = count(step.change.words);
    return n === 1 ? step : { ...step, key: `${step.change.words}#${n}` };
  });
  return withTasks([...past, ...named]).slice(past.length);
}

/** A change belongs to the tasks whose acts want its variable; where none says so, to all. */
export function withTasks(steps: readonly PlannedStep[]): PlannedStep[] {
  const all = [...new Set(steps.flatMap(({ act }) => act?.of.map(({ task }) => task) ?? []))];
  return steps.map((step) => {
    if (!step.change) return step;
    const { variable } = step.change;
    const wanting = [
      ...new Set(
        steps.flatMap(({ act, state }) =>
          act && wantsIn(act, state)[variable] !== undefined ? act.of.map(({ task }) => task) : [],
        ),
      ),
    ];
    return { ...step, tasks: wanting.length > 0 ? wanting : all };
  });
}
