/** Machines and their service points, which appear by themselves. */
import { refuseRetired } from '../lookup/visible.ts';
import { dayFromIso, dayOfInstant } from '../../core/calendar/day.ts';
import { machineTypeOf } from '../../core/catalogue/catalogue.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import type {
  ContractForm,
  MachineChange,
  MoveMachine,
  NewMachine,
  RetireMachine,
  ShutoffPhoto,
  Specification,
} from '../../contract/register/machines.ts';
import { recompute } from '../due/recompute.ts';
import { findPoint } from '../lookup/find.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { dropTask } from '../jobs/jobs.ts';
import { claimPhoto } from '../photos/photos.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { addMachines } from './addMachines.ts';
import { addPoints, missingParts } from './points.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { findPlace, findProperty } from '../lookup/places.ts';
import { writeSpecification } from '../due/specification.ts';

/** Registers one machine, with what only one at a time has: photos, and the units that it serves. */
export async function createMachine(
  call: Call,
  { serves, placeId, ...form }: NewMachine,
): Promise<{ id: string; points: number[] }> {
  const {
    env,
    db,
    actor: { organisationId },
  } = call;
  const place = await findPlace(call, placeId);
  const { zone } = await findProperty(call, place.propertyId);
  const points = await addMachines(call, [{ ...form, specifications: {}, place: { id: place.id, zone } }]);
  if (form.shutoffPhotoId) await claimPhoto(call, form.shutoffPhotoId, form.id, 'shutoff');
  if (form.platePhotoId) await claimPhoto(call, form.platePhotoId, form.id, 'plate');
  for (const servedId of new Set(serves)) {
    const served = await findPlace(call, servedId).catch(() => {
      throw fieldProblem('serves', 'field.place');
    });
    await db.machineServes.insert({ id: env.newId(), organisationId, machineId: form.id, placeId: served.id });
  }
  return { id: form.id, points };
}

/**
 * Changes what is known of a machine; its points follow.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeMachine(
  call: Call,
  id: string,
  { leftOut, hardWired, installed, ...form }: MachineChange,
): Promise<object> {
  const { db } = call;
  const machine = await findMachine(call, id);
  if (form.fuel && !machineTypeOf(machine.type).fuels.includes(form.fuel)) throw fieldProblem('fuel', 'field.fuel');
  const installedDay = installed && dayFromIso(installed);
  if (installedDay && installedDay > dayOfInstant(call.now, await zoneOfPlace(db, machine.placeId)))
    throw fieldProblem('installed', 'field.future');
  if (form.shutoffPhotoId && form.shutoffPhotoId !== machine.shutoffPhotoId)
    await claimPhoto(call, form.shutoffPhotoId, id, 'shutoff');
  if (form.platePhotoId && form.platePhotoId !== machine.platePhotoId)
    await claimPhoto(call, form.platePhotoId, id, 'plate');
  const changes = Object.fromEntries(
    Object.entries({
      ...form,
      installedDay,
      hardWired: hardWired === undefined ? undefined : Number(hardWired),
    }).filter(([, value]) => value !== undefined),
  );
  if (Object.keys(changes).length > 0) await db.machine.update({ id }, changes);
  if (leftOut) await leaveOut(call, machine, leftOut);
  // Who may do what follows from it.
  else if (hardWired !== undefined || installed !== undefined || form.fuel)
    await recompute(db, await pointsOf(call, id), call.now);
  return {};
}

/**
 * Says which parts a machine lacks. What is left out leaves the board with its jobs; what is taken in again comes back
 * with its history.
 */
async function leaveOut(call: Call, machine: Row<'machine'>, leftOut: readonly string[]): Promise<void> {
  const { env, db, now } = call;
  const { points } = machineTypeOf(machine.type);
  if (leftOut.some((procedure) => !points.includes(procedure)) || leftOut.length === points.length)
    throw fieldProblem('leftOut', 'field.leftOut');
  const lacks = JSON.stringify(leftOut);
  await db.machine.update({ id: machine.id }, { leftOut: lacks });
  const known = await db.point.all({ machineId: machine.id });
  for (const { id, procedure } of known) if (leftOut.includes(procedure)) await dropTask(call, id);
  await addPoints(env, db, machine, missingParts({ ...machine, leftOut: lacks }, known), now);
  await recompute(
    db,
    known.map(({ id }) => id),
    now,
  );
}

/**
 * Moves a machine to another place. Its label, points and history go with it; jobs that were given for the old place
 * are over.
 */
export async function moveMachine(call: Call, id: string, { placeId }: MoveMachine): Promise<object> {
  const { db, now } = call;
  const machine = await findMachine(call, id);
  const place = await findPlace(call, placeId).catch(() => {
    throw fieldProblem('placeId', 'field.place');
  });
  if (place.id === machine.placeId) return {};
  const points = await pointsOf(call, id);
  for (const point of points) await dropTask(call, point);
  await db.machine.update({ id }, { placeId: place.id });
  await db.fault.update({ machineId: id, closedAt: null }, { placeId: place.id });
  await db.signal.update({ machineId: id, state: ['open', 'dismissed'] }, { placeId: place.id });
  await recompute(db, points, now);
  return {};
}

async function findMachine({ db, actor: { organisationId } }: Call, id: string) {
  const machine = await db.machine.one({ id, organisationId });
  if (!machine) throw notFound();
  return machine;
}

const pointsOf = async ({ db }: Call, machineId: string) =>
  (await db.point.all({ machineId }, { columns: ['id'] })).map(({ id }) => id);

/**
 * A contractor who comes by contract, or none. Their visit is a part of the machine as long as there is one.
 * @throws Problem: what is not there or not theirs (404), a last visit that has not been (422)
 */
export async function contractMachine(call: Call, id: string, { contract }: ContractForm): Promise<object> {
  const { env, db, now } = call;
  const machine = await findMachine(call, id);
  const today = dayOfInstant(now, await zoneOfPlace(db, machine.placeId));
  const said = contract && { ...contract, lastVisit: dayFromIso(contract.lastVisit) };
  if (said && said.lastVisit > today) throw fieldProblem('contract.lastVisit', 'field.future');
  await recordFact(call, id, 'contract', said, today);
  const visit = await db.point.one({ machineId: id, procedure: CONTRACTOR_VISIT });
  if (!contract && visit) await dropTask(call, visit.id);
  if (contract && !visit) await addPoints(env, db, machine, [CONTRACTOR_VISIT], now);
  await recompute(db, await pointsOf(call, id), now);
  return {};
}

/**
 * Takes a machine out of service: its points leave the board, its history stays, its emitters are not heard any more.
 */
export async function retireMachine(call: Call, id: string, { day }: RetireMachine): Promise<object> {
  const { db, now } = call;
  const machine = await findMachine(call, id);
  refuseRetired(call.env, machine);
  const { propertyId } = await findPlace(call, machine.placeId);
  const { zone } = await findProperty(call, propertyId);
  const retiredDay = dayFromIso(day);
  if (retiredDay > dayOfInstant(now, zone)) throw fieldProblem('day', 'field.future');
  await db.machine.update({ id }, { retiredDay });
  await db.emitter.update({ machineId: id, retiredAt: null }, { retiredAt: now });
  const points = await pointsOf(call, id);
  for (const pointId of points) await dropTask(call, pointId);
  await recompute(db, points, now);
  return {};
}

/** Keeps the photo of what shuts a machine off. */
export const photographShutoff = (call: Call, id: string, { photoId }: ShutoffPhoto): Promise<object> =>
  changeMachine(call, id, { shutoffPhotoId: photoId });

/** Takes a machine into service again: its parts come back with their history; what signed for it stays out. */
export async function restoreMachine(call: Call, id: string): Promise<object> {
  const { db, now } = call;
  const { retiredDay } = await findMachine(call, id);
  if (retiredDay === null) return {};
  await db.machine.update({ id }, { retiredDay: null });
  await recompute(db, await pointsOf(call, id), now);
  return {};
}

/** Fills in or mends a point's specification. */
export async function specifyPoint(
  call: Call,
  idOrNumber: string,
  form: { specification: Specification; basedOn: string | null },
): Promise<{ specificationId: string }> {
  const point = await findPoint(call, idOrNumber);
  const facts = await factsOf(call.db, [point.id], 'specification');
  const current = facts.at(-1);
  if ((current?.id ?? null) !== form.basedOn) {
    throw new Problem(409, 'changed', { what: describeSpecification(current?.value ?? {}) });
  }
  return { specificationId: await writeSpecification(call, point.id, form.specification) };
}

function describeSpecification(value: Specification): string {
  return (
    Object.entries(value)
      .filter(([, it]) => it != null && it !== '')
      .map(([name, it]) => `${name} ${String(it)}`)
      .join(', ') || 'emptied'
  );
}
