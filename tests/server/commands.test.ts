import { expect } from 'chai';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openStore } from '../../server/store/store.ts';
import { openFlat, openHouse } from './house.ts';

const ROOT = resolve(import.meta.dirname, '../..');
const run = (script: string, ...args: string[]) =>
  spawnSync('node', ['--import', 'tsx', `bin/${script}.ts`, ...args], { cwd: ROOT, encoding: 'utf8' });

describe('The commands', function commands() {
  it('back up a live data folder and restore it: the database and exactly the photos it names', async () => {
    const { house, flat } = await openFlat();
    await flat.tenant.take('washer.doorBoot', 1);
    writeFileSync(join(house.env.photos, 'stray.jpg'), 'not named by the database');
    const [copy, again] = [join(house.folder, 'copy'), join(house.folder, 'again')];
    expect(run('backup', 'backup', house.folder, copy).stdout).to.contain('the database and 1 photos');
    await flat.tenant.take('washer.doorBoot', 2);
    expect(run('backup', 'restore', copy, again).status).to.equal(0);
    const store = await openStore(join(again, 'dewline.sqlite'));
    const photos = await store.db.photo.all({});
    expect(photos).to.have.length(1);
    expect(existsSync(join(again, 'photos', photos[0]!.hash.slice(0, 2), `${photos[0]!.hash}.jpg`))).to.equal(true);
    expect(existsSync(join(again, 'photos', 'stray.jpg'))).to.equal(false);
    await store.close();
    await house.close();
  });

  it('refuse to write a backup over something', async () => {
    const house = await openHouse();
    const { status, stderr } = run('backup', 'backup', house.folder, house.folder);
    expect(status).to.equal(1);
    expect(stderr).to.contain('not empty');
    await house.close();
  });

  it('refuse to start on a broken database, in a sentence, and leave it as it was', async () => {
    const house = await openHouse();
    const data = join(house.folder, 'broken');
    mkdirSync(data);
    writeFileSync(join(data, 'dewline.sqlite'), 'broken');
    const { status, stdout } = run('start', '--data', data, '--port', '0');
    expect(status).to.equal(1);
    expect(stdout).to.contain('is not a Dewline database. Nothing was changed.');
    expect(readFileSync(join(data, 'dewline.sqlite'), 'utf8')).to.equal('broken');
    await house.close();
  });

  it('start on an empty folder, tell the address, and end cleanly', async () => {
    const house = await openHouse();
    const started = spawn(
      'node',
      ['--import', 'tsx', 'bin/start.ts', '--data', join(house.folder, 'own'), '--port', '0'],
      { cwd: ROOT },
    );
    let told = '';
    const url = await new Promise<string>((done) => {
      started.stdout.on('data', (part: Buffer) => {
        told += part.toString();
        const address = /Dewline is at (http:\S+)/.exec(told);
        if (address) done(address[1]!);
      });
    });
    const session = (await (await fetch(`${url}/api/session`)).json()) as { firstRun: boolean };
    expect(session.firstRun).to.equal(true);
    const ended = new Promise<number | null>((done) => started.once('exit', done));
    started.kill('SIGINT');
    expect(await ended).to.equal(0);
    await house.close();
  });

  it('let a simulated machine speak to a running server, and say what it lacks', async () => {
    const { house, flat } = await openFlat();
    const { body: emitter } = await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(200);
    house.clock.now = Date.now();
    const server = house.app.listen(0, '127.0.0.1');
    await new Promise((done) => server.once('listening', done));
    const url = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
    const key = join(house.folder, 'emitter.json');
    writeFileSync(key, JSON.stringify(emitter));
    // Beside the server in this process, so not waited for synchronously.
    const emit = (...args: string[]) =>
      new Promise<{ status: number | null; told: string }>((done) => {
        const child = spawn('node', ['--import', 'tsx', 'bin/emit.ts', '--url', url, ...args], { cwd: ROOT });
        let told = '';
        for (const stream of [child.stdout, child.stderr])
          stream.on('data', (part: Buffer) => {
            told += part.toString();
          });
        child.once('exit', (status) => done({ status, told }));
      });
    const sent = await emit('--key', key, '--type', 'washer.lamp', '--code', 'clean');
    expect([sent.status, sent.told.slice(0, 12)]).to.deep.equal([0, '200 taken as']);
    expect(
      (await house.env.store.db.signal.all({})).map(({ type, note, emitterId }) => [type, note, emitterId]),
    ).to.deep.equal([['washer.lamp', 'clean', emitter.id]]);
    expect((await emit('--key', join(house.folder, 'none.json'))).told).to.contain('Connect a machine at the desk');
    expect((await emit('--key', key, '--type', 'toaster.crumbs')).told).to.contain('No such signal');
    server.close();
    server.closeAllConnections();
    expect((await emit('--key', key)).status).to.equal(1);
    await house.close();
  });
});
