import { expect } from 'chai';
import { v7 } from 'uuid';
import { civilOf } from '../../core/calendar/civil.ts';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { firstWarmSpell } from '../../core/due/warmSpell.ts';
import { turnDay } from '../../server/clock/daily.ts';
import { standInWeather } from '../../server/ports/weather.ts';
import {
  type Flat,
  type House,
  HOUSEHOLD,
  letDaysPass,
  openFlat,
  openHouse,
  registerFlat,
  TODAY,
  ZONE,
} from './house.ts';

const FILTER = 'airHandler.returnFilter';
let house: House;
let flat: Flat;
beforeEach(async () => {
  ({ house, flat } = await openFlat('airHandler'));
});
afterEach(() => house.close());
const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
const log = (procedure: string, done: string, more: object = {}, of = flat) =>
  house.manager.post('/records', { id: v7(), pointId: of.points[procedure], done, ...more }).expect(200);
const interval = async (procedure: string, of = flat) =>
  (await read(`/points/${of.points[procedure]}`)).mark.intervalDays as number;
const lines = () => house.env.store.db.line.count({});

describe('A day that turns', () => {
  it('brings in what was written down ahead of its day, and nothing twice', async () => {
    await log(FILTER, '2026-11-20');
    const from = isoFromDay(TODAY + 10);
    await house.manager
      .post(`/tenancies/${flat.tenancyId}/household`, { household: { ...HOUSEHOLD, pets: 2 }, from })
      .expect(200);
    // Known ahead, the change bends the line already.
    const bent = await interval(FILTER);
    expect(bent).to.equal(14 + Math.round((90 - 14) / 1.6));
    await house.manager.post(`/properties/${flat.propertyId}/changes`, { practice: 'watchful', from }).expect(200);
    expect(await interval(FILTER)).to.equal(bent);
    await letDaysPass(house, 9);
    await turnDay(house.env);
    expect(await interval(FILTER)).to.equal(bent);
    await letDaysPass(house, 1);
    await turnDay(house.env);
    expect(await interval(FILTER)).to.equal(14 + Math.round((30 - 14) / 1.6));
    const before = await lines();
    await turnDay(house.env);
    expect(await lines()).to.equal(before);
  });
  it('catches up on days on which nothing ran', async () => {
    await log(FILTER, '2026-11-20');
    await house.manager
      .post(`/properties/${flat.propertyId}/changes`, { practice: 'watchful', from: isoFromDay(TODAY + 3) })
      .expect(200);
    await letDaysPass(house, 30);
    await turnDay(house.env);
    expect(await interval(FILTER)).to.equal(30);
  });
  it('watches the air filter of people new to a home more closely for half a year (common practice), and then as usual', async () => {
    const second = await registerFlat(house, 'airHandler', 'Flat 2A');
    await house.manager.post(`/tenancies/${second.tenancyId}/end`, { last: '2026-10-31' }).expect(200);
    await house.manager
      .post('/tenancies', {
        id: v7(),
        placeId: second.placeId,
        personId: v7(),
        name: 'S. Corrigan-Bly',
        from: '2026-11-01',
        household: HOUSEHOLD,
      })
      .expect(200);
    await log(FILTER, '2026-11-20', {}, second);
    expect(await interval(FILTER, second)).to.equal(60);
    const { terms } = await read(`/points/${second.points[FILTER]}`);
    expect(terms.map(({ says }: { says: string }) => says)).to.include('New to the home');
    await letDaysPass(house, 200);
    await log(FILTER, '2027-06-01', {}, second);
    expect(await interval(FILTER, second)).to.equal(90);
  });
  it('notes one warm spell a year and a property, by its own threshold', async () => {
    const other = await registerFlat(house, 'airHandler', 'Flat 2A');
    (house.env as { weather: unknown }).weather = {
      highCelsius: (_zone: string, day: number) => (day >= dayFromIso('2026-04-10') ? 20 : 8),
    };
    await house.manager
      .post('/seasons', {
        scope: 'property',
        subjectId: other.propertyId,
        coolingMonth: 6,
        coolingDate: 1,
        leadDays: 14,
        warmCelsius: 25,
      })
      .expect(200);
    await house.manager
      .post('/seasons', { scope: 'organisation', coolingMonth: 6, coolingDate: 1, leadDays: 14, warmCelsius: 19 })
      .expect(200);
    await turnDay(house.env);
    await turnDay(house.env);
    const facts = await house.env.store.db.fact.all({ name: 'warmSpell' });
    expect(facts.map(({ subjectId, value }) => [subjectId, isoFromDay(Number(value))])).to.deep.equal([
      [flat.propertyId, '2026-04-10'],
    ]);
  });
  it('leaves an empty installation in peace', async () => {
    const empty = await openHouse();
    await turnDay(empty.env);
    expect(await empty.env.store.db.fact.count({})).to.equal(0);
    await empty.close();
  });
});

describe('The weather stand-in', () => {
  const year = Array.from({ length: 365 }, (_, i) => dayFromIso('2026-01-01') + i);
  const highs = year.map((day) => standInWeather.highCelsius(ZONE, day)!);
  it('tells the same every time, whoever asks', () => {
    expect(year.map((day) => standInWeather.highCelsius('Anywhere', day))).to.deep.equal(highs);
  });
  it('is warm in July, cold in January, and never wild', () => {
    const mean = (month: number) => {
      const of = highs.filter((_, i) => civilOf(year[i]!).month === month);
      return of.reduce((sum, it) => sum + it, 0) / of.length;
    };
    expect(mean(7)).to.be.within(18, 25);
    expect(mean(1)).to.be.within(4, 12);
    for (const [i, high] of highs.entries()) if (i > 0) expect(Math.abs(high - highs[i - 1]!)).to.be.below(12);
  });
  it('has its first warm spell in spring or summer of every year', () => {
    for (const at of [2024, 2025, 2026, 2027, 2028]) {
      const day = firstWarmSpell((it) => standInWeather.highCelsius(ZONE, it), 20, at, dayFromIso(`${at}-12-31`));
      expect(civilOf(day!).month, String(at)).to.be.within(4, 8);
    }
  });
});
