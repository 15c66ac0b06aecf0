/** Marks as the board holds them: the server's numbers, with share and state as of today. */
import { countedAs, isPastState, shareUsed, stateOf, type CountedAs, type PointState } from '../../core/due/line.ts';
import { doneDayOf, lineOfMark, MARK_FIELDS, WORK, type BoardAnswer, type BoardType } from '../../contract/due/due.ts';
import type { MarkDates } from '../../contract/register/machines.ts';

export interface Mark {
  readonly number: number;
  readonly type: BoardType;
  readonly share: number | undefined;
  readonly state: PointState;
  readonly work: number;
  /** Days until the line; negative past it. */
  readonly daysLeft: number;
  /** What it counts as: exactly one thing. */
  readonly counted: CountedAs;
  /** It is served when its machine is opened anyway. */
  readonly rides: boolean;
}

export interface BoardRow {
  readonly id: string;
  readonly name: string;
  readonly property: number;
  readonly marks: readonly Mark[];
}

export interface Stand {
  readonly share: number | undefined;
  readonly state: PointState;
  readonly counted: CountedAs;
  readonly daysLeft: number;
}

/** Where a mark stands on a day. @param held its home is on hold, whoever has it in hand */
export function standOn(mark: MarkDates, today: number, held = false): Stand {
  const line = lineOfMark(mark);
  const doneDay = doneDayOf(mark);
  const onHold = held || mark.work === WORK.onHold;
  return {
    share: shareUsed(line, { today, doneDay }),
    state: stateOf(line, { today, doneDay, onHold }),
    counted: countedAs(line, { today, onHold, sent: mark.work >= WORK.sent }),
    daysLeft: line.lineDay - today,
  };
}

/** Ours stand at their number; what an office defined comes after them. */
const typeNumbered = (types: readonly BoardType[], number: number): BoardType =>
  types[number] ?? types.find((it) => it.number === number)!;

/** The marks of a row as the board sends them, number after number. */
function datesIn({ types }: BoardAnswer, marks: readonly number[]) {
  return Array.from({ length: marks.length / MARK_FIELDS }, (_, at) => {
    const i = at * MARK_FIELDS;
    const [number, type, servedDay, intervalDays, capSlack, work, rides] = marks.slice(i, i + MARK_FIELDS);
    const dates: MarkDates = { servedDay: servedDay!, intervalDays: intervalDays!, capSlack: capSlack!, work: work! };
    return { number: number!, type: typeNumbered(types, type!), rides: rides === 1, dates };
  });
}

/** The marks of one row as a gauge takes them. */
export const gaugeOf = (board: BoardAnswer, row: BoardAnswer['rows'][number]) =>
  datesIn(board, row.marks).map(({ type: { kind, name, safetyCritical }, dates }) => ({
    kind,
    name,
    safetyCritical,
    ...dates,
  }));

export function rowsOf(board: BoardAnswer): BoardRow[] {
  return board.rows.map(({ id, name, property, held, marks }) => {
    const { today } = board.properties[property]!;
    const read = datesIn(board, marks).map(({ number, type, rides, dates }): Mark => ({
      number,
      type,
      work: dates.work,
      rides,
      ...standOn(dates, today, held),
    }));
    read.sort((a, b) => (a.share ?? -1) - (b.share ?? -1));
    return { id, name, property, marks: read };
  });
}

export const isPast = ({ state }: Pick<Mark, 'state'>) => isPastState(state);
/** Past the line with nobody on it. */
export const isLate = (mark: Pick<Mark, 'state' | 'work'>) => isPast(mark) && isIdle(mark);
export const isIdle = ({ work }: Pick<Mark, 'work'>) => work === WORK.none;
export const isOnHold = ({ work }: Pick<Mark, 'work'>) => work === WORK.onHold;
export const isSent = ({ work }: Pick<Mark, 'work'>) => work >= WORK.sent;

/**
 * What a mark weighs in a list: risk times lateness; sent work and what is on hold weigh little, no record as much as a
 * point on its line.
 */
export function urgency(mark: Mark): number {
  const share = mark.share ?? 1;
  const late = share >= 1 ? share : share * 0.4;
  return late * mark.type.riskWeight * (isSent(mark) || isOnHold(mark) ? 0.05 : 1);
}

/** The mark that matters most in a row. */
export function foremost(marks: readonly Mark[]): Mark | undefined {
  return marks.reduce<Mark | undefined>(
    (best, mark) => (best === undefined || urgency(mark) > urgency(best) ? mark : best),
    undefined,
  );
}
