/** A server of its own, to be killed: `child.ts DATA PORT`. */
import { pino } from 'pino';
import { serve } from '../../server/serve.ts';

process.setSourceMapsEnabled(false);
const [data, port] = process.argv.slice(2);
await serve({ data: data!, port: Number(port), logger: pino({ level: 'silent' }), rateFactor: 1e6 });
process.stdout.write('ready\n');
