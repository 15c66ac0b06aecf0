/** A row of a register's table as it was read. */
import type { Grade } from '../catalogue/grades.ts';
import type { COOKING } from '../due/drivers.ts';
import type { Values } from '../language/values.ts';
import type { Column } from './columns.ts';

export interface MachineCells {
  readonly type: string;
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly installed: string | null;
  readonly fuel: 'electric' | 'gas';
  /** Wired in, without a plug. */
  readonly hardWired: boolean;
  readonly owner: 'landlord' | 'tenant' | 'contractor';
  readonly drainBranch: string;
  readonly filterSize: string | null;
  readonly drains: number | null;
  readonly leftOut: readonly string[];
  /** When its parts were last served, as claimed. */
  readonly lastDone: string | null;
  /** The condition in which they were found then. */
  readonly condition: Grade | null;
  /** Who served them. */
  readonly by: string;
}

export interface TenancyCells {
  readonly name: string;
  /** Null where the row leaves it to the register. */
  readonly since: string | null;
  /** The last day. */
  readonly until: string | null;
  /** Null where nobody said. */
  readonly people: number | null;
  readonly pets: number;
  readonly cooking: (typeof COOKING)[number];
  readonly loads: number | null;
}

export interface RegisterRow {
  readonly property: string;
  readonly address: string;
  readonly zone: string;
  readonly waterSource: 'public' | 'well';
  readonly hardness: number | null;
  readonly building: string;
  readonly unit: string;
  readonly kind: 'unit' | 'shared';
  readonly tenancy: TenancyCells | null;
  readonly machine: MachineCells | null;
  /** Columns in which something stands. */
  readonly said: ReadonlySet<Column>;
}

/** What is wrong with a cell; words at `row.<key>`. */
export interface RowProblem {
  readonly column: Column;
  readonly key: string;
  readonly values: Values;
}
