/** The disposer, and the household's drains. */
import { US_FLUID_OUNCE_ML } from '../../quantities/volume.ts';
import { days, procedure } from '../define.ts';
import { agent, confirm, grade, photo, runs, stepsOf, timer } from '../steps.ts';

const disposer = stepsOf('disposer.clean');
export const disposerClean = procedure('disposer.clean', {
  kind: 'drain',
  days: days(30, 30, 60),
  assumed: ['light'],
  core: true,
  risk: 'comfort',
  level: 'tenant',
  minutes: 5,
  kit: ['light'],
  materials: [{ what: 'disposerCleaner', agent: 'cleaner' }],
  stops: ['grinder', 'oneAgent'],
  steps: [
    disposer('look', 'open', photo('before')),
    disposer('grade', 'look', grade()),
    disposer('run', 'clean', runs('grind'), agent('cleaner')),
    disposer('rinse', 'clean', runs('grind'), photo('after')),
    disposer('hum', 'test', runs('grind'), confirm('clear')),
  ],
  specification: ['forbiddenAgents', 'makerLimitDays', 'note'],
});

/** Nothing goes down until the morning; the test is then. */
export const NIGHT_MINUTES = 480;
const drain = stepsOf('drains.dose');
export const drainDose = procedure('drains.dose', {
  kind: 'drain',
  days: days(30, 30, 60),
  assumed: ['light'],
  core: true,
  risk: 'comfort',
  level: 'tenant',
  minutes: 10,
  kit: ['container'],
  materials: [{ what: 'enzyme', volumeMl: 2 * US_FLUID_OUNCE_ML, each: 'drain', agent: 'enzyme' }],
  agentIsAll: true,
  stops: ['oneAgent', 'noBleachToday'],
  steps: [
    drain('count', 'open', photo('slowest')),
    drain('grade', 'look', grade()),
    drain('dose', 'clean', agent('enzyme')),
    drain('rest', 'refit', confirm('rest'), timer('night', NIGHT_MINUTES)),
    drain('run', 'test', confirm('runs')),
  ],
  specification: ['drainCount', 'forbiddenAgents', 'makerLimitDays', 'note'],
});
