import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { story } from '../story.ts';
import type { Flat, House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, openOffice, signIn } from './office.ts';

/** Lists stand as the house is walked, and a household is come to when it likes. */
describe('The order in which a house is walked, in a browser', function walking() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    for (const name of ['Flat 10', 'Flat 2'])
      await house.manager.post('/places', { id: v7(), propertyId: flat.propertyId, kind: 'unit', name }).expect(200);
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());
  const order = () => manager.getByRole('button', { name: /, number \d+$/ }).allInnerTexts();
  const saved = async () =>
    (await house.env.store.db.place.all({ propertyId: flat.propertyId }, { order: [['sort', 'ASC']] })).map(
      ({ name }) => name,
    );
  const open = async () => {
    await manager.goto('/homes');
    await manager.getByRole('button', { name: /^Change: name, water, practice, / }).click();
    await manager.getByText('Walking order', { exact: true }).click();
  };

  it('is moved by key, told as it moves, and saved as a whole', async () => {
    await open();
    expect(await order()).to.deep.equal(['Flat 1A', 'Flat 10', 'Flat 2']);
    await expectFit(manager, 'walking order');
    await manager.getByRole('button', { name: 'Flat 2, number 3' }).focus();
    await manager.keyboard.press('ArrowUp');
    await manager.getByText('Flat 2 is now number 2.').waitFor({ state: 'attached' });
    // The same home is moved on: it kept the focus.
    await manager.keyboard.press('Home');
    await manager.getByRole('button', { name: 'Flat 2, number 1' }).waitFor();
    expect(await order()).to.deep.equal(['Flat 2', 'Flat 1A', 'Flat 10']);
    await manager.getByRole('button', { name: 'Save the walking order' }).click();
    await manager.getByText('Walking order', { exact: true }).waitFor({ state: 'hidden' });
    expect(await saved()).to.deep.equal(['Flat 2', 'Flat 1A', 'Flat 10']);
  });

  it('is moved by button and by hand, and ordered by name as people count', async () => {
    await open();
    await manager.getByRole('button', { name: 'Down: Flat 2' }).click();
    await manager.getByRole('button', { name: 'Flat 2, number 2' }).waitFor();
    const grip = (name: string) => manager.getByRole('listitem').filter({ hasText: name }).getByText('≡');
    await grip('Flat 10').dragTo(grip('Flat 1A'), { targetPosition: { x: 2, y: 1 } });
    await manager.getByRole('button', { name: 'Flat 10, number 1' }).waitFor();
    await manager.getByRole('button', { name: 'Order by name' }).click();
    await manager.getByRole('button', { name: 'Flat 1A, number 1' }).waitFor();
    expect(await order()).to.deep.equal(['Flat 1A', 'Flat 2', 'Flat 10']);
    await manager.getByRole('button', { name: 'Save the walking order' }).click();
    await manager.getByText('Walking order', { exact: true }).waitFor({ state: 'hidden' });
    expect(await saved()).to.deep.equal(['Flat 1A', 'Flat 2', 'Flat 10']);
  });

  it('lets a home say which days and which half of the day it likes', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('group', { name: 'They like visits on' }).getByLabel('Tuesday').check();
    await choose(manager, 'They like best', 'Mornings');
    await manager.getByLabel('What else they like').fill('after school');
    await manager.getByRole('button', { name: 'Save for the door' }).click();
    await manager.getByRole('status').filter({ hasText: 'Saved' }).waitFor();
    await manager.reload();
    await manager.getByText('Mornings', { exact: true }).waitFor();
    expect(
      await manager.getByRole('group', { name: 'They like visits on' }).getByLabel('Tuesday').isChecked(),
    ).to.equal(true);
    await manager.setViewportSize(PHONE);
    await expectFit(manager, 'what a home likes, on a phone');
  });
});
