/** `npm run house`: figures of the code itself, written to docs/house.md: what is kept small. */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { met, quantile } from './figures.ts';
import { measuredOn, writePage } from './page.ts';

const ROOT = join(import.meta.dirname, '..');
const CODE = ['core', 'contract', 'server', 'web', 'demo', 'bin', 'bench'];
/** Words, drawings, procedures, tables of rows and migrations: data, as wide and as long as it is. */
const DATA = new RegExp(
  [
    /(^|\/)en(\/|\.ts$)/,
    /\/migrations\//,
    /core\/catalogue\/procedures\//,
    /core\/catalogue\/(parts|illustrations|picture|pen)\.ts$/,
    /store\/tables\.ts$/,
    /demo\/scenario\.ts$/,
  ]
    .map(({ source }) => source)
    .join('|'),
);

interface Source {
  readonly path: string;
  readonly text: string;
  readonly lines: readonly string[];
}

const sources = (folders: readonly string[]): Source[] =>
  execFileSync('git', ['ls-files', ...folders], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter((path) => /\.(ts|vue)$/.test(path))
    .map((path) => {
      const text = readFileSync(join(ROOT, path), 'utf8');
      return { path, text, lines: text.split('\n') };
    });

const all = sources(CODE);
const code = all.filter(({ path }) => !DATA.test(path));
const tests = sources(['tests']);
const data = all.filter(({ path }) => DATA.test(path));
const thousands = (of: readonly Source[]) => linesOf(of).toLocaleString('en');
const linesOf = (of: readonly Source[]) => of.reduce((sum, { lines }) => sum + lines.length, 0);
const count = (of: readonly Source[], pattern: RegExp) =>
  of.reduce((sum, { text }) => sum + (text.match(pattern)?.length ?? 0), 0);

/** A long line that is no address, no import and no text alone: one that the formatter could not help. */
const wide = code.flatMap(({ lines }) =>
  lines.filter((line) => line.length > 120 && !/https?:\/\/|^import |^ *[`']?\| /.test(line)),
);
const casts = count(all, /\bas never\b(?! )|\bas never[[\],;)]|\bas unknown as\b/g);
const styled = all.filter(({ path, text }) => path.endsWith('.vue') && text.includes('<style'));
const lengths = code.map(({ lines }) => lines.length);
const longest = code.filter(({ lines }) => lines.length > 300);
const undocumented = code
  .filter(({ path }) => /^(core|server)\//.test(path))
  .reduce(
    (sum, { lines }) =>
      sum +
      lines.filter((line, i) => /^export (async )?function /.test(line) && !/\*\/$/.test(lines[i - 1] ?? '')).length,
    0,
  );
/** What the layers' check finds against their order; every circle is one. */
const layers = spawnSync('npm', ['run', '--silent', 'layers'], { cwd: ROOT, encoding: 'utf8' });
const broken = layers.stdout.match(/^ *(error|warn) /gm)?.length ?? 0;
const share = linesOf(tests) / (linesOf(tests) + linesOf(code));

const rows: readonly (readonly [string, string, string, boolean])[] = [
  [
    'Circles of files, of folders, and imports against the layers of core, server and web (`npm run layers`)',
    String(broken),
    '0',
    broken === 0 && layers.status === 0,
  ],
  ['`as never`, `as unknown as` outside tests', String(casts), '0', casts === 0],
  ['Lines over 120 characters, data and addresses aside', String(wide.length), '0', wide.length === 0],
  ['Components with a style block of their own', String(styled.length), '≤ 30', styled.length <= 30],
  ['Exported functions of core and server without a docstring', String(undocumented), '0', undocumented === 0],
  ['Median lines of a file, data aside', String(quantile(lengths, 0.5)), '< 80', quantile(lengths, 0.5) < 80],
  ['Files over 300 lines, data aside', String(longest.length), '0', longest.length === 0],
  [
    'Share of tests, in lines, text and data aside',
    `${(share * 100).toFixed(0)} %`,
    '25–33 %',
    share >= 0.25 && share <= 0.34,
  ],
];

/** The last whole run of `bin/test` in this checkout: seconds by file, and what the shell counted of CPU time. */
const RUN = join(ROOT, 'data/last-run.json');
const CPU = join(ROOT, 'data/last-run-cpu.txt');
const MOST_SECONDS = 600;

function runRows(): string {
  if (!existsSync(RUN) || !existsSync(CPU)) return 'There was no whole run of `bin/test` in this checkout.';
  const { seconds, passed, failed, files } = JSON.parse(readFileSync(RUN, 'utf8')) as {
    seconds: number;
    passed: number;
    failed: number;
    files: Readonly<Record<string, number>>;
  };
  const cpu = [...readFileSync(CPU, 'utf8').matchAll(/(\d+)m([\d.]+)s/g)].reduce(
    (sum, [, minutes, rest]) => sum + Number(minutes) * 60 + Number(rest),
    0,
  );
  const slowest = Object.entries(files)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 10);
  return [
    '| what | measured | bar | |',
    '|---|---|---|---|',
    `| Time of \`bin/test\`, from installed packages | ${(seconds / 60).toFixed(1)} min | ≤ 10 min | ${met(seconds <= MOST_SECONDS)} |`,
    `| CPU seconds of \`bin/test\` | ${Math.round(cpu).toLocaleString('en')} | ≤ twice this in CI | |`,
    `| Tests and checks | ${passed} passed, ${failed} failed | 0 failed | ${met(failed === 0)} |`,
    '',
    'CPU seconds leave out the browser, whose processes the shell does not wait for.',
    '',
    '| slowest files | seconds |',
    '|---|---|',
    ...slowest.map(([file, took]) => `| \`${file}\` | ${took.toFixed(1)} |`),
  ].join('\n');
}

writePage(
  'house.md',
  `# Code metrics

${measuredOn('house')}
${thousands(code)} lines of code, ${thousands(tests)} of tests, ${thousands(data)} of data.

| what | now | bar | |
|---|---|---|---|
${rows.map(([what, now, bar, holds]) => `| ${what} | ${now} | ${bar} | ${met(holds)} |`).join('\n')}

Files over 300 lines: ${longest.map(({ path, lines }) => `\`${path}\` ${lines.length}`).join(', ') || 'none'}.

## The last run of all checks

${runRows()}
`,
);
