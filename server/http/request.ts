/** What a request says: who calls, its form, its identity, its units. */
import { type Request } from 'express';
import type { AnySchema } from 'yup';
import type { InferType } from 'yup';
import { check } from '../../contract/form/validate.ts';
import { languageAmong, type Language } from '../../core/language/languages.ts';
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';
import { speaking, type Actor, type Call, type Env } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { type Response } from 'express';
import { weigh } from './weigh.ts';

export const actorOf = (request: Request) => (request as Request & { actor: Actor | null }).actor;

/**
 * A body as its form reads it.
 * @throws Problem: fields (422)
 */
export function formOf<S extends AnySchema>(schema: S, body: unknown): InferType<S> {
  const { value, errors } = check(schema, body ?? {});
  if (errors) throw new Problem(422, 'fields', {}, errors);
  return value;
}

/** What a read is asked with: JSON in the query, under `with`. */
export function supposedIn(request: Request): unknown {
  const text = request.query.with;
  if (text === undefined) return {};
  const asked = parsed(String(text));
  weigh(asked);
  return asked;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem(400, 'badQuery');
  }
}

/**
 * Who repeats a write: the actor, the key and what was sent, so that a key is not used for something else.
 * @throws Problem: noKey (400)
 */
export function identityOf(request: Request, actor: Actor, content: string) {
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

/** A body as one text, the same for equal bodies. */
export function contentOf(body: unknown): string {
  return JSON.stringify(body ?? {}, (name, value: unknown) => (LEFT_OUT.includes(name) ? undefined : value));
}

/** A program may ask in other units than its person reads. */
const unitsOf = (request: Request, actor: Actor | null): UnitSystem =>
  UNIT_SYSTEMS.find((it) => it === request.get('x-units')) ?? actor?.units ?? 'metric';

/** What whoever asks is answered in: as they are known to read; of somebody unknown, as their browser says. */
export const languageOf = (request: Request): Language =>
  actorOf(request)?.language ?? languageAmong(request.acceptsLanguages());

/** Where people reach this server, for what is printed: as it was named, else as the caller came. */
export const originOf = ({ publicAddress }: Pick<Env, 'publicAddress'>, request: Request): string =>
  publicAddress ?? `${request.protocol}://${request.get('host') ?? 'localhost'}`;

/** A request as the call of a service: who asks and when, in their language and units, on the tables that are given. */
export function callIn(env: Env, request: Request, db: Call['db']): Call {
  const actor = actorOf(request);
  return {
    env: speaking(env, languageOf(request)),
    db,
    actor: actor!,
    now: env.clock(),
    units: unitsOf(request, actor),
    origin: originOf(env, request),
  };
}

/**
 * A form as it is compared with its repetition. Passwords stay out, since a quick hash of one could be guessed,
 * and so does the device's time of sending, which differs from try to try.
 */
export const LEFT_OUT = ['password', 'deviceAt'];

export const COOKIE = 'dewline';

export type Respond = (request: Request, response: Response, actor: Actor | null) => Promise<void>;
