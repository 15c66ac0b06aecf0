import { US_CUP_ML } from '../../quantities/volume.ts';
import { ALL, days, procedure, SIGNAL_CAP } from '../define.ts';
import { agent, as, confirm, finds, grade, makes, OFF_OUT, photo, puts, stepsOf, takes, timer } from '../steps.ts';
import { COLD_LIMITS, FOOD_LIMITS } from '../../measure/tuning.ts';
import type { Procedure, ReadingNeed } from '../types.ts';

/** It stays on; what opens its doors ends the settling that temperatures want. */
const ON = { power: 'on' };
const OPENS = makes({ settled: 'no' });
const SETTLED = { power: 'on', settled: 'yes' };
const step = stepsOf('refrigerator.doorSeals', ON);
const waterStep = stepsOf('refrigerator.waterFilter', ON);
/** Behind it there is one panel, and it is heard running before it goes home. */
const PANEL_OFF = [takes('panel'), as('refrigerator.panelOff')];
const PANEL_ON = [puts('panel'), as('refrigerator.panelOn')];
const LISTEN = [
  { either: true as const, wants: { power: 'on', place: 'out', 'part.panel': 'in' }, hands: 'outside' as const },
  as('refrigerator.listen'),
];

/** Three US gallons are 11.4 litres (common practice); the trade rounds to eleven. */
const FLUSH_LITRES = 11;
/** Near its target it is tuned by single degrees; food that warms is a fault now. */
const FRIDGE: ReadingNeed = {
  kind: 'reading',
  key: 'fridgeCelsius',
  unit: 'celsius',
  plausible: [-10, 25],
  pass: [COLD_LIMITS.fridge.low, COLD_LIMITS.fridge.high],
  worse: 'higher',
  opens: {
    beyond: { at: FOOD_LIMITS.fridge, raises: { symptom: 'refrigerator.foodWarm' } },
    drift: 'refrigerator.drift',
  },
};
const freezerAt = (machine: 'refrigerator' | 'freezer'): ReadingNeed => ({
  kind: 'reading',
  key: 'freezerCelsius',
  unit: 'celsius',
  plausible: [-40, 15],
  pass: [COLD_LIMITS.freezer.low, COLD_LIMITS.freezer.high],
  worse: 'higher',
  opens: { beyond: { at: FOOD_LIMITS.freezer, raises: { symptom: `${machine}.foodWarm` } }, drift: `${machine}.drift` },
});

export const doorSeals: Procedure = {
  key: 'refrigerator.doorSeals',
  version: 1,
  kind: 'seal',
  days: { watchful: 180, steady: 180, light: 365 },
  // The stated twice a year is the coil's.
  assumed: ALL,
  drivers: [],
  core: true,
  follows: [],
  risk: 'comfort',
  safetyCritical: false,
  level: 'tenant',
  minutes: 15,
  kit: ['sponge', 'towels', 'paperStrip'],
  materials: [{ what: 'dishSoap' }, { what: 'petroleumJelly' }],
  stops: ['fridgeStaysOn'],
  steps: [
    step('inspect', 'open', OPENS, photo('out')),
    step('grade', 'look', grade()),
    step('wash', 'clean'),
    step('jelly', 'clean', photo('in')),
    step('strip', 'test', confirm('strip')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

export const waterFilter: Procedure = {
  key: 'refrigerator.waterFilter',
  version: 1,
  kind: 'filter',
  days: { watchful: 60, steady: 180, light: 365 },
  assumed: [],
  drivers: [],
  core: true,
  follows: [],
  // Public supply up to twelve months, a drilled well six (common practice).
  waterCapDays: { public: 365, well: 180 },
  risk: 'health',
  safetyCritical: false,
  level: 'tenant',
  minutes: 20,
  kit: ['container', 'towels'],
  materials: [{ what: 'waterFilter' }],
  stops: ['fridgeStaysOn', 'supplyValve'],
  steps: [
    waterStep('out', 'open', takes('own'), OPENS, photo('out')),
    waterStep('grade', 'look', grade()),
    waterStep('in', 'refit', puts('own'), photo('in'), confirm('seated')),
    waterStep('flush', 'test', confirm('noDrip'), {
      // Three US gallons at the least (common practice), measured.
      kind: 'reading',
      key: 'flushLitres',
      unit: 'litres',
      plausible: [1, 40],
      pass: [FLUSH_LITRES, 40],
    }),
  ],
  specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
};

const coilStep = stepsOf('refrigerator.coil', OFF_OUT);
export const condenserCoil = procedure('refrigerator.coil', {
  kind: 'coil',
  days: days(180, 180, 365),
  drivers: ['pets', 'cooking'],
  core: true,
  risk: 'breakage',
  level: 'staff',
  minutes: 30,
  kit: ['coilBrush', 'vacuum', 'light'],
  stops: ['unplugFridge', 'noHands', 'heavyFridge'],
  steps: [
    coilStep('reach', 'open', ...PANEL_OFF, photo('before')),
    coilStep('grade', 'look', grade(), finds),
    coilStep('brush', 'clean'),
    coilStep('vacuum', 'clean', photo('after')),
    coilStep('panel', 'refit', ...PANEL_ON, confirm('panel')),
    coilStep('listen', 'test', ...LISTEN, confirm('quiet')),
  ],
});

const fanStep = stepsOf('refrigerator.rearFan', OFF_OUT);
export const rearFan = procedure('refrigerator.rearFan', {
  kind: 'fan',
  days: days(180, 180, 365),
  drivers: ['pets'],
  risk: 'breakage',
  level: 'staff',
  minutes: 20,
  kit: ['vacuum', 'cloth', 'light'],
  stops: ['unplugFridge', 'noHands', 'heavyFridge'],
  steps: [
    fanStep('open', 'open', ...PANEL_OFF, photo('before')),
    fanStep('grade', 'look', grade()),
    fanStep('wipe', 'clean'),
    fanStep('valve', 'clean', photo('after')),
    fanStep('panel', 'refit', ...PANEL_ON, confirm('panel')),
    fanStep('listen', 'test', ...LISTEN, confirm('quiet')),
  ],
});

const ice = stepsOf('refrigerator.iceMaker', ON);
export const iceMaker = procedure('refrigerator.iceMaker', {
  kind: 'drain',
  days: days(180, 365, SIGNAL_CAP),
  assumed: ALL,
  signalled: ['light'],
  drivers: ['hardness'],
  risk: 'health',
  level: 'tenant',
  minutes: 30,
  kit: ['cloth', 'toothbrush'],
  materials: [{ what: 'vinegar', volumeMl: US_CUP_ML, agent: 'vinegar' }],
  stops: ['fridgeStaysOn', 'oneAgent'],
  steps: [
    ice('look', 'open', OPENS, photo('before')),
    ice('grade', 'look', grade()),
    ice('wrap', 'clean', agent('vinegar'), timer('soak', 30)),
    ice('brush', 'clean'),
    ice('throw', 'refit', photo('after')),
    ice('flow', 'test', confirm('flows')),
  ],
  specification: ['forbiddenAgents', 'position', 'makerLimitDays', 'localLimitDays', 'note'],
});

const tray = stepsOf('refrigerator.defrostDrain', OFF_OUT);
/** From memory. */
export const defrostDrain = procedure('refrigerator.defrostDrain', {
  kind: 'drain',
  days: days(365, 365, SIGNAL_CAP),
  assumed: ALL,
  signalled: ['light'],
  risk: 'flood',
  level: 'staff',
  minutes: 20,
  kit: ['funnel', 'cloth', 'gloves', 'thinWire'],
  materials: [{ what: 'warmWater', volumeMl: 500 }],
  stops: ['unplugFridge', 'heavyFridge'],
  steps: [
    tray('open', 'open', ...PANEL_OFF, photo('before')),
    tray('grade', 'look', grade(), finds),
    tray('tray', 'clean'),
    tray('flush', 'clean', photo('after')),
    tray('drains', 'test', confirm('drains')),
    // The last cup is seen in the tray while the panel is still off.
    tray('back', 'refit', ...PANEL_ON, confirm('panel')),
  ],
});

const measure = stepsOf('refrigerator.temperatures', SETTLED);
export const temperatures = procedure('refrigerator.temperatures', {
  kind: 'sensor',
  days: days(90, 180, 365),
  assumed: ALL,
  risk: 'health',
  level: 'tenant',
  minutes: 5,
  kit: ['thermometer'],
  stops: ['fridgeStaysOn'],
  steps: [
    measure('place', 'open', confirm('placed')),
    measure('wait', 'look', timer('settle', 30)),
    measure('read', 'test', FRIDGE, freezerAt('refrigerator')),
  ],
  specification: ['makerLimitDays', 'note'],
});

const freezer = stepsOf('freezer.temperature', SETTLED);
export const freezerTemperature = procedure('freezer.temperature', {
  kind: 'sensor',
  days: days(90, 180, 365),
  assumed: ALL,
  risk: 'health',
  level: 'tenant',
  minutes: 5,
  kit: ['thermometer'],
  stops: ['fridgeStaysOn'],
  steps: [
    freezer('place', 'open', confirm('placed')),
    freezer('wait', 'look', timer('settle', 30)),
    freezer('read', 'test', freezerAt('freezer')),
  ],
  specification: ['makerLimitDays', 'note'],
});
