/** Short forms that keep a procedure readable as a list. */
import {
  OWN,
  type Agent,
  type Finding,
  type Need,
  type Phase,
  type Run,
  type State,
  type Step,
  type StepState,
} from './types.ts';

export const confirm = (key: string): Need => ({ kind: 'confirm', key });
export const photo = (key: string, optional = false): Need => ({ kind: 'photo', key, ...(optional && { optional }) });
export const grade = (key: 'part' | 'cavity' = 'part'): Need => ({ kind: 'grade', key });
export const finds: Need = { kind: 'finds', key: 'finds' };
export const size: Need = { kind: 'size', key: 'size' };
export const timer = (key: string, minutes: number): Need => ({ kind: 'timer', key, minutes });
export const agent = (...choices: Agent[]): Need => ({ kind: 'agent', key: 'agent', choices });
export const finding = (key: Finding): Need => ({ kind: 'finding', key });

/** States that procedures begin from. */
export const OFF: State = { power: 'off' };
export const OFF_DRY: State = { power: 'off', tap: 'shut' };
export const OFF_OUT: State = { power: 'off', place: 'out' };
export const STILL: State = {};

/** How a step differs from the state of its procedure. */
export type How = StepState & {
  /** Nothing of the procedure's own state holds. */
  readonly either?: true;
};

export const either: How = { either: true };
export const wants = (state: State): How => ({ wants: state });
/** The variable of a removable part; `own` belongs to the one point alone, so that two of a kind do not share it. */
const partNamed = (name: string) => (name === 'own' ? OWN : `part.${name}`);
export const takes = (part: string): How => ({
  wants: { [partNamed(part)]: 'in' },
  makes: { [partNamed(part)]: 'out' },
});
export const puts = (part: string): How => ({
  wants: { [partNamed(part)]: 'out' },
  makes: { [partNamed(part)]: 'in' },
});
export const makes = (state: State): How => ({ makes: state });
export const as = (act: string): How => ({ act });
export const when = (found: Finding): How => ({ when: found });
export const staffOnly: How = { staffOnly: true };
/** The machine runs, everything back in but what is named; hands off. */
export const runs = (run: Run, ...but: string[]): How => ({
  either: true,
  wants: { power: 'on' },
  run,
  hands: 'outside',
  ...(but.length > 0 && { but: but.map(partNamed) }),
});

const isNeed = (it: Need | How): it is Need => 'kind' in it;

/**
 * Steps of one procedure, in its usual state; a name without a dot belongs to the procedure, with one to its machine.
 */
export function stepsOf(procedure: string, usual: State = STILL) {
  return (name: string, phase: Phase, ...more: (Need | How)[]): Step => {
    const hows = more.filter((it): it is How => !isNeed(it));
    const { either: free, ...how } = Object.assign({}, ...hows) as How;
    const wanted = Object.assign(
      {},
      hows.some((it) => it.either) || free ? {} : usual,
      ...hows.map((it) => it.wants),
    ) as State;
    const made = Object.assign({}, ...hows.map((it) => it.makes)) as State;
    return {
      text: name.includes('.') ? name : `${procedure}.${name}`,
      phase,
      needs: more.filter(isNeed),
      ...how,
      wants: wanted,
      makes: made,
    };
  };
}
