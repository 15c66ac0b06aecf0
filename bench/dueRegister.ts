/** A large register to compute lines of. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { procedures } from '../core/catalogue/catalogue.ts';
import { GRADES } from '../core/catalogue/grades.ts';
import { seeded } from '../core/statistics/random.ts';
import { dayOfInstant } from '../core/calendar/day.ts';
import { recomputeNow } from '../server/due/recompute.ts';
import { openStore, type Store } from '../server/store/store.ts';
import { run } from '../server/sql/connection.ts';
import { organisationRow, personRow } from '../server/store/person.ts';

export const ZONE = 'Europe/Dublin';

const POINTS_A_PLACE = 30;

export interface Large {
  readonly folder: string;
  readonly store: Store;
  readonly organisationId: string;
  readonly personId: string;
  readonly ids: readonly string[];
}

/** A register of so many points, each served twice, its lines computed once. */
export async function largeRegister(points: number): Promise<Large> {
  const folder = mkdtempSync(join(tmpdir(), 'dewline-due-'));
  const store = await openStore(join(folder, 'dewline.sqlite'));
  const random = seeded(3);
  const now = Date.now();
  const today = dayOfInstant(now, ZONE);
  const [organisationId, personId, propertyId] = [v7(), v7(), v7()];
  // A contractor's visit is there by its contract alone, and no practice moves it.
  const keys = [...procedures.values()].filter(({ kind }) => kind !== 'visit').map(({ key }) => key);
  const ids = Array.from({ length: points }, () => v7());
  await store.write(async (db) => {
    await db.organisation.insert(organisationRow({ id: organisationId, name: 'Bench', createdAt: now }));
    await db.person.insert(personRow({ id: personId, organisationId, name: 'B. Ench', createdAt: now }));
    await db.property.insert({
      id: propertyId,
      organisationId,
      name: 'Court',
      address: 'Port Ellery',
      zone: ZONE,
      sort: 0,
      createdAt: now,
    });
    await db.fact.insert({
      id: v7(),
      organisationId,
      subjectId: propertyId,
      name: 'water',
      value: '{"source":"public","hardnessMgL":140}',
      fromDay: 0,
      recordedAt: now,
      recordedBy: personId,
    });
    const many = (sql: string, rows: readonly (readonly unknown[])[]) =>
      run(db, sql, [JSON.stringify(rows), organisationId, now]);
    const columns = (count: number) => Array.from({ length: count }, (_, i) => `value ->> ${i}`).join(', ');
    const places = Array.from({ length: Math.ceil(points / POINTS_A_PLACE) }, (_, i) => ({
      id: v7(),
      machine: v7(),
      tenant: v7(),
      tenancy: v7(),
      i,
    }));
    await many(
      `INSERT INTO place (organisation_id, created_at, id, property_id, kind, name, sort)
SELECT ?2, ?3, ${columns(5)}
FROM json_each(?1)`,
      places.map(({ id, i }) => [id, propertyId, 'unit', `Flat ${i}`, i]),
    );
    await many(
      `INSERT INTO person (organisation_id, created_at, id, name) SELECT ?2, ?3, ${columns(2)} FROM json_each(?1)`,
      places.map(({ tenant, i }) => [tenant, `T. ${i}`]),
    );
    await many(
      `INSERT INTO tenancy (organisation_id, created_at, id, place_id, person_id, from_day)
SELECT ?2, ?3, ${columns(4)}
FROM json_each(?1)`,
      places.map(({ id, tenant, tenancy }) => [tenancy, id, tenant, today - 900]),
    );
    await many(
      `INSERT INTO fact (organisation_id, recorded_at, id, subject_id, name, value, from_day, recorded_by)
SELECT ?2, ?3, ${columns(6)}
FROM json_each(?1)`,
      places.map(({ tenancy, i }) => [
        v7(),
        tenancy,
        'household',
        JSON.stringify({
          people: 1 + (i % 5),
          pets: i % 3,
          cooking: 'average',
          loadsAWeek: null,
          coolWashes: false,
          smoking: false,
          dust: false,
          detergent: null,
        }),
        today - 900,
        personId,
      ]),
    );
    await many(
      `INSERT INTO machine (organisation_id, created_at, id, place_id, type, label, maker, model, fuel, owner,
  drain_branch, number)
SELECT ?2, ?3, ${columns(10)}
FROM json_each(?1)`,
      places.map(({ id, machine, i }) => [machine, id, 'washer', '', '', '', 'electric', 'landlord', '', i + 1]),
    );
    await many(
      `INSERT INTO point (organisation_id, created_at, id, number, machine_id, procedure)
SELECT ?2, ?3, ${columns(4)}
FROM json_each(?1)`,
      ids.map((id, i) => [id, i + 1, places[Math.floor(i / POINTS_A_PLACE)]!.machine, keys[i % keys.length]]),
    );
    const grade = () => GRADES[Math.floor(random() * 4)];
    await many(
      `INSERT INTO condition (organisation_id, at, id, point_id, kind, day, grade, confirmed, person_id)
SELECT ?2, ?3, ${columns(7)}
FROM json_each(?1)`,
      ids.flatMap((id) => {
        const last = today - Math.floor(random() * 60);
        return [
          [v7(), id, 'service', last - 40 - Math.floor(random() * 60), grade(), 1, personId],
          [v7(), id, 'service', last, grade(), 1, personId],
        ];
      }),
    );
    await recomputeNow(db, ids, now);
  });
  return { folder, store, organisationId, personId, ids };
}
