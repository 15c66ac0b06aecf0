/**
 * How a safety-critical interval may grow: at once shorter, never at once longer. At each service it lengthens by at most a
 * quarter, and only where the last two conditions were both clean or light, confirmed, and neither record had a failing finding. Judged on
 * loads, so that a change of practice or household moves it fully.
 */
import type { Condition } from './inputs.ts';
import { certainReach, believeSpeed, type LearningModel } from './learning.ts';
import { lessonsOf, type TaughtCondition } from './lessons.ts';

/** Our rule, with practitioners' caution: a quarter at a service. */
export const QUARTER = 1.25;
/** Conditions in a row that must stand behind it. */
const IN_A_ROW = 2;

/** Found no worse than light: nothing lengthens on a part that was time for it. */
const stands = ({ confirmed, doubtful, grade }: Condition) => confirmed && doubtful !== true && (grade === 'clean' || grade === 'light');

/**
 * The load at which the part is served next.
 * @param taught conditions that teach, oldest first
 * @param accepted the load that the practice accepts, from which it starts
 */
export function heldReach(taught: readonly TaughtCondition[], turnovers: readonly number[], accepted: number, model: LearningModel): { readonly reach: number; readonly held: boolean } {
  let reach = accepted;
  let held = false;
  const until = [...taught.keys()].filter((i) => taught[i]!.condition.kind === 'service');
  for (const i of until) {
    const seen = taught.slice(0, i + 1);
    const wanted = certainReach(believeSpeed(lessonsOf(seen, turnovers.filter((day) => day <= taught[i]!.condition.day)), model), accepted, model);
    const row = until.filter((it) => it <= i).slice(-IN_A_ROW);
    const may = row.length === IN_A_ROW && row.every((it) => stands(taught[it]!.condition)) ? reach * QUARTER : reach;
    held = wanted > may;
    reach = Math.min(wanted, may);
  }
  const last = certainReach(believeSpeed(lessonsOf(taught, turnovers), model), accepted, model);
  // A look after the last service may shorten, never lengthen.
  return { reach: Math.min(reach, last), held: held && reach <= last };
}
