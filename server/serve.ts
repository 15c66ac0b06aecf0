/** Starts the server on a data folder. */
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { type Env } from './context/context.ts';
import { teachDefined } from './register/defined.ts';
import { turnDay } from './clock/daily.ts';
import { createApp } from './http/app.ts';
import { sweepReceipts } from './http/once.ts';
import { bringUpToDate } from './clock/upgrade.ts';
import { callOnDuty } from './notices/calls.ts';
import { remind } from './notices/reminders.ts';
import { tellHouseholds } from './notices/telling.ts';
import { openStandIn } from './ports/standIn.ts';
import { keepGuesses, recallGuesses } from './people/keptGuesses.ts';
import { sweepSessions } from './people/sessions.ts';
import { sweepPhotos } from './photos/photos.ts';
import { openStore } from './store/store.ts';
import { createEnv } from './createEnv.ts';

export interface ServeOptions {
  readonly data: string;
  readonly port: number;
  readonly host?: string;
  readonly web?: string;
  readonly clock?: () => number;
  readonly logger?: Logger;
  readonly rateFactor?: number;
  /** As `createApp` has it. */
  readonly strict?: boolean;
  /** Where people reach this server, such as `https://upkeep.example.org`; else where it listens. */
  readonly address?: string;
  /** Whose word about a caller's address is believed: a list or count of proxies, as Express has it. */
  readonly proxies?: string;
  /** Key and certificate, PEM, where this server speaks TLS itself. */
  readonly tls?: { readonly key: Buffer; readonly cert: Buffer };
  /** Port on which the mail stand-in takes letters; absent: none runs. */
  readonly standInPort?: number;
}

export interface Running {
  readonly env: Env;
  readonly url: string;
  readonly standInPort: number | null;
  close(): Promise<void>;
}

/** Whoever is slower holds a connection and nothing else: a photo over the thinnest line takes two minutes. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 180_000;
const MOST_CONNECTIONS = 2000;
const SWEEP_EVERY_MS = 3_600_000;
const CALL_EVERY_MS = 2_000;
const REMIND_EVERY_MS = 60_000;
const KEEP_EVERY_MS = 1_000;

/** Opens the store and serves: the routes, the web, the clock’s work. */
export async function serve({
  data,
  port,
  host = '127.0.0.1',
  web,
  clock,
  logger = pino(),
  rateFactor = 1,
  strict = false,
  address,
  proxies,
  tls,
  standInPort,
}: ServeOptions): Promise<Running> {
  const store = await openStore(join(data, 'dewline.sqlite'));
  let url = '';
  const standIn =
    standInPort === undefined
      ? null
      : await openStandIn(standInPort).catch((error: unknown) => {
          logger.warn({ error }, 'the mail stand-in could not be opened');
          return null;
        });
  const env = createEnv(store, join(data, 'photos'), clock, {
    address: () => address ?? url,
    publicAddress: address ?? null,
    ...(standIn && { letters: standIn.letters }),
  });
  await teachDefined(store.db);
  const redrawn = await bringUpToDate(env);
  if (redrawn > 0) logger.info({ redrawn }, 'lines of an older version were drawn anew');
  await recallGuesses(env);
  const app = createApp(env, { logger, rateFactor, strict, web, ...(proxies && { proxies }) });
  const server: Server = tls ? createSecureServer(tls, app) : createServer(app);
  server.headersTimeout = HEADERS_MS;
  server.requestTimeout = REQUEST_MS;
  server.maxConnections = MOST_CONNECTIONS;
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  const sweep = () =>
    Promise.all([sweepPhotos(env), sweepReceipts(env), sweepSessions(env), turnDay(env)]).catch((error: unknown) =>
      logger.error({ error }, 'sweep failed'),
    );
  const timer = setInterval(sweep, SWEEP_EVERY_MS);
  timer.unref();
  let calling: Promise<unknown> = Promise.resolve();
  const callTimer = setInterval(() => {
    calling = calling.then(() => callOnDuty(env)).catch((error: unknown) => logger.error({ error }, 'calling failed'));
  }, CALL_EVERY_MS);
  callTimer.unref();
  let keeping: Promise<unknown> = Promise.resolve();
  const keepTimer = setInterval(() => {
    keeping = keeping.then(() => keepGuesses(env)).catch((error: unknown) => logger.error({ error }, 'keeping failed'));
  }, KEEP_EVERY_MS);
  keepTimer.unref();
  let reminding: Promise<unknown> = Promise.resolve();
  const remindTimer = setInterval(() => {
    reminding = reminding
      .then(() => Promise.all([remind(env), tellHouseholds(env)]))
      .catch((error: unknown) => logger.error({ error }, 'reminding failed'));
  }, REMIND_EVERY_MS);
  remindTimer.unref();
  url = `http${tls ? 's' : ''}://${host}:${(server.address() as AddressInfo).port}`;
  void sweep();
  return {
    env,
    url,
    standInPort: standIn?.port ?? null,
    async close() {
      clearInterval(timer);
      clearInterval(callTimer);
      clearInterval(remindTimer);
      clearInterval(keepTimer);
      await Promise.all([calling, reminding, keeping, env.redrawing.stop()]);
      await standIn?.close();
      await new Promise((resolve) => {
        server.close(resolve);
        server.closeAllConnections();
      });
      await keepGuesses(env);
      await store.close();
    },
  };
}
