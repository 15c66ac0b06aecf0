import { expect } from 'chai';
import fc from 'fast-check';
import { DateTime } from 'luxon';
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay, isZone } from '../../core/calendar/day.ts';

const ZONES = ['Europe/Dublin', 'America/New_York', 'Pacific/Apia', 'Asia/Kolkata', 'Australia/Lord_Howe', 'UTC'];
const instants = fc.integer({ min: Date.UTC(2001, 0, 1), max: Date.UTC(2049, 0, 1) });

describe('A calendar day', () => {
  it('goes from ISO to integer and back', () => {
    fc.assert(fc.property(fc.integer({ min: -20000, max: 60000 }), (day) => dayFromIso(isoFromDay(day)) === day));
    expect(dayFromIso('1970-01-01')).to.equal(0);
  });
  it('refuses what is no date', () => {
    for (const text of ['2026-02-29', '2026-13-01', '2026-1-1', 'soon', ''])
      expect(() => dayFromIso(text), text).to.throw(RangeError);
  });
  it('of an instant agrees with luxon in every zone', () => {
    fc.assert(
      fc.property(
        instants,
        fc.constantFrom(...ZONES),
        (instant, zone) =>
          isoFromDay(dayOfInstant(instant, zone)) === DateTime.fromMillis(instant, { zone }).toISODate(),
      ),
    );
  });
  it('begins at its own minute where the clocks change at one that is no quarter of an hour', () => {
    // St. John's put its clocks back at 00:01 on 7 November 2010 (IANA tz database, from memory), into the day before.
    const zone = 'America/St_Johns';
    const change = Date.UTC(2010, 10, 7, 2, 31);
    for (let minute = -20; minute <= 80; minute += 1) {
      const instant = change + minute * 60_000;
      const day = isoFromDay(dayOfInstant(instant, zone));
      expect(day, `${minute}`).to.equal(DateTime.fromMillis(instant, { zone }).toISODate());
    }
    expect(isoFromDay(dayOfInstant(change - 30_000, zone))).to.equal('2010-11-07');
    expect(isoFromDay(dayOfInstant(change, zone))).to.equal('2010-11-06');
  });
  it('at a wall-clock time agrees with luxon', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 12000, max: 28000 }),
        fc.integer({ min: 0, max: 1439 }),
        fc.constantFrom('Europe/Dublin', 'America/New_York', 'Asia/Kolkata'),
        (day, minute, zone) => {
          const [year, month, date] = isoFromDay(day).split('-').map(Number);
          const other = DateTime.fromObject(
            { year, month, day: date, hour: Math.floor(minute / 60), minute: minute % 60 },
            { zone },
          );
          const shown = DateTime.fromMillis(instantOfDay(day, minute, zone), { zone });
          // In a gap of the spring the shown time differs from the wanted one; elsewhere it is exact.
          return other.hour * 60 + other.minute !== minute || shown.hour * 60 + shown.minute === minute;
        },
      ),
    );
  });
  it('at 23:55 is still the tenant’s day, whatever the server’s zone', () => {
    const sent = Date.UTC(2026, 6, 14, 22, 55); // 23:55 in Dublin, summer time
    expect(isoFromDay(dayOfInstant(sent, 'Europe/Dublin'))).to.equal('2026-07-14');
    expect(isoFromDay(dayOfInstant(sent, 'Pacific/Auckland'))).to.equal('2026-07-15');
  });
  it('has exactly one number on the days the clocks change', () => {
    for (const iso of ['2026-03-29', '2026-10-25']) {
      const day = dayFromIso(iso);
      for (const minute of [0, 59, 60, 90, 119, 120, 1439])
        expect(dayOfInstant(instantOfDay(day, minute, 'Europe/Dublin'), 'Europe/Dublin'), `${iso} ${minute}`).to.equal(
          day,
        );
    }
  });
  it('knows which zones there are', () => {
    expect(isZone('Europe/Dublin')).to.equal(true);
    expect(isZone('Port/Ellery')).to.equal(false);
    expect(isZone('')).to.equal(false);
  });
});
