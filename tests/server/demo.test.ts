import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildDemo } from '../../demo/build.ts';
import { FIRM } from '../../demo/contractors.ts';
import { PROPERTIES } from '../../demo/scenario.ts';
import { openStore } from '../../server/store/store.ts';
import { createEnv } from '../../server/createEnv.ts';

const NOON = Date.UTC(2026, 10, 24, 12);
const DAYS = 28;

/** Lives a short demo and tells what is in it, without the ids that differ from run to run. */
async function live() {
  const folder = mkdtempSync(join(tmpdir(), 'dewline-demo-'));
  const store = await openStore(join(folder, 'dewline.sqlite'));
  await buildDemo(
    createEnv(store, join(folder, 'photos'), () => NOON),
    () => undefined,
    DAYS,
  );
  const { db } = store;
  const told = {
    marks: (await db.mark.all({}, { order: [['number', 'ASC']] })).map(
      ({ number, type, servedDay, intervalDays, work }) => [number, type, servedDay, intervalDays, work].join(),
    ),
    records: (await db.record.all({}, { order: [['doneAt', 'ASC']] }))
      .map(
        ({ doneDay, canonical }) =>
          `${doneDay} ${(JSON.parse(canonical) as { procedure: string; grade: string }).procedure} ${(JSON.parse(canonical) as { grade: string }).grade}`,
      )
      .sort(),
    waiting: (await db.proof.all({ state: 'waiting' })).map(({ findings }) => findings),
    latest: Math.max(...(await db.record.all({}, { columns: ['doneAt'] })).map(({ doneAt }) => doneAt)),
    hashes: await db.photo.all({ purgedAt: null }, { columns: ['hash', 'source'] }),
    staffJobs: await db.job.all({ state: 'given' }),
    people: await db.person.all({}),
    faults: await db.fault.count({ symptom: 'dryer.damp' }),
  };
  await store.close();
  rmSync(folder, { recursive: true, force: true });
  return told;
}

describe('The demo', function demo() {
  let first: Awaited<ReturnType<typeof live>>;
  before(async () => {
    first = await live();
  });

  it('is the same again from the same seed and day, down to every mark and record', async () => {
    const second = await live();
    expect(second.marks).to.deep.equal(first.marks);
    expect(second.records).to.deep.equal(first.records);
  });
  it('has nothing from the future', () => expect(first.latest).to.be.at.most(NOON));
  it('draws every photo differently, but the one that a tenant sends again', () => {
    const fresh = first.hashes.filter(({ source }) => source === 'camera').map(({ hash }) => hash);
    expect(new Set(fresh).size).to.equal(fresh.length);
    expect(first.waiting.filter((findings) => findings.includes('samePicture'))).to.have.length(1);
  });
  it('has points without a record, work for staff, and the dryer whose hose is crushed', () => {
    // The four points of the washer that came two weeks ago.
    expect(first.marks.filter((mark) => mark.split(',')[2] === '0')).to.have.length(4);
    const staff = first.people.filter(({ email }) => email && !email.startsWith('vane')).map(({ id }) => id);
    for (const id of staff) expect(first.staffJobs.some(({ assigneeId }) => assigneeId === id)).to.equal(true);
    expect(first.faults).to.be.at.least(1);
  });
  it('names nobody outside the scenario', () => {
    const invented = new Set(PROPERTIES.flatMap(({ homes }) => homes.map(({ tenant }) => tenant)));
    for (const { name, email } of first.people)
      expect(
        [...invented, FIRM.name, 'Dewline, by the clock'].includes(name) || /@saltmarsh\.example$/.test(email ?? ''),
        name,
      ).to.equal(true);
  });
});
