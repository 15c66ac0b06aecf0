/** How full a dishwasher's detergent cup should be: by the machine's age, the water and the load. */
import { hardnessClass, type HardnessClass } from '../quantities/hardness.ts';
import { within, type Working } from './working.ts';

/**
 * Half a cup in a modern machine that uses 5 to 8 gallons, a whole one in an old one that uses about 16 (common
 * practice).
 */
const CUP = { now: 0.5, old: 1 } as const;
/** By the water's class, and for half a load: our assumption. */
const BY_WATER: Readonly<Record<HardnessClass, number>> = { soft: 0.8, moderate: 1, hard: 1.2, veryHard: 1.5 };
const HALF_LOAD = 0.75;

/**
 * Share of the cup to fill, at most all of it, to a twentieth; none for the pre-wash.
 * @param hardness mg/L as CaCO3
 * @throws RangeError where the hardness cannot be
 */
export function detergentWorking(
  hardness: number,
  load: 'half' | 'full',
  age: keyof typeof CUP,
): Working & { readonly share: number } {
  within('hardness', hardness, 0, 1000);
  const water = hardnessClass(hardness);
  const share = Math.min(1, Math.round(CUP[age] * BY_WATER[water] * (load === 'half' ? HALF_LOAD : 1) * 20) / 20);
  return {
    share,
    terms: [
      { key: `detergent.${age}`, values: { percent: CUP[age] * 100 } },
      { key: 'detergent.water', values: { class: water, factor: BY_WATER[water] } },
      ...(load === 'half' ? [{ key: 'detergent.half', values: { factor: HALF_LOAD } }] : []),
      { key: 'detergent.share', values: { percent: Math.round(share * 100) } },
    ],
    limits: [],
  };
}
