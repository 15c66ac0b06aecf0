import { expect } from 'chai';
import fc from 'fast-check';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import {
  carriedOver,
  changesBetween,
  checkEdition,
  editionOf,
  mustStay,
  ownStepKey,
  withEdition,
  type Edition,
} from '../../core/catalogue/edition.ts';
import { certainAgents, meetingOf } from '../../core/catalogue/chemistry.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';

const say = translator('en-GB', coreText);
const cautioned = (step: string) => say.has(`${step}.caution`);
const FILTER = 'dishwasher.filter';
const ours = procedureOf(FILTER);
const begin = editionOf(ours);
const problems = (change: Partial<Edition>) =>
  checkEdition(ours, { ...begin, ...change }, cautioned).map(({ key }) => key);
const own = { ours: null, phase: 'clean', title: 'Rinse twice', body: 'Cold, then hot.', caution: '' } as const;
const at = (name: string) => begin.steps.findIndex((step) => step.ours === `${FILTER}.${name}`);
const withOwn = [...begin.steps.slice(0, at('brush') + 1), own, ...begin.steps.slice(at('brush') + 1)];

describe('An edition', () => {
  it('that changes nothing makes every procedure as ours is', () => {
    for (const procedure of procedures.values()) {
      expect(checkEdition(procedure, editionOf(procedure), cautioned), procedure.key).to.deep.equal([]);
      expect(withEdition(procedure, editionOf(procedure))).to.deep.equal(procedure);
    }
    expect(withEdition(ours, null)).to.equal(ours);
  });
  it('may reword, add steps, take more minutes, raise who may, and choose another agent', () => {
    const edition: Edition = { ...begin, minutes: 30, level: 'staff', steps: withOwn };
    expect(checkEdition(ours, edition, cautioned)).to.deep.equal([]);
    const made = withEdition(ours, edition);
    expect(made).to.include({ minutes: 30, level: 'staff' });
    expect(made.steps[at('brush') + 1]).to.deep.equal({
      text: ownStepKey(FILTER, at('brush') + 1),
      phase: 'clean',
      needs: [],
      wants: { power: 'off' },
      makes: {},
    });
    const seal = procedureOf('dishwasher.doorSeal');
    const needs = withEdition(seal, { ...editionOf(seal), agents: ['dishSoap'] }).steps.flatMap((step) => step.needs);
    expect(needs.find(({ kind }) => kind === 'agent')).to.deep.equal({
      kind: 'agent',
      key: 'agent',
      choices: ['dishSoap'],
    });
  });
  it('keeps what keeps people safe or proves the work, once, in an order that can be right', () => {
    expect(problems({ steps: begin.steps.filter((step) => step.ours !== `${FILTER}.unlock`) })).to.deep.equal([
      'stepMissing',
    ]);
    expect(problems({ steps: begin.steps.filter((step) => step.ours !== `${FILTER}.brush`) })).to.deep.equal([]);
    expect(problems({ steps: [...begin.steps].reverse() })).to.include('order');
    expect(problems({ steps: [...begin.steps, begin.steps.at(-1)!] })).to.deep.equal(['stepTwice']);
    expect(problems({ steps: withOwn.map((step) => (step === own ? { ...own, title: ' ' } : step)) })).to.deep.equal([
      'untitled',
    ]);
    expect(problems({ steps: [...begin.steps, { ...own, ours: 'toaster.off', phase: 'test' }] })).to.deep.equal([
      'stepUnknown',
    ]);
    for (const key of ['stepMissing', 'stepTwice', 'phase']) say(`edition.${key}`, { title: '' });
    for (const key of ['stepUnknown', 'order', 'untitled', 'levelLowered']) say(`edition.${key}`);
  });
  it('never lowers who may do it, and never lets two agents meet', () => {
    const drain = procedureOf('airHandler.condensateDrain');
    expect(
      checkEdition(drain, { ...editionOf(drain), level: 'tenant' }, cautioned).map(({ key }) => key),
    ).to.deep.equal(['levelLowered']);
    const [meeting] = checkEdition(drain, { ...editionOf(drain), agents: ['vinegar', 'bleach'] }, cautioned);
    expect(meeting).to.deep.equal({
      key: 'agentsMeet',
      agents: { one: 'vinegar', other: 'bleach', reason: 'hazard.chlorine' },
    });
  });
  it('that passes never lacks a step of ours that stays, whatever is dropped or shuffled', () => {
    fc.assert(
      fc.property(fc.constantFrom(...procedures.values()), fc.infiniteStream(fc.boolean()), (procedure, keep) => {
        const steps = editionOf(procedure).steps.filter(() => keep.next().value as boolean);
        const edition = { ...editionOf(procedure), steps };
        const missing = procedure.steps.some(
          (step) => mustStay(step, cautioned(step.text)) && !steps.some((it) => it.ours === step.text),
        );
        expect(checkEdition(procedure, edition, cautioned).some(({ key }) => key === 'stepMissing')).to.equal(missing);
        const needs = (of: typeof procedure) => of.steps.flatMap((step) => step.needs).length;
        if (!missing) expect(needs(withEdition(procedure, edition))).to.equal(needs(procedure));
      }),
    );
  });
  it('that was saved beside an older version of ours is carried over: what the plan switches is left out, what ours gained stands at its place', () => {
    const old: Edition = {
      ...begin,
      steps: [
        { ours: 'dishwasher.off', phase: 'isolate', title: 'Off at the blue switch', body: '', caution: '' },
        ...withOwn.filter(({ ours: it }) => it !== `${FILTER}.lock`),
        { ours: 'dishwasher.on', phase: 'restore', title: '', body: '', caution: '' },
      ],
    };
    const carried = carriedOver(ours, old);
    expect(carried.steps.map((step) => step.ours ?? step.title)).to.deep.equal(
      withOwn.map((step) => step.ours ?? step.title),
    );
    expect(checkEdition(ours, carried, cautioned)).to.deep.equal([]);
    // The closing test of a drain came after its cap; it comes before it now, and one's own step stays behind its own.
    const drain = procedureOf('airHandler.condensateDrain');
    const before = editionOf(drain);
    const turned = {
      ...before,
      steps: [
        ...before.steps.slice(0, -2),
        before.steps.at(-1)!,
        before.steps.at(-2)!,
        { ...own, phase: 'test' as const },
      ],
    };
    expect(
      carriedOver(drain, turned)
        .steps.slice(-3)
        .map((step) => step.ours ?? step.title),
    ).to.deep.equal(['airHandler.condensateDrain.runs', 'Rinse twice', 'airHandler.condensateDrain.cap']);
    for (const procedure of procedures.values())
      expect(carriedOver(procedure, editionOf(procedure))).to.deep.equal(editionOf(procedure));
  });
  it('says what changed', () => {
    const changes = changesBetween(begin, {
      ...begin,
      minutes: 25,
      kit: ['long gloves'],
      steps: withOwn
        .filter((step) => step.ours !== `${FILTER}.soak`)
        .map((step) => (step.ours === `${FILTER}.grade` ? { ...step, title: 'Judge it' } : step)),
    });
    expect(changes.map(({ key }) => key)).to.deep.equal(['minutes', 'kit', 'reworded', 'added', 'leftOut']);
    for (const { key, values, step } of changes)
      expect(say.text(`changed.${key}`, { ...values, ...(step && { title: step }) })).not.to.equal('');
    expect(changesBetween(begin, begin)).to.deep.equal([]);
    const swapped = [...begin.steps];
    [swapped[2], swapped[3]] = [swapped[3]!, swapped[2]!];
    expect(changesBetween(begin, { ...begin, steps: swapped }).map(({ key }) => key)).to.deep.equal(['moved']);
  });
});

describe('Agents that a procedure surely uses', () => {
  it('are the one whose turn it is, else those that leave no choice', () => {
    expect(certainAgents(procedureOf('airHandler.condensateDrain'), null)).to.deep.equal(['bleach']);
    expect(certainAgents(procedureOf('dishwasher.interiorWash'), 'vinegar')).to.deep.equal(['vinegar']);
    expect(certainAgents(procedureOf('dishwasher.interiorWash'), null)).to.deep.equal([]);
    expect(certainAgents(procedureOf('washer.tub'), null)).to.deep.equal(['vinegar']);
    expect(certainAgents(procedureOf('airHandler.returnFilter'), null)).to.deep.equal([]);
  });
  it('meet by pairs, in either order; bleach with anything bought is unknown (common practice)', () => {
    expect(meetingOf(['dishSoap', 'bleach'], ['dishSoap', 'vinegar'])).to.deep.equal({
      one: 'bleach',
      other: 'vinegar',
      reason: 'hazard.chlorine',
    });
    expect(meetingOf(['cleaner'], ['bleach'])!.reason).to.equal('hazard.unknown');
    expect(meetingOf(['vinegar'], ['bakingSoda', 'dishSoap'])).to.equal(undefined);
  });
});
