/**
 * `npm run bench:standing`: standing as of any day of two years against the bare SQL that must be read for it, in turns
 * in one run, and how it grows; written to docs/standing-figures.md.
 */
import { rmSync } from 'node:fs';
import { v7 } from 'uuid';
import { dayOfInstant, DAYS_A_YEAR, isoFromDay, MS_PER_DAY } from '../core/calendar/day.ts';
import { seeded } from '../core/statistics/random.ts';
import { createEnv } from '../server/createEnv.ts';
import { ask, run } from '../server/sql/connection.ts';
import { EVIDENCE_SQL, SERVICES_SQL, TRACES_SQL } from '../server/sql/standing.ts';
import { readsIn } from '../server/people/members.ts';
import { AT_FIRST } from '../server/store/person.ts';
import { readStanding } from '../server/standing/standing.ts';
import { ZONE, largeRegister, type Large } from './dueRegister.ts';
import { median, met, spread } from './figures.ts';
import { RATIOS_IN_TURNS, measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const YEARS = 2;
/** Services of each part in that time, and lines drawn for each. */
const [SERVICES, LINES] = [12, 2];
const TURNS = sized(9, 1);

/** Two years of services, each with its proof and its lines. */
async function live({ store, organisationId, personId, ids }: Large): Promise<void> {
  const random = seeded(5);
  const today = dayOfInstant(Date.now(), ZONE);
  const start = today - YEARS * DAYS_A_YEAR;
  const every = Math.floor((YEARS * DAYS_A_YEAR) / SERVICES);
  const services = ids.flatMap((pointId) =>
    Array.from({ length: SERVICES }, (_, i) => ({
      id: v7(),
      pointId,
      day: start + i * every + Math.floor(random() * every),
      days: Math.round(every * (0.8 + 0.5 * random())),
    })),
  );
  const insert = (sql: string, rows: readonly (readonly unknown[])[]) =>
    store.write((db) => run(db, sql, [JSON.stringify(rows), organisationId, personId]));
  for (let i = 0; i < services.length; i += 50_000) {
    const some = services.slice(i, i + 50_000);
    await insert(
      `INSERT INTO line (organisation_id, point_id, computed_at, served_day, line_day, cap_day, inputs, terms)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 3 + 400, printf('%1200s', ?3), '{}'
FROM json_each(?1)`,
      some.flatMap(({ pointId, day, days }) =>
        Array.from({ length: LINES }, (_, k) => [pointId, (day + k * 9) * MS_PER_DAY, day, day + days - k]),
      ),
    );
    const rows = some.map(({ id, pointId, day }) => [id, pointId, day, day * MS_PER_DAY]);
    await insert(
      `INSERT INTO record (organisation_id, person_id, id, point_id, done_day, done_at, canonical, hash)
SELECT ?2, ?3, value ->> 0, value ->> 1, value ->> 2, value ->> 3, printf('%900s', '{}'), ''
FROM json_each(?1)`,
      rows,
    );
    await insert(
      `INSERT INTO proof (
  organisation_id, record_id, point_id, state, evidence, on_time, findings, sent_at, judged_by, definition
)
SELECT ?2, value ->> 0, value ->> 1, 'accepted', 'proven', value ->> 3 % 7 > 0, '[]', value ->> 3, ?3, 2
FROM json_each(?1)`,
      rows,
    );
    await insert(
      `INSERT INTO condition (organisation_id, person_id, id, point_id, kind, day, at, grade, confirmed, evidence)
SELECT ?2, ?3, value ->> 0, value ->> 1, 'service', value ->> 2, value ->> 3, 'due', 1, 'proven'
FROM json_each(?1)`,
      rows,
    );
  }
}

interface Measured {
  readonly ours: readonly number[];
  readonly bare: readonly number[];
}

async function measure(points: number): Promise<Measured> {
  const large = await largeRegister(points);
  await live(large);
  const { store, folder, organisationId, personId } = large;
  const env = createEnv(store, folder);
  const actor = {
    personId,
    name: '',
    organisationId,
    organisation: '',
    roles: ['manager'] as const,
    properties: null,
    licensed: false,
    sessionId: '',
    linkId: null,
    csrf: '',
    ...readsIn(AT_FIRST),
  };
  // Read by the same connection: what differs is what is worked out.
  const all = (sql: string, values: readonly unknown[]) => ask(store.db, sql, values);
  const random = seeded(7);
  const today = dayOfInstant(Date.now(), ZONE);
  const [ours, bare]: [number[], number[]] = [[], []];
  // The first turn warms both.
  for (let i = -1; i < TURNS; i += 1) {
    const day = today - Math.floor(random() * YEARS * DAYS_A_YEAR);
    let start = performance.now();
    const rows = await all(TRACES_SQL, [organisationId, null]);
    await all(SERVICES_SQL, [organisationId, null, day - DAYS_A_YEAR + 1, day, 2]);
    await all(EVIDENCE_SQL, [organisationId, day]);
    if (i >= 0) bare.push(performance.now() - start);
    if (rows.length !== points) throw new Error(`${rows.length} of ${points} parts`);
    start = performance.now();
    const answer = await readStanding(
      { env, db: store.db, actor, now: Date.now() },
      { day: isoFromDay(day), from: undefined },
    );
    if (i >= 0) ours.push(performance.now() - start);
    if (answer.places.length === 0) throw new Error('no homes');
  }
  await store.close();
  rmSync(folder, { recursive: true, force: true });
  return { ours, bare };
}

const [FEW, MANY] = [sized(10_000, 300), sized(100_000, 600)];
const few = await measure(FEW);
const many = await measure(MANY);
const ratio = median(few.ours) / median(few.bare);
const growth = median(many.ours) / median(few.ours);
const inMs = (values: readonly number[]) => `${median(values).toFixed(0)} ms (${spread(values)})`;

writePage(
  'standing-figures.md',
  `# Standing as of any day

${measuredOn('bench:standing')} ${RATIOS_IN_TURNS}

${FEW.toLocaleString('en')} parts, each served ${SERVICES} times in two years with ${LINES} lines a service; the day
is drawn anew each turn. Measured is the whole answer of the page: every home
with its reasons, properties, twelve months; the bare SQL is the rows that all of it must be
worked out from, read by the same connection.

| what | measured | bar | |
|---|---|---|---|
${tableRow(
  'Standing as of a day ÷ the bare SQL that must be read',
  `${ratio.toFixed(2)}: ${inMs(few.ours)} ÷ ${inMs(few.bare)}`,
  '≤ 3',
  met(ratio <= 3),
)}
${tableRow('Ten times as many parts ÷ as many', `${growth.toFixed(1)}: ${inMs(many.ours)}`, '≤ 12', met(growth <= 12))}
`,
);
