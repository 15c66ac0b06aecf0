/** A mail server that ships: it takes letters on this machine, keeps the latest, and sends none on. */
import { SMTPServer } from 'smtp-server';

export interface TakenLetter {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly at: number;
}

export interface StandIn {
  readonly port: number;
  /** Newest first. */
  letters(): readonly TakenLetter[];
  close(): Promise<void>;
}

const KEPT = 50;
const LARGEST_BYTES = 1_000_000;

export async function openStandIn(port = 0): Promise<StandIn> {
  const letters: TakenLetter[] = [];
  const server = new SMTPServer({
    authOptional: true, disabledCommands: ['AUTH', 'STARTTLS'], logger: false, size: LARGEST_BYTES,
    onData(stream, session, done) {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        const raw = Buffer.concat(parts).toString('utf8');
        const [head = '', ...body] = raw.split(/\r?\n\r?\n/);
        letters.unshift({ to: session.envelope.rcptTo.map(({ address }) => address).join(', '), subject: subjectOf(head), text: textOf(head, body.join('\n\n')), at: Date.now() });
        letters.length = Math.min(letters.length, KEPT);
        done();
      });
    },
  });
  server.on('error', () => undefined);
  await new Promise<void>((resolve, reject) => { server.once('error', reject); server.listen(port, '127.0.0.1', resolve); });
  const address = server.server.address();
  return {
    port: typeof address === 'object' && address ? address.port : port,
    letters: () => letters,
    close: () => new Promise((resolve) => server.close(() => resolve())),
  };
}

/** A subject as people read it; encoded words (RFC 2047) are UTF-8 here, since we write them. */
function subjectOf(head: string): string {
  const folded = /^subject:([^\r\n]*(?:\r?\n[ \t][^\r\n]*)*)/im.exec(head)?.[1] ?? '';
  return folded.replace(/\r?\n[ \t]/g, ' ').replace(/\?=\s+=\?/g, '?==?').replace(/=\?utf-8\?([bq])\?([^?]*)\?=/gi, (_all, how: string, text: string) =>
    (how.toLowerCase() === 'b' ? Buffer.from(text, 'base64').toString('utf8') : fromQuoted(text.replace(/_/g, ' ')))).trim();
}

const textOf = (head: string, body: string): string =>
  (/^content-transfer-encoding:\s*quoted-printable/im.test(head) ? fromQuoted(body) : /^content-transfer-encoding:\s*base64/im.test(head) ? Buffer.from(body, 'base64').toString('utf8') : body).trim();

/** Quoted-printable (RFC 2045). */
function fromQuoted(text: string): string {
  const bytes = text.replace(/=\r?\n/g, '').replace(/=([0-9a-f]{2})/gi, (_all, hex: string) => String.fromCharCode(parseInt(hex, 16)));
  return Buffer.from([...bytes].flatMap((sign) => (sign.charCodeAt(0) < 256 ? [sign.charCodeAt(0)] : [...Buffer.from(sign)]))).toString('utf8');
}
