/** Which service answers which route of faults, clocks, alarms and who is told. */
import * as alarmForms from '../../contract/faults/alarms.ts';
import * as clockForms from '../../contract/faults/clocks.ts';
import * as deficiencyForms from '../../contract/faults/deficiencies.ts';
import * as diagnosisForms from '../../contract/faults/diagnosis.ts';
import * as faultForms from '../../contract/faults/faults.ts';
import * as inspectionForms from '../../contract/faults/inspections.ts';
import * as patternForms from '../../contract/faults/patterns.ts';
import * as approvals from '../faults/approvals.ts';
import * as clocks from '../faults/clocks.ts';
import * as inspections from '../faults/inspections.ts';
import * as deficiencies from '../faults/deficiencies.ts';
import * as alarms from '../faults/alarms.ts';
import { listPatterns } from '../faults/patterns.ts';
import { listShared } from '../faults/shared.ts';
import { priceReplacement } from '../faults/replacement.ts';
import { decideRemedy, withdrawRemedy } from '../faults/remedies.ts';
import { listUpkeepEffects } from '../standing/upkeepEffects.ts';
import { closeFault, codeFault } from '../faults/closing.ts';
import { answerCheck, readDiagnosis } from '../faults/diagnosis.ts';
import { answerGone } from '../faults/gone.ts';
import { countAvoided } from '../faults/avoided.ts';
import { listFaults, listUncoded, reportFault } from '../faults/faults.ts';
import * as duty from '../notices/duty.ts';
import { bare, formed, type Handler, type ServedRoute } from './handler.ts';
import type { faultsRoutes } from '../../contract/faults/routes.ts';

type FaultRoute = Extract<keyof typeof faultsRoutes, ServedRoute>;

export const FAULT_HANDLERS: { readonly [N in FaultRoute]: Handler<N> } = {
  'deficiencies.list': bare((call) => deficiencies.listDeficiencies(call)),
  'deficiencies.report': formed(deficiencyForms.reportDeficiency, deficiencies.reportDeficiency),
  'deficiencies.change': formed(clockForms.changeClock, (call, form, { id }) =>
    clocks.changeDeficiencyClock(call, id, form),
  ),
  'clocks.list': bare((call) => clocks.listClocks(call)),
  'repairTimes.change': formed(clockForms.changeRepairTimes, clocks.changeRepairTimes),
  'fault.change': formed(clockForms.changeClock, (call, form, { id }) => clocks.changeFaultClock(call, id, form)),
  'approvalLimit.change': formed(faultForms.changeApprovalLimit, approvals.changeApprovalLimit),
  'approval.ask': formed(faultForms.askApproval, (call, form, { id }) => approvals.askApproval(call, id, form)),
  'approval.answer': formed(faultForms.answerApproval, (call, form, { id }) =>
    approvals.answerApproval(call, id, form),
  ),
  'inspections.list': bare((call) => inspections.listInspections(call)),
  'inspection.create': formed(inspectionForms.newInspection, inspections.createInspection),
  'inspection.read': bare((call, { id }) => inspections.readInspection(call, id)),
  'inspection.remove': bare((call, { id }) => inspections.removeInspection(call, id)),
  'finding.enter': formed(inspectionForms.newFinding, (call, form, { id }) => inspections.enterFinding(call, id, form)),
  'finding.remove': bare((call, { id }) => inspections.removeFinding(call, id)),
  'deficiencies.close': formed(deficiencyForms.closeDeficiency, (call, form, { id }) =>
    deficiencies.closeDeficiency(call, id, form),
  ),
  'patterns.list': formed(patternForms.patternsOf, listPatterns),
  'shared.list': bare((call) => listShared(call)),
  'upkeepEffects.list': bare((call) => listUpkeepEffects(call)),
  'remedy.decide': formed(patternForms.decideRemedy, decideRemedy),
  'machine.replacementPrice': formed(patternForms.priceReplacement, (call, form, { id }) =>
    priceReplacement(call, id, form),
  ),
  'remedy.withdraw': bare((call, { id }) => withdrawRemedy(call, id)),
  'faults.list': bare(async (call) => ({
    faults: await listFaults(call, {}),
    uncoded: await listUncoded(call),
    avoided: await countAvoided(call),
    approvalLimit: await approvals.approvalLimit(call.db, call.actor.organisationId),
  })),
  'faults.report': formed(faultForms.reportFault, reportFault),
  'fault.diagnosis': bare((call, { id }) => readDiagnosis(call, id)),
  'fault.check': formed(diagnosisForms.answerCheck, (call, form, { id }) => answerCheck(call, id, form)),
  'fault.gone': formed(faultForms.answerGone, (call, form, { id }) => answerGone(call, id, form)),
  'fault.code': formed(faultForms.codeFault, (call, form, { id }) => codeFault(call, id, form)),
  'alarms.list': bare(async (call) => ({ alarms: await alarms.openAlarms(call, call.actor.organisationId) })),
  'alarm.raise': formed(alarmForms.raiseAlarm, alarms.raiseAlarm),
  'alarm.read': bare((call, { id }) => alarms.readAlarm(call, id)),
  'alarm.acknowledge': bare((call, { id }) => alarms.acknowledge(call, id)),
  'duty.read': bare((call) => duty.readDuty(call)),
  'duty.change': formed(alarmForms.changeDuty, duty.changeDuty),
  'property.numbers': formed(alarmForms.changeNumbers, (call, form, { id }) => duty.changeNumbers(call, id, form)),
  'faults.close': formed(faultForms.closeFault, (call, form, { id }) => closeFault(call, id, form)),
};
