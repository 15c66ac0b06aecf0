/** Deficiencies: reported by whoever is at the machine, put right by somebody by a day. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { deficienciesOf } from '../../core/faults/deficiencies.ts';
import type { Severity } from '../../core/faults/clock.ts';
import type { CloseDeficiency, DeficienciesAnswer, ReportDeficiency } from '../../contract/faults/deficiencies.ts';
import { namesOf, officeOf } from '../lookup/find.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { findOpenDeficiency, openDeficiency } from './clocks.ts';
import { claimPhoto, DONE_SLOT } from '../photos/photos.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { visibleMachine } from '../lookup/visible.ts';
import type { Row } from '../store/tables.ts';

/**
 * Takes something wrong that upkeep will not cure, with the day by which it is put right.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function reportDeficiency(call: Call, form: ReportDeficiency): Promise<{ id: string }> {
  const machine = await visibleMachine(call, form.machineId);
  const type = deficienciesOf(machine.type).find(({ key }) => key === form.type);
  if (!type) throw fieldProblem('type', 'field.oneOf');
  const { id, note } = form;
  await openDeficiency(call, machine, { id, note, type: type.key, severity: type.severity });
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, form.id, 'deficiency');
  return { id: form.id };
}

/**
 * Closes a deficiency with what was done, and what it looks like now.
 * @throws Problem: deficiencyClosed (409), what is not there or not theirs (404)
 */
export async function closeDeficiency(call: Call, id: string, form: CloseDeficiency): Promise<object> {
  const { db, actor, now } = call;
  await findOpenDeficiency(call, id);
  await db.deficiency.update({ id }, { closedAt: now, closedBy: actor.personId, done: form.done });
  for (const photoId of form.photoIds) await claimPhoto(call, photoId, id, DONE_SLOT);
  return {};
}

const SHOWN_CLOSED = 10;

/** Photos of something that was seen, and of how it is now. */
export function photosOf(uses: readonly Row<'photoUse'>[], subjectId: string) {
  const its = uses.filter((use) => use.subjectId === subjectId);
  const slot = (done: boolean) => its.filter((use) => (use.slot === DONE_SLOT) === done).map(({ photoId }) => photoId);
  return { photoIds: slot(false), donePhotoIds: slot(true) };
}

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
    people: people.map(({ id, name }) => ({ id, name })),
    deficiencies: all.map((it) => {
      const place = places.find(({ id }) => id === it.placeId)!;
      const property = properties.find(({ id }) => id === place.propertyId)!;
      const on = (at: number) => isoFromDay(dayOfInstant(at, property.zone));
      return {
        id: it.id,
        placeId: place.id,
        place: placeInFull(place, property),
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
        inspectionId: it.inspectionId,
        ...photosOf(uses, it.id),
        closedOn: it.closedAt === null ? null : on(it.closedAt),
        done: it.done,
      };
    }),
  };
}
