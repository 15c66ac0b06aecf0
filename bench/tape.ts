/**
 * `npm run bench:tape`: the tape of a home with thirty parts over five years, drawn anew at each zoom and scrolled from
 * end to end in the browser; written to docs/tape-figures.md. Build the web first.
 */
import { v7 } from 'uuid';
import { dayOfInstant, MS_PER_DAY } from '../core/calendar/day.ts';
import { GRADES } from '../core/catalogue/grades.ts';
import { seeded } from '../core/statistics/random.ts';
import { run } from '../server/sql/connection.ts';
import { ZONE } from '../tests/server/house.ts';
import { DESK, openStage } from '../tests/web/browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from '../tests/web/office.ts';
import { median, met, quantile, spread } from './figures.ts';
import { measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const [PARTS, YEARS, GOES, FRAMES] = [30, sized(5, 1), sized(9, 2), sized(240, 20)];
const EVERY = 30;

const stage = await openStage();
const { house, flat } = await openOffice(stage);
const { store } = house.env;
for (const type of ['dryer', 'dishwasher', 'refrigerator', 'hood', 'airHandler', 'bathFan', 'condenserDryer'])
  await house.manager
    .post('/machines', { id: v7(), placeId: flat.placeId, type, fuel: 'electric', owner: 'landlord' })
    .expect(200);
const points = await store.db.point.all({}, { order: [['number', 'ASC']] });
const left = new Set(points.slice(PARTS).map(({ machineId }) => machineId));
const used = points.slice(0, PARTS);
const { organisationId } = points[0]!;
const today = dayOfInstant(Date.now(), ZONE);
const random = seeded(4);
const services = used.flatMap(({ id }) =>
  Array.from({ length: Math.floor((YEARS * 365) / EVERY) }, (_, i) => ({
    id: v7(),
    pointId: id,
    day: today - YEARS * 365 + i * EVERY + Math.floor(random() * EVERY),
    grade: GRADES[Math.floor(random() * GRADES.length)],
  })),
);
await store.write(async (db) => {
  await db.machine.update({ organisationId }, { createdAt: (today - YEARS * 365) * MS_PER_DAY });
  const insert = (sql: string, rows: readonly (readonly unknown[])[]) =>
    run(db, sql, [JSON.stringify(rows), organisationId]);
  await insert(
    `INSERT INTO line (organisation_id, point_id, computed_at, served_day, line_day, cap_day, inputs, terms)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 3 + 400, '{}', '{}' FROM json_each(?1)`,
    services.map(({ pointId, day }) => [pointId, day * MS_PER_DAY, day, day + 20 + Math.floor(random() * 20)]),
  );
  await insert(
    `INSERT INTO condition (organisation_id, id, point_id, kind, day, at, grade, confirmed)
SELECT ?2, value ->> 0, value ->> 1, 'service', value ->> 2, value ->> 3, value ->> 4, 1 FROM json_each(?1)`,
    services.map(({ id, pointId, day, grade }) => [id, pointId, day, day * MS_PER_DAY, grade]),
  );
});

const page = await stage.page(DESK);
await signIn(page, MANAGER_EMAIL);
await page.goto(`/homes/${flat.placeId}/tape`);
await page.locator('.tape > svg').waitFor();
const drawn: number[] = [];
for (let i = 0; i < GOES; i += 1)
  for (const zoom of ['By week', 'By year', 'By month', 'All of it'])
    drawn.push(
      await page.evaluate(async (name) => {
        const radio = [...document.querySelectorAll('label')]
          .find((label) => label.textContent.includes(name))!
          .querySelector('input')!;
        const began = performance.now();
        radio.click();
        // Drawn when the frame after the change has been painted.
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
        return performance.now() - began;
      }, zoom),
    );
await page.getByRole('radio', { name: 'By week' }).check();
const frames = await page.evaluate(async (count) => {
  const tape = document.querySelector('.tape')!;
  tape.scrollLeft = 0;
  const step = (tape.scrollWidth - tape.clientWidth) / count;
  const times: number[] = [];
  let before = await new Promise<number>(requestAnimationFrame);
  for (let i = 0; i < count; i += 1) {
    tape.scrollLeft += step;
    const now = await new Promise<number>(requestAnimationFrame);
    times.push(now - before);
    before = now;
  }
  return times;
}, FRAMES);
await stage.close();
const shown = used.length + (left.size > 0 ? points.length - PARTS : 0);

writePage(
  'tape-figures.md',
  `# The tape of a home

${measuredOn('bench:tape')} Headless, drawn without a graphics card.

${shown} parts, ${used.length} of them served every ${EVERY} days for ${YEARS} years:
${services.length.toLocaleString('en')} services with their conditions.

| what | measured | bar | |
|---|---|---|---|
${tableRow(
  'Drawing it anew at another zoom, to the painted frame',
  `${median(drawn).toFixed(0)} ms (${spread(drawn)})`,
  '≤ 100 ms',
  met(median(drawn) <= 100),
)}
${tableRow(
  'A frame while it scrolls from end to end by the week, 95th of a hundred',
  `${quantile(frames, 0.95).toFixed(1)} ms`,
  '≤ 34 ms',
  met(quantile(frames, 0.95) <= 34),
)}
`,
);
