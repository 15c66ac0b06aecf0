/** Photos by how they are used. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface UsedPhoto {
  readonly id: string;
  readonly hash: string;
  readonly thumb: Buffer;
  readonly receivedAt: number;
}

/** Photos that still have a picture and serve as proof, newest first. @param most how many at most */
export const readUsedPhotos = (db: Db, organisationId: string, most: number): Promise<UsedPhoto[]> =>
  ask<UsedPhoto>(
    db,
    `
SELECT id, gradient_hash AS hash, thumb, received_at AS receivedAt FROM photo
WHERE organisation_id = ? AND purged_at IS NULL
  AND EXISTS (SELECT 1 FROM photo_use WHERE photo_use.photo_id = photo.id)
ORDER BY received_at DESC LIMIT ?`,
    [organisationId, most],
  );
