import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { Flat, House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

const today = Math.floor(Date.now() / 86_400_000);

/** From a register of which nothing is known to a home list that a tenant does in one go, as the people who see it. */
describe('Counts that hide nothing, in a browser', function counts() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let tenant: Page;

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    await house.manager
      .post('/machines', { id: v7(), placeId: flat.placeId, type: 'dishwasher', fuel: 'electric', owner: 'landlord' })
      .expect(200);
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
    tenant = await stage.page(PHONE);
  });
  after(() => stage.close());

  it('call nothing well of which nothing is known, and lead to a plan that the board then names', async () => {
    await manager.goto('/line');
    await manager.getByText('Nothing is known of 11 parts').waitFor();
    await manager.getByText(/nothing known of \d+ parts/).waitFor();
    expect(await manager.getByText('short of the line').count()).to.equal(0);
    await expectFit(manager, 'the board of a new register');
    await manager.getByRole('link', { name: 'Plan a baseline.' }).click();
    await manager.getByText('11 parts have no record.').waitFor();
    await manager.getByRole('button', { name: 'Keep this plan' }).click();
    await manager.getByText('As it would be').waitFor({ state: 'detached' });
    await manager.goto('/line');
    await manager.getByRole('link', { name: /11 have their week, the last until/ }).waitFor();
  });

  it('take what somebody claims for many at once, as a claim', async () => {
    await manager.goto('/homes/baseline');
    await manager.getByText('Something is known: when it was last done').click();
    await manager.getByLabel('Last done on').fill(isoFromDay(today + 3));
    await manager.getByRole('button', { name: 'Believe it' }).click();
    await manager.getByRole('alert').first().waitFor();
    await manager.getByLabel('Last done on').fill(isoFromDay(today - 58));
    await manager.getByRole('button', { name: 'Believe it' }).click();
    await manager.getByText('11 parts count from that day.').waitFor();
    await expectFit(manager, 'the baseline after a claim');
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByText(/of 11 points in order/).waitFor();
    await manager.getByText('0 of 11 proven').waitFor();
  });

  it('have every kept part, riders hidden or shown', async () => {
    await manager.goto('/line');
    await manager.getByText(/^Of 11 kept parts/).waitFor();
    await manager.getByRole('button', { name: 'Read as a list' }).click();
    const rows = () => manager.getByRole('row').count();
    await manager.getByRole('table').waitFor();
    const hidden = await rows();
    await manager.getByRole('checkbox', { name: /with others: show/ }).check();
    await manager.getByText(/^Of 11 kept parts/).waitFor();
    expect(await rows()).to.equal(11 + 1);
    expect(hidden).to.be.below(11 + 1);
    await expectFit(manager, 'the list with riders');
    await manager.getByRole('button', { name: 'Show the board' }).click();
  });

  it('let the office give two machines of a home as one request, within the tenant’s own minutes', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByText('Home list', { exact: true }).click();
    await manager.getByRole('group', { name: 'Dishwasher' }).waitFor();
    await expectFit(manager, 'a home list');
    for (const box of await manager.locator('.home-list input[type=checkbox]').all()) await box.uncheck();
    await manager.getByText('Nothing chosen').waitFor();
    await manager.getByRole('checkbox', { name: /Door boot and glass/ }).check();
    await manager.getByRole('checkbox', { name: /Filter and flat screen/ }).check();
    await manager.getByText(/2 sittings in one request, about 35 min of theirs/).waitFor();
    await manager.getByRole('button', { name: 'Give the list' }).click();
    await manager.getByText(/2 sittings given to .* in one request/).waitFor();
    await manager.getByText('Asked this month: 1 of 2 requests, 35 min of 40 min').waitFor();
  });

  it('show the tenant one list of two jobs, each with its own flow', async () => {
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await tenant.goto(body.path);
    await tenant.getByText('One list, 2 machines, about 35 min').waitFor();
    expect(await tenant.getByRole('link', { name: 'Start' }).count()).to.equal(2);
    await expectFit(tenant, 'a home with a list');
    await expectThumbs(tenant, 'a home with a list');
    await tenant.getByRole('link', { name: 'Start' }).first().click();
    await tenant.getByRole('heading', { name: 'Before you start' }).waitFor();
  });

  it('say in advance what a practice asks of tenants and staff, and how many hours are short', async () => {
    await manager.goto('/practice');
    await manager.getByText('in the fullest month', { exact: true }).waitFor();
    await house.manager.post('/prices', { staffHour: 38, door: 9, hoursAMonth: 0.1, materials: {} }).expect(200);
    await manager.reload();
    await manager.getByText('of them short').waitFor();
    await manager
      .getByText(/h in .* months?, most in/)
      .first()
      .waitFor();
    await expectFit(manager, 'a practice with hours short');
  });
});
