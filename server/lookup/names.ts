/** What things are called. */
import type { Translator } from '../../core/language/message.ts';
import type { Row } from '../store/tables.ts';

export function machineName(say: Translator, { label, type }: Pick<Row<'machine'>, 'label' | 'type'>): string {
  return label || say(`machine.${type}`);
}
