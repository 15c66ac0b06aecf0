import { expect } from 'chai';
import ICAL from 'ical.js';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import {
  type Caller,
  type Flat,
  give,
  hire,
  type House,
  openHouse,
  openStaffedFlat,
  registerFlat,
  TODAY,
} from './house.ts';

/** Each event of a calendar: its summary, its first day or instant, whether it is a whole day. */
function eventsIn(text: string) {
  return new ICAL.Component(ICAL.parse(text) as never)
    .getAllSubcomponents('vevent')
    .map((it) => new ICAL.Event(it))
    .map(({ summary, startDate }) => ({ summary, at: startDate.toString(), isDay: startDate.isDate }));
}

describe('Calendars to subscribe to', () => {
  let house: House;
  let flat: Flat;
  let staff: { readonly caller: Caller; readonly id: string };
  beforeEach(async () => {
    ({ house, flat, staff } = await openStaffedFlat());
  });
  afterEach(() => house.close());

  const make = async (by: Caller, form: object): Promise<string> =>
    ((await by.post('/feeds', form).expect(200)).body as { address: string }).address.replace(/^.*\/api/, '');
  /** Anybody's program, without a session. */
  const read = async (path: string, status = 200) => (await house.caller().get(path).expect(status)).text;
  const announce = (form: object = {}) =>
    house.manager.post('/visits', {
      id: v7(),
      placeId: flat.placeId,
      personId: staff.id,
      day: isoFromDay(TODAY + 5),
      from: 600,
      until: 720,
      purpose: 'Washer: tub, drum',
      ...form,
    });

  it('of somebody of the office has the work in hand, what is late today and not in the past', async () => {
    const path = await make(staff.caller, { kind: 'own' });
    expect(eventsIn(await read(path))).to.deep.equal([]);
    const pointId = flat.points['washer.tub']!;
    const record = { id: v7(), pointId, done: isoFromDay(TODAY - 300), grade: 'due', finds: [], note: '' };
    await house.manager.post('/records', record).expect(200);
    await give(house, staff.caller, staff.id, [pointId]);
    expect(eventsIn(await read(path))).to.deep.equal([
      { summary: 'Washer, front load, Flat 1A', at: isoFromDay(TODAY), isDay: true },
    ]);
    const feed = (await house.manager.get(`/calendar/place/${flat.placeId}`).expect(200)).text;
    expect(
      eventsIn(feed).map(({ at }) => at >= isoFromDay(TODAY)),
      'nothing in the past',
    ).to.not.include(false);
  });

  it('of a tenant has visits and what they are asked for, and ends with the tenancy', async () => {
    const path = await make(flat.tenant, { kind: 'tenancy' });
    await announce().expect(200);
    await give(house, flat.tenant, flat.tenantId, [flat.points['washer.tub']!]);
    const events = eventsIn(await read(path));
    expect(events.map(({ summary }) => summary)).to.have.members([
      'T. Hollis comes: Flat 1A',
      'Upkeep at home: the last day for it',
    ]);
    expect(events.find(({ isDay }) => !isDay)!.at).to.equal(`${isoFromDay(TODAY + 5)}T10:00:00Z`);
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: isoFromDay(TODAY) }).expect(200);
    house.clock.now += 2 * 86_400_000;
    await read(path, 404);
  });

  it('of a property has its lines and visits, for a manager of it', async () => {
    const path = await make(house.manager, { kind: 'property', propertyId: flat.propertyId });
    await announce().expect(200);
    const events = eventsIn(await read(path));
    expect(events.some(({ summary }) => summary === 'T. Hollis comes: Flat 1A')).to.equal(true);
    await house.manager.post('/feeds', { kind: 'property', propertyId: v7() }).expect(404);
    await house.manager.post('/feeds', { kind: 'property' }).expect(422);
    await staff.caller.post('/feeds', { kind: 'property', propertyId: flat.propertyId }).expect(404);
    await staff.caller.post('/feeds', { kind: 'tenancy' }).expect(404);
    await flat.tenant.post('/feeds', { kind: 'own' }).expect(404);
  });

  it('opens nothing once it is revoked, or whoever made it has left; only who made it may revoke it', async () => {
    const path = await make(staff.caller, { kind: 'own' });
    await read(path);
    const { feeds } = (await staff.caller.get('/feeds').expect(200)).body;
    expect(feeds).to.have.length(1);
    expect(feeds[0]).to.include({ kind: 'own', propertyId: null, readAt: house.clock.now });
    expect(JSON.stringify(feeds), 'the token is told once').to.not.contain(path.split('/').at(-1)!.slice(0, 20));
    await house.manager.delete(`/feeds/${feeds[0].id}`).expect(404);
    await staff.caller.delete(`/feeds/${feeds[0].id}`).expect(200);
    await read(path, 404);
    const again = await make(staff.caller, { kind: 'own' });
    await house.manager.post(`/people/${staff.id}/disable`).expect(200);
    await read(again, 404);
    await read('/feeds/nonsense', 404);
  });

  it('is read with its text escaped and its lines folded (RFC 5545 §3.1, §3.3.11)', async () => {
    const path = await make(house.manager, { kind: 'property', propertyId: flat.propertyId });
    await announce({ purpose: `Drum; tub, ${'é'.repeat(80)}` }).expect(200);
    const text = await read(path);
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).to.equal(true);
    const [event] = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((it) => new ICAL.Event(it))
      .filter(({ uid }) => uid.startsWith('visit-'));
    expect(event!.description).to.equal(`Drum; tub, ${'é'.repeat(80)}`);
  });

  it('is no more than so many for one person', async () => {
    for (let i = 0; i < 20; i++) await make(staff.caller, { kind: 'own' });
    await staff.caller.post('/feeds', { kind: 'own' }).expect(409);
  });
});

describe('Busy times', () => {
  let house: House;
  let staff: { readonly caller: Caller; readonly id: string };
  beforeEach(async () => {
    house = await openHouse();
    await registerFlat(house);
    staff = await hire(house);
  });
  afterEach(() => house.close());
  const day = (days: number) => isoFromDay(TODAY + days);
  const keep = (times: readonly object[], by = staff.caller) => by.put(`/people/${staff.id}/busy-times`, { times });
  const known = async () => (await staff.caller.get(`/people/${staff.id}/busy-times`).expect(200)).body;
  const hoursHad = async (): Promise<number> => {
    const { people } = (await house.manager.get('/capacity').expect(200)).body;
    return (people as { id: string; hours: number[] }[]).find(({ id }) => id === staff.id)!.hours[0]!;
  };

  it('take hours off the days on which somebody works, and none off the others', async () => {
    const before = await hoursHad();
    // Wednesday morning, all of Thursday, and a Sunday; before eight and after six nobody works.
    const times = [
      { day: day(1), from: 0, until: 600 },
      { day: day(2), from: 0, until: 1440 },
      { day: day(5), from: 480, until: 720 },
    ];
    await keep(times).expect(200);
    expect(before - (await hoursHad())).to.be.closeTo(2 + 7, 1e-9);
    expect(await known()).to.include({ days: 3, hours: 2 + 10 + 4, until: day(5) });
    // Others take the place of them; none takes them away.
    await keep([]).expect(200);
    expect(await hoursHad()).to.equal(before);
    expect(await known()).to.include({ days: 0, until: null });
  });

  it('are one’s own or a manager’s to say, within half a year', async () => {
    await keep([{ day: day(1), from: 540, until: 600 }], house.manager).expect(200);
    const other = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'M. Ferreday');
    await keep([], other.caller).expect(404);
    await other.caller.get(`/people/${staff.id}/busy-times`).expect(404);
    await keep([{ day: day(1), from: 600, until: 600 }]).expect(422);
    await keep([{ day: day(900), from: 0, until: 60 }]).expect(422);
    const many = Array.from({ length: 2001 }, () => ({ day: day(1), from: 0, until: 60 }));
    await keep(many).expect(422);
    expect(await known(), 'nothing was lost by what was refused').to.include({ days: 1 });
  });
});
