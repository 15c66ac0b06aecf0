/** Killing a server in the middle of submissions, again and again, and looking whether it kept its word. */
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pino } from 'pino';
import { v7 } from 'uuid';
import { seeded } from '../../core/statistics/random.ts';
import { sha256 } from '../../server/context/context.ts';
import { leafHash } from '../../server/log/log.ts';
import { serve } from '../../server/serve.ts';
import { Caller, drawn, PASSWORD, registerFlat, type House } from './house.ts';

export interface KeptCount {
  readonly kills: number;
  readonly photos: number;
  readonly records: number;
  readonly faults: number;
  /** Acknowledged, and not there afterwards. */
  readonly lost: readonly string[];
  /** Entries whose hash is not that of their text, records without an entry, and what SQLite says of its file. */
  readonly broken: readonly string[];
}

const CHILD = resolve(import.meta.dirname, 'child.ts');
const WRITERS = 4;

export async function killWhileSending(kills: number): Promise<KeptCount> {
  const data = mkdtempSync(join(tmpdir(), 'dewline-killed-'));
  const random = seeded(kills);
  try {
    const first = await serve({ data, port: 0, logger: pino({ level: 'silent' }), rateFactor: 1e6 });
    const { url } = first;
    const manager = new Caller(url as never);
    await manager.open('/install', {
      organisation: 'Saltmarsh & Vane',
      name: 'R. Okonjo-Vane',
      email: 'vane@saltmarsh.example',
      password: PASSWORD,
    });
    const flat = await registerFlat({ env: first.env, manager, caller: () => new Caller(url as never) } as House);
    await first.close();
    const pictures = await Promise.all(Array.from({ length: 6 }, (_, seed) => drawn('washer.doorBoot', seed)));
    const today = new Date().toISOString().slice(0, 10);
    const taken = { photos: [] as string[], records: [] as string[], faults: [] as string[] };

    for (let kill = 0; kill < kills; kill += 1) {
      const child = await start(data, new URL(url).port);
      let alive = true;
      // Killed after so many answers, whatever time they take: in the middle of the work on a busy machine as on a
      // quiet one.
      let left = 10 + Math.floor(random() * 12);
      let enough = () => {};
      const reached = new Promise<void>((done) => {
        enough = done;
      });
      const ok = ({ status }: { status: number }) => {
        if ((left -= 1) === 0) enough();
        return status === 200;
      };
      const write = async () => {
        while (alive) {
          try {
            const [photo, fault, record] = [v7(), v7(), v7()];
            if (ok(await flat.tenant.photo(pictures[Math.floor(random() * pictures.length)]!, 'photo.jpg', photo)))
              taken.photos.push(photo);
            if (
              ok(
                await flat.tenant.post('/faults', {
                  id: fault,
                  machineId: flat.machineId,
                  symptom: 'washer.smell',
                  note: '',
                  photoIds: [photo],
                }),
              )
            )
              taken.faults.push(fault);
            if (
              ok(
                await manager.post('/records', {
                  id: record,
                  pointId: flat.points['washer.tub'],
                  done: today,
                  grade: null,
                  finds: [],
                  note: 'in the middle',
                }),
              )
            )
              taken.records.push(record);
          } catch {
            /* the line is gone with the server */
          }
        }
      };
      const writers = Array.from({ length: WRITERS }, write);
      await reached;
      child.kill('SIGKILL');
      await new Promise((done) => {
        child.once('exit', done);
      });
      alive = false;
      await Promise.all(writers);
    }

    const after = await serve({ data, port: 0, logger: pino({ level: 'silent' }) });
    const { db } = after.env.store;
    const lost: string[] = [];
    const broken: string[] = [];
    const photos = new Map((await db.photo.all({})).map((row) => [row.id, row]));
    for (const id of taken.photos) {
      const row = photos.get(id);
      const path = row && join(data, 'photos', row.hash.slice(0, 2), `${row.hash}.jpg`);
      if (!path || !existsSync(path) || sha256(readFileSync(path)) !== row.hash) lost.push(`photo ${id}`);
    }
    const records = new Map((await db.record.all({})).map((row) => [row.id, row]));
    lost.push(...taken.records.filter((id) => !records.has(id)).map((id) => `record ${id}`));
    const faults = new Set((await db.fault.all({}, { columns: ['id'] })).map(({ id }) => id));
    lost.push(...taken.faults.filter((id) => !faults.has(id)).map((id) => `fault ${id}`));
    const entries = await db.logEntry.all({}, { order: [['sequence', 'ASC']] });
    entries.forEach((entry, i) => {
      if (entry.leafHash !== leafHash(entry.canonical)) broken.push(`entry ${entry.sequence}: hash`);
      if (entry.sequence !== i + 1) broken.push(`entry ${entry.sequence}: a hole before it`);
    });
    const logged = new Map(
      entries.filter(({ kind }) => kind === 'record').map((entry) => [entry.subjectId, entry.canonical]),
    );
    for (const [id, { canonical }] of records)
      if (logged.get(id) !== canonical) broken.push(`record ${id}: not in the log as it is`);
    const [check] = (await db.sequelize.query('PRAGMA integrity_check', { raw: true })) as unknown as [
      { integrity_check: string }[],
    ];
    if (check[0]?.integrity_check !== 'ok') broken.push(`file: ${JSON.stringify(check)}`);
    await after.close();
    return {
      kills,
      photos: taken.photos.length,
      records: taken.records.length,
      faults: taken.faults.length,
      lost,
      broken,
    };
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

async function start(data: string, port: string): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', CHILD, data, port], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((ready, failed) => {
    child.stdout!.once('data', () => ready());
    child.once('exit', (code) => failed(new Error(`the server ended with ${code}`)));
  });
  child.removeAllListeners('exit');
  return child;
}
