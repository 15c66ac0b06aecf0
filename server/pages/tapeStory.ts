/** What happened to a machine or in a home, by whom, in words, newest first. */
import type { Day } from '../../core/calendar/day.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import type { TapeEvent } from '../../contract/pages/tape.ts';
import type { Call } from '../context/context.ts';
import { closingWords } from '../faults/words.ts';
import type { Translator } from '../language/translator.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { readMoves, type MoveRow } from '../sql/tape.ts';
import type { TracedPoint } from '../standing/stood.ts';
import type { Row } from '../store/tables.ts';
import type { TapeSubject } from './tapeSubject.ts';

interface Happened {
  readonly faults: readonly Row<'fault'>[];
  readonly signals: readonly Row<'signal'>[];
  readonly deficiencies: readonly Row<'deficiency'>[];
  readonly tenancies: readonly Row<'tenancy'>[];
  readonly remedies: readonly Row<'remedy'>[];
}

/** The story of what a tape shows: given, handed back, sent, judged, reported, found, put right, moved in and out. */
export async function tapeStory(
  call: Call,
  { place, machines, dayOf }: TapeSubject,
  { faults, signals, deficiencies, tenancies, remedies }: Happened,
  traced: readonly TracedPoint[],
): Promise<TapeEvent[]> {
  const { db } = call;
  const { say } = call.env;
  const points = new Map(traced.map((it) => [it.pointId, it]));
  const pointIds = [...points.keys()];
  const [moves, records, looks] = await Promise.all([
    readMoves(
      db,
      machines.map(({ id }) => id),
    ),
    db.record.all({ pointId: pointIds }),
    db.condition.all({ pointId: pointIds, kind: 'look' }),
  ]);
  const proofs = new Map((await db.proof.all({ pointId: pointIds })).map((proof) => [proof.recordId, proof]));
  const names = await namesOf(db, [
    ...moves.flatMap(({ personId, assigneeId }) => [personId, assigneeId]),
    ...records.map(({ personId }) => personId),
    ...looks.map(({ personId }) => personId),
    ...[...proofs.values()].map(({ judgedBy }) => judgedBy),
    ...faults.flatMap(({ openedBy, closedBy }) => [openedBy, closedBy]),
    ...signals.flatMap(({ personId, settledBy }) => [personId, settledBy]),
    ...deficiencies.flatMap(({ openedBy, closedBy }) => [openedBy, closedBy]),
    ...tenancies.map(({ personId }) => personId),
    ...remedies.map(({ decidedBy }) => decidedBy),
  ]);
  const machineOf = new Map(machines.map((machine) => [machine.id, machineName(say, machine)]));
  const told: Telling = {
    say,
    dayOf,
    nameOf: (id) => (id === null ? null : (names.get(id) ?? null)),
    machine: (id) => machineOf.get(id) ?? place.name,
    part: (pointId) => {
      const point = points.get(pointId);
      return point ? say(`point.${point.procedure}`) : place.name;
    },
  };
  const events = [
    ...movesOf(told, moves),
    ...records.map((record) => serviceOf(told, record, proofs.get(record.id)!)),
    ...looks.map((look) => lookOf(told, look)),
    ...faults.flatMap((fault) => faultOf(told, fault)),
    ...signals.flatMap((signal) => signalOf(told, signal)),
    ...deficiencies.flatMap((it) => deficiencyOf(told, it)),
    ...tenancies.flatMap((it) => householdOf(told, it, place.name)),
    ...remedies.map((it) => remedyOf(told, it)),
  ];
  return events.sort((a, b) => b.day - a.day || b.at - a.at);
}

/** What is needed to tell anything. */
interface Telling {
  readonly say: Translator;
  readonly dayOf: (instant: number) => Day;
  readonly nameOf: (personId: string | null) => string | null;
  readonly machine: (id: string) => string;
  readonly part: (pointId: string) => string;
}

const movesOf = ({ say, dayOf, nameOf, machine }: Telling, moves: readonly MoveRow[]): TapeEvent[] =>
  moves.map(({ at, move, reason, personId, assigneeId, machineId, procedures }) => {
    const parts = (procedures ?? '').split(',').filter(Boolean);
    return {
      at,
      day: dayOf(at),
      kind: 'work',
      of: parts.length === 0 ? machine(machineId) : say.list(parts.map((key) => say(`point.${key}`))),
      by: nameOf(personId),
      says: say(`tape.move.${move}`, { to: nameOf(assigneeId) ?? 'none', reason: reason ?? 'none' }),
    };
  });

function serviceOf({ say, nameOf, part }: Telling, record: Row<'record'>, proof: Row<'proof'>): TapeEvent {
  const { grade } = JSON.parse(record.canonical) as ServiceRecord;
  return {
    at: record.doneAt,
    day: record.doneDay,
    kind: 'service',
    of: part(record.pointId),
    by: nameOf(record.personId),
    says: say('tape.done', {
      grade: grade ? say(`grade.${grade}`) : 'none',
      state: proof.state,
      evidence: say(`evidence.${proof.evidence}`),
      judge: nameOf(proof.judgedBy) ?? 'none',
    }),
  };
}

const lookOf = ({ say, nameOf, part }: Telling, it: Row<'condition'>): TapeEvent => ({
  at: it.at,
  day: it.day,
  kind: 'service',
  of: part(it.pointId),
  by: nameOf(it.personId),
  says: say('story.look', { grade: say(`grade.${it.grade}`), confirmed: String(it.confirmed === 1) }),
});

function faultOf({ say, dayOf, nameOf, machine }: Telling, fault: Row<'fault'>): TapeEvent[] {
  const of = machine(fault.machineId);
  const opened: TapeEvent = {
    at: fault.openedAt,
    day: fault.openedDay,
    kind: 'fault',
    of,
    by: nameOf(fault.openedBy),
    says: say('story.fault', { symptom: say(`symptom.${fault.symptom}`) }),
  };
  if (fault.closedAt === null) return [opened];
  const says = say('story.faultClosed', { found: closingWords(say, fault) });
  return [
    opened,
    { at: fault.closedAt, day: dayOf(fault.closedAt), kind: 'fault', of, by: nameOf(fault.closedBy), says },
  ];
}

function signalOf({ say, dayOf, nameOf, part }: Telling, it: Row<'signal'>): TapeEvent[] {
  const signal = say(`signal.${it.type}`);
  const of = part(it.pointId);
  const seen: TapeEvent = {
    at: it.at,
    day: it.day,
    kind: 'fault',
    of,
    by: it.emitterId ? say('signal.byMachine') : nameOf(it.personId),
    says: say('story.signal.open', { signal }),
  };
  if (it.settledAt === null || it.state === 'open') return [seen];
  const recheck = it.recheckDay === null ? '' : say.shortDay(it.recheckDay);
  const says = say(`story.signal.${it.state}`, { signal, recheck, reason: it.reason ?? '' });
  return [seen, { at: it.settledAt, day: dayOf(it.settledAt), kind: 'fault', of, by: nameOf(it.settledBy), says }];
}

function deficiencyOf({ say, dayOf, nameOf, machine }: Telling, it: Row<'deficiency'>): TapeEvent[] {
  const says = say(`deficiency.${it.type}`);
  const common = { kind: 'deficiency', of: machine(it.machineId) } as const;
  const seen = {
    ...common,
    at: it.openedAt,
    day: dayOf(it.openedAt),
    by: nameOf(it.openedBy),
    says: say('tape.deficiency', { says }),
  };
  if (it.closedAt === null) return [seen];
  return [
    seen,
    {
      ...common,
      at: it.closedAt,
      day: dayOf(it.closedAt),
      by: nameOf(it.closedBy),
      says: say('tape.deficiencyClosed', { says, done: it.done ?? '' }),
    },
  ];
}

function householdOf({ say, nameOf }: Telling, it: Row<'tenancy'>, place: string): TapeEvent[] {
  const name = nameOf(it.personId) ?? say('story.someone');
  const common = { at: it.createdAt, kind: 'household', of: place, by: null } as const;
  return [
    { ...common, day: it.fromDay, says: say('tape.movedIn', { name }) },
    ...(it.toDay === null ? [] : [{ ...common, day: it.toDay, says: say('tape.movedOut', { name }) }]),
  ];
}

const remedyOf = ({ say, nameOf, machine }: Telling, it: Row<'remedy'>): TapeEvent => ({
  at: it.decidedAt,
  day: it.decidedDay,
  kind: 'remedy',
  of: machine(it.machineId),
  by: nameOf(it.decidedBy),
  says: say('tape.remedy', { decision: it.decision, symptom: say(`symptom.${it.symptomGroup}`) }),
});
