import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { HomeAnswer, JobAnswer, TodayAnswer } from '../../contract/jobs/jobs.ts';
import type { VisitsAnswer } from '../../contract/notices/visits.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import type { Letter } from '../../server/ports/mail.ts';
import {
  type Caller,
  DAY_MS,
  type Flat,
  give,
  hire,
  honestWork,
  type House,
  openFlat,
  registerFlat,
  TODAY,
} from './house.ts';
import { readPaper } from './paper.ts';

const HOUR = 3_600_000;

/** Nobody of the office begins in a home that is lived in without notice, consent or an emergency. */
describe('Visits', () => {
  let house: House;
  let flat: Flat;
  let staff: Caller;
  let staffId = '';
  let post: Letter[];
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
    post = [];
    ({ caller: staff, id: staffId } = await hire(house));
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 24 }).expect(200);
  });
  afterEach(() => house.close());
  const tell = () =>
    tellHouseholds({
      ...house.env,
      waysOut: { mail: async (_, letter) => void post.push(letter), webhook: async () => undefined },
    });
  const reach = async () => {
    const mail = {
      host: 'mail.example',
      port: 25,
      secure: 'no',
      user: '',
      password: null,
      from: 'o@saltmarsh.example',
    };
    await house.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail }).expect(200);
    await house.manager
      .put(`/tenancies/${flat.tenancyId}/contact`, { way: 'mail', email: 'marrable@harbour.example', reminders: false })
      .expect(200);
  };
  const announce = (form: object = {}, id = v7()) =>
    house.manager.post('/visits', {
      id,
      placeId: flat.placeId,
      personId: staffId,
      day: isoFromDay(TODAY + 2),
      from: 600,
      until: 720,
      purpose: 'Washer: tub',
      ...form,
    });
  const visits = async (by: Caller = house.manager) =>
    (await by.get(`/visits?with=${JSON.stringify({ placeId: flat.placeId })}`).expect(200)).body as VisitsAnswer;
  const home = async () => (await flat.tenant.get('/home').expect(200)).body as HomeAnswer;
  const job = async () => (await give(house, staff, staffId, [flat.points['washer.tub']!])) as JobAnswer;
  const start = (of: JobAnswer, form: object = {}) =>
    staff.post(`/jobs/${of.id}/moves`, { move: 'start', revision: of.revision, ...form });

  it('are told in writing by whom, when and what for, and make the home theirs to enter at that time alone', async () => {
    await reach();
    await announce().expect(200);
    await tell();
    expect(post[0]!.subject).to.equal('Flat 1A: T. Hollis comes on 26 November 2026, 10:00 to 12:00');
    expect(post[0]!.text)
      .to.contain('What for: Washer: tub')
      .and.to.match(/home\/#/);
    expect((await visits()).visits[0]).to.include({ lawful: true, delivered: true });
    const early = await job();
    expect(early.entry).to.include({ needed: true, tenant: 'I. Marrable' });
    await start(early).expect(409);
    house.clock.now = Date.UTC(2026, 10, 26, 10, 30);
    await staff.open('/session', { email: 'hollis@saltmarsh.example', password: 'a long password' });
    expect((await staff.get(`/jobs/${early.id}`).expect(200)).body.entry).to.include({
      needed: false,
      says: 'Announced in time.',
    });
    await start(early).expect(200);
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: 'a long password' });
    expect((await visits()).entries.map(({ says }) => says)).to.deep.equal([
      'T. Hollis: on a visit that was announced or agreed',
    ]);
  });

  it('are refused where the notice would be too short, unless they have agreed; the night counts', async () => {
    const { body } = await announce({ day: isoFromDay(TODAY + 1) }).expect(422);
    expect(body.detail).to.contain('24 hours').and.to.contain('25 Nov, 12:00');
    await announce({ day: isoFromDay(TODAY + 1), from: 720, until: 780 }).expect(200);
    await announce({ day: isoFromDay(TODAY), from: 840, until: 900, agreed: true }).expect(200);
    await announce({ day: isoFromDay(TODAY), from: 60, until: 120, agreed: true }).expect(422);
    await announce({ until: 600 }).expect(422);
    // After eight in the evening they hear of it at eight: the hours count from then.
    house.clock.now += 9 * HOUR;
    await announce({ day: isoFromDay(TODAY + 2), from: 420, until: 480 }).expect(422);
    await announce({ day: isoFromDay(TODAY + 2), from: 480, until: 540 }).expect(200);
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 337 }).expect(422);
  });

  it('are agreed to, or asked for at another time, by whoever lives there and nobody else', async () => {
    const id = v7();
    await announce({}, id).expect(200);
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    await other.tenant.post(`/visits/${id}/answer`, { answer: 'agreed' }).expect(404);
    expect((await home()).visits).to.have.length(1);
    await flat.tenant.post(`/visits/${id}/answer`, { answer: 'another' }).expect(422);
    await flat.tenant
      .post(`/visits/${id}/answer`, {
        answer: 'another',
        day: isoFromDay(TODAY + 3),
        from: 1020,
        until: 1080,
        note: 'I work until five.',
      })
      .expect(200);
    expect((await visits()).visits[0]).to.deep.include({
      answer: 'another',
      lawful: false,
      other: { day: TODAY + 3, from: 1020, until: 1080 },
      note: 'I work until five.',
    });
    await reach();
    await house.manager.post(`/visits/${id}/other-time`, { settles: 'accept' }).expect(200);
    await tell();
    expect(post.at(-1)!.text).to.contain('As agreed').and.to.contain('17:00');
    expect((await visits()).visits[0]).to.include({ day: TODAY + 3, lawful: true, answer: 'agreed' });
    await house.manager.post(`/visits/${id}/other-time`, { settles: 'keep' }).expect(409);
  });

  it('stay as announced where the other time cannot be made, with the notice that was given', async () => {
    const id = v7();
    await reach();
    await announce({}, id).expect(200);
    await tell();
    await flat.tenant
      .post(`/visits/${id}/answer`, { answer: 'another', day: isoFromDay(TODAY + 9), from: 0, until: 60 })
      .expect(200);
    await house.manager.post(`/visits/${id}/other-time`, { settles: 'keep' }).expect(200);
    await tell();
    expect(post).to.have.length(2);
    expect(post[1]!.text).to.contain('it stays as announced');
    expect((await visits()).visits[0]).to.include({ answer: 'kept', lawful: true });
  });

  it('are handed over on paper where there is no mail, and the hours count from then', async () => {
    const id = v7();
    await announce({}, id).expect(200);
    await tell();
    expect((await visits()).visits[0]).to.include({ delivered: false, lawful: false });
    const { text: paper } = await readPaper(house.manager.get(`/visits/${id}/notice`));
    expect(paper.replaceAll('\n', ' '))
      .to.contain('T. Hollis of Saltmarsh & Vane comes on 26 November 2026')
      .and.to.contain('no legal advice');
    await staff.post(`/visits/${id}/delivered`).expect(200);
    expect((await visits()).visits[0]).to.include({ delivered: true, lawful: true });
    const late = v7();
    await announce({}, late).expect(200);
    house.clock.now += DAY_MS;
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: 'a long password' });
    await house.manager.post(`/visits/${late}/delivered`).expect(200);
    expect((await visits()).visits.find((it) => it.id === late)!.says).to.contain('Told too late');
  });

  it('are moved and called off, and whoever was told is told', async () => {
    const id = v7();
    await reach();
    await announce({}, id).expect(200);
    await tell();
    await house.manager.put(`/visits/${id}`, { day: isoFromDay(TODAY + 5), from: 600, until: 660 }).expect(200);
    await house.manager.delete(`/visits/${id}`).expect(200);
    await tell();
    // It was moved and called off before anybody heard of the move: they hear that nobody comes.
    expect(post.map(({ subject }) => subject.split(' ').slice(2, 4).join(' '))).to.deep.equal([
      'T. Hollis',
      'nobody comes',
    ]);
    await announce({}, v7()).expect(200);
    await tell();
    const [last] = (await visits()).visits.filter(({ state }) => state === 'announced');
    await house.manager.delete(`/visits/${last!.id}`).expect(200);
    await tell();
    expect(post.at(-1)!.subject).to.equal('Flat 1A: nobody comes on 26 November 2026');
    await house.manager.delete(`/visits/${last!.id}`).expect(409);
    expect((await home()).visits).to.deep.equal([]);
  });

  it('are not needed after a word at the door, which holds for that day, nor for fire, flood and gas', async () => {
    const first = await job();
    await start(first, { entry: { ground: 'word', name: '' } }).expect(422);
    await start(first, { entry: { ground: 'word', name: 'I. Marrable' } }).expect(200);
    const second = (await give(house, staff, staffId, [flat.points['washer.drawer']!])) as JobAnswer;
    expect(second.entry).to.include({ needed: false, says: 'You were let in today.' });
    house.clock.now += DAY_MS;
    await staff.open('/session', { email: 'hollis@saltmarsh.example', password: 'a long password' });
    await start(second).expect(409);
    await start(second, { entry: { ground: 'flood' } }).expect(200);
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: 'a long password' });
    const [entry] = (await visits()).entries;
    expect(entry).to.include({ says: 'T. Hollis: because of a flood', wantsNote: true });
    await staff
      .post(`/entries/${entry!.id}/note`, { note: 'Hose burst in the kitchen; shut at the stop tap.' })
      .expect(200);
    expect((await visits()).entries[0]!.wantsNote).to.equal(false);
  });

  it('stand on the day of whoever makes them, and go to somebody else when they leave; the household hears by whom', async () => {
    await reach();
    await announce().expect(200);
    await tell();
    const today = async (by: Caller) => (await by.get('/jobs').expect(200)).body as TodayAnswer;
    expect((await today(staff)).visits).to.deep.include.members([
      { ...(await home()).visits[0]!, place: 'Flat 1A, The Ropewalk', placeId: flat.placeId },
    ]);
    expect((await today(house.manager)).visits).to.deep.equal([]);
    const { caller: other, id: personId } = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'N. Ferreday');
    await house.manager.post(`/people/${staffId}/disable`).expect(200);
    const [left] = (await visits()).visits;
    expect(left).to.include({ gone: true, state: 'announced', person: 'T. Hollis' });
    const when = { day: isoFromDay(TODAY + 3), from: 600, until: 720 };
    await house.manager.put(`/visits/${left!.id}`, { ...when, personId: flat.tenantId }).expect(422);
    await house.manager.put(`/visits/${left!.id}`, { ...when, personId: staffId }).expect(422);
    await house.manager.put(`/visits/${left!.id}`, { ...when, personId }).expect(200);
    await tell();
    expect(post.at(-1)!.subject).to.contain('N. Ferreday comes on 27 November 2026');
    expect((await visits()).visits[0]).to.include({ gone: false, person: 'N. Ferreday' });
    expect((await today(other)).visits.map(({ id }) => id)).to.deep.equal([left!.id]);
  });

  it('are asked of nobody in an empty home', async () => {
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/end`, { last: isoFromDay(TODAY - 1), holdUntil: null })
      .expect(200);
    const empty = await job();
    expect(empty.entry.needed).to.equal(false);
    await start(empty).expect(200);
    await announce().expect(422);
  });

  it('leave it written down where work is sent from a home that nobody was let into', async () => {
    const sent = await job();
    await staff.post(`/jobs/${sent.id}/submission`, await honestWork(house, staff, sent as never)).expect(200);
    expect((await visits()).entries[0]).to.include({ ground: 'none', wantsNote: true });
    expect((await visits(staff)).visits).to.deep.equal([]);
  });
});
