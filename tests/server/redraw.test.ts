import { expect } from 'chai';
import { v7 } from 'uuid';
import { machineTypeOf } from '../../core/catalogue/machines.ts';
import { LINES_LEFT, MARK_FIELDS } from '../../contract/due/due.ts';
import { AT_ONCE, recomputeNow } from '../../server/due/recompute.ts';
import { redrawing } from '../../server/due/redraw.ts';
import { countPutOff } from '../../server/sql/redraw.ts';
import { openHouse, ZONE, type House } from './house.ts';

const FLATS = 40;
const PARTS = FLATS * (machineTypeOf('washer').points.length + machineTypeOf('dishwasher').points.length);

/** What moves thousands of lines does not hold the one writer: they are drawn after it, and nothing is left out. */
describe('Lines that a write moves by the hundred', () => {
  let house: House;
  const propertyId = v7();
  before(async () => {
    house = await openHouse();
    await house.manager
      .post('/properties', {
        id: propertyId,
        name: 'Long Court',
        address: '1 Long Court',
        zone: ZONE,
        water: { source: 'public', hardnessMgL: 160 },
        practice: 'steady',
      })
      .expect(200);
  });
  after(() => house.close());
  const left = () => countPutOff(house.env.store.db);
  const choose = (practice: string) =>
    house.manager.post('/practice', { scope: 'property', subjectId: propertyId, practice }).expect(200);

  it('are all counted at once, and drawn soon', async () => {
    expect(PARTS).to.be.above(AT_ONCE);
    const made = await house.manager
      .post('/units', {
        propertyId,
        names: Array.from({ length: FLATS }, (_, i) => `Flat ${i + 1}`),
        machines: [
          { type: 'washer', lastDone: '2026-09-01' },
          { type: 'dishwasher', lastDone: '2026-09-01' },
        ],
      })
      .expect(200);
    expect(made.headers[LINES_LEFT]).to.equal(String(PARTS));
    const marks = (await house.manager.get('/board').expect(200)).body.rows.flatMap(
      ({ marks: its }: { marks: unknown[] }) => its,
    );
    expect(marks).to.have.length(PARTS * MARK_FIELDS);
    await house.env.redrawing.run();
    expect(await left()).to.equal(0);
    const known = await house.env.store.db.mark.all({});
    expect(known.every(({ servedDay, lineId }) => servedDay > 0 && lineId !== null)).to.equal(true);
  });

  it('end as if they had been drawn within the write', async () => {
    await choose('watchful');
    await house.env.redrawing.run();
    const { db } = house.env.store;
    const [lines, marks] = [await db.line.count({}), await db.mark.all({}, { order: [['pointId', 'ASC']] })];
    const points = marks.map(({ pointId }) => pointId);
    await house.env.store.write((writing) => recomputeNow(writing, points, house.clock.now));
    expect(await db.line.count({})).to.equal(lines);
    expect(await db.mark.all({}, { order: [['pointId', 'ASC']] })).to.deep.equal(marks);
  });

  it('let others write meanwhile, and what they write holds', async () => {
    const part = (await house.env.store.db.point.all({ procedure: 'washer.doorBoot' }))[0]!;
    await choose('light');
    // The record comes in while most of the lines still wait.
    const recordId = v7();
    await house.manager.post('/records', { id: recordId, pointId: part.id, done: '2026-11-20' }).expect(200);
    const waiting = await left();
    expect(waiting).to.be.above(0).and.below(PARTS);
    await house.env.redrawing.run();
    const mark = (await house.env.store.db.mark.one({ pointId: part.id }))!;
    expect(mark.servedDay).to.equal((await house.env.store.db.record.one({ id: recordId }))!.doneDay);
  });

  it('are taken up again after a restart, and forgotten with a part that is gone', async () => {
    await house.env.redrawing.stop();
    await choose('steady');
    const waiting = await left();
    expect(waiting).to.equal(PARTS);
    const { machineId } = (await house.env.store.db.point.all({ procedure: 'washer.doorBoot' }))[1]!;
    await house.manager.post(`/machines/${machineId}/retirement`, { day: '2026-11-23' }).expect(200);
    await redrawing(house.env).run();
    expect(await left()).to.equal(0);
    const gone = (await house.env.store.db.point.all({ machineId })).map(({ id }) => id);
    expect(await house.env.store.db.mark.count({ pointId: gone })).to.equal(0);
    expect(await house.env.store.db.mark.count({})).to.equal(PARTS - gone.length);
  });
});
