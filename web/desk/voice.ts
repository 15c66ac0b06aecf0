/** Everything that the desk says, its tenants' and doers' text among it. */
import { fieldsText } from '../../contract/form/en.ts';
import { causeText } from '../../core/faults/causeText.ts';
import { catalogueWords } from '../../core/catalogue/en/words.ts';
import { vocabulary } from '../../core/language/vocabulary.ts';
import { catalogueDeskText } from '../catalogue/en.ts';
import { dueDeskText } from '../due/en.ts';
import { faultsDeskText } from '../faults/en.ts';
import { measureDeskText } from '../measure/en.ts';
import { noticesDeskText } from '../notices/en.ts';
import { registerDeskText } from '../register/en.ts';
import { roundsText } from '../rounds/en.ts';
import { standingText } from '../standing/en.ts';
import { stockText } from '../stock/en.ts';
import { doingText } from '../tenant/en.ts';
import { peopleText } from '../people/en.ts';
import { deskText } from './en.ts';

export const deskVoice = {
  ...fieldsText,
  ...vocabulary,
  ...doingText,
  ...catalogueWords,
  ...causeText,
  ...catalogueDeskText,
  ...registerDeskText,
  ...measureDeskText,
  ...standingText,
  ...stockText,
  ...roundsText,
  ...faultsDeskText,
  ...noticesDeskText,
  ...peopleText,
  ...deskText,
  ...dueDeskText,
};
