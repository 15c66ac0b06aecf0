import { expect } from 'chai';
import { v7 } from 'uuid';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { hire, honestWork, openHouse, registerFlat, type Flat, type House } from './house.ts';

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
      .body as { lists: string[]; jobs: number; homes: number; moved: { id: string; from: string }[]; left: Left[] };

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

  it('of chosen parts is given wherever they stand; what is in hand moves only where that is asked', async () => {
    const { id: fromId, caller: from } = await hire(house, 'staff', 'ferreday@saltmarsh.example');
    const { id: toId } = await hire(house, 'staff', 'quill@saltmarsh.example');
    const other = await registerFlat(house, 'dishwasher', 'Flat 9Z');
    const { db } = house.env.store;
    const points = await db.point.all({ id: Object.values(other.points) });
    const numbers = points.map(({ number }) => number);
    const chosen = { placeIds: [other.placeId], which: 'chosen', numbers, assigneeId: fromId };
    // Nothing is known of them: none hangs over a line.
    expect(await give({ placeIds: [other.placeId], which: 'past', assigneeId: fromId })).to.include({ jobs: 0 });
    expect((await give({ ...chosen, numbers: numbers.slice(0, 1) })).jobs).to.equal(1);
    expect((await give(chosen)).jobs).to.equal(1);
    const inHand = await db.job.all({ assigneeId: fromId, state: 'given' });
    const tasks = await db.task.all({ jobId: inHand.map(({ id }) => id), state: 'outstanding' });
    expect(tasks.map(({ pointId }) => pointId)).to.have.members(points.map(({ id }) => id));

    const stays = await give({ ...chosen, assigneeId: toId });
    expect(stays).to.include({ jobs: 0 });
    expect(stays.moved).to.deep.equal([]);
    expect(stays.left.map(({ says }) => says)).to.deep.equal(inHand.map(() => 'Somebody has it already.'));

    await from.post(`/jobs/${inHand[0]!.id}/moves`, { move: 'start', revision: inHand[0]!.revision }).expect(200);
    const doing = (await from.get(`/jobs/${inHand[1]!.id}`).expect(200)).body;
    const moves = await give({ ...chosen, assigneeId: toId, moves: true });
    expect(moves.moved.map((it) => it.from)).to.deep.equal([fromId]);
    expect(moves.left[0]!.says).to.equal('It is started already.');
    const now = await db.job.one({ id: moves.moved[0]!.id });
    expect(now).to.include({ assigneeId: toId, state: 'given' });
    // Whoever has it now is asked anew: it is another request.
    expect(now!.listId).to.not.equal(null).and.to.not.equal(inHand[1]!.listId);
    // It is no longer the other's: their phone is told, and what they did all the same is laid before the office.
    const mine = (await from.get('/jobs').expect(200)).body.jobs as { id: string }[];
    expect(mine.map(({ id }) => id)).to.deep.equal([inHand[0]!.id]);
    const late = await from.post(`/jobs/${inHand[1]!.id}/moves`, { move: 'start', revision: 1 }).expect(409);
    expect(late.body.detail).to.contain('It was given to somebody else.');
    const work = await honestWork(house, from, doing);
    expect((await from.post(`/jobs/${inHand[1]!.id}/submission`, work).expect(200)).body.state).to.equal('offered');

    const back = await house.manager.post('/lists/back', { moved: moves.moved }).expect(200);
    expect(back.body).to.deep.equal({ taken: 1, kept: 0 });
    const again = await db.job.all({ assigneeId: fromId, state: 'given' });
    expect(again).to.have.length(1);
    // All that one person has not begun, wherever it is.
    const homes = [other.placeId, first.placeId];
    const ill = await give({ placeIds: homes, which: 'inHand', from: fromId, assigneeId: toId });
    expect(ill.moved.map((it) => it.from)).to.deep.equal([fromId]);
    expect(ill).to.include({ jobs: 0 });
    const taken = await db.task.all({ pointId: points.map(({ id }) => id), state: 'outstanding' });
    expect(new Set(taken.map(({ pointId }) => pointId)).size).to.equal(taken.length);
  });

  it('moves to nobody who may not do it, and leaves what a contractor has a link to', async () => {
    const duct = await registerFlat(house, 'dryer', 'Flat 8D');
    const { db } = house.env.store;
    const all = await db.point.all({ id: Object.values(duct.points) });
    const above = all.find(({ procedure }) => procedureOf(procedure).level === 'staff')!;
    const { id: staffId } = await hire(house, 'staff', 'moss@saltmarsh.example');
    await house.manager.post('/jobs', { id: v7(), pointIds: [above.id], assigneeId: staffId }).expect(200);
    const toTenant = await give({ placeIds: [duct.placeId], which: 'inHand' });
    expect(toTenant.moved).to.deep.equal([]);
    expect(toTenant.left).to.have.length(1);
    const outside = all.find(({ id }) => id !== above.id)!;
    await house.manager.post('/jobs/contracted', { id: v7(), pointIds: [outside.id], name: 'A. Outsider' }).expect(200);
    const kept = await give({ placeIds: [duct.placeId], which: 'inHand', assigneeId: staffId });
    expect(kept.moved).to.deep.equal([]);
    expect(kept.left.map(({ says }) => says)).to.deep.equal(['A contractor has a link to it. Cancel it first.']);
  });

  it('puts homes on hold and takes them off again, and leaves those that are on hold with their own day', async () => {
    const placeIds = [first.placeId, empty];
    await house.manager.post(`/places/${empty}/hold`, { until: '2026-12-24', reason: 'empty' }).expect(200);
    const hold = async (form: object) => (await house.manager.post('/holds', { placeIds, ...form }).expect(200)).body;
    await house.manager.post('/holds', { placeIds, until: '2026-11-01' }).expect(422);
    const held = await hold({ until: '2027-01-20', reason: 'renovation' });
    expect(held.held).to.deep.equal([first.placeId]);
    expect(held.left[0].says).to.contain('on hold until').and.to.contain('24 December');
    const past = await give({ placeIds: [first.placeId] });
    expect(past.jobs).to.equal(0);
    // What is chosen of it is not passed over in silence.
    const { placeId, numbers } = await registerFlat(house, 'dryer', 'Flat 7H');
    await house.manager.post('/holds', { placeIds: [placeId], until: '2027-01-20' }).expect(200);
    const chosen = await give({ placeIds: [placeId], which: 'chosen', numbers });
    expect(chosen.jobs).to.equal(0);
    expect(chosen.left.map(({ says }) => says)).to.deep.equal(numbers.map(() => 'It is on hold with its home.'));
    expect((await hold({ until: null })).held).to.have.members(placeIds);
    expect((await hold({ until: null })).left.map(({ says }: Left) => says)).to.deep.equal([
      'It is not on hold.',
      'It is not on hold.',
    ]);
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
