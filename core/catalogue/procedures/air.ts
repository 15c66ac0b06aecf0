/** What serves the air besides the air handler: outdoor unit, thermostat, room air cleaner, bathroom fan. */
import { ALL, days, procedure, SIGNAL_CAP } from '../define.ts';
import { confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';

const coil = stepsOf('outdoorUnit.coil');
export const outdoorCoil = procedure('outdoorUnit.coil', {
  kind: 'coil', days: days(180, 365, 365), assumed: ALL, core: true, risk: 'breakage', level: 'S', minutes: 30,
  anchor: { choice: { kind: 'beforeCooling' }, mode: 'limits' },
  kit: ['hose', 'softBrush', 'gloves'], stops: ['disconnect', 'blower', 'noPressure', 'licensedAir'],
  steps: [
    coil('outdoorUnit.off', 'isolate', confirm('off')), coil('clear', 'open', photo('before')), coil('grade', 'look', grade(), finds),
    coil('spray', 'clean'), coil('straight', 'clean', photo('after')), coil('outdoorUnit.on', 'restore', confirm('on')), coil('run', 'test', confirm('runs')),
  ],
});

const battery = stepsOf('thermostat.battery');
export const thermostatBattery = procedure('thermostat.battery', {
  kind: 'sensor', days: days(365, 365, 365), assumed: ALL, core: true, risk: 'comfort', level: 'T', minutes: 5,
  materials: [{ what: 'batteries' }], stops: ['mainsThermostat'],
  steps: [
    battery('thermostat.off', 'isolate', confirm('off')), battery('out', 'open', photo('old')), battery('in', 'refit', confirm('polarity')),
    battery('thermostat.on', 'restore', confirm('on')), battery('answers', 'test', photo('lit'), confirm('answers')),
  ],
  specification: ['position', 'note'],
});

const cleaner = (name: string) => stepsOf(`airCleaner.${name}`);
const pre = cleaner('preFilter');
export const preFilter = procedure('airCleaner.preFilter', {
  kind: 'screen', days: days(14, 30, 60), assumed: ALL, core: true, drivers: ['smoking', 'dust', 'pets'], risk: 'health', level: 'T', minutes: 10,
  kit: ['vacuum', 'softBrush'], stops: ['unplugCleaner'],
  steps: [
    pre('airCleaner.off', 'isolate', confirm('off')), pre('out', 'open', photo('out')), pre('grade', 'look', grade()), pre('vacuum', 'clean'),
    pre('dry', 'clean', confirm('dry')), pre('in', 'refit', photo('in')), pre('airCleaner.on', 'restore', confirm('on')), pre('run', 'test', confirm('runs')),
  ],
});
const ion = cleaner('ioniser');
export const ioniser = procedure('airCleaner.ioniser', {
  kind: 'screen', days: days(90, 90, 180), assumed: ALL, drivers: ['smoking', 'dust'], risk: 'breakage', level: 'T', minutes: 20,
  kit: ['vacuum', 'basin', 'swabs', 'rubberGloves'], materials: [{ what: 'lukewarmWater' }], stops: ['unplugCleaner', 'dryADay', 'bentWire'],
  steps: [
    ion('airCleaner.off', 'isolate', confirm('off')), ion('out', 'open', photo('out')), ion('grade', 'look', grade()), ion('vacuum', 'clean'),
    ion('soak', 'clean', timer('soak', 60)), ion('fibres', 'clean', photo('clean')), ion('dry', 'clean', confirm('dry')),
    ion('in', 'refit', confirm('clicked')), ion('airCleaner.on', 'restore', confirm('on')), ion('run', 'test', confirm('runs')),
  ],
});
const needle = cleaner('needles');
export const needles = procedure('airCleaner.needles', {
  kind: 'sensor', days: days(90, 90, 90), core: true, drivers: ['smoking', 'dust'], risk: 'breakage', level: 'S', minutes: 20,
  kit: ['rubberGloves', 'swabs', 'basin'], materials: [{ what: 'lukewarmWater' }], stops: ['unplugCleaner', 'sharpNeedles', 'dryADay'],
  steps: [
    needle('airCleaner.off', 'isolate', confirm('off')), needle('out', 'open', photo('out')), needle('look', 'look', grade()),
    needle('soak', 'clean', timer('soak', 60)), needle('swab', 'clean'), needle('rinse', 'clean', photo('clean'), confirm('straight')), needle('dry', 'clean', confirm('dry')),
    needle('in', 'refit', confirm('clicked')), needle('airCleaner.on', 'restore', confirm('on')), needle('lamp', 'test', confirm('lampOff')),
  ],
});
const catalyst = cleaner('catalyst');
export const deodorisingCatalyst = procedure('airCleaner.catalyst', {
  kind: 'filter', days: days(30, 30, 30), drivers: ['smoking'], risk: 'comfort', level: 'T', minutes: 10, kit: ['vacuum'], stops: ['unplugCleaner', 'neverWet'],
  steps: [
    catalyst('airCleaner.off', 'isolate', confirm('off')), catalyst('out', 'open', photo('out')), catalyst('grade', 'look', grade()), catalyst('vacuum', 'clean'),
    catalyst('in', 'refit', photo('in')), catalyst('airCleaner.on', 'restore', confirm('on')), catalyst('run', 'test', confirm('runs')),
  ],
});
const pleat = cleaner('pleatedFilter');
export const pleatedFilter = procedure('airCleaner.pleatedFilter', {
  kind: 'filter', days: days(SIGNAL_CAP, SIGNAL_CAP, SIGNAL_CAP), assumed: ALL, signalled: ALL, drivers: ['smoking', 'dust', 'pets'], core: true, risk: 'health', level: 'T', minutes: 10,
  materials: [{ what: 'pleatedFilter' }], stops: ['unplugCleaner'],
  steps: [
    pleat('airCleaner.off', 'isolate', confirm('off')), pleat('out', 'open', photo('out')), pleat('grade', 'look', grade()),
    pleat('in', 'refit', photo('in'), confirm('whiteSide')), pleat('airCleaner.on', 'restore', confirm('on')), pleat('lamp', 'test', confirm('lampOff')),
  ],
});
const inlet = cleaner('sensorInlet');
export const sensorInlet = procedure('airCleaner.sensorInlet', {
  kind: 'sensor', days: days(90, 90, 180), assumed: ALL, risk: 'comfort', level: 'T', minutes: 5, kit: ['vacuum', 'cloth'], stops: ['unplugCleaner'],
  steps: [
    inlet('airCleaner.off', 'isolate', confirm('off')), inlet('look', 'look', photo('before')), inlet('clear', 'clean'),
    inlet('airCleaner.on', 'restore', confirm('on')), inlet('reacts', 'test', confirm('reacts')),
  ],
});

const grille = stepsOf('bathFan.grille');
export const bathGrille = procedure('bathFan.grille', {
  kind: 'screen', days: days(90, 180, 365), assumed: ALL, core: true, risk: 'health', level: 'T', minutes: 10,
  kit: ['towels', 'softBrush', 'tissue'], materials: [{ what: 'dishSoap' }], stops: ['fanOff', 'stepSafely'],
  steps: [
    grille('bathFan.off', 'isolate', confirm('off')), grille('pull', 'open', photo('out')), grille('grade', 'look', grade()), grille('wash', 'clean'),
    grille('dry', 'clean', confirm('dry')), grille('in', 'refit', photo('in')), grille('bathFan.on', 'restore', confirm('on')), grille('tissue', 'test', confirm('holds')),
  ],
});
const motor = stepsOf('bathFan.motor');
export const bathMotor = procedure('bathFan.motor', {
  kind: 'fan', days: days(180, 365, 365), assumed: ALL, risk: 'health', level: 'S', minutes: 15, kit: ['vacuum', 'light', 'tissue'], stops: ['fanOff', 'noHands', 'stepSafely'],
  steps: [
    motor('bathFan.off', 'isolate', confirm('off')), motor('open', 'open', photo('before')), motor('grade', 'look', grade()), motor('vacuum', 'clean'),
    motor('spin', 'clean', confirm('spins')), motor('close', 'refit', photo('after')), motor('bathFan.on', 'restore', confirm('on')), motor('tissue', 'test', confirm('holds')),
  ],
});
