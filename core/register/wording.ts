/** Names of machines and parts as a language says them, and back. */
import { findMachineType } from '../catalogue/machines.ts';
import type { Day } from '../calendar/day.ts';
import type { Translator } from '../language/message.ts';
import type { Wording } from './rows.ts';
import { plainName, type KnownRegister } from './known.ts';
import { COLUMNS, type Column } from './columns.ts';

/** The columns' own names. */
export const columnNames = (say: Translator): Record<Column, string> =>
  Object.fromEntries(COLUMNS.map((column) => [column, say(`column.${column}`)])) as Record<Column, string>;

/** Parts that a machine lacks, by their names; as keys they stand between the same signs. */
export const partNames = (say: Translator, keys: string): string =>
  keys
    .split('; ')
    .filter(Boolean)
    .map((part) => say.text(`point.${part}`))
    .join('; ');

/** Where and when a table is read, and what its machines may be. */
export interface Circumstances {
  readonly zone: string;
  readonly today: Day;
  readonly named: KnownRegister['named'];
  /** Keys of the machines that the office may register. */
  readonly types: readonly string[];
  /** Other languages, whose names are taken, too. */
  readonly also?: readonly Translator[];
}

/**
 * How rows are to be understood in a language. A name is taken with or without its punctuation; so is the catalogue's
 * own key, and what this office calls it.
 */
export function wordingOf(say: Translator, { zone, today, named, types, also = [] }: Circumstances): Wording {
  const said = (key: string) => [say, ...also].map((voice) => plainName(voice.text(key)));
  const machines = new Map(
    types.flatMap((key) => [
      ...said(`machine.${key}`).map((name) => [name, key] as const),
      [plainName(key), key] as const,
    ]),
  );
  return {
    zone,
    today,
    exampleMachine: say('machine.washer'),
    machineOf: (name) => {
      const plain = plainName(name);
      return machines.get(plain) ?? (Object.hasOwn(named, plain) ? named[plain] : undefined);
    },
    partOf: (type, name) =>
      findMachineType(type)?.points.find((point) => said(`point.${point}`).includes(plainName(name)) || point === name),
  };
}
