/** Deficiencies: reported by whoever is at the machine, put right by somebody by a day. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { deficienciesOf } from '../../core/faults/deficiencies.ts';
import { correctBy, type Severity } from '../../core/faults/symptoms.ts';
import type {
  ChangeDeficiency,
  CloseDeficiency,
  DeficienciesAnswer,
  ReportDeficiency,
} from '../../contract/faults/deficiencies.ts';
import { namesOf } from '../lookup/find.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { claimPhoto } from '../photos/photos.ts';
import { machineName } from '../lookup/names.ts';
import { visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Row } from '../store/tables.ts';

/**
 * Takes something wrong that upkeep will not cure, with the day by which it is put right.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function reportDeficiency(call: Call, form: ReportDeficiency): Promise<{ id: string }> {
  const { db, actor, now } = call;
  const machine = await visibleMachine(call, form.machineId);
  const type = deficienciesOf(machine.type).find(({ key }) => key === form.type);
  if (!type) throw fieldProblem('type', 'field.oneOf');
  await db.deficiency.insert({
    id: form.id,
    organisationId: actor.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    pointId: null,
    recordId: null,
    type: type.key,
    severity: type.severity,
    note: form.note,
    correctBy: correctBy(type.severity, now),
    responsibleId: null,
    openedAt: now,
    openedBy: actor.personId,
    closedAt: null,
    closedBy: null,
    done: null,
  });
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, form.id, 'deficiency');
  return { id: form.id };
}

const END_OF_DAY = 24 * 60 - 1;

/** Another severity, another day, somebody responsible. */
export async function changeDeficiency(call: Call, id: string, form: ChangeDeficiency): Promise<object> {
  const { db, actor } = call;
  const deficiency = await findOpen(call, id);
  if (form.responsibleId !== null && !(await officeOf(call)).some((person) => person.id === form.responsibleId))
    throw fieldProblem('responsibleId', 'field.oneOf');
  const zone = await zoneOfPlace(db, deficiency.placeId);
  await db.deficiency.update(
    { id, organisationId: actor.organisationId },
    {
      severity: form.severity,
      correctBy: instantOfDay(dayFromIso(form.correctBy), END_OF_DAY, zone),
      responsibleId: form.responsibleId,
    },
  );
  return {};
}

/** Closes a deficiency with what was done. */
export async function closeDeficiency(call: Call, id: string, form: CloseDeficiency): Promise<object> {
  const { db, actor, now } = call;
  await findOpen(call, id);
  await db.deficiency.update({ id }, { closedAt: now, closedBy: actor.personId, done: form.done });
  return {};
}

async function findOpen({ db, actor }: Call, id: string): Promise<Row<'deficiency'>> {
  const deficiency = await db.deficiency.one({ id, organisationId: actor.organisationId });
  if (!deficiency) throw notFound();
  if (deficiency.closedAt !== null) throw new Problem(409, 'deficiencyClosed', { done: deficiency.done ?? '' });
  return deficiency;
}

async function officeOf({ db, actor: { organisationId } }: Call): Promise<{ id: string; name: string }[]> {
  const grants = await db.roleGrant.all({ organisationId, role: ['manager', 'staff'] });
  const people = await db.person.all(
    { id: [...new Set(grants.map(({ personId }) => personId))] },
    { order: [['name', 'ASC']] },
  );
  return people.map(({ id, name }) => ({ id, name }));
}

const SHOWN_CLOSED = 10;

/** Open ones first, the soonest at the top, then those closed lately. */
export async function listDeficiencies(call: Call): Promise<DeficienciesAnswer> {
  const {
    db,
    now,
    env: { say },
    actor: { organisationId },
  } = call;
  const open = await db.deficiency.all(
    { organisationId, closedAt: null },
    { order: [['correctBy', 'ASC']], limit: 500 },
  );
  const closed = (
    await db.deficiency.all({ organisationId }, { order: [['closedAt', 'DESC']], limit: SHOWN_CLOSED })
  ).filter(({ closedAt }) => closedAt !== null);
  const all = [...open, ...closed];
  const [machines, places, names, uses, people] = await Promise.all([
    db.machine.all({ id: all.map(({ machineId }) => machineId) }),
    db.place.all({ id: all.map(({ placeId }) => placeId) }),
    namesOf(
      db,
      all.flatMap(({ openedBy, responsibleId }) => [openedBy, ...(responsibleId ? [responsibleId] : [])]),
    ),
    db.photoUse.all({ subjectId: all.map(({ id }) => id) }),
    officeOf(call),
  ]);
  const properties = await db.property.all({ organisationId });
  return {
    people,
    deficiencies: all.map((it) => {
      const place = places.find(({ id }) => id === it.placeId)!;
      const { zone } = properties.find(({ id }) => id === place.propertyId)!;
      const on = (at: number) => isoFromDay(dayOfInstant(at, zone));
      return {
        id: it.id,
        placeId: place.id,
        place: place.name,
        machine: machineName(
          say,
          machines.find(({ id }) => id === it.machineId)!,
        ),
        says: say(`deficiency.${it.type}`),
        severity: it.severity as Severity,
        note: it.note,
        openedBy: names.get(it.openedBy) ?? say('story.someone'),
        openedOn: on(it.openedAt),
        correctBy: on(it.correctBy),
        overdue: it.closedAt === null && it.correctBy < now,
        responsibleId: it.responsibleId,
        responsible: it.responsibleId ? (names.get(it.responsibleId) ?? null) : null,
        photoIds: uses.filter(({ subjectId }) => subjectId === it.id).map(({ photoId }) => photoId),
        closedOn: it.closedAt === null ? null : on(it.closedAt),
        done: it.done,
      };
    }),
  };
}
