/** The one hash of the house. */
import { createHash } from 'node:crypto';

/** The SHA-256 of a text or of bytes, in hexadecimal. */
export function sha256(text: string | Buffer): string {
  return createHash('sha256').update(text).digest('hex');
}
