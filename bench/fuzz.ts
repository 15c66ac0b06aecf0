/** `npm run fuzz -- SEED COUNT`: hostile requests against a house; ends with 1 where one is not refused well. */
import { openHouse } from '../tests/server/house.ts';
import { storm } from '../tests/server/storm.ts';

const [seed = 20_261_127, count = 50_000] = process.argv.slice(2).map(Number);
const house = await openHouse();
const { sent, byStatus, broken, slowestMs, slowest } = await storm(house, seed, count);
const integrity = JSON.stringify((await house.env.store.db.sequelize.query('PRAGMA integrity_check'))[0]);
await house.close();
const answers = Object.entries(byStatus).map(([status, many]) => `${status}: ${many}`);
process.stdout.write(
  `${sent} sent; ${answers.join(', ')}; slowest ${Math.round(slowestMs)} ms (${slowest})\n${integrity}\n`,
);
for (const { status, request } of broken) process.stdout.write(`${status} ${JSON.stringify(request)}\n`);
process.exitCode = broken.length > 0 || !integrity.includes('ok') ? 1 : 0;
