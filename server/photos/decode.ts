/** One upload unpacked, turned upright, made small, written anew and measured: what a decoder's worker does. */
import { open } from 'node:fs/promises';
import exifReader from 'exif-reader';
import sharp, { type Metadata } from 'sharp';
import { MAX_LAYERED_MEGAPIXELS, MAX_PHOTO_MEGAPIXELS } from '../../contract/form/limits.ts';
import { THUMB_SIDE } from '../../core/proof/likeness.ts';

const LONGEST_SIDE = 1600;
const MEGA = 1_000_000;
/** Passes in which a camera or an editor may have written a JPEG; ten are usual. */
const MOST_SCANS = 24;
/** Pixels of a side that sharpness is measured at. */
const MEASURED_SIDE = 256;

// Each decode holds a whole picture: on one thread, with nothing kept from one to the next.
sharp.concurrency(1);
sharp.cache(false);

export interface DecodedPhoto {
  /** The picture alone, as JPEG. */
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
  readonly takenAt: { readonly local: string; readonly offset: string | null } | null;
  readonly thumb: Buffer;
  readonly brightness: number;
  readonly sharpness: number;
}

/** Why an upload is no photo of ours; an error of its own would not come back from a worker as what it is. */
export type Undecoded = { readonly refused: 'notImage' } | { readonly refused: 'photoSize'; readonly most: number };

const NOT_IMAGE: Undecoded = { refused: 'notImage' };

/** @param upload its bytes, or the path that they stand at */
export default async function decode(upload: Uint8Array | string): Promise<DecodedPhoto | Undecoded> {
  if (!isPhoto(await headOf(upload))) return NOT_IMAGE;
  const metadata = await sharp(upload)
    .metadata()
    .catch(() => null);
  if (!metadata) return NOT_IMAGE;
  const bomb = await bombIn(metadata, upload);
  if (bomb) return bomb;
  try {
    const { data, info } = await sharp(upload, { limitInputPixels: MAX_PHOTO_MEGAPIXELS * MEGA, failOn: 'error' })
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' })
      .jpeg({ quality: 80 })
      .toBuffer({ resolveWithObject: true });
    const { width, height } = info;
    return { data, width, height, takenAt: takenAt(metadata.exif), ...(await measure(data)) };
  } catch {
    return NOT_IMAGE;
  }
}

/**
 * The bytes of an upload, a piece at a time in one buffer: a worker that allocates little collects little, and whole
 * uploads would stay in its memory until it did.
 */
async function* piecesOf(upload: Uint8Array | string): AsyncGenerator<Uint8Array> {
  if (typeof upload !== 'string') return yield upload;
  const file = await open(upload);
  try {
    const piece = Buffer.allocUnsafe(PIECE);
    for (;;) {
      const { bytesRead } = await file.read(piece, 0, PIECE);
      if (bytesRead === 0) return;
      yield piece.subarray(0, bytesRead);
    }
  } finally {
    await file.close();
  }
}
const PIECE = 65_536;

async function headOf(upload: Uint8Array | string): Promise<Buffer> {
  for await (const piece of piecesOf(upload)) return Buffer.from(piece.subarray(0, 12));
  return Buffer.alloc(0);
}

/** Told by what the file declares, before a pixel of it is unpacked. */
async function bombIn(
  { format, width, height, isProgressive, pages = 1 }: Metadata,
  upload: Uint8Array | string,
): Promise<Undecoded | null> {
  const most = isProgressive ? MAX_LAYERED_MEGAPIXELS : MAX_PHOTO_MEGAPIXELS;
  if (width * height > most * MEGA) return { refused: 'photoSize', most };
  return pages > 1 || (format === 'jpeg' && (await scansOf(upload)) > MOST_SCANS) ? NOT_IMAGE : null;
}

/** How often a JPEG begins a scan (marker FFDA, ITU-T T.81 B.1.1.3), as far as that matters. */
async function scansOf(upload: Uint8Array | string): Promise<number> {
  let count = 0;
  let before = 0;
  for await (const piece of piecesOf(upload)) {
    for (const byte of piece) {
      if (before === 0xff && byte === 0xda) count += 1;
      before = byte;
    }
    if (count > MOST_SCANS) return count;
  }
  return count;
}

/** By its first bytes: JPEG, PNG or WebP. Nothing else reaches the decoder. */
function isPhoto(bytes: Buffer): boolean {
  const head = bytes.subarray(0, 12).toString('latin1');
  return (
    head.startsWith('\xff\xd8\xff') ||
    head.startsWith('\x89PNG\r\n\x1a\n') ||
    (head.startsWith('RIFF') && head.endsWith('WEBP'))
  );
}

/** What checks look at: a grey thumbnail, its mean, and the variance of its Laplacian. */
async function measure(data: Buffer): Promise<Pick<DecodedPhoto, 'thumb' | 'brightness' | 'sharpness'>> {
  const grey = (side: number) => sharp(data).resize(side, side, { fit: 'fill' }).greyscale().raw().toBuffer();
  const [thumb, larger] = [await grey(THUMB_SIDE), await grey(MEASURED_SIDE)];
  const brightness = thumb.reduce((sum, value) => sum + value, 0) / thumb.length;
  let sum = 0;
  let squares = 0;
  for (let y = 1; y < MEASURED_SIDE - 1; y += 1) {
    for (let x = 1; x < MEASURED_SIDE - 1; x += 1) {
      const i = y * MEASURED_SIDE + x;
      const edge =
        4 * larger[i]! - larger[i - 1]! - larger[i + 1]! - larger[i - MEASURED_SIDE]! - larger[i + MEASURED_SIDE]!;
      sum += edge;
      squares += edge * edge;
    }
  }
  const count = (MEASURED_SIDE - 2) ** 2;
  return { thumb, brightness, sharpness: squares / count - (sum / count) ** 2 };
}

function takenAt(exif: Buffer | undefined): DecodedPhoto['takenAt'] {
  if (!exif) return null;
  try {
    const { Photo } = exifReader(exif);
    const at = Photo?.DateTimeOriginal;
    if (!at) return null;
    const offset = Photo?.OffsetTimeOriginal;
    return { local: at.toISOString(), offset: typeof offset === 'string' ? offset : null };
  } catch {
    return null;
  }
}
