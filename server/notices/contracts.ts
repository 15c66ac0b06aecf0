/** Contractors who come by contract: who is asked to come, whether they were told, whether they came. */
import { dayOfInstant, instantOfDay, type Day } from '../../core/calendar/day.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import { WINDOW_OPENS } from '../../core/due/line.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import { SETTLE_MS, tellableFrom } from '../../core/notices/telling.ts';
import type { ContractsAnswer, ContractState, ContractVisit } from '../../contract/notices/contracts.ts';
import { lineOfMark, WORK } from '../../contract/due/due.ts';
import type { Call, Env } from '../context/context.ts';
import type { Translator } from '../language/translator.ts';
import { notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { factsOf } from '../store/facts.ts';
import type { FactValues } from '../store/factValues.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';
import { describeMessage } from './askings.ts';
import { contactsOf } from './contact.ts';
import { askingRuleOf, messageRow } from './planning.ts';

/** Writes down that contractors with an address are asked, once each job. */
export async function planContracted(env: Env): Promise<void> {
  const { db } = env.store;
  const jobIds = (await db.jobLink.all({ revokedAt: null, expiresAt: above(env.clock()) })).map(({ jobId }) => jobId);
  const told = new Set((await db.message.all({ subjectId: jobIds, kind: 'contracted' })).map((it) => it.subjectId));
  const untold = (await db.job.all({ id: jobIds, state: 'given' })).filter(({ id }) => !told.has(id));
  const contacts = await contactsOf(
    db,
    untold.map(({ assigneeId }) => assigneeId!),
  );
  const rows: Row<'message'>[] = [];
  for (const { id: subjectId, organisationId, placeId, assigneeId, givenAt, createdAt } of untold) {
    if (contacts.get(assigneeId!)?.way !== 'mail') continue;
    const rule = await askingRuleOf(db, organisationId);
    const from = Math.max((givenAt ?? createdAt) + SETTLE_MS, env.clock());
    const notBefore = tellableFrom(from, rule, await zoneOfPlace(db, placeId));
    rows.push(
      messageRow(env, { organisationId, personId: assigneeId!, placeId, kind: 'contracted', subjectId, notBefore }),
    );
  }
  if (rows.length > 0) await env.store.write((it) => it.message.insertMany(rows));
}

const isOn = (day: Day, zone: string) => (it: Row<'message'>) => dayOfInstant(it.at, zone) === day;

/**
 * Asks a contractor once more, with a link of its own.
 * @throws Problem: notFound (404); nothingAsked, remindedToday, noWay (409)
 */
export async function remindContractor(call: Call, jobId: string): Promise<object> {
  const { env, db, now, actor } = call;
  const job = await db.job.one({ id: jobId, organisationId: actor.organisationId });
  if (!job) throw notFound();
  const { assigneeId, placeId, organisationId } = job;
  if (job.state !== 'given' || !assigneeId || !(await db.jobLink.one({ jobId })))
    throw new Problem(409, 'nothingAsked');
  if ((await contactsOf(db, [assigneeId])).get(assigneeId)?.way !== 'mail') throw new Problem(409, 'noWay');
  const zone = await zoneOfPlace(db, placeId);
  const before = await db.message.all({ subjectId: jobId, kind: 'contracted' });
  if (before.some(isOn(dayOfInstant(now, zone), zone))) throw new Problem(409, 'remindedToday');
  const notBefore = tellableFrom(now, await askingRuleOf(db, organisationId), zone);
  const turn = 1 + Math.max(-1, ...before.map((it) => it.turn));
  await db.message.insert(
    messageRow(env, {
      organisationId,
      personId: assigneeId,
      placeId,
      kind: 'contracted',
      subjectId: jobId,
      turn,
      notBefore,
    }),
  );
  return {};
}

/** Every visit of a contractor that there is a contract for, the most pressing first. */
export async function listContracts(call: Call): Promise<ContractsAnswer> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const points = await db.point.all({ organisationId, procedure: CONTRACTOR_VISIT });
  const ids = points.map(({ id }) => id);
  const machineIds = points.map(({ machineId }) => machineId);
  const [marks, machines, contracts, asked] = await Promise.all([
    db.mark.all({ pointId: ids }),
    db.machine.all({ id: machineIds }),
    factsOf(db, machineIds, 'contract'),
    askedOf(call, ids),
  ]);
  const places = await db.place.all({ id: [...new Set(marks.map(({ placeId }) => placeId))] });
  const properties = await db.property.all({ organisationId });
  const contractOf = new Map(contracts.map(({ subjectId, value }) => [subjectId, value]));
  const by = <T extends { readonly id: string }>(rows: readonly T[]) => new Map(rows.map((it) => [it.id, it]));
  const [pointOf, machineOf, placeOf, propertyOf] = [by(points), by(machines), by(places), by(properties)];
  const visits = marks.map((mark) => {
    const machine = machineOf.get(pointOf.get(mark.pointId)!.machineId)!;
    const place = placeOf.get(mark.placeId)!;
    const where = { machine, place, property: propertyOf.get(place.propertyId)!, contract: contractOf.get(machine.id) };
    return describe(call, mark, where, asked.get(mark.pointId));
  });
  const missedFirst = ({ state }: ContractVisit) => Number(state !== 'missed');
  return { visits: visits.sort((a, b) => missedFirst(a) - missedFirst(b) || (a.lineDay ?? 0) - (b.lineDay ?? 0)) };
}

/** Somebody who was asked to come: the job, by what name, how they are reached, what was announced and told. */
interface Asked {
  readonly job: Row<'job'>;
  readonly name: string;
  readonly reached: boolean;
  readonly visits: readonly Row<'visit'>[];
  readonly messages: readonly Row<'message'>[];
}

/** Who was asked to come for each of some parts. */
async function askedOf({ db }: Call, pointIds: readonly string[]): Promise<Map<string, Asked>> {
  const tasks = await db.task.all({ pointId: [...pointIds], state: ['outstanding', 'sent'] });
  const jobs = await db.job.all({ id: tasks.map(({ jobId }) => jobId), state: [...DOING_STATES, 'sent'] });
  const people = jobs.flatMap(({ assigneeId }) => assigneeId ?? []);
  const [visits, messages, names, contacts] = await Promise.all([
    db.visit.all({ personId: people, state: 'announced' }, { order: [['createdAt', 'ASC']] }),
    db.message.all({ subjectId: jobs.map(({ id }) => id), kind: 'contracted' }, { order: [['at', 'ASC']] }),
    namesOf(db, people),
    contactsOf(db, people),
  ]);
  const jobOf = new Map(jobs.map((job) => [job.id, job]));
  return new Map(
    tasks.flatMap(({ pointId, jobId }) => {
      const job = jobOf.get(jobId);
      if (!job?.assigneeId) return [];
      const asked: Asked = {
        job,
        name: names.get(job.assigneeId) ?? '',
        reached: contacts.get(job.assigneeId)?.way === 'mail',
        visits: visits.filter(({ personId, placeId }) => personId === job.assigneeId && placeId === job.placeId),
        messages: messages.filter(({ subjectId }) => subjectId === jobId),
      };
      return [[pointId, asked] as const];
    }),
  );
}

interface Where {
  readonly machine: Row<'machine'>;
  readonly place: Row<'place'>;
  readonly property: Row<'property'>;
  readonly contract: FactValues['contract'] | undefined;
}

function describe(
  { env: { say }, now }: Call,
  mark: Row<'mark'>,
  { machine, place, property, contract }: Where,
  asked: Asked | undefined,
): ContractVisit {
  const { zone } = property;
  const today = dayOfInstant(now, zone);
  const { servedDay, lineDay } = lineOfMark(mark);
  const visit = asked?.visits.at(-1);
  return {
    number: mark.number,
    machine: machineName(say, machine),
    placeId: place.id,
    place: placeInFull(place, property),
    today,
    contractor: asked?.name ?? contract?.name ?? '',
    everyMonths: contract?.everyMonths ?? 0,
    lastDay: servedDay,
    lineDay: servedDay === null ? null : lineDay,
    state: stateOf(mark, asked, visit && instantOfDay(visit.day, visit.untilMinute, zone) < now),
    near: servedDay === null || today - servedDay >= WINDOW_OPENS * (lineDay - servedDay),
    visit: visit ? { day: visit.day, from: visit.fromMinute, until: visit.untilMinute } : null,
    ...(asked ? toldOf(say, asked, today, zone) : { jobId: null, askedDay: null, mayRemind: false, messages: [] }),
  };
}

const toldOf = (say: Translator, { job, reached, messages }: Asked, today: Day, zone: string) => ({
  jobId: job.id,
  askedDay: dayOfInstant(job.givenAt ?? job.createdAt, zone),
  mayRemind: reached && job.state === 'given' && !messages.some(isOn(today, zone)),
  messages: messages.map((it) => describeMessage(say, it, zone)),
});

/** @param over whether the time that was announced is over; undefined where none was */
function stateOf(mark: Row<'mark'>, asked: Asked | undefined, over: boolean | undefined): ContractState {
  if (mark.work >= WORK.sent) return 'sent';
  if (!asked) return 'open';
  if (over === undefined) return 'asked';
  return over ? 'missed' : 'coming';
}
