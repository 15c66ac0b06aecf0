/**
 * A job as whoever does it has it: as the office has it while it is theirs, else as it stood when it was begun, so that
 * what the office changes later takes nothing from what was entered.
 */
import { ref, type Ref } from 'vue';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import { Problem } from '../api/api.ts';
import { useLoading, type Loading } from '../api/load.ts';
import { sentenceOf } from '../api/sentence.ts';
import { say } from '../language/say.ts';
import { hasDraft } from '../outbox/draft.ts';
import { getKept, keepAnswer, keptAnswer } from '../outbox/kept.ts';

export const isDoable = ({ mine, state }: JobAnswer): boolean => mine && DOING_STATES.includes(state);

export interface JobAsTheirs extends Loading<JobAnswer> {
  /** Why a job that was begun here is not theirs any more; empty while it is. */
  readonly lost: Ref<string>;
}

export function useJobAsTheirs(id: string): JobAsTheirs {
  const begun = `/begun/${id}`;
  const lost = ref('');
  async function readJob(): Promise<JobAnswer> {
    lost.value = '';
    let said = '';
    try {
      const { answer } = await getKept('jobs.read', { id });
      if (isDoable(answer)) await keepAnswer(begun, answer);
      if (isDoable(answer) || !hasDraft(id)) return answer;
      said = say('job.over', { state: answer.stateSays });
    } catch (error) {
      if (!hasDraft(id)) throw error;
      said = sentenceOf(error);
    }
    const kept = await keptAnswer<JobAnswer>(begun);
    if (!kept) throw new Problem(404, said);
    lost.value = said;
    return kept.answer;
  }
  return { ...useLoading(readJob), lost };
}
