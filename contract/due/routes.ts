/** Routes of what is due, and by what practice. */
import type { InferType } from 'yup';
import { GIVING, MANAGER, OFFICE, RESIDENTS, passing, read, refusing, write, type Made } from '../route.ts';
import type { BaselineAnswer, ClaimDone, GiveWeek, PlanBaseline, PreviewBaseline } from './baseline.ts';
import type { BoardAnswer, PointAnswer, WorkingAnswer } from './due.ts';
import type { AttestHabits, CheckHabit } from './habits.ts';
import type {
  ChangeAssumptions,
  ChangeBudget,
  ChangePrices,
  ChangeSeasons,
  ChangeUpkeepDay,
  ChooseMethod,
  ChoosePractice,
  PracticeAnswer,
  PracticePreview,
  Suppose,
  anchorPoint,
  schedulePoint,
} from './practice.ts';
import type { DismissSignal, LookAnswer, LookDone, NewLook, ReportSignal, SignalSummary } from './signals.ts';
import type { specify } from '../register/machines.ts';

export const dueRoutes = {
  'lastDone.claim': passing<{ form: ClaimDone; answer: { claimed: number } }>()(
    write('POST', '/last-done', MANAGER, 4, 30),
  ),
  'point.read': passing<{ answer: PointAnswer }>()(read('/points/:id', MANAGER)),
  'point.specify': passing<{ form: InferType<typeof specify>; answer: { specificationId: string } }>()(
    refusing(write('PUT', '/points/:id/specification', MANAGER), 'changed'),
  ),
  'point.working': passing<{ answer: WorkingAnswer }>()(read('/points/:id/working', MANAGER)),
  'point.suppose': passing<{ form: Suppose; answer: WorkingAnswer }>()(read('/points/:id/supposed', MANAGER)),
  'point.anchor': passing<{ form: InferType<typeof anchorPoint>; answer: object }>()(
    write('PUT', '/points/:id/anchor', MANAGER),
  ),
  'point.schedule': passing<{ form: InferType<typeof schedulePoint>; answer: object }>()(
    write('PUT', '/points/:id/scheduled', MANAGER),
  ),
  'practice.read': passing<{ answer: PracticeAnswer }>()(read('/practice', MANAGER)),
  'practice.preview': passing<{ answer: PracticePreview }>()(read('/practice/preview/:scope/:id', MANAGER)),
  'practice.choose': passing<{ form: ChoosePractice; answer: object }>()(write('POST', '/practice', MANAGER)),
  'method.choose': passing<{ form: ChooseMethod; answer: object }>()(
    refusing(write('POST', '/methods', MANAGER), 'agentForbidden'),
  ),
  'assumptions.change': passing<{ form: ChangeAssumptions; answer: object }>()(write('POST', '/assumptions', MANAGER)),
  'seasons.change': passing<{ form: ChangeSeasons; answer: object }>()(write('POST', '/seasons', MANAGER)),
  'upkeepDay.change': passing<{ form: ChangeUpkeepDay; answer: object }>()(write('POST', '/upkeep-day', MANAGER)),
  'prices.change': passing<{ form: ChangePrices; answer: object }>()(write('POST', '/prices', MANAGER)),
  'budget.change': passing<{ form: ChangeBudget; answer: object }>()(write('POST', '/budgets', MANAGER)),
  'calendar.read': read('/calendar/:scope/:id', MANAGER),
  'look.open': passing<{ answer: LookAnswer }>()(read('/looks/:number', RESIDENTS)),
  'look.create': passing<{ form: NewLook; answer: LookDone }>()(
    refusing(write('POST', '/looks', RESIDENTS, 8, 30), 'lookBefore'),
  ),
  'signals.list': passing<{ answer: { signals: readonly SignalSummary[] } }>()(read('/signals', OFFICE)),
  'signal.report': passing<{ form: ReportSignal; answer: Made }>()(
    refusing(write('POST', '/signals', RESIDENTS, 32, 30), 'machineRetired'),
  ),
  'signal.dismiss': passing<{ form: DismissSignal; answer: object }>()(
    refusing(write('POST', '/signals/:id/dismissal', MANAGER), 'signalAnswered'),
  ),
  'inbox.signal': refusing(
    write('POST', '/inbox/signals', 'anyone', 4, 120),
    'badSignature',
    'emitterRetired',
    'messageTime',
    'replayed',
  ),
  'emitter.create': passing<{ answer: { id: string; privateKey: string } }>()(
    refusing(write('POST', '/machines/:id/emitters', MANAGER, 4, 30), 'machineRetired'),
  ),
  'emitter.retire': passing<{ answer: object }>()(write('DELETE', '/emitters/:id', MANAGER, 0)),
  'habits.attest': passing<{ form: AttestHabits; answer: { thanks: string } }>()(
    refusing(write('POST', '/habits', ['tenant'], 16, 30), 'noTenancy'),
  ),
  'habits.check': passing<{ form: CheckHabit; answer: object }>()(
    refusing(write('POST', '/habits/checks', OFFICE), 'noTenancy'),
  ),
  'baseline.read': passing<{ form: PreviewBaseline; answer: BaselineAnswer }>()(read('/baseline', MANAGER)),
  'baseline.plan': passing<{ form: PlanBaseline; answer: { planned: number } }>()(write('POST', '/baseline', MANAGER)),
  'baseline.give': passing<{ form: GiveWeek; answer: { jobs: number; refused: readonly string[] } }>()(
    refusing(write('POST', '/baseline/weeks', MANAGER), ...GIVING, 'budget', 'level', 'otherMachine'),
  ),
  'board.read': passing<{ answer: BoardAnswer }>()(read('/board', MANAGER)),
} as const;
