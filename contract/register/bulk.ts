/** Filling a register fast: templates and import. */
import { array, string } from 'yup';
import type { KnownRegister } from '../../core/register/rows.ts';
import type { Column } from '../../core/register/columns.ts';
import type { MachineSketch } from './machines.ts';

/** A register as a table: the text of the file, its head line first, with the column under each head. */
export interface ImportForm {
  readonly csv: string;
  /** Null for a column that is not taken. */
  readonly columns: readonly (Column | null)[];
  /** Where properties without a time zone lie. */
  readonly zone: string;
}

export interface TemplateSummary {
  /** A starter's key, or the id of one's own. */
  readonly id: string;
  readonly name: string;
  readonly own: boolean;
  readonly machines: readonly MachineSketch[];
  readonly points: number;
}

/** What an import has done. */
export interface ImportAnswer {
  readonly id: string;
  readonly rows: number;
  readonly properties: number;
  readonly units: number;
  readonly machines: number;
  readonly points: number;
}

/** An import that was taken in. */
export interface ImportSummary {
  readonly id: string;
  readonly by: string;
  /** Milliseconds. */
  readonly at: number;
  readonly units: number;
  readonly machines: number;
  readonly undone: boolean;
}

/** What a preview of a file needs of the register. */
export interface KnownAnswer {
  readonly known: KnownRegister;
  readonly zone: string;
  readonly today: number;
}

export const fileColumns = array().of(string().nullable().defined()).max(200).required();
