/** What may be found in a part: of all finds those that can be there. A crayon is no find of a fridge's coil. */
import type { Find } from './catalogue.ts';

/** What households leave in pockets and drums. */
const OF_LAUNDRY: readonly Find[] = ['coin', 'clip', 'crayon', 'label', 'lint', 'hair', 'growth', 'scale', 'other'];
const OF_DISHES: readonly Find[] = ['glass', 'seed', 'label', 'hair', 'grease', 'scale', 'growth', 'other'];
/** What air and wear bring. */
const OF_AIR: readonly Find[] = ['lint', 'hair', 'grease', 'growth', 'other'];
const OF_DRAINS: readonly Find[] = ['lint', 'hair', 'growth', 'scale', 'other'];

/** The finds that are offered for a part, by its procedure and kind. Our judgement. */
export function findsOf(procedure: string, kind: string): readonly Find[] {
  const family = procedure.split('.')[0]!;
  if (/^(washer|dryer|condenserDryer|heatPumpDryer|washerDryer)/.test(family)) return OF_LAUNDRY;
  if (/^(dishwasher|disposer|sink)/.test(family)) return OF_DISHES;
  return kind === 'drain' ? OF_DRAINS : OF_AIR;
}
