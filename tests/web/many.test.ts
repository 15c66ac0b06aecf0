import { expect } from 'chai';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { hire, registerFlat, type Flat, type House } from '../server/house.ts';
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
    await manager.getByRole('button', { name: 'Many at once' }).click();
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
    await manager.getByRole('button', { name: 'Many at once' }).click();
    await manager.getByRole('radio', { name: /past its line or near it/ }).check();
    await manager.keyboard.press('Escape');
    await manager.getByRole('button', { name: 'Give', exact: true }).waitFor({ state: 'detached' });
  });

  it('is given part by part, from board and list, and moves to a colleague; both see it', async () => {
    const ill = await hire(house, 'staff', 'hollis@saltmarsh.example');
    await hire(house, 'staff', 'ferreday@saltmarsh.example', 'B. Ferreday');
    const [hollis, ferreday] = [await stage.page(PHONE), await stage.page(PHONE)];
    await signIn(hollis, 'hollis@saltmarsh.example');
    await signIn(ferreday, 'ferreday@saltmarsh.example');
    await registerFlat(house, 'dishwasher', 'Flat 3C');
    await manager.goto('/line');
    await manager.getByRole('button', { name: 'Many at once' }).click();
    await manager.getByRole('radio', { name: 'Parts that I choose one by one' }).check();
    await manager.getByText('No part is chosen yet.').waitFor();
    expect(await manager.getByRole('button', { name: 'Give', exact: true }).isDisabled()).to.equal(true);
    await manager.getByRole('application').focus();
    await manager.keyboard.press('End');
    await manager.waitForURL(/\/line\/\d+/);
    await manager.keyboard.press('x');
    await manager.getByText('One part is chosen.').waitFor();
    await manager.keyboard.press('x');
    await manager.getByText('No part is chosen yet.').waitFor();
    await expectFit(manager, 'choosing on the board');
    await manager.getByRole('button', { name: 'Read as a list' }).click();
    const boxes = manager.getByRole('checkbox', { name: /, Flat 3C$/ });
    // Those that ride with others hide until they are asked for.
    await boxes.first().waitFor();
    for (let i = 0; i < (await boxes.count()); i += 1) await boxes.nth(i).check();
    await expectFit(manager, 'choosing in the list');
    await manager.getByRole('radio', { name: /T\. Hollis/ }).check();
    await manager.getByRole('button', { name: 'Give', exact: true }).click();
    await manager.getByText(/One job was given in one home\./).waitFor();
    await hollis.goto('/today');
    await hollis.getByText('Flat 3C').first().waitFor();

    await manager.getByRole('button', { name: 'Give more' }).click();
    await manager.getByRole('radio', { name: /it moves/ }).check();
    await manager.getByRole('radio', { name: 'T. Hollis', exact: true }).check();
    await manager.getByRole('radio', { name: /B\. Ferreday staff/ }).check();
    await expectFit(manager, 'moving what somebody has');
    await manager.getByRole('button', { name: 'Move', exact: true }).click();
    await manager.getByText('One job was moved.').waitFor();
    await hollis.goto('/today');
    await hollis.getByText('Nothing').first().waitFor();
    expect(await hollis.getByText('Flat 3C').count()).to.equal(0);
    await ferreday.goto('/today');
    await ferreday.getByText('Flat 3C').first().waitFor();
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.getByText(/One job was taken back\./).waitFor();
    await hollis.goto('/today');
    await hollis.getByText('Flat 3C').first().waitFor();
    expect(await house.env.store.db.job.count({ assigneeId: ill.id, state: 'given' })).to.equal(1);
  });

  it('is printed whole, the board as its list, and nothing of it is cut off', async () => {
    await house.env.store.write(async (db) => {
      const [place] = await db.place.all({ name: 'Flat 3C' });
      const [mark] = await db.mark.all({ placeId: place!.id });
      const [point] = await db.point.all({ id: mark!.pointId });
      const more = Array.from({ length: 150 }, (_, i) => ({ id: v7(), number: 5000 + i }));
      await db.point.insertMany(more.map((it) => ({ ...point!, ...it })));
      await db.mark.insertMany(more.map(({ id, number }) => ({ ...mark!, pointId: id, number })));
    });
    await manager.goto('/line');
    await manager.getByRole('application').waitFor();
    await manager.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    await manager.getByRole('table').waitFor();
    const rows = await manager.locator('tbody tr').count();
    expect(rows).to.be.above(150);
    expect(await manager.getByRole('button', { name: /^\+ \d/ }).count()).to.equal(0);
    await manager.evaluate(() => window.dispatchEvent(new Event('afterprint')));
    await manager.getByRole('application').waitFor();
    const paper = (await manager.pdf({ format: 'A4' })).toString('latin1');
    expect(paper.match(/\/Type \/Page\b/g)).to.have.length.above(2);
  });

  it('stops where homes are put on hold until one day, with a way back', async () => {
    await manager.goto('/homes');
    await manager.getByRole('button', { name: 'Many at once' }).click();
    await manager.getByRole('radio', { name: 'Put on hold' }).check();
    await manager.getByLabel('Review on').fill('2020-01-01');
    await manager.getByRole('button', { name: 'Put 3 homes on hold' }).click();
    await manager.getByText('Pick a day after today.').first().waitFor();
    await manager.getByLabel('Review on').fill(isoFromDay(dayOfInstant(Date.now(), 'Europe/Dublin') + 40));
    await manager.getByRole('button', { name: 'Put 3 homes on hold' }).click();
    await manager.getByText('3 homes are on hold.').waitFor();
    await expectFit(manager, 'homes put on hold');
    await manager.goto('/line');
    await manager.getByText('on hold').first().waitFor();
    await manager.goto('/homes');
    await manager.getByRole('button', { name: 'Many at once' }).click();
    await manager.getByRole('radio', { name: 'Put on hold' }).check();
    await manager.getByRole('button', { name: 'Put 3 homes on hold' }).click();
    await manager.getByText('3 homes stand as they stood:').waitFor();
  });
});
