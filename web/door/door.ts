/** The web's side of the door: reads, and writes that are safe to repeat. */
import { v7 } from 'uuid';
import { ref } from 'vue';
import { chosenUnits } from './units.ts';
import type { SessionAnswer } from '../../contract/people.ts';

/** A problem as the server tells it: a sentence, and what is wrong with which field. */
export class Refusal extends Error {
  readonly status: number;
  readonly fields: Readonly<Record<string, string>>;
  constructor(status: number, detail: string, fields: Record<string, string> = {}) {
    super(detail);
    this.status = status;
    this.fields = fields;
  }
}

export const newId = (): string => v7();

/** Whether the last question had no answer at all. */
export const lineDown = ref(false);

let csrf: string | null = null;
let person: string | null = null;

const SESSION = 'dewline.session';

/** Who is signed in on this device, as far as is known. */
export const signedIn = (): string | null => person;

/**
 * Who is signed in. Without a line, whoever was, so that work goes on; `line` asks the server or fails.
 * @throws Refusal
 */
export async function readSession(from: 'line' | 'device' = 'device'): Promise<SessionAnswer> {
  try {
    const session = await get<SessionAnswer>('/session');
    // Work made under a session that has ended stays that person's until somebody else signs in.
    return from === 'line' && !session.me ? session : remember(session);
  } catch (error) {
    const kept = localStorage.getItem(SESSION);
    if (from === 'line' || !kept || !(error instanceof Refusal) || error.status !== 0) throw error;
    return remember(JSON.parse(kept) as SessionAnswer);
  }
}

/** Opens a session by a form of its own: signing in, the first run, a personal link. */
export async function openSession(path: '/session' | '/install' | '/link', form: object): Promise<void> {
  remember(await send<SessionAnswer>('POST', path, JSON.stringify(form)));
}

/** Keeps who is signed in, so that the app opens without a line. */
function remember(session: SessionAnswer): SessionAnswer {
  localStorage.setItem(SESSION, JSON.stringify(session));
  csrf = session.csrf;
  person = session.me?.id ?? null;
  return session;
}

export const get = <T>(path: string): Promise<T> => ask<T>(path, {});

/**
 * Sends a form. Pass the same key to repeat a write whose answer was lost: it acts once.
 */
export function write<T = object>(
  method: 'POST' | 'PUT' | 'DELETE',
  path: string,
  form: object = {},
  key = newId(),
): Promise<T> {
  return send<T>(method, path, method === 'DELETE' ? undefined : JSON.stringify(form), key);
}

/** Sends one photo and returns its id. `capturedAt`: when it was taken, in milliseconds since 1970, where that is known. */
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

function send<T>(method: string, path: string, body: string | FormData | undefined, key = newId()): Promise<T> {
  return ask<T>(path, {
    method,
    ...(body !== undefined && { body }),
    headers: {
      ...(typeof body === 'string' && { 'content-type': 'application/json' }),
      ...(csrf && { 'x-csrf-token': csrf }),
      'idempotency-key': key,
      'x-device': device(),
      'x-device-sequence': String(nextSequence()),
    },
  });
}

async function ask<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      ...init,
      credentials: 'same-origin',
      headers: { ...init.headers, 'x-units': chosenUnits() },
    });
    lineDown.value = false;
  } catch {
    lineDown.value = true;
    throw new Refusal(0, 'offline');
  }
  const body = (await response.json().catch(() => ({}))) as { detail?: string; fields?: Record<string, string> };
  if (!response.ok) throw new Refusal(response.status, body.detail ?? 'unknown', body.fields);
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
