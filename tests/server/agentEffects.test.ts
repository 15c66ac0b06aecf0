import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { AgentEffectsAnswer } from '../../contract/standing/agentEffects.ts';
import { type Flat, type House, openFlat, TODAY } from './house.ts';

describe('What gets a part clean, and for how long', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('washer'));
  });
  afterEach(() => house.close());
  const effects = async () => (await house.manager.get('/agent-effects').expect(200)).body as AgentEffectsAnswer;
  /** Services a month apart, logged, each said to have been done with these agents. */
  async function serve(months: number, agents: readonly Agent[], found: Grade, after: Grade | null, since: number) {
    const pointId = flat.points['washer.doorBoot']!;
    for (let i = 0; i < months; i += 1) {
      const done = isoFromDay(TODAY - since + 30 * i);
      const { body } = await house.manager.post('/records', { id: v7(), pointId, done, grade: found }).expect(200);
      expect(body).to.be.an('object');
    }
    await house.env.store.write((db) =>
      db.condition.update({ pointId, agents: '[]' }, { agents: JSON.stringify(agents), afterGrade: after }),
    );
  }

  it('is nothing on day one, and nothing where all is cleaned the same way', async () => {
    expect(await effects()).to.deep.equal({ currency: 'EUR', parts: [], oneWay: 0 });
    await serve(4, ['bleach'], 'light', 'clean', 400);
    expect(await effects()).to.deep.equal({ currency: 'EUR', parts: [], oneWay: 1 });
  });

  it('is said way by way: how often it was clean, how fast it fouled again with its interval, and the cost a year', async () => {
    await serve(10, ['bleach'], 'light', 'clean', 620);
    await serve(10, ['vinegar'], 'heavy', null, 310);
    await house.manager.post('/prices', { staffHour: 40, door: 25, hoursAMonth: null, materials: {} }).expect(200);
    const { parts, currency } = await effects();
    expect(currency).to.equal('EUR');
    expect(parts.map(({ procedure, ways }) => [procedure, ways.length])).to.deep.equal([['washer.doorBoot', 2]]);
    const [bleach, vinegar] = ['bleach', 'vinegar'].map((agent) =>
      parts[0]!.ways.find((it) => it.with.toLowerCase().includes(agent))!,
    );
    expect(bleach!.clean).to.include({ share: 1 });
    expect([bleach!.told, vinegar!.told, vinegar!.clean]).to.deep.equal([10, 0, null]);
    // Found heavy each time where it was found light: slower after the one than after the other.
    expect(bleach!.fouls!.high).to.be.lessThan(vinegar!.fouls!.low);
    expect(vinegar!.costAYear).to.be.greaterThan(bleach!.costAYear!);
  });

  it('does not reckon with a service whose proof was doubtful, nor tell a cost without the price of an hour', async () => {
    await serve(9, ['bleach'], 'light', 'clean', 620);
    await serve(9, ['vinegar'], 'heavy', null, 310);
    expect((await effects()).parts[0]!.ways.map(({ costAYear }) => costAYear)).to.deep.equal([null, null]);
    await house.env.store.write((db) => db.condition.update({ agents: '["vinegar"]' }, { doubtful: 1 }));
    expect((await effects()).parts).to.deep.equal([]);
  });
});
