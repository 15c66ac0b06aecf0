/**
 * What is kept on the device itself: what waits to be sent, photos not yet sent, and answers for when there is no
 * connection.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Parcel } from '../../core/outbox/deliver.ts';

interface KeptPhoto {
  readonly id: string;
  readonly personId: string;
  readonly subject: string;
  readonly photo: Blob;
}
interface KeptAnswer {
  readonly id: string;
  readonly personId: string;
  readonly at: number;
  readonly answer: unknown;
}

interface Device extends DBSchema {
  parcels: { key: number; value: Omit<Parcel, 'order'> & { readonly order?: number } };
  photos: { key: string; value: KeptPhoto; indexes: { subject: string } };
  answers: { key: string; value: KeptAnswer };
}

/** Where the worker keeps photos that were looked at. */
export const PHOTO_CACHE = 'photos';

let opened: Promise<IDBPDatabase<Device>> | null = null;

export function device(): Promise<IDBPDatabase<Device>> {
  opened ??= openDB<Device>('dewline', 1, {
    upgrade(db) {
      db.createObjectStore('parcels', { keyPath: 'order', autoIncrement: true });
      db.createObjectStore('photos', { keyPath: 'id' }).createIndex('subject', 'subject');
      db.createObjectStore('answers', { keyPath: 'id' });
    },
    terminated() {
      opened = null;
    },
  });
  return opened;
}

/** The device has no room left: told where the person looks, and nothing of what was kept is lost. */
export const isFull = (error: unknown): boolean => error instanceof DOMException && error.name === 'QuotaExceededError';

/** Asks that what is kept survives when the device runs short of room. */
export function askToPersist(): void {
  void navigator.storage?.persist?.().catch(() => false);
}

/** Forgets what was read by a person who signs out, photos too. What waits to be sent stays: it is theirs. */
export async function forgetAnswers(personId: string): Promise<void> {
  await caches.delete(PHOTO_CACHE);
  const answers = (await device()).transaction('answers', 'readwrite').store;
  for (let cursor = await answers.openCursor(); cursor; cursor = await cursor.continue())
    if (cursor.value.personId === personId) await cursor.delete();
}
