/** `npm run bench:doing`: a hundred kills in the middle of submissions, written to docs/doing-figures.md. */
import { tenantEntry } from './entry.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePage } from './page.ts';
import { planningRow } from './planning.ts';
import { killWhileSending } from '../tests/server/killing.ts';

process.setSourceMapsEnabled(false);
const KILLS = sized(100, 1);
const began = Date.now();
const { kills, photos, records, faults, lost, broken } = await killWhileSending(KILLS);
const entry = tenantEntry();
const kB = (bytes: number) => (bytes / 1000).toFixed(1);
writePage(
  'doing-figures.md',
  `# Doing the work: figures

${measuredOn('bench:doing')}

| what | found | bar |
|---|---|---|
| Kills with SIGKILL in the middle of submissions, four writers at once | ${kills}, in ${Math.round((Date.now() - began) / 1000)} s | 100 |
| Acknowledged before the kills | ${photos} photos, ${records} records, ${faults} faults with a photo | |
| Of those, missing afterwards | ${lost.length} | 0 |
| Photos whose file is not what its name says, log entries whose hash is not that of their text, holes in the log, records that are not in it, complaints of SQLite | ${broken.length} | 0 |
${planningRow()}

A phone plans again by itself whenever something is found; a slow one needs some four times as long.

Run with every test, since they are quick:

- 200 rounds over a connection that drops, doubles, delays and reorders: nothing lost, nothing twice, order kept
  (\`tests/server/connection.test.ts\`, against the real server).
- What people wait for, the first useful screen of a tenant among it, is measured by \`npm run bench:waiting\`.
- Script and styles of the tenant's entry: ${kB(entry.first)} kB for the first screen, ${kB(entry.all)} kB for all
  of them, gzip (bar 220 kB: ${met(entry.all <= 220_000)}). The worker then keeps the app on the device, after the first
  screen.
`,
);
console.log(lost, broken);
if (lost.length + broken.length > 0) process.exit(1);
