/** Routes of what households are told. */
import { MANAGER, passing, read, refusing, wholeOffice, write } from '../route.ts';
import type { Answering } from './answering.ts';
import type { AskingsAnswer, ChangeAskingRule, Contact, JobTold, OwnContact, SaidInPerson } from './messages.ts';

export const noticesRoutes = {
  'askings.list': passing<{ answer: AskingsAnswer }>()(read('/askings', MANAGER)),
  'asking.remind': passing<{ answer: object }>()(
    refusing(write('POST', '/askings/:id/reminder', MANAGER, 1, 120), 'remindedToday', 'noWay', 'nothingAsked'),
  ),
  'asking.said': passing<{ form: SaidInPerson; answer: object }>()(
    refusing(write('POST', '/askings/:id/word', MANAGER, 1, 120), 'nothingAsked'),
  ),
  'askingRule.change': wholeOffice(
    passing<{ form: ChangeAskingRule; answer: object }>()(write('PUT', '/asking-rule', MANAGER, 1, 30)),
  ),
  'job.told': passing<{ answer: JobTold }>()(read('/jobs/:id/messages', MANAGER)),
  'place.answering': passing<{ answer: { readonly answering: Answering | null } }>()(
    read('/places/:id/answering', MANAGER),
  ),
  'tenancy.contact': passing<{ form: Contact; answer: object }>()(write('PUT', '/tenancies/:id/contact', MANAGER, 1)),
  'home.contact': passing<{ form: OwnContact; answer: object }>()(
    refusing(write('PUT', '/home/contact', ['tenant'], 1, 30), 'noWay'),
  ),
} as const;
