/** Which parts take something off the shelf, what it is in its exact size, and how their past services went. */
import type { Day } from '../../core/calendar/day.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import { formatFilterSize, parseFilterSize } from '../../core/quantities/filterSize.ts';
import type { AtRisk, Wanted } from '../../core/stock/forecast.ts';
import { lineOfMark } from '../../contract/due/due.ts';
import type { Call } from '../context/context.ts';
import { readHistories } from '../due/history.ts';
import type { ServiceOfPart } from '../sql/services.ts';
import { factsOf } from '../store/facts.ts';

/** What is counted in pieces; agents and cleaning stuff are not on this shelf. */
const PIECES = [
  'airFilter',
  'thinFilter',
  'pleatedFilter',
  'mediaFilter',
  'charcoalFilter',
  'waterFilter',
  'lintTrap',
  'batteries',
];
/** Weeks before a line from which a part may be served. */
const EARLY_WEEKS = 4;

export interface PartOnShelf {
  readonly pointId: string;
  readonly number: number;
  /** Day of its last service; null without one. */
  readonly servedDay: Day | null;
  /** What it takes: `airFilter 16 × 25 × 1 in`. */
  readonly item: string;
  /** Its exact size is wanted, and nobody has written it down. */
  readonly wantsSize: boolean;
  readonly lineDay: Day;
  readonly intervalDays: number;
}

/** One size is written in one way, however it was entered. */
export function sizeOf(entered: string | undefined): string | null {
  const size = entered ? parseFilterSize(entered) : null;
  return size ? formatFilterSize(size) : entered || null;
}

const takesPieces = ({ kind, materials }: Procedure) =>
  kind === 'filter' || materials.some(({ what }) => PIECES.includes(what));

/** The parts of all homes in use that take a piece each time they are served. */
export async function partsOnShelf({ db, actor: { organisationId }, now }: Call): Promise<PartOnShelf[]> {
  const keys = [...procedures.values()].filter(takesPieces).map(({ key }) => key);
  const points = await db.point.all({ organisationId, procedure: keys }, { columns: ['id'] });
  const ids = points.map(({ id }) => id);
  const histories = (await readHistories(db, ids, now)).filter(({ retired, hold }) => !retired && hold === null);
  const marks = new Map((await db.mark.all({ pointId: ids })).map((mark) => [mark.pointId, mark]));
  const sizes = new Map(
    (await factsOf(db, ids, 'specification')).map(({ subjectId, value }) => [subjectId, sizeOf(value.filterSize)]),
  );
  return histories.flatMap(({ point, procedure, today }) => {
    const mark = marks.get(point.id);
    const piece = procedure.materials.find(({ what }) => PIECES.includes(what));
    if (!mark || !piece) return [];
    const wantsSize = procedure.specification.includes('filterSize');
    const size = wantsSize ? (sizes.get(point.id) ?? null) : null;
    const { servedDay, lineDay } = lineOfMark(mark);
    return [
      {
        pointId: point.id,
        number: point.number,
        servedDay,
        item: size === null ? piece.what : `${piece.what} ${size}`,
        wantsSize: wantsSize && size === null,
        // What was never logged is due now.
        lineDay: servedDay === null ? today : lineDay,
        intervalDays: Math.max(7, mark.intervalDays),
      },
    ];
  });
}

export const weekOf = (day: Day): number => Math.floor((day + 3) / 7);
/** The Monday of a week (1970-01-01 was a Thursday). */
export const mondayOfWeek = (week: number): Day => week * 7 - 3;

/** A part as the forecast wants it, at the start of this week. */
export const wantedOf = ({ lineDay, intervalDays }: PartOnShelf, week: number): Wanted => ({
  fromLine: week - weekOf(lineDay),
  intervalWeeks: Math.max(1, Math.round(intervalDays / 7)),
});

/** Past weeks of the parts: of each service all weeks from which it could have been done, and what is still open. */
export function pastWeeks(services: readonly ServiceOfPart[], parts: readonly PartOnShelf[], today: Day): AtRisk[] {
  const past = services.flatMap(({ lineDay, servedDay, doneDay }) =>
    lineDay === null || servedDay === null ? [] : weeksAtRisk(lineDay, servedDay, weekOf(doneDay), true),
  );
  const open = parts.flatMap(({ lineDay, intervalDays }) =>
    weeksAtRisk(lineDay, lineDay - intervalDays, weekOf(today) - 1, false),
  );
  return [...past, ...open];
}

function weeksAtRisk(lineDay: Day, servedDay: Day, last: number, served: boolean): AtRisk[] {
  const line = weekOf(lineDay);
  const first = Math.max(line - EARLY_WEEKS, weekOf(servedDay) + 1);
  return Array.from({ length: Math.max(0, Math.min(last - first + 1, 60)) }, (_, i) => {
    const week = last - i;
    return { week, fromLine: week - line, served: served && week === last };
  });
}
