import { expect } from 'chai';
import { v7 } from 'uuid';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import type { ContractVisit } from '../../contract/notices/contracts.ts';
import type { PointAnswer } from '../../contract/due/due.ts';
import type { HomeAnswer, JobAnswer } from '../../contract/jobs/jobs.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import type { Letter } from '../../server/ports/mail.ts';
import { type Caller, DAY_MS, type Flat, hire, honestWork, type House, openFlat, TODAY } from './house.ts';

const MINUTE = 60_000;
const FIRM = { name: 'Gannet Cooling', email: 'visits@gannet.example' };

/** A contractor's visit is a part with a line of its own: due, asked for, proven by a report; the last one moves itself. */
describe('A contract', () => {
  let house: House;
  let flat: Flat;
  let post: Letter[];
  beforeEach(async () => {
    ({ house, flat } = await openFlat('airHandler'));
    post = [];
    const mail = {
      host: 'mail.example',
      port: 25,
      secure: 'no',
      user: '',
      password: null,
      from: 'o@saltmarsh.example',
    };
    await house.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail }).expect(200);
  });
  afterEach(() => house.close());
  const contract = (daysAgo: number, more: object = {}) =>
    house.manager.put(`/machines/${flat.machineId}/contract`, {
      contract: { lastVisit: isoFromDay(TODAY - daysAgo), everyMonths: 6, ...FIRM, ...more },
    });
  const visits = async (by: Caller = house.manager) =>
    (await by.get('/contracts').expect(200)).body.visits as ContractVisit[];
  const visit = async () => (await visits())[0]!;
  const point = async (number?: number) =>
    (await house.manager.get(`/points/${number ?? (await visit()).number}`).expect(200)).body as PointAnswer;
  const flush = async () => (await point(flat.numbers[3])).mark;
  const tell = async (later = 11 * MINUTE) => {
    house.clock.now += later;
    await tellHouseholds({
      ...house.env,
      waysOut: { mail: async (_, letter) => void post.push(letter), webhook: async () => undefined },
    });
  };
  const ask = async (id = v7()) => {
    const form = { id, pointIds: [(await point()).id], ...FIRM };
    return (await house.manager.post('/jobs/contracted', form).expect(200)).body as { id: string; path: string };
  };
  const enter = async (path: string) => {
    const caller = house.caller();
    await caller.open('/link', { token: path.split('#')[1]! });
    return caller;
  };

  it('makes a part of the machine that is due by its months, counted and on the board like any other', async () => {
    const before = (await house.manager.get('/board').expect(200)).body.rows[0].marks.length as number;
    await contract(200).expect(200);
    const it = await visit();
    expect(it).to.include({ contractor: FIRM.name, everyMonths: 6, state: 'open', near: true, lastDay: TODAY - 200 });
    const read = await point();
    expect(read).to.deep.include({ kind: 'visit', level: 'licensed', rideAlong: [], contract: FIRM });
    expect(read.says).to.equal('A contractor comes every 6 months.');
    expect(read.terms.map(({ says, days }) => [says, days])).to.deep.equal([
      ['By its contract: every 6 months', it.lineDay! - it.lastDay!],
    ]);
    const marks = (await house.manager.get('/board').expect(200)).body.rows[0].marks as unknown[];
    expect(marks.length).to.be.above(before);
  });
  it('refuses a visit that has not been, and months that are none', async () => {
    await contract(-1).expect(422);
    await contract(1, { everyMonths: 0 }).expect(422);
    await contract(1, { email: 'nobody' }).expect(422);
    expect(await visits()).to.deep.equal([]);
  });
  it('asks by letter with a link of its own, once more by hand and no more than once a day', async () => {
    await contract(200).expect(200);
    const { id } = await ask();
    await tell(MINUTE);
    expect(post).to.deep.equal([]);
    await tell();
    expect(post.map(({ to }) => to)).to.deep.equal([FIRM.email]);
    expect(post[0]!.subject).to.match(/^Air handler, 1-inch filter, Flat 1A, The Ropewalk: please come by \d/);
    expect(post[0]!.text).to.contain('What for: Contractor’s visit').and.to.contain('told before anybody comes in');
    const contractor = await enter(/\/home\/#\S+/.exec(post[0]!.text)![0]);
    expect(((await contractor.get('/home').expect(200)).body as HomeAnswer).jobs.map((it) => it.id)).to.deep.equal([
      id,
    ]);
    expect(await visit()).to.include({ state: 'asked', mayRemind: false });
    await house.manager.post(`/jobs/${id}/reminder`).expect(409);
    house.clock.now += DAY_MS;
    expect((await visit()).mayRemind).to.equal(true);
    await house.manager.post(`/jobs/${id}/reminder`).expect(200);
    await house.manager.post(`/jobs/${id}/reminder`).expect(409);
    await tell();
    await tell();
    expect(post.length).to.equal(2);
    expect(post[1]!.subject).to.match(/^Once more: /);
    expect((await visit()).messages.map(({ state }) => state)).to.deep.equal(['sent', 'sent']);
    expect((await visit()).messages[1]!.body).not.to.contain('/home/#');
    // Who opens the last letter is in, though the link of the first has run out.
    const { db } = house.env.store;
    const [first] = await db.jobLink.all({ jobId: id }, { order: [['createdAt', 'ASC']] });
    await house.env.store.write((to) => to.jobLink.update({ id: first!.id }, { expiresAt: 1 }));
    const late = await enter(/\/home\/#\S+/.exec(post[1]!.text)![0]);
    expect(((await late.get('/home').expect(200)).body as HomeAnswer).jobs).to.have.length(1);
  });
  it('tells nobody of what was taken back within its ten minutes, and has no way to whom nobody has an address of', async () => {
    await contract(200, { email: '' }).expect(200);
    const { id } = await ask();
    await house.manager.post(`/jobs/${id}/moves`, { move: 'cancel', revision: 1 }).expect(200);
    await tell();
    expect(post).to.deep.equal([]);
    const form = { id: v7(), pointIds: [(await point()).id], name: FIRM.name };
    await house.manager.post('/jobs/contracted', form).expect(200);
    await tell();
    expect(post).to.deep.equal([]);
    await house.manager.post(`/jobs/${form.id}/reminder`).expect(409);
    expect((await house.manager.post(`/jobs/${v7()}/reminder`)).status).to.equal(404);
  });
  it('is proven by a report that the office photographs: the visit, and the flushes between visits, move by themselves', async () => {
    await contract(200).expect(200);
    await house.manager
      .post('/records', {
        id: v7(),
        pointId: flat.points['airHandler.condensateDrain'],
        done: isoFromDay(TODAY - 90),
        grade: null,
      })
      .expect(200);
    const before = await flush();
    const report = await house.manager.take('airHandler.returnFilter', 5);
    const id = v7();
    await house.manager
      .post('/records', { id, pointId: (await point()).id, done: isoFromDay(TODAY - 2), grade: null, photoId: report })
      .expect(200);
    expect(await visit()).to.include({ lastDay: TODAY - 2, state: 'open', near: false });
    expect((await point()).story[0]).to.include({ recordId: id, evidence: 'proven', correctable: true });
    const after = await flush();
    expect(after.intervalDays).not.to.equal(before.intervalDays);
    expect(after.servedDay + after.intervalDays).to.be.within(TODAY + 85, TODAY + 95);
    // The wrong day put right moves both again.
    await house.manager
      .post(`/records/${id}/corrections`, {
        id: v7(),
        done: isoFromDay(TODAY - 32),
        grade: null,
        reason: 'another day',
      })
      .expect(200);
    expect((await visit()).lastDay).to.equal(TODAY - 32);
    expect((await flush()).intervalDays).to.be.below(after.intervalDays);
  });
  it('waits for a verdict where staff writes it down, or the photo is one that was sent before', async () => {
    await contract(200).expect(200);
    const { caller: staff } = await hire(house);
    const { id: pointId } = await point();
    const done = isoFromDay(TODAY - 1);
    await staff
      .post('/records', {
        id: v7(),
        pointId,
        done,
        grade: null,
        photoId: await staff.take('airHandler.returnFilter', 5),
      })
      .expect(200);
    expect((await visit()).state).to.equal('sent');
    const { waitingRecordId } = await point();
    await house.manager.post(`/proof/${waitingRecordId}/verdict`, { verdict: 'accept', reason: '' }).expect(200);
    expect(await visit()).to.include({ state: 'open', lastDay: dayFromIso(done) });
    house.clock.now += 170 * DAY_MS;
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: 'a long password' });
    const again = { id: v7(), pointId, done: isoFromDay(TODAY + 169), grade: null };
    await house.manager
      .post('/records', { ...again, photoId: await house.manager.take('airHandler.returnFilter', 5) })
      .expect(200);
    expect((await visit()).state, 'a copy of the old report').to.equal('sent');
  });
  it('takes a report for a visit alone, and only from who sent it', async () => {
    await contract(200).expect(200);
    const photoId = await house.manager.take('airHandler.returnFilter', 5);
    const form = { id: v7(), done: isoFromDay(TODAY), grade: null, photoId };
    await house.manager.post('/records', { ...form, pointId: flat.points['airHandler.registers'] }).expect(422);
    const { caller: staff } = await hire(house);
    await staff.post('/records', { ...form, pointId: (await point()).id }).expect(422);
    expect(await visit()).to.include({ state: 'open', lastDay: TODAY - 200 });
  });
  it('is done by the contractor themselves, who comes in by notice or a word, and whose report is judged', async () => {
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 24 }).expect(200);
    await contract(200).expect(200);
    const { id, path } = await ask();
    const contractor = await enter(path);
    const read = async () => (await contractor.get(`/jobs/${id}`).expect(200)).body;
    expect((await read()).entry as JobAnswer['entry']).to.include({ needed: true, tenant: 'I. Marrable' });
    await contractor.post(`/jobs/${id}/moves`, { move: 'start', revision: 1 }).expect(409);
    const entry = { ground: 'word', name: 'I. Marrable', note: '' };
    await contractor.post(`/jobs/${id}/moves`, { move: 'start', revision: 1, entry }).expect(200);
    await contractor.post(`/jobs/${id}/submission`, await honestWork(house, contractor, await read())).expect(200);
    expect((await visit()).state).to.equal('sent');
  });
  it('shows a day that was announced and on which nobody came, until it is written down or asked anew', async () => {
    await contract(200).expect(200);
    const { id } = await ask();
    const { personId } = await house.env.store.db.jobLink.one({ jobId: id }).then((it) => it!);
    const form = { placeId: flat.placeId, personId, from: 540, until: 660, purpose: 'Service', agreed: true };
    await house.manager.post('/visits', { ...form, id: v7(), day: isoFromDay(TODAY + 1), personId: v7() }).expect(422);
    await house.manager.post('/visits', { ...form, id: v7(), day: isoFromDay(TODAY + 1) }).expect(200);
    expect(await visit()).to.deep.include({ state: 'coming', visit: { day: TODAY + 1, from: 540, until: 660 } });
    expect(((await flat.tenant.get('/home').expect(200)).body as HomeAnswer).visits[0]!.person).to.equal(FIRM.name);
    house.clock.now += DAY_MS;
    expect((await visit()).state).to.equal('missed');
    await house.manager.post('/visits', { ...form, id: v7(), day: isoFromDay(TODAY + 3) }).expect(200);
    expect((await visit()).state).to.equal('coming');
    await house.manager
      .post('/records', { id: v7(), pointId: (await point()).id, done: isoFromDay(TODAY + 1), grade: null })
      .expect(200);
    expect(await visit()).to.include({ state: 'open', lastDay: TODAY + 1 });
  });
  it('is planned into nobody’s round, comes along with nothing, and leads no other part', async () => {
    await contract(200).expect(200);
    const { number } = await visit();
    const list = (await house.manager.get(`/places/${flat.placeId}/list`).expect(200)).body;
    expect(JSON.stringify(list.sittings)).not.to.contain('Contractor');
    const chosen = {
      placeIds: [flat.placeId],
      numbers: [number],
      which: 'chosen',
      assigneeId: null,
      moves: false,
      from: null,
    };
    const given = (await house.manager.post('/lists/many', chosen).expect(200)).body;
    expect(given).to.include({ jobs: 0 });
    expect(given.left.length).to.equal(1);
    const floatSwitch = (await house.manager.get(`/points/${flat.numbers[4]}`).expect(200)).body as PointAnswer;
    expect(floatSwitch.rideAlong.map(({ name }) => name)).not.to.include('Contractor’s visit');
  });
  it('that is over takes its visit off the board with whoever was asked, and brings it back with its history', async () => {
    await contract(200).expect(200);
    const { id: pointId } = await point();
    const { path } = await ask();
    await house.manager.put(`/machines/${flat.machineId}/contract`, { contract: null }).expect(200);
    expect(await visits()).to.deep.equal([]);
    await enter(path).then(
      () => expect.fail('the link is over'),
      () => undefined,
    );
    await house.manager.post('/jobs/contracted', { id: v7(), pointIds: [pointId], name: 'A' }).expect(404);
    await contract(10).expect(200);
    expect((await point()).id).to.equal(pointId);
    expect(await visit()).to.include({ lastDay: TODAY - 10, state: 'open', near: false });
  });
  it('is not read by staff, tenants or who looks after another property', async () => {
    await contract(200).expect(200);
    await flat.tenant.get('/contracts').expect(403);
    const { caller: staff } = await hire(house);
    await staff.get('/contracts').expect(403);
  });
});
