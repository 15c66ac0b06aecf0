import { expect } from 'chai';
import fc from 'fast-check';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { nextAnchorDay, resolveAnchor, turnOf, anchorDays, type CalendarFacts } from '../../core/due/anchor.ts';
import type { AnchorChoice } from '../../core/catalogue/anchorChoice.ts';
import { assumptionsWith } from '../../core/due/assumptions.ts';
import { capOf, computeLine } from '../../core/due/compute.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import { firstWarmSpell } from '../../core/due/warmSpell.ts';

const facts: CalendarFacts = {
  cooling: { month: 6, date: 1 },
  leadDays: 14,
  warmSpells: [],
  contract: null,
  practice: 'steady',
};
const { answered } = assumptionsWith();

/** The first calendar day that a service leaves open. */
const next = (choice: AnchorChoice, served: string, more: Partial<CalendarFacts> = {}) => {
  const anchor = resolveAnchor(choice, 'sets', { ...facts, ...more }, dayFromIso(served));
  const day = anchor && nextAnchorDay(anchor, dayFromIso(served), answered);
  return day == null ? null : isoFromDay(day);
};

function inputsOf(key: string, more: Partial<LineInputs> = {}): LineInputs {
  const { days, version, assumed, safetyCritical } = procedureOf(key);
  return {
    procedure: key,
    version,
    methods: {},
    days,
    assumed: assumed.includes('steady'),
    critical: safetyCritical,
    practice: 'steady',
    caps: [],
    changes: {},
    stretches: [{ fromDay: 0, factor: 1 }],
    effects: [],
    conditions: [{ day: dayFromIso('2026-09-08'), kind: 'service', grade: null, confirmed: true }],
    newSince: null,
    turnovers: [],
    anchor: null,
    upkeepDay: null,
    signalDay: null,
    ...more,
  };
}

/** A contractor's visit keeps its contract, as a diary does (common practice). */
describe('A contractor’s visit', () => {
  const at = (served: string, everyMonths: number, more: Partial<LineInputs> = {}) =>
    computeLine(
      inputsOf('contractor.visit', {
        everyMonths,
        conditions: [{ day: dayFromIso(served), kind: 'service', grade: null, confirmed: true }],
        ...more,
      }),
      0,
    );
  it('is due on the same day of the month, so many months later; in a shorter month by its 28th', () => {
    expect(
      [at('2026-01-15', 6), at('2025-11-30', 3), at('2026-08-31', 6), at('2024-02-29', 12)].map(({ lineDay }) =>
        isoFromDay(lineDay),
      ),
    ).to.deep.equal(['2026-07-15', '2026-02-28', '2027-02-28', '2025-02-28']);
  });
  it('is moved by no practice and no household, and by a local rule only forward', () => {
    const usual = at('2026-01-15', 12);
    for (const practice of ['watchful', 'light', 'maker'] as const)
      expect(at('2026-01-15', 12, { practice, stretches: [{ fromDay: 0, factor: 3 }] })).to.deep.equal(usual);
    expect(at('2026-01-15', 12, { caps: [{ reason: 'local', days: 180 }] })).to.include({
      lineDay: dayFromIso('2026-01-15') + 180,
      capDay: dayFromIso('2026-01-15') + 180,
    });
    expect(at('2026-01-15', 12, { caps: [{ reason: 'local', days: 900 }] }).lineDay).to.equal(usual.lineDay);
    expect(usual.terms).to.deep.equal([{ term: 'contract', months: 12, days: 365 }]);
    expect(usual).to.include({ fixed: true, beyondLearned: null });
  });
  it('comes after the last one, within a day or three of its months', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10_000, max: 40_000 }), fc.integer({ min: 1, max: 24 }), (served, months) => {
        const { days, capDay, lineDay } = computeLine(
          inputsOf('contractor.visit', {
            everyMonths: months,
            conditions: [{ day: served, kind: 'service', grade: null, confirmed: true }],
          }),
          0,
        );
        expect(days).to.be.within(Math.floor(months * 30.4) - 5, Math.ceil(months * 30.5) + 2);
        expect(capDay).to.be.at.least(lineDay);
      }),
    );
  });
});

describe('An anchor', () => {
  it('at the turn of the season falls on the first of March, June, September, December', () => {
    expect(
      ['2026-03-05', '2026-06-20', '2026-08-25', '2026-11-20'].map((day) => next({ kind: 'seasonTurn' }, day)),
    ).to.deep.equal(['2026-06-01', '2026-09-01', '2026-12-01', '2027-03-01']);
  });
  it('before the cooling season comes its days earlier, every year', () => {
    expect(next({ kind: 'beforeCooling' }, '2026-09-01')).to.equal('2027-05-18');
    expect(next({ kind: 'beforeCooling' }, '2027-05-10')).to.equal('2028-05-18');
  });
  it('at the first warm spell moves forward to it, and never past the cooling season', () => {
    expect(next({ kind: 'firstWarm' }, '2026-09-01')).to.equal('2027-06-01');
    expect(next({ kind: 'firstWarm' }, '2026-09-01', { warmSpells: [dayFromIso('2027-04-22')] })).to.equal(
      '2027-04-22',
    );
    expect(next({ kind: 'firstWarm' }, '2026-09-01', { warmSpells: [dayFromIso('2027-07-02')] })).to.equal(
      '2027-06-01',
    );
  });
  it('between a contractor’s six-monthly visits is half-way, three months in (common practice)', () => {
    expect(
      next({ kind: 'betweenVisits' }, '2026-05-01', {
        contract: { lastVisit: dayFromIso('2026-04-01'), everyMonths: 6 },
      }),
    ).to.equal('2026-07-02');
  });
  it('beside one visit a year is two or three flushes of one’s own, every second month for the watchful (common practice)', () => {
    const many = (practice: CalendarFacts['practice']) => {
      const anchor = resolveAnchor(
        { kind: 'betweenVisits' },
        'sets',
        { ...facts, practice, contract: { lastVisit: dayFromIso('2026-04-01'), everyMonths: 12 } },
        dayFromIso('2026-05-01'),
      )!;
      return anchorDays(anchor, dayFromIso('2026-04-01'), dayFromIso('2027-04-01')).length;
    };
    expect([many('light'), many('steady'), many('watchful')]).to.deep.equal([2, 3, 5]);
  });
  it('places nothing without a contract', () => expect(next({ kind: 'betweenVisits' }, '2026-05-01')).to.equal(null));
  it('is answered by work done a little early, and not by work long before', () => {
    const rule: AnchorChoice = {
      kind: 'rule',
      rule: 'FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1',
      start: dayFromIso('2026-01-01'),
    };
    expect(next(rule, '2026-02-20')).to.equal('2026-05-01');
    expect(next(rule, '2026-01-20')).to.equal('2026-03-01');
  });
  it('always gives a day after the service, which that service does not answer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<AnchorChoice>(
          { kind: 'seasonTurn' },
          { kind: 'beforeCooling' },
          { kind: 'firstWarm' },
          { kind: 'betweenVisits' },
        ),
        fc.integer({ min: 18_000, max: 24_000 }),
        (choice, served) => {
          const anchor = resolveAnchor(
            choice,
            'sets',
            { ...facts, contract: { lastVisit: 20_000, everyMonths: 6 } },
            served,
          )!;
          const day = nextAnchorDay(anchor, served, answered)!;
          return day > served && day - served < 620;
        },
      ),
    );
  });
  it('that only limits leaves an earlier interval alone', () => {
    const anchor = resolveAnchor({ kind: 'beforeCooling' }, 'limits', facts, dayFromIso('2026-09-08'));
    expect(computeLine(inputsOf('dishwasher.filter', { anchor }), 0).days).to.equal(60);
    const served = {
      conditions: [{ day: dayFromIso('2027-04-10'), kind: 'service' as const, grade: null, confirmed: true }],
    };
    const late = resolveAnchor({ kind: 'beforeCooling' }, 'limits', facts, dayFromIso('2027-01-10'));
    const limited = computeLine(
      inputsOf('airHandler.condensateDrain', {
        ...served,
        conditions: [{ ...served.conditions[0]!, day: dayFromIso('2027-01-10') }],
        practice: 'light',
        anchor: late,
      }),
      0,
    );
    expect(isoFromDay(limited.lineDay)).to.equal('2027-05-18');
  });
});

describe('Snapping', () => {
  const upkeepDay = { rule: 'FREQ=MONTHLY;BYDAY=1SA', start: 0 };
  it('moves a date to the nearest upkeep day within a fifth earlier and a tenth later', () => {
    const { lineDay, terms } = computeLine(inputsOf('airHandler.returnFilter', { upkeepDay }), 0);
    expect(isoFromDay(lineDay)).to.equal('2026-12-05');
    expect(terms.at(-1)).to.deep.include({ term: 'snapped', by: -2 });
  });
  it('never crosses a cap, nor its own bounds, for any point, service day and rule', () => {
    const rules = fc.constantFrom(
      'FREQ=MONTHLY;BYDAY=1SA',
      'FREQ=WEEKLY;BYDAY=FR',
      'FREQ=MONTHLY;BYMONTHDAY=-1',
      'FREQ=YEARLY;BYMONTH=3,9;BYMONTHDAY=1',
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...procedures.keys()),
        rules,
        fc.integer({ min: 15_000, max: 25_000 }),
        fc.option(fc.integer({ min: 1, max: 400 }), { nil: undefined }),
        (key, rule, day, maker) => {
          const inputs = inputsOf(key, {
            upkeepDay: { rule, start: 0 },
            caps: maker ? [{ reason: 'maker', days: maker }] : [],
            conditions: [{ day, kind: 'service', grade: null, confirmed: true }],
          });
          const { days, intervalDays } = computeLine(inputs, 0);
          const cap = capOf(inputs, assumptionsWith()).days;
          return days <= cap && days >= Math.max(1, intervalDays * 0.8 - 1) && days <= intervalDays * 1.1 + 1;
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('A rotation', () => {
  const order = ['bakingSoda', 'vinegar', 'cleaner'] as const;
  it('goes on after the last used, and begins by the calendar: January, March, May, then over again (common practice)', () => {
    expect(order.map((last) => turnOf(order, last, 0))).to.deep.equal(['vinegar', 'cleaner', 'bakingSoda']);
    expect([0, 1, 2, 3].map((occurrence) => turnOf<string>(order, null, occurrence))).to.deep.equal([
      'bakingSoda',
      'vinegar',
      'cleaner',
      'bakingSoda',
    ]);
    expect(turnOf<string>(order, 'bleach', 1)).to.equal('vinegar');
  });
});

describe('The first warm spell', () => {
  const until = dayFromIso('2026-12-31');
  const highs = (warm: readonly string[]) => (day: number) => (warm.includes(isoFromDay(day)) ? 22 : 12);
  it('is the first of three warm days in a row', () => {
    const days = ['2026-04-02', '2026-04-03', '2026-05-10', '2026-05-11', '2026-05-12', '2026-05-13'];
    expect(isoFromDay(firstWarmSpell(highs(days), 22, 2026, until)!)).to.equal('2026-05-10');
    expect(firstWarmSpell(highs(days), 23, 2026, until)).to.equal(undefined);
    expect(firstWarmSpell(highs(days), 22, 2026, dayFromIso('2026-05-11'))).to.equal(undefined);
  });
  it('waits through days that nobody has measured', () =>
    expect(firstWarmSpell(() => undefined, 10, 2026, until)).to.equal(undefined));
});
