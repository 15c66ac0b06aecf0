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

/** It surely did not go out; `again`: it may another time. Any other error leaves open whether it was taken. */
export class NotTaken extends Error {
  readonly again: boolean;
  constructor(message: string, again: boolean) {
    super(message);
    this.again = again;
  }
}

/** An error of the mail library, with what the server answered and to which command. */
interface MailError extends Error {
  readonly responseCode?: number;
  readonly command?: string;
  readonly code?: string;
}

/** Commands before a letter is handed over. */
const BEFORE = ['CONN', 'EHLO', 'HELO', 'STARTTLS', 'API', 'AUTH'];

/** What an error of sending says about whether the letter was taken (RFC 5321: 4yz for now, 5yz for good). */
function asNotTaken(error: MailError): Error {
  const { responseCode = 0, command = '', code, message } = error;
  const before = BEFORE.some((it) => command.startsWith(it)) || code === 'EDNS';
  if (before) return new NotTaken(message, true);
  if (responseCode >= 400) return new NotTaken(message, responseCode < 500);
  return error;
}

/** Codes of a connection that was never made. */
const NO_CONNECTION = ['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'UND_ERR_CONNECT_TIMEOUT'];

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
    } catch (error) {
      throw asNotTaken(error as MailError);
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
    }).catch((error: Error) => {
      const { code } = (error.cause ?? {}) as { readonly code?: string };
      throw code !== undefined && NO_CONNECTION.includes(code)
        ? new NotTaken(`${error.message}: ${code}`, true)
        : error;
    });
    const says = `${answer.status} ${answer.statusText}`;
    // What fails over there may have been taken all the same.
    if (answer.status >= 500) throw new Error(says);
    if (!answer.ok) throw new NotTaken(says, answer.status === 429);
  },
};

const isLocal = (host: string) => ['localhost', '127.0.0.1', '::1'].includes(host);
