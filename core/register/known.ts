/** The register as it stands, as a table's rows are held against it: each thing as the cells that would say it. */
import type { Column } from './columns.ts';

/** Cells in the register's own notation: days as 2026-11-24, sizes in inches, parts left out by their keys. */
export type Said = Readonly<Partial<Record<Column, string>>>;

export interface KnownUnit {
  readonly kind: 'unit' | 'shared';
  readonly building: string;
  /** Who lives there: tenant, since, until where it is known, and the household. */
  readonly tenancy: Said | null;
  /** Who is to move in. */
  readonly next: Said | null;
  /** Who lived there before; null where nobody did. */
  readonly last: Said | null;
  /** By `type`, a line break, `label`. */
  readonly machines: Readonly<Record<string, Said>>;
}

/** The register as it stands, by property and by `property`, a line break, `unit`. */
export interface KnownRegister {
  readonly properties: Readonly<Record<string, Said>>;
  readonly units: Readonly<Record<string, KnownUnit>>;
  /** Machines as this office's tables call them, by the plain name; null where such a machine is not taken. */
  readonly named: Readonly<Record<string, string | null>>;
}

export const keyOfUnit = (property: string, unit: string): string => `${property}\n${unit}`;
export const keyOfMachine = (type: string, label: string): string => `${type}\n${label}`;

/** The two names that a key of a unit or a machine is made of. */
export const namesOfKey = (key: string): [string, string] => key.split('\n') as [string, string];

/** A name without case and punctuation. */
export const plainName = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
