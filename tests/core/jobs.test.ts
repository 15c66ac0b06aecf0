import { expect } from 'chai';
import fc from 'fast-check';
import { JOB_STATES, MOVES, moverOf, needsReason, stateAfter } from '../../core/jobs/transitions.ts';
import { deficienciesOf } from '../../core/faults/deficiencies.ts';
import { correctBy } from '../../core/faults/clock.ts';
import { makeCode, readCode } from '../../core/people/code.ts';
import { seeded } from '../../core/statistics/random.ts';
import { questionsOf, rightOf } from '../../core/jobs/rehearsal.ts';
import type { Need, Phase } from '../../core/catalogue/types.ts';
import { machineTypes, procedures } from '../../core/catalogue/catalogue.ts';
import { systemOf } from '../../core/catalogue/systems.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { sittingOf } from '../../core/jobs/sitting.ts';
import { taskOf } from './sittings.ts';
import { asksOf, inputsOf, screensOf } from '../../core/jobs/asks.ts';

describe('A job', () => {
  it('moves along the table and nowhere else', () => {
    const moves = JOB_STATES.flatMap((from) =>
      MOVES.flatMap((move) => {
        const to = stateAfter(from, move);
        return to ? [`${from} ${move} ${to}`] : [];
      }),
    );
    expect(moves.sort()).to.deep.equal(
      [
        'awaitingTest cancel cancelled',
        'awaitingTest notAble open',
        'awaitingTest send sent',
        'given cancel cancelled',
        'given give given',
        'given notAble open',
        'given send sent',
        'given start started',
        'open cancel cancelled',
        'open give given',
        'sent accept accepted',
        'sent sendBack given',
        'started cancel cancelled',
        'started give given',
        'started notAble open',
        'started send sent',
        'started workDone awaitingTest',
      ].sort(),
    );
  });
  it('is given and judged by a manager, done by its assignee', () => {
    expect(MOVES.filter((move) => moverOf(move) === 'manager').sort()).to.deep.equal([
      'accept',
      'cancel',
      'give',
      'sendBack',
    ]);
  });
  it('is sent back and handed back only with a reason', () => {
    expect(MOVES.filter(needsReason).sort()).to.deep.equal(['notAble', 'sendBack']);
  });
});

describe('A short code', () => {
  it('is read back however it is typed, and mistakes none of its signs for another', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.integer({ min: 0, max: 255 })), (bytes) => {
        const code = makeCode(() => bytes.next().value as number);
        expect(code).to.match(/^[2-9A-HJKMNP-TW-Z]{4}-[2-9A-HJKMNP-TW-Z]{4}$/);
        expect(readCode(` ${code.toLowerCase().replace('-', ' ')}`)).to.equal(code);
      }),
    );
    expect(['', 'K7MP', 'K7MP-3QX0', 'OIL1-OIL1', 'K7MP-3QXDD'].map(readCode)).to.deep.equal([
      null,
      null,
      null,
      null,
      null,
    ]);
  });
  it('favours no sign: each comes up as often as by chance (chi-square, 28 degrees of freedom, 0.1 %)', () => {
    const random = seeded(7);
    const seen = new Map<string, number>();
    for (let i = 0; i < 4000; i += 1)
      for (const sign of makeCode(() => Math.floor(random() * 256)).replace('-', ''))
        seen.set(sign, (seen.get(sign) ?? 0) + 1);
    const expected = 32_000 / 29;
    const chi = [...seen.values()].reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0);
    expect(seen.size).to.equal(29);
    expect(chi).to.be.below(56.89);
  });
});

describe('Deficiencies', () => {
  it('name what the handbook of dryer runs names, and take a fault’s clock (HUD NSPIRE hours, from memory)', () => {
    const dryer = deficienciesOf('dryer').map(({ key }) => key);
    expect(dryer).to.include.members([
      'hoseCrushed',
      'hoseLoose',
      'hoseKind',
      'outletMesh',
      'outletFlap',
      'runTooLong',
      'ventsIndoors',
    ]);
    expect(deficienciesOf('washer').map(({ key }) => key))
      .to.include('noClip')
      .and.not.include('hoseCrushed');
    expect(correctBy('severe', 0)).to.equal(24 * 3_600_000);
    expect(correctBy('moderate', 0)).to.equal(30 * 24 * 3_600_000);
  });
});

/** A procedure as it is gone through by itself, with what is isolated for it and put back. */
function flowOf(key: string): { key: string; phase: Phase; needs: Need[] }[] {
  const procedure = procedures.get(key)!;
  const types = [...machineTypes.values()];
  // A contractor's visit belongs to no kind of machine.
  const type = types.find(({ points }) => points.includes(key)) ?? types[0]!;
  return planSitting(sittingOf(systemOf(type.key), [taskOf(procedure)])).steps.map(
    (step): { key: string; phase: Phase; needs: Need[] } => {
      if (step.change)
        return {
          key: step.key,
          phase: ['off', 'idle', 'shut', 'out'].includes(step.change.to) ? 'isolate' : 'restore',
          needs: [{ kind: 'confirm', key: step.key }],
        };
      const { text, phase, needs } = procedure.steps.find((it) => it.text === step.act!.of[0]!.text)!;
      return { key: text, phase, needs: [...needs] };
    },
  );
}

describe('A rehearsal', () => {
  const stopsOfAll = [...new Set([...procedures.values()].flatMap(({ stops }) => stops))];
  const questions = (key: string, seed: number) =>
    questionsOf({ stops: procedures.get(key)!.stops, steps: flowOf(key), otherStops: stopsOfAll }, seed);

  it('asks something of every procedure, with one right answer of three, and the same by the same seed', () => {
    for (const key of procedures.keys()) {
      const asked = questions(key, 5);
      expect(asked.length, key).to.be.at.least(1);
      for (const { options, right, kind } of asked) {
        expect(new Set(options).size, `${key} ${kind}`).to.equal(3);
        expect(right).to.be.within(0, 2);
      }
      expect(questions(key, 5)).to.deep.equal(asked);
    }
  });
  it('calls first what the order of the steps has first, and of this work what its stop points say', () => {
    for (const key of procedures.keys()) {
      const { stops } = procedures.get(key)!;
      const steps = flowOf(key);
      const at = (step: string) => steps.findIndex((it) => it.key === step);
      for (let seed = 0; seed < 20; seed += 1) {
        for (const { kind, options, right, grade } of questions(key, seed)) {
          const answer = options[right]!;
          const others = options.filter((it) => it !== answer);
          if (kind === 'first')
            expect(
              others.every((it) => at(answer) < at(it)),
              `${key}: ${answer} before ${others}`,
            ).to.equal(true);
          if (kind === 'beforeOpening') expect(steps[at(answer)]!.phase).to.equal('isolate');
          if (kind === 'stop')
            expect([stops.includes(answer), others.some((it) => stops.includes(it))], key).to.deep.equal([true, false]);
          if (kind === 'picture') expect(answer).to.equal(grade);
        }
      }
    }
  });
  it('counts what is right', () => {
    const asked = questions('dishwasher.filter', 1);
    expect(
      rightOf(
        asked,
        asked.map(({ right }) => right),
      ),
    ).to.equal(asked.length);
    expect(
      rightOf(
        asked,
        asked.map(({ right }) => (right + 1) % 3),
      ),
    ).to.equal(0);
  });
});

describe('What a tenant is asked for', () => {
  const theirs = [...procedures.values()].filter(({ level }) => level === 'tenant');
  it('is at most six things besides photos in any procedure, and four screens in the simplest', () => {
    for (const { key } of theirs) expect(inputsOf(flowOf(key).map(({ needs }) => needs)), key).to.be.at.most(6);
    expect(Math.min(...theirs.map(({ key }) => screensOf(flowOf(key).length)))).to.be.at.most(4);
  });
  it('loses no assurance: each stands on the button or in the tick', () => {
    for (const { steps } of procedures.values()) {
      for (const { needs } of steps) {
        const { button, ticks, fields } = asksOf(needs.map((need) => ({ need })));
        expect([...(button ? [button] : []), ...ticks, ...fields]).to.have.length(needs.length);
      }
    }
  });
});
