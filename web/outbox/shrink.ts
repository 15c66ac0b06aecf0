/**
 * Making a photo small on the phone. What the camera wrote about when it was taken goes along, since drawing it anew
 * drops it.
 */
import { exifOf, upright, withExif } from '../../core/proof/exif.ts';
import { fitted, PHOTO_BYTES, TRIES } from '../../core/proof/shrink.ts';
import { Problem } from '../api/api.ts';
import { say } from '../language/say.ts';

export interface SmallPhoto {
  readonly photo: Blob;
  /** Milliseconds since 1970, as the file says. */
  readonly takenAt: number | null;
}

/** Enough of a file to hold what a camera writes before the picture. */
const HEAD_BYTES = 128 * 1024;

/** @throws Problem with a sentence where the file is no picture that this phone can read */
export async function shrink(file: File): Promise<SmallPhoto> {
  const head = new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());
  const exif = exifOf(head);
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!bitmap) throw new Problem(415, say(isHeic(head) ? 'photo.heic' : 'photo.unreadable'));
  try {
    let drawn: Blob | null = null;
    for (const { side, quality } of TRIES) {
      const { width, height } = fitted(bitmap.width, bitmap.height, side);
      const canvas = Object.assign(document.createElement('canvas'), { width, height });
      canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
      drawn = await new Promise<Blob | null>((resolve) => {
        canvas.toBlob(resolve, 'image/jpeg', quality);
      });
      if (drawn && drawn.size + (exif?.length ?? 0) < PHOTO_BYTES) break;
    }
    if (!drawn) throw new Problem(413, say('photo.tooLarge'));
    const photo = exif
      ? new Blob([withExif(new Uint8Array(await drawn.arrayBuffer()), upright(exif)) as BlobPart], {
          type: 'image/jpeg',
        })
      : drawn;
    return { photo, takenAt: file.lastModified || null };
  } finally {
    bitmap.close();
  }
}

/** An ISO media file whose brand is one of HEIF's. */
function isHeic(head: Uint8Array): boolean {
  const text = String.fromCharCode(...head.subarray(0, 12));
  return text.slice(4, 8) === 'ftyp' && /hei|mif|msf|hev/.test(text.slice(8, 12));
}
