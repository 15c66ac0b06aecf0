import { expect } from 'chai';
import { v7 } from 'uuid';
import type { SharedAnswer } from '../../contract/faults/shared.ts';
import { letDaysPass, openHouse, type House } from './house.ts';

/** What several homes share, from reports over HTTP to the sentence that the office reads. */
describe('Faults that several homes share', () => {
  let house: House;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(() => house.close());
  const shared = async () => (await house.manager.get('/shared-patterns').expect(200)).body as SharedAnswer;

  /** A property of so many dryers, half of them of another model. */
  async function settle(name: string, homes: number, modelOf: (i: number) => string): Promise<string[]> {
    const propertyId = v7();
    await house.manager
      .post('/properties', {
        id: propertyId,
        name,
        address: '2 Hawser Lane',
        zone: 'Europe/Dublin',
        water: { source: 'public', hardnessMgL: 160 },
        practice: 'steady',
      })
      .expect(200);
    const machines: string[] = [];
    for (let i = 0; i < homes; i += 1) {
      const [placeId, id] = [v7(), v7()];
      await house.manager.post('/places', { id: placeId, propertyId, kind: 'unit', name: `Flat ${i + 1}` }).expect(200);
      const machine = { id, placeId, type: 'dryer', fuel: 'electric', owner: 'landlord', maker: 'Tidesse' };
      await house.manager.post('/machines', { ...machine, model: modelOf(i), installed: '2025-01-01' }).expect(200);
      machines.push(id);
    }
    return machines;
  }
  const report = (machineId: string) =>
    house.manager.post('/faults', { id: v7(), machineId, symptom: 'dryer.damp' }).expect(200);

  it('are none on day one, and it is said that nothing could be compared', async () => {
    expect(await shared()).to.deep.equal({ shared: [], compared: 0, months: 24 });
  });

  it('are said of a model that has them oftener than the others, with both counts and which homes; once each', async () => {
    const machines = await settle('Gannet Row', 16, (i) => (i < 6 ? 'V9' : 'V8'));
    await letDaysPass(house, 190);
    for (const id of machines.slice(0, 6)) await report(id);
    // One machine with many faults is one machine.
    for (let i = 0; i < 3; i += 1) await report(machines[9]!);
    const { shared: found, compared } = await shared();
    expect(compared).to.be.greaterThan(0);
    expect(found.map(({ by, what, says }) => [by, what, says])).to.deep.equal([
      [
        'model',
        'Tidesse V9',
        'Of the model Tidesse V9: 6 of 6 machines, elsewhere 1 of 10. By chance about once in 1,000.',
      ],
    ]);
    expect(found[0]!.machines.map(({ place }) => place).sort()).to.deep.equal(
      [1, 2, 3, 4, 5, 6].map((i) => `Flat ${i}`),
    );
  });

  it('are not made out of a machine that is hardly known, nor of what is the same everywhere', async () => {
    const machines = await settle('Gannet Row', 12, () => 'V8');
    for (const id of machines) await report(id);
    expect((await shared()).shared, 'too young').to.deep.equal([]);
    await letDaysPass(house, 190);
    expect((await shared()).shared, 'everywhere').to.deep.equal([]);
  });
});
