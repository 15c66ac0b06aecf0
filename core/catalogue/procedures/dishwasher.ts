import { US_GALLON_ML } from '../../quantities/volume.ts';
import { ALL, days, procedure, SIGNAL_CAP } from '../define.ts';
import { optionOf } from '../methods.ts';
import {
  agent,
  as,
  confirm,
  finding,
  finds,
  grade,
  makes,
  OFF,
  photo,
  puts,
  runs,
  stepsOf,
  takes,
  timer,
  when,
} from '../steps.ts';
import { dayOfCivil } from '../../calendar/civil.ts';
import { SOUND_PUMP } from '../../measure/readings.ts';
import type { Agent, Choices, Material, Need, Procedure, Step } from '../types.ts';

const step = stepsOf('dishwasher.filter', OFF);
/** The filter comes out once for itself and the sump under it, and one short cycle tries all that water passes. */
const OPENED = [takes('filter'), as('dishwasher.open')];
const LOCKED = [puts('filter'), as('dishwasher.lock')];
const SHORT = [runs('short'), as('dishwasher.short')];
const sealStep = stepsOf('dishwasher.doorSeal');
const washStep = stepsOf('dishwasher.interiorWash');

export const dishwasherFilter: Procedure = {
  key: 'dishwasher.filter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 60, light: 60 },
  assumed: [],
  drivers: ['people'],
  core: true,
  follows: [],
  risk: 'breakage',
  safetyCritical: false,
  level: 'tenant',
  minutes: 20,
  kit: ['gloves', 'toothbrush', 'sponge', 'light', 'spoon'],
  materials: [{ what: 'dishSoap' }],
  stops: ['sharpSump', 'noDrainCycle', 'wiredIn'],
  steps: [
    step('unlock', 'open', ...OPENED, photo('out'), finding('standingWater')),
    step('grade', 'look', grade()),
    step('cavity', 'look', grade('cavity'), finds),
    step('sponge', 'clean', when('standingWater'), as('dishwasher.sponge')),
    step('soak', 'clean', timer('soak', 5)),
    step('brush', 'clean'),
    step('lock', 'refit', ...LOCKED, photo('in'), confirm('locked')),
    step('discharge', 'test', ...SHORT, confirm('discharge')),
  ],
  specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
};

export const dishwasherDoorSeal: Procedure = {
  key: 'dishwasher.doorSeal',
  version: 1,
  kind: 'seal',
  days: { watchful: 30, steady: 60, light: 60 },
  assumed: [],
  drivers: ['people'],
  core: false,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'tenant',
  minutes: 10,
  kit: ['toothbrush', 'sponge'],
  materials: [
    { what: 'dishSoap', agent: 'dishSoap' },
    { what: 'dilutedVinegar', agent: 'vinegar' },
  ],
  stops: ['oneAgent', 'wiredIn'],
  steps: [
    sealStep('edge', 'open', photo('out')),
    sealStep('grade', 'look', grade()),
    sealStep('wipe', 'clean', agent('dishSoap', 'vinegar')),
    sealStep('done', 'refit', photo('in')),
    sealStep('shut', 'test', confirm('shut')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

/**
 * The fixed turn of three agents, one every second month from January (common practice): where none was used yet, it
 * says whose turn it is.
 */
export const ROTATION = { rule: 'FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1', start: dayOfCivil(2024, 1, 1) } as const;
const TURNS = ['bakingSoda', 'vinegar', 'cleaner'] as const;
const WITH: Readonly<Record<string, Material>> = {
  bakingSoda: { what: 'bakingSodaCup', agent: 'bakingSoda' },
  vinegar: { what: 'vinegarCups', agent: 'vinegar' },
  cleaner: { what: 'dishwasherCleaner', agent: 'cleaner' },
  tablet: { what: 'tablet', agent: 'tablet' },
  bleach: { what: 'bleach', agent: 'bleach' },
};

/** How the inside is washed, by school. How often, the practice sets; a turn only says which agent. */
export function interiorWash(choices: Choices): Procedure {
  const school = optionOf('dishwasherWash', choices).key;
  const short = optionOf('sodaRun', choices).key === 'short';
  const agents: readonly Agent[] =
    school === 'rotation' ? TURNS : [school === 'overnight' ? 'vinegar' : (school as 'tablet' | 'bleach')];
  const runs120 = [runs('hot'), agent(...agents)];
  const wash: Readonly<Record<string, () => Step>> = {
    rotation: () =>
      washStep(short ? 'agentShort' : 'agent', 'clean', ...runs120, timer('run', short ? SHORT_RUN : 120)),
    tablet: () => washStep('tablet', 'clean', ...runs120, timer('run', 120)),
    // Heavy scale: paused full, soaked overnight, finished in the morning.
    overnight: () => washStep('overnight', 'clean', ...runs120, timer('run', NIGHT)),
    bleach: () => washStep('bleach', 'clean', ...runs120, timer('run', 120)),
  };
  return {
    key: 'dishwasher.interiorWash',
    version: 2,
    kind: 'tub',
    days: { watchful: 30, steady: 60, light: 60 },
    assumed: [],
    drivers: ['hardness'],
    core: true,
    follows: ['dishwasherWash', 'sodaRun'],
    ...(school === 'rotation' && { rotation: TURNS }),
    risk: 'comfort',
    safetyCritical: false,
    level: 'tenant',
    minutes: 5,
    kit: agents.includes('vinegar') ? ['openCup'] : [],
    materials: agents.map((it) => WITH[it]!),
    // An unknown lining counts as stainless.
    surface: { choices: ['stainless', 'plastic'], unknown: 'stainless' },
    stops: ['oneAgent', 'filterFirst', 'noBleachSteel'],
    steps: [
      washStep('empty', 'open', photo('before')),
      washStep('grade', 'look', grade()),
      wash[school]!(),
      washStep('clean', 'test', photo('after'), confirm('rinsed')),
    ],
    specification: ['surface', 'runMinutes', 'forbiddenAgents', 'makerLimitDays', 'note'],
  };
}
/** Some run the soda in the short cycle, which still heats. */
const SHORT_RUN = 60;
/** Eight hours and the rest of the cycle. */
const NIGHT = 600;

const sumpStep = stepsOf('dishwasher.sump', OFF);
export const sump = procedure('dishwasher.sump', {
  kind: 'drain',
  days: days(180, 365, SIGNAL_CAP),
  assumed: ALL,
  signalled: ['light'],
  risk: 'flood',
  level: 'staff',
  minutes: 20,
  kit: ['gloves', 'light', 'spoon', 'sponge', 'bluntScrewdriver'],
  stops: ['sharpSump', 'wiredIn', 'waterNearPlug'],
  steps: [
    sumpStep('reach', 'open', ...OPENED, photo('before')),
    sumpStep('grade', 'look', grade(), finds),
    sumpStep('sponge', 'clean', as('dishwasher.sponge')),
    sumpStep('pick', 'clean', photo('after')),
    sumpStep('impeller', 'clean', confirm('impeller')),
    sumpStep('back', 'refit', ...LOCKED, confirm('locked')),
    sumpStep('discharge', 'test', ...SHORT, confirm('discharge')),
  ],
});

const arm = stepsOf('dishwasher.sprayArms', OFF);
export const sprayArms = procedure('dishwasher.sprayArms', {
  kind: 'screen',
  days: days(30, 60, 365),
  assumed: ['light'],
  drivers: ['hardness'],
  risk: 'comfort',
  level: 'tenant',
  minutes: 20,
  kit: ['swabs', 'thinWire', 'light'],
  stops: ['wiredIn'],
  steps: [
    arm('out', 'open', takes('own'), photo('out')),
    arm('grade', 'look', grade(), finds),
    arm('holes', 'clean'),
    arm('pour', 'clean', photo('pour'), confirm('flows')),
    arm('in', 'refit', puts('own'), confirm('turns')),
    arm('wash', 'test', ...SHORT, confirm('clear')),
  ],
});

const rack = stepsOf('dishwasher.racks');
export const racks = procedure('dishwasher.racks', {
  kind: 'seal',
  days: days(180, 365, 365),
  assumed: ALL,
  risk: 'breakage',
  level: 'tenant',
  minutes: 10,
  kit: ['light'],
  materials: [{ what: 'rackSealer' }],
  stops: [],
  steps: [
    rack('out', 'open', photo('before')),
    rack('grade', 'look', grade(), finding('crackedRack')),
    rack('wheels', 'clean', photo('after')),
    rack('roll', 'test', confirm('rolls')),
    // Sealed last: no wet run until it is dry.
    rack('seal', 'refit', when('crackedRack'), makes({ racks: 'sealed' })),
  ],
});

/** Two US gallons, the common measure of the test. */
const PUMP_TEST_LITRES = 7.5;
/** By one limit with the measurement: litres a minute. */
const PUMP_SECONDS: Need = {
  kind: 'reading',
  key: 'pumpSeconds',
  unit: 'seconds',
  plausible: [5, 600],
  pass: [SOUND_PUMP.litresPerMinute, 60],
  judged: { as: 'rate', with: 'pumpedLitres' },
  worse: 'lower',
  opens: { beyond: { at: SOUND_PUMP.litresPerMinute, raises: { symptom: 'dishwasher.pumpWeak' } } },
};
const pump = stepsOf('dishwasher.drainPump', { ...OFF, 'part.filter': 'in' });
export const drainPump = procedure('dishwasher.drainPump', {
  kind: 'drain',
  days: days(365, 365, SIGNAL_CAP),
  assumed: ALL,
  signalled: ['light'],
  risk: 'flood',
  level: 'staff',
  minutes: 25,
  kit: ['bucket', 'towels', 'gloves', 'bluntScrewdriver'],
  materials: [{ what: 'hotWater', volumeMl: 2 * US_GALLON_ML }],
  stops: ['hotWater', 'waterNearPlug', 'wiredIn', 'helper'],
  steps: [
    pump('fill', 'open', photo('filled')),
    pump('grade', 'look', grade()),
    pump('hose', 'open', takes('own'), confirm('bucket')),
    pump(
      'pump',
      'test',
      runs('pump', 'own'),
      {
        kind: 'reading',
        key: 'pumpedLitres',
        unit: 'litres',
        plausible: [0.5, 20],
        pass: [PUMP_TEST_LITRES * SOUND_PUMP.share, 20],
      },
      PUMP_SECONDS,
    ),
    pump('back', 'refit', puts('own'), photo('hose'), confirm('tight')),
    pump('dry', 'test', ...SHORT, confirm('noDrip')),
  ],
});
