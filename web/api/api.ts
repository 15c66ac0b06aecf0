/** The web's side of the door: reads, and writes that are safe to repeat. */
import { v7 } from 'uuid';
import { ref } from 'vue';
import type { UnitSystem } from '../../core/quantities/units.ts';
import { expectedLanguage, keepLanguage } from './reading.ts';
import { pathOf, type AnswerOf, type CallName, type InputOf, type ParamsOf } from '../../contract/calls.ts';
import type { SessionAnswer } from '../../contract/people/people.ts';
import { LINES_LEFT } from '../../contract/due/due.ts';
import { ROUTES } from '../../contract/routes.ts';

/** A problem as the server tells it: a sentence, and what is wrong with which field. */
export class Problem extends Error {
  readonly status: number;
  readonly fields: Readonly<Record<string, string>>;
  /** What kind of problem it is; empty where nobody said. */
  readonly key: string;
  constructor(status: number, detail: string, fields: Record<string, string> = {}, key = '') {
    super(detail);
    this.status = status;
    this.fields = fields;
    this.key = key;
  }
}

export const newId = (): string => v7();

/** Whether the last question had no answer at all. */
export const offline = ref(false);

/** Lines that the server draws anew after the last write, as far as is known. */
export const linesLeft = ref(0);

let csrf: string | null = null;
let named: string | null = null;

/** Where everybody reaches this server: as it was named, else where this page came from. */
export const publicAddress = (): string => named ?? location.origin;
/** Whether an address opens on this machine alone. */
export const opensHereOnly = (address: string): boolean =>
  ['localhost', '127.0.0.1', '[::1]'].includes(new URL(address).hostname);
let person: string | null = null;

const SESSION = 'dewline.session';

/** The units that whoever is signed in reads and enters in. */
export const ownUnits = ref<UnitSystem>('metric');
/** What their office reckons in. */
export const ownCurrency = ref('EUR');

/** Who is signed in on this device, as far as is known. */
export const signedIn = (): string | null => person;

/**
 * Who is signed in. Without a connection, whoever was, so that work goes on; `server` asks the server or fails.
 * @throws Problem
 */
export async function readSession(from: 'server' | 'device' = 'device'): Promise<SessionAnswer> {
  try {
    const session = await api('session.read');
    // Work made under a session that has ended stays that person's until somebody else signs in.
    return from === 'server' && !session.me ? session : remember(session);
  } catch (error) {
    const kept = localStorage.getItem(SESSION);
    if (from === 'server' || !kept || !(error instanceof Problem) || error.status !== 0) throw error;
    return remember(JSON.parse(kept) as SessionAnswer);
  }
}

/** Opens a session by a form of its own: signing in, the first run, a personal link. */
export async function openSession<N extends 'session.open' | 'install.create' | 'link.exchange' | 'access.open'>(
  name: N,
  ...input: CallArguments<N>
): Promise<void> {
  remember(await api(name, ...input));
}

/** Keeps who is signed in, so that the app opens without a connection. */
function remember(session: SessionAnswer): SessionAnswer {
  localStorage.setItem(SESSION, JSON.stringify(session));
  csrf = session.csrf;
  named = session.address ?? null;
  person = session.me?.id ?? null;
  if (session.me) {
    keepLanguage(session.me.language);
    ownUnits.value = session.me.units;
    ownCurrency.value = session.me.currency;
  }
  return session;
}

type CallArguments<N extends CallName> =
  Partial<InputOf<N>> extends InputOf<N> ? [input?: InputOf<N>] : [input: InputOf<N>];

/**
 * Calls a route by its name. Pass the same `once` to repeat a write whose answer was lost: it acts once.
 * @throws Problem
 */
export function api<N extends CallName>(name: N, ...[input]: CallArguments<N>): Promise<AnswerOf<N>> {
  const { form, once, stop }: { readonly form?: unknown; readonly once?: string; readonly stop?: AbortSignal } =
    input ?? {};
  const path = pathOf(name, (input ?? {}) as ParamsOf<N>);
  const { method } = ROUTES[name];
  if (method === 'GET')
    return ask(form === undefined ? path : `${path}?with=${encodeURIComponent(JSON.stringify(form))}`);
  return send(method, path, method === 'DELETE' ? undefined : JSON.stringify(form ?? {}), once, stop);
}

/** Reads at an address that was made of a route's name. */
export const readAt = <N extends CallName>(_name: N, path: string): Promise<AnswerOf<N>> => ask(path);

/** Sends a form that was kept with its address. */
export const post = (path: string, form: object, once: string): Promise<object> =>
  send('POST', path, JSON.stringify(form), once);

/**
 * Sends one photo and returns its id. `capturedAt`: when it was taken, in milliseconds since 1970, where that is known.
 */
export async function sendPhoto(
  photo: Blob,
  source: 'camera' | 'gallery' | 'unknown',
  capturedAt: number | null,
  id = newId(),
): Promise<string> {
  const form = new FormData();
  form.append('id', id);
  form.append('source', source);
  if (capturedAt !== null) form.append('capturedAt', String(capturedAt));
  form.append('photo', photo, 'photo.jpg');
  await send('POST', '/photos', form, id);
  return id;
}

export const photoUrl = (id: string): string => `/api/photos/${id}`;

function send<T>(
  method: string,
  path: string,
  body: string | FormData | undefined,
  key = newId(),
  stop?: AbortSignal,
): Promise<T> {
  return ask<T>(path, {
    method,
    ...(body !== undefined && { body }),
    ...(stop && { signal: stop }),
    headers: {
      ...(typeof body === 'string' && { 'content-type': 'application/json' }),
      ...(csrf && { 'x-csrf-token': csrf }),
      'idempotency-key': key,
      'x-device': device(),
      'x-device-sequence': String(nextSequence()),
    },
  });
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      ...init,
      credentials: 'same-origin',
      headers: { ...init.headers, 'accept-language': expectedLanguage() },
    });
    offline.value = false;
  } catch {
    if (init.signal?.aborted) throw new Problem(0, 'stopped', {}, 'stopped');
    offline.value = true;
    throw new Problem(0, 'offline');
  }
  const drawn = Number(response.headers.get(LINES_LEFT) ?? 0);
  if (drawn > 0) linesLeft.value = drawn;
  const body = (await response.json().catch(() => ({}))) as {
    type?: string;
    detail?: string;
    fields?: Record<string, string>;
  };
  if (!response.ok)
    throw new Problem(response.status, body.detail ?? 'unknown', body.fields, body.type?.split(':').at(-1));
  return body as T;
}

/** Calls back whenever something that waited on this device was taken. @returns what ends it */
export function onTaken(call: () => void): () => void {
  window.addEventListener(TAKEN, call);
  return () => window.removeEventListener(TAKEN, call);
}
export const tellTaken = (): boolean => window.dispatchEvent(new Event(TAKEN));
const TAKEN = 'dewline.taken';

const DEVICE = 'dewline.device';
const SEQUENCE = 'dewline.sequence';

function device(): string {
  const known = localStorage.getItem(DEVICE) ?? newId();
  localStorage.setItem(DEVICE, known);
  return known;
}

function nextSequence(): number {
  const next = Number(localStorage.getItem(SEQUENCE) ?? 0) + 1;
  localStorage.setItem(SEQUENCE, String(next));
  return next;
}
