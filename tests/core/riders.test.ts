import { expect } from 'chai';
import fc from 'fast-check';
import { machineTypes, procedures } from '../../core/catalogue/catalogue.ts';
import { computeLine } from '../../core/due/compute.ts';
import { heldReach, QUARTER } from '../../core/due/lengthening.ts';
import type { Condition, LineInputs } from '../../core/due/inputs.ts';
import { LEARNING } from '../../core/due/learning.ts';
import { joins, leadersOf, rides, type Sibling } from '../../core/due/riders.ts';
import { GRADES, type Grade } from '../../core/catalogue/grades.ts';
import { paceOf } from '../../core/jobs/pace.ts';

const part = (id: string, more: Partial<Sibling> = {}): Sibling => ({
  id,
  core: false,
  level: 'staff',
  intervalDays: 180,
  lineDay: 1000,
  ...more,
});

describe('A rider', () => {
  it('has a leader of its level or above whose interval is at most one and a quarter of its own; else it is core', () => {
    const rider = part('r');
    expect(leadersOf(rider, [rider, part('s', { core: true, intervalDays: 225 })]).map(({ id }) => id)).to.deep.equal([
      's',
    ]);
    expect(
      leadersOf(rider, [
        part('longer', { core: true, intervalDays: 226 }),
        part('tenant', { core: true, level: 'tenant' }),
        part('other'),
      ]),
    ).to.deep.equal([]);
    // Whoever comes by contract opens the machine for nothing else.
    expect(leadersOf(rider, [rider, part('visit', { core: true, level: 'licensed', alone: true })])).to.deep.equal([]);
    expect(rides(rider, [rider, part('tenant', { core: true, level: 'tenant', intervalDays: 30 })])).to.equal(false);
  });
  it('asks for itself by its line when no sitting of a leader is expected before', () => {
    const rider = part('r', { lineDay: 1000 });
    expect(rides(rider, [rider, part('l', { core: true, lineDay: 990 })])).to.equal(true);
    expect(rides(rider, [rider, part('l', { core: true, lineDay: 1001 })])).to.equal(false);
    expect(rides(rider, [rider, part('l', { core: true, lineDay: null })])).to.equal(false);
    expect(rides({ ...rider, lineDay: null }, [part('l', { core: true, lineDay: null })])).to.equal(true);
  });
  it('joins from seven tenths of its interval, or when it would pass before the next sitting', () => {
    expect([
      joins({ share: 0.69, lineDay: 100 }, 100),
      joins({ share: 0.7, lineDay: 100 }, 100),
      joins({ share: 0.3, lineDay: 100 }, 101),
      joins({ share: undefined, lineDay: null }, 1),
    ]).to.deep.equal([false, true, true, true]);
  });
  it('is none where staff work has only a tenant’s part beside it: hood housing, fan motor, sump, pump test, condenser', () => {
    const core = [...machineTypes.values()].flatMap(({ points }) => {
      const siblings = points.map((key): Sibling => {
        const { core: asks, level, days } = procedures.get(key)!;
        return { id: key, core: asks, level, intervalDays: days.steady, lineDay: 1000 };
      });
      return siblings.filter((it) => !it.core && !rides(it, siblings)).map(({ id }) => id);
    });
    expect(core).to.include.members([
      'hood.housing',
      'bathFan.motor',
      'dishwasher.sump',
      'dishwasher.drainPump',
      'washerDryer.condenser',
      'dryer.outdoorHood',
    ]);
    expect(core).not.to.include('refrigerator.rearFan');
  });
});

describe('A safety-critical interval', () => {
  const taught = (conditions: readonly Partial<Condition>[]) =>
    conditions.map((more, i) => ({
      condition: { day: 100 * i, kind: 'service' as const, grade: 'clean' as Grade, confirmed: true, ...more },
      exposure: 1,
      weight: 1,
    }));
  const reachOf = (...conditions: Partial<Condition>[]) => heldReach(taught(conditions), [], 1, LEARNING).reach;
  it('lengthens by at most a quarter at a service, and only after two confirmed conditions in a row', () => {
    expect(reachOf({})).to.equal(1);
    expect(reachOf({}, {})).to.equal(QUARTER);
    expect(reachOf({}, {}, {})).to.be.at.most(QUARTER ** 2 + 1e-9);
    expect(reachOf({}, { confirmed: false })).to.equal(1);
  });
  it('never lengthens by a record that something contradicts, and shortens at once', () => {
    expect(reachOf({}, { doubtful: true })).to.equal(1);
    expect(reachOf({}, {}, { doubtful: true }, {})).to.equal(QUARTER);
    expect(reachOf({ grade: 'blocked' })).to.be.below(0.8);
    expect(reachOf({}, {}, { grade: 'blocked' })).to.be.at.most(reachOf({}, {}));
    expect(reachOf({}, { grade: 'due' })).to.be.at.most(1);
  });
  it('by no single service grows more than a quarter, whatever was found before (one doubtful proof once took ninety days to a hundred and eighty)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ grade: fc.constantFrom(...GRADES), confirmed: fc.boolean(), doubtful: fc.boolean() }), {
          minLength: 1,
          maxLength: 9,
        }),
        (conditions) => {
          const reaches = conditions.map((_, i) => reachOf(...conditions.slice(0, i + 1)));
          reaches.forEach((reach, i) => expect(reach).to.be.at.most((reaches[i - 1] ?? 1) * QUARTER + 1e-9));
        },
      ),
      { numRuns: 150 },
    );
  });
  it('says so in its working', () => {
    const { days, version } = procedures.get('hood.greaseFilter')!;
    const inputs: LineInputs = {
      procedure: 'hood.greaseFilter',
      version,
      methods: {},
      days,
      assumed: false,
      critical: true,
      practice: 'steady',
      caps: [],
      changes: {},
      stretches: [{ fromDay: 0, factor: 1 }],
      effects: [],
      newSince: null,
      turnovers: [],
      anchor: null,
      upkeepDay: null,
      signalDay: null,
      conditions: Array.from({ length: 4 }, (_, i) => ({
        day: 1000 + i * 80,
        kind: 'service' as const,
        grade: i === 0 ? null : ('clean' as const),
        confirmed: true,
      })),
    };
    const line = computeLine(inputs, 1300);
    expect(line.terms.map(({ term }) => term)).to.include('quarter');
    expect(line.days).to.be.at.most(Math.ceil(inputs.days.steady * QUARTER ** 2));
  });
});

describe('A person’s pace', () => {
  it('is a newcomer’s until jobs say otherwise, and no single job says much', () => {
    expect(paceOf([])).to.equal(1);
    expect(paceOf([{ expected: 20, took: 8 }])).to.be.closeTo(68 / 80, 1e-9);
    expect(paceOf(Array(20).fill({ expected: 30, took: 12 }))).to.be.closeTo(0.455, 0.01);
    expect(paceOf(Array(50).fill({ expected: 30, took: 1 }))).to.be.at.least(0.25);
    expect(paceOf([{ expected: 10, took: 600 }]), 'a lunch in between').to.be.below(1.1);
  });
});
