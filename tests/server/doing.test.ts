import { expect } from 'chai';
import { v7 } from 'uuid';
import { type Caller, type Flat, give, honestWork, type House, openFlat, openHouse, registerFlat } from './house.ts';

describe('Unplanned work, begun at the machine', function unplanned() {
  let house: House;
  let flat: Flat;
  let number: number;
  before(async () => {
    ({ house, flat } = await openFlat());
    number = (await house.env.store.db.machine.one({ id: flat.machineId }))!.number;
  });
  after(() => house.close());

  const begin = (by: Caller, numbers: readonly number[], id = v7()) =>
    by.post(`/labels/${number}/jobs`, { id, numbers });

  it('lets a tenant begin what is theirs to do, prove it like any other, and leaves the budget alone', async () => {
    const { body: machine } = await flat.tenant.get(`/labels/${number}`).expect(200);
    const boot = machine.points.find(({ name }: { name: string }) => name === 'Door boot and glass');
    expect(boot.may).to.equal(true);
    const {
      body: { id },
    } = await begin(flat.tenant, [boot.number]).expect(200);
    const { body: job } = await flat.tenant.get(`/jobs/${id}`).expect(200);
    expect(job.mine).to.equal(true);
    const { body: place } = await house.manager.get(`/places/${flat.placeId}`).expect(200);
    expect(place.budget.usedJobs).to.equal(0);
    await flat.tenant.post(`/jobs/${id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    expect(await house.env.store.db.proof.count({ state: 'waiting' })).to.equal(1);
    await begin(flat.tenant, [boot.number]).expect(409);
  });

  it('keeps staff work, another’s home and another machine’s points out of reach', async () => {
    const cool = await registerFlat(house, 'airHandler', 'Flat 3B');
    const unit = (await house.env.store.db.machine.one({ id: cool.machineId }))!;
    const { body: machine } = await cool.tenant.get(`/labels/${unit.number}`).expect(200);
    const staffOnly = machine.points.find(({ name }: { name: string }) => name === 'Condensate drain').number;
    expect(machine.points.find((it: { number: number }) => it.number === staffOnly).may).to.equal(false);
    const beginThere = (by: Caller) => by.post(`/labels/${unit.number}/jobs`, { id: v7(), numbers: [staffOnly] });
    await beginThere(cool.tenant).expect(422);
    await beginThere(house.manager).expect(200);
    const other = await registerFlat(house, 'dishwasher', 'Flat 2B');
    await begin(other.tenant, [flat.numbers[0]!]).expect(404);
    await begin(flat.tenant, [other.numbers[0]!]).expect(404);
    await begin(flat.tenant, []).expect(422);
  });
});

describe('Readings in the doer’s units', function readings() {
  let house: House;
  let fridge: Flat;
  before(async () => {
    house = await openHouse();
    fridge = await registerFlat(house, 'refrigerator');
  });
  after(() => house.close());

  it('are asked in °F or °C with what passes, and kept in °C', async () => {
    const job = await give(house, fridge.tenant, fridge.tenantId, [fridge.points['refrigerator.temperatures']!]);
    const ask = async (units: string) => {
      const { body } = await fridge.tenant.get(`/jobs/${job.id}`).set('x-units', units).expect(200);
      return body.steps
        .flatMap(({ needs }: { needs: { need: { key: string }; reading: object | null }[] }) => needs)
        .find(({ need }: { need: { key: string } }) => need.key === 'freezerCelsius').reading;
    };
    expect(await ask('metric')).to.include({ unit: '°C', factor: 1, offset: 0, wanted: 'Wanted: -25 to -18 °C.' });
    const us = await ask('us');
    expect(us).to.include({ unit: '°F', wanted: 'Wanted: -13 to -0.4 °F.' });
    expect(-0.4 * us.factor + us.offset).to.be.closeTo(-18, 0.001);
  });
});

describe('A contractor', function contractor() {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat('airHandler'));
  });
  after(() => house.close());

  const contract = async (point: string) => {
    const id = v7();
    const { body } = await house.manager
      .post('/jobs/contracted', { id, pointIds: [flat.points[point]], name: 'Gannet Cooling' })
      .expect(200);
    const token = body.path.split('#')[1] as string;
    const caller = house.caller();
    await caller.open('/link', { token });
    return { id, token, caller };
  };

  it('gets one job by link, does staff work, proves it like anybody, and sees nothing else', async () => {
    const { id, caller, token } = await contract('airHandler.condensateDrain');
    const { body: home } = await caller.get('/home').expect(200);
    expect([home.kind, home.jobs.map((job: { id: string }) => job.id), home.machines]).to.deep.equal([
      'work',
      [id],
      [],
    ]);
    const { body: job } = await caller.get(`/jobs/${id}`).expect(200);
    await caller.post('/deficiencies', { id: v7(), machineId: flat.machineId, type: 'panCracked' }).expect(200);
    await caller.post(`/jobs/${id}/submission`, await honestWork(house, caller, job)).expect(200);
    expect(await house.env.store.db.proof.count({ state: 'waiting' })).to.equal(1);
    for (const path of [
      '/board',
      '/homes',
      '/jobs',
      '/proof',
      `/places/${flat.placeId}`,
      '/labels/1',
      '/faults',
      '/deficiencies',
    ])
      await caller.get(path).expect(403);
    expect(
      (await house.env.store.db.jobLink.all({})).map((link) => link.id).join(' '),
      'only the hash is kept',
    ).not.to.contain(token);
    const other = await give(house, house.manager, (await house.manager.get('/session').expect(200)).body.me.id, [
      flat.points['airHandler.returnFilter']!,
    ]);
    await caller.get(`/jobs/${other.id}`).expect(404);
  });

  it('is out when the job is cancelled, and when it is accepted', async () => {
    const first = await contract('airHandler.condensateTrap');
    await house.manager.post(`/jobs/${first.id}/moves`, { move: 'cancel', revision: 1 }).expect(200);
    await first.caller.get('/home').expect(401);
    await house.caller().post('/link', { token: first.token }).expect(401);

    const second = await contract('airHandler.condensateTrap');
    const { body: job } = await second.caller.get(`/jobs/${second.id}`).expect(200);
    const work = await honestWork(house, second.caller, job);
    await second.caller.post(`/jobs/${second.id}/submission`, work).expect(200);
    await house.manager.post(`/proof/${work.records[0]!.id}/verdict`, { verdict: 'accept', reason: '' }).expect(200);
    await house.caller().post('/link', { token: second.token }).expect(401);
  });
});

describe('A printed card', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it('opens the home by its short code, however it is typed, until the links are revoked', async () => {
    const {
      body: { code },
    } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    for (const typed of [code, code.toLowerCase(), code.replace('-', ' '), ` ${code.replace('-', '')} `]) {
      const phone = house.caller();
      await phone.open('/link', { token: typed });
      expect((await phone.get('/home').expect(200)).body.place.name).to.equal('Flat 1A');
    }
    await house.caller().post('/link', { token: 'K7MP-3QXD' }).expect(401);
    await house.manager.delete(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await house.caller().post('/link', { token: code }).expect(401);
  });
});

describe('Deficiencies', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  after(() => house.close());

  it('are apart from grades and faults: a day to be right by, somebody responsible, closed with what was done', async () => {
    const id = v7();
    const photoId = await flat.tenant.take('dryer.duct', 3);
    await flat.tenant
      .post('/deficiencies', {
        id,
        machineId: flat.machineId,
        type: 'hoseCrushed',
        note: 'Behind the machine',
        photoIds: [photoId],
      })
      .expect(200);
    const list = async () => (await house.manager.get('/deficiencies').expect(200)).body;
    const {
      deficiencies: [first],
      people,
    } = await list();
    expect(first).to.include({
      says: 'Hose crushed or kinked',
      severity: 'moderate',
      openedOn: '2026-11-24',
      correctBy: '2026-12-24',
      overdue: false,
      responsible: null,
    });
    expect(first.photoIds).to.deep.equal([photoId]);
    expect(await house.env.store.db.fault.count({}), 'no fault, and nothing due by it').to.equal(0);
    await house.manager
      .put(`/deficiencies/${id}`, { severity: 'severe', correctBy: '2026-11-25', responsibleId: people[0].id })
      .expect(200);
    await house.manager
      .put(`/deficiencies/${id}`, { severity: 'severe', correctBy: '2026-11-25', responsibleId: flat.tenantId })
      .expect(422);
    house.clock.now += 2 * 86_400_000;
    expect((await list()).deficiencies[0]).to.include({
      severity: 'severe',
      overdue: true,
      responsible: people[0].name,
    });
    await house.manager.post(`/deficiencies/${id}/close`, { done: '' }).expect(422);
    await house.manager.post(`/deficiencies/${id}/close`, { done: 'New hose, pulled straight.' }).expect(200);
    await house.manager.post(`/deficiencies/${id}/close`, { done: 'Again.' }).expect(409);
  });

  it('belong to the kind of machine', async () => {
    await flat.tenant.post('/deficiencies', { id: v7(), machineId: flat.machineId, type: 'panCracked' }).expect(422);
    const other = await registerFlat(house, 'dishwasher', 'Flat 2B');
    await flat.tenant.post('/deficiencies', { id: v7(), machineId: other.machineId, type: 'noClip' }).expect(404);
  });
});

describe('Rehearsals', () => {
  let house: House;
  before(async () => {
    house = await openHouse();
    await registerFlat(house);
  });
  after(() => house.close());

  it('ask the same by the same seed, are looked at again by the server, and stand beside the procedure', async () => {
    const seed = 77;
    const path = `/procedures/washer.doorBoot/rehearsal?with=${encodeURIComponent(JSON.stringify({ seed }))}`;
    const {
      body: { questions },
    } = await house.manager.get(path).expect(200);
    expect(questions.length).to.be.at.least(3);
    const answers = questions.map(({ right }: { right: number }, i: number) => (i === 0 ? (right + 1) % 3 : right));
    const { body: kept } = await house.manager
      .post('/rehearsals', { id: v7(), procedure: 'washer.doorBoot', seed, answers })
      .expect(200);
    expect(kept).to.deep.equal({ asked: questions.length, correct: questions.length - 1 });
    expect((await house.manager.get('/rehearsals').expect(200)).body.rehearsals).to.deep.equal([
      { procedure: 'washer.doorBoot', day: '2026-11-24', ...kept, older: false },
    ]);
    await house.manager.post('/rehearsals', { id: v7(), procedure: 'washer.doorBoot', seed, answers: [0] }).expect(422);
    await house.manager.post('/rehearsals', { id: v7(), procedure: 'no.such', seed, answers: [] }).expect(404);
    await house.manager.get('/procedures/washer.doorBoot/rehearsal').expect(422);
  });
});
