/** An authenticator's code beside the password (TOTP, RFC 6238), and codes for when it is lost. */
import { randomBytes } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import type { SecondFactor } from '../../contract/people/people.ts';
import { makeCode, readCode } from '../../core/people/code.ts';
import type { Call } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

const PERIOD_S = 30;
/** A phone's clock may be off by one step. */
const WINDOW = 1;
const RECOVERY_CODES = 8;

const totpOf = (secret: string, label = '', issuer = '') =>
  new TOTP({ secret: Secret.fromBase32(secret), period: PERIOD_S, digits: 6, label, issuer });

/** A secret for an authenticator, with the address that its code is made of; kept nowhere until it is confirmed. */
export function newSecret({ actor }: Call): { secret: string; uri: string } {
  const secret = new Secret({ size: 20 }).base32;
  return { secret, uri: totpOf(secret, actor.name, 'Dewline').toString() };
}

/** The time step whose code this is; null where it is none, or one that was taken already. */
function stepOf({ totpSecret, totpStep }: Pick<Row<'person'>, 'totpSecret' | 'totpStep'>, code: string, now: number) {
  if (totpSecret === null) return null;
  const delta = totpOf(totpSecret).validate({ token: code, timestamp: now, window: WINDOW });
  if (delta === null) return null;
  const step = Math.floor(now / 1000 / PERIOD_S) + delta;
  return step > totpStep ? step : null;
}

/**
 * Takes the second factor of somebody who has one; each code counts once.
 * @throws Problem: codeNeeded (401) where none came, wrongCode (401)
 */
export async function takeSecondFactor(db: Db, personId: string, typed: string, now: number): Promise<void> {
  const person = (await db.person.one({ id: personId }))!;
  if (person.totpSecret === null) return;
  if (typed === '') throw new Problem(401, 'codeNeeded');
  const step = stepOf(person, typed.replace(/ /g, ''), now);
  if (step !== null) {
    await db.person.update({ id: personId }, { totpStep: step });
    return;
  }
  const recovery = readCode(typed);
  const used = recovery === null ? 0 : await db.recoveryCode.remove({ id: sha256(recovery), personId });
  if (used === 0) throw new Problem(401, 'wrongCode');
}

/**
 * Turns the second factor on, once a code shows that the authenticator has the secret.
 * @returns recovery codes, told once
 * @throws Problem: wrongCode (401)
 */
export async function turnOn({ env, db, actor, now }: Call, { secret, code }: SecondFactor): Promise<string[]> {
  const { personId, organisationId } = actor;
  const step = stepOf({ totpSecret: secret, totpStep: 0 }, code.replace(/ /g, ''), now);
  if (step === null) throw new Problem(401, 'wrongCode');
  await turnOff(db, personId);
  await db.person.update({ id: personId }, { totpSecret: secret, totpStep: step });
  const codes = Array.from({ length: RECOVERY_CODES }, () => makeCode(() => randomBytes(1)[0]!));
  await db.recoveryCode.insertMany(codes.map((it) => ({ id: sha256(it), organisationId, personId })));
  env.guesses.right('account', personId);
  return codes;
}

/** Takes the second factor off, with its recovery codes. */
export async function turnOff(db: Db, personId: string): Promise<void> {
  await db.person.update({ id: personId }, { totpSecret: null, totpStep: 0 });
  await db.recoveryCode.remove({ personId });
}
