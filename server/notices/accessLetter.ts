/** The letter by which somebody of the office comes to a new password. */
import type { Env } from '../context/context.ts';
import { LETTER_MS, makeAccess } from '../people/access.ts';
import { dutyOf } from './duty.ts';
import { voiceFor } from './reader.ts';

/**
 * Sends a way to a new password to an address that has an account and can get letters; says nothing of whether it has.
 * @throws Error with the mail server's own words
 */
export async function sendAccess(env: Env, email: string): Promise<void> {
  const { store, clock, address } = env;
  const person = await store.db.person.one({ email });
  if (!person || person.disabledAt !== null) return;
  const { mail } = await dutyOf(store.db, person.organisationId);
  if (!mail) return;
  const say = await voiceFor(env, store.db, person);
  const path = await store.write((db) => makeAccess(env, db, person, clock(), LETTER_MS));
  await env.waysOut.mail(mail, {
    to: email,
    subject: say.text('access.letter.subject'),
    text: say.text('access.letter', { name: person.name, link: `${address()}${path}` }),
    messageId: `<access-${env.newId()}@dewline>`,
  });
}
