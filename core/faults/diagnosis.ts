/**
 * Diagnosis: which check or remedy comes next, so that the fault is put right in the fewest expected minutes.
 *
 * The table of a symptom is small (up to six causes and five checks), so the best course is computed exactly, by
 * dynamic programming over what was answered and what was tried. Whoever is at the machine does what their level may,
 * or hands over to the next level, who goes on from there.
 */
import { isBelow, LEVELS, type Level } from '../catalogue/types.ts';
import type { Suspect } from './causes.ts';
import { OTHER } from './other.ts';
import type { Check } from './checks.ts';

export interface Table {
  readonly suspects: readonly Suspect[];
  readonly checks: readonly Check[];
}

export type Answer = 'yes' | 'no' | 'unsure';

/** What is known so far: answers by check, and the causes whose remedy was tried in vain. */
export interface Evidence {
  readonly answers: Readonly<Record<string, Answer>>;
  readonly tried: readonly string[];
}

export type Step =
  | { readonly kind: 'check'; readonly key: string }
  /** Put this cause right, and see whether it was that. */
  | { readonly kind: 'remedy'; readonly key: string }
  | { readonly kind: 'handOver'; readonly to: Level };

export interface Advice {
  readonly step: Step;
  /** Minutes until it is put right, on average, if the advice is followed. */
  readonly minutes: number;
  /** Odds of each cause now, in the order of the table; they add up to 1. */
  readonly odds: readonly { readonly key: string; readonly odds: number }[];
}

/** Ours: minutes that handing over costs: to staff a visit, to a licensed trade an appointment with its way and search. */
export const HAND_OVER_MINUTES: Readonly<Record<'staff' | 'licensed', number>> = { staff: 45, licensed: 90 };

/** Where somebody stands: their level, and by index each check's answer (0 not done, 1 yes, 2 no) and remedies tried. */
export interface Position {
  readonly level: Level;
  readonly answers: readonly number[];
  readonly tried: number;
}

/** How likely a check says yes where this cause is there. */
export const yesOf = (check: Check, cause: string): number =>
  check.causes.includes(cause) ? check.sensitivity : 1 - check.specificity;

/** The exact course over a table, computed as far as it is asked for. */
export class Course {
  private readonly known = new Map<string, { readonly step: Step; readonly minutes: number }>();

  constructor(readonly table: Table) {}

  /** The step that shortens expected minutes most, and those minutes. */
  best(at: Position): { readonly step: Step; readonly minutes: number } {
    const name = `${at.level} ${at.answers.join('')} ${at.tried}`;
    let found = this.known.get(name);
    if (!found) {
      found = this.choose(at);
      this.known.set(name, found);
    }
    return found;
  }

  /** Odds of each suspect at a position; they add up to 1. */
  oddsAt({ answers, tried }: Position): number[] {
    const { suspects, checks } = this.table;
    const weights = suspects.map(({ cause, odds }, k) =>
      tried & (1 << k)
        ? 0
        : checks.reduce((weight, check, c) => {
            if (answers[c] === 0) return weight;
            const yes = yesOf(check, cause.key);
            return weight * (answers[c] === 1 ? yes : 1 - yes);
          }, odds),
    );
    const sum = weights.reduce((total, it) => total + it, 0);
    return sum > 0 ? weights.map((it) => it / sum) : weights;
  }

  private choose(at: Position): { readonly step: Step; readonly minutes: number } {
    const { suspects, checks } = this.table;
    const odds = this.oddsAt(at);
    let best = this.handedOver(at, odds);
    const consider = (step: Step, minutes: number) => {
      if (minutes < best.minutes - 1e-9) best = { step, minutes };
    };
    suspects.forEach(({ cause }, k) => {
      if (odds[k] === 0 || cause.key === OTHER || isBelow(at.level, cause.level)) return;
      const rest = 1 - odds[k]!;
      const after = rest > 1e-12 ? rest * this.best({ ...at, tried: at.tried | (1 << k) }).minutes : 0;
      consider({ kind: 'remedy', key: cause.key }, cause.minutes + after);
    });
    checks.forEach((check, c) => {
      if (at.answers[c] !== 0 || isBelow(at.level, check.level)) return;
      const yes = suspects.reduce((sum, { cause }, k) => sum + odds[k]! * yesOf(check, cause.key), 0);
      const then = (answer: number) => this.best({ ...at, answers: at.answers.with(c, answer) }).minutes;
      consider({ kind: 'check', key: check.key }, check.minutes + yes * then(1) + (1 - yes) * then(2));
    });
    return best;
  }

  /** The next level goes on from here; a licensed trade finds and mends it. */
  private handedOver(at: Position, odds: readonly number[]): { step: Step; minutes: number } {
    if (at.level === 'tenant')
      return {
        step: { kind: 'handOver', to: 'staff' },
        minutes: HAND_OVER_MINUTES.staff + this.best({ ...at, level: 'staff' }).minutes,
      };
    const mending = this.table.suspects.reduce((sum, { cause }, k) => sum + odds[k]! * cause.minutes, 0);
    return { step: { kind: 'handOver', to: 'licensed' }, minutes: HAND_OVER_MINUTES.licensed + mending };
  }
}

/** Where somebody stands who was told nothing. */
export const startOf = ({ checks }: Table, level: Level): Position => ({
  level,
  answers: checks.map(() => 0),
  tried: 0,
});

/**
 * What to do next. A check that was answered with *not sure* says nothing and is not asked again.
 * @param level of whoever is at the machine; nobody is told to do what is above it
 * @throws RangeError where an answer or a try is of something that the table does not have
 */
export function advise(table: Table, level: Level, { answers, tried }: Evidence): Advice {
  for (const key of Object.keys(answers))
    if (!table.checks.some((check) => check.key === key)) throw new RangeError(`no such check here: ${key}`);
  const asked = { ...table, checks: table.checks.filter(({ key }) => answers[key] !== 'unsure') };
  const course = new Course(asked);
  const code = { yes: 1, no: 2, unsure: 0 } as const;
  const at: Position = {
    // A licensed trade looks for itself: the product plans for two levels.
    level: LEVELS.indexOf(level) > LEVELS.indexOf('staff') ? 'staff' : level,
    answers: asked.checks.map(({ key }) => code[answers[key] ?? 'unsure']),
    tried: tried.reduce((mask, key) => {
      const k = table.suspects.findIndex(({ cause }) => cause.key === key);
      if (k === -1) throw new RangeError(`no such cause here: ${key}`);
      return mask | (1 << k);
    }, 0),
  };
  const odds = course.oddsAt(at);
  return { ...course.best(at), odds: table.suspects.map(({ cause: { key } }, k) => ({ key, odds: odds[k]! })) };
}
