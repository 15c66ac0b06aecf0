/** Sittings for tests: tasks of procedures, and a walk through a plan that knows nothing of how it was made. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { systemOf } from '../../core/catalogue/systems.ts';
import type { Choices, Procedure } from '../../core/catalogue/types.ts';
import { sittingOf, type Sitting, type SittingTask } from '../../core/jobs/sitting.ts';
import type { PlannedStep } from '../../core/jobs/plannedStep.ts';

export const taskOf = (procedure: Procedure, id = procedure.key): SittingTask => ({
  id,
  steps: procedure.steps,
  minutes: procedure.minutes,
});

export function sittingFor(type: string, points: readonly string[], choices: Choices = {}, fuel = 'electric'): Sitting {
  return sittingOf(
    systemOf(type, fuel),
    points.map((key, i) => taskOf(procedureOf(key, choices), points.indexOf(key) === i ? key : `${key} again`)),
  );
}

/** Short names of the planned steps: changes in brackets, acts without their machine. */
export const orderOf = (steps: readonly PlannedStep[]): string[] =>
  steps.map(({ key, change }) => (change ? `[${key}]` : key.slice(key.indexOf('.') + 1)));

/** What a variable is where nothing was said of it, known here apart from the plan. */
const USUALLY: Readonly<Record<string, string>> = { mode: 'usual', racks: 'usual', settled: 'yes', heat: 'cool' };
const usually = (variable: string) => USUALLY[variable] ?? 'in';

/**
 * Walks a plan step by step with a machine of its own, and says what is wrong: a hand where it may not be, a run with a
 * part out, a supply shut or the machine moved out, something switched that stood so already, an end unlike the
 * beginning.
 */
export function walk(steps: readonly PlannedStep[], begin: Readonly<Record<string, string>>): string[] {
  const machine: Record<string, string> = { ...begin };
  const wrong: string[] = [];
  for (const { key, act, change } of steps) {
    if (change) {
      if (machine[change.variable] === change.to) wrong.push(`${key}: it is ${change.to} already`);
      if (change.variable === 'place' && (machine.power !== 'off' || machine.gas === 'open') && change.to === 'out')
        wrong.push(`${key}: moved with its supplies on`);
      machine[change.variable] = change.to;
      if (change.variable === 'power' && change.to === 'off') machine.settled = 'no';
      continue;
    }
    if (!act) continue;
    for (const [variable, wanted] of Object.entries(act.wants)) {
      const value = machine[variable] ?? usually(variable);
      if (value !== wanted && !(wanted === 'idle' && value === 'off'))
        wrong.push(`${key}: wants ${variable} ${wanted}, it is ${value}`);
    }
    if (act.hands === 'inside' && machine.power !== 'off' && machine.outdoor !== 'off')
      wrong.push(`${key}: a hand inside with the power ${machine.power}`);
    if (act.hands === 'inside' && machine.heat === 'hot') wrong.push(`${key}: a hand inside what is hot`);
    if (act.run) {
      if (act.hands !== 'outside') wrong.push(`${key}: hands ${act.hands} while it runs`);
      if (machine.power !== 'on') wrong.push(`${key}: runs with the power ${machine.power}`);
      for (const [variable, value] of Object.entries(machine)) {
        if (/^(part|own)\b/.test(variable) && value !== 'in' && !act.but.includes(variable))
          wrong.push(`${key}: runs with ${variable} ${value}`);
      }
      if (machine.tap === 'shut' || machine.gas === 'shut' || machine.place === 'out' || machine.outdoor === 'off')
        wrong.push(`${key}: runs with something shut or moved out`);
      if (machine.racks === 'sealed' && ['short', 'hot', 'pump'].includes(act.run))
        wrong.push(`${key}: wets a sealed rack`);
    }
    Object.assign(machine, act.makes);
  }
  for (const variable of ['power', 'outdoor', 'tap', 'gas', 'place'])
    if (machine[variable] !== begin[variable]) wrong.push(`ends with ${variable} ${machine[variable]}`);
  for (const [variable, value] of Object.entries(machine))
    if (/^(part|own)\b/.test(variable) && value !== 'in') wrong.push(`ends with ${variable} ${value}`);
  if ((machine.mode ?? 'usual') !== 'usual') wrong.push('ends with the thermostat turned');
  const keys = steps.map(({ key }) => key);
  for (const key of keys) if (keys.indexOf(key) !== keys.lastIndexOf(key)) wrong.push(`${key} twice`);
  return wrong;
}

/** Fewest changes, then fewest minutes, by uniform-cost search over single acts: no rows, no shortcuts. */
export function searched({ acts: all, changes, usual }: Sitting): { changes: number; minutes: number } {
  const acts = all.filter(({ when }) => when === null);
  const bit = new Map(acts.map(({ key }, i) => [key, 1n << BigInt(i)]));
  const whole = (1n << BigInt(acts.length)) - 1n;
  interface Node {
    set: bigint;
    machine: Record<string, string>;
    changes: number;
    minutes: number;
    waits: [bigint, number][];
  }
  const keyOf = ({ set, machine, waits }: Node) =>
    `${set} ${Object.entries(machine).sort().join(';')} ${waits.map(([of, left]) => `${of}:${left.toFixed(3)}`).join()}`;
  const cost = ({ changes: count, minutes }: Node) => count * 1e6 + minutes;
  const buckets = new Map<number, Node[]>();
  let open: number[] = [];
  const push = (node: Node) => {
    const at = Math.round(cost(node) * 1000) / 1000;
    const known = buckets.get(at);
    if (known) known.push(node);
    else {
      buckets.set(at, [node]);
      open.push(at);
    }
  };
  const seen = new Set<string>();
  push({ set: 0n, machine: { ...usual }, changes: 0, minutes: 0, waits: [] });
  const value = (machine: Record<string, string>, variable: string) => machine[variable] ?? usually(variable);
  const isIn = (machine: Record<string, string>, but: readonly string[] = []) =>
    Object.entries(machine).every(
      ([variable, it]) => !/^(part|own)\b/.test(variable) || it === 'in' || but.includes(variable),
    );
  while (open.length > 0) {
    const least = Math.min(...open);
    const node = buckets.get(least)!.pop()!;
    if (buckets.get(least)!.length === 0) {
      buckets.delete(least);
      open = open.filter((it) => it !== least);
    }
    const key = keyOf(node);
    if (seen.has(key)) continue;
    seen.add(key);
    const { set, machine } = node;
    const home = ['power', 'outdoor', 'tap', 'gas', 'place'].every((variable) => machine[variable] === usual[variable]);
    if (set === whole && home && isIn(machine) && value(machine, 'mode') === 'usual')
      return { changes: node.changes, minutes: node.minutes };
    for (const change of changes) {
      if (machine[change.variable] === change.to || (change.from !== null && machine[change.variable] !== change.from))
        continue;
      if (Object.entries(change.wants).some(([variable, wanted]) => value(machine, variable) !== wanted)) continue;
      push({
        ...node,
        machine: { ...machine, ...change.makes, [change.variable]: change.to },
        changes: node.changes + 1,
      });
    }
    for (const act of acts) {
      const mine = bit.get(act.key)!;
      if (
        (set & mine) !== 0n ||
        act.after.some((before) => {
          const it = acts.find((one) => one.key === before);
          return it && (set & bit.get(before)!) === 0n;
        })
      )
        continue;
      if (
        Object.entries(act.wants).some(
          ([variable, wanted]) =>
            value(machine, variable) !== wanted && !(wanted === 'idle' && value(machine, variable) === 'off'),
        )
      )
        continue;
      if (act.hands === 'inside' && ((machine.power !== 'off' && machine.outdoor !== 'off') || machine.heat === 'hot'))
        continue;
      if (
        act.run &&
        (machine.power !== 'on' ||
          machine.tap === 'shut' ||
          machine.gas === 'shut' ||
          machine.place === 'out' ||
          machine.outdoor === 'off' ||
          !isIn(machine, act.but))
      )
        continue;
      const idle = Math.max(
        0,
        ...node.waits.filter(([of]) => act.after.some((before) => bit.get(before) === of)).map(([, left]) => left),
      );
      const spent = idle + act.minutes + (act.run ? act.wait : 0);
      const waits = node.waits
        .map(([of, left]): [bigint, number] => [of, left - spent])
        .filter(([, left]) => left > 1e-9);
      if (!act.run && act.wait > 0) waits.push([mine, act.wait]);
      push({
        set: set | mine,
        machine: { ...machine, ...act.makes },
        changes: node.changes,
        minutes: node.minutes + spent,
        waits: waits.sort((a, b) => Number(a[0] - b[0])),
      });
    }
  }
  throw new Error('no way');
}
