import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import fc from 'fast-check';
import request from 'supertest';
import { v7 } from 'uuid';
import { cellOf, valueOf } from '../../server/exchange/cells.ts';
import { takeIn, UnreadableExport } from '../../server/exchange/takeIn.ts';
import { createEnv } from '../../server/createEnv.ts';
import { logHead } from '../../server/log/head.ts';
import { openStore } from '../../server/store/store.ts';
import { furnished } from './storm.ts';
import { openHouse, PASSWORD, type House } from './house.ts';

const ROOT = resolve(import.meta.dirname, '../..');

/** The bytes of everything, as the manager downloads it. */
async function download(house: House): Promise<Buffer> {
  const { body } = await request(house.app)
    .get('/api/export')
    .set(house.manager.dress())
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  return body as Buffer;
}

async function emptyInstall(folder: string) {
  const store = await openStore(join(folder, 'dewline.sqlite'));
  return createEnv(store, join(folder, 'photos'));
}

describe('A whole export', () => {
  let house: House;
  let bytes: Buffer;
  before(async () => {
    house = await openHouse();
    await furnished(house);
    const mail = {
      host: 'mail.example.org',
      port: 587,
      secure: 'no',
      user: 'u',
      password: 'mail-key',
      from: 'a@example.org',
    };
    await house.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail }).expect(200);
    await house.manager
      .post('/properties', {
        id: v7(),
        name: '=1+1',
        address: '\\N',
        zone: 'Europe/Dublin',
        water: { source: 'well' },
        practice: null,
      })
      .expect(200);
    bytes = await download(house);
  });
  after(() => house.close());

  it('is one zip that explains itself, with nothing in it that opens a door', () => {
    const file = join(house.folder, 'all.zip');
    writeFileSync(file, bytes);
    const listed = execFileSync('python3', ['-m', 'zipfile', '-l', file], { encoding: 'utf8' });
    for (const name of ['schema.json', 'manifest.json', 'tables/record.csv', 'tables/fact.csv', 'photos/'])
      expect(listed).to.contain(name);
    for (const name of ['session', 'receipt', 'access_token', 'accessToken', 'link.csv'])
      expect(listed).not.to.contain(`tables/${name}`);
    const folder = join(house.folder, 'opened');
    execFileSync('python3', ['-m', 'zipfile', '-e', file, folder]);
    const read = (name: string) => readFileSync(join(folder, name), 'utf8');
    expect(JSON.parse(read('schema.json')).tables.person).to.deep.include({
      name: 'passwordHash',
      type: 'text',
      nullable: true,
      secret: true,
    });
    expect(read('tables/person.csv')).not.to.contain('argon2');
    expect(read('tables/fact.csv')).not.to.contain('mail-key');
    // No program takes it for a formula.
    expect(read('tables/property.csv')).to.contain('\\=1+1').and.to.contain('\\\\N');
  });

  it('is read into an empty install whole: rows, photos, hashes of records and the head of the log', async () => {
    const env = await emptyInstall(join(house.folder, 'again'));
    const taken = await takeIn(env, bytes);
    const [organisation] = await house.env.store.db.organisation.all({});
    expect(taken.logHead).to.deep.equal(await logHead(house.env.store, organisation!.id));
    expect(taken.photos).to.be.greaterThan(0);
    for (const table of ['record', 'logEntry', 'fact', 'mark', 'line', 'property', 'photo', 'personal'] as const) {
      const all = async (store: typeof env.store) => (await (store.db[table] as typeof store.db.fact).all({})).length;
      expect(await all(env.store), table).to.equal(await all(house.env.store));
    }
    const records = (store: typeof env.store) =>
      store.db.record
        .all({}, { order: [['id', 'ASC']] })
        .then((rows) => rows.map(({ id, hash, canonical }) => [id, hash, canonical]));
    expect(await records(env.store)).to.deep.equal(await records(house.env.store));
    expect((await env.store.db.property.all({})).map(({ name }) => name)).to.include('=1+1');
    expect((await env.store.db.sequelize.query('PRAGMA foreign_key_check'))[0]).to.deep.equal([]);
    const second = await takeIn(env, bytes).catch((error: Error) => error);
    expect(second).to.be.instanceOf(UnreadableExport);
    await env.store.close();
  });

  it('that was changed, cut off or is something else is refused, and nothing is written', async () => {
    const refused = async (bad: Buffer, says: string) => {
      const env = await emptyInstall(join(house.folder, v7()));
      const problem = await takeIn(env, bad).catch((error: Error) => error);
      expect(problem, says).to.be.instanceOf(UnreadableExport);
      expect((problem as Error).message).to.contain(says);
      expect(await env.store.db.organisation.count({})).to.equal(0);
      await env.store.close();
    };
    await refused(Buffer.from('this is no zip'), 'no zip');
    await refused(bytes.subarray(0, bytes.length - 400), 'cut off');
    // One name in one table, changed in the zip itself.
    const script = [
      'import sys, zipfile',
      'a = zipfile.ZipFile(sys.argv[1]); b = zipfile.ZipFile(sys.argv[2], "w")',
      'for n in a.namelist():',
      '    d = a.read(n)',
      '    b.writestr(n, d.replace(b"Marrable", b"Marrabel") if n == "tables/person.csv" else d)',
      'b.close()',
    ].join('\n');
    const [from, to] = [join(house.folder, 'all.zip'), join(house.folder, 'bent.zip')];
    execFileSync('python3', ['-c', script, from, to]);
    await refused(readFileSync(to), 'tables/person.csv is not what the manifest says');
  });

  it('is taken in by one command, which gives the manager a way in', async () => {
    const data = join(house.folder, 'by-command');
    const run = (file: string) =>
      spawnSync('node', ['--import', 'tsx', 'bin/takein.ts', file, data], { cwd: ROOT, encoding: 'utf8' });
    writeFileSync(join(house.folder, 'none.zip'), 'none');
    expect(run(join(house.folder, 'none.zip')).stderr).to.contain('Nothing was written');
    expect(existsSync(data)).to.equal(false);
    const { stdout, status } = run(join(house.folder, 'all.zip'));
    expect(status).to.equal(0);
    const token = /\/access#(\S+),/.exec(stdout)![1];
    const store = await openStore(join(data, 'dewline.sqlite'));
    const env = createEnv(store, join(data, 'photos'));
    const { openAccess } = await import('../../server/people/access.ts');
    const passwordHash = 'x';
    const opened = await store.write((db) =>
      openAccess(env, db, { token: token!, password: PASSWORD, code: '', passwordHash }, '', Date.now()),
    );
    expect(opened.session.token).to.be.a('string');
    await store.close();
  });

  it('keeps every value through a cell and back, and never begins one like a formula', () => {
    const text = { name: 'x', sql: 'x', type: 'text', nullable: true, secret: false } as const;
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.constantFrom('\\N', '\\', '=1', '@a', '-', '\t', '')), (value) => {
        expect(valueOf(cellOf(value, text), text)).to.equal(value);
        expect(cellOf(value, text)).not.to.match(/^[=+\-@]/);
      }),
    );
    const bytesOf = { ...text, type: 'bytes, base64' } as const;
    fc.assert(
      fc.property(fc.uint8Array(), (value) => {
        expect(valueOf(cellOf(Buffer.from(value), bytesOf), bytesOf)).to.deep.equal(Buffer.from(value));
      }),
    );
    expect(() => valueOf('\\N', { ...text, nullable: false })).to.throw(RangeError);
    expect(() => valueOf('abc', { ...text, type: 'number' })).to.throw(RangeError);
  });
});
