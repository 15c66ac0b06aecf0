/** Backup and restore: the database by `VACUUM INTO`, and exactly the photos that it names. */
import { copyFileSync, existsSync, mkdirSync, readdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { openStore } from '../server/store/store.ts';

const [command, fromArgument, toArgument] = process.argv.slice(2);
if (!fromArgument || !toArgument || !['backup', 'restore'].includes(command ?? '')) {
  console.error('Usage: bin/backup DATA-FOLDER BACKUP-FOLDER\n       bin/restore BACKUP-FOLDER DATA-FOLDER');
  process.exit(2);
}
const [from, to] = [resolve(fromArgument), resolve(toArgument)];
if (!existsSync(join(from, 'dewline.sqlite'))) {
  console.error(`There is no Dewline database in ${from}.`);
  process.exit(1);
}
if (existsSync(to) && readdirSync(to).length > 0) {
  console.error(`${to} is not empty. Name a new folder; nothing was changed.`);
  process.exit(1);
}
mkdirSync(to, { recursive: true });
const store = await openStore(join(from, 'dewline.sqlite'));
await store.db.sequelize.query('VACUUM INTO ?', { replacements: [join(to, 'dewline.sqlite')] });
const hashes = [
  ...new Set((await store.db.photo.all({ purgedAt: null }, { columns: ['hash'] })).map(({ hash }) => hash)),
];
await store.close();
const missing = hashes.filter((hash) => {
  const path = join('photos', hash.slice(0, 2), `${hash}.jpg`);
  if (!existsSync(join(from, path))) return true;
  mkdirSync(dirname(join(to, path)), { recursive: true });
  copyFileSync(join(from, path), join(to, path));
  return false;
});
const done = command === 'backup' ? 'Backed up' : 'Restored';
console.log(`${done} the database and ${hashes.length - missing.length} photos to ${to}.`);
if (missing.length > 0) {
  console.error(`${missing.length} photos that the database names are not in ${from}.`);
  process.exit(1);
}
