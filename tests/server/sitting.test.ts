import { expect } from 'chai';
import { v7 } from 'uuid';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { failsOf, type Flat, give, honestWork, type House, openFlat, registerFlat } from './house.ts';

const FILTER = 'washer.drainPumpFilter';
const BOOT = 'washer.doorBoot';
const TUB = 'washer.tub';
type Job = Parameters<typeof honestWork>[2] & {
  id: string;
  revision: number;
  steps: { key: string; stateSays: string; title: string }[];
  others: { key: string }[];
  beginnings: { variable: string }[];
  stateWords: Record<string, string>;
};

/** A sitting as the server plans it, keeps it, and takes what a device says of it. */
describe('A sitting, over HTTP', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const giveAll = (...points: string[]): Promise<Job> =>
    give(
      house,
      flat.tenant,
      flat.tenantId,
      points.map((point) => flat.points[point]!),
    );
  const recordOf = async (id: string) =>
    JSON.parse((await house.env.store.db.record.one({ id }))!.canonical) as ServiceRecord;

  it('says at every step what the machine must be like: hot runs plugged in with the tap open, the filter unplugged with it shut', async () => {
    const job = await giveAll(FILTER, BOOT, TUB);
    const stateOf = (key: string) =>
      (job.steps.find((step) => step.key === key) as { stateSays?: string } | undefined)?.stateSays;
    expect(stateOf(`${FILTER}.unscrew`)).to.equal('unplugged, tap shut');
    for (const run of ['soda', 'vinegar']) expect(stateOf(`${TUB}.${run}`)).to.equal('plugged in, tap open');
    expect(job.steps.filter(({ key }) => key === 'washer.off')).to.have.length(1);
    expect(job.beginnings.map(({ variable }) => variable)).to.include.members(['power', 'tap', 'water']);
    expect(job.others.map(({ key }) => key)).to.include('washer.letOut');
  });
  it('is kept with each record, step by step in its state, and honest work fails nothing', async () => {
    const job = await giveAll(FILTER, TUB);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, {
        ...form,
        plan: { keys: job.steps.map(({ key }) => key), found: [], begin: {} },
      })
      .expect(200);
    for (const { id } of form.records) {
      const { plan, found, begin, schema } = await recordOf(id);
      expect(schema).to.equal(4);
      expect(plan!.map(({ step }) => step)).to.deep.equal(job.steps.map(({ key }) => key));
      expect(plan!.find(({ step }) => step === `${TUB}.soda`)!.state).to.include({ power: 'on', tap: 'open' });
      expect([found, begin]).to.deep.equal([[], {}]);
      expect(await failsOf(house, id)).to.deep.equal([]);
    }
  });
  it('that a device says went otherwise than it can is a contradiction, and states are the server’s own', async () => {
    const job = await giveAll(FILTER);
    const form = await honestWork(house, flat.tenant, job);
    const keys = job.steps.map(({ key }) => key).filter((key) => key !== 'washer.off');
    await flat.tenant.post(`/jobs/${job.id}/submission`, { ...form, plan: { keys, found: [], begin: {} } }).expect(200);
    const { id } = form.records[0]!;
    expect(await failsOf(house, id)).to.include('planBroken');
    expect((await recordOf(id)).plan!.find(({ step }) => step === `${FILTER}.unscrew`)!.state.power).to.equal('on');
    const refused = await flat.tenant
      .post(`/jobs/${job.id}/submission`, { ...form, plan: { keys, found: ['toaster'], begin: {} } })
      .expect(422);
    expect(JSON.stringify(refused.body.fields)).to.contain('plan.found');
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, { ...form, plan: { keys, found: [], begin: { power: 'upside down' } } })
      .expect(422);
  });
  it('with its run skipped fails at the part whose run it was, and not at its neighbours', async () => {
    const job = await giveAll(BOOT, TUB);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, { ...form, startedAt: form.doneAt - 20 * 60_000 }).expect(200);
    const of = (procedure: string) =>
      form.records.find(({ taskId }) => taskId === job.tasks.find((task) => task.procedure === procedure)!.id)!.id;
    expect(await failsOf(house, of(TUB))).to.deep.equal(['waitSkipped']);
    expect(await failsOf(house, of(BOOT))).to.deep.equal([]);
  });
  it('found off ends off, and full is drained first', async () => {
    const job = await giveAll(TUB);
    const form = await honestWork(house, flat.tenant, job);
    const keys = [
      'washer.letOut',
      `${TUB}.empty`,
      `${TUB}.grade`,
      'washer.tapOpen',
      'washer.on',
      `${TUB}.soda`,
      `${TUB}.vinegar`,
      `${TUB}.open`,
      'washer.off',
      'washer.tapShut',
    ];
    const records = form.records.map((record) => ({
      ...record,
      confirmed: [...record.confirmed, ...keys.filter((key) => /^washer\.\w+$/.test(key))],
    }));
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, {
        ...form,
        records,
        plan: { keys, found: [], begin: { power: 'off', tap: 'shut', water: 'holds' } },
      })
      .expect(200);
    expect(await failsOf(house, records[0]!.id)).to.deep.equal([]);
  });
  it('gives what could not be done back to the office, with the reason, and takes the rest', async () => {
    const job = await giveAll(FILTER, TUB);
    const form = await honestWork(house, flat.tenant, job);
    const [filter, tub] = [FILTER, TUB].map((procedure) => job.tasks.find((task) => task.procedure === procedure)!.id);
    const keys = job.steps.map(({ key }) => key).filter((key) => key.startsWith(`${TUB}.`));
    await flat.tenant
      .post(`/jobs/${job.id}/submission`, {
        ...form,
        records: form.records.filter(({ taskId }) => taskId === tub),
        left: [{ taskId: filter, reason: 'noSwitch' }],
        plan: { keys, found: [], begin: {} },
      })
      .expect(200);
    const { open } = (await house.manager.get('/hand-backs').expect(200)).body;
    expect(open).to.have.length(1);
    expect(open[0]).to.include({ says: 'No switch in reach', place: 'Flat 1A, The Ropewalk', by: 'I. Marrable' });
    expect(open[0].points).to.deep.equal(['Drain-pump filter']);
    expect(await failsOf(house, form.records.find(({ taskId }) => taskId === tub)!.id)).to.deep.equal([]);
    await house.manager.post(`/hand-backs/${open[0].id}/settle`).expect(200);
    expect((await house.manager.get('/hand-backs').expect(200)).body.open).to.deep.equal([]);
  });
  it('broken off says what still stands otherwise, and giving it again answers it', async () => {
    const job = await giveAll(FILTER);
    await flat.tenant
      .post(`/jobs/${job.id}/moves`, {
        move: 'notAble',
        reason: 'partMissing',
        note: 'The cap is gone.',
        still: ['power.off', 'tap.shut', 'toaster.on'],
        revision: job.revision,
      })
      .expect(200);
    const [entry] = (await house.manager.get('/hand-backs').expect(200)).body.open;
    expect(entry).to.include({ says: 'A part is missing', note: 'The cap is gone.' });
    expect(entry.still).to.deep.equal(['power is off', 'the tap is shut']);
    await giveAll(FILTER);
    expect((await house.manager.get('/hand-backs').expect(200)).body.open).to.deep.equal([]);
  });
  it('takes in what belongs to the system: air handler, outdoor unit and thermostat of one home, and nothing of another', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 7');
    const [outdoor, dryer] = [v7(), v7()];
    await house.manager
      .post('/machines', {
        id: outdoor,
        placeId: air.placeId,
        type: 'outdoorUnit',
        fuel: 'electric',
        owner: 'landlord',
      })
      .expect(200);
    await house.manager
      .post('/machines', { id: dryer, placeId: air.placeId, type: 'dryer', fuel: 'electric', owner: 'landlord' })
      .expect(200);
    const pointOf = async (machineId: string) => (await house.env.store.db.point.all({ machineId }))[0]!.id;
    const me = (await house.manager.get('/session').expect(200)).body.me.id;
    const job = (await give(house, house.manager, me, [
      air.points['airHandler.returnFilter']!,
      await pointOf(outdoor),
    ])) as Job;
    expect(job.steps.map(({ key }) => key)).to.include.members([
      'airHandler.off',
      'outdoorUnit.off',
      'outdoorUnit.coil.spray',
      'outdoorUnit.on',
    ]);
    await house.manager
      .post('/jobs', {
        id: v7(),
        pointIds: [air.points['airHandler.registers']!, await pointOf(dryer)],
        assigneeId: me,
      })
      .expect(422);
  });
});
