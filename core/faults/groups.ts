/** Groups of symptoms: what says the same thing in other words. */

/** Symptoms by the one that names their group. */
const SAME: Readonly<Record<string, string>> = {
  'dryer.stillSlow': 'dryer.damp',
  'dishwasher.pumpWeak': 'dishwasher.standing',
  'refrigerator.foodWarm': 'refrigerator.warm',
  'freezer.foodWarm': 'freezer.warm',
};

/** The group of a symptom, by the symptom that names it. */
export const groupOfSymptom = (symptom: string): string => SAME[symptom] ?? symptom;
