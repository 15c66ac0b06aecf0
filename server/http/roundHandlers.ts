/** Which service answers which route about the plan and its rounds. */
import * as forms from '../../contract/rounds/rounds.ts';
import type { roundsRoutes } from '../../contract/rounds/routes.ts';
import * as mishapForms from '../../contract/rounds/mishaps.ts';
import { listMishaps } from '../pages/mishaps.ts';
import * as busy from '../rounds/busy.ts';
import { busyTimes } from '../../contract/rounds/busy.ts';
import * as round from '../pages/round.ts';
import { comeAgain } from '../rounds/comeAgain.ts';
import * as mishaps from '../rounds/mishaps.ts';
import { orderRound } from '../rounds/order.ts';
import * as plans from '../rounds/plans.ts';
import { takeOver } from '../rounds/takeOver.ts';
import * as time from '../rounds/workingTime.ts';
import { bare, formed, type Handler, type ServedRoute } from './handler.ts';

export const ROUND_HANDLERS: { readonly [N in ServedRoute & keyof typeof roundsRoutes]: Handler<N> } = {
  'plan.read': formed(forms.planWeek, plans.readPlan),
  'plan.make': { form: forms.makePlan, prepare: plans.preparePlan, run: plans.keepPlan },
  'plan.shape': formed(forms.shapePlan, plans.shapePlan),
  'plan.takeOver': formed(forms.takeOver, takeOver),
  'capacity.read': bare((call) => time.readCapacity(call)),
  'person.workingTime': bare((call, { id }) => time.readWorkingTime(call, id)),
  'person.workingTimeChange': formed(forms.workingTime, (call, form, { id }) => time.changeWorkingTime(call, id, form)),
  'person.dayOff': formed(forms.dayOff, (call, form, { id }) => time.addDayOff(call, id, form)),
  'person.busyTimes': bare((call, { id }) => busy.readBusy(call, id)),
  'person.busyTimesChange': formed(busyTimes, (call, form, { id }) => busy.changeBusy(call, id, form)),
  'dayOff.remove': bare((call, { id }) => time.removeDayOff(call, id)),
  'place.access': bare((call, { id }) => time.readAccess(call, id)),
  'place.accessChange': formed(forms.homeAccess, (call, form, { id }) => time.changeAccess(call, id, form)),
  'round.mine': bare((call) => round.readRound(call, call.actor.personId, { day: null })),
  'mishap.create': formed(mishapForms.newMishap, (call, form, { id }) => mishaps.createMishap(call, id, form)),
  'mishap.takeBack': bare((call, { id }) => mishaps.takeMishapBack(call, id)),
  'mishap.again': formed(mishapForms.comeAgain, (call, form, { id }) => comeAgain(call, id, form)),
  'mishap.settle': bare((call, { id }) => mishaps.settleMishap(call, id)),
  'mishaps.list': bare((call) => listMishaps(call)),
  'round.order': formed(mishapForms.orderRound, orderRound),
  'round.read': formed(forms.roundOn, (call, form, { id }) => round.readRound(call, id, form)),
};
