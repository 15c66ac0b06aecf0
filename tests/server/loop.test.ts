import { expect } from 'chai';
import { v7 } from 'uuid';
import { canonicalText } from '../../core/proof/record.ts';
import { isoFromDay, dayFromIso } from '../../core/calendar/day.ts';
import { commitment, leafHash } from '../../server/log/log.ts';
import { sha256 } from '../../server/context/context.ts';
import {
  DAY_MS,
  type Flat,
  give,
  honestWork,
  type House,
  HOUSEHOLD,
  letDaysPass,
  NOON,
  openFlat,
  registerFlat,
  TODAY,
} from './house.ts';

const BOOT = 'washer.doorBoot';
const PUMP = 'washer.drainPumpFilter';

describe('The loop', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());

  const point = async (procedure = BOOT) =>
    (await house.manager.get(`/points/${flat.points[procedure]}`).expect(200)).body;
  const log = (done: string, more: object = {}, procedure = BOOT) =>
    house.manager.post('/records', { id: v7(), pointId: flat.points[procedure], done, ...more });
  const sent = async (change: object = {}, pointIds = [flat.points[BOOT]!]) => {
    const job = await give(house, flat.tenant, flat.tenantId, pointIds);
    const form = await honestWork(house, flat.tenant, job, change as never);
    const { body } = await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    return { job, form, body, recordId: form.records[0]!.id };
  };
  const judge = (recordId: string, form: object) => house.manager.post(`/proof/${recordId}/verdict`, form);

  it('registers a machine whose service points appear by themselves, without a record', async () => {
    expect(Object.keys(flat.points).sort()).to.deep.equal([BOOT, PUMP, 'washer.drawer', 'washer.tub']);
    const boot = await point();
    expect(boot.mark.servedDay).to.equal(0);
    expect(boot.says).to.contain('Nobody has logged this yet');
  });

  it('counts logged work from its true day, as self-certified', async () => {
    await log('2026-11-04', { grade: 'due' }).expect(200);
    const { mark, story, says } = await point();
    expect(isoFromDay(mark.servedDay)).to.equal('2026-11-04');
    expect(mark.intervalDays).to.be.within(20, 45);
    expect(story[0]).to.include({ evidence: 'selfCertified' });
    expect(says).to.match(/About every \d+ days/);
  });

  it('refuses to log the future, or behind a later service', async () => {
    const future = await log('2026-11-25').expect(422);
    expect(future.body.fields.done).to.equal('This day has not come yet.');
    await log('2026-11-10').expect(200);
    expect((await log('2026-11-01').expect(409)).body.detail).to.contain('10 November 2026');
  });

  it('goes from due to proven: given, done, sent, accepted, counted from the day it was done', async () => {
    await log('2026-10-01').expect(200);
    house.clock.now = NOON - 2 * DAY_MS;
    const { recordId, job } = await sent({ grade: 'heavy' });
    let boot = await point();
    expect(boot.waitingRecordId).to.equal(recordId);
    expect(boot.mark.work).to.equal(5 + (TODAY - 2 - dayFromIso('2026-10-01')));
    house.clock.now = NOON;
    const proof = (await house.manager.get(`/proof/${recordId}`).expect(200)).body;
    expect(proof.findings.every(({ weight }: { weight: string }) => weight === 'fine')).to.equal(true);
    expect(proof.effect).to.match(/Done 22 Nov, \d+ days late/);
    await judge(recordId, { verdict: 'accept' }).expect(200);
    boot = await point();
    expect(boot.mark.servedDay).to.equal(TODAY - 2);
    expect(boot.mark.work).to.equal(0);
    expect(boot.terms.map(({ says }: { says: string }) => says).join()).to.contain('Found heavy');
    expect((await flat.tenant.get(`/jobs/${job.id}`)).body.state).to.equal('accepted');
    const { standing } = (await house.manager.get(`/places/${flat.placeId}`)).body;
    // The drawer rides along and counts like any other.
    expect(standing.evidence.proven).to.deep.equal({ count: 1, of: 4 });
    expect(standing.onTime).to.deep.equal({ count: 0, of: 1 });
  });

  it('makes the next interval shorter after a fouler condition found', async () => {
    const next = async (grade: string) => {
      await judge((await sent({ grade })).recordId, { verdict: 'accept' }).expect(200);
      return (await point()).mark.intervalDays;
    };
    await log('2026-10-25').expect(200);
    const afterBlocked = await next('blocked');
    await letDaysPass(house, 30);
    const afterClean = await next('clean');
    expect(afterBlocked).to.be.below(30);
    expect(afterClean).to.be.above(afterBlocked);
  });

  it('sends back with a reason that the tenant reads; a rejected proof teaches and moves nothing', async () => {
    await log('2026-10-01').expect(200);
    const before = (await point()).mark;
    const { recordId, job } = await sent({ grade: 'blocked' });
    expect((await judge(recordId, { verdict: 'sendBack' }).expect(422)).body.fields.reason).to.contain(
      'the tenant reads this',
    );
    await judge(recordId, { verdict: 'sendBack', reason: 'The fold is not to be seen.' }).expect(200);
    const after = await point();
    expect(after.mark).to.deep.equal({ ...before, work: 1 });
    const again = (await flat.tenant.get(`/jobs/${job.id}`)).body;
    expect(again).to.include({ state: 'given', sentBack: 'The fold is not to be seen.' });
    const home = (await flat.tenant.get('/home')).body;
    expect(home.jobs[0].sentBack).to.equal('The fold is not to be seen.');
    const second = await honestWork(house, flat.tenant, again);
    await flat.tenant.post(`/jobs/${job.id}/submission`, second).expect(200);
    await judge(second.records[0]!.id, { verdict: 'accept' }).expect(200);
    expect((await point()).mark.servedDay).to.equal(TODAY);
  });

  it('mends the register where the register was wrong, and accepts the work', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 2A');
    const filter = air.points['airHandler.returnFilter']!;
    await house.manager
      .put(`/points/${filter}/specification`, { specification: { filterSize: '20x20x1' }, basedOn: null })
      .expect(200);
    const job = await give(house, air.tenant, air.tenantId, [filter]);
    expect(job.tasks[0].expected).to.contain('20x20x1');
    const form = await honestWork(house, air.tenant, job);
    const { body } = await air.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    expect(body.notes.join()).to.contain('we expected 20x20x1');
    const proof = (await house.manager.get(`/proof/${form.records[0]!.id}`)).body;
    expect(proof.findings[0].says).to.equal('Size 16x25x1 on the frame; the register says 20x20x1.');
    await judge(form.records[0]!.id, { verdict: 'registerWrong', specification: { filterSize: '16 x 25 x 1' } }).expect(
      200,
    );
    const mended = (await house.manager.get(`/points/${filter}`)).body;
    expect(mended.specification.filterSize).to.equal('16 x 25 x 1');
    expect(mended.mark.servedDay).to.equal(TODAY);
  });

  it('knows a photo that was sent before', async () => {
    const photos = async (seed: number) => [
      { slot: 'out', photoId: await flat.tenant.take(BOOT, seed) },
      { slot: 'in', photoId: await flat.tenant.take(BOOT, seed + 1) },
    ];
    const first = await sent({ photos: await photos(100) });
    await judge(first.recordId, { verdict: 'accept' }).expect(200);
    await letDaysPass(house, 30);
    const second = await sent({
      photos: [
        { slot: 'out', photoId: await flat.tenant.take(BOOT, 100) },
        { slot: 'in', photoId: await flat.tenant.take(BOOT, 777) },
      ],
    });
    const proof = (await house.manager.get(`/proof/${second.recordId}`)).body;
    expect(proof.findings[0].says).to.contain('nearly identical to a photo of 24 November 2026');
    expect(proof.findings.filter(({ otherPhotoId }: { otherPhotoId: string | null }) => otherPhotoId)).to.have.length(
      1,
    );
  });

  it('does two tasks in one sitting: one flow, a record a point, each judged on its own', async () => {
    const { job, form } = await sent({}, [flat.points[BOOT]!, flat.points[PUMP]!]);
    expect(job.steps.filter(({ key }: { key: string }) => key === 'washer.off')).to.have.length(1);
    expect(form.records).to.have.length(2);
    await judge(form.records[0]!.id, { verdict: 'accept' }).expect(200);
    expect((await flat.tenant.get(`/jobs/${job.id}`)).body.state).to.equal('sent');
    await judge(form.records[1]!.id, { verdict: 'sendBack', reason: 'Grip not upright.' }).expect(200);
    const again = (await flat.tenant.get(`/jobs/${job.id}`)).body;
    expect(again.state).to.equal('given');
    expect(new Set(again.steps.flatMap(({ taskIds }: { taskIds: string[] }) => taskIds)).size).to.equal(1);
  });

  it('makes a point due the day something is reported, and not after it is served or closed', async () => {
    await log('2026-11-20').expect(200);
    const faultId = v7();
    await flat.tenant
      .post('/faults', { id: faultId, machineId: flat.machineId, symptom: 'washer.puddle', note: 'In front.' })
      .expect(200);
    let boot = await point();
    expect(boot.mark.servedDay + boot.mark.intervalDays).to.equal(TODAY);
    expect(boot.terms.at(-1).says).to.equal('Something was reported');
    const { faults } = (await house.manager.get(`/places/${flat.placeId}`)).body;
    expect(faults[0]).to.include({ id: faultId, severity: 'moderate', note: 'In front.', stopUsing: true });
    expect(faults[0].correctBy - faults[0].openedAt).to.equal(30 * DAY_MS);
    await house.manager
      .post(`/faults/${faultId}/close`, { cause: 'washer.glassFoot', remedy: 'cleaned', found: 'Wiped.' })
      .expect(200);
    boot = await point();
    expect(boot.mark.servedDay + boot.mark.intervalDays).to.be.above(TODAY + 10);
    expect(
      (
        await house.manager
          .post(`/faults/${faultId}/close`, { cause: 'washer.glassFoot', remedy: 'cleaned' })
          .expect(409)
      ).body.detail,
    ).to.contain('Hair or lint at the foot');
  });

  it('hands a job back with its reason when it cannot be done, and lets it be given again', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await flat.tenant
      .post(`/jobs/${job.id}/moves`, {
        move: 'notAble',
        reason: 'partMissing',
        note: 'The cap is gone',
        revision: job.revision,
      })
      .expect(200);
    expect((await point()).job.state).to.equal('open');
    await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    expect((await point()).job.state).to.equal('given');
  });

  it('gives tenants no staff work, and only tenants of the place', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 2A');
    const drain = { id: v7(), pointIds: [air.points['airHandler.condensateDrain']], assigneeId: air.tenantId };
    expect((await house.manager.post('/jobs', drain).expect(422)).body.detail).to.contain('trained staff');
    await house.manager
      .post('/jobs', {
        ...drain,
        id: v7(),
        pointIds: [air.points['airHandler.returnFilter']],
        assigneeId: flat.tenantId,
      })
      .expect(422);
    const mixed = await house.manager
      .post('/jobs', {
        id: v7(),
        pointIds: [air.points['airHandler.returnFilter'], flat.points[BOOT]],
        assigneeId: air.tenantId,
      })
      .expect(422);
    expect(mixed.body.detail).to.contain('one machine');
  });

  it('follows a change of household from its day on', async () => {
    await log('2026-11-20').expect(200);
    const before = (await point()).mark.intervalDays;
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/household`, {
        household: { ...HOUSEHOLD, people: 6, pets: 2 },
        from: '2026-11-01',
      })
      .expect(200);
    const after = await point();
    expect(after.mark.intervalDays).to.be.below(before);
    const lines = await house.env.store.db.line.all({ pointId: flat.points[BOOT]! });
    expect(lines.length, 'every line computed is kept').to.be.at.least(3);
  });

  it('follows a change of practice fully', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 2A');
    const filter = air.points['airHandler.returnFilter']!;
    await house.manager.post('/records', { id: v7(), pointId: filter, done: '2026-11-20' }).expect(200);
    const days = async () => (await house.manager.get(`/points/${filter}`)).body.mark.intervalDays;
    expect(await days()).to.equal(90);
    await house.manager
      .post(`/properties/${air.propertyId}/changes`, { practice: 'watchful', from: '2026-11-24' })
      .expect(200);
    expect(await days()).to.equal(30);
  });

  it('keeps records canonical, hashed, logged, and immutable', async () => {
    const { recordId } = await sent();
    await judge(recordId, { verdict: 'accept' }).expect(200);
    const { db } = house.env.store;
    const record = (await db.record.one({ id: recordId }))!;
    const entries = await db.logEntry.all({ subjectId: recordId }, { order: [['sequence', 'ASC']] });
    expect(entries.map(({ kind }) => kind)).to.deep.equal(['record', 'verdict']);
    expect(record.canonical).to.equal(canonicalText(JSON.parse(record.canonical)));
    expect(record.hash).to.equal(sha256(record.canonical));
    expect(entries[0]!.leafHash).to.equal(leafHash(record.canonical));
    expect(JSON.parse(entries[1]!.canonical).recordHash).to.equal(record.hash);
    const by = (await db.personal.one({ recordId, field: 'by' }))!;
    expect(JSON.parse(record.canonical).by).to.equal(commitment(by.salt, flat.tenantId));
    expect(record.canonical).not.to.contain(flat.tenantId).and.not.to.contain('Marrable');
    for (const sql of [
      'UPDATE record SET hash = 1',
      'DELETE FROM record',
      'UPDATE log_entry SET at = 1',
      'DELETE FROM log_entry',
    ]) {
      let refused = '';
      await db.sequelize.query(sql).catch((error: { parent: Error }) => {
        refused = error.parent.message;
      });
      expect(refused, sql).to.match(/immutable|append-only/);
    }
  });

  it('dates work by the property’s day: sent at 23:55, received after midnight, by a clock that is off', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const done = Date.UTC(2026, 10, 24, 23, 55);
    const work = await honestWork(house, flat.tenant, job);
    house.clock.now = done + 10 * 60_000;
    const form = { ...work, startedAt: done - 40 * 60_000, doneAt: done, deviceAt: done + 10 * 60_000 };
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    const record = JSON.parse((await house.env.store.db.record.one({ id: form.records[0]!.id }))!.canonical);
    expect(record).to.include({
      doneDay: '2026-11-24',
      doneAt: done,
      receivedAt: house.clock.now,
      zone: 'Europe/Dublin',
    });
  });
});
