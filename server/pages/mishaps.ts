/** What came between on rounds and nobody has seen to yet, for the office. */
import type { MishapInList, MishapsAnswer } from '../../contract/rounds/mishaps.ts';
import type { Call } from '../context/context.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { whenAgain } from '../rounds/comeAgain.ts';
import { describeMishap } from '../rounds/mishaps.ts';
import { numbersOfStop } from '../rounds/stops.ts';
import type { Row } from '../store/tables.ts';

/** The most that are listed at once. */
const MOST = 100;

/** The oldest first. */
export async function listMishaps(call: Call): Promise<MishapsAnswer> {
  const { db, actor } = call;
  const rows = await db.mishap.all(
    { organisationId: actor.organisationId, settledAt: null },
    { order: [['at', 'ASC']], limit: MOST },
  );
  const open: MishapInList[] = [];
  for (const row of rows) open.push(await inList(call, row));
  return { open };
}

async function inList(call: Call, row: Row<'mishap'>): Promise<MishapInList> {
  const {
    db,
    env: { say },
  } = call;
  const place = (await db.place.one({ id: row.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const stop = (await db.roundStop.one({ id: row.stopId }))!;
  const again = row.kind === 'late' ? null : await whenAgain(call, row, stop);
  return {
    ...(await describeMishap(call, row, property.zone, again)),
    placeId: place.id,
    place: placeInFull(place, property),
    person: (await namesOf(db, [row.personId])).get(row.personId) ?? say('story.someone'),
    parts: row.kind === 'partWrong' ? await partsOf(call, row) : [],
  };
}

async function partsOf({ db, env: { say } }: Call, row: Row<'mishap'>): Promise<MishapInList['parts']> {
  const marks = await db.mark.all({ placeId: row.placeId, number: numbersOfStop(row) });
  const points = await db.point.all({ id: marks.map(({ pointId }) => pointId) });
  const machines = await db.machine.all({ placeId: row.placeId });
  return points.map(({ number, procedure, machineId }) => ({
    number,
    says: say('standing.part', {
      part: say(`point.${procedure}`),
      machine: machineName(
        say,
        machines.find(({ id }) => id === machineId)!,
      ),
    }),
  }));
}
