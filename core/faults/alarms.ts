/** Alarms: what *not safe* may mean, and what whoever says it does now. */
import type { Severity } from './clock.ts';

export const ALARM_KINDS = ['burning', 'gas', 'shock', 'water', 'other'] as const;
export type AlarmKind = (typeof ALARM_KINDS)[number];

/** The severity of any alarm: the first class, 24 hours (HUD NSPIRE standards, from memory). */
export const ALARM_SEVERITY: Severity = 'lifeThreatening';

/** The symptom under which an alarm stands among the faults. */
export const alarmSymptom = (kind: AlarmKind): string => `alarm.${kind}`;

export const isAlarmSymptom = (symptom: string): boolean => symptom.startsWith('alarm.');

/** Our assumption: whoever was called has so many minutes before the next on duty is called. */
export const CALL_AGAIN_MINUTES = 10;

/**
 * One round over the list of people on duty: who is called when, in minutes from the alarm; the list begins anew until
 * somebody answers.
 */
export function callTimes(people: number, round: number, minutes = CALL_AGAIN_MINUTES): number[] {
  return Array.from({ length: people }, (_, i) => (round * people + i) * minutes);
}
