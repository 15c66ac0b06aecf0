/** Names of machines and parts as a language says them, and back. */
import { machineTypes } from '../catalogue/machines.ts';
import type { Day } from '../calendar/day.ts';
import type { Translator } from '../language/message.ts';
import type { Wording } from './rows.ts';
import { COLUMNS, type Column } from './columns.ts';

const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/** The columns' own names. */
export const columnNames = (say: Translator): Record<Column, string> =>
  Object.fromEntries(COLUMNS.map((column) => [column, say(`column.${column}`)])) as Record<Column, string>;

/**
 * How rows are to be understood in a language. A name is taken with or without its punctuation; so is the catalogue's
 * own key.
 */
export function wordingOf(say: Translator, zone: string, today: Day): Wording {
  const machines = new Map(
    [...machineTypes.keys()].flatMap((key) => [
      [plain(say(`machine.${key}`)), key],
      [plain(key), key],
    ]),
  );
  return {
    zone,
    today,
    exampleMachine: say('machine.washer'),
    machineOf: (name) => machines.get(plain(name)),
    partOf: (type, name) =>
      machineTypes.get(type)?.points.find((point) => plain(say(`point.${point}`)) === plain(name) || point === name),
  };
}
