/** What tenants may be asked for of what comes due, within their months; what a month does not hold is staff's. */
import { DAYS_A_MONTH, type Day } from '../../core/calendar/day.ts';
import { askingLead } from '../../core/notices/asking.ts';
import type { AnswerBelief } from '../../core/notices/answering.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Call } from '../context/context.ts';
import type { PointHistory } from '../due/pointHistory.ts';
import { budgetOf } from '../due/settings.ts';
import { windowOfMark } from '../notices/ahead.ts';
import { personPace } from '../jobs/pace.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';

/** A part whose line the plan reaches. */
export interface Due {
  readonly history: PointHistory;
  readonly mark: Row<'mark'>;
  readonly machine: Row<'machine'>;
  readonly lineDay: Day;
}

/** Parts of one machine whose lines lie within so many days are asked for at once: our assumption. */
const TOGETHER_DAYS = 14;

/**
 * Ids of the parts that tenants are asked for. What a household would hardly do in time, however early it was asked, is
 * staff's.
 * @param due in the order of their lines
 */
export async function forTenants(
  { db, actor: { organisationId } }: Call,
  due: readonly Due[],
  lived: ReadonlyMap<string, Row<'tenancy'>>,
  fromDay: Day,
  beliefOf: (personId: string) => AnswerBelief,
): Promise<Set<string>> {
  const common = await budgetOf(db, organisationId, null, fromDay);
  const own = await factsOf(
    db,
    [...lived.values()].map(({ id }) => id),
    'budget',
  );
  const budgets = new Map(own.map(({ subjectId, value }) => [subjectId, value]));
  const theirs = new Set<string>();
  const may = due.filter(
    ({ history, mark }) => history.procedure.level === 'tenant' && mark.work === 0 && lived.has(mark.placeId),
  );
  for (const [placeId, its] of grouped(may, ({ mark }) => mark.placeId)) {
    const tenancy = lived.get(placeId)!;
    const { jobs, minutes } = budgets.get(tenancy.id) ?? common;
    const pace = await personPace(db, tenancy.personId);
    const months = new Map<number, { jobs: number; minutes: number }>();
    const belief = beliefOf(tenancy.personId);
    for (const sitting of sittings(its)) {
      if (sitting.every(({ mark }) => askingLead(belief, windowOfMark(mark)).fit === 'staff')) continue;
      const month = Math.max(0, Math.floor((sitting[0]!.lineDay - fromDay) / DAYS_A_MONTH));
      const so = months.get(month) ?? { jobs: 0, minutes: 0 };
      const more = sitting.reduce((sum, { history }) => sum + history.procedure.minutes * pace, 0);
      if (so.jobs >= jobs || (so.jobs > 0 && so.minutes + more > minutes)) continue;
      months.set(month, { jobs: so.jobs + 1, minutes: so.minutes + more });
      for (const { mark } of sitting) theirs.add(mark.pointId);
    }
  }
  return theirs;
}

/** Parts of one machine that fall due together. */
function sittings(its: readonly Due[]): Due[][] {
  return [...grouped(its, ({ machine }) => machine.id).values()]
    .flatMap((machine) => {
      const found: Due[][] = [];
      for (const part of machine) {
        const last = found.at(-1);
        if (last && part.lineDay - last[0]!.lineDay <= TOGETHER_DAYS) last.push(part);
        else found.push([part]);
      }
      return found;
    })
    .sort((a, b) => a[0]!.lineDay - b[0]!.lineDay);
}
