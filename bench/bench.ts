/**
 * `npm run bench`: the speeds that were promised, each as a ratio of two things measured side by side in
 * this one run, written to docs/bench.md.
 */
import { rmSync } from 'node:fs';
import { Agent, get as httpGet, type IncomingMessage } from 'node:http';
import { join, resolve } from 'node:path';
import express from 'express';
import { pino } from 'pino';
import { chromium } from 'playwright-core';
import sqlite3 from 'sqlite3';
import { serve, type Running } from '../server/serve.ts';
import { BOARD_SQL } from '../server/sql/board.ts';
import { tenantEntry } from './entry.ts';
import { median, met, quantile, spread } from './figures.ts';
import { buildLarge, POINTS_A_UNIT, SIGN_IN, UNITS } from './house.ts';
import { RATIOS_IN_TURNS, measuredOn, sized, writePage } from './page.ts';

process.setSourceMapsEnabled(false);

interface Result {
  readonly what: string;
  readonly measured: string;
  readonly bar: string;
  readonly met: boolean;
}

const WRITES = sized(41, 2);
const ROUNDS = sized(7, 1);
const ROUND_MS = sized(1200, 100);
const DRAWS = sized(5, 1);
const FRAMES = sized(180, 10);

const root = resolve(import.meta.dirname, '..');

const agent = new Agent({ keepAlive: true, maxSockets: 8 });

function fetchBytes(url: string, headers: Record<string, string>): Promise<{ bytes: number; body: Buffer }> {
  return new Promise((done, fail) => {
    httpGet(url, { agent, headers }, (response: IncomingMessage) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => {
        const body = Buffer.concat(parts);
        done({ bytes: body.length, body });
      });
    }).on('error', fail);
  });
}

async function signIn(url: string): Promise<string> {
  const response = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(SIGN_IN),
  });
  return response.headers.get('set-cookie')!.split(';')[0]!;
}

/** Cold: after a write, through HTTP, against the same statement through sqlite3 alone, in turns. */
async function coldBoard(running: Running, cookie: string, data: string, organisationId: string): Promise<Result[]> {
  const bare = await new Promise<sqlite3.Database>((done) => {
    const db = new sqlite3.Database(join(data, 'dewline.sqlite'), () => done(db));
  });
  const ask = (sql: string, values: unknown[]) =>
    new Promise<unknown[]>((done, fail) => bare.all(sql, values, (error, rows) => (error ? fail(error) : done(rows))));
  const ROWS = `SELECT place.id, place.name, place.property_id, mark.number, mark.type, mark.served_day,
  mark.interval_days, mark.cap_slack, mark.work
FROM place
JOIN mark ON mark.place_id = place.id
WHERE place.organisation_id = ?1`;
  const [ours, same, rows]: number[][] = [[], [], []];
  let bytes = 0;
  for (let i = 0; i < WRITES; i += 1) {
    await running.env.store.write((db) => db.mark.update({ number: 1 }, { work: i % 2 }));
    let start = performance.now();
    bytes = (await fetchBytes(`${running.url}/api/board`, { cookie, 'accept-encoding': 'identity' })).bytes;
    ours!.push(performance.now() - start);
    start = performance.now();
    await ask(BOARD_SQL, [organisationId]);
    same!.push(performance.now() - start);
    start = performance.now();
    await ask(ROWS, [organisationId]);
    rows!.push(performance.now() - start);
  }
  await new Promise((done) => bare.close(done));
  const points = UNITS * POINTS_A_UNIT;
  const toSame = median(ours!) / median(same!);
  const toRows = median(ours!) / median(rows!);
  return [
    {
      what: 'Board, cold, over HTTP ÷ a plain SELECT of its 15,000 rows through sqlite3',
      measured:
        `${toRows.toFixed(2)} (${median(ours!).toFixed(1)} ms ÷ ${median(rows!).toFixed(1)} ms;` +
        ` 10–90 %: ${spread(ours!, 1)} and ${spread(rows!, 1)})`,
      bar: '≤ 1.3',
      met: toRows <= 1.3,
    },
    {
      what: 'Board, cold, over HTTP ÷ its own gathered SQL through sqlite3',
      measured:
        `${toSame.toFixed(2)} (${median(ours!).toFixed(1)} ms ÷ ${median(same!).toFixed(1)} ms;` +
        ` 10–90 %: ${spread(same!, 1)})`,
      bar: '≤ 1.3',
      met: toSame <= 1.3,
    },
    {
      what: 'Board, bytes a point before compression',
      measured: `${(bytes / points).toFixed(1)} (${bytes} bytes, ${points} points)`,
      bar: '≤ 30',
      met: bytes / points <= 30,
    },
  ];
}

async function throughput(url: string, headers: Record<string, string>, forMs: number): Promise<number> {
  let count = 0;
  const until = performance.now() + forMs;
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      while (performance.now() < until) {
        await fetchBytes(url, headers);
        count += 1;
      }
    }),
  );
  return count / (forMs / 1000);
}

/** Warm: against a bare Express route that sends the same bytes with the same encoding, in turns. */
async function warmBoard(running: Running, cookie: string): Promise<Result[]> {
  const results: Result[] = [];
  for (const encoding of ['gzip', 'identity']) {
    const headers = { cookie, 'accept-encoding': encoding };
    const { body } = await fetchBytes(`${running.url}/api/board`, headers);
    const app = express();
    app.get('/board', (_request, response) => {
      response.set('content-type', 'application/json');
      if (encoding === 'gzip') response.set('content-encoding', 'gzip');
      response.end(body);
    });
    const bare = app.listen(0, '127.0.0.1');
    await new Promise((done) => bare.once('listening', done));
    const bareUrl = `http://127.0.0.1:${(bare.address() as { port: number }).port}/board`;
    const [ours, theirs]: number[][] = [[], []];
    for (let i = 0; i < ROUNDS; i += 1) {
      ours!.push(await throughput(`${running.url}/api/board`, headers, ROUND_MS));
      theirs!.push(await throughput(bareUrl, headers, ROUND_MS));
    }
    bare.close();
    const ratio = median(ours!) / median(theirs!);
    results.push({
      what: `Board, warm, requests a second ÷ a bare Express route, ${encoding}`,
      measured:
        `${ratio.toFixed(2)} (${median(ours!).toFixed(0)}/s ÷ ${median(theirs!).toFixed(0)}/s;` +
        ` 10–90 %: ${spread(ours!, 1)} and ${spread(theirs!, 1)})`,
      bar: '≥ 0.5',
      met: ratio >= 0.5,
    });
  }
  return results;
}

// Text, since the page knows nothing of what the compiler adds to functions.
const WATCH_FIRST_DRAW = `
  const read = Response.prototype.json;
  Response.prototype.json = async function () {
    const value = await read.call(this);
    if (this.url.endsWith('/api/board')) {
      window.answered ??= performance.now();
      const drawn = () => { window.drawn ??= performance.now(); };
      const wait = () => requestAnimationFrame(document.querySelector('canvas.strips') ? drawn : wait);
      wait();
    }
    return value;
  };`;
const SCROLL = `new Promise((done) => {
  const frame = document.querySelector('.frame');
  const times = [];
  let last = performance.now();
  const step = () => {
    const now = performance.now();
    times.push(now - last);
    last = now;
    frame.scrollTop += 60;
    if (times.length < ${FRAMES}) requestAnimationFrame(step);
    else done(times.slice(1));
  };
  requestAnimationFrame(step);
})`;

/** First draw of 500 rows, and frames while scrolling, in headless Chromium with software rendering. */
async function drawing(running: Running): Promise<Result[]> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  const draws: number[] = [];
  const frames: number[] = [];
  for (let i = 0; i < DRAWS; i += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    // From the moment the board's answer is read to the first frame in which a strip is drawn.
    await page.addInitScript({ content: WATCH_FIRST_DRAW });
    await page.goto(`${running.url}/sign-in`);
    await page.getByLabel('Email').fill(SIGN_IN.email);
    await page.getByLabel('Password').fill(SIGN_IN.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.locator('canvas.strips').first().waitFor();
    await page.goto(`${running.url}/line`);
    await page.locator('canvas.strips').first().waitFor();
    await page.waitForFunction('window.drawn > 0');
    draws.push(await page.evaluate<number>('window.drawn - window.answered'));
    await page.waitForTimeout(500);
    frames.push(...(await page.evaluate<number[]>(SCROLL)));
    await context.close();
  }
  await browser.close();
  const draw = median(draws);
  const p95 = quantile(frames, 0.95);
  return [
    {
      what: 'Board, first draw of 500 rows after its answer',
      measured: `${draw.toFixed(0)} ms (10–90 %: ${spread(draws, 1)})`,
      bar: '≤ 300 ms',
      met: draw <= 300,
    },
    {
      what: 'Board, frames while scrolling, 95th percentile',
      measured: `${p95.toFixed(1)} ms (median ${median(frames).toFixed(1)} ms, ${frames.length} frames)`,
      bar: '≤ 34 ms',
      met: p95 <= 34,
    },
  ];
}

function entry(): Result {
  const { all, files } = tenantEntry();
  return {
    what: 'Tenant’s entry, script and styles, gzip, every screen of it',
    measured: `${(all / 1000).toFixed(0)} kB in ${files} files`,
    bar: '≤ 220 kB',
    met: all <= 220_000,
  };
}

const { data, organisationId } = await buildLarge();
const running = await serve({
  data,
  port: 0,
  web: join(root, 'dist/web'),
  logger: pino({ level: 'silent' }),
  rateFactor: 1e6,
});
const cookie = await signIn(running.url);
const results = [
  ...(await coldBoard(running, cookie, data, organisationId)),
  ...(await warmBoard(running, cookie)),
  ...(await drawing(running)),
  entry(),
];
await running.close();
rmSync(data, { recursive: true, force: true });

writePage(
  'bench.md',
  [
    '# Speed',
    '',
    `${measuredOn('bench')} ${UNITS} units, ${UNITS * POINTS_A_UNIT} points. ${RATIOS_IN_TURNS}`,
    '',
    '| what | measured | bar | |',
    '|---|---|---|---|',
    ...results.map((it) => `| ${it.what} | ${it.measured} | ${it.bar} | ${met(it.met)} |`),
    '',
  ].join('\n'),
);
process.exit(0);
