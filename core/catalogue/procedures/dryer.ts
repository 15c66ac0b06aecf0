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
  OFF_OUT,
  photo,
  puts,
  runs,
  stepsOf,
  takes,
  timer,
  wants,
  when,
} from '../steps.ts';
import { DRY_WITHIN } from '../../measure/readings.ts';
import type { Choices, Procedure, Step } from '../types.ts';

/** Nothing inside is touched before it has cooled. */
const COOL = { ...OFF, heat: 'cool' };
const COOL_OUT = { ...OFF_OUT, heat: 'cool' };
const screenStep = stepsOf('dryer.lintScreen', COOL);
const ductStep = stepsOf('dryer.duct', COOL_OUT);
/** Screen, hose and outdoor flap are handled once in a sitting, and one warm run tries all of it. */
const SCREEN_OUT = [takes('screen'), as('dryer.screenOut')];
const SCREEN_IN = [puts('screen'), as('dryer.screenIn')];
const HOSE_OFF = [takes('hose'), as('dryer.hoseOff')];
const HOSE_ON = [puts('hose'), as('dryer.hoseOn')];
const RUN_WARM = [runs('warm'), as('dryer.run'), makes({ heat: 'hot' })];

/** A normal load dries within this (common practice); it is the cheapest early warning there is. */
export const DRY_MINUTES = {
  kind: 'reading',
  key: 'dryMinutes',
  unit: 'minutes',
  plausible: [10, 240],
  pass: [10, DRY_WITHIN],
  optional: true,
  worse: 'higher',
} as const;

/** The lint screen, washed as was chosen. */
export function lintScreen(choices: Choices): Procedure {
  const softener = optionOf('lintWash', choices).key === 'softener';
  return {
    key: 'dryer.lintScreen',
    version: 2,
    kind: 'screen',
    days: { watchful: 30, steady: 90, light: 180 },
    assumed: ALL,
    drivers: ['laundry', 'pets'],
    core: true,
    follows: ['lintWash'],
    risk: 'fire',
    safetyCritical: true,
    level: 'tenant',
    minutes: 15,
    kit: ['softBrush'],
    materials: [softener ? { what: 'softener', agent: 'softener' } : { what: 'dishSoap', agent: 'dishSoap' }],
    stops: ['hotDryer', 'burningSmell', 'gasTenant'],
    steps: [
      screenStep('out', 'open', ...SCREEN_OUT, photo('out')),
      screenStep('grade', 'look', grade()),
      screenStep(softener ? 'washSoftener' : 'wash', 'clean', agent(softener ? 'softener' : 'dishSoap')),
      screenStep('water', 'clean', photo('water'), confirm('water')),
      screenStep('dry', 'clean', timer('dry', 10)),
      screenStep('refit', 'refit', ...SCREEN_IN, confirm('refit')),
      screenStep('run', 'test', ...RUN_WARM, {
        // The screen is washed and water runs through it: what is slow now is the way out, and that is another job.
        ...DRY_MINUTES,
        pass: DRY_MINUTES.plausible,
        opens: { beyond: { at: DRY_WITHIN, raises: { signal: 'dryer.slow' } }, drift: 'dryer.slow' },
      }),
    ],
    specification: ['position', 'makerLimitDays', 'localLimitDays', 'note'],
  };
}

export const duct: Procedure = {
  key: 'dryer.duct',
  version: 1,
  kind: 'duct',
  days: { watchful: 180, steady: 365, light: 365 },
  assumed: [],
  drivers: ['laundry', 'pets'],
  core: true,
  follows: [],
  risk: 'fire',
  safetyCritical: true,
  level: 'staff',
  minutes: 60,
  kit: ['ductBrush', 'drill', 'vacuum', 'straps', 'light'],
  materials: [],
  stops: ['hotDryer', 'burningSmell', 'gasStaff', 'roofOutlet'],
  steps: [
    ductStep('hose', 'open', ...HOSE_OFF, photo('out')),
    ductStep('grade', 'look', grade(), finds),
    ductStep('brush', 'clean'),
    ductStep('outlet', 'clean'),
    ductStep('refit', 'refit', ...HOSE_ON, photo('in'), confirm('clearance')),
    ductStep('hood', 'refit', either, wants(OFF), as('dryer.flap'), photo('hood'), confirm('flap')),
    ductStep('feel', 'test', ...RUN_WARM, confirm('strong'), {
      ...DRY_MINUTES,
      opens: { beyond: { at: DRY_WITHIN, raises: { symptom: 'dryer.stillSlow' } } },
    }),
  ],
  specification: ['duct', 'position', 'access', 'makerLimitDays', 'localLimitDays', 'note'],
};

const slotStep = stepsOf('dryer.slot', COOL);
export const screenSlot = procedure('dryer.slot', {
  kind: 'duct',
  days: days(180, 180, 365),
  assumed: ALL,
  drivers: ['laundry', 'pets'],
  risk: 'fire',
  safetyCritical: true,
  level: 'tenant',
  minutes: 15,
  kit: ['narrowNozzle', 'softBrush', 'light'],
  stops: ['hotDryer', 'burningSmell', 'gasTenant', 'dryToolsOnly'],
  steps: [
    slotStep('open', 'open', ...SCREEN_OUT, photo('before')),
    slotStep('grade', 'look', grade(), finds),
    slotStep('vacuum', 'clean'),
    slotStep('brush', 'clean', photo('after')),
    slotStep('refit', 'refit', ...SCREEN_IN, confirm('refit')),
    slotStep('run', 'test', ...RUN_WARM, confirm('quiet')),
  ],
});

const hoseStep = stepsOf('dryer.transitionHose', COOL_OUT);
export const transitionHose = procedure('dryer.transitionHose', {
  kind: 'duct',
  days: days(180, 365, 365),
  drivers: ['laundry', 'pets'],
  core: true,
  risk: 'fire',
  safetyCritical: true,
  level: 'staff',
  minutes: 30,
  kit: ['vacuum', 'narrowNozzle', 'straps', 'light', 'tapeMeasure'],
  materials: [{ what: 'transitionDuct' }],
  stops: ['hotDryer', 'burningSmell', 'gasStaff', 'dryToolsOnly'],
  steps: [
    hoseStep('ends', 'open', ...HOSE_OFF, photo('out')),
    hoseStep('grade', 'look', grade(), finds),
    hoseStep('judge', 'look'),
    hoseStep('vacuum', 'clean'),
    hoseStep('strap', 'refit', ...HOSE_ON, photo('in'), confirm('strapped')),
    hoseStep('feel', 'test', ...RUN_WARM, confirm('strong')),
  ],
});

const outlet = stepsOf('dryer.outdoorHood', OFF);
export const outdoorHood = procedure('dryer.outdoorHood', {
  kind: 'screen',
  days: days(90, 180, 365),
  assumed: ALL,
  drivers: ['laundry'],
  risk: 'fire',
  safetyCritical: true,
  level: 'staff',
  minutes: 20,
  kit: ['gloves', 'softBrush', 'light'],
  stops: ['roofOutlet', 'stepSafely', 'burningSmell'],
  steps: [
    outlet('look', 'open', photo('out')),
    outlet('grade', 'look', grade(), finds),
    outlet('clear', 'clean'),
    outlet('flap', 'clean', as('dryer.flap'), photo('after'), confirm('moves')),
    outlet('blows', 'test', ...RUN_WARM, confirm('opens')),
  ],
});

const drum = stepsOf('dryer.drumSeal', COOL);
/**
 * Melted crayon: warmed in the empty machine while it has power, and wiped once it can be touched, unplugged. The same
 * on every dryer.
 */
export function crayonSteps(point: string): Step[] {
  const step = stepsOf(point, COOL);
  return [
    step('dryer.crayonWarm', 'clean', runs('warm'), when('crayon'), makes({ heat: 'hot' }), timer('warm', 10)),
    step(
      'dryer.crayonCool',
      'clean',
      either,
      wants({ power: 'off' }),
      { hands: 'outside' },
      when('crayon'),
      makes({ heat: 'cool' }),
      timer('cool', 15),
    ),
    step('dryer.crayonWipe', 'clean', when('crayon')),
  ];
}

export const drumSeal = procedure('dryer.drumSeal', {
  kind: 'seal',
  days: days(90, 180, 365),
  assumed: ALL,
  drivers: ['laundry'],
  risk: 'comfort',
  level: 'tenant',
  minutes: 5,
  kit: ['vacuum', 'cloth', 'light'],
  stops: ['hotDryer', 'gasTenant', 'dryToolsOnly'],
  steps: [
    drum('look', 'open', either, photo('before')),
    drum('grade', 'look', either, grade(), finding('crayon')),
    ...crayonSteps('dryer.drumSeal'),
    drum('wipe', 'clean', photo('after')),
    drum('shut', 'test', either, confirm('shut')),
  ],
});

const cabinet = stepsOf('dryer.cabinet', COOL_OUT);
export const cabinetBack = procedure('dryer.cabinet', {
  kind: 'fan',
  days: days(180, 365, 365),
  assumed: ALL,
  drivers: ['laundry', 'pets'],
  risk: 'fire',
  safetyCritical: true,
  level: 'staff',
  minutes: 10,
  kit: ['vacuum', 'narrowNozzle', 'light'],
  stops: ['hotDryer', 'gasStaff', 'dryToolsOnly'],
  steps: [
    cabinet('look', 'open', photo('before')),
    cabinet('grade', 'look', grade(), finds),
    cabinet('vacuum', 'clean', photo('after')),
    cabinet('run', 'test', ...RUN_WARM, confirm('quiet')),
  ],
});
