/** What things are called. */
import type { Translator } from '../language/translator.ts';
import type { Row } from '../store/tables.ts';

/** What a machine is called here: its own name, or that of its type. */
export function machineName(say: Translator, { label, type }: Pick<Row<'machine'>, 'label' | 'type'>): string {
  return label || say(`machine.${type}`);
}

/** A place by its name and its property's: in a list of several, a flat's own number says too little. */
export const placeInFull = (place: Pick<Row<'place'>, 'name'>, property: Pick<Row<'property'>, 'name'>): string =>
  `${place.name}, ${property.name}`;
