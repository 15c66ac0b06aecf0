import { confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import type { Procedure } from '../types.ts';

const step = stepsOf('dishwasher.filter');

export const dishwasherFilter: Procedure = {
  key: 'dishwasher.filter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 60, light: 60 },
  assumed: false,
  drivers: ['people'],
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
  specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'note'],
};
