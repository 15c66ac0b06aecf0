/** A mail server that ships: it takes letters on this machine, keeps the latest, and sends none on. */
import PostalMime from 'postal-mime';
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

/** Opens a mail server that keeps what it takes, in place of a real one. */
export async function openStandIn(port = 0): Promise<StandIn> {
  const letters: TakenLetter[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    logger: false,
    size: LARGEST_BYTES,
    onData(stream, session, done) {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        void PostalMime.parse(Buffer.concat(parts)).then(({ subject = '', text = '' }) => {
          letters.unshift({
            to: session.envelope.rcptTo.map(({ address }) => address).join(', '),
            subject,
            text: text.trim(),
            at: Date.now(),
          });
          letters.length = Math.min(letters.length, KEPT);
          done();
        }, done);
      });
    },
  });
  server.on('error', () => undefined);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  const address = server.server.address();
  return {
    port: typeof address === 'object' && address ? address.port : port,
    letters: () => letters,
    close: () => new Promise((resolve) => server.close(() => resolve())),
  };
}
