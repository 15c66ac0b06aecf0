/** A server’s work of telling, of its own, to be killed: `letterChild.ts DATA NOW`; it ends when nothing is left. */
import { join } from 'node:path';
import { createEnv } from '../../server/createEnv.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { openStore } from '../../server/store/store.ts';

process.setSourceMapsEnabled(false);
const [data, now] = process.argv.slice(2);
const store = await openStore(join(data!, 'dewline.sqlite'));
const began = Date.now();
const env = createEnv(store, join(data!, 'photos'), () => Number(now) + Date.now() - began);
process.stdout.write('ready\n');
while ((await tellHouseholds(env)) > 0);
await store.close();
