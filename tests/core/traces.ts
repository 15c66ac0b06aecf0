/** Traces for tests, from lines that are drawn by hand. */
import { segmentsOf, type DrawnLine, type Trace } from '../../core/standing/trace.ts';

export const trace = (lines: readonly DrawnLine[], more: Partial<Trace> = {}): Trace => ({
  sinceDay: 0,
  untilDay: null,
  segments: segmentsOf(lines),
  holds: [],
  doneDay: null,
  ...more,
});

export const drawn = (drawnDay: number, servedDay: number | null, lineDay: number): DrawnLine => ({
  drawnDay,
  servedDay,
  lineDay,
  capDay: lineDay + 1000,
});
