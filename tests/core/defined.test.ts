import { expect } from 'chai';
import fc from 'fast-check';
import {
  machineTypeOf,
  machineTypes,
  machineTypesOf,
  procedureOf,
  procedures,
  registrable,
} from '../../core/catalogue/catalogue.ts';
import { buildMachine, definedNumber, forgetMachine, teachMachine } from '../../core/catalogue/defined.ts';
import {
  partKey,
  type MachineDefinition,
  type PartDefinition,
  type StepDefinition,
} from '../../core/catalogue/definition.ts';
import { checkEdition, editionOf } from '../../core/catalogue/edition.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { referencePicture } from '../../core/catalogue/picture.ts';
import { READY, readyIn } from '../../core/catalogue/ready/ready.ts';
import { part, step } from '../../core/catalogue/ready/short.ts';
import { systemFor, systemOf } from '../../core/catalogue/systems.ts';
import { PART_KINDS } from '../../core/catalogue/types.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import { checkDefinition, type DefinitionProblem } from '../../core/jobs/checkDefinition.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { sittingOf } from '../../core/jobs/sitting.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { taskOf, walk } from './sittings.ts';

const say = translator('en-GB', coreText);
const KEY = 'own0a1b2c3d';
const taught = (definition: MachineDefinition, owner = 'us') =>
  teachMachine({ key: KEY, owner, number: 2, version: 1, definition });

const FILTER = part(
  {
    key: 'filter',
    kind: 'filter',
    name: 'Filter',
    task: 'Change the filter',
    days: { watchful: 30, steady: 60, light: 90 },
    risk: 'health',
    level: 'tenant',
    minutes: 10,
  },
  [
    step('open', 'Out', '', { wants: 'off', part: 'out', photo: 'It is out' }),
    step('look', 'How full?', '', { wants: 'off', grade: true }),
    step('clean', 'Wash', '', { wants: 'off', agents: ['vinegar'] }),
    step('refit', 'In', '', { wants: 'off', part: 'in' }),
    step('test', 'Run it', '', { wants: 'runs', confirm: 'It runs' }),
  ],
);
const MACHINE: MachineDefinition = {
  name: 'Window box',
  fuels: ['electric'],
  isolation: 'plug',
  drains: false,
  source: 'a test',
  parts: [FILTER],
};
const problemsOf = (definition: MachineDefinition): DefinitionProblem[] =>
  [...checkDefinition(definition)].filter((it) => it !== null);
const wrong = (change: Partial<PartDefinition>, machine: Partial<MachineDefinition> = {}) =>
  problemsOf({ ...MACHINE, ...machine, parts: [{ ...FILTER, ...change }] }).map(({ key }) => key);
type Writable<T> = { -readonly [K in keyof T]: T[K] };
const steps = (change: (steps: Writable<StepDefinition>[]) => unknown) => {
  const copy = FILTER.steps.map((it) => ({ ...it }));
  change(copy);
  return { steps: copy };
};

describe('A machine that an office defines', () => {
  afterEach(() => forgetMachine(KEY));

  it('is asked for like one of ours: type, procedure, system, words, pictures, symptoms; and gone once forgotten', () => {
    taught(MACHINE);
    expect(machineTypeOf(KEY).points).to.deep.equal([`${KEY}.filter`]);
    expect(machineTypesOf('us').map(({ key }) => key)).to.deep.equal([...machineTypes.keys(), KEY]);
    expect(machineTypesOf('them').map(({ key }) => key)).to.deep.equal([...machineTypes.keys()]);
    expect([registrable(KEY, 'us')?.key, registrable(KEY, 'them')]).to.deep.equal([KEY, undefined]);
    const procedure = procedureOf(`${KEY}.filter`);
    expect(procedure).to.deep.include({ level: 'tenant', minutes: 10, days: FILTER.days, core: true });
    expect(definedNumber(procedure.key)).to.be.above(procedures.size);
    expect(say.text(`machine.${KEY}`)).to.equal('Window box');
    expect(say.text(`photo.${KEY}.filter.out`)).to.equal('It is out');
    expect(systemOf(KEY).key).to.equal(KEY);
    for (const grade of GRADES) expect(referencePicture(procedure.key, grade)).to.contain('<svg');
    expect(symptomsOf(KEY).find(({ key }) => key === 'own.weak')!.points).to.deep.equal([procedure.key]);
    for (const { key } of symptomsOf(KEY)) expect(say.text(`symptom.${key}`)).not.to.equal('');
    forgetMachine(KEY);
    expect(() => machineTypeOf(KEY)).to.throw(RangeError);
    expect(() => procedureOf(`${KEY}.filter`)).to.throw(RangeError);
    expect(() => say.text(`machine.${KEY}`)).to.throw(RangeError);
  });
  it('says what people wrote as it stands: braces and quotes are no message', () => {
    taught({ ...MACHINE, name: "It's {so} '{so}'" });
    expect(say.text(`machine.${KEY}`)).to.equal("It's {so} '{so}'");
  });
  it('has editions like ours, held to the same checks', () => {
    taught(MACHINE);
    const ours = procedureOf(`${KEY}.filter`);
    const edition = editionOf(ours);
    expect(checkEdition(ours, edition, () => false)).to.deep.equal([]);
    expect(checkEdition(ours, { ...edition, steps: edition.steps.slice(1) }, () => false)[0]!.key).to.equal(
      'stepMissing',
    );
  });
  it('is refused for what ours would be: interval, proof, order, level, agents', () => {
    expect(wrong({})).to.deep.equal([]);
    expect(wrong({ days: { watchful: 90, steady: 60, light: 30 } })).to.deep.equal(['interval']);
    expect(wrong(steps((all) => (all[1]!.grade = false)))).to.deep.equal(['noGrade']);
    expect(wrong(steps((all) => ((all[1]!.grade = false), (all[3]!.grade = true))))).to.deep.equal(['gradeLate']);
    expect(wrong(steps((all) => (all[0]!.photo = '')))).to.deep.equal(['noPhotoOut']);
    expect(wrong(steps((all) => all.pop()))).to.deep.equal(['noTest']);
    expect(wrong(steps((all) => (all[3]!.part = null)))).to.deep.equal(['runsOpen', 'partLeftOut']);
    expect(wrong(steps((all) => (all[3]!.part = 'out')))).to.include('partTwice');
    expect(wrong(steps((all) => (all[0]!.wants = 'either')))).to.deep.equal(['openLive']);
    expect(wrong(steps((all) => (all[2]!.key = 's1')))).to.deep.equal(['stepTwice']);
    expect(wrong({}, { isolation: 'circuit' })).to.deep.equal(['tenantCircuit']);
    expect(wrong(steps((all) => (all[2]!.body = 'Tighten the gas connector.')))).to.deep.equal(['tenantTrade']);
    for (const body of ['Den Gashahn schließen.', 'Die Hauptsicherung herausdrehen.', 'Das Kabel prüfen.'])
      expect(wrong(steps((all) => (all[2]!.body = body))), body).to.deep.equal(['tenantTrade']);
    expect(wrong(steps((all) => (all[2]!.body = 'Mit einem Kabelbinder, ohne Gasgeruch.')))).to.deep.equal([]);
    expect(wrong({ safetyCritical: true })).to.deep.equal(['noCaution']);
    expect(wrong({ safetyCritical: true, cautions: ['Mind it.'] })).to.deep.equal([]);
    expect(wrong(steps((all) => (all[2]!.agents = ['bleach', 'vinegar'])))).to.deep.equal(['agentsMeet']);
  });
  it('is refused where two of its parts bring agents that must not meet, or are called the same', () => {
    const second = {
      ...FILTER,
      key: 'filter2',
      name: 'Second filter',
      ...steps((all) => (all[2]!.agents = ['bleach'])),
    };
    expect(problemsOf({ ...MACHINE, parts: [FILTER, second] }).map(({ key }) => key)).to.deep.equal(['agentsMeet']);
    expect(
      problemsOf({ ...MACHINE, parts: [FILTER, { ...FILTER, key: 'filter2' }] }).map(({ key }) => key),
    ).to.deep.equal(['sameWords']);
  });
  it('comes ready for what the catalogue lacks, right by every check, with nothing for tenants behind a circuit', () => {
    expect(Object.keys(READY)).to.deep.equal(['ductless', 'heatRecovery', 'smokeAlarm', 'carbonMonoxideAlarm']);
    for (const [key, definition] of Object.entries(READY)) {
      expect(problemsOf(definition), key).to.deep.equal([]);
      expect(definition.source, key).to.contain('From memory');
    }
    for (const alarm of [READY.smokeAlarm!, READY.carbonMonoxideAlarm!])
      for (const { cautions } of alarm.parts) expect(cautions.join(' ')).to.contain('Local code');
    // In German the same machines, every text of them said anew.
    const german = readyIn('de');
    for (const [key, definition] of Object.entries(german)) {
      expect(problemsOf(definition), key).to.deep.equal([]);
      expect(JSON.stringify(definition), key).not.to.match(/\b(the|and|with|its|from)\b/);
      const shape = ({ parts }: typeof definition) =>
        parts.map(({ days, risk, level, steps }) => [days, risk, level, steps.map(({ wants, wait }) => [wants, wait])]);
      expect(shape(definition)).to.deep.equal(shape(READY[key]!));
    }
    expect(german.smokeAlarm!.parts[0]!.cautions[0]).to.contain('örtlichen Vorschriften');
  });
  it('whatever passes the checks is a sitting that can be walked, part by part and together', () => {
    const stepArb = fc.record({
      phase: fc.constantFrom('open', 'look', 'clean', 'refit', 'test' as const),
      wants: fc.constantFrom('off', 'still', 'runs', 'either' as const),
      part: fc.constantFrom('out', 'in', null, null),
      photo: fc.constantFrom('', 'Seen'),
      confirm: fc.constantFrom('', 'So it is'),
      grade: fc.boolean(),
      wait: fc.constantFrom(0, 15),
    });
    const order = ['open', 'look', 'clean', 'refit', 'test'];
    const partArb = fc.record({
      kind: fc.constantFrom(...PART_KINDS),
      level: fc.constantFrom('tenant', 'staff' as const),
      steps: fc.array(stepArb, { minLength: 1, maxLength: 7 }),
      sound: fc.boolean(),
    });
    let passed = 0;
    fc.assert(
      fc.property(
        fc.constantFrom('plug', 'circuit', 'none' as const),
        fc.array(partArb, { minLength: 1, maxLength: 3 }),
        (isolation, parts) => {
          const keys: string[] = [];
          const definition: MachineDefinition = {
            ...MACHINE,
            isolation,
            parts: parts.map(({ kind, level, steps: own, sound }, i) => {
              const key = partKey(kind, keys);
              keys.push(key);
              const sorted = [...own].sort((a, b) => order.indexOf(a.phase) - order.indexOf(b.phase));
              const asked = sorted.map((it, n) => ({ ...step(it.phase, `Step ${n}`, ''), ...it, key: `s${n + 1}` }));
              const base = { ...FILTER, key, kind, level, name: `Part ${i}` };
              return sound ? base : { ...base, steps: asked };
            }),
          };
          if (problemsOf(definition).length > 0) return;
          passed += 1;
          const { procedures: made } = buildMachine({ key: KEY, owner: '', number: 1, version: 1, definition });
          for (const set of [...made.map((it) => [it]), made]) {
            const sitting = sittingOf(
              systemFor(isolation),
              set.map((it) => taskOf(it)),
            );
            const { steps: planned } = planSitting(sitting);
            expect(walk(planned, sitting.usual)).to.deep.equal([]);
            const asked = set.flatMap((it) => it.steps.map(({ text }) => text));
            for (const text of asked)
              expect(planned.some(({ act }) => act?.of.some((it) => it.text === text))).to.equal(true);
          }
        },
      ),
      { numRuns: 3000 },
    );
    expect(passed).to.be.above(100);
  });
});
