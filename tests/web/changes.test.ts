import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { ZONE, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, openStage, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, pick, signIn } from './office.ts';

/** What one makes one can change and take back, through the screens. */
describe('Changing what was made, in a browser', function changes() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let page: Page;
  const today = dayOfInstant(Date.now(), ZONE);
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    page = await stage.page(DESK);
    await signIn(page, MANAGER_EMAIL);
  });
  after(() => stage.close());

  it('renames a property and its building, and says why a property with homes is not removed', async () => {
    await house.manager.post('/buildings', { id: v7(), propertyId: flat.propertyId, name: 'Frnt' }).expect(200);
    await page.goto('/homes');
    await page.getByRole('button', { name: 'Change: name, water, practice' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Ropewalk House');
    await page.getByRole('button', { name: 'Save', exact: true }).first().click();
    await page.getByRole('heading', { name: 'Ropewalk House' }).waitFor();
    await page.getByRole('button', { name: 'Change: name, water, practice' }).click();
    await page.getByText('A property is removed when its last home is.').waitFor();
    await page.getByLabel('Building', { exact: true }).fill('Front');
    await expectFit(page, 'changing a property');
    await page.getByRole('button', { name: 'Rename' }).click();
    await page.getByRole('button', { name: 'Rename' }).waitFor({ state: 'detached' });
    const [property] = (await house.manager.get('/homes').expect(200)).body.properties;
    expect(property.buildings[0].name).to.equal('Front');
  });

  it('renames a home; Escape leaves it as it was; what has a history is not removed', async () => {
    await page.goto(`/homes/${flat.placeId}`);
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    await page.getByLabel('Name or number').fill('Flat 1 A');
    await page.keyboard.press('Escape');
    await page.getByLabel('Name or number').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    await page.getByRole('button', { name: 'Remove this home' }).click();
    await page.getByText('Something has happened in Flat 1A already').waitFor();
    await page.getByLabel('Name or number').fill('Flat 1');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('heading', { name: 'Flat 1', exact: true }).waitFor();
  });

  it('changes a machine, takes it out of service and in again', async () => {
    const machine = page.locator('.machine');
    await machine.getByRole('button', { name: 'Contract, signals, retire…' }).click();
    await machine.getByLabel('Called').fill('The loud one');
    await machine.getByRole('button', { name: 'Save the machine' }).click();
    await machine.getByRole('heading', { name: 'The loud one' }).waitFor();
    await expectFit(page, 'changing a machine');
    await machine.getByRole('button', { name: 'Take out of service' }).click();
    await machine.getByText('out of service since').waitFor();
    await machine.getByRole('button', { name: 'Take into service again' }).click();
    await machine.getByText('out of service since').waitFor({ state: 'detached' });
    await machine.getByRole('link', { name: 'Door boot' }).waitFor();
  });

  it('mends a tenancy, and takes its end back', async () => {
    await page.getByRole('button', { name: 'Name or first day' }).click();
    await page.getByLabel('Tenant', { exact: true }).fill('I. Marrable-Ness');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByText('I. Marrable-Ness').first().waitFor();
    await page.getByRole('button', { name: 'End the tenancy…' }).click();
    await page.getByLabel('Last day').fill(isoFromDay(today - 3));
    await page.getByRole('button', { name: 'End the tenancy', exact: true }).click();
    await page.getByText('I. Marrable-Ness lived here until').waitFor();
    await expectFit(page, 'an empty home');
    await page.getByRole('button', { name: 'Take the end back' }).click();
    await page.getByText('I. Marrable-Ness lived here until').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Put on hold…' }).waitFor();
  });

  it('makes a personal link that can be revoked at once', async () => {
    await page.getByRole('button', { name: 'Make a personal link' }).click();
    await page.locator('code').first().waitFor();
    await page.getByRole('button', { name: /Revoke/ }).click();
    await page.getByRole('button', { name: /Revoke/ }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Make a personal link' }).waitFor();
  });

  it('corrects what was logged by mistake; the wrong record is still read', async () => {
    const pointId = flat.points['washer.doorBoot'];
    await house.manager.post('/records', { id: v7(), pointId, done: isoFromDay(today - 90) }).expect(200);
    const { number } = (await house.manager.get(`/points/${pointId}`).expect(200)).body;
    await page.goto(`/line/${number}`);
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByRole('button', { name: 'Correct it' }).click();
    await page.getByText('Please fill this in.').waitFor();
    await page.getByText('It was not done').click();
    await page.getByLabel('Why, for whoever reads it later').fill('It was the flat above.');
    await expectFit(page, 'correcting a record');
    await page.getByRole('button', { name: 'Correct it' }).click();
    await page.getByText('Logged by mistake, says R. Okonjo-Vane: It was the flat above.').waitFor();
    await page.getByText('No record yet').waitFor();
  });

  it('changes templates: one of ours becomes an own one, is changed, taken away and brought back', async () => {
    await page.goto('/homes/templates');
    await page.getByText('None yet.').waitFor();
    await expectFit(page, 'templates');
    await page.getByRole('link', { name: /^One-bed flat/ }).click();
    await page.getByText('What you save is a template of your own.').waitFor();
    await expectFit(page, 'a template of ours');
    await page.getByLabel('Template name').fill('Annexe');
    const machines = page.getByRole('group').filter({ has: page.getByLabel('Maker') });
    const before = await machines.count();
    await machines.first().getByRole('button', { name: 'Take it out' }).click();
    await page.getByRole('button', { name: 'Add a machine' }).click();
    await page.getByRole('button', { name: 'Save the template' }).click();
    await page.getByText('Please fill this in.').first().waitFor();
    await machines.last().getByRole('combobox', { name: 'What it is' }).fill('dryer');
    await pick(page, page.getByRole('option').first());
    await machines.last().getByLabel('Maker').fill('Tidesse');
    await page.getByRole('button', { name: 'Save the template' }).click();
    await page.getByText('Saved: Annexe.').waitFor();
    expect(await machines.count()).to.equal(0);
    await page.getByRole('link', { name: 'Annexe' }).click();
    await page.getByRole('button', { name: 'Save the template' }).waitFor();
    expect(await machines.count()).to.equal(before);
    await machines.last().getByLabel('Maker').fill('Kelda');
    await page.getByRole('button', { name: 'Save the template' }).click();
    await page.getByText('Saved: Annexe.').waitFor();
    const kept = async () => (await house.manager.get('/templates').expect(200)).body.templates[0];
    expect(await kept()).to.include({ name: 'Annexe', own: true });
    expect((await kept()).machines.at(-1)).to.include({ type: 'dryer', maker: 'Kelda' });
    await page.getByRole('button', { name: /^Remove this template/ }).click();
    await page.getByText('Removed: Annexe.').waitFor();
    expect((await kept()).own).to.equal(false);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Back again: Annexe.').waitFor();
    expect((await kept()).machines.at(-1)).to.include({ type: 'dryer', maker: 'Kelda' });
  });
});
