/**
 * How often patterns are sorted rightly, and a useless remedy called held, on simulated truth. Run by
 * `npm run bench:sorts`; writes its table of `docs/faults.md`.
 */
import { machineTypes } from '../core/catalogue/machines.ts';
import { suspectsOf } from '../core/faults/causes.ts';
import { patternsOf, THRESHOLDS, type MachineFaults } from '../core/faults/patterns.ts';
import { symptomsOf } from '../core/faults/symptoms.ts';
import { ORDINARY } from '../core/lab/faultTruth.ts';
import { confidenceGap, judgeSorts, sortCases, uselessHeld } from '../core/lab/sorts.ts';
import { SORT_TRUTH } from '../core/lab/sortTruth.ts';
import { seeded } from '../core/statistics/random.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePart } from './page.ts';

const [EACH, MACHINES, SEED] = [sized(1000, 10), sized(20_000, 200), 20_261_128];
const percent = (found: number) => `${(100 * found).toFixed(1)} %`;
const least = (found: number, bar: number) => `${percent(found)} (≥ ${bar}, ${met(100 * found >= bar)})`;
const most = (found: number, bar: number) => `${percent(found)} (≤ ${bar}, ${met(100 * found <= bar)})`;

const coded = sortCases(SORT_TRUTH, EACH, SEED);
const usual = judgeSorts(coded);
const six = judgeSorts(coded.filter(({ faults }) => faults >= 6));
const uncodedCases = sortCases({ ...SORT_TRUTH, coded: 0 }, EACH, SEED);
const uncoded = judgeSorts(uncodedCases);
const twins = judgeSorts(
  sortCases({ ...SORT_TRUTH, coded: 0, oneHousehold: true }, EACH, SEED, ['habit', 'installation']),
);
const gap = Math.max(confidenceGap(coded), confidenceGap(uncodedCases));
const [, usualBase] = THRESHOLDS.coded;
const useless = uselessHeld({ ...ORDINARY, years: 6 }, usualBase!.watch, MACHINES, SEED);

/** Patterns of a large portfolio: faults at random, of causes at random. @returns milliseconds, the median of three */
function timePatterns(machineCount: number, faultCount: number): number {
  const random = seeded(SEED);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const types = [...machineTypes.keys()].filter((type) => symptomsOf(type).length > 0);
  const [DAYS, TODAY] = [1000, 20_000];
  const faults = Array.from({ length: machineCount }, () => [] as MachineFaults['faults'][number][]);
  const kinds = faults.map(() => pick(types));
  for (let i = 0; i < faultCount; i += 1) {
    const at = Math.floor(random() * machineCount);
    const { key: symptom } = pick(symptomsOf(kinds[at]!));
    const { key } = pick(suspectsOf(kinds[at]!, symptom)).cause;
    const day = TODAY - Math.floor(random() * DAYS);
    faults[at]!.push({ id: `fault ${i}`, symptom, day, cause: random() < 0.8 ? key : null });
  }
  const machines = faults.map((its, i): MachineFaults => ({
    id: `machine ${i}`,
    type: kinds[i]!,
    sinceDay: TODAY - DAYS,
    untilDay: TODAY,
    faults: its,
  }));
  const times = [1, 2, 3].map(() => {
    const began = performance.now();
    patternsOf(machines, TODAY);
    return performance.now() - began;
  });
  return times.sort((a, b) => a - b)[1]!;
}
const [PORTFOLIO, FAULTS] = [sized(20_000, 200), sized(5000, 50)];
const took = timePatterns(PORTFOLIO, FAULTS);

writePart('faults.md', 'sorts', [
  `${EACH} machines of each planted sort and twenty times as many of chance, three years, those with three faults`,
  'or more.',
  measuredOn('bench:sorts'),
  '',
  '| cases | how many | commits | right where it commits |',
  '|---|---|---|---|',
  `| seven causes in ten coded | ${usual.cases} | ${least(usual.commits, 65)} | ${least(usual.right, 92)} |`,
  `| of those with six faults or more | ${six.cases} | ${least(six.commits, 80)} | ${least(six.right, 95)} |`,
  `| no cause coded | ${uncoded.cases} | ${least(uncoded.commits, 35)} | ${least(uncoded.right, 90)} |`,
  `| twins: habit or installation, one household, no cause coded | ${twins.cases} | ${most(twins.commits, 20)} | |`,
  '',
  `- A household is named wrongly in ${most(usual.habitWrongly, 0.5)} of other patterns; of habits`,
  `  ${least(usual.habitFound, 50)} are found.`,
  `- Stated confidence is off by at most ${(100 * gap).toFixed(1)} points in any tenth with a hundred cases`,
  `  (≤ 10, ${met(gap <= 0.1)}).`,
  `- A useless remedy at a pattern of chance (${useless.decided} of them, watched and decided upon, looked at monthly`,
  `  for two years or more) is called held in ${most(useless.held, 5)}.`,
  `- Finding what comes back among ${FAULTS} faults of ${PORTFOLIO} machines takes ${took.toFixed(0)} ms, the database`,
  '  and the sentences apart (the whole page: 1 s).',
]);
