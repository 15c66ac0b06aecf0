/** The catalogue as forms need it. */
import type { Level, PointKind, SpecificationField } from '../../core/catalogue/types.ts';
import type { Reportable } from '../faults/faults.ts';
import type { PracticeDays } from '../../core/catalogue/practice.ts';

export interface CatalogueMachine extends Reportable {
  readonly key: string;
  readonly name: string;
  readonly fuels: readonly string[];
  readonly drains: boolean;
  /** The office defined it. */
  readonly own: boolean;
  readonly points: readonly {
    readonly key: string;
    readonly name: string;
    readonly kind: PointKind;
    readonly safetyCritical: boolean;
    readonly fields: readonly SpecificationField[];
    readonly days: PracticeDays;
    readonly level: Level;
    /** Number of the manager's own edition in force; 0 is ours. */
    readonly edition: number;
  }[];
}

export interface CatalogueAnswer {
  readonly machines: readonly CatalogueMachine[];
}
