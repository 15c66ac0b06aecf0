import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { MishapsAnswer, NewMishap, RoundOrdered } from '../../contract/rounds/mishaps.ts';
import type { Plan, PlanAnswer, RoundAnswer, RoundStop } from '../../contract/rounds/rounds.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import type { Letter } from '../../server/ports/mail.ts';
import { DAY_MS, hire, openHouse, PASSWORD, registerFlat, TODAY, type Caller, type Flat, type House } from './house.ts';

const FRIDAY = TODAY + 3;
const HOUR = 3_600_000;
const MINUTE = 60_000;
const DRAIN = 'airHandler.condensateDrain';

/** Two lived-in flats, announced to their tenants, in one round of a Friday that has come. */
describe('A round on its day', () => {
  let house: House;
  let flats: Flat[];
  let staff: { readonly caller: Caller; readonly id: string };
  let post: Letter[];
  const tell = () =>
    tellHouseholds({
      ...house.env,
      waysOut: { mail: async (_, letter) => void post.push(letter), webhook: async () => undefined },
    });
  const round = async (day: number | null = null): Promise<RoundAnswer> => {
    const form = encodeURIComponent(JSON.stringify({ day: day === null ? null : isoFromDay(day) }));
    return (await staff.caller.get(`/people/${staff.id}/round?with=${form}`).expect(200)).body as RoundAnswer;
  };
  const stopOf = (answer: RoundAnswer, flat: Flat): RoundStop =>
    answer.stops.find(({ placeId }) => placeId === flat.placeId)!;
  const mishaps = async () => ((await house.manager.get('/mishaps').expect(200)).body as MishapsAnswer).open;
  const says = (stop: RoundStop, form: Partial<NewMishap>, by = staff.caller) =>
    by.post(`/round-stops/${stop.id}/mishaps`, {
      id: v7(),
      part: null,
      minutes: 0,
      at: house.clock.now,
      deviceAt: house.clock.now,
      ...form,
    });
  const subjects = () => post.map(({ subject }) => subject);

  beforeEach(async () => {
    house = await openHouse();
    staff = await hire(house);
    post = [];
    const mail = { host: 'm.example', port: 25, secure: 'no', user: '', password: null, from: 'o@saltmarsh.example' };
    await house.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail }).expect(200);
    flats = [];
    for (const name of ['Flat 1A', 'Flat 1B']) {
      const flat = await registerFlat(house, 'airHandler', name);
      flats.push(flat);
      const record = { id: v7(), done: isoFromDay(TODAY - 83), grade: 'due', finds: [], note: '' };
      await house.manager.post('/records', { ...record, pointId: flat.points[DRAIN] }).expect(200);
      const way = { way: 'mail', email: `${name.at(-1)!.toLowerCase()}@harbour.example`, reminders: false };
      await house.manager.put(`/tenancies/${flat.tenancyId}/contact`, way).expect(200);
      await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 24 }).expect(200);
    }
    let plan = ((await house.manager.post('/plan', { weeks: 4, keep: true }).expect(200)).body as PlanAnswer).plan!;
    for (const { visit } of plan.visits) {
      const form = { revision: plan.revision, visit, shape: 'move', personId: staff.id, day: isoFromDay(FRIDAY) };
      plan = ((await house.manager.post('/plan/shapes', form).expect(200)).body as { plan: Plan }).plan;
    }
    const visits = plan.visits.map(({ visit }) => visit);
    await house.manager.post('/plan/taken-over', { revision: plan.revision, visits }).expect(200);
    await tell();
    // Friday, eight in the morning.
    house.clock.now = house.clock.now + 3 * DAY_MS - 4 * HOUR;
    await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
    await staff.caller.open('/session', { email: 'hollis@saltmarsh.example', password: PASSWORD });
    expect(subjects()).to.have.length(2);
    post = [];
  });
  afterEach(() => house.close());

  it('is told by two taps that nobody was home: office and household hear, and a day is proposed that notice allows', async () => {
    const stop = stopOf(await round(), flats[0]!);
    expect(stop.told).to.deep.include({ from: 480 });
    await says(stop, { kind: 'nobodyHome' }).expect(200);
    const [open] = await mishaps();
    expect(open).to.include({ kind: 'nobodyHome', person: 'T. Hollis', mayUndo: true, settled: false });
    expect(open!.says).to.match(/^Nobody home, .*They will be told\.$/);
    await tell();
    expect(post, 'a slip can be taken back first').to.have.length(0);
    house.clock.now += 11 * MINUTE;
    await tell();
    expect(subjects()[0]).to.match(/^Flat 1A: T\. Hollis was there, /);
    expect(post[0]!.text).to.contain('nobody opened').and.to.contain('Nobody has been in your home');
    const now = stopOf(await round(), flats[0]!);
    expect(now.notice).to.equal('Found no way in');
    expect(now.mishaps[0]).to.include({ mayUndo: false });
    await staff.caller.delete(`/mishaps/${open!.id}`).expect(409);
    const { again } = now.mishaps[0]!;
    // Monday: the day after is no working day, and a letter that goes out today is long enough before.
    expect(again).to.deep.include({ day: isoFromDay(FRIDAY + 3), from: 480 });
    const soon = { day: isoFromDay(FRIDAY), from: 1000, until: 1060 };
    expect((await staff.caller.post(`/mishaps/${open!.id}/again`, soon).expect(422)).body.detail).to.contain(
      '24 hours',
    );
    post = [];
    await staff.caller.post(`/mishaps/${open!.id}/again`, again!).expect(200);
    await staff.caller.post(`/mishaps/${open!.id}/again`, again!).expect(409);
    await tell();
    expect(subjects()[0]).to.match(/T\. Hollis comes on/);
    expect(await mishaps()).to.deep.equal([]);
    const monday = await round(FRIDAY + 3);
    expect(monday.stops.map(({ placeId }) => placeId)).to.deep.equal([flats[0]!.placeId]);
    expect(monday.stops[0]!.parts).to.have.length(stop.parts.length);
    expect(stopOf(await round(FRIDAY), flats[0]!).mishaps[0]!.says).to.match(/Comes again on .*30 November 2026\.$/);
    // The next plan knows of it, and asks for no second door.
    const { plan } = (await house.manager.post('/plan', { weeks: 4, keep: false }).expect(200)).body as PlanAnswer;
    const there = plan!.visits.filter(({ placeId }) => placeId === flats[0]!.placeId);
    expect(there.map(({ day, takenOver }) => [day, takenOver])).to.deep.equal([[isoFromDay(FRIDAY + 3), true]]);
  });

  it('takes a slip back before anybody is told', async () => {
    const stop = stopOf(await round(), flats[0]!);
    const { id } = (await says(stop, { kind: 'noKey' }).expect(200)).body as { id: string };
    await house.caller().delete(`/mishaps/${id}`).expect(401);
    await staff.caller.delete(`/mishaps/${id}`).expect(200);
    house.clock.now += 11 * MINUTE;
    await tell();
    expect(post).to.deep.equal([]);
    expect(stopOf(await round(), flats[0]!)).to.deep.include({ told: stop.told, mishaps: [] });
  });

  it('knows a part that does not fit by its number, and lets the office see to it', async () => {
    const stop = stopOf(await round(), flats[0]!);
    await says(stop, { kind: 'partWrong' }).expect(422);
    await says(stop, { kind: 'partWrong', part: flats[1]!.numbers[0]! }).expect(422);
    await says(stop, { kind: 'partWrong', part: stop.parts[0]!.number }).expect(200);
    const [open] = await mishaps();
    expect(open!.parts).to.deep.equal([{ number: stop.parts[0]!.number, says: stop.parts[0]!.says }]);
    expect(stopOf(await round(), flats[0]!).told, 'the visit goes on').to.deep.equal(stop.told);
    await staff.caller.post(`/mishaps/${open!.id}/settled`).expect(403);
    await house.manager.post(`/mishaps/${open!.id}/settled`).expect(200);
    expect(await mishaps()).to.deep.equal([]);
  });

  it('believes of a device only what can be: not tomorrow, not another’s round, not a clock that is off', async () => {
    const stop = stopOf(await round(), flats[0]!);
    const other = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'M. Ferreday');
    await says(stop, { kind: 'nobodyHome' }, other.caller).expect(404);
    await says(stop, { kind: 'late' }).expect(422);
    await says(stop, { kind: 'late', minutes: 7 }).expect(422);
    // A clock of a year ahead is put right; what happened the day before its day is refused.
    const ahead = house.clock.now + 365 * DAY_MS;
    await says(stop, { kind: 'late', minutes: 15, at: ahead, deviceAt: ahead }).expect(200);
    expect((await house.env.store.db.mishap.all({}))[0]!.at).to.equal(house.clock.now);
    await says(stop, { kind: 'nobodyHome', at: house.clock.now - 20 * HOUR }).expect(409);
    house.clock.now += 3 * DAY_MS;
    await staff.caller.open('/session', { email: 'hollis@saltmarsh.example', password: PASSWORD });
    await says(stop, { kind: 'nobodyHome' }).expect(409);
    const order = { day: isoFromDay(FRIDAY), begins: 600, at: null, stops: [{ id: stop.id, back: false }] };
    await staff.caller.post('/round/order', order).expect(409);
  });

  it('is put in another order: times follow, and only who is told otherwise hears of it, and may say no', async () => {
    const before = await round();
    const [first, second] = flats.map((flat) => stopOf(before, flat)) as [RoundStop, RoundStop];
    const order = async (ids: readonly string[], begins: number) =>
      (
        await staff.caller
          .post('/round/order', {
            day: isoFromDay(FRIDAY),
            begins,
            at: first.propertyId,
            stops: ids.map((id) => ({ id, back: false })),
          })
          .expect(200)
      ).body as RoundOrdered;
    // Within both windows: nobody hears anything.
    expect(await order([second.id, first.id], 500)).to.deep.equal({ told: 0 });
    const turned = await round();
    expect(stopOf(turned, flats[1]!).at).to.be.lessThan(stopOf(turned, flats[0]!).at);
    // Held up for two hours by now; no device says more than that.
    await says(first, { kind: 'late', minutes: 120 }).expect(200);
    house.clock.now += 2 * HOUR;
    expect(await order([second.id, first.id], 1439)).to.deep.equal({ told: 2 });
    const late = stopOf(await round(), flats[1]!);
    expect(late.at).to.be.within(600 + 120, 600 + 120 + 40);
    expect(await mishaps(), 'what comes of being late is known').to.deep.equal([]);
    await tell();
    expect(subjects()).to.have.length(2);
    expect(subjects().join()).to.match(/T\. Hollis comes later, from/);
    expect(post[0]!.text).to.contain('Nobody goes in without your yes or a word at the door');
    expect(stopOf(await round(), flats[1]!).notice).to.equal('Not told in time: ask at the door');
    const { visits } = (await flats[1]!.tenant.get('/home').expect(200)).body;
    await flats[1]!.tenant.post(`/visits/${visits[0].id}/answer`, { answer: 'agreed' }).expect(200);
    expect(stopOf(await round(), flats[1]!).notice).to.equal('Agreed');
    // Twice the same, somebody else's, and going back to where nothing waits.
    const form = { day: isoFromDay(FRIDAY), begins: 600, at: null };
    const twice = [first.id, first.id].map((id) => ({ id, back: false }));
    await staff.caller.post('/round/order', { ...form, stops: twice }).expect(422);
    await staff.caller.post('/round/order', { ...form, stops: [{ id: v7(), back: false }] }).expect(404);
    await staff.caller.post('/round/order', { ...form, stops: [{ id: first.id, back: true }] }).expect(404);
    await house.manager.post('/round/order', { ...form, stops: [{ id: first.id, back: false }] }).expect(404);
  });

  it('leaves a home out of the round where its visit is called off, and plans it anew', async () => {
    const { visits } = (
      await house.manager.get(`/visits?with=${encodeURIComponent(JSON.stringify({ placeId: flats[0]!.placeId }))}`)
    ).body;
    await house.manager.delete(`/visits/${visits[0].id}`).expect(200);
    expect(stopOf(await round(), flats[0]!).notice).to.equal('Called off');
    const { plan } = (await house.manager.post('/plan', { weeks: 4, keep: true }).expect(200)).body as PlanAnswer;
    const all = await Promise.all(
      [0, 1].map(
        async (week) =>
          (await house.manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week }))}`)).body.plan as Plan,
      ),
    );
    const there = [plan!, ...all].flatMap((it) => it.visits).find(({ placeId }) => placeId === flats[0]!.placeId);
    expect(there).to.include({ takenOver: false });
  });
});
