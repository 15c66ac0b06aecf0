/** Short codes for a printed card: read out, typed on a phone, never mistaken for one another. */

/** Without 0 and O, 1, I and L, U and V. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTWXYZ';
const LENGTH = 8;
const GROUP = 4;

/** A code of eight signs in two groups, about 39 bits, from as many random bytes as it asks for. */
export function makeCode(randomByte: () => number): string {
  let code = '';
  // Bytes above the last whole round of the alphabet would favour its first signs.
  const fair = 256 - (256 % SIGNS.length);
  while (code.length < LENGTH) {
    const byte = randomByte();
    if (byte < fair) code += SIGNS[byte % SIGNS.length];
  }
  return `${code.slice(0, GROUP)}-${code.slice(GROUP)}`;
}

/** A code as it was made, however it was typed; null where it cannot be one. */
export function readCode(typed: string): string | null {
  const code = typed.toUpperCase().replace(/[\s–-]/g, '');
  return code.length === LENGTH && [...code].every((sign) => SIGNS.includes(sign))
    ? `${code.slice(0, GROUP)}-${code.slice(GROUP)}`
    : null;
}
