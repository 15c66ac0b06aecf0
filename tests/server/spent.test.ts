import { expect } from 'chai';
import { v7 } from 'uuid';
import type { PracticePreview } from '../../contract/due/practice.ts';
import { type Flat, give, hire, honestWork, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

describe('What upkeep took, beside what a practice asks', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const spent = async (at = 'organisation/-') =>
    ((await house.manager.get(`/practice/preview/${at}`).expect(200)).body as PracticePreview).spent;

  it('is nothing while the register is young, and counts everybody’s work after', async () => {
    expect(await spent()).to.equal(null);
    await house.manager.post('/prices', { staffHour: 60, door: 12, materials: {} }).expect(200);
    await letDaysPass(house, 90);
    const nobody = (await spent())!;
    expect(nobody).to.include({ services: 0, tenantRequestsAMonth: 0, staffHoursAMonth: 0, heavyShare: null });
    expect(nobody.days).to.equal(91);
    await flat.tenant.open('/link', {
      token: (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body.path.split('#')[1],
    });
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    const form = await honestWork(house, flat.tenant, job, { grade: 'heavy' });
    await flat.tenant.post(`/jobs/${job.id}/submission`, { ...form, revision: job.revision }).expect(200);
    // Handed back, it was asked for all the same.
    const other = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.drawer']!]);
    await flat.tenant
      .post(`/jobs/${other.id}/moves`, { move: 'notAble', reason: 'away', note: '', revision: other.revision })
      .expect(200);
    const { caller: staff, id: staffId } = await hire(house);
    const tub = await give(house, staff, staffId, [flat.points['washer.tub']!]);
    const done = await honestWork(house, staff, tub, { grade: 'light' });
    await staff.post(`/jobs/${tub.id}/submission`, { ...done, revision: tub.revision }).expect(200);
    const after = (await spent())!;
    const months = after.days / 30.4375;
    expect(after).to.include({ services: 2, staffWorks: 1, untimed: 0 });
    expect(after.tenantRequestsAMonth).to.be.closeTo(2 / months, 0.001);
    expect(after.mostInAMonth).to.equal(2);
    expect(after.doorsAMonth).to.be.closeTo(1 / months, 0.001);
    expect(after.heavyShare).to.be.within(0.01, 0.99);
    expect(after.staffHoursAMonth).to.be.greaterThan(0);
    expect(after.cost!.total).to.be.closeTo(after.cost!.hours + after.cost!.doors, 0.001);
    expect(await spent(`point/${flat.points['washer.tub']}`)).to.include({
      services: 1,
      tenantRequestsAMonth: after.tenantRequestsAMonth,
    });
    const elsewhere = await registerFlat(house, 'dryer', 'Flat 2');
    expect(await spent(`place/${elsewhere.placeId}`)).to.include({ services: 0, tenantRequestsAMonth: 0 });
  });
  it('leaves out what was logged by mistake, and counts what was logged without times by the plan', async () => {
    await letDaysPass(house, 90);
    const id = v7();
    await house.manager
      .post('/records', { id, pointId: flat.points['washer.doorBoot'], done: '2027-02-01', grade: 'due' })
      .expect(200);
    expect(await spent()).to.include({ services: 1, staffWorks: 1, untimed: 1 });
    await house.manager
      .post(`/records/${id}/corrections`, { id: v7(), grade: null, done: null, reason: 'It was another home.' })
      .expect(200);
    expect(await spent()).to.include({ services: 0, staffWorks: 0 });
  });
});
