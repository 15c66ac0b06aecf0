/** The condenser dryer, and the heat-pump dryer, which is served alike. */
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
  stepsOf,
  takes,
  timer,
} from '../steps.ts';
import type { Choices, Procedure } from '../types.ts';
import { DRY_WITHIN } from '../../measure/readings.ts';
import { crayonSteps, DRY_MINUTES } from './dryer.ts';

const COOL = { ...OFF, heat: 'cool' };
const OPENED = [takes('condenser'), as('condenserDryer.open')];
const LOCKED = [puts('condenser'), as('condenserDryer.lock')];
const RUN_WARM = [runs('warm'), as('condenserDryer.run'), makes({ heat: 'hot' })];

const fluff = stepsOf('condenserDryer.fluffFilter', COOL);
/** The fluff filter, wet or dry as was chosen. */
export function fluffFilter(choices: Choices): Procedure {
  const softener = optionOf('lintWash', choices).key === 'softener';
  return procedure('condenserDryer.fluffFilter', {
    kind: 'screen',
    days: days(30, 90, 180),
    assumed: ALL,
    drivers: ['laundry', 'pets'],
    core: true,
    risk: 'fire',
    safetyCritical: true,
    level: 'tenant',
    minutes: 15,
    follows: ['lintWash'],
    version: 2,
    materials: [softener ? { what: 'softener', agent: 'softener' } : { what: 'dishSoap', agent: 'dishSoap' }],
    kit: ['softBrush', 'drainStrainer'],
    stops: ['hotDryer', 'burningSmell', 'strainer'],
    steps: [
      fluff('out', 'open', takes('own'), photo('out')),
      fluff('grade', 'look', grade()),
      fluff(
        softener ? 'washSoftener' : 'wash',
        'clean',
        agent(softener ? 'softener' : 'dishSoap'),
        photo('water'),
        confirm('water'),
      ),
      fluff('dry', 'clean', timer('dry', 60)),
      fluff('refit', 'refit', puts('own'), confirm('refit')),
      fluff('run', 'test', ...RUN_WARM, {
        ...DRY_MINUTES,
        pass: DRY_MINUTES.plausible,
        opens: { beyond: { at: DRY_WITHIN, raises: { signal: 'condenserDryer.slow' } }, drift: 'condenserDryer.slow' },
      }),
    ],
  });
}

const unit = stepsOf('condenserDryer.condenser', COOL);
export const condenserUnit = procedure('condenserDryer.condenser', {
  kind: 'filter',
  days: days(90, 180, 365),
  drivers: ['condenserPeople', 'pets'],
  core: true,
  risk: 'comfort',
  level: 'tenant',
  minutes: 30,
  kit: ['siliconeBrush', 'drainStrainer', 'towels'],
  materials: [{ what: 'paperTowel' }],
  stops: ['hotDryer', 'strainer', 'heatPumpFixed'],
  steps: [
    unit('levers', 'open', ...OPENED, photo('out')),
    unit('grade', 'look', grade(), finds),
    unit('bay', 'look', grade('cavity')),
    unit('rinse', 'clean', confirm('clear')),
    unit('drain', 'clean', timer('drain', 30)),
    unit('lock', 'refit', ...LOCKED, photo('in'), confirm('locked')),
    unit('run', 'test', ...RUN_WARM, confirm('noDrip')),
  ],
});

const bay = stepsOf('condenserDryer.bay', COOL);
export const condenserBay = procedure('condenserDryer.bay', {
  kind: 'duct',
  days: days(90, 180, 365),
  drivers: ['condenserPeople', 'pets'],
  risk: 'fire',
  safetyCritical: true,
  level: 'tenant',
  minutes: 10,
  kit: ['gloves', 'light'],
  materials: [{ what: 'paperTowel' }],
  stops: ['hotDryer', 'noVacuumDamp'],
  steps: [
    bay('open', 'open', ...OPENED, photo('before')),
    bay('grade', 'look', grade(), finds),
    bay('lift', 'clean', photo('after')),
    bay('close', 'refit', ...LOCKED, confirm('locked')),
    bay('run', 'test', ...RUN_WARM, confirm('noDrip')),
  ],
});

const seal = stepsOf('condenserDryer.drumSeal', COOL);
export const condenserDrumSeal = procedure('condenserDryer.drumSeal', {
  kind: 'seal',
  days: days(90, 180, 365),
  assumed: ALL,
  drivers: ['laundry'],
  risk: 'comfort',
  level: 'tenant',
  minutes: 5,
  kit: ['vacuum', 'light'],
  stops: ['hotDryer', 'dryToolsOnly'],
  steps: [
    seal('look', 'open', either, photo('before')),
    seal('grade', 'look', either, grade(), finding('crayon')),
    ...crayonSteps('condenserDryer.drumSeal'),
    seal('vacuum', 'clean', photo('after')),
    seal('shut', 'test', either, confirm('shut')),
  ],
});
