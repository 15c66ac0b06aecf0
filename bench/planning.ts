/**
 * How long a sitting takes to plan, since a phone plans again by itself whenever something is found: part of
 * docs/doing-figures.md.
 */
import { machineTypes, procedureOf } from '../core/catalogue/catalogue.ts';
import { systemOf } from '../core/catalogue/systems.ts';
import { planSitting } from '../core/jobs/plan.ts';
import { sittingOf } from '../core/jobs/sitting.ts';
import { median, quantile } from './figures.ts';
import { sized } from './page.ts';

const GOES = sized(15, 1);

/** Whole machines, all their points in one sitting, the median of some goes each; as a row of a table. */
export function planningRow(): string {
  const took = [...machineTypes.values()]
    .map(({ key, points, fuels }) => {
      const sitting = sittingOf(
        systemOf(key, fuels[0]!),
        points.map((point) => ({ id: point, steps: procedureOf(point).steps, minutes: procedureOf(point).minutes })),
      );
      return {
        key,
        points: points.length,
        ms: median(
          Array.from({ length: GOES }, () => {
            const start = performance.now();
            planSitting(sitting);
            return performance.now() - start;
          }),
        ),
      };
    })
    .sort((a, b) => b.ms - a.ms);
  const [slowest] = took;
  const times = took.map(({ ms }) => ms);
  return [
    `| Planning a sitting of a whole machine, ${took.length} types of machine, ${GOES} goes each`,
    `median ${median(times).toFixed(1)} ms, 90 % ${quantile(times, 0.9).toFixed(1)} ms;` +
      ` slowest ${slowest!.key} with ${slowest!.points} points, ${slowest!.ms.toFixed(1)} ms`,
    '|',
  ].join(' | ');
}
