/** What a handler is: a service, held to what passes at its route. */
import type { AnySchema } from 'yup';
import type { AnswerOf, FormOf, ParamsOf } from '../../contract/calls.ts';
import type { RouteName } from '../../contract/routes.ts';
import type { Call } from '../context/context.ts';

/** Routes that open a session, send a file or send bytes of their own are mounted by the door itself. */
export type OwnRoute =
  | 'session.read'
  | 'session.open'
  | 'install.create'
  | 'link.exchange'
  | 'access.open'
  | 'access.ask'
  | 'session.close'
  | 'openapi.read'
  | 'photo.create'
  | 'photo.read'
  | 'board.read'
  | 'calendar.read'
  | 'feed.read'
  | 'inbox.signal'
  | 'labels.read'
  | 'register.export'
  | 'register.exportAll'
  | 'alarm.answer'
  | 'duty.try'
  | 'standing.report'
  | 'inspection.paper'
  | 'visit.paper'
  | 'history.paper'
  | 'progress.watch';

/** Routes answered by one service each. */
export type ServedRoute = Exclude<RouteName, OwnRoute>;

/** Who asks, for work that needs no transaction. */
export interface Preparing extends Pick<Call, 'env' | 'actor'> {
  /** Aborted when whoever asked has gone. */
  readonly gone: AbortSignal;
}

/** A route's service, held to what passes at that route. */
export interface Handler<N extends ServedRoute> {
  /** Of a write its body; of a read what stands in the query under `with`, as JSON. */
  readonly form?: AnySchema;
  /** What it answers is told once and not kept. */
  readonly secret?: boolean;
  /** Slow work that needs no transaction, before it begins. */
  prepare?(form: FormOf<N>, by: Preparing): Promise<unknown>;
  run(call: Call, form: FormOf<N>, params: Readonly<Record<keyof ParamsOf<N>, string>>): Promise<AnswerOf<N>>;
}

/** Any handler, for whoever mounts them all: a form that its schema has read, and the parameters of its path. */
export interface AnyHandler {
  readonly form?: AnySchema;
  readonly secret?: boolean;
  prepare?(form: unknown, by: Preparing): Promise<unknown>;
  run(call: Call, form: unknown, params: Readonly<Record<string, string>>): Promise<object>;
}

/** A route that takes no form: a read, or a write that its path says whole. */
export const bare = <P, A>(run: (call: Call, params: P) => Promise<A>) => ({
  run: (call: Call, _form: unknown, params: P) => run(call, params),
});
/** A route that takes a form. */
export const formed = <F, P, A>(form: AnySchema, run: (call: Call, form: F, params: P) => Promise<A>) => ({
  form,
  run,
});
export const secret = <F, P, A>(handler: {
  form?: AnySchema;
  run: (call: Call, form: F, params: P) => Promise<A>;
}) => ({ ...handler, secret: true });
