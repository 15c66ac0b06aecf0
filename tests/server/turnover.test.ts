import { expect } from 'chai';
import { v7 } from 'uuid';
import { MARK_FIELDS } from '../../contract/due/due.ts';
import { turnDay } from '../../server/clock/daily.ts';
import { type Flat, give, honestWork, type House, HOUSEHOLD, letDaysPass, openFlat, registerFlat } from './house.ts';

const BOOT = 'washer.doorBoot';
let house: House;
let flat: Flat;
beforeEach(async () => {
  ({ house, flat } = await openFlat());
});
afterEach(() => house.close());
const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
const log = (procedure: string, done: string, more: object = {}) =>
  house.manager.post('/records', { id: v7(), pointId: flat.points[procedure], done, ...more }).expect(200);
const point = (procedure = BOOT) => read(`/points/${flat.points[procedure]}`);
const end = (form: object) => house.manager.post(`/tenancies/${flat.tenancyId}/end`, form);
const begin = (from: string, household: object = HOUSEHOLD) =>
  house.manager.post('/tenancies', {
    id: v7(),
    placeId: flat.placeId,
    personId: v7(),
    name: 'S. Corrigan-Bly',
    from,
    household,
  });

describe('Turnover', () => {
  it('ends a tenancy: its link and session go with its last day, and the home can be let again', async () => {
    expect((await begin('2026-12-01').expect(409)).body.detail).to.contain('already has a tenancy');
    await end({ last: '2026-11-26' }).expect(200);
    await flat.tenant.get('/home').expect(200);
    await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(409);
    await letDaysPass(house, 3);
    await flat.tenant.get('/home').expect(401);
    await begin('2026-12-01').expect(200);
    expect((await end({ last: '2026-11-27' }).expect(409)).body.detail).to.contain('ended on 26 November 2026');
  });
  it('leaves the link and session open to the end of the last day, in the zone of the property', async () => {
    await end({ last: '2026-11-26' }).expect(200);
    house.clock.now = Date.UTC(2026, 10, 26, 23, 30);
    await flat.tenant.get('/home').expect(200);
    house.clock.now = Date.UTC(2026, 10, 27, 0, 30);
    await flat.tenant.get('/home').expect(401);
  });
  it('lets a home from the day after a tenancy ended, and not from its last day', async () => {
    await end({ last: '2026-11-26' }).expect(200);
    await begin('2026-11-26').expect(409);
    await begin('2026-11-27').expect(200);
  });
  it('refuses days that cannot be', async () => {
    expect((await end({ last: '2024-12-31' }).expect(422)).body.fields.last).to.contain('before the tenancy began');
    expect((await end({ last: '2026-11-20', holdUntil: '2026-11-20' }).expect(422)).body.fields.holdUntil).to.contain(
      'after today',
    );
    expect((await read(`/places/${flat.placeId}`)).tenancy.to).to.equal(null);
  });
  it('takes back what the tenant still had in hand', async () => {
    await log(BOOT, '2026-11-01');
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await end({ last: '2026-11-23' }).expect(200);
    expect((await house.env.store.db.job.one({ id: job.id }))!.state).to.equal('cancelled');
    expect((await point()).job).to.equal(null);
  });
  it('takes it back when the day comes, where the end was known ahead', async () => {
    await log(BOOT, '2026-11-01');
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await end({ last: '2026-11-25' }).expect(200);
    await turnDay(house.env);
    expect((await point()).job.state).to.equal('given');
    await letDaysPass(house, 2);
    await turnDay(house.env);
    expect((await house.env.store.db.job.one({ id: job.id }))!.state).to.equal('cancelled');
    expect((await point()).mark.work).to.equal(0);
    // The clock did it, not somebody of the office; and it is nobody who could be given work.
    const [event] = (await house.env.store.db.jobEvent.all({ jobId: job.id })).filter(
      ({ toState }) => toState === 'cancelled',
    );
    expect((await house.env.store.db.person.one({ id: event!.personId }))!.name).to.equal('Dewline, by the clock');
    expect(JSON.stringify((await house.manager.get('/people').expect(200)).body)).not.to.contain('by the clock');
  });
  it('asks the household afresh, keeps the machine’s history, and widens what was learned', async () => {
    for (const day of ['2026-06-01', '2026-07-01', '2026-08-01', '2026-09-01', '2026-10-01', '2026-11-20'])
      await log(BOOT, day, { grade: 'heavy' });
    const before = await read(`/points/${flat.points[BOOT]}/working`);
    await end({ last: '2026-11-21' }).expect(200);
    await begin('2026-11-22', { people: 5, pets: 0, cooking: 'average' }).expect(200);
    const after = await read(`/points/${flat.points[BOOT]}/working`);
    expect(after.conditions.filter(({ loads }: { loads: number | null }) => loads !== null)).to.have.length(5);
    expect(after.speed.high / after.speed.low).to.be.above((before.speed.high / before.speed.low) * 1.1);
    expect(after.terms.map(({ says }: { says: string }) => says)).to.include('5 people at home');
    expect(after.days).to.be.below(before.days);
  });
  it('holds the empty home until a review: on hold, out of standing and lists, paused, never freshened', async () => {
    await log(BOOT, '2026-11-04');
    await end({ last: '2026-11-23', holdUntil: '2027-01-10' }).expect(200);
    const held = await point();
    expect(held.hold).to.equal('On hold until 10 January 2027: empty between two tenancies');
    expect(held.mark.work).to.equal(4);
    const { standing, hold } = await read(`/places/${flat.placeId}`);
    expect(standing.inOrder).to.deep.equal({ count: 0, of: 0 });
    expect(hold.until).to.equal('2027-01-10');
    await letDaysPass(house, 40);
    await turnDay(house.env);
    expect((await point()).mark.work).to.equal(4);
    await letDaysPass(house, 8);
    await turnDay(house.env);
    const back = await point();
    expect(back.mark.work).to.equal(0);
    // Twenty of its thirty days were used before the hold, and none of them came back.
    expect(back.mark.servedDay + back.mark.intervalDays - back.place.today).to.be.at.most(10);
  });
  it('is taken off hold by the next tenancy', async () => {
    await end({ last: '2026-11-23', holdUntil: '2027-01-10' }).expect(200);
    await begin('2026-11-24').expect(200);
    expect((await point()).hold).to.equal(null);
    expect((await point()).mark.work).to.equal(0);
    expect((await read(`/places/${flat.placeId}`)).hold).to.equal(null);
  });
  it('lists what the home wants: past the middle to be served, without a record too, risky ones to be looked at', async () => {
    await log(BOOT, '2026-11-01');
    await log('washer.drainPumpFilter', '2026-11-10');
    const { machines, minutes } = await read(`/places/${flat.placeId}/turnover`);
    const todo = Object.fromEntries(
      machines[0].tasks.map(({ name, todo: what }: { name: string; todo: string }) => [name, what]),
    );
    expect(todo).to.deep.equal({
      'Door boot and glass': 'serve',
      'Drain-pump filter': 'look',
      Tub: 'serve',
      'Dispenser drawer': 'look',
    });
    expect(machines[0].habits).to.have.length(4);
    expect(minutes).to.equal(15 + 1 + 10 + 1);
  });
});

describe('A budget', () => {
  const giveAgain = (pointIds: string[]) =>
    house.manager.post('/jobs', { id: v7(), pointIds, assigneeId: flat.tenantId });

  it('lets a tenancy be asked for two jobs and forty minutes a month; staff get the rest', async () => {
    await give(house, flat.tenant, flat.tenantId, [flat.points['washer.drainPumpFilter']!]);
    const { assignees } = await point();
    expect(assignees[0]).to.include({
      role: 'tenant',
      may: true,
      budget: '1 of 2 requests, 25 min of 40 min this month',
    });
    const refused = await giveAgain([flat.points[BOOT]!, flat.points['washer.tub']!]).expect(409);
    expect(refused.body.detail).to.contain('has had this month’s share');
    await giveAgain([flat.points[BOOT]!]).expect(200);
    await giveAgain([flat.points['washer.tub']!]).expect(409);
    await letDaysPass(house, 10);
    await giveAgain([flat.points['washer.tub']!]).expect(200);
  });
  it('may be another for one tenancy, or for all', async () => {
    await house.manager.post('/budgets', { jobs: 0, minutes: 0 }).expect(200);
    await giveAgain([flat.points[BOOT]!]).expect(409);
    await house.manager.post('/budgets', { tenancyId: flat.tenancyId, jobs: 3, minutes: 60 }).expect(200);
    await giveAgain([flat.points[BOOT]!]).expect(200);
    expect((await read(`/places/${flat.placeId}`)).budget).to.deep.equal({
      jobs: 3,
      minutes: 60,
      pace: 1,
      usedJobs: 1,
      usedMinutes: 15,
    });
  });
  it('counts no job that was cancelled, and one sent back only once', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: job.revision }).expect(200);
    expect((await read(`/places/${flat.placeId}`)).budget.usedJobs).to.equal(0);
    const again = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const form = await honestWork(house, flat.tenant, again);
    await flat.tenant.post(`/jobs/${again.id}/submission`, form).expect(200);
    await house.manager
      .post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'sendBack', reason: 'Too dark.' })
      .expect(200);
    expect((await read(`/places/${flat.placeId}`)).budget.usedJobs).to.equal(1);
  });
});

describe('Core and ride-along points', () => {
  it('are all on the board, the drawer as one that rides until it is switched on, and offered when the washer is opened', async () => {
    const asking = async () => {
      const { marks } = (await read('/board')).rows[0];
      return marks.filter((rides: number, i: number) => i % MARK_FIELDS === MARK_FIELDS - 1 && rides === 0);
    };
    expect((await read('/board')).rows[0].marks).to.have.length(4 * MARK_FIELDS);
    expect(await asking()).to.have.length(3);
    expect((await point()).rideAlong.find(({ name }: { name: string }) => name === 'Dispenser drawer')).to.include({
      chosen: true,
    });
    await house.manager.put(`/points/${flat.points['washer.drawer']}/scheduled`, { scheduled: 'yes' }).expect(200);
    expect(await asking()).to.have.length(4);
    await house.manager.put(`/points/${flat.points['washer.tub']}/scheduled`, { scheduled: 'no' }).expect(200);
    expect(await asking()).to.have.length(3);
  });
});

describe('Habits', () => {
  const answer = (habit: string, kept: string, caller = flat.tenant) =>
    caller.post('/habits', { answers: [{ id: v7(), machineId: flat.machineId, habit, kept }] });
  const habits = async () => (await read(`/places/${flat.placeId}`)).habits;
  const asked = async () =>
    (await flat.tenant.get('/home').expect(200)).body.habits.map(({ habit }: { habit: string }) => habit);

  it('are taught and asked on a rhythm: monthly for most, and again when the month is over', async () => {
    expect(await asked()).to.deep.equal(['washer.doorOpen', 'washer.pockets', 'washer.bootWipe', 'washer.dose']);
    expect((await answer('washer.doorOpen', 'kept').expect(200)).body.thanks).to.contain('keeps it running');
    expect(await asked()).not.to.include('washer.doorOpen');
    await letDaysPass(house, 29);
    expect(await asked()).not.to.include('washer.doorOpen');
    await letDaysPass(house, 1);
    expect(await asked()).to.include('washer.doorOpen');
  });
  it('are spot-checked by staff, and lapses are counted for the household that had them', async () => {
    await answer('washer.pockets', 'lapsed').expect(200);
    await house.manager
      .post('/habits/checks', {
        id: v7(),
        machineId: flat.machineId,
        habit: 'washer.pockets',
        kept: 'lapsed',
        note: 'Three coins.',
      })
      .expect(200);
    const pockets = (await habits()).find(({ habit }: { habit: string }) => habit === 'washer.pockets');
    expect(pockets).to.deep.include({
      lapses: 2,
      attested: { day: '2026-11-24', kept: false },
      checked: { day: '2026-11-24', kept: false, by: 'R. Okonjo-Vane' },
    });
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-11-24' }).expect(200);
    await letDaysPass(house, 1);
    await begin('2026-11-25').expect(200);
    expect((await habits()).map(({ lapses }: { lapses: number }) => lapses)).to.deep.equal([0, 0, 0, 0]);
  });
  it('belong to their machine, and to somebody who lives there', async () => {
    await answer('dryer.lintEachLoad', 'kept').expect(422);
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    await answer('washer.doorOpen', 'kept', other.tenant).expect(404);
  });
});
