/**
 * The sitting of a job: what its tasks come to on their system, as it is planned, shown, and replayed when it was done.
 */
import { systemOf } from '../../core/catalogue/systems.ts';
import { apart, mustNotMeet } from '../../core/catalogue/chemistry.ts';
import type { Agent, Need, Procedure, State, Step } from '../../core/catalogue/types.ts';
import { needsInPlan } from '../../core/jobs/gone.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { sittingOf, type Sitting, type SittingTask } from '../../core/jobs/sitting.ts';
import { shownVariables, stateLine } from '../../core/jobs/stateLine.ts';
import type { Translator } from '../language/translator.ts';
import { BEGINNINGS, type JobAnswer } from '../../contract/jobs/jobs.ts';
import type { PlannedStep } from '../../core/jobs/plannedStep.ts';

/** What decides how a task is asked for today. */
export interface Fitting {
  /** The agent whose turn it is. */
  readonly turn: Agent | null;
  /** Agents that the drains of its branch saw today. */
  readonly blocked: readonly Agent[];
  /**
   * Agents that the other tasks of this sitting surely use: what never meets them or wants a rinse between is not
   * offered.
   */
  readonly beside: readonly Agent[];
  /** A tenant does it: what is staff's is not asked. */
  readonly tenant: boolean;
  /** Minutes that a cycle of this model runs. */
  readonly runMinutes: number | null;
}

/** A timer of so many minutes is a machine's run, not a soak. */
const RUN_FROM_MINUTES = 60;

/**
 * A need as it is asked today: the agent whose turn it is, none that must not meet what the drains saw, the model's own
 * running time.
 */
function fitted(need: Need, run: boolean, { turn, blocked, beside, runMinutes }: Fitting): Need {
  if (need.kind === 'timer')
    return run && runMinutes !== null && need.minutes >= RUN_FROM_MINUTES ? { ...need, minutes: runMinutes } : need;
  return need.kind === 'agent' ? { ...need, choices: fittedAgents(need.choices, { turn, blocked, beside }) } : need;
}

/**
 * The agents that are left of a choice this time: the one whose turn it is, none that must not meet what the drains saw
 * or what the sitting uses besides.
 */
export function fittedAgents(
  choices: readonly Agent[],
  { turn, blocked, beside }: Pick<Fitting, 'turn' | 'blocked' | 'beside'>,
): readonly Agent[] {
  const may = (agent: Agent) => !blocked.some((it) => mustNotMeet(agent, it)) && !beside.some((it) => apart(agent, it));
  if (turn && choices.includes(turn) && may(turn)) return [turn];
  // Where nothing is left today there is warm water and a brush.
  const left = choices.filter(may);
  return left.length > 0 ? left : ['water'];
}

/** A task of a sitting, its steps as they are asked for today. */
export function sittingTask(id: string, { steps, minutes }: Procedure, fitting: Fitting): SittingTask {
  const asked = steps.filter(({ staffOnly }) => !(staffOnly && fitting.tenant));
  return {
    id,
    minutes,
    steps: asked.map((step): Step => ({
      ...step,
      needs: step.needs.map((need) => fitted(need, step.run !== undefined, fitting)),
    })),
  };
}

/** The sitting of tasks on a machine of a type. */
export const sittingOn = (
  { type, fuel }: { readonly type: string; readonly fuel: string },
  tasks: readonly SittingTask[],
): Sitting => sittingOf(systemOf(type, fuel), tasks);

/** Words for the values of everything that can be switched. */
export function stateWordsOf(say: Translator, { changes }: Sitting): Record<string, string> {
  return Object.fromEntries(changes.map(({ variable, to, words }) => [`${variable}.${to}`, say(`state.${words}`)]));
}

/** The line that says what the machine must be like, for each step of a plan. */
export function stateLines(
  say: Translator,
  sitting: Sitting,
  steps: readonly PlannedStep[],
  begin: State = {},
): string[] {
  const words = stateWordsOf(say, sitting);
  const variables = shownVariables(sitting, steps, begin);
  return steps.map(({ state }) => stateLine(words, variables, state));
}

/** How the machine may be found otherwise than usual, where that changes what is done. */
export function beginningsOf(say: Translator, { usual, changes }: Sitting): JobAnswer['beginnings'] {
  return Object.entries(BEGINNINGS)
    .filter(([variable]) => usual[variable] !== undefined && changes.some((it) => it.variable === variable))
    .flatMap(([variable, values]) =>
      values.map((value) => ({ variable, value, says: say(`begin.${variable}.${value}`) })),
    );
}

/** What is asked of each task when the sitting goes as it was planned. */
export function askedOf(
  machine: { readonly type: string; readonly fuel: string },
  of: readonly { readonly id: string; readonly procedure: Procedure; readonly turn: Agent | null }[],
): Map<string, Need[]> {
  const tasks = of.map(({ id, procedure, turn }) =>
    sittingTask(id, procedure, { turn, blocked: [], beside: [], runMinutes: null, tenant: false }),
  );
  const { steps } = planSitting(sittingOn(machine, tasks));
  return new Map(tasks.map((task) => [task.id, needsInPlan(task, steps)]));
}
