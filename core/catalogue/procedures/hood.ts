import { ALL, days, procedure } from '../define.ts';
import { optionOf } from '../methods.ts';
import { agent, as, confirm, finds, grade, OFF, photo, puts, runs, stepsOf, takes, timer } from '../steps.ts';
import type { Agent, Choices, Procedure, Step } from '../types.ts';

const step = stepsOf('hood.greaseFilter', OFF);
/** The grease filter comes down once, and goes back after all that is behind it. */
const DOWN = [takes('grease'), as('hood.down')];
const UP = [puts('grease'), as('hood.up')];
const DRAW = [runs('fan'), as('hood.draw')];

/** What greases off in hot water, dish soap first: it spoils no mesh. */
const SOAKS = ['dishSoap', 'degreaser', 'oxygenBleach', 'enzyme'] as const;
/** Aluminium mesh is eaten by near-boiling alkali (from memory); where nobody has said, it counts as that. */
const MESH = { choices: ['aluminium', 'steel', 'stainless'], unknown: 'aluminium' } as const;

/** How the grease comes off, by school. */
const CLEANING: Readonly<Record<string, readonly Step[]>> = {
  soak: [step('soak', 'clean', agent(...SOAKS), timer('soak', 20)), step('brush', 'clean')],
  soakShort: [step('soakShort', 'clean', agent(...SOAKS), timer('soak', 10)), step('brush', 'clean')],
  hose: [step('hose', 'clean', agent('dishSoap'))],
  steam: [step('steam', 'clean')],
  dishwasher: [step('dishwasher', 'clean', timer('run', 120))],
  bake: [step('bake', 'clean', timer('bake', 45))],
};

/** The grease filter, by the way of degreasing that was chosen; who may do it follows from the way. */
export function greaseFilter(choices: Choices): Procedure {
  const chosen = optionOf('hoodClean', choices);
  const washed: readonly Agent[] = chosen.key === 'hose' ? ['dishSoap'] : [];
  const agents = chosen.key.startsWith('soak') ? SOAKS : washed;
  return {
    key: 'hood.greaseFilter',
    version: 1,
    kind: 'filter',
    days: { watchful: 30, steady: 90, light: 180 },
    assumed: [],
    drivers: ['cooking', 'people'],
    core: true,
    follows: ['hoodClean'],
    risk: 'fire',
    safetyCritical: true,
    level: chosen.forTenants ? 'tenant' : 'staff',
    minutes: 15,
    kit: chosen.key === 'steam' ? ['steamCleaner', 'towels'] : ['bucket', 'bristleBrush'],
    materials: agents.map((it) => ({ what: it, agent: it })),
    surface: MESH,
    stops: ['coldHob', 'greaseFire', ...(chosen.key === 'bake' ? ['bakeFire'] : [])],
    steps: [
      step('out', 'open', ...DOWN, photo('out')),
      step('grade', 'look', grade(), finds),
      ...CLEANING[chosen.key]!,
      step('dry', 'clean', timer('dry', 30)),
      step('refit', 'refit', ...UP, photo('in'), confirm('locked')),
      step('draw', 'test', ...DRAW, confirm('draws')),
    ],
    specification: ['position', 'surface', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

/** Its circuit is off as well: hands come near motor, lamp and switch. */
const housing = stepsOf('hood.housing', { ...OFF, circuit: 'off' });
export const hoodHousing = procedure('hood.housing', {
  kind: 'fan',
  days: days(180, 180, 365),
  assumed: ALL,
  drivers: ['cooking'],
  risk: 'fire',
  safetyCritical: true,
  level: 'staff',
  minutes: 20,
  kit: ['cloth', 'gloves', 'light'],
  materials: [
    { what: 'degreaser', agent: 'degreaser' },
    { what: 'enzyme', agent: 'enzyme' },
  ],
  stops: ['coldHob', 'greaseFire', 'noHands', 'wiredIn'],
  steps: [
    housing('open', 'open', ...DOWN, photo('before')),
    housing('grade', 'look', grade()),
    housing('apply', 'clean', agent('degreaser', 'enzyme')),
    housing('dwell', 'clean', timer('dwell', 15)),
    housing('wipe', 'clean', photo('after')),
    housing('refit', 'refit', ...UP, confirm('locked')),
    housing('draw', 'test', ...DRAW, confirm('draws')),
  ],
  specification: ['position', 'forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
});

const charcoal = stepsOf('hood.charcoalFilter', OFF);
/** From memory; it cannot be washed. */
export const charcoalFilter = procedure('hood.charcoalFilter', {
  kind: 'filter',
  days: days(90, 120, 180),
  assumed: ALL,
  drivers: ['cooking'],
  core: true,
  risk: 'comfort',
  level: 'tenant',
  minutes: 10,
  kit: ['marker'],
  materials: [{ what: 'charcoalFilter' }],
  stops: ['coldHob', 'neverWashCharcoal'],
  steps: [
    charcoal('down', 'open', ...DOWN),
    charcoal('out', 'open', takes('own'), photo('out')),
    charcoal('grade', 'look', grade()),
    charcoal('in', 'refit', puts('own'), photo('in'), confirm('dated')),
    charcoal('up', 'refit', ...UP, confirm('locked')),
    charcoal('draw', 'test', ...DRAW, confirm('draws')),
  ],
});
