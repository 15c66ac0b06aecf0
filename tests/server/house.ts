/** A house for tests: a real SQLite file, a clock that is set by hand, and people who call over HTTP. */

import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import sharp from 'sharp';
import request, { type Test } from 'supertest';
import { v7 } from 'uuid';
import { dayFromIso } from '../../core/calendar/day.ts';
import { scenePicture } from '../../core/catalogue/picture.ts';
import { type Env } from '../../server/context/context.ts';
import { createApp } from '../../server/http/app.ts';
import { openStore } from '../../server/store/store.ts';
import { createEnv } from '../../server/createEnv.ts';

export const PASSWORD = 'a long password';
export const ZONE = 'Europe/Dublin';
/** Tuesday 24 November 2026, noon. */
export const NOON = Date.UTC(2026, 10, 24, 12);
export const DAY_MS = 86_400_000;
export const TODAY = dayFromIso('2026-11-24');

export class Caller {
  private cookie = '';
  private csrf = '';
  private readonly app: Parameters<typeof request>[0] | string;
  constructor(app: Parameters<typeof request>[0] | string) {
    this.app = app;
  }

  private dressed(test: Test, key = v7()): Test {
    test.set('idempotency-key', key).set('cookie', this.cookie);
    return this.csrf ? test.set('x-csrf-token', this.csrf) : test;
  }
  get(path: string): Test {
    return request(this.app).get(`/api${path}`).set('cookie', this.cookie);
  }
  post(path: string, form: object = {}, key?: string): Test {
    return this.dressed(request(this.app).post(`/api${path}`), key).send(form);
  }
  put(path: string, form: object = {}, key?: string): Test {
    return this.dressed(request(this.app).put(`/api${path}`), key).send(form);
  }
  delete(path: string, key?: string): Test {
    return this.dressed(request(this.app).delete(`/api${path}`), key);
  }
  async open(path: string, form: object): Promise<void> {
    const { body, headers, status } = await this.post(path, form);
    if (status !== 200) throw new Error(`${path}: ${status} ${JSON.stringify(body)}`);
    this.csrf = body.csrf;
    this.cookie = String(headers['set-cookie']).split(';')[0]!;
  }
  /** A write with a header left out or falsified. */
  raw(method: 'post' | 'get', path: string): Test {
    return request(this.app)[method](`/api${path}`).set('cookie', this.cookie);
  }
  /** Signed in as another caller is, on a server that knows the same session. */
  like(other: Caller): this {
    [this.cookie, this.csrf] = [other.cookie, other.csrf];
    return this;
  }
  /** The headers that a call of theirs carries. */
  dress(): Record<string, string> {
    return { cookie: this.cookie, 'x-csrf-token': this.csrf };
  }
  get token(): string {
    return this.csrf;
  }
  photo(picture: Buffer, name = 'photo.jpg', id = v7(), key = id): Test {
    return this.dressed(request(this.app).post('/api/photos'), key)
      .field('id', id)
      .field('source', 'camera')
      .attach('photo', picture, name);
  }
  /** Sends a drawn photo and gives its id. */
  async take(procedure: string, seed: number): Promise<string> {
    const { body } = await this.photo(await drawn(procedure, seed)).expect(200);
    return body.id;
  }
}

export const drawn = (procedure: string, seed: number, load = 1): Promise<Buffer> =>
  sharp(Buffer.from(scenePicture(procedure, load, seed)))
    .resize(400)
    .jpeg({ quality: 80 })
    .toBuffer();

/** Lets days pass; the manager signs in again, since sessions end. */
export async function letDaysPass(house: House, days: number): Promise<void> {
  house.clock.now += days * DAY_MS;
  await house.manager.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
}

/** What the proof of a record failed at. */
export async function failsOf(house: House, recordId: string): Promise<string[]> {
  const findings = JSON.parse((await house.env.store.db.proof.one({ recordId }))!.findings) as {
    check: string;
    weight: string;
  }[];
  return findings.filter(({ weight }) => weight === 'fail').map(({ check }) => check);
}

export interface House {
  readonly env: Env;
  readonly folder: string;
  readonly app: ReturnType<typeof createApp>;
  clock: { now: number };
  readonly manager: Caller;
  caller(): Caller;
  close(): Promise<void>;
}

/** A house at some point of its life: its database in one file, and the callers who are signed in. */
interface Snapshot<Of> {
  readonly file: Buffer;
  readonly manager: Caller;
  readonly rest: Of;
}

/** The whole database in one file, with what still stands in the journal. */
async function snapshotOf<Of>({ env, folder, manager }: House, rest: Of): Promise<Snapshot<Of>> {
  const whole = join(folder, 'whole.sqlite');
  await env.store.db.sequelize.query(`VACUUM INTO '${whole}'`);
  return { file: readFileSync(whole), manager, rest };
}

async function install(): Promise<Snapshot<null>> {
  const house = await openOn(null);
  await house.manager.open('/install', {
    organisation: 'Saltmarsh & Vane',
    name: 'R. Okonjo-Vane',
    email: 'vane@saltmarsh.example',
    password: PASSWORD,
  });
  const snapshot = await snapshotOf(house, null);
  await house.close();
  return snapshot;
}

export interface HouseOptions {
  readonly rateFactor?: number;
}

async function openOn(snapshot: Snapshot<unknown> | null, { rateFactor = 1000 }: HouseOptions = {}): Promise<House> {
  const folder = mkdtempSync(join(tmpdir(), 'dewline-'));
  if (snapshot) writeFileSync(join(folder, 'dewline.sqlite'), snapshot.file);
  const clock = { now: NOON };
  const store = await openStore(join(folder, 'dewline.sqlite'));
  const env = createEnv(store, join(folder, 'photos'), () => clock.now);
  const app = createApp(env, { logger: pino({ level: 'silent' }), rateFactor, strict: true });
  const manager = new Caller(app);
  return {
    env,
    folder,
    app,
    clock,
    manager: snapshot ? manager.like(snapshot.manager) : manager,
    caller: () => new Caller(app),
    async close() {
      await env.redrawing.stop();
      await store.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Each kind of house is lived once in a process; every other one begins as a copy of its file. */
let installed: Promise<Snapshot<null>> | undefined;
const furnished = new Map<string, Promise<Snapshot<{ readonly flat: Flat; readonly staff: Staff | null }>>>();

/** A house as it is installed: its manager is signed in, and there is nothing else. */
export const openHouse = async (options?: HouseOptions): Promise<House> =>
  openOn(await (installed ??= install()), options);

async function furnish(type: string, isStaffed: boolean) {
  const house = await openHouse();
  const flat = await registerFlat(house, type);
  const staff = isStaffed ? await hire(house) : null;
  const snapshot = await snapshotOf(house, { flat, staff });
  await house.close();
  return snapshot;
}

async function openFurnished(type: string, isStaffed: boolean) {
  const key = `${type} ${isStaffed}`;
  if (!furnished.has(key)) furnished.set(key, furnish(type, isStaffed));
  const snapshot = await furnished.get(key)!;
  const house = await openOn(snapshot);
  const { flat, staff } = snapshot.rest;
  return {
    house,
    flat: { ...flat, tenant: house.caller().like(flat.tenant) },
    staff: staff && { ...staff, caller: house.caller().like(staff.caller) },
  };
}

/** A house with one let flat, as `registerFlat` makes it; its tenant is signed in. */
export async function openFlat(type = 'washer'): Promise<{ house: House; flat: Flat }> {
  const { house, flat } = await openFurnished(type, false);
  return { house, flat };
}

/** A house with one let flat and T. Hollis of its staff, as `registerFlat` and `hire` make them. */
export async function openStaffedFlat(type = 'washer'): Promise<{ house: House; flat: Flat; staff: Staff }> {
  const { staff, ...rest } = await openFurnished(type, true);
  return { ...rest, staff: staff! };
}

/** Somebody of the office, signed in. */
export interface Staff {
  readonly caller: Caller;
  readonly id: string;
}

export interface Flat {
  readonly propertyId: string;
  readonly placeId: string;
  readonly tenancyId: string;
  readonly tenantId: string;
  readonly machineId: string;
  readonly points: Record<string, string>;
  readonly numbers: readonly number[];
  readonly tenant: Caller;
}

/** Somebody new of the office, signed in. */
export async function hire(
  house: House,
  role: 'manager' | 'staff' = 'staff',
  email = 'hollis@saltmarsh.example',
  name = 'T. Hollis',
): Promise<Staff> {
  const id = v7();
  await house.manager.post('/people', { id, name, email, password: PASSWORD, roles: [role] }).expect(200);
  const caller = house.caller();
  await caller.open('/session', { email, password: PASSWORD });
  return { caller, id };
}

export const HOUSEHOLD = { people: 2, pets: 0, cooking: 'average' };

/** Registers a property with one let flat and one machine, all over HTTP, and signs its tenant in by a link. */
export async function registerFlat(house: House, type = 'washer', name = 'Flat 1A'): Promise<Flat> {
  const { manager } = house;
  const [propertyId, placeId, tenancyId, tenantId, machineId] = [v7(), v7(), v7(), v7(), v7()];
  await manager
    .post('/properties', {
      id: propertyId,
      name: 'The Ropewalk',
      address: '2 Hawser Lane',
      zone: ZONE,
      water: { source: 'public', hardnessMgL: 160 },
      practice: 'steady',
    })
    .expect(200);
  // Whoever is asked of in a test comes in without notice, unless it is about notice.
  await manager.put(`/properties/${propertyId}/entry-rule`, { hours: 0 }).expect(200);
  await manager.post('/places', { id: placeId, propertyId, kind: 'unit', name }).expect(200);
  await manager
    .post('/tenancies', {
      id: tenancyId,
      placeId,
      personId: tenantId,
      name: 'I. Marrable',
      from: '2025-01-01',
      household: HOUSEHOLD,
    })
    .expect(200);
  const { body } = await manager
    .post('/machines', {
      id: machineId,
      placeId,
      type,
      fuel: 'electric',
      owner: 'landlord',
      maker: 'Tidesse',
      installed: '2025-01-01',
    })
    .expect(200);
  const rows = await house.env.store.db.point.all({ machineId });
  const tenant = house.caller();
  const link = await manager.post(`/tenancies/${tenancyId}/links`).expect(200);
  await tenant.open('/link', { token: link.body.path.split('#')[1] });
  return {
    propertyId,
    placeId,
    tenancyId,
    tenantId,
    machineId,
    tenant,
    numbers: body.points,
    points: Object.fromEntries(rows.map(({ id, procedure }) => [procedure, id])),
  };
}

/** Gives one point to somebody and returns the job as its doer reads it. */
export async function give(house: House, doer: Caller, assigneeId: string, pointIds: readonly string[]) {
  const id = v7();
  await house.manager.post('/jobs', { id, pointIds, assigneeId }).expect(200);
  return (await doer.get(`/jobs/${id}`).expect(200)).body;
}

interface RefusedAnswer {
  [key: string]: unknown;
}

/** A complete, honest submission of a job. */
export async function honestWork(
  house: House,
  doer: Caller,
  job: {
    tasks: { id: string; procedure: string; state: string }[];
    steps: {
      key: string;
      taskIds: string[];
      needs: { need: RefusedAnswer; taskIds: string[]; choices: { value: string }[] }[];
    }[];
  },
  change: RefusedAnswer = {},
  seed = Math.floor(Math.random() * 1e9),
) {
  const records = [];
  for (const task of job.tasks.filter(({ state }) => state === 'outstanding')) {
    const needs = job.steps.flatMap((step) =>
      step.needs.filter(({ taskIds }) => taskIds.includes(task.id)).map(({ need }) => need),
    );
    const of = (kind: string) => needs.filter((need) => need.kind === kind);
    const photos: { slot: unknown; photoId: string }[] = [];
    for (const { key } of of('photo'))
      photos.push({ slot: key, photoId: await doer.take(task.procedure, seed + photos.length + records.length * 10) });
    records.push({
      id: v7(),
      taskId: task.id,
      photos,
      grade: 'due',
      cavityGrade: of('grade').some(({ key }) => key === 'cavity') ? 'light' : null,
      finds: [],
      confirmed: of('confirm').map(({ key }) => key),
      readings: Object.fromEntries(
        of('reading')
          .filter(({ optional }) => !optional)
          .map(({ key, pass }) => [key, (pass as number[])[1]! - 1]),
      ),
      agent: of('agent').length ? (of('agent')[0]!.choices as string[])[0] : null,
      size: of('size').length ? '16x25x1' : null,
      ...change,
    });
  }
  // As long as the waits and runs of the job take, and then some.
  const waits = job.steps
    .flatMap(({ needs }) => needs)
    .reduce((sum, { need }) => sum + (need.kind === 'timer' ? Number(need.minutes) : 0), 90);
  // Nobody begins before the job was given: the time passes.
  const startedAt = house.clock.now;
  house.clock.now += waits * 60_000;
  return { startedAt, doneAt: house.clock.now, deviceAt: house.clock.now, records };
}
