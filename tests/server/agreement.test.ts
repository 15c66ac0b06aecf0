import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { AgreementAnswer } from '../../contract/notices/messages.ts';
import type { PlanAnswer } from '../../contract/rounds/rounds.ts';
import { type Flat, give, hire, honestWork, type House, HOUSEHOLD, letDaysPass, openFlat, TODAY } from './house.ts';

const BOOT = 'washer.doorBoot';

/** Somebody with a bad back does the filter and not the door seal: then the seal is staff's in this home, everywhere. */
describe('What a household has agreed to do', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const read = async () =>
    ((await house.manager.get(`/tenancies/${flat.tenancyId}/agreed`).expect(200)).body as AgreementAnswer).tasks;
  const decline = (...declined: string[]) => house.manager.put(`/tenancies/${flat.tenancyId}/agreed`, { declined });
  const levelOf = async () => (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;

  it('is everything that tenants may do, until somebody says otherwise', async () => {
    const tasks = await read();
    expect(tasks.length).to.be.above(2);
    expect(tasks.every(({ agreed }) => agreed)).to.equal(true);
    await decline(BOOT).expect(200);
    expect((await read()).filter(({ agreed }) => !agreed).map(({ procedure }) => procedure)).to.deep.equal([BOOT]);
    await decline().expect(200);
    expect((await read()).every(({ agreed }) => agreed)).to.equal(true);
  });

  it('makes the rest staff’s: it says why, is not given to them, and a plan has it', async () => {
    await hire(house);
    await house.manager
      .post('/records', {
        id: v7(),
        pointId: flat.points[BOOT],
        done: isoFromDay(TODAY - 20),
        grade: 'due',
        finds: [],
        note: '',
      })
      .expect(200);
    await decline(BOOT).expect(200);
    expect(await levelOf()).to.include({ level: 'staff' });
    expect((await levelOf()).levelSays).to.contain('agreed with whoever lives here');
    await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points[BOOT]], assigneeId: flat.tenantId })
      .expect(422);
    const plan = ((await house.manager.post('/plan', { weeks: 8, keep: false }).expect(200)).body as PlanAnswer).plan!;
    expect(plan.counted).to.include({ forTenants: 0 });
    expect(plan.counted.inPlan).to.equal(1);
  });

  it('leaves what they have in hand with them, and ends with them', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await decline(BOOT).expect(200);
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/end`, { last: isoFromDay(TODAY), holdUntil: null })
      .expect(200);
    await letDaysPass(house, 2);
    await house.manager
      .post('/tenancies', {
        id: v7(),
        placeId: flat.placeId,
        personId: v7(),
        name: 'E. Pellow',
        from: isoFromDay(TODAY + 2),
        household: HOUSEHOLD,
      })
      .expect(200);
    expect(await levelOf()).to.include({ level: 'tenant' });
  });

  it('is a manager’s to say, of what stands in that home', async () => {
    await decline('airHandler.returnFilter').expect(422);
    await decline('washer.tub', 'nothing').expect(422);
    const { caller } = await hire(house);
    await caller.put(`/tenancies/${flat.tenancyId}/agreed`, { declined: [] }).expect(403);
    await flat.tenant.get(`/tenancies/${flat.tenancyId}/agreed`).expect(403);
    await house.manager.get(`/tenancies/${v7()}/agreed`).expect(404);
  });
});
