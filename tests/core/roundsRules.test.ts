import { expect } from 'chai';
import fc from 'fast-check';
import { smallInstance } from '../../core/lab/roundsSmall.ts';
import { aloneFigures } from '../../core/rounds/alone.ts';
import { lineIn, planFigures, roundOf } from '../../core/rounds/figures.ts';
import { WEIGHTS, type Instance, type PlanVisit, type Task } from '../../core/rounds/instance.ts';
import { laidOut, leadOf, whyLeftOut } from '../../core/rounds/reasons.ts';
import { brokenRules } from '../../core/rounds/rules.ts';
import { findPlan } from '../../core/rounds/search.ts';
import { timetable } from '../../core/rounds/timetable.ts';
import { wrongsOf } from './roundsTimeline.ts';

const TASK: Task = {
  id: 't',
  home: 0,
  licensed: false,
  opens: 2,
  line: 6,
  interval: 20,
  minutes: 20,
  wait: 0,
  finish: 0,
  risk: 2,
  agent: null,
  branch: 'drain',
  only: null,
  after: null,
};
const worker = (id: string, more: Partial<Instance['workers'][number]> = {}) => ({
  id,
  minutes: Array.from({ length: 14 }, (_, day) => (day % 7 < 5 ? 60 : 0)),
  licensed: false,
  base: 'p',
  properties: null,
  ...more,
});
const home = (id: string, more: Partial<Instance['homes'][number]> = {}) => ({
  id,
  propertyId: 'p',
  firstDay: 0,
  closed: new Set<number>(),
  unliked: new Set<number>(),
  half: null,
  ...more,
});
const instanceOf = (tasks: readonly Partial<Task>[], more: Partial<Instance> = {}): Instance => ({
  days: 14,
  workers: [worker('w'), worker('v')],
  homes: [home('h0'), home('h1')],
  tasks: tasks.map((task, i) => ({ ...TASK, id: `t${i}`, ...task })),
  door: 8,
  between: 15,
  clashes: [['acid', 'chlorine']],
  weights: WEIGHTS,
  ...more,
});
const visit = (tasks: readonly number[], more: Partial<PlanVisit> = {}): PlanVisit => ({
  home: 0,
  worker: 0,
  day: 3,
  tasks,
  pinned: true,
  ...more,
});
const rulesOf = (instance: Instance, visits: readonly PlanVisit[]) =>
  brokenRules(instance, visits).map(({ rule, visit: at, task, over }) => [rule, at, task, over]);

describe('A rule of the plan', () => {
  const one = instanceOf([{}]);

  it('is broken by nothing where all is well', () => {
    expect(rulesOf(one, [visit([0])])).to.deep.equal([]);
  });

  it('says who is not at work, where notice is short, and where nobody may come', () => {
    expect(rulesOf(one, [visit([0], { day: 5 })])).to.deep.equal([['away', 0, null, null]]);
    const strict = instanceOf([{}], { homes: [home('h0', { firstDay: 4, closed: new Set([3]) })] });
    expect(rulesOf(strict, [visit([0])])).to.deep.equal([
      ['notice', 0, null, null],
      ['closed', 0, null, null],
    ]);
  });

  it('says who may not: without a licence, with work of somebody else, in a property of others', () => {
    const instance = instanceOf([{ licensed: true }, { only: 1 }]);
    expect(rulesOf(instance, [visit([0, 1])])).to.deep.equal([
      ['level', 0, 0, null],
      ['notTheirs', 0, 1, null],
    ]);
    const elsewhere = instanceOf([{}], { workers: [worker('w', { properties: ['q'] })] });
    expect(rulesOf(elsewhere, [visit([0])])).to.deep.equal([['notTheirs', 0, null, null]]);
  });

  it('says what does not count yet, also where it depends on the service before it', () => {
    expect(rulesOf(one, [visit([0], { day: 1 })])).to.deep.equal([['tooEarly', 0, 0, null]]);
    const twice = instanceOf([{ interval: 8 }, { interval: 8, opens: 10, line: 14, after: 0 }]);
    expect(rulesOf(twice, [visit([0]), visit([1], { day: 7 })])).to.deep.equal([]);
    expect(rulesOf(twice, [visit([0], { day: 4 }), visit([1], { day: 7 })])).to.deep.equal([['tooEarly', 1, 1, null]]);
    // Without the one before it there is nothing to count from.
    expect(rulesOf(twice, [visit([1], { day: 9 })])).to.deep.equal([['tooEarly', 0, 1, null]]);
  });

  it('says at both visits which agents meet on a drain, and nothing of another drain or day', () => {
    const instance = instanceOf([{ agent: 'acid' }, { home: 1, agent: 'chlorine' }]);
    const meet = [visit([0]), visit([1], { home: 1, worker: 1 })];
    expect(rulesOf(instance, meet)).to.deep.equal([
      ['clash', 0, 0, null],
      ['clash', 1, 1, null],
    ]);
    expect(rulesOf(instance, [meet[0]!, { ...meet[1]!, day: 4 }])).to.deep.equal([]);
    const apart = instanceOf([{ agent: 'acid' }, { home: 1, agent: 'chlorine', branch: 'other' }]);
    expect(rulesOf(apart, meet)).to.deep.equal([]);
  });

  it('says by how much a day is over, at each of its visits', () => {
    const instance = instanceOf([{ minutes: 30 }, { home: 1, minutes: 30 }]);
    const over = 2 * (8 + 30) - 60;
    expect(rulesOf(instance, [visit([0]), visit([1], { home: 1 })])).to.deep.equal([
      ['full', 0, null, over],
      ['full', 1, null, over],
    ]);
  });

  it('is found by the checker that lives each day through, whenever it is found here', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1_000, max: 2 ** 30 }),
        fc.array(fc.record({ day: fc.nat(11), worker: fc.nat(1) }), { minLength: 14, maxLength: 14 }),
        (seed, spots) => {
          const instance = smallInstance(seed);
          // Every task somewhere, whatever it breaks.
          const visits = new Map<string, PlanVisit>();
          instance.tasks.forEach(({ home: at }, task) => {
            const { day, worker: who } = spots[task]!;
            const key = `${at} ${who} ${day}`;
            const tasks = [...(visits.get(key)?.tasks ?? []), task];
            visits.set(key, { home: at, worker: who, day, tasks, pinned: true });
          });
          const all = [...visits.values()];
          const ours = brokenRules(instance, all).some(({ rule }) => rule !== 'full');
          const theirs = wrongsOf(instance, all).some((it) => !/ of \d+$/.test(it));
          const away = all.some(({ worker: who, day }) => instance.workers[who]!.minutes[day] === 0);
          expect(ours).to.equal(theirs || away);
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('What has no place', () => {
  const reasonOf = (instance: Instance, visits: readonly PlanVisit[] = [], task = 0) =>
    whyLeftOut(instance, laidOut(visits), task);

  it('is told by its reason', () => {
    const licence = instanceOf([{ licensed: true }]);
    expect(reasonOf(licence)).to.deep.equal({ reason: 'nobody', nearest: null });
    expect(reasonOf(instanceOf([{}], { workers: [] }))).to.deep.equal({ reason: 'nobody', nearest: null });
    expect(reasonOf(instanceOf([{ minutes: 53 }]))).to.deep.equal({ reason: 'tooLong', nearest: null });
    expect(reasonOf(instanceOf([{}, { after: 0, line: 26 }]), [], 1)).to.deep.equal({
      reason: 'before',
      nearest: null,
    });
    const late = instanceOf([{}], { homes: [home('h0', { firstDay: 8 })] });
    expect(reasonOf(late)).to.deep.include({ reason: 'notice' });
    expect(reasonOf(late).nearest).to.include({ day: 8, newDoor: true });
    const shut = instanceOf([{}], { homes: [home('h0', { closed: new Set([2, 3, 4, 5, 6]) })] });
    expect(reasonOf(shut)).to.deep.include({ reason: 'closed' });
    expect(reasonOf(shut).nearest).to.include({ day: 7 });
  });

  it('is told the day that misses it by the fewest minutes, and whether that is one more door', () => {
    const instance = instanceOf([{ minutes: 30 }, { minutes: 40 }, { home: 1, minutes: 45 }], {
      workers: [worker('w')],
    });
    // Days 2 and 4 are filled by the other home; on day 3 the home is open already.
    const visits = [visit([1], { day: 3 }), visit([2], { home: 1, day: 2 }), visit([2], { home: 1, day: 4 })];
    const { reason, nearest } = reasonOf(instance, visits);
    expect(reason).to.equal('full');
    expect(nearest).to.deep.equal({ worker: 0, day: 3, over: 8 + 70 - 60, newDoor: false });
  });

  it('leaves the line of what leads a visit to be said', () => {
    const instance = instanceOf([{ line: 6 }, { line: 4 }]);
    const visits = [visit([0, 1])];
    expect(leadOf(instance, laidOut(visits).days, visits[0]!)).to.equal(1);
    expect(lineIn(instance, laidOut(visits).days, 1)).to.equal(4);
  });
});

describe('Each machine alone', () => {
  it('comes on its first line with what of it counts by then, and again for the rest', () => {
    const instance = instanceOf([
      { line: 6, opens: 2 },
      { line: 8, opens: 5 },
      { line: 12, opens: 10 },
      { home: 1, line: 6, opens: 2, wait: 30, finish: 5 },
    ]);
    const figures = aloneFigures(instance, (task) => (task === 3 ? 'm1' : 'm0'));
    // Machine 0 on days 6 and 12, machine 1 on day 6, in another home.
    expect(figures).to.include({ tasks: 4, doors: 3, pastDays: 0, pastRisk: 0 });
    // The one that soaks is waited for; one way a property and day.
    expect(figures.minutes).to.equal(40 + 20 + (20 + 30 + 5) + 3 * 8 + 2 * 15);
    expect(figures.thrown).to.be.closeTo(2 / 20 / 4, 1e-12);
  });

  it('is late only where its line was over when the plan began', () => {
    const figures = aloneFigures(instanceOf([{ line: -3, opens: -7 }]), () => 'm');
    expect(figures).to.include({ doors: 1, pastDays: 3, pastRisk: 6 });
  });

  it('never has fewer doors than a plan of the same tasks that has the time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1_000, max: 2 ** 30 }), (seed) => {
        const small = smallInstance(seed);
        const tasks = small.tasks.map((task) => ({
          ...task,
          licensed: false,
          only: null,
          agent: null,
          wait: 0,
          finish: 0,
        }));
        const homes = small.homes.map((it) => ({ ...it, firstDay: 0, closed: new Set<number>() }));
        const workers = small.workers.map((it) => ({ ...it, minutes: it.minutes.map(() => 900) }));
        const instance = { ...small, tasks, homes, workers };
        const { visits } = findPlan(instance, { seed: 1, steps: 40 });
        const ours = planFigures(instance, visits);
        expect(ours.doors).to.be.at.most(aloneFigures(instance, (task) => `m${task}`).doors);
        // The minutes of a plan are those of its rounds.
        const minutes = new Map(visits.map((it) => [`${it.worker} ${it.day}`, it]));
        const sum = [...minutes.values()].reduce(
          (total, { worker: who, day }) =>
            total +
            roundOf(
              instance,
              who,
              visits.filter((it) => it.worker === who && it.day === day),
            ).minutes,
          0,
        );
        expect(ours.minutes).to.equal(sum);
      }),
      { numRuns: 30 },
    );
  });
});

describe('The times of a round', () => {
  const EIGHT = 8 * 60;

  it('follow the homes, with doors and ways between properties', () => {
    const homes = [home('h0'), home('h1', { propertyId: 'q' })];
    const instance = instanceOf([{ minutes: 10 }, { home: 1, minutes: 20 }], { homes });
    const times = timetable(instance, [visit([1], { home: 1 }), visit([0])], EIGHT);
    expect(times[1]).to.deep.equal({ from: EIGHT + 8, until: EIGHT + 18, back: null, over: EIGHT + 18 });
    expect(times[0]).to.include({ from: EIGHT + 18 + 15 + 8, over: EIGHT + 18 + 15 + 8 + 20 });
  });

  it('walk one property after the other from where somebody sets out, mornings first and afternoons last', () => {
    // As places are counted property by property, the first of each comes before the second of any.
    const homes = [
      home('p1'),
      home('q1', { propertyId: 'q', half: 'afternoon' }),
      home('p2', { half: 'morning' }),
      home('q2', { propertyId: 'q' }),
    ];
    const round = [0, 1, 2, 3].map((i) => visit([i], { home: i }));
    const from = (base: string | null) => {
      const workers = [worker('w', { base }), worker('v')];
      const instance = instanceOf(
        [0, 1, 2, 3].map((i) => ({ home: i })),
        { homes, workers },
      );
      const times = timetable(instance, round, EIGHT);
      const { minutes } = roundOf(instance, 0, round);
      // No longer than the plan has counted: every way once.
      expect(Math.max(...times.map(({ over }) => over)) - EIGHT).to.equal(minutes);
      return [0, 1, 2, 3].sort((a, b) => times[a]!.from - times[b]!.from).map((i) => homes[i]!.id);
    };
    expect(from('p')).to.deep.equal(['p2', 'p1', 'q2', 'q1']);
    expect(from('q')).to.deep.equal(['q2', 'q1', 'p2', 'p1']);
  });

  it('begin with what is gone back to, and tell of going back, too', () => {
    const long = { minutes: Array.from({ length: 14 }, () => 400) };
    const instance = instanceOf(
      [
        { minutes: 5, wait: 120, finish: 6 },
        { home: 1, minutes: 100 },
      ],
      { workers: [worker('w', long)], weights: { ...WEIGHTS, door: 10 } },
    );
    const [soak, other] = timetable(instance, [visit([0]), visit([1], { home: 1 })], EIGHT);
    expect(soak).to.include({ from: EIGHT + 8, until: EIGHT + 13 });
    expect(other).to.include({ from: EIGHT + 13 + 8, until: EIGHT + 121, back: null });
    // It has soaked at 8:13 and two hours; then the door once more.
    expect(soak).to.include({ back: EIGHT + 13 + 120 + 8, over: EIGHT + 141 + 6 });
  });

  it('never overlap, and end when the day is over by its minutes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1_000, max: 2 ** 30 }), (seed) => {
        const instance = smallInstance(seed);
        const { visits } = findPlan(instance, { seed: 1, steps: 30 });
        for (const { worker: who, day } of visits) {
          const round = visits.filter((it) => it.worker === who && it.day === day);
          const times = timetable(instance, round, EIGHT);
          const spans = times.flatMap(({ from, until, back, over }) => [
            [from, until] as const,
            ...(back === null ? [] : [[back, over] as const]),
          ]);
          spans.sort((a, b) => a[0] - b[0]);
          spans.forEach(([from, until], i) => {
            expect(until).to.be.at.least(from);
            if (i > 0) expect(from).to.be.at.least(spans[i - 1]![1] + instance.door);
          });
          const end = Math.max(...times.map(({ over }) => over));
          expect(end - EIGHT).to.be.at.most(instance.workers[who]!.minutes[day]!);
        }
      }),
      { numRuns: 60 },
    );
  });
});
