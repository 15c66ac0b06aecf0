/** What deciding a remedy does by itself, and how it is taken back. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { practiceDays, SCHOOLS, type Practice, type PracticeDays } from '../../core/catalogue/practice.ts';
import type { Decision } from '../../core/faults/remedies.ts';
import { pointsOfSymptom } from '../../core/faults/symptoms.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { habitsOf } from '../../core/catalogue/habits.ts';
import { choosePractice } from '../due/settings.ts';
import { findScope } from '../lookup/scope.ts';
import { openDeficiency } from './clocks.ts';
import { factsOf, inForce, nearestFact, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';

/** What was done: enough of it to say it, and to take it back. */
export type Done =
  | {
      readonly kind: 'interval';
      readonly pointId: string;
      readonly practice: Practice;
      readonly before: Practice | null;
    }
  | { readonly kind: 'coaching'; readonly machineId: string }
  | { readonly kind: 'deficiency'; readonly deficiencyId: string };

/**
 * Does what a decision says, as far as it can be done from here; null where somebody has to do it.
 * @throws Problem: noShorter (409), where the part has the shortest interval already
 */
export async function actOn(
  call: Call,
  decision: Decision,
  machine: Row<'machine'>,
  group: string,
  note: string,
): Promise<Done | null> {
  if (decision === 'interval') return shortenInterval(call, machine, group);
  if (decision === 'coaching') return coach(call, machine, group);
  if (decision === 'assignee') return null;
  return openCause(call, machine, group, decision, note);
}

/** Of the parts that the symptom makes due, the first that can goes by the next stricter practice, from today. */
async function shortenInterval(call: Call, machine: Row<'machine'>, group: string): Promise<Done | null> {
  const { db } = call;
  const procedures = pointsOfSymptom(machine.type, group);
  const points = await db.point.all({ machineId: machine.id, procedure: [...procedures] });
  points.sort((a, b) => procedures.indexOf(a.procedure) - procedures.indexOf(b.procedure));
  const { today } = await findScope(call, 'machine', machine.id);
  const place = (await db.place.one({ id: machine.placeId }))!;
  for (const { id: pointId, procedure } of points) {
    const subjects = [pointId, machine.id, place.id, place.propertyId, machine.organisationId];
    const now = (await nearestFact(db, subjects, 'practice', today))?.value ?? 'steady';
    const practice = stricterThan(procedureOf(procedure).days, now);
    if (!practice) continue;
    const before = inForce(await factsOf(db, [pointId], 'practice'), today)?.value ?? null;
    await choosePractice(call, { scope: 'point', subjectId: pointId, practice });
    return { kind: 'interval', pointId, practice, before };
  }
  throw new Problem(409, 'noShorter');
}

/** The laxest practice that still gives less time than this one; undefined where none does. */
const stricterThan = (days: PracticeDays, practice: Practice): Practice | undefined =>
  SCHOOLS.findLast((school) => practiceDays(days, school) < practiceDays(days, practice));

/** The household is asked about its habits at this machine at once, with what came back as the reason. */
async function coach(call: Call, machine: Row<'machine'>, symptom: string): Promise<Done | null> {
  if (habitsOf(machine.type).length === 0) return null;
  const { today } = await findScope(call, 'machine', machine.id);
  await recordFact(call, machine.id, 'coaching', { at: call.now, symptom }, today);
  return { kind: 'coaching', machineId: machine.id };
}

/** Something to be put right by a day, by somebody: the cause, or the machine itself. */
async function openCause(
  call: Call,
  machine: Row<'machine'>,
  group: string,
  type: 'rootCause' | 'replacement',
  words: string,
): Promise<Done> {
  const deficiencyId = call.env.newId();
  const symptom = houseVoice(call)(`symptom.${group}`);
  const note = words ? `${symptom}. ${words}` : symptom;
  await openDeficiency(call, machine, { id: deficiencyId, type, severity: 'moderate', note });
  return { kind: 'deficiency', deficiencyId };
}

/** Takes back what a decision did, as far as nobody has gone on from it. */
export async function undo(call: Call, done: Done): Promise<void> {
  const { db } = call;
  if (done.kind === 'interval')
    await choosePractice(call, { scope: 'point', subjectId: done.pointId, practice: done.before });
  else if (done.kind === 'coaching') {
    const { today } = await findScope(call, 'machine', done.machineId);
    await recordFact(call, done.machineId, 'coaching', null, today);
  } else await db.deficiency.remove({ id: done.deficiencyId, closedAt: null });
}
