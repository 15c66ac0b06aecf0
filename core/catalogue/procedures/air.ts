/** What serves the air besides the air handler: outdoor unit, thermostat, room air cleaner, bathroom fan. */
import { ALL, days, procedure, SIGNAL_CAP } from '../define.ts';
import { as, confirm, finds, grade, OFF, photo, puts, runs, stepsOf, takes, timer } from '../steps.ts';

const coil = stepsOf('outdoorUnit.coil', { outdoor: 'off' });
export const outdoorCoil = procedure('outdoorUnit.coil', {
  kind: 'coil',
  days: days(180, 365, 365),
  assumed: ALL,
  core: true,
  risk: 'breakage',
  level: 'staff',
  minutes: 30,
  anchor: { choice: { kind: 'beforeCooling' }, mode: 'limits' },
  kit: ['hose', 'softBrush', 'gloves'],
  stops: ['disconnect', 'blower', 'noPressure', 'licensedAir'],
  steps: [
    coil('clear', 'open', photo('before')),
    coil('grade', 'look', grade(), finds),
    coil('spray', 'clean'),
    coil('straight', 'clean', photo('after')),
    coil('run', 'test', runs('cool'), confirm('runs')),
  ],
});

const battery = stepsOf('thermostat.battery', OFF);
export const thermostatBattery = procedure('thermostat.battery', {
  kind: 'sensor',
  days: days(365, 365, 365),
  assumed: ALL,
  core: true,
  risk: 'comfort',
  level: 'tenant',
  minutes: 5,
  materials: [{ what: 'batteries' }],
  stops: ['mainsThermostat'],
  steps: [
    battery('out', 'open', takes('own'), photo('old')),
    battery('in', 'refit', puts('own'), confirm('polarity')),
    battery('answers', 'test', runs('fan'), photo('lit'), confirm('answers')),
  ],
  specification: ['position', 'note'],
});

const cleaner = (name: string) => stepsOf(`airCleaner.${name}`, OFF);
/** It runs once for all that was served. */
const RUN = [runs('fan'), as('airCleaner.run')];
const pre = cleaner('preFilter');
export const preFilter = procedure('airCleaner.preFilter', {
  kind: 'screen',
  days: days(14, 30, 60),
  assumed: ALL,
  core: true,
  drivers: ['smoking', 'dust', 'pets'],
  risk: 'health',
  level: 'tenant',
  minutes: 10,
  kit: ['vacuum', 'softBrush'],
  stops: ['unplugCleaner'],
  steps: [
    pre('out', 'open', takes('own'), photo('out')),
    pre('grade', 'look', grade()),
    pre('vacuum', 'clean'),
    pre('dry', 'clean', confirm('dry')),
    pre('in', 'refit', puts('own'), photo('in')),
    pre('run', 'test', ...RUN, confirm('runs')),
  ],
});
const ion = cleaner('ioniser');
export const ioniser = procedure('airCleaner.ioniser', {
  kind: 'screen',
  days: days(90, 90, 180),
  assumed: ALL,
  drivers: ['smoking', 'dust'],
  risk: 'breakage',
  level: 'tenant',
  minutes: 20,
  kit: ['vacuum', 'basin', 'swabs', 'rubberGloves'],
  materials: [{ what: 'lukewarmWater' }],
  stops: ['unplugCleaner', 'dryADay', 'bentWire'],
  steps: [
    ion('out', 'open', takes('own'), photo('out')),
    ion('grade', 'look', grade()),
    ion('vacuum', 'clean'),
    ion('soak', 'clean', timer('soak', 60)),
    ion('fibres', 'clean', photo('clean')),
    ion('dry', 'clean', confirm('dry')),
    ion('in', 'refit', puts('own'), confirm('clicked')),
    ion('run', 'test', ...RUN, confirm('runs')),
  ],
});
const needle = cleaner('needles');
export const needles = procedure('airCleaner.needles', {
  kind: 'sensor',
  days: days(90, 90, 90),
  core: true,
  drivers: ['smoking', 'dust'],
  risk: 'breakage',
  level: 'staff',
  minutes: 20,
  kit: ['rubberGloves', 'swabs', 'basin'],
  materials: [{ what: 'lukewarmWater' }],
  stops: ['unplugCleaner', 'sharpNeedles', 'dryADay'],
  steps: [
    needle('out', 'open', takes('own'), photo('out')),
    needle('look', 'look', grade()),
    needle('soak', 'clean', timer('soak', 60)),
    needle('swab', 'clean'),
    needle('rinse', 'clean', photo('clean'), confirm('straight')),
    needle('dry', 'clean', confirm('dry')),
    needle('in', 'refit', puts('own'), confirm('clicked')),
    needle('lamp', 'test', ...RUN, confirm('lampOff')),
  ],
});
const catalyst = cleaner('catalyst');
export const deodorisingCatalyst = procedure('airCleaner.catalyst', {
  kind: 'filter',
  days: days(30, 30, 30),
  drivers: ['smoking'],
  risk: 'comfort',
  level: 'tenant',
  minutes: 10,
  kit: ['vacuum'],
  stops: ['unplugCleaner', 'neverWet'],
  steps: [
    catalyst('out', 'open', takes('own'), photo('out')),
    catalyst('grade', 'look', grade()),
    catalyst('vacuum', 'clean'),
    catalyst('in', 'refit', puts('own'), photo('in')),
    catalyst('run', 'test', ...RUN, confirm('runs')),
  ],
});
const pleat = cleaner('pleatedFilter');
export const pleatedFilter = procedure('airCleaner.pleatedFilter', {
  kind: 'filter',
  days: days(SIGNAL_CAP, SIGNAL_CAP, SIGNAL_CAP),
  assumed: ALL,
  signalled: ALL,
  drivers: ['smoking', 'dust', 'pets'],
  core: true,
  risk: 'health',
  level: 'tenant',
  minutes: 10,
  materials: [{ what: 'pleatedFilter' }],
  stops: ['unplugCleaner'],
  steps: [
    pleat('out', 'open', takes('own'), photo('out')),
    pleat('grade', 'look', grade()),
    pleat('in', 'refit', puts('own'), photo('in'), confirm('whiteSide')),
    pleat('lamp', 'test', ...RUN, confirm('lampOff')),
  ],
});
const inlet = cleaner('sensorInlet');
export const sensorInlet = procedure('airCleaner.sensorInlet', {
  kind: 'sensor',
  days: days(90, 90, 180),
  assumed: ALL,
  risk: 'comfort',
  level: 'tenant',
  minutes: 5,
  kit: ['vacuum', 'cloth'],
  stops: ['unplugCleaner'],
  steps: [
    inlet('look', 'look', photo('before')),
    inlet('clear', 'clean'),
    inlet('reacts', 'test', ...RUN, confirm('reacts')),
  ],
});

const grille = stepsOf('bathFan.grille', OFF);
const PULL = [takes('grille'), as('bathFan.open')];
const CLOSE = [puts('grille'), as('bathFan.close')];
const TISSUE = [runs('fan'), as('bathFan.tissue')];
export const bathGrille = procedure('bathFan.grille', {
  kind: 'screen',
  days: days(90, 180, 365),
  assumed: ALL,
  core: true,
  risk: 'health',
  level: 'tenant',
  minutes: 10,
  kit: ['towels', 'softBrush', 'tissue'],
  materials: [{ what: 'dishSoap' }],
  stops: ['fanOff', 'stepSafely'],
  steps: [
    grille('pull', 'open', ...PULL, photo('out')),
    grille('grade', 'look', grade()),
    grille('wash', 'clean'),
    grille('dry', 'clean', confirm('dry')),
    grille('in', 'refit', ...CLOSE, photo('in')),
    grille('tissue', 'test', ...TISSUE, confirm('holds')),
  ],
});
const motor = stepsOf('bathFan.motor', OFF);
export const bathMotor = procedure('bathFan.motor', {
  kind: 'fan',
  days: days(180, 365, 365),
  assumed: ALL,
  risk: 'health',
  level: 'staff',
  minutes: 15,
  kit: ['vacuum', 'light', 'tissue'],
  stops: ['fanOff', 'noHands', 'stepSafely'],
  steps: [
    motor('open', 'open', ...PULL, photo('before')),
    motor('grade', 'look', grade()),
    motor('vacuum', 'clean'),
    motor('spin', 'clean', confirm('spins')),
    motor('close', 'refit', ...CLOSE, photo('after')),
    motor('tissue', 'test', ...TISSUE, confirm('holds')),
  ],
});
