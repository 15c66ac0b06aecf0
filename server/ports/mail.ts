/** Mail through SMTP, and webhooks: the ways out of the house. Each says what went wrong in a sentence, or nothing. */
import { createTransport } from 'nodemailer';
import type { FactValues } from '../store/factValues.ts';

export interface Letter {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  /** The same for every try, so that nobody is told twice by a mail server that had it already. */
  readonly messageId: string;
}

export type MailSettings = NonNullable<FactValues['mail']>;

/** How the house reaches others; passed in, so that a test hears what is sent. */
export interface WaysOut {
  /** @throws Error with the server's own words */
  mail(settings: MailSettings, letter: Letter): Promise<void>;
  /** @throws Error where it was not taken */
  webhook(url: string, body: object): Promise<void>;
}

const PATIENCE_MS = 15_000;

export const waysOut: WaysOut = {
  async mail({ host, port, secure, user, password, from }, { to, subject, text, messageId }) {
    const transport = createTransport({
      host,
      port,
      secure,
      ...(user && { auth: { user, pass: password } }),
      connectionTimeout: PATIENCE_MS,
      greetingTimeout: PATIENCE_MS,
      socketTimeout: PATIENCE_MS,
      // A stand-in on the same machine signs its own certificate, or has none.
      tls: { rejectUnauthorized: !isLocal(host) },
    });
    try {
      await transport.sendMail({ from, to, subject, text, messageId });
    } finally {
      transport.close();
    }
  },
  async webhook(url, body) {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
      redirect: 'error',
    });
    if (!answer.ok) throw new Error(`${answer.status} ${answer.statusText}`);
  },
};

const isLocal = (host: string) => ['localhost', '127.0.0.1', '::1'].includes(host);
