/**
 * `npm run text`: writes the types of all texts, which are generated and not committed. Skips the work where no
 * source has changed since the last time; types, lint, build and tests call it first.
 */
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const GENERATED = ['core/language/text.ts', 'contract/form/text.ts', 'server/language/text.ts', 'web/language/text.ts'];

const changedAt = (path: string) => statSync(join(ROOT, path)).mtimeMs;
const sources = ['core', 'contract', 'server', 'web'].flatMap((room) =>
  readdirSync(join(ROOT, room), { recursive: true })
    .map((file) => join(room, String(file)))
    .filter((file) => file.endsWith('.ts') && !GENERATED.includes(file)),
);
const written = GENERATED.filter((file) => existsSync(join(ROOT, file))).map(changedAt);
const newest = Math.max(...[...sources, 'bench/textTypes.ts'].map(changedAt));

if (written.length < GENERATED.length || Math.min(...written) < newest) {
  const { VOICES } = await import('./textTypes.ts');
  for (const [path, text] of Object.entries(VOICES)) writeFileSync(join(ROOT, path), text);
}
