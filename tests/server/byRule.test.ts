import { expect } from 'chai';
import { v7 } from 'uuid';
import { drawLook } from '../../core/proof/trust.ts';
import { DAY_MS, type Flat, give, hire, honestWork, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

const BOOT = 'washer.doorBoot';

describe('Proof by rule', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());

  /** The tenant does the part, days after the last time, and sends it. */
  async function send(seed: number, part = BOOT): Promise<string> {
    await letDaysPass(house, 20);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[part]!]);
    const submission = await honestWork(house, flat.tenant, job, {}, seed * 1000);
    await flat.tenant.post(`/jobs/${job.id}/submission`, submission).expect(200);
    return submission.records[0]!.id;
  }
  const proofOf = async (id: string) => (await house.env.store.db.proof.one({ recordId: id }))!;
  const judge = (id: string, form: object = { verdict: 'accept' }) =>
    house.manager.post(`/proof/${id}/verdict`, form).expect(200);
  /** Nobody is drawn unless they must be. */
  const seldom = () => house.manager.put('/proof-rule', { first: 2, oneIn: 100 }).expect(200);
  /** Sends until one is left to the rule; the draw takes one in a hundred. */
  async function byRule(from: number): Promise<string> {
    for (let i = from; ; i += 1) {
      const id = await send(i);
      if ((await proofOf(id)).state === 'accepted') return id;
      await judge(id);
    }
  }

  it('looks at the first ones, then accepts clean work as checked, visibly, with the draw kept', async () => {
    await seldom();
    for (const i of [1, 2]) {
      const id = await send(i);
      expect((await proofOf(id)).state).to.equal('waiting');
      expect(await house.env.store.db.draw.one({ recordId: id })).to.include({ probability: 1, drawn: 1 });
      await judge(id);
    }
    const id = await byRule(3);
    expect(await proofOf(id)).to.include({ evidence: 'checked', judgedBy: null });
    const draw = (await house.env.store.db.draw.one({ recordId: id }))!;
    expect(draw).to.include({ probability: 0.01, drawn: 0 });
    expect(draw.seed).to.have.length.above(10);
    // It counts, it teaches as unconfirmed while so few looks stand behind it, and it is seen.
    expect(await house.env.store.db.condition.one({ id })).to.include({ evidence: 'checked', confirmed: 0 });
    const { waiting, byRule: accepted } = (await house.manager.get('/proof').expect(200)).body;
    expect(waiting).to.deep.equal([]);
    expect(accepted.map((it: { id: string }) => it.id)).to.deep.equal([id]);
    expect((await house.manager.get(`/proof/${id}`).expect(200)).body.judged).to.contain('Accepted by rule');
    const point = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    expect(point.story[0].says).to.contain('Checked and accepted by rule');
    const { standing } = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
    expect(standing.evidence.checked.count).to.equal(1);
    const tape = (await house.manager.get(`/tapes/place/${flat.placeId}`).expect(200)).body;
    expect(JSON.stringify(tape.story)).to.contain('checked by rule');
  });

  it('never leaves to the draw what a check finds something in, or what safety hangs on', async () => {
    await house.manager.put('/proof-rule', { first: 0, oneIn: 100 }).expect(200);
    const dryer = await registerFlat(house, 'dryer', 'Flat 2');
    const staff = await hire(house);
    const critical = await house.env.store.db.point.one({ id: dryer.points['dryer.duct'] ?? '' });
    expect(critical, 'a dryer has a duct').not.to.equal(undefined);
    const job = await give(house, staff.caller, staff.id, [critical!.id]);
    const form = await honestWork(house, staff.caller, job);
    await staff.caller.post(`/jobs/${job.id}/submission`, form).expect(200);
    expect((await proofOf(form.records[0]!.id)).state).to.equal('waiting');
    // A second time with the photos of the first: a copy.
    await letDaysPass(house, 20);
    const first = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const work = await honestWork(house, flat.tenant, first, {}, 500);
    // By a seed that leaves it to the rule: one in a hundred is drawn else, and waits.
    const { secret } = house.env;
    Object.assign(house.env, { secret: () => 'left to the rule' });
    expect(drawLook(house.env.secret(), true, { first: 0, oneIn: 100 }).drawn).to.equal(false);
    await flat.tenant.post(`/jobs/${first.id}/submission`, work).expect(200);
    Object.assign(house.env, { secret });
    await letDaysPass(house, 20);
    const second = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const copied = await honestWork(house, flat.tenant, second, {}, 500);
    await flat.tenant.post(`/jobs/${second.id}/submission`, copied).expect(200);
    expect((await proofOf(copied.records[0]!.id)).state).to.equal('waiting');
    expect(await house.env.store.db.draw.one({ recordId: copied.records[0]!.id })).to.equal(undefined);
  });

  it('begins anew with somebody whose clean work did not hold', async () => {
    await seldom();
    for (const i of [1, 2]) await judge(await send(i));
    const id = await byRule(3);
    // Looked at after all: it waits again, and what it did is undone.
    await house.manager.post(`/proof/${id}/undo`).expect(200);
    expect((await proofOf(id)).state).to.equal('waiting');
    expect(await house.env.store.db.condition.count({ id })).to.equal(0);
    await judge(id);
    await house.env.store.write((db) => db.draw.update({ recordId: id }, { drawn: 1 }));
    await house.env.store.write((db) => db.proof.update({ recordId: id }, { state: 'sentBack' }));
    const next = await send(50);
    expect((await proofOf(next)).state).to.equal('waiting');
  });

  it('lets what is found teach like what is confirmed once many looks held', async () => {
    await seldom();
    const { db } = house.env.store;
    for (const i of [1, 2]) await judge(await send(i));
    const [draw] = await db.draw.all({ personId: flat.tenantId });
    const [proof] = await db.proof.all({ recordId: draw!.recordId });
    const record = (await db.record.one({ id: draw!.recordId }))!;
    await house.env.store.write(async (writing) => {
      for (let i = 0; i < 40; i += 1) {
        const id = v7();
        await writing.record.insert({ ...record, id, jobId: null, taskId: null, doneAt: record.doneAt - DAY_MS * 400 });
        await writing.proof.insert({ ...proof!, recordId: id });
        await writing.draw.insert({ ...draw!, recordId: id, at: house.clock.now });
      }
    });
    const id = await byRule(9);
    expect(await db.condition.one({ id })).to.include({ confirmed: 1 });
  });

  it('is refused a rule that is none', async () => {
    await house.manager.put('/proof-rule', { first: -1, oneIn: 3 }).expect(422);
    await house.manager.put('/proof-rule', { first: 3, oneIn: 0 }).expect(422);
    await flat.tenant.put('/proof-rule', { first: 0, oneIn: 100 }).expect(403);
  });
});
