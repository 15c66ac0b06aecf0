import { expect } from 'chai';
import { v7 } from 'uuid';
import { type Flat, give, honestWork, type House, openFlat, registerFlat } from './house.ts';

/** A home list: several machines in one request. */
describe('A home list', () => {
  let house: House;
  let flat: Flat;
  let dishwasher: Record<string, string>;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
    const id = v7();
    await house.manager
      .post('/machines', { id, placeId: flat.placeId, type: 'dishwasher', fuel: 'electric', owner: 'landlord' })
      .expect(200);
    dishwasher = Object.fromEntries(
      (await house.env.store.db.point.all({ machineId: id })).map((point) => [point.procedure, point.id]),
    );
  });
  afterEach(() => house.close());
  const list = async () => (await house.manager.get(`/places/${flat.placeId}/list`).expect(200)).body;
  const budget = async () => (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.budget;
  const sittings = () => [
    { id: v7(), pointIds: [flat.points['washer.doorBoot']!] },
    { id: v7(), pointIds: [dishwasher['dishwasher.filter']!] },
  ];

  it('offers what is near its line, machine by machine, and gives it as one request of several sittings', async () => {
    const offered = await list();
    expect(offered.sittings.map(({ machine }: { machine: string }) => machine)).to.have.length(2);
    const [id, form] = [v7(), sittings()];
    expect(
      (await house.manager.post('/lists', { id, assigneeId: flat.tenantId, sittings: form }).expect(200)).body,
    ).to.deep.equal({ id, jobs: 2 });
    const { jobs } = (await flat.tenant.get('/home').expect(200)).body;
    expect(jobs.map(({ listId }: { listId: string }) => listId)).to.deep.equal([id, id]);
    expect(await budget()).to.include({ usedJobs: 1, usedMinutes: 35, pace: 1 });
    // A second request still fits, a third does not.
    await house.manager
      .post('/lists', {
        id: v7(),
        assigneeId: flat.tenantId,
        sittings: [{ id: v7(), pointIds: [dishwasher['dishwasher.interiorWash']] }],
      })
      .expect(200);
    expect(
      (
        await house.manager
          .post('/jobs', { id: v7(), pointIds: [dishwasher['dishwasher.racks']], assigneeId: flat.tenantId })
          .expect(409)
      ).body.detail,
    ).to.contain('2 of 2');
  });
  it('keeps each sitting its own: sent, judged and recorded apart', async () => {
    const form = sittings();
    await house.manager.post('/lists', { id: v7(), assigneeId: flat.tenantId, sittings: form }).expect(200);
    const job = (await flat.tenant.get(`/jobs/${form[0]!.id}`).expect(200)).body;
    await flat.tenant.post(`/jobs/${form[0]!.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    expect((await flat.tenant.get(`/jobs/${form[1]!.id}`).expect(200)).body.state).to.equal('given');
  });
  it('is given whole or not at all, of one home alone, within the level of whoever gets it', async () => {
    const other = await registerFlat(house, 'dryer', 'Flat 9');
    await house.manager
      .post('/lists', {
        id: v7(),
        assigneeId: flat.tenantId,
        sittings: [...sittings(), { id: v7(), pointIds: [other.points['dryer.lintScreen']] }],
      })
      .expect(422);
    await house.manager
      .post('/lists', {
        id: v7(),
        assigneeId: flat.tenantId,
        sittings: [...sittings(), { id: v7(), pointIds: [dishwasher['dishwasher.sump']] }],
      })
      .expect(422);
    expect(await house.env.store.db.job.count({})).to.equal(0);
    await flat.tenant.post('/lists', { id: v7(), assigneeId: flat.tenantId, sittings: sittings() }).expect(403);
  });
  it('counts a tenant’s minutes at their own pace once they have been timed', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    const form = await honestWork(house, flat.tenant, job);
    // Fifteen newcomer minutes done in six.
    await flat.tenant.post(`/jobs/${job.id}/submission`, { ...form, startedAt: form.doneAt - 6 * 60_000 }).expect(200);
    const { pace, usedMinutes } = await budget();
    expect(pace).to.be.closeTo(66 / 75, 1e-9);
    expect(usedMinutes).to.equal(Math.round(15 * pace));
  });
});
