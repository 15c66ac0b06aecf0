import { confirm, grade, photo, stepsOf } from '../steps.ts';
import type { Procedure } from '../types.ts';

const step = stepsOf('refrigerator.doorSeals');

export const doorSeals: Procedure = {
  key: 'refrigerator.doorSeals',
  version: 1,
  kind: 'seal',
  days: { watchful: 180, steady: 180, light: 365 },
  assumed: false,
  drivers: [],
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
