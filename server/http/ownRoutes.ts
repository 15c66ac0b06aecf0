/** Routes that open a session, take a file, or answer with bytes of their own. */
import { type Request } from 'express';
import { type Response } from 'express';
import { exchangeLink, firstRun, signIn } from '../../contract/people/people.ts';
import { photoFields } from '../../contract/proof/proof.ts';
import type { RouteName } from '../../contract/routes.ts';
import { SIGNATURE_HEADER } from '../../contract/due/signals.ts';
import { acknowledgeAlarm } from '../../contract/faults/alarms.ts';
import { acknowledgeByLink } from '../faults/alarms.ts';
import { tryMail } from '../notices/duty.ts';
import { boardReader } from '../pages/board.ts';
import { readCalendar } from '../pages/calendar.ts';
import { recogniseMessage, takeMessage } from '../due/inbox.ts';
import type { Actor, Env } from '../context/context.ts';
import * as people from '../people/people.ts';
import { sessionReader, type NewSession } from '../people/sessions.ts';
import { createPhoto, photoFile, storePhoto, type PhotoForm } from '../photos/photos.ts';
import { labelForm } from '../../contract/register/labels.ts';
import { printLabels } from '../register/labels.ts';
import { exportRegister } from '../register/table.ts';
import { standingOn, type StandingOn } from '../../contract/standing/standing.ts';
import { printReport } from '../standing/report.ts';
import { printInspection } from '../faults/inspectionPaper.ts';
import { historyOf, type HistoryForm } from '../../contract/pages/tape.ts';
import { printHistory } from '../pages/historyPaper.ts';
import { writeOnce } from './once.ts';
import { Problem, problemDocument } from '../context/problem.ts';
import { refuseTakenIds } from '../lookup/ids.ts';
import { formOf, supposedIn, identityOf, originOf, COOKIE, type Respond } from './request.ts';

const sendPaper = (response: Response, pdf: Buffer, name: string) =>
  response
    .set('content-type', 'application/pdf')
    .set('cache-control', 'no-store')
    .set('content-disposition', `inline; filename="${name}.pdf"`)
    .send(pdf);

/** Routes that open sessions or answer with bytes. */
export function ownRoutes(env: Env, recognise: ReturnType<typeof sessionReader>) {
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
      sendPaper(response, pdf, 'labels');
    },
    'standing.report': async (request: Request, response: Response, actor: Actor | null) => {
      const kind = String(request.params.kind);
      const call = { env, db: store.db, actor: actor!, now: env.clock() };
      const pdf = await printReport(call, kind, formOf(standingOn, supposedIn(request)) as StandingOn);
      sendPaper(response, pdf, `standing-${kind}`);
    },
    'history.paper': async (request: Request, response: Response, actor: Actor | null) => {
      const { scope, id } = request.params as { scope: string; id: string };
      const call = { env, db: store.db, actor: actor!, now: env.clock() };
      const form = formOf(historyOf, supposedIn(request)) as HistoryForm;
      sendPaper(response, await printHistory(call, scope, id, form), 'history');
    },
    'inspection.paper': async (request: Request, response: Response, actor: Actor | null) => {
      const call = { env, db: store.db, actor: actor!, now: env.clock() };
      sendPaper(response, await printInspection(call, String(request.params.id)), 'inspection');
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
