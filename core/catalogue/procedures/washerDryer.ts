/** What a washer-dryer asks differently from a washer: lint gathers in the boot and reaches the pump. */
import { ALL, days, procedure } from '../define.ts';
import {
  agent,
  confirm,
  either,
  finds,
  grade,
  OFF,
  OFF_DRY,
  photo,
  puts,
  runs,
  stepsOf,
  takes,
  timer,
} from '../steps.ts';
import { drainPumpFilter } from './washer.ts';

const boot = stepsOf('washerDryer.doorBoot', { ...OFF, water: 'drained' });
export const lintBoot = procedure('washerDryer.doorBoot', {
  kind: 'seal',
  days: days(30, 30, 60),
  assumed: ['light'],
  drivers: ['laundry', 'pets', 'coolWashes'],
  core: true,
  risk: 'flood',
  level: 'tenant',
  minutes: 15,
  kit: ['sponge', 'vacuum', 'light'],
  materials: [
    { what: 'dishSoap', agent: 'dishSoap' },
    { what: 'dilutedVinegar', agent: 'vinegar' },
  ],
  stops: ['oneAgent', 'waterNearPlug', 'dryBeforeVacuum'],
  steps: [
    boot('folds', 'open', photo('out')),
    boot('grade', 'look', grade(), finds),
    boot('lint', 'clean'),
    boot('scrub', 'clean', agent('dishSoap', 'vinegar')),
    boot('glass', 'clean', photo('in')),
    boot('shut', 'test', either, confirm('shut')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'localLimitDays', 'note'],
});

/** The washer's, step for step, on its own intervals. */
export const lintPumpFilter = {
  ...drainPumpFilter,
  key: 'washerDryer.drainPumpFilter',
  version: 1,
  days: days(90, 90, 180),
  drivers: ['laundry', 'pets'] as const,
};

const unit = stepsOf('washerDryer.condenser', OFF_DRY);
/** As the maker says; until a manual is entered, the condenser dryer's intervals stand in. */
export const washerCondenser = procedure('washerDryer.condenser', {
  kind: 'filter',
  days: days(90, 180, 365),
  assumed: ALL,
  drivers: ['condenserPeople', 'pets'],
  risk: 'comfort',
  level: 'staff',
  minutes: 30,
  kit: ['siliconeBrush', 'towels', 'light'],
  stops: ['hotDryer', 'makerFirst', 'waterNearPlug'],
  steps: [
    unit('out', 'open', takes('own'), photo('out')),
    unit('grade', 'look', grade(), finds),
    unit('rinse', 'clean'),
    unit('drain', 'clean', timer('drain', 30)),
    unit('lock', 'refit', puts('own'), photo('in'), confirm('locked')),
    unit('run', 'test', runs('warm'), confirm('noDrip')),
  ],
});
