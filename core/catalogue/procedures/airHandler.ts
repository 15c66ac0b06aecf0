import { US_CUP_ML } from '../../quantities/volume.ts';
import { USUAL_DROP_K } from '../../measure/readings.ts';
import { ALL, days, procedure } from '../define.ts';
import { optionOf } from '../methods.ts';
import {
  agent,
  as,
  confirm,
  either,
  finding,
  finds,
  grade,
  makes,
  OFF,
  photo,
  puts,
  runs,
  size,
  stepsOf,
  takes,
  timer,
  wants,
  type How,
} from '../steps.ts';
import type { Agent, Choices, Material, Need, Procedure } from '../types.ts';

const filterStep = stepsOf('airHandler.returnFilter', OFF);
const drainStep = stepsOf('airHandler.condensateDrain', OFF);
const floatStep = stepsOf('airHandler.floatSwitch');
const coolingStep = stepsOf('airHandler.coolingCheck');

/** Air felt at a register, once, serves every part that the air goes through. */
const AIR = [runs('fan'), as('airHandler.fan')];
/** The thermostat is set to cool, and back, once for all that is tried in cooling. */
const SET_COOL = [runs('cool'), as('airHandler.cool'), makes({ mode: 'cool' })];
const IN_COOLING: How = { ...runs('cool'), wants: { power: 'on', mode: 'cool' } };
const SET_BACK: How[] = [either, wants({ power: 'on', mode: 'cool' }), as('airHandler.back'), makes({ mode: 'usual' })];
/**
 * Trap and line are opened at one tee, brushed, flushed, tried and capped once. By the second school power stays on
 * where no wire sits at the opening.
 */
const OPENED: How[] = [takes('tee'), as('airHandler.tee')];
const CAPPED: How[] = [puts('tee'), as('airHandler.cap')];

/** The filter at the return, thin or dense as was chosen. */
export function returnFilter(choices: Choices): Procedure {
  const thin = optionOf('filterMedia', choices).key === 'thin';
  return {
    key: 'airHandler.returnFilter',
    version: 2,
    kind: 'filter',
    // The thin school changes monthly; its longest is our assumption.
    days: thin ? { watchful: 30, steady: 30, light: 60 } : { watchful: 30, steady: 90, light: 90 },
    assumed: thin ? ['light'] : [],
    drivers: ['people', 'pets', 'smoking', 'dust', 'newHome'],
    core: true,
    follows: ['filterMedia'],
    risk: 'health',
    safetyCritical: false,
    level: 'tenant',
    minutes: 5,
    kit: ['marker', 'vacuum', 'light'],
    materials: [{ what: thin ? 'thinFilter' : 'airFilter' }],
    stops: thin ? ['blower', 'licensedAir'] : ['blower', 'denseFilter', 'licensedAir'],
    steps: [
      filterStep('out', 'open', takes('own'), photo('out')),
      filterStep('grade', 'look', grade()),
      filterStep('size', 'look', size),
      filterStep('vacuum', 'clean'),
      filterStep('arrow', 'refit', puts('own'), photo('in'), confirm('arrow')),
      filterStep('air', 'test', ...AIR, confirm('air')),
    ],
    specification: [
      'filterSize',
      'airflowCfm',
      'position',
      'access',
      'airflow',
      'rating',
      'makerLimitDays',
      'localLimitDays',
      'note',
    ],
  };
}

const DRAIN_SECONDS: Need = {
  kind: 'reading',
  key: 'drainSeconds',
  unit: 'seconds',
  plausible: [1, 1800],
  pass: [1, 60],
  worse: 'higher',
  opens: { beyond: { at: 60, raises: { signal: 'airHandler.slowDrain' } }, drift: 'airHandler.slowDrain' },
};

/** By the second school, what is done at the tee is done with power on where no wire was found. */
const tee = (whenWired: boolean): How => (whenWired ? { poweredWhen: 'noWire' } : {});

/**
 * How the line is flushed, by school: a quarter cup of bleach in water; a jug of warm water and the brush in turns,
 * bleach where there is growth; vinegar.
 */
const FLUSHES = {
  bleach: { step: 'flush', agents: ['bleach'] },
  jug: { step: 'flushJug', agents: ['water', 'bleach'] },
  vinegar: { step: 'flushVinegar', agents: ['vinegar'] },
} as const satisfies Record<string, { step: string; agents: readonly Agent[] }>;
type Flush = keyof typeof FLUSHES;
const flushOf = (choices: Choices) => optionOf('condensateAgent', choices).key as Flush;
const flushWith = (chosen: Flush): Material[] => [
  { what: 'warmWater', volumeMl: chosen === 'jug' ? 4000 : 2000 },
  ...(chosen === 'bleach' ? [{ what: 'bleach', volumeMl: US_CUP_ML / 4, agent: 'bleach' as const }] : []),
  ...(chosen === 'jug' ? [{ what: 'bleachWhereGrown', volumeMl: US_CUP_ML, agent: 'bleach' as const }] : []),
  ...(chosen === 'vinegar' ? [{ what: 'vinegar', volumeMl: US_CUP_ML, agent: 'vinegar' as const }] : []),
];
/** A metal pan does not stand bleach; where nobody has said, the step asks. */
const PAN = { choices: ['plastic', 'bareMetal'], unknown: null } as const;

/** The condensate drain, flushed with what was chosen, the power off for as much of it as was chosen. */
export function condensateDrain(choices: Choices): Procedure {
  const chosen = flushOf(choices);
  const whenWired = optionOf('condensatePower', choices).key === 'whenWired';
  const at = tee(whenWired);
  return {
    key: 'airHandler.condensateDrain',
    version: 2,
    kind: 'drain',
    days: { watchful: 60, steady: 90, light: 180 },
    assumed: [],
    drivers: [],
    core: true,
    follows: ['condensateAgent', 'condensatePower'],
    anchor: { choice: { kind: 'betweenVisits' }, mode: 'sets' },
    risk: 'flood',
    safetyCritical: false,
    level: 'staff',
    minutes: 15,
    kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
    materials: flushWith(chosen),
    surface: PAN,
    stops: ['blower', whenWired ? 'wireDecides' : 'wiredFloat', 'oneAgent', 'licensedAir'],
    steps: [
      ...(whenWired ? [drainStep('wire', 'look', either, as('airHandler.wire'), finding('noWire'))] : []),
      drainStep('open', 'open', ...OPENED, at, photo('open')),
      drainStep('grade', 'look', at, grade(), finds),
      drainStep('brush', 'clean', as('airHandler.brush'), at),
      drainStep(FLUSHES[chosen].step, 'clean', as('airHandler.flush'), at, agent(...FLUSHES[chosen].agents)),
      drainStep('runs', 'test', as('airHandler.pour'), at, DRAIN_SECONDS, confirm('runs')),
      drainStep('cap', 'refit', ...CAPPED, at, photo('done')),
    ],
    specification: ['position', 'surface', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

export const floatSwitch: Procedure = {
  key: 'airHandler.floatSwitch',
  version: 1,
  kind: 'sensor',
  days: { watchful: 90, steady: 180, light: 365 },
  assumed: ALL,
  drivers: [],
  core: false,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'staff',
  minutes: 5,
  kit: ['light'],
  materials: [],
  stops: ['blower', 'licensedAir'],
  steps: [
    floatStep('find', 'look', confirm('seen')),
    floatStep('airHandler.coolingCheck.set', 'look', ...SET_COOL),
    floatStep('lift', 'test', IN_COOLING, photo('lifted'), confirm('stops'), confirm('restarts')),
    floatStep('airHandler.coolingCheck.back', 'test', ...SET_BACK),
  ],
  specification: ['position', 'makerLimitDays', 'note'],
};

export const coolingCheck: Procedure = {
  key: 'airHandler.coolingCheck',
  version: 1,
  kind: 'sensor',
  days: { watchful: 365, steady: 365, light: 365 },
  assumed: [],
  drivers: [],
  core: true,
  follows: [],
  anchor: { choice: { kind: 'firstWarm' }, mode: 'sets' },
  risk: 'comfort',
  safetyCritical: false,
  level: 'staff',
  minutes: 10,
  kit: ['thermometer'],
  materials: [],
  stops: ['licensedAir'],
  steps: [
    coolingStep('set', 'open', ...SET_COOL, confirm('cooling')),
    coolingStep('wait', 'look', IN_COOLING, timer('run', 15)),
    // It is the drop that passes, not the register's own temperature.
    coolingStep(
      'feel',
      'test',
      IN_COOLING,
      confirm('cool'),
      { kind: 'reading', key: 'returnCelsius', unit: 'celsius', plausible: [10, 45], pass: [10, 45], optional: true },
      {
        kind: 'reading',
        key: 'supplyCelsius',
        unit: 'celsius',
        plausible: [0, 40],
        pass: USUAL_DROP_K,
        optional: true,
        judged: { as: 'drop', with: 'returnCelsius' },
        worse: 'lower',
        opens: {
          beyond: { at: USUAL_DROP_K[0], raises: { signal: 'airHandler.lowDrop' } },
          drift: 'airHandler.lowDrop',
        },
      },
    ),
    coolingStep('back', 'test', ...SET_BACK, confirm('back')),
  ],
  specification: ['position', 'note'],
};

const media = stepsOf('airHandler.mediaFilter', OFF);
export const mediaFilter = procedure('airHandler.mediaFilter', {
  kind: 'filter',
  days: days(180, 270, 365),
  assumed: ALL,
  drivers: ['people', 'pets', 'smoking', 'dust', 'newHome'],
  core: true,
  risk: 'health',
  level: 'staff',
  minutes: 10,
  kit: ['marker', 'vacuum', 'light'],
  materials: [{ what: 'mediaFilter' }],
  stops: ['blower', 'licensedAir'],
  steps: [
    media('out', 'open', takes('own'), photo('out')),
    media('grade', 'look', grade()),
    media('size', 'look', size),
    media('vacuum', 'clean'),
    media('arrow', 'refit', puts('own'), photo('in'), confirm('arrow')),
    media('air', 'test', ...AIR, confirm('air')),
  ],
  specification: [
    'filterSize',
    'airflowCfm',
    'position',
    'access',
    'airflow',
    'rating',
    'makerLimitDays',
    'localLimitDays',
    'note',
  ],
});

const register = stepsOf('airHandler.registers', { power: 'idle' });
export const registers = procedure('airHandler.registers', {
  kind: 'screen',
  days: days(90, 180, 365),
  assumed: ALL,
  drivers: ['pets', 'dust'],
  risk: 'comfort',
  level: 'tenant',
  minutes: 10,
  kit: ['vacuum', 'softBrush'],
  stops: ['lowGrilles'],
  steps: [
    register('look', 'open', photo('out')),
    register('grade', 'look', grade()),
    register('vacuum', 'clean', photo('after')),
    register('air', 'test', ...AIR, confirm('air')),
  ],
});

const trap = stepsOf('airHandler.condensateTrap', OFF);
/** The condensate trap, flushed with what was chosen. */
export function condensateTrap(choices: Choices): Procedure {
  const chosen = flushOf(choices);
  const whenWired = optionOf('condensatePower', choices).key === 'whenWired';
  const at = tee(whenWired);
  return procedure('airHandler.condensateTrap', {
    kind: 'drain',
    days: days(90, 180, 365),
    assumed: ALL,
    follows: ['condensateAgent', 'condensatePower'],
    anchor: { choice: { kind: 'beforeCooling' }, mode: 'limits' },
    risk: 'flood',
    level: 'staff',
    minutes: 25,
    kit: ['trapBrush', 'funnel', 'container', 'wetVacuum', 'gloves'],
    materials: flushWith(chosen),
    surface: PAN,
    stops: ['blower', whenWired ? 'wireDecides' : 'wiredFloat', 'oneAgent', 'licensedAir'],
    steps: [
      ...(whenWired
        ? [trap('airHandler.condensateDrain.wire', 'look', either, as('airHandler.wire'), finding('noWire'))]
        : []),
      trap('open', 'open', ...OPENED, at, photo('open')),
      trap('grade', 'look', at, grade(), finds),
      trap('brush', 'clean', as('airHandler.brush'), at),
      trap(FLUSHES[chosen].step, 'clean', as('airHandler.flush'), at, agent(...FLUSHES[chosen].agents)),
      trap('clear', 'clean', at, confirm('layerGone')),
      trap('runs', 'test', as('airHandler.pour'), at, DRAIN_SECONDS, confirm('runs')),
      trap('cap', 'refit', ...CAPPED, at, photo('done')),
    ],
    specification: ['position', 'surface', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  });
}
