import { days, procedure } from '../define.ts';
import { optionOf } from '../methods.ts';
import {
  agent,
  as,
  confirm,
  finds,
  grade,
  makes,
  OFF,
  OFF_DRY,
  photo,
  puts,
  runs,
  staffOnly,
  stepsOf,
  takes,
  timer,
  wants,
} from '../steps.ts';
import type { Agent, Choices, Material, Procedure, Step } from '../types.ts';

const pumpStep = stepsOf('washer.drainPumpFilter', OFF_DRY);
/** A door is opened on a drained drum only: a front door opened below the water level floods. */
const bootStep = stepsOf('washer.doorBoot', { ...OFF, water: 'drained' });
const drawerStep = stepsOf('washer.drawer', OFF_DRY);
const tubStep = stepsOf('washer.tub', { water: 'drained' });
/** One short wash tries filter and drawer. */
const SHORT_WASH = [runs('short'), as('washer.shortWash')];

export const drainPumpFilter: Procedure = {
  key: 'washer.drainPumpFilter',
  version: 1,
  kind: 'filter',
  days: { watchful: 30, steady: 90, light: 180 },
  assumed: [],
  drivers: ['laundry'],
  core: true,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'tenant',
  minutes: 25,
  kit: ['tray', 'towels', 'light', 'bluntScrewdriver'],
  materials: [],
  stops: ['hotWater', 'waterNearPlug', 'sharpPump', 'wiredIn'],
  steps: [
    pumpStep('drain', 'open', makes({ water: 'drained' }), confirm('capBack')),
    pumpStep('unscrew', 'open', takes('own'), wants({ water: 'drained' }), photo('out')),
    pumpStep('grade', 'look', grade(), finds),
    pumpStep('cavity', 'look', grade('cavity')),
    pumpStep('impeller', 'look', staffOnly, confirm('impeller')),
    pumpStep('rinse', 'clean'),
    pumpStep('lock', 'refit', puts('own'), photo('in'), confirm('locked')),
    pumpStep('washTest', 'test', ...SHORT_WASH, timer('wash', 30), confirm('noDrip')),
  ],
  specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
};

/** By hand, in the opening; citric acid is for drawer, jets and boot, nobody states it for the tub. */
const WIPED = [
  { what: 'dishSoap', agent: 'dishSoap' },
  { what: 'dilutedVinegar', agent: 'vinegar' },
  { what: 'citricAcid', agent: 'citricAcid' },
] as const;

export const doorBoot: Procedure = {
  key: 'washer.doorBoot',
  version: 1,
  kind: 'seal',
  days: { watchful: 30, steady: 30, light: 90 },
  assumed: [],
  drivers: ['laundry', 'pets', 'coolWashes'],
  core: true,
  follows: [],
  risk: 'flood',
  safetyCritical: false,
  level: 'tenant',
  minutes: 15,
  kit: ['sponge', 'toothbrush', 'light'],
  materials: WIPED,
  stops: ['oneAgent', 'waterNearPlug'],
  steps: [
    bootStep('folds', 'open', photo('out')),
    bootStep('grade', 'look', grade(), finds),
    bootStep('scrub', 'clean', agent('dishSoap', 'vinegar', 'citricAcid')),
    bootStep('glass', 'clean', photo('in')),
    bootStep('shut', 'test', { either: true }, confirm('shut')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
};

export const drawer: Procedure = {
  key: 'washer.drawer',
  version: 1,
  kind: 'screen',
  days: { watchful: 30, steady: 60, light: 90 },
  assumed: [],
  drivers: ['laundry', 'detergent'],
  core: false,
  follows: [],
  risk: 'comfort',
  safetyCritical: false,
  level: 'tenant',
  minutes: 20,
  kit: ['toothbrush', 'sponge'],
  materials: [
    { what: 'dishSoap', agent: 'dishSoap' },
    { what: 'citricAcid', agent: 'citricAcid' },
  ],
  stops: ['oneAgent', 'waterNearPlug'],
  steps: [
    drawerStep('out', 'open', takes('own'), photo('out')),
    drawerStep('grade', 'look', grade()),
    drawerStep('bay', 'clean'),
    drawerStep('brush', 'clean', agent('dishSoap', 'citricAcid')),
    drawerStep('back', 'refit', puts('own'), photo('in'), confirm('slides')),
    drawerStep('rinse', 'test', ...SHORT_WASH, confirm('rinsed')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

/** How the tub is cleaned, by school: which agent, and the runs that follow, each a cycle of its own. */
const TUB_CLEANING: Readonly<
  Record<
    string,
    { readonly agents: readonly Agent[]; readonly materials: readonly Material[]; readonly steps: readonly Step[] }
  >
> = {
  sodaThenVinegar: {
    agents: ['bakingSoda', 'vinegar'],
    materials: [
      { what: 'sodaPound', agent: 'bakingSoda' },
      { what: 'vinegarPint', agent: 'vinegar' },
    ],
    steps: [
      tubStep('soda', 'clean', runs('hot'), timer('soda', 75)),
      tubStep('vinegar', 'clean', runs('hot'), confirm('separate'), timer('vinegar', 75)),
    ],
  },
  vinegar: {
    agents: ['vinegar'],
    materials: [{ what: 'vinegarLitre', agent: 'vinegar' }],
    steps: [tubStep('vinegarOnly', 'clean', runs('hot'), timer('vinegar', 75))],
  },
  tablets: {
    agents: ['tablet'],
    materials: [{ what: 'twoTablets', agent: 'tablet' }],
    steps: [tubStep('tablets', 'clean', runs('hot'), timer('tablets', 75))],
  },
  // The machine's own cleaning cycle, bare or with a cleaner made for it, monthly.
  machineCycle: {
    agents: ['water', 'cleaner'],
    materials: [{ what: 'washerCleaner', agent: 'cleaner' }],
    steps: [tubStep('machineCycle', 'clean', runs('hot'), timer('cycle', 75))],
  },
};

/** The tub, cleaned with the agents of the method that was chosen. */
export function tub(choices: Choices): Procedure {
  const school = optionOf('tubClean', choices).key;
  const { agents, materials, steps } = TUB_CLEANING[school]!;
  const last = steps.at(-1)!;
  return {
    key: 'washer.tub',
    version: 1,
    kind: 'tub',
    days:
      school === 'machineCycle' ? { watchful: 30, steady: 30, light: 60 } : { watchful: 30, steady: 60, light: 365 },
    assumed: school === 'machineCycle' ? ['light'] : [],
    drivers: ['laundry', 'coolWashes', 'hardness'],
    core: true,
    follows: ['tubClean'],
    risk: 'health',
    safetyCritical: false,
    level: 'tenant',
    minutes: 10,
    kit: ['sponge'],
    materials,
    // An unknown lining counts as stainless.
    surface: { choices: ['stainless', 'plastic'], unknown: 'stainless' },
    stops: ['oneAgentCycle', 'emptyDrum'],
    steps: [
      tubStep('empty', 'open', photo('before')),
      tubStep('grade', 'look', grade()),
      ...steps.slice(0, -1),
      // One agent stands in the record: the last, which is the acid where there is one.
      { ...last, needs: [school === 'machineCycle' ? agent(...agents) : agent(agents.at(-1)!), ...last.needs] },
      tubStep('open', 'test', photo('after'), confirm('open')),
    ],
    specification: ['surface', 'runMinutes', 'forbiddenAgents', 'makerLimitDays', 'note'],
  };
}

const lint = stepsOf('washer.lintTrap', { ...OFF_DRY, water: 'drained' });
export const lintTrap = procedure('washer.lintTrap', {
  kind: 'screen',
  days: days(90, 180, 180),
  assumed: ['watchful'],
  drivers: ['laundry', 'pets'],
  core: true,
  risk: 'flood',
  level: 'tenant',
  minutes: 10,
  kit: ['toothbrush', 'towels'],
  materials: [{ what: 'lintTrap' }],
  stops: ['waterNearPlug', 'wiredIn'],
  steps: [
    lint('out', 'open', takes('own'), photo('out')),
    lint('grade', 'look', grade(), finds),
    lint('clean', 'clean'),
    lint('in', 'refit', puts('own'), photo('in'), confirm('clipped')),
    lint('rinse', 'test', ...SHORT_WASH, confirm('noDrip')),
  ],
});
