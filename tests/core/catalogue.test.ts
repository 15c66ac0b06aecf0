import { expect } from 'chai';
import { machineTypes, procedureOf, procedures, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { HABITS, habitOf } from '../../core/catalogue/habits.ts';
import { methods, optionOf, withoutAgents } from '../../core/catalogue/methods.ts';
import type { Choices } from '../../core/catalogue/types.ts';
import { SIGNALS, SIGNAL_KINDS, signalTypeOf } from '../../core/due/signals.ts';
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
  'refrigerator.waterFilter': [60, 180, 365, 20, 'T', false],
  'airHandler.floatSwitch': [90, 180, 365, 5, 'S', true],
  'airHandler.coolingCheck': [365, 365, 365, 10, 'S', false],
  'dishwasher.doorSeal': [30, 60, 60, 10, 'T', false],
  'dishwasher.interiorWash': [30, 60, 60, 5, 'T', false],
  'washer.drawer': [30, 60, 90, 20, 'T', false],
  'washer.tub': [30, 60, 365, 10, 'T', false],
  'hood.greaseFilter': [30, 90, 180, 15, 'T', false],
};

/** Every procedure in every way that the methods make it. */
const variants = [...procedures.values()].flatMap(({ key, follows }) => follows
  .reduce<Choices[]>((all, method) => all.flatMap((choices) => methods.get(method)!.options.map((option) => ({ ...choices, [method]: option.key }))), [{}])
  .map((choices) => procedureOf(key, choices)));

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
    for (const { key, steps, stops, kit, materials, kind, level } of variants) {
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
    for (const { key, steps } of variants) {
      const phases = steps.map(({ phase }) => order.indexOf(phase));
      expect([...phases].sort((a, b) => a - b), key).to.deep.equal(phases);
      expect(steps.at(-1)!.phase, key).to.equal('test');
    }
  });
  it('asks every machine to be isolated first, but what is looked at while it runs and what stays on', () => {
    // The refrigerator stays on; the checks and the empty hot runs need the machine running and open nothing of it.
    const running = ['refrigerator.doorSeals', 'refrigerator.waterFilter', 'airHandler.floatSwitch', 'airHandler.coolingCheck', 'dishwasher.interiorWash', 'washer.tub'];
    for (const { key, steps } of variants) expect(steps[0]!.phase === 'isolate', key).to.equal(!running.includes(key));
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
    for (const { level, steps } of variants) {
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

describe('Methods', () => {
  it('have the schools’ options with the reasons of each side, ours first', () => {
    expect(methods.size).to.equal(7);
    for (const { key, options } of methods.values()) {
      expect(options.length, key).to.be.above(1);
      for (const option of options) for (const part of ['', '.for', '.against']) expect(say(`method.${key}.${option.key}${part}`)).not.to.equal('');
      expect(optionOf(key, {}).key).to.equal(options[0]!.key);
      expect(optionOf(key, { [key]: 'unheard of' }).key).to.equal(options[0]!.key);
    }
  });
  it('mark what is not handed to tenants, and make it staff’s: baking, steam and the dishwasher for a hood filter (common practice)', () => {
    const levels = methods.get('hoodClean')!.options.map(({ key }) => [key, procedureOf('hood.greaseFilter', { hoodClean: key }).level]);
    expect(Object.fromEntries(levels)).to.deep.equal({ soak: 'T', hose: 'T', steam: 'S', dishwasher: 'S', bake: 'S' });
  });
  it('make a thin filter monthly (common practice), and keep soda and vinegar in separate runs, in that order', () => {
    expect(procedureOf('airHandler.returnFilter', { filterMedia: 'thin' }).days.steady).to.equal(30);
    const { steps } = procedureOf('washer.tub');
    const at = (name: string) => steps.findIndex(({ text }) => text === `washer.tub.${name}`);
    expect(at('vinegar')).to.equal(at('soda') + 1);
    for (const name of ['soda', 'vinegar']) expect(steps[at(name)]!.needs.some(({ kind }) => kind === 'timer')).to.equal(true);
  });
  it('never put two agents that must not meet into one procedure', () => {
    for (const { key, steps } of variants) {
      const agents = steps.flatMap(({ needs }) => needs.flatMap((need) => (need.kind === 'agent' && need.choices.length === 1 ? need.choices : [])));
      for (const one of agents) for (const other of agents) expect(mustNotMeet(one, other), key).to.equal(undefined);
    }
  });
  it('give way to another option where the register forbids an agent', () => {
    expect(withoutAgents({}, ['bleach'])).to.deep.equal({ condensateAgent: 'vinegar' });
    expect(withoutAgents({ condensateAgent: 'vinegar' }, ['vinegar'])).to.include({ condensateAgent: 'bleach', tubClean: 'tablets' });
    expect(withoutAgents({ lintWash: 'softener' }, [])).to.deep.equal({ lintWash: 'softener' });
  });
});

describe('Habits and signals', () => {
  it('belong to a machine of the catalogue, in words; monthly at Steady but rinse aid (common practice and our assumption)', () => {
    for (const { key, machineType, attestDays } of HABITS) {
      expect(machineTypes.has(machineType)).to.equal(true);
      for (const part of ['', '.how', '.why']) say(`habit.${key}${part}`);
      expect(attestDays.steady).to.equal(key === 'dishwasher.rinseAid' ? 60 : 30);
    }
    expect(() => habitOf('toaster.crumbs')).to.throw(RangeError);
  });
  it('make a point of their own machine due, of every kind', () => {
    for (const { key, machineType, point, symptom } of SIGNALS) {
      say(`signal.${key}`);
      if (symptom) expect(symptomOf(symptom).machineType).to.equal(machineType);
      expect(machineTypes.get(machineType)!.points, key).to.include(point);
    }
    for (const kind of SIGNAL_KINDS) expect(SIGNALS.some((it) => it.kind === kind)).to.equal(true);
    expect(() => signalTypeOf('toaster.code')).to.throw(RangeError);
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
