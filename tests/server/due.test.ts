import { expect } from 'chai';
import ICAL from 'ical.js';
import { v7 } from 'uuid';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { computeLine } from '../../core/due/compute.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import type { PracticeAnswer, PracticePreview } from '../../contract/due/practice.ts';
import type { WorkingAnswer } from '../../contract/due/due.ts';
import { turnDay } from '../../server/clock/daily.ts';
import {
  DAY_MS,
  give,
  honestWork,
  letDaysPass,
  NOON,
  openHouse,
  registerFlat,
  TODAY,
  type Flat,
  type House,
} from './house.ts';

const FILTER = 'airHandler.returnFilter';
const DRAIN = 'airHandler.condensateDrain';
const COOLING = 'airHandler.coolingCheck';

let house: House;
let flat: Flat;
const open = (type: string) => async () => {
  house = await openHouse();
  flat = await registerFlat(house, type);
};
const close = () => house.close();
const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
const log = (procedure: string, done: string, more: object = {}) =>
  house.manager.post('/records', { id: v7(), pointId: flat.points[procedure], done, ...more }).expect(200);
const interval = async (procedure: string) =>
  (await read(`/points/${flat.points[procedure]}`)).mark.intervalDays as number;
const working = (procedure: string): Promise<WorkingAnswer> => read(`/points/${flat.points[procedure]}/working`);
const supposed = (procedure: string, form: object): Promise<WorkingAnswer> =>
  read(`/points/${flat.points[procedure]}/supposed?with=${encodeURIComponent(JSON.stringify(form))}`);

describe('A practice', () => {
  beforeEach(open('airHandler'));
  afterEach(close);
  const choose = (scope: string, subjectId: string | null, practice: string | null) =>
    house.manager.post('/practice', { scope, subjectId, practice });

  it('holds from the whole inwards: the nearest choice wins, and taken back it gives way again', async () => {
    await house.manager
      .post(`/properties/${flat.propertyId}/changes`, { practice: null, from: '2026-11-24' })
      .expect(200);
    await log(FILTER, '2026-11-20');
    await choose('organisation', null, 'watchful').expect(200);
    expect(await interval(FILTER)).to.equal(30);
    await choose('property', flat.propertyId, 'steady').expect(200);
    expect(await interval(FILTER)).to.equal(90);
    for (const [scope, id] of [
      ['place', flat.placeId],
      ['machine', flat.machineId],
      ['point', flat.points[FILTER]!],
    ] as const) {
      await choose(scope, id, 'watchful').expect(200);
      expect(await interval(FILTER), scope).to.equal(30);
      await choose(scope, id, null).expect(200);
      expect(await interval(FILTER), `${scope} taken back`).to.equal(90);
    }
    const answer: PracticeAnswer = await read('/practice');
    expect(answer.practice).to.equal('watchful');
    expect(answer.exceptions).to.have.length(1);
    expect(answer.exceptions[0]).to.include({ scope: 'property', practice: 'steady', name: 'The Ropewalk' });
  });
  it('may be the maker’s manual, which is steady where none is entered', async () => {
    await log(DRAIN, '2026-11-20');
    await house.manager
      .put(`/points/${flat.points[DRAIN]}/specification`, { specification: { makerLimitDays: 150 }, basedOn: null })
      .expect(200);
    await choose('machine', flat.machineId, 'maker').expect(200);
    expect(await interval(DRAIN)).to.equal(150);
    await log(FILTER, '2026-11-20');
    expect(await interval(FILTER)).to.equal(90);
  });
  it('shows before it is saved what it asks of tenants and staff, of doors and money; nothing is written', async () => {
    const before = await house.env.store.db.fact.count({});
    const preview: PracticePreview = await read(`/practice/preview/property/${flat.propertyId}`);
    expect(preview.options.map(({ practice }) => practice)).to.deep.equal(['watchful', 'steady', 'light', 'maker']);
    const [watchful, steady, light] = preview.options.map(({ burden }) => burden);
    expect(watchful!.tenantRequestsAMonth).to.be.above(steady!.tenantRequestsAMonth);
    expect(steady!.doorsAMonth).to.be.at.least(light!.doorsAMonth);
    expect(watchful!.heavyShare).to.be.below(light!.heavyShare);
    expect(steady!.cost).to.equal(null);
    expect(preview.now).to.equal('steady');
    expect(await house.env.store.db.fact.count({})).to.equal(before);
    await house.manager.post('/prices', { staffHour: 40, door: 10, materials: { airFilter: 12 } }).expect(200);
    const priced: PracticePreview = await read(`/practice/preview/organisation/all`);
    const cost = priced.options[1]!.burden;
    expect(cost.cost!.hours).to.be.closeTo(cost.staffHoursAMonth * 40, 1e-9);
    expect(cost.cost!.doors).to.be.closeTo(cost.doorsAMonth * 10, 1e-9);
    expect(cost.cost!.total).to.be.closeTo(cost.cost!.hours + cost.cost!.doors + cost.cost!.materials, 1e-9);
  });
});

describe('A method', () => {
  beforeEach(open('airHandler'));
  afterEach(close);
  const choose = (method: string, option: string | null, scope = 'organisation', subjectId: string | null = null) =>
    house.manager.post('/methods', { scope, subjectId, method, option });
  const stepsOf = async (procedure: string) => {
    const job = await give(house, house.manager, (await read('/session')).me.id, [flat.points[procedure]!]);
    await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: job.revision }).expect(200);
    return job.steps.map(({ title }: { title: string }) => title) as string[];
  };

  it('changes the procedure that follows it, steps, agents, interval', async () => {
    expect(await stepsOf(DRAIN)).to.include.members(['Switch the air handler off', 'Flush with one agent']);
    await choose('condensateAgent', 'vinegar').expect(200);
    await choose('condensatePower', 'whenWired', 'property', flat.propertyId).expect(200);
    // Unknown wiring counts as wired: the power is off until somebody says that there is no wire.
    expect(await stepsOf(DRAIN)).to.include.members([
      'Look for a wire at the drain opening',
      'Flush with vinegar',
      'Switch the air handler off',
    ]);
    await log(FILTER, '2026-11-20');
    await choose('filterMedia', 'thin', 'place', flat.placeId).expect(200);
    expect(await interval(FILTER)).to.equal(30);
    await choose('filterMedia', null, 'place', flat.placeId).expect(200);
    expect(await interval(FILTER)).to.equal(90);
  });
  it('gives way where the register forbids its agent', async () => {
    await house.manager
      .put(`/points/${flat.points[DRAIN]}/specification`, {
        specification: { forbiddenAgents: ['bleach'] },
        basedOn: null,
      })
      .expect(200);
    expect(await stepsOf(DRAIN)).to.include('Flush with vinegar');
  });
  it('stands in the record that was done by it', async () => {
    await choose('condensateAgent', 'vinegar').expect(200);
    const me = (await read('/session')).me.id;
    const job = await give(house, house.manager, me, [flat.points[DRAIN]!]);
    const form = await honestWork(house, house.manager, job);
    await house.manager.post(`/jobs/${job.id}/submission`, form).expect(200);
    const record = (await house.env.store.db.record.one({ id: form.records[0]!.id }))!;
    expect(JSON.parse(record.canonical)).to.deep.include({
      schema: 4,
      edition: null,
      methods: { condensateAgent: 'vinegar', condensatePower: 'always' },
      agent: 'vinegar',
    });
  });
  it('that we do not hand to tenants makes the job staff’s', async () => {
    const hood = await registerFlat(house, 'hood', 'Flat 9C');
    const tenantMay = async () =>
      (await read(`/points/${hood.points['hood.greaseFilter']}`)).assignees.find(
        ({ role }: { role: string }) => role === 'tenant',
      ).may;
    expect(await tenantMay()).to.equal(true);
    await choose('hoodClean', 'bake').expect(200);
    expect(await tenantMay()).to.equal(false);
    await house.manager
      .post('/jobs', { id: v7(), pointIds: [hood.points['hood.greaseFilter']], assigneeId: hood.tenantId })
      .expect(422);
  });
  it('is refused where it is none', async () => {
    expect((await choose('hoodClean', 'flamethrower').expect(422)).body.fields.option).to.equal(
      'Pick one of the choices.',
    );
  });
});

describe('The working of a date', () => {
  beforeEach(open('airHandler'));
  afterEach(close);

  it('tells reference, drivers with their day, conditions with who found them and their weight, speed, practice, cap', async () => {
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/household`, {
        household: { people: 4, pets: 1, cooking: 'average' },
        from: '2026-03-01',
      })
      .expect(200);
    await log(FILTER, '2026-06-01');
    await log(FILTER, '2026-08-20', { grade: 'heavy' });
    await house.manager.post('/looks', { id: v7(), number: 1, grade: 'due' }).expect(200);
    const it = await working(FILTER);
    expect(it.terms.map(({ says }) => says)).to.include.members([
      'Reference: steady, a neutral home',
      'Steady practice',
      '4 people at home',
      'One shedding pet',
      'All 2 conditions together, the last: time for it',
    ]);
    expect(it.terms.find(({ says }) => says === '4 people at home')!.why).to.equal(
      'fouls × 1.3, an assumption, since 1 March 2026',
    );
    expect(
      it.conditions.map(({ kind, says, by, confirmed, weight }) => [kind, says, by, confirmed, weight]),
    ).to.deep.equal([
      ['look', 'time for it', 'R. Okonjo-Vane', true, 1],
      ['service', 'heavy', 'R. Okonjo-Vane', true, 1],
      ['service', 'not graded', 'R. Okonjo-Vane', true, 0],
    ]);
    expect(it.speed.low).to.be.below(it.speed.median);
    expect(it.says).to.match(/^About every \d+ days here\. That is sooner than most homes, because of /);
    expect(it.days).to.equal(await interval(FILTER));
  });
  it('moves with an assumption before it is saved, and is as it was until then', async () => {
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/household`, {
        household: { people: 4, pets: 0, cooking: 'average' },
        from: '2026-03-01',
      })
      .expect(200);
    await log(FILTER, '2026-11-01');
    const now = await working(FILTER);
    expect(now.days).to.equal(69);
    expect((await supposed(FILTER, { changes: { 'people.four': 2 } })).days).to.equal(45);
    expect((await supposed(FILTER, { practice: 'watchful' })).days).to.equal(23);
    expect((await supposed(FILTER, { changes: { [`days/${FILTER}/steady`]: 45 } })).days).to.equal(35);
    expect((await supposed(FILTER, { methods: [{ method: 'filterMedia', option: 'thin' }] })).days).to.equal(23);
    expect((await supposed(FILTER, { anchor: { kind: 'seasonTurn' } })).line).to.equal('2026-12-01');
    expect((await working(FILTER)).days).to.equal(69);
    await house.manager.post('/assumptions', { changes: { 'people.four': 2 } }).expect(200);
    expect(await interval(FILTER)).to.equal(45);
    await house.manager.post('/assumptions', { changes: { 'people.four': null } }).expect(200);
    expect(await interval(FILTER)).to.equal(69);
  });
  it('refuses intervals of zero, a century and fractions, and schools out of order', async () => {
    const name = (school: string) => `days/${FILTER}/${school}`;
    for (const value of [0, 36_500, 45.5, -3]) {
      const { body } = await house.manager.post('/assumptions', { changes: { [name('steady')]: value } }).expect(422);
      expect(body.fields[`changes.${name('steady')}`]).to.equal('Whole days, from 1 to 3,650 (ten years).');
    }
    const order = await house.manager.post('/assumptions', { changes: { [name('watchful')]: 120 } }).expect(422);
    expect(order.body.fields[`changes.${name('watchful')}`]).to.contain('Watchful at most as long as Steady');
    const range = await house.manager.post('/assumptions', { changes: { 'pets.one': 9 } }).expect(422);
    expect(range.body.fields['changes.pets.one']).to.equal('Between 1 and 3.');
    await house.manager.post('/assumptions', { changes: { moon: 1 } }).expect(422);
    await house.manager.get(`/points/${flat.points[FILTER]}/supposed?with=%7Bbroken`).expect(400);
    await house.manager
      .get(
        `/points/${flat.points[FILTER]}/supposed?with=${encodeURIComponent(JSON.stringify({ changes: { 'pets.one': 9 } }))}`,
      )
      .expect(422);
  });
  it('of the past is the past: every kept line is the same again from its inputs, whatever was assumed since', async () => {
    await log(FILTER, '2026-06-01');
    await log(FILTER, '2026-08-20', { grade: 'heavy' });
    await house.manager
      .post('/upkeep-day', { scope: 'property', subjectId: flat.propertyId, rule: 'FREQ=MONTHLY;BYDAY=1SA' })
      .expect(200);
    await house.manager.post('/assumptions', { changes: { [`days/${FILTER}/steady`]: 45, spread: 0.9 } }).expect(200);
    await house.manager
      .post('/practice', { scope: 'place', subjectId: flat.placeId, practice: 'watchful' })
      .expect(200);
    const lines = await house.env.store.db.line.all({});
    expect(lines.length).to.be.above(5);
    for (const { servedDay, lineDay, capDay, inputs } of lines) {
      if (servedDay === null) continue;
      expect(computeLine(JSON.parse(inputs) as LineInputs, 0)).to.include({ servedDay, lineDay, capDay });
    }
    expect(
      new Set(lines.filter(({ pointId }) => pointId === flat.points[FILTER]).map(({ lineDay }) => lineDay)).size,
    ).to.be.above(2);
  });
});

describe('The calendar of a point', () => {
  beforeEach(open('airHandler'));
  afterEach(close);
  const anchor = (procedure: string, form: object | null) =>
    house.manager.put(`/points/${flat.points[procedure]}/anchor`, { anchor: form });
  const line = async (procedure: string) => (await working(procedure)).line;

  it('keeps the turn of the season, a rule, or its interval again', async () => {
    await log(FILTER, '2026-11-20');
    await anchor(FILTER, { kind: 'seasonTurn' }).expect(200);
    // The first of December is answered by a service eleven days before it.
    expect(await line(FILTER)).to.equal('2027-03-01');
    await anchor(FILTER, { kind: 'rule', rule: 'FREQ=MONTHLY;BYDAY=1SA', start: '2026-01-01' }).expect(200);
    expect(await line(FILTER)).to.equal('2026-12-05');
    expect((await read(`/points/${flat.points[FILTER]}`)).says).to.contain('on the first Saturday of every month');
    await anchor(FILTER, null).expect(200);
    expect(await line(FILTER)).to.equal('2027-02-18');
    const { body } = await anchor(FILTER, { kind: 'rule', rule: 'FREQ=HOURLY', start: '2026-01-01' }).expect(422);
    expect(body.fields['anchor.rule']).to.contain('FREQ=MONTHLY;BYDAY=1SA');
  });
  it('puts own flushes half-way between a contractor’s visits, and by the interval where there is none', async () => {
    await log(DRAIN, '2026-10-20');
    expect(await interval(DRAIN)).to.equal(90);
    await house.manager
      .put(`/machines/${flat.machineId}/contract`, { contract: { lastVisit: '2026-10-01', everyMonths: 6 } })
      .expect(200);
    expect(await line(DRAIN)).to.equal('2026-12-31');
    expect((await working(DRAIN)).chosen.next.slice(0, 2)).to.deep.equal(['2026-12-31', '2027-07-02']);
    await house.manager
      .post('/practice', { scope: 'machine', subjectId: flat.machineId, practice: 'light' })
      .expect(200);
    await house.manager
      .put(`/machines/${flat.machineId}/contract`, { contract: { lastVisit: '2026-10-01', everyMonths: 12 } })
      .expect(200);
    expect((await working(DRAIN)).chosen.next.slice(0, 2)).to.deep.equal(['2027-01-31', '2027-06-01']);
  });
  it('waits for the first warm spell, by the threshold of the manager, with the cooling season as the latest', async () => {
    await log(COOLING, '2026-05-20');
    expect(await line(COOLING)).to.equal('2027-06-01');
    const warm: Record<string, number> = { '2027-04-18': 19, '2027-04-19': 20, '2027-04-20': 21 };
    (house.env as { weather: unknown }).weather = {
      highCelsius: (_zone: string, day: number) => warm[isoFromDay(day)] ?? 9,
    };
    house.clock.now = NOON + (dayFromIso('2027-04-20') - TODAY) * DAY_MS;
    await turnDay(house.env);
    await letDaysPass(house, 0);
    expect(await line(COOLING)).to.equal('2027-06-01');
    await house.manager
      .post('/seasons', {
        scope: 'property',
        subjectId: flat.propertyId,
        coolingMonth: 6,
        coolingDate: 1,
        leadDays: 10,
        warmCelsius: 19,
      })
      .expect(200);
    await turnDay(house.env);
    expect(await line(COOLING)).to.equal('2027-04-18');
    const facts = await house.env.store.db.fact.count({ name: 'warmSpell' });
    await turnDay(house.env);
    expect(await house.env.store.db.fact.count({ name: 'warmSpell' })).to.equal(facts);
    expect((await working(COOLING)).chosen.anchor.says).to.equal(
      'when it is 19 °C for three days in a row, by 1 June at the latest',
    );
  });
  it('moves a date to the upkeep day when that is near, and says by how much', async () => {
    await log(FILTER, '2026-09-08');
    expect(await line(FILTER)).to.equal('2026-12-07');
    await house.manager.post('/upkeep-day', { scope: 'organisation', rule: 'FREQ=MONTHLY;BYDAY=1SA' }).expect(200);
    const snapped = await working(FILTER);
    expect(snapped.line).to.equal('2026-12-05');
    expect(snapped.terms.at(-1)).to.deep.equal({
      says: 'Moved to the upkeep day, 5 Dec',
      why: '2 days earlier',
      days: 88,
    });
    await house.manager.post('/upkeep-day', { scope: 'organisation', rule: null }).expect(200);
    expect(await line(FILTER)).to.equal('2026-12-07');
  });
  it('is exported as RFC 5545, read back by ical.js', async () => {
    await log(FILTER, '2026-11-20');
    await log(COOLING, '2026-05-20');
    await anchor(FILTER, { kind: 'rule', rule: 'FREQ=MONTHLY;BYDAY=1SA', start: '2026-01-01' }).expect(200);
    const response = await house.manager.get(`/calendar/place/${flat.placeId}`).expect(200);
    expect(response.headers['content-type']).to.contain('text/calendar');
    const events = new ICAL.Component(ICAL.parse(response.text) as never)
      .getAllSubcomponents('vevent')
      .map((it) => new ICAL.Event(it));
    const filter = events.find(({ summary }) => summary === 'Change the air filter, Flat 1A')!;
    const days = filter.iterator();
    expect([String(days.next()), String(days.next())]).to.deep.equal(['2026-12-05', '2027-01-02']);
    expect(String(events.find(({ summary }) => summary.startsWith('Check that it cools'))!.startDate)).to.equal(
      '2027-06-01',
    );
  });
});

describe('Agents in turn', () => {
  beforeEach(open('dishwasher'));
  afterEach(close);
  const WASH = 'dishwasher.interiorWash';
  const turn = async () => (await working(WASH)).chosen.turn;
  const wash = async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[WASH]!]);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    await house.manager.post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'accept' }).expect(200);
    return form.records[0]!.agent;
  };

  it('go one after another, soda, vinegar, a cleaner, as often as the practice says', async () => {
    await log(WASH, '2026-09-02');
    // Sixty days at steady, in hard water; thirty at watchful.
    expect((await working(WASH)).line).to.equal('2026-10-18');
    await house.manager
      .post(`/properties/${flat.propertyId}/changes`, { practice: 'watchful', from: '2026-11-24' })
      .expect(200);
    expect((await working(WASH)).line).to.equal('2026-09-25');
    const first = await wash();
    const order = ['bakingSoda', 'vinegar', 'cleaner'];
    await letDaysPass(house, 60);
    const second = await wash();
    expect(second).to.equal(order[(order.indexOf(first!) + 1) % 3]);
    expect(['baking soda', 'vinegar', 'a bought cleaner'].indexOf((await turn())!)).to.equal(
      (order.indexOf(first!) + 2) % 3,
    );
  });
  it('skip what the register forbids', async () => {
    await log(WASH, '2026-09-02');
    await house.manager
      .put(`/points/${flat.points[WASH]}/specification`, {
        specification: { forbiddenAgents: ['vinegar'] },
        basedOn: null,
      })
      .expect(200);
    const used = [
      await wash(),
      (await letDaysPass(house, 60), await wash()),
      (await letDaysPass(house, 60), await wash()),
    ];
    expect(used).not.to.include('vinegar');
    expect(new Set(used).size).to.equal(2);
  });
});

describe('The water', () => {
  beforeEach(open('refrigerator'));
  afterEach(close);
  it('caps the water filter: a year on public supply, half a year on a well (common practice)', async () => {
    await log('refrigerator.waterFilter', '2026-11-20');
    await house.manager.post('/practice', { scope: 'place', subjectId: flat.placeId, practice: 'light' }).expect(200);
    expect(await interval('refrigerator.waterFilter')).to.equal(365);
    await house.manager
      .post(`/properties/${flat.propertyId}/changes`, {
        water: { source: 'well', hardnessMgL: 200 },
        from: '2026-11-24',
      })
      .expect(200);
    expect(await interval('refrigerator.waterFilter')).to.equal(180);
  });
});

describe('A clock moved back', () => {
  beforeEach(open('washer'));
  afterEach(close);
  it('is said on the board, freshens nothing for good, and breaks nothing', async () => {
    await log('washer.doorBoot', '2026-11-20');
    const board = async () => (await house.manager.get('/board').expect(200)).body;
    expect((await board()).waiting.clockBehindDays).to.equal(0);
    const before = (await read(`/points/${flat.points['washer.doorBoot']}`)).mark;
    house.clock.now -= 30 * DAY_MS;
    expect((await board()).waiting.clockBehindDays).to.equal(30);
    expect((await read(`/points/${flat.points['washer.doorBoot']}`)).mark).to.deep.equal(before);
    await turnDay(house.env);
    expect((await read(`/points/${flat.points['washer.doorBoot']}/working`)).line).to.equal('2026-12-20');
    house.clock.now += 30 * DAY_MS;
    expect((await board()).waiting.clockBehindDays).to.equal(0);
  });
});
describe('A part that is done together with another job', () => {
  beforeEach(open('washer'));
  afterEach(close);

  it('does not ask for itself while it has no record, also after the others were served', async () => {
    const asking = async () => {
      const marks = await house.env.store.db.mark.all({}, { order: [['number', 'ASC']] });
      return marks.map(({ pointId, scheduled, servedDay }) => ({ pointId, scheduled, served: servedDay > 0 }));
    };
    const before = await asking();
    const leaders = Object.entries(flat.points).filter(([, id]) =>
      before.some(({ pointId, scheduled }) => pointId === id && scheduled === 1),
    );
    expect(leaders.length).to.be.within(1, before.length - 1);
    for (const [procedure] of leaders) await log(procedure, isoFromDay(TODAY - 1));
    const after = await asking();
    expect(after.filter(({ served }) => served)).to.have.length(leaders.length);
    expect(after.map(({ scheduled }) => scheduled)).to.deep.equal(before.map(({ scheduled }) => scheduled));
  });
});
