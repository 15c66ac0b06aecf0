/**
 * How a safety-critical interval may grow: at once shorter, never at once longer. At each service it lengthens by at
 * most a
 * quarter, and only where the last two conditions were both clean or light, confirmed, and neither record had a failing
 * finding. Judged on
 * loads, so that a change of practice or household moves it fully.
 */
import type { Condition } from './inputs.ts';
import { believeFurther, certainReach, priorBelief, type LearningModel, type SpeedBelief } from './learning.ts';
import { lessonsOf, type TaughtCondition } from './lessons.ts';

/** Our rule, with practitioners' caution: a quarter at a service. */
export const QUARTER = 1.25;
/** Conditions in a row that must stand behind it. */
const IN_A_ROW = 2;

/** Found no worse than light: nothing lengthens on a part that was time for it. */
const stands = ({ confirmed, doubtful, grade }: Condition) =>
  confirmed && doubtful !== true && (grade === 'clean' || grade === 'light');

/** What is believed, and how far the interval may go by it. */
export interface Held {
  readonly belief: SpeedBelief;
  /** The load at which the part is served next. */
  readonly reach: number;
  /** It would be longer by the belief alone. */
  readonly held: boolean;
}

/**
 * The belief of a safety-critical part and the load at which it is served next.
 * @param taught conditions that teach, oldest first
 * @param accepted the load that the practice accepts, from which it starts
 */
export function heldReach(
  taught: readonly TaughtCondition[],
  turnovers: readonly number[],
  accepted: number,
  model: LearningModel,
): Held {
  let [belief, reach, held, inARow] = [priorBelief(model), accepted, false, 0];
  const conditions = taught.values();
  for (const lesson of lessonsOf(taught, turnovers)) {
    belief = believeFurther(belief, lesson, model);
    if (lesson === 'turnover') continue;
    const { condition } = conditions.next().value!;
    if (condition.kind !== 'service') continue;
    inARow = stands(condition) ? inARow + 1 : 0;
    const wanted = certainReach(belief, accepted, model);
    const may = inARow >= IN_A_ROW ? reach * QUARTER : reach;
    held = wanted > may;
    reach = Math.min(wanted, may);
  }
  // A look or a new tenancy after the last service may shorten, never lengthen.
  const last = certainReach(belief, accepted, model);
  return { belief, reach: Math.min(reach, last), held: held && reach <= last };
}
