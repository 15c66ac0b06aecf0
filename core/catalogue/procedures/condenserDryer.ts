/** The condenser dryer, and the heat-pump dryer, which is served alike. */
import { ALL, days, procedure } from '../define.ts';
import { confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';

const fluff = stepsOf('condenserDryer.fluffFilter');
export const fluffFilter = procedure('condenserDryer.fluffFilter', {
  kind: 'screen', days: days(30, 90, 180), assumed: ALL, drivers: ['laundry', 'pets'], core: true, risk: 'fire', safetyCritical: true, level: 'T', minutes: 15,
  kit: ['softBrush', 'drainStrainer'], stops: ['hotDryer', 'burningSmell', 'strainer'],
  steps: [
    fluff('condenserDryer.off', 'isolate', confirm('off')), fluff('out', 'open', photo('out')), fluff('grade', 'look', grade()), fluff('wash', 'clean', photo('water'), confirm('water')),
    fluff('dry', 'clean', timer('dry', 60)), fluff('refit', 'refit', confirm('refit')), fluff('condenserDryer.on', 'restore', confirm('on')),
    fluff('run', 'test', { kind: 'reading', key: 'dryMinutes', unit: 'minutes', plausible: [10, 240], pass: [10, 60], optional: true }),
  ],
});

const unit = stepsOf('condenserDryer.condenser');
export const condenserUnit = procedure('condenserDryer.condenser', {
  kind: 'filter', days: days(90, 180, 365), drivers: ['condenserPeople', 'pets'], core: true, risk: 'comfort', level: 'T', minutes: 30,
  kit: ['siliconeBrush', 'drainStrainer', 'towels'], materials: [{ what: 'paperTowel' }], stops: ['hotDryer', 'strainer', 'heatPumpFixed'],
  steps: [
    unit('condenserDryer.off', 'isolate', confirm('off')), unit('levers', 'open', photo('out')), unit('grade', 'look', grade(), finds), unit('bay', 'look', grade('cavity')),
    unit('rinse', 'clean', confirm('clear')), unit('drain', 'clean', timer('drain', 30)), unit('lock', 'refit', photo('in'), confirm('locked')),
    unit('condenserDryer.on', 'restore', confirm('on')), unit('run', 'test', confirm('noDrip')),
  ],
});

const bay = stepsOf('condenserDryer.bay');
export const condenserBay = procedure('condenserDryer.bay', {
  kind: 'duct', days: days(90, 180, 365), drivers: ['condenserPeople', 'pets'], risk: 'fire', safetyCritical: true, level: 'T', minutes: 10,
  kit: ['gloves', 'light'], materials: [{ what: 'paperTowel' }], stops: ['hotDryer', 'noVacuumDamp'],
  steps: [
    bay('condenserDryer.off', 'isolate', confirm('off')), bay('open', 'open', photo('before')), bay('grade', 'look', grade(), finds), bay('lift', 'clean', photo('after')),
    bay('close', 'refit', confirm('locked')), bay('condenserDryer.on', 'restore', confirm('on')), bay('run', 'test', confirm('noDrip')),
  ],
});

const seal = stepsOf('condenserDryer.drumSeal');
export const condenserDrumSeal = procedure('condenserDryer.drumSeal', {
  kind: 'seal', days: days(90, 180, 365), assumed: ALL, drivers: ['laundry'], risk: 'comfort', level: 'T', minutes: 5, kit: ['vacuum', 'light'], stops: ['hotDryer', 'dryToolsOnly'],
  steps: [
    seal('condenserDryer.off', 'isolate', confirm('off')), seal('look', 'open', photo('before')), seal('grade', 'look', grade()), seal('vacuum', 'clean', photo('after')),
    seal('condenserDryer.on', 'restore', confirm('on')), seal('shut', 'test', confirm('shut')),
  ],
});
