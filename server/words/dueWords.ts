/** When something is due, in words. */
import type { Translator } from '../language/translator.ts';

/** When the first of some parts is due, in words. */
export function dueWords(
  say: Translator,
  marks: readonly { readonly servedDay: number; readonly intervalDays: number }[],
  today: number,
): string {
  const dated = marks
    .filter(({ servedDay }) => servedDay > 0)
    .map(({ servedDay, intervalDays }) => servedDay + intervalDays - today);
  if (dated.length === 0) return say('due.noRecord');
  const days = Math.min(...dated);
  if (days < 0) return say('due.past', { days: -days });
  return days === 0 ? say('due.today') : say('due.in', { days });
}
