/** Passwords: hashed slowly, compared in the same time whether there is one or not. */
import { hash, verify } from 'argon2';
import pLimit from 'p-limit';

/** Each hash takes 64 MB and a core for a while: two at a time. */
const hashing = pLimit(2);

/** What one hash costs: memory in KiB, passes over it, and lanes. */
export interface HashCost {
  readonly memoryCost?: number;
  readonly timeCost?: number;
  readonly parallelism?: number;
}

/** Argon2id with the library's defaults (64 MiB, 3 passes, 4 lanes), unless a test asks for less. */
let cost: HashCost = {};

/** Makes every later hash of this process cheap or dear. Tests use it; the product never does. */
export function setHashCost(changed: HashCost): void {
  cost = changed;
  nobody = undefined;
}

/** Hashes a password; the result carries its own salt and cost. */
export const hashPassword = (password: string) => hashing(() => hash(password, cost));

/** A hash that no password fits, so that an unknown email takes as long as a wrong password. */
let nobody: Promise<string> | undefined;

/** Whether a password is the one of a hash; takes as long where there is none. */
export async function passwordFits(passwordHash: string | null | undefined, password: string): Promise<boolean> {
  const against = passwordHash ?? (await (nobody ??= hash('nobody has this password', cost)));
  return (await hashing(() => verify(against, password))) && Boolean(passwordHash);
}
