/** The same write sent twice answers the same and acts once. */
import { below } from '../store/where.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import { Problem } from '../context/problem.ts';

export interface Answer {
  readonly status: number;
  readonly body: object;
}

export interface WriteIdentity {
  /** Who and which write: unique together. */
  readonly who: string;
  readonly key: string;
  /** What was asked, so that a key is not used for two things. */
  readonly content: string;
  readonly organisationId: string | null;
  readonly device: string | null;
  readonly deviceSequence: number | null;
  /** The answer holds a secret: it is told once and not kept. */
  readonly secret?: boolean;
}

const KEEP_MS = 30 * MS_PER_DAY;

const receiptId = ({ who, key }: WriteIdentity) => sha256(`${who}\n${key}`);

/** What the same write answered before; undefined where it was never taken. */
export async function answerBefore(db: Db, identity: WriteIdentity): Promise<Answer | undefined> {
  const before = await db.receipt.one({ id: receiptId(identity) });
  if (!before) return undefined;
  if (before.fingerprint !== sha256(identity.content)) throw new Problem(409, 'keyReused');
  if (identity.secret) throw new Problem(409, 'toldOnce');
  return { status: before.status, body: JSON.parse(before.body) as object };
}

/** Runs `act` in one transaction, or answers as it answered before. */
export function writeOnce(env: Env, identity: WriteIdentity, act: (db: Db) => Promise<object>): Promise<Answer> {
  const { content, organisationId, device, deviceSequence, secret } = identity;
  return env.store.write(async (db) => {
    const before = await answerBefore(db, identity);
    if (before) return before;
    const answer: Answer = { status: 200, body: await act(db) };
    await db.receipt.insert({
      id: receiptId(identity),
      organisationId,
      fingerprint: sha256(content),
      status: answer.status,
      body: secret ? '{}' : JSON.stringify(answer.body),
      device,
      deviceSequence,
      at: env.clock(),
    });
    return answer;
  });
}

/** Forgets receipts past their use. */
export async function sweepReceipts(env: Env): Promise<void> {
  await env.store.write((db) => db.receipt.remove({ at: below(env.clock() - KEEP_MS) }));
}
