import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { registerFlat } from '../server/house.ts';
import { DESK, openStage, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';

/** What a screen shows stands in its address, so that it can be sent on, kept and gone back to. */
describe('An address, in a browser', () => {
  let stage: Stage;
  let manager: Page;
  before(async () => {
    stage = await openStage();
    const { house } = await openOffice(stage);
    await registerFlat(house, 'dryer', 'Flat 2B');
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());
  const asked = (name: string) => new URL(manager.url()).searchParams.get(name);

  it('opens where nobody was before, with a point in it, too; a file that is not there is nowhere', async () => {
    const answer = async (path: string) => {
      const { status, headers } = await fetch(`${stage.url}${path}`);
      return [status, headers.get('content-type')?.split(';')[0]];
    };
    for (const path of ['/procedures/washer.tub', '/procedures/washer.doorBoot?x=1', '/line/12'])
      expect(await answer(path), path).to.deep.equal([200, 'text/html']);
    for (const path of ['/assets/gone-1a2b.js', '/gone.css', '/home/gone.png', '/.env'])
      expect(await answer(path), path).to.deep.equal([404, 'text/plain']);
  });
  it('of the line has its filters, and keeps them while a part is looked at and left', async () => {
    await manager.goto('/line');
    await manager.getByRole('searchbox').fill('2B');
    await manager.waitForURL(/find=2B/);
    await manager.getByLabel('Order').selectOption('worst');
    await manager.getByRole('button', { name: 'Read as a list' }).click();
    await manager.waitForURL(/list=yes/);
    await manager
      .getByRole('button', { name: /Lint screen/ })
      .first()
      .click();
    await manager.waitForURL(/\/line\/\d+\?/);
    expect([asked('find'), asked('order'), asked('list')]).to.deep.equal(['2B', 'worst', 'yes']);
    await manager.reload();
    expect(await manager.getByRole('searchbox').inputValue()).to.equal('2B');
    await manager.keyboard.press('Escape');
    await manager.waitForURL(/\/line\?/);
    expect(asked('find')).to.equal('2B');
    expect(await manager.getByText('Flat 1A').count()).to.equal(0);
  });

  it('of a tape keeps up with whoever chooses twice, however soon after', async () => {
    await manager.goto('/homes?find=2B');
    await manager.getByRole('link', { name: 'Flat 2B' }).click();
    await manager.getByRole('link', { name: /tape/i }).first().click();
    for (let turns = 0; turns < 24; turns++) {
      await manager.getByRole('radio', { name: 'All of it' }).check();
      await manager.waitForURL((url) => url.searchParams.get('zoom') === null);
      await manager.evaluate(async (count) => {
        document.dispatchEvent(new KeyboardEvent('keydown', { key: '+' }));
        for (let turn = 0; turn < count; turn++) await Promise.resolve();
        document.dispatchEvent(new KeyboardEvent('keydown', { key: '+' }));
      }, turns);
      await manager.waitForURL(/zoom=month/);
      expect(await manager.getByRole('radio', { name: 'By month' }).isChecked(), `${turns} turns apart`).to.equal(true);
    }
  });

  it('opens a screen as it was sent, and says nothing of what an address does not know', async () => {
    await manager.goto('/line?focus=nonsense&order=worst');
    await manager.waitForURL((url) => url.searchParams.get('focus') === null);
    expect(asked('order')).to.equal('worst');
    await manager.goto('/homes?find=2B');
    await manager.getByText('Flat 2B').waitFor();
    expect(await manager.getByText('Flat 1A').count()).to.equal(0);
    await manager.goto('/procedures?find=lint');
    await manager
      .getByText(/[Ll]int screen/)
      .first()
      .waitFor();
  });
});
