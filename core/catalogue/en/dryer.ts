/** English text of the vented dryer's procedures. */
export const dryerText = {
  'machine.dryer': 'Vented dryer',
  'dryer.off.title': 'Switch the dryer off and unplug it',
  'dryer.off.body': 'Wait until the drum has stopped and cooled. Pull the plug, or switch off at the wall.',
  'dryer.off.button': 'It is off',
  'dryer.pullOut.title': 'Move the dryer out',
  'dryer.pullOut.body': 'Slide it forward far enough to stand behind it, without dragging the hose.',
  'dryer.pullOut.caution':
    'Gas: only staff trained for it, or a licensed fitter, moves a gas dryer, and checks for leaks afterwards.',
  'dryer.on.title': 'Plug it back in',
  'dryer.on.body': 'Dry hands first. Plug in or switch on at the wall.',
  'dryer.on.button': 'Power is back',

  'point.dryer.lintScreen': 'Lint screen',
  'task.dryer.lintScreen': 'Wash the lint screen',
  'why.dryer.lintScreen': 'Film on the mesh holds heat and lint in the dryer. Lint burns.',
  'dryer.lintScreen.out.title': 'Take the lint screen out',
  'dryer.lintScreen.out.body':
    'Pull it from its slot, roll off the loose lint by hand, hold it to the light and photograph it.',
  'dryer.lintScreen.out.button': 'It is out',
  'dryer.lintScreen.grade.title': 'How clogged was the mesh?',
  'dryer.lintScreen.grade.body': 'Look at the mesh itself, after the loose lint is off.',
  'dryer.lintScreen.wash.title': 'Wash the mesh',
  'dryer.lintScreen.wash.body':
    'Warm water, a drop of dish soap, a soft brush; go into the corners. No softener: it leaves the film you are washing off.',
  'dryer.lintScreen.water.title': 'Pour water through it',
  'dryer.lintScreen.water.body':
    'Hold the screen flat under a gentle tap. Water must run straight through. If it pools, wash again. Photograph the wet, clean mesh.',
  'dryer.lintScreen.dry.title': 'Let it dry',
  'dryer.lintScreen.dry.body': 'Pat it dry and let it stand. It goes back only when it is dry.',
  'dryer.lintScreen.refit.title': 'Put it back',
  'dryer.lintScreen.refit.body':
    'Same way round as it came out, all the way down. If the frame is bent or the mesh is torn, stop and tell us.',
  'dryer.lintScreen.run.title': 'Time the next load',
  'dryer.lintScreen.run.body':
    'If you are drying a load now, enter the minutes a normal one takes. Longer than 60 means that the vent wants looking at. Leave it empty if you are not.',
  'confirm.dryer.lintScreen.water': 'Water runs straight through',
  'confirm.dryer.lintScreen.refit': 'It is dry and sits all the way in',
  'photo.dryer.lintScreen.out': 'Lint screen, out',
  'photo.dryer.lintScreen.water': 'Washed mesh',

  'point.dryer.duct': 'Duct to outdoors',
  'task.dryer.duct': 'Clean the dryer duct',
  'why.dryer.duct': 'Lint in the run is fuel beside a heater, and the first cause of slow drying.',
  'dryer.duct.hose.title': 'Take the hose off',
  'dryer.duct.hose.body':
    'Off at the machine first, then at the wall. Look at both ends and photograph the hose and the open duct.',
  'dryer.duct.grade.title': 'How full was the run?',
  'dryer.duct.grade.body':
    'Judge it before cleaning. Note a crushed or torn hose, a screen at the outlet, a missing flap.',
  'dryer.duct.brush.title': 'Brush the whole run',
  'dryer.duct.brush.body':
    'Vacuum the machine’s outlet. Run the brush from the inside outward, adding rods, with the vacuum beside it.',
  'dryer.duct.brush.caution':
    'Turn the drill only the way that tightens the rods; the other way leaves a rod in the wall.',
  'dryer.duct.outlet.title': 'Vacuum the outlet once more',
  'dryer.duct.outlet.body': 'What run and slot let go has fallen there.',
  'dryer.duct.refit.title': 'Put the hose back',
  'dryer.duct.refit.body':
    'Wall end, then machine end, both strapped, snug. Four-inch hose on four-inch pipe, no reducer.',
  'dryer.duct.hood.title': 'Clear the outdoor hood',
  'dryer.duct.hood.body':
    'Pull lint from the flap and see that it swings. A mesh there traps lint: clean it and report it.',
  'dryer.duct.hood.caution': 'An outlet on the roof is work for a licensed trade. Local code decides.',
  'dryer.duct.feel.title': 'Run it and feel the outlet',
  'dryer.duct.feel.body':
    'Run it empty on warm. The air outside must be strong. Enter the minutes of a normal load where you can time one; up to 60 is right.',
  'confirm.dryer.duct.clearance': 'Both ends are strapped, nothing is crushed',
  'confirm.dryer.duct.flap': 'The flap swings freely',
  'confirm.dryer.duct.strong': 'Strong air at the outlet',
  'photo.dryer.duct.out': 'Hose off, open duct',
  'photo.dryer.duct.in': 'Hose refitted',
  'photo.dryer.duct.hood': 'Outdoor hood',
  'reading.dryMinutes': 'Minutes to dry a normal load',
  'reading.dryMinutes.fails':
    'Over 60 minutes: look at the hose behind the machine and the outdoor flap, then report it.',
  'dryer.lintScreen.washSoftener.title': 'Wash the mesh',
  'dryer.lintScreen.washSoftener.body':
    'Warm water with a capful of fabric softener, a soft brush; go into the corners and rinse until nothing is slippery. If water stands on the mesh afterwards, wash again with dish soap.',
} as const;
