/**
 * The inbox of machine signals. An emitter holds an Ed25519 key and signs the bytes that it sends; the
 * server keeps the public half only. A message counts once: its sequence must grow, its time be near.
 */
import { createPublicKey, generateKeyPairSync, verify } from 'node:crypto';
import { machineSignal, MESSAGE_SLACK_MS, type MachineSignal } from '../../contract/due/signals.ts';
import { check } from '../../contract/form/validate.ts';
import type { Call, Env } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { refuseRetired } from '../lookup/visible.ts';
import type { Db } from '../store/db.ts';
import { raiseSignal } from './signals.ts';

/** Connects a machine. The private key is told once and kept nowhere. */
export async function createEmitter(
  { env, db, actor: { organisationId }, now }: Call,
  machineId: string,
): Promise<{ id: string; privateKey: string }> {
  const machine = await db.machine.one({ id: machineId, organisationId });
  if (!machine) throw notFound();
  refuseRetired(env, machine);
  const { publicKey, privateKey } = generateKeyPairSync('ed25519');
  const id = env.newId();
  await db.emitter.insert({
    id,
    organisationId,
    machineId,
    publicKey: publicKey.export({ type: 'spki', format: 'der' }).toString('base64'),
    lastSequence: 0,
    createdAt: now,
    retiredAt: null,
  });
  return { id, privateKey: privateKey.export({ type: 'pkcs8', format: 'der' }).toString('base64') };
}

/**
 * Takes a machine’s sender out of use: what it signs is refused from now on.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function retireEmitter({ db, actor: { organisationId }, now }: Call, id: string): Promise<object> {
  if (!(await db.emitter.one({ id, organisationId }))) throw notFound();
  await db.emitter.update({ id, retiredAt: null }, { retiredAt: now });
  return {};
}

/** Reads a message as it came. Nothing is believed of it, and no write waits for it, before its signature fits. */
export async function recogniseMessage(db: Db, body: Buffer, signature: string | undefined): Promise<MachineSignal> {
  const message = parse(body);
  const emitter = message && (await db.emitter.one({ id: message.emitter }));
  if (!message || !emitter || !signature || !fits(body, signature, emitter.publicKey))
    throw new Problem(401, 'badSignature');
  return message;
}

/** Takes a message whose signature fits, once. */
export async function takeMessage(env: Env, db: Db, message: MachineSignal, now: number): Promise<{ id: string }> {
  const emitter = (await db.emitter.one({ id: message.emitter }))!;
  const machine = (await db.machine.one({ id: emitter.machineId }))!;
  if (emitter.retiredAt !== null || machine.retiredDay !== null) throw new Problem(410, 'emitterRetired');
  if (message.sequence <= emitter.lastSequence) throw new Problem(409, 'replayed');
  if (Math.abs(now - message.at) > MESSAGE_SLACK_MS) throw new Problem(409, 'messageTime');
  await db.emitter.update({ id: emitter.id }, { lastSequence: message.sequence });
  return {
    id: await raiseSignal(
      db,
      { id: env.newId(), machine, type: message.type, note: message.code, personId: null, emitterId: emitter.id },
      now,
    ),
  };
}

function parse(body: Buffer): MachineSignal | null {
  try {
    return check(machineSignal, JSON.parse(body.toString('utf8'))).value as MachineSignal | null;
  } catch {
    return null;
  }
}

function fits(body: Buffer, signature: string, publicKey: string): boolean {
  try {
    const key = createPublicKey({ key: Buffer.from(publicKey, 'base64'), format: 'der', type: 'spki' });
    return verify(null, body, key, Buffer.from(signature, 'base64'));
  } catch {
    return false;
  }
}
