/** Figures in the units in which this person reads and enters. */
import { celsius, fahrenheit, MM_PER_FOOT, type UnitSystem } from '../../core/quantities/units.ts';
import { US_FLUID_OUNCE_ML, US_GALLON_ML } from '../../core/quantities/volume.ts';
import type { FieldKind } from '../../core/measure/measures.ts';
import { api, ownUnits } from '../api/api.ts';

export const units = ownUnits;

/** Reads and enters in other units from now on, here and wherever this person is signed in. */
export async function setUnits(system: UnitSystem): Promise<void> {
  units.value = system;
  await api('me.prefer', { form: { units: system } });
}

interface EntryForm {
  readonly unit: string;
  readonly shown: (metric: number) => number;
  readonly metric: (shown: number) => number;
}
const by = (unit: string, factor: number): EntryForm => ({
  unit,
  shown: (it) => it / factor,
  metric: (it) => it * factor,
});

const ENTERED: Readonly<Record<UnitSystem, Readonly<Partial<Record<FieldKind, EntryForm>>>>> = {
  metric: { celsius: by('°C', 1), ml: by('mL', 1), litres: by('L', 1), mm: by('m', 1000) },
  us: {
    celsius: { unit: '°F', shown: fahrenheit, metric: celsius },
    ml: by('fl oz', US_FLUID_OUNCE_ML),
    litres: by('gal', US_GALLON_ML / 1000),
    mm: by('ft', MM_PER_FOOT),
  },
};

/** How a field of some kind is entered. */
export const enteredAs = (kind: FieldKind, system: UnitSystem): EntryForm => ENTERED[system][kind] ?? by('', 1);
