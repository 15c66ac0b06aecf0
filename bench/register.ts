/**
 * `npm run bench:register`: looking through a table and taking it in, as ratios of two things measured side by side
 * in this one run, written to docs/register-figures.md.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { pino } from 'pino';
import { Readable } from 'node:stream';
import { dayOfInstant } from '../core/calendar/day.ts';
import { coreText } from '../core/en.ts';
import { translator } from '../core/language/message.ts';
import { COLUMNS, matchColumns, type Column } from '../core/register/columns.ts';
import { machineTypes } from '../core/catalogue/machines.ts';
import { rowReader } from '../core/register/rows.ts';
import { columnNames, wordingOf } from '../core/register/wording.ts';
import { serve } from '../server/serve.ts';
import { median, met, spread } from './figures.ts';
import { RATIOS_IN_TURNS, measuredOn, sized, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const ROWS = sized(20_000, 200);
const GOES = sized(15, 1);
const MACHINES = ['Dishwasher', 'Refrigerator', '"Washer, front load"', '"Air handler, 1-inch filter"', 'Bathroom fan'];
const say = translator('en-GB', coreText);
const names = columnNames(say);
const HEAD = [
  'property',
  'unit',
  'tenant',
  'since',
  'people',
  'machine',
  'maker',
  'model',
  'branch',
  'filterSize',
] as const satisfies readonly Column[];

function* lines(count: number): Generator<string> {
  yield `${HEAD.map((column) => names[column]).join()}\n`;
  for (let i = 0; i < count; i += 1) {
    const unit = Math.floor(i / MACHINES.length);
    const tenancy = `Long Court ${unit % 40},Flat ${unit},R. Holloway ${unit},2025-03-01,2`;
    const size = i % MACHINES.length === 3 ? '16x25x1' : '';
    yield `${tenancy},${MACHINES[i % MACHINES.length]},Lavella,D45,Riser ${unit % 9},${size}\n`;
  }
}

const columns = matchColumns(
  HEAD.map((column) => names[column]),
  names,
);
const today = dayOfInstant(Date.now(), 'Europe/Dublin');
const EMPTY = { properties: {}, units: {}, named: {} };
const WORDS = wordingOf(say, { zone: 'Europe/Dublin', today, named: {}, types: [...machineTypes.keys()] });

function parseAlone(csv: string): number {
  let rows = 0;
  Papa.parse<string[]>(csv, {
    skipEmptyLines: 'greedy',
    step: () => {
      rows += 1;
    },
  });
  return rows;
}

function lookThrough(csv: string): number {
  const read = rowReader(EMPTY, WORDS);
  let [rows, wrong] = [0, 0];
  Papa.parse<string[]>(csv, {
    skipEmptyLines: 'greedy',
    step: ({ data }) => {
      rows += 1;
      if (rows === 1) return;
      const { problems } = read(
        Object.fromEntries(columns.flatMap((column, i) => (column ? [[column, data[i] ?? '']] : []))),
        rows,
      );
      wrong += problems.length;
    },
  });
  if (wrong > 0) throw new Error(`${wrong} wrong rows`);
  return rows;
}

/** The heap at its highest while a stream of so many rows is looked through, over what it was before, MB. */
async function peakHeap(count: number): Promise<number> {
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  let peak = 0;
  const read = rowReader(EMPTY, WORDS);
  await new Promise<void>((done) => {
    const parsing = Readable.from(lines(count)).pipe(Papa.parse(Papa.NODE_STREAM_INPUT, { skipEmptyLines: 'greedy' }));
    let rows = 0;
    parsing.on('data', (data: string[]) => {
      rows += 1;
      if (rows > 1)
        read(Object.fromEntries(columns.flatMap((column, i) => (column ? [[column, data[i] ?? '']] : []))), rows);
      if (rows % 5000 === 0) {
        globalThis.gc?.();
        peak = Math.max(peak, process.memoryUsage().heapUsed - before);
      }
    });
    parsing.on('end', () => done());
  });
  return peak / 1e6;
}

const csv = [...lines(ROWS)].join('');
const [alone, ours]: number[][] = [[], []];
for (let i = 0; i < GOES; i += 1) {
  let start = performance.now();
  parseAlone(csv);
  alone!.push(performance.now() - start);
  start = performance.now();
  lookThrough(csv);
  ours!.push(performance.now() - start);
}
const heap = [await peakHeap(ROWS), await peakHeap(ROWS * 5)];

const data = mkdtempSync(join(tmpdir(), 'dewline-bench-'));
const running = await serve({ data, port: 0, logger: pino({ level: 'silent' }), rateFactor: 1e6 });
const opened = await fetch(`${running.url}/api/install`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({
    organisation: 'Bench',
    name: 'B. Ench',
    email: 'bench@saltmarsh.example',
    password: 'a long password',
  }),
});
const { csrf } = (await opened.json()) as { csrf: string };
const start = performance.now();
const answer = await fetch(`${running.url}/api/register/table`, {
  method: 'POST',
  headers: {
    'content-type': 'application/json',
    cookie: opened.headers.get('set-cookie')!.split(';')[0]!,
    'x-csrf-token': csrf,
    'idempotency-key': 'bench',
  },
  body: JSON.stringify({ csv, columns, zone: 'Europe/Dublin' }),
});
const taken = (await answer.json()) as { points: number; machines: number };
const seconds = (performance.now() - start) / 1000;
await running.close();
rmSync(data, { recursive: true, force: true });
if (answer.status !== 200) throw new Error(JSON.stringify(taken));

writePage(
  'register-figures.md',
  `# Taking in a table

${measuredOn('bench:register')} ${RATIOS_IN_TURNS}

${ROWS.toLocaleString('en')} rows of ${HEAD.length} of the ${COLUMNS.length} columns.

| what | measured | bar | |
|---|---|---|---|
| Looking through every row ÷ papaparse alone on the same text | ${(median(ours!) / median(alone!)).toFixed(1)} (${median(ours!).toFixed(0)} ms ÷ ${median(alone!).toFixed(0)} ms; 10–90 %: ${spread(ours!)} and ${spread(alone!)}) | within seconds | ${met(median(ours!) < 5000)} |
| Heap at its highest, of ${ROWS.toLocaleString('en')} rows and of five times as many, both over what stood before | ${heap[0]!.toFixed(0)} MB and ${heap[1]!.toFixed(0)} MB: what was said of each unit, no rows | flat: no rows are kept | |
| Taking it in over HTTP: ${taken.machines.toLocaleString('en')} machines, ${taken.points.toLocaleString('en')} points with their lines, in one write | ${seconds.toFixed(1)} s | none | |

The browser does the same beside the page, with progress and a way to stop; [waiting-figures.md](waiting-figures.md)
has its seconds.
`,
);
