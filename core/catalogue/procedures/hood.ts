import { optionOf } from '../methods.ts';
import { confirm, finds, grade, photo, stepsOf, timer } from '../steps.ts';
import type { Choices, Procedure, Step } from '../types.ts';

const step = stepsOf('hood.greaseFilter');

/** How the grease comes off, by school. */
const CLEANING: Readonly<Record<string, readonly Step[]>> = {
  soak: [step('soak', 'clean', timer('soak', 20)), step('brush', 'clean')],
  hose: [step('hose', 'clean')],
  steam: [step('steam', 'clean')],
  dishwasher: [step('dishwasher', 'clean', timer('run', 120))],
  bake: [step('bake', 'clean', timer('bake', 45))],
};

export function greaseFilter(choices: Choices): Procedure {
  const chosen = optionOf('hoodClean', choices);
  return {
    key: 'hood.greaseFilter',
    version: 1,
    kind: 'filter',
    days: { watchful: 30, steady: 90, light: 180 },
    assumed: false,
    drivers: ['cooking', 'people'],
    core: true,
    follows: ['hoodClean'],
    risk: 'fire',
    safetyCritical: true,
    level: chosen.forTenants ? 'T' : 'S',
    minutes: 15,
    kit: chosen.key === 'steam' ? ['steamCleaner', 'towels'] : ['bucket', 'bristleBrush'],
    materials: chosen.key === 'soak' ? [{ what: 'degreaser' }] : [],
    stops: ['coldHob', 'greaseFire', ...(chosen.key === 'bake' ? ['bakeFire'] : [])],
    steps: [
      step('hood.off', 'isolate', confirm('off')),
      step('out', 'open', photo('out')),
      step('grade', 'look', grade(), finds),
      ...CLEANING[chosen.key]!,
      step('dry', 'clean', timer('dry', 30)),
      step('refit', 'refit', photo('in'), confirm('locked')),
      step('hood.on', 'restore', confirm('on')),
      step('draw', 'test', confirm('draws')),
    ],
    specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}
