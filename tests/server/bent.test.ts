import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import {
  type Caller,
  DAY_MS,
  drawn,
  failsOf,
  type Flat,
  give,
  honestWork,
  type House,
  openFlat,
  registerFlat,
  TODAY,
} from './house.ts';

const BOOT = 'washer.doorBoot';
const DRAWER = 'washer.drawer';

/** Proof that people tried to bend, and that bad luck broke. */
describe('Proof', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const judge = (id: string, form: object, by: Caller = house.manager) => by.post(`/proof/${id}/verdict`, form);
  const work = async (doer: Caller, doerId: string, point = BOOT, change: object = {}) => {
    const job = await give(house, doer, doerId, [flat.points[point]!]);
    const form = await honestWork(house, doer, job, change as never);
    return {
      job,
      form,
      recordId: form.records[0]!.id as string,
      submit: (more: object = {}) => doer.post(`/jobs/${job.id}/submission`, { ...form, ...more }),
    };
  };
  const me = async () => (await house.manager.get('/session').expect(200)).body.me.id as string;
  const queue = async () =>
    ((await house.manager.get('/proof').expect(200)).body.waiting as { id: string }[]).map(({ id }) => id);

  it('of a machine that was retired, or a part that was left out, stands in the queue, reads and is judged', async () => {
    const one = await work(flat.tenant, flat.tenantId);
    await one.submit().expect(200);
    const other = await work(flat.tenant, flat.tenantId, DRAWER);
    await other.submit().expect(200);
    await house.manager.put(`/machines/${flat.machineId}`, { leftOut: [BOOT] }).expect(200);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-24' }).expect(200);
    expect(await queue()).to.have.members([one.recordId, other.recordId]);
    for (const { recordId } of [one, other]) {
      expect((await house.manager.get(`/proof/${recordId}`).expect(200)).body.effect).to.contain('not in service');
      await judge(recordId, { verdict: 'accept' }).expect(200);
    }
  });
  it('has photos of what was asked for alone, one each', async () => {
    const { submit, form } = await work(flat.tenant, flat.tenantId);
    const [record] = form.records;
    const strange = {
      ...record!,
      photos: [...record!.photos, { slot: 'toaster', photoId: await flat.tenant.take(BOOT, 5) }],
    };
    const twice = {
      ...record!,
      photos: [...record!.photos, { slot: record!.photos[0]!.slot, photoId: await flat.tenant.take(BOOT, 6) }],
    };
    for (const records of [[strange], [twice]])
      expect(JSON.stringify((await submit({ records }).expect(422)).body.fields)).to.contain('nobody asked for');
    await submit().expect(200);
    expect(await failsOf(house, record!.id)).to.deep.equal([]);
  });
  it('says how the part looks after as well as before, and judges the filter that was really put in', async () => {
    const { submit, form, recordId } = await work(flat.tenant, flat.tenantId);
    await submit({ records: [{ ...form.records[0]!, after: 'clean' }] }).expect(200);
    expect((await house.manager.get(`/proof/${recordId}`).expect(200)).body).to.include({
      gradeSays: 'time for it',
      afterSays: 'clean',
    });
    await judge(recordId, { verdict: 'accept' }).expect(200);
    expect(await house.env.store.db.condition.one({ id: recordId })).to.include({ grade: 'due', afterGrade: 'clean' });
    const air = await registerFlat(house, 'airHandler', 'Flat 2A');
    const filter = air.points['airHandler.returnFilter']!;
    await house.manager
      .put(`/points/${filter}/specification`, {
        specification: { filterSize: '16x25x1', airflowCfm: 1000 },
        basedOn: null,
      })
      .expect(200);
    const job = await give(house, air.tenant, air.tenantId, [filter]);
    const sent = await honestWork(house, air.tenant, job);
    await air.tenant.post(`/jobs/${job.id}/submission`, sent).expect(200);
    const { findings } = (await house.manager.get(`/proof/${sent.records[0]!.id}`).expect(200)).body as {
      findings: { check: string; weight: string; says: string }[];
    };
    // 16 × 25 is 2.778 ft²: 1,000 CFM crosses it at 360 ft/min, against 300 (from memory).
    expect(findings.find(({ check }) => check === 'faceHigh'))
      .to.include({ weight: 'look' })
      .and.to.have.property('says')
      .that.contains('360');
  });
  it('brings along where the part is, once: shown to the next doer, and to nobody who may not see the machine', async () => {
    const where = await flat.tenant.take(BOOT, 900);
    const { submit, form } = await work(flat.tenant, flat.tenantId);
    await submit({ records: [{ ...form.records[0]!, where }] }).expect(200);
    await judge(form.records[0]!.id, { verdict: 'accept' }).expect(200);
    house.clock.now += 30 * DAY_MS;
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: 'a long password' });
    const again = await work(house.manager, await me());
    const [task] = (await house.manager.get(`/jobs/${again.job.id}`).expect(200)).body.tasks;
    expect(task.where).to.equal(where);
    await house.manager.get(`/photos/${where}`).expect(200);
    await flat.tenant.get(`/photos/${where}`).expect(200);
    const other = await registerFlat(house, 'washer', 'Flat 9');
    await other.tenant.get(`/photos/${where}`).expect(404);
  });
  it('of a part that was looked for and is not there goes back with that reason, and the rest is taken', async () => {
    const job = await give(
      house,
      flat.tenant,
      flat.tenantId,
      [BOOT, DRAWER].map((point) => flat.points[point]!),
    );
    const form = await honestWork(house, flat.tenant, job);
    const drawer = job.tasks.find(({ procedure }: { procedure: string }) => procedure === DRAWER)!.id as string;
    const keys = job.steps
      .map(({ key }: { key: string }) => key)
      .filter(
        (key: string) =>
          !key.startsWith(`${DRAWER}.`) && !['washer.tapShut', 'washer.tapOpen', 'washer.shortWash'].includes(key),
      );
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, {
        ...form,
        records: form.records.filter(({ taskId }) => taskId !== drawer),
        left: [{ taskId: drawer, reason: 'none' }],
        plan: { keys, found: [], begin: {} },
      })
      .expect(200);
    const [entry] = (await house.manager.get('/hand-backs').expect(200)).body.open;
    expect(entry)
      .to.include({ says: 'Looked: there is none' })
      .and.to.deep.include({ points: ['Dispenser drawer'] });
    expect(entry.note).to.contain('Leave it out');
    expect(
      await failsOf(
        house,
        form.records.find(
          ({ taskId }) => taskId === job.tasks.find(({ procedure }: { procedure: string }) => procedure === BOOT)!.id,
        )!.id,
      ),
    ).to.deep.equal([]);
  });
  it('takes no id that means something else already', async () => {
    const faultId = v7();
    await flat.tenant
      .post('/faults', {
        id: faultId,
        machineId: flat.machineId,
        symptom: 'washer.puddle',
        note: '',
        photoIds: [await flat.tenant.take(BOOT, 9)],
      })
      .expect(200);
    const { submit, form } = await work(flat.tenant, flat.tenantId);
    await submit({ records: [{ ...form.records[0]!, id: faultId }] }).expect(409);
    await flat.tenant.photo(await drawn(BOOT, 10), 'photo.jpg', faultId, v7()).expect(409);
    await flat.tenant.post('/looks', { id: faultId, number: flat.numbers[0], grade: 'light' }).expect(409);
    await submit().expect(200);
  });
  it('believes no claim of having been done before it was asked for: a fail, counted from its receipt, never on time by it', async () => {
    await house.manager
      .post('/records', { id: v7(), pointId: flat.points[BOOT], done: isoFromDay(TODAY - 90), grade: 'light' })
      .expect(200);
    for (const days of [80, 47_800]) {
      const { submit, form, recordId } = await work(flat.tenant, flat.tenantId);
      const then = house.clock.now - days * DAY_MS;
      await submit({ startedAt: Math.max(1, then - 3_600_000), doneAt: Math.max(1, then) }).expect(200);
      expect(await failsOf(house, recordId)).to.deep.equal(['claimedOutside']);
      const proof = (await house.env.store.db.proof.one({ recordId }))!;
      expect(proof.onTime).to.equal(0);
      const record = JSON.parse((await house.env.store.db.record.one({ id: recordId }))!.canonical) as ServiceRecord;
      expect(record).to.include({ doneDay: isoFromDay(TODAY), startedAt: null });
      expect(form.records).to.have.length(1);
      await judge(recordId, { verdict: 'sendBack', reason: 'Look at your clock.' }).expect(200);
      await house.manager
        .post(`/jobs/${record.job}/moves`, {
          move: 'cancel',
          reason: null,
          revision: (await house.manager.get(`/jobs/${record.job}`)).body.revision,
        })
        .expect(200);
    }
    // Between being given and received it is believed: a phone may have been below ground.
    const { submit, form, recordId } = await work(flat.tenant, flat.tenantId);
    house.clock.now += DAY_MS / 4;
    await submit({ doneAt: form.doneAt, deviceAt: house.clock.now }).expect(200);
    expect(await failsOf(house, recordId)).to.deep.equal([]);
  });
  it('is logged afterwards as far back as its machine stands there, as a claim', async () => {
    const log = (done: string) =>
      house.manager.post('/records', { id: v7(), pointId: flat.points[BOOT], done, grade: 'light' });
    expect(JSON.stringify((await log('1996-01-01').expect(422)).body.fields)).to.contain('Longer ago');
    await log('2024-12-31').expect(422);
    await log('2026-09-01').expect(200);
    const { story } = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    expect(story[0]).to.include({ evidence: 'selfCertified' });
  });
  it('of one’s own, accepted, is self-certified; for a landlord alone it teaches all the same', async () => {
    const { submit, recordId } = await work(house.manager, await me());
    await submit().expect(200);
    expect((await house.manager.get(`/proof/${recordId}`).expect(200)).body.own).to.equal(true);
    await judge(recordId, { verdict: 'accept' }).expect(200);
    expect(await house.env.store.db.condition.one({ id: recordId })).to.include({
      evidence: 'selfCertified',
      confirmed: 1,
    });
    const { story } = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    expect(story[0].says).to.contain('Self-certified: done and accepted by R. Okonjo-Vane');
    expect(story[0].evidence).to.equal('selfCertified');
  });
  it('with nothing in it is accepted only with a reason, which stands with whoever judged', async () => {
    const { submit, form, recordId } = await work(flat.tenant, flat.tenantId);
    await submit({ records: [{ ...form.records[0]!, photos: [], confirmed: [], grade: null }] }).expect(200);
    expect(JSON.stringify((await judge(recordId, { verdict: 'accept' }).expect(422)).body.fields)).to.contain(
      'Say why',
    );
    await judge(recordId, { verdict: 'accept', reason: 'I stood beside it.' }).expect(200);
    expect((await house.manager.get(`/proof/${recordId}`).expect(200)).body.judged).to.equal(
      'R. Okonjo-Vane: accepted, thank you. I stood beside it.',
    );
    expect(await house.env.store.db.condition.one({ id: recordId })).to.include({ evidence: 'proven', doubtful: 1 });
  });
  it('has a verdict that can be taken back for ten minutes, by whoever gave it, as if it had not been', async () => {
    await flat.tenant.post('/signals', { id: v7(), machineId: flat.machineId, type: 'washer.code' }).expect(200);
    const { submit, recordId, job } = await work(flat.tenant, flat.tenantId, 'washer.drainPumpFilter');
    await submit().expect(200);
    const standing = async () =>
      JSON.stringify([
        (await house.env.store.db.mark.all({ placeId: flat.placeId })).map(({ lineId: _line, ...mark }) => mark),
        (await house.env.store.db.signal.all({})).map(({ state }) => state),
        (await house.env.store.db.job.one({ id: job.id as string }))!.state,
        await queue(),
      ]);
    const before = await standing();
    for (const form of [{ verdict: 'accept' }, { verdict: 'sendBack', reason: 'Too dark to see.' }]) {
      await judge(recordId, form).expect(200);
      expect(await standing()).not.to.equal(before);
      await house.manager.post(`/proof/${recordId}/undo`).expect(200);
      expect(await standing()).to.equal(before);
    }
    await judge(recordId, { verdict: 'accept' }).expect(200);
    house.clock.now += 11 * 60_000;
    await house.manager.post(`/proof/${recordId}/undo`).expect(409);
    const kinds = (await house.env.store.db.logEntry.all({ subjectId: recordId })).map(
      ({ canonical }) => (JSON.parse(canonical) as { verdict?: string }).verdict,
    );
    expect(kinds).to.deep.equal([undefined, 'accept', 'undo', 'sendBack', 'undo', 'accept']);
  });
  it('of work that the office took back or gave to somebody else reaches it all the same, and is taken with one verdict', async () => {
    const cancel = async (jobId: string) =>
      house.manager
        .post(`/jobs/${jobId}/moves`, {
          move: 'cancel',
          reason: null,
          revision: (await house.manager.get(`/jobs/${jobId}`).expect(200)).body.revision,
        })
        .expect(200);
    const job = await give(
      house,
      flat.tenant,
      flat.tenantId,
      [BOOT, DRAWER].map((point) => flat.points[point]!),
    );
    const form = await honestWork(house, flat.tenant, job);
    await cancel(job.id as string);
    // Meanwhile somebody else has the boot in hand.
    const other = await give(house, house.manager, await me(), [flat.points[BOOT]!]);
    expect((await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200)).body.state).to.equal('offered');
    const [boot, drawer] = form.records.map(({ id }) => id as string);
    expect(await queue()).to.have.members([boot, drawer]);
    expect(
      (await house.manager.get(`/proof/${boot}`).expect(200)).body.findings.map(
        ({ check }: { check: string }) => check,
      ),
    ).to.include('offered');
    // Sent again under another key it is there already.
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, { ...form, records: form.records.map((record) => ({ ...record, id: v7() })) })
      .expect(409);
    await judge(drawer!, { verdict: 'sendBack', reason: 'Not needed.' }).expect(200);
    expect((await house.env.store.db.job.one({ id: job.id as string }))!.state).to.equal('cancelled');
    await judge(boot!, { verdict: 'accept' }).expect(200);
    expect((await house.env.store.db.job.one({ id: other.id as string }))!.state).to.equal('cancelled');
    expect(await house.env.store.db.condition.count({ id: boot! })).to.equal(1);
  });
  it('knows the same picture in two slots, and does not hold one’s own unused upload against its sender', async () => {
    const picture = await drawn(BOOT, 77);
    const send = async (name: string) => (await flat.tenant.photo(picture, name).expect(200)).body.id as string;
    await send('tried.jpg');
    const { submit, form, recordId } = await work(flat.tenant, flat.tenantId);
    const [first, second] = form.records[0]!.photos;
    await submit({
      records: [{ ...form.records[0]!, photos: [{ ...first!, photoId: await send('one.jpg') }, second!] }],
    }).expect(200);
    expect(await failsOf(house, recordId)).to.deep.equal([]);
    const other = await work(flat.tenant, flat.tenantId, DRAWER);
    const again = await drawn(DRAWER, 78);
    const photos = await Promise.all(
      other.form.records[0]!.photos.map(async ({ slot }) => ({
        slot,
        photoId: (await flat.tenant.photo(again).expect(200)).body.id as string,
      })),
    );
    await other.submit({ records: [{ ...other.form.records[0]!, photos }] }).expect(200);
    expect(await failsOf(house, other.recordId)).to.deep.equal(['samePicture']);
    // Told so, its sender takes it back and sends a new one, with what else was right.
    await other.submit({}).expect(409);
    await flat.tenant.post(`/jobs/${other.job.id}/withdrawal`).expect(200);
    const [record] = other.form.records;
    const mended = {
      ...record!,
      id: v7(),
      photos: [photos[0]!, { ...photos[1]!, photoId: await flat.tenant.take(DRAWER, 79) }],
    };
    await flat.tenant.post(`/jobs/${other.job.id}/submission`, { ...other.form, records: [mended] }).expect(200);
    expect(await failsOf(house, mended.id)).to.deep.equal([]);
    expect(await queue()).to.not.include(other.recordId);
    await judge(mended.id, { verdict: 'accept' }).expect(200);
    await flat.tenant.post(`/jobs/${other.job.id}/withdrawal`).expect(409);
  });
});
