/** English text of the kitchen machines’ further procedures, and of the household’s drains. */
import { machineWords, procedureWords } from './wording.ts';

const QUIET = { panel: 'Panel or grille is back on', quiet: 'It runs, quietly' };

export const moreKitchenText = {
  'machine.hood': 'Range hood, ducted', 'machine.recirculatingHood': 'Range hood, recirculating',
  ...procedureWords('hood.housing', {
    point: 'Housing and fan inlet', task: 'Degrease the hood’s housing', why: 'The film behind the filter burns like the filter does.', mistakes: 'Spraying towards the motor or the lamp. Wiping before the agent had its time.',
    steps: {
      open: ['Filter out, light in', 'The filter soaks meanwhile. Photograph the inlet.'], grade: ['How greasy is it?', 'Inlet, walls, the rim of the lamp.'], apply: ['Degrease it by cloth', 'With {agents}: onto the cloth, not into the fan.', 'Gloves on. Nothing is sprayed at the motor, the lamp or the switch.'],
      dwell: ['Fifteen minutes', 'Let it work.'], wipe: ['Wipe it off', 'Then a damp cloth, then a dry one. A stubborn film outside: mineral oil, wipe, then soapy water. Photograph the inlet.'], refit: ['Dry filter back in', 'Until the catch clicks.'], draw: ['Paper test', 'A sheet of tissue stays at the running hood.'],
    },
    confirm: { locked: 'The catch has clicked', draws: 'It holds the tissue' }, photo: { before: 'Inlet, before', after: 'Inlet, clean' },
  }),
  ...procedureWords('hood.charcoalFilter', {
    point: 'Charcoal filter', task: 'Change the hood’s charcoal filter', why: 'Spent charcoal lets the smell back into the kitchen.', mistakes: 'Washing it. Fitting it without its date.',
    steps: { down: ['Grease filter down', 'It hangs in front of the charcoal: press the catch, let it tilt down, lay it aside.'], up: ['Grease filter back up', 'The same way round, until the catch clicks.'], out: ['Charcoal out', 'It sits behind, on the motor or in a frame: turn or unclip. Photograph it.'], grade: ['How spent is it?', 'Greasy, or only grey?'], in: ['New one in, dated', 'Until it holds; date on its edge. Photograph it.'], draw: ['Paper test', 'A sheet of tissue stays at the running hood.'] },
    confirm: { dated: 'It holds and is dated', locked: 'The catch has clicked', draws: 'It holds the tissue' }, photo: { out: 'Old charcoal, out', in: 'New charcoal, dated' },
  }),
  ...procedureWords('dishwasher.sump', {
    point: 'Sump', task: 'Clear the dishwasher’s sump', why: 'Glass and seeds in the sump stop the impeller, and the water stays.', mistakes: 'Feeling for glass with bare fingers. Poking the impeller with something sharp.',
    steps: {
      reach: ['Filter out, light into the sump', 'Rack, lower arm, filter and flat screen out. Photograph the sump.', 'Glass lies here. Gloves on before a hand goes near.'], grade: ['How much stands or lies in it?', 'Water, sludge, pieces.'], sponge: ['Sponge it dry', 'Until you see its floor.'],
      pick: ['Pick out what lies there', 'Long spoon first, gloved fingers last. Note what it was. Photograph the empty sump.'], impeller: ['Does the impeller turn?', 'With the blunt screwdriver, a little each way: it gives and turns freely.', 'A tool, not a finger.'],
      back: ['Screen, filter, arm, rack back', 'Filter turned until it locks.'], discharge: ['Start a short wash', 'Within two minutes it pumps out: you hear it at the sink.'],
    },
    confirm: { impeller: 'The impeller turns freely', locked: 'The filter is locked', discharge: 'It pumps out and nothing drips' }, photo: { before: 'Sump, before', after: 'Sump, empty' },
  }),
  ...procedureWords('dishwasher.sprayArms', {
    point: 'Spray arms', task: 'Clear the spray arms', why: 'Scale and label paper in the holes leave dishes gritty.', mistakes: 'Widening the holes with a drill or a thick wire. An arm put back so that it does not turn.',
    steps: {
      out: ['Arms off', 'The lower one lifts or unscrews; the upper one by its nut. Photograph them held to a light.'], grade: ['How many holes are blocked?', 'A few, half of them, most?'], holes: ['Clear each hole', 'Cotton bud or thin wire, from outside in; shake out what rattles.'],
      pour: ['Pour-through test', 'Pour water into the hub: it leaves freely at both ends. Photograph that.'], in: ['Arms back', 'Until they hold; each turns a full circle with a finger.'], wash: ['Listen to the next wash', 'The arms whirl; nothing knocks.'],
    },
    confirm: { flows: 'Water leaves at both ends', turns: 'Each arm turns freely', clear: 'They whirl, nothing knocks' }, photo: { out: 'Arms, out', pour: 'Water leaving both ends' },
  }),
  ...procedureWords('dishwasher.racks', {
    point: 'Racks and wheels', task: 'Check racks and wheels', why: 'A cracked coating rusts, and rust ends in the pump.', mistakes: 'Sealing a wet rack.',
    steps: { out: ['Racks out', 'Look at every tine’s tip and foot. Photograph the worst.'], grade: ['How worn is the coating?', 'Cracks and rust count, stains do not.'], seal: ['Seal the cracks', 'Dry, brush off rust, a coat of rack sealer; its label says how long it dries. No wet run until it is dry.'], wheels: ['Turn each wheel', 'Hair and label paper off the axle. Photograph it.'], roll: ['Roll both racks', 'In and out, level, without a catch.'] },
    confirm: { rolls: 'Both racks roll' }, photo: { before: 'Worst place, before', after: 'Racks, after' },
  }),
  ...procedureWords('dishwasher.drainPump', {
    point: 'Drain hose and pump', task: 'Pump-out test', why: 'It tells a tired pump from a clog further down, before the kitchen floor does.', mistakes: 'Nobody at the bucket. The hose not tightened again.',
    steps: {
      fill: ['Empty it, rack out, hot water in', '{water} of hot water, until it covers the filter screen. Photograph it.', 'Hot water scalds.'], grade: ['How did it look standing there?', 'Clean water and a clean screen are clean; sludge is not.'],
      hose: ['Drain hose off at the sink, into the bucket', 'Towel under it. A helper holds hose and bucket until the test is over.', 'Water and electricity: the plug and socket stay dry, or stop.'],
      pump: ['Start any cycle and count', 'It begins by pumping out. Strong and steady: the pump is sound. Sputtering or weak: the pump, or a clog further down. Enter how much came, and in how many seconds.'],
      back: ['Hose back and tight', 'Hose on, clamp tight. Photograph the clamp.'], dry: ['One more short cycle', 'Nothing drips at the clamp.'],
    },
    confirm: { bucket: 'The helper holds hose and bucket', tight: 'The clamp is tight', noDrip: 'Nothing drips' }, photo: { filled: 'Water over the screen', hose: 'Clamp, tight' },
  }),
  ...machineWords('refrigerator', 'Refrigerator', {
    off: ['Unplug it', 'Doors stay shut; an hour without power does no harm. Pull the plug. Cannot reach it? Two people move it, the floor protected.', 'Never by the door handles.', 'It is unplugged'],
    on: ['Plug it in', 'Before it goes back to the wall: you want to hear it.', undefined, 'It is plugged in'],
  }),
  'machine.freezer': 'Freezer',
  ...procedureWords('refrigerator.coil', {
    point: 'Condenser coil', task: 'Brush the fridge’s coil', why: 'A dusty coil makes it run all the time; cleaning regains up to 30 % of its efficiency (common practice).', mistakes: 'Rough brushing: a broken coil is a dear repair. Pushing the brush into the fan. Back to the wall before it was heard running.',
    steps: {
      reach: ['Front grille or back panel?', 'Find where the coil is reached and take that cover off. Photograph the coil.'], grade: ['How dusty is it?', 'Felt on it is heavy; bare metal is clean.'],
      brush: ['Brush gently', 'Front: bend the long brush to fit, front to back, left to right. Back: with the tubes, fins unbent.', 'No force, and not as far as the fan.'], vacuum: ['Vacuum what falls', 'Floor, grille, and the coil itself. Photograph it.'], panel: ['Cover back on', 'All its screws.'],
      listen: ['Listen to it run', 'It starts and hums quietly. It goes back to the wall only after that.'],
    },
    confirm: QUIET, photo: { before: 'Coil, before', after: 'Coil, clean' },
  }),
  ...procedureWords('refrigerator.rearFan', {
    point: 'Rear grille and fan', task: 'Clean the fridge’s rear grille and fan', why: 'A fan with felt on its blades cools nothing.', mistakes: 'Spinning the blades by hand with the plug in. Water near the terminals.',
    steps: { open: ['Rear panel off', 'Photograph fan and compressor.'], grade: ['How dusty?', 'Blades and grille.'], wipe: ['Blades with a damp cloth', 'One by one, held; vacuum around them, fins unbent.'], valve: ['Motor, compressor, inlet valve', 'Vacuum and wipe dry. A drip at the valve is a fault: report it. Photograph it.'], panel: ['Panel back on', 'All its screws.'], listen: ['Listen, then push it back', 'Quiet, the fan turns, air comes out at the foot.'] },
    confirm: QUIET, photo: { before: 'Fan, before', after: 'Fan, clean' },
  }),
  ...procedureWords('refrigerator.iceMaker', {
    point: 'Ice maker and spout', task: 'Descale the ice maker and spout', why: 'Scale slows the water and hides what grows.', mistakes: 'Keeping the first ice afterwards. Bleach on the spout.',
    steps: { look: ['Look at spout and tray', 'White crust, or dark spots? Photograph it.'], grade: ['How scaled?', 'Pick the nearest picture.'], wrap: ['A warm wet wrap with vinegar', 'A cloth in half vinegar, half warm water around the spout, half an hour; the tray soaks in the same.', 'Vinegar only: with bleach it gives off chlorine gas.'], brush: ['Brush and rinse', 'Toothbrush around the opening, then clear water.'], throw: ['Throw the first ice away', 'And the first two glasses. Photograph the spout.'], flow: ['Fill a glass', 'A steady stream, no taste.'] },
    confirm: { flows: 'A steady stream, no taste' }, photo: { before: 'Spout and tray, before', after: 'Spout, clean' },
  }),
  ...procedureWords('refrigerator.defrostDrain', {
    point: 'Drip tray and defrost drain', task: 'Flush the defrost drain', why: 'Blocked, it puts the water on the shelves and then on the floor.', mistakes: 'A sharp wire through the liner. Boiling water on plastic.',
    steps: { open: ['Find drain and tray', 'The hole at the back of the fridge, the tray over the compressor. Photograph both.'], grade: ['How dirty?', 'Slime in the hole, crust in the tray.'], tray: ['Tray out, wash it', 'Where it comes out. Otherwise wipe it.'], flush: ['Flush the hole', '{water} of warm water by funnel; a blunt, soft wire where it stands. Photograph the clean hole.'], back: ['Tray and panel back', 'All its screws.'], drains: ['Does it arrive?', 'A last cup poured in shows up in the tray.'] },
    confirm: { panel: QUIET.panel, drains: 'The water arrives in the tray' }, photo: { before: 'Hole and tray, before', after: 'Hole, clean' },
  }),
  ...procedureWords('refrigerator.temperatures', {
    point: 'Compartment temperatures', task: 'Measure fridge and freezer', why: 'Too warm spoils food, too cold wastes power, and swinging points at the seal.', mistakes: 'Reading the air in the open door. Turning the dial by several steps at once.',
    steps: { place: ['Thermometer into a glass of water', 'In the middle of the fridge; between frozen packs in the freezer.'], wait: ['Half an hour, doors shut', 'Longer is better.'], read: ['Read both', 'Fridge at or below 4 °C (40 °F), freezer at or below −18 °C (0 °F). Not so? One degree at a time, freezer first, 48 hours between. Ice cream at the right hardness is the test.'] },
    confirm: { placed: 'The thermometers are in place' },
  }),
  ...procedureWords('freezer.temperature', {
    point: 'Freezer temperature', task: 'Measure the freezer', why: 'Too warm spoils food, and frost at the seal shows first here.', mistakes: 'Reading the air in the open door.',
    steps: { place: ['Thermometer between frozen packs', 'In the middle.'], wait: ['Half an hour, door shut', 'Longer is better.'], read: ['Read it', 'At or below −18 °C (0 °F). Not so? One degree colder, 48 hours, and read again.'] },
    confirm: { placed: 'The thermometer is in place' },
  }),
  ...machineWords('disposer', 'Disposer'),
  ...procedureWords('disposer.clean', {
    point: 'Disposer', task: 'Clean the disposer', why: 'Grease in it smells, and what it holds backs up into the dishwasher.', mistakes: 'A hand inside. Bleach or drain opener in it. No water while it runs.',
    steps: { look: ['Light in from above', 'Switch off. Photograph what you see, and take nothing out by hand.', 'Hands never go in. Something hard lies there? Leave it and tell us.'], grade: ['How greasy or smelly?', 'Pick the nearest picture.'], run: ['Cleaner through the running unit', 'Cold water on, unit on, the cleaner as its label says.', 'One cleaner, nothing else with it.'], rinse: ['A minute of cold water', 'Still running. Then off. Photograph it.'], hum: ['Listen', 'It ran without a rattle and the water left at once.'] },
    confirm: { clear: 'No rattle, the water leaves at once' }, photo: { before: 'Looking in, before', after: 'Looking in, after' },
  }),
  ...machineWords('drains', 'Household drains'),
  ...procedureWords('drains.dose', {
    point: 'Every drain', task: 'Dose the drains', why: 'An enzyme eats the film that later becomes a clog.', mistakes: 'Bleach or hot water on the same evening: both kill it. Forgetting the laundry’s drain.',
    steps: { count: ['Go from drain to drain', 'Sinks, tub, shower, toilet, laundry: {drains, plural, =0 {count them as you go} one {there is one here} other {there are # here}}. Photograph the slowest.'], grade: ['How slow is the slowest?', 'At once is clean; standing water is blocked.'], dose: ['Pour a dose into each', '{dose} into each, {total} in all, of a build-up digesting (enzyme) product.', 'No bleach and no drain opener in these drains today.'], rest: ['Leave them alone overnight', 'Best in the evening, no water until the morning.'], run: ['Run each for a few seconds', 'Water leaves at once. One slow drain is that drain; all of them slow is the house: report it.'] },
    confirm: { rest: 'They will be left alone until the morning', runs: 'Water leaves at once, everywhere' }, photo: { slowest: 'The slowest drain' },
  }),
  'reading.pumpedLitres': 'Water pumped out', 'reading.pumpedLitres.fails': 'Less came out than went in: the pump is failing or the hose is blocked. Report it.',
  'reading.pumpSeconds': 'Seconds it took', 'reading.pumpSeconds.fails': 'Under five litres a minute: weak pump or a clog further down. Report it.',
  'reading.fridgeCelsius': 'Fridge', 'reading.fridgeCelsius.fails': 'Outside 0 to 4 °C (32 to 40 °F): turn it one degree, wait 48 hours, measure again. Swinging readings point to the door seal.',
  'reading.freezerCelsius': 'Freezer', 'reading.freezerCelsius.fails': 'Outside −25 to −18 °C (−13 to 0 °F): turn it one degree, wait 48 hours, measure again.',
  'mistakes.hood.greaseFilter': 'Refitting it wet. A short soak for a heavy filter.',
  'mistakes.dishwasher.filter': 'Judging it from above: lifted out it is fouler. Not locking it. A cleaning cycle instead of a brush.',
  'mistakes.dishwasher.doorSeal': 'Wiping the front and not the lower edge.',
  'mistakes.dishwasher.interiorWash': 'Before the filter instead of after it. Soda and vinegar together: they foam out and cancel each other.',
  'mistakes.refrigerator.doorSeals': 'Only the face, not the side wall, where tears begin.',
  'mistakes.refrigerator.waterFilter': 'Not flushing: the first water is black with carbon. No date on it.',
} as const;
