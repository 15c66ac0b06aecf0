import { confirm, grade, photo, stepsOf } from '../steps.ts';
import type { Procedure } from '../types.ts';

const step = stepsOf('refrigerator.doorSeals');
const waterStep = stepsOf('refrigerator.waterFilter');

export const doorSeals: Procedure = {
  key: 'refrigerator.doorSeals',
  version: 1,
  kind: 'seal',
  days: { watchful: 180, steady: 180, light: 365 },
  assumed: false,
  drivers: [],
  core: true,
  follows: [],
  risk: 'comfort',
  safetyCritical: false,
  level: 'T',
  minutes: 15,
  kit: ['sponge', 'towels', 'paperStrip'],
  materials: [{ what: 'dishSoap' }, { what: 'petroleumJelly' }],
  stops: ['fridgeStaysOn'],
  steps: [
    step('inspect', 'open', photo('out')),
    step('grade', 'look', grade()),
    step('wash', 'clean'),
    step('jelly', 'clean', photo('in')),
    step('strip', 'test', confirm('strip'), {
      kind: 'reading', key: 'fridgeTemperature', unit: 'celsius', plausible: [-10, 25], pass: [0, 4], optional: true,
    }),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

export const waterFilter: Procedure = {
  key: 'refrigerator.waterFilter',
  version: 1,
  kind: 'filter',
  days: { watchful: 60, steady: 180, light: 365 },
  assumed: false,
  drivers: [],
  core: true,
  follows: [],
  // Public supply up to twelve months, a drilled well six (common practice).
  waterCapDays: { public: 365, well: 180 },
  risk: 'health',
  safetyCritical: false,
  level: 'T',
  minutes: 20,
  kit: ['container', 'towels'],
  materials: [{ what: 'waterFilter' }],
  stops: ['fridgeStaysOn', 'supplyValve'],
  steps: [
    waterStep('out', 'open', photo('out')),
    waterStep('grade', 'look', grade()),
    waterStep('in', 'refit', photo('in'), confirm('seated')),
    waterStep('flush', 'test', confirm('noDrip'), {
      kind: 'reading', key: 'flushLitres', unit: 'litres', plausible: [1, 40], pass: [9, 40], optional: true,
    }),
  ],
  specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
};
