import { expect } from 'chai';
import { v7 } from 'uuid';
import { trueTimes } from '../../core/proof/claim.ts';
import { DAY_MS, drawn, type Flat, give, honestWork, type House, NOON, openFlat, PASSWORD } from './house.ts';

const BOOT = 'washer.doorBoot';

describe('A write that is repeated', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it('sends a job once, however often it is sent, although the device’s clock went on', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const form = await honestWork(house, flat.tenant, job);
    const key = v7();
    const answers = [];
    for (let i = 0; i < 5; i += 1)
      answers.push(
        await flat.tenant.post(`/jobs/${job.id}/submission`, { ...form, deviceAt: form.deviceAt + i * 1000 }, key),
      );
    expect(answers.map(({ status }) => status)).to.deep.equal([200, 200, 200, 200, 200]);
    expect(new Set(answers.map(({ text }) => text)).size).to.equal(1);
    expect(await house.env.store.db.record.count({ jobId: job.id })).to.equal(1);
    expect(await house.env.store.db.logEntry.count({ subjectId: form.records[0]!.id })).to.equal(1);
  });
  it('tells a new link once and keeps it nowhere', async () => {
    const key = v7();
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`, {}, key).expect(200);
    const token = body.path.split('#')[1];
    await house.manager.post(`/tenancies/${flat.tenancyId}/links`, {}, key).expect(409);
    const receipts = await house.env.store.db.receipt.all({});
    expect(receipts.some(({ body: kept }) => kept.includes(token))).to.equal(false);
    expect((await house.env.store.db.link.all({})).some(({ id }) => id.includes(token))).to.equal(false);
  });
  it('compares repetitions without the password in them', async () => {
    const person = { id: v7(), name: 'M. Ferreday', email: 'ferreday@saltmarsh.example', roles: ['staff'] };
    const key = v7();
    await house.manager.post('/people', { ...person, password: PASSWORD }, key).expect(200);
    await house.manager.post('/people', { ...person, password: 'another password' }, key).expect(200);
    await house.caller().open('/session', { email: person.email, password: PASSWORD });
    await house.caller().post('/session', { email: person.email, password: 'another password' }).expect(401);
  });
  it('remembers the device and its number', async () => {
    const key = v7();
    await house.manager
      .post('/places', { id: v7(), propertyId: flat.propertyId, kind: 'unit', name: 'Flat 7' }, key)
      .set('x-device', 'phone-1')
      .set('x-device-sequence', '42')
      .expect(200);
    expect(await house.env.store.db.receipt.count({ device: 'phone-1', deviceSequence: 42 })).to.equal(1);
  });
});

describe('The time of work', () => {
  const HOUR = 3_600_000;
  it('is the device’s where its clock is right', () => {
    expect(trueTimes({ startedAt: NOON - HOUR, doneAt: NOON - 60_000, deviceAt: NOON - 5000 }, NOON)).to.deep.equal({
      startedAt: NOON - HOUR,
      doneAt: NOON - 60_000,
    });
  });
  it('is put right where the clock is off by a year, either way, also for work sent hours later', () => {
    for (const off of [-365 * DAY_MS, 365 * DAY_MS]) {
      const device = NOON + off;
      expect(
        trueTimes({ startedAt: device - 5 * HOUR, doneAt: device - 4 * HOUR, deviceAt: device }, NOON),
      ).to.deep.equal({ startedAt: NOON - 5 * HOUR, doneAt: NOON - 4 * HOUR });
    }
  });
  it('is never in the future, nor begins after it ends', () => {
    const { startedAt, doneAt } = trueTimes({ startedAt: NOON + 2 * HOUR, doneAt: NOON + HOUR, deviceAt: NOON }, NOON);
    expect(doneAt).to.equal(NOON);
    expect(startedAt).to.be.at.most(doneAt);
  });
});

describe('Who sees which photo', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  const staffMember = async () => {
    const id = v7();
    await house.manager
      .post('/people', {
        id,
        name: 'T. Hollis',
        email: 'hollis@saltmarsh.example',
        password: PASSWORD,
        roles: ['staff'],
      })
      .expect(200);
    const caller = house.caller();
    await caller.open('/session', { email: 'hollis@saltmarsh.example', password: PASSWORD });
    return caller;
  };
  it('staff see shut-offs and faults, not tenants’ proofs; tenants see the shut-offs of their own job while they have it', async () => {
    const staff = await staffMember();
    const shutoff = await house.manager.take(BOOT, 1);
    await house.manager.put(`/machines/${flat.machineId}`, { shutoffPhotoId: shutoff }).expect(200);
    await flat.tenant.get(`/photos/${shutoff}`).expect(404);
    const puddle = await flat.tenant.take(BOOT, 2);
    await flat.tenant
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'washer.puddle', photoIds: [puddle] })
      .expect(200);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    expect(job.steps[0].shutoffPhotoId).to.equal(shutoff);
    await flat.tenant.get(`/photos/${shutoff}`).expect(200);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    const proof = form.records[0]!.photos[0]!.photoId;
    for (const [id, status] of [
      [shutoff, 200],
      [puddle, 200],
      [proof, 404],
    ] as const)
      await staff.get(`/photos/${id}`).expect(status);
    await house.manager.get(`/photos/${proof}`).expect(200);
    await house.caller().get(`/photos/${proof}`).expect(401);
  });
  it('a photo serves one purpose: a fault’s cannot be a proof’s', async () => {
    const puddle = await flat.tenant.take(BOOT, 60);
    await flat.tenant
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'washer.smell', photoIds: [puddle] })
      .expect(200);
    await flat.tenant
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'washer.smell', photoIds: [puddle] })
      .expect(422);
  });
  it('is kept as it is measured: dark is dark, blurred is blurred', async () => {
    const { default: sharp } = await import('sharp');
    const picture = await drawn(BOOT, 70);
    const dark = (await flat.tenant.photo(await sharp(picture).linear(0.1, 0).jpeg().toBuffer()).expect(200)).body.id;
    const blurred = (await flat.tenant.photo(await sharp(picture).blur(18).jpeg().toBuffer()).expect(200)).body.id;
    const fair = (await flat.tenant.photo(picture).expect(200)).body.id;
    const rows = new Map(
      (await house.env.store.db.photo.all({ id: [dark, blurred, fair] })).map((row) => [row.id, row]),
    );
    expect(rows.get(dark)!.brightness).to.be.below(28);
    expect(rows.get(blurred)!.sharpness).to.be.below(12);
    expect(rows.get(fair)!.brightness).to.be.above(28);
    expect(rows.get(fair)!.sharpness).to.be.above(12);
  });
});
