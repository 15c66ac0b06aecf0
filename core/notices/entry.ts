/**
 * Whether somebody of the office may go into a home that is lived in: with notice that was given in time, with consent,
 * or because of fire, flood or gas. How many hours of notice, the manager says for each property; what the law there
 * asks is theirs to know.
 */
import { dayOfInstant, instantOfDay, type Day } from '../calendar/day.ts';

/** Hours of notice where nobody said otherwise: common practice, no legal advice. */
export const NOTICE_HOURS = 24;
export const MOST_NOTICE_HOURS = 336;
const HOUR_MS = 3_600_000;

/** What lets somebody in without a visit that was announced: a word at the door, or an emergency. */
export const GROUNDS = ['word', 'fire', 'flood', 'gas'] as const;
export type Ground = (typeof GROUNDS)[number];

/** A time on a day of the property: minutes past midnight, until after from. */
export interface Window {
  readonly day: Day;
  readonly from: number;
  readonly until: number;
}

export interface Announced extends Window {
  /** When the notice was in their hands, ms; null while it is not. */
  readonly deliveredAt: number | null;
  /** What whoever lives there said to it: `another` asks for another time, `kept` is what stayed after that. */
  readonly answer: 'none' | 'agreed' | 'another' | 'kept';
}

/** The first instant for which notice that is given at one is long enough; ms. */
export const earliestEntry = (deliveredAt: number, hours: number): number => deliveredAt + hours * HOUR_MS;

/** Whether an announced visit is lawful by its notice, or agreed to; whenever it is looked at. */
export function isLawful(visit: Announced, hours: number, zone: string): boolean {
  if (visit.answer === 'agreed') return true;
  if (visit.answer === 'another' || visit.deliveredAt === null) return false;
  return earliestEntry(visit.deliveredAt, hours) <= instantOfDay(visit.day, visit.from, zone);
}

/** Whether a visit's time is now, its first and last minute included. */
export function isNow({ day, from, until }: Window, now: number, zone: string): boolean {
  const today = dayOfInstant(now, zone);
  return today === day && now >= instantOfDay(day, from, zone) && now <= instantOfDay(day, until, zone);
}

/** The visit by which a home may be entered now; undefined where none is announced, lawful and due at this hour. */
export const visitNow = <V extends Announced>(
  visits: readonly V[],
  { hours, now, zone }: { readonly hours: number; readonly now: number; readonly zone: string },
): V | undefined => visits.find((visit) => isNow(visit, now, zone) && isLawful(visit, hours, zone));
