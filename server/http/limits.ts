/** What somebody may read and write who is limited to some properties. */
import type { Actor, Env } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { isAnyOutside } from '../sql/within.ts';
import type { Db } from '../store/db.ts';

/** The store as the caller may read it. */
export const readable = async ({ store }: Pick<Env, 'store'>, actor: Actor | null): Promise<Db> =>
  actor?.properties ? store.within(actor.properties) : store.db;

/** A UUID, or the hash that a link goes by. */
const ID = /^[0-9a-f-]{36,64}$/;

/** Every text of a form that an id may be, however deep it stands; a form was weighed before. */
function idsIn(value: unknown): string[] {
  if (typeof value === 'string') return ID.test(value) ? [value] : [];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(idsIn) : [];
}

/**
 * Refuses a write of somebody limited that names what is not theirs, or all properties where one can be named.
 * @throws Problem: notFound (404), limited (403)
 */
export async function refuseOutside(
  env: Pick<Env, 'store'>,
  actor: Actor,
  path: string,
  params: Readonly<Record<string, string>>,
  form: unknown,
): Promise<void> {
  if (!actor.properties) return;
  const limited = await env.store.within(actor.properties);
  if (await isAnyOutside(limited, [...idsIn(params), ...idsIn(form)])) throw notFound();
  if (!(await isNumberTheirs(limited, path, { ...params, ...numberIn(form) }))) throw notFound();
  if ((form as { propertyId?: unknown } | null)?.propertyId === null) throw new Problem(403, 'limited');
}

function numberIn(form: unknown): Record<string, string> {
  const { number } = (form ?? {}) as { number?: unknown };
  return typeof number === 'number' ? { number: String(number) } : {};
}

/** Labels and parts go by numbers, too. */
async function isNumberTheirs(
  limited: Db,
  path: string,
  { id = '', number = '' }: Readonly<Record<string, string>>,
): Promise<boolean> {
  if (path.startsWith('/labels/')) return (await limited.machine.count({ number: Number(number) || 0 })) > 0;
  if (path === '/looks') return (await limited.point.count({ number: Number(number) || 0 })) > 0;
  if (path.startsWith('/points/') && /^\d{1,9}$/.test(id))
    return (await limited.point.count({ number: Number(id) })) > 0;
  return true;
}
