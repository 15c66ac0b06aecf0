import { expect } from 'chai';
import jStat from 'jstat';
import fc from 'fast-check';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { assumptionsWith } from '../../core/due/assumptions.ts';
import { capOf, computeLine, floorDays } from '../../core/due/compute.ts';
import { combinedFactor, COOKING, driverEffects, type Household } from '../../core/due/drivers.ts';
import { daysToReach, exposureBetween, type Stretch } from '../../core/due/exposure.ts';
import { GRADES, gradeOfLoad, type Grade } from '../../core/catalogue/grades.ts';
import type { Cap, Condition, LineInputs } from '../../core/due/inputs.ts';
import { believeSpeed, LEARNING, likelihood, speedQuantile, SPEEDS } from '../../core/due/learning.ts';
import { contradictions, taughtConditions } from '../../core/due/lessons.ts';
import { COUNTED_AS, countedAs, isPastState, POINT_STATES, shareUsed, stateOf, windowOf } from '../../core/due/line.ts';
import { PRACTICES, SCHOOLS } from '../../core/catalogue/practice.ts';
import { signalDay } from '../../core/due/signals.ts';

const procedureKeys = fc.constantFrom(...procedures.keys());
const grades = fc.constantFrom(...GRADES);

/** A condition found after some loads, in days of the neutral home. */
interface Observation {
  readonly grade: Grade;
  readonly exposure: number;
  readonly confirmed: boolean;
}
const found = (grade: Grade, exposure = 1, confirmed = true): Observation => ({ grade, exposure, confirmed });

const SERVED = 20_000;

/** Inputs of a point whose services found these conditions, one after another, the last of them on `SERVED`. */
function inputsOf(
  key: string,
  household: Household = {},
  services: readonly Observation[] = [],
  more: Partial<LineInputs> = {},
): LineInputs {
  const { days, version, assumed, safetyCritical, drivers } = procedureOf(key);
  const effects = driverEffects(drivers, { household });
  const stretches = more.stretches ?? [{ fromDay: 0, factor: combinedFactor(effects) }];
  const factor = stretches[0]!.factor;
  let day = SERVED;
  const conditions: Condition[] = [
    { day, kind: 'service', grade: services.at(-1)?.grade ?? null, confirmed: services.at(-1)?.confirmed ?? true },
  ];
  for (let i = services.length - 1; i >= 0; i -= 1) {
    day -= Math.max(1, Math.round((services[i]!.exposure * days.steady) / factor));
    conditions.unshift({
      day,
      kind: 'service',
      grade: services[i - 1]?.grade ?? null,
      confirmed: services[i - 1]?.confirmed ?? true,
    });
  }
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
    stretches,
    effects,
    conditions,
    newSince: null,
    turnovers: [],
    anchor: null,
    upkeepDay: null,
    signalDay: null,
    ...more,
  };
}
const lineOf = (...args: Parameters<typeof inputsOf>) => computeLine(inputsOf(...args), SERVED);
const makerCap = (days: number): Cap => ({ reason: 'maker', days });

describe('An interval without findings', () => {
  it('is the practice’s own in a neutral home, for every point and practice (common practice)', () => {
    for (const [key, { days }] of procedures) {
      for (const practice of SCHOOLS)
        expect(lineOf(key, {}, [], { practice }).intervalDays, `${key} ${practice}`).to.equal(days[practice]);
    }
  });
  it('follows people by our assumed factors: 60 days become 46 for four, 75 for one', () => {
    const days = (people: number) => lineOf('dishwasher.filter', { people }).days;
    expect([1, 2, 3, 4, 5].map(days)).to.deep.equal([75, 60, 60, 46, 38]);
  });
  it('follows shedding pets by ×1.3 and ×1.6: 90 days become 69 and 56', () => {
    const days = (pets: number) => lineOf('airHandler.returnFilter', { pets }).days;
    expect([0, 1, 2].map(days)).to.deep.equal([90, 69, 56]);
  });
  it('counts loads a week where known, people where not', () => {
    const factor = (household: Household) => combinedFactor(driverEffects(['laundry'], { household }));
    expect(factor({ people: 5 })).to.equal(1.6);
    expect(factor({ people: 5, loadsAWeek: 3 })).to.equal(1);
  });
  it('takes hardness by class, cooking and cool washes by our assumed factors', () => {
    const one = (
      driver: 'hardness' | 'cooking' | 'coolWashes' | 'smoking',
      household: Household,
      hardnessMgL?: number,
    ) => combinedFactor(driverEffects([driver], { household, hardnessMgL }));
    expect([30, 100, 150, 300].map((mgL) => one('hardness', {}, mgL))).to.deep.equal([0.8, 1, 1.3, 1.7]);
    expect(COOKING.map((cooking) => one('cooking', { cooking }))).to.deep.equal([0.7, 1, 3]);
    expect(one('coolWashes', { coolWashes: true })).to.equal(1.4);
    expect(one('smoking', { smoking: true })).to.equal(1.3);
  });
  it('holds the product of the drivers within 0.4 and 3, and says so', () => {
    const many: Household = { people: 6, pets: 3, coolWashes: true };
    const interval = lineOf('washer.doorBoot', many);
    expect(combinedFactor(driverEffects(['laundry', 'pets', 'coolWashes'], { household: many }))).to.equal(3);
    expect(interval.terms.map(({ term }) => term)).to.include('held');
  });
});

describe('Every interval', () => {
  const household = fc.record({
    people: fc.integer({ min: 1, max: 12 }),
    pets: fc.integer({ min: 0, max: 6 }),
    cooking: fc.constantFrom(...COOKING),
    loadsAWeek: fc.option(fc.integer({ min: 0, max: 40 }), { nil: undefined }),
    coolWashes: fc.boolean(),
    smoking: fc.boolean(),
  });
  const history = fc.array(
    fc.record({ grade: grades, exposure: fc.double({ min: 0.1, max: 3, noNaN: true }), confirmed: fc.boolean() }),
    { maxLength: 5 },
  );
  const practice = fc.constantFrom(...PRACTICES);
  const assumed = assumptionsWith();

  it('never passes its cap nor falls under its floor, whatever was found', () => {
    fc.assert(
      fc.property(procedureKeys, household, history, practice, (key, home, services, school) => {
        const inputs = inputsOf(key, home, services, { practice: school });
        const { intervalDays, band } = computeLine(inputs, SERVED);
        const [low, high] = [floorDays(inputs.days, assumed), capOf(inputs, assumed).days];
        return (
          [intervalDays, band.early, band.late].every((it) => it >= low && it <= high && Number.isInteger(it)) &&
          band.early <= intervalDays &&
          intervalDays <= band.late
        );
      }),
    );
  });
  it('never passes the maker’s limit, a local rule or the limit of its water, even under the floor', () => {
    fc.assert(
      fc.property(
        procedureKeys,
        household,
        fc.integer({ min: 1, max: 400 }),
        fc.constantFrom('maker', 'local', 'water'),
        (key, home, days, reason) => lineOf(key, home, [], { caps: [{ reason, days } as Cap] }).days <= days,
      ),
    );
  });
  it('is the maker’s limit where that is the practice, and steady where none is entered', () => {
    expect(lineOf('dishwasher.filter', {}, [], { practice: 'maker', caps: [makerCap(120)] }).days).to.equal(120);
    const unknown = lineOf('dishwasher.filter', {}, [], { practice: 'maker' });
    expect(unknown.days).to.equal(60);
    expect(unknown.terms).to.deep.include({
      term: 'practice',
      practice: 'maker',
      known: false,
      signalled: false,
      days: 60,
    });
  });
  it('is never lengthened by more people, pets, loads, cooking, smoke, dust, cool washes, fouler detergent, harder water or a new home', () => {
    fc.assert(
      fc.property(procedureKeys, household, history, (key, home, services) => {
        const { drivers, days: stated } = procedureOf(key);
        // The same conditions on the same days; only what the home is like from now on differs.
        const base = inputsOf(key, home, services);
        const days = (change: Partial<Household>, hardnessMgL = 100, newHome = false) => {
          const effects = driverEffects(drivers, { household: { ...home, ...change }, hardnessMgL, newHome });
          return computeLine(
            { ...base, effects, stretches: [...base.stretches, { fromDay: SERVED, factor: combinedFactor(effects) }] },
            SERVED,
          ).days;
        };
        const now = days({});
        expect(stated.steady).to.be.above(0);
        return (
          days({ people: home.people + 1 }) <= now &&
          days({ pets: home.pets + 1 }) <= now &&
          days({ smoking: true }) <= days({ smoking: false }) &&
          days({ dust: true }) <= now &&
          days({ coolWashes: true }) <= days({ coolWashes: false }) &&
          days({}, 300) <= days({}, 150) &&
          days({}, 150) <= days({}, 30) &&
          days({}, 100, true) <= now &&
          days({ cooking: 'frequent' }) <= days({ cooking: 'average' }) &&
          days({ cooking: 'average' }) <= days({ cooking: 'rare' }) &&
          days({ detergent: 'powder' }) <= days({ detergent: 'liquid' }) &&
          days({ detergent: 'liquid' }) <= days({ detergent: 'pods' }) &&
          (home.loadsAWeek === undefined || days({ loadsAWeek: home.loadsAWeek + 3 }) <= now)
        );
      }),
    );
  });
  it('is never lengthened by a fouler grade, confirmed or not, at a service or a look', () => {
    fc.assert(
      fc.property(
        procedureKeys,
        history,
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 1, max: 300 }),
        fc.boolean(),
        fc.constantFrom('service', 'look'),
        practice,
        (key, services, index, after, confirmed, kind, school) => {
          const base = inputsOf(key, {}, services, { practice: school });
          const days = (grade: Grade) => {
            const { lineDay } = computeLine(
              {
                ...base,
                conditions: [
                  ...base.conditions,
                  { day: SERVED + after, kind: kind as Condition['kind'], grade, confirmed },
                ],
              },
              SERVED,
            );
            return lineDay;
          };
          return days(GRADES[index + 1]!) <= days(GRADES[index]!);
        },
      ),
      { numRuns: 300 },
    );
  });
  it('is shortened at once by a tenant’s own grade, and lengthened only when it is confirmed', () => {
    const plain = lineOf('dishwasher.filter').days;
    expect(lineOf('dishwasher.filter', {}, [found('blocked', 1, false)]).days).to.be.below(plain);
    expect(lineOf('dishwasher.filter', {}, [found('clean', 1, false)]).days).to.equal(plain);
    expect(lineOf('dishwasher.filter', {}, [found('clean', 1, true)]).days).to.be.above(plain);
  });
  it('halves when the practice halves, learned or not', () => {
    for (const services of [[], [found('heavy'), found('due')], [found('light'), found('light'), found('due')]]) {
      const days = (school: 'watchful' | 'steady') =>
        lineOf('dishwasher.filter', {}, services, { practice: school }).days;
      expect(days('watchful')).to.be.closeTo(days('steady') / 2, 1);
    }
  });
  it('follows a change of the household factor fully, though it was learned', () => {
    const before = inputsOf('dishwasher.filter', { people: 2 }, [found('heavy'), found('heavy'), found('due')]);
    const days = computeLine(before, SERVED).days;
    const after = computeLine(
      { ...before, stretches: [...before.stretches, { fromDay: SERVED, factor: 1.6 }] },
      SERVED,
    ).days;
    expect(after).to.be.closeTo(days / 1.6, 1);
  });
  it('of a safety-critical point lengthens only by certainty, and never past the longest stated', () => {
    const one = lineOf('dryer.lintScreen', {}, [found('light')]).days;
    const six = lineOf(
      'dryer.lintScreen',
      {},
      Array.from({ length: 6 }, () => found('light')),
    ).days;
    expect(six).to.be.above(one);
    expect(six).to.be.at.most(180);
  });
  it('says its terms, the last of which leads to the day', () => {
    const { terms, days, speed } = lineOf('dishwasher.filter', { people: 4 }, [found('heavy')]);
    expect(terms.map(({ term }) => term)).to.deep.equal(['reference', 'practice', 'driver', 'found']);
    expect(Math.round(terms.at(-1)!.days)).to.equal(days);
    expect(speed.low).to.be.below(speed.median);
    expect(speed.high).to.be.above(speed.median);
  });
  it('is the same again from its inputs as they are kept', () => {
    fc.assert(
      fc.property(procedureKeys, household, history, practice, (key, home, services, school) => {
        const inputs = inputsOf(key, home, services, {
          practice: school,
          upkeepDay: { rule: 'FREQ=MONTHLY;BYDAY=1SA', start: 0 },
        });
        expect(computeLine(JSON.parse(JSON.stringify(inputs)) as LineInputs, SERVED)).to.deep.equal(
          computeLine(inputs, SERVED),
        );
      }),
    );
  });
});

describe('Exposure', () => {
  const stretches: Stretch[] = [
    { fromDay: 0, factor: 1 },
    { fromDay: 130, factor: 2 },
  ];
  it('follows the household as it was', () => {
    expect(exposureBetween(stretches, 100, 160, 60)).to.equal((30 + 60) / 60);
    expect(exposureBetween(stretches, 140, 170, 60)).to.equal(1);
  });
  it('reached again takes the same days', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 1, max: 400 }),
        (from, days) =>
          Math.abs(daysToReach(stretches, from, exposureBetween(stretches, from, from + days, 60), 60) - days) < 1e-9,
      ),
    );
  });
  it('after a change of household moves the line by what is left, not by all', () => {
    const stretchesOf = (more: readonly Stretch[]) => [{ fromDay: 0, factor: 1 }, ...more];
    expect(lineOf('dishwasher.filter', {}, [], { stretches: stretchesOf([]) }).days).to.equal(60);
    const { days, terms } = lineOf('dishwasher.filter', {}, [], {
      stretches: stretchesOf([{ fromDay: SERVED + 30, factor: 2 }]),
    });
    expect(days).to.equal(30 + 15);
    expect(terms.map(({ term }) => term)).to.include('changed');
  });
  it('of an empty home pauses, and the pause never freshens a point, snapped or anchored or neither', () => {
    const upkeepDay = { rule: 'FREQ=MONTHLY;BYDAY=1SA', start: 0 };
    const anchor = { kind: 'rule', mode: 'sets', rule: 'FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1', start: 0 } as const;
    const calendars = fc.constantFrom<Partial<LineInputs>>({}, { upkeepDay }, { anchor });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 150 }),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 0, max: 100 }),
        calendars,
        fc.constantFrom('dishwasher.filter', 'dryer.lintScreen', 'washer.drainPumpFilter'),
        fc.integer({ min: 0, max: 60 }),
        (after, paused, later, calendar, key, shift) => {
          const moved = inputsOf(key, {}, [], calendar);
          const plain = { ...moved, conditions: moved.conditions.map((it) => ({ ...it, day: it.day + shift })) };
          const begins = SERVED + shift + after;
          const held = {
            ...plain,
            stretches: [
              { fromDay: 0, factor: 1 },
              { fromDay: begins, factor: 0 },
              { fromDay: begins + paused, factor: 1 },
            ],
          };
          const share = (inputs: LineInputs, today: number) => shareUsed(computeLine(inputs, today), { today })!;
          const begun = share(plain, begins);
          expect(share(held, begins + paused)).to.be.at.least(begun - 1e-9);
          expect(computeLine(held, SERVED).lineDay).to.be.at.least(computeLine(plain, SERVED).lineDay);
          expect(share(held, begins + paused + later)).to.be.at.least(share(held, begins + paused) - 1e-9);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('Learning', () => {
  it('gives every grade a probability, which sum to one', () => {
    for (const exposure of [0.01, 0.2, 1, 2.5, 20]) {
      const all = GRADES.map((grade) => likelihood(grade, exposure));
      SPEEDS.forEach((_, i) => expect(all.reduce((sum, of) => sum + of[i]!, 0)).to.be.closeTo(1, 1e-9));
    }
  });
  it('reads its table as the gamma distribution says (package jstat)', () => {
    for (const exposure of [0.3, 1, 1.7]) {
      const clean = likelihood('clean', exposure, { ...LEARNING, misgraded: 1e-9 });
      SPEEDS.forEach((speed, i) => {
        const scale = LEARNING.variation ** 2;
        expect(clean[i]!).to.be.closeTo(jStat.gamma.cdf(0.25, (speed * exposure) / scale, scale), 2e-4);
      });
    }
  });
  it('starts at a median of one with a spread of 0.5 on the log scale', () => {
    const prior = believeSpeed([]);
    expect(prior.length).to.equal(SPEEDS.length);
    expect(speedQuantile(prior, 0.5)).to.be.closeTo(1, 0.01);
    expect(speedQuantile(prior, 0.8413)).to.be.closeTo(Math.exp(0.5), 0.02);
  });
  it('does not mind the order of what was found', () => {
    const [a, b] = [
      { exposure: 1, grade: 'heavy', weight: 1 },
      { exposure: 0.5, grade: 'light', weight: 1 },
    ] as const;
    const [ab, ba] = [believeSpeed([a, b]), believeSpeed([b, a])];
    ab.forEach((weight, i) => expect(weight).to.be.closeTo(ba[i]!, 1e-12));
  });
  it('is widened by a new tenancy, and stays where it was', () => {
    const lessons = Array.from({ length: 5 }, () => ({ exposure: 1, grade: 'heavy', weight: 1 }) as const);
    const [sure, less] = [believeSpeed(lessons), believeSpeed([...lessons, 'turnover'])];
    const width = (belief: typeof sure) => Math.log(speedQuantile(belief, 0.9) / speedQuantile(belief, 0.1));
    expect(speedQuantile(less, 0.5)).to.be.closeTo(speedQuantile(sure, 0.5), 0.02);
    expect(width(less)).to.be.above(width(sure) * 1.2);
  });
  it('survives grades that contradict each other, and names them', () => {
    const belief = believeSpeed([
      { exposure: 1, grade: 'clean', weight: 1 },
      { exposure: 1, grade: 'blocked', weight: 1 },
      { exposure: 1, grade: 'clean', weight: 1 },
    ]);
    expect(belief.every((weight) => weight >= 0 && Number.isFinite(weight))).to.equal(true);
    const look = (day: number, grade: Grade): Condition => ({ day, kind: 'look', grade, confirmed: true });
    const seen = [look(10, 'heavy'), look(12, 'clean')];
    expect(contradictions(seen)).to.deep.equal([{ earlier: seen[0], later: seen[1] }]);
    expect(
      contradictions([look(10, 'heavy'), { ...look(11, 'heavy'), kind: 'service' }, look(12, 'clean')]),
    ).to.deep.equal([]);
  });
  it('lets readings of one growth share one weight, a look alone counting like a service', () => {
    const base = inputsOf('dishwasher.filter');
    const looks = (days: number[]) =>
      taughtConditions({
        ...base,
        conditions: [
          ...base.conditions,
          ...days.map((after) => ({ day: SERVED + after, kind: 'look', grade: 'light', confirmed: true }) as const),
        ],
      }).map(({ weight }) => weight);
    expect(looks([30])).to.deep.equal([1]);
    expect(looks([15, 45])).to.deep.equal([0.25, 0.75]);
  });
  it('from the first service on only where the machine was new', () => {
    const base = inputsOf('dishwasher.filter');
    const first = { ...base, conditions: [{ ...base.conditions[0]!, grade: 'blocked' as const }] };
    expect(taughtConditions(first)).to.have.length(0);
    expect(taughtConditions({ ...first, newSince: SERVED - 60 })).to.have.length(1);
  });
  it('grades by the absolute bounds', () => {
    expect([0, 0.24, 0.25, 0.69, 0.7, 1.29, 1.3, 2.19, 2.2, 9].map(gradeOfLoad)).to.deep.equal([
      'clean',
      'clean',
      'light',
      'light',
      'due',
      'due',
      'heavy',
      'heavy',
      'blocked',
      'blocked',
    ]);
  });
});

describe('The line', () => {
  const line = { servedDay: 100, lineDay: 160, capDay: 190 };
  it('has a share that grows by a day’s part a day', () => {
    expect(shareUsed(line, { today: 100 })).to.equal(0);
    expect(shareUsed(line, { today: 130 })).to.equal(0.5);
    expect(shareUsed(line, { today: 160 })).to.equal(1);
    expect(shareUsed({ ...line, servedDay: null }, { today: 130 })).to.equal(undefined);
  });
  it('puts a point into exactly one state at any time, in the order of time', () => {
    const order = ['fresh', 'nearing', 'past', 'longPast'];
    let last = 0;
    for (let today = 100; today < 260; today += 1) {
      const state = stateOf(line, { today });
      expect(POINT_STATES.filter((it) => it === state)).to.have.length(1);
      expect(order.indexOf(state)).to.be.at.least(last);
      last = order.indexOf(state);
    }
    expect(last).to.equal(3);
  });
  it('is past from the day after the line day, long past from 1.5 or over the cap', () => {
    expect([141, 142, 160, 161, 190, 191].map((today) => stateOf(line, { today }))).to.deep.equal([
      'fresh',
      'nearing',
      'nearing',
      'past',
      'past',
      'longPast',
    ]);
    expect(stateOf({ ...line, capDay: 165 }, { today: 166 })).to.equal('longPast');
    expect(stateOf({ ...line, servedDay: null }, { today: 150 })).to.equal('noRecord');
    expect(stateOf(line, { today: 300, onHold: true })).to.equal('onHold');
  });
  it('ends lateness on the day the work was done', () => {
    expect(stateOf(line, { today: 400, doneDay: 155 })).to.equal('nearing');
  });
  it('comes to the day on which something is reported, and never goes later for it', () => {
    fc.assert(
      fc.property(fc.option(fc.integer({ min: -50, max: 300 })), (after) => {
        const reported = after === null ? null : SERVED + after;
        const { lineDay } = lineOf('dishwasher.filter', {}, [], { signalDay: reported });
        return (
          lineDay <= SERVED + 60 &&
          lineDay > SERVED &&
          (reported === null || reported < SERVED || lineDay <= Math.max(reported, SERVED + 1))
        );
      }),
    );
  });
  it('comes back on its recheck day where a signal was dismissed, and goes with a service', () => {
    const signal = (state: 'open' | 'dismissed' | 'answered', recheckDay: number | null = null) => [
      { day: 100, state, recheckDay },
    ];
    expect(signalDay(signal('open'), 90, 120)).to.equal(100);
    expect(signalDay(signal('open'), 101, 120)).to.equal(null);
    expect(signalDay(signal('dismissed', 130), 90, 129)).to.equal(null);
    expect(signalDay(signal('dismissed', 130), 90, 130)).to.equal(130);
    expect(signalDay(signal('dismissed', 130), 110, 140)).to.equal(null);
    expect(signalDay(signal('answered'), 90, 140)).to.equal(null);
  });
  it('is due from the day of a look that found it past what the practice accepts', () => {
    const base = inputsOf('dishwasher.filter');
    const after = (grade: Grade) =>
      computeLine(
        { ...base, conditions: [...base.conditions, { day: SERVED + 20, kind: 'look', grade, confirmed: false }] },
        SERVED,
      );
    expect(after('heavy').days).to.equal(20);
    expect(after('heavy').terms.at(-1)).to.include({ term: 'seen', grade: 'heavy' });
    expect(after('clean').servedDay).to.equal(SERVED);
    expect(after('clean').days).to.equal(60);
  });
  it('stands through a clock that was moved back', () => {
    const line = lineOf('dishwasher.filter');
    expect(shareUsed(line, { today: SERVED - 400 })).to.equal(0);
    expect(stateOf(line, { today: SERVED - 400 })).to.equal('fresh');
    expect(computeLine(inputsOf('dishwasher.filter'), SERVED - 400)).to.deep.equal(line);
  });
  it('has a window from 0.8 to the line and a grace: a tenth, at most a week, none where safety hangs on it', () => {
    expect(windowOf(line, false)).to.deep.equal({ opens: 148, closes: 166 });
    expect(windowOf(line, true)).to.deep.equal({ opens: 148, closes: 160 });
    expect(windowOf({ servedDay: 0, lineDay: 365, capDay: 500 }, false)!.closes).to.equal(372);
    expect(windowOf({ ...line, servedDay: null }, false)).to.equal(undefined);
  });
  it('counts each part as exactly one thing, and past means the same as its state', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 0, max: 900 }),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (interval, after, onHold, sent, known) => {
          const it = { servedDay: known ? 100 : null, lineDay: 100 + interval, capDay: 100 + 2 * interval };
          const counted = countedAs(it, { today: 100 + after, onHold, sent });
          expect(COUNTED_AS.filter((key) => key === counted)).to.have.length(1);
          if (!sent) expect(counted === 'past').to.equal(isPastState(stateOf(it, { today: 100 + after, onHold })));
        },
      ),
    );
    expect([160, 161, 146, 145].map((today) => countedAs(line, { today }))).to.deep.equal([
      'soon',
      'past',
      'soon',
      'later',
    ]);
  });
});
