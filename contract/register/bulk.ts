/** Filling a register fast: templates and import. */
import { array, boolean, number, object, string } from 'yup';
import type { KnownRegister } from '../../core/register/known.ts';
import type { DefinedMachine } from '../../core/catalogue/defined.ts';
import { line } from '../form/fields.ts';
import type { Column } from '../../core/register/columns.ts';
import type { MachineSketch } from './machines.ts';

/** A register as a table: the text of the file, its head line first, with the column under each head. */
export interface ImportForm {
  readonly csv: string;
  /** Null for a column that is not taken. */
  readonly columns: readonly (Column | null)[];
  /** Where properties without a time zone lie. */
  readonly zone: string;
  /** What machines of the file are: of the catalogue, or null where they are not taken. Kept for the next table. */
  readonly named?: readonly { readonly name: string; readonly type: string | null }[];
  /** Rows of the file that are left out. */
  readonly without?: readonly number[];
  /** Where the file names nobody, nobody lives there any more. */
  readonly emptyIsVacant?: boolean;
}

/** As many rows may be left out of a file. */
export const MAX_LEFT_OUT = 2000;

export const namedMachines = array()
  .of(object({ name: line().required(), type: line(40).nullable().defined() }))
  .max(200)
  .default([]);
export const rowsWithout = array().of(number().integer().min(2).required()).max(MAX_LEFT_OUT).default([]);
export const emptyIsVacant = boolean().strict().default(false);

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
  /** Things that stood and were changed. */
  readonly changes: number;
  /** Rows that were left out as asked, and rows whose machine is not taken. */
  readonly left: number;
}

/** An import that was taken in. */
export interface ImportSummary {
  readonly id: string;
  readonly by: string;
  /** Milliseconds. */
  readonly at: number;
  readonly units: number;
  readonly machines: number;
  readonly changes: number;
  readonly undone: boolean;
}

/** What a preview of a file needs of the register. */
export interface KnownAnswer {
  readonly known: KnownRegister;
  /** Machines that the office has defined. */
  readonly defined: readonly DefinedMachine[];
  readonly zone: string;
  readonly today: number;
}

export const fileColumns = array().of(string().nullable().defined()).max(200).required();
