/** Smoke and carbon-monoxide alarms. Intervals and steps are from memory; local code goes first. */
import type { MachineDefinition, PartDefinition } from '../definition.ts';
import { days } from '../define.ts';
import { FROM_MEMORY, part, step } from './short.ts';

const LOCAL =
  'Local code says where alarms stand, how they are joined and who may see to them. Wired alarms are opened by a licensed trade only.';

function testOf(words: { why: string; real: string }, often: PartDefinition['days']): PartDefinition {
  return part(
    {
      key: 'sensor',
      kind: 'sensor',
      name: 'Alarm test',
      task: 'Test the alarm',
      why: words.why,
      mistakes: 'Warning nobody first. Taking its battery out because it was loud.',
      days: often,
      risk: 'health',
      safetyCritical: true,
      level: 'tenant',
      minutes: 5,
      cautions: [LOCAL, words.real],
    },
    [
      step('open', 'Tell everybody that it will be loud', 'Neighbours too, where alarms are joined.', {
        confirm: 'Everybody knows',
      }),
      step(
        'test',
        'Press its test button until it sounds',
        'From a firm stool or with a stick. It sounds at once, and stops by itself.',
        {
          confirm: 'It sounded',
          photo: 'The alarm with its light',
          caution: 'No sound? Say so at once: until it works, this home has no alarm.',
        },
      ),
    ],
  );
}

const VENTS = part(
  {
    key: 'sensor2',
    kind: 'sensor',
    name: 'Vents',
    task: 'Vacuum the vents',
    why: 'Dust and insects make it blind, or make it cry wolf.',
    mistakes: 'Sprays and wet cloths. Paint over it.',
    days: days(180, 180, 365),
    risk: 'health',
    level: 'tenant',
    minutes: 10,
    scheduled: false,
    kit: ['Vacuum cleaner with a soft brush'],
    cautions: [LOCAL],
  },
  [
    step('clean', 'Vacuum around its vents', 'From outside, without opening it.', { photo: 'The vents, free of dust' }),
    step('test', 'Press its test button', 'It sounds as before.', { confirm: 'It sounded' }),
  ],
);

const BATTERY = part(
  {
    key: 'sensor3',
    kind: 'sensor',
    name: 'Battery',
    task: 'Change the battery',
    why: 'A chirp at night ends with the battery on the table, and nobody is warned.',
    mistakes: 'A used battery. A sealed alarm broken open: that one is replaced whole.',
    days: days(365, 365, 365),
    risk: 'health',
    safetyCritical: true,
    level: 'staff',
    minutes: 10,
    kit: ['New battery of the printed kind', 'Ladder'],
    cautions: [LOCAL],
  },
  [
    step('open', 'Turn it off its plate, old battery out', 'Sealed for ten years? Then only its date is read.', {
      part: 'out',
      photo: 'The old battery and the date on the back',
    }),
    step(
      'refit',
      'New battery in, back on its plate',
      'Plus to plus; it does not close over a battery that is in wrong.',
      { part: 'in', confirm: 'It is closed' },
    ),
    step('test', 'Press its test button', 'It sounds at once.', { confirm: 'It sounded' }),
  ],
);

const replaced = (years: string, often: PartDefinition['days']): PartDefinition =>
  part(
    {
      key: 'sensor4',
      kind: 'sensor',
      name: 'Replacement by its date',
      task: 'Replace the alarm',
      why: `Its cell wears out: ${years} from the date on its back, whatever its test says.`,
      mistakes: 'Counting from the day it was hung up.',
      days: often,
      risk: 'health',
      safetyCritical: true,
      level: 'staff',
      minutes: 20,
      kit: ['New alarm of the same kind', 'Ladder'],
      cautions: [LOCAL],
    },
    [
      step('open', 'Turn the old one off its plate', 'Read the date on its back.', {
        part: 'out',
        photo: 'The date on the back of the old one',
      }),
      step('refit', 'The new one on its plate', 'Write today’s date on its back first.', {
        part: 'in',
        photo: 'The new one with its date',
      }),
      step('test', 'Press its test button', 'And that of one joined to it: both sound.', { confirm: 'It sounded' }),
    ],
  );

export const smokeAlarm: MachineDefinition = {
  name: 'Smoke alarm',
  fuels: ['electric'],
  isolation: 'none',
  drains: false,
  source: FROM_MEMORY,
  parts: [
    testOf(
      {
        why: 'An alarm that nobody has heard this month may be one that nobody will hear.',
        real: 'Real smoke: everybody out, then call the fire service from outside.',
      },
      days(7, 30, 30),
    ),
    VENTS,
    BATTERY,
    replaced('ten years', days(3650, 3650, 3650)),
  ],
};

export const carbonMonoxideAlarm: MachineDefinition = {
  name: 'Carbon monoxide alarm',
  fuels: ['electric'],
  isolation: 'none',
  drains: false,
  source: FROM_MEMORY,
  parts: [
    testOf(
      {
        why: 'The gas has no smell. This is the only thing that notices.',
        real: 'It sounds by itself: everybody out into fresh air, then the emergency number; nobody goes back in.',
      },
      days(7, 30, 30),
    ),
    VENTS,
    BATTERY,
    replaced('five to ten years, by its maker', days(1825, 2555, 3650)),
  ],
};
