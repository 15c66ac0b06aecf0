/** Routes of faults, deficiencies, alarms and who is told. */
import { DOERS, MANAGER, OFFICE, RESIDENTS, passing, read, refusing, write, type Made, wholeOffice } from '../route.ts';
import type { AlarmAnswer, ChangeDuty, ChangeNumbers, DutyAnswer, RaiseAlarm } from './alarms.ts';
import type { ChangeClock, ChangeRepairTimes, ClocksAnswer } from './clocks.ts';
import type { CloseDeficiency, DeficienciesAnswer, ReportDeficiency } from './deficiencies.ts';
import type { AnswerCheck, DiagnosisAnswer } from './diagnosis.ts';
import type {
  AnswerApproval,
  AnswerGone,
  AskApproval,
  ChangeApprovalLimit,
  CloseFault,
  CodeFault,
  FaultsAnswer,
  ReportFault,
} from './faults.ts';
import type { InspectionAnswer, InspectionsAnswer, NewFinding, NewInspection } from './inspections.ts';
import type { DecideRemedy, PatternsAnswer, PatternsForm, PriceReplacement } from './patterns.ts';
import type { SharedAnswer } from './shared.ts';
import type { UpkeepEffectsAnswer } from './upkeepEffects.ts';

export const faultsRoutes = {
  'patterns.list': passing<{ form: PatternsForm; answer: PatternsAnswer }>()(read('/patterns', OFFICE)),
  'shared.list': passing<{ answer: SharedAnswer }>()(read('/shared-patterns', OFFICE)),
  'upkeepEffects.list': passing<{ answer: UpkeepEffectsAnswer }>()(read('/upkeep-effects', OFFICE)),
  'remedy.decide': passing<{ form: DecideRemedy; answer: Made }>()(
    refusing(write('POST', '/remedies', MANAGER, 8, 60), 'noPattern', 'noShorter'),
  ),
  'machine.replacementPrice': passing<{ form: PriceReplacement; answer: object }>()(
    write('POST', '/machines/:id/replacement-price', MANAGER, 1, 60),
  ),
  'remedy.withdraw': passing<{ answer: object }>()(write('DELETE', '/remedies/:id', MANAGER)),
  'faults.list': passing<{ answer: FaultsAnswer }>()(read('/faults', OFFICE)),
  'faults.report': passing<{ form: ReportFault; answer: Made }>()(
    refusing(write('POST', '/faults', DOERS, 32, 30), 'machineRetired'),
  ),
  'fault.diagnosis': passing<{ answer: DiagnosisAnswer }>()(read('/faults/:id/diagnosis', RESIDENTS)),
  'fault.check': passing<{ form: AnswerCheck; answer: DiagnosisAnswer }>()(
    refusing(write('POST', '/faults/:id/checks', RESIDENTS, 4, 120), 'faultClosed', 'notFindable'),
  ),
  'fault.gone': passing<{ form: AnswerGone; answer: object }>()(
    refusing(write('POST', '/faults/:id/gone', RESIDENTS, 4, 30), 'notAsked'),
  ),
  'fault.code': passing<{ form: CodeFault; answer: object }>()(
    refusing(write('POST', '/faults/:id/cause', OFFICE, 4), 'faultOpen'),
  ),
  'clocks.list': passing<{ answer: ClocksAnswer }>()(read('/clocks', OFFICE)),
  'repairTimes.change': passing<{ form: ChangeRepairTimes; answer: object }>()(
    write('POST', '/repair-times', MANAGER, 4, 30),
  ),
  'fault.change': passing<{ form: ChangeClock; answer: object }>()(
    refusing(write('PUT', '/faults/:id', MANAGER, 4), 'faultClosed'),
  ),
  'approvalLimit.change': wholeOffice(
    passing<{ form: ChangeApprovalLimit; answer: object }>()(write('POST', '/approval-limit', MANAGER, 1, 30)),
  ),
  'approval.ask': passing<{ form: AskApproval; answer: object }>()(
    refusing(write('POST', '/faults/:id/approvals', OFFICE, 8, 60), 'faultClosed'),
  ),
  'approval.answer': passing<{ form: AnswerApproval; answer: object }>()(
    refusing(write('POST', '/approvals/:id/answer', MANAGER, 4), 'faultClosed'),
  ),
  'inspections.list': passing<{ answer: InspectionsAnswer }>()(read('/inspections', OFFICE)),
  'inspection.create': passing<{ form: NewInspection; answer: Made }>()(write('POST', '/inspections', MANAGER, 4, 60)),
  'inspection.read': passing<{ answer: InspectionAnswer }>()(read('/inspections/:id', OFFICE)),
  'inspection.remove': passing<{ answer: object }>()(
    refusing(write('DELETE', '/inspections/:id', MANAGER), 'inspectionInUse'),
  ),
  'inspection.paper': { ...read('/inspections/:id/answer', OFFICE), perMinute: 30 },
  'finding.enter': passing<{ form: NewFinding; answer: Made }>()(
    write('POST', '/inspections/:id/findings', MANAGER, 8),
  ),
  'finding.remove': passing<{ answer: object }>()(
    refusing(write('DELETE', '/findings/:id', MANAGER), 'deficiencyClosed'),
  ),
  'deficiencies.list': passing<{ answer: DeficienciesAnswer }>()(read('/deficiencies', OFFICE)),
  'deficiencies.report': passing<{ form: ReportDeficiency; answer: Made }>()(
    write('POST', '/deficiencies', DOERS, 32, 30),
  ),
  'deficiencies.change': passing<{ form: ChangeClock; answer: object }>()(
    refusing(write('PUT', '/deficiencies/:id', MANAGER, 8), 'deficiencyClosed'),
  ),
  'deficiencies.close': passing<{ form: CloseDeficiency; answer: object }>()(
    refusing(write('POST', '/deficiencies/:id/close', OFFICE, 16), 'deficiencyClosed'),
  ),
  'alarms.list': passing<{ answer: { alarms: readonly AlarmAnswer[] } }>()(read('/alarms', OFFICE)),
  'alarm.raise': passing<{ form: RaiseAlarm; answer: AlarmAnswer }>()(write('POST', '/alarms', DOERS, 8, 60)),
  'alarm.read': passing<{ answer: AlarmAnswer }>()(read('/alarms/:id', DOERS)),
  'alarm.acknowledge': passing<{ answer: AlarmAnswer }>()(write('POST', '/alarms/:id/acknowledge', OFFICE, 1)),
  'alarm.answer': passing<{ form: { readonly token: string }; answer: AlarmAnswer }>()(
    refusing(write('POST', '/alarms/answer', 'anyone', 4, 20), 'linkOver'),
  ),
  'duty.read': wholeOffice(passing<{ answer: DutyAnswer }>()(read('/duty', MANAGER))),
  'duty.change': wholeOffice(passing<{ form: ChangeDuty; answer: object }>()(write('POST', '/duty', MANAGER, 8))),
  'duty.try': wholeOffice(passing<{ answer: { readonly says: string } }>()(write('POST', '/duty/try', MANAGER, 1, 10))),
  'property.numbers': passing<{ form: ChangeNumbers; answer: object }>()(
    write('POST', '/properties/:id/numbers', MANAGER, 4),
  ),
  'faults.close': passing<{ form: CloseFault; answer: object }>()(
    refusing(write('POST', '/faults/:id/close', OFFICE), 'faultClosed', 'needsYes'),
  ),
} as const;
