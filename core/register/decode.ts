/** Text out of the bytes of a file whose encoding nobody states. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** By its byte order mark; else UTF-8 where the bytes are; else the Western code page that spreadsheets still write. */
export function encodingOf(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** The text, without its byte order mark. */
export function decoded(bytes: Uint8Array): { readonly text: string; readonly encoding: Encoding } {
  const encoding = encodingOf(bytes);
  return { encoding, text: new TextDecoder(encoding).decode(bytes) };
}
