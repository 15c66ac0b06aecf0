import { agent, confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import type { Procedure } from '../types.ts';

const pumpStep = stepsOf('washer.drainPumpFilter');
const bootStep = stepsOf('washer.doorBoot');

export const drainPumpFilter: Procedure = {
  key: 'washer.drainPumpFilter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 90, light: 180 },
  assumed: false,
  drivers: ['laundry'],
  risk: 'flood',
  safetyCritical: false,
  level: 'T',
  minutes: 25,
  kit: ['tray', 'towels', 'light', 'bluntScrewdriver'],
  materials: [],
  stops: ['hotWater', 'waterNearPlug', 'sharpPump', 'wiredIn'],
  steps: [
    pumpStep('washer.off', 'isolate', confirm('off'), confirm('tap')),
    pumpStep('drain', 'open', confirm('capBack')),
    pumpStep('unscrew', 'open', photo('out')),
    pumpStep('grade', 'look', grade(), finds),
    pumpStep('cavity', 'look', grade('cavity'), confirm('impeller')),
    pumpStep('rinse', 'clean'),
    pumpStep('lock', 'refit', photo('in'), confirm('locked')),
    pumpStep('washer.on', 'restore', confirm('on')),
    pumpStep('washTest', 'test', timer('wash', 30), confirm('noDrip')),
  ],
  specification: ['position', 'makerLimitDays', 'note'],
};

export const doorBoot: Procedure = {
  key: 'washer.doorBoot',
  version: 1,
  kind: 'seal',
  days: { watchful: 30, steady: 30, light: 90 },
  assumed: false,
  drivers: ['laundry', 'pets', 'coolWashes'],
  risk: 'flood',
  safetyCritical: false,
  level: 'T',
  minutes: 15,
  kit: ['sponge', 'toothbrush', 'light'],
  materials: [{ what: 'oneAgent' }],
  stops: ['oneAgent', 'waterNearPlug'],
  steps: [
    bootStep('washer.off', 'isolate', confirm('off'), confirm('tap')),
    bootStep('folds', 'open', photo('out')),
    bootStep('grade', 'look', grade(), finds),
    bootStep('scrub', 'clean', agent('dishSoap', 'vinegar')),
    bootStep('glass', 'clean', photo('in')),
    bootStep('washer.on', 'restore', confirm('on')),
    bootStep('shut', 'test', confirm('shut')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};
