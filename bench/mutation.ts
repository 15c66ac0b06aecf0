/**
 * `npm run mutation`: small mistakes put into the core one at a time, and whether its tests notice; a sample from a
 * fixed seed, written to docs/mutation.md. `npm run mutation -- core/due/line.ts` takes every mutant of the files
 * named, and writes nothing.
 */
import { existsSync, readFileSync } from 'node:fs';
import { Stryker } from '@stryker-mutator/core';
import { met } from './figures.ts';
import { ONE_IN } from './mutationSample.ts';
import { measuredOn, writePage } from './page.ts';

/** Of some 9,700 mutants about 600, a fifth of them in code that runs once at load. */
const SAMPLE_ONE_IN = 16;
const BAR = 85;
/** Words, drawings and procedures are data: what they say is held against the handbook's tables, not by thresholds. */
const DATA = ['core/**/en.ts', 'core/catalogue/en/**', 'core/catalogue/procedures/**', 'core/catalogue/parts.ts'];
/** Why a mutant may live, by `file mutator: replacement`. */
const REASONS = 'bench/mutationReasons.json';

const named = process.argv.slice(2);
process.env[ONE_IN] = String(named.length > 0 ? 1 : SAMPLE_ONE_IN);

const results = await new Stryker({
  testRunner: 'mocha',
  testRunnerNodeArgs: ['--import', 'tsx'],
  checkers: ['sample'],
  checkerNodeArgs: ['--import', 'tsx'],
  plugins: ['@stryker-mutator/mocha-runner', './bench/mutationSample.ts'],
  mochaOptions: { spec: ['tests/core/*.test.ts'], config: '.mocharc.json' },
  coverageAnalysis: 'perTest',
  // What runs once at load would want the whole suite for each mutant: tables, mostly, which others hold by their rows.
  ignoreStatic: true,
  concurrency: 3,
  timeoutMS: 15_000,
  dryRunTimeoutMinutes: 30,
  mutate: named.length > 0 ? named : ['core/**/*.ts', ...DATA.map((it) => `!${it}`)],
  disableTypeChecks: 'core/**/*.ts',
  reporters: ['progress-append-only'],
}).runMutationTest();

type Result = (typeof results)[number];
const sample = results.filter(({ status }) => status !== 'CompileError' && status !== 'Ignored');
const killed = sample.filter(({ status }) => status === 'Killed' || status === 'Timeout');
const lived = sample.filter((it) => !killed.includes(it));
const score = (killed.length / sample.length) * 100;

const fileOf = ({ fileName }: Result) => fileName.slice(fileName.lastIndexOf('core/'));
const lineOf = ({ location }: Result) => location.start.line;
const oneLine = (text: string) => text.replace(/\s+/g, ' ').replaceAll('|', '\\|').slice(0, 90);
function wasOf({ fileName, location: { start, end } }: Result): string {
  const lines = readFileSync(fileName, 'utf8')
    .split('\n')
    .slice(start.line - 1, end.line);
  lines[lines.length - 1] = lines.at(-1)!.slice(0, end.column - 1);
  lines[0] = lines[0]!.slice(start.column - 1);
  return lines.join(' ');
}
const reasons: Readonly<Record<string, string>> = existsSync(REASONS) ? JSON.parse(readFileSync(REASONS, 'utf8')) : {};
const keyOf = (it: Result) => `${fileOf(it)} ${it.mutatorName}: ${oneLine(wasOf(it))} → ${oneLine(it.replacement)}`;

for (const it of lived) console.log(`${fileOf(it)}:${lineOf(it)} ${keyOf(it)}`);
console.log(`${killed.length} of ${sample.length} killed, ${score.toFixed(1)} %`);

const out = killed.filter(({ status }) => status === 'Timeout').length;
const rows = lived.map((it) => {
  const cells = [`${fileOf(it)}:${lineOf(it)}`, oneLine(wasOf(it)), oneLine(it.replacement)].map(
    (cell) => `\`${cell}\``,
  );
  return `| ${[...cells, reasons[keyOf(it)] ?? 'not pinned yet'].join(' | ')} |`;
});
const PAGE = [
  '# Small mistakes, and whether the tests notice',
  '',
  `${measuredOn('mutation')} One in ${SAMPLE_ONE_IN} of the ${results.length.toLocaleString('en')} mutants of`,
  '`core/`, drawn by a fixed seed; words, drawings and procedures, which are data, aside, and what runs once at load',
  '(tables, mostly), since each would want the whole suite. Each is one small mistake put into the code: a comparison',
  'turned, a bound moved, a condition dropped.',
  '',
  '| what | measured | bar | |',
  '|---|---|---|---|',
  `| Killed by \`tests/core\`, before anything is set aside | ${score.toFixed(1)} % (${killed.length} of ${sample.length},` +
    ` ${out} of them by never ending) | ≥ ${BAR} % | ${met(score >= BAR)} |`,
  '',
  '## Those that live',
  '',
  '| where | was | became | why it may |',
  '|---|---|---|---|',
  ...rows,
  '',
];
if (named.length === 0) writePage('mutation.md', PAGE.join('\n'));
