/** `npm run draw`: rooms and the server's layers with what they import, drawn from the imports into docs/layers.svg. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const FOLDERS = ['core', 'contract', 'server', 'web', 'demo'];

interface Cruised {
  readonly modules: readonly {
    readonly source: string;
    readonly dependencies: readonly { readonly resolved: string }[];
  }[];
}

const { modules } = JSON.parse(
  execFileSync('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...FOLDERS], {
    cwd: ROOT,
    encoding: 'utf8',
    maxBuffer: 1e9,
    stdio: ['ignore', 'pipe', 'ignore'],
  }),
) as Cruised;

/** Files directly in the server compose the rest: they are its top. */
const roomOf = (path: string): string | undefined => {
  const [room, layer, file] = path.split('/');
  if (!FOLDERS.includes(room!)) return undefined;
  if (room !== 'server') return room;
  return file === undefined ? 'server' : `server/${layer}`;
};

const files = new Map<string, number>();
const imports = new Map<string, Map<string, number>>();
for (const { source, dependencies } of modules) {
  const from = roomOf(source);
  if (!from) continue;
  files.set(from, (files.get(from) ?? 0) + 1);
  for (const { resolved } of dependencies) {
    const to = roomOf(resolved);
    if (!to || to === from) continue;
    const row = imports.get(from) ?? new Map<string, number>();
    imports.set(from, row.set(to, (row.get(to) ?? 0) + 1));
  }
}

/** From the bottom up: a room stands above all that it imports. */
function stacked(): string[] {
  const order: string[] = [];
  const left = new Set([...files.keys()].sort());
  while (left.size > 0) {
    const next = [...left].find((room) => [...(imports.get(room)?.keys() ?? [])].every((it) => order.includes(it)));
    if (!next) throw new Error(`a circle among ${[...left].join(', ')}`);
    order.push(next);
    left.delete(next);
  }
  return order;
}

const rooms = stacked().reverse();
const ROW = 30;
const LEFT = 250;
const y = (room: string) => 20 + rooms.indexOf(room) * ROW + ROW / 2;
const boxes = rooms.map(
  (room) =>
    `<rect x="10" y="${y(room) - 11}" width="${LEFT - 20}" height="22" rx="4" fill="#e7eceb"/>` +
    `<text x="20" y="${y(room) + 4}" font-weight="600">${room}</text>` +
    `<text x="${LEFT - 20}" y="${y(room) + 4}" text-anchor="end" fill="#4b5a5e">${files.get(room)} files</text>`,
);
const arcs = rooms.flatMap((from) =>
  [...(imports.get(from) ?? [])].map(([to, count]) => {
    const reach = LEFT + 14 + (y(to) - y(from)) * 0.62;
    const width = Math.min(5, 0.6 + Math.sqrt(count) / 3).toFixed(1);
    const curve = `M${LEFT - 8} ${y(from)}C${reach} ${y(from)} ${reach} ${y(to)} ${LEFT - 8} ${y(to)}`;
    const pen = `fill="none" stroke="#0b5f5b" stroke-opacity=".38" stroke-width="${width}"`;
    return `<path d="${curve}" ${pen}><title>${from} imports ${to}: ${count}</title></path>`;
  }),
);
const height = rooms.length * ROW + 40;
writeFileSync(
  join(ROOT, 'docs/layers.svg'),
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 720 ${height}" font-family="sans-serif" font-size="12" fill="#18262b"><rect width="720" height="${height}" fill="#fbfaf6"/>
${arcs.join('\n')}
${boxes.join('\n')}
</svg>
`,
);
console.log(rooms.join('\n'));
