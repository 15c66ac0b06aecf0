/** Sittings: which tasks of one system are worth doing together, and the acts that their steps come to. */
import type { Day } from '../calendar/day.ts';
import { joins } from '../due/riders.ts';
import { OWN, type Finding, type Hands, type Run, type State, type Step } from '../catalogue/types.ts';
import type { Change, System } from '../catalogue/systems.ts';
import { BEFORE, SCORE } from '../catalogue/tradeOrder.ts';

export interface Candidate {
  readonly pointId: string;
  /** Share of interval used; undefined without a record. */
  readonly share: number | undefined;
  readonly lineDay: Day | null;
}

/**
 * The other points of a machine that join a sitting, most used first. @param nextSitting when the machine is expected
 * to be opened again
 */
export function rideAlong(others: readonly Candidate[], nextSitting: Day): Candidate[] {
  return others.filter((it) => joins(it, nextSitting)).sort((a, b) => (b.share ?? 1) - (a.share ?? 1));
}

/** One service of one point, as its procedure is in force there. */
export interface SittingTask {
  readonly id: string;
  readonly steps: readonly Step[];
  /** Hands-on minutes of all its steps. */
  readonly minutes: number;
}

/** A step, or an act that serves several tasks at once. Plain data: it goes to the phone as it is. */
export interface Act {
  /** Unique in the sitting. */
  readonly key: string;
  /** The steps that it does, one a task, in the order of the tasks. */
  readonly of: readonly { readonly task: string; readonly text: string }[];
  readonly wants: State;
  readonly makes: State;
  readonly run: Run | null;
  readonly but: readonly string[];
  readonly hands: Hands;
  readonly when: Finding | null;
  readonly poweredWhen: Finding | null;
  /** Minutes hands-on. */
  readonly minutes: number;
  /** Minutes that nobody stands beside. */
  readonly wait: number;
  /** Keys of acts that come before it. */
  readonly after: readonly string[];
  /** Its place where the trade does a whole machine. */
  readonly rank: number;
}

/** What is planned: acts, and what can be switched between them. */
export interface Sitting {
  readonly acts: readonly Act[];
  readonly changes: readonly Change[];
  readonly usual: State;
  readonly offMinutes: number | null;
}

/** The acts of several tasks on one system. The same procedure may come twice: its parts are kept apart. */
export function sittingOf(system: System, tasks: readonly SittingTask[]): Sitting {
  const acts = new Map<string, Mutable<Act>>();
  for (const [place, task] of tasks.entries()) {
    const chain: { key: string; always: boolean }[] = [];
    task.steps.forEach((step, i) => {
      const one = actOf(task, step);
      const key = step.act ?? unusedKey(acts, step.text);
      const known = acts.get(key);
      acts.set(key, known ? merged(known, one) : { ...one, key, rank: rankOf(step, place, i) });
      const before = chain.slice(chain.findLastIndex(({ always }) => always)).map((it) => it.key);
      acts.get(key)!.after = [...new Set([...acts.get(key)!.after, ...(chain.length > 0 ? before : [])])];
      chain.push({ key, always: step.when === undefined });
    });
  }
  const list = [...acts.values()];
  const named = (name: string) => list.filter(({ key, of }) => key === name || of.some(({ text }) => text === name));
  for (const [first, then] of BEFORE) {
    for (const later of named(then))
      later.after = [...new Set([...later.after, ...named(first).map(({ key }) => key)])].filter(
        (key) => key !== later.key,
      );
  }
  return { acts: list, changes: system.changes, usual: system.usual, offMinutes: system.offMinutes };
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** A second step of the same words belongs to a second part of the kind. */
function unusedKey(acts: ReadonlyMap<string, unknown>, text: string): string {
  for (let n = 1; ; n += 1) {
    const key = n === 1 ? text : `${text}@${n}`;
    if (!acts.has(key)) return key;
  }
}

function actOf(task: SittingTask, step: Step): Mutable<Omit<Act, 'key' | 'rank'>> {
  const named = (variable: string) => (variable === OWN ? `${OWN}.${task.id}` : variable);
  const owned = (state: State): State =>
    Object.fromEntries(Object.entries(state).map(([variable, value]) => [named(variable), value]));
  return {
    of: [{ task: task.id, text: step.text }],
    wants: owned(step.wants ?? {}),
    makes: owned(step.makes ?? {}),
    run: step.run ?? null,
    but: (step.but ?? []).map(named),
    hands: handsOf(step),
    when: step.when ?? null,
    poweredWhen: step.poweredWhen ?? null,
    minutes: task.minutes / task.steps.length,
    wait: step.needs.reduce((sum, need) => sum + (need.kind === 'timer' ? need.minutes : 0), 0),
    after: [],
  };
}

/** Where nothing is said: inside what is isolated for it, in the opening of what stands still, outside what runs. */
function handsOf({ hands, wants, run, phase }: Step): Hands {
  if (hands) return hands;
  if (run) return 'outside';
  if (wants?.power === 'off' || wants?.outdoor === 'off') return 'inside';
  return phase === 'test' || phase === 'restore' ? 'outside' : 'opening';
}

function merged(known: Mutable<Act>, one: Mutable<Omit<Act, 'key' | 'rank'>>): Mutable<Act> {
  for (const [variable, wanted] of Object.entries(one.wants)) {
    if ((known.wants[variable] ?? wanted) !== wanted)
      throw new Error(`catalogue: ${known.key} wants ${variable} both ${known.wants[variable]} and ${wanted}`);
  }
  return {
    ...known,
    of: [...known.of, ...one.of],
    wants: { ...known.wants, ...one.wants },
    makes: { ...known.makes, ...one.makes },
    but: [...new Set([...known.but, ...one.but])],
    when: known.when === one.when ? known.when : null,
    poweredWhen: known.poweredWhen === one.poweredWhen ? known.poweredWhen : null,
    minutes: Math.max(known.minutes, one.minutes),
    wait: Math.max(known.wait, one.wait),
  };
}

const places = new Map(SCORE.map((name, i) => [name, i]));

/**
 * Its place in the trade's score: by act, by text, by procedure; else after what is known, in the order of the tasks.
 */
function rankOf({ act, text }: Step, task: number, index: number): number {
  const place =
    (act === undefined ? undefined : places.get(act)) ??
    places.get(text) ??
    places.get(text.slice(0, text.lastIndexOf('.')));
  return (place ?? SCORE.length + task) * 1000 + task * 40 + index;
}
