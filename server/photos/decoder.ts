/** Where uploads are unpacked: in a worker beside the thread that answers everybody, two at a time. */
import Piscina from 'piscina';
import { Problem } from '../context/problem.ts';
import type { DecodedPhoto, Undecoded } from './decode.ts';

/**
 * Begun with the first upload, and let go when none came for a while. One worker for both: its pixels are unpacked on
 * threads below it in any case, and a second one cost 35 MB of the 400 that an upload storm may take.
 */
const pool = new Piscina<Uint8Array | string, DecodedPhoto | Undecoded>({
  filename: new URL('./decode.ts', import.meta.url).href,
  minThreads: 0,
  maxThreads: 1,
  concurrentTasksPerWorker: 2,
  idleTimeout: 30_000,
  resourceLimits: { maxOldGenerationSizeMb: 64, maxYoungGenerationSizeMb: 8 },
});

/**
 * Unpacks an upload in a worker.
 * @param upload its bytes, or the path that they stand at, which is read when its turn comes
 * @throws Problem: notImage (415) when it is no photo, whatever its name says; photoSize (413)
 */
export async function decodeAside(upload: Buffer | string): Promise<DecodedPhoto> {
  const decoded = await pool.run(upload);
  if ('refused' in decoded) {
    if (decoded.refused === 'photoSize') throw new Problem(413, 'photoSize', { most: decoded.most });
    throw new Problem(415, 'notImage');
  }
  // What crosses between threads arrives as plain bytes.
  const { data, thumb, ...rest } = decoded;
  return { ...rest, data: Buffer.from(data), thumb: Buffer.from(thumb) };
}
