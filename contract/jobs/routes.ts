/** Routes of jobs, from giving to sending. */
import { DOERS, MANAGER, OFFICE, RESIDENTS, passing, read, write, type Made } from '../route.ts';
import type { HandBackSummary } from './handBacks.ts';
import type {
  Begin,
  GiveContracted,
  GiveJob,
  HomeAnswer,
  JobAnswer,
  LogRecord,
  MoveJob,
  Submission,
  TodayAnswer,
} from './jobs.ts';
import type { GiveList, HomeListAnswer } from './lists.ts';

export const jobsRoutes = {
  'list.read': passing<{ answer: HomeListAnswer }>()(read('/places/:id/list', MANAGER)),
  'list.give': passing<{ form: GiveList; answer: { id: string; jobs: number } }>()(
    write('POST', '/lists', MANAGER, 16),
  ),
  'handBacks.read': passing<{ answer: { open: readonly HandBackSummary[] } }>()(read('/hand-backs', MANAGER)),
  'handBack.settle': passing<{ answer: Made }>()(write('POST', '/hand-backs/:id/settle', MANAGER, 1)),
  'jobs.begin': passing<{ form: Begin; answer: Made }>()(write('POST', '/labels/:number/jobs', RESIDENTS, 8, 30)),
  'jobs.mine': passing<{ answer: TodayAnswer }>()(read('/jobs', OFFICE)),
  'jobs.give': passing<{ form: GiveJob; answer: Made }>()(write('POST', '/jobs', MANAGER)),
  'jobs.contract': passing<{ form: GiveContracted; answer: { id: string; path: string } }>()(
    write('POST', '/jobs/contracted', MANAGER, 16, 60),
  ),
  'jobs.read': passing<{ answer: JobAnswer }>()(read('/jobs/:id', DOERS)),
  'jobs.move': passing<{ form: MoveJob; answer: { revision: number; state: string } }>()(
    write('POST', '/jobs/:id/moves', DOERS),
  ),
  'jobs.send': passing<{ form: Submission; answer: { state: string; notes: readonly string[] } }>()(
    write('POST', '/jobs/:id/submission', DOERS, 128, 60),
  ),
  'jobs.withdraw': passing<{ answer: { state: string } }>()(write('POST', '/jobs/:id/withdrawal', DOERS, 1, 60)),
  'home.read': passing<{ answer: HomeAnswer }>()(read('/home', ['tenant', 'contractor'])),
  'record.log': passing<{ form: LogRecord; answer: Made }>()(write('POST', '/records', OFFICE)),
} as const;
