/** Machines that the catalogue lacks: defined by a manager, checked as ours are, shared as a file. */
import { checkDefinition, type DefinitionProblem } from '../../core/jobs/checkDefinition.ts';
import { definedMachine, forgetMachine, teachMachine, type DefinedMachine } from '../../core/catalogue/defined.ts';
import type { MachineDefinition } from '../../core/catalogue/definition.ts';
import { LANGUAGES } from '../../core/language/languages.ts';
import { readyIn } from '../../core/catalogue/ready/ready.ts';
import {
  FILE_FORMAT,
  type DefinedAnswer,
  type DefinitionFile,
  type SaveDefined,
  type TakeDefined,
} from '../../contract/catalogue/defined.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { recompute } from '../due/recompute.ts';
import type { Translator } from '../language/translator.ts';
import { namesOf } from '../lookup/find.ts';
import { addPoints, missingParts } from './points.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

const taught = ({ key, organisationId, number, version, content }: Row<'definedMachine'>): DefinedMachine => ({
  key,
  owner: organisationId,
  number,
  version,
  definition: JSON.parse(content) as MachineDefinition,
});

/** Teaches the catalogue what the offices of a store have defined. */
export async function teachDefined(db: Db): Promise<void> {
  for (const row of await db.definedMachine.all({})) teachMachine(taught(row));
}

/** The machines that the office has defined, and those that come with the program and are not taken yet. */
export async function listDefined({ db, env, actor: { organisationId } }: Call): Promise<DefinedAnswer> {
  const rows = await db.definedMachine.all({ organisationId });
  const names = await namesOf(
    db,
    rows.map(({ changedBy }) => changedBy),
  );
  const machines = await Promise.all(
    rows.map(async (row) => ({
      id: row.id,
      key: row.key,
      version: row.version,
      by: names.get(row.changedBy) ?? '',
      at: row.changedAt,
      machines: await db.machine.count({ organisationId, type: row.key, retiredDay: null }),
      content: taught(row).definition,
    })),
  );
  const called = new Set(machines.map(({ content }) => content.name));
  return {
    machines: machines.sort((a, b) => a.content.name.localeCompare(b.content.name)),
    ready: Object.entries(readyIn(env.language))
      .filter(([key]) => !LANGUAGES.some((language) => called.has(readyIn(language)[key]!.name)))
      .map(([key, content]) => ({ key, content })),
  };
}

function sayProblem(say: Translator, { key, part, values }: DefinitionProblem): string {
  const words =
    key === 'agentsMeet'
      ? {
          one: say.text(`agent.${values.one}`),
          other: say.text(`agent.${values.other}`),
          reason: say.text(String(values.reason)),
        }
      : values;
  return say('definition.of', { part, says: say.text(`definition.${key}`, words) });
}

/**
 * Checks a definition beside everybody else's work.
 * @throws Problem: definition (422), everything that is wrong with it
 */
export async function prepareDefined(form: SaveDefined, { env: { say } }: Pick<Call, 'env'>): Promise<SaveDefined> {
  const problems: DefinitionProblem[] = [];
  const breathe = breather();
  for (const problem of checkDefinition(form.content)) {
    if (problem) problems.push(problem);
    await breathe();
  }
  if (problems.length > 0)
    throw new Problem(422, 'definition', { says: problems.map((it) => sayProblem(say, it)).join(' ') });
  return form;
}

/** A machine to be taken, with its definition. */
export interface Taken extends TakeDefined {
  readonly content: MachineDefinition;
}

/**
 * What is taken from a file, or comes with the program (in the office's language), checked like what somebody wrote.
 * @throws Problem: definition, fields (422)
 */
export async function prepareTaken(form: TakeDefined, by: Pick<Call, 'env' | 'actor'>): Promise<Taken> {
  const { id, file, ready } = form;
  const known = readyIn(by.actor.houseLanguage);
  const content = file?.machine ?? (ready !== null && Object.hasOwn(known, ready) ? known[ready] : undefined);
  if (!content) throw fieldProblem('file', 'field.required');
  await prepareDefined({ id, content, basedOn: 0 }, by);
  return { ...form, content };
}

/**
 * Takes a checked machine in as one of the office's own.
 * @throws Problem: nameTaken, definitionChanged (409)
 */
export const takeDefined = (call: Call, { id, content }: Taken): Promise<{ id: string; key: string }> =>
  saveDefined(call, { id, content, basedOn: 0 });

/** A key for a part keeps its kind and what hangs on it. @throws Problem: fields (422) */
function refuseLostParts(before: MachineDefinition, after: MachineDefinition): void {
  before.parts.forEach(({ key, kind }, i) => {
    if (after.parts[i]?.key !== key || after.parts[i].kind !== kind)
      throw fieldProblem('content.parts', 'field.partsStay');
  });
}

/**
 * Defines a machine, or changes one. Of one that stands in homes parts may be added and reworded; none goes away.
 * What it is given was checked before (`prepareDefined`).
 * @throws Problem: fields (422), definitionChanged, machineInWork, nameTaken (409)
 */
export async function saveDefined(
  call: Call,
  { id, content, basedOn }: SaveDefined,
): Promise<{ id: string; key: string }> {
  const { db, actor, now } = call;
  const { organisationId } = actor;
  const rows = await db.definedMachine.all({ organisationId });
  if (rows.some((row) => row.id !== id && taught(row).definition.name.toLowerCase() === content.name.toLowerCase()))
    throw new Problem(409, 'nameTaken', { name: content.name });
  const before = rows.find((row) => row.id === id);
  if ((before?.version ?? 0) !== basedOn) throw new Problem(409, 'definitionChanged');
  const changed = { content: JSON.stringify(content), changedAt: now, changedBy: actor.personId };
  if (!before) {
    const numbers = await db.definedMachine.all({}, { order: [['number', 'DESC']], limit: 1 });
    const row = {
      id,
      organisationId,
      key: `own${id.replaceAll('-', '').slice(-8)}`,
      number: (numbers[0]?.number ?? 0) + 1,
      version: 1,
      ...changed,
    };
    await db.definedMachine.insert(row);
    teachMachine(taught(row));
    return { id, key: row.key };
  }
  const machines = await db.machine.all({ organisationId, type: before.key });
  if (machines.length > 0) refuseLostParts(taught(before).definition, content);
  const working = await db.job.count({ machineId: machines.map((it) => it.id), state: ['started', 'awaitingTest'] });
  if (working > 0) throw new Problem(409, 'machineInWork');
  const row = { ...before, ...changed, version: before.version + 1 };
  await db.definedMachine.update({ id }, { ...changed, version: row.version });
  teachMachine(taught(row));
  try {
    await bringAlong(call, machines);
  } catch (error) {
    // What is not written is not taught either.
    teachMachine(taught(before));
    throw error;
  }
  return { id, key: row.key };
}

/** Gives machines the parts that their definition has gained, and draws all their lines anew. */
async function bringAlong({ env, db, now }: Call, machines: readonly Row<'machine'>[]): Promise<void> {
  for (const machine of machines) {
    const known = await db.point.all({ machineId: machine.id });
    if (machine.retiredDay === null) await addPoints(env, db, machine, missingParts(machine, known), now);
    await recompute(
      db,
      known.map((it) => it.id),
      now,
    );
  }
}

async function findDefined({ db, actor: { organisationId } }: Call, id: string): Promise<Row<'definedMachine'>> {
  const row = await db.definedMachine.one({ id, organisationId });
  if (!row) throw notFound();
  return row;
}

/** A definition as the file in which it is shared. */
export async function readDefinitionFile(call: Call, id: string): Promise<DefinitionFile> {
  return { format: FILE_FORMAT, version: 1, machine: taught(await findDefined(call, id)).definition };
}

/** Removes a definition that no machine has ever had. @throws Problem: notFound (404), inUse (409) */
export async function removeDefined(call: Call, id: string): Promise<object> {
  const { db } = call;
  const { key, organisationId } = await findDefined(call, id);
  if ((await db.machine.count({ organisationId, type: key })) > 0)
    throw new Problem(409, 'inUse', { names: definedMachine(key)!.definition.name });
  await db.definedMachine.remove({ id });
  forgetMachine(key);
  return {};
}
