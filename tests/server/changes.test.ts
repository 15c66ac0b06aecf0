import { expect } from 'chai';
import { v7 } from 'uuid';
import { type Flat, give, hire, honestWork, type House, HOUSEHOLD, letDaysPass, openFlat, TODAY } from './house.ts';

/** What one makes one can change and take back; what history hangs on stays. */
describe('What stands in the register', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const place = async () => (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
  const homes = async () => (await house.manager.get('/homes').expect(200)).body.properties;

  it('is renamed: property, building, home; a zone on the other side of the day line moves today', async () => {
    const { manager } = house;
    const buildingId = v7();
    await manager.post('/buildings', { id: buildingId, propertyId: flat.propertyId, name: 'Frnt' }).expect(200);
    await manager.put(`/buildings/${buildingId}`, { name: 'Front' }).expect(200);
    await manager.put(`/places/${flat.placeId}`, { name: 'Flat 1', buildingId }).expect(200);
    await manager.put(`/places/${flat.placeId}`, { name: 'Flat 1', buildingId: v7() }).expect(422);
    house.clock.now += 11 * 3_600_000;
    const edit = { name: 'Ropewalk House', address: '3 Hawser Lane', zone: 'Pacific/Auckland' };
    await manager.put(`/properties/${flat.propertyId}`, { ...edit, zone: 'Nowhere/None' }).expect(422);
    await manager.put(`/properties/${flat.propertyId}`, edit).expect(200);
    const [property] = await homes();
    expect(property).to.include({ name: 'Ropewalk House', address: '3 Hawser Lane', zone: 'Pacific/Auckland' });
    expect(property.buildings).to.deep.equal([{ id: buildingId, name: 'Front' }]);
    expect(property.places[0]).to.include({ name: 'Flat 1', buildingId });
    expect((await place()).property.today).to.equal(TODAY + 1);
    await manager.delete(`/buildings/${buildingId}`).expect(200);
    expect((await homes())[0].places[0].buildingId).to.equal(null);
  });

  it('is removed while nothing hangs on it, else refused with the reason', async () => {
    const { manager } = house;
    expect((await manager.delete(`/properties/${flat.propertyId}`).expect(409)).body.detail).to.contain('The Ropewalk');
    const second = v7();
    await manager
      .post('/properties', {
        id: second,
        name: 'By mistake',
        address: 'x',
        zone: 'Europe/Dublin',
        water: { source: 'public' },
        practice: null,
      })
      .expect(200);
    await manager.delete(`/properties/${second}`).expect(200);
    expect((await homes()).map(({ name }: { name: string }) => name)).to.deep.equal(['The Ropewalk']);
  });

  it('takes another name, another day and the end of a tenancy back', async () => {
    const { manager } = house;
    const tenancy = `/tenancies/${flat.tenancyId}`;
    await manager.put(tenancy, { name: 'I. Marrable-Ness', from: '2025-03-01' }).expect(200);
    expect((await place()).tenancy).to.include({ name: 'I. Marrable-Ness', from: '2025-03-01' });
    await manager.put(tenancy, { name: 'X', from: '2027-01-01' }).expect(422);
    await manager.post(`${tenancy}/end`, { last: '2026-11-20', holdUntil: '2027-01-10' }).expect(200);
    await flat.tenant.get('/home').expect(401);
    const empty = await place();
    expect(empty.tenancy).to.equal(null);
    expect(empty.former).to.include({ name: 'I. Marrable-Ness', to: '2026-11-20' });
    expect(empty.hold).not.to.equal(null);
    await manager.post(`${tenancy}/reopening`).expect(200);
    const again = await place();
    expect(again.tenancy).to.include({ name: 'I. Marrable-Ness', to: null });
    expect(again.hold).to.equal(null);
    // Not over somebody who comes after.
    await manager.post(`${tenancy}/end`, { last: '2026-11-30' }).expect(200);
    const next = { id: v7(), personId: v7(), placeId: flat.placeId, name: 'A. Next', from: '2026-12-24' };
    await manager.post('/tenancies', { ...next, household: HOUSEHOLD }).expect(200);
    await manager.post(`${tenancy}/reopening`).expect(409);
    await manager.put(`/tenancies/${next.id}`, { name: 'A. Next', from: '2026-11-30' }).expect(409);
  });

  it('says of a machine what it is, and takes it into service again with its history', async () => {
    const { manager } = house;
    const machine = `/machines/${flat.machineId}`;
    const edit = { maker: 'Tidesse', model: 'W2', label: 'Old washer', installed: '2024-05-01', owner: 'tenant' };
    await manager.put(machine, { ...edit, fuel: 'gas' }).expect(422);
    await manager.put(machine, { ...edit, installed: '2027-01-01' }).expect(422);
    await manager.put(machine, { ...edit, fuel: 'electric' }).expect(200);
    expect((await place()).machines[0]).to.include({ ...edit, name: 'Old washer' });
    await manager.put(machine, { installed: null }).expect(200);
    expect((await place()).machines[0].installed).to.equal(null);
    await manager
      .post('/records', { id: v7(), pointId: flat.points['washer.doorBoot'], done: '2026-11-20' })
      .expect(200);
    await manager.delete(machine).expect(409);
    await manager.post(`${machine}/retirement`, { day: '2026-11-24' }).expect(200);
    expect((await place()).machines[0].points).to.deep.equal([]);
    await manager.post(`${machine}/return`).expect(200);
    const back = (await place()).machines[0];
    expect(back.retired).to.equal(null);
    expect(back.points.find((it: { procedure: string }) => it.procedure === 'washer.doorBoot').mark.servedDay).to.equal(
      TODAY - 4,
    );
  });

  it('lets staff who stand before a machine keep the photo of its shut-offs, and change nothing else', async () => {
    const { caller: staff } = await hire(house);
    const photoId = await staff.take('washer.doorBoot', 3);
    await staff.put(`/machines/${flat.machineId}/shutoff`, { photoId }).expect(200);
    expect((await place()).machines[0].shutoffPhotoId).to.equal(photoId);
    await staff.put(`/machines/${flat.machineId}`, { label: 'Mine' }).expect(403);
    await flat.tenant.put(`/machines/${flat.machineId}/shutoff`, { photoId }).expect(403);
  });

  it('is written down by staff who walk a home, who take back a slip while it is new', async () => {
    const { caller: staff } = await hire(house, 'staff');
    const add = async () => {
      const id = v7();
      const machine = { placeId: flat.placeId, type: 'dishwasher', fuel: 'electric', owner: 'landlord' };
      await staff.post('/machines', { id, ...machine }).expect(200);
      return id;
    };
    const slip = await add();
    await staff.delete(`/machines/${slip}`).expect(200);
    const kept = await add();
    house.clock.now += 2 * 3_600_000;
    await staff.delete(`/machines/${kept}`).expect(403);
    await house.manager.delete(`/machines/${kept}`).expect(200);
  });

  it('tells who lived here before, and how the work of each is on time', async () => {
    const { manager } = house;
    await manager.post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-11-20' }).expect(200);
    expect((await place()).former.name).to.equal('I. Marrable');
    expect((await place()).earlier).to.deep.equal([]);
    const tenancy = { id: v7(), placeId: flat.placeId, personId: v7(), name: 'O. Tull', from: '2026-11-22' };
    await manager.post('/tenancies', { ...tenancy, household: HOUSEHOLD }).expect(200);
    expect((await place()).earlier).to.deep.equal([
      { id: flat.tenancyId, name: 'I. Marrable', from: '2025-01-01', to: '2026-11-20' },
    ]);
  });

  it('has people with what they did on time, and between what that share lies', async () => {
    const tenants = `/people?with=${encodeURIComponent('{"kind":"tenants"}')}`;
    const of = async (id: string) =>
      (await house.manager.get(tenants).expect(200)).body.people.find((it: { id: string }) => it.id === id);
    expect((await of(flat.tenantId)).onTime).to.equal(null);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    const { onTime, rehearsed } = await of(flat.tenantId);
    expect(onTime).to.include({ of: 1, on: 1, high: 1 });
    // One of one: Wilson's interval begins at 1 / (1 + z²), z = 1.96 (Wilson 1927).
    expect(onTime.low).to.be.closeTo(1 / (1 + 1.959964 ** 2), 1e-6);
    expect(rehearsed).to.equal(0);
  });

  it('keeps a template that is changed, for what is made from then on', async () => {
    const { manager } = house;
    const id = v7();
    await manager.post('/templates', { id, name: 'Bare', machines: [{ type: 'washer' }] }).expect(200);
    const two = { name: 'Bare flat', machines: [{ type: 'washer' }, { type: 'dryer' }] };
    await manager.put(`/templates/${id}`, { ...two, machines: [{ type: 'nothing' }] }).expect(422);
    await manager.put(`/templates/${id}`, two).expect(200);
    const { templates } = (await manager.get('/templates').expect(200)).body;
    const changed = templates.find((it: { id: string }) => it.id === id);
    expect(changed.name).to.equal('Bare flat');
    expect(changed.machines).to.have.length(2);
  });
});

describe('What was logged by mistake', () => {
  it('is corrected by another record or by none; the wrong one is still read and does not count', async () => {
    const { house, flat } = await openFlat();
    const pointId = flat.points['washer.tub']!;
    const point = async () => (await house.manager.get(`/points/${pointId}`).expect(200)).body;
    const log = async (done: string) => {
      const id = v7();
      await house.manager.post('/records', { id, pointId, done, grade: 'heavy' }).expect(200);
      return id;
    };
    await log('2026-08-01');
    const report = { id: v7(), machineId: flat.machineId, type: 'washer.smell' };
    await flat.tenant.post('/signals', report).expect(200);
    const open = async () =>
      (await house.manager.get('/signals').expect(200)).body.signals.filter(
        (it: { state: string }) => it.state === 'open',
      ).length as number;
    const reported = await open();
    const wrong = await log('2026-11-24');
    expect(await open()).to.be.below(reported);
    const correct = (id: string, form: object) =>
      house.manager.post(`/records/${id}/corrections`, { id: v7(), grade: null, reason: 'Other flat', ...form });
    await correct(wrong, { done: '2026-11-10', reason: '' }).expect(422);
    const replaced = (await correct(wrong, { done: '2026-11-10', grade: 'light' }).expect(200)).body.id;
    await correct(wrong, { done: null }).expect(409);
    // What the wrong record had answered waits again: nobody has seen to it since it was reported.
    expect(await open()).to.equal(reported);
    const after = await point();
    expect(after.mark.servedDay).to.equal(TODAY - 14);
    expect(after.story.find((it: { recordId: string }) => it.recordId === wrong).says).to.contain('Logged by mistake');
    const record = JSON.parse((await house.env.store.db.record.one({ id: replaced }))!.canonical);
    expect(record).to.include({ corrects: wrong, grade: 'light', selfCertified: true });
    expect((await correct(replaced, { done: null }).expect(200)).body.id).to.equal(null);
    // What was served before it holds again.
    expect((await point()).mark.servedDay).to.equal(TODAY - 115);
    await letDaysPass(house, 1);
    expect((await point()).mark.servedDay).to.equal(TODAY - 115);
    // It stands in the log, beside its record, for good.
    const entries = await house.env.store.db.logEntry.all({ subjectId: wrong });
    expect(entries.map(({ kind }) => kind)).to.deep.equal(['record', 'verdict']);
    expect(JSON.parse(entries[1]!.canonical)).to.include({ kind: 'correction', replacedBy: replaced });
    await house.close();
  });
});
