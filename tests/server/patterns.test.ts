import { expect } from 'chai';
import { v7 } from 'uuid';
import type { PatternsAnswer, PatternSummary } from '../../contract/faults/patterns.ts';
import type { UpkeepEffectsAnswer } from '../../contract/faults/upkeepEffects.ts';
import { DAY_MS, type Flat, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

/** What recurs, from reports over HTTP to the sentences that the office reads. */
describe('Faults that come back', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  afterEach(() => house.close());
  const patterns = async () =>
    (await house.manager.get('/patterns').expect(200)).body.patterns as readonly PatternSummary[];
  const report = async (symptom: string, form: object = {}) => {
    const id = v7();
    await house.manager.post('/faults', { id, machineId: flat.machineId, symptom, ...form }).expect(200);
    return id;
  };
  const serve = () =>
    house.manager
      .post('/records', {
        id: v7(),
        pointId: flat.points['dryer.duct'],
        done: new Date(house.clock.now).toISOString().slice(0, 10),
        grade: 'light',
      })
      .expect(200);
  const close = (id: string, cause: string) =>
    house.manager.post(`/faults/${id}/close`, { cause, remedy: 'setRight' }).expect(200);

  it('are nothing on day one, nor after one fault, nor for two that are a year apart', async () => {
    expect(await patterns()).to.deep.equal([]);
    await close(await report('dryer.damp'), 'dryer.duct');
    expect(await patterns()).to.deep.equal([]);
    await letDaysPass(house, 400);
    await report('dryer.damp');
    expect(await patterns()).to.deep.equal([]);
  });

  it('are said with their count, their peers, how the upkeep stood before each, and what was found', async () => {
    await letDaysPass(house, 200);
    for (let i = 0; i < 4; i += 1) {
      // Served a week before the fault: whatever it is, it is not neglect.
      await serve();
      await letDaysPass(house, 7);
      await close(await report('dryer.damp'), 'dryer.hose');
      await letDaysPass(house, 55);
    }
    const [found, ...others] = await patterns();
    expect(others).to.deep.equal([]);
    expect(found).to.include({ place: 'Flat 1A', level: 'stated', symptom: 'Clothes still damp after a normal load' });
    expect(found!.faults.map(({ found: says }) => says)).to.deep.equal(
      Array(4).fill('Hose behind it crushed, kinked or off; set right'),
    );
    expect(found!.faults.map(({ upkeep }) => upkeep)).to.deep.equal(Array(4).fill('inOrder'));
    expect(found!.says[0]).to.equal('4 times in 6 months.');
    expect(found!.says.join(' ')).to.include('Its part was in order before 4 of 4.');
    expect(found!.says.join(' ')).to.include('Found in 4 of 4 with a cause: Hose behind it crushed, kinked or off.');
    expect(found!.says.join(' '), 'one household alone says nothing').not.to.include('households');
  });

  it('know how the upkeep stood before a fault, which makes its part due by itself', async () => {
    await serve();
    await letDaysPass(house, 900);
    for (let i = 0; i < 3; i += 1) {
      await close(await report('dryer.damp'), 'dryer.screen');
      await letDaysPass(house, 30);
    }
    const [found] = await patterns();
    expect(found!.faults[0]!.upkeep).to.equal('past');
  });

  it('are counted across households, and stay when the machine is out of service', async () => {
    for (let i = 0; i < 2; i += 1) {
      await close(await report('dryer.damp'), 'dryer.hose');
      await letDaysPass(house, 40);
    }
    const today = new Date(house.clock.now).toISOString().slice(0, 10);
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: today }).expect(200);
    await letDaysPass(house, 3);
    await house.manager
      .post('/tenancies', {
        id: v7(),
        placeId: flat.placeId,
        personId: v7(),
        name: 'O. Pell',
        from: new Date(house.clock.now).toISOString().slice(0, 10),
        household: { people: 1, pets: 0, cooking: 'rare' },
      })
      .expect(200);
    for (let i = 0; i < 2; i += 1) {
      await letDaysPass(house, 40);
      await close(await report('dryer.damp'), 'dryer.hose');
    }
    expect((await patterns())[0]!.says.join(' ')).to.include('Across 2 households.');
    await house.manager
      .post(`/machines/${flat.machineId}/retirement`, { day: new Date(house.clock.now).toISOString().slice(0, 10) })
      .expect(200);
    expect(await patterns(), 'it has happened all the same').to.have.length(1);
  });

  it('are sorted, answered by a remedy, and the remedy by what comes after it', async () => {
    await letDaysPass(house, 500);
    for (let i = 0; i < 5; i += 1) {
      await serve();
      await letDaysPass(house, 7);
      await close(await report('dryer.damp'), 'dryer.hose');
      await letDaysPass(house, 60);
    }
    const all = async () => (await house.manager.get('/patterns').expect(200)).body as PatternsAnswer;
    const [found] = (await all()).patterns;
    expect(found).to.include({ sort: 'installation', group: 'dryer.damp', pointNumber: found!.pointNumber });
    expect(found!.decisions).to.deep.equal(['rootCause']);
    const form = { id: v7(), machineId: flat.machineId, group: 'dryer.damp', decision: 'rootCause' };
    await house.manager.post('/remedies', { ...form, id: v7(), group: 'dryer.noStart' }).expect(409);
    await house.manager.post('/remedies', { ...form, id: v7(), decision: 'prayer' }).expect(422);
    await house.manager.post('/remedies', form).expect(200);
    expect((await all()).remedies[0]).to.include({ verdict: 'open', decision: 'rootCause', place: 'Flat 1A' });
    expect((await all()).patterns[0]!.decisions, 'it is being watched').to.deep.equal([]);
    await letDaysPass(house, 30);
    const early = (await all()).remedies[0]!;
    expect(early.verdict).to.equal('open');
    expect(early.says.join(' ')).to.match(
      /Before: 5 times in 11 months\. After: not once in a month.*it will have held/,
    );
    await letDaysPass(house, 700);
    expect((await all()).remedies[0]!.verdict).to.equal('held');
    for (let i = 0; i < 4; i += 1) {
      await close(await report('dryer.damp'), 'dryer.hose');
      await letDaysPass(house, 20);
    }
    expect((await all()).remedies[0]!.verdict, 'it came back').to.equal('failed');
    await house.manager.delete(`/remedies/${form.id}`).expect(200);
    await house.manager.delete(`/remedies/${form.id}`).expect(404);
    expect((await all()).remedies).to.deep.equal([]);
  });

  it('come so many at a time, the gravest first, with how many there are beyond, and all of them counted', async () => {
    const other = await registerFlat(house, 'dryer', 'Flat 9');
    await letDaysPass(house, 200);
    for (let i = 0; i < 4; i += 1) {
      await close(await report('dryer.damp'), 'dryer.hose');
      await close(await report('dryer.damp', { machineId: other.machineId }), 'dryer.hose');
      await letDaysPass(house, 60);
    }
    const some = async (most: number) =>
      (await house.manager.get(`/patterns?with=${encodeURIComponent(JSON.stringify({ most }))}`).expect(200))
        .body as PatternsAnswer;
    const [one, both] = [await some(1), await some(2)];
    expect([one.patterns.length, one.more, both.patterns.length, both.more]).to.deep.equal([1, 1, 2, 0]);
    expect(one.counted).to.deep.equal({ stated: 2, inPatterns: 8, of: 8 });
    expect(both.patterns[0]).to.deep.equal(one.patterns[0]);
    await house.manager.get('/patterns?with=%7B%22most%22%3A0%7D').expect(422);
  });

  it('are the office’s to read, not a tenant’s', async () => {
    await flat.tenant.get('/patterns').expect(403);
  });

  it('are held against upkeep: how a part stood strictly before each fault, by the line drawn at its service', async () => {
    const effects = async () => (await house.manager.get('/upkeep-effects').expect(200)).body as UpkeepEffectsAnswer;
    expect((await effects()).effects).to.deep.equal([]);
    await serve();
    // Served once: due after a year, then a year past its line. Four faults in order, five past.
    for (let i = 0; i < 9; i += 1) {
      await letDaysPass(house, i < 4 ? 80 : 75);
      await close(await report('dryer.damp'), 'dryer.duct');
    }
    await letDaysPass(house, 10);
    const { effects: told, untold } = await effects();
    expect(told).to.have.length(1);
    const [duct] = told;
    expect(duct).to.include({ kind: 'duct', minutesAFault: null });
    expect([duct!.inOrder.faults, duct!.past.faults]).to.deep.equal([4, 5]);
    expect(duct!.inOrder.years + duct!.past.years).to.be.closeTo((4 * 80 + 5 * 75 + 10) / 365, 0.01);
    expect(duct!.low).to.be.lessThan(1);
    expect(duct!.high).to.be.greaterThan(1);
    expect(untold.map(({ kind }) => kind)).to.not.include('duct');
  });

  it('count by the day since when somebody noticed it, where they said so', async () => {
    const effects = async () => (await house.manager.get('/upkeep-effects').expect(200)).body as UpkeepEffectsAnswer;
    await serve();
    for (let i = 0; i < 9; i += 1) {
      await letDaysPass(house, i < 4 ? 80 : 75);
      // The fifth comes a month past the line, and began a month before it.
      const began = new Date(house.clock.now - 60 * DAY_MS).toISOString().slice(0, 10);
      await close(await report('dryer.damp', i === 4 ? { noticed: began } : {}), 'dryer.duct');
    }
    await letDaysPass(house, 10);
    const [duct] = (await effects()).effects;
    expect([duct!.inOrder.faults, duct!.past.faults]).to.deep.equal([5, 4]);
  });
});
