import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { dayFromIso } from '../../core/calendar/day.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import { typeNumber } from '../../server/due/recompute.ts';
import { bringUpToDate } from '../../server/clock/upgrade.ts';
import { run } from '../../server/sql/connection.ts';
import { foundation } from '../../server/store/migrations/0001-foundation.ts';
import { levels } from '../../server/store/migrations/0007-levels.ts';
import { copyBeforePath, openStore } from '../../server/store/store.ts';
import { openFlat, openHouse } from './house.ts';

describe('A newer version', () => {
  it('takes over a database of the foundation: what was proven teaches, what is personal stays', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'dewline-old-'));
    const file = join(folder, 'dewline.sqlite');
    const old = await new Promise<sqlite3.Database>((resolve) => {
      const db = new sqlite3.Database(file, () => resolve(db));
    });
    const exec = (sql: string) =>
      new Promise<void>((resolve, reject) => old.exec(sql, (error) => (error ? reject(error) : resolve())));
    await exec(`${foundation}
CREATE TABLE migration (name TEXT PRIMARY KEY); INSERT INTO migration VALUES ('0001-foundation');
INSERT INTO organisation VALUES ('o', 'Saltmarsh & Vane', 1);
INSERT INTO person (id, organisation_id, name, created_at) VALUES ('p', 'o', 'T. Hollis', 1);
INSERT INTO property VALUES ('q', 'o', 'The Ropewalk', 'x', 'Europe/Dublin', 0, 1);
INSERT INTO place (id, organisation_id, property_id, kind, name, sort, created_at) VALUES ('l', 'o', 'q', 'unit', 'Flat 1A', 0, 1);
INSERT INTO machine (id, organisation_id, place_id, type, label, maker, model, fuel, owner, drain_branch, created_at) VALUES ('m', 'o', 'l', 'washer', '', '', '', 'electric', 'landlord', '', 1);
INSERT INTO machine (id, organisation_id, place_id, type, label, maker, model, fuel, owner, drain_branch, created_at) VALUES ('n', 'o', 'l', 'dryer', '', '', '', 'electric', 'landlord', '', 2);
INSERT INTO point VALUES ('t', 'o', 1, 'm', 'washer.doorBoot', 1);
INSERT INTO record (id, organisation_id, point_id, done_day, done_at, person_id, canonical, hash) VALUES ('r1', 'o', 't', 20700, 5, 'p', '{"grade":"heavy","agent":"dishSoap"}', 'h'), ('r2', 'o', 't', 20720, 6, 'p', '{"grade":"due","agent":null}', 'h');
INSERT INTO proof (record_id, organisation_id, point_id, state, evidence, on_time, findings, sent_at) VALUES ('r1', 'o', 't', 'accepted', 'proven', 1, '[]', 5), ('r2', 'o', 't', 'sentBack', 'proven', 1, '[]', 6);
INSERT INTO personal VALUES ('x', 'o', 'r1', 'by', 'salt', 'p');
INSERT INTO fact VALUES ('f1', 'o', 'o', 'prices', '{"currency":"EUR"}', 20600, 3, 'p'), ('f2', 'o', 'o', 'prices', '{"currency":"CHF"}', 20600, 4, 'p');`);
    await new Promise((resolve) => old.close(resolve));
    const store = await openStore(file);
    // What it was is kept beside it, whole, until somebody removes it.
    const before = new sqlite3.Database(copyBeforePath(file, '0002-due'), sqlite3.OPEN_READONLY);
    const kept = await new Promise<{ name: string }[]>((resolve, reject) =>
      before.all('SELECT name FROM migration', (error, rows) =>
        error ? reject(error) : resolve(rows as { name: string }[]),
      ),
    );
    expect(kept).to.deep.equal([{ name: '0001-foundation' }]);
    await new Promise((resolve) => before.close(resolve));
    expect(
      (await store.db.condition.all({})).map(({ id, kind, day, grade, agent, confirmed, evidence }) => [
        id,
        kind,
        day,
        grade,
        agent,
        confirmed,
        evidence,
      ]),
    ).to.deep.equal([['r1', 'service', 20700, 'heavy', 'dishSoap', 1, 'proven']]);
    expect(await store.db.personal.count({ recordId: 'r1' })).to.equal(1);
    // What the last prices were in is what the office reckons in; it read English until it could choose.
    expect(await store.db.organisation.one({ id: 'o' })).to.include({
      currency: 'CHF',
      language: 'en',
      units: 'metric',
    });
    // Machines have numbers for their labels, and lack nothing.
    expect((await store.db.machine.all({})).map(({ number, leftOut }) => [number, leftOut])).to.deep.equal([
      [1, '[]'],
      [2, '[]'],
    ]);
    await store.close();
    rmSync(folder, { recursive: true, force: true });
  });
  it('says by a word who may do a procedure, in editions that were kept with a letter too', async () => {
    const house = await openHouse();
    const { store } = house.env;
    const [organisation] = await store.db.organisation.all({});
    const [person] = await store.db.person.all({});
    await store.write(async (db) => {
      for (const [number, level] of ['T', 'S', 'L', 'staff'].entries())
        await db.edition.insert({
          id: `e${number}`,
          organisationId: organisation!.id,
          procedure: 'dishwasher.filter',
          number: number + 1,
          ours: 0,
          content: JSON.stringify({ level, steps: [{ title: 'T' }] }),
          note: '',
          createdAt: 1,
          createdBy: person!.id,
        });
      await run(db, levels, []);
    });
    const kept = await store.db.edition.all({}, { order: [['number', 'ASC']] });
    expect(kept.map(({ content }) => JSON.parse(content!))).to.deep.equal(
      ['tenant', 'staff', 'licensed', 'staff'].map((level) => ({ level, steps: [{ title: 'T' }] })),
    );
    await house.close();
  });
  it('gives machines the points that the catalogue has gained, and draws every older line anew, once', async () => {
    const { house, flat } = await openFlat();
    const { store } = house.env;
    const gained = [flat.points['washer.tub']!, flat.points['washer.drawer']!];
    await store.write(async (db) => {
      await db.mark.remove({ pointId: gained });
      await db.line.remove({ pointId: gained });
      await db.point.remove({ id: gained });
      await run(db, "UPDATE line SET inputs = json_set(inputs, '$.catalogue', 1)", []);
      await db.mark.update({}, { type: 0 });
    });
    expect(await bringUpToDate(house.env)).to.equal(2);
    expect(
      (await store.db.point.all({ machineId: flat.machineId })).map(({ procedure }) => procedure).sort(),
    ).to.deep.equal(Object.keys(flat.points).sort());
    for (const { pointId, type } of await store.db.mark.all({}))
      expect(type).to.equal(typeNumber((await store.db.point.one({ id: pointId }))!.procedure));
    expect(await bringUpToDate(house.env)).to.equal(0);
    await house.close();
  });
  it('gives a machine with a contract its contractor’s visit, due from the last visit that the contract knows', async () => {
    const { house, flat } = await openFlat();
    const contract = { lastVisit: '2026-06-01', everyMonths: 12 };
    await house.manager.put(`/machines/${flat.machineId}/contract`, { contract }).expect(200);
    const { store } = house.env;
    const pointId = (await store.db.point.one({ procedure: CONTRACTOR_VISIT }))!.id;
    await store.write(async (db) => {
      await db.mark.remove({ pointId });
      await db.line.remove({ pointId });
      await db.point.remove({ id: [pointId] });
      await run(db, "UPDATE line SET inputs = json_set(inputs, '$.catalogue', 1)", []);
    });
    await bringUpToDate(house.env);
    const [visit, ...others] = await store.db.point.all({ procedure: CONTRACTOR_VISIT });
    expect(others).to.deep.equal([]);
    expect(await store.db.mark.one({ pointId: visit!.id })).to.include({
      servedDay: dayFromIso('2026-06-01'),
      intervalDays: 365,
    });
    await house.close();
  });
  it('gives no machine a part that it lacks on purpose', async () => {
    const { house, flat } = await openFlat();
    await house.manager.put(`/machines/${flat.machineId}`, { leftOut: ['washer.drawer'] }).expect(200);
    await house.env.store.write(async (db) => {
      await db.mark.remove({ pointId: flat.points['washer.tub']! });
      await db.line.remove({ pointId: flat.points['washer.tub']! });
      await db.point.remove({ id: [flat.points['washer.tub']!] });
      await run(db, "UPDATE line SET inputs = json_set(inputs, '$.catalogue', 1)", []);
    });
    await bringUpToDate(house.env);
    const marks = await house.env.store.db.mark.all({});
    expect(marks).to.have.length(3);
    expect(marks.some(({ pointId }) => pointId === flat.points['washer.drawer'])).to.equal(false);
    await house.close();
  });
});
