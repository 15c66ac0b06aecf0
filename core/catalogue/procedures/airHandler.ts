import { US_CUP_ML } from '../../quantities/volume.ts';
import { ALL, days, procedure } from '../define.ts';
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
    assumed: [],
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
    specification: ['filterSize', 'airflowCfm', 'position', 'airflow', 'makerLimitDays', 'localLimitDays', 'note'],
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
    assumed: [],
    drivers: [],
    core: true,
    follows: ['condensateAgent', 'condensatePower'],
    anchor: { choice: { kind: 'betweenVisits' }, mode: 'sets' },
    risk: 'flood',
    safetyCritical: false,
    level: 'S',
    minutes: 15,
    kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
    materials: [{ what: 'warmWater', volumeMl: 2000 }, chosen === 'bleach' ? { what: 'bleach', volumeMl: US_CUP_ML / 4 } : { what: 'vinegar', volumeMl: US_CUP_ML }],
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
  assumed: ALL,
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
  assumed: [],
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

const media = stepsOf('airHandler.mediaFilter');
export const mediaFilter = procedure('airHandler.mediaFilter', {
  kind: 'filter', days: days(180, 270, 365), assumed: ALL, drivers: ['people', 'pets', 'smoking', 'dust', 'newHome'], core: true, risk: 'health', level: 'S', minutes: 10,
  kit: ['marker', 'vacuum', 'light'], materials: [{ what: 'mediaFilter' }], stops: ['blower', 'licensedAir'],
  steps: [
    media('airHandler.off', 'isolate', confirm('off')), media('out', 'open', photo('out')), media('grade', 'look', grade()), media('size', 'look', size),
    media('vacuum', 'clean'), media('arrow', 'refit', photo('in'), confirm('arrow')), media('airHandler.on', 'restore', confirm('on')), media('air', 'test', confirm('air')),
  ],
  specification: ['filterSize', 'airflowCfm', 'position', 'airflow', 'makerLimitDays', 'localLimitDays', 'note'],
});

const register = stepsOf('airHandler.registers');
export const registers = procedure('airHandler.registers', {
  kind: 'screen', days: days(90, 180, 365), assumed: ALL, drivers: ['pets', 'dust'], risk: 'comfort', level: 'T', minutes: 10, kit: ['vacuum', 'softBrush'], stops: ['lowGrilles'],
  steps: [
    register('airHandler.idle', 'isolate', confirm('off')), register('look', 'open', photo('out')), register('grade', 'look', grade()), register('vacuum', 'clean', photo('after')),
    register('airHandler.again', 'restore', confirm('on')), register('air', 'test', confirm('air')),
  ],
});

const trap = stepsOf('airHandler.condensateTrap');
export function condensateTrap(choices: Choices): Procedure {
  const chosen = optionOf('condensateAgent', choices).key as Agent;
  const whenWired = optionOf('condensatePower', choices).key === 'whenWired';
  return procedure('airHandler.condensateTrap', {
    kind: 'drain', days: days(90, 180, 365), assumed: ALL, follows: ['condensateAgent', 'condensatePower'],
    anchor: { choice: { kind: 'beforeCooling' }, mode: 'limits' }, risk: 'flood', level: 'S', minutes: 25,
    kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
    materials: [{ what: 'warmWater', volumeMl: 2000 }, chosen === 'bleach' ? { what: 'bleach', volumeMl: US_CUP_ML / 4 } : { what: 'vinegar', volumeMl: US_CUP_ML }],
    stops: ['blower', whenWired ? 'wireDecides' : 'wiredFloat', 'oneAgent', 'licensedAir'],
    steps: [
      trap(whenWired ? 'airHandler.condensateDrain.wire' : 'airHandler.off', 'isolate', confirm('off')), trap('open', 'open', photo('open')), trap('grade', 'look', grade(), finds),
      trap('brush', 'clean'), trap(chosen === 'bleach' ? 'flush' : 'flushVinegar', 'clean', agent(chosen)), trap('clear', 'clean', confirm('layerGone')),
      trap('cap', 'refit', photo('done')), trap('airHandler.on', 'restore', confirm('on')),
      trap('runs', 'test', { kind: 'reading', key: 'drainSeconds', unit: 'seconds', plausible: [1, 1800], pass: [1, 60] }, confirm('runs')),
    ],
    specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  });
}
