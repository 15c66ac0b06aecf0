/**
 * The door: mounts every route of the contract's table, and nothing else. Each call is limited,
 * recognised, authorised, checked against its form, and answered by one service.
 */
import { parseCookie } from 'cookie';
import express, { type Express, type Request, type RequestHandler } from 'express';
import compression from 'compression';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import multer from 'multer';
import type { Logger } from 'pino';
import { MAX_PHOTO_MB } from '../../contract/form/limits.ts';
import { ANY_ROUTE_REFUSES, type Route } from '../../contract/route.ts';
import { ROUTES, type RouteName } from '../../contract/routes.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sessionReader } from '../people/sessions.ts';
import type { AnyHandler } from './handler.ts';
import { HANDLERS } from './handlers.ts';
import { writeOnce } from './once.ts';
import { Problem } from '../context/problem.ts';
import { idsMadeBy, refuseTakenIds } from '../lookup/ids.ts';
import {
  actorOf,
  formOf,
  supposedIn,
  identityOf,
  contentOf,
  unitsOf,
  originOf,
  COOKIE,
  type Respond,
} from './request.ts';
import { ownRoutes } from './ownRoutes.ts';
import { answerProblems } from './problems.ts';

export interface AppOptions {
  readonly logger: Logger;
  /** Multiplies every rate limit; tests and benchmarks raise it. */
  readonly rateFactor?: number;
  /** A problem that the row of its route does not name is a mistake of ours, and answered like one; tests say so. */
  readonly strict?: boolean;
  /** Folder of the built web; absent in tests of the API alone. */
  readonly web?: string | undefined;
}

/**
 * Mounts every route of the table with its limits, roles and form, and the built web beside them.
 * @throws Problem: signIn (401), notAllowed (403), notFound (404)
 */
export function createApp(env: Env, { logger, rateFactor = 1, strict = false, web }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', 'loopback');
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
      strictTransportSecurity: false,
    }),
  );

  const recognise = sessionReader(env);
  const respond: Record<RouteName, Respond> = { ...ownRoutes(env, recognise), ...servedRoutes(env) };
  const api = express.Router();
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const route: Route = ROUTES[name];
    const method = route.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    const authorise: RequestHandler = async (request, _response, next) => {
      const token = parseCookie(request.headers.cookie ?? '')[COOKIE];
      const actor = token ? await recognise(token) : null;
      Object.assign(request, { actor });
      if (route.roles !== 'anyone') {
        if (!actor) throw new Problem(401, 'signIn');
        if (!actor.roles.some((role) => (route.roles as readonly string[]).includes(role)))
          throw new Problem(403, 'notAllowed');
      }
      if (route.method !== 'GET') refuseForeign(request, route.roles === 'anyone' ? null : actor);
      next();
    };
    api[method](route.path, authorise, limit(route, rateFactor), ...bodyOf(name, route), async (request, response) => {
      try {
        await respond[name](request, response, actorOf(request));
      } catch (error) {
        throw strict && error instanceof Problem && !mayRefuse(route, error) ? unnamed(name, error) : error;
      }
    });
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

/** A write comes from our own pages: the session's own token, and no foreign site behind it. */
function refuseForeign(request: Request, actor: Actor | null): void {
  const site = request.get('sec-fetch-site');
  if (site && site !== 'same-origin' && site !== 'none') throw new Problem(403, 'csrf');
  if (actor && request.get('x-csrf-token') !== actor.csrf) throw new Problem(403, 'csrf');
}

/**
 * The throttle of a route: so many calls a minute from one address or one session.
 * @throws Problem: tooMany (429)
 */
export function limit(route: Route, rateFactor: number): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: route.perMinute * rateFactor,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    validate: false,
    keyGenerator: (request) => actorOf(request as Request)?.sessionId ?? request.ip ?? 'unknown',
    handler: () => {
      throw new Problem(429, 'tooMany');
    },
  });
}

function bodyOf(name: RouteName, { bodyKb, method }: Route): RequestHandler[] {
  if (name === 'photo.create') {
    const upload = multer({
      storage: multer.memoryStorage(),
      limits: { fileSize: MAX_PHOTO_MB * 1024 * 1024, files: 1, fields: 4, fieldSize: 200 },
    });
    return [upload.single('photo')];
  }
  // The bytes as they came: a signature is over them.
  if (name === 'inbox.signal') return [express.raw({ type: () => true, limit: `${bodyKb}kb` })];
  return method === 'GET' || bodyKb === 0 ? [] : [express.json({ limit: `${bodyKb}kb` })];
}

/** Routes answered by one service each. */
function servedRoutes(env: Env): Record<keyof typeof HANDLERS, Respond> {
  const handlers: Readonly<Record<string, AnyHandler>> = HANDLERS;
  const mounted = Object.entries(handlers).map(([name, handler]) => [
    name,
    served(env, handler, ROUTES[name as RouteName]),
  ]);
  return Object.fromEntries(mounted) as Record<keyof typeof HANDLERS, Respond>;
}

function served(env: Env, handler: AnyHandler, route: Route): Respond {
  const { form, secret = false } = handler;
  return async (request, response, actor) => {
    const params = request.params as Record<string, string>;
    const callOn = (db: Call['db']): Call => ({
      env,
      db,
      actor: actor!,
      now: env.clock(),
      units: unitsOf(request),
      origin: originOf(request),
    });
    if (route.method === 'GET') {
      response
        .set('cache-control', 'no-store')
        .json(await handler.run(callOn(env.store.db), form && formOf(form, supposedIn(request)), params));
      return;
    }
    const read: unknown = form ? formOf(form, request.body) : {};
    const prepared = handler.prepare ? await handler.prepare(read) : read;
    const answer = await writeOnce(
      env,
      { ...identityOf(request, actor!, contentOf(request.body)), secret },
      async (db) => {
        await refuseTakenIds(db, idsMadeBy(read));
        return handler.run(callOn(db), prepared, params);
      },
    );
    response.status(answer.status).json(answer.body);
  };
}

function mountWeb(app: Express, web: string): void {
  app.use(compression());
  app.use('/assets', express.static(`${web}/assets`, { immutable: true, maxAge: '1y' }));
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  app.get(['/home', '/home/{*rest}'], (_request, response) =>
    response.set('cache-control', 'no-cache').sendFile(`${web}/home.html`),
  );
  app.get('/{*rest}', (_request, response) => response.set('cache-control', 'no-cache').sendFile(`${web}/index.html`));
}
