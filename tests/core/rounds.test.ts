import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import loadHighs from 'highs';
import { roundsTruth } from '../../core/lab/rounds.ts';
import { planModel } from '../../core/lab/roundsModel.ts';
import { smallInstance } from '../../core/lab/roundsSmall.ts';
import { fewestDoors } from '../../core/rounds/bound.ts';
import { dayOf, type Stop } from '../../core/rounds/day.ts';
import { planFigures } from '../../core/rounds/figures.ts';
import { WEIGHTS, type Instance, type Task } from '../../core/rounds/instance.ts';
import { eased, isCrowded, raised } from '../../core/rounds/pressure.ts';
import { brokenRules } from '../../core/rounds/rules.ts';
import { findPlan } from '../../core/rounds/search.ts';
import { PlanState } from '../../core/rounds/state.ts';
import { seeded } from '../../core/statistics/random.ts';
import { wrongsOf } from './roundsTimeline.ts';

const TASK: Task = {
  id: 't',
  home: 0,
  licensed: false,
  opens: 0,
  line: 4,
  interval: 20,
  minutes: 10,
  wait: 0,
  finish: 0,
  risk: 3,
  agent: null,
  branch: 'b',
  only: null,
  after: null,
};
/** One home and somebody with an hour a day, over two weeks of working days. */
function instanceOf(tasks: readonly Partial<Task>[], more: Partial<Instance> = {}): Instance {
  return {
    days: 14,
    workers: [{ id: 'w', minutes: Array.from({ length: 14 }, () => 60), licensed: false, base: 'p', properties: null }],
    homes: [0, 1].map((i) => ({
      id: `h${i}`,
      propertyId: 'p',
      firstDay: 0,
      closed: new Set<number>(),
      unliked: new Set<number>(),
      half: null,
    })),
    tasks: tasks.map((task, i) => ({ ...TASK, id: `t${i}`, ...task })),
    door: 8,
    between: 15,
    clashes: [['acid', 'chlorine']],
    weights: WEIGHTS,
    ...more,
  };
}
const plan = (instance: Instance, steps = 200) => findPlan(instance, { seed: 1, steps });
const seeds = fc.integer({ min: 1_000, max: 2 ** 30 });

describe('A plan of rounds', () => {
  it('breaks no rule, whatever it is made from, by a checker that lives each day through', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const instance = smallInstance(seed);
        const { visits, cost } = plan(instance, 60);
        expect(wrongsOf(instance, visits)).to.deep.equal([]);
        expect(brokenRules(instance, visits)).to.deep.equal([]);
        // What it says it costs is what its visits cost, laid anew.
        const again = new PlanState(instance);
        again.lay(visits);
        expect(again.cost).to.equal(cost);
      }),
      { numRuns: 60 },
    );
  });

  it('is the same for the same seed, and counts every task or names it', () => {
    const { instance } = roundsTruth({ homes: 12, days: 84, load: 0.9, staffShare: 1 }, 5);
    const [one, other] = [plan(instance, 300), plan(instance, 300)];
    expect(one).to.deep.equal(other);
    const { tasks, leftOut } = planFigures(instance, one.visits);
    expect(tasks + leftOut.length).to.equal(instance.tasks.length);
    expect(wrongsOf(instance, one.visits)).to.deep.equal([]);
  });

  it('weighs days that households like against all else as well as a solver does', async () => {
    const highs = await loadHighs();
    let likedMore = 0;
    for (let seed = 1; seed <= 6; seed += 1) {
      const plain = smallInstance(seed);
      const random = seeded(seed);
      const homes = plain.homes.map((home) => ({
        ...home,
        unliked: new Set([...Array(plain.days).keys()].filter(() => random() < 0.6)),
      }));
      const instance = { ...plain, homes };
      const { text, constant } = planModel(instance);
      const { ObjectiveValue } = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0.5 });
      const optimum = Math.round(ObjectiveValue) + constant;
      const { cost, visits } = plan(instance, 1_000);
      expect(cost).to.be.within(optimum, optimum * 1.05);
      const ignoring = planFigures(instance, plan(plain, 1_000).visits);
      const heeding = planFigures(instance, visits);
      expect(heeding.unliked).to.be.at.most(ignoring.unliked);
      likedMore += ignoring.unliked - heeding.unliked;
    }
    expect(likedMore).to.be.above(3);
  }).timeout(120_000);

  it('comes on a day that is liked, and never late or through one more door for it', () => {
    const days = (of: readonly number[]) => new Set(of);
    const home = { id: 'h0', propertyId: 'p', firstDay: 0, closed: days([]), half: null };
    const liking = (unliked: readonly number[], tasks: readonly Partial<Task>[]) =>
      plan(instanceOf(tasks, { homes: [{ ...home, unliked: days(unliked) }] })).visits.map(({ day }) => day);
    const one = { opens: 2, line: 5, interval: 30 };
    expect(liking([2, 3, 5], [one])).to.deep.equal([4]);
    // No day in time is liked: it comes in time.
    expect(liking([0, 1, 2, 3, 4, 5], [one])[0]).to.be.within(2, 5);
    // Two parts whose only day in common is not liked are still one visit.
    expect(
      liking(
        [4],
        [
          { ...one, line: 4 },
          { ...one, opens: 4, line: 8 },
        ],
      ),
    ).to.deep.equal([4]);
  });

  it('costs what the optimum costs, or little more: ten of the frozen ones, solved again', async () => {
    const highs = await loadHighs();
    const optima = JSON.parse(readFileSync(new URL('../../bench/roundsOptima.json', import.meta.url), 'utf8')) as {
      seed: number;
      tasks: number;
      optimum: number;
    }[];
    expect(optima.length).to.be.at.least(100);
    let exact = 0;
    const few = optima.filter(({ tasks }) => tasks <= 10).slice(0, 10);
    expect(few.length).to.equal(10);
    for (const { seed, optimum } of few) {
      const instance = smallInstance(seed);
      const { text, constant } = planModel(instance);
      const solved = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0.5 });
      expect(solved.Status).to.equal('Optimal');
      expect(Math.round(solved.ObjectiveValue) + constant).to.equal(optimum);
      const { cost } = plan(instance, 1_000);
      expect(cost).to.be.at.least(optimum);
      expect(cost).to.be.at.most(optimum * 1.05);
      if (cost === optimum) exact += 1;
    }
    expect(exact).to.be.at.least(7);
  }).timeout(120_000);

  it('comes as few times as the windows allow where there is time, and never fewer in time', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { instance, lineDayDoors } = roundsTruth({ homes: 10, days: 84, load: 0.5, staffShare: 1 }, seed);
        const { visits } = plan(instance, 400);
        const { doors, pastDays, leftOut } = planFigures(instance, visits);
        const bound = fewestDoors(instance).reduce((sum, it) => sum + it, 0);
        expect(pastDays).to.equal(0);
        expect(leftOut).to.deep.equal([]);
        expect(doors)
          .to.be.at.least(bound)
          .and.at.most(Math.ceil(bound * 1.05));
        expect(doors).to.be.at.most(lineDayDoors * 0.4);
      }),
      { numRuns: 8 },
    );
  });

  it('knows the fewest doors of a textbook example (Gallai: most windows without a common day)', () => {
    const windows = [
      [0, 3],
      [2, 5],
      [4, 8],
      [7, 9],
      [9, 12],
    ] as const;
    const instance = instanceOf(windows.map(([opens, line]) => ({ opens, line, interval: 30 })));
    // 0–3, 4–8 and 9–12 share no day; days 3, 8 and 12 pierce all five.
    expect(fewestDoors(instance)).to.deep.equal([3, 0]);
    expect(planFigures(instance, plan(instance).visits).doors).to.equal(3);
  });

  it('does a part again from its own day on, never before it counts', () => {
    const again = { interval: 5, opens: 1, line: 2 };
    const instance = instanceOf([
      again,
      { ...again, opens: 6, line: 7, after: 0 },
      { ...again, opens: 11, line: 12, after: 1 },
    ]);
    const { visits } = plan(instance);
    const days = visits.map(({ day }) => day);
    expect(days).to.have.length(3);
    expect(days[1]! - days[0]!).to.be.within(4, 5);
    expect(days[2]! - days[1]!).to.be.within(4, 5);
    expect(wrongsOf(instance, visits)).to.deep.equal([]);
  });

  it('keeps what is pinned, were it against a rule, and says which', () => {
    const pinned = { home: 0, worker: 0, day: 1, tasks: [0], pinned: true };
    const instance = instanceOf([{ opens: 3, line: 9 }, { home: 1 }], {});
    const { visits } = findPlan(instance, { seed: 1, steps: 200, from: [pinned] });
    expect(visits).to.deep.include(pinned);
    expect(brokenRules(instance, visits).map(({ rule, task }) => [rule, task])).to.deep.equal([['tooEarly', 0]]);
  });

  it('leaves out what nobody can do, and a job that is longer than any day; nobody at all leaves all', () => {
    const instance = instanceOf([{ minutes: 55 }, { home: 1, licensed: true }, { home: 1 }]);
    expect(planFigures(instance, plan(instance).visits).leftOut).to.deep.equal([0, 1]);
    for (const workers of [[], [{ ...instance.workers[0]!, minutes: instance.workers[0]!.minutes.map(() => 0) }]]) {
      const none = plan({ ...instance, workers });
      expect(none.visits).to.deep.equal([]);
      expect(planFigures(instance, none.visits).leftOut).to.deep.equal([0, 1, 2]);
    }
  });

  it('keeps agents that must not meet on one branch apart, in two homes by two people', () => {
    const [worker] = instanceOf([]).workers;
    const workers = [worker!, { ...worker!, id: 'v' }];
    const instance = instanceOf(
      [
        { agent: 'acid', opens: 3, line: 4 },
        { home: 1, agent: 'chlorine', opens: 3, line: 4 },
      ],
      { workers },
    );
    const days = plan(instance).visits.map(({ day }) => day);
    expect(days).to.have.length(2);
    expect(days[0]).not.to.equal(days[1]);
  });

  it('fills the weeks before where later ones are crowded, though each move by itself gains nothing', () => {
    const { instance, lineDayDoors } = roundsTruth({ homes: 100, days: 84, load: 0.95, staffShare: 1 }, 1);
    const pressed = findPlan(instance, { seed: 1, steps: 4_000 });
    const { pastRisk, doors, thrown } = planFigures(instance, pressed.visits);
    // The same number of steps left a thousand and more before the days were priced.
    expect(pastRisk).to.be.below(100);
    expect(doors).to.be.below(0.4 * lineDayDoors);
    expect(thrown).to.be.below(0.09);
    expect(brokenRules(instance, pressed.visits)).to.deep.equal([]);
    // Prices guide, and are no part of what the plan costs.
    const again = new PlanState(instance);
    again.lay(pressed.visits);
    expect(again.cost).to.equal(pressed.cost);
    expect(findPlan(instance, { seed: 1, steps: 4_000 }).visits).to.deep.equal(pressed.visits);
  });
  it('is crowded by what is late for want of room, not by what was late before it began', () => {
    const late = new PlanState(instanceOf([{ opens: -9, line: -1 }]));
    expect(isCrowded(late)).to.equal(false);
    const minutes = Array.from({ length: 14 }, (_, day) => (day === 3 || day === 13 ? 60 : 0));
    const who = { id: 'w', minutes, licensed: false, base: 'p', properties: null };
    const work = [{ minutes: 45 }, { home: 1, minutes: 45, opens: 3, line: 3 }];
    const state = new PlanState(instanceOf(work, { workers: [who] }));
    state.put(0, 0, 3);
    expect(isCrowded(state)).to.equal(true);
    state.price(raised(state, 1));
    expect(state.prices[0]).to.be.above(0);
    expect(state.prices[13]).to.equal(0);
    expect(state.guided - state.cost).to.equal(Math.floor((53 * state.prices[3]!) / 100));
    let prices: readonly number[] = state.prices;
    for (let i = 0; i < 100; i += 1) prices = eased(prices);
    expect(Math.max(...prices)).to.equal(0);
  });
  it('ends early when it is told to, with the best it has', () => {
    const { instance } = roundsTruth({ homes: 10, days: 84, load: 0.8, staffShare: 1 }, 2);
    const found = findPlan(instance, { seed: 1, steps: 100_000, tell: (share) => share < 0.05 });
    expect(found.stopped).to.equal(true);
    expect(found.cost).to.be.at.most(found.startCost);
    expect(wrongsOf(instance, found.visits)).to.deep.equal([]);
  });
});

describe('A day of rounds', () => {
  const terms = { door: 8, between: 15, base: 'p', doorCost: 10 };
  const stop = (more: Partial<Stop>): Stop => ({ property: 'p', starts: 0, others: 0, wait: 0, finish: 0, ...more });

  it('fills a wait with other work of the home, and waits for the rest', () => {
    expect(dayOf([stop({ starts: 5, others: 20, wait: 15, finish: 5 })], terms).minutes).to.equal(8 + 5 + 20 + 5);
    expect(dayOf([stop({ starts: 5, others: 20, wait: 60, finish: 5 })], terms).minutes).to.equal(8 + 5 + 60 + 5);
  });

  it('goes back where other homes fill a long wait, which is one more door', () => {
    const soak = stop({ starts: 5, wait: 120, finish: 5 });
    const others = [stop({ others: 60 }), stop({ others: 60 })];
    const { minutes, returns } = dayOf([soak, ...others], terms);
    expect(returns).to.deep.equal([0]);
    expect(minutes).to.equal(8 + 5 + 68 + 68 + 8 + 5);
    // Not across properties, and not where a door costs more than the wait.
    expect(dayOf([soak, stop({ property: 'q', others: 130 })], terms).returns).to.deep.equal([]);
    expect(dayOf([soak, ...others], { ...terms, doorCost: 200 }).returns).to.deep.equal([]);
  });

  it('counts a way to each property but one’s own', () => {
    const stops = [stop({ others: 10 }), stop({ property: 'q', others: 10 }), stop({ property: 'r', others: 10 })];
    expect(dayOf(stops, terms).minutes).to.equal(3 * 18 + 2 * 15);
    expect(dayOf(stops, { ...terms, base: null }).minutes).to.equal(3 * 18 + 3 * 15);
  });
});
