/** English text of what is switched, shut and moved between the steps of a sitting, and of what is found on the way. */
import { machineWords } from './wording.ts';

const POWER_ON = 'Power is back';

export const changesText = {
  ...machineWords('washer', 'Washer, front load', {
    off: ['Off and unplugged', 'Stop the machine. Pull the plug with dry hands, or switch off at the wall.', undefined, 'It is unplugged'],
    tapShut: ['Shut the water tap', 'Behind or beside the machine: turn it right until it stops.', undefined, 'The tap is shut'],
    letOut: ['Let the water out first', 'A door opened below the water level floods the floor. Flap open low at the front, tray and towel underneath; pull out the small hose, take its cap off, let it run, and press the cap back on firmly. Then take the wash out.', 'Hot wash? Wait until it has cooled. No small hose, or it will not run? Stop and tell us.', 'It is drained, the cap is on'],
    tapOpen: ['Open the tap slowly', 'Look along the hose while you do: not a drop.', undefined, 'The tap is open, the hose is dry'],
    on: ['Plug it in again', 'Dry your hands first.', undefined, POWER_ON],
  }),
  ...machineWords('dryer', 'Vented dryer', {
    gasShut: ['Shut the gas valve', 'The small valve behind the machine: its handle stands across the pipe.', 'Smell of gas? Touch no switch, open a window, leave, and call from outside. Local code and the fitter decide what staff may do here.', 'The valve is shut'],
    home: ['Move it home', 'Slowly, until about 15 cm (6 in) are left behind it, so that the hose is neither crushed nor kinked. Look once more from the side.', undefined, 'It stands home, the hose is free'],
    gasOpen: ['Open the gas valve, check for leaks', 'Open it, brush leak fluid or soapy water over every joint you moved, and look for bubbles for a minute.', 'One bubble: shut the valve, ventilate, call a licensed fitter. Nothing runs until then.', 'No bubble, no smell'],
    crayonWarm: ['Warm the drum, ten minutes on hot', 'Melted crayon marks every later load. Empty, plugged in, door shut, hot, ten minutes: it gets soft.', 'It is hot afterwards. Stay with it.'],
    crayonCool: ['Let it cool until it can be touched', 'Unplugged, door open. A quarter of an hour, longer if the drum still burns the hand.'],
    crayonWipe: ['Wipe the crayon off', 'A damp cloth, again and again, then a dry one. Nothing wetter than that goes into a dryer.'],
  }),
  ...machineWords('refrigerator', 'Refrigerator', {
    pullOut: ['Move it out', 'Two people, the floor protected, straight forward. Mind the water line.', 'Never by the door handles.', 'It stands clear'],
    home: ['Push it home', 'It was heard running. A hand’s width of air stays behind it, the water line is not kinked.', undefined, 'It stands home'],
  }),
  ...machineWords('disposer', 'Disposer', { off: ['Off at its switch', 'And off at the wall, where it has a plug.', undefined, 'It is off'], on: ['Power back', 'Hands dry, nothing in it.', undefined, POWER_ON] }),
  'sitting.rest.title': 'Power stays on a while', 'sitting.rest.body': 'It was without power as long as it should be. It runs with its doors shut for this long, then the rest is done. Something else can be done meanwhile, or the rest on another visit.',
  'hood.circuitOff.title': 'Its circuit off', 'hood.circuitOff.body': 'Plug out, or its circuit off at the board, marked so that nobody switches it on. Try the hood’s lamp: it stays dark.', 'hood.circuitOff.caution': 'Wired in and no switch or breaker known? Stop and give it back: wiring is work for a licensed trade.', 'hood.circuitOff.button': 'No power reaches it',
  'hood.circuitOn.title': 'Its circuit on again', 'hood.circuitOn.body': 'Filter in, hands out. Plug in, or the circuit on at the board, and take the mark off.', 'hood.circuitOn.button': 'The circuit is on',
  'confirm.hood.circuitOff': 'The circuit is off, the lamp stays dark', 'confirm.hood.circuitOn': 'The circuit is on again', 'state.hood.circuitOff': 'circuit off', 'state.hood.circuitOn': 'circuit on',
  'confirm.airHandler.off': 'The unit is off and the fan stands still', 'confirm.airHandler.on': 'The unit is on, the thermostat as it was', 'confirm.airHandler.idle': 'The fan is off', 'confirm.airHandler.again': 'The thermostat is as it was',
  'confirm.outdoorUnit.off': 'The disconnect is out, the fan stands', 'confirm.outdoorUnit.on': 'The disconnect is in',
  'confirm.airCleaner.off': 'It is unplugged', 'confirm.airCleaner.on': 'It is plugged in again', 'confirm.hood.off': 'The hood is off, the hob is cold', 'confirm.hood.on': 'The hood has power again',
  'confirm.bathFan.off': 'The fan is off and stands still', 'confirm.bathFan.on': 'The fan has power again', 'confirm.dryer.off': 'The dryer is off, cool and unplugged', 'confirm.dryer.on': 'It is plugged in again',
  'confirm.dryer.gasShut': 'The gas valve is shut', 'confirm.dryer.gasOpen': 'The valve is open, no bubble at any joint', 'confirm.dryer.pullOut': 'It stands clear, hose and connection unstrained', 'confirm.dryer.home': 'About 15 cm (6 in) free, the hose not crushed',
  'confirm.condenserDryer.off': 'It is off, cool and unplugged', 'confirm.condenserDryer.on': 'It is plugged in again', 'confirm.washer.off': 'The washer is unplugged', 'confirm.washer.on': 'It is plugged in again',
  'confirm.washer.tapShut': 'The water tap is shut', 'confirm.washer.tapOpen': 'The tap is open, the hose is dry', 'confirm.washer.letOut': 'It is drained and the small hose’s cap is back on',
  'confirm.dishwasher.off': 'Power to the dishwasher is off', 'confirm.dishwasher.on': 'The power is on again', 'confirm.refrigerator.off': 'It is unplugged', 'confirm.refrigerator.on': 'It is plugged in again',
  'confirm.refrigerator.pullOut': 'It stands clear, the floor and the water line unhurt', 'confirm.refrigerator.home': 'It stands home with air behind it', 'confirm.disposer.off': 'It is off', 'confirm.disposer.on': 'It has power again',
  'state.airHandler.off': 'off at its switch', 'state.airHandler.on': 'switched on', 'state.airHandler.idle': 'fan off', 'state.airHandler.again': 'switched on', 'state.outdoorUnit.off': 'disconnect out', 'state.outdoorUnit.on': 'disconnect in',
  'state.airCleaner.off': 'unplugged', 'state.airCleaner.on': 'plugged in', 'state.hood.off': 'switched off', 'state.hood.on': 'power on', 'state.bathFan.off': 'switched off', 'state.bathFan.on': 'power on',
  'state.dryer.off': 'unplugged', 'state.dryer.on': 'plugged in', 'state.dryer.gasShut': 'gas shut', 'state.dryer.gasOpen': 'gas open', 'state.dryer.pullOut': 'moved out', 'state.dryer.home': 'in its place',
  'state.condenserDryer.off': 'unplugged', 'state.condenserDryer.on': 'plugged in', 'state.washer.off': 'unplugged', 'state.washer.on': 'plugged in', 'state.washer.tapShut': 'tap shut', 'state.washer.tapOpen': 'tap open', 'state.washer.letOut': 'drained',
  'state.dishwasher.off': 'power off', 'state.dishwasher.on': 'power on', 'state.refrigerator.off': 'unplugged', 'state.refrigerator.on': 'plugged in', 'state.refrigerator.pullOut': 'moved out', 'state.refrigerator.home': 'in its place',
  'state.disposer.off': 'switched off', 'state.disposer.on': 'power on',
  'begin.power.off': 'It is off or unplugged already', 'begin.circuit.off': 'Its circuit is off already', 'begin.tap.shut': 'Its tap is shut already', 'begin.water.holds': 'It stopped with water or wash in it', 'begin.gas.shut': 'Its gas valve is shut already', 'begin.outdoor.off': 'The outdoor disconnect is out already', 'begin.place.out': 'It stands pulled out already',
  'finding.crayon': 'There is melted crayon or ink on the drum', 'finding.crackedRack': 'A coating is cracked', 'finding.noWire': 'No wire at all sits at the opening', 'finding.standingWater': 'Water stands in it',
  'airHandler.fan.title': 'Fan on: feel for air', 'airHandler.tee.title': 'Open the tee', 'airHandler.brush.title': 'Brush the bend and the line', 'airHandler.flush.title': 'Flush once, for trap and line', 'airHandler.pour.title': 'Pour half a litre and see it run', 'airHandler.cap.title': 'Cap it and wipe up',
  'airHandler.cool.title': 'Set it to cool', 'airHandler.back.title': 'Set the thermostat back', 'airHandler.wire.title': 'Look for a wire at the drain opening', 'airCleaner.run.title': 'Let it run', 'hood.down.title': 'Take the grease filter down', 'hood.up.title': 'Grease filter back up', 'hood.draw.title': 'Paper test',
  'bathFan.open.title': 'Pull the grille', 'bathFan.close.title': 'Grille back', 'bathFan.tissue.title': 'Tissue test', 'dryer.screenOut.title': 'Take the lint screen out, light into its slot', 'dryer.screenIn.title': 'Screen back in', 'dryer.hoseOff.title': 'Hose off, machine end then wall end',
  'dryer.hoseOn.title': 'Hose back, wall end then machine end', 'dryer.flap.title': 'Does the outdoor flap move?', 'dryer.run.title': 'Run it warm, and feel the outlet', 'condenserDryer.open.title': 'Flap open, condenser out', 'condenserDryer.lock.title': 'Condenser back, levers locked', 'condenserDryer.run.title': 'Let it run a few minutes',
  'washer.shortWash.title': 'One short wash, flap still off', 'dishwasher.open.title': 'Unlock the filter and lift it out', 'dishwasher.sponge.title': 'Sponge the water out', 'dishwasher.lock.title': 'Filter back and locked', 'dishwasher.short.title': 'One short wash', 'refrigerator.panelOff.title': 'Panel off',
  'refrigerator.panelOn.title': 'Panel back on', 'refrigerator.listen.title': 'Listen to it run',
} as const;
