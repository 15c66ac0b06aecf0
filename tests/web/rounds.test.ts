import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { hire, registerFlat, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** A plan is made, shaped by drag and by keys, planned anew, taken over, and walked by whoever comes. */
describe('Rounds, in a browser', function rounds() {
  story(this);
  let stage: Stage;
  let house: House;
  const flats: Flat[] = [];
  let manager: Page;
  let staff: Page;
  const today = dayOfInstant(Date.now(), ZONE);

  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    await hire(house);
    for (const name of ['Flat 5A', 'Flat 5B']) {
      const flat = await registerFlat(house, 'airHandler', name);
      flats.push(flat);
      // The drain is staff's; it is due in a week.
      const form = { id: v7(), done: isoFromDay(today - 83), grade: 'due', finds: [], note: '' };
      await house.manager.post('/records', { ...form, pointId: flat.points['airHandler.condensateDrain'] }).expect(200);
    }
    [manager, staff] = [await stage.page(DESK), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
  });
  after(() => stage.close());

  const block = (place: string) => manager.getByRole('button', { name: new RegExp(place) });
  const cell = (row: number, column: number) => manager.locator('.plan-grid tbody tr').nth(row).locator('td').nth(column);
  const settled = () => manager.waitForLoadState('networkidle');

  it('is made from what comes due, and compares itself with each machine on its day', async () => {
    await manager.goto('/rounds');
    await manager.getByRole('heading', { name: 'No plan yet' }).waitFor();
    await manager.getByRole('button', { name: 'Make a plan' }).click();
    await manager.getByText(/2 doors in 4 weeks instead of 2|One door in 4 weeks/).waitFor();
    await manager.getByText('Every part finds a place.').waitFor();
    await manager.getByText('Every part is counted').waitFor();
    // Both are due in the coming week, whichever calendar week that is.
    if ((await block('Flat 5A').count()) === 0) await manager.getByRole('button', { name: 'The week after' }).click();
    await block('Flat 5A').click();
    await manager.getByText(/: due by .*\.$/).waitFor();
    await expectFit(manager, 'the plan of rounds');
  });
});
