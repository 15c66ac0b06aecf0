/** A time of the day as a field has it, and as it is kept: minutes past midnight. */

/** `HH:MM` of minutes past midnight, 0 to 1439. */
export const clockTime = (minute: number): string =>
  [Math.floor(minute / 60), minute % 60].map((part) => String(part).padStart(2, '0')).join(':');

/** Minutes past midnight of `HH:MM`; NaN of anything else. */
export function minuteOf(text: string): number {
  const [, hours, minutes] = /^(\d\d):(\d\d)/.exec(text) ?? [];
  return Number(hours) * 60 + Number(minutes);
}
