/** Routes of what households are told. */
import { MANAGER, OFFICE, passing, read, refusing, wholeOffice, write, type Made } from '../route.ts';
import type { Answering } from './answering.ts';
import type { ContractsAnswer } from './contracts.ts';
import type {
  Agreement,
  AgreementAnswer,
  AheadAnswer,
  AskingsAnswer,
  ChangeAskingRule,
  Contact,
  JobTold,
  OwnContact,
  SaidInPerson,
} from './messages.ts';

import type {
  AnswerVisit,
  ChangeEntryRule,
  EntryNote,
  MoveVisit,
  NewVisit,
  SettleVisit,
  VisitsAnswer,
  VisitsOf,
} from './visits.ts';

export const noticesRoutes = {
  'contracts.list': passing<{ answer: ContractsAnswer }>()(read('/contracts', MANAGER)),
  'contract.remind': passing<{ answer: object }>()(
    refusing(write('POST', '/jobs/:id/reminder', MANAGER, 1, 120), 'remindedToday', 'noWay', 'nothingAsked'),
  ),
  'askings.list': passing<{ answer: AskingsAnswer }>()(read('/askings', MANAGER)),
  'askings.ahead': passing<{ answer: AheadAnswer }>()({ ...read('/askings/ahead', MANAGER), perMinute: 60 }),
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
  'tenancy.agreed': passing<{ answer: AgreementAnswer }>()(read('/tenancies/:id/agreed', MANAGER)),
  'tenancy.agree': passing<{ form: Agreement; answer: object }>()(
    write('PUT', '/tenancies/:id/agreed', MANAGER, 8, 60),
  ),
  'property.entryRule': passing<{ form: ChangeEntryRule; answer: object }>()(
    write('PUT', '/properties/:id/entry-rule', MANAGER, 1, 60),
  ),
  'visits.list': passing<{ form: VisitsOf; answer: VisitsAnswer }>()(read('/visits', OFFICE)),
  'visit.create': passing<{ form: NewVisit; answer: Made }>()(
    refusing(write('POST', '/visits', MANAGER, 2, 120), 'noticeTooShort', 'nobodyLivesThere'),
  ),
  'visit.move': passing<{ form: MoveVisit; answer: object }>()(
    refusing(write('PUT', '/visits/:id', MANAGER, 1), 'visitOver', 'noticeTooShort'),
  ),
  'visit.settle': passing<{ form: SettleVisit; answer: object }>()(
    refusing(write('POST', '/visits/:id/other-time', MANAGER, 1), 'visitOver', 'noOtherTime'),
  ),
  'visit.off': passing<{ answer: object }>()(refusing(write('DELETE', '/visits/:id', MANAGER, 0), 'visitOver')),
  'visit.delivered': passing<{ answer: object }>()(
    refusing(write('POST', '/visits/:id/delivered', OFFICE, 1), 'visitOver'),
  ),
  'visit.answer': passing<{ form: AnswerVisit; answer: object }>()(
    refusing(write('POST', '/visits/:id/answer', ['tenant'], 2, 30), 'visitOver'),
  ),
  'visit.paper': { ...read('/visits/:id/notice', OFFICE), perMinute: 60 },
  'entry.note': passing<{ form: EntryNote; answer: object }>()(write('POST', '/entries/:id/note', OFFICE, 8, 60)),
  'home.contact': passing<{ form: OwnContact; answer: object }>()(
    refusing(write('PUT', '/home/contact', ['tenant'], 1, 30), 'noWay'),
  ),
} as const;
