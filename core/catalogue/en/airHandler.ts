/** English text of the air handler's procedures. */
export const airHandlerText = {
  'airHandler.off.title': 'Switch the air handler off',
  'airHandler.off.body':
    'Set the thermostat to off. Then switch the unit off at its own switch, where one is in reach, and wait until the fan has stopped. Nothing is opened for it: a cover or a pulled disconnect bares live parts and is never a tenant’s.',
  'airHandler.off.caution': 'Never reach past the filter while the fan can start.',
  'airHandler.off.button': 'It is off and still',
  'airHandler.on.title': 'Switch it back on',
  'airHandler.on.body': 'Close every panel, switch the unit on again and set the thermostat back to where it was.',
  'airHandler.on.button': 'Power is back',

  'point.airHandler.returnFilter': 'Return filter',
  'task.airHandler.returnFilter': 'Change the air filter',
  'why.airHandler.returnFilter': 'A full filter starves the fan: rooms get stuffy, bills rise, coils ice up.',
  'airHandler.returnFilter.out.title': 'Slide the old filter out',
  'airHandler.returnFilter.out.body':
    'Pull it straight out of its slot, keep it level so that the dust stays on it, and photograph the side that was dirty.',
  'airHandler.returnFilter.out.button': 'It is out',
  'airHandler.returnFilter.grade.title': 'How dirty was it?',
  'airHandler.returnFilter.grade.body': 'Hold the old filter up to a light and pick the picture nearest to it.',
  'airHandler.returnFilter.size.title': 'Read the size on the frame',
  'airHandler.returnFilter.size.body':
    'It is printed on the edge, three numbers, for example 16 × 25 × 1. The new filter must show the same.',
  'airHandler.returnFilter.vacuum.title': 'Vacuum the slot',
  'airHandler.returnFilter.vacuum.body': 'Pick up loose dust at the slot and the grille. Stay in front of the slot.',
  'airHandler.returnFilter.arrow.title': 'Slide the new one in, arrow towards the unit',
  'airHandler.returnFilter.arrow.body':
    'Write today’s date on the frame. The arrow points the way the air goes: towards the unit, or into the wall at a grille. It glides in its guides. If it binds, it is the wrong size: do not force it.',
  'airHandler.returnFilter.arrow.caution': 'A filter that has to be forced does not fit. Stop and tell us.',
  'airHandler.returnFilter.arrow.button': 'It is in',
  'airHandler.returnFilter.air.title': 'Feel for air',
  'airHandler.returnFilter.air.body':
    'Set the fan alone to on for a minute, neither heating nor cooling, and hold a hand to a register. Air should come, quietly. Then set it back.',
  'confirm.airHandler.returnFilter.arrow': 'The arrow points with the air, and the frame slid in without force',
  'confirm.airHandler.returnFilter.air': 'Air comes at a register',
  'photo.airHandler.returnFilter.out': 'Old filter, out',
  'photo.airHandler.returnFilter.in': 'New filter in its slot, arrow visible',

  'point.airHandler.condensateDrain': 'Condensate drain',
  'task.airHandler.condensateDrain': 'Flush the condensate drain',
  'why.airHandler.condensateDrain': 'A slimed-up line backs up and ends in water damage.',
  'airHandler.condensateDrain.open.title': 'Open the tee',
  'airHandler.condensateDrain.open.body':
    'Take the cap off the tee or clean-out. Look into the trap with a light and photograph what you see.',
  'airHandler.condensateDrain.open.caution':
    'A wire at the opening means a float switch: leave the power off for the whole job.',
  'airHandler.condensateDrain.open.button': 'It is open',
  'airHandler.condensateDrain.grade.title': 'How foul is the line?',
  'airHandler.condensateDrain.grade.body': 'Judge it before cleaning. Note growth or sediment.',
  'airHandler.condensateDrain.brush.title': 'Brush the bend',
  'airHandler.condensateDrain.brush.body':
    'Steady the pipe with one hand. Work the brush slowly into the bend and back towards the unit as far as it goes; sediment lies in the level runs.',
  'airHandler.condensateDrain.flush.title': 'Flush with one agent',
  'airHandler.condensateDrain.flush.body':
    'Pour in {bleach} of household bleach in {water} of water, by funnel; where the pan is metal or the maker forbids bleach, stop and ask for the vinegar method. Follow with warm water until it runs clear.',
  'airHandler.condensateDrain.flush.caution':
    'Bleach and vinegar together give off chlorine gas. One agent only, and none of the other in this drain today.',
  'airHandler.condensateDrain.cap.title': 'Cap it and wipe up',
  'airHandler.condensateDrain.cap.body':
    'Put the cap back, so that the fan cannot suck air through it, wipe up, and photograph the closed tee and the outlet.',
  'airHandler.condensateDrain.runs.title': 'See it run',
  'airHandler.condensateDrain.runs.body':
    'The cloudy layer at the bottom of the trap is gone. Before the cap goes back, pour in half a litre (a pint) of water and count the seconds until it has gone. Look at the outlet: it must come out there.',
  'confirm.airHandler.condensateDrain.runs': 'Water comes out at the outlet',
  'photo.airHandler.condensateDrain.open': 'Open tee, before',
  'photo.airHandler.condensateDrain.done': 'Closed tee, after',
  'reading.drainSeconds': 'Seconds to drain',
  'reading.drainSeconds.fails': 'Slower than a minute: brush and flush again. Still slow? Report it as a fault.',
  'airHandler.condensateDrain.wire.title': 'Look for a wire at the drain opening',
  'airHandler.condensateDrain.wire.body':
    'A float switch or any other wire at the opening means that the unit is switched off for the whole job. No wire at all: say so below, the power may stay on and hands stay at the pipe.',
  'airHandler.condensateDrain.wire.caution':
    'Not sure what the wire is? Power off. Wiring itself is work for a licensed trade.',
  'airHandler.condensateDrain.flushJug.title': 'A jug of warm water, and the brush, in turns',
  'airHandler.condensateDrain.flushJug.body': 'Pour, brush, pour, until it runs clear, with {agents}.',
  'airHandler.condensateDrain.flushJug.with.water': 'warm water alone',
  'airHandler.condensateDrain.flushJug.with.bleach': 'up to a cup of bleach in the jug, only where there is growth',
  'airHandler.condensateDrain.flushJug.caution': 'Bleach never with or after vinegar, nor in a metal pan.',
  'airHandler.condensateDrain.flushVinegar.title': 'Flush with vinegar',
  'airHandler.condensateDrain.flushVinegar.body':
    'Pour in {vinegar} of plain vinegar, wait a few minutes, then follow with warm water until it runs clear. Brush once more where growth is left.',
  'airHandler.condensateDrain.flushVinegar.caution':
    'No bleach in this drain today: with vinegar it gives off chlorine gas.',

  'point.airHandler.floatSwitch': 'Float switch',
  'task.airHandler.floatSwitch': 'Lift-test the float switch',
  'why.airHandler.floatSwitch': 'It is what stops the unit before the pan runs over.',
  'airHandler.floatSwitch.find.title': 'Find the float',
  'airHandler.floatSwitch.find.body':
    'It sits at the drain tee or in the pan, a small cup or arm with a wire. The unit runs in cooling for this test.',
  'airHandler.floatSwitch.lift.title': 'Lift it, and let it down',
  'airHandler.floatSwitch.lift.body':
    'Lift the float with a finger: the unit must stop within a minute. Let it down: it starts again after its delay. Photograph the lifted float.',
  'airHandler.floatSwitch.lift.caution':
    'Touch the float alone. It does not stop the unit? Leave cooling off and tell the office: the switch is wired by a licensed trade.',
  'confirm.airHandler.floatSwitch.seen': 'The float is found and nothing is wet around it',
  'confirm.airHandler.floatSwitch.stops': 'The unit stopped when it was lifted',
  'confirm.airHandler.floatSwitch.restarts': 'The unit started again',
  'photo.airHandler.floatSwitch.lifted': 'Float, lifted',

  'point.airHandler.coolingCheck': 'Cooling check',
  'task.airHandler.coolingCheck': 'Check that it cools',
  'why.airHandler.coolingCheck': 'On the first warm day a technician is free; in the first hot week none is.',
  'airHandler.coolingCheck.set.title': 'Set it to cool',
  'airHandler.coolingCheck.set.body': 'Thermostat to cooling, 2 to 3 degrees (4 to 5 °F) below what the room is now.',
  'airHandler.coolingCheck.wait.title': 'Give it fifteen minutes',
  'airHandler.coolingCheck.wait.body':
    'Let it run. Listen: a hum and moving air are right; banging, or ice on a pipe, is not: switch it off and tell the office.',
  'airHandler.coolingCheck.feel.title': 'Feel two registers or more',
  'airHandler.coolingCheck.feel.body':
    'Air at two supply registers at least is clearly cool. With a thermometer, enter the temperature of the air there; the drop from the room is usually 8 to 11 degrees (15 to 20 °F).',
  'airHandler.coolingCheck.back.title': 'Set the thermostat back',
  'airHandler.coolingCheck.back.body':
    'As it was before. Anything beyond this is the seasonal service of a licensed contractor.',
  'confirm.airHandler.coolingCheck.cooling': 'It is set to cool and has started',
  'confirm.airHandler.coolingCheck.cool': 'Two registers or more blow cool',
  'confirm.airHandler.coolingCheck.back': 'The thermostat is as it was',
  'reading.returnCelsius': 'Air going in',
  'reading.returnCelsius.fails': 'Hardly possible indoors: measure again at the return grille.',
  'reading.supplyCelsius': 'Air at the register',
  'reading.supplyCelsius.fails':
    'The drop should be 8 to 11 K (15 to 20 °F). Less: look at the filter and the outdoor coil; what is left is for a licensed trade. More: too little air, look at the filter and the registers.',
} as const;
