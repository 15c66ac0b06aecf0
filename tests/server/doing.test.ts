import { expect } from 'chai';
import { v7 } from 'uuid';
import { give, honestWork, openHouse, registerFlat, type Caller, type Flat, type House } from './house.ts';

describe('Unplanned work, begun at the machine', function unplanned() {
  this.timeout(60_000);
  let house: House;
  let flat: Flat;
  let number: number;
  before(async () => {
    house = await openHouse();
    flat = await registerFlat(house);
    number = (await house.env.store.db.machine.one({ id: flat.machineId }))!.number;
  });
  after(() => house.close());

  const begin = (by: Caller, numbers: readonly number[], id = v7()) => by.post(`/labels/${number}/jobs`, { id, numbers });

  it('lets a tenant begin what is theirs to do, prove it like any other, and leaves the budget alone', async () => {
    const { body: machine } = await flat.tenant.get(`/labels/${number}`).expect(200);
    const boot = machine.points.find(({ name }: { name: string }) => name === 'Door boot and glass');
    expect(boot.may).to.equal(true);
    const { body: { id } } = await begin(flat.tenant, [boot.number]).expect(200);
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
  this.timeout(60_000);
  let house: House;
  let fridge: Flat;
  before(async () => { house = await openHouse(); fridge = await registerFlat(house, 'refrigerator'); });
  after(() => house.close());

  it('are asked in °F or °C with what passes, and kept in °C', async () => {
    const job = await give(house, fridge.tenant, fridge.tenantId, [fridge.points['refrigerator.temperatures']!]);
    const ask = async (units: string) => {
      const { body } = await fridge.tenant.get(`/jobs/${job.id}`).set('x-units', units).expect(200);
      return body.steps.flatMap(({ needs }: { needs: { need: { key: string }; reading: object | null }[] }) => needs).find(({ need }: { need: { key: string } }) => need.key === 'freezerCelsius').reading;
    };
    expect(await ask('metric')).to.include({ unit: '°C', factor: 1, offset: 0, wanted: 'Wanted: -25 to -18 °C.' });
    const us = await ask('us');
    expect(us).to.include({ unit: '°F', wanted: 'Wanted: -13 to -0.4 °F.' });
    expect(-0.4 * us.factor + us.offset).to.be.closeTo(-18, 0.001);
  });
});
