/** English text of the front-loading washer's procedures. */
export const washerText = {
  'point.washer.drainPumpFilter': 'Drain-pump filter',
  'task.washer.drainPumpFilter': 'Clear the washer’s drain filter',
  'why.washer.drainPumpFilter': 'Coins and hair stop the pump, and the machine stops full of water.',
  'washer.drainPumpFilter.drain.title': 'Let the water out',
  'washer.drainPumpFilter.drain.body':
    'Open the flap low at the front. Tray and towel underneath. Pull out the small hose, take its cap off, let it run into the tray, and press the cap back on firmly.',
  'washer.drainPumpFilter.drain.caution':
    'Hot wash just done? Wait until it has cooled. A cap left off floods the floor at the next wash.',
  'washer.drainPumpFilter.unscrew.title': 'Unscrew the filter slowly',
  'washer.drainPumpFilter.unscrew.body':
    'Turn left a little at a time; close it again to empty the tray as often as you need. Take it out and photograph it.',
  'washer.drainPumpFilter.unscrew.button': 'It is out',
  'washer.drainPumpFilter.grade.title': 'What did the filter hold?',
  'washer.drainPumpFilter.grade.body': 'Pick the nearest picture, and tap everything you found.',
  'washer.drainPumpFilter.cavity.title': 'Look into the opening',
  'washer.drainPumpFilter.cavity.body':
    'Use a light. Pick out what lies in front, with the long side of a spoon, not a finger. What sits deeper is for the office: say so below.',
  'washer.drainPumpFilter.cavity.caution': 'No fingers in there: glass and hairpins lie in it. Machine unplugged?',
  'washer.drainPumpFilter.impeller.title': 'Does the little wheel turn?',
  'washer.drainPumpFilter.impeller.body':
    'With a blunt screwdriver, a little each way: it turns, in jerks, but freely.',
  'washer.drainPumpFilter.impeller.caution': 'A tool, not a finger. Machine unplugged?',
  'washer.drainPumpFilter.rinse.title': 'Rinse the filter',
  'washer.drainPumpFilter.rinse.body': 'Hot water and a brush, until the holes are open.',
  'washer.drainPumpFilter.lock.title': 'Screw it back until it locks upright',
  'washer.drainPumpFilter.lock.body':
    'Turn right until the grip stands upright. Small hose back in its clip, cap on. Leave the flap off for now. Photograph it.',
  'washer.drainPumpFilter.lock.button': 'It is locked upright',
  'washer.drainPumpFilter.washTest.title': 'Short wash, flap still off',
  'washer.drainPumpFilter.washTest.body':
    'Run a wash of about 30 minutes and look at the filter now and then. Not a drop? Then close the flap.',
  'washer.drainPumpFilter.washTest.caution':
    'If it drips, stop the wash and tighten the filter. Still dripping: switch off, close the tap, tell us.',
  'confirm.washer.drainPumpFilter.capBack': 'The small hose’s cap is back on',
  'confirm.washer.drainPumpFilter.impeller': 'The little wheel turns freely',
  'confirm.washer.drainPumpFilter.locked': 'The grip stands upright',
  'confirm.washer.drainPumpFilter.noDrip': 'No drip in the whole wash',
  'photo.washer.drainPumpFilter.out': 'Filter, out, with what it held',
  'photo.washer.drainPumpFilter.in': 'Filter locked upright',

  'point.washer.doorBoot': 'Door boot and glass',
  'task.washer.doorBoot': 'Clean the washer’s door seal',
  'why.washer.doorBoot': 'Hair at the foot of the glass breaks the seal and leaves a puddle; damp folds smell.',
  'washer.doorBoot.folds.title': 'Open the folds',
  'washer.doorBoot.folds.body':
    'Pull each fold of the rubber back, the bottom most of all. Photograph what sits in it.',
  'washer.doorBoot.grade.title': 'How does the seal look?',
  'washer.doorBoot.grade.body': 'Judge it before wiping, and tap what you found. A tear is a fault: tell us.',
  'washer.doorBoot.scrub.title': 'Scrub the folds',
  'washer.doorBoot.scrub.body':
    'Take out hair and coins. Wipe with {agents}, and a toothbrush in the folds. Then dry it.',
  'washer.doorBoot.scrub.caution': 'One cleaner only, and no bleach near vinegar: together they give off chlorine gas.',
  'washer.doorBoot.glass.title': 'Wipe the glass, its foot most',
  'washer.doorBoot.glass.body': 'Run a cloth round the glass where it meets the rubber. Photograph the clean fold.',
  'washer.doorBoot.shut.title': 'Shut the door and open it',
  'washer.doorBoot.shut.body': 'It latches without a push. Then leave it open until the inside is dry.',
  'confirm.washer.doorBoot.shut': 'The door latches, the rubber is whole',
  'photo.washer.doorBoot.out': 'Open fold, before',
  'photo.washer.doorBoot.in': 'Clean fold and glass',
  'point.washer.drawer': 'Dispenser drawer',
  'task.washer.drawer': 'Clean the washer’s drawer',
  'why.washer.drawer': 'Old detergent cakes, and mould grows on it.',
  'washer.drawer.out.title': 'Take the drawer out',
  'washer.drawer.out.body':
    'Pull it to its stop, press the catch or lift the level marker, and draw it free. Photograph it.',
  'washer.drawer.out.button': 'It is out',
  'washer.drawer.grade.title': 'How dirty is it?',
  'washer.drawer.grade.body': 'Drawer and underside together.',
  'washer.drawer.bay.title': 'Brush the bay',
  'washer.drawer.bay.body':
    'Put a cloth in the opening at the back first, so that no brush is lost in it. Brush the walls and the jets above.',
  'washer.drawer.brush.title': 'Wash the drawer',
  'washer.drawer.brush.body':
    'Warm water, {agents}, a toothbrush; the little siphons come out too. The jets above it the same.',
  'washer.drawer.back.title': 'Put it back',
  'washer.drawer.back.body': 'Cloth out of the opening. The drawer slides in without force. Photograph it.',
  'washer.drawer.rinse.title': 'Run a short rinse',
  'washer.drawer.rinse.body': 'Water flows through the drawer and none comes out at its front.',
  'confirm.washer.drawer.slides': 'The drawer slides in without force, the cloth is out',
  'confirm.washer.drawer.rinsed': 'Water flows through, none at the front',
  'photo.washer.drawer.out': 'Drawer, out',
  'photo.washer.drawer.in': 'Drawer, clean and in',

  'point.washer.tub': 'Tub',
  'task.washer.tub': 'Clean the washer’s tub',
  'why.washer.tub': 'What cool washes leave alive smells, and gets into the clothes.',
  'washer.tub.empty.title': 'Empty the drum and look',
  'washer.tub.empty.body': 'No laundry inside. Look at the drum and smell it. Photograph it.',
  'washer.tub.grade.title': 'How does the drum look?',
  'washer.tub.grade.body': 'The drum wall, the rim and what you can smell.',
  'washer.tub.soda.title': 'First the soda, hottest and longest',
  'washer.tub.soda.body':
    'Two cups (about 450 g, a 1 lb box) of baking soda straight into the empty drum. Hottest, longest cycle, nothing else in it.',
  'washer.tub.soda.caution': 'Soda and vinegar never in one cycle: it foams out of the door.',
  'washer.tub.vinegar.title': 'Then the vinegar, in a cycle of its own',
  'washer.tub.vinegar.body':
    'When the soda cycle has ended and drained: two cups (500 mL) of white vinegar into the drum, hottest and longest again.',
  'washer.tub.vinegar.caution': 'No bleach in this machine today: with vinegar it gives off chlorine gas.',
  'washer.tub.vinegarOnly.title': 'Vinegar, hottest and longest',
  'washer.tub.vinegarOnly.body':
    'Four cups (1 L) of white vinegar into the empty drum. If it still smells afterwards, run a plain rinse.',
  'washer.tub.vinegarOnly.caution': 'No bleach in this machine today: with vinegar it gives off chlorine gas.',
  'washer.tub.tablets.title': 'Two dishwasher tablets at 90 °C',
  'washer.tub.tablets.body':
    'Two tablets into the empty drum, a 90 °C (194 °F) cotton cycle. What lives through cool washes does not live through this.',
  'washer.tub.machineCycle.title': 'Its own cleaning cycle',
  'washer.tub.machineCycle.body':
    'The machine’s own cleaning cycle, empty, with {agents}. No such cycle? The hottest and longest it has.',
  'washer.tub.machineCycle.with.water': 'nothing in it',
  'washer.tub.machineCycle.with.cleaner': 'a cleaner made for washers, as its label says',
  'washer.tub.open.title': 'Leave the door open',
  'washer.tub.open.body': 'Wipe the rim dry and photograph the drum. The door stays open until the inside is dry.',
  'confirm.washer.tub.separate': 'The soda cycle has ended and drained',
  'confirm.washer.tub.open': 'The door is left open',
  'photo.washer.tub.before': 'Drum, before',
  'photo.washer.tub.after': 'Drum, after',
} as const;
