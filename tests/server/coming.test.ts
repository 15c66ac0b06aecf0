import { expect } from 'chai';
import { v7 } from 'uuid';
import { type Flat, type House, HOUSEHOLD, letDaysPass, openFlat, registerFlat } from './house.ts';

/** A household that comes later, and households that share a machine: each sees its own. */
describe('Whose it is', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const place = async () => (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
  const signIn = async (tenancyId: string) => {
    const caller = house.caller();
    const { path } = (await house.manager.post(`/tenancies/${tenancyId}/links`).expect(200)).body as { path: string };
    await caller.open('/link', { token: path.split('#')[1] });
    return caller;
  };

  it('is nobody’s before the day: a tenancy that begins later is seen, mended and taken back, and reads nothing of today’s', async () => {
    await flat.tenant
      .post('/faults', {
        id: v7(),
        machineId: flat.machineId,
        symptom: 'washer.puddle',
        note: 'Mine alone.',
        photoIds: [],
      })
      .expect(200);
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-12-10' }).expect(200);
    const [id, personId] = [v7(), v7()];
    await house.manager
      .post('/tenancies', {
        id,
        placeId: flat.placeId,
        personId,
        name: 'P. Quill',
        from: '2026-12-15',
        household: HOUSEHOLD,
      })
      .expect(200);
    expect((await place()).coming).to.include({ id, name: 'P. Quill', from: '2026-12-15' });
    const next = await signIn(id);
    expect((await next.get('/home').expect(200)).body).to.deep.include({
      place: null,
      faults: [],
      machines: [],
      opens: '15 December 2026',
    });
    await next
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'washer.puddle', note: '', photoIds: [] })
      .expect(404);
    await house.manager.put(`/tenancies/${id}`, { name: 'P. Quillfeather', from: '2026-12-05' }).expect(409);
    await house.manager.put(`/tenancies/${id}`, { name: 'P. Quillfeather', from: '2026-12-12' }).expect(200);
    expect((await place()).coming).to.include({ name: 'P. Quillfeather', from: '2026-12-12' });
    await house.manager.put(`/tenancies/${flat.tenancyId}`, { name: 'I. Marrable', from: '2026-12-12' }).expect(422);
    await letDaysPass(house, 18);
    const home = (await next.get('/home').expect(200)).body;
    expect(home).to.include({ opens: null });
    // What is wrong is there to read; whose words it was is not.
    expect(home.faults[0]).to.include({ says: 'Puddle under or in front of it', note: '', openedBy: '' });
    await house.manager.delete(`/tenancies/${id}`).expect(409);
  });
  it('is taken back with its link, as if it had not been', async () => {
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-11-24', holdUntil: '2027-01-30' })
      .expect(200);
    await letDaysPass(house, 1);
    const id = v7();
    await house.manager
      .post('/tenancies', {
        id,
        placeId: flat.placeId,
        personId: v7(),
        name: 'P. Quill',
        from: '2026-12-15',
        household: HOUSEHOLD,
      })
      .expect(200);
    const next = await signIn(id);
    await house.manager.delete(`/tenancies/${id}`).expect(200);
    await next.get('/home').expect(401);
    expect((await place()).coming).to.equal(null);
    await letDaysPass(house, 30);
    expect((await place()).hold).to.include({ until: '2027-01-30' });
  });
  it('shows each household of a shared machine its own', async () => {
    const other = await registerFlat(house, 'disposer', 'Flat 2B');
    const [shared, cellar] = [v7(), v7()];
    await house.manager
      .post('/places', { id: cellar, propertyId: flat.propertyId, kind: 'shared', name: 'Cellar' })
      .expect(200);
    await house.manager
      .post('/machines', {
        id: shared,
        placeId: cellar,
        type: 'dryer',
        fuel: 'electric',
        owner: 'landlord',
        serves: [flat.placeId, other.placeId],
      })
      .expect(200);
    await flat.tenant
      .post('/faults', { id: v7(), machineId: shared, symptom: 'dryer.damp', note: 'Two loads.', photoIds: [] })
      .expect(200);
    const says = async (caller: Flat['tenant']) =>
      (await caller.get('/home').expect(200)).body.faults.map((it: { note: string }) => it.note);
    expect([await says(flat.tenant), await says(other.tenant)]).to.deep.equal([['Two loads.'], []]);
    const { number } = (await house.env.store.db.machine.one({ id: shared }))!;
    expect((await other.tenant.get(`/labels/${number}`).expect(200)).body.faults).to.deep.equal([]);
    expect((await flat.tenant.get(`/labels/${number}`).expect(200)).body.faults).to.have.length(1);
  });
  it('keeps each report of one signal with its words, its name and its photo', async () => {
    const report = async (by: Flat['tenant'], note: string) =>
      by
        .post('/signals', {
          id: v7(),
          machineId: flat.machineId,
          type: 'washer.lamp',
          note,
          photoIds: [await by.take('washer.tub', note.length)],
        })
        .expect(200);
    await report(flat.tenant, 'A lamp.');
    await report(house.manager, 'Seen it too.');
    const [signal] = (await house.manager.get('/signals').expect(200)).body.signals;
    expect(signal).to.include({ by: 'I. Marrable', note: 'A lamp.', times: 2 });
    expect(signal.reports.map(({ by, note }: { by: string; note: string }) => [by, note])).to.deep.equal([
      ['R. Okonjo-Vane', 'Seen it too.'],
    ]);
    expect(signal.photoIds).to.have.length(2);
  });
});
