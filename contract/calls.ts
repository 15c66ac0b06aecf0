/** Calling a route by its name: the parameters of its path, the form that it takes, the answer that it gives. */
import type { Method, Route } from './route.ts';
import { ROUTES, type RouteName } from './routes.ts';

type ParamIn<P extends string> = P extends `${infer A}/${infer B}`
  ? ParamIn<A> | ParamIn<B>
  : P extends `:${infer K}`
    ? K
    : never;

/** Values for the parameters of a route's path. */
export type ParamsOf<N extends RouteName> = Readonly<Record<ParamIn<(typeof ROUTES)[N]['path']>, string | number>>;

/** Nothing of what is sent is changed on the way. */
type ReadonlyDeep<T> = T extends readonly (infer E)[]
  ? readonly ReadonlyDeep<E>[]
  : T extends object
    ? { readonly [K in keyof T]: ReadonlyDeep<T[K]> }
    : T;

/** What passes at each route that takes a form or none, and answers with JSON. */
type Exchanges = {
  [
    N in RouteName as (typeof ROUTES)[N] extends Route<Method, string, { readonly answer: unknown }> ? N : never
  ]: NonNullable<(typeof ROUTES)[N]['passes']>;
};
export type CallName = keyof Exchanges;
export type AnswerOf<N extends CallName> = Exchanges[N]['answer'];
export type FormOf<N extends CallName> = Exchanges[N] extends { form: infer F } ? F : undefined;

/**
 * What a call is given: the parameters of its path, its form, the key under which a repeated write acts once, and what
 * stops it.
 */
export type InputOf<N extends CallName> = ParamsOf<N> &
  (Exchanges[N] extends { form: infer F } ? { readonly form: ReadonlyDeep<F> } : { readonly form?: undefined }) & {
    readonly once?: string;
    /** Given to a call that can be stopped on its way. */
    readonly stop?: AbortSignal;
  };

/** The address of a route, below `/api`. */
export function pathOf<N extends RouteName>(name: N, params: ParamsOf<N>): string {
  const values = params as Readonly<Record<string, string | number>>;
  return ROUTES[name].path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(values[key]!));
}
