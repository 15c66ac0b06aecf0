import { expect } from 'chai';
import { machineTypes, procedureOf, procedures, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { mustNotMeet } from '../../core/catalogue/hazards.ts';
import { referencePicture, scenePicture } from '../../core/catalogue/picture.ts';
import { GRADES } from '../../core/due/grades.ts';
import { SYMPTOMS, REPAIR_HOURS, symptomOf } from '../../core/faults/symptoms.ts';
import { coreText } from '../../core/language/en.ts';
import { speaker } from '../../core/language/message.ts';

const say = speaker('en-GB', coreText);

/** Common practice, no source: watchful, steady, light, minutes, who; whether the interval is the product's own assumption. */
const COMMON_PRACTICE: Record<string, readonly [number, number, number, number, string, boolean]> = {
  'airHandler.returnFilter': [30, 90, 90, 5, 'T', false],
  'airHandler.condensateDrain': [60, 90, 180, 15, 'S', false],
  'dryer.lintScreen': [30, 90, 180, 15, 'T', true],
  'dryer.duct': [180, 365, 365, 60, 'S', false],
  'dishwasher.filter': [30, 60, 60, 20, 'T', false],
  'washer.drainPumpFilter': [30, 90, 180, 25, 'T', false],
  'washer.doorBoot': [30, 30, 90, 15, 'T', false],
  'refrigerator.doorSeals': [180, 180, 365, 15, 'T', false],
};

describe('The catalogue', () => {
  it('holds the service points of this slice with the figures of common practice', () => {
    expect([...procedures.keys()].sort()).to.deep.equal(Object.keys(COMMON_PRACTICE).sort());
    for (const [key, [watchful, steady, light, minutes, level, assumed]] of Object.entries(COMMON_PRACTICE)) {
      const it = procedureOf(key);
      expect([it.days.watchful, it.days.steady, it.days.light, it.minutes, it.level, it.assumed], key).to.deep.equal([watchful, steady, light, minutes, level, assumed]);
    }
  });
  it('has every service point on exactly one machine', () => {
    expect([...machineTypes.values()].flatMap(({ points }) => points).sort()).to.deep.equal([...procedures.keys()].sort());
  });
  it('has words for everything that a person meets', () => {
    for (const { key, steps, stops, kit, materials, kind, level } of procedures.values()) {
      for (const text of [`point.${key}`, `task.${key}`, `why.${key}`, `kind.${kind}`, `level.${level}`]) expect(say(text), text).not.to.equal('');
      for (const stop of stops) say(`stop.${stop}`);
      for (const item of kit) say(`kit.${item}`);
      for (const { what } of materials) say(`material.${what}`);
      for (const step of steps) {
        say(`${step.text}.title`);
        say(`${step.text}.body`);
        for (const need of step.needs) {
          if (need.kind === 'confirm' || need.kind === 'photo') say(`${need.kind}.${key}.${need.key}`);
          if (need.kind === 'reading') { say(`reading.${need.key}`); say(`reading.${need.key}.fails`); say(`unit.${need.unit}`); }
          if (need.kind === 'agent') for (const agent of need.choices) say(`agent.${agent}`);
        }
      }
    }
  });
  it('isolates before opening, restores before testing, and grades before cleaning', () => {
    const order = ['isolate', 'open', 'look', 'clean', 'refit', 'restore', 'test'];
    for (const { key, steps } of procedures.values()) {
      const phases = steps.map(({ phase }) => order.indexOf(phase));
      expect([...phases].sort((a, b) => a - b), key).to.deep.equal(phases);
      expect(steps.at(-1)!.phase, key).to.equal('test');
    }
  });
  it('asks every machine to be isolated first, but the refrigerator, which stays on', () => {
    for (const { key, steps } of procedures.values()) expect(steps[0]!.phase === 'isolate', key).to.equal(key !== 'refrigerator.doorSeals');
  });
  it('has a thirty-minute test wash behind the drain-pump filter (common practice)', () => {
    expect(waitMinutes(procedureOf('washer.drainPumpFilter'))).to.equal(30);
  });
  it('never lets bleach meet an acid or ammonia, in either order', () => {
    for (const acid of ['vinegar', 'citricAcid', 'ammonia'] as const) {
      expect(mustNotMeet('bleach', acid)).to.match(/^hazard\./);
      expect(say(mustNotMeet(acid, 'bleach')!)).to.contain('gas');
    }
    expect(mustNotMeet('dishSoap', 'vinegar')).to.equal(undefined);
    expect(mustNotMeet('bleach', 'bleach')).to.equal(undefined);
  });
  it('never gives tenants what is for staff: no steps in gas, wiring or the sump', () => {
    for (const { level, steps } of procedures.values()) {
      if (level !== 'T') continue;
      for (const { text } of steps) expect(say(`${text}.body`)).not.to.match(/breaker|wire nut|refrigerant|gas connector/i);
    }
  });
  it('draws each condition of each part, dirtier and dirtier', () => {
    for (const key of procedures.keys()) {
      const marks = GRADES.map((grade) => referencePicture(key, grade).length);
      expect([...marks].sort((a, b) => a - b), key).to.deep.equal(marks);
    }
    expect(scenePicture('dishwasher.filter', 1, 1)).not.to.equal(scenePicture('dishwasher.filter', 1, 2));
    expect(() => referencePicture('toaster.crumbs', 'due')).to.throw(RangeError);
  });
  it('refuses keys it does not know', () => {
    expect(() => procedureOf('toaster.crumbs')).to.throw(RangeError);
    expect(() => symptomOf('toaster.smoke')).to.throw(RangeError);
  });
});

describe('Symptoms', () => {
  it('point at service points of their own machine, in words', () => {
    for (const { key, machineType, point } of SYMPTOMS) {
      say(`symptom.${key}`);
      if (point) expect(machineTypes.get(machineType)!.points, key).to.include(point);
    }
  });
  it('run the repair clocks of HUD NSPIRE (from memory)', () => {
    expect(REPAIR_HOURS).to.deep.equal({ lifeThreatening: 24, severe: 24, moderate: 720, low: 1440 });
  });
  it('stop a dryer that smells of burning', () => {
    expect(symptomOf('dryer.burning')).to.include({ stopUsing: true, severity: 'lifeThreatening' });
  });
});
