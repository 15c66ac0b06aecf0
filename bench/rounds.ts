/**
 * `npm run bench:rounds`: plans against optima (frozen in `bench/roundsOptima.json`), against the truth of plans and its
 * baseline, and by size; written to docs/rounds.md.
 */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import loadHighs from 'highs';
import { roundsTruth } from '../core/lab/rounds.ts';
import { planModel } from '../core/lab/roundsModel.ts';
import { smallInstance } from '../core/lab/roundsSmall.ts';
import { fewestDoors } from '../core/rounds/bound.ts';
import { planFigures } from '../core/rounds/figures.ts';
import { taskCost } from '../core/rounds/instance.ts';
import { brokenRules } from '../core/rounds/rules.ts';
import { findPlan } from '../core/rounds/search.ts';
import { met, percent } from './figures.ts';
import { measuredOn, sized, tableRow, writePart } from './page.ts';

const SMALL = sized(120, 3);
const SMALL_STEPS = 4_000;
const SOLVER_SECONDS = 120;
const HOMES = sized(300, 20);
const STEPS_A_HOME = 120;
const SIZES = [sized(100, 10), sized(1_000, 20), sized(5_000, 30)];
const SIZE_STEPS = sized(4_000, 20);

const highs = await loadHighs();
const optima: { seed: number; tasks: number; optimum: number }[] = [];
const gaps: number[] = [];
for (let seed = 1; optima.length < SMALL; seed += 1) {
  const instance = smallInstance(seed);
  const { text, constant } = planModel(instance);
  const solved = highs.solve(text, { time_limit: SOLVER_SECONDS, mip_rel_gap: 0, mip_abs_gap: 0.5 });
  if (solved.Status !== 'Optimal') continue;
  const optimum = Math.round(solved.ObjectiveValue) + constant;
  optima.push({ seed, tasks: instance.tasks.length, optimum });
  // What is late whatever one does would only make a gap look small.
  const least = instance.tasks.reduce((sum, task) => {
    const first = Math.max(0, task.opens, instance.homes[task.home]!.firstDay);
    return sum + (first > task.line ? taskCost(task, task.line, first, instance.weights) : 0);
  }, 0);
  gaps.push((findPlan(instance, { seed: 1, steps: SMALL_STEPS }).cost - optimum) / (optimum - least));
}
if (SMALL >= 100) writeFileSync(join(import.meta.dirname, 'roundsOptima.json'), `${JSON.stringify(optima, null, 2)}\n`);
const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
const exact = gaps.filter((gap) => gap <= 0).length / gaps.length;
const worst = Math.max(...gaps);

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const loads = [0.75, 0.85, 0.95].map((load) => {
  const { instance, lineDayDoors } = roundsTruth({ homes: HOMES, days: 84, load, staffShare: 1 }, 1);
  const { visits } = findPlan(instance, { seed: 1, steps: HOMES * STEPS_A_HOME });
  const { doors, pastDays, pastRisk, thrown, leftOut, minutes } = planFigures(instance, visits);
  const bound = sum(fewestDoors(instance));
  const fewer = 1 - doors / lineDayDoors;
  const had = sum(instance.workers.flatMap((worker) => worker.minutes));
  return tableRow(
    percent(load),
    percent(minutes / had),
    String(instance.tasks.length),
    `${doors} against ${lineDayDoors}: ${percent(fewer)} fewer (${met(fewer >= 0.6)})`,
    `${(doors / bound).toFixed(3)}${load <= 0.85 ? ` (${met(doors <= bound)})` : ''}`,
    `${pastDays}, ${pastRisk} (${met(pastDays === 0)})`,
    `${percent(thrown)} (${met(thrown <= 0.09)})`,
    String(leftOut.length),
    String(brokenRules(instance, visits).length),
  );
});

const sizes = SIZES.map((homes) => {
  const { instance, lineDayDoors } = roundsTruth({ homes, days: 84, load: 0.8, staffShare: 0.8, lines: 39 }, 1);
  const began = performance.now();
  const { visits } = findPlan(instance, { seed: 1, steps: SIZE_STEPS });
  const seconds = (performance.now() - began) / 1000;
  const { doors, pastRisk } = planFigures(instance, visits);
  return tableRow(
    String(homes),
    String(instance.tasks.length),
    String(instance.workers.length),
    `${seconds.toFixed(1)} s`,
    (doors / sum(fewestDoors(instance))).toFixed(3),
    percent(1 - doors / lineDayDoors),
    String(pastRisk),
  );
});

writePart('rounds.md', 'plans', [
  measuredOn('bench:rounds'),
  '',
  `${SMALL} plans of 8 to 14 tasks with waits, notice, levels, agents and work in hand, ${SMALL_STEPS} steps each, against their optimum`,
  '(the gap is of what can be avoided at all):',
  '',
  tableRow('mean gap (≤ 1 %)', 'worst (≤ 5 %)', 'exactly optimal (≥ 70 %)'),
  '|---|---|---|',
  tableRow(
    `${percent(mean)} (${met(mean <= 0.01)})`,
    `${percent(worst)} (${met(worst <= 0.05)})`,
    `${percent(exact)} (${met(exact >= 0.7)})`,
  ),
  '',
  `The truth of plans, ${HOMES} homes over twelve weeks:`,
  '',
  tableRow(
    'load at the fewest doors',
    'time used',
    'tasks',
    'doors, against each machine on its line day (≥ 60 % fewer)',
    'doors over the bound (≤ 1.00 up to 85 %)',
    'days past, by risk (none)',
    'interval thrown away a task (≤ 9 %)',
    'left out',
    'rules broken',
  ),
  '|---|---|---|---|---|---|---|---|---|',
  ...loads,
  '',
  `By size, twelve weeks, staff with four of five tasks, load 80 %, ${SIZE_STEPS} steps:`,
  '',
  tableRow('homes', 'tasks of staff', 'people', 'time', 'doors over the bound', 'fewer doors', 'risk days past'),
  '|---|---|---|---|---|---|---|',
  ...sizes,
]);
