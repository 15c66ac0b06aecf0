/**
 * `npm run bench:proofQueue`: how soon the queue of 96 proofs opens, and the next one is there after a
 * verdict; written to docs/proof-figures.md. Needs the built web.
 */
import { v7 } from 'uuid';
import { give, honestWork } from '../tests/server/house.ts';
import { DESK, openStage } from '../tests/web/browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from '../tests/web/office.ts';
import { median, met, quantile } from './figures.ts';
import { measuredOn, sized, tableRow, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const WAITING = sized(96, 8);
const OPENINGS = sized(9, 1);
const VERDICTS = sized(30, 2);
const HOUR_MS = 3_600_000;

const stage = await openStage();
const { house, flat } = await openOffice(stage);
const { store } = stage.running.env;
const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
await store.write((db) => db.job.update({ id: job.id }, { givenAt: Date.now() - 4 * HOUR_MS }));
const form = await honestWork({ ...house, clock: { now: Date.now() - 3 * HOUR_MS } }, flat.tenant, job);
await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
const recordId = form.records[0]!.id;
const record = (await store.db.record.one({ id: recordId }))!;
const proof = (await store.db.proof.one({ recordId }))!;
const uses = await store.db.photoUse.all({ subjectId: recordId });
await store.write(async (db) => {
  for (let i = 1; i < WAITING; i += 1) {
    const id = v7();
    await db.record.insert({ ...record, id, jobId: null, taskId: null });
    await db.proof.insert({ ...proof, recordId: id, sentAt: proof.sentAt + i });
    await db.photoUse.insertMany(uses.map((use) => ({ ...use, id: v7(), subjectId: id })));
  }
});
const page = await stage.page(DESK);
await signIn(page, MANAGER_EMAIL);
const openings: number[] = [];
for (let i = 0; i < OPENINGS; i += 1) {
  await page.goto('/today');
  await page.getByRole('heading', { name: 'Waits for you' }).waitFor();
  openings.push(
    await page.evaluate(async () => {
      const began = performance.now();
      document.querySelector<HTMLElement>('nav a[href="/proof"]')!.click();
      while (!document.querySelector('.sheet img') || document.querySelectorAll('.queue li').length < 3)
        await new Promise((done) => setTimeout(done, 4));
      return performance.now() - began;
    }),
  );
}
const verdicts: number[] = [];
for (let i = 0; i < VERDICTS; i += 1) {
  await page.waitForLoadState('networkidle');
  verdicts.push(
    await page.evaluate(async () => {
      const was = location.pathname;
      const began = performance.now();
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true }));
      while (location.pathname === was || !document.querySelector('.sheet img'))
        await new Promise((done) => setTimeout(done, 4));
      return performance.now() - began;
    }),
  );
}
await stage.close();
const says = (times: readonly number[]) =>
  `${Math.round(median(times))} ms, 90 % ${Math.round(quantile(times, 0.9))} ms`;
writePage(
  'proof-figures.md',
  [
    '# Proof in figures',
    '',
    measuredOn('bench:proofQueue'),
    '',
    '| what | measured | bar | |',
    '|---|---|---|---|',
    tableRow(
      `The queue of ${WAITING} proofs, from the press to the first one shown`,
      says(openings),
      '500 ms',
      met(median(openings) <= 500),
    ),
    tableRow('From a verdict to the next one shown', says(verdicts), '100 ms', met(median(verdicts) <= 100)),
    '',
  ].join('\n'),
);
