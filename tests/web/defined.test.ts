import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { registerFlat } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { story } from '../story.ts';
import { choose, MANAGER_EMAIL, menuShut, openOffice, signIn } from './office.ts';

/** A machine that the catalogue lacks, from its definition to the tenant's phone. */
describe('Machines of one’s own, in a browser', function defined() {
  story(this);
  let stage: Stage;
  let desk: Page;
  let house: Awaited<ReturnType<typeof openOffice>>['house'];
  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    desk = await stage.page(DESK);
    await signIn(desk, MANAGER_EMAIL);
  });
  after(() => stage.close());

  const card = (n: number) => desk.locator('fieldset').nth(n);
  const fill = (n: number, label: string, text: string) => card(n).getByLabel(label, { exact: true }).fill(text);

  it('come ready, marked as from memory, and are taken with one press', async () => {
    await desk.goto(`${stage.url}/procedures`);
    await desk.getByRole('link', { name: 'Machines of your own' }).click();
    await desk.getByText('From memory; look at the maker’s manual and the local code.').first().waitFor();
    await desk.getByRole('button', { name: 'Take Smoke alarm' }).click();
    await desk.getByRole('link', { name: 'Smoke alarm' }).waitFor();
    expect(await desk.getByRole('button', { name: 'Take Smoke alarm' }).count()).to.equal(0);
    await expectFit(desk, 'machines of your own');
    await desk.goto(`${stage.url}/procedures?find=alarm`);
    await desk.getByText('your own').first().waitFor();
    await desk.getByRole('link', { name: 'Alarm test' }).click();
    await desk.getByText(/Local code says where alarms stand/).waitFor();
  });
  it('are written part by part, refused with what is wrong, and saved once it is right', async () => {
    await desk.goto(`${stage.url}/procedures/machines/new`);
    await desk.getByLabel('What it is called').fill('Window box');
    await desk.getByLabel('Source').fill('its manual');
    await desk.getByRole('button', { name: 'Save the machine' }).click();
    await desk.getByText('Please fill this in.').first().waitFor();
    await desk.getByLabel('Part', { exact: true }).fill('Front filter');
    await desk.getByLabel('Task', { exact: true }).fill('Wash the front filter');
    const titles = ['Slide it out', 'How full is it?', 'Rinse it', 'Slide it in', 'Let it run'];
    for (const [n, title] of titles.entries()) await fill(n, 'Title', title);
    await desk.getByRole('button', { name: 'Save the machine' }).click();
    await desk
      .getByText('Front filter: a filter or screen is proven by a photo in the step that takes it out.')
      .waitFor();
    await fill(0, 'Photo of (or none)', 'The filter, taken out');
    await card(2).getByRole('button', { name: 'Add a step after this' }).click();
    await fill(3, 'Title', 'Dry it');
    await fill(3, 'Wait, minutes', '30');
    await choose(desk, 'Who may do it', 'a tenant can do it');
    await menuShut(desk);
    await expectFit(desk, 'defining a machine');
    await desk.getByRole('button', { name: 'Save the machine' }).click();
    await desk.getByRole('link', { name: 'Window box' }).waitFor();
    await desk.getByText('Front filter', { exact: true }).waitFor();
    // Opened again it is as it was saved; a word is changed.
    await desk.getByRole('link', { name: 'Window box' }).click();
    await card(3).getByText('4. Dry it').waitFor();
    await fill(2, 'What to do', 'Lukewarm water, from the clean side.');
    await desk.getByRole('button', { name: 'Save the machine' }).click();
    await desk.getByRole('heading', { name: 'Machines of your own' }).waitFor();
  });
  it('go out as a file and come in from one', async () => {
    const [file] = await Promise.all([
      desk.waitForEvent('download'),
      desk
        .getByRole('listitem')
        .filter({ hasText: 'Window box' })
        .getByRole('link', { name: 'Share as a file' })
        .click(),
    ]);
    expect(file.suggestedFilename()).to.equal('dewline-machine-window-box.json');
    const content = readFileSync(await file.path(), 'utf8');
    const named = (name: string, text: string) =>
      desk.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    await named('box.json', content);
    await desk.getByText('There is a machine called Window box already.').waitFor();
    await named('box.json', content.replace('"Window box"', '"Wall box"'));
    await desk.getByRole('link', { name: 'Wall box' }).waitFor();
    await named('none.json', 'no json');
    await desk.getByText('That is no file of a machine.').waitFor();
    const wall = desk.getByRole('listitem').filter({ hasText: 'Wall box' });
    await wall.getByRole('button', { name: 'Remove' }).click();
    await wall.waitFor({ state: 'detached' });
  });
  it('are registered, given and done on a tenant’s phone like ours', async () => {
    const boxes = await house.env.store.db.definedMachine.all({});
    const { key } = boxes.find(({ content }) => content.includes('Window box'))!;
    const flat = await registerFlat(house, key, 'Flat 9');
    const [phone, job] = [await stage.page(PHONE), crypto.randomUUID()];
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await house.manager
      .post('/jobs', { id: job, pointIds: [flat.points[`${key}.filter`]], assigneeId: flat.tenantId })
      .expect(200);
    await phone.goto(`${stage.url}${body.path}`);
    await phone.getByText('Wash the front filter').first().waitFor();
    await phone.goto(`${stage.url}/home/jobs/${job}`);
    await phone.getByRole('checkbox', { name: /I have read this/ }).check();
    await phone.getByRole('button', { name: 'Start', exact: true }).click();
    await phone.getByRole('heading', { name: 'Off and unplugged' }).waitFor();
    await phone.locator('.foot .v-btn').first().click();
    await phone.getByRole('heading', { name: 'Slide it out' }).waitFor();
    await phone.getByText('The filter, taken out').waitFor();
    await expectFit(phone, 'a step of a machine of one’s own');
    await desk.goto(`${stage.url}/homes/${flat.placeId}`);
    await desk.getByRole('link', { name: 'Front filter' }).first().waitFor();
    await desk.goto(`${stage.url}/line`);
    await desk.goto(`${stage.url}/line`);
    await desk.getByText('Flat 9').first().waitFor();
  });
});
