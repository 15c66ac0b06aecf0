/** `npm run bench:doing`: kills in the middle of submissions and a bad connection, written to docs/doing-figures.md. */
import { tenantEntry } from './entry.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePage } from './page.ts';
import { planningRow } from './planning.ts';
import { sendOverABadConnection } from '../tests/server/dropping.ts';
import { killWhileSending } from '../tests/server/killing.ts';

process.setSourceMapsEnabled(false);
const KILLS = sized(100, 1);
const began = Date.now();
const { kills, photos, records, faults, lost, broken } = await killWhileSending(KILLS);
const killedIn = Math.round((Date.now() - began) / 1000);
const ROUNDS = sized(200, 2);
const bad = await sendOverABadConnection(ROUNDS);
const missing = bad.sent.filter((id) => !bad.had.includes(id)).length + bad.left;
const twice = bad.photos - ROUNDS + (bad.had.length - new Set(bad.had).size);
const disordered = bad.order.filter((n, i) => i > 0 && n < bad.order[i - 1]!).length;
const entry = tenantEntry();
const kB = (bytes: number) => (bytes / 1000).toFixed(1);
writePage(
  'doing-figures.md',
  `# Doing the work: figures

${measuredOn('bench:doing')}

| what | found | bar |
|---|---|---|
| Kills with SIGKILL in the middle of submissions, four writers at once | ${kills}, in ${killedIn} s | 100 |
| Acknowledged before the kills | ${photos} photos, ${records} records, ${faults} faults with a photo | |
| Of those, missing afterwards | ${lost.length} | 0 |
| Photos whose file is not what its name says, log entries whose hash is not that of their text, holes in the log, records that are not in it, complaints of SQLite | ${broken.length} | 0 |
| Rounds over a connection that drops (${bad.tries.dropped}), takes without an answer (${bad.tries.unanswered}), doubles (${bad.tries.doubled}) and delays (${bad.tries.late}) | ${ROUNDS} | 200 |
| Of those, faults missing; photos or faults twice; out of order | ${missing}; ${twice}; ${disordered} | 0 |
${planningRow()}

A phone plans again by itself whenever something is found; a slow one needs some four times as long.

What people wait for, the first useful screen of a tenant among it, is measured by \`npm run bench:waiting\`.

- Script and styles of the tenant's entry: ${kB(entry.first)} kB for the first screen, ${kB(entry.all)} kB for all
  of them, gzip (bar 220 kB: ${met(entry.all <= 220_000)}). The worker then keeps the app on the device, after the first
  screen.
`,
);
console.log(lost, broken);
if (lost.length + broken.length + missing + twice + disordered > 0) process.exit(1);
