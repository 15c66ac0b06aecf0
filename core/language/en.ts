/** All English text of the core. */
import { calendarText } from '../calendar/en.ts';
import { airHandlerText } from '../catalogue/en/airHandler.ts';
import { dishwasherText } from '../catalogue/en/dishwasher.ts';
import { dryerText } from '../catalogue/en/dryer.ts';
import { habitText } from '../catalogue/en/habits.ts';
import { hoodText } from '../catalogue/en/hood.ts';
import { methodText } from '../catalogue/en/methods.ts';
import { refrigeratorText } from '../catalogue/en/refrigerator.ts';
import { washerText } from '../catalogue/en/washer.ts';
import { catalogueWords } from '../catalogue/en/words.ts';
import { dueText } from '../due/en.ts';
import { faultsText } from '../faults/en.ts';
import { jobsText } from '../jobs/en.ts';
import { proofText } from '../proof/en.ts';
import { vocabulary } from './vocabulary.ts';

export const coreText = {
  ...vocabulary, ...calendarText, ...catalogueWords, ...airHandlerText, ...dryerText, ...dishwasherText, ...washerText, ...refrigeratorText, ...hoodText, ...methodText, ...habitText,
  ...dueText, ...jobsText, ...proofText, ...faultsText,
};
