/** Facts have dates: written once, read as of a day. */
import type { Day } from '../../core/calendar/day.ts';
import type { Db } from './db.ts';
import type { Row } from './tables.ts';
import type { FactValues, FactName } from './factValues.ts';

export interface Fact<N extends FactName> {
  readonly id: string;
  readonly subjectId: string;
  readonly fromDay: Day;
  readonly value: FactValues[N];
}

/** Who writes a fact, and when. */
export interface FactWriter {
  readonly env: { readonly newId: () => string };
  readonly db: Db;
  readonly actor: { readonly organisationId: string; readonly personId: string };
  readonly now: number;
}

/** Writes down that something is so from a day on. */
export async function recordFact<N extends FactName>(
  { env, db, actor, now }: FactWriter,
  subjectId: string,
  name: N,
  value: FactValues[N],
  fromDay: Day,
): Promise<string> {
  const id = env.newId();
  await db.fact.insert({
    id,
    organisationId: actor.organisationId,
    subjectId,
    name,
    value: JSON.stringify(value),
    fromDay,
    recordedAt: now,
    recordedBy: actor.personId,
  });
  return id;
}

/** All facts of a name about some subjects, in the order in which they took effect. */
export async function factsOf<N extends FactName>(db: Db, subjectIds: readonly string[], name: N): Promise<Fact<N>[]> {
  const rows =
    subjectIds.length === 0
      ? []
      : await db.fact.all(
          { subjectId: [...subjectIds], name },
          {
            order: [
              ['fromDay', 'ASC'],
              ['recordedAt', 'ASC'],
              ['id', 'ASC'],
            ],
          },
        );
  return rows.map((row: Row<'fact'>) => ({
    id: row.id,
    subjectId: row.subjectId,
    fromDay: row.fromDay,
    value: JSON.parse(row.value) as FactValues[N],
  }));
}

/** The fact in force on a day, of facts about one subject in order. */
export function inForce<N extends FactName>(facts: readonly Fact<N>[], day: Day): Fact<N> | undefined {
  return facts.findLast(({ fromDay }) => fromDay <= day);
}

function nearestOf<N extends FactName>(
  subjectIds: readonly string[],
  of: (subjectId: string) => readonly Fact<N>[],
  day: Day,
): Fact<N> | undefined {
  for (const subjectId of subjectIds) {
    const fact = inForce(of(subjectId), day);
    if (fact && fact.value !== null) return fact;
  }
  return undefined;
}

/** The first fact in force that says something, read for one question; `KnownFacts.nearest` where many are asked. */
export async function nearestFact<N extends FactName>(
  db: Db,
  subjectIds: readonly string[],
  name: N,
  day: Day,
): Promise<Fact<N> | undefined> {
  const facts = await factsOf(db, subjectIds, name);
  return nearestOf(subjectIds, (id) => facts.filter(({ subjectId }) => subjectId === id), day);
}

/** Facts about many subjects, to be asked one by one. */
export interface KnownFacts {
  /** All facts of a name about a subject, in the order in which they took effect. */
  of<N extends FactName>(subjectId: string, name: N): readonly Fact<N>[];
  /** The first fact in force that says something, asked from the innermost subject outwards. */
  nearest<N extends FactName>(subjectIds: readonly string[], name: N, day: Day): Fact<N> | undefined;
}

/** Holds facts read together; `rows` in the order in which they took effect. */
export function knownFacts(
  rows: readonly { id: string; subjectId: string; name: FactName; fromDay: Day; value: string }[],
): KnownFacts {
  const bySubject = new Map<string, Map<FactName, Fact<FactName>[]>>();
  // Values repeat across subjects; the same text is the same value, which also lets what is derived from it be
  // remembered.
  const values = new Map<string, unknown>();
  for (const { id, subjectId, name, fromDay, value } of rows) {
    if (!values.has(value)) values.set(value, JSON.parse(value));
    const fact = { id, subjectId, fromDay, value: values.get(value) } as Fact<FactName>;
    const byName = bySubject.get(subjectId) ?? new Map<FactName, Fact<FactName>[]>();
    bySubject.set(subjectId, byName);
    const facts = byName.get(name);
    if (facts) facts.push(fact);
    else byName.set(name, [fact]);
  }
  const none: readonly never[] = [];
  const of = <N extends FactName>(subjectId: string, name: N) =>
    (bySubject.get(subjectId)?.get(name) ?? none) as readonly Fact<N>[];
  return { of, nearest: (subjectIds, name, day) => nearestOf(subjectIds, (subjectId) => of(subjectId, name), day) };
}
