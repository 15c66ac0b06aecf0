import { expect } from 'chai';
import { v7 } from 'uuid';
import type { ClocksAnswer } from '../../contract/faults/clocks.ts';
import type { PatternsAnswer } from '../../contract/faults/patterns.ts';
import type { HomeAnswer } from '../../contract/jobs/jobs.ts';
import { letDaysPass, openHouse, registerFlat, TODAY, type Flat, type House } from './house.ts';

/** What deciding a remedy does by itself, followed to whoever it reaches. */
describe('A remedy', () => {
  let house: House;
  let flat: Flat;
  afterEach(() => house.close());

  /** A machine on which the same comes back, each closed with this cause. */
  async function comesBack(type: string, symptom: string, cause: string, form: object = {}): Promise<void> {
    house = await openHouse();
    flat = await registerFlat(house, type);
    await letDaysPass(house, 300);
    for (let i = 0; i < 5; i += 1) {
      await letDaysPass(house, 50);
      const id = v7();
      await house.manager.post('/faults', { id, machineId: flat.machineId, symptom }).expect(200);
      await house.manager.post(`/faults/${id}/close`, { cause, remedy: 'repaired', ...form }).expect(200);
    }
  }
  const all = async () => (await house.manager.get('/patterns').expect(200)).body as PatternsAnswer;
  const decide = async (decision: string) => {
    const { group } = (await all()).patterns[0]!;
    const id = v7();
    return { id, test: house.manager.post('/remedies', { id, machineId: flat.machineId, group, decision }) };
  };
  const days = async (pointId: string) => (await house.env.store.db.mark.one({ pointId }))!.intervalDays;

  it('of a shorter interval draws the line anew by the next stricter practice, and taken back draws it as it was', async () => {
    await comesBack('dryer', 'dryer.damp', 'dryer.duct');
    const done = new Date(house.clock.now).toISOString().slice(0, 10);
    for (const pointId of Object.values(flat.points))
      await house.manager.post('/records', { id: v7(), pointId, done, grade: 'due' }).expect(200);
    const points = Object.values(flat.points);
    const before = await Promise.all(points.map(days));
    const { id, test } = await decide('interval');
    await test.expect(200);
    const after = await Promise.all(points.map(days));
    const moved = points.filter((_, i) => after[i] !== before[i]);
    expect(moved, 'one part alone').to.have.length(1);
    expect(after[points.indexOf(moved[0]!)]).to.be.lessThan(before[points.indexOf(moved[0]!)]!);
    expect((await all()).remedies[0]!.did).to.equal('Since then the part goes by the practice Watchful.');
    // There is no practice above the strictest.
    await (await decide('interval')).test.expect(409);
    await house.manager.delete(`/remedies/${id}`).expect(200);
    expect(await Promise.all(points.map(days))).to.deep.equal(before);
  });

  it('of talking it through asks the household at once, on its phone, with the reason, until it has answered', async () => {
    await comesBack('washer', 'washer.smell', 'washer.doorShut');
    const habits = async () => {
      const link = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
      await flat.tenant.open('/link', { token: link.body.path.split('#')[1] });
      return ((await flat.tenant.get('/home').expect(200)).body as HomeAnswer).habits;
    };
    const answer = async () => {
      const answers = (await habits()).map(({ machineId, habit }) => ({ id: v7(), machineId, habit, kept: 'kept' }));
      await flat.tenant.post('/habits', { answers }).expect(200);
    };
    await answer();
    expect(await habits(), 'asked and answered').to.deep.equal([]);
    house.clock.now += 60_000;
    const { id, test } = await decide('coaching');
    await test.expect(200);
    const asked = await habits();
    expect(asked.length).to.be.greaterThan(0);
    expect(asked[0]!.because).to.equal('Washer or clothes smell');
    // Whoever moves in meanwhile is asked for nothing of theirs.
    const summaries = async () =>
      (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.habits as { because: string | null }[];
    expect((await summaries()).some(({ because }) => because !== null)).to.equal(true);
    await house.env.store.write((db) => db.tenancy.update({ id: flat.tenancyId }, { fromDay: TODAY + 10_000 }));
    expect((await summaries()).every(({ because }) => because === null)).to.equal(true);
    await house.env.store.write((db) => db.tenancy.update({ id: flat.tenancyId }, { fromDay: TODAY - 600 }));
    house.clock.now += 60_000;
    await answer();
    expect(await habits()).to.deep.equal([]);
    await house.manager.delete(`/remedies/${id}`).expect(200);
  });

  it('of the cause opens something to be put right by a day, which goes with it when it is taken back', async () => {
    await comesBack('dryer', 'dryer.damp', 'dryer.hose');
    const open = async () => ((await house.manager.get('/clocks').expect(200)).body as ClocksAnswer).items;
    const { id, test } = await decide('rootCause');
    await test.expect(200);
    const [item] = await open();
    expect(item).to.include({ kind: 'deficiency', says: 'Cause of what comes back', urgency: 'running' });
    expect(item!.note).to.equal('Clothes still damp after a normal load');
    await house.manager.delete(`/remedies/${id}`).expect(200);
    expect(await open()).to.deep.equal([]);
  });

  it('of a new machine is a case: what repairs cost so far and a year, against the price, which is asked for', async () => {
    await comesBack('dryer', 'dryer.damp', 'dryer.heater', { minutes: 60, cost: 80 });
    const found = (await all()).patterns[0]!;
    expect([found.sort, found.decisions]).to.deep.equal(['age', ['replacement', 'rootCause']]);
    expect(found.replacement).to.include({ spent: null, price: null, years: null });
    expect(found.replacement!.says).to.contain('enter the price of an hour');
    expect(found.replacement!.says).to.contain('Without the price of a new one there is nothing to compare it with.');
    await house.manager.post('/prices', { staffHour: 40, door: 25, hoursAMonth: null, materials: {} }).expect(200);
    const price = (of: number | null) =>
      house.manager.post(`/machines/${flat.machineId}/replacement-price`, { price: of });
    await price(0).expect(422);
    await price(null).expect(422);
    await price(700).expect(200);
    const { replacement } = (await all()).patterns[0]!;
    // Five repairs of an hour at 40 and a bill of 80; four more in the 200 days between the first and the last.
    expect(replacement).to.include({ spent: 600, price: 700 });
    expect(replacement!.aYear).to.be.closeTo(120 * (4 / (200 / 365.25)), 2);
    expect(replacement!.years).to.be.closeTo(700 / replacement!.aYear!, 1e-9);
    expect(replacement!.says).to.contain('€600 so far, as 5 of 5 closings say');
  });
});
