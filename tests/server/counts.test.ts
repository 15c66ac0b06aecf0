import { expect } from 'chai';
import { v7 } from 'uuid';
import { countedAs, COUNTED_AS, type CountedAs } from '../../core/due/line.ts';
import { doneDayOf, lineOfMark, MARK_FIELDS, WORK, type BoardAnswer } from '../../contract/due/due.ts';
import { ask } from '../../server/sql/connection.ts';
import { type Flat, give, honestWork, type House, letDaysPass, openFlat, registerFlat, TODAY } from './house.ts';

/** Counts, by a second way: the head of the board against plain SQL over the register, riders and all. */
const SECOND_COUNT = `
SELECT CASE WHEN mark.work >= 5 THEN 'sent' WHEN mark.work = 4 THEN 'onHold' WHEN mark.served_day = 0 THEN 'noRecord'
  WHEN ?2 > mark.served_day + mark.interval_days THEN 'past' WHEN mark.served_day + mark.interval_days - ?2 <= 14 THEN 'soon' ELSE 'later' END AS counted, count(*) AS count
FROM point JOIN machine ON machine.id = point.machine_id AND machine.retired_day IS NULL LEFT JOIN mark ON mark.point_id = point.id
WHERE point.organisation_id = ?1 GROUP BY counted`;

describe('Counts that hide nothing', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('refrigerator'));
  });
  afterEach(() => house.close());
  const log = (point: string, done: string) =>
    house.manager.post('/records', { id: v7(), pointId: point, done, grade: 'due' }).expect(200);
  const board = async () => (await house.manager.get('/board').expect(200)).body as BoardAnswer;

  /** What the web counts: every mark of every row, as one thing. */
  const headOf = ({ rows, properties }: BoardAnswer) => {
    const counts = Object.fromEntries(COUNTED_AS.map((key) => [key, 0])) as Record<CountedAs, number>;
    for (const { marks, property } of rows) {
      for (let i = 0; i < marks.length; i += MARK_FIELDS) {
        const mark = {
          servedDay: marks[i + 2]!,
          intervalDays: marks[i + 3]!,
          capSlack: marks[i + 4]!,
          work: marks[i + 5]!,
        };
        doneDayOf(mark);
        counts[
          countedAs(lineOfMark(mark), {
            today: properties[property]!.today,
            onHold: mark.work === WORK.onHold,
            sent: mark.work >= WORK.sent,
          })
        ] += 1;
      }
    }
    return counts;
  };
  const second = async (today: number) => {
    const rows = await ask<{ counted: CountedAs; count: number }>(house.env.store.db, SECOND_COUNT, [
      (await house.env.store.db.organisation.all({}))[0]!.id,
      today,
    ]);
    return {
      ...Object.fromEntries(COUNTED_AS.map((key) => [key, 0])),
      ...Object.fromEntries(rows.map(({ counted, count }) => [counted, count])),
    };
  };

  it('find every kept part of a register in exactly one count, the same by the head, by plain SQL and on the home', async () => {
    const washer = await registerFlat(house, 'washer', 'Flat 2');
    const dryer = await registerFlat(house, 'dryer', 'Flat 3');
    const all = [...Object.values(flat.points), ...Object.values(washer.points), ...Object.values(dryer.points)];
    for (const [i, point] of all.entries())
      if (i % 4 !== 3) await log(point, ['2026-11-20', '2026-05-20', '2025-06-01'][i % 3]!);
    const job = await give(house, washer.tenant, washer.tenantId, [washer.points['washer.doorBoot']!]);
    await washer.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, washer.tenant, job)).expect(200);
    await house.manager
      .post(`/places/${dryer.placeId}/hold`, { until: '2027-01-20', reason: 'Between tenancies' })
      .then(({ status }) => expect(status).to.be.oneOf([200, 409, 422]));
    const head = headOf(await board());
    expect(head).to.deep.equal(await second(TODAY));
    expect(COUNTED_AS.reduce((sum, key) => sum + head[key], 0)).to.equal(all.length);
    expect(head.past).to.be.above(2);
    expect(head.sent).to.equal(1);
    const place = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
    expect(place.standing.inOrder.of).to.equal(Object.keys(flat.points).length);
  });
  it('keep riders in them: a late rider is as late as any other', async () => {
    for (const point of Object.values(flat.points)) await log(point, '2025-11-01');
    const answer = await board();
    const riders = answer.rows.flatMap(({ marks }) => marks.filter((_, i) => i % MARK_FIELDS === 6));
    expect(riders).to.have.length(Object.keys(flat.points).length);
    expect(headOf(answer).past).to.be.at.least(5);
    const place = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
    expect(place.standing.inOrder.count).to.equal(place.standing.inOrder.of - headOf(answer).past);
  });
  it('call past what is past from the day after the line day, on the board, on the home and in the standing alike', async () => {
    await log(flat.points['refrigerator.coil']!, '2026-11-24');
    const point = async () => (await house.manager.get(`/points/${flat.points['refrigerator.coil']}`).expect(200)).body;
    const { mark } = await point();
    await letDaysPass(house, mark.intervalDays);
    expect(headOf(await board())).to.include({ past: 0, soon: 1 });
    await letDaysPass(house, 1);
    expect(headOf(await board())).to.include({ past: 1, soon: 0 });
    expect((await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.standing.verdict).not.to.equal(
      'sound',
    );
  });
  it('leave a first-ever service out of what was on time, and judge by the line and its grace', async () => {
    const coil = flat.points['refrigerator.coil']!;
    await log(coil, '2026-11-24');
    const onTime = async () => (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.standing.onTime;
    expect(await onTime()).to.deep.equal({ count: 0, of: 0 });
    const { mark } = (await house.manager.get(`/points/${coil}`).expect(200)).body;
    await letDaysPass(house, mark.intervalDays + 7);
    const isoOf = () => new Date(house.clock.now).toISOString().slice(0, 10);
    await log(coil, isoOf());
    expect(await onTime()).to.deep.equal({ count: 1, of: 1 });
    const again = (await house.manager.get(`/points/${coil}`).expect(200)).body.mark;
    await letDaysPass(house, again.intervalDays + 8);
    await log(coil, isoOf());
    expect(await onTime()).to.deep.equal({ count: 1, of: 2 });
  });
  it('say of a register of which nothing is known just that, and of the plan that is kept', async () => {
    const empty = await board();
    expect(headOf(empty).noRecord).to.equal(Object.keys(flat.points).length);
    expect(empty.waiting.baseline).to.equal(null);
    await house.manager.post('/baseline', { propertyId: null, weeks: 6, start: '2026-11-24' }).expect(200);
    expect((await board()).waiting.baseline).to.include({ planned: Object.keys(flat.points).length });
  });
  it('believe a day of last service that is claimed, by the home, by the table and many at once, until a service is recorded', async () => {
    const washer = v7();
    await house.manager
      .post('/machines', {
        id: washer,
        placeId: flat.placeId,
        type: 'washer',
        fuel: 'electric',
        owner: 'landlord',
        lastDone: '2026-10-01',
      })
      .expect(200);
    const marks = await house.env.store.db.mark.all({ placeId: flat.placeId });
    const ofWasher = new Set((await house.env.store.db.point.all({ machineId: washer })).map(({ id }) => id));
    for (const mark of marks.filter(({ pointId }) => ofWasher.has(pointId)))
      expect(mark).to.include({ evidence: 'attested', servedDay: TODAY - 54 });
    expect(
      (await house.manager.post('/last-done', { propertyId: null, kind: 'coil', day: '2026-09-01' }).expect(200)).body
        .claimed,
    ).to.equal(1);
    expect(
      (await house.manager.post('/last-done', { propertyId: null, kind: null, day: '2026-09-01' }).expect(200)).body
        .claimed,
    ).to.equal(marks.length - ofWasher.size - 1);
    expect(headOf(await board()).noRecord).to.equal(0);
    await house.manager
      .post('/last-done', { propertyId: null, kind: null, day: '2027-09-01' })
      .then(({ body }) => expect(body.claimed).to.equal(0));
    await log(flat.points['refrigerator.coil']!, '2026-11-20');
    expect((await house.env.store.db.mark.one({ pointId: flat.points['refrigerator.coil']! }))!).to.include({
      evidence: 'selfCertified',
      servedDay: TODAY - 4,
    });
  });
});
