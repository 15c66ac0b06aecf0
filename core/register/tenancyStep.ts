/** What a row says of who lives in a home that is known: nothing new, a change, or somebody else. */
import { isoFromDay, type Day } from '../calendar/day.ts';
import type { Column } from './columns.ts';
import type { Values } from '../language/values.ts';
import { differing, type CellChange } from './differing.ts';
import type { KnownUnit, Said } from './known.ts';
import type { RegisterRow, RowProblem, TenancyCells } from './row.ts';

export type TenancyStep =
  | {
      readonly step: 'begins';
      readonly tenancy: TenancyCells;
      /** Whoever lives there until the day before. */ readonly ends: string | null;
    }
  | { readonly step: 'changes'; readonly which: 'tenancy' | 'next'; readonly cells: readonly CellChange[] };

/** A tenancy of a row as the register would say it. */
export function saidOfTenancy(tenancy: TenancyCells): Said {
  const { name, since, until, people, pets, cooking, loads } = tenancy;
  return {
    tenant: name,
    since: since ?? '',
    until: until ?? '',
    people: people === null ? '' : String(people),
    pets: String(pets),
    cooking,
    loads: loads === null ? '' : String(loads),
  };
}

const sameName = (a: string, b: string | undefined) => b !== undefined && a.toLowerCase() === b.toLowerCase();

const wrong = (column: Column, key: string, values: Values = {}): RowProblem => ({ column, key, values });

/** The step that a row's tenancy takes in its home; null where it says what the register says, or says it wrong. */
export function tenancyStep(
  row: RegisterRow,
  tenancy: TenancyCells,
  unit: KnownUnit,
  { problems, today }: { readonly problems: RowProblem[]; readonly today: Day },
): TenancyStep | null {
  const which = (['tenancy', 'next'] as const).find((it) => sameName(tenancy.name, unit[it]?.tenant));
  const problem = which ? wrongChange(row, tenancy, unit, which, today) : wrongBegin(row, tenancy, unit);
  if (problem) {
    problems.push(problem);
    return null;
  }
  if (!which) return hasLeft(tenancy, unit) ? null : { step: 'begins', tenancy, ends: unit.tenancy?.tenant ?? null };
  const there = unit[which]!;
  const cells = differing(row.said, { ...saidOfTenancy(tenancy), tenant: there.tenant! }, there);
  return cells.length > 0 ? { step: 'changes', which, cells } : null;
}

/** Somebody who left, said again. */
const hasLeft = ({ name, since, until }: TenancyCells, { last }: KnownUnit): boolean =>
  last !== null && sameName(name, last.tenant) && (since ?? last.since) === last.since && until === last.until;

/** Why what a row says of somebody whom the register knows there can not be. */
function wrongChange(
  { unit: name }: RegisterRow,
  tenancy: TenancyCells,
  unit: KnownUnit,
  which: 'tenancy' | 'next',
  today: Day,
): RowProblem | null {
  const { next, last } = unit;
  const there = unit[which]!;
  const [since, until] = [tenancy.since ?? there.since!, tenancy.until ?? there.until ?? ''];
  if (until !== '' && until < since) return wrong('until', 'untilBefore', { until, since });
  if (since !== there.since && last && since <= last.until!)
    return wrong('since', 'tenancyBefore', { name, first: last.until! });
  if (since !== there.since && which === 'tenancy' && since > isoFromDay(today))
    return wrong('since', 'tenancyBegun', { tenant: there.tenant!, first: there.since! });
  return next && which === 'tenancy' && until >= next.since!
    ? wrong('until', 'tenancyNext', comingTo(name, next))
    : null;
}

/** Why somebody new can not move in as a row says. */
function wrongBegin({ unit: name }: RegisterRow, tenancy: TenancyCells, unit: KnownUnit): RowProblem | null {
  const { tenancy: running, next, last } = unit;
  if (hasLeft(tenancy, unit)) return null;
  if (last && !running && sameName(tenancy.name, last.tenant) && (tenancy.since ?? last.since) === last.since)
    return wrong('tenant', 'tenancyOver', { name, tenant: last.tenant!, until: last.until! });
  if (tenancy.since === null) return wrong('since', 'tenantDate');
  if (next) return wrong('tenant', 'tenancyNext', comingTo(name, next));
  const before = running?.since ?? last?.until;
  return before !== undefined && tenancy.since <= before
    ? wrong('since', 'tenancyBefore', { name, first: before })
    : null;
}

const comingTo = (name: string, next: Said) => ({ name, tenant: next.tenant!, since: next.since! });
