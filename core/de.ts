/** All German text of the core, in the order of the English. */
import calendar from './calendar/de.json' with { type: 'json' };
import air from './catalogue/de/air.json' with { type: 'json' };
import airHandler from './catalogue/de/airHandler.json' with { type: 'json' };
import changes from './catalogue/de/changes.json' with { type: 'json' };
import contractor from './catalogue/de/contractor.json' with { type: 'json' };
import dishwasher from './catalogue/de/dishwasher.json' with { type: 'json' };
import dryer from './catalogue/de/dryer.json' with { type: 'json' };
import habits from './catalogue/de/habits.json' with { type: 'json' };
import hood from './catalogue/de/hood.json' with { type: 'json' };
import methods from './catalogue/de/methods.json' with { type: 'json' };
import moreKitchen from './catalogue/de/moreKitchen.json' with { type: 'json' };
import moreLaundry from './catalogue/de/moreLaundry.json' with { type: 'json' };
import refrigerator from './catalogue/de/refrigerator.json' with { type: 'json' };
import washer from './catalogue/de/washer.json' with { type: 'json' };
import words from './catalogue/de/words.json' with { type: 'json' };
import due from './due/de.json' with { type: 'json' };
import causes from './faults/causes.de.json' with { type: 'json' };
import faults from './faults/de.json' with { type: 'json' };
import jobs from './jobs/de.json' with { type: 'json' };
import vocabulary from './language/de.json' with { type: 'json' };
import measure from './measure/de.json' with { type: 'json' };
import proof from './proof/de.json' with { type: 'json' };
import register from './register/de.json' with { type: 'json' };
import standing from './standing/de.json' with { type: 'json' };

export const coreTextDe = {
  ...vocabulary,
  ...standing,
  ...calendar,
  ...words,
  ...airHandler,
  ...dryer,
  ...dishwasher,
  ...washer,
  ...refrigerator,
  ...hood,
  ...air,
  ...moreLaundry,
  ...moreKitchen,
  ...contractor,
  ...methods,
  ...habits,
  ...changes,
  ...register,
  ...measure,
  ...due,
  ...jobs,
  ...proof,
  ...causes,
  ...faults,
};
