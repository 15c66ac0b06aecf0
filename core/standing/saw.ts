/** The saw of a part: its share of the interval over days, rising to the line and dropping at each service. */
import type { Day } from '../calendar/day.ts';
import type { Segment, Trace } from './trace.ts';

export interface SawPoint {
  /** Days; a whole day is its morning, so that a service and what it ended share an edge. */
  readonly day: Day;
  /** 0 just served, 1 on the line; may be above. */
  readonly share: number;
}

/** A stretch of the saw without a gap, points ascending by day; straight from one to the next. */
export type Stroke = readonly SawPoint[];

const shareOn = ({ servedDay, lineDay }: Segment, day: Day) => (day - servedDay) / Math.max(1, lineDay - servedDay);

/**
 * The strokes of a trace from one day to another. There is a gap where no record is, and before and after the part was
 * there. Where a line was moved without a service, the saw steps.
 */
export function sawOf({ segments, sinceDay, untilDay, doneDay }: Trace, fromDay: Day, toDay: Day): Stroke[] {
  const first = Math.max(fromDay, sinceDay);
  // What waits for its proof was done: it rises no further.
  const last = Math.min(toDay, untilDay ?? toDay, doneDay ?? toDay);
  const stroke: SawPoint[] = [];
  for (const [i, segment] of segments.entries()) {
    const start = Math.max(first, segment.fromDay);
    const end = Math.min(last, segments[i + 1]?.fromDay ?? last);
    if (end < start || segment.fromDay > last) continue;
    stroke.push({ day: start, share: shareOn(segment, start) }, { day: end, share: shareOn(segment, end) });
  }
  return stroke.length === 0 ? [] : [stroke];
}
