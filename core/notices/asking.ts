/** When a household is asked for a part: so early that its line is met in four cases of five, as far as that goes. */
import type { Day } from '../calendar/day.ts';
import { LEAST_DAYS } from './telling.ts';
import { doneWithin, isSilent, leadFor, LINE_SHARE, type AnswerBelief } from './answering.ts';

/** What does not fit its window is asked for up to so many windows ahead: an earlier word. */
export const WINDOWS_AHEAD = 2;
/** Less likely than this to be in time even so, it is better with staff: our assumption. */
const HARDLY = 0.5;
/** What is asked for within so many days is asked for in one letter: our assumption. */
export const GATHERED_DAYS = 7;

/** `window`: the line is met by asking within the window; `earlier`: asked before it; `staff`: hardly in time, or never. */
export type Fit = 'window' | 'earlier' | 'staff';

export interface AskingLead {
  readonly fit: Fit;
  /** Days before the line; 0 where staff does it. */
  readonly lead: number;
  /** Probability that the line is met, 0 to 1. */
  readonly met: number;
}

/** How early a household is asked for something that may be done so many days before its line. @param window ≥ 1 */
export function askingLead(belief: AnswerBelief, window: number): AskingLead {
  if (isSilent(belief)) return { fit: 'staff', lead: 0, met: 0 };
  // A letter gives a week where the window has one, however quick they are.
  const wanted = Math.max(leadFor(belief, LINE_SHARE) ?? Infinity, Math.min(LEAST_DAYS, window));
  const lead = Math.min(wanted, WINDOWS_AHEAD * window);
  const met = doneWithin(belief, lead);
  if (wanted <= window) return { fit: 'window', lead, met };
  return met < HARDLY ? { fit: 'staff', lead: 0, met } : { fit: 'earlier', lead, met };
}

/** A part that a household may be asked for, and the day on which it is to be. */
export interface ToAsk {
  readonly number: number;
  readonly askDay: Day;
}

/** The parts of a home that are asked for on a day: those whose day has come, and with them what would follow soon. */
export function askedOn(parts: readonly ToAsk[], today: Day): number[] {
  if (!parts.some(({ askDay }) => askDay <= today)) return [];
  return parts.filter(({ askDay }) => askDay <= today + GATHERED_DAYS).map(({ number }) => number);
}
