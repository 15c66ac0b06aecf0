import { agent, confirm, finds, grade, photo, size, stepsOf } from '../steps.ts';
import type { Procedure } from '../types.ts';

const filterStep = stepsOf('airHandler.returnFilter');
const drainStep = stepsOf('airHandler.condensateDrain');

export const returnFilter: Procedure = {
  key: 'airHandler.returnFilter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 90, light: 90 },
  assumed: false,
  drivers: ['people', 'pets', 'smoking'],
  risk: 'health',
  safetyCritical: false,
  level: 'T',
  minutes: 5,
  kit: ['marker', 'vacuum', 'light'],
  materials: [{ what: 'airFilter' }],
  stops: ['blower', 'licensedAir'],
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
  specification: ['filterSize', 'position', 'airflow', 'makerLimitDays', 'note'],
};

export const condensateDrain: Procedure = {
  key: 'airHandler.condensateDrain',
  version: 1,
  kind: 'drain',
  days: { watchful: 60, steady: 90, light: 180 },
  assumed: false,
  drivers: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'S',
  minutes: 15,
  kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
  materials: [{ what: 'warmWater', volumeMl: 2000 }, { what: 'oneAgent', volumeMl: 60 }],
  stops: ['blower', 'wiredFloat', 'oneAgent', 'licensedAir'],
  steps: [
    drainStep('airHandler.off', 'isolate', confirm('off')),
    drainStep('open', 'open', photo('open')),
    drainStep('grade', 'look', grade(), finds),
    drainStep('brush', 'clean'),
    drainStep('flush', 'clean', agent('bleach', 'vinegar')),
    drainStep('cap', 'refit', photo('done')),
    drainStep('airHandler.on', 'restore', confirm('on')),
    drainStep('runs', 'test', {
      kind: 'reading', key: 'drainSeconds', unit: 'seconds', plausible: [1, 1800], pass: [1, 60],
    }, confirm('runs')),
  ],
  specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'note'],
};
