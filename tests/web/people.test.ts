import { expect } from 'chai';
import { TOTP } from 'otpauth';
import type { Page } from 'playwright-core';
import { hire, PASSWORD, registerFlat, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, menuShut, openOffice, signIn } from './office.ts';

/** Who comes in, who works here, and one's own account: through the screens. */
describe('People and accounts, in a browser', function people() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());
  const row = (name: string) => manager.getByRole('listitem').filter({ hasText: name });

  it('adds, changes and finds somebody, by the keyboard where one likes', async () => {
    await manager.goto('/people');
    await manager.getByRole('button', { name: 'Add somebody' }).click();
    await manager.getByLabel('Name', { exact: true }).fill('T. Hollis');
    await manager.keyboard.press('Escape');
    await manager.getByRole('button', { name: 'Add and make the link' }).waitFor({ state: 'detached' });
    await manager.getByRole('button', { name: 'Add somebody' }).click();
    await manager.getByLabel('Name', { exact: true }).fill('T. Hollis');
    await manager.getByLabel('Email').first().fill(MANAGER_EMAIL);
    await manager.getByRole('button', { name: 'Add and make the link' }).click();
    await manager.getByText('already').or(manager.getByText('another')).first().waitFor();
    await manager.getByLabel('Email').first().fill('hollis@saltmarsh.example');
    await manager.getByRole('button', { name: 'Add and make the link' }).click();
    await manager.getByText(/Give this link to T\. Hollis/).waitFor();
    await manager.getByText('This address opens on this computer alone.').waitFor();
    await row('T. Hollis').getByText('has not chosen a password yet').waitFor();
    await row('T. Hollis')
      .getByRole('button', { name: /^Change/ })
      .click();
    await manager.getByLabel('Name', { exact: true }).fill('T. Hollis-Reed');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await row('T. Hollis-Reed').waitFor();
    await manager.getByRole('textbox', { name: 'Find by name, email or home' }).fill('reed');
    await row('Okonjo').waitFor({ state: 'detached' });
    await manager.getByRole('textbox', { name: 'Find by name, email or home' }).fill('');
    await expectFit(manager, 'people');
  });

  it('lets somebody go, with a way back at once and later', async () => {
    await row('T. Hollis-Reed').getByRole('button', { name: 'Let go' }).click();
    await manager.getByText('T. Hollis-Reed is out and cannot sign in. Nothing was in their hands.').waitFor();
    await manager.getByRole('button', { name: 'Undo' }).click();
    await row('T. Hollis-Reed').getByRole('button', { name: 'Let go' }).click();
    await manager.getByRole('radio', { name: 'Former 1' }).check();
    await manager.waitForURL(/kind=former/);
    await manager.getByRole('button', { name: /^Take back/ }).click();
    await manager.getByText('Nobody.', { exact: true }).waitFor();
    await manager.getByRole('radio', { name: 'Office 2' }).check();
    await row('T. Hollis-Reed').getByRole('button', { name: 'Let go' }).waitFor();
  });

  it('says what somebody may do and how long they work beside what they have; and who lives where', async () => {
    await row('T. Hollis-Reed')
      .getByRole('button', { name: /^Change/ })
      .click();
    await choose(manager, 'May do', 'licensed work, too');
    await manager.getByLabel('Hours a week').fill('19.5');
    await expectFit(manager, 'people, changing somebody');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await row('T. Hollis-Reed')
      .getByText(/licensed work, too .* of 19\.5 h a week/)
      .waitFor();
    await manager.getByRole('radio', { name: 'Tenants 1' }).check();
    await manager.getByRole('link', { name: 'Flat 1A, The Ropewalk' }).waitFor();
    await manager.getByText('since 1 January 2025').waitFor();
    await expectFit(manager, 'people, who lives where');
    // Read out by themselves, without the row they stand in, buttons say whose they are; a sign says nothing.
    await manager.getByRole('radio', { name: 'Office 2' }).check();
    await manager.getByRole('button', { name: /^Let go\W+T\. Hollis-Reed$/ }).waitFor();
    const spoken = await manager.getByRole('list', { name: 'People' }).ariaSnapshot();
    expect(spoken.match(/button "[^"]*(Hollis-Reed|Okonjo-Vane)"/g)).to.have.length(spoken.match(/button "/g)!.length);
    await manager.getByRole('radio', { name: 'Office 2' }).check();
  });

  it('finds anything by the keyboard from anywhere, and jumps back to where one was', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('heading', { name: 'Flat 1A' }).waitFor();
    await manager.waitForFunction(() => localStorage.getItem('dewline.recent')?.includes('Flat 1A'));
    await manager.goto('/procedures');
    await manager.getByRole('heading', { name: 'Procedures' }).waitFor();
    await manager.keyboard.press('k');
    const field = manager.getByRole('combobox', { name: 'Find anything' });
    await field.waitFor();
    await manager.getByRole('option', { name: /Flat 1A/ }).waitFor();
    await field.fill('prices');
    await manager.getByRole('option', { name: /Practice: Prices and budget/ }).waitFor();
    await field.fill('boot');
    await manager.getByRole('option', { name: /Door boot.*part/ }).waitFor();
    await expectFit(manager, 'finding anything');
    await field.fill('zzzz');
    await manager.getByText('Nothing here is called “zzzz”.').waitFor();
    await field.fill('flat 1');
    await manager.getByRole('option', { name: /Flat 1A The Ropewalk/ }).waitFor();
    await manager.keyboard.press('ArrowDown');
    await manager.keyboard.press('ArrowUp');
    await manager.keyboard.press('Enter');
    await manager.waitForURL(/\/homes\/.+/);
    // While it still closes, the key that opens it would close it.
    await field.waitFor({ state: 'detached' });
    await manager.keyboard.press('Control+k');
    await field.waitFor();
    await manager.keyboard.press('Escape');
    await field.waitFor({ state: 'detached' });
  });

  it('limits somebody to some of the properties: they see those, and what holds for all to read', async () => {
    const other = await registerFlat(house, 'washer', 'Loft 77');
    const named = { name: 'Quay Court', address: '9 Cable Street', zone: 'Europe/Dublin' };
    await house.manager.put(`/properties/${other.propertyId}`, named).expect(200);
    const email = 'corran@saltmarsh.example';
    await hire(house, 'manager', email, 'P. Corran');
    await manager.goto('/people');
    await row('P. Corran')
      .getByRole('button', { name: /^Change/ })
      .click();
    await manager.getByLabel('Looks after some of the properties only').check();
    await manager.getByRole('combobox', { name: 'Properties' }).click({ force: true });
    await manager.getByRole('option', { name: 'Quay Court' }).click();
    // Several may be chosen: the list stays open until one goes on.
    await manager.keyboard.press('Tab');
    await menuShut(manager);
    await expectFit(manager, 'people, limiting somebody');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await row('P. Corran').getByText('looks after Quay Court').waitFor();
    const corran = await stage.page(DESK);
    await signIn(corran, email);
    await corran.getByText('Loft 77').first().waitFor();
    expect(await corran.getByText('Flat 1A').count()).to.equal(0);
    expect(await corran.getByRole('link', { name: 'People' }).count()).to.equal(0);
    await corran.goto('/homes');
    await corran.getByRole('heading', { name: 'Quay Court' }).waitFor();
    expect(await corran.getByRole('button', { name: 'Add a property' }).count()).to.equal(0);
    await corran.goto(`/homes/${flat.placeId}`);
    await corran.getByText('There is nothing here').or(corran.getByText('not there')).first().waitFor();
    await corran.goto('/practice');
    await corran.getByText('You look after some of the properties.').waitFor();
    // It begins where they may choose; what holds everywhere they read, and cannot press.
    await corran.getByRole('button', { name: 'Choose Light' }).waitFor();
    expect(await corran.locator('.picker input[role=combobox]').inputValue()).to.equal('Quay Court');
    expect(await corran.getByRole('button', { name: 'Choose Light' }).isDisabled()).to.equal(false);
    await choose(corran, 'Where', /everywhere/);
    await corran.locator('button:disabled', { hasText: 'Choose Light' }).waitFor();
    await expectFit(corran, 'practice of somebody limited');
    // Who knows the address of what is for all comes home instead.
    await corran.goto('/people');
    await corran.waitForURL(/\/line/);
    await corran.context().close();
  });

  it('turns a second factor on, and asks for it at the door', async () => {
    await manager.getByRole('link', { name: 'R. Okonjo-Vane' }).click();
    await manager.getByRole('heading', { name: 'Your account' }).waitFor();
    await manager.getByRole('button', { name: 'Turn it on' }).click();
    const secret = await manager
      .getByText(/Scan this with your authenticator/)
      .locator('code')
      .innerText();
    await expectFit(manager, 'the account, while the second factor is turned on');
    await manager.getByLabel('The code it shows now').fill(new TOTP({ secret }).generate());
    await manager.locator('form', { hasText: 'The code it shows now' }).getByLabel('Your password now').fill(PASSWORD);
    await manager.getByRole('button', { name: 'Turn it on' }).click();
    const told = manager.getByRole('status').filter({ hasText: 'Keep these codes' });
    await told.waitFor();
    const codes = await told.locator('code').allInnerTexts();
    expect(codes).to.have.length(8);
    const phone = await stage.page(PHONE);
    await phone.goto('/sign-in');
    await phone.getByRole('button', { name: 'Forgotten it? Fill in your email first.' }).waitFor();
    await phone.getByLabel('Email').fill(MANAGER_EMAIL);
    await phone.getByRole('button', { name: 'Send me a way to a new password' }).waitFor();
    await phone.getByLabel('Password').fill(PASSWORD);
    await phone.getByRole('button', { name: 'Sign in' }).click();
    await phone.getByText('Now the code of your authenticator').waitFor();
    await expectFit(phone, 'signing in with a second factor');
    await phone.getByLabel('Code of your authenticator').fill(codes[0]!);
    await phone.getByRole('button', { name: 'Sign in' }).click();
    await phone.getByRole('button', { name: 'Sign out' }).waitFor();
    await phone.getByRole('link', { name: 'Account' }).click();
    await phone.getByText('7 recovery codes are left').waitFor();
    await phone.getByRole('button', { name: 'Sign out everywhere else' }).click();
    await phone.getByRole('button', { name: 'Sign out everywhere else' }).waitFor({ state: 'detached' });
    await expectFit(phone, 'the account, on a phone');
    await phone.getByRole('button', { name: 'Turn it off' }).click();
    const form = phone.locator('form', { has: phone.getByRole('button', { name: 'Turn it off' }) });
    await form.getByLabel('Your password now').fill(PASSWORD);
    await form.getByRole('button', { name: 'Turn it off' }).click();
    await phone.getByRole('button', { name: 'Turn it on' }).waitFor();
    await manager.reload();
    await manager.getByRole('heading', { name: 'Sign in' }).waitFor();
  });

  it('lets a tenant leave a phone that others use: nothing of the home stays on it', async () => {
    const phone = await stage.page(PHONE);
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(401);
    expect(body.detail).to.be.a('string');
    await house.manager.open('/session', { email: MANAGER_EMAIL, password: PASSWORD });
    const { path } = (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body;
    await phone.goto(path);
    await phone.getByRole('heading', { name: 'Flat 1A' }).waitFor();
    expect(phone.url()).not.to.contain('#');
    const kept = () =>
      phone.evaluate(
        () =>
          new Promise<number>((done) => {
            const opening = indexedDB.open('dewline');
            opening.onsuccess = () => {
              const counting = opening.result.transaction('answers').objectStore('answers').count();
              counting.onsuccess = () => done(counting.result);
            };
          }),
      );
    expect(await kept()).to.be.greaterThan(0);
    await phone.getByRole('button', { name: 'Not your own phone? Sign out' }).click();
    await expectFit(phone, 'leaving');
    await expectThumbs(phone, 'leaving');
    await phone.getByRole('button', { name: 'Sign out', exact: true }).click();
    await phone.getByLabel('Or type the code from your card').waitFor();
    expect(await kept()).to.equal(0);
    await phone.getByText('Flat 1A').waitFor({ state: 'detached' });
  });
});
