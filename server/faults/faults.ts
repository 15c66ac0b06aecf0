/** Saying that something is wrong, and closing it. An open fault makes its point due. */
import { dayFromIso, dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { isAlarmSymptom } from '../../core/faults/alarms.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { isFindable } from '../../core/faults/table.ts';
import { pointsOfSymptom, symptomOf, symptomsOf } from '../../core/faults/symptoms.ts';
import type { Severity } from '../../core/faults/clock.ts';
import type { ReportFault } from '../../contract/faults/faults.ts';
import type { FaultSummary } from '../../contract/faults/faults.ts';
import { namesOf } from '../lookup/find.ts';
import { recompute } from '../due/recompute.ts';
import { isOffice, type Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { approvalsOf } from './approvals.ts';
import { correctByAt } from './clocks.ts';
import { photosOf } from './deficiencies.ts';
import { claimPhoto } from '../photos/photos.ts';
import { machineName } from '../lookup/names.ts';
import { refuseRetired, visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { closingOf } from './words.ts';
import { known } from '../store/where.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/**
 * Takes a fault as a person noticed it; the parts that may have caused it become due. What somebody else has reported
 * of that machine and nobody has closed is the same fault, with one more who noticed it.
 * @throws Problem: machineRetired (409), what is not there or not theirs (404)
 */
export async function reportFault(call: Call, form: ReportFault): Promise<{ id: string }> {
  const machine = await visibleMachine(call, form.machineId);
  // Whoever reports a fault of one that was taken out of service means the machine in its place.
  refuseRetired(call.env, machine);
  if (!symptomsOf(machine.type).some(({ key }) => key === form.symptom)) throw fieldProblem('symptom', 'field.symptom');
  const same = await openSame(call, machine, form.symptom);
  if (same) await joinFault(call, same, form);
  else await openFault(call, machine, { ...form, noticedDay: await noticedOn(call, machine, form.noticed) });
  const id = same?.id ?? form.id;
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, id, 'fault');
  return { id };
}

/** A year and more back nobody remembers the day. Our assumption. */
const LONGEST_NOTICED = 730;

/** Since when it is noticed, held to what can be: not after today, not before anybody remembers. */
async function noticedOn({ db, now }: Call, { placeId }: Row<'machine'>, iso: string | null): Promise<Day | null> {
  if (iso === null) return null;
  const today = dayOfInstant(now, await zoneOfPlace(db, placeId));
  const day = dayFromIso(iso);
  if (day > today || day < today - LONGEST_NOTICED) throw fieldProblem('noticed', 'field.noticed');
  return day;
}

/** An open fault of the same group of symptoms that others have reported, and this person has not. */
async function openSame(
  { db, actor }: Call,
  { id }: Row<'machine'>,
  symptom: string,
): Promise<Row<'fault'> | undefined> {
  const open = await db.fault.all({ machineId: id, closedAt: null }, { order: [['openedAt', 'ASC']] });
  const same = open.filter((fault) => groupOfSymptom(fault.symptom) === groupOfSymptom(symptom));
  const own = same.some(({ openedBy }) => openedBy === actor.personId);
  return own ? undefined : same[0];
}

const joinFault = ({ db, actor, now }: Call, { id: faultId }: Row<'fault'>, { id, note }: ReportFault) =>
  db.faultReport.insert({ id, organisationId: actor.organisationId, faultId, note, at: now, byPerson: actor.personId });

/** A fault that nobody has closed. */
export const OPEN = {
  noticedDay: null,
  responsibleId: null,
  closedAt: null,
  closedBy: null,
  found: null,
  cause: null,
  remedy: null,
  minutes: null,
  parts: null,
  cost: null,
  payer: null,
  gone: null,
  goneAt: null,
} as const;

/** Opens a fault of a machine, said by a person or shown by a reading; its points fall due. */
export async function openFault(
  { db, actor, now }: Call,
  machine: Row<'machine'>,
  {
    id,
    symptom,
    note,
    noticedDay = null,
  }: Pick<Row<'fault'>, 'id' | 'symptom' | 'note'> & Partial<Pick<Row<'fault'>, 'noticedDay'>>,
): Promise<void> {
  const points = await pointsDue(db, machine, symptom);
  const { severity } = symptomOf(symptom);
  await db.fault.insert({
    ...OPEN,
    id,
    organisationId: actor.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    pointId: points[0]?.id ?? null,
    symptom,
    severity,
    note,
    openedAt: now,
    openedDay: dayOfInstant(now, await zoneOfPlace(db, machine.placeId)),
    openedBy: actor.personId,
    noticedDay,
    correctBy: await correctByAt(db, machine.placeId, severity, now),
  });
  await recompute(
    db,
    points.map((point) => point.id),
    now,
  );
}

/** The points of a machine that a symptom makes due, the likeliest first. */
export async function pointsDue(db: Db, machine: Row<'machine'>, symptom: string): Promise<Row<'point'>[]> {
  const procedures = pointsOfSymptom(machine.type, symptom);
  const points =
    procedures.length === 0 ? [] : await db.point.all({ machineId: machine.id, procedure: [...procedures] });
  return points.sort((a, b) => procedures.indexOf(a.procedure) - procedures.indexOf(b.procedure));
}

const SHOWN_CLOSED = 10;

/** Open faults first, the most pressing at the top, then those closed lately. */
export async function listFaults(call: Call, where: { placeId?: string; machineId?: string }): Promise<FaultSummary[]> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const open = await db.fault.all(
    { ...where, organisationId, closedAt: null },
    { order: [['correctBy', 'ASC']], limit: 500 },
  );
  const closed = (
    await db.fault.all({ ...where, organisationId }, { order: [['closedAt', 'DESC']], limit: SHOWN_CLOSED })
  ).filter(({ closedAt }) => closedAt !== null);
  return describeFaults(call, [...open, ...closed]);
}

const SHOWN_UNCODED = 4;

/** Faults that were closed in words alone, the latest first: how many there are, and some of them. */
export async function listUncoded(call: Call): Promise<{ count: number; faults: FaultSummary[] }> {
  const { db, actor } = call;
  const where = { organisationId: actor.organisationId, cause: null, closedAt: known() };
  const [count, faults] = await Promise.all([
    db.fault.count(where),
    db.fault.all(where, { order: [['closedAt', 'DESC']], limit: SHOWN_UNCODED }),
  ]);
  return { count, faults: await describeFaults(call, faults) };
}

async function describeFaults(call: Call, faults: readonly Row<'fault'>[]): Promise<FaultSummary[]> {
  const {
    db,
    env: { say },
    actor: { organisationId },
  } = call;
  const pointIds = faults.map(({ pointId }) => pointId).filter((id): id is string => id !== null);
  const properties = await db.property.all({ organisationId });
  const [machines, places, names, uses, points] = await Promise.all([
    db.machine.all({ id: faults.map(({ machineId }) => machineId) }),
    db.place.all({ id: faults.map(({ placeId }) => placeId) }),
    namesOf(
      db,
      faults.flatMap(({ openedBy, responsibleId }) => [openedBy, responsibleId]),
    ),
    db.photoUse.all({ subjectId: faults.map(({ id }) => id) }),
    db.point.all({ id: pointIds }),
  ]);
  const reports = await db.faultReport.all({ faultId: faults.map(({ id }) => id) }, { order: [['at', 'ASC']] });
  const others = await namesOf(
    db,
    reports.map(({ byPerson }) => byPerson),
  );
  const tenants = new Set(
    (await db.roleGrant.all({ personId: faults.flatMap(({ closedBy }) => closedBy ?? []), role: 'tenant' })).map(
      ({ personId }) => personId,
    ),
  );
  // What a repair is to cost, and what was said of it, is the office's own.
  const asked = isOffice(call.actor) ? faults.map(({ id }) => id) : [];
  const approvals = await approvalsOf(call, asked);
  const machineOf = (fault: Row<'fault'>) => machines.find(({ id }) => id === fault.machineId)!;
  const placeOf = (fault: Row<'fault'>) => places.find(({ id }) => id === fault.placeId)!;
  return faults.map((fault) => ({
    id: fault.id,
    placeId: fault.placeId,
    place: placeOf(fault).name,
    property: properties.find(({ id }) => id === placeOf(fault).propertyId)!.name,
    machineId: fault.machineId,
    zone: properties.find(({ id }) => id === placeOf(fault).propertyId)!.zone,
    machine: machineName(say, machineOf(fault)),
    machineType: machineOf(fault).type,
    symptom: fault.symptom,
    says: say(`symptom.${fault.symptom}`),
    severity: fault.severity as Severity,
    note: fault.note,
    openedAt: fault.openedAt,
    openedBy: names.get(fault.openedBy) ?? say('story.someone'),
    alsoBy: reports
      .filter(({ faultId }) => faultId === fault.id)
      .map(({ byPerson, note, at }) => ({ name: others.get(byPerson) ?? say('story.someone'), note, at })),
    correctBy: fault.correctBy,
    stopUsing: isAlarmSymptom(fault.symptom) || symptomOf(fault.symptom).stopUsing,
    alarm: isAlarmSymptom(fault.symptom),
    noticed: fault.noticedDay === null ? null : isoFromDay(fault.noticedDay),
    responsible: fault.responsibleId === null ? null : (names.get(fault.responsibleId) ?? null),
    approval: approvals.get(fault.id) ?? null,
    ...photosOf(uses, fault.id),
    pointNumber: points.find(({ id }) => id === fault.pointId)?.number ?? null,
    closedAt: fault.closedAt,
    found: fault.found,
    closing: closingOf(say, fault, tenants),
    gone: fault.gone,
    findable: fault.closedAt === null && isFindable(machineOf(fault).type, fault.symptom),
  }));
}
