/** What a household was told of and nobody began passes to staff at the end of its grace. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import { tellableFrom, type AskingRule } from '../../core/notices/telling.ts';
import type { Call, Env } from '../context/context.ts';
import { problemOf } from '../context/problem.ts';
import { moveJobTo, renewal } from '../jobs/moveMany.ts';
import { lookingAfter } from '../lookup/looksAfter.ts';
import { clockActor } from '../people/clockActor.ts';
import type { Db } from '../store/db.ts';
import { openAskings, passesOn, type Open } from './openAskings.ts';
import { askingRuleOf, messageRow } from './planning.ts';

/** Passes on what is over its grace. Where nobody of staff may do it, it stays, and stands in the list as that. */
export async function passAll(env: Env): Promise<void> {
  const { db } = env.store;
  const now = env.clock();
  const rules = new Map<string, AskingRule>();
  for (const open of await openAskings(db, null)) {
    const { organisationId, zone } = open;
    const rule = rules.get(organisationId) ?? (await askingRuleOf(db, organisationId));
    rules.set(organisationId, rule);
    const day = passesOn(open, rule);
    if (day === null || dayOfInstant(now, zone) < day) continue;
    await env.store.write(async (it) => passOne(await clockCall(env, it, organisationId, now), open, rule));
  }
}

const clockCall = async (env: Env, db: Db, organisationId: string, now: number): Promise<Call> => ({
  env,
  db,
  actor: await clockActor(env, db, organisationId, now),
  now,
});

/** Gives what nobody has begun of a request to whoever of staff has least in hand. */
async function passOne(call: Call, open: Open, rule: AskingRule): Promise<void> {
  const { id: subjectId, organisationId, personId, placeId, propertyId, zone, parts, messages } = open;
  const { env, db, now } = call;
  const jobs = await db.job.all({ id: parts.map(({ jobId }) => jobId), assigneeId: personId, state: 'given' });
  const staff = await leastBusyFirst(db, organisationId, propertyId);
  const renewed = renewal(call);
  const takers = new Set<string>();
  for (const job of jobs)
    for (const taker of staff) {
      if ((await problemOf(call, () => moveJobTo(call, job, taker, renewed(job)))) !== null) continue;
      takers.add(taker);
      break;
    }
  if (takers.size === 0) return;
  const names = (await db.person.all({ id: [...takers] })).map(({ name }) => name);
  const detail = env.say.list(names);
  const notBefore = tellableFrom(now, rule, zone);
  const turn = messages.filter(({ kind }) => kind === 'passed').length;
  await db.message.insert(
    messageRow(env, { organisationId, personId, placeId, kind: 'passed', subjectId, turn, notBefore, detail }),
  );
}

/** Staff who look after a property: managers after the others, and whoever has fewest jobs in hand first. */
async function leastBusyFirst(db: Db, organisationId: string, propertyId: string): Promise<string[]> {
  const grants = await db.roleGrant.all({ organisationId, role: ['staff', 'manager'] });
  const ofRole = (wanted: string) =>
    new Set(grants.filter(({ role }) => role === wanted).map(({ personId }) => personId));
  const [staff, managers] = [ofRole('staff'), ofRole('manager')];
  const here = await lookingAfter(db, propertyId, [...staff]);
  const jobs = await Promise.all(here.map((id) => db.job.count({ assigneeId: id, state: [...DOING_STATES] })));
  return here
    .map((id, i) => ({ id, manages: Number(managers.has(id)), jobs: jobs[i]! }))
    .sort((a, b) => a.manages - b.manages || a.jobs - b.jobs)
    .map(({ id }) => id);
}
