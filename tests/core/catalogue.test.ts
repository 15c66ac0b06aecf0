import { expect } from 'chai';
import fc from 'fast-check';
import { machineTypes, procedureOf, procedures, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { pointLike } from '../../core/catalogue/machines.ts';
import { SCHOOLS, type School } from '../../core/catalogue/practice.ts';
import { HABITS, habitOf, habitsOf } from '../../core/catalogue/habits.ts';
import { methods, optionOf, withoutAgents } from '../../core/catalogue/methods.ts';
import type { Choices, Procedure } from '../../core/catalogue/types.ts';
import { SIGNALS, SIGNAL_KINDS, signalsOf, signalTypeOf } from '../../core/due/signals.ts';
import { mustNotMeet } from '../../core/catalogue/chemistry.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import { ILLUSTRATIONS } from '../../core/catalogue/illustrations.ts';
import { drawingOf } from '../../core/catalogue/parts.ts';
import { referencePicture, scenePicture } from '../../core/catalogue/picture.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { pointsOfSymptom, SYMPTOMS, symptomOf, symptomsOf } from '../../core/faults/symptoms.ts';
import { REPAIR_HOURS } from '../../core/faults/clock.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';

const say = translator('en-GB', coreText);
const SAMPLE_AMOUNTS = { bleach: '', water: '', vinegar: '', dose: '', total: '', drains: 3, agents: '' };

/**
 * The upkeep handbook's tables, row by row: watchful, steady, light, minutes, who may. Common practice, no source.
 * A star marks an interval that no practitioner stated, which is the product's own assumption; S a school that waits
 * for a signal.
 */
const HANDBOOK = `
airHandler.returnFilter 30 90 90 5 tenant
airHandler.mediaFilter 180* 270* 365* 10 staff
airHandler.registers 90* 180* 365* 10 tenant
airHandler.condensateDrain 60 90 180 15 staff
airHandler.condensateTrap 90* 180* 365* 25 staff
airHandler.floatSwitch 90* 180* 365* 5 staff
airHandler.coolingCheck 365 365 365 10 staff
thermostat.battery 365* 365* 365* 5 tenant
outdoorUnit.coil 180* 365* 365* 30 staff
airCleaner.preFilter 14* 30* 60* 10 tenant
airCleaner.ioniser 90* 90* 180* 20 tenant
airCleaner.needles 90 90 90 20 staff
airCleaner.catalyst 30 30 30 10 tenant
airCleaner.pleatedFilter S S S 10 tenant
airCleaner.sensorInlet 90* 90* 180* 5 tenant
hood.greaseFilter 30 90 180 15 tenant
hood.housing 180* 180* 365* 20 staff
hood.charcoalFilter 90* 120* 180* 10 tenant
bathFan.grille 90* 180* 365* 10 tenant
bathFan.motor 180* 365* 365* 15 staff
dryer.lintScreen 30* 90* 180* 15 tenant
dryer.slot 180* 180* 365* 15 tenant
dryer.transitionHose 180 365 365 30 staff
dryer.duct 180 365 365 60 staff
dryer.outdoorHood 90* 180* 365* 20 staff
dryer.drumSeal 90* 180* 365* 5 tenant
dryer.cabinet 180* 365* 365* 10 staff
condenserDryer.fluffFilter 30* 90* 180* 15 tenant
condenserDryer.condenser 90 180 365 30 tenant
condenserDryer.bay 90 180 365 10 tenant
condenserDryer.drumSeal 90* 180* 365* 5 tenant
washer.doorBoot 30 30 90 15 tenant
washer.drawer 30 60 90 20 tenant
washer.drainPumpFilter 30 90 180 25 tenant
washer.tub 30 60 365 10 tenant
washer.lintTrap 90* 180 180 10 tenant
washerDryer.doorBoot 30 30 60* 15 tenant
washerDryer.drainPumpFilter 90 90 180 25 tenant
washerDryer.condenser 90* 180* 365* 30 staff
dishwasher.filter 30 60 60 20 tenant
dishwasher.sump 180* 365* S 20 staff
dishwasher.sprayArms 30 60 365* 20 tenant
dishwasher.doorSeal 30 60 60 10 tenant
dishwasher.interiorWash 30 60 60 5 tenant
dishwasher.racks 180* 365* 365* 10 tenant
dishwasher.drainPump 365* 365* S 25 staff
refrigerator.coil 180 180 365 30 staff
refrigerator.rearFan 180 180 365 20 staff
refrigerator.doorSeals 180* 180* 365* 15 tenant
refrigerator.waterFilter 60 180 365 20 tenant
refrigerator.iceMaker 180* 365* S 30 tenant
refrigerator.defrostDrain 365* 365* S 20 staff
refrigerator.temperatures 90* 180* 365* 5 tenant
freezer.temperature 90* 180* 365* 5 tenant
disposer.clean 30 30 60* 5 tenant
drains.dose 30 30 60* 10 tenant`
  .trim()
  .split('\n')
  .map((row) => row.split(' '));

/** Machines of the handbook, and the habits of each. */
const MACHINES = {
  airHandler: [],
  mediaAirHandler: [],
  returnGrille: [],
  outdoorUnit: [],
  thermostat: [],
  airCleaner: [],
  hood: [],
  recirculatingHood: [],
  bathFan: [],
  dryer: ['dryer.lintEachLoad', 'dryer.cleanOnly'],
  condenserDryer: ['condenserDryer.fluffEachLoad', 'condenserDryer.tank', 'condenserDryer.cleanOnly'],
  washer: ['washer.doorOpen', 'washer.pockets', 'washer.bootWipe', 'washer.dose'],
  topWasher: ['washer.doorOpen', 'washer.pockets', 'washer.dose'],
  washerDryer: ['washer.doorOpen', 'washer.pockets', 'washer.bootWipe', 'washer.dose'],
  dishwasher: ['dishwasher.rinseAid', 'dishwasher.dose', 'dishwasher.scrape'],
  refrigerator: [],
  freezer: [],
  disposer: ['disposer.beforeDishwasher'],
  drains: [],
};

/** A cell of the handbook as the catalogue holds it. */
const cellOf = ({ days, assumed, signalled }: Procedure, school: School) =>
  signalled?.includes(school) ? 'S' : `${days[school]}${assumed.includes(school) ? '*' : ''}`;

/** Every procedure in every way that the methods make it. */
const variants = [...procedures.values()].flatMap(({ key, follows }) =>
  follows
    .reduce<Choices[]>(
      (all, method) =>
        all.flatMap((choices) => methods.get(method)!.options.map((option) => ({ ...choices, [method]: option.key }))),
      [{}],
    )
    .map((choices) => procedureOf(key, choices)),
);

/** All but the contractor's visit, whose interval is its contract's, and which belongs to any machine. */
const ofMachines = [...procedures.values()].filter(({ kind }) => kind !== 'visit');

describe('The catalogue', () => {
  it('holds every service point of the handbook, and no interval, minute or level is off', () => {
    const held = ofMachines.map((it) =>
      [it.key, ...SCHOOLS.map((school) => cellOf(it, school)), String(it.minutes), it.level].join(' '),
    );
    expect(held.sort()).to.deep.equal(HANDBOOK.map((row) => row.join(' ')).sort());
  });
  it('holds every machine of the handbook with its habits, every service point on one of them, and each machine has some', () => {
    expect(
      Object.fromEntries([...machineTypes.keys()].map((key) => [key, habitsOf(key).map((it) => it.key)])),
    ).to.deep.equal(MACHINES);
    expect([...new Set([...machineTypes.values()].flatMap(({ points }) => points))].sort()).to.deep.equal(
      ofMachines.map(({ key }) => key).sort(),
    );
    for (const { key, points } of machineTypes.values()) {
      expect(points.length, key).to.be.above(0);
      expect(new Set(points).size, key).to.equal(points.length);
    }
  });
  it('keeps the waits of common practice apart from hands-on minutes', () => {
    const waits = {
      'washer.drainPumpFilter': 30,
      'airHandler.coolingCheck': 15,
      'hood.housing': 15,
      'airCleaner.ioniser': 60,
      'airCleaner.needles': 60,
      'dishwasher.interiorWash': 120,
      'washer.tub': 150,
    };
    for (const [key, minutes] of Object.entries(waits)) expect(waitMinutes(procedureOf(key)), key).to.equal(minutes);
  });
  it('lets a part that waits for a signal stand two years at the longest (our assumption)', () => {
    for (const { days, signalled } of procedures.values())
      for (const school of signalled ?? []) expect(days[school]).to.equal(730);
  });
  it('has words for everything that a person meets', () => {
    for (const { key, steps, stops, kit, materials, kind, level } of variants) {
      for (const text of [
        `point.${key}`,
        `task.${key}`,
        `why.${key}`,
        `mistakes.${key}`,
        `kind.${kind}`,
        `level.${level}`,
      ])
        expect(say.text(text), text).not.to.equal('');
      for (const stop of stops) say(`stop.${stop}`);
      for (const item of kit) say(`kit.${item}`);
      for (const { what } of materials) say(`material.${what}`);
      for (const step of steps) {
        say(`${step.text}.title`);
        say(`${step.text}.body`, SAMPLE_AMOUNTS);
        for (const need of step.needs) {
          if (need.kind === 'confirm' || need.kind === 'photo') say(`${need.kind}.${key}.${need.key}`);
          if (need.kind === 'reading') {
            say(`reading.${need.key}`);
            say(`reading.${need.key}.fails`);
            say(`unit.${need.unit}`);
          }
          if (need.kind === 'agent') for (const agent of need.choices) say(`agent.${agent}`);
        }
      }
    }
  });
  it('grades before cleaning, and ends with what proves it, or with what closes behind it', () => {
    for (const { key, steps } of variants) {
      const phases = steps.map(({ phase }) => phase);
      // Where part and cavity are graded apart, both come first.
      expect(phases.lastIndexOf('look') < phases.indexOf('clean') || !phases.includes('clean'), key).to.equal(true);
      expect(phases.slice(-2), key).to.include('test');
    }
  });
  it('never lets bleach meet an acid or ammonia, in either order', () => {
    for (const acid of ['vinegar', 'citricAcid', 'ammonia'] as const) {
      expect(mustNotMeet('bleach', acid)).to.match(/^hazard\./);
      expect(say.text(mustNotMeet(acid, 'bleach')!)).to.contain('gas');
    }
    expect(mustNotMeet('dishSoap', 'vinegar')).to.equal(undefined);
    expect(mustNotMeet('bleach', 'bleach')).to.equal(undefined);
  });
  it('never gives tenants what is for staff: no steps in gas, wiring or the sump', () => {
    for (const { level, steps } of variants) {
      if (level !== 'tenant') continue;
      for (const { text } of steps)
        expect(say(`${text}.body`, SAMPLE_AMOUNTS)).not.to.match(/breaker|wire nut|refrigerant|gas connector/i);
    }
  });
  it('draws each condition of each part, dirtier and dirtier', () => {
    for (const key of procedures.keys()) {
      const marks = GRADES.map((grade) => referencePicture(key, grade).length);
      expect(
        [...marks].sort((a, b) => a - b),
        key,
      ).to.deep.equal(marks);
    }
    expect(scenePicture('dishwasher.filter', 1, 1)).not.to.equal(scenePicture('dishwasher.filter', 1, 2));
    expect(() => referencePicture('toaster.crumbs', 'due')).to.throw(RangeError);
  });
  it('keeps dirt on the part, whatever the chance: inside the frame of its drawing', () => {
    const unit = fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...procedures.keys()), unit, unit, (key, u, v) => {
        const [x, y] = drawingOf(key).settle(u, v);
        expect(x, key).to.be.within(0, 200);
        expect(y, key).to.be.within(0, 150);
      }),
      { numRuns: 2000 },
    );
  });
  it('illustrates what words do badly, each drawing on steps that exist, with its words, all in one style', () => {
    const steps = new Set(variants.flatMap((it) => it.steps.map(({ text }) => text)));
    const used = new Set([...steps].map(illustrationOf).filter(Boolean));
    expect([...used].sort()).to.deep.equal(Object.keys(ILLUSTRATIONS).sort());
    const colours = new Set(Object.values(ILLUSTRATIONS).flatMap((svg) => svg.match(/#[0-9a-f]{6}/g) ?? []));
    expect(colours.size, [...colours].join()).to.be.at.most(9);
    for (const key of Object.keys(ILLUSTRATIONS)) say(`illustration.${key}`);
  });
  it('refuses keys it does not know', () => {
    expect(() => procedureOf('toaster.crumbs')).to.throw(RangeError);
    expect(() => symptomOf('toaster.smoke')).to.throw(RangeError);
  });
});

describe('Methods', () => {
  it('have the schools’ options with the reasons of each side, ours first', () => {
    expect(methods.size).to.equal(8);
    for (const { key, options } of methods.values()) {
      expect(options.length, key).to.be.above(1);
      for (const option of options)
        for (const part of ['', '.for', '.against']) expect(say(`method.${key}.${option.key}${part}`)).not.to.equal('');
      expect(optionOf(key, {}).key).to.equal(options[0]!.key);
      expect(optionOf(key, { [key]: 'unheard of' }).key).to.equal(options[0]!.key);
    }
  });
  it('mark what is not handed to tenants, and make it staff’s: baking, steam and the dishwasher for a hood filter (common practice)', () => {
    const levels = methods
      .get('hoodClean')!
      .options.map(({ key }) => [key, procedureOf('hood.greaseFilter', { hoodClean: key }).level]);
    expect(Object.fromEntries(levels)).to.deep.equal({
      soak: 'tenant',
      soakShort: 'tenant',
      hose: 'tenant',
      steam: 'staff',
      dishwasher: 'staff',
      bake: 'staff',
    });
  });
  it('make a thin filter monthly (common practice), and keep soda and vinegar in separate runs, in that order', () => {
    expect(procedureOf('airHandler.returnFilter', { filterMedia: 'thin' })).to.deep.include({
      days: { watchful: 30, steady: 30, light: 60 },
      assumed: ['light'],
    });
    expect(say('why.refrigerator.coil')).to.contain('up to 30 %');
    const { steps } = procedureOf('washer.tub');
    const at = (name: string) => steps.findIndex(({ text }) => text === `washer.tub.${name}`);
    expect(at('vinegar')).to.equal(at('soda') + 1);
    for (const name of ['soda', 'vinegar'])
      expect(steps[at(name)]!.needs.some(({ kind }) => kind === 'timer')).to.equal(true);
  });
  it('never put two agents that must not meet into one procedure', () => {
    for (const { key, steps } of variants) {
      const agents = steps.flatMap(({ needs }) =>
        needs.flatMap((need) => (need.kind === 'agent' && need.choices.length === 1 ? need.choices : [])),
      );
      for (const one of agents) for (const other of agents) expect(mustNotMeet(one, other), key).to.equal(undefined);
    }
  });
  it('give way to another option where the register forbids an agent', () => {
    expect(withoutAgents({}, ['bleach'])).to.deep.equal({ condensateAgent: 'vinegar' });
    expect(withoutAgents({ condensateAgent: 'vinegar' }, ['vinegar'])).to.include({
      condensateAgent: 'bleach',
      tubClean: 'tablets',
    });
    expect(withoutAgents({ lintWash: 'softener' }, [])).to.deep.equal({ lintWash: 'softener' });
  });
});

describe('Habits and signals', () => {
  it('belong to a machine of the catalogue, in words; monthly at Steady but rinse aid (common practice and our assumption)', () => {
    for (const { key, machineType, attestDays } of HABITS) {
      expect(machineTypes.has(machineType)).to.equal(true);
      for (const part of ['', '.how', '.why']) say(`habit.${key}${part}`);
      const byTable = [
        'dryer.lintEachLoad',
        'washer.doorOpen',
        'washer.pockets',
        'washer.bootWipe',
        'condenserDryer.fluffEachLoad',
      ];
      expect(attestDays.steady, key).to.equal(byTable.includes(key) ? 30 : 60);
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
  it('and symptoms follow the family to the part that does the work there', () => {
    expect(signalsOf('mediaAirHandler').find(({ key }) => key === 'airHandler.lamp')!.point).to.equal(
      'airHandler.mediaFilter',
    );
    expect(pointsOfSymptom('washerDryer', 'washer.puddle')).to.deep.equal(['washerDryer.doorBoot']);
    // A top-load washer has no boot: its puddle makes nothing due by itself.
    expect(pointsOfSymptom('topWasher', 'washer.puddle')).to.deep.equal([]);
    expect(signalsOf('topWasher').map(({ point }) => point)).to.deep.equal([
      'washer.lintTrap',
      'washer.tub',
      'washer.tub',
    ]);
    expect(pointLike('freezer', 'refrigerator.waterFilter')).to.equal(undefined);
    for (const type of machineTypes.keys())
      for (const point of [
        ...symptomsOf(type).flatMap(({ points }) => points),
        ...signalsOf(type).map((it) => it.point),
      ])
        expect(machineTypes.get(type)!.points).to.include(point);
  });
});

describe('Symptoms', () => {
  it('point at service points of their own machine, in words', () => {
    for (const { key, machineType, points } of SYMPTOMS) {
      say(`symptom.${key}`);
      for (const point of points) expect(machineTypes.get(machineType)!.points, key).to.include(point);
    }
  });
  it('make due what the trade looks at first, first, and what it looks at with it (common practice)', () => {
    expect(pointsOfSymptom('refrigerator', 'refrigerator.warm')).to.deep.equal([
      'refrigerator.coil',
      'refrigerator.doorSeals',
    ]);
    expect(pointsOfSymptom('freezer', 'freezer.warm')).to.deep.equal(['refrigerator.coil', 'refrigerator.doorSeals']);
    expect(pointsOfSymptom('topWasher', 'washer.smell')).to.deep.equal(['washer.tub']);
    expect(pointsOfSymptom('washer', 'washer.smell')).to.deep.equal(['washer.doorBoot']);
    expect(pointsOfSymptom('airCleaner', 'airCleaner.crackle')).to.deep.equal([
      'airCleaner.ioniser',
      'airCleaner.needles',
    ]);
    expect(pointsOfSymptom('dishwasher', 'dishwasher.standing')).to.deep.equal([
      'dishwasher.filter',
      'dishwasher.sump',
    ]);
    expect(['dishwasher.filter', 'dishwasher.sump'].map((key) => procedureOf(key).level)).to.deep.equal([
      'tenant',
      'staff',
    ]);
    expect(pointsOfSymptom('toaster', 'toaster.smoke')).to.deep.equal([]);
  });
  it('or signals are there for every part that waits for one', () => {
    for (const type of machineTypes.values()) {
      const raised = [
        ...symptomsOf(type.key).flatMap(({ points }) => points),
        ...signalsOf(type.key).map(({ point }) => point),
      ];
      for (const point of type.points)
        if (procedureOf(point).signalled) expect(raised, `${type.key} ${point}`).to.include(point);
    }
  });
  it('run the repair clocks of HUD NSPIRE (from memory)', () => {
    expect(REPAIR_HOURS).to.deep.equal({ lifeThreatening: 24, severe: 24, moderate: 720, low: 1440 });
  });
  it('stop a dryer that smells of burning', () => {
    expect(symptomOf('dryer.burning')).to.include({ stopUsing: true, severity: 'lifeThreatening' });
  });
});
