/**
 * How asking by what was learned fares on the truths of answering (T3). Run by `npm run bench:asking`; writes its table
 * of `docs/rounds.md`.
 */
import { meanOfKnown } from '../core/statistics/mean.ts';
import { judgeAsking } from '../core/lab/answering.ts';
import { met, percent } from './figures.ts';
import { measuredOn, sized, tableRow, writePart } from './page.ts';

const [HOUSEHOLDS, JOBS, SEEDS] = [sized(2000, 60), 14, sized(4, 1)];

const measured = [false, true].map((heavy) => {
  const all = Array.from({ length: SEEDS }, (_, i) =>
    judgeAsking({ households: HOUSEHOLDS, jobs: JOBS, heavy }, 21 + i),
  );
  const of = (value: (it: (typeof all)[number]) => number) => meanOfKnown(all.map(value))!;
  const fifths = [0, 1, 2, 3, 4].map((i) => of((it) => it.fifths[i]!));
  const bound = heavy ? 0.1 : 0.08;
  const [line, messages, early, silent, wrong] = [
    of((it) => it.met),
    of((it) => it.messagesAJob),
    of((it) => it.earlinessRatio),
    of((it) => it.silentFound),
    of((it) => it.wronglyGiven),
  ];
  const row = tableRow(
    heavy ? 'Student’s, 4 degrees' : 'lognormal',
    `${percent(line)} (${met(Math.abs(line - 0.8) <= 0.03)})`,
    `${fifths.map(percent).join(', ')} (${met(fifths.every((it) => Math.abs(it - 0.8) <= bound))})`,
    [0, 1, 2, 3, 4].map((i) => percent(of((it) => it.fixedFifths[i]!))).join(', '),
    `${messages.toFixed(2)} (${met(messages <= 1.35)})`,
    `${early.toFixed(2)} (${met(early <= 1.1)})`,
    `${percent(silent)} (${met(silent >= 0.9)})`,
    `${percent(wrong)} (${met(wrong <= 0.02)})`,
  );
  const fit = all[0]!.doesNotFit.map(({ interval }, i) => [interval, of((it) => it.doesNotFit[i]!.share)] as const);
  return {
    row,
    fit: tableRow(heavy ? 'Student’s, 4 degrees' : 'lognormal', ...fit.map(([, share]) => percent(share))),
    intervals: fit,
  };
});

writePart('rounds.md', 'asking', [
  `${SEEDS} portfolios of ${HOUSEHOLDS.toLocaleString('en')} households, ${JOBS} jobs each; judged from the sixth job on.`,
  measuredOn('bench:asking'),
  '',
  tableRow(
    'days from asked to done',
    'line met (80 ± 3 %)',
    'by fifth of speed, quick to slow (80 ± 8 %; ± 10 under the second truth)',
    'with one lead of 16 days for all',
    'messages a job (≤ 1.35)',
    'days early, over the fixed lead’s (≤ 1.10)',
    'never answer: with staff after three (≥ 90 %)',
    'answer: ever given to staff (≤ 2 %)',
  ),
  '|---|---|---|---|---|---|---|---|',
  ...measured.map(({ row }) => row),
  '',
  'Leads that are longer than the window, by interval:',
  '',
  tableRow('', ...measured[0]!.intervals.map(([interval]) => `${interval} days`)),
  '|---|---|---|---|---|---|',
  ...measured.map(({ fit }) => fit),
]);
