/** Diluting and dosing. Volumes are conserved: what goes in is what is there. */
import { within, type Working } from './working.ts';

export interface Mixture {
  readonly agentMl: number;
  readonly waterMl: number;
  readonly totalMl: number;
  /** Share of the agent as bought, by volume. */
  readonly share: number;
}

/** A total split into one part of agent and so many of water. @param totalMl above 0 */
export function dilute(totalMl: number, partsWater: number): Mixture {
  within('totalMl', totalMl, Number.MIN_VALUE, 100_000);
  within('partsWater', partsWater, 0, 1000);
  const agentMl = totalMl / (1 + partsWater);
  return { agentMl, waterMl: totalMl - agentMl, totalMl, share: 1 / (1 + partsWater) };
}

/**
 * How much of an agent and of water make a mixture.
 * @param totalMl what is wanted, mL, above 0
 * @param partsWater parts of water to one of the agent, 0 or more
 */
export function dilutionWorking(totalMl: number, partsWater: number): Working & Mixture {
  const mixture = dilute(totalMl, partsWater);
  return {
    ...mixture,
    terms: [
      { key: 'dilution.agent', values: { ml: mixture.agentMl } },
      { key: 'dilution.water', values: { ml: mixture.waterMl, parts: partsWater } },
      { key: 'dilution.total', values: { ml: totalMl, percent: Math.round(mixture.share * 100) } },
    ],
    limits: [],
  };
}

/** So much for each of so many. */
export function doseWorking(eachMl: number, count: number): Working & { readonly totalMl: number } {
  within('eachMl', eachMl, 1, 10_000);
  within('count', count, 1, 1000);
  const totalMl = eachMl * count;
  return {
    totalMl,
    terms: [
      { key: 'dose.each', values: { ml: eachMl, count } },
      { key: 'dose.total', values: { ml: totalMl } },
    ],
    limits: [],
  };
}
