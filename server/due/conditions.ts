/** What was found at a part, and whether it is there at all: records, what was claimed, and what a contract says. */
import type { Day } from '../../core/calendar/day.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import type * as sql from '../sql/history.ts';
import type { KnownFacts } from '../store/facts.ts';
import type { FactValues } from '../store/factValues.ts';
import { lacks } from './pointFacts.ts';

export interface ConditionsRead {
  readonly facts: KnownFacts;
  readonly conditions: ReadonlyMap<string, sql.ConditionRow[]>;
}

/** Of a machine: who comes by contract; null where nobody does. */
export type Contracted = FactValues['contract'];

/**
 * What was found, oldest first. A day that somebody claimed is believed until a service is recorded; it teaches
 * nothing.
 */
export function conditionsAt(
  read: ConditionsRead,
  { id, machineId, procedure }: sql.PointRow,
  contract: Contracted,
  today: Day,
): sql.ConditionRow[] {
  if (procedure === CONTRACTOR_VISIT) return visitsAt(read, id, contract);
  const { facts, conditions } = read;
  const found = conditions.get(id) ?? [];
  if (found.some(({ kind }) => kind === 'service')) return found;
  const claimed = facts.nearest([id, machineId], 'lastDone', today)?.value.day;
  if (claimed === undefined) return found;
  return [{ ...CLAIMED, pointId: id, day: claimed }, ...found.filter(({ day }) => day >= claimed)];
}

/** A part of a machine that is retired or lacks it, or the visit of a contract that is over. */
export const isGone = ({ retiredDay, leftOut, procedure }: sql.PointRow, contract: Contracted, today: Day): boolean =>
  (retiredDay !== null && retiredDay <= today) ||
  lacks(leftOut, procedure) ||
  (procedure === CONTRACTOR_VISIT && contract === null);

/** How often a visit comes by its contract; nothing for all other parts. */
export const contractedMonths = (procedure: string, contract: Contracted) =>
  procedure === CONTRACTOR_VISIT && contract ? { everyMonths: contract.everyMonths } : {};

/** When a contractor came: as recorded, and as the contract says where it knows of a later day. */
function visitsAt({ conditions }: ConditionsRead, pointId: string, contract: Contracted): sql.ConditionRow[] {
  const found = conditions.get(pointId) ?? [];
  const last = found.at(-1)?.day ?? -Infinity;
  return contract && contract.lastVisit > last ? [...found, { ...CLAIMED, pointId, day: contract.lastVisit }] : found;
}

/** Nobody's condition. */
const CLAIMED: Omit<sql.ConditionRow, 'pointId' | 'day'> = {
  kind: 'service',
  at: 0,
  grade: null,
  confirmed: 0,
  agent: null,
  evidence: 'attested',
  personId: null,
  doubtful: 0,
};

export const plainCondition = ({ kind, day, grade, confirmed, doubtful }: sql.ConditionRow) => ({
  kind,
  day,
  grade,
  confirmed: confirmed === 1,
  ...(doubtful === 1 && { doubtful: true }),
});
