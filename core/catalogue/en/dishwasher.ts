/** English text of the dishwasher's procedures. */
export const dishwasherText = {
  'machine.dishwasher': 'Dishwasher',
  'dishwasher.off.title': 'Switch the dishwasher off',
  'dishwasher.off.body':
    'Let it finish, then turn it off at the wall or pull its plug. If it is wired in and you can find no switch, stop and tell us.',
  'dishwasher.off.button': 'It is off',
  'dishwasher.on.title': 'Power back on',
  'dishwasher.on.body': 'Everything locked and back in, rack too. Dry your hands, then plug in or switch on.',
  'dishwasher.on.button': 'Power is back',

  'point.dishwasher.filter': 'Filter and flat screen',
  'task.dishwasher.filter': 'Clean the dishwasher filter',
  'why.dishwasher.filter': 'What the filter holds back ends up on the plates, and then on the floor.',
  'dishwasher.filter.unlock.title': 'Unlock the filter and lift it out',
  'dishwasher.filter.unlock.body':
    'Lower rack and lower spray arm out. Turn the filter left, a short way, until it loosens, and pull it straight up. Lift the flat screen off. Photograph the parts in your hand or in the sink.',
  'dishwasher.filter.unlock.caution': 'Broken glass can lie in the opening. Gloves on, fingers out of the hole.',
  'dishwasher.filter.unlock.button': 'It is out',
  'dishwasher.filter.grade.title': 'How dirty is the filter?',
  'dishwasher.filter.grade.body': 'Pull the inner part out of the outer one before you judge.',
  'dishwasher.filter.cavity.title': 'And the hollow it sat in?',
  'dishwasher.filter.cavity.body':
    'Shine a light in. Tap what you can see lying there; deep water there is told to us.',
  'dishwasher.filter.cavity.caution': 'Do not reach in. Glass? Stop and tell us.',
  'dishwasher.filter.sponge.title': 'Sponge the water out',
  'dishwasher.filter.sponge.body':
    'Until the bottom shows. Hands stay out of the hollow: glass lies there. More comes up? Stop and tell us.',
  'dishwasher.filter.soak.title': 'Soak the parts',
  'dishwasher.filter.soak.body': 'Scraps into the bin, not the sink. Hot water and dish soap, five minutes.',
  'dishwasher.filter.brush.title': 'Brush inside and out',
  'dishwasher.filter.brush.body':
    'An old toothbrush, with the mesh and against it, until you can see light through every hole. Rinse.',
  'dishwasher.filter.lock.title': 'Put it back and lock it',
  'dishwasher.filter.lock.body':
    'Flat screen first. Clip the inner part into the outer, set it in, press down and turn right until the arrows meet or it clicks. Spray arm back on. Photograph it locked.',
  'dishwasher.filter.lock.caution':
    'An unlocked filter does more harm than a dirty one. If it will not lock, or the inner part no longer clips, tell us.',
  'dishwasher.filter.lock.button': 'It is locked',
  'dishwasher.filter.discharge.title': 'Start a short wash and listen',
  'dishwasher.filter.discharge.body':
    'Within a minute or two it pumps out: you hear water run into the drain under the sink, and nothing drips.',
  'confirm.dishwasher.filter.locked': 'The filter is locked and does not lift',
  'confirm.dishwasher.filter.discharge': 'It pumps out and nothing drips',
  'photo.dishwasher.filter.out': 'Filter, out',
  'photo.dishwasher.filter.in': 'Filter back in, locked',
  'point.dishwasher.doorSeal': 'Door seal and edge',
  'task.dishwasher.doorSeal': 'Wipe the dishwasher’s door seal',
  'why.dishwasher.doorSeal': 'Dirt on the seal lets water out at the foot of the door.',
  'dishwasher.doorSeal.edge.title': 'Look along seal and edge',
  'dishwasher.doorSeal.edge.body':
    'Open the door wide. The lower edge and the corners gather most. Photograph the worst place.',
  'dishwasher.doorSeal.grade.title': 'How dirty is it?',
  'dishwasher.doorSeal.grade.body': 'Judge before wiping. A tear is a fault: tell us.',
  'dishwasher.doorSeal.wipe.title': 'Wipe it',
  'dishwasher.doorSeal.wipe.body': 'Take {agents}, and a toothbrush in the folds; rails and the door’s edge too.',
  'dishwasher.doorSeal.wipe.caution':
    'One cleaner only, and no bleach near vinegar: together they give off chlorine gas.',
  'dishwasher.doorSeal.done.title': 'Photograph the clean seal',
  'dishwasher.doorSeal.done.body': 'The same place as before.',
  'dishwasher.doorSeal.shut.title': 'Shut the door',
  'dishwasher.doorSeal.shut.body': 'It closes without a push, the seal lies flat all round.',
  'confirm.dishwasher.doorSeal.shut': 'The door closes, the seal lies flat',
  'photo.dishwasher.doorSeal.out': 'Seal and edge, before',
  'photo.dishwasher.doorSeal.in': 'Seal and edge, clean',

  'point.dishwasher.interiorWash': 'Interior wash',
  'task.dishwasher.interiorWash': 'Run the dishwasher empty and hot',
  'why.dishwasher.interiorWash': 'Grease and scale sit where no brush reaches.',
  'dishwasher.interiorWash.empty.title': 'Empty it and look inside',
  'dishwasher.interiorWash.empty.body':
    'No dishes. The filter was cleaned before this, not after. Photograph the inside.',
  'dishwasher.interiorWash.grade.title': 'How does the inside look?',
  'dishwasher.interiorWash.grade.body': 'Walls, ceiling and the rim of the door.',
  'dishwasher.interiorWash.agent.title': 'One agent, the hottest cycle',
  'dishwasher.interiorWash.agent.body':
    'This time: {agents}. Then the hottest, longest cycle, empty, unless its label says otherwise.',
  'dishwasher.interiorWash.agent.with.bakingSoda': 'baking soda, a cup (250 mL) on the floor of the tub',
  'dishwasher.interiorWash.agent.with.vinegar':
    'vinegar, one to two cups in an open, dishwasher-safe cup upright in the top rack',
  'dishwasher.interiorWash.agent.with.cleaner': 'a bought cleaner, as its label says',
  'dishwasher.interiorWash.agent.with.water': 'nothing, a plain hot cycle',
  'dishwasher.interiorWash.agentShort.with.bakingSoda': 'baking soda, a cup (250 mL) on the floor of the tub',
  'dishwasher.interiorWash.agentShort.with.vinegar':
    'vinegar, one to two cups in an open, dishwasher-safe cup upright in the top rack',
  'dishwasher.interiorWash.agentShort.with.cleaner': 'a bought cleaner, as its label says',
  'dishwasher.interiorWash.agentShort.with.water': 'nothing, a plain hot cycle',
  'dishwasher.interiorWash.agent.caution': 'One agent a cycle, nothing else with it. Never bleach in a stainless tub.',
  'dishwasher.interiorWash.agentShort.title': 'One agent, the short hot cycle',
  'dishwasher.interiorWash.agentShort.body':
    'This time: {agents}. Then, empty, the short hot cycle for soda, the hottest for anything else, unless its label says otherwise. Wait for its end.',
  'dishwasher.interiorWash.agentShort.caution':
    'One agent a cycle, nothing else with it. Never bleach in a stainless tub.',
  'dishwasher.interiorWash.overnight.title': 'Vinegar, soaked overnight',
  'dishwasher.interiorWash.overnight.body':
    'One to two cups (250 to 500 mL) of white vinegar in an open, dishwasher-safe cup, the hottest cycle. Once it has filled and warmed up, pause it and leave it full overnight; let it finish in the morning.',
  'dishwasher.interiorWash.overnight.caution': 'Say in the household that it is full. One agent, nothing else with it.',
  'dishwasher.interiorWash.bleach.title': 'A little bleach against mould',
  'dishwasher.interiorWash.bleach.body':
    'Plastic tub only. Half a cup (120 mL) of household bleach in an open, dishwasher-safe cup upright in the top rack, nothing else in it, the hottest cycle. Air the kitchen.',
  'dishwasher.interiorWash.bleach.caution':
    'Never in a stainless tub, never with or after any other cleaner, vinegar or tablet.',
  'dishwasher.interiorWash.tablet.title': 'A tablet, the hottest cycle',
  'dishwasher.interiorWash.tablet.body':
    'One ordinary detergent tablet in its cup, nothing else, and the hottest cycle.',
  'dishwasher.interiorWash.clean.title': 'Look inside again',
  'dishwasher.interiorWash.clean.body':
    'Wipe off what the heat has loosened at the seal, and residue of soda. Photograph the inside.',
  'confirm.dishwasher.interiorWash.rinsed': 'Nothing of the agent is left inside',
  'photo.dishwasher.interiorWash.before': 'Inside, before',
  'photo.dishwasher.interiorWash.after': 'Inside, after',
} as const;
