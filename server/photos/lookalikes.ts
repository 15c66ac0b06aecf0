/** Earlier photos that a new one may be a copy of. */
import type { KnownPhoto } from '../../core/proof/likeness.ts';
import type { Db } from '../store/db.ts';

/** The newest so many are compared; all of a large office's would keep a sender waiting. */
const MOST_COMPARED = 20_000;

export interface EarlierPhoto extends KnownPhoto {
  readonly receivedAt: number;
}

/** All photos of an organisation that already serve as proof, newest first. */
export async function earlierPhotos(
  db: Db,
  organisationId: string,
  except: readonly string[],
): Promise<EarlierPhoto[]> {
  const photos = await db.photo.all(
    { organisationId, purgedAt: null },
    { order: [['receivedAt', 'DESC']], limit: MOST_COMPARED, columns: ['id', 'gradientHash', 'thumb', 'receivedAt'] },
  );
  const used = new Set(
    (await db.photoUse.all({ organisationId }, { columns: ['photoId'] })).map(({ photoId }) => photoId),
  );
  return photos
    .filter(({ id }) => used.has(id) && !except.includes(id))
    .map(({ id, gradientHash: hash, thumb, receivedAt }) => ({ id, hash, thumb: new Uint8Array(thumb), receivedAt }));
}
