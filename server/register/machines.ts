/** Machines and their service points, which appear by themselves. */
import { dayFromIso, dayOfInstant } from '../../core/calendar/day.ts';
import { machineTypes } from '../../core/catalogue/catalogue.ts';
import type { ContractForm, MachineChange, NewMachine, RetireMachine, Specification } from '../../contract/register.ts';
import { recompute } from '../due/recompute.ts';
import { findPoint } from '../due/find.ts';
import type { Call } from '../env.ts';
import { fieldProblem, notFound, Problem } from '../http/problem.ts';
import { dropTask } from '../jobs/jobs.ts';
import { claimPhoto } from '../proof/photos.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import { findPlace, findProperty } from './places.ts';
import { addPoints } from './points.ts';

export async function createMachine(call: Call, form: NewMachine): Promise<{ id: string; points: number[] }> {
  const { env, db, actor: { organisationId }, now } = call;
  const place = await findPlace(call, form.placeId);
  const type = machineTypes.get(form.type);
  if (!type) throw fieldProblem('type', 'field.machineType');
  if (!type.fuels.includes(form.fuel)) throw fieldProblem('fuel', 'field.fuel');
  const { zone } = await findProperty(call, place.propertyId);
  const installedDay = form.installed ? dayFromIso(form.installed) : null;
  if (installedDay !== null && installedDay > dayOfInstant(now, zone)) throw fieldProblem('installed', 'field.future');
  const { installed: _, serves, ...columns } = form;
  await db.machine.insert({ ...columns, organisationId, installedDay, retiredDay: null, createdAt: now });
  if (form.shutoffPhotoId) await claimPhoto(call, form.shutoffPhotoId, form.id, 'shutoff');
  for (const placeId of new Set(serves)) {
    const served = await findPlace(call, placeId).catch(() => { throw fieldProblem('serves', 'field.place'); });
    await db.machineServes.insert({ id: env.newId(), organisationId, machineId: form.id, placeId: served.id });
  }
  return { id: form.id, points: await addPoints(env, db, { id: form.id, organisationId }, type.points, now) };
}

export async function changeMachine(call: Call, id: string, form: MachineChange): Promise<object> {
  const { db, actor: { organisationId } } = call;
  const machine = await db.machine.one({ id, organisationId });
  if (!machine) throw notFound();
  if (form.shutoffPhotoId && form.shutoffPhotoId !== machine.shutoffPhotoId) await claimPhoto(call, form.shutoffPhotoId, id, 'shutoff');
  const changes = Object.fromEntries(Object.entries(form).filter(([, value]) => value !== undefined));
  if (Object.keys(changes).length > 0) await db.machine.update({ id }, changes);
  return {};
}

async function findMachine({ db, actor: { organisationId } }: Call, id: string) {
  const machine = await db.machine.one({ id, organisationId });
  if (!machine) throw notFound();
  return machine;
}

const pointsOf = async ({ db }: Call, machineId: string) => (await db.point.all({ machineId }, { columns: ['id'] })).map(({ id }) => id);

/** A contractor who comes by contract, or none. */
export async function contractMachine(call: Call, id: string, { contract }: ContractForm): Promise<object> {
  const { db, now } = call;
  const machine = await findMachine(call, id);
  const { propertyId } = await findPlace(call, machine.placeId);
  const { zone } = await findProperty(call, propertyId);
  await recordFact(call, id, 'contract', contract && { lastVisit: dayFromIso(contract.lastVisit), everyMonths: contract.everyMonths }, dayOfInstant(now, zone));
  await recompute(db, await pointsOf(call, id), now);
  return {};
}

/** Takes a machine out of service: its points leave the board, its history stays, its emitters are not heard any more. */
export async function retireMachine(call: Call, id: string, { day }: RetireMachine): Promise<object> {
  const { db, now, env: { say } } = call;
  const machine = await findMachine(call, id);
  if (machine.retiredDay !== null) throw new Problem(409, 'machineRetired', { day: say.day(machine.retiredDay) });
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

/** Fills in or mends a point's specification. */
export async function specifyPoint(call: Call, idOrNumber: string, form: { specification: Specification; basedOn: string | null }): Promise<{ specificationId: string }> {
  const point = await findPoint(call, idOrNumber);
  const facts = await factsOf(call.db, [point.id], 'specification');
  const current = facts.at(-1);
  if ((current?.id ?? null) !== form.basedOn) {
    throw new Problem(409, 'changed', { what: describeSpecification(current?.value ?? {}) });
  }
  return { specificationId: await writeSpecification(call, point.id, form.specification) };
}

/** Writes a specification from today on and draws the line anew, since a maker's limit may be in it. */
export async function writeSpecification(call: Call, pointId: string, value: Specification): Promise<string> {
  const { db, now } = call;
  const point = (await db.point.one({ id: pointId }))!;
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const place = await findPlace(call, machine.placeId);
  const { zone } = await findProperty(call, place.propertyId);
  const id = await recordFact(call, pointId, 'specification', value, dayOfInstant(now, zone));
  await recompute(db, [pointId], now);
  return id;
}

function describeSpecification(value: Specification): string {
  return Object.entries(value).filter(([, it]) => it != null && it !== '').map(([name, it]) => `${name} ${String(it)}`).join(', ') || 'emptied';
}
