/** English text of habits: what, how, and why in one line each. */
export const habitText = {
  'habit.dryer.lintEachLoad': 'Clear the lint screen after every load', 'habit.dryer.lintEachLoad.how': 'Pull it out, roll the lint off, put it back dry. A glance before the next load.', 'habit.dryer.lintEachLoad.why': 'Old lint burns.',
  'habit.washer.doorOpen': 'Leave the washer door open until it is dry', 'habit.washer.doorOpen.how': 'After the last load of the day, door and drawer ajar.', 'habit.washer.doorOpen.why': 'A shut, wet drum grows mould.',
  'habit.washer.pockets': 'Empty pockets, take the wash out at once', 'habit.washer.pockets.how': 'Coins, clips, crayons out before the load; wash on the line or in the dryer as soon as it ends.', 'habit.washer.pockets.why': 'What is in pockets ends in the pump.',
  'habit.washer.bootWipe': 'Wipe the rubber at the washer door', 'habit.washer.bootWipe.how': 'Look for water in the fold and wipe it out with a dry cloth.', 'habit.washer.bootWipe.why': 'Water left there smells, and hair in it leaks.',
  'habit.dishwasher.rinseAid': 'Keep the rinse aid full', 'habit.dishwasher.rinseAid.how': 'The little window in the door is dark when it is full.', 'habit.dishwasher.rinseAid.why': 'Without it glasses dry with spots.',
  'habit.condenserDryer.fluffEachLoad': 'Clear the fluff filter after every load', 'habit.condenserDryer.fluffEachLoad.how': 'Open it, roll the fluff off, close it, back in dry.', 'habit.condenserDryer.fluffEachLoad.why': 'Old fluff burns.',
  'habit.condenserDryer.tank': 'Empty the water tank after every load', 'habit.condenserDryer.tank.how': 'Into the sink, rinse it now and then; or see that the drain hose runs freely.', 'habit.condenserDryer.tank.why': 'A full tank stops the dryer in the middle.',
  'habit.disposer.beforeDishwasher': 'Run the disposer before the dishwasher', 'habit.disposer.beforeDishwasher.how': 'Cold water on, a few seconds, then start the dishwasher.', 'habit.disposer.beforeDishwasher.why': 'What it holds backs up into the dishwasher.',
} as const;
