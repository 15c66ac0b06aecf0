/** What a camera writes before a JPEG's picture, carried over to the picture drawn anew, so that it keeps its time. */

const MARKER = 0xff;
const START = 0xd8;
const SCAN = 0xda;
const APP1 = 0xe1;
/** "Exif", as CIPA DC-008 (Exif) has it begin the segment. */
const EXIF = [0x45, 0x78, 0x69, 0x66];

/** The Exif segment of a JPEG with its marker, or null where it has none. */
export function exifOf(jpeg: Uint8Array): Uint8Array | null {
  if (jpeg[0] !== MARKER || jpeg[1] !== START) return null;
  for (let at = 2; at + 8 <= jpeg.length && jpeg[at] === MARKER && jpeg[at + 1] !== SCAN;) {
    const end = at + 2 + jpeg[at + 2]! * 256 + jpeg[at + 3]!;
    if (jpeg[at + 1] === APP1 && EXIF.every((byte, i) => jpeg[at + 4 + i] === byte))
      return end <= jpeg.length ? new Uint8Array(jpeg.subarray(at, end)) : null;
    at = end;
  }
  return null;
}

/** Where the TIFF header begins in the segment: after marker, length and "Exif\0\0". */
const TIFF = 10;
const ORIENTATION = 0x0112;
const ENTRY_BYTES = 12;

/**
 * The same segment for a picture that has been turned the right way up: its orientation says so. TIFF 6.0, section 2.
 */
export function upright(exif: Uint8Array): Uint8Array {
  const turned = new Uint8Array(exif);
  const view = new DataView(turned.buffer);
  const little = turned[TIFF] === 0x49;
  const ifd = TIFF + view.getUint32(TIFF + 4, little);
  if (ifd + 2 > turned.length) return turned;
  const entries = view.getUint16(ifd, little);
  for (let at = ifd + 2, i = 0; i < entries && at + ENTRY_BYTES <= turned.length; i += 1, at += ENTRY_BYTES) {
    if (view.getUint16(at, little) === ORIENTATION) view.setUint16(at + 8, 1, little);
  }
  return turned;
}

/** A JPEG with an Exif segment put in at its beginning. */
export function withExif(jpeg: Uint8Array, exif: Uint8Array): Uint8Array {
  const joined = new Uint8Array(jpeg.length + exif.length);
  joined.set(jpeg.subarray(0, 2));
  joined.set(exif, 2);
  joined.set(jpeg.subarray(2), 2 + exif.length);
  return joined;
}
