import { expect } from 'chai';
import { v7 } from 'uuid';
import type { ProcedureAnswer } from '../../contract/catalogue/editions.ts';
import type { PointAnswer } from '../../contract/due/due.ts';
import type { Edition } from '../../core/catalogue/edition.ts';
import { type Flat, give, honestWork, type House, letDaysPass, openFlat, openHouse, registerFlat } from './house.ts';

const FILTER = 'dishwasher.filter';
const own = { ours: null, phase: 'clean', title: 'Rinse it twice', body: 'Cold, then hot.', caution: '' } as const;

describe('A procedure of one’s own', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dishwasher'));
  });
  afterEach(() => house.close());

  const read = async (): Promise<ProcedureAnswer> =>
    (await house.manager.get(`/procedures/${FILTER}`).expect(200)).body;
  const save = (content: Edition, basedOn: number, note = '') =>
    house.manager.post(`/procedures/${FILTER}/editions`, { content, basedOn, note });
  const edited = ({ content }: ProcedureAnswer): Edition => {
    const after = content.steps.findIndex(({ ours }) => ours === `${FILTER}.brush`) + 1;
    return {
      ...content,
      minutes: 26,
      cautions: ['Mind the cat.'],
      steps: [...content.steps.slice(0, after), own, ...content.steps.slice(after)],
    };
  };

  it('begins as ours, is numbered, says what changed, and jobs follow it', async () => {
    const ours = await read();
    expect(ours).to.include({ number: 0, minutes: 20, improved: false });
    expect(ours.editions).to.have.length(1);
    expect((await save(edited(ours), 0, 'Grease here.').expect(200)).body.number).to.equal(1);
    const now = await read();
    expect(now).to.include({ number: 1, minutes: 26 });
    expect(now.editions.at(-1)).to.deep.include({
      number: 1,
      inForce: true,
      note: 'Grease here.',
      by: 'R. Okonjo-Vane',
    });
    expect(now.editions.at(-1)!.changes.join()).to.contain('20 min → 26 min').and.to.contain('Rinse it twice');
    expect(now.ourSteps).to.have.length(now.steps.length - 1);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[FILTER]!]);
    expect(job.minutes).to.equal(26);
    expect(job.stops).to.include('Mind the cat.');
    expect(job.steps.map(({ title }: { title: string }) => title)).to.include('Rinse it twice');
    const { machines } = (await house.manager.get('/catalogue').expect(200)).body;
    expect(machines.find(({ key }: { key: string }) => key === 'dishwasher').points[0].edition).to.equal(1);
  });
  it('stands in the record that was done by it, and stays there when ours is taken up again', async () => {
    await save(edited(await read()), 0).expect(200);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[FILTER]!]);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    await house.manager.post(`/procedures/${FILTER}/ours`, { basedOn: 1 }).expect(200);
    const record = JSON.parse((await house.env.store.db.record.one({ id: form.records[0]!.id }))!.canonical);
    expect(record).to.include({ edition: 1, procedure: FILTER, schema: 4 });
    const again = await read();
    expect(again).to.include({ number: 0, minutes: 20 });
    expect(again.editions.map(({ number, ours, inForce }) => [number, ours, inForce])).to.deep.equal([
      [0, true, true],
      [1, false, false],
      [2, true, false],
    ]);
    await house.manager.post(`/procedures/${FILTER}/ours`, { basedOn: 0 }).expect(409);
    expect((await save(edited(again), 0).expect(200)).body.number).to.equal(3);
  });
  it('edited by two at once keeps the first and tells the second what changed', async () => {
    const before = await read();
    await save(edited(before), 0).expect(200);
    const late = await save({ ...before.content, minutes: 21 }, 0).expect(409);
    expect(late.body.detail).to.contain('R. Okonjo-Vane').and.to.contain('20 min → 26 min');
    expect((await read()).minutes).to.equal(26);
  });
  it('that would be unsafe is refused with the reason', async () => {
    const { content } = await read();
    const problem = async (change: Partial<Edition>) =>
      (await save({ ...content, ...change }, 0).expect(422)).body.detail as string;
    expect(await problem({ steps: content.steps.filter(({ ours }) => ours !== `${FILTER}.unlock`) }))
      .to.contain('Unlock the filter')
      .and.to.contain('stays');
    expect(await problem({ agents: ['bleach', 'vinegar'] })).to.contain('chlorine');
    await house.manager.post('/procedures/toaster.crumbs/editions', { content, basedOn: 0 }).expect(404);
    await house.manager.get('/procedures/toaster.crumbs').expect(404);
    await flat.tenant.get(`/procedures/${FILTER}`).expect(403);
  });
  it('makes it staff’s where the level is raised', async () => {
    await save({ ...(await read()).content, level: 'staff' }, 0).expect(200);
    const refused = await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points[FILTER]], assigneeId: flat.tenantId })
      .expect(422);
    expect(refused.body.detail).to.contain('trained staff');
  });
});

describe('Agents that must not meet', () => {
  let house: House;
  let air: Flat;
  let wash: Flat;
  let me: string;
  const DRAIN = 'airHandler.condensateDrain';
  const TUB = 'washer.tub';
  beforeEach(async () => {
    house = await openHouse();
    air = await registerFlat(house, 'airHandler');
    const washer = v7();
    await house.manager
      .post('/machines', {
        id: washer,
        placeId: air.placeId,
        type: 'washer',
        fuel: 'electric',
        owner: 'landlord',
        drainBranch: 'East riser',
      })
      .expect(200);
    await house.manager.put(`/machines/${air.machineId}`, { drainBranch: 'East riser' }).expect(200);
    const points = await house.env.store.db.point.all({ machineId: washer });
    wash = {
      ...air,
      machineId: washer,
      points: Object.fromEntries(points.map(({ id, procedure }) => [procedure, id])),
    };
    me = (await house.manager.get('/session').expect(200)).body.me.id;
  });
  afterEach(() => house.close());
  const ask = (pointId: string) => house.manager.post('/jobs', { id: v7(), pointIds: [pointId], assigneeId: me });

  it('are not given on one day for drains that share a branch, whoever gets them; the next day they may', async () => {
    await ask(air.points[DRAIN]!).expect(200);
    const { body } = await ask(wash.points[TUB]!).expect(409);
    expect(body.detail)
      .to.contain('vinegar')
      .and.to.contain('bleach')
      .and.to.contain('branch')
      .and.to.contain('chlorine');
    await letDaysPass(house, 1);
    await ask(wash.points[TUB]!).expect(200);
  });
  it('may be given where the drains are apart', async () => {
    await house.manager.put(`/machines/${wash.machineId}`, { drainBranch: 'West riser' }).expect(200);
    await ask(air.points[DRAIN]!).expect(200);
    await ask(wash.points[TUB]!).expect(200);
  });
  it('in one person’s kit of a day are told to be kept apart', async () => {
    await house.manager.put(`/machines/${wash.machineId}`, { drainBranch: 'West riser' }).expect(200);
    const apart = async () => (await house.manager.get('/jobs').expect(200)).body.apart as string[];
    await ask(air.points[DRAIN]!).expect(200);
    expect(await apart()).to.deep.equal([]);
    await ask(wash.points[TUB]!).expect(200);
    expect((await apart()).join())
      .to.contain('bleach')
      .and.to.contain('vinegar')
      .and.to.contain('Flat 1A');
  });
  it('are not begun on the day on which the other went down, and the step offers no such agent', async () => {
    const boot = await give(house, house.manager, me, [wash.points['washer.doorBoot']!]);
    const tub = await give(house, house.manager, me, [wash.points[TUB]!]);
    await letDaysPass(house, 1);
    const drain = await give(house, house.manager, me, [air.points[DRAIN]!]);
    await house.manager.post(`/jobs/${drain.id}/submission`, await honestWork(house, house.manager, drain)).expect(200);
    expect(
      (await house.manager.post(`/jobs/${tub.id}/moves`, { move: 'start', revision: 1 }).expect(409)).body.detail,
    ).to.contain('bleach');
    const { steps } = (await house.manager.get(`/jobs/${boot.id}`).expect(200)).body;
    const agents = steps.flatMap(({ needs }: { needs: { need: { kind: string; choices?: string[] } }[] }) =>
      needs.flatMap(({ need }) => (need.kind === 'agent' ? need.choices : [])),
    );
    expect(agents).to.deep.equal(['dishSoap']);
    await letDaysPass(house, 1);
    await house.manager.post(`/jobs/${tub.id}/moves`, { move: 'start', revision: 1 }).expect(200);
  });
  it('are not chosen for a part at which the register forbids them', async () => {
    await house.manager
      .put(`/points/${air.points[DRAIN]}/specification`, {
        specification: { forbiddenAgents: ['bleach'] },
        basedOn: null,
      })
      .expect(200);
    const choose = (scope: string, subjectId: string | null) =>
      house.manager.post('/methods', { scope, subjectId, method: 'condensateAgent', option: 'bleach' });
    expect((await choose('machine', air.machineId).expect(422)).body.detail)
      .to.contain('bleach')
      .and.to.contain('Condensate drain');
    await choose('point', air.points[DRAIN]!).expect(422);
    await choose('organisation', null).expect(200);
  });
});

describe('Amounts in a step', () => {
  it('are those of this home, in the units of whoever reads', async () => {
    const house = await openHouse();
    const drains = await registerFlat(house, 'drains');
    const point = drains.points['drains.dose']!;
    await house.manager
      .put(`/points/${point}/specification`, { specification: { drainCount: 7 }, basedOn: null })
      .expect(200);
    const job = await give(house, drains.tenant, drains.tenantId, [point]);
    const bodies = (it: typeof job) => it.steps.map(({ body }: { body: string }) => body).join(' ') as string;
    expect(bodies(job)).to.contain('60 mL into each, 410 mL in all').and.to.contain('there are 7 here');
    const us = (await drains.tenant.get(`/jobs/${job.id}`).set('x-units', 'us').expect(200)).body;
    expect(bodies(us)).to.contain('2 fl oz into each, 1¾ cups in all');
    const dryer = await registerFlat(house, 'dryer', 'Flat 2A');
    const duct = dryer.points['dryer.duct']!;
    await house.manager
      .put(`/points/${duct}/specification`, {
        specification: { duct: { straightMm: 5000, elbows: [] } },
        basedOn: null,
      })
      .expect(200);
    const me = (await house.manager.get('/session').expect(200)).body.me.id;
    expect((await give(house, house.manager, me, [duct])).kit.join()).to.contain('6 rods of 0.9 m for a run of 5 m');
    await house.close();
  });
  it('run as long as the model does, known from one machine for all of its kind', async () => {
    const house = await openHouse();
    const first = await registerFlat(house, 'washer');
    const second = await registerFlat(house, 'washer', 'Flat 2A');
    for (const { machineId } of [first, second])
      await house.manager.put(`/machines/${machineId}`, { maker: 'Tidesse', model: 'W7' }).expect(200);
    await house.manager
      .put(`/points/${first.points['washer.tub']}/specification`, { specification: { runMinutes: 95 }, basedOn: null })
      .expect(200);
    const job = await give(house, second.tenant, second.tenantId, [second.points['washer.tub']!]);
    const runs = job.steps.flatMap(({ needs }: { needs: { need: { kind: string; minutes?: number } }[] }) =>
      needs.filter(({ need }) => need.kind === 'timer').map(({ need }) => need.minutes),
    );
    expect(runs).to.deep.equal([95, 95]);
    await house.close();
  });
});

describe('A measurement', () => {
  it('is worked out again by the server, kept with the latest record for good, and stands in the story', async () => {
    const house = await openHouse();
    const dryer = await registerFlat(house, 'dryer');
    const duct = dryer.points['dryer.duct']!;
    const keep = (form: object) =>
      house.manager.post('/measurements', {
        id: v7(),
        point: duct,
        measure: 'drying',
        inputs: { minutes: 75 },
        ...form,
      });
    expect((await keep({}).expect(200)).body.record).to.equal(null);
    await house.manager.post('/records', { id: v7(), pointId: duct, done: '2026-11-20' }).expect(200);
    expect((await keep({ note: 'Towels.' }).expect(200)).body).to.deep.equal({
      point: 'Duct to outdoors',
      record: '2026-11-20',
    });
    const { story } = (await house.manager.get(`/points/${duct}`).expect(200)).body as PointAnswer;
    expect(story.map(({ says }) => says).join())
      .to.contain('75 min')
      .and.to.contain('Over 60 min')
      .and.to.contain('Towels.');
    await keep({ measure: 'face', inputs: { size: '16x25x1', cfm: 900 } }).expect(422);
    await keep({ inputs: { minutes: -3 } }).expect(422);
    await keep({ measure: 'magic' }).expect(422);
    const [row] = await house.env.store.db.measurement.all({});
    const changed = await house.env.store
      .write((db) => db.measurement.update({ id: row!.id }, { says: 'Other' }))
      .then(
        () => true,
        () => false,
      );
    expect(changed).to.equal(false);
    await house.close();
  });
});

describe('Setting a fridge right', () => {
  it('asks again two days after each degree, and ends when both are right', async () => {
    const house = await openHouse();
    const fridge = await registerFlat(house, 'refrigerator');
    const point = fridge.points['refrigerator.temperatures']!;
    const measure = async (fridgeCelsius: number, freezerCelsius: number) => {
      const tenant = house.caller();
      const { path } = (await house.manager.post(`/tenancies/${fridge.tenancyId}/links`).expect(200)).body;
      await tenant.open('/link', { token: path.split('#')[1] });
      const job = await give(house, tenant, fridge.tenantId, [point]);
      const form = await honestWork(house, tenant, job, { readings: { fridgeCelsius, freezerCelsius } });
      await tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
      await house.manager.post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'accept' }).expect(200);
      return (await house.manager.get(`/points/${point}`).expect(200)).body as PointAnswer;
    };
    const first = await measure(7, -15);
    expect(first.signals).to.have.length(1);
    expect(first.story.map(({ says }) => says).join()).to.contain('freezer one degree colder');
    expect(first.mark.servedDay + first.mark.intervalDays).to.be.above(first.place.today + 30);
    await letDaysPass(house, 4);
    const second = await measure(7, -19);
    expect(second.story.map(({ says }) => says).join()).to.contain('fridge one degree colder');
    await letDaysPass(house, 4);
    const third = await measure(3.5, -19);
    expect(third.signals).to.deep.equal([]);
    await house.close();
  });
});
