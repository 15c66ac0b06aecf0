import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { registerFlat, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, nameCause, openOffice, signIn } from './office.ts';

describe('Finding a cause, in a browser', function diagnosis() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let phone: Page;
  let desk: Page;
  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    flat = await registerFlat(house, 'dryer', 'Flat 2');
    phone = await stage.page(PHONE);
    desk = await stage.page(DESK);
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await phone.goto(body.path);
    await phone.getByRole('link', { name: 'Something is wrong' }).waitFor();
    await signIn(desk, MANAGER_EMAIL);
  });
  after(() => stage.close());

  const report = async () => {
    await phone.goto('/home/report');
    await phone.getByText('Clothes still damp after a normal load').click();
    await phone.getByRole('button', { name: 'Tell the office' }).click();
    await phone.getByRole('link', { name: 'Find the cause' }).click();
    await phone.getByRole('heading', { name: /Hold the lint screen under the tap/ }).waitFor();
  };

  it('a tenant who reports is led to it at once, puts it right, and nobody has to come', async () => {
    await report();
    await phone.getByText('What it may be').waitFor();
    await expectFit(phone, 'finding a cause, on a phone');
    await expectThumbs(phone, 'finding a cause, on a phone');
    await phone.getByRole('button', { name: 'Yes' }).click();
    await phone.getByRole('heading', { name: 'Most likely: Lint screen blinded by film or lint' }).waitFor();
    await phone.getByRole('button', { name: 'It is gone' }).click();
    await phone.getByText('Nobody has to come.').waitFor();
    await desk.goto('/faults');
    await desk.getByText('put right by the tenant: a call avoided').waitFor();
  });

  it('a tenant at the end of what a tenant may do is told so, and a slip is taken back', async () => {
    await report();
    await phone.getByRole('button', { name: 'Yes' }).click();
    await phone.getByRole('button', { name: 'Take back' }).click();
    await phone.getByRole('heading', { name: /Hold the lint screen under the tap/ }).waitFor();
    await phone.getByRole('button', { name: 'No', exact: true }).click();
    await phone.getByRole('heading', { name: 'That is all that you can do here' }).waitFor();
    await phone.getByText('Staff see what you found').waitFor();
    // Whoever is about to say it again hears that it is known.
    await phone.goto('/home/report');
    await phone.getByText('Clothes still damp after a normal load').click();
    await phone.getByText(/Reported already, .*the office has it/).waitFor();
  });

  it('staff go on from what the tenant found, and close it by code with minutes and cost', async () => {
    await desk.goto('/faults');
    await desk.getByRole('link', { name: 'Find the cause' }).click();
    await desk.getByText('What was found').waitFor();
    await desk.getByText(/Hold the lint screen/).waitFor();
    await expectFit(desk, 'finding a cause, at the desk');
    await desk.goto('/faults');
    await desk.getByRole('button', { name: 'Close…' }).click();
    await desk.getByRole('button', { name: 'Close the fault' }).click();
    await desk.getByText('Say what it was: pick a cause of this machine.').waitFor();
    await nameCause(desk, 'Hose behind it crushed, kinked or off');
    await desk.getByLabel('Minutes').fill('25');
    await desk.getByLabel('Cost (EUR, optional)').fill('18.5');
    await expectFit(desk, 'closing a fault');
    await desk.getByRole('button', { name: 'Close the fault' }).click();
    await desk.getByText('No fault is open.').waitFor();
    await desk.getByText('set right, 25 minutes').waitFor();
    await desk.getByText('€18.50, paid by the landlord').waitFor();
  });

  it('where upkeep is the remedy, its job is begun from the finder, with its steps and its kit', async () => {
    const hood = await registerFlat(house, 'hood', 'Flat 3');
    const id = v7();
    await house.manager.post('/faults', { id, machineId: hood.machineId, symptom: 'hood.smoke' }).expect(200);
    await desk.goto(`/faults/${id}`);
    const job = desk.getByRole('button', { name: 'Begin its job, with its steps and its kit' });
    const yes = desk.getByRole('button', { name: 'Yes', exact: true });
    await job.or(yes).first().waitFor();
    if (!(await job.isVisible())) await yes.click();
    await job.waitFor();
    await expectFit(desk, 'a remedy that is upkeep');
    await job.click();
    await desk.waitForURL(/\/jobs\//);
    await desk.getByText('Grease filter').first().waitFor();
    expect(await house.env.store.db.task.count({ pointId: hood.points['hood.greaseFilter']! })).to.equal(1);
    await house.manager.post(`/faults/${id}/close`, { cause: 'hood.filter', remedy: 'cleaned' }).expect(200);
  });

  it('a closing of words alone is coded with one key', async () => {
    const id = v7();
    await house.manager.post('/faults', { id, machineId: flat.machineId, symptom: 'dryer.damp' }).expect(200);
    await house.manager.post(`/faults/${id}/close`, { cause: 'dryer.duct', remedy: 'cleaned' }).expect(200);
    await house.env.store.write((db) => db.fault.update({ id }, { cause: null, remedy: null, found: 'Hose again.' }));
    await desk.goto('/faults');
    const uncoded = desk.getByRole('region', { name: 'Closed without a cause' });
    await uncoded.getByText('One closing names no cause.').waitFor();
    await expectFit(desk, 'closings without a cause');
    await uncoded.getByRole('button', { name: 'Hose behind it crushed' }).click();
    await uncoded.waitFor({ state: 'detached' });
    expect((await house.env.store.db.fault.one({ id }))!.cause).to.equal('dryer.hose');
  });

  it('a week after, the tenant says with one tap that it is still there, and the office has it as a fault anew', async () => {
    const { store } = house.env;
    const tenant = (await store.db.person.one({ id: flat.tenantId }))!;
    const closed = (await store.db.fault.all({ openedBy: tenant.id })).filter(({ closedAt }) => closedAt !== null);
    expect(closed.length).to.be.greaterThan(0);
    const week = 8 * 86_400_000;
    await store.write(async (db) => {
      for (const { id, openedAt, closedAt } of closed)
        await db.fault.update({ id }, { openedAt: openedAt - week, closedAt: closedAt! - week });
    });
    await phone.goto('/home/');
    const card = phone.locator('section').filter({ hasText: 'Gone, or not?' }).first();
    await card.getByText(/Vented dryer: Clothes still damp/).waitFor();
    await expectFit(phone, 'gone, or not');
    await expectThumbs(phone, 'gone, or not');
    await card.getByRole('button', { name: 'Still there' }).click();
    await card.waitFor({ state: 'detached' });
    await desk.goto('/faults');
    await desk.getByText('Not gone after the last time.').waitFor();
    await desk.getByText(/Tenants ended one fault themselves: as many calls avoided/).waitFor();
  });
});
