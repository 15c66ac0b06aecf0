/**
 * Everything that is checked, from formatting to browser, on two lanes. Called by `bin/test`, which installs what is
 * missing.
 *
 * `bin/test` runs everything. `bin/test server/due core` runs the test files below these folders of `tests/`, or the
 * files named. `bin/test --record` also records which test file runs which source files. `bin/test --changed` runs the
 * test files that, by the recorded map, execute a changed source file.
 */
import { fork, spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { changedFiles, filesBelow, recordedSeconds, testsOf, writeMap } from '../tests/map.ts';
import type { FileResult } from '../tests/lane.ts';

const ROOT = resolve(import.meta.dirname, '..');
const LANES = Number(process.env.DEWLINE_LANES ?? 2);
const SLOWEST = 10;
const FEW = 8;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    changed: { type: 'boolean', default: false },
    record: { type: 'boolean', default: false },
    figures: { type: 'string' },
  },
});

/** A piece of work for one lane: a command of its own, or a file for a lane's process. */
interface Work {
  readonly name: string;
  readonly command?: readonly string[];
  /** Names of the work that must be done before. */
  readonly after?: readonly string[];
}

const npm = (script: string, ...args: readonly string[]): Work => ({
  name: script,
  command: ['npm', 'run', '--silent', script, ...args],
});

/** Every benchmark that has a script of its own, by its file. */
function benchmarks(): string[] {
  const { scripts } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as {
    scripts: Readonly<Record<string, string>>;
  };
  return Object.entries(scripts)
    .filter(([name]) => /^bench(:|$)/.test(name) && name !== 'bench:all')
    .map(([, command]) => /bench\/\w+\.ts/.exec(command)![0]);
}

/** Files that run in a lane, the longest first, so that no lane is left with a long one at the end. */
function filesOf(): readonly string[] {
  const all = filesBelow('tests').filter((file) => file.endsWith('.test.ts'));
  if (values.changed) return testsOf(changedFiles(), all);
  if (positionals.length === 0) return [...all, ...benchmarks()];
  return positionals.flatMap((named) => {
    const found = all.filter(
      (file) => file === named || file.startsWith(`tests/${named}`) || file.startsWith(`${named}/`),
    );
    if (found.length === 0) throw new Error(`No test file is below ${named}.`);
    return found;
  });
}

const files = filesOf();
const isWhole = !values.changed && positionals.length === 0;
const needsWeb = files.some((file) => file.startsWith('tests/web/') || file === 'bench/bench.ts');
const seconds = recordedSeconds();
const BUILD: Work = { ...npm('build', '--', '--logLevel', 'error') };
const queue: Work[] = [
  ...(needsWeb ? [BUILD] : []),
  ...(isWhole ? ['types', 'lint', 'format:check'].map((script) => npm(script)) : []),
  ...[...files]
    .sort((a, b) => (seconds[b] ?? 30) - (seconds[a] ?? 30))
    .map((file) => ({ name: file, ...(/^(tests\/web|bench)\//.test(file) && needsWeb && { after: ['build'] }) })),
];

const results: FileResult[] = [];
const done = new Set<string>();

/** Takes the first piece of work that nothing holds back. */
function take(): Work | undefined {
  const at = queue.findIndex(({ after = [] }) => after.every((name) => done.has(name)));
  return at < 0 ? undefined : queue.splice(at, 1)[0];
}

function report(result: FileResult): void {
  results.push(result);
  done.add(result.file);
  const { file, passed, failed, ms, output } = result;
  console.log(`— ${file}: ${passed} passed, ${failed} failed, ${(ms / 1000).toFixed(1)} s`);
  if (failed > 0 || !isWhole) console.log(output);
}

function runCommand({ name, command }: Work): Promise<FileResult> {
  const began = Date.now();
  return new Promise((ended) => {
    const [program, ...args] = command!;
    const child = spawn(program!, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    const said: string[] = [];
    child.stdout.on('data', (part) => said.push(String(part)));
    child.stderr.on('data', (part) => said.push(String(part)));
    child.once('close', (code) =>
      ended({
        file: name,
        passed: code === 0 ? 1 : 0,
        failed: code === 0 ? 0 : 1,
        output: said.join(''),
        ms: Date.now() - began,
      }),
    );
  });
}

const laneProcess = (): ChildProcess =>
  fork(join(ROOT, 'tests/lane.ts'), {
    cwd: ROOT,
    execArgv: ['--import', 'tsx', '--expose-gc'],
    env: {
      ...process.env,
      // Stack traces are mapped to lines where few files run.
      DEWLINE_LINES: files.length > FEW ? 'no' : 'yes',
      ...(values.record && { DEWLINE_RECORD: '1' }),
    },
  });

/** Hands a file to the lane's process; a process that ends on the way has failed that file. */
function runFile(child: ChildProcess, { name }: Work): Promise<FileResult> {
  const began = Date.now();
  return new Promise((ended) => {
    const gone = () =>
      ended({ file: name, passed: 0, failed: 1, output: 'The test process ended.\n', ms: Date.now() - began });
    child.once('exit', gone);
    child.once('message', (result) => {
      child.off('exit', gone);
      ended(result as FileResult);
    });
    child.send(name);
  });
}

async function lane(): Promise<void> {
  let child: ChildProcess | undefined;
  for (let work = take(); work ?? queue.length > 0; work = take()) {
    // What is left waits for work that the other lane is at.
    if (!work) {
      await new Promise((later) => setTimeout(later, 200));
      continue;
    }
    if (work.command) report(await runCommand(work));
    else {
      if (!child?.connected) child = laneProcess();
      report(await runFile(child, work));
    }
  }
  if (child?.connected) {
    const ended = new Promise((end) => child!.once('exit', end));
    child.disconnect();
    await ended;
  }
}

const began = Date.now();
await Promise.all(Array.from({ length: LANES }, lane));

const total = (Date.now() - began) / 1000;
const slowest = [...results].sort((a, b) => b.ms - a.ms).slice(0, SLOWEST);
console.log(`\n${SLOWEST} slowest:`);
for (const { file, ms } of slowest) console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${file}`);
console.log(`Total time ${Math.floor(total / 60)} min ${Math.round(total % 60)} s.`);
const sum = (count: (result: FileResult) => number) => results.reduce((whole, result) => whole + count(result), 0);
const counts = { passed: sum(({ passed }) => passed), failed: sum(({ failed }) => failed) };
// What `npm run house` writes about the last whole run.
const figures = values.figures ?? (isWhole ? join(ROOT, 'data/last-run.json') : undefined);
if (figures) {
  mkdirSync(dirname(figures), { recursive: true });
  const files = Object.fromEntries(results.map(({ file, ms }) => [file, ms / 1000]));
  writeFileSync(figures, JSON.stringify({ ...counts, seconds: total, files }));
}
if (values.record) writeMap(results);
console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed === 0 && counts.passed > 0 ? 0 : 1);
