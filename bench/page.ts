/**
 * Pages of figures under `docs/`. Each says where and at which commit it was measured. With `--toy` a benchmark runs at
 * a toy
 * size: `bin/test` only sees that it still runs, and its numbers are thrown away.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';

const TOY = process.argv.includes('--toy');
const DOCS = join(import.meta.dirname, '../docs');

/** How large to measure. */
export const sized = (whole: number, toy: number): number => (TOY ? toy : whole);

function commit(): string {
  const git = (...words: string[]) =>
    execFileSync('git', words, {
      cwd: import.meta.dirname,
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    }).trim();
  try {
    const changed = git('status', '--porcelain', '--', '..', ':!../docs') !== '';
    return `${git('rev-parse', '--short=10', 'HEAD')}${changed ? ' with changes' : ''}`;
  } catch {
    return 'unknown';
  }
}

/** Where and on what it was measured, as a sentence. */
export const measuredOn = (command: string): string =>
  [
    `Written by \`npm run ${command}\` on ${new Date().toISOString().slice(0, 10)} at commit ${commit()}:`,
    `${cpus().length} × ${cpus()[0]?.model.trim() || 'unnamed'}, Node ${process.version}.`,
  ].join(' ');

/** A row of a table. */
export const tableRow = (...cells: readonly string[]): string => `| ${cells.join(' | ')} |`;

/** How the pages of ratios are to be read. */
export const RATIOS_IN_TURNS =
  'Ratios are of two things measured in turns in one run; the spread (10–90 %) is the noise of the machine.';

function keep(name: string, text: string): void {
  if (!TOY) writeFileSync(join(DOCS, name), text);
}

/** Writes a whole page of `docs/`, and says it. */
export function writePage(name: string, text: string): void {
  keep(name, text);
  if (name.endsWith('.md')) console.log(text);
}

/** Writes the part of a page between its two marks, `<!-- part -->` and `<!-- end of part -->`, and says it. */
export function writePart(name: string, part: string, lines: readonly string[]): void {
  const text = [`<!-- ${part} -->`, ...lines, `<!-- end of ${part} -->`].join('\n');
  const page = readFileSync(join(DOCS, name), 'utf8');
  keep(
    name,
    page.replace(new RegExp(`<!-- ${part} -->[\\s\\S]*<!-- end of ${part} -->`), () => text),
  );
  console.log(text);
}
