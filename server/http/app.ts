/**
 * The door: mounts every route of the contract's table, and nothing else. Each call is limited,
 * recognised, authorised, checked against its form, and answered by one service.
 */
import { parseCookie } from 'cookie';
import express, {
  type ErrorRequestHandler,
  type Express,
  type Request,
  type RequestHandler,
  type Response,
} from 'express';
import compression from 'compression';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import multer, { MulterError } from 'multer';
import type { Logger } from 'pino';
import type { AnySchema, InferType } from 'yup';
import { exchangeLink, firstRun, signIn } from '../../contract/people.ts';
import { photoFields } from '../../contract/proof.ts';
import { MAX_PHOTO_MB } from '../../contract/limits.ts';
import { ROUTES, type Route, type RouteName } from '../../contract/routes.ts';
import { check } from '../../contract/validate.ts';
import { SIGNATURE_HEADER } from '../../contract/signals.ts';
import { acknowledgeAlarm } from '../../contract/alarms.ts';
import { acknowledgeByLink } from '../faults/alarms.ts';
import { tryMail } from '../notices/duty.ts';
import { boardReader } from '../pages/board.ts';
import { readCalendar } from '../pages/calendar.ts';
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';
import { recogniseMessage, takeMessage } from '../due/inbox.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import * as people from '../people/people.ts';
import { sessionReader, type NewSession } from '../people/sessions.ts';
import { createPhoto, photoFile, storePhoto, type PhotoForm } from '../photos/photos.ts';
import { labelForm } from '../../contract/labels.ts';
import { printLabels } from '../register/labels.ts';
import { exportRegister } from '../register/table.ts';
import { HANDLERS, type AnyHandler } from './handlers.ts';
import { writeOnce } from './once.ts';
import { conflictOf } from '../store/conflicts.ts';
import { Problem, problemDocument } from '../context/problem.ts';
import { idsMadeBy, refuseTakenIds } from '../lookup/ids.ts';

export const COOKIE = 'dewline';

export interface AppOptions {
  readonly logger: Logger;
  /** Multiplies every rate limit; tests and benchmarks raise it. */
  readonly rateFactor?: number;
  /** Folder of the built web; absent in tests of the API alone. */
  readonly web?: string | undefined;
}

type Respond = (request: Request, response: Response, actor: Actor | null) => Promise<void>;

export function createApp(env: Env, { logger, rateFactor = 1, web }: AppOptions): Express {
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
      await respond[name](request, response, actorOf(request));
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

const actorOf = (request: Request) => (request as Request & { actor: Actor | null }).actor;

/** A write comes from our own pages: the session's own token, and no foreign site behind it. */
function refuseForeign(request: Request, actor: Actor | null): void {
  const site = request.get('sec-fetch-site');
  if (site && site !== 'same-origin' && site !== 'none') throw new Problem(403, 'csrf');
  if (actor && request.get('x-csrf-token') !== actor.csrf) throw new Problem(403, 'csrf');
}

function limit(route: Route, rateFactor: number): RequestHandler {
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

function formOf<S extends AnySchema>(schema: S, body: unknown): InferType<S> {
  const { value, errors } = check(schema, body ?? {});
  if (errors) throw new Problem(422, 'fields', {}, errors);
  return value;
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

const unitsOf = (request: Request): UnitSystem => UNIT_SYSTEMS.find((it) => it === request.get('x-units')) ?? 'metric';
const originOf = (request: Request): string => `${request.protocol}://${request.get('host') ?? 'localhost'}`;

/**
 * A form as it is compared with its repetition. Passwords stay out, since a quick hash of one could be guessed,
 * and so does the device's time of sending, which differs from try to try.
 */
const LEFT_OUT = ['password', 'deviceAt'];

function contentOf(body: unknown): string {
  return JSON.stringify(body ?? {}, (name, value: unknown) => (LEFT_OUT.includes(name) ? undefined : value));
}

function identityOf(request: Request, actor: Actor, content: string) {
  const key = request.get('idempotency-key');
  if (!key || key.length > 80) throw new Problem(400, 'noKey');
  const sequence = Number(request.get('x-device-sequence'));
  return {
    who: actor.personId,
    key,
    content: `${request.method} ${request.originalUrl}\n${content}`,
    organisationId: actor.organisationId,
    device: request.get('x-device')?.slice(0, 80) ?? null,
    deviceSequence: Number.isSafeInteger(sequence) ? sequence : null,
  };
}

/** What a read is asked with: JSON in the query, under `with`. */
function supposedIn(request: Request): unknown {
  const text = request.query.with;
  if (text === undefined) return {};
  try {
    return JSON.parse(String(text));
  } catch {
    throw new Problem(400, 'badQuery');
  }
}

/** Routes that open sessions or answer with bytes. */
function ownRoutes(env: Env, recognise: ReturnType<typeof sessionReader>) {
  const { store } = env;
  const opens =
    (work: (request: Request) => Promise<{ session: NewSession }>): Respond =>
    async (request, response) => {
      const { session } = await work(request);
      response.cookie(COOKIE, session.token, {
        httpOnly: true,
        sameSite: 'lax',
        secure: request.secure,
        path: '/',
        expires: new Date(session.expiresAt),
      });
      // Whoever is let in learns at once who they are: one journey less on a thin line.
      response.json(await people.describeSession(env, await recognise(session.token)));
    };
  const readBoard = boardReader(env);
  return {
    'session.read': async (_request: Request, response: Response, actor: Actor | null) => {
      response.set('cache-control', 'no-store').json(await people.describeSession(env, actor));
    },
    'session.open': opens(async (request) => {
      const person = await people.recognise(env, formOf(signIn, request.body));
      return store.write((db) => people.signIn(env, db, person, env.clock()));
    }),
    'install.create': opens(async (request) => {
      const form = await people.prepareFirstRun(formOf(firstRun, request.body));
      return store.write((db) => people.install(env, db, form, env.clock()));
    }),
    'link.exchange': opens((request) => {
      const { token } = formOf(exchangeLink, request.body) as { token: string };
      return store.write((db) => people.exchangeLink(env, db, token, env.clock()));
    }),
    'alarm.answer': async (request: Request, response: Response) => {
      const { token } = formOf(acknowledgeAlarm, request.body) as { token: string };
      response.json(await store.write((db) => acknowledgeByLink(env, db, token, env.clock())));
    },
    'duty.try': async (_request: Request, response: Response, actor: Actor | null) => {
      response.json(await tryMail({ env, db: store.db, actor: actor!, now: env.clock() }));
    },
    'board.read': async (request: Request, response: Response, actor: Actor | null) => {
      const board = await readBoard(actor!.organisationId);
      const packed = /\bgzip\b/.test(request.get('accept-encoding') ?? '');
      response.set('content-type', 'application/json').set('cache-control', 'no-store').set('vary', 'accept-encoding');
      if (packed) response.set('content-encoding', 'gzip');
      response.end(packed ? await board.gzipped() : board.plain);
    },
    'inbox.signal': async (request: Request, response: Response) => {
      const body = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      const message = await recogniseMessage(store.db, body, request.get(SIGNATURE_HEADER));
      response.json(await store.write((db) => takeMessage(env, db, message, env.clock())));
    },
    'calendar.read': async (request: Request, response: Response, actor: Actor | null) => {
      const { scope, id } = request.params as { scope: string; id: string };
      const { name, text } = await readCalendar({ env, db: store.db, actor: actor!, now: env.clock() }, scope, id);
      response
        .set('content-type', 'text/calendar; charset=utf-8')
        .set('cache-control', 'no-store')
        .set('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}.ics`)
        .send(text);
    },
    'register.export': async (_request: Request, response: Response, actor: Actor | null) => {
      const text = await exportRegister({ env, db: store.db, actor: actor!, now: env.clock() });
      response
        .set('content-type', 'text/csv; charset=utf-8')
        .set('cache-control', 'no-store')
        .set('content-disposition', 'attachment; filename="register.csv"')
        .send(text);
    },
    'labels.read': async (request: Request, response: Response, actor: Actor | null) => {
      const { scope, id } = request.params as { scope: string; id: string };
      const pdf = await printLabels(
        { env, db: store.db, actor: actor!, now: env.clock(), origin: originOf(request) },
        scope,
        id,
        formOf(labelForm, supposedIn(request)),
      );
      response
        .set('content-type', 'application/pdf')
        .set('cache-control', 'no-store')
        .set('content-disposition', 'inline; filename="labels.pdf"')
        .send(pdf);
    },
    'photo.create': async (request: Request, response: Response, actor: Actor | null) => {
      const form = formOf(photoFields, request.body) as PhotoForm;
      if (!request.file) throw new Problem(415, 'notImage');
      const stored = await storePhoto(env, request.file.buffer);
      const answer = await writeOnce(
        env,
        identityOf(request, actor!, `${JSON.stringify(form)} ${stored.hash}`),
        async (db) => {
          await refuseTakenIds(db, [form.id]);
          return createPhoto({ env, db, actor: actor!, now: env.clock() }, form, stored);
        },
      );
      response.status(answer.status).json(answer.body);
    },
    'photo.read': async (request: Request, response: Response, actor: Actor | null) => {
      const path = await photoFile({ env, db: store.db, actor: actor!, now: env.clock() }, String(request.params.id));
      response.set('content-type', 'image/jpeg').set('cache-control', 'private, max-age=86400');
      response.sendFile(path, { dotfiles: 'allow' }, (error) => {
        if (error && !response.headersSent)
          response.status(404).json(problemDocument(new Problem(404, 'notFound'), env.say));
      });
    },
  } satisfies Partial<Record<RouteName, Respond>>;
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

function answerProblems(env: Env, logger: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error, request);
    if (problem.status === 500)
      logger.error({ err: error, method: request.method, path: request.path }, 'unexpected error');
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(JSON.stringify(problemDocument(problem, env.say)));
  };
}

function asProblem(error: unknown, request: Request): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof MulterError)
    return error.code === 'LIMIT_FILE_SIZE'
      ? new Problem(413, 'tooLarge', { mb: MAX_PHOTO_MB })
      : new Problem(400, 'badRequest');
  const conflict = conflictOf(error);
  if (conflict) return new Problem(409, conflict);
  const status = (error as { status?: number } | null)?.status;
  // Photos have their own limit above; what is left is a form.
  if (status === 413)
    return new Problem(413, 'formTooLarge', { kb: Math.round(Number(request.get('content-length') ?? 0) / 1024) });
  return status !== undefined && status >= 400 && status < 500
    ? new Problem(400, 'badRequest')
    : new Problem(500, 'internal');
}
