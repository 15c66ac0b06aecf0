/**
 * Chemistry by property: what never meets, what wants a rinse, what never touches what, and that nothing forbidden is
 * ever offered.
 */
import { expect } from 'chai';
import fc from 'fast-check';
import { procedures, procedureOf } from '../../core/catalogue/catalogue.ts';
import {
  agentsOf,
  apart,
  forbiddenAt,
  lacksAgent,
  meetings,
  mustNotMeet,
  possibleAgents,
  touches,
  withAllowed,
} from '../../core/catalogue/chemistry.ts';
import { editionOf, withEdition } from '../../core/catalogue/edition.ts';
import { agentsInUse, methods, withoutAgents } from '../../core/catalogue/methods.ts';
import { AGENTS, type Agent, type Choices } from '../../core/catalogue/types.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { agentWords } from '../../core/jobs/amounts.ts';

const say = translator('en', coreText);
const ACIDS: readonly Agent[] = ['vinegar', 'citricAcid'];
const BOUGHT: readonly Agent[] = ['enzyme', 'cleaner', 'tablet', 'degreaser', 'oxygenBleach', 'softener'];

describe('Chemistry', () => {
  it('keeps bleach from every acid, from ammonia and from anything bought, everywhere (common practice)', () => {
    for (const acid of ACIDS)
      expect(apart('bleach', acid)).to.deep.equal({ apart: 'never', reason: 'hazard.chlorine' });
    expect(mustNotMeet('ammonia', 'bleach')).to.equal('hazard.chloramine');
    for (const bought of BOUGHT) expect(mustNotMeet(bought, 'bleach'), bought).to.equal('hazard.unknown');
    for (const mild of ['dishSoap', 'water', 'bleach'] as const) expect(apart('bleach', mild)).to.equal(undefined);
  });
  it('wants a plain rinse between two bought agents, a bought one and a home remedy, and soda and vinegar, in one machine', () => {
    for (const one of BOUGHT)
      for (const other of [...BOUGHT, ...ACIDS, 'bakingSoda' as const])
        if (one !== other) expect(apart(one, other)!.apart, `${one} ${other}`).to.equal('rinse');
    expect(apart('bakingSoda', 'vinegar')).to.deep.equal({ apart: 'rinse', reason: 'hazard.foam' });
    for (const bought of BOUGHT) expect(apart(bought, 'dishSoap')).to.equal(undefined);
    expect(meetings(['cleaner', 'bleach'], ['vinegar', 'tablet'], true)).to.have.length(4);
    expect(meetings(['cleaner', 'bleach'], ['vinegar', 'tablet'])).to.have.length(2);
  });
  it('is the same in either order, and says why', () => {
    for (const one of AGENTS)
      for (const other of AGENTS) {
        expect(apart(one, other)).to.deep.equal(apart(other, one));
        const found = apart(one, other);
        if (found) expect(say.text(found.reason)).not.to.equal('');
      }
  });
  it('keeps bleach off stainless steel and bare metal, hot alkali off aluminium (from memory), and everything off a catalyst', () => {
    expect([
      touches('bleach', 'stainless'),
      touches('bleach', 'bareMetal'),
      touches('bleach', 'plastic'),
    ]).to.deep.equal([false, false, true]);
    for (const agent of ['degreaser', 'oxygenBleach', 'bakingSoda', 'tablet'] as const)
      expect(touches(agent, 'aluminium'), agent).to.equal(false);
    for (const agent of ['dishSoap', 'enzyme'] as const) expect(touches(agent, 'aluminium'), agent).to.equal(true);
    for (const agent of AGENTS) expect(touches(agent, 'catalyst')).to.equal(false);
  });
  it('counts an unknown lining as stainless and an unknown mesh as aluminium', () => {
    expect(forbiddenAt(procedureOf('washer.tub'), {})).to.deep.equal(['bleach']);
    expect(forbiddenAt(procedureOf('dishwasher.interiorWash'), { surface: 'plastic' })).to.deep.equal([]);
    expect(forbiddenAt(procedureOf('hood.greaseFilter'), {})).to.include.members([
      'degreaser',
      'oxygenBleach',
      'bleach',
    ]);
    expect(
      forbiddenAt(procedureOf('hood.greaseFilter'), { surface: 'steel', forbiddenAgents: ['enzyme'] }),
    ).to.deep.equal(['enzyme']);
    expect(forbiddenAt(procedureOf('airHandler.condensateDrain'), { surface: 'bareMetal' })).to.deep.equal(['bleach']);
  });
  it('never offers, words or carries a forbidden agent, whatever method or edition says; where all are there is warm water, or it cannot be done', () => {
    const choice = fc.record(
      Object.fromEntries(
        [...methods.values()].map(({ key, options }) => [key, fc.constantFrom(...options.map((it) => it.key))]),
      ),
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...procedures.keys()),
        choice,
        fc.subarray(AGENTS.filter((it) => it !== 'water')),
        fc.subarray([...AGENTS]),
        (key, choices, register, edition) => {
          const forbidden = forbiddenAt(procedures.get(key)!, { forbiddenAgents: register });
          const ours = procedureOf(key, withoutAgents(choices as Choices, forbidden));
          const done = withAllowed(withEdition(ours, { ...editionOf(ours), agents: edition }), forbidden);
          for (const agent of possibleAgents(done, null)) expect(forbidden).not.to.include(agent);
          const asked = withEdition(ours, { ...editionOf(ours), agents: edition })
            .steps.flatMap(({ needs }) => needs)
            .filter(({ kind }) => kind === 'agent');
          if (asked.length > 0)
            for (const { agent } of done.materials) if (agent) expect(forbidden).not.to.include(agent);
          for (const step of done.steps) {
            for (const need of step.needs)
              if (need.kind === 'agent' && need.choices.length === 0) expect(lacksAgent(done)).to.equal(true);
            const words = agentWords(say, step).replace(
              'oxygen bleach, as',
              forbidden.includes('oxygenBleach') ? 'oxygen bleach, as' : '',
            );
            for (const agent of forbidden)
              if (step.needs.some(({ kind }) => kind === 'agent')) expect(words).not.to.contain(say(`agent.${agent}`));
          }
        },
      ),
      { numRuns: 400 },
    );
    const bare = withAllowed(procedureOf('washer.doorBoot'), ['dishSoap', 'vinegar', 'citricAcid']);
    expect(bare.steps.flatMap(({ needs }) => needs).find(({ kind }) => kind === 'agent')).to.deep.include({
      choices: ['water'],
    });
    expect(lacksAgent(withAllowed(procedureOf('drains.dose'), ['enzyme']))).to.equal(true);
  });
  it('knows every agent of a service: what was chosen, and what its method uses besides', () => {
    expect(agentsOf(procedureOf('washer.tub'), 'vinegar')).to.deep.equal(['bakingSoda', 'vinegar']);
    expect(agentsOf(procedureOf('washer.doorBoot'), 'dishSoap')).to.deep.equal(['dishSoap']);
    expect(agentsOf(procedureOf('washer.doorBoot'), 'water')).to.deep.equal([]);
    expect(agentsInUse(procedureOf('dishwasher.interiorWash'))).to.include.members([
      'bakingSoda',
      'vinegar',
      'cleaner',
      'tablet',
      'bleach',
    ]);
  });
  it('has each school beside the others: a jug, the machine’s own cycle monthly, overnight, two lengths of soaking, softener for the fluff filter (common practice)', () => {
    expect(procedureOf('washer.tub', { tubClean: 'machineCycle' }).days.steady).to.equal(30);
    expect(methods.get('tubClean')!.options.map(({ key }) => key)).not.to.include('citricAcid');
    for (const point of ['washer.doorBoot', 'washer.drawer'])
      expect(possibleAgents(procedureOf(point), null)).to.include('citricAcid');
    const waits = (choices: Choices, point: string) =>
      procedureOf(point, choices)
        .steps.flatMap(({ needs }) => needs)
        .flatMap((need) => (need.kind === 'timer' ? need.minutes : []));
    expect([
      waits({ hoodClean: 'soak' }, 'hood.greaseFilter')[0],
      waits({ hoodClean: 'soakShort' }, 'hood.greaseFilter')[0],
    ]).to.deep.equal([20, 10]);
    expect(waits({ dishwasherWash: 'overnight' }, 'dishwasher.interiorWash')[0]).to.be.at.least(480);
    expect(waits({ sodaRun: 'short' }, 'dishwasher.interiorWash')[0]).to.equal(60);
    expect(possibleAgents(procedureOf('condenserDryer.fluffFilter', { lintWash: 'softener' }), null)).to.deep.equal([
      'softener',
    ]);
    expect(possibleAgents(procedureOf('airHandler.condensateDrain', { condensateAgent: 'jug' }), null)).to.deep.equal([
      'bleach',
    ]);
    // How often is the practice's; a turn says only which agent.
    expect(procedureOf('dishwasher.interiorWash').anchor).to.equal(undefined);
    expect(procedureOf('dishwasher.interiorWash').days).to.deep.equal({ watchful: 30, steady: 60, light: 60 });
  });
});
