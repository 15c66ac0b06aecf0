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

/** What an import would do, or has done. */
export interface ImportAnswer {
  readonly rows: number;
  readonly properties: number;
  readonly units: number;
  readonly machines: number;
  readonly points: number;
}

/** What a preview of a file needs of the register. */
export interface KnownAnswer {
  readonly known: KnownRegister;
  readonly zone: string;
  readonly today: number;
}

export const fileColumns = array().of(string().nullable().defined()).max(200).required();
