import { expect } from 'chai';
import { v7 } from 'uuid';
import type { Answering } from '../../contract/notices/answering.ts';
import { type Flat, give, honestWork, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

const BOOT = 'washer.doorBoot';
const DRAWER = 'washer.drawer';
const FILTER = 'washer.drainPumpFilter';
const TUB = 'washer.tub';

/** Whoever gives a job is told how long its household takes, and by when it is to be asked. */
describe('How a household answers', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const answering = async (of = flat): Promise<Answering | null> => {
    // What is learned of all is kept for an hour.
    house.clock.now += 3_600_001;
    return (await house.manager.get(`/places/${of.placeId}/answering`).expect(200)).body.answering;
  };
  async function doIn(days: number, procedure: string): Promise<void> {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[procedure]!]);
    await letDaysPass(house, days);
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    // The next month has room again.
    await letDaysPass(house, 33 - days);
  }

  it('is reckoned as others answer on day one', async () => {
    const first = (await answering())!;
    expect(first).to.include({ name: 'I. Marrable', asked: 0, done: 0, silent: false });
    expect(first.lead).to.be.within(10, 25);
    expect(first.usual).to.be.within(4, 9);
  });

  it('follows what it did: quick, and its lead shrinks', async () => {
    const { lead } = (await answering())!;
    for (const procedure of [BOOT, DRAWER, FILTER, TUB]) await doIn(1, procedure);
    const after = (await answering())!;
    expect(after).to.include({ asked: 4, done: 4, silent: false });
    expect(after.usual).to.be.below(4);
    expect(after.lead).to.be.below(lead! * 0.6);
  });

  it('is slow where it is slow, and silent only where it answered nothing for long', async () => {
    const { lead } = (await answering())!;
    await doIn(20, BOOT);
    await doIn(22, DRAWER);
    expect((await answering())!.lead).to.be.above(lead!);
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    for (const procedure of [BOOT, DRAWER]) {
      expect((await answering(other))!.silent, procedure).to.equal(false);
      await give(house, other.tenant, other.tenantId, [other.points[procedure]!]);
      await letDaysPass(house, 40);
    }
    expect(await answering(other)).to.include({ asked: 2, done: 0, silent: true });
    expect((await answering())!.silent).to.equal(false);
  });

  it('counts as asked what others gave, a job that was taken away as open until then, and nothing that it began', async () => {
    const { number } = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    const machine = (await house.env.store.db.machine.one({ id: flat.machineId }))!;
    await flat.tenant.post(`/labels/${machine.number}/jobs`, { id: v7(), numbers: [number] }).expect(200);
    expect((await answering())!.asked).to.equal(0);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[DRAWER]!]);
    await letDaysPass(house, 3);
    await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: job.revision }).expect(200);
    await letDaysPass(house, 200);
    expect(await answering()).to.include({ asked: 1, done: 0, silent: false });
  });

  it('is asked of no empty home', async () => {
    const dryer = await registerFlat(house, 'dryer', 'Flat 3C');
    expect(await answering(dryer)).to.not.equal(null);
    const { body } = await house.manager.get(`/places/${dryer.placeId}`).expect(200);
    await house.manager
      .post(`/tenancies/${dryer.tenancyId}/end`, { last: body.tenancy.from, holdUntil: null })
      .expect(200);
    await letDaysPass(house, 2);
    expect(await answering(dryer)).to.equal(null);
  });
});
