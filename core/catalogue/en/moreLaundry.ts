/** English text of the dryers’ and washers’ further procedures. */
import { machineWords, procedureWords, wordsLike } from './wording.ts';
import { washerText } from './washer.ts';


const MISTAKES = {
  'mistakes.washer.drainPumpFilter': 'The small hose’s cap left off: the next wash floods the floor. The filter not screwed home upright. Closing the flap before the test wash.',
};

export const moreLaundryText = {
  ...MISTAKES, ...wordsLike('washer.drainPumpFilter', 'washerDryer.drainPumpFilter', { ...washerText, ...MISTAKES }),
  ...machineWords('condenserDryer', 'Condenser dryer', {
    off: ['Off, unplugged, cooled down', 'Let it finish and cool. Switch it off and pull the plug.', undefined, 'It is unplugged'],
    on: ['Plug it in again', 'Flap shut, hands dry, then the plug.', undefined, 'It is plugged in'],
  }),
  'machine.topWasher': 'Washer, top load', 'machine.washerDryer': 'Washer-dryer',
  ...procedureWords('dryer.slot', {
    point: 'Screen slot', task: 'Vacuum the slot under the lint screen', why: 'What slips past the screen lies in the slot, right beside the heat.', mistakes: 'Brushing lint down and leaving it there. Damp tools: they paste the lint to the wall.',
    steps: {
      open: ['Screen out, light into the slot', 'Photograph what you see.'], grade: ['How much lies in there?', 'Walls and floor of the slot.'], vacuum: ['Vacuum with the narrow nozzle', 'As deep as it goes without force.'],
      brush: ['Brush, then vacuum again', 'The dry, flexible brush down each wall; what comes loose is vacuumed. Photograph the slot.'], refit: ['Screen back in', 'Dry, all the way down.'], run: ['Let it run a few minutes', 'No rattle, no smell.'],
    },
    confirm: { refit: 'The screen sits all the way in', quiet: 'It runs without rattle or smell' }, photo: { before: 'Slot, before', after: 'Slot, after' },
  }),
  ...procedureWords('dryer.transitionHose', {
    point: 'Hose behind the dryer', task: 'Inspect the hose behind the dryer', why: 'A crushed hose full of lint is how dryer fires begin.', mistakes: 'Pushing the machine back until the hose folds. Screws into the hose, which catch lint. One strap only.',
    steps: {
      ends: ['Hose off, machine end then wall end', 'Loosen both straps. Look through it, and into both openings. Photograph it.'], grade: ['How much lint is in it?', 'The fold nearest the machine counts.'],
      judge: ['Is it fit to go back?', 'Crushed, torn, plastic or foil, or longer than 2.4 m (8 ft): report it and fit a listed metal one. Hose and pipe are both 100 mm (4 in), no reducer.', 'The local code decides what hose is allowed.'],
      vacuum: ['Vacuum hose and both openings', 'Narrow nozzle; the machine’s outlet once more at the end.'], strap: ['Back on, wall end then machine end', 'End ring stretched a little first. Both ends strapped, snug, not so tight that it deforms. Photograph both.'],
      feel: ['Feel the outlet', 'Running on air or warm: a strong flow at the outdoor hood.'],
    },
    confirm: { strapped: 'Both ends are strapped', strong: 'Strong air at the outdoor hood' }, photo: { out: 'Hose, off', in: 'Both ends, strapped' },
  }),
  ...procedureWords('dryer.outdoorHood', {
    point: 'Outdoor hood and flap', task: 'Clear the dryer’s outdoor hood', why: 'A flap stuck with lint sends the moisture and the heat back in.', mistakes: 'Fitting a mesh against birds: it traps lint, and codes forbid it. Clearing the flap without looking behind it.',
    steps: {
      look: ['Look at it from outside', 'Lint, leaves, a nest, a mesh? Photograph it as it is.', 'Only from the ground or a safe stand. A roof outlet is licensed work.'], grade: ['How blocked is it?', 'With the flap lifted.'],
      clear: ['Clear it by hand and brush', 'Gloves on. A mesh or screen: clean it and report it.'], flap: ['Does the flap move?', 'It swings open with a finger and falls shut. Missing or broken? Report it. Photograph it.'], blows: ['Does it open by itself?', 'Dryer running: the flap stands open, air is strong and warm.'],
    },
    confirm: { moves: 'The flap swings and falls shut', opens: 'It opens by itself, strong air' }, photo: { out: 'Outdoor hood, before', after: 'Outdoor hood, clear' },
  }),
  ...procedureWords('dryer.drumSeal', {
    point: 'Drum door seal', task: 'Wipe the dryer’s door seal', why: 'Lint on the rim lets moist air out into the room.', mistakes: 'Wet wiping inside the drum.',
    steps: { look: ['Look along the rim', 'Door wide open, light on it. Photograph the worst place.'], grade: ['How much lint?', 'Judge before wiping.'], wipe: ['Vacuum, then a dry cloth', 'Rim, felt and door edge.'], shut: ['Shut the door', 'It closes flat, no draught at the rim.'] },
    confirm: { shut: 'It closes flat' }, photo: { before: 'Rim, before', after: 'Rim, after' },
  }),
  ...procedureWords('dryer.cabinet', {
    point: 'Floor and cabinet back', task: 'Vacuum behind and under the dryer', why: 'Lint that missed the hose lies where the motor is hot.', mistakes: 'Dragging the machine by its hose. Leaving the hose folded behind it.',
    steps: { look: ['Look behind and under', 'Photograph it.'], grade: ['How much lies there?', 'Floor and back panel together.'], vacuum: ['Vacuum floor, back and louvres', 'Panels stay on. Photograph it.', 'Panels off is work for a licensed trade.'], run: ['Let it run', 'Quiet, level, no smell.'] },
    confirm: { quiet: 'It runs quietly' }, photo: { before: 'Behind it, before', after: 'Behind it, clean' },
  }),
  ...procedureWords('condenserDryer.fluffFilter', {
    point: 'Fluff filter', task: 'Wash the fluff filter', why: 'Film on the mesh makes every load longer, and hotter.', mistakes: 'Putting it back wet. Rinsing fluff down the sink without a strainer.',
    steps: {
      out: ['Fluff filter out', 'Open both halves. Photograph it against a light.'], grade: ['How full was it?', 'After the fluff is off: how blind is the mesh?'], wash: ['Wash, corners too', 'With {agents}: brush the corners with a soft tip, rinse cold until the water runs clean, strainer over the plughole. Water poured on it runs through freely: photograph that.'],
      washSoftener: ['Wash in a softener solution', 'Warm water with a capful of fabric softener; brush the corners with a soft tip, rinse cold until the water runs clean, strainer over the plughole. Water poured on it runs through freely: photograph that.', 'Softener film can blind the mesh. Where water does not run through, wash it with dish soap.'],
      dry: ['Let it drip dry', 'An hour at the least.'], refit: ['Halves shut, back in', 'Until it sits flush.'], run: ['Run a normal load', 'If you can, enter the minutes until dry; up to 60 is right.'],
    },
    confirm: { water: 'Water runs through freely', refit: 'It is dry and sits flush' }, photo: { out: 'Filter, out', water: 'Water running through' },
  }),
  ...procedureWords('condenserDryer.condenser', {
    point: 'Condenser', task: 'Rinse the condenser', why: 'A clogged condenser dries for hours and never quite.', mistakes: 'Closing the flap with the levers unlocked. Rinsing from the dirty side: the fluff goes deeper.',
    steps: {
      levers: ['Flap open, levers round, condenser out', 'Towel under it, turn the levers, pull it straight out. Photograph it against a light.', undefined, 'It is out'], grade: ['How blocked is it?', 'Light through the channels, or none?'], bay: ['And the bay it sat in?', 'Wet lint on the floor of it.'],
      rinse: ['Rinse from the clean side', 'Under the shower, strainer over the plughole, until the water runs clear. A soft brush at most.', 'Fins cut and bend: no hard brush, no jet.'], drain: ['Let it drain', 'Half an hour on a towel.'],
      lock: ['Back in, levers locked', 'Arrow up where it has one. Both levers home before the flap shuts. Photograph the levers.'], run: ['Run a few minutes', 'Nothing drips at the flap.'],
    },
    confirm: { clear: 'The water ran clear', locked: 'Both levers are locked', noDrip: 'Nothing drips' }, photo: { out: 'Condenser, out', in: 'Levers, locked' },
  }),
  ...procedureWords('condenserDryer.bay', {
    point: 'Condenser bay', task: 'Lift wet lint out of the condenser bay', why: 'Wet lint there smells and finds its way to the pump.', mistakes: 'Vacuuming: it is damp and clogs the vacuum.',
    steps: { open: ['Condenser out, light in', 'Photograph the bay.'], grade: ['How much lint?', 'Judge before you lift it out.'], lift: ['Lift it out by hand', 'Paper towel, gloves. Wipe floor and seal. Photograph the bay.', 'No vacuum, no water in here.'], close: ['Condenser back, levers locked', 'Then the flap.'], run: ['Run a few minutes', 'Nothing drips at the flap.'] },
    confirm: { locked: 'Both levers are locked', noDrip: 'Nothing drips' }, photo: { before: 'Bay, before', after: 'Bay, after' },
  }),
  ...procedureWords('condenserDryer.drumSeal', {
    point: 'Drum door seal', task: 'Vacuum the dryer’s door rim', why: 'Moist air past the rim wets the room.', mistakes: 'Wet wiping inside the drum.',
    steps: { look: ['Look along the rim', 'Photograph the worst place.'], grade: ['How much lint?', 'Judge before vacuuming.'], vacuum: ['Vacuum the rim', 'All round, the door’s edge too. Photograph it.'], shut: ['Shut the door', 'It closes flat.'] },
    confirm: { shut: 'It closes flat' }, photo: { before: 'Rim, before', after: 'Rim, after' },
  }),
  ...procedureWords('washer.lintTrap', {
    point: 'Lint trap', task: 'Clean the washer’s lint trap', why: 'A torn or full trap sends lint into the drain.', mistakes: 'Putting a torn one back.',
    steps: {
      out: ['Trap out', 'On the agitator, the rim or the drain hose’s end: pull or unclip. Photograph it.'], grade: ['How full was it?', 'Before you empty it.'], clean: ['Empty, brush, rinse', 'Lint into the bin, not the drain. Torn? Fit a new one.'],
      in: ['Clip it back', 'Photograph it.'], rinse: ['Run a short rinse', 'It drains, nothing drips.'],
    },
    confirm: { clipped: 'It is clipped in, not torn', noDrip: 'It drains, nothing drips' }, photo: { out: 'Trap, out', in: 'Trap, back' },
  }),
  ...procedureWords('washerDryer.doorBoot', {
    point: 'Door boot and glass', task: 'Clear the washer-dryer’s door boot', why: 'Lint packs into the folds, holds water and leaks at the glass.', mistakes: 'Vacuuming it damp. Forgetting the foot of the glass.',
    steps: {
      folds: ['Pull the folds open', 'Light in, all round, the foot most. Photograph the worst fold.'], grade: ['How much sits there?', 'Lint and slime together.'], lint: ['Lint out: dry by vacuum, damp by hand', 'Completely dry: vacuum it. Anything damp: lift it out with a non-scouring sponge.', 'A vacuum on damp lint clogs and is not made for water.'],
      scrub: ['Wash the folds', 'Hot soapy water, non-scouring sponge; or half vinegar half water. One of them.'], glass: ['Wipe the glass', 'Its bottom edge most: hair there leaks a puddle. Photograph boot and glass.'], shut: ['Shut the door', 'The rubber lies flat all round.'],
    },
    confirm: { shut: 'The rubber lies flat' }, photo: { out: 'Worst fold, before', in: 'Boot and glass, clean' },
  }),
  ...procedureWords('washerDryer.condenser', {
    point: 'Condenser parts', task: 'Serve the condenser parts', why: 'Lint on them makes the drying endless.', mistakes: 'Guessing: makers differ here more than anywhere. The manual first.',
    steps: {
      out: ['Take out what the manual says', 'Photograph it. Nothing in the manual? Stop, and note that it has none.', 'The maker’s manual decides what may be opened.'], grade: ['How blocked is it?', 'Against a light.'], rinse: ['Rinse from the clean side', 'Until the water runs clear.'],
      drain: ['Let it drain', 'Half an hour.'], lock: ['Back in and locked', 'Photograph it.'], run: ['Run a few minutes', 'Nothing drips.'],
    },
    confirm: { locked: 'It is locked', noDrip: 'Nothing drips' }, photo: { out: 'Part, out', in: 'Part, locked' },
  }),
  'mistakes.dryer.lintScreen': 'Only rolling off the lint: softener film stays and blinds the mesh. Refitting it wet.',
  'mistakes.dryer.duct': 'Brushing inwards. Not vacuuming the outlet again after the slot. A mesh left at the outlet.',
  'mistakes.washer.doorBoot': 'Wiping the front and not the folds. Forgetting the foot of the glass.',
  'mistakes.washer.drawer': 'Pulling without its catch. Losing the brush in the bay: plug its opening first.',
  'mistakes.washer.tub': 'Two agents in one cycle. A cool or short cycle. Laundry in the drum.',
} as const;
