/** Which service answers which route about what households are told. */
import * as forms from '../../contract/notices/messages.ts';
import { answeringAt } from '../notices/answers.ts';
import { changeAgreement, readAgreement } from '../notices/agreement.ts';
import { readAhead } from '../notices/ahead.ts';
import * as askings from '../notices/askings.ts';
import * as contact from '../notices/contact.ts';
import * as contracts from '../notices/contracts.ts';
import * as visitForms from '../../contract/notices/visits.ts';
import { listVisits } from '../notices/visitLists.ts';
import * as visits from '../notices/visits.ts';
import { bare, formed, type Handler, type ServedRoute } from './handler.ts';
import type { noticesRoutes } from '../../contract/notices/routes.ts';

export const NOTICE_HANDLERS: { readonly [N in ServedRoute & keyof typeof noticesRoutes]: Handler<N> } = {
  'contracts.list': bare(contracts.listContracts),
  'contract.remind': bare((call, { id }) => contracts.remindContractor(call, id)),
  'tenancy.agreed': bare((call, { id }) => readAgreement(call, id)),
  'tenancy.agree': formed(forms.agreement, (call, form, { id }) => changeAgreement(call, id, form)),
  'askings.ahead': bare((call) => readAhead(call)),
  'askings.list': bare((call) => askings.listAskings(call)),
  'asking.remind': bare((call, { id }) => askings.remindPerson(call, id)),
  'asking.said': formed(forms.saidInPerson, (call, form, { id }) => askings.saidInPerson(call, id, form)),
  'askingRule.change': formed(forms.askingRule, askings.changeAskingRule),
  'job.told': bare((call, { id }) => askings.readTold(call, id)),
  'place.answering': bare(async (call, { id }) => ({ answering: await answeringAt(call, id) })),
  'tenancy.contact': formed(forms.contact, (call, form, { id }) => contact.changeContact(call, id, form)),
  'property.entryRule': formed(visitForms.entryRule, (call, form, { id }) => visits.changeEntryRule(call, id, form)),
  'visits.list': formed(visitForms.visitsOf, listVisits),
  'visit.create': formed(visitForms.newVisit, visits.createVisit),
  'visit.move': formed(visitForms.moveVisit, (call, form, { id }) => visits.moveVisit(call, id, form)),
  'visit.settle': formed(visitForms.settleVisit, (call, form, { id }) => visits.settleVisit(call, id, form)),
  'visit.off': bare((call, { id }) => visits.callOff(call, id)),
  'visit.delivered': bare((call, { id }) => visits.noteDelivered(call, id)),
  'visit.answer': formed(visitForms.answerVisit, (call, form, { id }) => visits.answerVisit(call, id, form)),
  'entry.note': formed(visitForms.entryNote, (call, form, { id }) => visits.noteEntry(call, id, form)),
  'home.contact': formed(forms.ownContact, contact.changeOwnContact),
};
