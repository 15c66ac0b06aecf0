import { optionOf } from '../methods.ts';
import { agent, confirm, finds, grade, photo, size, stepsOf, timer } from '../steps.ts';
import type { Agent, Choices, Procedure } from '../types.ts';

const filterStep = stepsOf('airHandler.returnFilter');
const drainStep = stepsOf('airHandler.condensateDrain');
const floatStep = stepsOf('airHandler.floatSwitch');
const coolingStep = stepsOf('airHandler.coolingCheck');

export function returnFilter(choices: Choices): Procedure {
  const thin = optionOf('filterMedia', choices).key === 'thin';
  return {
    key: 'airHandler.returnFilter',
    version: 2,
    kind: 'filter',
    // The thin school changes monthly; its longest is our assumption.
    days: thin ? { watchful: 30, steady: 30, light: 60 } : { watchful: 30, steady: 90, light: 90 },
    assumed: false,
    drivers: ['people', 'pets', 'smoking', 'dust', 'newHome'],
    core: true,
    follows: ['filterMedia'],
    risk: 'health',
    safetyCritical: false,
    level: 'T',
    minutes: 5,
    kit: ['marker', 'vacuum', 'light'],
    materials: [{ what: thin ? 'thinFilter' : 'airFilter' }],
    stops: thin ? ['blower', 'licensedAir'] : ['blower', 'denseFilter', 'licensedAir'],
    steps: [
      filterStep('airHandler.off', 'isolate', confirm('off')),
      filterStep('out', 'open', photo('out')),
      filterStep('grade', 'look', grade()),
      filterStep('size', 'look', size),
      filterStep('vacuum', 'clean'),
      filterStep('arrow', 'refit', photo('in'), confirm('arrow')),
      filterStep('airHandler.on', 'restore', confirm('on')),
      filterStep('air', 'test', confirm('air')),
    ],
    specification: ['filterSize', 'position', 'airflow', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

export function condensateDrain(choices: Choices): Procedure {
  const chosen = optionOf('condensateAgent', choices).key as Agent;
  const whenWired = optionOf('condensatePower', choices).key === 'whenWired';
  return {
    key: 'airHandler.condensateDrain',
    version: 2,
    kind: 'drain',
    days: { watchful: 60, steady: 90, light: 180 },
    assumed: false,
    drivers: [],
    core: true,
    follows: ['condensateAgent', 'condensatePower'],
    anchor: { choice: { kind: 'betweenVisits' }, mode: 'sets' },
    risk: 'flood',
    safetyCritical: false,
    level: 'S',
    minutes: 15,
    kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
    materials: [{ what: 'warmWater', volumeMl: 2000 }, chosen === 'bleach' ? { what: 'bleach', volumeMl: 60 } : { what: 'vinegar', volumeMl: 250 }],
    stops: ['blower', whenWired ? 'wireDecides' : 'wiredFloat', 'oneAgent', 'licensedAir'],
    steps: [
      whenWired ? drainStep('wire', 'isolate', confirm('off')) : drainStep('airHandler.off', 'isolate', confirm('off')),
      drainStep('open', 'open', photo('open')),
      drainStep('grade', 'look', grade(), finds),
      drainStep('brush', 'clean'),
      drainStep(chosen === 'bleach' ? 'flush' : 'flushVinegar', 'clean', agent(chosen)),
      drainStep('cap', 'refit', photo('done')),
      drainStep('airHandler.on', 'restore', confirm('on')),
      drainStep('runs', 'test', {
        kind: 'reading', key: 'drainSeconds', unit: 'seconds', plausible: [1, 1800], pass: [1, 60],
      }, confirm('runs')),
    ],
    specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

export const floatSwitch: Procedure = {
  key: 'airHandler.floatSwitch',
  version: 1,
  kind: 'sensor',
  days: { watchful: 90, steady: 180, light: 365 },
  assumed: true,
  drivers: [],
  core: false,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'S',
  minutes: 5,
  kit: ['light'],
  materials: [],
  stops: ['blower', 'licensedAir'],
  steps: [
    floatStep('find', 'look', confirm('seen')),
    floatStep('lift', 'test', photo('lifted'), confirm('stops'), confirm('restarts')),
  ],
  specification: ['position', 'makerLimitDays', 'note'],
};

export const coolingCheck: Procedure = {
  key: 'airHandler.coolingCheck',
  version: 1,
  kind: 'sensor',
  days: { watchful: 365, steady: 365, light: 365 },
  assumed: false,
  drivers: [],
  core: true,
  follows: [],
  anchor: { choice: { kind: 'firstWarm' }, mode: 'sets' },
  risk: 'comfort',
  safetyCritical: false,
  level: 'S',
  minutes: 10,
  kit: ['thermometer'],
  materials: [],
  stops: ['licensedAir'],
  steps: [
    coolingStep('set', 'open', confirm('cooling')),
    coolingStep('wait', 'look', timer('run', 15)),
    coolingStep('feel', 'test', confirm('cool'), {
      kind: 'reading', key: 'supplyCelsius', unit: 'celsius', plausible: [0, 40], pass: [4, 18], optional: true,
    }),
    coolingStep('back', 'test', confirm('back')),
  ],
  specification: ['position', 'note'],
};
