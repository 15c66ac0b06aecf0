/**
 * `npm run bench:beside`: how long somebody else waits while a table is taken in, a practice is changed everywhere, all
 * labels are made and everything is exported; written to docs/beside-figures.md.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { v7 } from 'uuid';
import { serve } from '../server/serve.ts';
import { median, met, quantile } from './figures.ts';
import { measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const ROWS = sized(20_000, 200);
/** 2,385 machines of five kinds have 12,402 parts. */
const HOMES = 477;
const HOMES_ROWS = sized(HOMES * 5, 100);
const BAR_MS = 300;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const folder = mkdtempSync(join(tmpdir(), 'dewline-'));
const running = await serve({ data: folder, port: 0, logger: pino({ level: 'silent' }), rateFactor: 1000 });

const KINDS = ['Dishwasher', 'Refrigerator', '"Washer, front load"', '"Air handler, 1-inch filter"', 'Bathroom fan'];
const HEAD = ['property', 'unit', 'tenant', 'since', 'people', 'machine', 'maker'] as const;
function table(name: string, rows: number): string {
  const lines = [HEAD.join()];
  for (let i = 0; i < rows; i += 1) {
    const unit = Math.floor(i / KINDS.length);
    lines.push(`${name} ${unit % 40},Flat ${unit},R. Holloway ${unit},2025-03-01,2,${KINDS[i % KINDS.length]},Lavella`);
  }
  return lines.join('\n');
}

const first = await fetch(`${running.url}/api/install`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ organisation: 'X', name: 'Y', email: 'y@saltmarsh.example', password: 'a long password' }),
});
const { csrf } = (await first.json()) as { csrf: string };
const cookie = first.headers.get('set-cookie')!.split(';')[0]!;
const send = (path: string, form: object) =>
  fetch(`${running.url}/api${path}`, {
    method: 'POST',
    headers: { cookie, 'x-csrf-token': csrf, 'idempotency-key': v7(), 'content-type': 'application/json' },
    body: JSON.stringify(form),
  });
const get = (path: string) => fetch(`${running.url}/api${path}`, { headers: { cookie } });

interface Beside {
  readonly what: string;
  readonly tookS: number;
  readonly reads: readonly number[];
  readonly writes: readonly number[];
}

/** What small reads and writes of others wait while `work` is under way. */
async function beside(what: string, work: () => Promise<Response>): Promise<Beside> {
  const [reads, writes]: [number[], number[]] = [[], []];
  let over = false;
  const began = performance.now();
  const done = work().then(async (response) => {
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${what}: ${response.status}`);
    over = true;
  });
  const again = async (times: number[], ask: () => Promise<Response>) => {
    while (!over) {
      const asked = performance.now();
      await (await ask()).arrayBuffer();
      times.push(performance.now() - asked);
      await pause(15);
    }
  };
  await Promise.all([
    done,
    again(reads, () => get('/me')),
    again(writes, () => send('/me/sessions/end', { id: 'none' })),
  ]);
  return { what, tookS: (performance.now() - began) / 1000, reads, writes };
}

/** Until no line is left to be drawn: what a change has moved counts to it. */
async function drawn(): Promise<void> {
  // The stream ends with the work, or after a minute.
  while (!(await (await get('/progress')).text()).includes('event: over'));
}
const take = async (name: string, rows: number) => {
  const response = await send('/register/table', { csv: table(name, rows), columns: HEAD, zone: 'Europe/Dublin' });
  await drawn();
  return response;
};

const results = [
  await beside(`a table of ${HOMES_ROWS.toLocaleString('en')} rows is taken in, 12,400 parts`, () =>
    take('Long Court', HOMES_ROWS),
  ),
  await beside('the practice is changed everywhere', async () => {
    const response = await send('/practice', { scope: 'organisation', subjectId: null, practice: 'watchful' });
    await drawn();
    return response;
  }),
  await beside('all labels are made', () => get('/labels/organisation/all')),
  await beside('everything is exported', () => get('/export')),
  await beside(`a table of ${ROWS.toLocaleString('en')} rows is taken in, 104,000 parts`, () => take('Quay Row', ROWS)),
];
await running.close();
rmSync(folder, { recursive: true, force: true });

const says = (times: readonly number[]) =>
  times.length === 0
    ? 'none asked'
    : `${[median(times), quantile(times, 0.99), Math.max(...times)].map(Math.round).join(', ')} ms (${times.length})`;
writePage(
  'beside-figures.md',
  [
    '# Beside long work',
    '',
    measuredOn('bench:beside'),
    'Median, 99 % and the longest wait of somebody else, and how often they asked.',
    '',
    '| while | it took | reads wait | 300 ms at 99 % | writes wait | 300 ms at 99 % |',
    '|---|---|---|---|---|---|',
    ...results.map(({ what, tookS, reads, writes }) =>
      tableRow(
        what,
        `${tookS.toFixed(1)} s`,
        says(reads),
        met(reads.length === 0 || quantile(reads, 0.99) <= BAR_MS),
        says(writes),
        met(writes.length === 0 || quantile(writes, 0.99) <= BAR_MS),
      ),
    ),
    '',
  ].join('\n'),
);
