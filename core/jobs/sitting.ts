/** Sittings: which tasks of one machine are worth doing together, and in which order their steps run. */
import type { Procedure, Step } from '../catalogue/types.ts';

/** Our assumption: a task may ride along when no more than this share of its interval is thrown away. */
export const WASTE_ALLOWED = 0.3;

export interface Candidate {
  readonly pointId: string;
  /** Share of interval used; undefined without a record. */
  readonly share: number | undefined;
}

/** The other points of a machine that are near enough to ride along, most used first; no record counts as due. */
export function rideAlong(others: readonly Candidate[]): Candidate[] {
  const waste = ({ share }: Candidate) => Math.max(0, 1 - (share ?? 1));
  return others.filter((it) => waste(it) <= WASTE_ALLOWED).sort((a, b) => waste(a) - waste(b));
}

/** A step of a sitting, with the procedures it serves. */
export interface SittingStep extends Step {
  readonly procedures: readonly string[];
}

const OPENING = ['isolate'];
const CLOSING = ['restore', 'test'];

/**
 * The steps of several procedures on one machine as one flow: isolate once, each procedure's own steps in
 * the order given, power back once, then every closing test. Steps with the same text are one step.
 * @param procedures in catalogue order
 */
export function mergeSteps(procedures: readonly Procedure[]): SittingStep[] {
  const during = (phases: readonly string[]) =>
    procedures.flatMap((procedure) =>
      procedure.steps.filter(({ phase }) => phases.includes(phase)).map((step) => ({ ...step, procedures: [procedure.key] })));
  const own = during(['open', 'look', 'clean', 'refit']);
  return [...once(during(OPENING)), ...own, ...once(during(CLOSING.slice(0, 1))), ...during(CLOSING.slice(1))];
}

function once(steps: readonly SittingStep[]): SittingStep[] {
  const byText = new Map<string, SittingStep>();
  for (const step of steps) {
    const before = byText.get(step.text);
    byText.set(step.text, before
      ? { ...before, needs: [...before.needs, ...step.needs.filter((need) => !before.needs.some((it) => it.key === need.key))], procedures: [...before.procedures, ...step.procedures] }
      : step);
  }
  return [...byText.values()];
}
