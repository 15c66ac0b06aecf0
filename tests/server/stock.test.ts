import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { StockAnswer } from '../../contract/stock/stock.ts';
import { type Flat, hire, type House, letDaysPass, openFlat, TODAY } from './house.ts';

const FILTER = 'airHandler.returnFilter';

/** The shelf follows the register, the dates and the records; nobody keeps a second book. */
describe('Stock', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('airHandler'));
  });
  afterEach(() => house.close());
  const stock = async () => (await house.manager.get('/stock').expect(200)).body as StockAnswer;
  const filter = async () => (await stock()).items.find(({ item }) => item.startsWith('airFilter'))!;
  const sized = (filterSize: string) =>
    house.manager
      .put(`/points/${flat.points[FILTER]}/specification`, { specification: { filterSize }, basedOn: null })
      .expect(200);
  const change = (kind: string, quantity: unknown, item = 'airFilter 16 × 25 × 1 in') =>
    house.manager.post('/stock/changes', { id: v7(), item, kind, quantity });
  const serve = (daysAgo: number) =>
    house.manager
      .post('/records', {
        id: v7(),
        pointId: flat.points[FILTER],
        done: isoFromDay(TODAY - daysAgo),
        grade: 'due',
        finds: [],
        note: '',
      })
      .expect(200);

  it('names what has no size, and counts it all the same', async () => {
    expect(await stock()).to.include({ withoutSize: 1 });
    expect(await filter()).to.include({ item: 'airFilter', size: null, parts: 1, shelf: null, order: null });
    await sized('16x25x1');
    expect((await stock()).withoutSize).to.equal(0);
    expect(await filter()).to.include({ item: 'airFilter 16 × 25 × 1 in', size: '16 × 25 × 1 in', parts: 1 });
  });

  it('takes from the shelf what records say, from the count on, and adds what came in', async () => {
    await sized('16 x 25 x 1');
    await serve(40);
    await change('received', 3).expect(200);
    expect((await filter()).shelf).to.equal(null);
    house.clock.now += 1000;
    await change('counted', 5).expect(200);
    expect(await filter()).to.include({ shelf: 5, taken: 0 });
    await letDaysPass(house, 3);
    await serve(-3);
    expect(await filter()).to.include({ shelf: 4, taken: 1 });
    await change('received', 10).expect(200);
    expect((await filter()).shelf).to.equal(14);
    await change('counted', 12).expect(200);
    expect(await filter()).to.include({ shelf: 12, taken: 0 });
  });

  it('forecasts from the dates: nothing just after a service, one near the line, and orders whole packs in time', async () => {
    await sized('16 x 25 x 1');
    await serve(1);
    const fresh = await filter();
    expect(fresh.weeks[0]!.mean).to.be.below(0.1);
    expect(fresh.weeks).to.have.length(8);
    await change('counted', 0).expect(200);
    await house.manager
      .put('/stock/items', {
        item: fresh.item,
        supplier: 'Quayside Supply',
        price: 14,
        pack: 6,
        leadWeeks: 3,
        service: 0.95,
      })
      .expect(200);
    await letDaysPass(house, 80);
    const due = await filter();
    expect(due.leadMean).to.be.above(0.7);
    expect(due).to.include({ supplier: 'Quayside Supply', price: 14, shelf: 0, order: 6 });
    expect(due.reorderAt).to.be.at.least(1);
    await change('received', 6).expect(200);
    expect((await filter()).order).to.equal(0);
  });

  it('is refused what it does not know, and is no business of a limited manager', async () => {
    await sized('16 x 25 x 1');
    await change('counted', 5, 'airFilter 99x99x9').expect(422);
    await change('counted', -1).expect(422);
    await change('counted', 1.5).expect(422);
    await house.manager
      .put('/stock/items', { item: 'airFilter 16 × 25 × 1 in', pack: 0, leadWeeks: 2, service: 0.95 })
      .expect(422);
    const { caller: staff } = await hire(house);
    await staff.get('/stock').expect(200);
    await staff
      .put('/stock/items', { item: 'airFilter 16 × 25 × 1 in', pack: 1, leadWeeks: 2, service: 0.95 })
      .expect(403);
    await flat.tenant.get('/stock').expect(403);
  });

  it('is ordered before the round that needs it, minus what is there, in time or too late', async () => {
    await sized('16 x 25 x 1');
    await serve(30);
    const { id: personId } = await hire(house);
    const stop = { placeId: flat.placeId, personId, backMinute: null, overMinute: null, visitId: null, createdAt: 1 };
    const goes = (day: number) =>
      house.env.store.write(async (db) => {
        const { organisationId } = (await db.place.one({ id: flat.placeId }))!;
        const { number } = (await db.point.one({ id: flat.points[FILTER]! }))!;
        const at = { day, fromMinute: 540, untilMinute: 570, numbers: JSON.stringify([number]) };
        await db.roundStop.insert({ ...stop, ...at, id: v7(), organisationId });
      });
    await goes(TODAY + 30);
    expect(await filter()).to.deep.include({
      rounds: [{ day: TODAY + 30, who: 'T. Hollis', count: 1, left: null }],
      lack: null,
      order: null,
    });
    await change('counted', 1).expect(200);
    expect(await filter()).to.deep.include({ lack: null, order: 0 });
    await goes(TODAY + 5);
    await house.manager
      .put('/stock/items', { item: 'airFilter 16 × 25 × 1 in', price: 9, pack: 4, leadWeeks: 2, service: 0.95 })
      .expect(200);
    const lacks = await filter();
    expect(lacks.rounds.map(({ left }) => left)).to.deep.equal([0, -1]);
    expect(lacks.lack).to.deep.equal({ count: 1, day: TODAY + 30, orderBy: TODAY + 16 });
    expect(lacks.order).to.equal(4);
    // What was served meanwhile is not taken again by a round before that day; what is over is no round to come.
    await letDaysPass(house, 31);
    expect((await filter()).rounds).to.deep.equal([]);
  });

  it('counts nothing for a home on hold', async () => {
    await sized('16 x 25 x 1');
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/end`, { last: isoFromDay(TODAY - 1), holdUntil: isoFromDay(TODAY + 60) })
      .expect(200);
    expect((await stock()).items.filter(({ parts }) => parts > 0)).to.deep.equal([]);
  });
});
