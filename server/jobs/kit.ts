/** What one person carries on a day: agents in it that must not meet. */
import { meetings, possibleAgents } from '../../core/catalogue/chemistry.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';

/** A sentence for each pair of agents among the jobs in hand that must be kept apart, with where each is for. */
export async function agentsToKeepApart({ db, now, env: { say } }: Call, jobIds: readonly string[]): Promise<string[]> {
  const tasks = jobIds.length === 0 ? [] : await db.task.all({ jobId: [...jobIds], state: 'outstanding' });
  const histories = await readHistories(
    db,
    tasks.map(({ pointId }) => pointId),
    now,
  );
  const uses = histories.flatMap(({ procedure, turn, placeId }) =>
    possibleAgents(procedure, turn).map((agent) => ({ agent, placeId })),
  );
  const places = new Map(
    (await db.place.all({ id: uses.map(({ placeId }) => placeId) })).map(({ id, name }) => [id, name]),
  );
  const agents = [...new Set(uses.map(({ agent }) => agent))];
  const where = (agent: Agent) =>
    say.list([...new Set(uses.filter((it) => it.agent === agent).map(({ placeId }) => places.get(placeId)!))]);
  return agents.flatMap((one, i) => {
    return meetings([one], agents.slice(i + 1)).map((meeting) =>
      say('kit.apart', {
        one: say(`agent.${meeting.one}`),
        other: say(`agent.${meeting.other}`),
        here: where(meeting.one),
        there: where(meeting.other),
        reason: say.text(meeting.reason),
      }),
    );
  });
}
