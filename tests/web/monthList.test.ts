import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { turnDay } from '../../server/clock/daily.ts';
import { ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, pick, signIn } from './office.ts';
import { story } from '../story.ts';

/** A home's list of a fixed day: said by the office, given by itself, read by whoever lives there, on one page. */
describe('The month’s list, in a browser', function monthList() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let tenant: Page;
  const today = dayOfInstant(Date.now(), ZONE);

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    const record = { id: v7(), pointId: flat.points['washer.tub'], done: isoFromDay(today - 300), grade: 'light' };
    await house.manager.post('/records', { ...record, finds: [], note: '' }).expect(200);
    [manager, tenant] = [await stage.page(DESK), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());

  it('is said on the page of the home, with its next day', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('combobox', { name: 'List on' }).click({ force: true });
    await pick(manager, manager.getByRole('option', { name: 'The first Saturday of each month' }));
    await manager.getByRole('button', { name: 'Save the list' }).click();
    await manager.getByRole('link', { name: /^The next list: / }).click();
    await manager.getByRole('heading', { name: /^The list of / }).waitFor();
    await manager.getByText(/^\d+ sittings? as things stand|^One sitting as things stand/).waitFor();
    await expectFit(manager, 'a list to come');
  });

  it('is given by itself, and read, ticked and printed by whoever lives there', async () => {
    // As on the very day, whichever that is from today.
    const { day } = (await house.manager.get(`/places/${flat.placeId}/month-list`).expect(200)).body;
    const at = Date.parse(`${day}T12:00:00Z`);
    await turnDay({ ...stage.running.env, clock: () => Math.max(Date.now(), at) });
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await tenant.goto(body.path);
    await tenant.getByRole('link', { name: /^The list of / }).click();
    await tenant.getByText(/^0 of \d+ done\./).waitFor();
    await tenant.getByText('a tick on paper alone is none').waitFor();
    await expectFit(tenant, 'the month’s list, on a phone');
    await expectThumbs(tenant, 'the month’s list, on a phone');
    const printed = await tenant.pdf({ format: 'A4' });
    expect(printed.toString('latin1').match(/\/Type\s*\/Page\b/g) ?? []).to.have.length(1);
    await tenant.context().setOffline(true);
    await tenant
      .getByRole('link', { name: /Washer/ })
      .first()
      .waitFor();
    await tenant.context().setOffline(false);
    await tenant
      .getByRole('link', { name: /Washer/ })
      .first()
      .click();
    await tenant.getByRole('button', { name: 'Start' }).waitFor();
  });
});
