/** What a household has agreed to do: of what tenants may do, what it does not is staff's in this home. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Agreement, AgreementAnswer } from '../../contract/notices/messages.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { readHistories } from '../due/history.ts';
import { machineName } from '../lookup/names.ts';
import { findTenancy, pointsOfPlace } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { factsOf, recordFact } from '../store/facts.ts';

/** What whoever lives there may do, and what of it they do. @throws Problem: what is not there or not theirs (404) */
export async function readAgreement(call: Call, tenancyId: string): Promise<AgreementAnswer> {
  const { db, env, now } = call;
  const tenancy = await findTenancy(call, tenancyId);
  const declined = (await factsOf(db, [tenancy.id], 'agreed')).at(-1)?.value.declined ?? [];
  const histories = await readHistories(db, await pointsOfPlace(db, tenancy.placeId), now);
  const machines = new Map((await db.machine.all({ placeId: tenancy.placeId })).map((it) => [it.id, it]));
  const tasks = new Map<string, AgreementAnswer['tasks'][number]>();
  for (const { retired, raised, procedure, choices, machineId, point } of histories) {
    const { level } = procedureOf(point.procedure, choices);
    // What this home raises for another reason is not theirs to agree to.
    const theirs = level === 'tenant' && raised.every((it) => it === 'agreed');
    if (retired || !theirs) continue;
    const machine = machineName(env.say, machines.get(machineId)!);
    const says = env.say('standing.part', { part: env.say(`point.${procedure.key}`), machine });
    tasks.set(procedure.key, { procedure: procedure.key, says, agreed: !declined.includes(procedure.key) });
  }
  return { tasks: [...tasks.values()].sort((a, b) => a.says.localeCompare(b.says)) };
}

/** Says what a household does not do, from today on. @throws Problem: notFound (404), fields (422) */
export async function changeAgreement(call: Call, tenancyId: string, { declined }: Agreement): Promise<object> {
  const tenancy = await findTenancy(call, tenancyId);
  const { tasks } = await readAgreement(call, tenancyId);
  if (declined.some((it) => !tasks.some(({ procedure }) => procedure === it)))
    throw fieldProblem('declined', 'field.oneOf');
  const today = dayOfInstant(call.now, await zoneOfPlace(call.db, tenancy.placeId));
  await recordFact(call, tenancy.id, 'agreed', { declined }, today);
  return {};
}
