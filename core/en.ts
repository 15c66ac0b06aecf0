/** All English text of the core. */
import { calendarText } from './calendar/en.ts';
import { airText, moreAirHandlerText } from './catalogue/en/air.ts';
import { airHandlerText } from './catalogue/en/airHandler.ts';
import { contractorText } from './catalogue/en/contractor.ts';
import { changesText } from './catalogue/en/changes.ts';
import { dishwasherText } from './catalogue/en/dishwasher.ts';
import { dryerText } from './catalogue/en/dryer.ts';
import { habitText } from './catalogue/en/habits.ts';
import { hoodText } from './catalogue/en/hood.ts';
import { moreKitchenText } from './catalogue/en/moreKitchen.ts';
import { moreLaundryText } from './catalogue/en/moreLaundry.ts';
import { methodText } from './catalogue/en/methods.ts';
import { refrigeratorText } from './catalogue/en/refrigerator.ts';
import { washerText } from './catalogue/en/washer.ts';
import { catalogueWords } from './catalogue/en/words.ts';
import { dueText } from './due/en.ts';
import { faultsText } from './faults/en.ts';
import { registerText } from './register/en.ts';
import { jobsText } from './jobs/en.ts';
import { measureText } from './measure/en.ts';
import { proofText } from './proof/en.ts';
import { standingDefinitions } from './standing/en.ts';
import { vocabulary } from './language/vocabulary.ts';

export const coreText = {
  ...vocabulary,
  ...standingDefinitions,
  ...calendarText,
  ...catalogueWords,
  ...airHandlerText,
  ...dryerText,
  ...dishwasherText,
  ...washerText,
  ...refrigeratorText,
  ...hoodText,
  ...airText,
  ...moreAirHandlerText,
  ...moreLaundryText,
  ...moreKitchenText,
  ...contractorText,
  ...methodText,
  ...habitText,
  ...changesText,
  ...registerText,
  ...measureText,
  ...dueText,
  ...jobsText,
  ...proofText,
  ...faultsText,
};
