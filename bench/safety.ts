/**
 * `npm run bench:safety`: hostile requests, slow sockets and an upload storm against one server, counted; written to
 * docs/security-figures.md. `npm run fuzz -- SEED COUNT` sends the requests alone.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { openHouse } from '../tests/server/house.ts';
import { storm } from '../tests/server/storm.ts';
import { median, met, quantile } from './figures.ts';
import { measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);

const REQUESTS = sized(50_000, 300);
const SOCKETS = sized(300, 10);
const UPLOADS = sized(160, 6);
const PORT = 4719;
const root = resolve(import.meta.dirname, '..');
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** The server as it is installed, in a process of its own, so that its memory is its own. */
async function started(): Promise<{ url: string; child: ChildProcess; end(): Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'dewline-'));
  const child = spawn(process.execPath, ['--import', 'tsx', join(root, 'bin/start.ts'), '--data', folder], {
    cwd: root,
    // As `bin/setup.sh` has it.
    env: { ...process.env, MALLOC_ARENA_MAX: '2', PORT: String(PORT), LOG_LEVEL: 'silent' },
    stdio: 'ignore',
  });
  const url = `http://127.0.0.1:${PORT}`;
  while (!(await fetch(`${url}/api/session`).catch(() => null))) await pause(100);
  return {
    url,
    child,
    async end() {
      child.kill('SIGTERM');
      await new Promise((done) => child.once('exit', done));
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Resident memory of a process, MB, and the most it ever had. */
function memoryOf({ pid }: ChildProcess): { now: number; peak: number } {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const of = (name: string) => Math.round(Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0) / 1024);
  return { now: of('VmRSS'), peak: of('VmHWM') };
}

/** How long a small request waits, again and again, while something else is under way. */
async function waitsWhile(url: string, cookie: string, work: Promise<unknown>): Promise<number[]> {
  const waits: number[] = [];
  let over = false;
  void work.finally(() => (over = true));
  while (!over) {
    const began = performance.now();
    await (await fetch(`${url}/api/homes`, { headers: { cookie } })).arrayBuffer();
    waits.push(performance.now() - began);
    await pause(20);
  }
  return waits;
}

async function install(url: string): Promise<{ cookie: string; csrf: string }> {
  const answer = await fetch(`${url}/api/install`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      organisation: 'Saltmarsh & Vane',
      name: 'R. Okonjo-Vane',
      email: 'vane@saltmarsh.example',
      password: 'a long password',
    }),
  });
  const { csrf } = (await answer.json()) as { csrf: string };
  return { csrf, cookie: answer.headers.get('set-cookie')!.split(';')[0]! };
}

/** Sockets that send a head line by line and never end it; says how others were answered and when they were cut off. */
async function slowSockets(url: string, cookie: string): Promise<{ waits: number[]; open: number; afterMs: number }> {
  const sockets: Socket[] = [];
  let open = 0;
  for (let i = 0; i < SOCKETS; i += 1) {
    const socket = connect(PORT, '127.0.0.1');
    sockets.push(socket);
    socket.once('connect', () => {
      open += 1;
      socket.write('POST /api/session HTTP/1.1\r\nHost: x\r\n');
    });
    for (const over of ['close', 'error'] as const) socket.once(over, () => (open -= over === 'close' ? 1 : 0));
    socket.on('data', () => undefined);
  }
  const began = performance.now();
  const drip = setInterval(() => sockets.forEach((it) => it.writable && it.write('X-A: b\r\n')), 1000);
  await pause(500);
  const most = open;
  const gone = (async () => {
    while (open > 0 && performance.now() - began < 60_000) await pause(100);
  })();
  const waits = await waitsWhile(url, cookie, gone);
  clearInterval(drip);
  sockets.forEach((it) => it.destroy());
  return { waits, open: most, afterMs: performance.now() - began };
}

/** Large photos, all at once. */
async function uploads(url: string, { cookie, csrf }: { cookie: string; csrf: string }) {
  const noise = await sharp({
    create: {
      width: 4000,
      height: 3900,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 9 },
    },
  })
    .jpeg({ quality: 60 })
    .toBuffer();
  const statuses: number[] = [];
  const one = async () => {
    const form = new FormData();
    form.append('id', v7());
    form.append('source', 'camera');
    form.append('photo', new Blob([new Uint8Array(noise)]), 'photo.jpg');
    const answer = await fetch(`${url}/api/photos`, {
      method: 'POST',
      headers: { cookie, 'x-csrf-token': csrf, 'idempotency-key': v7() },
      body: form,
    });
    await answer.arrayBuffer();
    statuses.push(answer.status);
  };
  const waits = await waitsWhile(url, cookie, Promise.all(Array.from({ length: UPLOADS }, one)));
  const of = (status: number) => statuses.filter((it) => it === status).length;
  return {
    waits,
    kB: Math.round(noise.length / 1024),
    taken: of(200),
    later: of(429) + of(503),
    other: statuses.length - of(200) - of(429) - of(503),
  };
}

const ms = (waits: readonly number[]) =>
  `median ${Math.round(median(waits))} ms, 99 % ${Math.round(quantile(waits, 0.99))} ms`;

const house = await openHouse();
const hostile = await storm(house, 20_261_127, REQUESTS);
const integrity = JSON.stringify((await house.env.store.db.sequelize.query('PRAGMA integrity_check'))[0]);
await house.close();
const server = await started();
const who = await install(server.url);
const before = memoryOf(server.child);
const sockets = await slowSockets(server.url, who.cookie);
const storming = await uploads(server.url, who);
const after = memoryOf(server.child);
await server.end();

const rows = [
  [
    'Hostile requests, answered as our own mistake or not at all',
    `${hostile.broken.length} of ${hostile.sent}`,
    '0',
    hostile.broken.length === 0,
  ],
  [
    'The slowest of them',
    `${Math.round(hostile.slowestMs)} ms (${hostile.slowest})`,
    'no hang',
    hostile.slowestMs < 5000,
  ],
  ['The database after them', integrity, 'whole', integrity.includes('ok')],
  [
    `Others' requests beside ${sockets.open} sockets that never end their head`,
    ms(sockets.waits),
    '300 ms at 99 %',
    quantile(sockets.waits, 0.99) <= 300,
  ],
  [
    'The last of the sockets cut off after',
    `${Math.round(sockets.afterMs / 1000)} s`,
    '60 s',
    sockets.afterMs < 60_000,
  ],
  [
    `${UPLOADS} photos of 15.6 megapixels and ${storming.kB} kB at once: taken, asked to come later, other`,
    `${storming.taken}, ${storming.later}, ${storming.other}`,
    'none lost in silence',
    storming.other === 0,
  ],
  ["Others' requests meanwhile", ms(storming.waits), '300 ms at 99 %', quantile(storming.waits, 0.99) <= 300],
  ['Most memory of the server (before the storm)', `${after.peak} MB (${before.now} MB)`, '400 MB', after.peak <= 400],
] as const;

writePage(
  'security-figures.md',
  [
    '# Safety in figures',
    '',
    measuredOn('bench:safety'),
    `Answers to the hostile requests by status: ${Object.entries(hostile.byStatus)
      .map(([status, count]) => `${status}: ${count}`)
      .join(', ')}.`,
    '',
    '| what | measured | bar | |',
    '|---|---|---|---|',
    ...rows.map(([what, measured, bar, holds]) => tableRow(what, measured, bar, met(holds))),
    '',
  ].join('\n'),
);
