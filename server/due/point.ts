/** A point's side panel: where it stands, the working of its date, its story, what may be done. */
import { Op } from 'sequelize';
import { isoFromDay } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Term } from '../../core/due/interval.ts';
import { shareUsed } from '../../core/due/line.ts';
import type { Speaker } from '../../core/language/message.ts';
import { rideAlong } from '../../core/jobs/sitting.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { lineOfMark, type PointAnswer, type StoryEntry, type TermLine } from '../../contract/due.ts';
import type { MarkDates } from '../../contract/register.ts';
import type { Call } from '../env.ts';
import { notFound } from '../http/problem.ts';
import { assigneesFor } from '../jobs/assignees.ts';
import { machineName } from '../register/names.ts';
import type { Db } from '../store/db.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { lineOf, readHistory } from './history.ts';

export function markDates({ servedDay, intervalDays, capSlack, work }: Row<'mark'>): MarkDates {
  return { servedDay, intervalDays, capSlack, work };
}

/** Finds a point by its number or its id. */
export async function findPoint({ db, actor }: Call, idOrNumber: string): Promise<Row<'point'>> {
  const by = /^\d{1,9}$/.test(idOrNumber) ? { number: Number(idOrNumber) } : { id: idOrNumber };
  const point = await db.point.one({ ...by, organisationId: actor.organisationId });
  if (!point) throw notFound();
  return point;
}

export async function readPoint(call: Call, idOrNumber: string): Promise<PointAnswer> {
  const { env: { say }, db, now } = call;
  const found = await findPoint(call, idOrNumber);
  const history = await readHistory(db, found.id, now);
  const { point, machine, place, property, procedure, today, job, waiting } = history;
  const line = lineOf(history);
  const signal = line.servedDay !== null && history.signal && history.signal.day >= line.servedDay ? history.signal : undefined;
  const mark = (await db.mark.one({ pointId: point.id }))!;
  const specifications = await factsOf(db, [point.id], 'specification');
  return {
    id: point.id, number: point.number, name: say(`point.${procedure.key}`), task: say(`task.${procedure.key}`),
    why: say(`why.${procedure.key}`), kind: procedure.kind, safetyCritical: procedure.safetyCritical, procedure: procedure.key,
    place: { id: place.id, name: place.name, property: property.name, today, zone: property.zone },
    machine: { id: machine.id, name: machineName(say, machine) },
    mark: markDates(mark),
    says: line.servedDay === null ? say('due.says.noRecord')
      : signal ? say('due.says.signal') : say('due.says.interval', { days: line.interval.days }),
    terms: line.interval.terms.map((term) => termLine(say, term, procedure.safetyCritical)).concat(
      signal
        ? [{ says: say('term.signal'), why: say('term.signal.why', { symptom: say(`symptom.${signal.symptom}`), day: say.shortDay(signal.day) }), days: line.lineDay - line.servedDay! }]
        : []),
    band: line.servedDay === null ? null : line.interval.band,
    specification: specifications.at(-1)?.value ?? {},
    job: job ? {
      id: job.id, state: job.state, says: say(`job.${job.state}`), revision: job.revision, reason: job.reason,
      assignee: (job.assigneeId && (await db.person.one({ id: job.assigneeId }))?.name) || null,
    } : null,
    waitingRecordId: waiting?.recordId ?? null,
    story: await storyOf(call, point),
    rideAlong: await companions(call, machine.id, point.id, today),
    assignees: await assigneesFor(call, place.id, [procedure]),
    level: procedure.level, levelSays: say(`level.${procedure.level}`),
  };
}

/** Other points of the machine that nobody is on; the near ones are ticked beforehand. */
async function companions({ db, env: { say } }: Call, machineId: string, pointId: string, today: number) {
  const others = (await db.point.all({ machineId })).filter(({ id }) => id !== pointId);
  const marks = await db.mark.all({ pointId: others.map(({ id }) => id), work: 0 });
  const candidates = marks.map((mark) => ({ pointId: mark.pointId, share: shareUsed(lineOfMark(mark), { today }) }));
  const near = new Set(rideAlong(candidates).map((it) => it.pointId));
  return candidates.map(({ pointId: id, share }) => {
    const { procedure } = others.find((it) => it.id === id)!;
    return { id, share: share ?? null, chosen: near.has(id), name: say(`point.${procedure}`), forTenant: procedureOf(procedure).level === 'T' };
  });
}

function termLine(say: Speaker, term: Term, critical: boolean): TermLine {
  const days = Math.round(term.days);
  switch (term.term) {
    case 'practice': return { days, says: say('term.practice', { practice: say(`practice.${term.practice}`) }), why: say('term.practice.why', { assumed: String(term.assumed) }) };
    case 'driver': return { days, says: say(`term.driver.${term.effect.from}`, { given: term.effect.given }), why: say('term.driver.why', { factor: term.effect.factor }) };
    case 'changed': return { days, says: say('term.changed', { day: say.shortDay(term.fromDay) }), why: say('term.changed.why') };
    case 'found': return {
      days,
      says: say('term.found', { count: term.grades.length, last: say(`grade.${term.grades.at(-1)!.grade}`) }),
      why: say('term.found.why', {
        pace: term.speed > 1.05 ? 'faster' : term.speed < 0.95 ? 'slower' : 'same', speed: term.speed,
        waiting: term.grades.filter(({ confirmed }) => !confirmed).length,
      }),
    };
    default: return { days, says: say(`term.${term.term}`), why: say(`term.${term.term}.why`, { critical: String(critical) }) };
  }
}

async function storyOf(call: Call, point: Row<'point'>): Promise<StoryEntry[]> {
  const { db, env: { say } } = call;
  const latest = { order: [['doneAt', 'DESC']], limit: 12 } as const;
  const [records, faults] = await Promise.all([
    db.record.all({ pointId: point.id }, latest),
    db.fault.all({ pointId: point.id }, { order: [['openedAt', 'DESC']], limit: 6 }),
  ]);
  const proofs = new Map((await db.proof.all({ recordId: records.map(({ id }) => id) })).map((proof) => [proof.recordId, proof]));
  const names = await namesOf(db, [...records.map(({ personId }) => personId), ...faults.map(({ openedBy }) => openedBy)]);
  const name = (id: string | null) => (id && names.get(id)) ?? say('story.someone');
  const entries: StoryEntry[] = records.map((record) => {
    const proof = proofs.get(record.id)!;
    const { grade, selfCertified } = JSON.parse(record.canonical) as ServiceRecord;
    const gradeSays = grade ? say(`grade.${grade}`) : 'none';
    const key = proof.state === 'accepted' ? (selfCertified ? 'selfCertified' : 'proven') : proof.state;
    return {
      at: record.doneAt, day: isoFromDay(record.doneDay), by: name(record.personId), recordId: record.id,
      evidence: proof.state === 'sentBack' ? null : proof.evidence,
      says: say(`story.${key}`, { grade: gradeSays, reason: proof.reason ?? '' }),
    };
  });
  for (const fault of faults) {
    const day = isoFromDay(fault.openedDay);
    entries.push({
      at: fault.openedAt, day, by: name(fault.openedBy), recordId: null, evidence: null,
      says: fault.found ? say('story.faultClosed', { found: fault.found }) : say('story.fault', { symptom: say(`symptom.${fault.symptom}`) }),
    });
  }
  return entries.sort((a, b) => b.at - a.at);
}

/** Names of people by id. */
export async function namesOf(db: Db, ids: readonly (string | null)[]): Promise<Map<string, string>> {
  const wanted = [...new Set(ids.filter((id): id is string => id !== null))];
  const people = wanted.length === 0 ? [] : await db.person.all({ id: { [Op.in]: wanted } }, { columns: ['id', 'name'] });
  return new Map(people.map(({ id, name }) => [id, name]));
}
