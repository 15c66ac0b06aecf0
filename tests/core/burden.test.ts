import { expect } from 'chai';
import fc from 'fast-check';
import { BUDGET, burdenOf, PRACTISED, type BurdenPoint } from '../../core/due/burden.ts';
import { turnoverTask } from '../../core/due/turnover.ts';

const point = (more: Partial<BurdenPoint> = {}): BurdenPoint => ({
  placeId: 'a',
  machineId: 'm',
  level: 'tenant',
  minutes: 15,
  scheduled: true,
  firstDue: 10,
  intervalDays: 60,
  riskWeight: 1,
  heavy: 0.2,
  materials: 0,
  ...more,
});
const burden = (points: readonly BurdenPoint[], let_ = true, prices: Parameters<typeof burdenOf>[3] = null) =>
  burdenOf(
    points,
    () => let_,
    () => BUDGET,
    prices,
  );

describe('The burden of a practice', () => {
  it('counts one request for each time a tenant’s point falls due in a year', () => {
    // Due on days 10, 70, … 310 and, within the year, not on 370.
    expect(burden([point()]).tenantRequestsAMonth * 12).to.equal(6);
    expect(burden([point({ intervalDays: 30 })]).tenantRequestsAMonth * 12).to.equal(12);
  });
  it('makes one sitting of points of one machine that fall due near each other', () => {
    expect(burden([point(), point({ firstDue: 20 })]).tenantRequestsAMonth * 12).to.equal(6);
    // Two machines of one home near each other are two sittings in one request; far apart they are two requests.
    expect(burden([point(), point({ firstDue: 20, machineId: 'n' })]).tenantRequestsAMonth * 12).to.equal(6);
    expect(burden([point(), point({ firstDue: 40, machineId: 'n' })]).tenantRequestsAMonth * 12).to.equal(12);
  });
  it('lets what rides ask by its line where nothing opens its machine, and come along where something does', () => {
    expect(burden([point({ scheduled: false })]).tenantRequestsAMonth * 12).to.equal(6);
    expect(burden([point(), point({ scheduled: false, firstDue: 12, minutes: 5 })]).tenantRequestsAMonth * 12).to.equal(
      6,
    );
  });
  it('gives staff what a tenant may not do, an empty home, and what exceeds the budget', () => {
    expect(burden([point({ level: 'staff' })]).staffJobsAMonth * 12).to.equal(6);
    expect(burden([point()], false).staffJobsAMonth * 12).to.equal(6);
    const busy = burden(
      ['m', 'n', 'o', 'p'].map((machineId, i) => point({ machineId, intervalDays: 30, firstDue: 7 * i, minutes: 5 })),
    );
    expect(busy.mostInAMonth).to.equal(2);
    expect(busy.spilledAMonth).to.be.above(1.5);
  });
  it('counts staff at a practised person’s minutes and near work in one home as one door', () => {
    const { staffHoursAMonth, doorsAMonth } = burden([
      point({ level: 'staff', minutes: 60 }),
      point({ level: 'staff', minutes: 60, machineId: 'n', firstDue: 15 }),
    ]);
    expect(staffHoursAMonth * 12).to.be.closeTo(12 * PRACTISED, 1e-9);
    expect(doorsAMonth * 12).to.equal(6);
  });
  it('costs hours, doors and materials, or nothing that is known', () => {
    const priced = burden([point({ level: 'staff', minutes: 60, materials: 3 })], true, {
      staffHour: 40,
      door: 10,
      call: null,
    });
    const { hours, doors, calls, materials, total } = priced.cost!;
    expect([hours, doors, calls, materials].map((it) => Math.round(it! * 12))).to.deep.equal([
      Math.round(6 * PRACTISED * 40),
      6 * 10,
      0,
      6 * 3,
    ]);
    expect(total).to.be.closeTo(hours + doors + calls! + materials, 1e-9);
    expect(burden([point()]).cost).to.equal(null);
  });
  it('counts what only a licensed trade may do as calls, not as hours of staff, and says where they have no price', () => {
    const trade = (call: number | null) =>
      burden(
        [
          point({ level: 'licensed', minutes: 60 }),
          point({ level: 'licensed', minutes: 60, machineId: 'n', firstDue: 15 }),
        ],
        true,
        { staffHour: 40, door: 10, call },
      );
    expect(trade(null)).to.include({ staffHoursAMonth: 0, doorsAMonth: 0, tenantRequestsAMonth: 0 });
    expect(trade(null).callsAMonth * 12).to.equal(6);
    expect(trade(null).cost).to.include({ calls: null, total: 0 });
    expect(trade(90).cost!.calls! * 12).to.equal(6 * 90);
  });
  it('is told month by month, each service in one of them, a tenant’s in their own minutes', () => {
    const { months, tenantRequestsAMonth, staffHoursAMonth } = burdenOf(
      [point(), point({ level: 'staff', machineId: 'n', minutes: 30 })],
      () => true,
      () => BUDGET,
      null,
      () => 0.5,
    );
    expect(months).to.have.length(12);
    expect(months.reduce((sum, { requests }) => sum + requests, 0)).to.be.closeTo(tenantRequestsAMonth * 12, 1e-9);
    expect(months.reduce((sum, { staffHours }) => sum + staffHours, 0)).to.be.closeTo(staffHoursAMonth * 12, 1e-9);
    expect(months.reduce((sum, { tenantMinutes }) => sum + tenantMinutes, 0)).to.equal(6 * 15 * 0.5);
  });
  it('never shrinks when an interval does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 14, max: 300 }),
        fc.integer({ min: 0, max: 60 }),
        fc.constantFrom('tenant', 'staff'),
        (intervalDays, firstDue, level) => {
          const of = (days: number) => {
            const it = burden([point({ intervalDays: days, firstDue, level: level as 'tenant' | 'staff' })]);
            return it.tenantRequestsAMonth + it.staffJobsAMonth;
          };
          return of(Math.ceil(intervalDays / 2)) >= of(intervalDays);
        },
      ),
    );
  });
  it('is nothing without points', () => {
    expect(burden([])).to.include({ tenantRequestsAMonth: 0, doorsAMonth: 0, heavyShare: 0, mostInAMonth: 0 });
  });
});

describe('The turnover list', () => {
  const task = (more: object) =>
    turnoverTask({ share: 0.2, safetyCritical: false, riskWeight: 1, scheduled: true, ...more });
  it('serves past the middle and without a record, looks at the risky, leaves the rest', () => {
    expect([
      task({ share: 0.5 }),
      task({ share: 1.4 }),
      task({ share: undefined }),
      task({ safetyCritical: true }),
      task({ riskWeight: 4 }),
      task({}),
    ]).to.deep.equal(['serve', 'serve', 'serve', 'look', 'look', 'leave']);
    expect(task({ share: undefined, scheduled: false })).to.equal('look');
  });
});
