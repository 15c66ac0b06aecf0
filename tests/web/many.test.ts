import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { registerFlat, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';

/** Work in many homes at once, followed to the tenant whom it reaches. */
describe('Work given in many homes, in a browser', function many() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    await registerFlat(house, 'washer', 'Flat 2B');
    await house.manager.post('/last-done', { day: '2025-02-01' }).expect(200);
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());

  it('gives what is past its line to each home’s tenant, names the rest, and takes it back', async () => {
    await manager.goto('/line');
    await manager.getByRole('button', { name: 'Give work here' }).click();
    await manager.getByText('within their month; the rest is named').waitFor();
    await manager.getByText('2 of 2 homes').click();
    await manager.getByRole('checkbox', { name: 'Flat 2B' }).uncheck();
    await manager.getByRole('heading', { name: 'Give work in one home' }).waitFor();
    await manager.getByRole('checkbox', { name: 'Flat 2B' }).check();
    await expectFit(manager, 'giving in many homes');
    await manager.getByRole('button', { name: 'Give', exact: true }).click();
    await manager.getByText(/jobs were given in 2 homes\./).waitFor();
    await expectFit(manager, 'given in many homes');
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.getByText(/jobs were taken back\./).waitFor();
    expect(await house.env.store.db.job.count({ state: 'given' })).to.equal(0);
    await manager.getByRole('button', { name: 'Give', exact: true }).click();
    await manager.getByText(/jobs were given in 2 homes\./).waitFor();
  });

  it('is what the tenant finds on their phone', async () => {
    const { path } = (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body;
    const tenant = await stage.page(PHONE);
    await tenant.goto(path);
    await tenant.getByText('One thing to do').waitFor();
    await tenant.getByText(/Washer, front load · about/).waitFor();
    await expectFit(tenant, 'what many homes were given, as one of them');
  });

  it('is given from the homes, and for a week of the baseline, too', async () => {
    await manager.goto('/homes');
    await manager.getByRole('button', { name: 'Give work here' }).click();
    await manager.getByRole('radio', { name: /past its line or near it/ }).check();
    await manager.keyboard.press('Escape');
    await manager.getByRole('button', { name: 'Give', exact: true }).waitFor({ state: 'detached' });
  });
});
