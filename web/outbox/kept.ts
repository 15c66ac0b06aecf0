/** Reading what is on the device where there is no line. */
import { get, Refusal, signedIn } from '../door/door.ts';
import { device } from './device.ts';

export interface Kept<T> {
  readonly answer: T;
  /** When it was kept, where it came from the device; null where it came over the line. */
  readonly keptAt: number | null;
}

const early = new Map<string, Promise<Kept<unknown>>>();

/** Asks before whoever wants it is there to ask: the answer travels while the screen is built. */
export function askEarly(path: string): void {
  const asked = readOrKept(path);
  asked.catch(() => undefined);
  early.set(path, asked);
}

/** Reads over the line and keeps what came; without a line, gives what was kept for this person. */
export function getKept<T>(path: string): Promise<Kept<T>> {
  const asked = early.get(path);
  early.delete(path);
  return (asked ?? readOrKept(path)) as Promise<Kept<T>>;
}

/** The same where it does not matter how old it is. */
export const readKept = async <T>(path: string): Promise<T> => (await getKept<T>(path)).answer;

async function readOrKept<T>(path: string): Promise<Kept<T>> {
  try {
    const answer = await get<T>(path);
    await keepAnswer(path, answer);
    return { answer, keptAt: null };
  } catch (error) {
    if (!(error instanceof Refusal) || error.status !== 0) throw error;
    const kept = await keptAnswer<T>(path);
    if (!kept) throw error;
    return kept;
  }
}

/** What was kept of a path, whatever the line says. */
export async function keptAnswer<T>(path: string): Promise<Kept<T> | null> {
  const personId = signedIn();
  const kept = personId
    ? await (await device()).get('answers', `${personId} ${path}`).catch(() => undefined)
    : undefined;
  return kept ? { answer: kept.answer as T, keptAt: kept.at } : null;
}

/** Keeps what was read, so that it can be read again below ground. A device that cannot keep it goes on without. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  const personId = signedIn();
  if (!personId) return;
  await device()
    .then((db) => db.put('answers', { id: `${personId} ${path}`, personId, at: Date.now(), answer }))
    .catch(() => undefined);
}
