/** Photos: re-encoded on arrival, kept by the hash of what is stored, swept where nothing uses them. */
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { above, below } from '../store/where.ts';
import { PHOTOS_A_DAY } from '../../contract/form/limits.ts';
import { instantOfDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { gradientHash } from '../../core/proof/likeness.ts';
import type { PHOTO_SOURCES } from '../../contract/proof/proof.ts';
import type { Call, Env } from '../context/context.ts';
import { isManager, sha256 } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { visibleMachine } from '../lookup/visible.ts';
import type { Row } from '../store/tables.ts';
import { decodeAside } from './decoder.ts';
import type { DecodedPhoto } from './decode.ts';

/** A job may be sent days after its photos: a phone can be without a connection for as long. */
const SWEEP_AFTER_MS = 14 * MS_PER_DAY;

export interface StoredPhoto extends Omit<DecodedPhoto, 'data'> {
  readonly hash: string;
}

/** What a photo is for that shows how something is since it was put right. */
export const DONE_SLOT = 'done';

/**
 * Reads an upload, drops everything but the picture (place, device, thumbnails), and writes it to disk.
 * The file is on the disk, synced, before anything names it.
 * @param upload its bytes, or the path that they stand at, which is read when its turn comes
 * @throws Problem: notImage (415) when it is no photo, whatever its name says; photoSize (413)
 */
export async function storePhoto(env: Env, upload: Buffer | string): Promise<StoredPhoto> {
  const { data, ...decoded } = await decodeAside(upload);
  const hash = sha256(data);
  await keepFile(env.photos, hash, data);
  return { hash, ...decoded };
}

/**
 * Whether somebody may send one more photo today.
 * @throws Problem: photoQuota (429)
 */
export async function refuseOverQuota({ db, actor, now }: Pick<Call, 'db' | 'actor' | 'now'>): Promise<void> {
  const sent = await db.photo.count({ personId: actor.personId, receivedAt: above(now - MS_PER_DAY) });
  if (sent >= PHOTOS_A_DAY) throw new Problem(429, 'photoQuota', { most: PHOTOS_A_DAY });
}

/** Where a photo stands below the photos' folder, by the hash of its bytes. */
export const photoPath = (hash: string): string => join(hash.slice(0, 2), `${hash}.jpg`);
const pathOf = (folder: string, hash: string) => join(folder, photoPath(hash));

/** Writes a photo to its place, synced; one that is there already stays. */
export async function keepFile(folder: string, hash: string, data: Buffer): Promise<void> {
  const path = pathOf(folder, hash);
  if (await stat(path).catch(() => null)) return;
  await mkdir(join(folder, hash.slice(0, 2)), { recursive: true });
  const part = `${path}.${process.pid}.${Math.random().toString(36).slice(2)}.part`;
  const file = await open(part, 'w');
  try {
    await file.writeFile(data);
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(part, path);
}

export interface PhotoForm {
  readonly id: string;
  readonly source: (typeof PHOTO_SOURCES)[number];
  readonly capturedAt: string | null;
}

/** Names a photo that is written already. */
export async function createPhoto(
  { db, actor, now }: Call,
  form: PhotoForm,
  stored: StoredPhoto,
): Promise<{ id: string }> {
  const { hash, width, height, thumb, brightness, sharpness } = stored;
  await db.photo.insert({
    id: form.id,
    organisationId: actor.organisationId,
    personId: actor.personId,
    hash,
    width,
    height,
    capturedAt: await captureTime({ db, actor }, stored, form.capturedAt),
    receivedAt: now,
    source: form.source,
    gradientHash: gradientHash(thumb),
    thumb,
    brightness,
    sharpness,
    purgedAt: null,
  });
  return { id: form.id };
}

/** The picture's own word first, in its own offset or else the zone of the person's home; then the device's. */
async function captureTime(
  { db, actor }: Pick<Call, 'db' | 'actor'>,
  { takenAt: taken }: StoredPhoto,
  told: string | null,
): Promise<number | null> {
  if (!taken) return told === null ? null : Number(told);
  if (taken.offset) return Date.parse(taken.local.replace('Z', taken.offset));
  const tenancy = await db.tenancy.one({ personId: actor.personId }, { order: [['fromDay', 'DESC']] });
  const place = tenancy && (await db.place.one({ id: tenancy.placeId }));
  const property = await db.property.one(place ? { id: place.propertyId } : { organisationId: actor.organisationId });
  const local = Date.parse(taken.local);
  return property
    ? instantOfDay(Math.floor(local / MS_PER_DAY), Math.floor((local % MS_PER_DAY) / 60_000), property.zone)
    : local;
}

/** Says what a photo is for. Only its sender may, and only once. */
export async function claimPhoto(
  { env, db, actor }: Call,
  photoId: string,
  subjectId: string,
  slot: string,
): Promise<Row<'photo'>> {
  const photo = await db.photo.one({ id: photoId, organisationId: actor.organisationId, personId: actor.personId });
  if (!photo || (await db.photoUse.one({ photoId }))) throw fieldProblem('photos', 'field.photo');
  await db.photoUse.insert({ id: env.newId(), organisationId: actor.organisationId, photoId, subjectId, slot });
  return photo;
}

/** Names a photo that was claimed in this submission for a second record: one act served both. */
export async function sharePhoto(
  { env, db, actor: { organisationId } }: Call,
  photoId: string,
  subjectId: string,
  slot: string,
): Promise<void> {
  await db.photoUse.insert({ id: env.newId(), organisationId, photoId, subjectId, slot });
}

/** What staff may see though others took it. */
const STAFF_SLOTS = ['shutoff', 'fault', 'deficiency', 'plate', 'where', DONE_SLOT];

/**
 * The file of a photo that this person may see: a manager any, staff shut-offs and faults, everybody their own and the
 * shut-offs of their jobs.
 */
export async function photoFile(call: Call, id: string): Promise<string> {
  const { env, db, actor } = call;
  const photo = await db.photo.one({ id, organisationId: actor.organisationId });
  if (!photo || photo.purgedAt !== null) throw notFound();
  const may =
    isManager(actor) ||
    photo.personId === actor.personId ||
    (actor.roles.includes('staff') && (await db.photoUse.count({ photoId: id, slot: STAFF_SLOTS })) > 0) ||
    (await isShutoffOfTheirs(db, actor.personId, id)) ||
    (await showsPartOfTheirs(call, id));
  if (!may) throw notFound();
  return pathOf(env.photos, photo.hash);
}

/** Where a part of a machine is that they may see. */
async function showsPartOfTheirs(call: Call, id: string): Promise<boolean> {
  const use = await call.db.photoUse.one({ photoId: id, slot: 'where' });
  const point = use && (await call.db.point.one({ id: use.subjectId }));
  return point
    ? visibleMachine(call, point.machineId).then(
        () => true,
        () => false,
      )
    : false;
}

async function isShutoffOfTheirs(db: Call['db'], personId: string, photoId: string): Promise<boolean> {
  const machine = await db.machine.one({ shutoffPhotoId: photoId });
  return (
    machine !== undefined &&
    (await db.job.count({
      machineId: machine.id,
      assigneeId: personId,
      state: ['given', 'started', 'awaitingTest', 'sent'],
    })) > 0
  );
}

/** Drops photos that nothing names after a fortnight, and files that no photo names. Safe to run at any time. */
export async function sweepPhotos(env: Env): Promise<number> {
  const before = env.clock() - SWEEP_AFTER_MS;
  const dropped = await env.store.write(async (db) => {
    const old = await db.photo.all({ receivedAt: below(before) }, { columns: ['id'] });
    const used = new Set((await db.photoUse.all({}, { columns: ['photoId'] })).map(({ photoId }) => photoId));
    const idle = old.filter(({ id }) => !used.has(id)).map(({ id }) => id);
    return idle.length > 0 ? db.photo.remove({ id: idle }) : 0;
  });
  const named = new Set(
    (await env.store.db.photo.all({ purgedAt: null }, { columns: ['hash'] })).map(({ hash }) => hash),
  );
  for (const folder of await readdir(env.photos).catch(() => [])) {
    for (const file of await readdir(join(env.photos, folder)).catch(() => [])) {
      const path = join(env.photos, folder, file);
      const age = Date.now() - (await stat(path)).mtimeMs;
      if (!named.has(file.slice(0, 64)) && age > SWEEP_AFTER_MS) await rm(path, { force: true });
    }
  }
  return dropped;
}
