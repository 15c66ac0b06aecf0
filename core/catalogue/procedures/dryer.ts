import { optionOf } from '../methods.ts';
import { confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import type { Choices, Procedure } from '../types.ts';

const screenStep = stepsOf('dryer.lintScreen');
const ductStep = stepsOf('dryer.duct');

export function lintScreen(choices: Choices): Procedure {
  const softener = optionOf('lintWash', choices).key === 'softener';
  return {
    key: 'dryer.lintScreen',
    version: 2,
    kind: 'screen',
    days: { watchful: 30, steady: 90, light: 180 },
    assumed: true,
    drivers: ['laundry', 'pets'],
    core: true,
    follows: ['lintWash'],
    risk: 'fire',
    safetyCritical: true,
    level: 'T',
    minutes: 15,
    kit: ['softBrush'],
    materials: [{ what: softener ? 'softener' : 'dishSoap' }],
    stops: ['hotDryer', 'burningSmell', 'gasTenant'],
    steps: [
      screenStep('dryer.off', 'isolate', confirm('off')),
      screenStep('out', 'open', photo('out')),
      screenStep('grade', 'look', grade()),
      screenStep(softener ? 'washSoftener' : 'wash', 'clean'),
      screenStep('water', 'clean', photo('water'), confirm('water')),
      screenStep('dry', 'clean', timer('dry', 10)),
      screenStep('refit', 'refit', confirm('refit')),
      screenStep('dryer.on', 'restore', confirm('on')),
      screenStep('run', 'test', {
        kind: 'reading', key: 'dryMinutes', unit: 'minutes', plausible: [10, 240], pass: [10, 60], optional: true,
      }),
    ],
    specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

export const duct: Procedure = {
  key: 'dryer.duct',
  version: 1,
  kind: 'duct',
  days: { watchful: 180, steady: 365, light: 365 },
  assumed: false,
  drivers: ['laundry', 'pets'],
  core: true,
  follows: [],
  risk: 'fire',
  safetyCritical: true,
  level: 'S',
  minutes: 60,
  kit: ['ductBrush', 'drill', 'vacuum', 'straps', 'light'],
  materials: [],
  stops: ['hotDryer', 'burningSmell', 'gasStaff', 'roofOutlet'],
  steps: [
    ductStep('dryer.off', 'isolate', confirm('off')),
    ductStep('dryer.pullOut', 'isolate', confirm('out')),
    ductStep('hose', 'open', photo('out')),
    ductStep('grade', 'look', grade(), finds),
    ductStep('brush', 'clean'),
    ductStep('outlet', 'clean'),
    ductStep('refit', 'refit', photo('in'), confirm('clearance')),
    ductStep('hood', 'refit', photo('hood'), confirm('flap')),
    ductStep('dryer.on', 'restore', confirm('on')),
    ductStep('feel', 'test', confirm('strong'), {
      kind: 'reading', key: 'dryMinutes', unit: 'minutes', plausible: [10, 240], pass: [10, 60], optional: true,
    }),
  ],
  specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
};
