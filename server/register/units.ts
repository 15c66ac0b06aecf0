/** Many at once: units from a template, copies of a unit, one machine in many units. */
import { machineTypeOf, registrable } from '../../core/catalogue/machines.ts';
import { STARTERS } from '../../core/register/starters.ts';
import type { TemplateSummary } from '../../contract/register/bulk.ts';
import type {
  MachineSketch,
  ManyMachines,
  NewTemplate,
  TemplateChange,
  NewUnits,
  Specification,
} from '../../contract/register/machines.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { addMachines, inParts } from './addMachines.ts';
import { findPlace, findProperty } from '../lookup/places.ts';

/** Registers units that are alike, in the order of their names. */
export async function createUnits(
  call: Call,
  { propertyId, buildingId, names, machines }: NewUnits,
): Promise<{ ids: string[]; points: number }> {
  const {
    env,
    db,
    actor: { organisationId },
    now,
  } = call;
  const { zone } = await findProperty(call, propertyId);
  if (buildingId && !(await db.building.one({ id: buildingId, propertyId }))) throw notFound();
  const known = new Set((await db.place.all({ propertyId }, { columns: ['name'] })).map(({ name }) => name));
  names.forEach((name, i) => {
    if (known.has(name)) throw namesProblem('field.unitTaken', name);
    if (names.indexOf(name) < i) throw namesProblem('field.twice', name);
  });
  const places: Row<'place'>[] = names.map((name, i) => ({
    id: env.newId(),
    organisationId,
    propertyId,
    buildingId: buildingId ?? null,
    kind: 'unit',
    name,
    sort: known.size + i,
    createdAt: now,
  }));
  await inParts(places, (part) => db.place.insertMany(part));
  const points = await addMachines(
    call,
    places.flatMap((place) =>
      machines.map((machine) => ({ ...machine, id: env.newId(), place: { id: place.id, zone } })),
    ),
  );
  return { ids: places.map(({ id }) => id), points: points.length };
}

const namesProblem = (key: string, name: string) =>
  new Problem(422, 'fields', {}, { names: { key, values: { name } } });

/** Adds one machine to each of many places. */
export async function addToMany(call: Call, { placeIds, machine }: ManyMachines): Promise<{ points: number }> {
  const placed = [];
  for (const placeId of new Set(placeIds)) {
    const place = await findPlace(call, placeId);
    placed.push({
      ...machine,
      id: call.env.newId(),
      place: { id: place.id, zone: (await findProperty(call, place.propertyId)).zone },
    });
  }
  return { points: (await addMachines(call, placed)).length };
}

/**
 * The machines of a place as they may be put elsewhere: what must match at their points comes along, where they stand
 * does not.
 */
export async function sketchesOf({ db }: Call, placeId: string): Promise<MachineSketch[]> {
  const machines = await db.machine.all({ placeId, retiredDay: null }, { order: [['number', 'ASC']] });
  const points = await db.point.all({ machineId: machines.map(({ id }) => id) });
  const facts = await factsOf(
    db,
    points.map(({ id }) => id),
    'specification',
  );
  return machines.map(
    ({ id, type, label, maker, model, installedDay: _, fuel, owner, drainBranch, leftOut, hardWired }) => ({
      type,
      label,
      maker,
      model,
      installed: null,
      fuel: fuel as 'electric',
      owner: owner as 'landlord',
      drainBranch,
      hardWired: hardWired === 1,
      leftOut: JSON.parse(leftOut) as string[],
      lastDone: null,
      specifications: Object.fromEntries(
        points
          .filter(({ machineId }) => machineId === id)
          .flatMap(({ id: pointId, procedure }): [string, Specification][] => {
            const latest = facts.findLast(({ subjectId }) => subjectId === pointId)?.value;
            return latest ? [[procedure, latest]] : [];
          }),
      ),
    }),
  );
}

/**
 * Keeps a unit’s machines as a template to make others from.
 * @throws Problem: fields (422)
 */
export async function createTemplate(call: Call, { id, name, machines }: NewTemplate): Promise<{ id: string }> {
  const {
    db,
    actor: { organisationId },
    now,
  } = call;
  refuseUnknownParts(call, machines);
  await db.template.insert({
    id,
    organisationId,
    name,
    content: JSON.stringify(machines),
    createdAt: now,
    removedAt: null,
  });
  return { id };
}

/** Gives a template another name or other machines; what was made from it stays as it is. */
export async function changeTemplate(call: Call, id: string, { name, machines }: TemplateChange): Promise<object> {
  const {
    db,
    actor: { organisationId },
  } = call;
  refuseUnknownParts(call, machines);
  const changed = await db.template.update(
    { id, organisationId, removedAt: null },
    { name, content: JSON.stringify(machines) },
  );
  if (changed === 0) throw notFound();
  return {};
}

function refuseUnknownParts({ actor }: Call, machines: NewTemplate['machines']): void {
  for (const { type, leftOut } of machines) {
    const points = registrable(type, actor.organisationId)?.points;
    if (!points) throw fieldProblem('machines', 'field.machineType');
    if (leftOut.some((it) => !points.includes(it))) throw fieldProblem('machines', 'field.leftOut');
  }
}

/**
 * Takes a template of the office out of use.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function removeTemplate({ db, actor: { organisationId }, now }: Call, id: string): Promise<object> {
  if ((await db.template.update({ id, organisationId, removedAt: null }, { removedAt: now })) === 0) throw notFound();
  return {};
}

const pointsOf = (machines: readonly MachineSketch[]) =>
  machines.reduce((sum, { type, leftOut }) => sum + machineTypeOf(type).points.length - leftOut.length, 0);

/**
 * Templates to choose from: one's own first, then those to begin with; and, where asked, those of a unit that is to be
 * copied.
 */
export async function listTemplates(call: Call): Promise<{ templates: TemplateSummary[] }> {
  const {
    db,
    actor: { organisationId },
    env: { say },
  } = call;
  const own = (await db.template.all({ organisationId, removedAt: null }, { order: [['createdAt', 'ASC']] })).map(
    ({ id, name, content }) => ({ id, name, own: true, machines: JSON.parse(content) as MachineSketch[] }),
  );
  const starters = STARTERS.map(({ key, machines }) => ({
    id: key,
    name: say(`starter.${key}`),
    own: false,
    machines: machines.map(({ type, drains, leftOut }): MachineSketch => ({
      type,
      label: '',
      maker: '',
      model: '',
      installed: null,
      fuel: 'electric',
      owner: 'landlord',
      drainBranch: '',
      hardWired: false,
      leftOut: [...(leftOut ?? [])],
      lastDone: null,
      specifications: drains ? { 'drains.dose': { drainCount: drains } } : {},
    })),
  }));
  return { templates: [...own, ...starters].map((it) => ({ ...it, points: pointsOf(it.machines) })) };
}

/** A unit as a template, to copy it or to keep it. */
export async function templateOfPlace(call: Call, placeId: string): Promise<TemplateSummary> {
  const place = await findPlace(call, placeId);
  const machines = await sketchesOf(call, place.id);
  return { id: place.id, name: place.name, own: false, machines, points: pointsOf(machines) };
}
