import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { give, honestWork, registerFlat, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';

const HOUR_MS = 3_600_000;
const BOOT = 'washer.doorBoot';

/** Several proofs seen side by side and judged at once, followed to the tenant whose work it was. */
describe('Proofs side by side, in a browser', function sideBySide() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    await send(flat, 1);
    await send(await registerFlat(house, 'washer', 'Flat 2B'), 2);
    // The pictures of the first, once more.
    await send(await registerFlat(house, 'washer', 'Flat 3C'), 1);
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());

  async function send({ tenant, tenantId, points }: Flat, seed: number): Promise<void> {
    const job = await give(house, tenant, tenantId, [points[BOOT]!]);
    await house.env.store.write((db) => db.job.update({ id: job.id }, { givenAt: Date.now() - 4 * HOUR_MS }));
    const form = await honestWork({ ...house, clock: { now: Date.now() - 3 * HOUR_MS } }, tenant, job, {}, seed * 1000);
    await tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
  }
  const box = (place: string) => manager.getByRole('checkbox', { name: new RegExp(place) });

  it('shows photos and what the checks say; what contradicts itself cannot be chosen', async () => {
    await manager.goto('/proof');
    await manager.getByRole('button', { name: 'Several side by side' }).click();
    await manager.getByRole('heading', { name: '3 of 3 proofs that wait' }).waitFor();
    await manager.waitForURL(/sheet=yes/);
    await manager
      .getByRole('img', { name: /Door boot and glass, Flat 2B$/ })
      .first()
      .waitFor();
    await manager.getByText('Contradicts itself: judge it alone.').waitFor();
    expect(await box('Flat 3C').isDisabled()).to.equal(true);
    await expectFit(manager, 'proofs side by side');
    await manager.reload();
    await manager.getByRole('heading', { name: '3 of 3 proofs that wait' }).waitFor();
  });

  it('accepts what is chosen, takes it back, and sends back with one reason that the tenant reads', async () => {
    await box('Flat 1A').check();
    await box('Flat 2B').check();
    await manager.getByRole('button', { name: 'Accept 2' }).click();
    await manager.getByText('2 proofs were accepted.').waitFor();
    await manager.getByRole('heading', { name: 'One proof waits' }).waitFor();
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.getByText('2 verdicts were taken back.').waitFor();
    await box('Flat 1A').check();
    await manager.getByRole('button', { name: 'Send back', exact: false }).first().click();
    await manager.getByRole('button', { name: 'Send one proof back' }).click();
    await manager
      .getByText(/reason|better/i)
      .first()
      .waitFor();
    await manager.getByLabel('What has to be better').fill('The glass is not in the picture.');
    await expectFit(manager, 'sending several back');
    await manager.getByRole('button', { name: 'Send one proof back' }).click();
    await manager.getByText('One proof was sent back.').waitFor();
    const { path } = (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body;
    const tenant = await stage.page(PHONE);
    await tenant.goto(path);
    await tenant.getByText('The glass is not in the picture.').waitFor();
  });

  it('opens one of them by itself, and keeps the queue’s filters in the address from one to the next', async () => {
    await send(await registerFlat(house, 'washer', 'Flat 4D'), 4);
    await send(await registerFlat(house, 'washer', 'Flat 5E'), 5);
    await manager.goto('/proof?sheet=yes');
    await manager.getByRole('link', { name: /^Open .*Flat 4D$/ }).click();
    await manager.getByRole('heading', { name: 'Door boot and glass', level: 2 }).waitFor();
    await manager.waitForURL((url) => !url.searchParams.has('sheet'));
    await manager.getByRole('button', { name: 'Worst first' }).click();
    await manager.waitForURL(/\/proof\/[0-9a-f-]+\?order=worst$/);
    const seen = new URL(manager.url()).pathname;
    await manager.keyboard.press('ArrowRight');
    await manager.waitForURL((url) => url.pathname !== seen && url.searchParams.get('order') === 'worst');
    await manager.keyboard.press('a');
    await manager.waitForURL((url) => url.searchParams.get('order') === 'worst');
    await manager.reload();
    await manager.getByRole('button', { name: 'Oldest first' }).waitFor();
  });
});
