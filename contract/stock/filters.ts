/** Thin, dense and deep: what each kind of air filter asks of one home in a year. */
import type { Burden } from '../../core/due/burden.ts';
import type { FilterKind } from '../../core/stock/filters.ts';

export interface FilterYear {
  readonly kind: FilterKind;
  /** Days between changes here, and whether that interval is stated by no practitioner. */
  readonly days: number;
  readonly assumed: boolean;
  /** Changes a year, over all filters of the machine. */
  readonly changes: number;
  /** Price of one, and whether it is that of its exact size on the shelf; null where nobody said. */
  readonly price: number | null;
  readonly ofSize: boolean;
  /** What filters of this kind cost a year; null without a price. */
  readonly filters: number | null;
  /** Who changes it: a tenant may, or staff. */
  readonly forTenant: boolean;
  /** Of the whole home, a mean over some years. */
  readonly home: Omit<Burden, 'months'>;
  /** All of the home that has a price, a year; null where no price is known at all. */
  readonly total: number | null;
  /** Faults a machine-year as reported on this kind, with the machines and years that it is from. */
  readonly faults: { readonly aYear: number; readonly reported: number; readonly years: number };
  /** Speed of the air at the filter, the fastest that it stands, ft/min; null where airflow or size is not known. */
  readonly air: { readonly fpm: number; readonly most: number; readonly met: boolean } | null;
}

export interface FiltersAnswer {
  readonly number: number;
  readonly machine: { readonly id: string; readonly name: string };
  readonly place: { readonly id: string; readonly name: string; readonly property: string };
  /** What is there now. */
  readonly now: FilterKind;
  /** Its exact size as written down; null where nobody has. */
  readonly size: string | null;
  /** How fast it fills here against what is assumed, and from how many findings that is. */
  readonly speed: number;
  readonly findings: number;
  /** The home has somebody to ask. */
  readonly tenanted: boolean;
  /** Whole years that a year is the mean of. */
  readonly years: number;
  /** Null where nobody has entered prices. */
  readonly currency: string | null;
  readonly kinds: readonly FilterYear[];
}
