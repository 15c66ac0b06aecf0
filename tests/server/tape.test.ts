import { expect } from 'chai';
import { v7 } from 'uuid';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { lineOn } from '../../core/standing/trace.ts';
import type { TapeAnswer } from '../../contract/pages/tape.ts';
import { type Flat, give, honestWork, type House, letDaysPass, openFlat, TODAY } from './house.ts';

describe('A tape', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  afterEach(() => house.close());
  const tape = async (scope = 'machine', id = flat.machineId): Promise<TapeAnswer> =>
    (await house.manager.get(`/tapes/${scope}/${id}`).expect(200)).body;
  const log = (procedure: string, done: string, grade = 'heavy') =>
    house.manager.post('/records', { id: v7(), pointId: flat.points[procedure], done, grade }).expect(200);

  it('is empty of everything but its parts and its household on day one', async () => {
    const { parts, flags, deficiencies, remedies, households, story, fromDay, today } = await tape();
    expect(parts).to.have.length(Object.keys(flat.points).length);
    expect(parts.every(({ trace, teeth }) => trace.segments.length === 0 && teeth.length === 0)).to.equal(true);
    expect([flags, deficiencies, remedies]).to.deep.equal([[], [], []]);
    expect(households.map(({ says }) => says)).to.deep.equal(['I. Marrable']);
    expect(story.map(({ says }) => says)).to.deep.equal(['I. Marrable moved in']);
    expect([fromDay, today]).to.deep.equal([TODAY, TODAY]);
  });

  it('has the saw, what was found, faults, signals, deficiencies and decisions, each on its day', async () => {
    await log('dryer.duct', '2026-08-01');
    await letDaysPass(house, 10);
    const faultId = v7();
    await house.manager.post('/faults', { id: faultId, machineId: flat.machineId, symptom: 'dryer.stillSlow' });
    await house.manager
      .post('/deficiencies', { id: v7(), machineId: flat.machineId, type: 'hoseCrushed', note: '' })
      .expect(200);
    await letDaysPass(house, 2);
    await house.manager.post(`/faults/${faultId}/close`, { cause: 'dryer.duct', remedy: 'setRight' }).expect(200);
    const { parts, flags, deficiencies, story, fromDay } = await tape();
    const duct = parts.find(({ name }) => name === 'Duct to outdoors')!;
    expect(duct.teeth).to.deep.equal([{ day: dayFromIso('2026-08-01'), grade: 'heavy', look: false }]);
    expect(lineOn(duct.trace, TODAY).servedDay).to.equal(dayFromIso('2026-08-01'));
    expect(fromDay).to.equal(dayFromIso('2026-08-01'));
    // Two symptoms that say the same are one group.
    expect(flags).to.have.length(1);
    expect(flags[0]).to.include({ kind: 'fault', fromDay: TODAY + 10, toDay: TODAY + 12, group: 'dryer.damp' });
    expect(deficiencies).to.deep.equal([{ fromDay: TODAY + 10, toDay: null, says: 'Hose crushed or kinked' }]);
    const says = story.map((it) => it.says).join('\n');
    expect(says).to.include('Fault closed: Duct run clogged');
    expect(says).to.include('Deficiency: Hose crushed or kinked');
    expect(story.every(({ day }, i) => i === 0 || day <= story[i - 1]!.day)).to.equal(true);
  });

  it('tells who gave, sent and judged a job, and what was found', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['dryer.lintScreen']!]);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    await house.manager.post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'accept' }).expect(200);
    const { story } = await tape();
    const told = story
      .filter(({ kind }) => kind === 'work' || kind === 'service')
      .map(({ says, by }) => `${by}: ${says}`);
    expect(told).to.include('R. Okonjo-Vane: Given to I. Marrable');
    expect(told).to.include('I. Marrable: Sent');
    expect(told).to.include('R. Okonjo-Vane: Accepted');
    expect(told.join()).to.match(/I\. Marrable: Done, found time for it; proven by R\. Okonjo-Vane/);
  });

  it('tells no story to who only draws it, and draws the same', async () => {
    await log('dryer.duct', '2026-08-01');
    const whole = await tape();
    const { body } = await house.manager
      .get(`/tapes/machine/${flat.machineId}?with=${encodeURIComponent('{"story":false}')}`)
      .expect(200);
    expect(whole.story).to.not.be.empty;
    expect(body).to.deep.equal({ ...whole, story: [] });
  });

  it('of a home stacks the parts of all its machines, and of a retired machine ends where it went', async () => {
    await house.manager
      .post('/machines', { id: v7(), placeId: flat.placeId, type: 'hood', fuel: 'electric', owner: 'landlord' })
      .expect(200);
    const one = await tape();
    const all = await tape('place', flat.placeId);
    expect(all.parts.length).to.be.greaterThan(one.parts.length);
    expect(new Set(all.parts.map(({ machine }) => machine)).size).to.equal(2);
    await letDaysPass(house, 5);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: isoFromDay(TODAY + 5) }).expect(200);
    expect((await tape()).parts[0]!.trace.untilDay).to.equal(TODAY + 5);
  });

  it('is not there for a scope or an id that is not, nor for tenants', async () => {
    await house.manager.get(`/tapes/property/${flat.propertyId}`).expect(404);
    await house.manager.get(`/tapes/machine/${v7()}`).expect(404);
    await house.manager.get(`/tapes/place/${flat.machineId}`).expect(404);
    await flat.tenant.get(`/tapes/machine/${flat.machineId}`).expect(403);
  });
});
