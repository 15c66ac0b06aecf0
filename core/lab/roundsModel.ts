/**
 * A plan of rounds as a mixed integer programme in the LP format, for a solver to find its optimum. It is written from
 * what a plan is (`core/rounds/instance.ts`, `day.ts`), not from how one is searched for. Without later services of one
 * part.
 */
import { leftOutCost, taskCost, type Instance } from '../rounds/instance.ts';

/** Larger than any day. */
const BIG = 2000;

/** The programme; its optimum is the cost of the best plan less `constant`. */
export function planModel({ days, workers, homes, tasks, door, between, clashes, weights }: Instance) {
  const objective: string[] = [];
  const rows: string[] = [];
  const binary: string[] = [];
  const sum = (terms: readonly string[]) => (terms.length === 0 ? '0 zero' : terms.join(' '));
  const x = (t: number, w: number, d: number) => `x_${t}_${w}_${d}`;
  const allowed = (t: number, w: number, d: number): boolean => {
    const { home, licensed, opens, only } = tasks[t]!;
    const { closed, firstDay } = homes[home]!;
    const may = (!licensed || workers[w]!.licensed) && (only === null || only === w);
    return may && workers[w]!.minutes[d]! > 0 && d >= opens && d >= firstDay && !closed.has(d);
  };
  const spots = (t: number): [number, number][] =>
    workers.flatMap((_, w) =>
      Array.from({ length: days }, (_, d): [number, number] => [w, d]).filter(([, d]) => allowed(t, w, d)),
    );
  let constant = 0;
  tasks.forEach((task, t) => {
    const out = leftOutCost(task, task.line, days, weights);
    constant += out;
    for (const [w, d] of spots(t)) {
      binary.push(x(t, w, d));
      objective.push(`+ ${taskCost(task, task.line, d, weights) - out} ${x(t, w, d)}`.replace('+ -', '- '));
    }
    rows.push(`${sum(spots(t).map(([w, d]) => `+ ${x(t, w, d)}`))} <= 1`);
  });
  const properties = [...new Set(homes.map(({ propertyId }) => propertyId))];
  workers.forEach((worker, w) => {
    for (let d = 0; d < days; d += 1) {
      if (worker.minutes[d] === 0) continue;
      const slot = `${w}_${d}`;
      const m = `m_${slot}`;
      const way = properties.filter((id) => id !== worker.base).map((id) => `- ${between} p_${slot}_${id}`);
      for (const id of properties) binary.push(`p_${slot}_${id}`);
      const [work, span]: [string[], string[]] = [[], []];
      homes.forEach(({ propertyId }, h) => {
        const its = tasks.flatMap((task, t) => (task.home === h && allowed(t, w, d) ? [{ task, t }] : []));
        if (its.length === 0) return;
        const [y, r, i, q] = [`y_${slot}_${h}`, `r_${slot}_${h}`, `i_${slot}_${h}`, `q_${slot}_${h}`];
        binary.push(y, r);
        objective.push(
          `+ ${weights.door + (homes[h]!.unliked.has(d) ? weights.unliked : 0)} ${y}`,
          `+ ${weights.door} ${r}`,
        );
        const hands = its.map(({ task, t }) => `- ${task.minutes + task.finish} ${x(t, w, d)}`);
        for (const { t } of its) rows.push(`${x(t, w, d)} - ${y} <= 0`);
        rows.push(`${r} - ${y} <= 0`, `p_${slot}_${propertyId} - ${y} >= 0`);
        const others = its.filter(({ task }) => task.wait === 0);
        const filled = others.map(({ task, t }) => `+ ${task.minutes + task.finish} ${x(t, w, d)}`);
        for (const { task, t } of its) {
          if (task.wait === 0) continue;
          // Waited for in the home, unless it is gone back to.
          rows.push(`${i} ${filled.join(' ')} + ${BIG} ${r} - ${task.wait} ${x(t, w, d)} >= 0`);
          rows.push(`l_${slot} - ${BIG} ${r} - ${BIG} ${x(t, w, d)} >= ${task.wait - 2 * BIG}`);
        }
        work.push(`- ${door} ${y}`, ...hands, `- ${i}`, `- ${door} ${r}`);
        rows.push(`${q} ${hands.join(' ')} - ${BIG} ${r} >= ${-BIG}`);
        span.push(`- ${2 * door} ${r}`, `- ${q}`);
        // It is gone back to only where the whole day is spent in one property.
        for (const id of properties) if (id !== propertyId) rows.push(`${r} + p_${slot}_${id} <= 1`);
      });
      rows.push(`${m} ${[...work, ...way].join(' ')} >= 0`);
      rows.push(`${m} ${[...span, ...way].join(' ')} - l_${slot} >= 0`);
      rows.push(`${m} <= ${worker.minutes[d]!}`);
      objective.push(`+ ${m}`);
    }
    const had = worker.minutes.reduce((total, of) => total + of, 0);
    const used = worker.minutes.flatMap((of, d) => (of > 0 ? [`- 100 m_${w}_${d}`] : []));
    if (had > 0) rows.push(`${had} z ${used.join(' ')} >= ${1 - had}`);
  });
  objective.push(`+ ${weights.uneven} z`);
  tasks.forEach((a, t) =>
    tasks.forEach((b, u) => {
      const meet = clashes.some(([one, other]) => one === a.agent && other === b.agent);
      if (!meet || a.branch !== b.branch) return;
      for (let d = 0; d < days; d += 1) {
        const both = [t, u].flatMap((it) => spots(it).flatMap(([w, on]) => (on === d ? [`+ ${x(it, w, d)}`] : [])));
        if (both.length > 0) rows.push(`${both.join(' ')} <= 1`);
      }
    }),
  );
  const lines = (terms: readonly string[]) => terms.join('\n ');
  const text = `Minimize\n obj: ${lines(objective)}\nSubject To\n ${lines(rows.map((row, i) => `c${i}: ${row}`))}
Bounds\n z >= 0\n zero = 0\nBinary\n ${lines(binary)}\nGeneral\n z\nEnd\n`;
  return { text, constant };
}
