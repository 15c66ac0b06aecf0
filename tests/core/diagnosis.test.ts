import { expect } from 'chai';
import fc from 'fast-check';
import { machineTypes } from '../../core/catalogue/machines.ts';
import { isBelow } from '../../core/catalogue/types.ts';
import { coreText } from '../../core/en.ts';
import { causeOf, causesToName, isCause, suspectsOf, type Suspect } from '../../core/faults/causes.ts';
import type { Check } from '../../core/faults/checks.ts';
import { advise, Course, HAND_OVER_MINUTES, startOf, yesOf, type Table } from '../../core/faults/diagnosis.ts';
import { OTHER } from '../../core/faults/other.ts';
import { afterClosings, afterUpkeep } from '../../core/faults/odds.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import { isFindable, tableOf } from '../../core/faults/table.ts';
import { exact, expectedMinutes, ownCheckFirst, perturbed, remediesInOrder } from '../../core/lab/diagnosis.ts';
import { seeded } from '../../core/statistics/random.ts';

const near = (found: number, expected: number) => expect(found).to.be.closeTo(expected, 1e-9);

/** Every table of the product: each type with each of its symptoms. */
const TABLES = [...machineTypes.keys()].flatMap((type) =>
  symptomsOf(type).map(({ key }) => ({ type, symptom: key, table: tableOf(type, key) })),
);

const suspect = (key: string, odds: number, minutes: number): Suspect => ({
  cause: { key, nature: 'upkeep', level: 'staff', minutes, point: null },
  odds,
});
const check = (key: string, minutes: number, causes: string[], sensitivity: number, specificity: number): Check => ({
  key,
  level: 'staff',
  minutes,
  causes,
  sensitivity,
  specificity,
});

describe('The vocabulary of causes', () => {
  it('has words for every cause and check, and odds that add up to 1 on every machine', () => {
    for (const { type, symptom, table } of TABLES) {
      near(
        table.suspects.reduce((sum, { odds }) => sum + odds, 0),
        1,
      );
      for (const { cause } of table.suspects)
        expect(coreText, `${type} ${symptom}`).to.have.property(`cause.${cause.key}`);
      for (const { key } of table.checks) expect(coreText, `${type} ${symptom}`).to.have.property(`check.${key}`);
    }
  });
  it('begins with what the trade looks at first: a tenant’s screen before the hose, the hose before the duct', () => {
    const keys = suspectsOf('dryer', 'dryer.damp').map(({ cause: { key } }) => key);
    expect(keys).to.deep.equal(['dryer.screen', 'dryer.hose', 'dryer.duct', 'dryer.flap', 'dryer.heater', OTHER]);
    const [, , , flap, heater] = suspectsOf('dryer', 'dryer.damp');
    near(flap!.odds, heater!.odds);
  });
  it('gives a machine no cause that it cannot have, and its own point for one that it has', () => {
    const keysOf = (type: string, symptom: string) => suspectsOf(type, symptom).map(({ cause: { key } }) => key);
    expect(keysOf('hood', 'hood.smoke')).not.to.include('hood.charcoal');
    expect(keysOf('recirculatingHood', 'hood.smoke')).to.include('hood.charcoal').and.not.include('hood.flap');
    expect(keysOf('topWasher', 'washer.smell')).not.to.include('washer.boot');
    const filter = suspectsOf('mediaAirHandler', 'airHandler.weak')[0]!.cause;
    expect(filter.point).to.equal('airHandler.mediaFilter');
  });
  it('lets a closing name any cause of the machine, those of its symptom first, and *something else* last', () => {
    const keys = causesToName('dryer', 'dryer.damp').map(({ key }) => key);
    expect(keys[0]).to.equal('dryer.screen');
    expect(keys).to.include('dryer.bearing');
    expect(keys.at(-1)).to.equal(OTHER);
    expect(new Set(keys).size).to.equal(keys.length);
    expect(causesToName('dryer', 'alarm.burning').map(({ key }) => key)).to.include('dryer.lintInside');
    expect(isCause('dryer.hose')).to.equal(true);
    expect(isCause('dryer.gone')).to.equal(false);
    expect(() => causeOf('dryer.gone')).to.throw(RangeError);
  });
});

describe('The next check', () => {
  it('is worked out by hand: one check, two causes', () => {
    // Without the check: the likelier first, 10 + 0.4 x 30 = 22. With it: 2 + yes (0.9 x 0.6 + 0.1 x 0.4) ...
    const table: Table = {
      suspects: [suspect('a', 0.6, 10), suspect('b', 0.4, 30)],
      checks: [check('is it a', 2, ['a'], 0.9, 0.9)],
    };
    const yes = 0.9 * 0.6 + 0.1 * 0.4;
    const aIfYes = (0.9 * 0.6) / yes;
    const bIfNo = (0.9 * 0.4) / (1 - yes);
    const then = yes * (10 + (1 - aIfYes) * 30) + (1 - yes) * Math.min(30 + (1 - bIfNo) * 10, 10 + bIfNo * 30);
    const found = new Course(table).best(startOf(table, 'staff'));
    near(found.minutes, Math.min(2 + then, 10 + 0.4 * 30));
    expect(found.step).to.deep.equal({ kind: 'remedy', key: 'a' });
  });
  it('finds what a search through every course finds', () => {
    // Every course, without memory and without odds: weights are carried down as they are.
    const search = (table: Table, weights: readonly number[], done: ReadonlySet<string>): number => {
      const whole = weights.reduce((sum, it) => sum + it, 0);
      if (whole < 1e-15) return 0;
      const courses = [
        whole * HAND_OVER_MINUTES.licensed +
          table.suspects.reduce((sum, { cause }, k) => sum + weights[k]! * cause.minutes, 0),
      ];
      table.suspects.forEach(({ cause }, k) => {
        if (weights[k]! > 0 && cause.key !== OTHER)
          courses.push(whole * cause.minutes + search(table, weights.with(k, 0), done));
      });
      for (const it of table.checks) {
        if (done.has(it.key)) continue;
        const yes = table.suspects.map(({ cause }) => yesOf(it, cause.key));
        const after = new Set([...done, it.key]);
        courses.push(
          whole * it.minutes +
            search(
              table,
              weights.map((weight, k) => weight * yes[k]!),
              after,
            ) +
            search(
              table,
              weights.map((weight, k) => weight * (1 - yes[k]!)),
              after,
            ),
        );
      }
      return Math.min(...courses);
    };
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = seeded(seed);
        const odds = [random(), random(), random()];
        const whole = odds.reduce((sum, it) => sum + it, 0);
        const table: Table = {
          suspects: odds.map((it, k) =>
            suspect(k === 2 ? OTHER : 'abc'[k]!, it / whole, 5 + Math.round(60 * random())),
          ),
          checks: ['x', 'y'].map((key) =>
            check(
              key,
              1 + Math.round(8 * random()),
              [random() < 0.5 ? 'a' : 'b'],
              0.6 + 0.39 * random(),
              0.6 + 0.39 * random(),
            ),
          ),
        };
        const course = new Course(table).best(startOf(table, 'staff')).minutes;
        expect(course).to.be.closeTo(
          search(
            table,
            table.suspects.map((it) => it.odds),
            new Set(),
          ),
          1e-6,
        );
      }),
      { seed: 13, numRuns: 40 },
    );
  });
  it('moves the odds as Bayes has it, and not at all for *not sure*, which is not asked again', () => {
    const table = tableOf('dryer', 'dryer.damp');
    const before = advise(table, 'tenant', { answers: {}, tried: [] });
    const yes = advise(table, 'tenant', { answers: { 'dryer.throughScreen': 'yes' }, tried: [] });
    const [screen] = table.suspects;
    const says = 0.95 * screen!.odds + 0.05 * (1 - screen!.odds);
    near(yes.odds[0]!.odds, (0.95 * screen!.odds) / says);
    const unsure = advise(table, 'tenant', { answers: { 'dryer.throughScreen': 'unsure' }, tried: [] });
    expect(unsure.odds).to.deep.equal(before.odds);
    expect(unsure.step).not.to.deep.equal({ kind: 'check', key: 'dryer.throughScreen' });
    expect(unsure.minutes).to.be.at.least(before.minutes);
  });
  it('never tells anybody to do what is above their level, wherever the answers lead', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TABLES),
        fc.constantFrom('tenant', 'staff'),
        fc.infiniteStream(fc.nat(2)),
        (it, level, luck) => {
          const answers: Record<string, 'yes' | 'no' | 'unsure'> = {};
          const tried: string[] = [];
          for (let i = 0; i < 12; i += 1) {
            const { step } = advise(it.table, level, { answers, tried });
            if (step.kind === 'handOver') return;
            const does =
              step.kind === 'check'
                ? it.table.checks.find(({ key }) => key === step.key)!.level
                : it.table.suspects.find(({ cause }) => cause.key === step.key)!.cause.level;
            expect(isBelow(level, does), `${level} is told ${step.key}`).to.equal(false);
            if (step.kind === 'remedy') tried.push(step.key);
            else answers[step.key] = (['yes', 'no', 'unsure'] as const)[luck.next().value!]!;
          }
          throw new Error('it never ends');
        },
      ),
      { seed: 7, numRuns: 60 },
    );
  });
  it('leads nobody on where there is danger, and never runs a gas dryer with its hose off', () => {
    expect(isFindable('dryer', 'dryer.burning')).to.equal(false);
    expect(isFindable('dryer', 'alarm.gas')).to.equal(false);
    expect(isFindable('dryer', 'dryer.damp')).to.equal(true);
    expect(isFindable('dryer', 'washer.smell')).to.equal(false);
    expect(tableOf('dryer', 'dryer.damp').checks.map(({ key }) => key)).to.include('dryer.hoseOff');
    expect(tableOf('dryer', 'dryer.damp', 'gas').checks.map(({ key }) => key)).not.to.include('dryer.hoseOff');
  });
  it('says what it was not asked about: a check or a cause that the table does not have', () => {
    const table = tableOf('hood', 'hood.smoke');
    expect(() => advise(table, 'staff', { answers: { nonsense: 'yes' }, tried: [] })).to.throw(RangeError);
    expect(() => advise(table, 'staff', { answers: {}, tried: ['dryer.hose'] })).to.throw(RangeError);
  });
});

describe('What moves the odds beforehand', () => {
  const suspects = suspectsOf('dryer', 'dryer.damp');
  const oddsOf = (all: readonly Suspect[], key: string) => all.find(({ cause }) => cause.key === key)!.odds;

  it('makes a duct that was served last week unlikely, and one past its line likely; nothing where nothing is known', () => {
    const of = (share: number | null) => afterUpkeep(suspects, (point) => (point === 'dryer.duct' ? share : null));
    expect(oddsOf(of(0.02), 'dryer.duct')).to.be.lessThan(oddsOf(suspects, 'dryer.duct') / 3);
    expect(oddsOf(of(1.5), 'dryer.duct')).to.be.above(oddsOf(suspects, 'dryer.duct') * 1.8);
    near(oddsOf(of(null), 'dryer.duct'), oddsOf(suspects, 'dryer.duct'));
    near(oddsOf(of(0.5), 'dryer.duct'), oddsOf(suspects, 'dryer.duct'));
    // A hose is crushed by who pushes the machine back, however lately its upkeep was done.
    near(
      oddsOf(
        afterUpkeep(suspects, () => 0.5),
        'dryer.hose',
      ),
      oddsOf(suspects, 'dryer.hose'),
    );
  });
  it('learns from closings, as the posterior mean of a Dirichlet does', () => {
    const taught = afterClosings(
      suspects,
      new Map([
        ['dryer.heater', 12],
        ['no such cause', 5],
      ]),
    );
    near(oddsOf(taught, 'dryer.heater'), (12 * oddsOf(suspects, 'dryer.heater') + 12) / 24);
    near(
      taught.reduce((sum, { odds }) => sum + odds, 0),
      1,
    );
  });
});

describe('The exact course beside two careful people', () => {
  const tables = TABLES.filter(
    ({ type, table, symptom }) =>
      isFindable(type, symptom) && table.suspects.length > 2 && machineTypes.get(type)!.family === type,
  );
  it('is never worse than either on the table it believes, nor by more than two in a hundred on others near it', () => {
    for (const { symptom, table } of tables) {
      const policies = [exact(table), remediesInOrder(table), ownCheckFirst(table)] as const;
      const [best, a, b] = policies.map((policy) => expectedMinutes(table, policy, 'staff'));
      near(best!, new Course(table).best(startOf(table, 'staff')).minutes);
      expect(best, symptom).to.be.at.most(Math.min(a!, b!) + 1e-9);
      const random = seeded(3);
      const sums = [0, 0, 0];
      for (let i = 0; i < 12; i += 1) {
        const truth = perturbed(table, random);
        policies.forEach((policy, k) => (sums[k]! += expectedMinutes(truth, policy, 'staff')));
      }
      expect(sums[0], symptom).to.be.at.most(Math.min(sums[1]!, sums[2]!) * 1.02);
    }
  });
});
