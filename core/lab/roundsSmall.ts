/** Plans small enough that their optimum can be had: 8 to 14 tasks with waits, notice, levels and agents. */
import { WEIGHTS, type Instance, type PlanHome, type Task } from '../rounds/instance.ts';
import { seeded } from '../statistics/random.ts';

const DAYS = 12;
/** The vinegar and the bleach of a handbook, by other names: what must not meet. */
export const CLASHING = ['acid', 'chlorine'] as const;

/** A small instance by a seed; everything in it can be a matter of a day's length. */
export function smallInstance(seed: number): Instance {
  const random = seeded(seed);
  const below = (n: number) => Math.floor(random() * n);
  const branches: string[] = [];
  const homes: PlanHome[] = Array.from({ length: 3 + below(2) }, (_, i) => {
    const propertyId = `p${below(2)}`;
    branches.push(random() < 0.4 ? propertyId : `h${i}`);
    return {
      id: `h${i}`,
      propertyId,
      firstDay: below(4),
      closed: new Set(random() < 0.4 ? [below(DAYS), below(DAYS)] : []),
      unliked: new Set(),
      half: null,
    };
  });
  const tasks: Task[] = Array.from({ length: 8 + below(7) }, (_, i) => {
    const interval = [30, 60, 90][below(3)]!;
    const line = below(DAYS + 2) - 1;
    const wait = random() < 0.25 ? 30 + 10 * below(13) : 0;
    const home = below(homes.length);
    return {
      id: `t${i}`,
      home,
      branch: branches[home]!,
      licensed: random() < 0.2,
      opens: line - Math.floor(interval / 5),
      line,
      interval,
      minutes: 5 + below(21),
      wait,
      finish: wait > 0 ? 5 + below(6) : 0,
      risk: 1 + below(5),
      agent: random() < 0.3 ? CLASHING[below(2)]! : null,
      only: random() < 0.1 ? below(2) : null,
      after: null,
    };
  });
  const weekdays = (minutes: number) => Array.from({ length: DAYS }, (_, day) => (day % 7 < 5 ? minutes : 0));
  return {
    days: DAYS,
    homes,
    tasks,
    workers: [
      { id: 'w0', minutes: weekdays(60 + 10 * below(10)), licensed: true, base: 'p0', properties: null },
      {
        id: 'w1',
        minutes: weekdays(60 + 10 * below(10)),
        licensed: false,
        base: random() < 0.5 ? 'p1' : null,
        properties: null,
      },
    ],
    door: 8,
    between: 15,
    clashes: [[CLASHING[0], CLASHING[1]]],
    weights: WEIGHTS,
  };
}
