/** Procedures in words, and a manager's own editions of them. */
import {
  carriedOver,
  changesBetween,
  checkEdition,
  editionOf,
  mustStay,
  ownStepKey,
  withEdition,
  type Edition,
  type EditionChange,
} from '../../core/catalogue/edition.ts';
import { procedureOf, procedures, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import { machineTypes } from '../../core/catalogue/machines.ts';
import type { Need, Procedure, Step } from '../../core/catalogue/types.ts';
import { stepsOfAct } from '../../core/jobs/gone.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { agentWords, materialWords, stepAmounts } from '../../core/jobs/amounts.ts';
import type { Speaker } from '../../core/language/message.ts';
import { inForce, factsOf } from '../store/facts.ts';
import type { EditionSummary, ProcedureAnswer, ProcedureStep, SaveEdition, TakeOurs } from '../../contract/editions.ts';
import { namesOf } from '../due/find.ts';
import type { Call } from '../env.ts';
import { notFound, Problem } from '../http/problem.ts';
import { sittingOn, stateLines } from '../jobs/jobSitting.ts';
import { describeChange, needLabel } from '../jobs/steps.ts';
import { firstZone } from '../register/table.ts';
import type { Row } from '../store/tables.ts';

/** Ours, as the methods of the organisation make it. */
async function oursOf(call: Call, key: string): Promise<Procedure> {
  if (!procedures.has(key)) throw notFound();
  const { organisationId } = call.actor;
  const { today } = await firstZone(call);
  return procedureOf(key, inForce(await factsOf(call.db, [organisationId], 'methods'), today)?.value ?? {});
}

const editionsOf = ({ db, actor: { organisationId } }: Call, procedure: string) =>
  db.edition.all({ organisationId, procedure }, { order: [['number', 'ASC']] });

const contentOf = ({ content }: Row<'edition'>, ours: Procedure): Edition =>
  content === null ? editionOf(ours) : (JSON.parse(content) as Edition);

export async function readProcedure(call: Call, key: string): Promise<ProcedureAnswer> {
  const {
    env: { say },
    db,
  } = call;
  const ours = await oursOf(call, key);
  const rows = await editionsOf(call, key);
  const last = rows.at(-1);
  const own = last?.content ? carriedOver(ours, JSON.parse(last.content) as Edition) : null;
  const now = withEdition(ours, own);
  const names = await namesOf(
    db,
    rows.map(({ createdBy }) => createdBy),
  );
  const units = call.units ?? 'metric';
  const summaries = rows.map((row, i): EditionSummary => ({
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
  return {
    key,
    name: say(`point.${key}`),
    task: say(`task.${key}`),
    why: say(`why.${key}`),
    mistakes: say(`mistakes.${key}`),
    kind: ours.kind,
    machines: [...machineTypes.values()]
      .filter(({ points }) => points.includes(key))
      .map((type) => say(`machine.${type.key}`)),
    level: now.level,
    levelSays: say(`level.${now.level}`),
    ourLevel: ours.level,
    minutes: now.minutes,
    waitMinutes: waitMinutes(now),
    days: ours.days,
    assumed: ours.assumed,
    signalled: ours.signalled ?? [],
    stops: [...(own?.cautions ?? []), ...ours.stops.map((stop) => say(`stop.${stop}`))],
    kit: [
      ...ours.kit.map((item) => say(`kit.${item}`)),
      ...ours.materials.map((material) => materialWords(say, material, {}, units)),
      ...(own?.kit ?? []),
    ],
    agents: [
      ...new Set(
        now.steps.flatMap(({ needs }) => needs.flatMap((need) => (need.kind === 'agent' ? need.choices : []))),
      ),
    ],
    steps: flowWords(call, now, ours, own),
    ourSteps: flowWords(call, ours, ours, null),
    version: ours.version,
    number: own ? last!.number : 0,
    content: own ?? editionOf(ours),
    editions: [
      { number: 0, at: null, by: null, note: '', changes: [], inForce: own === null, ours: true },
      ...summaries.map((it) => ({ ...it, inForce: it.inForce && own !== null })),
    ],
    improved: own !== null && last!.ours < ours.version,
  };
}

/** The procedure as it is gone through by itself, with what is isolated for it and put back. */
function flowWords(call: Call, now: Procedure, ours: Procedure, own: Edition | null): ProcedureStep[] {
  const {
    env: { say },
  } = call;
  const type = [...machineTypes.values()].find(({ points }) => points.includes(now.key))!;
  const task = { id: '', steps: now.steps, minutes: now.minutes };
  const sitting = sittingOn({ type: type.key, fuel: type.fuels[0]! }, [task]);
  const { steps } = planSitting(sitting, { found: now.steps.flatMap(({ when }) => when ?? []) });
  const lines = stateLines(say, sitting, steps);
  return steps.map((planned, i) => {
    if (!planned.change)
      return { ...stepWords(call, stepsOfAct([task], planned)[0]!.step, ours, own), stateSays: lines[i]! };
    const { title, body, caution, phase, needs } = describeChange(say, planned.change, null);
    return {
      key: planned.key,
      phase,
      title,
      body,
      caution,
      asks: needs.map(({ label }) => label),
      waitMinutes: 0,
      illustration: null,
      stays: true,
      own: false,
      stateSays: lines[i]!,
    };
  });
}

function stepWords(
  { env: { say }, units }: Call,
  step: Step,
  ours: Procedure,
  own: Edition | null,
): Omit<ProcedureStep, 'stateSays'> {
  const amounts = { ...stepAmounts(say, ours, {}, units ?? 'metric'), agents: agentWords(say, step) };
  const words = own?.steps.find((it, i) => (it.ours ?? ownStepKey(ours.key, i)) === step.text);
  const said = (part: string) => (say.has(`${step.text}.${part}`) ? say(`${step.text}.${part}`, amounts) : '');
  const drawing = illustrationOf(step.text);
  return {
    key: step.text,
    phase: step.phase,
    title: words?.title || said('title'),
    body: words?.body || said('body'),
    caution: [words?.caution, said('caution')].filter(Boolean).join(' ') || null,
    asks: step.needs.map((need) => askWords(say, need, ours.key)).filter(Boolean),
    waitMinutes: step.needs.reduce((sum, need) => sum + (need.kind === 'timer' ? need.minutes : 0), 0),
    illustration: drawing ? { key: drawing, says: say(`illustration.${drawing}`) } : null,
    stays: mustStay(step, said('caution') !== ''),
    own: !say.has(`${step.text}.title`),
  };
}

function askWords(say: Speaker, need: Need, procedure: string): string {
  if (need.kind === 'finds') return say('item.finds');
  if (need.kind === 'timer') return say('item.timer', { minutes: need.minutes });
  if (need.kind === 'reading' && need.judged) return needLabel(say, need, procedure);
  if (need.kind === 'reading')
    return say('item.reading', {
      name: needLabel(say, need, procedure),
      low: need.pass[0],
      high: need.pass[1],
      unit: say(`unit.${need.unit}`),
    });
  return needLabel(say, need, procedure);
}

const changeWords = (say: Speaker, changes: readonly EditionChange[]): string[] =>
  changes.length === 0
    ? [say('changed.nothing')]
    : changes.map(({ key, values, step }) =>
        say(`changed.${key}`, { ...values, ...(step && { title: titleOf(say, step) }) }),
      );

const titleOf = (say: Speaker, step: string) => (say.has(`${step}.title`) ? say(`${step}.title`) : step);

/** The latest number; another one by now than the form was opened on is a conflict that says what was changed. */
async function refuseStale(call: Call, key: string, basedOn: number): Promise<number> {
  const {
    env: { say },
  } = call;
  const rows = await editionsOf(call, key);
  const last = rows.at(-1);
  const current = last?.content ? last.number : 0;
  if (current !== basedOn) {
    const { editions } = await readProcedure(call, key);
    const { by, changes } = editions.at(-1)!;
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
      says: say(`edition.${problem.key}`, {
        ...(step && { title: titleOf(say, step) }),
        ...(agents && {
          one: say(`agent.${agents.one}`),
          other: say(`agent.${agents.other}`),
          reason: say(agents.reason),
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
