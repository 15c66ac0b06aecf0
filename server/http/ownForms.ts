/** Forms of the routes that the door mounts by itself; a read has its own in the query. */
import type { AnySchema } from 'yup';
import { acknowledgeAlarm } from '../../contract/faults/alarms.ts';
import { historyOf } from '../../contract/pages/tape.ts';
import { askAccess, exchangeLink, firstRun, openAccess, signIn } from '../../contract/people/people.ts';
import { photoFields } from '../../contract/proof/proof.ts';
import { labelForm } from '../../contract/register/labels.ts';
import { standingOn } from '../../contract/standing/standing.ts';
import type { OwnRoute } from './handler.ts';

export const OWN_FORMS = {
  'session.open': signIn,
  'install.create': firstRun,
  'link.exchange': exchangeLink,
  'access.open': openAccess,
  'access.ask': askAccess,
  'alarm.answer': acknowledgeAlarm,
  'photo.create': photoFields,
  'labels.read': labelForm,
  'standing.report': standingOn,
  'history.paper': historyOf,
} as const satisfies Partial<Record<OwnRoute, AnySchema>>;
