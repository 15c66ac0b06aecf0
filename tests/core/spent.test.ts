import { expect } from 'chai';
import fc from 'fast-check';
import { DAYS_A_YEAR } from '../../core/calendar/day.ts';
import { burdenOf, PRACTISED } from '../../core/due/burden.ts';
import { spentIn, type DoneWork } from '../../core/due/spent.ts';
import { timeThatCounts } from '../../core/jobs/pace.ts';

const work = (more: Partial<DoneWork>): DoneWork => ({
  placeId: 'a',
  day: 20_000,
  by: 'staff',
  expected: 60,
  took: 30,
  materials: 0,
  parts: [{ riskWeight: 1, heavy: false }],
  ...more,
});
/** A year has twelve of the months that figures are given for. */
const YEAR = DAYS_A_YEAR;

describe('What upkeep took', () => {
  it('is counted a month: hours as they were timed, a door a home and a day, a call likewise, requests by home', () => {
    const spent = spentIn(
      [
        work({ took: 60 }),
        // Another machine of the same home on the same day is no other door.
        work({ took: 60 }),
        work({ day: 20_001, took: 120, expected: 90 }),
        work({ placeId: 'b', took: 60 }),
        work({ by: 'trade', took: 600 }),
        work({ by: 'tenant', took: 40 }),
      ],
      [
        { placeId: 'a', day: 20_000 },
        { placeId: 'a', day: 20_003 },
        { placeId: 'b', day: 20_000 },
      ],
      YEAR,
      { staffHour: 60, door: 12, call: 120 },
    );
    expect(spent).to.include({ services: 6, untimed: 0, staffWorks: 4, mostInAMonth: 2 });
    expect(spent.staffHoursAMonth).to.be.closeTo(5 / 12, 0.001);
    expect(spent.doorsAMonth).to.be.closeTo(3 / 12, 0.001);
    expect(spent.callsAMonth).to.be.closeTo(1 / 12, 0.001);
    expect(spent.tenantRequestsAMonth).to.be.closeTo(3 / 12, 0.001);
    expect(spent.cost!.total).to.be.closeTo((300 + 36 + 120) / 12, 0.01);
  });
  it('says how much was not timed, and takes a practised person’s minutes for that', () => {
    const spent = spentIn([work({ took: null, expected: 100 }), work({})], [], YEAR, null);
    expect(spent).to.include({ untimed: 1, staffWorks: 2, cost: null });
    expect(spent.staffHoursAMonth * 12 * 60).to.be.closeTo(100 * PRACTISED + 30, 0.1);
  });
  it('does not take a job that lay over lunch, or was sent in a rush, by its clock', () => {
    const hours = (took: number) =>
      spentIn([work({ took: timeThatCounts({ expected: 60, took }) })], [], YEAR, null).staffHoursAMonth * 12;
    expect(hours(600)).to.be.closeTo(1.5, 0.001);
    expect(hours(1)).to.be.closeTo(0.25, 0.001);
  });
  it('weighs what was found by risk, and leaves out what nobody graded; calls without a price are none', () => {
    const parts = [
      { riskWeight: 5, heavy: true },
      { riskWeight: 2, heavy: false },
      { riskWeight: 3, heavy: false },
      { riskWeight: 9, heavy: null },
    ];
    expect(spentIn([work({ parts })], [], YEAR, null).heavyShare).to.equal(0.5);
    expect(spentIn([work({ parts: [{ riskWeight: 1, heavy: null }] })], [], YEAR, null).heavyShare).to.equal(null);
    const { cost } = spentIn([work({ by: 'trade', materials: 24 })], [], YEAR, { staffHour: 1, door: 1, call: null });
    expect(cost).to.deep.include({ calls: null, hours: 0, doors: 0 });
    expect(cost!.total).to.be.closeTo(2, 0.01);
  });
  it('is nothing of nothing, and twice of everything twice', () => {
    expect(spentIn([], [], 60, null)).to.deep.equal({
      services: 0,
      untimed: 0,
      staffWorks: 0,
      tenantRequestsAMonth: 0,
      mostInAMonth: 0,
      staffHoursAMonth: 0,
      doorsAMonth: 0,
      callsAMonth: 0,
      heavyShare: null,
      cost: null,
    });
    const some = fc.array(
      fc.record({
        by: fc.constantFrom('tenant', 'staff', 'trade' as const),
        day: fc.integer({ min: 20_000, max: 20_365 }),
        expected: fc.integer({ min: 1, max: 200 }),
        took: fc.option(fc.integer({ min: 0, max: 900 })),
        materials: fc.integer({ min: 0, max: 90 }),
      }),
      { minLength: 1, maxLength: 30 },
    );
    const prices = { staffHour: 40, door: 10, call: 90 };
    fc.assert(
      fc.property(some, (all) => {
        const here = all.map((it) => work(it));
        const there = here.map((it) => ({ ...it, placeId: 'elsewhere' }));
        const [one, two] = [spentIn(here, [], YEAR, prices), spentIn([...here, ...there], [], YEAR, prices)];
        expect(two.staffHoursAMonth).to.be.closeTo(2 * one.staffHoursAMonth, 1e-6);
        expect(two.doorsAMonth).to.be.closeTo(2 * one.doorsAMonth, 1e-6);
        expect(two.cost!.total).to.be.closeTo(2 * one.cost!.total, 1e-6);
        const { hours, doors, calls, materials, total } = one.cost!;
        expect(hours + doors + (calls ?? 0) + materials).to.be.closeTo(total, 1e-6);
      }),
    );
  });
  it('is priced like what is planned: the same hours, doors and materials cost the same', () => {
    const prices = { staffHour: 40, door: 10, call: 90 };
    const point = {
      ...{ placeId: 'a', machineId: 'm', level: 'staff' as const, minutes: 60, scheduled: true, firstDue: 0 },
      ...{ intervalDays: 30.4375, riskWeight: 1, heavy: 0, materials: 6 },
    };
    const planned = burdenOf(
      [point],
      () => false,
      () => ({ jobs: 0, minutes: 0 }),
      prices,
    );
    const done = Array.from({ length: 12 }, (_, i) =>
      work({ day: 20_000 + i * 30, took: 60 * PRACTISED, materials: 6 }),
    );
    expect(spentIn(done, [], YEAR, prices).cost!.total).to.be.closeTo(planned.cost!.total, 0.5);
  });
});
