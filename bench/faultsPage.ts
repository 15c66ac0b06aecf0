/**
 * How long what the Faults page asks for takes at 20,000 machines with 5,000 faults, each read as the page reads it, by
 * HTTP. Run by `npm run bench:faultsPage`; writes docs/faults-figures.md.
 */
import { rmSync } from 'node:fs';
import { pino } from 'pino';
import { v7 } from 'uuid';
import { dayOfInstant, MS_PER_DAY } from '../core/calendar/day.ts';
import { pointsOfSymptom, symptomsOf } from '../core/faults/symptoms.ts';
import { seeded } from '../core/statistics/random.ts';
import { serve } from '../server/serve.ts';
import { run } from '../server/sql/connection.ts';
import { hashPassword } from '../server/people/passwords.ts';
import { ZONE, largeRegister } from './dueRegister.ts';
import { median, met, spread } from './figures.ts';
import { measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const [MACHINES, FAULTS, TURNS] = [sized(20_000, 200), sized(5000, 60), sized(7, 1)];
/** Faults that are open, and how many services each part had. */
const [OPEN, SERVICES] = [sized(60, 5), 6];
const TYPE = 'dryer';
const PASSWORD = 'a long password';
const EMAIL = 'bench@saltmarsh.example';

const large = await largeRegister(sized(6000, 60));
const { store, folder, organisationId, personId } = large;
const random = seeded(9);
const today = dayOfInstant(Date.now(), ZONE);
const placeIds = (await store.db.place.all({}, { columns: ['id'] })).map(({ id }) => id);
const machines = Array.from({ length: MACHINES }, (_, i) => ({ id: v7(), place: placeIds[i % placeIds.length]! }));
const procedures = [...new Set(symptomsOf(TYPE).flatMap(({ key }) => pointsOfSymptom(TYPE, key).slice(0, 1)))];
const points = machines.flatMap(({ id }) => procedures.map((procedure) => ({ id: v7(), machine: id, procedure })));
const symptoms = symptomsOf(TYPE).map(({ key }) => key);

const insert = (sql: string, rows: readonly (readonly unknown[])[]) =>
  store.write((db) => run(db, sql, [JSON.stringify(rows), organisationId, personId]));
await insert(
  `INSERT INTO machine (organisation_id, maker, id, place_id, type, label, model, fuel, owner, drain_branch, number,
  created_at, left_out, hard_wired)
SELECT ?2, substr(?3, 1, 1), value ->> 0, value ->> 1, '${TYPE}', '', '', 'electric', 'landlord', '', value ->> 2,
  value ->> 3, '[]', 0
FROM json_each(?1)`,
  machines.map(({ id, place }, i) => [id, place, 100_000 + i, (today - 900) * MS_PER_DAY]),
);
await insert(
  `INSERT INTO point (organisation_id, created_at, id, number, machine_id, procedure)
SELECT ?2, length(?3), value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each(?1)`,
  points.map(({ id, machine, procedure }, i) => [id, 1_000_000 + i, machine, procedure]),
);
for (let from = 0; from < points.length; from += 20_000)
  await insert(
    `INSERT INTO line (organisation_id, point_id, computed_at, served_day, line_day, cap_day, inputs, terms)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 3 + 400, printf('%1200s', ?3), '{}'
FROM json_each(?1)`,
    points.slice(from, from + 20_000).flatMap(({ id }) =>
      Array.from({ length: SERVICES }, (_, k) => {
        const day = today - 900 + k * 150 + Math.floor(random() * 40);
        return [id, day * MS_PER_DAY, day, day + 120 + Math.floor(random() * 60)];
      }),
    ),
  );
await insert(
  `INSERT INTO fault (organisation_id, opened_by, id, place_id, machine_id, symptom, severity, note,
  opened_at, opened_day, correct_by, closed_at, closed_by, found, cause, remedy)
SELECT ?2, ?3, value ->> 0, value ->> 1, value ->> 2, value ->> 3, 'moderate', '', value ->> 4, value ->> 5,
  value ->> 4, value ->> 6, iif(value ->> 6 IS NULL, NULL, ?3), iif(value ->> 6 IS NULL, NULL, ''), value ->> 7,
  iif(value ->> 7 IS NULL, NULL, 'setRight')
FROM json_each(?1)`,
  Array.from({ length: FAULTS }, (_, i) => {
    // A tenth of the machines have half of the faults.
    const machine = machines[Math.floor(random() * (i % 2 ? MACHINES : MACHINES / 10))]!;
    const day = today - 1 - Math.floor(random() * 890);
    const open = i < OPEN;
    return [
      v7(),
      machine.place,
      machine.id,
      symptoms[Math.floor(random() ** 2 * symptoms.length)],
      day * MS_PER_DAY,
      day,
      open ? null : (day + 3) * MS_PER_DAY,
      open || random() < 0.2 ? null : `${TYPE}.hose`,
    ];
  }),
);
await store.write(async (db) => {
  await db.person.update({ id: personId }, { email: EMAIL, passwordHash: await hashPassword(PASSWORD) });
  await db.roleGrant.insert({ id: v7(), organisationId, personId, role: 'manager' });
});
await store.close();

const running = await serve({ data: folder, port: 0, logger: pino({ level: 'silent' }), rateFactor: 1e6 });
const signedIn = await fetch(`${running.url}/api/session`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', 'idempotency-key': v7() },
  body: JSON.stringify({ email: EMAIL, password: PASSWORD }),
});
const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
/** What the page is made of, and what follows when that stands. */
const PARTS = ['/faults', '/clocks', '/patterns', '/signals', '/deficiencies', '/alarms', '/hand-backs'];
const AFTER = ['/shared-patterns', '/upkeep-effects'];
const read = async (path: string) => {
  const response = await fetch(`${running.url}/api${path}`, { headers: { cookie } });
  const text = await response.text();
  if (response.status !== 200) throw new Error(`${path}: ${response.status} ${text.slice(0, 300)}`);
  return text.length;
};
const each = new Map<string, { took: number[]; size: number }>(
  [...PARTS, ...AFTER].map((path) => [path, { took: [], size: 0 }]),
);
const whole: number[] = [];
for (let turn = -1; turn < TURNS; turn += 1) {
  // Something was written, so nothing is known from before.
  await running.env.store.write(async (db) => db.touch('fault'));
  const began = performance.now();
  await Promise.all(PARTS.map(read));
  if (turn >= 0) whole.push(performance.now() - began);
  for (const path of [...PARTS, ...AFTER]) {
    const start = performance.now();
    const size = await read(path);
    if (turn < 0) continue;
    each.get(path)!.took.push(performance.now() - start);
    each.get(path)!.size = size;
  }
}
await running.close();
rmSync(folder, { recursive: true, force: true });

const aloneRow = (path: string, took: readonly number[], size: number) =>
  tableRow(
    `${path} alone, known from before`,
    `${median(took).toFixed(0)} ms (${spread(took)}), ${(size / 1000).toFixed(0)} kB`,
    '',
    '',
  );

writePage(
  'faults-figures.md',
  `# The Faults page at scale

${measuredOn('bench:faultsPage')} Medians of ${TURNS} turns, 10–90 % in brackets.

${MACHINES.toLocaleString('en')} machines with ${points.length.toLocaleString('en')} parts served
${SERVICES} times each, ${FAULTS.toLocaleString('en')} faults, ${OPEN} of them open; half of the faults on a tenth of
the machines, so that there is much to find.

| what | measured | bar | |
|---|---|---|---|
${tableRow(
  'All that the page asks for, together',
  `${median(whole).toFixed(0)} ms (${spread(whole)})`,
  '≤ 1,000 ms',
  met(median(whole) <= 1000),
)}
${[...each].map(([path, { took, size }]) => aloneRow(path, took, size)).join('\n')}
`,
);
