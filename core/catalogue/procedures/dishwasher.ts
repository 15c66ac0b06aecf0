import { optionOf } from '../methods.ts';
import { agent, confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import { dayOfCivil } from '../../calendar/civil.ts';
import type { Choices, Procedure } from '../types.ts';

const step = stepsOf('dishwasher.filter');
const sealStep = stepsOf('dishwasher.doorSeal');
const washStep = stepsOf('dishwasher.interiorWash');

export const dishwasherFilter: Procedure = {
  key: 'dishwasher.filter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 60, light: 60 },
  assumed: false,
  drivers: ['people'],
  core: true,
  follows: [],
  risk: 'breakage',
  safetyCritical: false,
  level: 'T',
  minutes: 20,
  kit: ['gloves', 'toothbrush', 'sponge', 'light', 'spoon'],
  materials: [{ what: 'dishSoap' }],
  stops: ['sharpSump', 'noDrainCycle', 'wiredIn'],
  steps: [
    step('dishwasher.off', 'isolate', confirm('off')),
    step('unlock', 'open', photo('out')),
    step('grade', 'look', grade()),
    step('cavity', 'look', grade('cavity'), finds),
    step('soak', 'clean', timer('soak', 5)),
    step('brush', 'clean'),
    step('lock', 'refit', photo('in'), confirm('locked')),
    step('dishwasher.on', 'restore', confirm('on')),
    step('discharge', 'test', confirm('discharge')),
  ],
  specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
};

export const dishwasherDoorSeal: Procedure = {
  key: 'dishwasher.doorSeal',
  version: 1,
  kind: 'seal',
  days: { watchful: 30, steady: 60, light: 60 },
  assumed: false,
  drivers: ['people'],
  core: false,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'T',
  minutes: 10,
  kit: ['toothbrush', 'sponge'],
  materials: [{ what: 'dilutedVinegar' }],
  stops: ['oneAgent', 'wiredIn'],
  steps: [
    sealStep('dishwasher.off', 'isolate', confirm('off')),
    sealStep('edge', 'open', photo('out')),
    sealStep('grade', 'look', grade()),
    sealStep('wipe', 'clean', agent('dishSoap', 'vinegar')),
    sealStep('done', 'refit', photo('in')),
    sealStep('dishwasher.on', 'restore', confirm('on')),
    sealStep('shut', 'test', confirm('shut')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

/** The fixed turn of three agents, one every second month from January (common practice). */
export const ROTATION = { rule: 'FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1', start: dayOfCivil(2024, 1, 1) } as const;

export function interiorWash(choices: Choices): Procedure {
  const rotating = optionOf('dishwasherWash', choices).key === 'rotation';
  return {
    key: 'dishwasher.interiorWash',
    version: 1,
    kind: 'tub',
    days: { watchful: 30, steady: 60, light: 60 },
    assumed: false,
    drivers: ['hardness'],
    core: true,
    follows: ['dishwasherWash'],
    ...(rotating && {
      anchor: { choice: { kind: 'rule' as const, ...ROTATION }, mode: 'sets' as const },
      rotation: ['bakingSoda', 'vinegar', 'cleaner'] as const,
    }),
    risk: 'comfort',
    safetyCritical: false,
    level: 'T',
    minutes: 5,
    kit: ['openCup'],
    materials: [{ what: rotating ? 'oneAgent' : 'tablet' }],
    stops: ['oneAgent', 'filterFirst', 'noBleachSteel'],
    steps: [
      washStep('empty', 'open', photo('before')),
      washStep('grade', 'look', grade()),
      washStep(rotating ? 'agent' : 'tablet', 'clean', ...(rotating ? [agent('bakingSoda', 'vinegar', 'cleaner')] : [agent('tablet')]), timer('run', 120)),
      washStep('clean', 'test', photo('after'), confirm('rinsed')),
    ],
    specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
  };
}
