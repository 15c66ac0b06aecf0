/** Routes of faults, deficiencies, alarms and who is told. */
import { DOERS, MANAGER, OFFICE, RESIDENTS, passing, read, refusing, write, type Made } from '../route.ts';
import type { AlarmAnswer, ChangeDuty, ChangeNumbers, DutyAnswer, RaiseAlarm } from './alarms.ts';
import type { ChangeDeficiency, CloseDeficiency, DeficienciesAnswer, ReportDeficiency } from './deficiencies.ts';
import type { AnswerCheck, DiagnosisAnswer } from './diagnosis.ts';
import type { AnswerGone, CloseFault, CodeFault, FaultsAnswer, ReportFault } from './faults.ts';
import type { DecideRemedy, PatternsAnswer } from './patterns.ts';
import type { UpkeepEffectsAnswer } from './upkeepEffects.ts';

export const faultsRoutes = {
  'patterns.list': passing<{ answer: PatternsAnswer }>()(read('/patterns', OFFICE)),
  'upkeepEffects.list': passing<{ answer: UpkeepEffectsAnswer }>()(read('/upkeep-effects', OFFICE)),
  'remedy.decide': passing<{ form: DecideRemedy; answer: Made }>()(
    refusing(write('POST', '/remedies', MANAGER, 8, 60), 'noPattern'),
  ),
  'remedy.withdraw': passing<{ answer: object }>()(write('DELETE', '/remedies/:id', MANAGER)),
  'faults.list': passing<{ answer: FaultsAnswer }>()(read('/faults', OFFICE)),
  'faults.report': passing<{ form: ReportFault; answer: Made }>()(write('POST', '/faults', DOERS, 32, 30)),
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
  'deficiencies.list': passing<{ answer: DeficienciesAnswer }>()(read('/deficiencies', OFFICE)),
  'deficiencies.report': passing<{ form: ReportDeficiency; answer: Made }>()(
    write('POST', '/deficiencies', DOERS, 32, 30),
  ),
  'deficiencies.change': passing<{ form: ChangeDeficiency; answer: object }>()(
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
  'duty.read': passing<{ answer: DutyAnswer }>()(read('/duty', MANAGER)),
  'duty.change': passing<{ form: ChangeDuty; answer: object }>()(write('POST', '/duty', MANAGER, 8)),
  'duty.try': passing<{ answer: { readonly says: string } }>()(write('POST', '/duty/try', MANAGER, 1, 10)),
  'property.numbers': passing<{ form: ChangeNumbers; answer: object }>()(
    write('POST', '/properties/:id/numbers', MANAGER, 4),
  ),
  'faults.close': passing<{ form: CloseFault; answer: object }>()(
    refusing(write('POST', '/faults/:id/close', OFFICE), 'faultClosed'),
  ),
} as const;
