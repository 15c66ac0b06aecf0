/** What things are called. */
import type { Speaker } from '../../core/language/message.ts';
import type { Row } from '../store/tables.ts';

export function machineName(say: Speaker, { label, type }: Pick<Row<'machine'>, 'label' | 'type'>): string {
  return label || say(`machine.${type}`);
}
