/** What is carried to a job, and said before it begins, in words. */
import type { Agent, Material, Procedure } from '../../core/catalogue/types.ts';
import type { Translator } from '../language/translator.ts';
import { rodsFor, ROD_MM } from '../../core/measure/ductRun.ts';
import { MM_PER_FOOT, type UnitSystem } from '../../core/quantities/units.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { fittedAgents } from '../jobs/jobSitting.ts';

/** What is carried: of the agents only those that may be used this time. */
export function carried(
  procedure: Procedure,
  turn: Agent | null,
  blocked: readonly Agent[],
  beside: readonly Agent[],
): readonly Material[] {
  const needs = procedure.steps.flatMap((step) => step.needs).filter((need) => need.kind === 'agent');
  const chosen = needs.flatMap((need) => fittedAgents(need.choices, { turn, blocked, beside }));
  const asked = needs.flatMap(({ choices }) => choices);
  return procedure.materials.filter(
    ({ agent }) => agent === undefined || !asked.includes(agent) || chosen.includes(agent),
  );
}

/** Agents that are a choice of one stand in one line. */
export function materialsInWords(
  say: Translator,
  materials: readonly Material[],
  { steps }: Procedure,
  words: (material: Material) => string,
): string[] {
  const asked = steps.flatMap(({ needs }) => needs.flatMap((need) => (need.kind === 'agent' ? need.choices : [])));
  const choice = materials.filter(({ agent }) => agent !== undefined && asked.includes(agent));
  if (choice.length < 2) return materials.map(words);
  return [
    ...materials.filter((it) => !choice.includes(it)).map(words),
    say('kit.oneOf', { items: say.anyOf(choice.map(words)) }),
  ];
}

/** The brush with as many rods as the run is long, where it was entered. */
export function rodWords(say: Translator, { kit }: Procedure, { duct }: Specification, units: UnitSystem): string[] {
  if (!duct || !kit.includes('ductBrush')) return [];
  const length = (mm: number) =>
    units === 'us'
      ? say('amount.feet', { feet: Math.round((mm / MM_PER_FOOT) * 10) / 10 })
      : say('amount.metres', { metres: Math.round(mm / 100) / 10 });
  return [
    say('kit.ductBrush.alone'),
    say('kit.rods', { rods: rodsFor(duct), length: length(ROD_MM), run: length(duct.straightMm) }),
  ];
}

/** Cautions for gas are for gas. */
export function stopApplies(stop: string, fuel: string): boolean {
  return !stop.startsWith('gas') || fuel === 'gas';
}
