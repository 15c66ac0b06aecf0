/** Facts have dates: written once, read as of a day. */
import type { Day } from '../../core/calendar/day.ts';
import type { Practice } from '../../core/due/practice.ts';
import type { HouseholdFacts, Specification, WaterFacts } from '../../contract/register.ts';
import type { Call } from '../env.ts';
import type { Db } from './db.ts';
import type { Row } from './tables.ts';

export interface FactValues {
  water: WaterFacts;
  practice: Practice;
  household: HouseholdFacts;
  specification: Specification;
}

export type FactName = keyof FactValues;

export interface Fact<N extends FactName> {
  readonly id: string;
  readonly subjectId: string;
  readonly fromDay: Day;
  readonly value: FactValues[N];
}

/** Writes down that something is so from a day on. */
export async function recordFact<N extends FactName>({ env, db, actor, now }: Call, subjectId: string, name: N, value: FactValues[N], fromDay: Day): Promise<string> {
  const id = env.newId();
  await db.fact.insert({
    id, organisationId: actor.organisationId, subjectId, name, value: JSON.stringify(value), fromDay, recordedAt: now, recordedBy: actor.personId,
  });
  return id;
}

/** All facts of a name about some subjects, in the order in which they took effect. */
export async function factsOf<N extends FactName>(db: Db, subjectIds: readonly string[], name: N): Promise<Fact<N>[]> {
  const rows = subjectIds.length === 0 ? [] : await db.fact.all(
    { subjectId: [...subjectIds], name }, { order: [['fromDay', 'ASC'], ['recordedAt', 'ASC'], ['id', 'ASC']] },
  );
  return rows.map((row: Row<'fact'>) => ({ id: row.id, subjectId: row.subjectId, fromDay: row.fromDay, value: JSON.parse(row.value) as FactValues[N] }));
}

/** The fact in force on a day, of facts about one subject in order. */
export function inForce<N extends FactName>(facts: readonly Fact<N>[], day: Day): Fact<N> | undefined {
  return facts.findLast(({ fromDay }) => fromDay <= day);
}
