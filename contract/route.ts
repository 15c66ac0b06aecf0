/** One row of the door's table: a route, who may call it, how often, how much it takes in, and what passes there. */
import type { Role } from './people/people.ts';

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

export interface Route<M extends Method = Method, P extends string = string, Exchange = unknown> {
  readonly method: M;
  readonly path: P;
  /** `anyone` needs no session. */
  readonly roles: readonly Role[] | 'anyone';
  /** Requests a minute of one session (or one address, where there is none). */
  readonly perMinute: number;
  /** Largest body in kB; 0 takes none. */
  readonly bodyKb: number;
  /** It is about the whole office: nobody may call it who is limited to some properties. */
  readonly wholeOffice?: boolean;
  /** What its service may refuse, by the key of the problem, beside what any route may (`ANY_ROUTE_REFUSES`). */
  readonly problems?: readonly string[];
  /** The form taken and the answer given: a type alone, with nothing there when it runs. */
  readonly passes?: Exchange;
}

export const MANAGER: readonly Role[] = ['manager'];
export const OFFICE: readonly Role[] = ['manager', 'staff'];
/** Whoever works or lives here. */
export const RESIDENTS: readonly Role[] = [...OFFICE, 'tenant'];
/** Whoever does jobs. */
export const DOERS: readonly Role[] = [...RESIDENTS, 'contractor'];

/** Whoever may read how homes stand: an owner by a link, of what the link names. */
export const READERS: readonly Role[] = ['manager', 'owner'];
/** Whoever may be signed in at all. */
export const ANYBODY: readonly Role[] = [...DOERS, 'owner'];

/** Something was made, under this id. */
export interface Made {
  readonly id: string;
}

/** A row for reading. */
export const read = <P extends string>(path: P, roles: Route['roles']): Route<'GET', P> => ({
  method: 'GET',
  path,
  roles,
  perMinute: 600,
  bodyKb: 0,
});

/** A row for writing. */
export const write = <M extends 'POST' | 'PUT' | 'DELETE', P extends string>(
  method: M,
  path: P,
  roles: Route['roles'],
  bodyKb = 32,
  perMinute = 240,
): Route<M, P> => ({ method, path, roles, perMinute, bodyKb });

/** A row about the whole office, and not about one property or another. */
export const wholeOffice = <R extends Route>(row: R): R => ({ ...row, wholeOffice: true });

/** What any route may refuse before its service is asked, or because of what it is asked for. */
export const ANY_ROUTE_REFUSES: readonly string[] = [
  // Who asks, how often, and from where.
  'signIn',
  'notAllowed',
  'limited',
  'csrf',
  'tooMany',
  // What is sent, and what it is about.
  'badRequest',
  'badQuery',
  'formTooLarge',
  'tooMuch',
  'fields',
  'notFound',
  'idTaken',
  'refersToNothing',
  // A write that is sent again.
  'noKey',
  'keyReused',
  'toldOnce',
  'internal',
];

/** Chemistry that does not go together in one piece of work. */
export const AGENTS: readonly string[] = ['agentsBranch', 'agentsForbidden', 'agentsMeet'];
/** Why work may not be given, whoever gives it. */
export const GIVING: readonly string[] = [...AGENTS, 'machineRetired', 'machineStopped', 'pointTaken'];

/** A row with what its service may refuse; the door holds the service to it where `strict`. */
export const refusing = <R extends Route>(row: R, ...problems: readonly string[]): R => ({ ...row, problems });

/**
 * A row with what passes at its route, as types: the web's call and the server's handler are both held to them, and no
 * schema travels to a page that does not check by it. A row without answers with a file, or takes a file or a message.
 */
export const passing =
  <Exchange extends { readonly form?: unknown; readonly answer: unknown }>() =>
  <M extends Method, P extends string>(row: Route<M, P>): Route<M, P, Exchange> =>
    row as Route<M, P, Exchange>;
