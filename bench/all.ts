/**
 * `npm run bench:all`: every benchmark, one after the other, so that all pages of figures are of one commit. `--
 * --toy`: whether they still run.
 */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const { scripts } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as {
  scripts: Readonly<Record<string, string>>;
};
const toy = process.argv.includes('--toy');
let failed = 0;
for (const name of Object.keys(scripts).filter((script) => /^bench(:|$)/.test(script) && script !== 'bench:all')) {
  const began = Date.now();
  const { status, stdout, stderr } = spawnSync('npm', ['run', '--silent', name, ...(toy ? ['--', '--toy'] : [])], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  console.log(`${name}: ${status === 0 ? 'ran' : 'failed'}, ${Math.round((Date.now() - began) / 1000)} s`);
  if (status === 0) continue;
  failed += 1;
  console.log(stdout, stderr);
}
process.exit(failed);
