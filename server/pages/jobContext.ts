/** A job with all that its pages show of it: machine, tasks, histories, marks. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { waitMinutes } from '../../core/catalogue/catalogue.ts';
import type { Agent, Procedure } from '../../core/catalogue/types.ts';
import type { JobSummary } from '../../contract/jobs/jobs.ts';
import type { EditionInForce } from '../lookup/editions.ts';
import { dueWords } from '../words/dueWords.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import type { Row } from '../store/tables.ts';
import { markDates } from '../lookup/markDates.ts';

export interface JobContext {
  readonly job: Row<'job'>;
  readonly machine: Row<'machine'>;
  readonly property: Row<'property'>;
  readonly tasks: readonly (Row<'task'> & {
    readonly point: Row<'point'>;
    readonly procedure: Procedure;
    readonly turn: Agent | null;
    readonly edition: EditionInForce | null;
    readonly mark: Row<'mark'>;
  })[];
  readonly summary: JobSummary;
}

const NO_MARK: Row<'mark'> = {
  pointId: '',
  organisationId: '',
  placeId: '',
  number: 0,
  type: 0,
  servedDay: 0,
  intervalDays: 0,
  capSlack: 0,
  work: 0,
  evidence: null,
  lineId: null,
  scheduled: 0,
  redrawAt: null,
};

/** What a task is to be done again looks like the first time: only those not yet accepted or waiting. */
const sum = (numbers: readonly number[]) => numbers.reduce((total, it) => total + it, 0);

export const outstanding = ({ state }: { state: string }) => state === 'outstanding';

/** Reads what the pages of a job show of it. */
export async function describe({ db, env: { say }, now }: Call, job: Row<'job'>): Promise<JobContext> {
  const [machine, place, rows] = await Promise.all([
    db.machine.one({ id: job.machineId }),
    db.place.one({ id: job.placeId }),
    db.task.all({ jobId: job.id }, { order: [['id', 'ASC']] }),
  ]);
  const property = (await db.property.one({ id: place!.propertyId }))!;
  const ids = rows.map(({ pointId }) => pointId);
  const [points, marks, histories] = await Promise.all([
    db.point.all({ id: ids }),
    db.mark.all({ pointId: ids }),
    readHistories(db, ids, now),
  ]);
  const tasks = rows
    .filter(({ state }) => state !== 'dropped')
    .map((task) => {
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
    machine: machineName(say, machine!),
    placeId: place!.id,
    place: place!.name,
    property: property.name,
    listId: job.listId,
    state: job.state,
    stateSays: say(`job.${job.state}`),
    revision: job.revision,
    minutes: sum(current.map(({ procedure }) => procedure.minutes)),
    waitMinutes: sum(current.map(({ procedure }) => waitMinutes(procedure))),
    why: first ? say(`why.${first.procedure.key}`) : '',
    due: dueWords(
      say,
      dated.map(({ mark }) => mark),
      today,
    ),
    today,
    marks: dated.map(({ mark, procedure }) => ({
      ...markDates(mark),
      kind: procedure.kind,
      safetyCritical: procedure.safetyCritical,
      name: say(`point.${procedure.key}`),
    })),
    sentBack: current.find(({ sentBack }) => sentBack)?.sentBack ?? null,
    doneDay: null,
  };
  return { job, machine: machine!, property, tasks, summary };
}
