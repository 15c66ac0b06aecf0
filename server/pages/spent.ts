/** What upkeep took in the last year, beside what each practice asks. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { dayOfInstant, DAYS_A_YEAR, isoFromDay, MS_PER_DAY, type Day } from '../../core/calendar/day.ts';
import { priceOfMaterials } from '../../core/due/burden.ts';
import { LEAST_DAYS, spentIn, type DoneBy, type DoneWork } from '../../core/due/spent.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { timeThatCounts } from '../../core/jobs/pace.ts';
import type { PracticePreview } from '../../contract/due/practice.ts';
import type { Call } from '../context/context.ts';
import { timedJobs } from '../jobs/pace.ts';
import { readAsked, readDone, type DoneRow } from '../sql/spent.ts';
import type { FactValues } from '../store/factValues.ts';

/** Homes lie in several zones; to the months of a year a day does not matter. */
const ZONE = 'UTC';

/** Where and when it is counted. */
export interface SpentWindow {
  readonly pointIds: readonly string[];
  readonly today: Day;
}

/** What was spent on some parts in the year until today; null where the register is younger than two months. */
export async function readSpent(
  { db, now, actor: { organisationId } }: Call,
  { pointIds, today }: SpentWindow,
  prices: FactValues['prices'] | null,
): Promise<PracticePreview['spent']> {
  const [first] = await db.machine.all({ organisationId }, { order: [['createdAt', 'ASC']], limit: 1 });
  if (!first) return null;
  const fromDay = Math.max(today - DAYS_A_YEAR + 1, dayOfInstant(first.createdAt, ZONE));
  const days = today - fromDay + 1;
  if (days < LEAST_DAYS) return null;
  const here = new Set(pointIds);
  const rows = (await readDone(db, organisationId, fromDay, today)).filter(({ pointId }) => here.has(pointId));
  const machineIds = new Set(
    (await db.point.all({ organisationId }, { columns: ['id', 'machineId'] }))
      .filter(({ id }) => here.has(id))
      .map(({ machineId }) => machineId),
  );
  const places = new Set(
    (await db.machine.all({ organisationId }, { columns: ['id', 'placeId'] }))
      .filter(({ id }) => machineIds.has(id))
      .map(({ placeId }) => placeId),
  );
  const asked = (await readAsked(db, organisationId, now - days * MS_PER_DAY, now)).filter(({ placeId }) =>
    places.has(placeId),
  );
  return {
    ...spentIn(
      worksOf(rows, await doersOf(db, organisationId), prices?.materials ?? {}),
      asked.map(({ at, placeId }) => ({ placeId, day: dayOfInstant(at, ZONE) })),
      days,
      prices,
    ),
    from: isoFromDay(fromDay),
    days,
  };
}

/** Who of an organisation is what: somebody of the office, a trade, a tenant. */
async function doersOf(db: Call['db'], organisationId: string): Promise<ReadonlyMap<string, DoneBy>> {
  const doers = new Map<string, DoneBy>();
  for (const { personId, role } of await db.roleGrant.all({ organisationId })) {
    if (role === 'manager' || role === 'staff') doers.set(personId, 'staff');
    else if (!doers.has(personId) && role !== 'owner') doers.set(personId, role === 'contractor' ? 'trade' : 'tenant');
  }
  return doers;
}

function worksOf(
  rows: readonly DoneRow[],
  doers: ReadonlyMap<string, DoneBy>,
  materials: Readonly<Record<string, number>>,
): DoneWork[] {
  const records = rows.map((row) => ({ ...row, methods: row.methods ?? {} }));
  const timed = timedJobs(records);
  return [...grouped(records, ({ id, jobId }) => jobId ?? id)].map(([id, of]) => {
    const [{ placeId, day, personId }] = of as [(typeof of)[number]];
    const job = timed.get(id);
    const procedures = of.map(({ procedure, methods }) => procedureOf(procedure, methods));
    return {
      placeId,
      day,
      // Whoever was erased, or is here no longer in any role, lived or worked here: by what they did nobody can tell.
      by: doers.get(personId ?? '') ?? (procedures.some(({ level }) => level !== 'tenant') ? 'staff' : 'tenant'),
      expected: procedures.reduce((sum, { minutes }) => sum + minutes, 0),
      took: job ? timeThatCounts(job) : null,
      materials: procedures.reduce((sum, it) => sum + priceOfMaterials(it, materials), 0),
      parts: of.map(({ grade }, i) => ({
        riskWeight: riskWeight(procedures[i]!.risk),
        heavy: grade === null ? null : grade === 'heavy' || grade === 'blocked',
      })),
    };
  });
}
