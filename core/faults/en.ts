/** English text of faults: a tenant's words. */
export const faultsText = {
  'symptom.dryer.burning': 'Burning smell, or the dryer is very hot',
  'symptom.dryer.damp': 'Clothes still damp after a normal load',
  'symptom.dryer.noStart': 'The dryer will not start',
  'symptom.washer.full': 'Stops full of water',
  'symptom.washer.puddle': 'Puddle under or in front of it',
  'symptom.washer.smell': 'Washer or clothes smell',
  'symptom.dishwasher.standing': 'Water stands in it',
  'symptom.dishwasher.gritty': 'Dishes come out gritty or dirty',
  'symptom.dishwasher.floor': 'Water on the kitchen floor',
  'symptom.dishwasher.smell': 'Dishwasher smells',
  'symptom.refrigerator.warm': 'Too warm, or runs all the time',
  'symptom.refrigerator.water': 'Water on shelves or in drawers',
  'symptom.airHandler.weak': 'Weak air, dust everywhere',
  'symptom.airHandler.notCold': 'Air is not cold',
  'symptom.airHandler.water': 'Water under or from the unit',
  'symptom.airHandler.musty': 'Musty smell from the vents',
} as const;
