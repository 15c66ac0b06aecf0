/** What `bin/serve` and `bin/demo` run: opens the data folder, makes the demo where asked, serves, ends cleanly. */
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { buildDemo } from '../demo/build.ts';
import { MAIL_PORT, MANAGER, PROPERTIES, STAFF } from '../demo/scenario.ts';
import { serve } from '../server/serve.ts';
import { openStore, UnusableDatabase } from '../server/store/store.ts';
import { createEnv } from '../server/createEnv.ts';

// Reading source maps for every trace that Sequelize takes would cost more than its queries.
process.setSourceMapsEnabled(false);

const { values } = parseArgs({
  options: {
    demo: { type: 'boolean', default: false },
    fresh: { type: 'boolean', default: false },
    data: { type: 'string' },
    port: { type: 'string', default: process.env.PORT ?? '4600' },
    host: { type: 'string', default: process.env.HOST ?? '127.0.0.1' },
  },
});

const data = resolve(values.data ?? process.env.DEWLINE_DATA ?? (values.demo ? 'data/demo' : 'data/own'));
const { DEWLINE_TLS_KEY: key, DEWLINE_TLS_CERT: cert } = process.env;
const say = (line: string) => process.stdout.write(`${line}\n`);

async function makeDemo(): Promise<void> {
  const file = join(data, 'dewline.sqlite');
  if (values.fresh) rmSync(data, { recursive: true, force: true });
  const marker = join(data, 'complete');
  if (existsSync(marker)) return;
  rmSync(data, { recursive: true, force: true });
  say('Making the demo: eighteen months of three properties, lived day by day.');
  const started = Date.now();
  // The store's library reads a trace at each of some hundred thousand queries.
  const { stackTraceLimit } = Error;
  Error.stackTraceLimit = 0;
  const store = await openStore(file);
  const env = createEnv(store, join(data, 'photos'));
  const emitter = await buildDemo(env, (share) => {
    const full = Math.round(share * 30);
    process.stdout.write(`\r  ${'█'.repeat(full)}${'·'.repeat(30 - full)} ${Math.round(share * 100)} %`);
  });
  Error.stackTraceLimit = stackTraceLimit;
  await store.close();
  writeFileSync(join(data, 'emitter.json'), JSON.stringify(emitter), { mode: 0o600 });
  writeFileSync(marker, new Date().toISOString());
  say(`\r  ${'█'.repeat(30)} 100 %, ${Math.round((Date.now() - started) / 1000)} s`);
}

try {
  if (values.demo) await makeDemo();
  const running = await serve({
    data,
    port: Number(values.port),
    host: values.host,
    web: resolve(import.meta.dirname, '../dist/web'),
    logger: pino({ level: process.env.LOG_LEVEL ?? 'warn' }),
    ...(process.env.DEWLINE_ADDRESS && { address: process.env.DEWLINE_ADDRESS.replace(/\/+$/, '') }),
    ...(process.env.DEWLINE_PROXIES && { proxies: process.env.DEWLINE_PROXIES }),
    ...(key && cert && { tls: { key: readFileSync(key), cert: readFileSync(cert) } }),
    // Alarms of the demo go to the stand-in; People shows what it took.
    ...(values.demo && { standInPort: MAIL_PORT }),
  });
  say(`\nDewline is at ${running.url}`);
  if (values.demo) {
    say(`\nManager  ${MANAGER.email}   password ${MANAGER.password}`);
    for (const { email, password } of STAFF) say(`Staff    ${email}   password ${password}`);
    say('Tenants, by personal link:');
    for (const { name, tenant, link } of PROPERTIES.flatMap(({ homes }) => homes))
      if (link) say(`  ${`${tenant}, ${name}`.padEnd(24)} ${running.url}/home/#${link}`);
  }
  say('\nCtrl-C ends it.');
  const end = async () => {
    await running.close();
    say('\nEnded.');
    process.exit(0);
  };
  process.once('SIGINT', () => void end());
  process.once('SIGTERM', () => void end());
} catch (error) {
  if (error instanceof UnusableDatabase) say(error.message);
  else if ((error as { code?: string }).code === 'EADDRINUSE')
    say(`Port ${values.port} is taken. End what uses it, or set PORT to another.`);
  else throw error;
  process.exit(1);
}
