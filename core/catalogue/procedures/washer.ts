import { days, procedure } from '../define.ts';
import { optionOf } from '../methods.ts';
import { agent, confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import type { Agent, Choices, Procedure, Step } from '../types.ts';

const pumpStep = stepsOf('washer.drainPumpFilter');
const bootStep = stepsOf('washer.doorBoot');
const drawerStep = stepsOf('washer.drawer');
const tubStep = stepsOf('washer.tub');

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
  level: 'T',
  minutes: 25,
  kit: ['tray', 'towels', 'light', 'bluntScrewdriver'],
  materials: [],
  stops: ['hotWater', 'waterNearPlug', 'sharpPump', 'wiredIn'],
  steps: [
    pumpStep('washer.off', 'isolate', confirm('off'), confirm('tap')),
    pumpStep('drain', 'open', confirm('capBack')),
    pumpStep('unscrew', 'open', photo('out')),
    pumpStep('grade', 'look', grade(), finds),
    pumpStep('cavity', 'look', grade('cavity'), confirm('impeller')),
    pumpStep('rinse', 'clean'),
    pumpStep('lock', 'refit', photo('in'), confirm('locked')),
    pumpStep('washer.on', 'restore', confirm('on')),
    pumpStep('washTest', 'test', timer('wash', 30), confirm('noDrip')),
  ],
  specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
};

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
  level: 'T',
  minutes: 15,
  kit: ['sponge', 'toothbrush', 'light'],
  materials: [{ what: 'oneAgent' }],
  stops: ['oneAgent', 'waterNearPlug'],
  steps: [
    bootStep('washer.off', 'isolate', confirm('off'), confirm('tap')),
    bootStep('folds', 'open', photo('out')),
    bootStep('grade', 'look', grade(), finds),
    bootStep('scrub', 'clean', agent('dishSoap', 'vinegar')),
    bootStep('glass', 'clean', photo('in')),
    bootStep('washer.on', 'restore', confirm('on')),
    bootStep('shut', 'test', confirm('shut')),
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
  level: 'T',
  minutes: 20,
  kit: ['toothbrush', 'sponge'],
  materials: [{ what: 'dishSoap' }],
  stops: ['waterNearPlug'],
  steps: [
    drawerStep('washer.off', 'isolate', confirm('off'), confirm('tap')),
    drawerStep('out', 'open', photo('out')),
    drawerStep('grade', 'look', grade()),
    drawerStep('bay', 'clean'),
    drawerStep('brush', 'clean'),
    drawerStep('back', 'refit', photo('in'), confirm('slides')),
    drawerStep('washer.on', 'restore', confirm('on')),
    drawerStep('rinse', 'test', confirm('rinsed')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
};

/** How the tub is cleaned, by school: which agent, and the runs that follow, each a cycle of its own. */
const TUB_CLEANING: Readonly<Record<string, { readonly agents: readonly Agent[]; readonly material: string; readonly steps: readonly Step[] }>> = {
  sodaThenVinegar: { agents: ['bakingSoda', 'vinegar'], material: 'sodaAndVinegar', steps: [tubStep('soda', 'clean', timer('soda', 75)), tubStep('vinegar', 'clean', confirm('separate'), timer('vinegar', 75))] },
  vinegar: { agents: ['vinegar'], material: 'vinegarLitre', steps: [tubStep('vinegarOnly', 'clean', timer('vinegar', 75))] },
  tablets: { agents: ['tablet'], material: 'twoTablets', steps: [tubStep('tablets', 'clean', timer('tablets', 75))] },
  citricAcid: { agents: ['citricAcid'], material: 'citricAcid', steps: [tubStep('citric', 'clean', timer('citric', 75))] },
};

export function tub(choices: Choices): Procedure {
  const { agents, material, steps } = TUB_CLEANING[optionOf('tubClean', choices).key]!;
  const last = steps.at(-1)!;
  return {
    key: 'washer.tub',
    version: 1,
    kind: 'tub',
    days: { watchful: 30, steady: 60, light: 365 },
    assumed: [],
    drivers: ['laundry', 'coolWashes', 'hardness'],
    core: true,
    follows: ['tubClean'],
    risk: 'health',
    safetyCritical: false,
    level: 'T',
    minutes: 10,
    kit: ['sponge'],
    materials: [{ what: material }],
    stops: ['oneAgentCycle', 'emptyDrum'],
    steps: [
      tubStep('empty', 'open', photo('before')),
      tubStep('grade', 'look', grade()),
      ...steps.slice(0, -1),
      // One agent stands in the record: the last, which is the acid where there is one.
      { ...last, needs: [agent(agents.at(-1)!), ...last.needs] },
      tubStep('open', 'test', photo('after'), confirm('open')),
    ],
    specification: ['runMinutes', 'forbiddenAgents', 'makerLimitDays', 'note'],
  };
}

const lint = stepsOf('washer.lintTrap');
export const lintTrap = procedure('washer.lintTrap', {
  kind: 'screen', days: days(90, 180, 180), drivers: ['laundry', 'pets'], core: true, risk: 'flood', level: 'T', minutes: 10,
  kit: ['toothbrush', 'towels'], materials: [{ what: 'lintTrap' }], stops: ['waterNearPlug', 'wiredIn'],
  steps: [
    lint('washer.off', 'isolate', confirm('off'), confirm('tap')), lint('out', 'open', photo('out')), lint('grade', 'look', grade(), finds), lint('clean', 'clean'),
    lint('in', 'refit', photo('in'), confirm('clipped')), lint('washer.on', 'restore', confirm('on')), lint('rinse', 'test', confirm('noDrip')),
  ],
});
