import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { AheadAnswer } from '../../contract/notices/messages.ts';
import type { Plan, PlanAnswer } from '../../contract/rounds/rounds.ts';
import { turnDay } from '../../server/clock/daily.ts';
import { type Flat, give, hire, type House, letDaysPass, openFlat, TODAY } from './house.ts';

const FILTER = 'airHandler.returnFilter';
const RULE = { quietFrom: 1200, quietUntil: 480, graceDays: 3, passes: true, gives: true };
const MAIL = {
  host: 'mail.saltmarsh.example',
  port: 25,
  secure: 'no',
  user: '',
  password: null,
  from: 'o@saltmarsh.example',
};
const BY_MAIL = { way: 'mail', email: 'marrable@mail.example', phone: '', reminders: true, rhythm: 'each' };

/** A tenant reads *we will ask when something is due*: somebody does, on the day that this household's answers say. */
describe('Asking by itself', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('airHandler'));
    began = house.clock.now;
    await house.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail: MAIL }).expect(200);
    await serve(flat, 0);
  });
  afterEach(() => house.close());

  const serve = (of: Flat, daysAgo: number, grade = 'due') =>
    house.manager
      .post('/records', {
        id: v7(),
        pointId: of.points[FILTER],
        done: isoFromDay(today() - daysAgo),
        grade,
        finds: [],
        note: '',
      })
      .expect(200);
  let began: number;
  const today = () => TODAY + Math.round((house.clock.now - began) / 86_400_000);
  const rule = (form: object = RULE) => house.manager.put('/asking-rule', form).expect(200);
  const contact = (form: object = BY_MAIL, of = flat) =>
    house.manager.put(`/tenancies/${of.tenancyId}/contact`, form).expect(200);
  const ahead = async () => (await house.manager.get('/askings/ahead').expect(200)).body as AheadAnswer;
  const open = async (of = flat) =>
    (await house.env.store.db.job.all({ placeId: of.placeId, state: 'given' })).map(({ assigneeId }) => assigneeId);
  const lineDay = async (of = flat) => {
    const { mark } = (await house.manager.get(`/points/${of.points[FILTER]}`).expect(200)).body;
    return mark.servedDay + mark.intervalDays;
  };
  /** Days go by, each turned by the clock, until something is given. */
  async function untilGiven(most: number, of = flat): Promise<number | null> {
    for (let day = 0; day < most; day += 1) {
      await letDaysPass(house, 1);
      await turnDay(house.env);
      if ((await open(of)).length > 0) return day + 1;
    }
    return null;
  }
  it('gives a part to its tenant on the day that the list said, once, and tells them', async () => {
    await contact();
    await rule();
    const line = await lineDay();
    await letDaysPass(house, line - TODAY - 30);
    const [first] = (await ahead()).homes;
    expect(first).to.deep.include({ placeId: flat.placeId, person: 'I. Marrable', parts: 1, lineDay: line, why: null });
    expect(first!.askDay).to.be.within(line - 34, line - 7);
    await turnDay(house.env);
    expect(await open(), 'not before its day').to.deep.equal([]);
    const days = await untilGiven(40);
    expect(today()).to.equal(first!.askDay);
    expect(days).to.be.above(0);
    expect(await open()).to.deep.equal([flat.tenantId]);
    await turnDay(house.env);
    expect(await open()).to.have.length(1);
    expect((await ahead()).homes).to.deep.equal([]);
    const { people } = (await house.manager.get('/askings').expect(200)).body;
    expect(people.map(({ id }: { id: string }) => id)).to.deep.equal([flat.tenantId]);
  });

  it('asks nobody who cannot be written to, nor where the office has not said so, and names both', async () => {
    await letDaysPass(house, (await lineDay()) - TODAY - 5);
    expect((await ahead()).gives).to.equal(false);
    await contact();
    await turnDay(house.env);
    expect(await open()).to.deep.equal([]);
    await rule();
    await contact({ ...BY_MAIL, way: 'none', email: '' });
    await turnDay(house.env);
    expect(await open()).to.deep.equal([]);
    const { homes, gives } = await ahead();
    expect(gives).to.equal(true);
    expect(homes[0]!.why).to.be.a('string').and.not.equal('');
    expect(homes[0]!.askDay).to.equal(homes[0]!.today);
  });

  it('does not give again what a manager took back, until it was served', async () => {
    await contact();
    await rule();
    await letDaysPass(house, (await lineDay()) - TODAY - 5);
    await turnDay(house.env);
    const [job] = await house.env.store.db.job.all({ placeId: flat.placeId, state: 'given' });
    await house.manager.post(`/jobs/${job!.id}/moves`, { move: 'cancel', revision: job!.revision }).expect(200);
    await letDaysPass(house, 1);
    await turnDay(house.env);
    expect(await open()).to.deep.equal([]);
    expect(await ahead()).to.include({ takenBack: 1 });
    await serve(flat, 0);
    expect(await ahead()).to.include({ takenBack: 0 });
    expect(await untilGiven(120)).to.be.above(30);
  });

  it('leaves to staff what a household would never do, which a plan of rounds then has', async () => {
    const staff = await hire(house);
    await contact();
    await rule();
    // Left open, each time until it was taken away.
    for (let i = 0; i < 4; i += 1) {
      const job = await give(house, flat.tenant, flat.tenantId, [flat.points[FILTER]!]);
      await letDaysPass(house, 30);
      await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: job.revision }).expect(200);
    }
    await serve(flat, 80);
    house.clock.now += 3_600_001;
    expect(await ahead()).to.deep.include({ homes: [], withStaff: 1 });
    await turnDay(house.env);
    expect(await open()).to.deep.equal([]);
    const plan = ((await house.manager.post('/plan', { weeks: 4, keep: false }).expect(200)).body as PlanAnswer)
      .plan as Plan;
    expect(plan.tenants).to.deep.equal([]);
    expect(plan.counted.forTenants).to.equal(0);
    expect(plan.people.map(({ id }) => id)).to.include(staff.id);
    expect(plan.counted.inPlan).to.be.at.least(1);
  });

  it('keeps within what a household may be asked for in a month', async () => {
    await contact();
    await rule();
    await house.manager.post('/budgets', { tenancyId: flat.tenancyId, jobs: 0, minutes: 0 }).expect(200);
    await letDaysPass(house, (await lineDay()) - TODAY - 5);
    await turnDay(house.env);
    expect(await open()).to.deep.equal([]);
    const { homes } = await ahead();
    expect(homes[0]!.askDay).to.equal(homes[0]!.today);
    expect(homes[0]!.why).to.match(/no room for it/);
  });

  it('leaves a home to its month’s list, where that is given by itself', async () => {
    await contact();
    await rule();
    await house.manager.post('/budgets', { tenancyId: flat.tenancyId, jobs: 0, minutes: 0 });
    await house.manager.put(`/places/${flat.placeId}/month-list`, { rule: 'FREQ=MONTHLY;BYDAY=1SA', personId: null });
    await letDaysPass(house, (await lineDay()) - TODAY - 5);
    const { homes } = await ahead();
    expect(homes[0]!.why).to.match(/month’s list/);
  });

  it('is for managers to see', async () => {
    const { caller } = await hire(house);
    await caller.get('/askings/ahead').expect(403);
    await flat.tenant.get('/askings/ahead').expect(403);
  });
});
