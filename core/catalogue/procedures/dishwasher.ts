import { US_GALLON_ML } from '../../quantities/volume.ts';
import { ALL, days, procedure, SIGNAL_CAP } from '../define.ts';
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
  assumed: [],
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
  assumed: [],
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
    assumed: [],
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
    specification: ['runMinutes', 'forbiddenAgents', 'makerLimitDays', 'note'],
  };
}

const sumpStep = stepsOf('dishwasher.sump');
export const sump = procedure('dishwasher.sump', {
  kind: 'drain', days: days(180, 365, SIGNAL_CAP), assumed: ALL, signalled: ['light'], risk: 'flood', level: 'S', minutes: 20,
  kit: ['gloves', 'light', 'spoon', 'sponge', 'bluntScrewdriver'], stops: ['sharpSump', 'wiredIn', 'waterNearPlug'],
  steps: [
    sumpStep('dishwasher.off', 'isolate', confirm('off')), sumpStep('reach', 'open', photo('before')), sumpStep('grade', 'look', grade(), finds), sumpStep('sponge', 'clean'),
    sumpStep('pick', 'clean', photo('after')), sumpStep('impeller', 'clean', confirm('impeller')), sumpStep('back', 'refit', confirm('locked')),
    sumpStep('dishwasher.on', 'restore', confirm('on')), sumpStep('discharge', 'test', confirm('discharge')),
  ],
});

const arm = stepsOf('dishwasher.sprayArms');
export const sprayArms = procedure('dishwasher.sprayArms', {
  kind: 'screen', days: days(30, 60, 365), drivers: ['hardness'], risk: 'comfort', level: 'T', minutes: 20, kit: ['swabs', 'thinWire', 'light'], stops: ['wiredIn'],
  steps: [
    arm('dishwasher.off', 'isolate', confirm('off')), arm('out', 'open', photo('out')), arm('grade', 'look', grade(), finds), arm('holes', 'clean'),
    arm('pour', 'clean', photo('pour'), confirm('flows')), arm('in', 'refit', confirm('turns')), arm('dishwasher.on', 'restore', confirm('on')), arm('wash', 'test', confirm('clear')),
  ],
});

const rack = stepsOf('dishwasher.racks');
export const racks = procedure('dishwasher.racks', {
  kind: 'seal', days: days(180, 365, 365), assumed: ALL, risk: 'breakage', level: 'T', minutes: 10, kit: ['light'], materials: [{ what: 'rackSealer' }], stops: [],
  steps: [
    rack('dishwasher.off', 'isolate', confirm('off')), rack('out', 'open', photo('before')), rack('grade', 'look', grade()), rack('seal', 'clean'), rack('wheels', 'clean', photo('after')),
    rack('dishwasher.on', 'restore', confirm('on')), rack('roll', 'test', confirm('rolls')),
  ],
});

/** Two US gallons, the common measure of the test. */
const PUMP_TEST_LITRES = 7.5;
const pump = stepsOf('dishwasher.drainPump');
export const drainPump = procedure('dishwasher.drainPump', {
  kind: 'drain', days: days(365, 365, SIGNAL_CAP), assumed: ALL, signalled: ['light'], risk: 'flood', level: 'S', minutes: 25,
  kit: ['bucket', 'towels', 'gloves', 'bluntScrewdriver'], materials: [{ what: 'hotWater', volumeMl: 2 * US_GALLON_ML }], stops: ['hotWater', 'waterNearPlug', 'wiredIn', 'helper'],
  steps: [
    pump('dishwasher.off', 'isolate', confirm('off')), pump('fill', 'open', photo('filled')), pump('grade', 'look', grade()), pump('hose', 'refit', confirm('bucket')),
    pump('power', 'restore', confirm('powered')),
    pump('pump', 'test', { kind: 'reading', key: 'pumpedLitres', unit: 'litres', plausible: [0.5, 20], pass: [PUMP_TEST_LITRES * 0.8, 20] }, { kind: 'reading', key: 'pumpSeconds', unit: 'seconds', plausible: [5, 600], pass: [5, 90] }),
    pump('back', 'test', photo('hose'), confirm('tight')), pump('dishwasher.on', 'test', confirm('on')), pump('dry', 'test', confirm('noDrip')),
  ],
});
