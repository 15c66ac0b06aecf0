/** Reading what is on the device where there is no connection. */
import { pathOf, type AnswerOf, type ParamsOf } from '../../contract/calls.ts';
import { readAt, Problem, signedIn } from '../api/api.ts';
import { device } from './device.ts';

export interface KeptAnswer<T> {
  readonly answer: T;
  /** When it was kept, where it came from the device; null where it came over the connection. */
  readonly keptAt: number | null;
}

const early = new Map<string, Promise<KeptAnswer<unknown>>>();

/** Reads that take no form: their address says them whole. */
export type KeptName =
  | 'home.read'
  | 'jobs.mine'
  | 'jobs.read'
  | 'machine.read'
  | 'look.open'
  | 'homes.read'
  | 'catalogue.read'
  | 'place.read'
  | 'round.mine'
  | 'monthList.mine'
  | 'monthList.read';
type Where<N extends KeptName> = Partial<ParamsOf<N>> extends ParamsOf<N> ? [] : [params: ParamsOf<N>];

/** Asks before whoever wants it is there to ask: the answer travels while the screen is built. */
export function askEarly<N extends KeptName>(name: N, ...where: Where<N>): void {
  const asked = readOrKept(name, ...where);
  asked.catch(() => undefined);
  early.set(addressOf(name, ...where), asked);
}

/** Reads over the connection and keeps what came; without a connection, gives what was kept for this person. */
export function getKept<N extends KeptName>(name: N, ...where: Where<N>): Promise<KeptAnswer<AnswerOf<N>>> {
  const address = addressOf(name, ...where);
  const asked = early.get(address);
  early.delete(address);
  return (asked ?? readOrKept(name, ...where)) as Promise<KeptAnswer<AnswerOf<N>>>;
}

/** The same where it does not matter how old it is. */
export const readKept = async <N extends KeptName>(name: N, ...where: Where<N>): Promise<AnswerOf<N>> =>
  (await getKept(name, ...where)).answer;

const addressOf = <N extends KeptName>(name: N, ...[params]: Where<N>): string =>
  pathOf(name, { ...params } as ParamsOf<N>);

async function readOrKept<N extends KeptName>(name: N, ...where: Where<N>): Promise<KeptAnswer<AnswerOf<N>>> {
  const address = addressOf(name, ...where);
  try {
    const answer = await readAt(name, address);
    await keepAnswer(address, answer);
    return { answer, keptAt: null };
  } catch (error) {
    if (!(error instanceof Problem) || error.status !== 0) throw error;
    const kept = await keptAnswer<AnswerOf<N>>(address);
    if (!kept) throw error;
    return kept;
  }
}

/** What was kept of a path, whatever the server says. */
export async function keptAnswer<T>(path: string): Promise<KeptAnswer<T> | null> {
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
