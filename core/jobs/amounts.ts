/** How much of what: materials and doses in words, in a person's own units. */
import type { Material, Procedure, Step } from '../catalogue/types.ts';
import type { Translator } from '../language/message.ts';
import type { Values } from '../language/values.ts';
import { volumeWords } from '../quantities/words.ts';
import type { UnitSystem } from '../quantities/units.ts';

/** What is known of a point that decides how much it takes. */
export interface Extent {
  readonly drains?: number | null | undefined;
}

/** Parts of water to one of bleach (common practice). */
export const WATER_TO_BLEACH = 3;

const countOf = ({ each }: Material, { drains }: Extent) => (each === 'drain' ? drains || 1 : 1);

/** A material with its amount where it has one, all doses together. */
export function materialWords(say: Translator, material: Material, extent: Extent, system: UnitSystem): string {
  const { what, volumeMl } = material;
  return volumeMl === undefined
    ? say(`material.${what}`)
    : `${say(`material.${what}`)}, ${volumeWords(say, volumeMl * countOf(material, extent), system)}`;
}

/**
 * The agents that a step leaves to choose from, each with how it is used there: `dish soap, or half vinegar, half
 * water`.
 */
export function agentWords(say: Translator, { text, needs }: Step): string {
  const choices = needs.flatMap((need) => (need.kind === 'agent' ? need.choices : []));
  return say.anyOf(
    choices.map((agent) =>
      say.text([`${text}.with.${agent}`, `with.${agent}`].find((key) => say.has(key)) ?? `agent.${agent}`),
    ),
  );
}

/** The amounts that the words of a procedure's steps ask for. */
export function stepAmounts(say: Translator, { materials }: Procedure, extent: Extent, system: UnitSystem): Values {
  const of = (...names: string[]) =>
    materials.find(({ what, volumeMl }) => names.includes(what) && volumeMl !== undefined);
  const words = (ml: number | undefined) => (ml === undefined ? '' : volumeWords(say, ml, system));
  const bleach = of('bleach')?.volumeMl;
  const dose = of('enzyme');
  return {
    bleach: words(bleach),
    vinegar: words(of('vinegar')?.volumeMl),
    water: words(bleach === undefined ? of('hotWater', 'warmWater')?.volumeMl : bleach * WATER_TO_BLEACH),
    dose: words(dose?.volumeMl),
    total: words(dose && dose.volumeMl! * countOf(dose, extent)),
    drains: extent.drains ?? 0,
  };
}
