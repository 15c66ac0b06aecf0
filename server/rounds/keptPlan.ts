/** The plan as it is kept: what it was made from, and its visits. */
import { WEIGHTS, type PlanVisit } from '../../core/rounds/instance.ts';
import type { Call } from '../context/context.ts';
import type { Row } from '../store/tables.ts';
import type { Basis } from './basis.ts';

/** A visit of the plan as it is kept. */
export interface KeptVisit extends PlanVisit {
  readonly id: number;
  readonly takenOver: boolean;
}

export interface OpenPlan {
  readonly row: Row<'plan'>;
  readonly basis: Basis;
  readonly visits: readonly KeptVisit[];
}

/** A basis as text; sets of days become lists. */
export const written = (basis: Basis): string =>
  JSON.stringify(basis, (_, value: unknown) => (value instanceof Set ? [...value] : value));

const UNASKED = { lineDay: 0, lead: null };
const UNASKED_HOME = { half: null };

function readAgain(text: string): Basis {
  const basis = JSON.parse(text) as Basis;
  // A plan of an older version knows of no days that are liked, nor by when tenants are to be asked.
  const homes = basis.instance.homes.map((home) => ({
    ...UNASKED_HOME,
    ...home,
    closed: new Set(home.closed),
    unliked: new Set(home.unliked ?? []),
  }));
  const tenants = basis.tenants.map((it) => ({ ...UNASKED, ...it }));
  const weights = { ...WEIGHTS, ...basis.instance.weights };
  return { ...basis, tenants, instance: { ...basis.instance, homes, weights } };
}

/** The plan as it is kept; undefined where none was made. */
export async function openPlan({
  db,
  actor: { organisationId },
}: Pick<Call, 'db' | 'actor'>): Promise<OpenPlan | undefined> {
  const row = await db.plan.one({ organisationId });
  return row && { row, basis: readAgain(row.basis), visits: JSON.parse(row.visits) as KeptVisit[] };
}
