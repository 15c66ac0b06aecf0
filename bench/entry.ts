/** What the tenant's entry can ever ask for, as it was built. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const BUILT = join(import.meta.dirname, '../dist/web');

interface Chunk {
  readonly file: string;
  readonly css?: readonly string[];
  readonly imports?: readonly string[];
  readonly dynamicImports?: readonly string[];
}

/** Script and styles of the tenant's entry in bytes, gzip: of the first screen, and with every lazy part. */
export function tenantEntry(): { readonly first: number; readonly all: number; readonly files: number } {
  const manifest = JSON.parse(readFileSync(join(BUILT, '.vite/manifest.json'), 'utf8')) as Readonly<
    Record<string, Chunk>
  >;
  const filesFrom = (lazy: boolean) => {
    const files = new Set<string>();
    const seen = new Set<string>();
    const visit = (key: string) => {
      if (seen.has(key)) return;
      seen.add(key);
      const { file, css = [], imports = [], dynamicImports = [] } = manifest[key]!;
      [file, ...css].forEach((it) => files.add(it));
      [...imports, ...(lazy ? dynamicImports : [])].forEach(visit);
    };
    visit('home.html');
    return [...files].filter((file) => /\.(js|css)$/.test(file));
  };
  const bytes = (files: readonly string[]) =>
    files.reduce((sum, file) => sum + gzipSync(readFileSync(join(BUILT, file))).length, 0);
  const all = filesFrom(true);
  return { first: bytes(filesFrom(false)), all: bytes(all), files: all.length };
}
