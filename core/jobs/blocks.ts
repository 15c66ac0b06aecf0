/** Blocks: acts in a row that a plan takes together, so that there is less to choose from. */
import type { Act } from './sitting.ts';
import { isSwitch } from '../catalogue/state.ts';

/** Acts in a row that are taken together. */
export interface Block {
  readonly acts: readonly Act[];
  readonly first: Act;
  readonly minutes: number;
  /** Minutes that run while something else may be done. */
  readonly wait: number;
  /** Minutes that the machine is busy. */
  readonly busy: number;
  readonly before: readonly number[];
}

/**
 * Rows of acts of which each has only the one before it before it, is all that the one before leads to, and wants no
 * other state.
 */
export function blocksOf(acts: readonly Act[]): Block[] {
  const byKey = new Map(acts.map((act) => [act.key, act]));
  const ancestors = new Map<string, Set<string>>();
  const above = (act: Act): Set<string> => {
    let known = ancestors.get(act.key);
    if (!known) {
      ancestors.set(act.key, (known = new Set()));
      for (const key of act.after) {
        const before = byKey.get(key);
        if (before) {
          known.add(key);
          for (const it of above(before)) known.add(it);
        }
      }
      if (known.has(act.key)) throw new Error(`catalogue: ${act.key} comes before itself`);
    }
    return known;
  };
  acts.forEach(above);
  // Only what no other step before implies.
  const direct = new Map(
    acts.map((act) => {
      const keys = act.after.filter((key) => byKey.has(key));
      return [
        act.key,
        keys.filter((key) => !keys.some((other) => other !== key && ancestors.get(other)!.has(key))),
      ] as const;
    }),
  );
  const leadsTo = new Map<string, string[]>();
  for (const [key, before] of direct) for (const it of before) leadsTo.set(it, [...(leadsTo.get(it) ?? []), key]);
  const sameState = (a: Act, b: Act) =>
    Object.entries(b.wants).every(([variable, value]) => !isSwitch(variable) || a.wants[variable] === value) &&
    Object.keys(b.wants)
      .filter((it) => !isSwitch(it))
      .every((variable) => variable in a.wants || variable in a.makes);
  const joins = (act: Act): Act | undefined => {
    const [only, more] = direct.get(act.key)!;
    const before = only !== undefined && more === undefined ? byKey.get(only) : undefined;
    return before &&
      leadsTo.get(before.key)!.length === 1 &&
      before.wait === 0 &&
      before.run === null &&
      act.run === null &&
      sameState(before, act)
      ? before
      : undefined;
  };
  const rows: Act[][] = [];
  const rowOf = new Map<string, Act[]>();
  for (const act of topological(acts, ancestors)) {
    const before = joins(act);
    const row = before && rowOf.get(before.key);
    if (row) row.push(act);
    else rows.push([act]);
    rowOf.set(act.key, row ?? rows.at(-1)!);
  }
  const index = new Map(rows.flatMap((row, i) => row.map(({ key }) => [key, i] as const)));
  return rows.map((row, i) => ({
    acts: row,
    first: row[0]!,
    minutes: row.reduce((sum, { minutes }) => sum + minutes, 0),
    wait: row.reduce((sum, { wait, run }) => sum + (run === null ? wait : 0), 0),
    busy: row.reduce((sum, { wait, run }) => sum + (run === null ? 0 : wait), 0),
    before: [...new Set(row.flatMap(({ key }) => direct.get(key)!).map((key) => index.get(key)!))].filter(
      (it) => it !== i,
    ),
  }));
}

const topological = (acts: readonly Act[], ancestors: ReadonlyMap<string, ReadonlySet<string>>): Act[] =>
  [...acts].sort((a, b) => ancestors.get(a.key)!.size - ancestors.get(b.key)!.size);
