/** Finding the cause of an open fault: what was answered, and what comes next for whoever asks. */
import { advise, type Answer, type Table } from '../../core/faults/diagnosis.ts';
import { causeOf, type Suspect } from '../../core/faults/causes.ts';
import { OTHER } from '../../core/faults/other.ts';
import { usualRemedy } from '../../core/faults/closing.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { afterClosings, afterUpkeep } from '../../core/faults/odds.ts';
import { symptomOf } from '../../core/faults/symptoms.ts';
import { isAlarmSymptom } from '../../core/faults/alarms.ts';
import { isFindable, tableOf } from '../../core/faults/table.ts';
import { isBelow, type Level } from '../../core/catalogue/types.ts';
import type { AnswerCheck, DiagnosisAnswer } from '../../contract/faults/diagnosis.ts';
import { isOffice, type Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { countClosings, readLinesBefore, type LineBefore } from '../sql/faultEvidence.ts';
import type { Row } from '../store/tables.ts';
import { close } from './closing.ts';
import { causeWords, closingWords } from './words.ts';

/**
 * What is known of a fault's cause, and what whoever asks does next.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readDiagnosis(call: Call, id: string): Promise<DiagnosisAnswer> {
  const { fault, machine } = await visibleFault(call, id);
  return describe(call, fault, machine);
}

/**
 * Takes an answer to a check, or whether the fault was gone once a cause was put right, which closes it.
 * @throws Problem: faultClosed (409), notFindable (409), what does not belong to this fault (422), what is not there or
 *   not theirs (404)
 */
export async function answerCheck(call: Call, id: string, form: AnswerCheck): Promise<DiagnosisAnswer> {
  const { db, actor, now, env } = call;
  const { fault, machine } = await visibleFault(call, id);
  if (fault.closedAt !== null) throw new Problem(409, 'faultClosed', { found: closingWords(env.say, fault) });
  if (!isFindable(machine.type, fault.symptom)) throw new Problem(409, 'notFindable');
  const { suspects, checks } = tableOf(machine.type, fault.symptom, fuelOf(machine));
  const { kind, subject, answer } = form;
  // What somebody says is bounded by what is asked of them: a tenant mends no heater.
  const level = levelOf(call);
  const known =
    kind === 'check'
      ? checks.filter((it) => !isBelow(level, it.level)).map(({ key }) => key)
      : suspects
          .filter(({ cause }) => level !== 'tenant' || !isBelow(level, cause.level))
          .map(({ cause }) => cause.key);
  if (!known.includes(subject) || (kind === 'remedy' && (answer === 'unsure' || subject === OTHER)))
    throw fieldProblem('subject', 'field.subject');
  await db.faultCheck.insert({
    id: form.id,
    organisationId: actor.organisationId,
    faultId: fault.id,
    kind,
    subject,
    answer,
    at: now,
    byPerson: actor.personId,
  });
  if (kind === 'remedy' && answer === 'yes') {
    const cause = causeOf(subject);
    await close(call, fault, {
      cause: subject,
      remedy: usualRemedy(cause),
      found: '',
      minutes: null,
      parts: '',
      cost: null,
      payer: 'landlord',
      photoIds: [],
    });
  }
  return describe(call, (await db.fault.one({ id: fault.id }))!, machine);
}

/**
 * A fault that the caller may look into: the office any, a tenant those of the own home and those that they reported
 * of a machine which others use too.
 */
async function visibleFault(call: Call, id: string): Promise<{ fault: Row<'fault'>; machine: Row<'machine'> }> {
  const { db, actor, now } = call;
  // A report that joined a fault leads to it.
  const joined = await db.faultReport.one({ id, organisationId: actor.organisationId });
  const fault = await db.fault.one({ id: joined?.faultId ?? id, organisationId: actor.organisationId });
  if (!fault) throw notFound();
  const machine = await visibleMachine(call, fault.machineId);
  const theirs =
    isOffice(actor) ||
    fault.openedBy === actor.personId ||
    (await tenancyOn(db, machine.placeId, now))?.personId === actor.personId ||
    (await db.faultReport.count({ faultId: fault.id, byPerson: actor.personId })) > 0;
  if (!theirs) throw notFound();
  return { fault, machine };
}

const levelOf = ({ actor }: Call): Level => (isOffice(actor) ? 'staff' : 'tenant');
const fuelOf = ({ fuel }: Row<'machine'>) => (fuel === 'gas' ? 'gas' : 'electric');

async function describe(call: Call, fault: Row<'fault'>, machine: Row<'machine'>): Promise<DiagnosisAnswer> {
  const {
    db,
    env: { say },
  } = call;
  const level = levelOf(call);
  const [all, place, zone, lines] = await Promise.all([
    db.faultCheck.all({ faultId: fault.id }, { order: [['at', 'ASC']] }),
    db.place.one({ id: fault.placeId }),
    zoneOfPlace(db, fault.placeId),
    readLinesBefore(db, machine.id, fault.openedAt),
  ]);
  const told = latest(all);
  const names = await namesOf(
    db,
    told.map(({ byPerson }) => byPerson),
  );
  const { table, because } = await moved(call, fault, machine, lines);
  const advice = advise(table, level, {
    answers: Object.fromEntries(
      told.filter(({ kind }) => kind === 'check').map(({ subject, answer }) => [subject, answer as Answer]),
    ),
    tried: told.filter(({ kind, answer }) => kind === 'remedy' && answer === 'no').map(({ subject }) => subject),
  });
  const findable = isFindable(machine.type, fault.symptom);
  const tried = new Set(told.filter(({ kind }) => kind === 'remedy').map(({ subject }) => subject));
  return {
    faultId: fault.id,
    machine: machineName(say, machine),
    machineType: machine.type,
    machineNumber: machine.number,
    place: place!.name,
    symptom: fault.symptom,
    says: say(`symptom.${fault.symptom}`),
    openedAt: fault.openedAt,
    zone,
    closed: fault.closedAt === null ? null : closingWords(say, fault),
    stop: findable ? null : stopOf(fault),
    stopUsing: isAlarmSymptom(fault.symptom) || symptomOf(fault.symptom).stopUsing,
    level,
    next: fault.closedAt !== null || !findable ? null : next(call, table, advice.step, lines),
    minutes: advice.minutes,
    causes: table.suspects
      .map(({ cause }, k) => ({
        key: cause.key,
        says: say(`cause.${cause.key}`),
        odds: advice.odds[k]!.odds,
        level: cause.level,
        tried: tried.has(cause.key),
      }))
      .sort((a, b) => b.odds - a.odds),
    told: told.map(({ kind, subject, answer, byPerson }) => ({
      kind,
      subject,
      says: kind === 'check' ? say(`check.${subject}`) : causeWords(say, subject),
      answer: answer as Answer,
      by: level === 'tenant' ? null : (names.get(byPerson) ?? say('story.someone')),
    })),
    because,
  };
}

const stopOf = ({ symptom }: Row<'fault'>) =>
  isAlarmSymptom(symptom) || symptomOf(symptom).severity === 'lifeThreatening' ? 'unsafe' : 'unknown';

/** The latest word on each check and remedy, in the order in which they were first asked; what was taken back is gone. */
function latest(all: readonly Row<'faultCheck'>[]): Row<'faultCheck'>[] {
  const by = new Map<string, Row<'faultCheck'>>();
  for (const it of all) by.set(`${it.kind} ${it.subject}`, it);
  return [...by.values()].filter(({ answer }) => answer !== 'takenBack');
}

/** The table of a fault, its odds moved by how the machine's upkeep stood before it and by closings here. */
async function moved(
  { db, env: { say }, actor }: Call,
  fault: Row<'fault'>,
  machine: Row<'machine'>,
  lines: readonly LineBefore[],
): Promise<{ table: Table; because: string[] }> {
  const { suspects, checks } = tableOf(machine.type, fault.symptom, fuelOf(machine));
  const closings = (await countClosings(db, actor.organisationId, machine.type)).filter(
    ({ symptom }) => groupOfSymptom(symptom) === groupOfSymptom(fault.symptom),
  );
  const counts = new Map<string, number>();
  for (const { cause, count } of closings) counts.set(cause, (counts.get(cause) ?? 0) + count);
  const shareOf = (point: string) => {
    const line = lines.find(({ procedure }) => procedure === point);
    if (!line || line.servedDay === null) return null;
    return (fault.openedDay - line.servedDay) / Math.max(1, line.lineDay - line.servedDay);
  };
  const learned = afterClosings(suspects, counts);
  const count = suspects.reduce((sum, { cause: { key } }) => sum + (counts.get(key) ?? 0), 0);
  return {
    table: { suspects: afterUpkeep(learned, shareOf), checks },
    because: [
      ...upkeepOf(suspects).flatMap((point) => {
        const share = shareOf(point);
        if (share === null || (share > FRESH && share <= 1)) return [];
        return [say(share > 1 ? 'because.past' : 'because.fresh', { part: say(`point.${point}`) })];
      }),
      ...(count > 0 ? [say('because.closings', { count })] : []),
    ],
  };
}

/** A part that has used less of its interval than this is said to be served lately. */
const FRESH = 0.25;

const upkeepOf = (suspects: readonly Suspect[]): string[] => [
  ...new Set(suspects.flatMap(({ cause: { nature, point } }) => (nature === 'upkeep' && point ? [point] : []))),
];

function next(
  { env: { say } }: Call,
  { suspects, checks }: Table,
  step: ReturnType<typeof advise>['step'],
  lines: readonly LineBefore[],
): DiagnosisAnswer['next'] {
  if (step.kind === 'handOver') return step;
  if (step.kind === 'check') {
    const { minutes } = checks.find(({ key }) => key === step.key)!;
    return { ...step, says: say(`check.${step.key}`), minutes };
  }
  const { cause } = suspects.find((it) => it.cause.key === step.key)!;
  return {
    ...step,
    says: say(`cause.${cause.key}`),
    minutes: cause.minutes,
    pointNumber: lines.find(({ procedure }) => procedure === cause.point)?.number ?? null,
  };
}
