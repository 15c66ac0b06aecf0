/** Reads a calendar file beside the page. */
import { MOST_CHARACTERS, readBusyTimes, type BusySpan, type BusyTimes } from '../../core/calendar/busyTimes.ts';

export interface BusyAsk {
  readonly file: File;
  readonly span: BusySpan;
}
export type BusyTold = ({ readonly told: 'times' } & BusyTimes) | { readonly told: 'tooLong' | 'noCalendar' };

self.onmessage = async ({ data: { file, span } }: MessageEvent<BusyAsk>) => {
  const tell = (message: BusyTold) => self.postMessage(message);
  // No character takes more than four bytes.
  if (file.size > 4 * MOST_CHARACTERS) return tell({ told: 'tooLong' });
  const text = await file.text();
  if (text.length > MOST_CHARACTERS) return tell({ told: 'tooLong' });
  try {
    tell({ told: 'times', ...readBusyTimes(text, span) });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    tell({ told: 'noCalendar' });
  }
};
