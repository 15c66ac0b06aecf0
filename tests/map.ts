/**
 * Which test file runs which source files, and for how long, as `bin/test --record` recorded it. A source file counts
 * where one of its functions runs; loading alone does not count, since nearly every server test loads nearly everything.
 */
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';

const ROOT = resolve(import.meta.dirname, '..');
const MAP_FILE = join(ROOT, 'tests/map.json');

export interface TestMap {
  readonly seconds: Readonly<Record<string, number>>;
  /** Source files; tests name them by their place in this list. */
  readonly sources: readonly string[];
  readonly runs: Readonly<Record<string, readonly number[]>>;
}

export function readMap(): TestMap {
  if (!existsSync(MAP_FILE)) return { seconds: {}, sources: [], runs: {} };
  return JSON.parse(readFileSync(MAP_FILE, 'utf8')) as TestMap;
}

/** Seconds that each test file took when the map was recorded. */
export const recordedSeconds = (): Readonly<Record<string, number>> => readMap().seconds;

/** Files below a folder of the project, by their paths from its root. */
export function filesBelow(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { recursive: true })
    .map((file) => relative(ROOT, join(ROOT, folder, String(file))))
    .sort();
}

/** Files that differ from the last commit, or are new. */
export function changedFiles(): string[] {
  const git = (...words: readonly string[]) =>
    execFileSync('git', words, { cwd: ROOT, encoding: 'utf8' }).split('\n').filter(Boolean);
  return [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
}

/** Test files that run one of these source files, are one of them, or are not in the map yet. */
export function testsOf(changed: readonly string[], tests: readonly string[]): readonly string[] {
  const { sources, runs } = readMap();
  const numbers = new Set(changed.map((file) => sources.indexOf(file)));
  // What runs in the browser is not recorded: every browser test may run it.
  const isWeb = changed.some((file) => file.startsWith('web/'));
  return tests.filter(
    (test) =>
      changed.includes(test) ||
      !runs[test] ||
      runs[test].some((number) => numbers.has(number)) ||
      (isWeb && test.startsWith('tests/web/')),
  );
}

interface Recorded {
  readonly file: string;
  readonly ms: number;
  readonly sources?: readonly string[];
}

/** Keeps what a run has recorded; test files that did not run keep what was known of them. */
export function writeMap(results: readonly Recorded[]): void {
  const before = readMap();
  const runsOf = new Map(
    Object.entries(before.runs).map(([file, numbers]) => [file, numbers.map((i) => before.sources[i]!)]),
  );
  const seconds: Record<string, number> = { ...before.seconds };
  for (const { file, ms, sources } of results) {
    seconds[file] = Math.round(ms / 100) / 10;
    if (sources && file.startsWith('tests/')) runsOf.set(file, [...new Set(sources)]);
  }
  const sources = [...new Set([...runsOf.values()].flat())].sort();
  const numberOf = new Map(sources.map((source, i) => [source, i]));
  const runs = [...runsOf].sort(([a], [b]) => (a < b ? -1 : 1));
  const lines = [
    `"seconds": ${JSON.stringify(seconds)}`,
    `"sources": ${JSON.stringify(sources)}`,
    `"runs": {\n${runs.map(([file, its]) => `${JSON.stringify(file)}: ${JSON.stringify(its.map((it) => numberOf.get(it)))}`).join(',\n')}\n}`,
  ];
  writeFileSync(MAP_FILE, `{\n${lines.join(',\n')}\n}\n`);
}
