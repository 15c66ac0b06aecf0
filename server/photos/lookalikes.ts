/** Earlier photos that a new one may be a copy of. */
import type { KnownPhoto } from '../../core/proof/likeness.ts';
import { readUsedPhotos } from '../sql/photos.ts';
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
  const known = await readUsedPhotos(db, organisationId, MOST_COMPARED);
  return known
    .filter(({ id }) => !except.includes(id))
    .map(({ thumb, ...photo }) => ({ ...photo, thumb: new Uint8Array(thumb) }));
}
