/**
 * What is found of faults that come back, on the truth T1, and how often good machines are suspected. Run by
 * `npm run bench:patterns`; writes its table of `docs/faults.md`.
 */
import { ALL_WRONGS, falseAlarms, foundBy, goodLooks, reaches } from '../core/lab/faultPatterns.ts';
import { ORDINARY, type FaultTruth } from '../core/lab/faultTruth.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePart } from './page.ts';

const [GOOD, BAD, SEED] = [sized(20_000, 200), sized(2000, 30), 20_261_126];
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** What is asked, in percent, of the third fault at a watch, the fourth at a watch, the fourth stated. */
const BARS: Readonly<Record<string, Readonly<Record<string, readonly (number | null)[]>>>> = {
  '0.1': { R3: [95, null, null], R6: [95, null, null], R12: [95, null, null], hose: [95, null, null] },
  '0.3': { R6: [80, 93, 78], R12: [90, 93, 90], hose: [93, 93, null] },
  '0.6': { R6: [60, 83, 65], R12: [80, 94, 85], hose: [75, 93, null] },
};
const ASKED = [
  [3, 'watch'],
  [4, 'watch'],
  [4, 'stated'],
] as const;

const TRUTHS: readonly { readonly name: string; readonly of: Partial<FaultTruth>; readonly most: number }[] = [
  { name: 'ordinary frailty, four causes in five coded', of: {}, most: 5 },
  { name: 'ordinary frailty, no cause coded', of: { coded: 0 }, most: 5 },
  { name: 'heavy frailty, four causes in five coded', of: { groupSpread: 1 }, most: 8 },
];

const rows = TRUTHS.flatMap(({ name, of, most }) =>
  [0.1, 0.3, 0.6].map((base) => {
    const truth: FaultTruth = { ...ORDINARY, ...of, base };
    const good = goodLooks(truth, GOOD, SEED);
    const watched = falseAlarms(good, reaches(truth, 'watch'));
    const stated = falseAlarms(good, reaches(truth, 'stated'));
    const found = ALL_WRONGS.map((wrong) =>
      ASKED.map(([faults, level], i) => {
        const share = foundBy(truth, wrong, faults, level, { machines: BAD, seed: SEED + 1 });
        const bar = Object.keys(of).length === 0 ? (BARS[base]?.[wrong]?.[i] ?? null) : null;
        return bar === null ? percent(share) : `${percent(share)} (≥ ${bar}, ${met(share * 100 >= bar)})`;
      }).join(' / '),
    );
    const kept = `${watched.toFixed(1)} (≤ ${most}, ${met(watched <= most)}) / ${stated.toFixed(1)}`;
    return `| ${name} | ${base} | ${kept} | ${found.join(' | ')} |`;
  }),
);

writePart('faults.md', 'patterns', [
  `${GOOD.toLocaleString('en')} good machines and ${BAD.toLocaleString('en')} bad ones of each kind, three years, a`,
  'row.',
  measuredOn('bench:patterns'),
  '',
  `| truth | faults a machine-year | false alarms in 1,000 good machine-years: watched / stated | ${ALL_WRONGS.join(' | ')} |`,
  `|---|---|---|${ALL_WRONGS.map(() => '---').join('|')}|`,
  ...rows,
]);
