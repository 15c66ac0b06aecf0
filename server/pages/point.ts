/** A point's side panel: where it stands, the working of its date, its story, what may be done. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { bandOf, computeLine } from '../../core/due/compute.ts';
import { shareUsed } from '../../core/due/line.ts';
import { rideAlong } from '../../core/jobs/sitting.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { lineOfMark, type PointAnswer, type StoryEntry } from '../../contract/due/due.ts';
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { closingWords } from '../faults/words.ts';
import { assigneesFor } from '../jobs/assignees.ts';
import { liveJobOf } from '../lookup/liveJob.ts';
import { machineName } from '../lookup/names.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import { findPoint, namesOf } from '../lookup/find.ts';
import { readHistories, readHistory } from '../due/history.ts';
import { anchorWords, beyondWords, plainWords, termLine } from '../due/terms.ts';
import { markDates } from '../lookup/markDates.ts';

/**
 * A point with its line, its working and its story.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readPoint(call: Call, idOrNumber: string): Promise<PointAnswer> {
  const {
    env: { say },
    db,
    now,
  } = call;
  const found = await findPoint(call, idOrNumber);
  const history = await readHistory(db, found.id, now);
  const { point, placeId, machineId, procedure, today, waiting, inputs, hold } = history;
  const mark = await db.mark.one({ pointId: point.id });
  if (!mark) throw notFound();
  const line = computeLine(inputs, today);
  const [machine, place] = [(await db.machine.one({ id: machineId }))!, (await db.place.one({ id: placeId }))!];
  const property = (await db.property.one({ id: place.propertyId }))!;
  const specifications = await factsOf(db, [point.id], 'specification');
  const job = await liveJobOf(db, point.id);
  return {
    id: point.id,
    number: point.number,
    name: say(`point.${procedure.key}`),
    task: say(`task.${procedure.key}`),
    why: say(`why.${procedure.key}`),
    kind: procedure.kind,
    safetyCritical: procedure.safetyCritical,
    procedure: procedure.key,
    place: { id: place.id, name: place.name, property: property.name, today, zone: property.zone },
    machine: { id: machine.id, name: machineName(say, machine) },
    mark: markDates(mark),
    says: plainWords(say, history, line),
    terms: line.terms.map((term) => termLine(say, term, history)),
    band: line.servedDay === null || line.fixed ? null : bandOf(line),
    beyond: beyondWords(say, line.days, line.beyondLearned),
    signals: history.signals.flatMap(({ id, type, state, recheckDay }) =>
      state === 'answered'
        ? []
        : [{ id, state, says: say(`signal.${type}`), recheck: recheckDay === null ? null : isoFromDay(recheckDay) }],
    ),
    calendar: history.anchorChoice.kind === 'none' ? null : anchorWords(say, history.anchorChoice, history),
    hold: hold && say('hold.says', { until: say.day(hold.until), reason: hold.reason }),
    baseline: mark.servedDay > 0 ? null : isoOrNull((await factsOf(db, [point.id], 'baseline')).at(-1)?.value),
    scheduled: history.scheduled,
    specification: specifications.at(-1)?.value ?? {},
    job: job
      ? {
          id: job.id,
          state: job.state,
          says: say(`job.${job.state}`),
          revision: job.revision,
          reason: job.reason,
          assignee: (job.assigneeId && (await db.person.one({ id: job.assigneeId }))?.name) || null,
        }
      : null,
    waitingRecordId: waiting?.recordId ?? null,
    story: await storyOf(call, point.id, property.zone),
    rideAlong: procedure.kind === 'visit' ? [] : await companions(call, machine.id, point.id, today),
    contract: procedure.kind === 'visit' ? await contractOf(call, machine.id, today) : null,
    assignees: await assigneesFor(call, place.id, [procedure]),
    minutes: procedure.minutes,
    level: procedure.level,
    levelSays: say('level.here', {
      level: say(`level.${procedure.level}`),
      because: history.raised.length === 0 ? 'none' : say.list(history.raised.map((it) => say(`raised.${it}`))),
    }),
  };
}

async function contractOf({ db }: Call, machineId: string, today: number): Promise<PointAnswer['contract']> {
  const contract = inForce(await factsOf(db, [machineId], 'contract'), today)?.value;
  return contract ? { name: contract.name ?? '', email: contract.email ?? '' } : null;
}

const isoOrNull = (day: number | undefined) => (day === undefined ? null : isoFromDay(day));

/** Other points of the machine that nobody is on; the near ones are ticked beforehand. */
async function companions({ db, env: { say }, now }: Call, machineId: string, pointId: string, today: number) {
  const others = (await db.point.all({ machineId })).filter(({ id }) => id !== pointId);
  const marks = await db.mark.all({ pointId: others.map(({ id }) => id), work: 0 });
  const candidates = marks.map((mark) => ({
    pointId: mark.pointId,
    share: shareUsed(lineOfMark(mark), { today }),
    lineDay: lineOfMark(mark).lineDay,
  }));
  // The machine is opened again when this part, or a core part of it, is due next.
  const opened = await db.mark.all({ pointId: [pointId, ...others.map(({ id }) => id)] });
  const nextSitting =
    today +
    Math.min(
      ...opened
        .filter((mark) => mark.pointId === pointId || mark.scheduled === 1)
        .map(({ intervalDays }) => intervalDays || Infinity),
      365,
    );
  const near = new Set(rideAlong(candidates, nextSitting).map((it) => it.pointId));
  const here = new Map(
    (
      await readHistories(
        db,
        candidates.map((it) => it.pointId),
        now,
      )
    ).map((history) => [history.point.id, history.procedure]),
  );
  // A contractor's visit brings nothing along, and comes with nothing.
  return candidates.flatMap(({ pointId: id, share }) => {
    const { key, kind, level, minutes } = here.get(id)!;
    if (kind === 'visit') return [];
    return {
      id,
      share: share ?? null,
      chosen: near.has(id),
      name: say(`point.${key}`),
      forTenant: level === 'tenant',
      minutes,
    };
  });
}

/** Faults of its machine that make this point due, and those that were once laid to it. */
async function faultsAbout(db: Call['db'], pointId: string): Promise<Row<'fault'>[]> {
  const point = (await db.point.one({ id: pointId }))!;
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const about = symptomsOf(machine.type)
    .filter(({ points }) => points.includes(point.procedure))
    .map(({ key }) => key);
  const faults = await db.fault.all({ machineId: machine.id }, { order: [['openedAt', 'DESC']], limit: 40 });
  return faults.filter((fault) => fault.pointId === pointId || about.includes(fault.symptom)).slice(0, 6);
}

/** By what an accepted proof counts. */
function acceptedAs(selfCertified: boolean, evidence: string): 'selfCertified' | 'certified' | 'proven' | 'byRule' {
  if (selfCertified) return 'selfCertified';
  if (evidence === 'checked') return 'byRule';
  return evidence === 'selfCertified' ? 'certified' : 'proven';
}

async function storyOf(call: Call, pointId: string, zone: string): Promise<StoryEntry[]> {
  const {
    db,
    env: { say },
  } = call;
  const latest = { order: [['doneAt', 'DESC']], limit: 12 } as const;
  const [records, looks, signals, faults, measurements] = await Promise.all([
    db.record.all({ pointId }, latest),
    db.condition.all({ pointId, kind: 'look' }, { order: [['day', 'DESC']], limit: 6 }),
    db.signal.all({ pointId }, { order: [['at', 'DESC']], limit: 6 }),
    faultsAbout(db, pointId),
    db.measurement.all({ pointId }, { order: [['at', 'DESC']], limit: 6 }),
  ]);
  const proofs = new Map(
    (await db.proof.all({ recordId: records.map(({ id }) => id) })).map((proof) => [proof.recordId, proof]),
  );
  const names = await namesOf(db, [
    ...[...proofs.values()].map(({ judgedBy }) => judgedBy),
    ...records.map(({ personId }) => personId),
    ...faults.map(({ openedBy }) => openedBy),
    ...looks.map(({ personId }) => personId),
    ...signals.map(({ personId }) => personId),
    ...measurements.map(({ personId }) => personId),
  ]);
  const name = (id: string | null) => (id && names.get(id)) ?? say('story.someone');
  const entries: StoryEntry[] = records.map((record) => {
    const proof = proofs.get(record.id)!;
    const { grade, selfCertified } = JSON.parse(record.canonical) as ServiceRecord;
    const gradeSays = grade ? say(`grade.${grade}`) : 'none';
    const key = proof.state === 'accepted' ? acceptedAs(selfCertified, proof.evidence) : proof.state;
    return {
      at: record.doneAt,
      day: isoFromDay(record.doneDay),
      by: name(record.personId),
      recordId: record.id,
      correctable: record.jobId === null && proof.state === 'accepted',
      evidence: proof.state === 'sentBack' ? null : proof.evidence,
      says: say(`story.${key}`, {
        grade: gradeSays,
        reason: proof.reason ?? '',
        judge: (proof.judgedBy && names.get(proof.judgedBy)) ?? 'none',
      }),
    };
  });
  for (const fault of faults) {
    const day = isoFromDay(fault.openedDay);
    entries.push({
      at: fault.openedAt,
      day,
      by: name(fault.openedBy),
      recordId: null,
      evidence: null,
      says:
        fault.closedAt !== null
          ? say('story.faultClosed', { found: closingWords(say, fault) })
          : say('story.fault', { symptom: say(`symptom.${fault.symptom}`) }),
    });
  }
  for (const it of measurements)
    entries.push({
      at: it.at,
      day: isoFromDay(dayOfInstant(it.at, zone)),
      by: name(it.personId),
      recordId: it.recordId,
      evidence: null,
      says: say('story.measured', { says: it.says, note: it.note || 'none' }),
    });
  for (const look of looks) {
    entries.push({
      at: look.at,
      day: isoFromDay(look.day),
      by: name(look.personId),
      recordId: null,
      evidence: null,
      says: say('story.look', { grade: say(`grade.${look.grade}`), confirmed: String(look.confirmed === 1) }),
    });
  }
  for (const signal of signals) {
    const by = signal.emitterId ? say('signal.byMachine') : name(signal.personId);
    entries.push({
      at: signal.at,
      day: isoFromDay(signal.day),
      by,
      recordId: null,
      evidence: null,
      says: say(`story.signal.${signal.state}`, {
        signal: say(`signal.${signal.type}`),
        recheck: signal.recheckDay === null ? '' : say.shortDay(signal.recheckDay),
        reason: signal.reason ?? '',
      }),
    });
  }
  return entries.sort((a, b) => b.at - a.at);
}
