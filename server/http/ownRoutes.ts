/** Routes that open a session, take a file, or answer with bytes of their own. */
import { rm } from 'node:fs/promises';
import type { Logger } from 'pino';
import bowser from 'bowser';
import { type Request } from 'express';
import { type Response } from 'express';
import type { RouteName } from '../../contract/routes.ts';
import { SIGNATURE_HEADER } from '../../contract/due/signals.ts';
import { acknowledgeByLink } from '../faults/alarms.ts';
import { tryMail } from '../notices/duty.ts';
import { boardReader } from '../pages/board.ts';
import { readFeed } from '../pages/feeds.ts';
import { readCalendar } from '../pages/calendar.ts';
import { recogniseMessage, takeMessage } from '../due/inbox.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import * as access from '../people/access.ts';
import { hashPassword } from '../people/passwords.ts';
import * as people from '../people/people.ts';
import { sendAccess } from '../notices/accessLetter.ts';
import { sessionReader, type NewSession } from '../people/sessions.ts';
import { exportAll } from '../exchange/exportAll.ts';
import { createPhoto, photoFile, refuseOverQuota, storePhoto, type PhotoForm } from '../photos/photos.ts';
import { printLabels } from '../register/labels.ts';
import { exportRegister } from '../register/table.ts';
import type { StandingOn } from '../../contract/standing/standing.ts';
import { printReport } from '../standing/report.ts';
import { printVisit } from '../notices/visitPaper.ts';
import { printInspection } from '../faults/inspectionPaper.ts';
import type { HistoryForm } from '../../contract/pages/tape.ts';
import { printHistory } from '../pages/historyPaper.ts';
import { openApi } from './openapi.ts';
import { readable } from './limits.ts';
import { OWN_FORMS } from './ownForms.ts';
import { progressStreams } from './progressStream.ts';
import { answerBefore, writeOnce } from './once.ts';
import { hashOfFile } from './upload.ts';
import { Problem, problemDocument } from '../context/problem.ts';
import { refuseTakenIds } from '../lookup/ids.ts';
import {
  actorOf,
  callIn,
  COOKIE,
  formOf,
  identityOf,
  languageOf,
  originOf,
  supposedIn,
  type Respond,
} from './request.ts';

const sendCalendar = (response: Response, { name, text }: { readonly name: string; readonly text: string }) =>
  response
    .set('content-type', 'text/calendar; charset=utf-8')
    .set('cache-control', 'no-store')
    .set('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}.ics`)
    .send(text);

const sendPaper = (response: Response, pdf: Buffer, name: string) =>
  response
    .set('content-type', 'application/pdf')
    .set('cache-control', 'no-store')
    .set('content-disposition', `inline; filename="${name}.pdf"`)
    .send(pdf);

/** What a session was opened on, as the browser calls itself. */
function deviceOf(request: Request): string {
  const says = request.get('user-agent')?.slice(0, 400);
  if (!says) return '';
  const { browser, os } = bowser.parse(says);
  return [browser.name, os.name].filter(Boolean).join(', ').slice(0, 60);
}

/** Routes that open sessions or answer with bytes. */
export function ownRoutes(env: Env, recognise: ReturnType<typeof sessionReader>, logger: Logger) {
  const { store } = env;
  /** Of routes that somebody must be in for; it reads, outside a transaction. */
  const callOf = async (request: Request): Promise<Call> => callIn(env, request, await readable(env, actorOf(request)));
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
  const readBoard = boardReader();
  const streamProgress = progressStreams();
  return {
    'session.read': async (_request: Request, response: Response, actor: Actor | null) => {
      response.set('cache-control', 'no-store').json(await people.describeSession(env, actor));
    },
    'session.open': opens(async (request) => {
      const form = formOf(OWN_FORMS['session.open'], request.body);
      const person = await people.recognise(env, form);
      return store.write((db) => people.signIn(env, db, person, form, deviceOf(request), env.clock()));
    }),
    'install.create': opens(async (request) => {
      const form = await people.prepareFirstRun(formOf(OWN_FORMS['install.create'], request.body));
      return store.write((db) => people.install(env, db, form, env.clock()));
    }),
    'link.exchange': opens((request) => {
      const { token } = formOf(OWN_FORMS['link.exchange'], request.body) as { token: string };
      return store.write((db) => people.exchangeLink(env, db, token, env.clock()));
    }),
    'access.open': opens(async (request) => {
      const form = formOf(OWN_FORMS['access.open'], request.body);
      const passwordHash = await hashPassword(form.password);
      return store.write((db) => access.openAccess(env, db, { ...form, passwordHash }, deviceOf(request), env.clock()));
    }),
    'access.ask': async (request: Request, response: Response) => {
      const { email } = formOf(OWN_FORMS['access.ask'], request.body);
      // Whether there is such an account is not told, nor by how long the answer takes.
      void sendAccess(env, email).catch((error: unknown) => logger.warn({ err: error }, 'letter not sent'));
      response.json({});
    },
    'session.close': async (request: Request, response: Response) => {
      await store.write(async (db) => people.closeSession({ ...(await callOf(request)), db }));
      response.clearCookie(COOKIE, { path: '/' }).set('clear-site-data', '"cache"').json({});
    },
    'openapi.read': async (request: Request, response: Response) => {
      response.json(openApi(originOf(env, request)));
    },
    'alarm.answer': async (request: Request, response: Response) => {
      const { token } = formOf(OWN_FORMS['alarm.answer'], request.body) as { token: string };
      response.json(await store.write((db) => acknowledgeByLink(env, db, token, env.clock())));
    },
    'duty.try': async (request: Request, response: Response) => {
      response.json(await tryMail(await callOf(request)));
    },
    'board.read': async (request: Request, response: Response) => {
      const { db, env: spoken, actor } = await callOf(request);
      const board = await readBoard(spoken, db, actor.organisationId);
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
    'calendar.read': async (request: Request, response: Response) => {
      const { scope, id } = request.params as { scope: string; id: string };
      sendCalendar(response, await readCalendar(await callOf(request), scope, id));
    },
    'feed.read': async (request: Request, response: Response) => {
      const { token } = request.params as { token: string };
      sendCalendar(response, await readFeed(env, token));
    },
    'register.export': async (request: Request, response: Response) => {
      const text = await exportRegister(await callOf(request));
      response
        .set('content-type', 'text/csv; charset=utf-8')
        .set('cache-control', 'no-store')
        .set('content-disposition', 'attachment; filename="register.csv"')
        .send(text);
    },
    'register.exportAll': async (request: Request, response: Response) => {
      const zip = await exportAll(await callOf(request));
      response
        .set('content-type', 'application/zip')
        .set('cache-control', 'no-store')
        .set('content-disposition', 'attachment; filename="dewline.zip"');
      // Cut off where it cannot go on, so that nobody takes half of it for the whole.
      zip.once('error', (error) => response.destroy(error));
      zip.pipe(response);
    },
    'labels.read': async (request: Request, response: Response) => {
      const { scope, id } = request.params as { scope: string; id: string };
      const pdf = await printLabels(
        await callOf(request),
        scope,
        id,
        formOf(OWN_FORMS['labels.read'], supposedIn(request)),
      );
      sendPaper(response, pdf, 'labels');
    },
    'standing.report': async (request: Request, response: Response) => {
      const kind = String(request.params.kind);
      const call = await callOf(request);
      const pdf = await printReport(
        call,
        kind,
        formOf(OWN_FORMS['standing.report'], supposedIn(request)) as StandingOn,
      );
      sendPaper(response, pdf, `standing-${kind}`);
    },
    'history.paper': async (request: Request, response: Response) => {
      const { scope, id } = request.params as { scope: string; id: string };
      const call = await callOf(request);
      const form = formOf(OWN_FORMS['history.paper'], supposedIn(request)) as HistoryForm;
      sendPaper(response, await printHistory(call, scope, id, form), 'history');
    },
    'visit.paper': async (request: Request, response: Response) => {
      const call = await callOf(request);
      sendPaper(response, await printVisit(call, String(request.params.id)), 'notice');
    },
    'inspection.paper': async (request: Request, response: Response) => {
      const call = await callOf(request);
      sendPaper(response, await printInspection(call, String(request.params.id)), 'inspection');
    },
    'progress.watch': async (request: Request, response: Response) => streamProgress(await callOf(request), response),
    'photo.create': async (request: Request, response: Response) => {
      const { file } = request;
      try {
        const form = formOf(OWN_FORMS['photo.create'], request.body) as PhotoForm;
        if (!file) throw new Problem(415, 'notImage');
        const call = await callOf(request);
        const identity = identityOf(request, call.actor, `${JSON.stringify(form)} ${await hashOfFile(file.path)}`);
        const take = async () => {
          // Whatever would be refused in the end is refused before the picture is unpacked.
          await refuseTakenIds(store.db, [form.id]);
          await refuseOverQuota(call);
          const stored = await storePhoto(env, file.path);
          return writeOnce(env, identity, async (db) => {
            await refuseTakenIds(db, [form.id]);
            return createPhoto({ ...call, db }, form, stored);
          });
        };
        const answer = (await answerBefore(store.db, identity)) ?? (await take());
        response.status(answer.status).json(answer.body);
      } finally {
        if (file) await rm(file.path, { force: true });
      }
    },
    'photo.read': async (request: Request, response: Response) => {
      const path = await photoFile(await callOf(request), String(request.params.id));
      response.set('content-type', 'image/jpeg').set('cache-control', 'no-store');
      response.sendFile(path, { dotfiles: 'allow' }, (error) => {
        if (error && !response.headersSent)
          response.status(404).json(problemDocument(new Problem(404, 'notFound'), env.sayIn(languageOf(request))));
      });
    },
  } satisfies Partial<Record<RouteName, Respond>>;
}
