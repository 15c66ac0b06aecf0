import { expect } from 'chai';
import { v7 } from 'uuid';
import { dayFromIso } from '../../core/calendar/day.ts';
import {
  DAY_MS,
  type Flat,
  give,
  honestWork,
  type House,
  HOUSEHOLD,
  letDaysPass,
  openFlat,
  registerFlat,
  ZONE,
} from './house.ts';

describe('The register', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());

  const pointOf = async (procedure: string, of = flat) =>
    (await house.manager.get(`/points/${of.points[procedure]}`).expect(200)).body;

  it('numbers points on, for short links', async () => {
    expect(flat.numbers).to.deep.equal([1, 2, 3, 4]);
    const second = await registerFlat(house, 'dryer', 'Flat 2A');
    expect(second.numbers).to.deep.equal([5, 6, 7, 8, 9, 10, 11]);
    const { body } = await house.manager.get('/points/5').expect(200);
    expect(body.place.name).to.equal('Flat 2A');
  });
  it('holds a shared machine that serves several units', async () => {
    const plantId = v7();
    await house.manager
      .post('/places', { id: plantId, propertyId: flat.propertyId, kind: 'shared', name: 'Plant room' })
      .expect(200);
    const machineId = v7();
    await house.manager
      .post('/machines', {
        id: machineId,
        placeId: plantId,
        type: 'airHandler',
        fuel: 'gas',
        owner: 'landlord',
        serves: [flat.placeId],
        drainBranch: 'Floor drain',
      })
      .expect(200);
    const { machines } = (await house.manager.get(`/places/${plantId}`)).body;
    expect(machines[0]).to.include({ fuel: 'gas', drainBranch: 'Floor drain', name: 'Air handler, 1-inch filter' });
    expect(machines[0].serves).to.deep.equal([{ id: flat.placeId, name: 'Flat 1A' }]);
    const home = (await flat.tenant.get('/home')).body;
    expect(home.machines.map(({ name }: { name: string }) => name).sort()).to.deep.equal([
      'Air handler, 1-inch filter',
      'Washer, front load',
    ]);
    await flat.tenant.post('/faults', { id: v7(), machineId, symptom: 'airHandler.weak' }).expect(200);
  });
  it('lets a unit to one tenancy at a time', async () => {
    const second = {
      id: v7(),
      placeId: flat.placeId,
      personId: v7(),
      name: 'E. Pellow',
      from: '2026-11-01',
      household: HOUSEHOLD,
    };
    expect((await house.manager.post('/tenancies', second).expect(409)).body.detail).to.contain(
      'already has a tenancy',
    );
  });
  it('keeps a building within its own property', async () => {
    const otherId = v7();
    await house.manager
      .post('/properties', {
        id: otherId,
        name: 'Tidemill Court',
        address: 'Tidemill Court',
        zone: ZONE,
        water: { source: 'well' },
        practice: 'light',
      })
      .expect(200);
    const buildingId = v7();
    await house.manager.post('/buildings', { id: buildingId, propertyId: otherId, name: 'The Court' }).expect(200);
    await house.manager
      .post('/places', { id: v7(), propertyId: flat.propertyId, buildingId, kind: 'unit', name: 'No. 1' })
      .expect(422);
    await house.manager
      .post('/places', { id: v7(), propertyId: otherId, buildingId, kind: 'unit', name: 'No. 1' })
      .expect(200);
    const { properties } = (await house.manager.get('/homes')).body;
    expect(properties.find(({ id }: { id: string }) => id === otherId)).to.deep.include({
      practice: 'light',
      today: '2026-11-24',
      water: { source: 'well', hardnessMgL: null },
    });
  });
  it('never lets the maker’s limit be passed, from the day it is entered', async () => {
    await house.manager
      .post('/records', { id: v7(), pointId: flat.points['washer.drainPumpFilter'], done: '2026-11-20' })
      .expect(200);
    expect((await pointOf('washer.drainPumpFilter')).mark.intervalDays).to.equal(90);
    await house.manager
      .put(`/points/${flat.points['washer.drainPumpFilter']}/specification`, {
        specification: { makerLimitDays: 45 },
        basedOn: null,
      })
      .expect(200);
    const limited = await pointOf('washer.drainPumpFilter');
    expect(limited.mark.intervalDays).to.equal(45);
    expect(limited.terms.at(-1)).to.include({ says: 'Never later than', why: 'the limit of the maker’s manual' });
  });
  it('teaches from the first grade only on a machine that was new', async () => {
    const grade = async (of: Flat) => {
      await house.manager
        .post('/records', {
          id: v7(),
          pointId: of.points['airHandler.returnFilter'],
          done: '2026-11-24',
          grade: 'clean',
        })
        .expect(200);
      return pointOf('airHandler.returnFilter', of);
    };
    const old = await grade(await registerFlat(house, 'airHandler', 'Flat 3A'));
    expect(old.mark.intervalDays).to.equal(90);
    const fresh = await registerFlat(house, 'dryer', 'Flat 3B');
    const machineId = v7();
    await house.manager
      .post('/machines', {
        id: machineId,
        placeId: fresh.placeId,
        type: 'airHandler',
        fuel: 'electric',
        owner: 'landlord',
        installed: '2026-11-20',
      })
      .expect(200);
    const points = Object.fromEntries(
      (await house.env.store.db.point.all({ machineId })).map(({ id, procedure }) => [procedure, id]),
    );
    await letDaysPass(house, 40);
    await house.manager
      .post('/records', { id: v7(), pointId: points['airHandler.returnFilter'], done: '2027-01-02', grade: 'blocked' })
      .expect(200);
    const taught = (await house.manager.get(`/points/${points['airHandler.returnFilter']}`)).body;
    expect(taught.mark.intervalDays).to.be.below(80);
    expect(taught.terms.map(({ says }: { says: string }) => says)).to.include('Found blocked');
  });
  it('draws a line by the days as they were before and after a household changed', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 3A');
    await house.manager
      .post('/records', { id: v7(), pointId: air.points['airHandler.returnFilter'], done: '2026-10-25' })
      .expect(200);
    await house.manager
      .post(`/tenancies/${air.tenancyId}/household`, { household: { ...HOUSEHOLD, pets: 2 }, from: '2026-11-24' })
      .expect(200);
    const point = await pointOf('airHandler.returnFilter', air);
    // 30 days at the old rate, and the 60 left at ×1.6.
    expect(point.mark.intervalDays).to.equal(30 + Math.round(60 / 1.6));
    expect(point.terms.some(({ says }: { says: string }) => says === 'Changed on 24 Nov')).to.equal(true);
  });
  it('tells standing by what is in order, and turns with the days alone', async () => {
    for (const procedure of Object.keys(flat.points))
      await house.manager
        .post('/records', { id: v7(), pointId: flat.points[procedure], done: '2026-11-20' })
        .expect(200);
    const standing = async () => (await house.manager.get(`/places/${flat.placeId}`)).body.standing;
    expect((await standing()).verdict).to.equal('sound');
    await letDaysPass(house, 40);
    expect((await standing()).inOrder).to.deep.equal({ count: 3, of: 4 });
    expect((await standing()).verdict).to.equal('breach');
  });
  it('offers near points of the machine for the same sitting, and says who may', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 3A');
    const point = await pointOf('airHandler.condensateDrain', air);
    expect(point.rideAlong).to.have.length(5);
    expect(point.rideAlong.find(({ name }: { name: string }) => name === 'Return filter')).to.include({
      name: 'Return filter',
      chosen: true,
      forTenant: true,
    });
    expect(point.assignees.find(({ role }: { role: string }) => role === 'tenant').may).to.equal(false);
    expect(point.assignees.find(({ role }: { role: string }) => role === 'me').may).to.equal(true);
  });
  it('tells the reviewer when bleach met vinegar in drains that share a branch', async () => {
    const shared = async (name: string) => {
      const machineId = v7();
      await house.manager
        .post('/machines', {
          id: machineId,
          placeId: flat.placeId,
          type: 'airHandler',
          label: name,
          fuel: 'electric',
          owner: 'landlord',
          drainBranch: 'East riser',
        })
        .expect(200);
      return (await house.env.store.db.point.one({ machineId, procedure: 'airHandler.condensateDrain' }))!.id;
    };
    const me = (await house.manager.get('/session')).body.me.id;
    const flush = async (pointId: string, agent: string) => {
      const job = await give(house, house.manager, me, [pointId]);
      const form = await honestWork(house, house.manager, job, { agent });
      await house.manager.post(`/jobs/${job.id}/submission`, form).expect(200);
      return (await house.manager.get(`/proof/${form.records[0]!.id}`)).body.findings[0];
    };
    const [one, other] = [await shared('Unit A'), await shared('Unit B')];
    expect((await flush(one, 'bleach')).weight).to.equal('fine');
    expect((await flush(other, 'vinegar')).says).to.contain('chlorine gas');
  });
  it('counts a machine installed tomorrow as a slip', async () => {
    const tomorrow = new Date(house.clock.now + DAY_MS).toISOString().slice(0, 10);
    const { body } = await house.manager
      .post('/machines', {
        id: v7(),
        placeId: flat.placeId,
        type: 'dryer',
        fuel: 'gas',
        owner: 'landlord',
        installed: tomorrow,
      })
      .expect(422);
    expect(body.fields.installed).to.equal('This day has not come yet.');
    expect(dayFromIso(tomorrow)).to.be.above(0);
  });
});
