/** Reads a whole export into a new data folder, and gives its manager a way in. */
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { takeIn, UnreadableExport } from '../server/exchange/takeIn.ts';
import { INVITED_MS, makeAccess } from '../server/people/access.ts';
import { openStore } from '../server/store/store.ts';
import { createEnv } from '../server/createEnv.ts';

const [file, folder] = process.argv.slice(2);
if (!file || !folder) {
  console.error('Usage: bin/takein EXPORT.zip DATA-FOLDER');
  process.exit(2);
}
const data = resolve(folder);
if (!existsSync(file) || (existsSync(data) && readdirSync(data).length > 0)) {
  console.error(
    existsSync(file) ? `${data} is not empty. Name a new folder; nothing was changed.` : `There is no ${file}.`,
  );
  process.exit(1);
}
const store = await openStore(join(data, 'dewline.sqlite'));
const env = createEnv(store, join(data, 'photos'));
try {
  const { rows, photos, logHead } = await takeIn(env, readFileSync(file));
  console.log(
    `Took in ${rows} rows and ${photos} photos.`,
    `The log has ${logHead.entries} entries and ends with ${logHead.hash}, as it did.`,
  );
  const [grant] = await store.db.roleGrant.all({ role: 'manager' });
  const manager = grant && (await store.db.person.one({ id: grant.personId }));
  if (manager) {
    const path = await store.write((db) => makeAccess(env, db, manager, Date.now(), INVITED_MS));
    console.log(
      `Passwords are not in an export. ${manager.name} chooses one at ${path}, behind the address of the server.`,
    );
  }
  await store.close();
} catch (error) {
  await store.close();
  rmSync(data, { recursive: true, force: true });
  if (!(error instanceof UnreadableExport)) throw error;
  console.error(`${error.message} Nothing was written.`);
  process.exitCode = 1;
}
