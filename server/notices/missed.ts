/** Visits on their day: whoever came found no way in, or comes later than was told. */
import { SETTLE_MS, tellableFrom } from '../../core/notices/telling.ts';
import type { Call } from '../context/context.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import type { Row } from '../store/tables.ts';
import { askingRuleOf, planTo } from './planning.ts';
import { moveTo } from './visits.ts';

/** Nobody was let in: the visit is over, and whoever lives there hears of it unless it is taken back at once. */
export async function tellMissed(call: Call, mishap: Row<'mishap'>, visitId: string | null): Promise<void> {
  const { db, now } = call;
  if (visitId !== null) {
    await db.visit.update({ id: visitId, state: 'announced' }, { state: 'missed' });
    await db.message.update({ subjectId: visitId, state: 'planned' }, { state: 'over' });
  }
  const { organisationId, placeId, id: subjectId } = mishap;
  const tenancy = await tenancyOn(db, placeId, now);
  if (!tenancy) return;
  const { personId } = tenancy;
  const zone = await zoneOfPlace(db, placeId);
  const notBefore = tellableFrom(now + SETTLE_MS, await askingRuleOf(db, organisationId), zone);
  await planTo(call, { organisationId, personId, placeId, kind: 'entryMissed', subjectId, notBefore });
}

/** Takes back that nobody was let in. @returns whether nobody had been told yet */
export async function untellMissed({ db }: Call, mishapId: string, visitId: string | null): Promise<boolean> {
  const told = await db.message.all({ subjectId: mishapId, kind: 'entryMissed' });
  if (told.some(({ state }) => state !== 'planned' && state !== 'over')) return false;
  await db.message.remove({ subjectId: mishapId });
  if (visitId !== null) await db.visit.update({ id: visitId, state: 'missed' }, { state: 'announced' });
  return true;
}

/**
 * The visit comes later today than was told. The old notice does not cover that hour: it is lawful again by a yes, or a
 * word at the door.
 */
export async function tellLater(
  call: Call,
  visit: Row<'visit'>,
  { from, until }: { readonly from: number; readonly until: number },
): Promise<void> {
  await moveTo(call, visit, { day: visit.day, from, until, agreed: false }, 'entryLate');
}
