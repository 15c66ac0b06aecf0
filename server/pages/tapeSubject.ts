/** What a tape is of. */
import type { Day } from '../../core/calendar/day.ts';
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { dayReader } from '../lookup/dayReader.ts';
import { findPlace, findProperty } from '../lookup/places.ts';
import type { Row } from '../store/tables.ts';

/** What stands on a tape: a machine, or the machines of a home. */
export interface TapeSubject {
  readonly place: Row<'place'>;
  readonly property: Row<'property'>;
  readonly machines: readonly Row<'machine'>[];
  readonly dayOf: (instant: number) => Day;
}

/**
 * The machine, or the machines of the place, that a tape is asked of.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function findTapeSubject(call: Call, scope: string, id: string): Promise<TapeSubject> {
  const { db, actor } = call;
  const machine = scope === 'machine' ? await db.machine.one({ id, organisationId: actor.organisationId }) : undefined;
  if (scope === 'machine' ? !machine : scope !== 'place') throw notFound();
  const place = await findPlace(call, machine ? machine.placeId : id);
  const property = await findProperty(call, place.propertyId);
  const machines = machine
    ? [machine]
    : await db.machine.all(
        { placeId: place.id },
        {
          order: [
            ['createdAt', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      );
  return { place, property, machines, dayOf: dayReader(property.zone) };
}
