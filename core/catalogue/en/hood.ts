/** English text of the range hood's procedures. */
export const hoodText = {
  'hood.off.title': 'Hood off, hob cold',
  'hood.off.body': 'Switch the hood off. The hob under it is off and cold before you lean over it.',
  'hood.off.button': 'Off and cold',
  'hood.on.title': 'Switch the hood on',
  'hood.on.body': 'Lowest step first.',
  'hood.on.button': 'It runs',

  'point.hood.greaseFilter': 'Grease filter',
  'task.hood.greaseFilter': 'Clean the hood’s grease filter',
  'why.hood.greaseFilter': 'Grease above a flame is fuel.',
  'hood.greaseFilter.out.title': 'Take the filter out',
  'hood.greaseFilter.out.body':
    'One hand under it, slide or press the catch, let it tilt down. Hold it to the light and photograph it.',
  'hood.greaseFilter.out.button': 'It is out',
  'hood.greaseFilter.grade.title': 'How greasy was it?',
  'hood.greaseFilter.grade.body': 'Can you see light through the mesh? Pick the nearest picture.',
  'hood.greaseFilter.grade.caution': 'Dripping or black with grease? Do not cook under it until it is clean.',
  'hood.greaseFilter.soak.title': 'Soak it',
  'hood.greaseFilter.soak.body':
    'Hot water and {agents}, one of them. Ten minutes when it is light, thirty when it is heavy.',
  'hood.greaseFilter.soakShort.title': 'Soak it',
  'hood.greaseFilter.soakShort.body':
    'Hot water and {agents}, one of them. Five to ten minutes; again where it is heavy.',
  'hood.greaseFilter.soakShort.caution': 'Hot water scalds: gloves, and lower it in slowly.',
  'hood.greaseFilter.soak.caution': 'Hot water scalds: gloves, and lower it in slowly.',
  'hood.greaseFilter.brush.title': 'Brush and rinse',
  'hood.greaseFilter.brush.body': 'Both sides, with a bristle brush, until light comes through every hole.',
  'hood.greaseFilter.hose.title': 'Hose and brush it outdoors',
  'hood.greaseFilter.hose.body':
    'Over grass or gravel, not over a drain: {agents}, a bristle brush, a hard jet from behind.',
  'hood.greaseFilter.steam.title': 'Steam it onto a towel',
  'hood.greaseFilter.steam.body': 'Filter on an old towel, steam from behind, wipe what comes out.',
  'hood.greaseFilter.steam.caution': 'Steam burns. Staff work, gloves on.',
  'hood.greaseFilter.dishwasher.title': 'Through the dishwasher, alone',
  'hood.greaseFilter.dishwasher.body':
    'Only where its maker allows it, alone and hot. The grease ends up in that machine: clean its filter afterwards.',
  'hood.greaseFilter.bake.title': 'Let the grease run in the oven',
  'hood.greaseFilter.bake.body': 'Over paper and foil at 120 °C (250 °F), forty-five minutes, never left alone.',
  'hood.greaseFilter.bake.caution':
    'Grease can catch fire. Staff only, extinguisher at hand, oven shut if it flames. Where in doubt, soak instead.',
  'hood.greaseFilter.dry.title': 'Let it dry',
  'hood.greaseFilter.dry.body': 'It goes back only when it is dry.',
  'hood.greaseFilter.refit.title': 'Put it back',
  'hood.greaseFilter.refit.body': 'The same way round, until the catch clicks. Photograph it.',
  'hood.greaseFilter.draw.title': 'Paper test',
  'hood.greaseFilter.draw.body': 'Hold a sheet of tissue to the running hood: it stays there.',
  'confirm.hood.greaseFilter.locked': 'The catch has clicked, the filter does not drop',
  'confirm.hood.greaseFilter.draws': 'It holds the tissue',
  'photo.hood.greaseFilter.out': 'Filter, out',
  'photo.hood.greaseFilter.in': 'Filter, clean and in',
} as const;
