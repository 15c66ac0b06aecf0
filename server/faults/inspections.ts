/** An outside inspector's visit: findings against parts, each with its clock, answered one by one. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { correctBy, type Severity } from '../../core/faults/clock.ts';
import type {
  Finding,
  InspectionAnswer,
  InspectionsAnswer,
  InspectionSummary,
  NewFinding,
  NewInspection,
} from '../../contract/faults/inspections.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { claimPhoto } from '../photos/photos.ts';
import { readServed } from '../sql/inspections.ts';
import type { Row } from '../store/tables.ts';
import { endOfDay, findOpenDeficiency, localHoursAt, openDeficiency } from './clocks.ts';
import { photosOf } from './deficiencies.ts';

/** The deficiency that an inspector's finding is. */
const FOUND = 'inspector';

/**
 * Enters a visit.
 * @throws Problem: what is not there or not theirs (404), a day that has not come (422)
 */
export async function createInspection(call: Call, form: NewInspection): Promise<{ id: string }> {
  const { db, actor, now } = call;
  const property = await db.property.one({ id: form.propertyId, organisationId: actor.organisationId });
  if (!property) throw notFound();
  const day = dayFromIso(form.day);
  if (day > dayOfInstant(now, property.zone)) throw fieldProblem('day', 'field.notCome');
  const { id, inspector, reference } = form;
  await db.inspection.insert({
    id,
    organisationId: actor.organisationId,
    propertyId: property.id,
    day,
    inspector,
    reference,
    at: now,
    byPerson: actor.personId,
  });
  return { id };
}

const MIDDAY = 12 * 60;

/**
 * Enters what was found at a machine, against one of its parts where it is one of ours; its clock runs from the visit.
 * @throws Problem: what is not there or not theirs (404), a machine of another property, a part of another machine (422)
 */
export async function enterFinding(call: Call, inspectionId: string, form: NewFinding): Promise<{ id: string }> {
  const { db, actor } = call;
  const { inspection, property } = await find(call, inspectionId);
  const machine = await db.machine.one({ id: form.machineId, organisationId: actor.organisationId });
  const place = machine && (await db.place.one({ id: machine.placeId, propertyId: property.id }));
  if (!place) throw fieldProblem('machineId', 'field.machine');
  if (form.pointId && !(await db.point.one({ id: form.pointId, machineId: machine.id })))
    throw fieldProblem('pointId', 'field.oneOf');
  const openedAt = instantOfDay(inspection.day, MIDDAY, property.zone);
  const rule = await localHoursAt(db, property, inspection.day);
  const { id, pointId, severity, note } = form;
  const due = form.correctBy === null ? correctBy(severity, openedAt, rule) : endOfDay(form.correctBy, property.zone);
  await openDeficiency(call, machine, {
    id,
    pointId,
    inspectionId,
    type: FOUND,
    severity,
    note,
    openedAt,
    correctBy: due,
  });
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, form.id, 'deficiency');
  return { id: form.id };
}

/**
 * Takes a finding back that was entered by mistake, while it waits for its answer.
 * @throws Problem: deficiencyClosed (409), what is not there or not theirs, and what no inspector found (404)
 */
export async function removeFinding(call: Call, id: string): Promise<object> {
  const { inspectionId } = await findOpenDeficiency(call, id);
  if (inspectionId === null) throw notFound();
  await call.db.deficiency.remove({ id });
  return {};
}

/**
 * Takes a visit back at which nothing was found, or not yet entered.
 * @throws Problem: inspectionInUse (409), what is not there or not theirs (404)
 */
export async function removeInspection(call: Call, id: string): Promise<object> {
  await find(call, id);
  if ((await call.db.deficiency.count({ inspectionId: id })) > 0) throw new Problem(409, 'inspectionInUse');
  await call.db.inspection.remove({ id });
  return {};
}

async function find({ db, actor }: Call, id: string) {
  const inspection = await db.inspection.one({ id, organisationId: actor.organisationId });
  if (!inspection) throw notFound();
  return { inspection, property: (await db.property.one({ id: inspection.propertyId }))! };
}

const summaryOf = (
  { id, propertyId, day, inspector, reference }: Row<'inspection'>,
  { name: property }: Row<'property'>,
  its: readonly Pick<Row<'deficiency'>, 'closedAt' | 'correctBy'>[],
  now: number,
): InspectionSummary => ({
  id,
  propertyId,
  property,
  day: isoFromDay(day),
  inspector,
  reference,
  findings: its.length,
  answered: its.filter(({ closedAt }) => closedAt !== null).length,
  overdue: its.filter(({ closedAt, correctBy: by }) => closedAt === null && by < now).length,
});

/** All visits, the latest first. */
export async function listInspections({ db, now, actor: { organisationId } }: Call): Promise<InspectionsAnswer> {
  const inspections = await db.inspection.all(
    { organisationId },
    {
      order: [
        ['day', 'DESC'],
        ['at', 'DESC'],
      ],
    },
  );
  const properties = await db.property.all({ organisationId }, { order: [['sort', 'ASC']] });
  const findings = await db.deficiency.all(
    { inspectionId: inspections.map(({ id }) => id) },
    { columns: ['inspectionId', 'closedAt', 'correctBy'] },
  );
  return {
    properties: properties.map(({ id, name }) => ({ id, name })),
    inspections: inspections.map((it) =>
      summaryOf(
        it,
        properties.find(({ id }) => id === it.propertyId)!,
        findings.filter(({ inspectionId }) => inspectionId === it.id),
        now,
      ),
    ),
  };
}

/**
 * A visit with what was found, what runs out first at the top, and what more can be entered against.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readInspection(call: Call, id: string): Promise<InspectionAnswer> {
  const { db, now } = call;
  const { say } = call.env;
  const { inspection, property } = await find(call, id);
  const places = await db.place.all(
    { propertyId: property.id },
    {
      order: [
        ['sort', 'ASC'],
        ['id', 'ASC'],
      ],
    },
  );
  const machines = await db.machine.all({ placeId: places.map((it) => it.id) });
  const points = await db.point.all({ machineId: machines.map((it) => it.id) });
  const findings = await db.deficiency.all(
    { inspectionId: id },
    {
      order: [
        ['correctBy', 'ASC'],
        ['id', 'ASC'],
      ],
    },
  );
  const placeOf = new Map(places.map((it) => [it.id, it]));
  const machineOf = new Map(machines.map((it) => [it.id, it]));
  const pointOf = new Map(points.map((it) => [it.id, it]));
  const names = await namesOf(
    db,
    findings.flatMap(({ responsibleId, closedBy }) => [responsibleId, closedBy]),
  );
  const uses = await db.photoUse.all({ subjectId: findings.map((it) => it.id) });
  const served = new Map(
    (
      await readServed(
        db,
        findings.flatMap(({ pointId }) => pointId ?? []),
      )
    ).map((it) => [it.pointId, it]),
  );
  const on = (at: number) => isoFromDay(dayOfInstant(at, property.zone));
  return {
    ...summaryOf(inspection, property, findings, now),
    list: findings.map((it): Finding => {
      const point = it.pointId === null ? undefined : pointOf.get(it.pointId);
      const last = it.pointId === null ? undefined : served.get(it.pointId);
      const { photoIds, donePhotoIds } = photosOf(uses, it.id);
      return {
        id: it.id,
        placeId: it.placeId,
        place: placeOf.get(it.placeId)!.name,
        machine: machineName(say, machineOf.get(it.machineId)!),
        part: point ? say(`point.${point.procedure}`) : null,
        pointNumber: point?.number ?? null,
        severity: it.severity as Severity,
        note: it.note,
        correctBy: on(it.correctBy),
        overdue: it.closedAt === null && it.correctBy < now,
        responsible: it.responsibleId === null ? null : (names.get(it.responsibleId) ?? null),
        photoIds,
        answer:
          it.closedAt === null
            ? null
            : {
                done: it.done ?? '',
                day: on(it.closedAt),
                by: names.get(it.closedBy ?? '') ?? say('story.someone'),
                photoIds: donePhotoIds,
              },
        served: last ? { day: isoFromDay(last.day), evidence: say(`evidence.${last.evidence}`) } : null,
      };
    }),
    homes: places.map((place) => ({
      id: place.id,
      name: place.name,
      machines: machines
        .filter((it) => it.placeId === place.id && it.retiredDay === null)
        .map((machine) => ({
          id: machine.id,
          name: machineName(say, machine),
          parts: points
            .filter(({ machineId }) => machineId === machine.id)
            .map((point) => ({ id: point.id, name: say(`point.${point.procedure}`) })),
        })),
    })),
  };
}
