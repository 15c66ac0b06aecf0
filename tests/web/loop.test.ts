import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { drawn } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { choose, nameCause } from './office.ts';
import { story } from '../story.ts';

const EMAIL = 'vane@saltmarsh.example';
const PASSWORD = 'a long password';

/** One story from an empty installation to a proven service, told in order. */
describe('The whole loop in a browser', function loop() {
  story(this);
  let stage: Stage;
  let manager: Page;
  let tenant: Page;
  let staff: Page;
  let home = '';

  before(async () => {
    stage = await openStage();
    manager = await stage.page(DESK);
    tenant = await stage.page(PHONE);
    staff = await stage.page(PHONE);
  });
  after(() => stage.close());

  const addPhoto = async (page: Page, label: string, seed: number, procedure = 'washer.drainPumpFilter') => {
    const group = page.getByRole('group', { name: label });
    await group
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: await drawn(procedure, seed) });
    await group.getByRole('img', { name: label }).waitFor();
  };
  /** Taps a picture or a chip, as a thumb would: on its words. */
  const tap = (page: Page, words: string) => page.locator('.grades, .chips').getByText(words, { exact: true }).click();
  /** Gives the point by itself: nothing rides along. */
  const alone = async (page: Page) => {
    for (const box of await page.locator('form.give input[type=checkbox]').all()) await box.uncheck();
  };
  const next = (page: Page, name = 'Done, next') => page.getByRole('button', { name, exact: true }).click();

  it('begins with a first-run page that says what is wrong beside the field, and creates the manager', async () => {
    await manager.goto('/');
    await manager.getByRole('heading', { name: 'Set up Dewline' }).waitFor();
    await expectFit(manager, 'first run');
    await manager.getByLabel('Your office or company').fill('Saltmarsh & Vane');
    await manager.getByLabel('Your name').fill('R. Okonjo-Vane');
    await manager.getByLabel('Email').fill(EMAIL);
    await manager.getByLabel('Password').fill('short');
    await manager.getByRole('button', { name: 'Create and sign in' }).click();
    await manager.getByText('Use at least ten characters.').waitFor();
    await manager.getByLabel('Password').fill(PASSWORD);
    await manager.getByRole('button', { name: 'Create and sign in' }).click();
    await manager.getByRole('heading', { name: 'No homes yet.' }).waitFor();
    await expectFit(manager, 'empty line');
  });

  it('registers a property, a building, a unit', async () => {
    await manager.getByRole('link', { name: 'Register a property' }).click();
    await manager.getByRole('button', { name: 'Add a property' }).click();
    await manager.getByRole('button', { name: 'Save the property' }).click();
    await manager.getByText('Please fill this in.').nth(1).waitFor();
    await manager.getByLabel('Name', { exact: true }).fill('The Ropewalk');
    await manager.getByLabel('Address').fill('2 Hawser Lane, Port Ellery');
    await manager.getByLabel('Hardness').fill('160');
    await expectFit(manager, 'property form');
    await manager.getByRole('button', { name: 'Save the property' }).click();
    await manager.getByRole('button', { name: 'Add a unit or shared space' }).click();
    await manager.getByRole('button', { name: 'Add a building' }).click();
    await manager.getByRole('textbox', { name: 'Building' }).fill('Long House');
    await manager.getByRole('button', { name: 'Save the building' }).click();
    await manager.getByRole('textbox', { name: 'Building' }).waitFor({ state: 'hidden' });
    await manager.getByRole('button', { name: 'Add a unit or shared space' }).click();
    await manager.getByLabel('Name or number').fill('Flat 1B');
    await manager.getByRole('button', { name: 'Save and open' }).click();
    await manager.getByRole('heading', { name: 'Flat 1B' }).waitFor();
    home = new URL(manager.url()).pathname;
  });

  it('lets it, with its household, and makes a personal link', async () => {
    await manager.getByRole('button', { name: 'Begin a tenancy' }).click();
    await manager.getByLabel('Tenant').fill('I. Marrable');
    await manager.getByLabel('People').fill('4');
    await expectFit(manager, 'tenancy form');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('4 people, no pets, cooks average').waitFor();
    await manager.getByRole('button', { name: 'Make a personal link' }).click();
    const link = await manager.locator('code').innerText();
    await tenant.goto(link);
    await tenant.getByRole('heading', { name: 'Nothing to do just now.' }).waitFor();
    expect(tenant.url()).not.to.contain('#');
    await expectFit(tenant, 'my home, nothing to do');
  });

  it('adds machines by type, with a photo of their shut-offs; their points appear by themselves', async () => {
    await manager.getByRole('button', { name: 'Add a machine' }).click();
    await choose(manager, 'What it is', 'Washer, front load');
    await manager.getByText('Drain-pump filter').waitFor();
    await manager.getByLabel('Maker').fill('Tidesse');
    await manager
      .locator('form input[type=file]')
      .first()
      .setInputFiles({ name: 'shut.jpg', mimeType: 'image/jpeg', buffer: await drawn('washer.doorBoot', 3) });
    await manager.locator('form .photo img').waitFor();
    await expectFit(manager, 'machine form');
    await manager.getByRole('button', { name: 'Add the machine' }).click();
    await manager.getByRole('link', { name: 'Door boot and glass' }).waitFor();
    await manager.getByRole('button', { name: 'Add a machine' }).click();
    await choose(manager, 'What it is', 'Air handler, 1-inch filter');
    await manager.getByRole('button', { name: 'Add the machine' }).click();
    await manager.getByRole('button', { name: 'specification to fill in' }).click();
    await manager.getByLabel('Size', { exact: true }).fill('big');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('Write a size like').waitFor();
    await manager.getByLabel('Size', { exact: true }).fill('20x20x1');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByRole('button', { name: 'specification to fill in' }).waitFor({ state: 'detached' });
    await expectFit(manager, 'a home');
  });

  it('hires staff', async () => {
    await manager.getByRole('link', { name: 'People' }).click();
    await manager.getByRole('button', { name: 'Add somebody' }).click();
    await manager.getByLabel('Name', { exact: true }).fill('T. Hollis');
    await manager.getByLabel('Email', { exact: true }).fill('hollis@saltmarsh.example');
    await manager.getByRole('button', { name: 'Add and make the link' }).click();
    const link = await manager
      .getByText(/Give this link to T\. Hollis/)
      .locator('code')
      .innerText();
    await expectFit(manager, 'people');
    const newcomer = await stage.page(PHONE);
    await newcomer.goto(link);
    await newcomer.getByLabel('New password').fill('short');
    await newcomer.getByRole('button', { name: 'Keep it and sign in' }).click();
    await newcomer.getByText('Use at least ten characters.').waitFor();
    expect(newcomer.url()).not.to.contain('#');
    await expectFit(newcomer, 'choosing a password');
    await newcomer.getByLabel('New password').fill(PASSWORD);
    await newcomer.getByRole('button', { name: 'Keep it and sign in' }).click();
    await newcomer.getByRole('heading', { name: 'Today' }).waitFor();
    await newcomer.context().close();
  });

  it('shows what has no record in its own place, and logs finished work with its true date', async () => {
    await manager.getByRole('link', { name: 'Line', exact: true }).click();
    // Nothing is known yet, so nothing is called well.
    await manager.getByText(/Nothing is known of \d+ parts/).waitFor();
    await manager.getByRole('link', { name: 'Plan a baseline.' }).waitFor();
    await expectFit(manager, 'line board');
    await manager.getByRole('application', { name: /Line board/ }).focus();
    await manager.keyboard.press('ArrowDown');
    await manager.getByRole('complementary').getByRole('heading', { level: 2 }).waitFor();
    await manager.goto(`${stage.url}/line/1`);
    await manager.getByText('No record yet').waitFor();
    const lastMonth = new Date(Date.now() - 150 * 86_400_000).toISOString().slice(0, 10);
    for (const number of [1, 2, 5]) {
      await manager.goto(`${stage.url}/line/${number}`);
      await manager.getByRole('button', { name: 'Log as done' }).click();
      await manager.getByLabel('Done on').fill(lastMonth);
      await manager.getByRole('button', { name: 'Log it' }).click();
      await manager
        .getByText(/days past/)
        .first()
        .waitFor();
    }
    await manager.getByText('Steady practice').waitFor();
    await manager.getByText('self-certified').first().waitFor();
    await expectFit(manager, 'side panel');
    await manager.getByRole('button', { name: /points are past the line/ }).waitFor();
  });

  it('reads as a list for whoever cannot see the board', async () => {
    await manager.getByRole('button', { name: 'Read as a list' }).click();
    await manager.getByRole('table').waitFor();
    expect(await manager.getByRole('row').count()).to.equal(7);
    await expectFit(manager, 'line as a list');
    await manager.getByRole('button', { name: 'Show the board' }).click();
  });

  it('gives a sitting of near tasks to the tenant, and staff work to staff only', async () => {
    await manager.goto(`${stage.url}/line/1`);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    await manager.getByLabel('I. Marrable').check();
    expect(await manager.getByLabel('Door boot and glass').isChecked()).to.equal(true);
    await alone(manager);
    await expectFit(manager, 'giving a job');
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText('Given to I. Marrable, given.').waitFor();
    await manager.goto(`${stage.url}/line/8`);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    expect(await manager.getByLabel('I. Marrable').isDisabled()).to.equal(true);
    await manager.getByLabel('T. Hollis').check();
    await alone(manager);
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText('Given to T. Hollis, given.').waitFor();
  });

  it('is done on the tenant’s phone: stop points, steps, pictures, photos, timer; what is missing is said', async () => {
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'One thing to do' }).waitFor();
    await expectFit(tenant, 'my home');
    await expectThumbs(tenant, 'my home');
    await tenant.getByRole('link', { name: 'Start' }).click();
    await tenant.getByText('After a hot wash the water scalds').waitFor();
    await expectFit(tenant, 'stop points');
    await tenant.getByRole('button', { name: 'Start' }).click();
    await tenant.getByText('Still open: I have read this').waitFor();
    await tenant.getByLabel('I have read this').check();
    await tenant.getByRole('button', { name: 'Start' }).click();
    await tenant.getByAltText('Your shut-offs').waitFor();
    await tenant.getByText('Then it is: unplugged, tap open').waitFor();
    await expectFit(tenant, 'a step');
    await expectThumbs(tenant, 'a step');
    await next(tenant, 'It is unplugged');
    await next(tenant, 'The tap is shut');
    await tenant.getByText('The machine now: unplugged, tap shut').waitFor();
    await next(tenant, 'The small hose’s cap is back on');
    await tenant
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no photo') });
    await tenant.getByText('This is no photo that can be read here').waitFor();
    await addPhoto(tenant, 'Filter, out, with what it held', 11);
    await expectFit(tenant, 'photo step');
    await next(tenant, 'It is out');
    await tap(tenant, 'heavy');
    await tap(tenant, 'coin');
    await expectFit(tenant, 'grade step');
    await expectThumbs(tenant, 'grade step');
  });

  it('keeps what was entered when the page is closed in mid-job', async () => {
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'What did the filter hold?' }).waitFor();
    expect(await tenant.getByRole('radio', { name: 'heavy' }).isChecked()).to.equal(true);
    await next(tenant);
    await tap(tenant, 'a little');
    await next(tenant);
    await next(tenant);
    await addPhoto(tenant, 'Filter locked upright', 12);
    await tenant.getByLabel('The grip stands upright').check();
    await next(tenant, 'It is locked upright');
    await next(tenant, 'The tap is open, the hose is dry');
    await next(tenant, 'Power is back');
    await tenant.getByRole('button', { name: 'Start the timer, 30 min' }).click();
    await tenant.getByText(/(29:5\d|30:00) left/).waitFor();
    await expectFit(tenant, 'timer step');
    await tenant.getByRole('button', { name: 'I waited already' }).click();
    await tenant.getByLabel('No drip in the whole wash').check();
    await next(tenant);
    await tenant.getByRole('heading', { name: 'Ready to send' }).waitFor();
    await expectFit(tenant, 'review');
    await tenant.getByRole('button', { name: 'Send' }).click();
    await tenant.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    await tenant.getByText('A wait or a run was cut short').waitFor();
    await expectFit(tenant, 'sent');
    // What was noticed can be mended before anybody looks: everything is still there.
    await tenant.getByRole('button', { name: 'Take it back and mend it' }).click();
    await tenant.getByRole('heading', { name: 'Ready to send' }).waitFor();
    await tenant.getByRole('button', { name: 'Send' }).click();
    await tenant.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
  });

  it('is judged beside its photos and findings; sent back, the tenant reads why', async () => {
    await manager.getByRole('link', { name: /^Proof/ }).click();
    await manager
      .getByText(/Done in .* min; its waits and runs alone take 30/)
      .first()
      .waitFor();
    await expectFit(manager, 'proof');
    await manager.locator('h2.title').click();
    await manager.keyboard.press('s');
    await manager.getByLabel('What has to be better').fill('Too quick for a test wash. Please run it.');
    await expectFit(manager, 'sending back');
    await manager.getByRole('button', { name: 'Send back', exact: true }).click();
    await manager.getByText('Sent back: Drain-pump filter, Flat 1B').waitFor();
    await tenant.getByRole('link', { name: 'Back to my home' }).click();
    await tenant.getByText('Too quick for a test wash. Please run it.').waitFor();
    await expectFit(tenant, 'my home, sent back');
  });

  it('is accepted when it is right; the mark jumps back, counted from the day it was done', async () => {
    await tenant.getByRole('link', { name: 'Do it again' }).click();
    await tenant.getByLabel('I have read this').check();
    await tenant.getByRole('button', { name: 'Start' }).click();
    await next(tenant, 'It is unplugged');
    await next(tenant, 'The tap is shut');
    await next(tenant, 'The small hose’s cap is back on');
    await addPhoto(tenant, 'Filter, out, with what it held', 21);
    await next(tenant, 'It is out');
    await tap(tenant, 'heavy');
    await next(tenant);
    await tap(tenant, 'clean');
    await next(tenant);
    await next(tenant);
    await addPhoto(tenant, 'Filter locked upright', 22);
    await tenant.getByLabel('The grip stands upright').check();
    await next(tenant, 'It is locked upright');
    await next(tenant, 'The tap is open, the hose is dry');
    await next(tenant, 'Power is back');
    await tenant.getByRole('button', { name: 'I waited already' }).click();
    await tenant.getByLabel('No drip in the whole wash').check();
    await next(tenant);
    await tenant.getByRole('button', { name: 'Send' }).click();
    await tenant.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    await manager.goto(`${stage.url}/proof`);
    await manager.getByText(/Accepting starts the clock from that day; next about/).waitFor();
    await manager.locator('h2.title').click();
    // Over what contradicts it a reason is asked for; and the verdict can be taken back.
    await manager.keyboard.press('a');
    await manager.getByLabel('Why it counts all the same').fill('I heard the wash run.');
    await expectFit(manager, 'accepting over a contradiction');
    await manager.getByRole('button', { name: 'Accept, with this reason' }).click();
    await manager.getByText('Accepted: Drain-pump filter, Flat 1B').waitFor();
    await manager.keyboard.press('u');
    await manager.getByText('Taken back. It waits again.').waitFor();
    await manager.keyboard.press('a');
    await manager.getByLabel('Why it counts all the same').fill('I heard the wash run.');
    await manager.getByRole('button', { name: 'Accept, with this reason' }).click();
    await manager.getByText('Accepted: Drain-pump filter, Flat 1B').waitFor();
    await manager.goto(`${stage.url}/line/1`);
    await manager.getByText(/0\.00 of its interval used|\.00 of its interval used/).waitFor();
    await manager.getByText(/Found heavy/).waitFor();
    await manager.goto(`${stage.url}${home}`);
    await manager.getByText(/1 of \d+ proven/).waitFor();
    await tenant.getByRole('link', { name: 'Back to my home' }).click();
    await tenant.getByText('accepted, thank you').waitFor();
  });

  it('hears that something is wrong, with a photo: the point is due, the fault stands on the unit’s page and is closed with what was found', async () => {
    await tenant.getByRole('link', { name: 'Something is wrong' }).click();
    await tenant.getByLabel('Washer, front load').check();
    await tenant.getByLabel('Puddle under or in front of it').check();
    await tenant.getByText('Stop using this machine now').waitFor();
    await tenant
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'puddle.jpg', mimeType: 'image/jpeg', buffer: await drawn('washer.doorBoot', 31) });
    await tenant.getByRole('img', { name: 'Photo (optional)' }).waitFor();
    await expectFit(tenant, 'reporting a fault');
    await expectThumbs(tenant, 'reporting a fault');
    await tenant.getByRole('button', { name: 'Tell the office' }).click();
    await tenant.getByRole('heading', { name: 'Thank you, the office has it.' }).waitFor();
    await manager.goto(`${stage.url}${home}`);
    await manager.getByText('Puddle under or in front of it').waitFor();
    await manager.getByRole('link', { name: 'See the point it made due' }).click();
    await manager.getByText('Due now, because something was reported.').waitFor();
    await manager.getByRole('link', { name: /^Faults/ }).click();
    await expectFit(manager, 'faults');
    await manager.getByRole('button', { name: 'Close…' }).click();
    await manager.getByRole('button', { name: 'Close the fault' }).click();
    await manager.getByText('Say what it was: pick a cause of this machine.').waitFor();
    await nameCause(manager, 'Hair or lint at the foot of the glass');
    await manager.getByLabel('Words beside it (optional)').fill('Hair at the foot of the glass; wiped.');
    await manager.getByRole('button', { name: 'Close the fault' }).click();
    await manager.getByText('Hair at the foot of the glass; wiped.').waitFor();
  });

  it('gives staff their own day on a phone, and a way out that is no failure', async () => {
    await staff.goto('/');
    await staff.getByLabel('Email').fill('hollis@saltmarsh.example');
    await staff.getByLabel('Password').fill('not the password');
    await expectFit(staff, 'sign in');
    await staff.getByRole('button', { name: 'Sign in' }).click();
    await staff.getByText('That email and password do not match.').waitFor();
    await staff.getByLabel('Password').fill(PASSWORD);
    await staff.getByRole('button', { name: 'Sign in' }).click();
    await staff.getByRole('heading', { name: 'Flush the condensate drain' }).waitFor();
    await expectFit(staff, 'today');
    await staff.getByRole('link', { name: 'Start' }).click();
    // Nobody was told that they come: a word at the door.
    await staff.getByLabel(/opened and agreed/).check();
    await staff.getByLabel('I have read this').check();
    await staff.getByRole('button', { name: 'Start' }).click();
    await next(staff, 'It is off and still');
    await addPhoto(staff, 'Open tee, before', 41, 'airHandler.condensateDrain');
    await next(staff, 'It is open');
    await tap(staff, 'time for it');
    await tap(staff, 'growth');
    await next(staff);
    await next(staff);
    await staff.getByText('Bleach and vinegar together give off chlorine gas.').waitFor();
    await tap(staff, 'bleach');
    await next(staff);
    // Tried and capped while the power is off: the tee is not opened again behind it.
    await staff.getByText('The machine now: off at its switch').waitFor();
    await staff.getByLabel('Seconds to drain').fill('300');
    await staff.getByText('Slower than a minute').waitFor();
    await staff.getByLabel('Seconds to drain').fill('20');
    await staff.getByLabel('Water comes out at the outlet').check();
    await expectFit(staff, 'reading step');
    await next(staff);
    await addPhoto(staff, 'Closed tee, after', 42, 'airHandler.condensateDrain');
    await next(staff);
    await next(staff, 'Power is back');
    await staff.getByRole('button', { name: 'Send' }).click();
    await staff.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    await staff.getByRole('link', { name: 'Back to today' }).click();
    await staff.getByRole('heading', { name: 'Nothing is given to you.' }).waitFor();
    await staff.goto(`${stage.url}/line`);
    await staff.waitForURL('**/today');
  });

  it('lets staff report a fault at any home, on a phone', async () => {
    await staff.goto(`${stage.url}/today`);
    await staff.getByRole('link', { name: 'Report a fault' }).click();
    await choose(staff, 'Home', 'Flat 1B, The Ropewalk');
    await staff.getByLabel('Air handler').check();
    await staff.getByLabel('Musty smell from the vents').check();
    await expectFit(staff, 'staff reporting a fault');
    await expectThumbs(staff, 'staff reporting a fault');
    await staff.getByRole('button', { name: 'Tell the office' }).click();
    await staff.waitForURL('**/faults');
    await staff.getByText('Musty smell from the vents').waitFor();
    await expectFit(staff, 'faults on a phone');
  });

  it('keeps its entries when the line drops, says so, and sends them once it is back', async () => {
    await manager.goto(`${stage.url}/line/2`);
    await manager.getByRole('button', { name: 'Log as done' }).click();
    await manager.context().setOffline(true);
    await manager.getByRole('button', { name: 'Log it' }).click();
    await manager.getByText('No connection just now.').waitFor();
    await manager.context().setOffline(false);
    await manager.getByRole('button', { name: 'Log it' }).click();
    await manager.getByText('Steady practice').waitFor();
    await manager.getByText('self-certified').first().waitFor();
  });

  it('lists its keys, finds a home, and says where there is nothing', async () => {
    await manager.goto(`${stage.url}/line`);
    await manager.getByRole('application', { name: /Line board/ }).waitFor();
    await manager.keyboard.press('?');
    await manager.getByRole('heading', { name: 'Keys' }).waitFor();
    await expectFit(manager, 'keys');
    await manager.getByRole('button', { name: 'Close' }).click();
    await manager.getByRole('heading', { name: 'Keys' }).waitFor({ state: 'hidden' });
    await manager.keyboard.press('/');
    await manager.keyboard.type('no such home');
    await manager.getByText('Nothing fits this filter.').waitFor();
    await manager.getByRole('button', { name: 'Show everything' }).click();
    await manager.getByRole('application', { name: /Line board/ }).waitFor();
    await manager.evaluate(() => (document.activeElement as HTMLElement).blur());
    await manager.keyboard.press('g');
    await manager.keyboard.press('h');
    await manager.waitForURL('**/homes');
    await manager.goto(`${stage.url}/nowhere/at/all`);
    await manager.getByRole('heading', { name: 'There is nothing here.' }).waitFor();
    await expectFit(manager, 'nothing here');
  });

  it('mends the register where the register is wrong', async () => {
    await manager.goto(`${stage.url}/line/5`);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    await manager.getByLabel('R. Okonjo-Vane').check();
    await alone(manager);
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText('Given to R. Okonjo-Vane, given.').waitFor();
    await manager.getByRole('link', { name: 'Today' }).click();
    await manager.getByRole('link', { name: 'Start' }).click();
    await manager.getByLabel(/opened and agreed/).check();
    await manager.getByLabel('I have read this').check();
    await manager.getByRole('button', { name: 'Start' }).click();
    await next(manager, 'It is off and still');
    await addPhoto(manager, 'Old filter, out', 51, 'airHandler.returnFilter');
    await next(manager, 'It is out');
    await tap(manager, 'time for it');
    await next(manager);
    await manager.getByText('Wanted: 20x20x1').waitFor();
    await manager.getByLabel('Size on the frame').fill('16 x 25 x 1');
    await next(manager);
    await next(manager);
    await addPhoto(manager, 'New filter in its slot, arrow visible', 52, 'airHandler.returnFilter');
    await manager.getByLabel('The arrow points with the air').check();
    await next(manager, 'It is in');
    await next(manager, 'Power is back');
    await next(manager, 'Air comes at a register');
    await manager.getByRole('button', { name: 'Send' }).click();
    await manager.getByText('we expected 20x20x1').waitFor();
    await manager.goto(`${stage.url}/line/5`);
    await manager.getByRole('link', { name: 'Judge the proof' }).click();
    await manager.getByRole('button', { name: /The register is wrong/ }).click();
    await manager.getByLabel('Size', { exact: true }).fill('16 x 25 x 1');
    await expectFit(manager, 'mending the register');
    await manager.getByRole('button', { name: 'Mend and accept' }).click();
    await manager.getByText('Accepted, register mended: Return filter, Flat 1B').waitFor();
  });

  it('lets a tenant stop with a reason, which stands on the home and in the list of what was handed back', async () => {
    await manager.goto(`${stage.url}/line/2`);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    await manager.getByLabel('I. Marrable').check();
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText('Given to I. Marrable').waitFor();
    await tenant.goto(`${stage.url}/home/`);
    await tenant.getByRole('link', { name: 'Start' }).click();
    await tenant.getByLabel('I have read this').check();
    await tenant.getByRole('button', { name: 'Start' }).click();
    await next(tenant, 'It is unplugged');
    await tenant.getByRole('button', { name: 'Something is in the way' }).click();
    await tenant.getByRole('button', { name: 'Part missing' }).click();
    await tenant.getByText('Still unplugged. Leave it so').waitFor();
    await expectFit(tenant, 'stopping');
    await tenant.getByRole('button', { name: 'Stop and tell the office' }).click();
    await tenant.getByRole('heading', { name: 'Nothing to do just now.' }).waitFor();
    await manager.goto(`${stage.url}/line`);
    await manager.getByRole('link', { name: 'One job was handed back.' }).click();
    await manager.getByText('Left so: power is off').waitFor();
    await expectFit(manager, 'faults with what was handed back');
    await manager.goto(`${stage.url}${home}`);
    await manager.getByText('A part is missing').waitFor();
    await manager.getByRole('button', { name: 'Seen to' }).click();
    await manager.getByText('A part is missing').waitFor({ state: 'hidden' });
  });

  it('has it all after the server was stopped and started', async () => {
    await stage.restart();
    await manager.goto(`${stage.url}${home}`);
    await manager.getByRole('heading', { name: 'Flat 1B' }).waitFor();
    await manager.getByText(/[1-9]\d* of \d+ proven/).waitFor();
    await tenant.goto(`${stage.url}/home/`);
    await tenant.getByText('accepted, thank you').first().waitFor();
  });

  it('ends a tenant’s link when it is revoked', async () => {
    await manager.getByRole('button', { name: 'Revoke links' }).click();
    await manager.getByText('All links are revoked.').waitFor();
    await tenant.reload();
    await tenant.getByText('Open the personal link from your letting office.').waitFor();
    await expectFit(tenant, 'a link that is over');
  });

  it('changes a property’s practice from a day on, and the board says so', async () => {
    await manager.goto(`${stage.url}/homes`);
    await manager.getByRole('button', { name: 'Change: name, water, practice' }).click();
    await choose(manager, 'Practice', 'Watchful');
    await expectFit(manager, 'water and practice');
    await manager.locator('form', { hasText: 'From' }).getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('2 Hawser Lane, Port Ellery · Watchful').waitFor();
    await manager.goto(`${stage.url}/line/5`);
    await manager.getByText('Watchful practice').waitFor();
    await manager.getByText(/one home · hard water · Watchful/i).waitFor();
  });

  it('holds at night, too', async () => {
    await manager.getByRole('button', { name: 'Night' }).click();
    for (const path of [
      '/line/1',
      '/line/1/working',
      '/practice',
      '/practice/methods',
      '/look/1',
      `${home}/turnover`,
      '/proof',
      '/faults',
      '/homes',
      home,
      '/today',
      '/people',
      '/procedures',
      '/procedures/dishwasher.filter',
      '/measure',
      '/homes/import',
      '/homes/labels',
      '/homes/baseline',
      `${home}/walk`,
      '/m/1',
    ]) {
      await manager.goto(`${stage.url}${path}`);
      await manager.getByRole('main').getByRole('heading').first().waitFor();
      await expectFit(manager, `${path} at night`);
    }
  });
});
