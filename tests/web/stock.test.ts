import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant } from '../../core/calendar/day.ts';
import { registerFlat, ZONE, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** Nobody knows what filters to buy until somebody has counted once: from then on records and dates do. */
describe('The shelf, in a browser', function shelf() {
  story(this);
  let stage: Stage;
  let house: House;
  let manager: Page;

  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());

  it('says what is to come, and what is not counted or has no size', async () => {
    await manager.goto('/stock');
    await manager.getByRole('heading', { name: 'Nothing is taken off a shelf here yet' }).waitFor();
    const flat = await registerFlat(house, 'airHandler', 'Flat 3C');
    await manager.reload();
    await manager.getByText('One part has no size in the register').waitFor();
    await house.manager
      .put(`/points/${flat.points['airHandler.returnFilter']}/specification`, {
        specification: { filterSize: '16 x 25 x 1' },
        basedOn: null,
      })
      .expect(200);
    await manager.reload();
    await manager.getByText('One thing is not counted, and not in this list').waitFor();
    await expectFit(manager, 'stock');
  });

  it('makes an order of a count, with its supplier, packs and price', async () => {
    await manager.getByRole('button', { name: /^Count: / }).click();
    await manager.getByLabel('How many').fill('0');
    await expectFit(manager, 'counting');
    await manager.getByRole('button', { name: 'So many are there' }).click();
    await manager.getByText('0 there: counted').waitFor();
    await manager.getByRole('button', { name: /^Count: / }).click();
    await manager.getByLabel('Supplier').fill('Quayside Supply');
    await manager.getByLabel(/^Price of one/).fill('14');
    await manager.getByLabel('In packs of').fill('6');
    await choose(manager, 'How sure', '98%');
    await manager.getByRole('button', { name: 'Save how it is bought' }).click();
    await manager.getByRole('heading', { name: 'Quayside Supply' }).waitFor();
    await manager.getByText('6 ×', { exact: true }).waitFor();
    await manager.getByText('Together €84').waitFor();
    await expectFit(manager, 'an order');
    await manager.getByRole('button', { name: /^Count: / }).click();
    await manager.getByLabel('How many').fill('6');
    await manager.getByRole('button', { name: 'So many came in' }).click();
    await manager.getByText('Nothing is to be ordered now.').waitFor();
    expect(await manager.getByText('6 there: counted').count()).to.equal(1);
  });

  it('is held against the rounds to come, and ordered for the one that lacks some', async () => {
    const { db } = stage.running.env.store;
    const { id: pointId, number, organisationId } = (await db.point.one({ procedure: 'airHandler.returnFilter' }))!;
    const { placeId } = (await db.mark.one({ pointId }))!;
    const { id: personId } = (await db.person.one({ email: MANAGER_EMAIL }))!;
    const stop = { organisationId, placeId, personId, fromMinute: 540, untilMinute: 570, visitId: null, createdAt: 1 };
    const today = dayOfInstant(Date.now(), ZONE);
    await stage.running.env.store.write(async (to) => {
      for (let i = 1; i <= 8; i += 1)
        await to.roundStop.insert({
          ...stop,
          id: v7(),
          day: today + 20 + i,
          backMinute: null,
          overMinute: null,
          numbers: JSON.stringify([number]),
        });
    });
    await manager.reload();
    await manager.getByText(/^Rounds to come take: 1 with R. Okonjo-Vane on .*\(5 left\)/).waitFor();
    await manager.getByText(/^Rounds lack 2 from .*: order by /).waitFor();
    await manager.getByText('6 ×', { exact: true }).waitFor();
    await expectFit(manager, 'an order for a round');
  });

  it('compares a thin, a dense and a deep filter for the home, from the part, and uses another with one press', async () => {
    const { number } = (await stage.running.env.store.db.point.one({ procedure: 'airHandler.returnFilter' }))!;
    await manager.goto(`/line/${number}`);
    await manager.getByRole('link', { name: 'Thin, dense or deep' }).click();
    await manager.getByRole('row', { name: /^Changes / }).waitFor();
    await manager.getByText('No prices are entered').waitFor();
    // The shelf knows what its exact size costs; nobody said what the others do.
    await manager.getByRole('row', { name: /^Price of one no price €14, of its size no price/ }).waitFor();
    await expectFit(manager, 'kinds of filter');
    await manager.getByRole('button', { name: 'Use Thin here' }).click();
    await manager.getByText('Thin holds for this machine from today.').waitFor();
    await manager.getByRole('columnheader', { name: /Thin\s*there now/ }).waitFor();
    await manager.getByRole('button', { name: 'Back to what it was' }).click();
    await manager.getByRole('columnheader', { name: /Dense\s*there now/ }).waitFor();
    await expectFit(manager, 'kinds of filter, taken back');
  });
});
