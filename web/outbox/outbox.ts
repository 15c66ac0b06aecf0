/**
 * The way out: everything that a person does on the device goes through here, in order, with a connection or without.
 */
import { ref, shallowRef } from 'vue';
import {
  deliver,
  deliveryOf,
  type Content,
  type Delivery,
  type Hindrance,
  type Parcel,
  type Queue,
} from '../../core/outbox/deliver.ts';
import { pathOf } from '../../contract/calls.ts';
import { newId, post, readSession, Problem, sendPhoto, signedIn, tellTaken } from '../api/api.ts';
import { sentenceOf } from '../api/sentence.ts';
import { dropDraft } from './draft.ts';
import { say } from '../language/say.ts';
import { device, isFull } from './device.ts';

/** What waits or was refused, of whoever is signed in; in order. */
export const waiting = shallowRef<readonly Parcel[]>([]);
/** What stands in the way of it. */
export const hindrance = ref<Hindrance | null>(null);

export type Outcome =
  { readonly ended: 'taken'; readonly answer: object } | { readonly ended: 'kept'; readonly why: Hindrance };

/** How often what waits is tried again by itself. */
const AGAIN_MS = 8_000;

/** Answers that somebody waits for, by the key of their parcel. */
const answers = new Map<string, object | null>();

const queue: Queue = {
  async list() {
    return (await (await device()).getAll('parcels')) as Parcel[];
  },
  async taken(parcel, answer) {
    const db = await device();
    await db.delete('parcels', parcel.order);
    if (answers.has(parcel.key)) answers.set(parcel.key, answer);
    if (parcel.content.kind === 'form' && !parcel.content.passing) {
      await forgetPhotos(parcel.subject);
      if (parcel.content.path === submissionPath(parcel.subject)) dropDraft(parcel.subject);
    }
    await look();
    if (parcel.content.kind === 'form') tellTaken();
  },
  async refused(parcel, says) {
    await (await device()).put('parcels', { ...parcel, refused: says });
    await look();
  },
};

export const submissionPath = (jobId: string): string => pathOf('jobs.send', { id: jobId });

/** Reads anew what waits. */
export async function look(): Promise<void> {
  const personId = signedIn();
  waiting.value = (await queue.list()).filter(
    (it) => it.personId === personId && !(it.content.kind === 'form' && it.content.passing),
  );
}

/** What became of a job's submission that was kept: it waits, it was refused and why, or it is not here any more. */
export function submissionState(jobId: string): {
  readonly state: 'waiting' | 'refused' | 'gone';
  readonly says: string;
} {
  const parcel = waiting.value.find(
    ({ subject, content }) => subject === jobId && content.kind === 'form' && content.path === submissionPath(jobId),
  );
  if (!parcel) return { state: 'gone', says: '' };
  return { state: parcel.refused === null ? 'waiting' : 'refused', says: parcel.refused ?? '' };
}

/** Forgets everything of a job on this device: it was taken, or the person throws it away. */
export async function forgetJob(jobId: string): Promise<void> {
  const db = await device();
  for (const it of await queue.list()) if (it.subject === jobId) await db.delete('parcels', it.order);
  await forgetPhotos(jobId);
  dropDraft(jobId);
  await look();
}

/** The office has what these belong to, and them before it. */
async function forgetPhotos(subject: string): Promise<void> {
  const photos = (await device()).transaction('photos', 'readwrite').store;
  for (const id of await photos.index('subject').getAllKeys(subject)) await photos.delete(id);
}

async function sendParcel({ key, content }: Parcel): Promise<Delivery> {
  try {
    if (content.kind === 'photo') {
      const kept = await (await device()).get('photos', content.id);
      if (!kept) return { ended: 'refused', says: say('kept.photo.lost') };
      await sendPhoto(kept.photo, content.source as 'camera', content.capturedAt, content.id);
      return deliveryOf(200, {}, '');
    }
    const form = content.stamped ? { ...content.form, deviceAt: Date.now() } : content.form;
    return deliveryOf(200, await post(content.path, form, key), '');
  } catch (error) {
    return error instanceof Problem ? deliveryOf(error.status, {}, sentenceOf(error)) : deliveryOf(500, {}, '');
  }
}

let running: Promise<void> | null = null;
let again = false;

/** Sends what waits. Only one window of a device sends at a time. */
export function deliverNow(): Promise<void> {
  again = true;
  running ??= (async () => {
    try {
      while (again) {
        again = false;
        await (navigator.locks ? navigator.locks.request('dewline.outbox', run) : run());
      }
    } finally {
      running = null;
    }
  })();
  return running;
}

async function run(): Promise<void> {
  const personId = signedIn();
  if (!personId) return;
  if (!(await queue.list()).some((it) => it.personId === personId && it.refused === null)) {
    hindrance.value = null;
    return;
  }
  // The session may have changed since the page was opened: another token, or nobody.
  const session = await readSession('server').catch(() => null);
  if (session === null) hindrance.value = 'connection';
  else hindrance.value = session.me?.id === personId ? await deliver(queue, personId, sendParcel) : 'session';
  await look();
}

/** Says in a sentence that a device has no room left; every other failure stays what it is. */
function tellFull(error: unknown): never {
  throw isFull(error) ? new Problem(507, say('kept.full')) : error;
}

/** Puts one thing into the queue. @throws Problem where the device is full */
export async function enqueue(subject: string, content: Content, key = newId()): Promise<void> {
  // As it will be sent: a form that is still being looked at cannot be stored as it is.
  const asSent = JSON.parse(JSON.stringify(content)) as Content;
  await (
    await device()
  )
    .put('parcels', { key, personId: signedIn() ?? '', subject, content: asSent, at: Date.now(), refused: null })
    .catch(tellFull);
  await look();
}

/**
 * Puts one thing into the queue, sends what waits, and says what became of it. @throws Problem where it is refused at
 * once, and taken out again, or the device is full
 */
export async function sendOrKeep(subject: string, content: Content, key = newId()): Promise<Outcome> {
  const db = await device();
  for (const old of await queue.list()) if (old.key === key) await db.delete('parcels', old.order);
  answers.set(key, null);
  await enqueue(subject, content, key);
  await deliverNow();
  const answer = answers.get(key);
  answers.delete(key);
  if (answer) return { ended: 'taken', answer };
  const parcel = (await queue.list()).find((it) => it.key === key);
  if (!parcel) return { ended: 'taken', answer: {} };
  if (parcel.refused === null) return { ended: 'kept', why: hindrance.value ?? 'connection' };
  await db.delete('parcels', parcel.order);
  await look();
  throw new Problem(409, parcel.refused);
}

/** Keeps a photo and sends it when it can. @returns its id; @throws Problem where the device is full */
export async function keepPhoto(
  subject: string,
  photo: Blob,
  source: 'camera' | 'gallery' | 'unknown',
  capturedAt: number | null,
): Promise<string> {
  const id = newId();
  await (await device()).put('photos', { id, personId: signedIn() ?? '', subject, photo }).catch(tellFull);
  await enqueue(subject, { kind: 'photo', id, source, capturedAt }, id);
  void deliverNow();
  return id;
}

/** Forgets a photo that another took the place of; one that was sent is swept at the office. */
export async function dropPhoto(id: string): Promise<void> {
  const db = await device();
  for (const it of await queue.list())
    if (it.content.kind === 'photo' && it.content.id === id) await db.delete('parcels', it.order);
  await db.delete('photos', id);
  await look();
}

/** The photo as it is on the device, or null where only the server has it. */
export async function photoOnDevice(id: string): Promise<Blob | null> {
  return (await (await device()).get('photos', id))?.photo ?? null;
}

/** Takes something back that was not sent: the person says so. */
export async function discard(order: number): Promise<void> {
  await (await device()).delete('parcels', order);
  await look();
}

/** Tries a refused one again, at its place. */
export async function tryAgain(parcel: Parcel): Promise<void> {
  await (await device()).put('parcels', { ...parcel, refused: null });
  await deliverNow();
}

/** Sends by itself: when the connection comes back, when the page is looked at again, and now and then. */
export function keepSending(): void {
  window.addEventListener('online', () => void deliverNow());
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void deliverNow();
  });
  setInterval(() => {
    if (document.visibilityState === 'visible' && waiting.value.some(({ refused }) => refused === null))
      void deliverNow();
  }, AGAIN_MS);
  void look().then(deliverNow);
}
