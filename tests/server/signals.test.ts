import { createPrivateKey, sign } from 'node:crypto';
import { expect } from 'chai';
import request from 'supertest';
import { v7 } from 'uuid';
import { turnDay } from '../../server/clock/daily.ts';
import { DAY_MS, type Flat, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

const PUMP = 'washer.drainPumpFilter';
let house: House;
let flat: Flat;
beforeEach(async () => {
  ({ house, flat } = await openFlat());
});
afterEach(() => house.close());
const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
const log = (procedure: string, done: string, more: object = {}) =>
  house.manager.post('/records', { id: v7(), pointId: flat.points[procedure], done, ...more }).expect(200);
const point = (procedure = PUMP) => read(`/points/${flat.points[procedure]}`);
const daysLeft = async (procedure = PUMP) => {
  const { mark, place } = await point(procedure);
  return mark.servedDay + mark.intervalDays - place.today;
};

describe('A signal', () => {
  const report = (caller = flat.tenant, type = 'washer.code') =>
    caller.post('/signals', { id: v7(), machineId: flat.machineId, type, note: 'D-7' });
  const signals = async () => (await read('/signals')).signals;

  it('makes its point due now, and is answered by a service', async () => {
    await log(PUMP, '2026-11-10');
    expect(await daysLeft()).to.equal(76);
    await report().expect(200);
    expect(await daysLeft()).to.equal(0);
    expect((await point()).says).to.equal('Due now, because something was reported.');
    expect((await point()).terms.at(-1)).to.include({
      says: 'Something was reported',
      why: 'A drain code on the display, on 24 Nov',
    });
    await log(PUMP, '2026-11-24');
    expect((await signals())[0]).to.include({ state: 'answered' });
    expect(await daysLeft()).to.equal(90);
  });
  it('is dismissed only with a reason and a day of looking again, on which it comes back', async () => {
    await log(PUMP, '2026-11-10');
    const { id } = (await report().expect(200)).body;
    const dismiss = (form: object) => house.manager.post(`/signals/${id}/dismissal`, form);
    expect(Object.keys((await dismiss({}).expect(422)).body.fields).sort()).to.deep.equal(['reason', 'recheck']);
    expect(
      (await dismiss({ reason: 'Lid was open.', recheck: '2026-11-24' }).expect(422)).body.fields.recheck,
    ).to.contain('after today');
    await dismiss({ reason: 'Lid was open.', recheck: '2026-12-01' }).expect(200);
    expect(await daysLeft()).to.equal(76);
    await letDaysPass(house, 6);
    await turnDay(house.env);
    expect((await signals())[0].state).to.equal('dismissed');
    await letDaysPass(house, 1);
    await turnDay(house.env);
    expect((await signals())[0]).to.include({ state: 'open', reason: 'Lid was open.' });
    expect(await daysLeft()).to.equal(0);
  });
  it('that nobody answers stays, and goes past the line', async () => {
    await log(PUMP, '2026-11-10');
    await report().expect(200);
    await letDaysPass(house, 20);
    expect(await daysLeft()).to.equal(-20);
    expect((await signals())[0].state).to.equal('open');
  });
  it('sent again while it waits is counted, not doubled', async () => {
    await report().expect(200);
    await report(house.manager).expect(200);
    expect(await signals()).to.have.length(1);
    expect((await signals())[0].times).to.equal(2);
  });
  it('of another kind of machine is refused', async () => {
    expect((await report(flat.tenant, 'hood.lamp').expect(422)).body.fields.type).to.contain('no such signal');
  });
});

describe('The inbox of machines', () => {
  let emitter: { id: string; privateKey: string };
  let sequence = 0;
  beforeEach(async () => {
    emitter = (await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(200)).body;
    sequence = 0;
  });
  const signed = (message: object, key = emitter.privateKey) => {
    const body = JSON.stringify(message);
    return {
      body,
      signature: sign(
        null,
        Buffer.from(body),
        createPrivateKey({ key: Buffer.from(key, 'base64'), format: 'der', type: 'pkcs8' }),
      ).toString('base64'),
    };
  };
  const message = (more: object = {}) => ({
    emitter: emitter.id,
    sequence: (sequence += 1),
    at: house.clock.now,
    type: 'washer.code',
    code: 'D-7',
    ...more,
  });
  const post = ({ body, signature }: { body: string; signature?: string }) => {
    const sent = request(house.app).post('/api/inbox/signals').set('content-type', 'application/json');
    return (signature === undefined ? sent : sent.set('x-dewline-signature', signature)).send(body);
  };

  it('takes a signed message, and makes the point due', async () => {
    await log(PUMP, '2026-11-10');
    await post(signed(message())).expect(200);
    expect(await daysLeft()).to.equal(0);
    expect((await read('/signals')).signals[0]).to.include({
      by: 'the machine itself',
      fromMachine: true,
      note: 'D-7',
    });
  });
  it('refuses a bad signature, a forged body, none at all, an unknown sender, alike', async () => {
    const good = signed(message());
    const other = (await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(200)).body;
    const bad = [
      { body: good.body, signature: 'AAAA' },
      { body: good.body.replace('D-7', 'E19'), signature: good.signature },
      { body: good.body },
      signed(message(), other.privateKey),
      signed(message({ emitter: v7() })),
      { body: 'no json', signature: good.signature },
    ];
    for (const it of bad) expect((await post(it)).status).to.equal(401);
    expect((await read('/signals')).signals).to.deep.equal([]);
  });
  it('refuses a message replayed, out of order, too old, or from a clock that is wrong', async () => {
    const first = signed(message());
    const second = signed(message());
    await post(second).expect(200);
    expect((await post(second).expect(409)).body.detail).to.contain('taken before');
    await post(first).expect(409);
    expect((await post(signed(message({ at: house.clock.now - DAY_MS }))).expect(409)).body.detail).to.contain('clock');
    await post(signed(message({ at: house.clock.now + 3_600_000 }))).expect(409);
    expect((await read('/signals')).signals[0].times).to.equal(1);
  });
  it('hears nothing more of a retired emitter or machine', async () => {
    await house.manager.delete(`/emitters/${emitter.id}`).expect(200);
    expect((await post(signed(message())).expect(410)).body.detail).to.contain('out of service');
    emitter = (await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(200)).body;
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-24' }).expect(200);
    await post(signed(message())).expect(410);
    expect((await read('/board')).rows[0].marks).to.deep.equal([]);
    await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points[PUMP]], assigneeId: flat.tenantId })
      .expect(409);
  });
  it('keeps no private key', async () => {
    for (const row of [...(await house.env.store.db.emitter.all({})), ...(await house.env.store.db.receipt.all({}))])
      expect(JSON.stringify(row)).not.to.contain(emitter.privateKey.slice(24));
  });
});

describe('A look', () => {
  const look = (form: object, caller = house.manager) => caller.post('/looks', { id: v7(), number: 1, ...form });
  const first = 'washer.drainPumpFilter';

  it('teaches, resets nothing, and stands in the log', async () => {
    await log(first, '2026-09-25');
    const before = await point(first);
    const { body } = await look({ grade: 'clean' }).expect(200);
    const after = await point(first);
    expect(after.mark.servedDay).to.equal(before.mark.servedDay);
    expect(after.mark.intervalDays).to.be.above(before.mark.intervalDays);
    expect(body.says).to.match(/^Noted; next about .* later than before\.$/);
    expect(await house.env.store.db.logEntry.count({ kind: 'look' })).to.equal(1);
    expect(after.story[0].says).to.equal('Looked at: clean');
  });
  it('of a tenant may shorten at once, and lengthens only when staff confirms', async () => {
    await log(first, '2026-09-25');
    const plain = (await point(first)).mark.intervalDays;
    await look({ grade: 'clean' }, flat.tenant).expect(200);
    expect((await point(first)).mark.intervalDays).to.equal(plain);
    expect((await point(first)).story[0].says).to.equal('Looked at: clean, not confirmed');
    await look({ grade: 'heavy' }, flat.tenant).expect(200);
    expect(await daysLeft(first)).to.equal(0);
    expect((await point(first)).says).to.equal('Due now, because it was seen heavy.');
  });
  it('dated before the last service, or tomorrow, is refused in a sentence', async () => {
    await log(first, '2026-11-10');
    expect((await look({ grade: 'due', day: '2026-11-05' }).expect(409)).body.detail).to.contain(
      'before the last service of 10 November 2026',
    );
    expect((await look({ grade: 'due', day: '2026-11-25' }).expect(422)).body.fields.day).to.equal(
      'This day has not come yet.',
    );
  });
  it('that contradicts another is kept, and both are named', async () => {
    await log(first, '2026-09-25');
    await look({ grade: 'heavy', day: '2026-11-20' }).expect(200);
    expect((await look({ grade: 'clean' }).expect(200)).body.says).to.contain('both cannot be right');
    const { contradictions } = await read(`/points/${flat.points[first]}/working`);
    expect(contradictions).to.deep.equal([
      'Seen heavy on 20 Nov, then clean on 24 Nov with no service between: both cannot be right. Look again.',
    ]);
  });
  it('opens from a label for whoever may see the machine, and for nobody else', async () => {
    expect((await flat.tenant.get('/looks/1').expect(200)).body).to.include({
      name: 'Drain-pump filter',
      procedure: first,
    });
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    await other.tenant.get('/looks/1').expect(404);
    await look({ grade: 'due' }, other.tenant).expect(404);
  });
  it('is immutable', async () => {
    const { id } = (await look({ grade: 'due' }).expect(200)).body;
    const { day } = (await house.env.store.db.look.one({ id }))!;
    let refused = false;
    await house.env.store
      .write((db) => db.look.update({ id }, { day: 1 }))
      .catch(() => {
        refused = true;
      });
    expect(refused).to.equal(true);
    expect((await house.env.store.db.look.one({ id }))!.day).to.equal(day);
  });
});
