import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { drawn, PASSWORD, registerFlat, ZONE, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, nameCause, openOffice, signIn } from './office.ts';

/** Repairs that run out of time, cost more than the limit, or were found by an inspector: through the screens. */
describe('Repairs in time, in a browser', function clocks() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let phone: Page;
  let manager: Page;
  let staff: Page;
  const today = dayOfInstant(Date.now(), ZONE);
  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    flat = await registerFlat(house, 'dryer', 'Flat 2');
    const email = 'hollis@saltmarsh.example';
    await house.manager
      .post('/people', { id: v7(), name: 'T. Hollis', email, password: PASSWORD, roles: ['staff'] })
      .expect(200);
    [phone, manager, staff] = [await stage.page(PHONE), await stage.page(DESK), await stage.page(PHONE)];
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await phone.goto(body.path);
    await phone.getByRole('link', { name: 'Something is wrong' }).waitFor();
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, email);
  });
  after(() => stage.close());
  const photo = async () => ({ name: 'now.jpg', mimeType: 'image/jpeg', buffer: await drawn('dryer.duct', 4) });

  it('the local rule and the limit are entered, with the error beside the field that is wrong', async () => {
    await manager.goto('/practice/repairs');
    const days = manager.getByLabel('Moderate (days)');
    await days.fill('31');
    await manager.getByRole('button', { name: 'Save the rule' }).click();
    await manager.getByText('At most what the published standard gives').waitFor();
    await manager.getByText('Name the rule, so that a reader can look it up.').waitFor();
    await days.fill('2');
    await manager.getByLabel('Name of the local rule').fill('Harbour bylaw 4');
    await manager.getByRole('button', { name: 'Save the rule' }).click();
    await manager.getByText('Saved. What is open runs by it').waitFor();
    await manager.getByLabel('Above').fill('150');
    await manager.getByRole('button', { name: 'Save the limit' }).click();
    await manager.getByText('Saved.', { exact: true }).waitFor();
    await expectFit(manager, 'repairs under practice');
    await manager.reload();
    await manager.waitForFunction(() =>
      [...document.querySelectorAll('input')].some(({ value }) => value === 'Harbour bylaw 4'),
    );
    expect(await days.inputValue()).to.equal('2');
    expect(await manager.getByLabel('Above').inputValue()).to.equal('150');
  });

  it('a tenant says since when; the office sees what runs out on the board and first in Faults, and gives it to somebody', async () => {
    await phone.goto('/home/report');
    await phone.getByText('Clothes still damp after a normal load').click();
    await phone.getByLabel('Since when? (optional)').fill(isoFromDay(today - 3));
    await expectFit(phone, 'reporting, since when');
    await phone.getByRole('button', { name: 'Tell the office' }).click();
    await phone.getByText('Thank you, the office has it.').waitFor();
    await manager.goto('/line');
    await manager.getByRole('link', { name: 'One repair runs out soon.' }).click();
    const runsOut = manager.getByRole('region', { name: 'One runs out soon' });
    await runsOut.getByText(/(47 hours|2 days) left/).waitFor();
    await manager.getByText(/noticed since/).waitFor();
    await runsOut.getByRole('button', { name: 'Who and by when…' }).click();
    await choose(manager, 'Who answers for it', 'T. Hollis');
    await runsOut.getByLabel('Right by').fill(isoFromDay(today + 20));
    await expectFit(manager, 'what runs out');
    await runsOut.getByRole('button', { name: 'Save' }).click();
    await manager.getByRole('button', { name: 'And one with time left' }).click();
    await manager.getByText(/the rule says by/).waitFor();
    // The tenant who is about to say it again hears who sees to it.
    await phone.goto('/home/report');
    await phone.getByText('Clothes still damp after a normal load').click();
    await phone.getByText(/T. Hollis sees to it/).waitFor();
    await expectThumbs(phone, 'reporting again');
  });

  it('staff cannot close above the limit, ask, hear a manager’s yes, and close with a photo of how it is now', async () => {
    await staff.goto('/faults');
    await staff.getByRole('button', { name: 'Close…' }).click();
    await nameCause(staff, 'Hose behind it crushed, kinked or off');
    await staff.getByLabel('Cost (EUR, optional)').fill('240');
    await staff.getByRole('button', { name: 'Close the fault' }).click();
    await staff.getByText(/Above €150 .*a manager says yes first/).waitFor();
    await staff.getByLabel('It would cost').fill('240');
    await staff.getByLabel('What for').fill('A metal hose and an hour.');
    await expectFit(staff, 'asking a manager, on a phone');
    await staff.getByRole('button', { name: 'Ask a manager' }).click();
    await staff.getByText('A manager has not answered yet.').waitFor();
    await manager.goto('/faults');
    await manager.getByText('One repair waits for a manager’s yes to its cost.').waitFor();
    await manager.getByText('T. Hollis asks for €240: “A metal hose and an hour.”').waitFor();
    await manager.getByLabel('Words with it (optional)').fill('Keep the invoice.');
    await manager.getByRole('button', { name: 'Yes', exact: true }).click();
    await manager.getByText('R. Okonjo-Vane said yes: “Keep the invoice.”').waitFor();
    await staff.goto('/faults');
    await staff.getByText('R. Okonjo-Vane said yes: “Keep the invoice.”').waitFor();
    await staff.getByRole('button', { name: 'Close…' }).click();
    await nameCause(staff, 'Hose behind it crushed, kinked or off');
    await staff.getByLabel('Cost (EUR, optional)').fill('240');
    await staff.locator('input[type=file]').setInputFiles(await photo());
    await staff.getByRole('button', { name: 'Leave photo 1 out' }).waitFor();
    await staff.getByRole('button', { name: 'Close the fault' }).click();
    await staff.getByText('No fault is open.').waitFor();
    const [fault] = await house.env.store.db.fault.all({});
    expect(fault).to.include({ cost: 240, cause: 'dryer.hose' });
    expect(await house.env.store.db.photoUse.count({ subjectId: fault!.id, slot: 'done' })).to.equal(1);
  });

  it('an inspector’s visit is entered as findings against parts, answered one by one, and printed', async () => {
    await manager.goto('/faults');
    await manager.getByRole('link', { name: 'Inspections' }).click();
    await manager.getByText('No inspector’s visit is entered.').waitFor();
    await manager.getByRole('button', { name: 'Enter a visit' }).click();
    // The house of the office has two properties of this name: the second has the dryer.
    await house.env.store.write((db) => db.property.update({ id: flat.propertyId }, { name: 'The Hawser' }));
    await manager.reload();
    await manager.getByRole('button', { name: 'Enter a visit' }).click();
    await choose(manager, 'Property', 'The Hawser');
    await manager.getByLabel('Day of the visit').fill(isoFromDay(today + 1));
    await manager.getByLabel('Inspector or authority').fill('Harbour district');
    await manager.getByRole('button', { name: 'Save the visit' }).click();
    await manager.getByText('That day has not come yet.').waitFor();
    await manager.getByLabel('Day of the visit').fill(isoFromDay(today - 2));
    await manager.getByRole('button', { name: 'Save the visit' }).click();
    await manager.getByRole('heading', { name: 'Harbour district' }).waitFor();
    await manager.getByRole('button', { name: 'Enter the finding' }).click();
    await manager.getByText('Pick the machine.').waitFor();
    await choose(manager, 'Home', 'Flat 2');
    await choose(manager, 'Machine', 'Vented dryer');
    await choose(manager, 'Part', 'Duct to outdoors');
    await manager.getByLabel('What they found, in their words').fill('Duct clogged from end to end.');
    await manager.getByRole('button', { name: 'Enter the finding' }).click();
    const finding = manager.getByRole('listitem').filter({ hasText: 'Duct clogged from end to end.' });
    // Two days by the rule of all properties, from the visit on.
    await finding.getByText(/right by|should have been right by/).waitFor();
    await expectFit(manager, 'an inspection');
    await staff.goto('/inspections');
    await staff.getByRole('link', { name: 'Harbour district' }).click();
    const theirs = staff.getByRole('listitem').filter({ hasText: 'Duct clogged from end to end.' });
    await theirs.getByRole('button', { name: 'Answer…' }).click();
    await theirs.getByLabel('What was done?').fill('Brushed from end to end, flap freed.');
    await theirs.locator('input[type=file]').setInputFiles(await photo());
    await theirs.getByRole('button', { name: 'Leave photo 1 out' }).waitFor();
    await expectFit(staff, 'answering a finding, on a phone');
    await theirs.getByRole('button', { name: 'Answer', exact: true }).click();
    await staff.getByText('One finding, 1 answered.').waitFor();
    await manager.reload();
    await manager.getByText(/T. Hollis: Brushed from end to end/).waitFor();
    const paper = await manager.getByRole('link', { name: 'The answer as PDF' }).getAttribute('href');
    const response = await manager.request.get(paper!);
    expect([response.status(), response.headers()['content-type']]).to.deep.equal([200, 'application/pdf']);
  });
});
