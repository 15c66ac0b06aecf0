/** Procedures in words, and a manager's own editions of them. */
import {
  changesBetween,
  checkEdition,
  editionOf,
  type Edition,
  type EditionChange,
} from '../../core/catalogue/edition.ts';
import { proceduresOf, procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import type { Translator } from '../language/translator.ts';
import { inForce, factsOf } from '../store/facts.ts';
import type { EditionSummary, SaveEdition, TakeOurs } from '../../contract/catalogue/editions.ts';
import { namesOf } from '../lookup/find.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import type { Row } from '../store/tables.ts';
import { firstZone } from '../lookup/zone.ts';

/** Ours, as the methods of the organisation make it. */
export async function oursOf(call: Call, key: string): Promise<Procedure> {
  const { organisationId } = call.actor;
  if (!proceduresOf(organisationId).some((it) => it.key === key)) throw notFound();
  const { today } = await firstZone(call);
  return procedureOf(key, inForce(await factsOf(call.db, [organisationId], 'methods'), today)?.value ?? {});
}

export const editionsOf = ({ db, actor: { organisationId } }: Call, procedure: string) =>
  db.edition.all({ organisationId, procedure }, { order: [['number', 'ASC']] });

const contentOf = ({ content }: Row<'edition'>, ours: Procedure): Edition =>
  content === null ? editionOf(ours) : (JSON.parse(content) as Edition);

/** The editions of a procedure, oldest first, each with what it changed. */
export async function summariesOf(
  { db, env: { say } }: Call,
  ours: Procedure,
  rows: readonly Row<'edition'>[],
): Promise<EditionSummary[]> {
  const last = rows.at(-1);
  const names = await namesOf(
    db,
    rows.map(({ createdBy }) => createdBy),
  );
  return rows.map((row, i): EditionSummary => ({
    number: row.number,
    at: row.createdAt,
    by: names.get(row.createdBy) ?? null,
    note: row.note,
    inForce: row === last,
    ours: row.content === null,
    changes:
      row.content === null
        ? [say('changed.ours')]
        : changeWords(
            say,
            changesBetween(i === 0 ? editionOf(ours) : contentOf(rows[i - 1]!, ours), contentOf(row, ours)),
          ),
  }));
}

const changeWords = (say: Translator, changes: readonly EditionChange[]): string[] =>
  changes.length === 0
    ? [say('changed.nothing')]
    : changes.map(({ key, values, step }) =>
        say.text(`changed.${key}`, { ...values, ...(step && { title: titleOf(say, step) }) }),
      );

const titleOf = (say: Translator, step: string) => (say.has(`${step}.title`) ? say(`${step}.title`) : step);

/** The latest number; another one by now than the form was opened on is a conflict that says what was changed. */
async function refuseStale(call: Call, key: string, basedOn: number): Promise<number> {
  const {
    env: { say },
  } = call;
  const rows = await editionsOf(call, key);
  const last = rows.at(-1);
  const current = last?.content ? last.number : 0;
  if (current !== basedOn) {
    const summaries = await summariesOf(call, await oursOf(call, key), rows);
    const { by, changes } = summaries.at(-1) ?? { by: null, changes: [] };
    throw new Problem(409, 'editionChanged', { by: by ?? '', what: changes.join('; ') || say('changed.nothing') });
  }
  return (last?.number ?? 0) + 1;
}

async function append(
  call: Call,
  procedure: Procedure,
  number: number,
  content: Edition | null,
  note: string,
): Promise<{ number: number }> {
  const { env, db, actor, now } = call;
  await db.edition.insert({
    id: env.newId(),
    organisationId: actor.organisationId,
    procedure: procedure.key,
    number,
    ours: procedure.version,
    content: content && JSON.stringify(content),
    note,
    createdAt: now,
    createdBy: actor.personId,
  });
  return { number };
}

/**
 * Saves the office’s own wording of a procedure as its next edition; jobs begun keep theirs.
 * @throws Problem: edition (422)
 */
export async function saveEdition(
  call: Call,
  key: string,
  { content, note, basedOn }: SaveEdition,
): Promise<{ number: number }> {
  const {
    env: { say },
  } = call;
  const ours = await oursOf(call, key);
  const [problem] = checkEdition(ours, content, (step) => say.has(`${step}.caution`));
  if (problem) {
    const { agents, step } = problem;
    throw new Problem(422, 'edition', {
      says: say.text(`edition.${problem.key}`, {
        ...(step && { title: titleOf(say, step) }),
        ...(agents && {
          one: say(`agent.${agents.one}`),
          other: say(`agent.${agents.other}`),
          reason: say.text(agents.reason),
        }),
      }),
    });
  }
  return append(call, ours, await refuseStale(call, key, basedOn), content, note);
}

/** Takes ours up again; the editions before stay on record. */
export async function takeOurs(call: Call, key: string, { note, basedOn }: TakeOurs): Promise<{ number: number }> {
  const ours = await oursOf(call, key);
  if (basedOn === 0) throw new Problem(409, 'oursAlready');
  return append(call, ours, await refuseStale(call, key, basedOn), null, note);
}
