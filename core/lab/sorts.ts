/** Judging sorts and remedies on simulated truth: how often they commit, how often they are right, whom they blame. */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import { judgeRemedy, ratesIfWrong } from '../faults/remedies.ts';
import { SORTS, sortOf, weigh, type Sort, type Weighed } from '../faults/sorting.ts';
import { suspicions } from '../faults/suspicion.ts';
import { seeded } from '../statistics/random.ts';
import { CAUSE_SHARES, drawMachine, GROUP_SHARES, type FaultTruth } from './faultTruth.ts';
import { drawHistory, type SortTruth } from './sortTruth.ts';

export interface SortCase {
  readonly planted: Weighed;
  readonly faults: number;
  /** The likeliest, and how likely it was said to be. */
  readonly best: Weighed;
  readonly confidence: number;
  /** What may be said to a person. */
  readonly said: Sort | null;
}

/** From which probability a sort counts as said, whatever a person may be told of it. */
const COMMITS = 0.8;

/**
 * Histories with at least three faults, each weighed. @param each machines of every planted sort; of chance, which
 * seldom has three, twenty times as many
 */
export function sortCases(
  truth: SortTruth,
  each: number,
  seed: number,
  planted: readonly Weighed[] = [...SORTS, 'chance'],
) {
  const random = seeded(seed);
  return planted.flatMap((it) =>
    Array.from({ length: it === 'chance' ? each * 20 : each }, () => {
      const history = drawHistory(random, truth, it === 'chance' ? null : it);
      return { it, history };
    })
      .filter(({ history }) => history.faults.length >= 3)
      .map(({ history }): SortCase => {
        const weights = weigh(history);
        const best = ([...SORTS, 'chance'] as const).reduce((a, b) => (weights[b] > weights[a] ? b : a));
        return { planted: it, faults: history.faults.length, best, confidence: weights[best], said: sortOf(weights) };
      }),
  );
}

const share = (all: readonly SortCase[], is: (it: SortCase) => boolean) =>
  all.length === 0 ? 0 : all.filter(is).length / all.length;
const isRight = ({ planted, best }: SortCase) => planted === best;

/** Shares of the cases that commit, and of those that are right. */
export function judgeSorts(cases: readonly SortCase[]) {
  const commits = ({ confidence }: SortCase) => confidence >= COMMITS;
  const blamed = (all: readonly SortCase[]) => share(all, ({ said }) => said === 'habit');
  return {
    cases: cases.length,
    commits: share(cases, commits),
    right: share(cases.filter(commits), isRight),
    habitWrongly: blamed(cases.filter(({ planted }) => planted !== 'habit')),
    habitFound: blamed(cases.filter(({ planted }) => planted === 'habit')),
  };
}

/** How far stated confidence is from what came true, at most, over tenths with enough cases to tell. */
export function confidenceGap(cases: readonly SortCase[], least = 100): number {
  const tenths = Array.from({ length: 10 }, (_, i) =>
    cases.filter(({ confidence }) => confidence >= i / 10 && confidence < (i + 1) / 10 + (i === 9 ? 1 : 0)),
  );
  return Math.max(
    0,
    ...tenths
      .filter((all) => all.length >= least)
      .map((all) => {
        const stated = all.reduce((sum, { confidence }) => sum + confidence, 0) / all.length;
        return Math.abs(stated - share(all, isRight));
      }),
  );
}

const LOOK_EVERY_DAYS = 30;

/**
 * Of good machines whose faults crossed a threshold by chance, the share on which a remedy that does nothing is called
 * held at any monthly look of the years after it.
 */
export function uselessHeld(truth: FaultTruth, threshold: number, machines: number, seed: number) {
  const random = seeded(seed);
  const groups = GROUP_SHARES.map((part) => ({ perYear: truth.base * part, causes: [...CAUSE_SHARES] }));
  let [decided, held] = [0, 0];
  for (let i = 0; i < machines; i += 1) {
    const { faults } = drawMachine(random, truth, null);
    const found = suspicions(groups, faults);
    const at = found.findIndex(({ probability }) => probability >= threshold);
    if (at === -1 || faults[at]!.day > (truth.years - 2) * DAYS_A_YEAR) continue;
    decided += 1;
    const { group, probability } = found[at]!;
    const peersAYear = groups[group]!.perYear;
    const rates = ratesIfWrong(found[at]!, peersAYear, truth.base);
    const begin = faults[at]!.day;
    for (let day = begin + LOOK_EVERY_DAYS; day < truth.years * DAYS_A_YEAR; day += LOOK_EVERY_DAYS) {
      const after = faults.filter((it) => it.group === group && it.day > begin && it.day <= day).length;
      const seen = { faults: after, years: (day - begin) / DAYS_A_YEAR };
      if (judgeRemedy({ chance: 1 - probability, rates, peersAYear }, seen) !== 'held') continue;
      held += 1;
      break;
    }
  }
  return { decided, held: decided === 0 ? 0 : held / decided };
}
