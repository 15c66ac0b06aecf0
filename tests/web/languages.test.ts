import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { give, PASSWORD, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, openOffice } from './office.ts';
import { walkJob } from './walk.ts';

const BOOT = 'washer.doorBoot';

describe('Languages, in a browser', function languages() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let phone: Page;
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    manager = await stage.page(DESK);
    phone = await stage.page(PHONE);
  });
  after(() => stage.close());

  it('let whoever is not in yet choose, on the page that lets them in', async () => {
    await manager.goto('/sign-in');
    await manager.getByRole('button', { name: 'Deutsch' }).click();
    await manager.getByRole('heading', { name: 'Anmelden' }).waitFor();
    await manager.getByLabel('E-Mail').fill(MANAGER_EMAIL);
    await manager.getByLabel('Passwort').fill('not this one at all');
    await manager.getByRole('button', { name: 'Anmelden', exact: true }).click();
    await manager.getByText('E-Mail und Passwort passen nicht zusammen').waitFor();
    await expectFit(manager, 'the German sign-in');
    // The office reads English, and so does who is in it until they say otherwise.
    await manager.getByLabel('Passwort').fill(PASSWORD);
    await manager.getByRole('button', { name: 'Anmelden', exact: true }).click();
    await manager.getByRole('button', { name: 'Sign out' }).waitFor();
  });
  it('speak to a person in their own: every screen of the desk, also at 320 pixels', async () => {
    await manager.goto('/account');
    await choose(manager, 'Language', 'Deutsch');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByRole('heading', { name: 'Ihr Konto' }).waitFor();
    expect(await manager.evaluate(() => document.documentElement.lang)).to.equal('de-DE');
    const machines = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.machines;
    const paths = [
      ...['today', 'line', 'proof', 'faults', 'homes', 'homes/import', 'homes/baseline', 'homes/labels', 'standing'],
      ...['procedures', 'procedures/machines', 'procedures/machines/new', `procedures/${BOOT}`, 'measure', 'people'],
      ...['practice', 'practice/methods', 'practice/calendar', 'practice/assumptions', 'practice/prices'],
      ...['practice/repairs', 'practice/office', 'account', 'inspections', `line/${flat.numbers[0]}`],
      ...[`homes/${flat.placeId}`, `homes/${flat.placeId}/tape`, `homes/${flat.placeId}/turnover`],
      `m/${machines[0].number}`,
    ];
    for (const path of paths) {
      await manager.setViewportSize(DESK);
      await manager.goto(`/${path}`);
      await manager
        .locator('h1:visible, h2:visible')
        .first()
        .waitFor({ timeout: 20_000 })
        .catch(() => expect.fail(`${path} has no heading`));
      await manager.waitForLoadState('networkidle');
      await expectFit(manager, path);
      const said = await manager.locator('body').innerText();
      expect(said, path).not.to.match(/\b(the|and|of|your|with|from|is|are|not|to do)\b/);
      await manager.setViewportSize({ width: 320, height: 256 });
      expect(await manager.evaluate(() => document.documentElement.scrollWidth), path).to.equal(320);
    }
    await manager.setViewportSize(DESK);
  });
  it('speak to a tenant in theirs, from the first page to the sent job, and to the office in its own', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await phone.goto(body.path);
    await phone.getByRole('link', { name: 'Something is wrong' }).waitFor();
    await phone.getByRole('button', { name: 'Deutsch' }).click();
    await phone.getByRole('link', { name: 'Etwas stimmt nicht' }).waitFor();
    await expectFit(phone, 'a German home');
    await phone.goto(`/home/jobs/${job.id}`);
    await walkJob(phone, BOOT, { language: 'de', seed: 7, fit: true });
    await phone.getByRole('button', { name: 'Senden', exact: true }).click();
    await phone.getByText('Gesendet. Danke.').waitFor();
    // Stays so on another device of theirs, and the office reads what it chose.
    const other = await stage.page(PHONE);
    const again = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await other.goto(again.body.path);
    await other.getByRole('link', { name: 'Etwas stimmt nicht' }).waitFor();
    await manager.goto('/proof');
    await manager.getByText('Türmanschette und Glas').first().waitFor();
    await manager.goto('/account');
    await choose(manager, 'Sprache', 'wie das Büro');
    await manager.getByRole('button', { name: 'Speichern', exact: true }).click();
    await manager.getByRole('heading', { name: 'Your account' }).waitFor();
    await manager.goto('/proof');
    await manager.getByText('Door boot and glass').first().waitFor();
  });
  it('are said for an office, with its units and its currency, which every page then shows', async () => {
    await manager.goto('/practice/office');
    await choose(manager, 'Units', /^US/);
    await manager.getByLabel('Currency').fill('eur');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('Three letters, such as EUR.', { exact: true }).waitFor();
    await manager.getByLabel('Currency').fill('USD');
    await Promise.all([
      manager.waitForEvent('load'),
      manager.getByRole('button', { name: 'Save', exact: true }).click(),
    ]);
    await manager.goto('/practice/prices');
    await manager.getByLabel('An hour of staff (USD)').waitFor();
    await manager.goto('/measure');
    expect(await manager.getByRole('radio', { name: 'US' }).isChecked()).to.equal(true);
    // One's own choice goes before the office's, and comes along.
    await manager.getByRole('radio', { name: 'metric' }).check();
    await manager.waitForLoadState('networkidle');
    await manager.reload();
    await manager.getByRole('radio', { name: 'metric' }).waitFor();
    expect(await manager.getByRole('radio', { name: 'metric' }).isChecked()).to.equal(true);
    expect((await house.manager.get('/session').expect(200)).body.me).to.include({ units: 'metric', currency: 'USD' });
  });
  it('are said for a household by the office', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'Name or first day' }).click();
    await choose(manager, 'Language', 'English');
    const save = manager.getByRole('button', { name: 'Save', exact: true });
    await save.click();
    // The form goes when it is saved.
    await save.waitFor({ state: 'detached' });
    await phone.goto('/home/');
    await phone.getByRole('link', { name: 'Something is wrong' }).waitFor();
  });
});
