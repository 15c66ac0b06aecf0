/** Jobs as their doers see them: a summary for a list, and the steps of the sitting. */
import { entryFor } from '../jobs/entry.ts';
import { dayOfInstant } from '../../core/calendar/day.ts';
import { certainAgents } from '../../core/catalogue/chemistry.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import { materialWords, stepAmounts, type Extent } from '../../core/jobs/amounts.ts';
import { stepsOfAct } from '../../core/jobs/gone.ts';
import { planSitting, REST } from '../../core/jobs/plan.ts';
import type { Act } from '../../core/jobs/sitting.ts';
import { type UnitSystem } from '../../core/quantities/units.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { JobAnswer, JobSummary } from '../../contract/jobs/jobs.ts';
import { placedStep } from '../../contract/jobs/steps.ts';
import type { Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { openAlarms } from '../faults/alarms.ts';
import { numbersOf } from '../notices/duty.ts';
import { reportableMachine } from '../words/reportable.ts';
import { tellFindings } from '../words/findings.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { usedOnBranch } from '../jobs/branch.ts';
import { runMinutesOf } from '../jobs/runMinutes.ts';
import { findJob } from '../jobs/jobs.ts';
import { beginningsOf, sittingOn, sittingTask, stateLines, stateWordsOf } from '../jobs/jobSitting.ts';
import { describeAct, describeChange, describeRest } from '../words/steps.ts';
import type { PlannedStep } from '../../core/jobs/plannedStep.ts';
import { carried, materialsInWords, rodWords, stopApplies } from './kitWords.ts';
import { type JobContext, outstanding, describe } from './jobContext.ts';

/** A job as a list shows it. */
export async function summarise(call: Call, job: Row<'job'>): Promise<JobSummary> {
  return (await describe(call, job)).summary;
}

/**
 * A job with its steps, for whoever does it.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readJob(call: Call, id: string): Promise<JobAnswer> {
  const {
    db,
    env: { say },
    actor,
  } = call;
  const { job, machine, property, tasks, summary } = await describe(call, await findJob(call, id));
  const current = tasks.filter(outstanding);
  const procedures = current.map(({ procedure }) => procedure);
  const specifications = await factsOf(
    db,
    tasks.map(({ pointId }) => pointId),
    'specification',
  );
  const specificationOf = (pointId: string): Specification =>
    specifications.findLast(({ subjectId }) => subjectId === pointId)?.value ?? {};
  const whereabouts = await factsOf(
    db,
    tasks.map(({ pointId }) => pointId),
    'whereabouts',
  );
  const units = call.units ?? 'metric';
  const extentOf = (pointId: string): Extent => ({ drains: specificationOf(pointId).drainCount });
  const blocked = await agentsAgainst(call, machine.id);
  const kit = new Set(
    current.flatMap(({ id, procedure: it, turn, edition, pointId }) => [
      ...it.kit
        .filter((item) => item !== 'ductBrush' || !specificationOf(pointId).duct)
        .map((item) => say(`kit.${item}`)),
      ...rodWords(say, it, specificationOf(pointId), units),
      ...materialsInWords(say, carried(it, turn, blocked, besideOf(current, id)), it, (material) =>
        materialWords(say, material, extentOf(pointId), units),
      ),
      ...(edition?.content.kit ?? []),
    ]),
  );
  // As its doer signs in: a manager who lives there has a tenant's rights by a tenant's link.
  const tenant =
    job.assigneeId === actor.personId
      ? !isOffice(actor) && actor.roles.includes('tenant')
      : job.assigneeId !== null &&
        (await db.roleGrant.count({ personId: job.assigneeId, role: ['staff', 'manager', 'contractor'] })) === 0;
  const runs = await runMinutesOf(
    call,
    current.map(({ pointId }) => pointId),
    machine,
  );
  return {
    ...summary,
    assigneeId: job.assigneeId,
    mine: job.assigneeId === actor.personId,
    zone: property.zone,
    stops: [
      ...new Set([
        ...current.flatMap(({ edition }) => edition?.content.cautions ?? []),
        ...procedures
          .flatMap(({ stops }) => stops)
          .filter((stop) => stopApplies(stop, machine.fuel))
          .map((stop) => say(`stop.${stop}`)),
      ]),
    ],
    mistakes: [...new Set(procedures.map(({ key }) => say(`mistakes.${key}`)))],
    kit: [...kit],
    machineNumber: machine.number,
    reportable: reportableMachine(say, machine),
    numbers: await numbersOf(db, property.id),
    entry: await entryFor(call, job),
    stopped: (await openAlarms(call, actor.organisationId, { machineId: machine.id }))[0] ?? null,
    tasks: await Promise.all(
      tasks.map(async (task) => {
        const { filterSize, position, note } = specificationOf(task.pointId);
        return {
          id: task.id,
          pointId: task.pointId,
          pointNumber: task.point.number,
          name: say(`point.${task.procedure.key}`),
          kind: task.procedure.kind,
          procedure: task.procedure.key,
          state: task.state,
          sentBack: task.sentBack,
          where: whereabouts.findLast(({ subjectId }) => subjectId === task.pointId)?.value.photoId ?? null,
          findings: task.sentBack ? await toldFindings(call, task.id) : [],
          expected:
            [
              filterSize && say('expect.filterSize', { size: filterSize }),
              position && say('position.is', { position }),
              note,
            ]
              .filter(Boolean)
              .join(' · ') || null,
        };
      }),
    ),
    ...describeSitting(call, machine, current, { specificationOf, units, blocked, runs, tenant }),
  };
}

interface Fittings {
  readonly specificationOf: (pointId: string) => Specification;
  readonly units: UnitSystem;
  readonly blocked: readonly Agent[];
  readonly tenant: boolean;
  /** Minutes that the cycle of a point runs. */
  readonly runs: ReadonlyMap<string, number>;
}

/** The sitting as it is planned now, and all that it may become. */
function describeSitting(
  { env: { say } }: Call,
  machine: Row<'machine'>,
  current: JobContext['tasks'],
  { specificationOf, units, blocked, runs, tenant }: Fittings,
): Pick<JobAnswer, 'steps' | 'others' | 'sitting' | 'stateWords' | 'beginnings'> {
  const tasks = current.map(({ id, procedure, turn, pointId }) =>
    sittingTask(id, procedure, {
      turn,
      blocked,
      beside: besideOf(current, id),
      runMinutes: runs.get(pointId) ?? null,
      tenant,
    }),
  );
  const sitting = sittingOn(machine, tasks);
  const plan = planSitting(sitting);
  const lines = stateLines(say, sitting, plan.steps);
  const ofAct = (act: Act) =>
    stepsOfAct(tasks, { act }).map(({ task, step }) => {
      const { procedure, edition, pointId } = current.find(({ id }) => id === task)!;
      return {
        taskId: task,
        step,
        procedure,
        edition,
        amounts: stepAmounts(say, procedure, { drains: specificationOf(pointId).drainCount }, units),
      };
    });
  const described = ({ act, change }: Pick<PlannedStep, 'act' | 'change'>) => {
    if (change) return describeChange(say, change, machine.shutoffPhotoId);
    return act!.key === REST
      ? describeRest(say, REST, act!.wait)
      : describeAct(say, act!.key, ofAct(act!), units, tasks.length > 1);
  };
  const steps = plan.steps.map((step, i) =>
    placedStep(described(step), { key: step.key, taskIds: step.tasks, state: step.state, stateSays: lines[i]! }),
  );
  const shown = new Set(steps.map(({ key }) => key));
  const rest = [
    ...sitting.acts.map((act) => ({ key: act.key, act, change: null })),
    ...sitting.changes.map((change) => ({ key: change.words, act: null, change })),
  ].filter(({ key }) => !shown.has(key));
  return {
    steps,
    others: rest.map(described),
    sitting,
    stateWords: stateWordsOf(say, sitting),
    beginnings: beginningsOf(say, sitting),
  };
}

/** Agents that the other tasks of a sitting surely use. */
const besideOf = (current: JobContext['tasks'], id: string): Agent[] =>
  current.filter((task) => task.id !== id).flatMap(({ procedure, turn }) => certainAgents(procedure, turn));

/** Agents that went down this machine's branch today: what must not meet them is not offered. */
async function agentsAgainst({ db, now }: Call, machineId: string): Promise<Agent[]> {
  const machine = (await db.machine.one({ id: machineId }))!;
  return (await usedOnBranch(db, machineId, dayOfInstant(now, await zoneOfPlace(db, machine.placeId)))).map(
    ({ agent }) => agent,
  );
}

async function toldFindings({ db, env: { say } }: Call, taskId: string): Promise<string[]> {
  const record = (await db.record.all({ taskId }, { order: [['doneAt', 'DESC']], limit: 1 }))[0];
  const proof = record && (await db.proof.one({ recordId: record.id }));
  return proof
    ? tellFindings(say, record!, proof)
        .filter(({ weight }) => weight !== 'fine')
        .map(({ tells }) => tells)
    : [];
}
