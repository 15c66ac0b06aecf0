/** What a label opens: a machine wherever it stands now, for whoever may see it. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import { WORK } from '../../contract/due/due.ts';
import type { MachineAnswer } from '../../contract/pages/machine.ts';
import { dueWords } from '../words/dueWords.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { listFaults } from '../faults/faults.ts';
import { seriesOf } from '../faults/readings.ts';
import { reportableMachine } from '../words/reportable.ts';
import { summarise } from './job.ts';
import { mayDo } from '../jobs/unplanned.ts';
import { machineName } from '../lookup/names.ts';
import { labelledMachine } from '../lookup/visible.ts';
import { markDates } from '../lookup/markDates.ts';

/** A machine as the scan of its label shows it, for whoever scans. */
export async function readMachine(call: Call, number: string): Promise<MachineAnswer> {
  const {
    db,
    actor,
    now,
    env: { say },
  } = call;
  const machine = await labelledMachine(call, number);
  const place = (await db.place.one({ id: machine.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const today = dayOfInstant(now, property.zone);
  const points = await db.point.all({ machineId: machine.id }, { order: [['number', 'ASC']] });
  const marks = await db.mark.all({ pointId: points.map(({ id }) => id) });
  const levels = new Map(
    (
      await readHistories(
        db,
        points.map(({ id }) => id),
        now,
      )
    ).map(({ point, procedure }) => [point.id, procedure]),
  );
  const jobs = await db.job.all({ machineId: machine.id, state: [...DOING_STATES] });
  const mine = jobs.find(({ assigneeId }) => assigneeId === actor.personId);
  // A machine that serves several homes shows each household its own.
  const shared = (await db.machineServes.count({ machineId: machine.id })) > 0;
  const own = new Set(
    (await db.fault.all({ machineId: machine.id, openedBy: actor.personId }, { columns: ['id'] })).map(({ id }) => id),
  );
  return {
    id: machine.id,
    number: machine.number,
    name: machineName(say, machine),
    maker: machine.maker,
    model: machine.model,
    retired: machine.retiredDay === null ? null : isoFromDay(machine.retiredDay),
    place: { id: place.id, name: place.name, property: property.name, today },
    points: points.flatMap((point) => {
      const mark = marks.find(({ pointId }) => pointId === point.id);
      const { kind, safetyCritical, key } = procedureOf(point.procedure);
      const { level } = levels.get(point.id)!;
      const taken = mark !== undefined && mark.work !== WORK.none && mark.work !== WORK.onHold;
      return mark
        ? [
            {
              number: point.number,
              name: say(`point.${key}`),
              kind,
              safetyCritical,
              mark: markDates(mark),
              scheduled: mark.scheduled === 1,
              due: mark.scheduled === 1 ? dueWords(say, [mark], today) : say('label.rides'),
              may: !taken && machine.retiredDay === null && mayDo(call, level),
            },
          ]
        : [];
    }),
    job: mine ? { id: mine.id, title: (await summarise(call, mine)).title } : null,
    othersJob: jobs.some(({ assigneeId }) => assigneeId !== actor.personId),
    faults: (await listFaults(call, { machineId: machine.id }))
      .filter(({ closedAt, id }) => closedAt === null && (isOffice(actor) || !shared || own.has(id)))
      // At a machine that serves several homes, who reported what is not the neighbours' to know.
      .map((fault) => (isOffice(actor) ? fault : { ...fault, openedBy: '', note: '', photoIds: [] })),
    reportable: reportableMachine(say, machine),
    series: isOffice(actor) ? await seriesOf(call, machine) : [],
  };
}
