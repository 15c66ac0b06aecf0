/** Links that open one job to a contractor: good until the job is over, revoked, or their time has run out. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { LIVE_STATES } from '../../core/jobs/transitions.ts';
import type { Call } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import type { Db } from '../store/db.ts';

const JOB_LINK_DAYS = 60;

/** @returns the path that opens the job; its token is kept as a hash only */
export async function makeJobLink(
  { env, db, now }: Pick<Call, 'env' | 'db' | 'now'>,
  {
    jobId,
    personId,
    organisationId,
  }: { readonly jobId: string; readonly personId: string; readonly organisationId: string },
): Promise<string> {
  const token = env.secret();
  await db.jobLink.insert({
    id: sha256(token),
    organisationId,
    jobId,
    personId,
    createdAt: now,
    expiresAt: now + JOB_LINK_DAYS * MS_PER_DAY,
    revokedAt: null,
  });
  return `/home/#${token}`;
}

/** Ends the link of a job, and whoever is in by it. */
export async function revokeJobLink({ db, now }: Pick<Call, 'db' | 'now'>, jobId: string): Promise<void> {
  const links = await db.jobLink.all({ jobId, revokedAt: null });
  if (links.length === 0) return;
  await db.jobLink.update({ jobId, revokedAt: null }, { revokedAt: now });
  await db.session.remove({ personId: links.map(({ personId }) => personId) });
}

/** Whose job a token still opens; undefined where it opens none. */
export const contractorOf = (db: Db, token: string, now: number) => contractorBy(db, { id: sha256(token) }, now);

/** Who is let in by a link to a job that is still theirs, and until when; by the link's id or by whose it is. */
export async function contractorBy(
  db: Db,
  by: { readonly id: string } | { readonly personId: string },
  now: number,
): Promise<{ id: string; organisationId: string; until: number } | undefined> {
  // Each letter has a link of its own: the one that lasts longest counts.
  const [link] = await db.jobLink.all({ ...by, revokedAt: null }, { order: [['expiresAt', 'DESC']], limit: 1 });
  if (!link || link.expiresAt <= now) return undefined;
  const job = await db.job.one({ id: link.jobId });
  return job && job.assigneeId === link.personId && LIVE_STATES.includes(job.state)
    ? { id: link.personId, organisationId: link.organisationId, until: link.expiresAt }
    : undefined;
}
