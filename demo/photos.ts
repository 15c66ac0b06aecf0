/** The demo's photos: drawn, sent in through the same door as a person's, or remembered as past their retention. */
import sharp from 'sharp';
import { MS_PER_DAY } from '../core/calendar/day.ts';
import { scenePicture } from '../core/catalogue/picture.ts';
import { createPhoto, storePhoto } from '../server/photos/photos.ts';
import { sha256, type Call } from '../server/context/context.ts';

/** Photos older than this are past their retention; only their hashes are kept. */
export const RETENTION_DAYS = 30;

export interface Shot {
  readonly procedure: string;
  readonly load: number;
  readonly seed: number;
  readonly capturedAt: number;
}

export async function drawShot({ procedure, load, seed }: Shot): Promise<Buffer> {
  return sharp(Buffer.from(scenePicture(procedure, load, seed)))
    .jpeg({ quality: 84 })
    .toBuffer();
}

/** Stores a drawn photo for the caller and returns its id. */
export async function takePhoto(call: Call, shot: Shot, picture?: Buffer): Promise<string> {
  const stored = await storePhoto(call.env, picture ?? (await drawShot(shot)));
  const { id } = await createPhoto(
    call,
    { id: call.env.newId(), source: picture ? 'gallery' : 'camera', capturedAt: String(shot.capturedAt) },
    stored,
  );
  return id;
}

/** A photo whose picture is gone: the row and a hash of what was drawn remain. */
export async function rememberPhoto(
  { env, db, actor, now }: Call,
  { procedure, load, seed, capturedAt }: Shot,
): Promise<string> {
  const id = env.newId();
  await db.photo.insert({
    id,
    organisationId: actor.organisationId,
    personId: actor.personId,
    hash: sha256(`${procedure} ${load} ${seed}`),
    width: 800,
    height: 600,
    capturedAt,
    receivedAt: now,
    source: 'camera',
    gradientHash: '0'.repeat(16),
    thumb: Buffer.alloc(0),
    brightness: 140,
    sharpness: 400,
    purgedAt: now + RETENTION_DAYS * MS_PER_DAY,
  });
  return id;
}
