/** A simulated emitter: a machine that signs what it has to say and sends it to the inbox. */
import { createPrivateKey, sign } from 'node:crypto';
import { SIGNATURE_HEADER, type MachineSignal } from '../contract/due/signals.ts';

export interface EmitterKey {
  readonly id: string;
  /** PKCS #8, DER, base64, as the desk shows it once. */
  readonly privateKey: string;
}

export interface SignedMessage {
  readonly body: string;
  readonly signature: string;
}

/** The bytes of a message and their Ed25519 signature. */
export function signedMessage({ id, privateKey }: EmitterKey, message: Omit<MachineSignal, 'emitter'>): SignedMessage {
  const body = JSON.stringify({ emitter: id, ...message });
  const key = createPrivateKey({ key: Buffer.from(privateKey, 'base64'), format: 'der', type: 'pkcs8' });
  return { body, signature: sign(null, Buffer.from(body), key).toString('base64') };
}

/** Sends one signal and says what the inbox answered. Its sequence is the time, so that it grows. */
export async function emitSignal(
  url: string,
  key: EmitterKey,
  type: string,
  code: string,
  now: number,
): Promise<{ status: number; says: string }> {
  const { body, signature } = signedMessage(key, { sequence: now, at: now, type, code });
  const response = await fetch(`${url}/api/inbox/signals`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [SIGNATURE_HEADER]: signature },
    body,
  });
  const answer = (await response.json()) as { detail?: string; id?: string };
  return { status: response.status, says: answer.detail ?? `taken as ${answer.id}` };
}
