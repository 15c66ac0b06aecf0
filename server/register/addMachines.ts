/** Adding machines, one or hundreds: checked all, then written together, with one drawing of lines. */
import { dayFromIso, dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { registrable } from '../../core/catalogue/catalogue.ts';
import type { MachineSketch, Specification } from '../../contract/register/machines.ts';
import { recompute } from '../due/recompute.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { LastDone } from '../store/factValues.ts';
import type { Row } from '../store/tables.ts';

export type PlacedMachine = MachineSketch & {
  readonly id: string;
  readonly place: { readonly id: string; readonly zone: string };
  readonly shutoffPhotoId?: string | null;
  readonly platePhotoId?: string | null;
  /** In which condition it was found when it was last done, and by whom, where a table says so. */
  readonly found?: Grade | null;
  readonly by?: string;
};

/** Rows of one insert. */
const PART = 2000;

/** The least number above those in use. */
export async function nextNumber(call: Call, table: 'machine' | 'point'): Promise<number> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const last =
    table === 'machine'
      ? await db.machine.all({ organisationId }, { order: [['number', 'DESC']], limit: 1, columns: ['number'] })
      : await db.point.all({ organisationId }, { order: [['number', 'DESC']], limit: 1, columns: ['number'] });
  return (last[0]?.number ?? 0) + 1;
}

/** Inserts many rows a part at a time, so that others come in between. */
export async function inParts<T>(rows: readonly T[], insert: (part: readonly T[]) => Promise<void>): Promise<void> {
  const breathe = breather();
  for (let i = 0; i < rows.length; i += PART) {
    await insert(rows.slice(i, i + PART));
    await breathe();
  }
}

/** That something was last served on a day, as claimed. @throws Problem where the day has not come */
export function claimOf({ env, actor, now }: Call, subjectId: string, claim: LastDone, today: Day): Row<'fact'> {
  if (claim.day > today) throw fieldProblem('lastDone', 'field.future');
  return {
    id: env.newId(),
    organisationId: actor.organisationId,
    subjectId,
    name: 'lastDone',
    value: JSON.stringify(claim),
    fromDay: today,
    recordedAt: now,
    recordedBy: actor.personId,
  };
}

/** Machines as rows, with all that hangs on them. */
export interface MachineRows {
  readonly machines: readonly Row<'machine'>[];
  readonly points: readonly Row<'point'>[];
  readonly facts: readonly Row<'fact'>[];
}

/** Writes machines with their points, specifications and lines. Gives the numbers of their points. */
export async function addMachines(call: Call, machines: readonly PlacedMachine[]): Promise<number[]> {
  const rows = await machineRows(call, machines);
  await writeMachines(call, rows);
  return rows.points.map(({ number }) => number);
}

/** Machines checked and made into rows, their numbers following those in use; nothing is written. */
export async function machineRows(call: Call, machines: readonly PlacedMachine[]): Promise<MachineRows> {
  const { env, actor, now } = call;
  const { organisationId } = actor;
  const today = new Map(
    [...new Set(machines.map(({ place }) => place.zone))].map((zone) => [zone, dayOfInstant(now, zone)]),
  );
  let machineNumber = await nextNumber(call, 'machine');
  let pointNumber = await nextNumber(call, 'point');
  const rows: Row<'machine'>[] = [];
  const points: Row<'point'>[] = [];
  const facts: Row<'fact'>[] = [];
  const breathe = breather();
  for (const { place, specifications, installed, leftOut, lastDone, found, by, ...machine } of machines) {
    await breathe();
    const type = registrable(machine.type, organisationId);
    if (!type) throw fieldProblem('type', 'field.machineType');
    if (!type.fuels.includes(machine.fuel as 'gas')) throw fieldProblem('fuel', 'field.fuel');
    if (leftOut.some((procedure) => !type.points.includes(procedure)) || leftOut.length === type.points.length)
      throw fieldProblem('leftOut', 'field.leftOut');
    const installedDay = installed ? dayFromIso(installed) : null;
    if (installedDay !== null && installedDay > today.get(place.zone)!) throw fieldProblem('installed', 'field.future');
    if (lastDone) {
      const claim = { day: dayFromIso(lastDone), grade: found ?? null, by: by ?? '' };
      facts.push(claimOf(call, machine.id, claim, today.get(place.zone)!));
    }
    rows.push({
      id: machine.id,
      organisationId,
      placeId: place.id,
      type: type.key,
      label: machine.label,
      maker: machine.maker,
      model: machine.model,
      installedDay,
      fuel: machine.fuel,
      owner: machine.owner,
      drainBranch: machine.drainBranch,
      shutoffPhotoId: machine.shutoffPhotoId ?? null,
      platePhotoId: machine.platePhotoId ?? null,
      retiredDay: null,
      createdAt: now,
      number: machineNumber++,
      leftOut: JSON.stringify(leftOut),
      hardWired: machine.hardWired ? 1 : 0,
    });
    for (const procedure of type.points) {
      if (leftOut.includes(procedure)) continue;
      const id = env.newId();
      points.push({ id, organisationId, number: pointNumber++, machineId: machine.id, procedure, createdAt: now });
      const specification: Specification | undefined = specifications[procedure];
      if (specification)
        facts.push({
          id: env.newId(),
          organisationId,
          subjectId: id,
          name: 'specification',
          value: JSON.stringify(specification),
          fromDay: today.get(place.zone)!,
          recordedAt: now,
          recordedBy: actor.personId,
        });
    }
  }
  return { machines: rows, points, facts };
}

/** Writes machines that were made into rows, and draws their lines. */
export async function writeMachines({ db, now }: Call, { machines, points, facts }: MachineRows): Promise<void> {
  await inParts(machines, (part) => db.machine.insertMany(part));
  await inParts(points, (part) => db.point.insertMany(part));
  await inParts(facts, (part) => db.fact.insertMany(part));
  await recompute(
    db,
    points.map(({ id }) => id),
    now,
  );
}
