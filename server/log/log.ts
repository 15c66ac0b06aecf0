/** The log: every record, look and verdict in canonical form, hashed as the leaf of a Merkle log (RFC 6962, 2.1). */
import { sha256, type Call } from '../context/context.ts';
import type { Db } from '../store/db.ts';

/** Leaf hash of RFC 6962: SHA-256 of a zero byte and the entry. */
export function leafHash(canonical: string): string {
  return sha256(Buffer.concat([Buffer.from([0]), Buffer.from(canonical)]));
}

/** Appends an entry to the organisation’s log, chained by hash to the one before. */
export async function appendToLog(
  db: Db,
  entry: {
    organisationId: string;
    kind: 'record' | 'verdict' | 'look';
    subjectId: string;
    canonical: string;
    at: number;
  },
): Promise<void> {
  await db.logEntry.append({ ...entry, leafHash: leafHash(entry.canonical) });
}

/** Keeps a personal value of a record that is there, and gives the commitment that stands for it in the log. */
export async function commitPersonal(
  { env, db, actor: { organisationId } }: Call,
  recordId: string,
  field: string,
  value: string,
): Promise<string> {
  const salt = env.secret();
  await db.personal.insert({ id: env.newId(), organisationId, recordId, field, salt, value });
  return commitment(salt, value);
}

/** A commitment to a personal value: SHA-256 of salt and value. The salt is kept beside the value, and goes with it. */
export function commitment(salt: string, value: string): string {
  return sha256(`${salt}\n${value}`);
}
