/**
 * Whether the effect of being past the line on faults is told truly, on the truth T2. Run by
 * `npm run bench:upkeepEffect`; writes its table of `docs/faults.md`.
 */
import { judgeEffect } from '../core/lab/upkeepFaults.ts';
import { met } from './figures.ts';
import { measuredOn, sized, tableRow, writePart } from './page.ts';

const [PORTFOLIOS, MACHINES, SEED] = [sized(500, 3), sized(1000, 300), 5];
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

const rows = [60, 90, 180, 365].flatMap((interval) =>
  [0, 0.5].map((correlation) => {
    const truth = { interval, correlation, base: 0.3, machines: MACHINES, years: 2 };
    const none = judgeEffect({ ...truth, ratio: 1 }, PORTFOLIOS, SEED);
    const twice = judgeEffect({ ...truth, ratio: 2 }, PORTFOLIOS, SEED);
    const covers = [none, twice].map((it) => it.covers);
    const bias = [none, twice].map((it) => it.bias);
    const cells = [
      `${covers.map(percent).join(' / ')} (${met(covers.every((it) => it >= 0.91 && it <= 0.98))})`,
      `${percent(none.claims)} (${met(none.claims <= 0.07)})`,
      `${bias.map(percent).join(' / ')} (${met(bias.every((it) => Math.abs(it) <= 0.04))})`,
    ];
    return tableRow(String(interval), String(correlation), ...cells);
  }),
);

writePart('faults.md', 'upkeep', [
  `${PORTFOLIOS} portfolios of ${MACHINES.toLocaleString('en')} machines over two years each, at true ratios 1 and 2.`,
  measuredOn('bench:upkeepEffect'),
  '',
  tableRow(
    'interval, days',
    'lateness and frailty correlated',
    '95 % interval covers (91 to 98 %) at 1 / 2',
    'ratio 1 claimed (≤ 7 %)',
    'mean bias (≤ 4 %) at 1 / 2',
  ),
  '|---|---|---|---|---|',
  ...rows,
]);
