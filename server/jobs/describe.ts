/** Jobs as their doers see them: a summary for a list, and the steps of the sitting. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { FINDS, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { ownStepKey } from '../../core/catalogue/edition.ts';
import { mustNotMeet } from '../../core/catalogue/hazards.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import type { Agent, Need, Procedure, ReadingNeed } from '../../core/catalogue/types.ts';
import { GRADES } from '../../core/due/grades.ts';
import { materialWords, stepAmounts, type Extent } from '../../core/jobs/amounts.ts';
import { mergeSteps, type SittingStep } from '../../core/jobs/sitting.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { Speaker, Values } from '../../core/language/message.ts';
import { rodsFor, ROD_MM } from '../../core/measure/ductRun.ts';
import { enteredIn, enteredOf } from '../../core/quantities/entered.ts';
import { MM_PER_FOOT, type UnitSystem } from '../../core/quantities/units.ts';
import type { Specification } from '../../contract/register.ts';
import type { JobAnswer, JobStep, JobSummary, StepNeed } from '../../contract/jobs.ts';
import type { EditionInForce } from '../catalogue/inForce.ts';
import { dueWords } from '../due/dueWords.ts';
import { readHistories } from '../due/history.ts';
import { markDates } from '../due/point.ts';
import type { Call } from '../env.ts';
import { reportableMachine } from '../faults/reportable.ts';
import { tellFindings } from '../proof/findings.ts';
import { machineName } from '../register/names.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { zoneOfPlace } from '../register/zone.ts';
import { usedOnBranch } from './branch.ts';
import { findJob } from './jobs.ts';

interface Described {
  readonly job: Row<'job'>;
  readonly machine: Row<'machine'>;
  readonly property: Row<'property'>;
  readonly tasks: readonly (Row<'task'> & { readonly point: Row<'point'>; readonly procedure: Procedure; readonly turn: Agent | null; readonly edition: EditionInForce | null; readonly mark: Row<'mark'> })[];
  readonly summary: JobSummary;
}

const NO_MARK: Row<'mark'> = { pointId: '', organisationId: '', placeId: '', number: 0, type: 0, servedDay: 0, intervalDays: 0, capSlack: 0, work: 0, evidence: null, lineId: null, scheduled: 0 };

/** What a task is to be done again looks like the first time: only those not yet accepted or waiting. */
const outstanding = ({ state }: { state: string }) => state === 'outstanding';

export async function summarise(call: Call, job: Row<'job'>): Promise<JobSummary> {
  return (await describe(call, job)).summary;
}

async function describe({ db, env: { say }, now }: Call, job: Row<'job'>): Promise<Described> {
  const [machine, place, rows] = await Promise.all([
    db.machine.one({ id: job.machineId }), db.place.one({ id: job.placeId }), db.task.all({ jobId: job.id }, { order: [['id', 'ASC']] }),
  ]);
  const property = (await db.property.one({ id: place!.propertyId }))!;
  const ids = rows.map(({ pointId }) => pointId);
  const [points, marks, histories] = await Promise.all([db.point.all({ id: ids }), db.mark.all({ pointId: ids }), readHistories(db, ids, now)]);
  const tasks = rows.filter(({ state }) => state !== 'dropped').map((task) => {
    const point = points.find(({ id }) => id === task.pointId)!;
    const { procedure, turn, edition } = histories.find((it) => it.point.id === point.id)!;
    // A retired machine has no mark left; its job is over too.
    const mark = marks.find(({ pointId }) => pointId === point.id) ?? { ...NO_MARK, pointId: point.id };
    return { ...task, point, procedure, turn, edition, mark };
  });
  const open = tasks.some(outstanding) ? tasks.filter(outstanding) : tasks;
  // What rides along has no date of its own: the job is named and dated by what has.
  const current = open.toSorted((a, b) => b.mark.scheduled - a.mark.scheduled);
  const scheduled = current.filter(({ mark }) => mark.scheduled === 1);
  const dated = scheduled.length > 0 ? scheduled : current;
  const first = current[0];
  const today = dayOfInstant(now, property.zone);
  const title = first ? say(`task.${first.procedure.key}`) : say(`job.${job.state}`);
  const summary: JobSummary = {
    id: job.id,
    title: current.length > 1 ? say('job.title.several', { task: title, more: current.length - 1 }) : title,
    machine: machineName(say, machine!), placeId: place!.id, place: place!.name, property: property.name,
    state: job.state, stateSays: say(`job.${job.state}`), revision: job.revision,
    minutes: sum(current.map(({ procedure }) => procedure.minutes)),
    waitMinutes: sum(current.map(({ procedure }) => waitMinutes(procedure))),
    why: first ? say(`why.${first.procedure.key}`) : '',
    due: dueWords(say, dated.map(({ mark }) => mark), today),
    today,
    marks: dated.map(({ mark, procedure }) => ({ ...markDates(mark), kind: procedure.kind, safetyCritical: procedure.safetyCritical, name: say(`point.${procedure.key}`) })),
    sentBack: current.find(({ sentBack }) => sentBack)?.sentBack ?? null,
    doneDay: null,
  };
  return { job, machine: machine!, property, tasks, summary };
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, it) => total + it, 0);

export async function readJob(call: Call, id: string): Promise<JobAnswer> {
  const { db, env: { say }, actor } = call;
  const { job, machine, property, tasks, summary } = await describe(call, await findJob(call, id));
  const current = tasks.filter(outstanding);
  const procedures = current.map(({ procedure }) => procedure);
  const specifications = await factsOf(db, tasks.map(({ pointId }) => pointId), 'specification');
  const specificationOf = (pointId: string): Specification => specifications.findLast(({ subjectId }) => subjectId === pointId)?.value ?? {};
  const units = call.units ?? 'metric';
  const extentOf = (pointId: string): Extent => ({ drains: specificationOf(pointId).drainCount });
  const kit = new Set(current.flatMap(({ procedure: it, edition, pointId }) => [
    ...it.kit.filter((item) => item !== 'ductBrush' || !specificationOf(pointId).duct).map((item) => say(`kit.${item}`)), ...rodWords(say, it, specificationOf(pointId), units),
    ...it.materials.map((material) => materialWords(say, material, extentOf(pointId), units)), ...edition?.content.kit ?? [],
  ]));
  const blocked = await agentsAgainst(call, machine.id);
  const runs = await runMinutesOf(call, current.map(({ pointId }) => pointId), machine);
  return {
    ...summary,
    assigneeId: job.assigneeId, mine: job.assigneeId === actor.personId, zone: property.zone,
    stops: [...new Set([...current.flatMap(({ edition }) => edition?.content.cautions ?? []), ...procedures.flatMap(({ stops }) => stops).filter((stop) => stopApplies(stop, machine.fuel)).map((stop) => say(`stop.${stop}`))])],
    mistakes: [...new Set(procedures.map(({ key }) => say(`mistakes.${key}`)))],
    kit: [...kit], machineNumber: machine.number,
    reportable: reportableMachine(say, machine),
    tasks: await Promise.all(tasks.map(async (task) => {
      const { filterSize, position, note } = specificationOf(task.pointId);
      return {
        id: task.id, pointId: task.pointId, pointNumber: task.point.number, name: say(`point.${task.procedure.key}`), kind: task.procedure.kind, procedure: task.procedure.key,
        state: task.state, sentBack: task.sentBack,
        findings: task.sentBack ? await toldFindings(call, task.id) : [],
        expected: [filterSize && say('expect.filterSize', { size: filterSize }), position && say('position.is', { position }), note].filter(Boolean).join(' · ') || null,
      };
    })),
    steps: mergeSteps(procedures).map((step) => {
      const first = current.find(({ procedure }) => step.procedures.includes(procedure.key))!;
      const amounts = stepAmounts(say, first.procedure, extentOf(first.pointId), units);
      return describeStep(say, step, { tasks: current, shutoffPhotoId: machine.shutoffPhotoId, amounts, blocked, units, runMinutes: runs.get(first.pointId) ?? null });
    }),
  };
}

/** The brush with as many rods as the run is long, where it was entered. */
function rodWords(say: Speaker, { kit }: Procedure, { duct }: Specification, units: UnitSystem): string[] {
  if (!duct || !kit.includes('ductBrush')) return [];
  const length = (mm: number) => (units === 'us' ? say('amount.feet', { feet: Math.round((mm / MM_PER_FOOT) * 10) / 10 }) : say('amount.metres', { metres: Math.round(mm / 100) / 10 }));
  return [say('kit.ductBrush.alone'), say('kit.rods', { rods: rodsFor(duct), length: length(ROD_MM), run: length(duct.straightMm) })];
}

/** How long the cycle of a point runs: as entered for it, or for another machine of this maker and model. */
async function runMinutesOf({ db, actor: { organisationId } }: Call, pointIds: readonly string[], { maker, model, type }: Row<'machine'>): Promise<Map<string, number>> {
  const own = await db.point.all({ id: [...pointIds] });
  const alike = model === '' ? [] : await db.machine.all({ organisationId, type, maker, model }, { columns: ['id'] });
  const others = alike.length === 0 ? [] : await db.point.all({ machineId: alike.map(({ id }) => id), procedure: own.map(({ procedure }) => procedure) });
  const facts = await factsOf(db, [...pointIds, ...others.map(({ id }) => id)], 'specification');
  const minutesOf = (id: string) => facts.findLast(({ subjectId }) => subjectId === id)?.value.runMinutes ?? null;
  return new Map(own.flatMap(({ id, procedure }): [string, number][] => {
    const minutes = minutesOf(id) ?? others.filter((it) => it.procedure === procedure).map((it) => minutesOf(it.id)).find((it) => it !== null);
    return minutes == null ? [] : [[id, minutes]];
  }));
}

/** Agents that went down this machine's branch today: what must not meet them is not offered. */
async function agentsAgainst({ db, now }: Call, machineId: string): Promise<Agent[]> {
  const machine = (await db.machine.one({ id: machineId }))!;
  return (await usedOnBranch(db, machineId, dayOfInstant(now, await zoneOfPlace(db, machine.placeId)))).map(({ agent }) => agent);
}

/** Cautions for gas are for gas. */
function stopApplies(stop: string, fuel: string): boolean {
  return !stop.startsWith('gas') || fuel === 'gas';
}

async function toldFindings({ db, env: { say } }: Call, taskId: string): Promise<string[]> {
  const record = (await db.record.all({ taskId }, { order: [['doneAt', 'DESC']], limit: 1 }))[0];
  const proof = record && await db.proof.one({ recordId: record.id });
  return proof ? tellFindings(say, record!, proof).filter(({ weight }) => weight !== 'fine').map(({ tells }) => tells) : [];
}

interface StepContext {
  readonly tasks: Described['tasks'];
  readonly shutoffPhotoId: string | null;
  readonly amounts: Values;
  readonly blocked: readonly Agent[];
  readonly runMinutes: number | null;
  readonly units: UnitSystem;
}

function describeStep(say: Speaker, step: SittingStep, { tasks, shutoffPhotoId, amounts, blocked, runMinutes, units }: StepContext): JobStep {
  const mine = tasks.filter(({ procedure }) => step.procedures.includes(procedure.key));
  const [first] = mine;
  const own = ownWords(first!, step.text);
  const ours = (part: 'title' | 'body' | 'caution' | 'button') => (say.has(`${step.text}.${part}`) ? say(`${step.text}.${part}`, amounts) : null);
  const drawing = illustrationOf(step.text);
  return {
    key: step.text, phase: step.phase,
    title: own?.title || ours('title') || '', body: own?.body || ours('body') || '', caution: [own?.caution, ours('caution')].filter(Boolean).join(' ') || null, button: ours('button'),
    illustration: drawing ? { key: drawing, says: say(`illustration.${drawing}`) } : null,
    taskIds: mine.map(({ id }) => id),
    taskName: mine.length === 1 && tasks.length > 1 ? say(`point.${first!.procedure.key}`) : null,
    needs: step.needs.map((need) => describeNeed(say, fitted(need, first!.turn, blocked, runMinutes), first!.procedure.key, units)),
    shutoffPhotoId: step.phase === 'isolate' ? shutoffPhotoId : null,
  };
}

/** The words of a step in the manager's own edition. */
function ownWords({ edition, procedure }: Described['tasks'][number], text: string) {
  return edition?.content.steps.find((it, i) => (it.ours ?? ownStepKey(procedure.key, i)) === text);
}

/** A need as it is asked today: the agent whose turn it is, none that must not meet what the drains saw, the model's own running time. */
function fitted(need: Need, turn: Agent | null, blocked: readonly Agent[], runMinutes: number | null): Need {
  if (need.kind === 'timer') return runMinutes !== null && need.minutes >= RUN_FROM_MINUTES ? { ...need, minutes: runMinutes } : need;
  if (need.kind !== 'agent') return need;
  const may = (agent: Agent) => !blocked.some((it) => mustNotMeet(agent, it));
  const choices = turn && may(turn) ? [turn] : need.choices.filter(may);
  return { ...need, choices: choices.length > 0 ? choices : need.choices };
}

/** A timer of so many minutes is a machine's run, not a soak. */
const RUN_FROM_MINUTES = 60;

function describeReading(say: Speaker, { unit: kept, pass, plausible }: ReadingNeed, units: UnitSystem): StepNeed['reading'] {
  const entered = enteredIn(kept, units);
  const unit = say(`unit.${entered.unit}`);
  const range = ([from, to]: readonly [number, number]) => ({ from: enteredOf(from, entered), to: enteredOf(to, entered), unit });
  return { unit, factor: entered.factor, offset: entered.offset, wanted: say('reading.wanted', range(pass)), likely: say('reading.likely', range(plausible)) };
}

function describeNeed(say: Speaker, need: Need, procedure: string, units: UnitSystem): StepNeed {
  const choices = need.kind === 'grade' ? GRADES.map((value) => ({ value, label: say(`grade.${value}`) }))
    : need.kind === 'finds' ? FINDS.map((value) => ({ value, label: say(`find.${value}`) }))
    : need.kind === 'agent' ? need.choices.map((value) => ({ value, label: say(`agent.${value}`) })) : [];
  const reading = need.kind === 'reading' ? need : null;
  return {
    need, choices, label: needLabel(say, need, procedure),
    help: reading && say(`reading.${reading.key}.fails`), reading: reading && describeReading(say, reading, units),
  };
}

/** What a need is called, on the step and in findings. */
export function needLabel(say: Speaker, need: Pick<Need, 'kind' | 'key'>, procedure: string): string {
  switch (need.kind) {
    case 'confirm': return say(`confirm.${procedure}.${need.key}`);
    case 'photo': return say(`photo.${procedure}.${need.key}`);
    case 'reading': return say(`reading.${need.key}`);
    case 'grade': return say(`item.grade.${need.key}`);
    case 'agent': case 'size': return say(`item.${need.kind}`);
    default: return '';
  }
}

/** The jobs a person has in hand, most urgent first. */
export async function jobsInHand(call: Call): Promise<JobSummary[]> {
  const { db, actor } = call;
  const jobs = await db.job.all({ assigneeId: actor.personId, organisationId: actor.organisationId, state: [...DOING_STATES] }, { order: [['givenAt', 'ASC']] });
  const summaries = await Promise.all(jobs.map((job) => summarise(call, job)));
  return summaries.sort((a, b) => lateness(b) - lateness(a));
}

function lateness({ marks, today }: JobSummary): number {
  return Math.max(...marks.map(({ servedDay, intervalDays }) => (servedDay ? (today - servedDay) / Math.max(1, intervalDays) : 1)));
}

/** Jobs sent lately by a person, newest first. */
export async function doneLately(call: Call): Promise<{ id: string; says: string; day: string; verdict: string }[]> {
  const { db, actor, env: { say } } = call;
  const records = await db.record.all({ personId: actor.personId }, { order: [['doneAt', 'DESC']], limit: 6 });
  const proofs = new Map((await db.proof.all({ recordId: records.map(({ id }) => id) })).map((proof) => [proof.recordId, proof]));
  const points = new Map((await db.point.all({ id: records.map(({ pointId }) => pointId) })).map((point) => [point.id, point]));
  return records.map(({ id, pointId, doneDay }) => ({
    id, says: say(`task.${points.get(pointId)!.procedure}`), day: isoFromDay(doneDay), verdict: say(`verdict.${proofs.get(id)!.state}`),
  }));
}
