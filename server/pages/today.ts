/** A staff member's day: the jobs in hand, and what of their kit must be kept apart. */
import type { TodayAnswer } from '../../contract/jobs/jobs.ts';
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { Call } from '../context/context.ts';
import { agentsToKeepApart } from '../jobs/kit.ts';
import { visitsToMe } from '../notices/visitLists.ts';
import { jobsInHand } from './jobsOfPerson.ts';

/** What is given to the caller, the most pressing first. */
export async function readToday(call: Call): Promise<TodayAnswer> {
  const jobs = await jobsInHand(call);
  return {
    jobs,
    apart: await agentsToKeepApart(
      call,
      jobs.map(({ id }) => id),
    ),
    visits: await visitsToMe(call, dayOfInstant(call.now, 'UTC') - 1),
  };
}
