import { expect } from 'chai';
import fc from 'fast-check';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { assumptionsWith, intervalName } from '../../core/due/assumptions.ts';
import { capOf, computeLine, floorDays } from '../../core/due/compute.ts';
import { daysWithPauses, exposureBetween, withoutPauses, type Stretch } from '../../core/due/exposure.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { servedDayOf, type Condition, type LineInputs } from '../../core/due/inputs.ts';
import {
  believeSpeed,
  certainReach,
  expectedReach,
  overloadProbability,
  priorBelief,
  speedQuantile,
  type Lesson,
} from '../../core/due/learning.ts';
import { SCHOOLS } from '../../core/catalogue/practice.ts';

const DAY = 20_000;
const keys = fc.constantFrom(...procedures.keys());
const grade = fc.constantFrom(...GRADES);
/** Any history: services and looks some days apart, graded or not, confirmed or not. */
const history = fc.array(
  fc.record({
    gap: fc.integer({ min: 1, max: 200 }),
    kind: fc.constantFrom<Condition['kind']>('service', 'look'),
    grade: fc.option(grade),
    confirmed: fc.boolean(),
  }),
  { minLength: 1, maxLength: 8 },
);

function inputsOf(
  key: string,
  steps: readonly { gap: number; kind: Condition['kind']; grade: Condition['grade']; confirmed: boolean }[],
  more: Partial<LineInputs> = {},
): LineInputs {
  const { days, version, assumed, safetyCritical } = procedureOf(key);
  let day = DAY;
  const conditions: Condition[] = [
    { day, kind: 'service', grade: null, confirmed: true },
    ...steps.map((step) => ({ day: (day += step.gap), kind: step.kind, grade: step.grade, confirmed: step.confirmed })),
  ];
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
    conditions,
    newSince: null,
    turnovers: [],
    anchor: null,
    upkeepDay: null,
    signalDay: null,
    ...more,
  };
}

describe('A computed line', () => {
  it('counts from the last service, whatever was looked at since', () => {
    fc.assert(
      fc.property(keys, history, grade, (key, steps, seen) => {
        const inputs = inputsOf(key, steps);
        const looked = {
          ...inputs,
          conditions: [
            ...inputs.conditions,
            { day: inputs.conditions.at(-1)!.day + 1, kind: 'look' as const, grade: seen, confirmed: true },
          ],
        };
        expect(computeLine(looked, 0).servedDay).to.equal(servedDayOf(inputs));
      }),
    );
  });
  it('is after its service, at most on its cap, and its days add up', () => {
    fc.assert(
      fc.property(keys, history, fc.option(fc.integer({ min: 1, max: 500 }), { nil: null }), (key, steps, signal) => {
        const inputs = inputsOf(key, steps, { signalDay: signal === null ? null : DAY + signal });
        const line = computeLine(inputs, 0);
        expect(line.lineDay).to.equal(line.servedDay! + line.days);
        expect(line.days).to.be.at.least(1);
        expect(line.lineDay).to.be.at.most(line.capDay);
        expect(Math.round(line.terms.at(-1)!.days)).to.equal(line.days);
      }),
    );
  });
  it('is never later under a stricter practice', () => {
    fc.assert(
      fc.property(keys, history, (key, steps) => {
        const days = SCHOOLS.map((practice) => computeLine(inputsOf(key, steps, { practice }), 0).lineDay);
        return days[0]! <= days[1]! && days[1]! <= days[2]!;
      }),
    );
  });
  it('is never later for a signal, a tighter limit, or a dirtier home', () => {
    fc.assert(
      fc.property(
        keys,
        history,
        fc.integer({ min: 1, max: 300 }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (key, steps, days, factor) => {
          const inputs = inputsOf(key, steps);
          const plain = computeLine(inputs, 0).lineDay;
          const served = servedDayOf(inputs)!;
          expect(computeLine({ ...inputs, signalDay: served + days }, 0).lineDay).to.be.at.most(plain);
          expect(computeLine({ ...inputs, caps: [{ reason: 'local', days }] }, 0).lineDay).to.be.at.most(
            Math.max(plain, 0),
          );
          // To a day: the speed is believed on a grid, and a factor just above one falls between its nodes.
          expect(
            computeLine(
              {
                ...inputs,
                stretches: [
                  { fromDay: 0, factor: 1 },
                  { fromDay: served, factor },
                ],
              },
              0,
            ).lineDay,
          ).to.be.at.most(plain + 1);
        },
      ),
    );
  });
  it('without a record counts as if served today, and snaps to nothing', () => {
    const bare = {
      ...inputsOf('dishwasher.filter', []),
      conditions: [],
      upkeepDay: { rule: 'FREQ=WEEKLY;BYDAY=SA', start: 0 },
    };
    expect(computeLine(bare, DAY)).to.include({ servedDay: null, days: 60, lineDay: DAY + 60 });
  });
  it('takes another interval from the assumptions, and floors and caps move with it', () => {
    const inputs = inputsOf('dishwasher.filter', []);
    const days = { watchful: 20, steady: 40, light: 80 };
    expect(computeLine({ ...inputs, days }, 0).days).to.equal(40);
    expect([floorDays(days, assumptionsWith()), capOf({ ...inputs, days }, assumptionsWith()).days]).to.deep.equal([
      7, 120,
    ]);
    expect(capOf({ ...inputs, days }, assumptionsWith({ capShare: 1 })).days).to.equal(80);
    expect(intervalName('dishwasher.filter', 'steady')).to.equal('days/dishwasher.filter/steady');
  });
  it('takes the tightest of its caps, and says which', () => {
    const caps = [
      { reason: 'maker', days: 50 },
      { reason: 'local', days: 30 },
      { reason: 'water', days: 40 },
    ] as const;
    const line = computeLine(inputsOf('refrigerator.waterFilter', [], { caps }), 0);
    expect(line.terms.at(-1)).to.deep.equal({ term: 'cap', reason: 'local', days: 30 });
  });
});

describe('Pauses', () => {
  const stretches: Stretch[] = [
    { fromDay: 0, factor: 2 },
    { fromDay: 100, factor: 0 },
    { fromDay: 130, factor: 1 },
  ];
  it('take no exposure and count no day', () => {
    expect(exposureBetween(stretches, 90, 140, 10)).to.equal((10 * 2 + 10 * 1) / 10);
    expect(daysWithPauses(stretches, 90, 10)).to.equal(10);
    expect(daysWithPauses(stretches, 90, 11)).to.equal(41);
    expect(daysWithPauses(stretches, 110, 5)).to.equal(25);
  });
  it('left out, go on at the rate before them', () => {
    expect(withoutPauses(stretches).map(({ factor }) => factor)).to.deep.equal([2, 2, 1]);
    expect(
      withoutPauses([
        { fromDay: 0, factor: 0 },
        { fromDay: 9, factor: 3 },
      ]).map(({ factor }) => factor),
    ).to.deep.equal([3, 3]);
    const plain: Stretch[] = [{ fromDay: 0, factor: 1 }];
    expect(withoutPauses(plain)).to.equal(plain);
  });
});

describe('A belief about a speed', () => {
  const lesson = fc.record({
    grade,
    exposure: fc.double({ min: 0.05, max: 4, noNaN: true }),
    weight: fc.double({ min: 0.05, max: 1, noNaN: true }),
  });
  const lessons = fc.array(
    fc.oneof({ weight: 5, arbitrary: lesson }, { weight: 1, arbitrary: fc.constant<Lesson>('turnover') }),
    { maxLength: 8 },
  );
  it('is a distribution, with quantiles in order, whatever was taught', () => {
    fc.assert(
      fc.property(lessons, (taught) => {
        const belief = believeSpeed(taught);
        expect(belief.reduce((sum, weight) => sum + weight, 0)).to.be.closeTo(1, 1e-9);
        const at = [0.1, 0.25, 0.5, 0.75, 0.9].map((q) => speedQuantile(belief, q));
        expect([...at].sort((a, b) => a - b)).to.deep.equal(at);
      }),
    );
  });
  it('makes an overload likelier by exposure, and less likely by what is accepted', () => {
    fc.assert(
      fc.property(lessons, fc.double({ min: 0.1, max: 3, noNaN: true }), (taught, exposure) => {
        const belief = believeSpeed(taught);
        return (
          overloadProbability(belief, exposure * 1.2, 1) >= overloadProbability(belief, exposure, 1) - 1e-9 &&
          overloadProbability(belief, exposure, 1.5) <= overloadProbability(belief, exposure, 1) + 1e-9
        );
      }),
    );
  });
  it('asks a safety-critical part as its practice does, as long as nothing was found', () => {
    for (const accepted of [0.3, 1, 2]) expect(certainReach(priorBelief(), accepted)).to.be.closeTo(accepted, 1e-12);
  });
  it('lengthens a safety-critical part less than the middle would, the less the surer it must be, and shortens it alike', () => {
    fc.assert(
      fc.property(lessons, (taught) => {
        const belief = believeSpeed(taught);
        const [plain, safe, safer] = [
          expectedReach(belief, 1),
          certainReach(belief, 1),
          certainReach(belief, 1, { certainty: 0.9 }),
        ];
        expect(safe).to.be.at.most(Math.max(plain, 1) + 1e-9);
        expect(safer).to.be.at.most(safe + 1e-9);
        if (plain <= 1) expect(safe).to.be.closeTo(plain, 1e-9);
      }),
    );
    const slow = believeSpeed([{ grade: 'clean', exposure: 1, weight: 1 }]);
    expect(certainReach(slow, 1)).to.be.within(1.2, expectedReach(slow, 1) - 0.05);
  });
});
