import { ALL, days, procedure } from '../define.ts';
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
    assumed: ALL,
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
  assumed: [],
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
  specification: ['duct', 'position', 'makerLimitDays', 'localLimitDays', 'note'],
};

const slotStep = stepsOf('dryer.slot');
export const screenSlot = procedure('dryer.slot', {
  kind: 'duct', days: days(180, 180, 365), assumed: ALL, drivers: ['laundry', 'pets'], risk: 'fire', safetyCritical: true, level: 'T', minutes: 15,
  kit: ['narrowNozzle', 'softBrush', 'light'], stops: ['hotDryer', 'burningSmell', 'gasTenant', 'dryToolsOnly'],
  steps: [
    slotStep('dryer.off', 'isolate', confirm('off')), slotStep('open', 'open', photo('before')), slotStep('grade', 'look', grade(), finds),
    slotStep('vacuum', 'clean'), slotStep('brush', 'clean', photo('after')), slotStep('refit', 'refit', confirm('refit')),
    slotStep('dryer.on', 'restore', confirm('on')), slotStep('run', 'test', confirm('quiet')),
  ],
});

const hoseStep = stepsOf('dryer.transitionHose');
export const transitionHose = procedure('dryer.transitionHose', {
  kind: 'duct', days: days(180, 365, 365), drivers: ['laundry', 'pets'], core: true, risk: 'fire', safetyCritical: true, level: 'S', minutes: 30,
  kit: ['vacuum', 'narrowNozzle', 'straps', 'light', 'tapeMeasure'], materials: [{ what: 'transitionDuct' }], stops: ['hotDryer', 'burningSmell', 'gasStaff', 'dryToolsOnly'],
  steps: [
    hoseStep('dryer.off', 'isolate', confirm('off')), hoseStep('dryer.pullOut', 'isolate', confirm('out')), hoseStep('ends', 'open', photo('out')),
    hoseStep('grade', 'look', grade(), finds), hoseStep('judge', 'look'), hoseStep('vacuum', 'clean'),
    hoseStep('strap', 'refit', photo('in'), confirm('strapped')), hoseStep('clearance', 'refit', confirm('clearance')),
    hoseStep('dryer.on', 'restore', confirm('on')), hoseStep('feel', 'test', confirm('strong')),
  ],
});

const outlet = stepsOf('dryer.outdoorHood');
export const outdoorHood = procedure('dryer.outdoorHood', {
  kind: 'screen', days: days(90, 180, 365), assumed: ALL, drivers: ['laundry'], risk: 'fire', safetyCritical: true, level: 'S', minutes: 20,
  kit: ['gloves', 'softBrush', 'light'], stops: ['roofOutlet', 'stepSafely', 'burningSmell'],
  steps: [
    outlet('dryer.off', 'isolate', confirm('off')), outlet('look', 'open', photo('out')), outlet('grade', 'look', grade(), finds), outlet('clear', 'clean'),
    outlet('flap', 'clean', photo('after'), confirm('moves')), outlet('dryer.on', 'restore', confirm('on')), outlet('blows', 'test', confirm('opens')),
  ],
});

const drum = stepsOf('dryer.drumSeal');
export const drumSeal = procedure('dryer.drumSeal', {
  kind: 'seal', days: days(90, 180, 365), assumed: ALL, drivers: ['laundry'], risk: 'comfort', level: 'T', minutes: 5, kit: ['vacuum', 'cloth', 'light'], stops: ['hotDryer', 'gasTenant', 'dryToolsOnly'],
  steps: [
    drum('dryer.off', 'isolate', confirm('off')), drum('look', 'open', photo('before')), drum('grade', 'look', grade()), drum('wipe', 'clean', photo('after')),
    drum('dryer.on', 'restore', confirm('on')), drum('shut', 'test', confirm('shut')),
  ],
});

const cabinet = stepsOf('dryer.cabinet');
export const cabinetBack = procedure('dryer.cabinet', {
  kind: 'fan', days: days(180, 365, 365), assumed: ALL, drivers: ['laundry', 'pets'], risk: 'fire', safetyCritical: true, level: 'S', minutes: 10, kit: ['vacuum', 'narrowNozzle', 'light'],
  stops: ['hotDryer', 'gasStaff', 'dryToolsOnly'],
  steps: [
    cabinet('dryer.off', 'isolate', confirm('off')), cabinet('dryer.pullOut', 'isolate', confirm('out')), cabinet('look', 'open', photo('before')), cabinet('grade', 'look', grade(), finds),
    cabinet('vacuum', 'clean', photo('after')), cabinet('back', 'refit', confirm('clearance')), cabinet('dryer.on', 'restore', confirm('on')), cabinet('run', 'test', confirm('quiet')),
  ],
});
