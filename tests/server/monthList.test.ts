import { expect } from 'chai';
import { v7 } from 'uuid';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import type { MonthListAnswer } from '../../contract/jobs/monthList.ts';
import type { HomeAnswer } from '../../contract/jobs/jobs.ts';
import { turnDay } from '../../server/clock/daily.ts';
import {
  type Caller,
  DAY_MS,
  type Flat,
  hire,
  honestWork,
  type House,
  NOON,
  openFlat,
  PASSWORD,
  registerFlat,
  TODAY,
} from './house.ts';

/** The clock of a house stands on a Tuesday; the first Saturday after it is the fifth of December. */
const SATURDAY = dayFromIso('2026-12-05');
const FIRST_SATURDAY = 'FREQ=MONTHLY;BYDAY=1SA';

describe('The month’s list of a home', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
    // The boot is near its line, the tub will be past it before January, the filter is fresh for longer.
    for (const [procedure, daysAgo] of [
      ['washer.doorBoot', 400],
      ['washer.tub', 15],
      ['washer.drainPumpFilter', 1],
      ['washer.dispenser', 1],
    ] as const) {
      const pointId = flat.points[procedure];
      if (!pointId) continue;
      const record = { id: v7(), pointId, done: isoFromDay(TODAY - daysAgo), grade: 'light', finds: [], note: '' };
      await house.manager.post('/records', record).expect(200);
    }
  });
  afterEach(() => house.close());

  const choose = (form: object) => house.manager.put(`/places/${flat.placeId}/month-list`, form);
  const read = async (by: Caller = house.manager): Promise<MonthListAnswer> =>
    (await by.get(by === flat.tenant ? '/month-list' : `/places/${flat.placeId}/month-list`).expect(200)).body;
  /** Noon of a day, by the house's clock. */
  const comes = async (day: number): Promise<void> => {
    house.clock.now = NOON + (day - TODAY) * DAY_MS;
    await turnDay(house.env);
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
  };

  it('shows what it would be for, and is given three days before its day, once', async () => {
    expect(await read()).to.deep.include({ rule: null, day: null, given: false, sittings: [] });
    await choose({ rule: FIRST_SATURDAY, personId: null }).expect(200);
    const toCome = await read();
    expect(toCome).to.deep.include({ day: isoFromDay(SATURDAY), given: false, left: [] });
    expect(toCome.says).to.equal('on the first Saturday of every month');
    expect(toCome.sittings.map(({ state, jobId }) => [state, jobId])).to.deep.equal([['toCome', null]]);
    await turnDay(house.env);
    expect((await read()).given, 'eleven days before').to.equal(false);
    await comes(SATURDAY - 3);
    const given = await read();
    expect(given).to.deep.include({ day: isoFromDay(SATURDAY), given: true });
    expect(given.sittings.map(({ parts }) => parts)).to.deep.equal(toCome.sittings.map(({ parts }) => parts));
    expect(given.sittings.map(({ state, mine }) => [state, mine])).to.deep.equal([['open', false]]);
    await turnDay(house.env);
    const jobs = await house.env.store.db.job.all({ placeId: flat.placeId });
    expect(jobs).to.have.length(1);
    expect(jobs[0]).to.include({ assigneeId: flat.tenantId, state: 'given' });
  });

  it('is ticked by what is proven, on the page of whoever lives there', async () => {
    await choose({ rule: FIRST_SATURDAY, personId: null }).expect(200);
    await comes(SATURDAY - 2);
    const [sitting] = (await read(flat.tenant)).sittings;
    expect(sitting).to.include({ state: 'open', mine: true });
    expect(((await flat.tenant.get('/home').expect(200)).body as HomeAnswer).monthList).to.equal(isoFromDay(SATURDAY));
    const job = (await flat.tenant.get(`/jobs/${sitting!.jobId}`).expect(200)).body;
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    expect((await read(flat.tenant)).sittings[0]!.state).to.equal('sent');
    // January has a list of its own: the first Saturday is the second.
    await comes(dayFromIso('2026-12-31'));
    expect(await read()).to.include({ day: '2027-01-02', given: true });
  });

  it('is a landlord’s own where they say so, and names what could not be given', async () => {
    const me = (await house.env.store.db.person.one({ email: 'vane@saltmarsh.example' }))!;
    await choose({ rule: FIRST_SATURDAY, personId: me.id }).expect(200);
    await comes(SATURDAY);
    const mine = await read();
    expect(mine.sittings.every((it) => it.mine)).to.equal(true);
    expect(mine.sittings).to.not.have.length(0);
    const other = await registerFlat(house, 'dishwasher', 'Flat 2B');
    await house.manager
      .put(`/places/${other.placeId}/month-list`, { rule: FIRST_SATURDAY, personId: null })
      .expect(200);
    await house.manager.post(`/tenancies/${other.tenancyId}/end`, { last: isoFromDay(SATURDAY - 1) }).expect(200);
    await comes(dayFromIso('2026-12-31'));
    const { left } = (await house.manager.get(`/places/${other.placeId}/month-list`).expect(200)).body;
    expect(left.join()).to.contain('Dishwasher');
  });

  it('is refused where its rule never occurs or whose it is may not do it, and goes where it is taken back', async () => {
    const staff = await hire(house);
    await choose({ rule: 'FREQ=HOURLY', personId: null }).expect(422);
    await choose({ rule: FIRST_SATURDAY, personId: v7() }).expect(422);
    await staff.caller.put(`/places/${flat.placeId}/month-list`, { rule: FIRST_SATURDAY, personId: null }).expect(403);
    await choose({ rule: FIRST_SATURDAY, personId: staff.id }).expect(200);
    expect((await read(staff.caller)).personId).to.equal(staff.id);
    await choose({ rule: null }).expect(200);
    await comes(SATURDAY);
    expect(await house.env.store.db.job.count({ placeId: flat.placeId })).to.equal(0);
  });
});
