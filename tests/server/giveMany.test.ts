import { expect } from 'chai';
import { v7 } from 'uuid';
import { hire, openHouse, registerFlat, type Flat, type House } from './house.ts';

interface Left {
  readonly place: string;
  readonly machine: string;
  readonly says: string;
}

/** Work in many homes at once: each home's tenant within their month, and what is left is named. */
describe('Work given in many homes at once', () => {
  let house: House;
  let first: Flat;
  let second: Flat;
  let empty: string;
  before(async () => {
    house = await openHouse();
    first = await registerFlat(house);
    second = await registerFlat(house, 'washer', 'Flat 2B');
    empty = v7();
    await house.manager
      .post('/places', { id: empty, propertyId: second.propertyId, kind: 'unit', name: 'Flat 3C' })
      .expect(200);
    for (const [placeId, type, fuel] of [
      [empty, 'dishwasher', 'electric'],
      [second.placeId, 'airHandler', 'electric'],
      [second.placeId, 'dishwasher', 'electric'],
    ])
      await house.manager
        .post('/machines', { id: v7(), placeId, type, fuel, owner: 'landlord', installed: '2025-01-01' })
        .expect(200);
    // Everything was last served long ago.
    await house.manager.post('/last-done', { day: '2025-02-01' }).expect(200);
  });
  after(() => house.close());
  const give = async (form: object) =>
    (await house.manager.post('/lists/many', { placeIds: [first.placeId, second.placeId, empty], ...form }).expect(200))
      .body as { lists: string[]; jobs: number; homes: number; left: Left[] };

  it('goes to each home’s tenant, one request a home, within their month; the rest is named', async () => {
    const given = await give({});
    expect(given.homes).to.equal(2);
    const jobs = await house.env.store.db.job.all({});
    expect(jobs).to.have.length(given.jobs);
    expect(new Set(jobs.map(({ listId }) => listId))).to.have.all.keys(given.lists);
    for (const { assigneeId, placeId } of jobs)
      expect(assigneeId).to.equal(placeId === first.placeId ? first.tenantId : second.tenantId);
    // Whatever is past its line is given, or named with why not.
    const rest = JSON.stringify(given.left);
    expect(rest).to.contain('Flat 3C').and.to.contain('Nobody lives here who could be asked.');
    expect(rest).to.contain('for staff');
    const month = (await second.tenant.get('/home').expect(200)).body;
    expect(month).to.be.an('object');
    const { body } = await house.manager.get(`/places/${first.placeId}/list`).expect(200);
    const tenant = body.assignees.find(({ role }: { role: string }) => role === 'tenant');
    // One request, whatever it holds.
    expect(tenant.budget).to.match(/^1 of 2 requests/);
  });

  it('does not ask twice for the same, and asks no more than a month holds', async () => {
    const jobs = await house.env.store.db.job.count({});
    const given = await give({});
    const tasks = await house.env.store.db.task.all({ state: 'outstanding' });
    expect(new Set(tasks.map(({ pointId }) => pointId)).size).to.equal(tasks.length);
    const more = await house.env.store.db.job.count({});
    expect(more - jobs).to.equal(given.jobs);
    const { body } = await house.manager.get(`/places/${second.placeId}/list`).expect(200);
    const { budget } = body.assignees.find(({ role }: { role: string }) => role === 'tenant');
    const [, requests] = /^(\d) of 2 requests/.exec(budget)!;
    expect(Number(requests)).to.be.at.most(2);
  });

  it('goes to staff where they look after the home, and comes back while nobody has begun', async () => {
    const { id: staffId, caller } = await hire(house, 'staff', 'hollis@saltmarsh.example');
    const given = await give({ assigneeId: staffId, which: 'near', placeIds: [empty, second.placeId] });
    expect(given.jobs).to.be.above(0);
    const mine = await house.env.store.db.job.all({ assigneeId: staffId, state: 'given' });
    expect(mine).to.have.length(given.jobs);
    const begun = mine[0]!;
    await caller.post(`/jobs/${begun.id}/moves`, { move: 'start', revision: begun.revision }).expect(200);
    const { body } = await house.manager.post('/lists/back', { ids: given.lists }).expect(200);
    expect(body).to.deep.equal({ taken: mine.length - 1, kept: 1 });
    expect((await house.manager.post('/lists/back', { ids: given.lists }).expect(200)).body.taken).to.equal(0);
    await house.manager
      .put(`/people/${staffId}`, {
        name: 'T. Hollis',
        email: 'hollis@saltmarsh.example',
        roles: ['staff'],
        properties: [first.propertyId],
      })
      .expect(200);
    const elsewhere = await give({ assigneeId: staffId, which: 'near', placeIds: [empty, second.placeId] });
    expect(elsewhere.jobs).to.equal(0);
    expect(elsewhere.left[0]!.says).to.contain('other properties');
    await house.manager.post('/lists/many', { placeIds: [v7()] }).expect(404);
    await house.manager.post('/lists/many', { placeIds: [] }).expect(422);
  });

  it('of a week of the baseline goes to tenants, too, what they may do', async () => {
    const other = await openHouse();
    const flat = await registerFlat(other);
    await other.manager
      .post('/machines', {
        id: v7(),
        placeId: flat.placeId,
        type: 'airHandler',
        fuel: 'electric',
        owner: 'landlord',
        installed: '2025-01-01',
      })
      .expect(200);
    await other.manager.post('/baseline', { weeks: 1, start: '2026-11-24' }).expect(200);
    const { body } = await other.manager.post('/baseline/weeks', { week: '2026-11-23' }).expect(200);
    expect(body.jobs).to.be.above(0);
    expect(body.refused.join(' ')).to.contain('for staff');
    const jobs = await other.env.store.db.job.all({});
    expect(jobs.every(({ assigneeId }) => assigneeId === flat.tenantId)).to.equal(true);
    await other.close();
  });
});
