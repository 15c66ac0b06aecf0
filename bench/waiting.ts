/**
 * `npm run bench:waiting`: what people wait for in a browser, written to docs/waiting-figures.md. Build the web first.
 */
import type { Page } from 'playwright-core';
import { give } from '../tests/server/house.ts';
import { DESK, openStage, PHONE, type Stage } from '../tests/web/browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from '../tests/web/office.ts';
import { median } from './figures.ts';
import { measuredOn, sized, writePage } from './page.ts';

process.setSourceMapsEnabled(false);
const GOES = sized(5, 1);
const TABLE_ROWS = sized(20_000, 100);
const FLATS = sized(40, 2);
/** A phone fourfold slower than this machine, on a thin line: 1.6 Mbit/s down, 0.75 up, 150 ms there and back. */
const SLOW_CPU = 4;
const THIN_LINE = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 94_000 };

async function measured(stage: Stage, go: (page: Page) => Promise<number>, viewport: typeof DESK): Promise<string> {
  const seconds: number[] = [];
  for (let i = 0; i < GOES; i += 1) {
    const page = await stage.page(viewport);
    seconds.push((await go(page)) / 1000);
    await page.context().close();
  }
  const said = (value: number) => value.toFixed(1);
  return `${said(median(seconds))} s (${said(Math.min(...seconds))}–${said(Math.max(...seconds))})`;
}

const stage = await openStage();
const { house, flat } = await openOffice(stage);
const { manager } = house;
await give(house, flat.tenant, flat.tenantId, [flat.points['washer.tub']!]);

const firstScreen = await measured(
  stage,
  async (page) => {
    const { body } = await manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    const chrome = await page.context().newCDPSession(page);
    await chrome.send('Emulation.setCPUThrottlingRate', { rate: SLOW_CPU });
    await chrome.send('Network.enable');
    await chrome.send('Network.emulateNetworkConditions', THIN_LINE);
    const began = Date.now();
    await page.goto(body.path, { waitUntil: 'commit' });
    await page.getByRole('heading', { name: 'Flat 1A' }).waitFor();
    return Date.now() - began;
  },
  PHONE,
);

const MACHINES = ['Dishwasher', 'Refrigerator', 'Bathroom fan', 'Freezer', 'Disposer'];

const rows = Array.from(
  { length: TABLE_ROWS },
  (_, i) => `Long Court,Flat ${Math.floor(i / 5)},${MACHINES[i % 5]},Lavella,D45`,
).join('\n');
const table = await measured(
  stage,
  async (page) => {
    await signIn(page, MANAGER_EMAIL);
    await page.goto('/homes/import');
    const began = Date.now();
    await page
      .locator('input[type=file]')
      .setInputFiles({
        name: 'homes.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(`Property,Unit,Machine,Maker,Model\n${rows}\n`),
      });
    await page.getByText('Every row is right.').waitFor();
    return Date.now() - began;
  },
  DESK,
);

const flats = await measured(
  stage,
  async (page) => {
    await signIn(page, MANAGER_EMAIL);
    await page.goto('/homes');
    await page.getByRole('button', { name: 'Add a property' }).click();
    await page.getByLabel('Name', { exact: true }).fill(`Quay House ${Date.now()}`);
    await page.getByLabel('Address').fill('3 Quay Street, Port Ellery');
    await page.getByLabel('How many').fill(String(FLATS));
    await page.getByRole('combobox', { name: 'What stands in each' }).first().click({ force: true });
    await page.getByRole('option', { name: 'Two-bed flat' }).first().click();
    await page.getByRole('listbox').waitFor({ state: 'hidden' });
    const began = Date.now();
    await page.getByRole('button', { name: 'Save the property' }).click();
    await page
      .getByText(new RegExp(`^${FLATS} units with [\\d,]+ service points added\\.`))
      .waitFor({ timeout: 300_000 });
    return Date.now() - began;
  },
  DESK,
);
await stage.close();

writePage(
  'waiting-figures.md',
  `# What people wait for

${measuredOn('bench:waiting')} Median of ${GOES} goes, and the
shortest and longest: their distance is the noise of a machine whose cores browser and server share. No test
holds these seconds.

| what | measured | bar |
|---|---|---|
| First useful screen of a tenant: a phone fourfold slower, 1.6 Mbit/s, 150 ms, nothing kept from before | ${firstScreen} | 3 s |
| A table of 20,000 rows looked through in the browser | ${table} | 15 s |
| Forty flats of nine machines each, from saving to their being there | ${flats} | 180 s |
`,
);
