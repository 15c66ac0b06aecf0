/** Short forms that keep a procedure readable as a list. */
import type { Agent, Need, Phase, Step } from './types.ts';

export const confirm = (key: string): Need => ({ kind: 'confirm', key });
export const photo = (key: string, optional = false): Need => ({ kind: 'photo', key, ...(optional && { optional }) });
export const grade = (key: 'part' | 'cavity' = 'part'): Need => ({ kind: 'grade', key });
export const finds: Need = { kind: 'finds', key: 'finds' };
export const size: Need = { kind: 'size', key: 'size' };
export const timer = (key: string, minutes: number): Need => ({ kind: 'timer', key, minutes });
export const agent = (...choices: Agent[]): Need => ({ kind: 'agent', key: 'agent', choices });

/** Steps of one procedure; a name without a dot belongs to the procedure, with one to its machine. */
export function stepsOf(procedure: string) {
  return (name: string, phase: Phase, ...needs: Need[]): Step => ({
    text: name.includes('.') ? name : `${procedure}.${name}`,
    phase,
    needs,
  });
}
