/** SQL that only SQLite has: what an import has made, looked through and removed by the thousand. */
import type { Db } from '../store/db.ts';
import type { TableName } from '../store/tables.ts';
import { ask, run } from './connection.ts';

/** Ids of the rows that an import has made. */
export interface MadeByImport {
  readonly properties: readonly string[];
  readonly buildings: readonly string[];
  readonly places: readonly string[];
  readonly people: readonly string[];
  readonly tenancies: readonly string[];
  readonly machines: readonly string[];
}

const IDS = '(SELECT value FROM json_each(?1))';
const POINTS = `(SELECT id FROM point WHERE machine_id IN ${IDS})`;

/** What must not have happened: the name of the place where it did, by kind of thing that was made. */
const HAPPENED: readonly (readonly [keyof MadeByImport, string])[] = [
  ...['job', 'fault', 'signal', 'emitter', 'attestation', 'deficiency', 'alarm', 'remedy'].map(
    (table) =>
      [
        'machines',
        `SELECT place.name FROM ${table} JOIN machine ON machine.id = ${table}.machine_id
JOIN place ON place.id = machine.place_id WHERE ${table}.machine_id IN ${IDS}`,
      ] as const,
  ),
  ...['record', 'condition', 'measurement', 'look'].map(
    (table) =>
      [
        'machines',
        `SELECT place.name FROM ${table} JOIN point ON point.id = ${table}.point_id
JOIN machine ON machine.id = point.machine_id JOIN place ON place.id = machine.place_id
WHERE ${table}.point_id IN ${POINTS}`,
      ] as const,
  ),
  [
    'tenancies',
    `SELECT person.name FROM link JOIN person ON person.id = link.person_id WHERE link.tenancy_id IN ${IDS}`,
  ],
  ['people', `SELECT person.name FROM job JOIN person ON person.id = job.assignee_id WHERE job.assignee_id IN ${IDS}`],
];
/** What was added since, beside what was made: by whom it stands in. */
const ADDED: readonly (readonly [keyof MadeByImport, keyof MadeByImport, string])[] = [
  [
    'places',
    'machines',
    `SELECT place.name FROM machine JOIN place ON place.id = machine.place_id WHERE place_id IN ${IDS} AND machine.id`,
  ],
  [
    'places',
    'tenancies',
    `SELECT place.name FROM tenancy JOIN place ON place.id = tenancy.place_id WHERE place_id IN ${IDS} AND tenancy.id`,
  ],
  ['properties', 'places', `SELECT place.name FROM place WHERE property_id IN ${IDS} AND place.id`],
];
const IN_PROPERTY = ['inspection', 'owner_link'].map(
  (table) =>
    `SELECT property.name FROM ${table} JOIN property ON property.id = ${table}.property_id WHERE property_id IN ${IDS}`,
);

/** The name of a home, or of somebody, to whom something has happened that an undo would take away; null where none. */
export async function firstThatHappened(db: Db, made: MadeByImport): Promise<string | null> {
  const first = async (sql: string, ...lists: (readonly string[])[]) =>
    (
      await ask<{ name: string }>(
        db,
        `${sql} LIMIT 1`,
        lists.map((it) => JSON.stringify(it)),
      )
    )[0]?.name ?? null;
  for (const [kind, sql] of HAPPENED) {
    const name = await first(sql, made[kind]);
    if (name !== null) return name;
  }
  for (const [around, own, sql] of ADDED) {
    const name = await first(`${sql} NOT IN (SELECT value FROM json_each(?2))`, made[around], made[own]);
    if (name !== null) return name;
  }
  for (const sql of IN_PROPERTY) {
    const name = await first(sql, made.properties);
    if (name !== null) return name;
  }
  return null;
}

/** Rows that go, in this order: each before what it hangs on. */
const REMOVED: readonly (readonly [TableName, keyof MadeByImport, string])[] = [
  ['mark', 'machines', `DELETE FROM mark WHERE point_id IN ${POINTS}`],
  ['line', 'machines', `DELETE FROM line WHERE point_id IN ${POINTS}`],
  ['fact', 'machines', `DELETE FROM fact WHERE subject_id IN ${POINTS}`],
  ['point', 'machines', `DELETE FROM point WHERE machine_id IN ${IDS}`],
  ['machineServes', 'machines', `DELETE FROM machine_serves WHERE machine_id IN ${IDS}`],
  ['photoUse', 'machines', `DELETE FROM photo_use WHERE subject_id IN ${IDS}`],
  ...(['machines', 'tenancies', 'places', 'properties'] as const).map(
    (kind) => ['fact', kind, `DELETE FROM fact WHERE subject_id IN ${IDS}`] as const,
  ),
  ['machine', 'machines', `DELETE FROM machine WHERE id IN ${IDS}`],
  ['tenancy', 'tenancies', `DELETE FROM tenancy WHERE id IN ${IDS}`],
  ['roleGrant', 'people', `DELETE FROM role_grant WHERE person_id IN ${IDS}`],
  ['session', 'people', `DELETE FROM session WHERE person_id IN ${IDS}`],
  ['person', 'people', `DELETE FROM person WHERE id IN ${IDS}`],
  ['place', 'places', `DELETE FROM place WHERE id IN ${IDS}`],
  ['building', 'buildings', `DELETE FROM building WHERE id IN ${IDS}`],
  ['personProperty', 'properties', `DELETE FROM person_property WHERE property_id IN ${IDS}`],
  ['property', 'properties', `DELETE FROM property WHERE id IN ${IDS}`],
];

/** Removes what an import has made; whoever asks has looked first (`firstThatHappened`). */
export async function removeMade(db: Db, made: MadeByImport): Promise<void> {
  for (const [table, kind, sql] of REMOVED) {
    db.touch(table);
    await run(db, sql, [JSON.stringify(made[kind])]);
  }
}
