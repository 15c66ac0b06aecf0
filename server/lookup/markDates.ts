/** A mark as it is passed on. */
import type { MarkDates } from '../../contract/register/machines.ts';
import type { Row } from '../store/tables.ts';

/** What of a mark follows with the days, for the web to work out its share. */
export function markDates({ servedDay, intervalDays, capSlack, work }: Row<'mark'>): MarkDates {
  return { servedDay, intervalDays, capSlack, work };
}
