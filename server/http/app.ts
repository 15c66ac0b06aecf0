/**
 * The door: mounts every route of the contract's table, and nothing else. Each call is limited,
 * recognised, authorised, checked against its form, and answered by one service.
 */
import { parseCookie } from 'cookie';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import compression from 'compression';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { LINES_LEFT } from '../../contract/due/due.ts';
import { ANY_ROUTE_REFUSES, type Route } from '../../contract/route.ts';
import { areaOf, ROUTES, type RouteName } from '../../contract/routes.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sessionReader } from '../people/sessions.ts';
import { bearerOf } from '../people/tokens.ts';
import type { AnyHandler } from './handler.ts';
import { HANDLERS } from './handlers.ts';
import { answerBefore, writeOnce } from './once.ts';
import { countPutOff } from '../sql/redraw.ts';
import { beginAnswer } from '../context/breathe.ts';
import { notFound, Problem } from '../context/problem.ts';
import { idsMadeBy, refuseTakenIds } from '../lookup/ids.ts';
import { actorOf, callIn, formOf, supposedIn, identityOf, contentOf, COOKIE, type Respond } from './request.ts';
import { ownRoutes } from './ownRoutes.ts';
import { answerProblems } from './problems.ts';
import { readable, refuseOutside } from './limits.ts';
import { limit } from './throttle.ts';
import { uploads } from './upload.ts';
import { weigh } from './weigh.ts';

export interface AppOptions {
  readonly logger: Logger;
  /** Multiplies every rate limit; tests and benchmarks raise it. */
  readonly rateFactor?: number;
  /** A problem that the row of its route does not name is a mistake of ours, and answered like one; tests say so. */
  readonly strict?: boolean;
  /** Whose word about a caller's address is believed, as Express has it; absent: a proxy on this machine. */
  readonly proxies?: string;
  /** Folder of the built web; absent in tests of the API alone. */
  readonly web?: string | undefined;
}

/**
 * Mounts every route of the table with its limits, roles and form, and the built web beside them.
 * @throws Problem: signIn (401), notAllowed (403), notFound (404)
 */
export function createApp(
  env: Env,
  { logger, rateFactor = 1, strict = false, proxies = 'loopback', web }: AppOptions,
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', /^\d+$/.test(proxies) ? Number(proxies) : proxies);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'style-src': ["'self'", "'unsafe-inline'"],
          'upgrade-insecure-requests': null,
        },
      },
      // Only where everybody comes by TLS: a browser keeps the promise for a year.
      strictTransportSecurity: env.publicAddress?.startsWith('https:') ? { maxAge: 31_536_000 } : false,
    }),
  );

  app.use((_request, response, next) => {
    const over = beginAnswer();
    response.once('close', over).once('answered', over);
    next();
  });
  const recognise = sessionReader(env);
  const respond: Record<RouteName, Respond> = { ...ownRoutes(env, recognise, logger), ...servedRoutes(env, logger) };
  const api = express.Router();
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const route: Route = ROUTES[name];
    const method = route.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    const authorise: RequestHandler = async (request, _response, next) => {
      const bearer = await bearerIn(env, request, name, route);
      const token = parseCookie(request.headers.cookie ?? '')[COOKIE];
      const session = token && !bearer ? await recognise(token) : null;
      const actor = bearer ?? session;
      Object.assign(request, { actor });
      if (route.roles !== 'anyone') {
        if (!actor) throw new Problem(401, 'signIn');
        if (!actor.roles.some((role) => (route.roles as readonly string[]).includes(role)))
          throw new Problem(403, 'notAllowed');
        if (route.wholeOffice && actor.properties) throw new Problem(403, 'limited');
      }
      refuseStrangeIds(request.params as Record<string, string>);
      // A browser sends no token by itself, so that there is no foreign page behind one.
      if (route.method !== 'GET' && !bearer) refuseForeign(request, route.roles === 'anyone' ? null : actor);
      next();
    };
    api[method](
      route.path,
      authorise,
      limit(route, rateFactor),
      ...bodyOf(name, route, env.photos),
      async (request, response) => {
        try {
          await respond[name](request, response, actorOf(request));
        } catch (error) {
          throw strict && error instanceof Problem && !mayRefuse(route, error) ? unnamed(name, error) : error;
        }
      },
    );
  }
  api.use(() => {
    throw new Problem(404, 'notFound');
  });
  app.use('/api', api);
  if (web) mountWeb(app, web);
  app.use(answerProblems(env, logger));
  return app;
}

const mayRefuse = ({ problems = [] }: Route, { key }: Problem) =>
  problems.includes(key) || ANY_ROUTE_REFUSES.includes(key);
const unnamed = (name: RouteName, { key }: Problem) => new Error(`${name} refuses ${key}, which its row does not name`);

/**
 * Who comes by a token, within what it was made for; null where nobody does.
 * @throws Problem: signIn (401), notAllowed (403)
 */
async function bearerIn(env: Env, request: Request, name: RouteName, route: Route): Promise<Actor | null> {
  const [scheme, token] = (request.headers.authorization ?? '').split(' ');
  if (scheme?.toLowerCase() !== 'bearer' || !token || route.roles === 'anyone') return null;
  const bearer = await bearerOf(env, token);
  if (!bearer) throw new Problem(401, 'signIn');
  if (!bearer.areas.includes(areaOf(name)) || (route.method !== 'GET' && !bearer.writes))
    throw new Problem(403, 'notAllowed');
  return bearer.actor;
}

/** What no id, number or kind looks like is nowhere. @throws Problem: notFound (404) */
function refuseStrangeIds(params: Readonly<Record<string, string>>): void {
  if (Object.values(params).some((value) => value.length > LONGEST_ID || value.includes('\0'))) throw notFound();
}
const LONGEST_ID = 100;

/** A write comes from our own pages: the session's own token, and no foreign site behind it. */
function refuseForeign(request: Request, actor: Actor | null): void {
  const site = request.get('sec-fetch-site');
  if (site && site !== 'same-origin' && site !== 'none') throw new Problem(403, 'csrf');
  if (actor && request.get('x-csrf-token') !== actor.csrf) throw new Problem(403, 'csrf');
}

function bodyOf(name: RouteName, { bodyKb, method }: Route, photos: string): RequestHandler[] {
  if (name === 'photo.create') return uploads(photos);
  // The bytes as they came: a signature is over them.
  if (name === 'inbox.signal') return [express.raw({ type: () => true, limit: `${bodyKb}kb` })];
  const weighed: RequestHandler = (request, _response, next) => {
    weigh(request.body);
    next();
  };
  return method === 'GET' || bodyKb === 0 ? [] : [express.json({ limit: `${bodyKb}kb` }), weighed];
}

/** Routes answered by one service each. */
function servedRoutes(env: Env, logger: Logger): Record<keyof typeof HANDLERS, Respond> {
  const handlers: Readonly<Record<string, AnyHandler>> = HANDLERS;
  const draw = drawer(env, logger);
  const mounted = Object.entries(handlers).map(([name, handler]) => [
    name,
    served(env, handler, ROUTES[name as RouteName], draw),
  ]);
  return Object.fromEntries(mounted) as Record<keyof typeof HANDLERS, Respond>;
}

function served(env: Env, handler: AnyHandler, route: Route, draw: (told: Response) => Promise<void>): Respond {
  const { form, secret = false } = handler;
  return async (request, response, actor) => {
    const params = request.params as Record<string, string>;
    const callOn = (db: Call['db']) => callIn(env, request, db);
    if (route.method === 'GET') {
      response
        .set('cache-control', 'no-store')
        .json(await handler.run(callOn(await readable(env, actor)), form && formOf(form, supposedIn(request)), params));
      return;
    }
    const read: unknown = form ? formOf(form, request.body) : {};
    await refuseOutside(env, actor!, route.path, params, read);
    const identity = { ...identityOf(request, actor!, contentOf(request.body)), secret };
    // What was answered before is not prepared again: a password that was changed is not the current one any more.
    const before = handler.prepare && (await answerBefore(env.store.db, identity));
    const prepared =
      handler.prepare && !before
        ? await handler.prepare(read, { env: callOn(env.store.db).env, actor: actor!, gone: goneWith(response) })
        : read;
    const answer =
      before ??
      (await writeOnce(env, identity, async (db) => {
        await refuseTakenIds(db, idsMadeBy(read));
        return handler.run(callOn(db), prepared, params);
      }));
    if (!before) await draw(response);
    response.status(answer.status).json(answer.body);
  };
}

/** Where a write has put lines off, they are drawn now, and its answer says how many there are. */
function drawer(env: Env, logger: Logger): (told: Response) => Promise<void> {
  let seen = 0;
  return async (told) => {
    const revision = env.store.revisionOf(['mark']);
    if (revision === seen) return;
    seen = revision;
    const left = await countPutOff(env.store.db);
    if (left === 0) return;
    told.set(LINES_LEFT, String(left));
    env.redrawing.run().catch((error: unknown) => logger.error({ err: error }, 'lines could not be drawn'));
  };
}

/** A signal that is given when whoever asked goes away before the answer. */
function goneWith(response: Response): AbortSignal {
  const gone = new AbortController();
  response.on('close', () => {
    if (!response.writableEnded) gone.abort();
  });
  return gone.signal;
}

const FILE =
  /\.(?:js|mjs|css|map|json|webmanifest|html?|txt|xml|svg|png|jpe?g|gif|webp|ico|woff2?|ttf|pdf|zip|php|env|ya?ml)$/i;

function mountWeb(app: Express, web: string): void {
  app.use(compression());
  app.use('/assets', express.static(`${web}/assets`, { immutable: true, maxAge: '1y' }));
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  // What is a file and was not found above is nowhere; a page in its place would be kept as that file. A screen's
  // address may end in a point and a word, too: `/procedures/washer.tub`.
  app.get(FILE, (_request, response) => void response.status(404).type('text').send('Not found'));
  app.get(['/home', '/home/{*rest}'], (_request, response) =>
    response.set('cache-control', 'no-cache').sendFile(`${web}/home.html`),
  );
  app.get('/{*rest}', (_request, response) => response.set('cache-control', 'no-cache').sendFile(`${web}/index.html`));
}
