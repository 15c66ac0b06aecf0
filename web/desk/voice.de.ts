/** What the desk says in German, in the order of its English voice. */
import fields from '../../contract/form/de.json' with { type: 'json' };
import catalogueWords from '../../core/catalogue/de/words.json' with { type: 'json' };
import causes from '../../core/faults/causes.de.json' with { type: 'json' };
import vocabulary from '../../core/language/de.json' with { type: 'json' };
import measures from '../../core/measure/de.json' with { type: 'json' };
import tables from '../../core/register/de.json' with { type: 'json' };
import definitions from '../../core/standing/de.json' with { type: 'json' };
import catalogue from '../catalogue/de.json' with { type: 'json' };
import due from '../due/de.json' with { type: 'json' };
import faults from '../faults/de.json' with { type: 'json' };
import measure from '../measure/de.json' with { type: 'json' };
import notices from '../notices/de.json' with { type: 'json' };
import people from '../people/de.json' with { type: 'json' };
import register from '../register/de.json' with { type: 'json' };
import standing from '../standing/de.json' with { type: 'json' };
import rounds from '../rounds/de.json' with { type: 'json' };
import stock from '../stock/de.json' with { type: 'json' };
import doing from '../tenant/de.json' with { type: 'json' };
import desk from './de.json' with { type: 'json' };

export const deskVoiceDe = {
  ...fields,
  ...vocabulary,
  ...doing,
  ...catalogueWords,
  ...causes,
  ...catalogue,
  ...tables,
  ...register,
  ...measures,
  ...measure,
  ...definitions,
  ...standing,
  ...stock,
  ...rounds,
  ...faults,
  ...notices,
  ...people,
  ...desk,
  ...due,
};
