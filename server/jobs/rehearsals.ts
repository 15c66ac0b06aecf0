/** Rehearsals: questions on a procedure as it is in force here, and who has rehearsed what. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { CATALOGUE_VERSION, procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { questionsOf, rightOf, type Question } from '../../core/jobs/rehearsal.ts';
import type {
  RehearsalAnswer,
  RehearsalOf,
  RehearsalsAnswer,
  RehearsedForm,
} from '../../contract/catalogue/rehearsals.ts';
import type { ProcedureAnswer } from '../../contract/catalogue/editions.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { firstZone } from '../lookup/zone.ts';
import { readProcedure } from './procedure.ts';

const ALL_STOPS = [...new Set([...procedures.values()].flatMap(({ stops }) => stops))];

const questionsIn = (procedure: ProcedureAnswer, seed: number): Question[] =>
  questionsOf({ steps: procedure.steps, stops: procedureOf(procedure.key).stops, otherStops: ALL_STOPS }, seed);

/** Questions of a rehearsal, drawn by its seed. */
export async function readRehearsal(call: Call, key: string, { seed }: RehearsalOf): Promise<RehearsalAnswer> {
  const {
    env: { say },
  } = call;
  const procedure = await readProcedure(call, key);
  const titleOf = (step: string) => procedure.steps.find((it) => it.key === step)!.title;
  const words = ({ kind }: Question, option: string) => {
    if (kind === 'stop') return say(`stop.${option}`);
    return kind === 'picture' ? say(`grade.${option}`) : titleOf(option);
  };
  return {
    questions: questionsIn(procedure, seed).map((question) => ({
      says: say(`rehearsal.${question.kind}`),
      after: question.after,
      options: question.options.map((option) => words(question, option)),
      right: question.right,
      because: say(`rehearsal.${question.kind}.because`, { right: words(question, question.options[question.right]!) }),
      grade: question.grade,
    })),
  };
}

/** The answers are looked at again here: what is kept is not what a device says of itself. */
export async function keepRehearsal(call: Call, form: RehearsedForm): Promise<{ asked: number; correct: number }> {
  const { db, actor, now } = call;
  const procedure = await readProcedure(call, form.procedure);
  const questions = questionsIn(procedure, form.seed);
  if (form.answers.length !== questions.length) throw fieldProblem('answers', 'field.invalid');
  const correct = rightOf(questions, form.answers);
  await db.rehearsal.insert({
    id: form.id,
    organisationId: actor.organisationId,
    personId: actor.personId,
    procedure: procedure.key,
    edition: procedure.number || null,
    catalogue: CATALOGUE_VERSION,
    asked: questions.length,
    correct,
    at: now,
  });
  return { asked: questions.length, correct };
}

/** What the caller has rehearsed, the last time of each procedure. */
export async function listRehearsals(call: Call): Promise<RehearsalsAnswer> {
  const { db, actor } = call;
  const { zone } = await firstZone(call);
  const rows = await db.rehearsal.all({ personId: actor.personId }, { order: [['at', 'ASC']] });
  const editions = await db.edition.all(
    { organisationId: actor.organisationId },
    { order: [['number', 'ASC']], columns: ['procedure', 'number', 'content'] },
  );
  const inForce = new Map(
    editions.map(({ procedure, number, content }) => [procedure, content === null ? null : number]),
  );
  return {
    rehearsals: [...new Map(rows.map((row) => [row.procedure, row])).values()].map(
      ({ procedure, at, asked, correct, catalogue, edition }) => ({
        procedure,
        day: isoFromDay(dayOfInstant(at, zone)),
        asked,
        correct,
        older: catalogue !== CATALOGUE_VERSION || edition !== (inForce.get(procedure) ?? null),
      }),
    ),
  };
}
