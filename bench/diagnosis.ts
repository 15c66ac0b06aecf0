/**
 * How many minutes the exact course saves beside two careful people, on tables that are not what it believed. Run by
 * `npm run bench:diagnosis`; writes its table of `docs/diagnosis.md`.
 */
import { machineTypes } from '../core/catalogue/machines.ts';
import { coreText } from '../core/en.ts';
import { symptomsOf } from '../core/faults/symptoms.ts';
import { isFindable, tableOf } from '../core/faults/table.ts';
import { exact, expectedMinutes, ownCheckFirst, perturbed, remediesInOrder } from '../core/lab/diagnosis.ts';
import { seeded } from '../core/statistics/random.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePart } from './page.ts';

const [DRAWS, SEED] = [sized(500, 2), 20_261_127];
const MOST_CAUSES = 6;
const WORST = 1.02;

/** One table a symptom, of the machine type that names its family; only those with two causes or more. */
const tables = [...machineTypes.values()]
  .filter(({ key, family }) => key === family)
  .flatMap(({ key: type }) =>
    symptomsOf(type)
      .filter(({ key }) => isFindable(type, key))
      .map(({ key }) => ({
        says: `${coreText[`symptom.${key}` as 'symptom.dryer.damp']} (${type})`,
        table: tableOf(type, key),
      })),
  )
  .filter(({ table: { suspects } }) => suspects.length > 2);

const rows = tables.map(({ says, table }) => {
  const policies = [exact(table), remediesInOrder(table), ownCheckFirst(table)];
  const random = seeded(SEED);
  const sums = policies.map(() => 0);
  for (let i = 0; i < DRAWS; i += 1) {
    const truth = perturbed(table, random);
    policies.forEach((policy, k) => (sums[k]! += expectedMinutes(truth, policy, 'staff')));
  }
  const [ours, a, b] = sums.map((sum) => sum / DRAWS);
  return { says, causes: table.suspects.length - 1, checks: table.checks.length, ours: ours!, a: a!, b: b! };
});

type Row = (typeof rows)[number];
const sum = (all: readonly Row[], of: 'ours' | 'a' | 'b') => all.reduce((total, row) => total + row[of], 0);
const saved = (all: readonly Row[], beside: 'a' | 'b') => 100 * (1 - sum(all, 'ours') / sum(all, beside));
const most = [...rows].sort((x, y) => y.causes - x.causes).slice(0, MOST_CAUSES);
const worst = Math.max(...rows.map(({ ours, a, b }) => ours / Math.min(a, b)));
const bar = (found: number, least: number) => `${found.toFixed(1)} % (≥ ${least}, ${met(found >= least)})`;

writePart('diagnosis.md', 'minutes', [
  `${DRAWS} draws a symptom, staff at the machine: odds up to twice or half as high, sensitivities and specificities`,
  'better or worse by up to 0.15.',
  measuredOn('bench:diagnosis'),
  '',
  '| fewer expected minutes than | list A, remedies in order | list B, own check first |',
  '|---|---|---|',
  `| all ${rows.length} symptoms with two causes or more | ${bar(saved(rows, 'a'), 18)} | ${bar(saved(rows, 'b'), 12)} |`,
  `| the six with most causes | ${bar(saved(most, 'a'), 22)} | ${bar(saved(most, 'b'), 15)} |`,
  '',
  `Worst symptom: ${worst.toFixed(3)} times the better list (≤ ${WORST}, ${met(worst <= WORST)}).`,
  '',
  '| symptom | causes | checks | exact course, minutes | list A | list B |',
  '|---|---|---|---|---|---|',
  ...rows.map(
    ({ says, causes, checks, ours, a, b }) =>
      `| ${says} | ${causes} | ${checks} | ${ours.toFixed(0)} | ${a.toFixed(0)} | ${b.toFixed(0)} |`,
  ),
]);
