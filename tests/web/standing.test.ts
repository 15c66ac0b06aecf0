import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { DAY_MS, registerFlat, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

describe('Standing, in a browser', function suite() {
  story(this);
  let stage: Stage;
  let house: House;
  let dryer: Flat;
  let page: Page;
  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    page = await stage.page(DESK);
    await signIn(page, MANAGER_EMAIL);
  });
  after(() => stage.close());
  const daysAgo = (days: number) => isoFromDay(dayOfInstant(Date.now(), ZONE) - days);

  it('says on day one that there is nothing to judge', async () => {
    const empty = await stage.page(DESK);
    await signIn(empty, MANAGER_EMAIL);
    await empty.goto('/standing');
    await empty.getByRole('heading', { name: 'Standing' }).waitFor();
    expect(await empty.getByText('homes are sound').count()).to.equal(0);
  });

  it('gives each home its verdict, the worst first, with what brings it back and who has it', async () => {
    dryer = await registerFlat(house, 'dryer', 'House 16');
    await registerFlat(house, 'washer', 'House 18');
    // It has stood here for a year: what the register was told today could not have been told then.
    await house.env.store.write(async (db) => {
      await db.machine.update({ id: dryer.machineId }, { createdAt: Date.now() - 365 * DAY_MS });
    });
    for (const [procedure, pointId] of Object.entries(dryer.points)) {
      const done = daysAgo(procedure === 'dryer.drumSeal' ? 300 : 1);
      await house.manager.post('/records', { id: v7(), pointId, done, grade: 'due' }).expect(200);
    }
    await page.goto('/standing');
    await page.getByText('1 to watch, 0 in breach').waitFor();
    const rows = page.getByRole('row');
    const watched = rows.filter({ hasText: 'House 16' });
    await watched.getByText('To watch').waitFor();
    await watched.getByText(/of Vented dryer: \d+ days past, given to nobody/).waitFor();
    await rows.filter({ hasText: 'House 18' }).getByText('Not known').waitFor();
    await expectFit(page, 'standing');
  });

  it('keeps by verdict and by name, and says so when nothing matches', async () => {
    await page.getByRole('radio', { name: /To watch/ }).check();
    await page.getByRole('row').filter({ hasText: 'House 18' }).waitFor({ state: 'detached' });
    await page.getByLabel('Find a home').fill('nowhere');
    await page.getByText('No home matches.').waitFor();
    await page.getByLabel('Find a home').fill('');
    await page.getByRole('radio', { name: /All/ }).check();
  });

  it('looks back to any day by its address, and refuses one that has not come where one picked it', async () => {
    const before = daysAgo(30);
    await page.goto(`/standing?day=${before}`);
    await page.getByRole('row').filter({ hasText: 'House 16' }).waitFor();
    expect(await page.getByRole('textbox', { name: 'As of' }).inputValue()).to.equal(before);
    await page.goto(`/standing?day=${daysAgo(-3)}`);
    await page.getByText('This day has not come yet.').waitFor();
    await page.goto('/standing?from=2019-01-01');
    await page.getByText(/The register began on/).waitFor();
  });

  it('draws past-line days, causes, conditions and people, each with the same as a table', async () => {
    await page.goto('/standing');
    for (const title of ['Past-line days by month', 'Conditions found, by kind of part', 'On time, by who did it'])
      await page.getByText(title, { exact: true }).waitFor();
    await page.getByText('No fault with a cause in this time').waitFor();
    const months = page.locator('figure').filter({ hasText: 'Past-line days by month' });
    await months.locator('canvas').waitFor();
    await months.getByText('The same as a table').click();
    const cells = await months.getByRole('cell').allTextContents();
    expect(cells.reduce((sum, text) => sum + Number(text), 0)).to.be.greaterThan(20);
    await expectFit(page, 'standing with a table of its chart');
  });

  it('lets a manager say from which share of its parts on a home is in breach, and says it in the definition', async () => {
    await page.goto('/standing');
    await page.getByText(/more than 20% of its parts are/).waitFor();
    const percent = page.getByLabel('In breach above (% of its parts)');
    await percent.fill('0');
    await page.getByRole('button', { name: 'From today' }).click();
    await page.getByText('At least 1.').waitFor();
    await percent.fill('90');
    await page.getByRole('button', { name: 'From today' }).click();
    await page.getByText(/more than 90% of its parts are/).waitFor();
    await expectFit(page, 'the share of a breach');
  });

  it('shows on Homes the strip, the verdict and the worst part, filtered by verdict', async () => {
    await page.goto('/homes');
    const home = page.getByRole('listitem').filter({ hasText: 'House 16' });
    await home.getByText('To watch').waitFor();
    await home.getByText(/\d+ days past/).waitFor();
    await home.locator('svg').waitFor();
    await page.getByRole('radio', { name: /Not known/ }).check();
    await home.waitFor({ state: 'detached' });
    await page.getByRole('listitem').filter({ hasText: 'House 18' }).waitFor();
    await expectFit(page, 'homes by standing');
  });

  it('is an owner’s to read by a link that is made, shown once and revoked here', async () => {
    await page.goto('/standing');
    const links = page.getByRole('region', { name: 'Links for owners' });
    await links.getByRole('button', { name: 'Make a link' }).click();
    await links.getByText('Please fill this in.').waitFor();
    await links.getByLabel('Owner').fill('K. Quay');
    await links.getByRole('button', { name: 'Make a link' }).click();
    const address = await links.locator('code').innerText();
    await expectFit(page, 'links for owners');
    const owner = await stage.page(PHONE);
    await owner.goto(new URL(address).pathname + new URL(address).hash);
    await owner.getByText('1 to watch, 0 in breach').waitFor();
    expect(new URL(owner.url()).hash, 'the token is taken off the address').to.equal('');
    expect(await owner.getByText('Marrable').count()).to.equal(0);
    expect(await owner.getByRole('link', { name: 'Homes' }).count()).to.equal(0);
    expect(await owner.locator('table a').count(), 'nothing leads where an owner may not go').to.equal(0);
    await expectFit(owner, 'what an owner reads');
    await owner.goto('/homes');
    await owner.getByRole('heading', { name: 'Standing' }).waitFor();
    const report = await owner.request.get('/api/standing/report/owner');
    expect([report.status(), report.headers()['content-type']]).to.deep.equal([200, 'application/pdf']);
    await links.getByRole('button', { name: 'Revoke' }).click();
    await links.getByRole('button', { name: 'Revoke' }).waitFor({ state: 'detached' });
    await owner.goto('/standing');
    await owner.getByRole('heading', { name: 'Sign in' }).waitFor();
  });

  it('goes away as a table, home by home', async () => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Homes as CSV' }).click();
    expect((await download).suggestedFilename()).to.match(/^standing-\d{4}-\d\d-\d\d\.csv$/);
  });

  it('is read on a phone as well', async () => {
    const phone = await stage.page(PHONE);
    await signIn(phone, MANAGER_EMAIL);
    await phone.goto('/standing');
    await phone.getByText('1 to watch, 0 in breach').waitFor();
    await expectFit(phone, 'standing, on a phone');
  });
});
