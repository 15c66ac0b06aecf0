/** English text of the outdoor unit, the thermostat, the room air cleaner and the bathroom fan. */
import { machineWords, procedureWords } from './wording.ts';

export const airText = {
  ...machineWords('returnGrille', 'Return grille with a filter'),
  ...machineWords('outdoorUnit', 'Outdoor unit', {
    off: [
      'Pull the outdoor disconnect',
      'Thermostat to off first. Then pull the disconnect at the outdoor unit and keep it in your pocket. Wait until the fan stands still.',
      'No disconnect to be found, or its box is loose or wet? Stop: that is work for a licensed trade.',
      'It is out',
    ],
    on: [
      'Disconnect back in',
      'Everything off the unit, panel and grille closed, then push the disconnect home and set the thermostat back.',
      'Hands and ground around the disconnect are dry.',
      'It is in',
    ],
  }),
  ...procedureWords('outdoorUnit.coil', {
    point: 'Outdoor coil',
    task: 'Rinse the outdoor coil',
    why: 'A coil full of fluff and leaves burns money and wears the compressor out.',
    mistakes:
      'Spraying across the fins instead of along them, which folds them flat. A pressure washer. Forgetting the disconnect at the end.',
    steps: {
      clear: [
        'Clear around and on top',
        'Leaves, grass, bags: a forearm’s length free on every side. Photograph the worst face.',
      ],
      grade: ['How full are the fins?', 'Look along them against the light. Pick the nearest picture.'],
      spray: [
        'Spray along the fins',
        'A gentle spray, top to bottom, in the direction the fins run, on most units upright. From the inside outwards where the top may be lifted.',
        'No pressure washer, no brush across. Water stays away from the electrical side.',
      ],
      straight: ['Look at the fins', 'They stand straight and light shows between them. Photograph the same face.'],
      run: [
        'Let it run',
        'Cooling for a few minutes: the fan turns, the air out of the top is warm, nothing rattles. Not so? Off again and tell the office.',
      ],
    },
    confirm: { runs: 'It runs smoothly and blows warm' },
    photo: { before: 'Coil, before', after: 'Coil, rinsed' },
  }),
  ...machineWords('thermostat', 'Thermostat'),
  ...procedureWords('thermostat.battery', {
    point: 'Thermostat battery',
    task: 'Change the thermostat’s batteries',
    why: 'A flat battery stops the heating on the coldest night.',
    mistakes: 'One new battery beside an old one. Plus and minus swapped. The set temperature not put back.',
    steps: {
      out: [
        'Cover off, old batteries out',
        'Thick wires, or 230 V on the plate? It is not opened: tell us. Else pull the cover straight off, or slide it. Note whether they are AA or AAA. Photograph them in place.',
      ],
      in: [
        'New ones in',
        'All of them new and alike, plus to plus as drawn inside. The old ones go to the battery collection.',
      ],
      answers: [
        'Does it answer?',
        'The display lights up, no battery mark. Turn it up a degree: within minutes something starts. Photograph the display.',
      ],
    },
    confirm: { polarity: 'All new, plus to plus', answers: 'It lights up and the heating or cooling answers' },
    photo: { old: 'Old batteries in place', lit: 'Display, lit' },
  }),
  ...machineWords('airCleaner', 'Room air cleaner', {
    off: [
      'Off, unplugged, space cleared',
      'Off with its control, off at the wall, plug out. Clear a large place to lay the parts on, so that none is lost.',
      undefined,
      'It is unplugged',
    ],
    on: [
      'Plug it in again',
      'Every part clicked in, front cover on with its top edge first. Dry hands, then the plug.',
      undefined,
      'It is plugged in',
    ],
  }),
  ...procedureWords('airCleaner.preFilter', {
    point: 'Pre-filter',
    task: 'Vacuum the air cleaner’s pre-filter',
    why: 'It keeps hair and fluff from the parts that cost money.',
    mistakes: 'Washing it and putting it back damp. Drying it in the sun, which warps it.',
    steps: {
      out: ['Front off, pre-filter out', 'Pull the front cover off and lift the mesh out. Photograph it held up.'],
      grade: ['How full was it?', 'Hold it to a light and pick the nearest picture.'],
      vacuum: [
        'Vacuum it, both sides',
        'Soft brush for the corners. Heavy? Wash it in lukewarm water instead, nothing hotter.',
      ],
      dry: [
        'Dry before it goes back',
        'Vacuumed only: it is dry already. Washed: in the shade, in moving air, until no drop is left.',
      ],
      in: ['Put it back', 'Mesh in until it clicks, cover top edge first. Photograph it in place.'],
      run: ['Let it run', 'It starts quietly and air comes out. No crackle.'],
    },
    confirm: { dry: 'It is dry', runs: 'It runs quietly' },
    photo: { out: 'Pre-filter, out', in: 'Pre-filter, in' },
  }),
  ...procedureWords('airCleaner.ioniser', {
    point: 'Ioniser frame and plates',
    task: 'Clean the ioniser frame and plates',
    why: 'Dust on the plates is dust that stays in the room.',
    mistakes: 'A fibre left on a wire: it crackles. Refitted damp. Plates the wrong way round.',
    steps: {
      out: [
        'Take frame and plates out',
        'As they come, laid down in order. The plates face away from you when they go back. Photograph them.',
      ],
      grade: ['How dirty are they?', 'The plates between the wires count most.'],
      vacuum: ['Vacuum them', 'Nozzle held off the wires.'],
      soak: [
        'Heavy? Soak an hour',
        'Lukewarm water, an hour, then a rinse. Only vacuumed? Say that it is done.',
        'Never hot water, never the dishwasher.',
      ],
      fibres: [
        'Take off every fibre',
        'Gloves on, a swab along each wire: what lint stays there makes it crackle. Photograph the clean plates.',
        'Wires are thin: along them, never across.',
      ],
      dry: ['A day to dry', 'In the shade, ventilated, never in the sun. Come back to this step when it is dry.'],
      in: ['Back in, last out first', 'Each part until it clicks.'],
      run: ['Let it run', 'Ten minutes: no crackle, no smell.'],
    },
    confirm: {
      dry: 'Everything has dried for a day, or was never wet',
      clicked: 'Each part clicked in',
      runs: 'No crackle, no smell',
    },
    photo: { out: 'Frame and plates, out', clean: 'Plates, clean' },
  }),
  ...procedureWords('airCleaner.needles', {
    point: 'Discharge needles',
    task: 'Clean the discharge needles',
    why: 'Needles with a crust deodorise less, and a lamp says so only late.',
    mistakes: 'Bending a needle. Wiping them without gloves. Refitting damp.',
    steps: {
      out: [
        'Take the needle unit out',
        'By its handle, needles away from you. Photograph it.',
        'Needles prick. Rubber gloves on.',
      ],
      look: ['How crusted are they?', 'A grey or white beard on the tips is the dirt that counts.'],
      soak: ['Soak an hour', 'Lukewarm water, the unit lying level, never on its tips. Gloves on.'],
      swab: ['Swab each needle', 'A wet swab from the root to the tip, without bending it.'],
      rinse: ['Rinse and drain', 'Under running water, shaken out. Photograph the clean needles.'],
      dry: ['Dry in the shade', 'Ventilated, never in the sun. Come back to this step when it is dry.'],
      in: ['Click it in', 'Then the parts before it, front cover top edge first.'],
      lamp: ['Lamp out?', 'Reset it where it has a button. After ten minutes the lamp stays out.'],
    },
    confirm: {
      straight: 'No needle is bent',
      dry: 'It is dry',
      clicked: 'It clicked in',
      lampOff: 'Its lamp stays out',
    },
    photo: { out: 'Needles, before', clean: 'Needles, clean' },
  }),
  ...procedureWords('airCleaner.catalyst', {
    point: 'Deodorising catalyst',
    task: 'Vacuum the deodorising catalyst',
    why: 'Dust on it leaves smells in the room.',
    mistakes: 'Washing it: water deforms it for good.',
    steps: {
      out: ['Take it out', 'The dark honeycomb behind the filter. Photograph it.', 'It never meets water.'],
      grade: ['How dusty is it?', 'Marks and dust on the face.'],
      vacuum: ['Vacuum only', 'Both faces, brush nozzle, no pressure.'],
      in: ['Put it back', 'Until it clicks. Photograph it.'],
      run: ['Let it run', 'Quiet, and no smell after ten minutes.'],
    },
    confirm: { runs: 'It runs, no smell' },
    photo: { out: 'Catalyst, out', in: 'Catalyst, in' },
  }),
  ...procedureWords('airCleaner.pleatedFilter', {
    point: 'Pleated filter',
    task: 'Change the pleated filter',
    why: 'When its lamp comes on, it holds all it can.',
    mistakes: 'The coloured side towards you. Washing it. Forgetting to reset the lamp.',
    steps: {
      out: ['Old filter out', 'Into a bag, level. Photograph it and its date.'],
      grade: ['How full was it?', 'Grey between the pleats, or black?'],
      in: [
        'New one in, white side towards you',
        'Out of its wrapper, date written on the frame. Photograph it before the cover goes on.',
      ],
      lamp: ['Reset the lamp', 'Hold its button until the lamp is out, then let it run.'],
    },
    confirm: { whiteSide: 'White side towards me, dated', lampOff: 'The lamp is out' },
    photo: { out: 'Old filter, out', in: 'New filter, in' },
  }),
  ...procedureWords('airCleaner.sensorInlet', {
    point: 'Air and odour sensor',
    task: 'Clear the air cleaner’s sensor',
    why: 'A dusty sensor thinks that the air is clean.',
    mistakes: 'A wet cloth, or a spray into the opening.',
    steps: {
      look: ['Find the small grille', 'On the side or the back. Photograph it.'],
      clear: ['Vacuum or wipe it', 'Vacuum, or a cloth that is barely damp. Nothing goes in.'],
      reacts: ['Does it react?', 'Breathe on it: the colour or the speed changes.'],
    },
    confirm: { reacts: 'It reacts' },
    photo: { before: 'Sensor grille, before' },
  }),
  ...machineWords('bathFan', 'Bathroom fan', {
    off: [
      'Fan off',
      'Switch the fan off, and the light where they share a switch. Wait until it stands. Staff switch its circuit off.',
      undefined,
      'It stands still',
    ],
    on: ['Fan on', 'Grille closed, switch on.', undefined, 'It is on'],
  }),
  ...procedureWords('bathFan.grille', {
    point: 'Fan grille',
    task: 'Wash the bathroom fan’s grille',
    why: 'A blocked grille keeps the damp in the room; mould follows.',
    mistakes: 'Prising with a screwdriver instead of pulling straight. Spring wires hung back on the wrong side.',
    steps: {
      pull: [
        'Pull the grille straight down',
        'Both hands, straight down or out. Two spring wires hold it: squeeze them together to free it. Photograph it.',
        'Both feet on the floor or a steady step. Too high? Leave it and tell us.',
      ],
      grade: ['How full was it?', 'Fluff in the slots, not stains.'],
      wash: ['Wash it', 'Warm water, dish soap, a soft brush.'],
      dry: ['Dry it', 'With a towel; no drop goes up.'],
      in: ['Wires in, push up', 'Squeeze the two wires into their slots and push until it sits flat. Photograph it.'],
      tissue: ['Tissue test', 'A sheet of tissue at the running grille: it stays there.'],
    },
    confirm: { dry: 'It is dry', holds: 'It holds the tissue' },
    photo: { out: 'Grille, off', in: 'Grille, back' },
  }),
  ...procedureWords('bathFan.motor', {
    point: 'Fan housing',
    task: 'Vacuum the bathroom fan’s housing',
    why: 'Fluff on the blades makes it loud, weak and hot.',
    mistakes: 'Reaching in by hand. Vacuuming while it can start.',
    steps: {
      open: [
        'Grille off, look in',
        'Circuit off. Light on the blades. Photograph them.',
        'Power is off at the circuit, not only at the switch.',
      ],
      grade: ['How much sits on blades and housing?', 'Pick the nearest picture.'],
      vacuum: ['Vacuum, nozzle only', 'Blades, housing, the flap behind. Hands stay out.'],
      spin: [
        'Does it spin?',
        'Turn it with the nozzle or a stick: freely, no grinding. The flap behind falls open and shut.',
      ],
      close: [
        'Grille back',
        'Spring wires squeezed in, flat against the ceiling. Photograph the inside before you close it.',
      ],
      tissue: [
        'Tissue test',
        'A sheet of tissue at the running grille: it stays there. It falls? The duct is blocked or loose: report it.',
      ],
    },
    confirm: { spins: 'It spins freely, the flap moves', holds: 'It holds the tissue' },
    photo: { before: 'Housing, before', after: 'Housing, clean' },
  }),
} as const;

export const moreAirHandlerText = {
  'machine.mediaAirHandler': 'Air handler, media cabinet',
  ...machineWords('airHandler', 'Air handler, 1-inch filter', {
    idle: ['Fan to off', 'Set the thermostat to off, so that no air moves.', undefined, 'It is quiet'],
    again: ['Thermostat back', 'Set it to where it was.', undefined, 'It is back'],
  }),
  ...procedureWords('airHandler.mediaFilter', {
    point: 'Media filter',
    task: 'Change the media filter',
    why: 'The deep filter lasts long, and starves the fan all the same once it is full.',
    mistakes: 'The arrow against the air. A one-inch filter wedged into the deep cabinet: air goes round it.',
    steps: {
      out: [
        'Cabinet open, old filter out',
        'Slide it straight out, level. Photograph the dirty side.',
        undefined,
        'It is out',
      ],
      grade: ['How full was it?', 'Hold it to a light. Deep pleats hide dust: look between them.'],
      size: ['Read the size on the frame', 'Three numbers, the last is the depth: 4 or 5 inches (100 or 125 mm).'],
      vacuum: ['Vacuum the cabinet', 'Floor of the cabinet and its door seal.'],
      arrow: [
        'New one in, arrow towards the unit',
        'It glides in its guides; date on the frame, door shut on its seal.',
        'One that binds is the wrong size. No force.',
      ],
      air: ['Feel for air', 'Fan on: air at a register, no whistle at the cabinet.'],
    },
    confirm: { arrow: 'Arrow with the air, no force, dated', air: 'Air comes, nothing whistles' },
    photo: { out: 'Old filter, out', in: 'New filter, arrow visible' },
  }),
  ...procedureWords('airHandler.registers', {
    point: 'Grilles and registers',
    task: 'Vacuum the grilles and registers',
    why: 'What hangs on the grilles is breathed or pulled into the filter.',
    mistakes: 'Standing on a chair. Shutting a register and forgetting it: the fan works against it.',
    steps: {
      look: [
        'Go from grille to grille',
        'Return grilles where air goes in, registers where it comes out. Photograph the dustiest.',
      ],
      grade: ['How dusty?', 'The dustiest one counts.'],
      vacuum: ['Vacuum them', 'Brush nozzle along the slats, those you reach from the floor. Photograph the same one.'],
      air: ['All open?', 'Fan on: every register is open and air comes.'],
    },
    confirm: { air: 'All are open and air comes' },
    photo: { out: 'Dustiest grille, before', after: 'The same, clean' },
  }),
  ...procedureWords('airHandler.condensateTrap', {
    point: 'Condensate trap',
    task: 'Brush and flush the condensate trap',
    why: 'The bend holds the slime that later blocks the line.',
    mistakes:
      'Flushing only: growth in the bend wants a brush. Bleach after vinegar. The cap left off, so that the fan sucks air.',
    steps: {
      open: [
        'Open the trap',
        'Cap off at the tee or clean-out, light into the bend. Photograph it.',
        'A wire at the opening means a float switch: power stays off for the whole job.',
        'It is open',
      ],
      grade: ['How foul is the bend?', 'The cloudy layer at its bottom and growth on the walls.'],
      brush: [
        'Brush slowly into the bend',
        'Steady the pipe with one hand. Into the bend, and back towards the unit as far as it goes.',
      ],
      flushJug: [
        'A jug of warm water, and the brush, in turns',
        'Pour, brush, pour, until it runs clear, with {agents}.',
        'Bleach never with or after vinegar, nor in a metal pan.',
      ],
      flush: [
        'Flush, one to three',
        '{bleach} of household bleach in {water} of water, by funnel. Brush and flush in turn until it runs clean, then warm water.',
        'Bleach and vinegar give off chlorine gas. One agent only, and none of the other in this drain today.',
      ],
      flushVinegar: [
        'Flush with vinegar',
        '{vinegar} of plain vinegar, some minutes, then brush and warm water in turn until it runs clean.',
        'No bleach in this drain today: with vinegar it gives off chlorine gas.',
      ],
      clear: ['Look at the bottom of the bend', 'The cloudy layer is gone.'],
      cap: ['Cap it and wipe up', 'Cap on, so that the fan cannot suck air through it. Photograph the closed trap.'],
      runs: [
        'See it run',
        'Before the cap goes back: half a litre (a pint) of water, seconds counted until it has gone. It comes out at the outlet.',
      ],
    },
    confirm: { layerGone: 'No cloudy layer is left', runs: 'Water comes out at the outlet' },
    photo: { open: 'Bend, before', done: 'Closed trap, after' },
  }),
  'mistakes.airHandler.returnFilter':
    'The arrow against the air. A size forced into its slot. No date on the frame, so that nobody knows.',
  'mistakes.airHandler.condensateDrain':
    'Flushing without looking whether it comes out at the outlet. Two agents one after the other.',
  'mistakes.airHandler.floatSwitch': 'Lifting the wire instead of the float. Not waiting for the unit to start again.',
  'mistakes.airHandler.coolingCheck': 'Judging after two minutes. Leaving the thermostat on cooling.',
} as const;
