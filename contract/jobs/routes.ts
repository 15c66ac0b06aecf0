/** Routes of jobs, from giving to sending. */
import {
  AGENTS,
  DOERS,
  GIVING,
  MANAGER,
  OFFICE,
  RESIDENTS,
  passing,
  read,
  refusing,
  write,
  type Made,
} from '../route.ts';
import type { ChangeMonthList, MonthListAnswer } from './monthList.ts';
import type { HandBackSummary } from './handBacks.ts';
import type {
  Begin,
  CorrectRecord,
  GiveContracted,
  GiveJob,
  HomeAnswer,
  JobAnswer,
  LogRecord,
  MoveJob,
  Submission,
  TodayAnswer,
} from './jobs.ts';
import type { GiveList, GiveMany, HomeListAnswer, ManyGiven, TakeListsBack } from './lists.ts';

export const jobsRoutes = {
  'list.read': passing<{ answer: HomeListAnswer }>()(read('/places/:id/list', MANAGER)),
  'monthList.read': passing<{ answer: MonthListAnswer }>()(read('/places/:id/month-list', OFFICE)),
  'monthList.change': passing<{ form: ChangeMonthList; answer: object }>()(
    write('PUT', '/places/:id/month-list', MANAGER, 1, 60),
  ),
  'monthList.mine': passing<{ answer: MonthListAnswer }>()(read('/month-list', ['tenant'])),
  'list.give': passing<{ form: GiveList; answer: { id: string; jobs: number } }>()(
    refusing(write('POST', '/lists', MANAGER, 16), ...GIVING, 'budget', 'level', 'otherHome', 'otherMachine'),
  ),
  'lists.giveMany': passing<{ form: GiveMany; answer: ManyGiven }>()(write('POST', '/lists/many', MANAGER, 4, 60)),
  'lists.takeBack': passing<{ form: TakeListsBack; answer: { taken: number; kept: number } }>()(
    refusing(write('POST', '/lists/back', MANAGER, 4, 60), 'jobMoved', 'moveNotAllowed'),
  ),
  'handBacks.read': passing<{ answer: { open: readonly HandBackSummary[] } }>()(read('/hand-backs', MANAGER)),
  'handBack.settle': passing<{ answer: Made }>()(write('POST', '/hand-backs/:id/settle', MANAGER, 1)),
  'jobs.begin': passing<{ form: Begin; answer: Made }>()(
    refusing(write('POST', '/labels/:number/jobs', RESIDENTS, 8, 30), ...GIVING, 'labelElsewhere', 'level'),
  ),
  'jobs.mine': passing<{ answer: TodayAnswer }>()(read('/jobs', OFFICE)),
  'jobs.give': passing<{ form: GiveJob; answer: Made }>()(
    refusing(write('POST', '/jobs', MANAGER), ...GIVING, 'budget', 'level', 'otherMachine'),
  ),
  'jobs.contract': passing<{ form: GiveContracted; answer: { id: string; path: string } }>()(
    refusing(write('POST', '/jobs/contracted', MANAGER, 16, 60), ...GIVING, 'otherMachine'),
  ),
  'jobs.read': passing<{ answer: JobAnswer }>()(read('/jobs/:id', DOERS)),
  'jobs.move': passing<{ form: MoveJob; answer: { revision: number; state: string } }>()(
    refusing(
      write('POST', '/jobs/:id/moves', DOERS),
      ...AGENTS,
      'jobMoved',
      'machineStopped',
      'moveNotAllowed',
      'entryNeeded',
    ),
  ),
  'jobs.send': passing<{ form: Submission; answer: { state: string; notes: readonly string[] } }>()(
    refusing(write('POST', '/jobs/:id/submission', DOERS, 128, 60), 'jobMoved', 'moveNotAllowed'),
  ),
  'jobs.withdraw': passing<{ answer: { state: string } }>()(
    refusing(write('POST', '/jobs/:id/withdrawal', DOERS, 1, 60), 'withdrawOver'),
  ),
  'home.read': passing<{ answer: HomeAnswer }>()(read('/home', ['tenant', 'contractor'])),
  'record.correct': passing<{ form: CorrectRecord; answer: { id: string | null } }>()(
    refusing(write('POST', '/records/:id/corrections', OFFICE), 'notLogged', 'corrected', 'doneEarlier'),
  ),
  'record.log': passing<{ form: LogRecord; answer: Made }>()(
    refusing(write('POST', '/records', OFFICE), 'doneEarlier'),
  ),
} as const;
