/** Which units the server is asked to speak in. */
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';

const KEPT = 'dewline.units';
/** Where people measure in US units. */
const US_LOCALE = /^en-(US|LR)$/;

export function chosenUnits(): UnitSystem {
  const kept = localStorage.getItem(KEPT);
  return UNIT_SYSTEMS.find((it) => it === kept) ?? (US_LOCALE.test(navigator.language) ? 'us' : 'metric');
}

export const keepUnits = (system: UnitSystem): void => localStorage.setItem(KEPT, system);
