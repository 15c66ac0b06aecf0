/** A ductless indoor unit and a heat-recovery ventilation unit. Intervals and steps are from memory. */
import type { MachineDefinition } from '../definition.ts';
import { days } from '../define.ts';
import { FROM_MEMORY, part, step } from './short.ts';

const LOOK = 'Pick the nearest picture.';

export const ductless: MachineDefinition = {
  name: 'Ductless indoor unit',
  fuels: ['electric'],
  isolation: 'circuit',
  drains: true,
  source: FROM_MEMORY,
  parts: [
    part(
      {
        key: 'screen',
        kind: 'screen',
        name: 'Air filters',
        task: 'Wash the air filters',
        why: 'Clogged filters ice the coil, and the room is neither cooled nor heated.',
        mistakes: 'Putting them back wet. Hot water, which warps them. A brush on the coil behind.',
        days: days(14, 30, 60),
        risk: 'health',
        level: 'tenant',
        minutes: 15,
        kit: ['Step stool', 'Vacuum cleaner with a soft brush'],
        cautions: ['Stand on a firm stool or leave it. Nothing behind the filters is for your hands.'],
      },
      [
        step(
          'open',
          'Lift the front, take the filters out',
          'Raise the cover until it holds, lift each filter a little, draw it down.',
          { wants: 'still', part: 'out', photo: 'The filters, taken out' },
        ),
        step('look', 'How full are they?', LOOK, { wants: 'still', grade: true, finds: true }),
        step(
          'clean',
          'Vacuum, then rinse',
          'Vacuum the outer side. Still grey? Rinse with lukewarm water from the inside out.',
          { wants: 'still' },
        ),
        step('clean', 'Dry in the shade', 'Shake them, let them dry whole. Not on a radiator.', {
          wants: 'still',
          confirm: 'They are dry',
          wait: 60,
        }),
        step('refit', 'Filters back, cover shut', 'Push each up until it clicks, shut the cover.', {
          wants: 'still',
          part: 'in',
          photo: 'The filters, back in their place',
        }),
        step('test', 'Let it run', 'A few minutes: air comes evenly, nothing rattles or drips.', {
          wants: 'runs',
          confirm: 'It blows evenly, no drip',
        }),
      ],
    ),
    part(
      {
        key: 'coil',
        kind: 'coil',
        name: 'Coil and fan wheel',
        task: 'Clean coil and fan wheel',
        why: 'Dust on a wet coil grows mould; a furred wheel moves little air.',
        mistakes: 'A pressure washer. Water towards the electrical side. Bent fins.',
        days: days(180, 365, 730),
        risk: 'health',
        level: 'staff',
        minutes: 60,
        kit: ['Coil brush', 'Washing bag for the unit', 'Torch', 'Gloves'],
        cautions: ['Opening the refrigerant side is work for a licensed trade.'],
      },
      [
        step('open', 'Cover and filters off, bag under it', 'Protect wall and floor.', {
          wants: 'off',
          photo: 'Coil and wheel as they were found',
        }),
        step('look', 'How fouled is the coil?', `Torch along the fins and onto the wheel. ${LOOK}`, {
          wants: 'off',
          grade: true,
          finds: true,
        }),
        step(
          'clean',
          'Brush along the fins, then the wheel',
          'Along the fins only. Turn the wheel by hand, blade by blade.',
          {
            wants: 'off',
            agents: ['dishSoap', 'water'],
            caution: 'Keep water away from the electrical side and its motor.',
          },
        ),
        step('refit', 'Bag off, filters and cover back', 'Nothing left inside.', {
          wants: 'off',
          photo: 'Coil and wheel, clean',
        }),
        step('test', 'Let it cool for ten minutes', 'Even air, no rattle, water leaves by the drain.', {
          wants: 'runs',
          confirm: 'It cools, water leaves by the drain',
          wait: 10,
        }),
      ],
    ),
    part(
      {
        key: 'drain',
        kind: 'drain',
        name: 'Condensate drain',
        task: 'Clear the condensate drain',
        why: 'A blocked drain comes down the wall.',
        mistakes: 'Blowing into the unit instead of out of it.',
        days: days(90, 180, 365),
        risk: 'flood',
        level: 'staff',
        minutes: 20,
        kit: ['Wet vacuum', 'Jug', 'Towels'],
        cautions: ['Never two agents in one drain on a day.'],
      },
      [
        step('open', 'Cover off, tray in sight', 'Towels below.', { wants: 'off', photo: 'The tray as it was found' }),
        step('look', 'What stands in the tray?', LOOK, { wants: 'off', grade: true, finds: true }),
        step(
          'clean',
          'Draw the drain empty from its outer end',
          'A minute with the wet vacuum, rag around the joint.',
          { wants: 'off' },
        ),
        step('clean', 'Pour a jug of water into the tray', 'It leaves as fast as it is poured.', {
          wants: 'off',
          photo: 'Water leaving at the outer end',
        }),
        step('refit', 'Cover back', 'Nothing left inside.', { wants: 'off' }),
        step('test', 'Let it cool', 'Ten minutes: drops at the outer end, none at the wall.', {
          wants: 'runs',
          confirm: 'No drop at the wall',
          wait: 10,
        }),
      ],
    ),
  ],
};

export const heatRecovery: MachineDefinition = {
  name: 'Heat-recovery ventilation unit',
  fuels: ['electric'],
  isolation: 'plug',
  drains: true,
  source: FROM_MEMORY,
  parts: [
    part(
      {
        key: 'filter',
        kind: 'filter',
        name: 'Filters',
        task: 'Change or clean the filters',
        why: 'Full filters put the house under pressure or vacuum, and damp stays in.',
        mistakes: 'Only one of the two changed. The arrow against the air.',
        days: days(60, 90, 180),
        risk: 'health',
        level: 'tenant',
        minutes: 15,
        kit: ['New filters of the size that is printed on them', 'Vacuum cleaner'],
      },
      [
        step('open', 'Open the flap, take both out', 'Mark which was which, and which side faced out.', {
          wants: 'off',
          part: 'out',
          photo: 'Both filters, taken out',
        }),
        step('look', 'How full are they?', `The outdoor one decides. ${LOOK}`, {
          wants: 'off',
          grade: true,
          finds: true,
        }),
        step('clean', 'Vacuum the slots', 'Crumbs and insects out of the guides.', { wants: 'off' }),
        step('refit', 'New filters in, flap shut', 'The arrow goes with the air.', {
          wants: 'off',
          part: 'in',
          photo: 'The new filters with their arrows',
        }),
        step('test', 'Let it run, reset its reminder', 'Air at one inlet and one outlet.', {
          wants: 'runs',
          confirm: 'It runs, air moves both ways',
        }),
      ],
    ),
    part(
      {
        key: 'coil',
        kind: 'coil',
        name: 'Exchanger core',
        task: 'Wash the exchanger core',
        why: 'A furred core gives no heat back, and freezes in winter.',
        mistakes: 'Hot water or strong soap on a core that must not be washed: look at its label first.',
        days: days(180, 365, 365),
        risk: 'health',
        level: 'staff',
        minutes: 45,
        kit: ['Soft brush', 'Lukewarm water', 'Towels'],
        cautions: ['A membrane core (for humidity) is vacuumed only.'],
      },
      [
        step('open', 'Filters out, core on its guides out', 'Both hands: it is heavier than it looks.', {
          wants: 'off',
          part: 'out',
          photo: 'The core, taken out',
        }),
        step('look', 'How fouled are its faces?', LOOK, { wants: 'off', grade: true }),
        step('clean', 'Vacuum, then rinse where its label allows', 'Both directions, then let it drain and dry.', {
          wants: 'off',
          agents: ['water', 'dishSoap'],
          wait: 60,
        }),
        step('refit', 'Core and filters back', 'The mark on the core points as it did.', {
          wants: 'off',
          part: 'in',
          photo: 'The core, back in its place',
        }),
        step('test', 'Let it run', 'No rattle, air both ways.', { wants: 'runs', confirm: 'It runs evenly' }),
      ],
    ),
    part(
      {
        key: 'screen',
        kind: 'screen',
        name: 'Outdoor hoods',
        task: 'Clear the outdoor hoods',
        why: 'Leaves and nests stop the fresh air first.',
        days: days(90, 180, 365),
        risk: 'health',
        level: 'staff',
        minutes: 20,
        kit: ['Ladder', 'Brush'],
        cautions: ['A hood above the ground floor is reached from a safe place or left to a licensed trade.'],
      },
      [
        step('open', 'Take the screen of the intake off', 'Photograph what lay on it.', {
          wants: 'off',
          part: 'out',
          photo: 'The intake’s screen, taken off',
        }),
        step('look', 'How blocked is it?', LOOK, { wants: 'off', grade: true, finds: true }),
        step('clean', 'Brush both hoods', 'Flaps move freely.', { wants: 'off' }),
        step('refit', 'Screen back', 'It sits all round.', { wants: 'off', part: 'in', photo: 'The hoods, clear' }),
        step('test', 'Let it run', 'A hand at each hood: one draws, one blows.', {
          wants: 'runs',
          confirm: 'One draws, one blows',
        }),
      ],
    ),
  ],
};
