/** The working of an interval as facts: its terms, and what they come to. */
import type { Fact } from '../kit/FactList.vue';
import { say } from '../language/say.ts';

interface TermWords {
  readonly says: string;
  readonly why: string;
  readonly days: number;
}

export const workingFacts = (
  terms: readonly TermWords[],
  { name, note, days }: { readonly name: string; readonly note: string | undefined; readonly days: number },
): Fact[] => [
  ...terms.map((term) => ({ name: term.says, note: term.why, value: say('point.days', { days: term.days }) })),
  { name, note, value: say('point.days', { days }), sum: true },
];
