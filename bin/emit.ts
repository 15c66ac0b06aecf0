/** A machine speaks: sends one signed signal to a running Dewline. */
import { existsSync, readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { SIGNALS } from '../core/due/signals.ts';
import { emitSignal, type EmitterKey } from '../demo/emitter.ts';

const {
  values: { url, key, id, type, code },
} = parseArgs({
  options: {
    url: { type: 'string', default: 'http://127.0.0.1:4600' },
    key: { type: 'string', default: 'data/demo/emitter.json' },
    id: { type: 'string' },
    type: { type: 'string', default: 'washer.code' },
    code: { type: 'string', default: 'D-7' },
  },
});
if (!SIGNALS.some((signal) => signal.key === type)) {
  console.error(`No such signal: ${type}. One of: ${SIGNALS.map((signal) => signal.key).join(', ')}`);
  process.exit(2);
}
if (!id && !existsSync(key)) {
  console.error(
    `There is no key at ${key}. Connect a machine at the desk, then:\n` +
      `  bin/emit --id EMITTER --key PRIVATE-KEY --type ${type}`,
  );
  process.exit(2);
}
const emitter = id ? { id, privateKey: key } : (JSON.parse(readFileSync(key, 'utf8')) as EmitterKey);
const { status, says } = await emitSignal(url, emitter, type, code, Date.now()).catch((error: Error) => ({
  status: 0,
  says: `${url} does not answer: ${error.message}`,
}));
console.log(`${status} ${says}`);
process.exit(status === 200 ? 0 : 1);
