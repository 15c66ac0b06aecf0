import { expect } from 'chai';
import { v7 } from 'uuid';
import { give, honestWork, letDaysPass, openHouse, registerFlat, type Flat, type House } from './house.ts';

/** What is reported and read makes the right thing due, over HTTP. */
describe('What is noticed and read', () => {
  let house: House;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(() => house.close());
  const dueBecause = async (pointId: string): Promise<string> => {
    const { terms } = (await house.manager.get(`/points/${pointId}`).expect(200)).body as {
      terms: { says: string; why: string }[];
    };
    return terms.find(({ says }) => says === 'Something was reported')?.why ?? '';
  };
  const served = async (flat: Flat, ...points: string[]) => {
    for (const point of points)
      await house.manager
        .post('/records', { id: v7(), pointId: flat.points[point], done: '2026-11-20', grade: 'light' })
        .expect(200);
  };
  const work = async (flat: Flat, point: string, readings: Record<string, number>) => {
    const me = (await house.manager.get('/session').expect(200)).body.me.id;
    const job = await give(house, house.manager, me, [flat.points[point]!]);
    const form = await honestWork(house, house.manager, job);
    return (
      await house.manager
        .post(`/jobs/${job.id}/submission`, {
          ...form,
          records: form.records.map((record) => ({ ...record, readings })),
        })
        .expect(200)
    ).body as { notes: string[] };
  };
  const faults = async () =>
    (
      (await house.manager.get('/faults').expect(200)).body.faults as {
        says: string;
        severity: string;
        note: string;
        closedAt: number | null;
        id: string;
      }[]
    ).filter(({ closedAt }) => closedAt === null);

  it('makes every part due that a symptom names, until the fault is closed', async () => {
    const flat = await registerFlat(house, 'refrigerator');
    await served(flat, 'refrigerator.coil', 'refrigerator.doorSeals');
    const id = v7();
    await flat.tenant
      .post('/faults', { id, machineId: flat.machineId, symptom: 'refrigerator.warm', note: '', photoIds: [] })
      .expect(200);
    for (const point of ['refrigerator.coil', 'refrigerator.doorSeals'])
      expect(await dueBecause(flat.points[point]!), point).to.contain('Too warm');
    expect(await dueBecause(flat.points['refrigerator.iceMaker']!)).to.equal('');
    const { story } = (await house.manager.get(`/points/${flat.points['refrigerator.doorSeals']}`).expect(200)).body;
    expect(JSON.stringify(story)).to.contain('Too warm');
    await house.manager
      .post(`/faults/${id}/close`, { cause: 'refrigerator.coil', remedy: 'cleaned', found: 'Coil was felted over.' })
      .expect(200);
    for (const point of ['refrigerator.coil', 'refrigerator.doorSeals'])
      expect(await dueBecause(flat.points[point]!), point).to.equal('');
  });
  it('opens the duct with its reason where the lint screen’s load took over an hour, and the screen still passes', async () => {
    const flat = await registerFlat(house, 'dryer');
    await served(flat, 'dryer.duct');
    const { notes } = await work(flat, 'dryer.lintScreen', { dryMinutes: 75 });
    expect(notes).to.deep.equal(['Minutes to dry a normal load: 75 min.']);
    expect(await dueBecause(flat.points['dryer.duct']!)).to.contain('A normal load took too long');
    const proof = (await house.env.store.db.proof.all({ pointId: flat.points['dryer.lintScreen']! }))[0]!;
    expect(proof.findings).not.to.contain('readingFails');
    const { signals } = (await house.manager.get('/signals').expect(200)).body;
    expect(signals[0]).to.include({
      says: 'A normal load took too long',
      note: 'Minutes to dry a normal load: 75 min.',
    });
  });
  it('is a fault now where food warms, told to whoever read it, opened once, and nobody is asked to wait two days', async () => {
    const flat = await registerFlat(house, 'refrigerator');
    await served(flat, 'refrigerator.coil');
    const { notes } = await work(flat, 'refrigerator.temperatures', { fridgeCelsius: 9, freezerCelsius: -18 });
    expect(notes[0]).to.contain('Food first').and.to.contain('food authority');
    await house.manager
      .post('/measurements', {
        id: v7(),
        point: flat.points['refrigerator.temperatures'],
        measure: 'cold',
        inputs: { fridge: 9, freezer: -18 },
        note: '',
      })
      .expect(200);
    const [fault, more] = await faults();
    expect(more).to.equal(undefined);
    expect(fault).to.include({
      says: 'Food is getting warm, or things thaw',
      severity: 'severe',
      note: 'Fridge: 9 °C.',
    });
    expect(await dueBecause(flat.points['refrigerator.coil']!)).to.contain('Food is getting warm');
    // Accepted, it still opens no loop of single degrees.
    const [proof] = await house.env.store.db.proof.all({ pointId: flat.points['refrigerator.temperatures']! });
    await house.manager
      .post(`/proof/${proof!.recordId}/verdict`, { verdict: 'accept', reason: 'Seen beside the machine.' })
      .expect(200);
    expect(await house.env.store.db.signal.count({ type: 'refrigerator.tuning' })).to.equal(0);
  });
  it('keeps a series per machine, from jobs and measurements, and drifts from its own baseline', async () => {
    const flat = await registerFlat(house, 'dryer');
    await served(flat, 'dryer.duct');
    for (const dryMinutes of [38, 40, 41]) {
      await house.manager
        .post('/measurements', {
          id: v7(),
          point: flat.points['dryer.lintScreen'],
          measure: 'drying',
          inputs: { minutes: dryMinutes },
          note: '',
        })
        .expect(200);
      await letDaysPass(house, 1);
    }
    expect(await dueBecause(flat.points['dryer.duct']!)).to.equal('');
    await house.manager
      .post('/measurements', {
        id: v7(),
        point: flat.points['dryer.lintScreen'],
        measure: 'drying',
        inputs: { minutes: 55 },
        note: '',
      })
      .expect(200);
    expect(await dueBecause(flat.points['dryer.duct']!)).to.contain('A normal load took too long');
    const machine = (await house.env.store.db.machine.one({ id: flat.machineId }))!;
    const [series] = (await house.manager.get(`/labels/${machine.number}`).expect(200)).body.series;
    expect(series.figures.map(({ value }: { value: number }) => value)).to.deep.equal([38, 40, 41, 55]);
    expect(series).to.include({ says: 'Minutes to dry a normal load', baseline: 40, limit: 60 });
    // A tenant sees the machine, not its measurements.
    const link = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    const tenant = house.caller();
    await tenant.open('/link', { token: link.body.path.split('#')[1] });
    expect((await tenant.get(`/labels/${machine.number}`).expect(200)).body.series).to.deep.equal([]);
  });
});
