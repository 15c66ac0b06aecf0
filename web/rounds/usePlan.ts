/** The plan as its screen holds it: read, made, shaped, taken over; every answer shows the plan as it is by then. */
import { computed, ref } from 'vue';
import { MOST_TAKEN_OVER, type MakePlan, type PlanAnswer, type ShapePlan } from '../../contract/rounds/rounds.ts';
import { api, newId, Problem } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { hearing } from '../api/progress.ts';
import { sentenceOf } from '../api/sentence.ts';
import { say } from '../language/say.ts';

/** A change of one visit, as a person makes it. */
export type Shape = Omit<ShapePlan, 'revision' | 'week' | 'personId' | 'day' | 'parts'> &
  Partial<Pick<ShapePlan, 'personId' | 'day' | 'parts'>>;

export function usePlan() {
  const week = ref(0);
  const read = useLoading(() => api('plan.read', { form: { week: week.value } }));
  const plan = computed(() => read.value.value?.plan ?? null);
  const told = ref('');
  const problem = ref('');
  const share = ref<number | null>(null);
  const stopping = ref<AbortController>();
  const left = ref<readonly { to: string; what: string; says: string }[]>([]);
  const show = (answer: PlanAnswer) => {
    read.value.value = answer;
    if (answer.plan) week.value = answer.plan.week;
  };
  /** Does something, and says what went wrong; a plan that has changed meanwhile is read anew. */
  async function trying(work: () => Promise<void>): Promise<void> {
    [problem.value, told.value] = ['', ''];
    try {
      await work();
    } catch (error) {
      problem.value = sentenceOf(error);
      if (error instanceof Problem && error.status === 409) await read.reload();
    }
  }

  async function make(form: MakePlan): Promise<void> {
    const stop = new AbortController();
    [stopping.value, share.value] = [stop, 0];
    await trying(async () => {
      const once = newId();
      show(
        await hearing(
          'plan',
          (it) => {
            share.value = it;
          },
          () => api('plan.make', { form, once, stop: stop.signal }),
        ),
      );
    });
    if (stop.signal.aborted) [problem.value, told.value] = ['', say('rounds.stopped')];
    [stopping.value, share.value] = [undefined, null];
  }

  const shape = (it: Shape): Promise<void> =>
    trying(async () => {
      if (!plan.value) return;
      const form = { personId: null, day: null, parts: [], ...it, revision: plan.value.revision, week: week.value };
      show(await api('plan.shape', { form }));
    });

  /** Takes the visits of the week over, some at a time. */
  async function takeWeekOver(): Promise<void> {
    const ids = plan.value?.visits.filter(({ takenOver }) => !takenOver).map(({ visit }) => visit) ?? [];
    const named: { to: string; what: string; says: string }[] = [];
    let [jobs, announced] = [0, 0];
    share.value = 0;
    await trying(async () => {
      for (let i = 0; i < ids.length; i += MOST_TAKEN_OVER) {
        const form = { revision: plan.value!.revision, week: week.value, visits: ids.slice(i, i + MOST_TAKEN_OVER) };
        const answer = await api('plan.takeOver', { form });
        jobs += answer.jobs;
        announced += answer.announced;
        named.push(...answer.left.map(({ placeId, place, says }) => ({ to: `/homes/${placeId}`, what: place, says })));
        show(answer.plan);
        share.value = Math.min(1, (i + MOST_TAKEN_OVER) / ids.length);
      }
      told.value = say('rounds.tookOver', { jobs, announced });
    });
    [share.value, left.value] = [null, named];
  }

  async function goTo(to: number): Promise<void> {
    week.value = to;
    await read.reload();
  }

  return { read, plan, week, told, problem, share, stopping, left, make, shape, takeWeekOver, goTo };
}
