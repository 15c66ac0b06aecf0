import { expect } from 'chai';
import ICAL from 'ical.js';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import { JUDGEMENTS, isSound } from '../../core/due/assumptions.ts';
import { RECORD_SCHEMA } from '../../core/proof/record.ts';
import type { PracticeAnswer, PracticePreview } from '../../contract/due/practice.ts';
import { type Flat, give, honestWork, type House, letDaysPass, openFlat, registerFlat, TODAY } from './house.ts';

let house: House;
let flat: Flat;
beforeEach(async () => {
  ({ house, flat } = await openFlat());
});
afterEach(() => house.close());
const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
const log = (procedure: string, done: string, more: object = {}, of = flat) =>
  house.manager.post('/records', { id: v7(), pointId: of.points[procedure], done, ...more }).expect(200);
const mark = async (procedure: string, of = flat) => (await read(`/points/${of.points[procedure]}`)).mark;

describe('The settings of the due engine', () => {
  it('are told whole: practice, eight methods, calendar, every judgement and interval with its usual value', async () => {
    const it: PracticeAnswer = await read('/practice');
    expect(it.practice).to.equal('steady');
    expect(it.methods).to.have.length(8);
    expect(it.assumptions.map(({ name }) => name)).to.deep.equal(Object.keys(JUDGEMENTS));
    for (const { value, usual, low, high } of it.assumptions) {
      expect(value).to.equal(usual);
      expect(usual).to.be.within(low, high);
    }
    for (const { days } of it.intervals)
      expect(days.map(({ value }) => value)).to.deep.equal(days.map(({ usual }) => usual));
    expect(it.budget).to.deep.equal({ jobs: 2, minutes: 40 });
    expect(it.upkeepDay).to.equal(null);
    expect(it.prices).to.equal(null);
  });
  it('say an upkeep day in words and give it back as it was entered', async () => {
    await house.manager
      .post('/upkeep-day', { scope: 'organisation', rule: 'FREQ=MONTHLY;BYDAY=-1FR', start: '2026-01-30' })
      .expect(200);
    expect((await read('/practice')).upkeepDay).to.deep.equal({
      rule: 'FREQ=MONTHLY;BYDAY=-1FR',
      start: '2026-01-30',
      says: 'on the last Friday of every month',
    });
    const wrong = await house.manager
      .post('/upkeep-day', { scope: 'organisation', rule: 'every other blue moon' })
      .expect(422);
    expect(wrong.body.fields.rule).to.contain('FREQ=MONTHLY;BYDAY=1SA');
  });
  it('hold each judgement within its range, at both ends', () => {
    for (const [name, { low, high }] of Object.entries(JUDGEMENTS)) {
      expect(
        [isSound(name, low), isSound(name, high), isSound(name, low - 1e-6), isSound(name, high + 1e-6)],
        name,
      ).to.deep.equal([true, true, false, false]);
    }
    expect([
      isSound('days/washer.tub/steady', 1),
      isSound('days/washer.tub/steady', 3650),
      isSound('days/washer.tub/steady', 3651),
      isSound('days/washer.tub/steady', 0.5),
      isSound('nothing', 1),
    ]).to.deep.equal([true, true, false, false, false]);
  });
  it('move every line that follows, and only those', async () => {
    const other = await registerFlat(house, 'dryer', 'Flat 2A');
    await log('washer.doorBoot', '2026-11-20');
    await log('dryer.lintScreen', '2026-11-20', {}, other);
    const before = await mark('dryer.lintScreen', other);
    const lines = await house.env.store.db.line.count({ pointId: other.points['dryer.lintScreen']! });
    await house.manager.post('/assumptions', { changes: { 'days/washer.doorBoot/steady': 40 } }).expect(200);
    expect((await mark('washer.doorBoot')).intervalDays).to.equal(40);
    expect(await mark('dryer.lintScreen', other)).to.deep.equal(before);
    // The dryer's line is kept once more, since its inputs name what is assumed; its days are the same.
    expect(await house.env.store.db.line.count({ pointId: other.points['dryer.lintScreen']! })).to.be.at.most(
      lines + 1,
    );
  });
  it('refuse prices and budgets that cannot be', async () => {
    const price = (more: object) => house.manager.post('/prices', { staffHour: 40, door: 10, materials: {}, ...more });
    expect(Object.keys((await price({ door: 'ten', staffHour: -1 }).expect(422)).body.fields).sort()).to.deep.equal([
      'door',
      'staffHour',
    ]);
    await price({ materials: { airFilter: -2 } }).expect(422);
    await house.manager.post('/budgets', { jobs: -1, minutes: 40 }).expect(422);
    await house.manager.post('/budgets', { jobs: 1, minutes: 40, tenancyId: v7() }).expect(422);
    await house.manager
      .post('/seasons', { scope: 'organisation', coolingMonth: 13, coolingDate: 31, leadDays: 14, warmCelsius: 200 })
      .expect(422);
  });
});

describe('A preview', () => {
  const preview = async (path: string): Promise<PracticePreview> => read(`/practice/preview/${path}`);

  it('is of the points below what was chosen, and leaves nearer choices alone', async () => {
    const other = await registerFlat(house, 'washer', 'Flat 2A');
    const one = await preview(`place/${flat.placeId}`);
    expect(one.points).to.equal(4);
    expect((await preview(`property/${other.propertyId}`)).points).to.equal(4);
    expect((await preview(`point/${flat.points['washer.tub']}`)).points).to.equal(1);
    // Both properties chose for themselves, so the organisation moves nobody.
    const all = await preview('organisation/all');
    expect([all.points, all.follow]).to.deep.equal([8, 0]);
    expect(new Set(all.options.map(({ burden }) => burden.tenantRequestsAMonth)).size).to.equal(1);
    await house.manager
      .post(`/properties/${flat.propertyId}/changes`, { practice: null, from: '2026-11-24' })
      .expect(200);
    expect((await preview('organisation/all')).follow).to.equal(4);
  });
  it('asks nobody in an empty home, and staff instead', async () => {
    const before = (await preview(`place/${flat.placeId}`)).options[1]!.burden;
    expect(before.tenantRequestsAMonth).to.be.above(0);
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-11-23' }).expect(200);
    const after = (await preview(`place/${flat.placeId}`)).options[1]!.burden;
    expect(after.tenantRequestsAMonth).to.equal(0);
    expect(after.staffJobsAMonth).to.be.above(before.staffJobsAMonth);
    await house.manager.post(`/places/${flat.placeId}/hold`, { until: isoFromDay(TODAY + 60) }).expect(200);
    // On hold it asks nothing; what follows the hold counts.
    const held = (await preview(`place/${flat.placeId}`)).options[1]!.burden;
    expect(held.months.slice(0, 2).map(({ staffHours }) => staffHours)).to.deep.equal([0, 0]);
    expect(held.staffJobsAMonth).to.be.above(0).and.below(after.staffJobsAMonth);
  });
  it('keeps to a tenancy’s own budget', async () => {
    await house.manager.post('/budgets', { tenancyId: flat.tenancyId, jobs: 1, minutes: 500 }).expect(200);
    const { burden } = (await preview(`place/${flat.placeId}`)).options[0]!;
    expect(burden.mostInAMonth).to.equal(1);
    expect(burden.spilledAMonth).to.be.above(0);
  });
  it('is not there for a scope or a thing that is not', async () => {
    await house.manager.get(`/practice/preview/galaxy/${flat.placeId}`).expect(404);
    await house.manager.get(`/practice/preview/place/${v7()}`).expect(404);
    await house.manager.get(`/calendar/galaxy/${flat.placeId}`).expect(404);
  });
});

describe('The calendar file', () => {
  const events = async (path: string) =>
    new ICAL.Component(ICAL.parse((await house.manager.get(path).expect(200)).text) as never)
      .getAllSubcomponents('vevent')
      .map((it) => new ICAL.Event(it));

  it('holds what asks by itself, on its line, and what has days of its own on all of them', async () => {
    const air = await registerFlat(house, 'airHandler', 'Flat 2A');
    await house.manager
      .put(`/machines/${air.machineId}/contract`, { contract: { lastVisit: '2026-10-01', everyMonths: 6 } })
      .expect(200);
    await log('airHandler.condensateDrain', '2026-10-20', {}, air);
    await log('airHandler.returnFilter', '2026-11-20', {}, air);
    const all = await events(`/calendar/machine/${air.machineId}`);
    const drain = all.find(({ summary }) => summary.startsWith('Flush the condensate drain'))!;
    const dates = drain.component.getAllProperties('rdate').flatMap((it) => it.getValues().map(String));
    expect([String(drain.startDate), ...dates].slice(0, 3)).to.deep.equal(['2026-12-31', '2027-07-02', '2028-01-01']);
    expect(String(all.find(({ summary }) => summary.startsWith('Change the air filter'))!.startDate)).to.equal(
      '2027-02-18',
    );
    expect(all.some(({ summary }) => summary.startsWith('Lift-test'))).to.equal(false);
    expect(all.every(({ uid }) => uid.endsWith('@dewline'))).to.equal(true);
  });
  it('leaves out what has no record and keeps no calendar, and a machine that is gone', async () => {
    expect(await events(`/calendar/place/${flat.placeId}`)).to.have.length(0);
    await log('washer.doorBoot', '2026-11-20');
    expect(await events(`/calendar/place/${flat.placeId}`)).to.have.length(1);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-24' }).expect(200);
    expect(await events(`/calendar/place/${flat.placeId}`)).to.have.length(0);
  });
});

describe('A machine out of service', () => {
  it('leaves the board, its jobs, the tenant’s page; its records stay', async () => {
    await log('washer.doorBoot', '2026-11-01');
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-25' }).expect(422);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-24' }).expect(200);
    expect((await house.env.store.db.job.one({ id: job.id }))!.state).to.equal('cancelled');
    const home = (await flat.tenant.get('/home').expect(200)).body;
    expect([home.jobs, home.machines, home.habits]).to.deep.equal([[], [], []]);
    await flat.tenant.get(`/jobs/${job.id}`).expect(200);
    expect(await house.env.store.db.record.count({ pointId: flat.points['washer.doorBoot']! })).to.equal(1);
    const { machines } = await read(`/places/${flat.placeId}`);
    expect(machines[0]).to.deep.include({ retired: '2026-11-24', points: [] });
    expect(
      (await house.manager.post(`/machines/${flat.machineId}/retirement`, { day: '2026-11-24' }).expect(409)).body
        .detail,
    ).to.contain('out of service on 24 November 2026');
    await house.manager.post('/signals', { id: v7(), machineId: flat.machineId, type: 'washer.code' }).expect(409);
    await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(409);
  });
});

describe('Habits and looks through the services', () => {
  it('ask less often under a light practice: ninety days (common practice)', async () => {
    await house.manager.post('/practice', { scope: 'place', subjectId: flat.placeId, practice: 'light' }).expect(200);
    await flat.tenant
      .post('/habits', { answers: [{ id: v7(), machineId: flat.machineId, habit: 'washer.doorOpen', kept: 'kept' }] })
      .expect(200);
    const due = async () =>
      (await read(`/places/${flat.placeId}`)).habits.find(({ habit }: { habit: string }) => habit === 'washer.doorOpen')
        .due as boolean;
    await letDaysPass(house, 89);
    expect(await due()).to.equal(false);
    await letDaysPass(house, 1);
    expect(await due()).to.equal(true);
  });
  it('share the weight of one growth between a look and the service after it', async () => {
    await log('washer.doorBoot', '2026-09-25');
    await house.manager.post('/looks', { id: v7(), number: 2, grade: 'light', day: '2026-10-10' }).expect(200);
    await log('washer.doorBoot', '2026-10-25', { grade: 'due' });
    const { conditions } = await read(`/points/${flat.points['washer.doorBoot']}/working`);
    const weights = conditions.map(({ weight }: { weight: number }) => Math.round(weight * 100) / 100);
    expect(weights).to.deep.equal([0.67, 0.33, 0]);
  });
  it('keep what a look says in the log as canonical text, its author behind a commitment', async () => {
    await house.manager.post('/looks', { id: v7(), number: 1, grade: 'due', note: 'By the door.' }).expect(200);
    const [entry] = await house.env.store.db.logEntry.all({ kind: 'look' });
    const told = JSON.parse(entry!.canonical) as Record<string, unknown>;
    expect(told).to.include({ kind: 'look', grade: 'due', day: '2026-11-24', schema: RECORD_SCHEMA });
    expect(entry!.canonical).not.to.contain('By the door');
    expect(entry!.canonical).not.to.contain((await read('/session')).me.id);
    expect(
      (await house.env.store.db.personal.all({ recordId: String(told.id) })).map(({ field }) => field).sort(),
    ).to.deep.equal(['by', 'note']);
  });
  it('answer a signal when the proof of its service is accepted, not when it is sent', async () => {
    await log('washer.drainPumpFilter', '2026-11-01');
    await flat.tenant.post('/signals', { id: v7(), machineId: flat.machineId, type: 'washer.code' }).expect(200);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.drainPumpFilter']!]);
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    const state = async () => (await read('/signals')).signals[0].state as string;
    expect(await state()).to.equal('open');
    await house.manager.post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'accept' }).expect(200);
    expect(await state()).to.equal('answered');
  });
  it('let rejected proof teach nothing', async () => {
    await log('washer.doorBoot', '2026-10-01');
    const before = await mark('washer.doorBoot');
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    const form = await honestWork(house, flat.tenant, job, { grade: 'blocked' });
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    await house.manager
      .post(`/proof/${form.records[0]!.id}/verdict`, { verdict: 'sendBack', reason: 'Another machine.' })
      .expect(200);
    const after = await mark('washer.doorBoot');
    expect([after.servedDay, after.intervalDays]).to.deep.equal([before.servedDay, before.intervalDays]);
    expect((await read(`/points/${flat.points['washer.doorBoot']}/working`)).conditions).to.have.length(1);
  });
});
