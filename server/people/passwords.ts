/** Passwords: hashed slowly, compared in the same time whether there is one or not. */
import { hash, verify } from 'argon2';
import pLimit from 'p-limit';

/** Each hash takes 64 MB and a core for a while: two at a time. */
const hashing = pLimit(2);

/** Argon2id with the library's defaults. */
export const hashPassword = (password: string) => hashing(() => hash(password));

/** A hash that no password fits, so that an unknown email takes as long as a wrong password. */
let nobody: Promise<string> | undefined;

/** Whether a password is the one of a hash; takes as long where there is none. */
export async function passwordFits(passwordHash: string | null | undefined, password: string): Promise<boolean> {
  const against = passwordHash ?? (await (nobody ??= hash('nobody has this password')));
  return (await hashing(() => verify(against, password))) && Boolean(passwordHash);
}
