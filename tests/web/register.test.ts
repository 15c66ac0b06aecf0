import { expect } from 'chai';
import jsQR from 'jsqr';
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { addPerson } from '../../server/people/office.ts';
import { hashPassword } from '../../server/people/passwords.ts';
import { drawn } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { workbook } from './workbook.ts';
import { story } from '../story.ts';
import { choose, chooseTyped, MANAGER_EMAIL, menuShut, signIn } from './office.ts';

const PASSWORD = 'a long password';
const TWELVE_CLICKS = 12;

/** Counts every click of a person, from the first page on. */
function counted(page: Page) {
  let clicks = 0;
  return {
    get clicks() {
      return clicks;
    },
    async click(name: string, role: 'button' | 'link' | 'radio' | 'option' = 'button') {
      clicks += 1;
      await page.getByRole(role, { name, exact: true }).first().click();
    },
    async press(find: () => Promise<void>) {
      clicks += 1;
      await find();
    },
  };
}

async function firstRun(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Your office or company').fill('Saltmarsh & Vane');
  await page.getByLabel('Your name').fill('R. Okonjo-Vane');
  await page.getByLabel('Email').fill('vane@saltmarsh.example');
  await page.getByLabel('Password').fill(PASSWORD);
}

describe('An empty install, in a browser', function register() {
  let stage: Stage;
  let page: Page;
  beforeEach(async () => {
    stage = await openStage();
    page = await stage.page(DESK);
  });
  afterEach(() => stage.close());

  it('comes to its first assigned job in at most twelve clicks', async () => {
    const me = counted(page);
    await firstRun(page);
    await me.click('Create and sign in');
    await me.click('Register a property', 'link');
    await me.click('Add a property');
    await page.getByLabel('Name', { exact: true }).fill('Quay House');
    await page.getByLabel('Address').fill('3 Quay Street, Port Ellery');
    await page.getByLabel('How many').fill('6');
    await me.press(() => page.getByRole('combobox', { name: 'What stands in each' }).click({ force: true }));
    await me.press(() => page.getByRole('option', { name: /Two-bed flat/ }).click());
    await menuShut(page);
    await page.getByText('9 machines and 33 service points in each').waitFor();
    await expectFit(page, 'a property with its units');
    await me.click('Save the property');
    await page.getByText('6 units with 198 service points added.').waitFor();
    await me.click('Baseline', 'link');
    await page.getByText(/parts have no record/).waitFor();
    await expectFit(page, 'baseline, proposed');
    await me.click('Keep this plan');
    await page.getByText(/parts have their week/).waitFor();
    await me.click('see the parts');
    await expectFit(page, 'baseline, a week open');
    await me.click('Give the job');
    await page.getByText(/jobs? given/).waitFor();
    await me.click('Today', 'link');
    await page.getByRole('link', { name: 'Start' }).first().waitFor();
    expect(me.clicks).to.be.at.most(TWELVE_CLICKS);
  });

  it('takes a spreadsheet like any table, its days as days', async () => {
    await firstRun(page);
    await page.getByRole('button', { name: 'Create and sign in' }).click();
    await page.getByRole('link', { name: 'Register a property' }).waitFor();
    await page.goto(`${stage.url}/homes/import`);
    const rows = [
      ['Property', 'Unit', 'Machine', 'Tenant', 'Since', 'People'],
      ['Sheet Court', 'Flat 1', 'Washer, front load', 'R. Holloway', new Date('2025-03-01'), '2'],
    ];
    const mimeType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    const buffer = await workbook(rows);
    await page.locator('input[type=file]').setInputFiles({ name: 'homes.xlsx', mimeType, buffer });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByText(/^Imported: /).waitFor();
    const store = stage.running.env.store.db;
    const place = (await store.place.all({ name: 'Flat 1' })).at(-1)!;
    expect((await store.tenancy.one({ placeId: place.id }))!.fromDay).to.equal(dayFromIso('2025-03-01'));
    await page.goto(`${stage.url}/homes/import`);
    await page.locator('input[type=file]').setInputFiles({ name: 'bad.xlsx', mimeType, buffer: Buffer.from('none') });
    await page.getByText('The file is empty, or has no head line.').waitFor();
    expect((await store.property.all({ name: 'Sheet Court' })).length).to.equal(1);
  });

  it('registers a property of forty flats with nine machines each', async () => {
    await firstRun(page);
    await page.getByRole('button', { name: 'Create and sign in' }).click();
    await page.getByRole('link', { name: 'Register a property' }).click();
    await page.getByRole('button', { name: 'Add a property' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Quay House');
    await page.getByLabel('Address').fill('3 Quay Street, Port Ellery');
    await page.getByLabel('How many').fill('40');
    await choose(page, 'What stands in each', /Two-bed flat/);
    await page.getByRole('button', { name: 'Save the property' }).click();
    await page
      .getByText('40 units with 1,320 service points added.')
      .or(page.getByText('40 units with 1320 service points added.'))
      .waitFor({ timeout: 180_000 });
    // Of forty the first two dozen are drawn, and the rest on request.
    await page.locator('.homes li').nth(23).waitFor();
    expect(await page.locator('.homes li').count()).to.equal(24);
    await page.getByRole('button', { name: '+ 16' }).click();
    await page.locator('.homes li').nth(39).waitFor();
  });
});

describe('A register, in a browser', function register() {
  story(this);
  let stage: Stage;
  let page: Page;
  let phone: Page;
  let tenant: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page(DESK);
    await firstRun(page);
    await page.getByRole('button', { name: 'Create and sign in' }).click();
    await page.getByRole('heading', { name: 'No homes yet.' }).waitFor();
  });
  after(() => stage.close());

  const file = (text: string, name = 'homes.csv') => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(text, 'latin1'),
  });
  const pick = (text: string) => page.locator('input[type=file]').setInputFiles(file(text));

  it('takes a table: heads matched, rows looked through, what is wrong row by row, then all of it', async () => {
    await page.goto(`${stage.url}/homes/import`);
    await page.getByRole('heading', { name: 'Import a table' }).waitFor();
    await expectFit(page, 'import, empty');
    await pick(
      'Estate;Flat;Appliance;Made by;Filter;Tenant;Move-in date;People\r\nCaf\xe9 Court;Flat 1;Washer front load;"Tides\r\nse";;"R. Holloway";2025-03-01;2\r\nCaf\xe9 Court;Flat 2;Toaster;;;;;\r\nCaf\xe9 Court;Flat 2;airHandler;;big;;;\r\n',
    );
    await page.getByText('2 rows want another look.').waitFor();
    await page.getByText('Windows-1252').waitFor();
    await page.getByText('“Toaster” is no machine of the catalogue.').waitFor();
    await page.getByText('Write it like 16 x 25 x 1').waitFor();
    expect(await page.getByRole('button', { name: 'Import', exact: true }).count()).to.equal(0);
    await expectFit(page, 'import, wrong rows');
    await page.getByLabel('Read as Made by').selectOption('maker');
    await page.getByRole('button', { name: 'Look through the rows' }).click();
    await page.getByText('2 rows want another look.').waitFor();
    await pick('Estate;Flat;Appliance;Made by\n');
    await page
      .locator('input[type=file]')
      .setInputFiles(
        file(
          'Property,Unit,Machine,Filter size,Tenant,Since,People,Drain branch\nQuay House,Flat 1,"Washer, front load",,R. Holloway,2025-03-01,2,East riser\nQuay House,Flat 1,"Air handler, 1-inch filter",400x625x25 mm,,,,East riser\nQuay House,Flat 2,Dishwasher,,,,,\n',
        ),
      );
    await page.getByText('Every row is right.').waitFor();
    await page.getByText('3 rows: one new property, 2 new units, 3 new machines.').waitFor();
    await page
      .getByRole('row', {
        name: /Flat 1.*R\. Holloway Washer, front load · Air handler, 1-inch filter, 15\.5 × 24\.5 × 1 in/,
      })
      .waitFor();
    await expectFit(page, 'import, the preview');
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByText('Imported: 2 units, 3 machines').waitFor();
    await expectFit(page, 'import, done');
    await page.getByRole('button', { name: 'Take this import back' }).click();
    await page.getByText('Taken back. Nothing of it is here any more.').waitFor();
    await page.getByRole('button', { name: 'Look through the rows' }).click();
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByText('Imported: 2 units, 3 machines').waitFor();
    await page.getByText('One earlier import').click();
    await page.getByText('taken back', { exact: true }).waitFor();
    await page.getByRole('link', { name: 'See the homes' }).click();
    await page.getByText('R. Holloway').waitFor();
  });

  it('takes the table of the next week: what is called otherwise, what is left out, what changes, and back', async () => {
    await page.goto(`${stage.url}/homes/import`);
    await pick(
      'Property,Unit,Tenant,Since,Machine,Model\nQuay House,Flat 1,O. Sorrel,2026-06-01,"Washer, front load",W9\nQuay House,Flat 2,,,Slow cooker,\n,Flat 7,,,,\n',
    );
    await page.getByText('2 rows want another look.').waitFor();
    await page.getByLabel('What Slow cooker is').selectOption('not taken');
    await page.getByText('One row wants another look.').waitFor();
    await page.getByLabel('Leave out row 4').check();
    await page.getByRole('button', { name: 'Leave out one row' }).click();
    await page.getByRole('heading', { name: 'What it changes' }).waitFor();
    await page.getByText('One tenancy begins. One ends. One machine changes.').waitFor();
    await page.getByText('One new tenancy has no number of people').waitFor();
    await page.getByRole('row', { name: 'Flat 1 Quay House Tenant R. Holloway O. Sorrel' }).waitFor();
    await page.getByRole('row', { name: 'Flat 1 Quay House Model Washer, front load – W9' }).waitFor();
    await expectFit(page, 'import, what it changes');
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByText('3 changes, 2 rows left out.').waitFor();
    await page.getByRole('link', { name: 'See the homes' }).click();
    await page.getByText('O. Sorrel').waitFor();
    await page.goto(`${stage.url}/homes/import`);
    await page.getByText(/earlier imports/).click();
    await page.getByRole('button', { name: 'Take this import back' }).first().click();
    await page.getByText('Taken back. Nothing of it is here any more.').waitFor();
    await page.goto(`${stage.url}/homes`);
    await page.getByText('R. Holloway').waitFor();
    // A file that names nobody empties no home before somebody says so.
    await page.goto(`${stage.url}/homes/import`);
    await pick('Property,Unit,Tenant\nQuay House,Flat 1,\nQuay House,Flat 2,\n');
    await page.getByText('Every row is right.').waitFor();
    expect(await page.getByRole('heading', { name: 'What it changes' }).count()).to.equal(0);
    await page.getByLabel(/nobody lives there any more/).check();
    await page.getByRole('row', { name: 'Flat 1 Quay House Tenant R. Holloway –' }).waitFor();
  });

  it('looks through twenty thousand rows with progress, and can be stopped', async () => {
    const rows = Array.from(
      { length: 20_000 },
      (_, i) =>
        `Long Court,Flat ${Math.floor(i / 5)},${['Dishwasher', 'Refrigerator', 'Bathroom fan', 'Freezer', 'Disposer'][i % 5]},Lavella,D45`,
    ).join('\n');
    await page.goto(`${stage.url}/homes/import`);
    await page.locator('input[type=file]').setInputFiles(file(`Property,Unit,Machine,Maker,Model\n${rows}\n`));
    await page.getByRole('progressbar').waitFor();
    await page.getByText('Every row is right.').waitFor();
    await page.getByText(/20[,.]?000 rows/).waitFor();
    await page
      .locator('input[type=file]')
      .setInputFiles(file(`Property,Unit,Machine,Maker,Model\n${Array(12).fill(rows).join('\n')}\n`));
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByText('Stopped. Nothing was written.').waitFor();
  });

  it('copies a unit, keeps it as a template, and adds a machine to many', async () => {
    await page.goto(`${stage.url}/homes`);
    await page.getByRole('link', { name: /Flat 1/ }).click();
    await page.getByRole('button', { name: 'Save as a template' }).first().click();
    await page.getByLabel('Template name').fill('Holloway flat');
    await page.locator('form.naming').getByRole('button', { name: 'Save as a template' }).click();
    await page.getByText('It is offered wherever units are added.').waitFor();
    await page.getByRole('button', { name: 'Copy this unit' }).click();
    await page.getByLabel('Name them').fill('Flat 3');
    await expectFit(page, 'copying a unit');
    await page.getByRole('button', { name: 'Add one unit' }).click();
    await page.getByText('One unit with 10 service points added.').waitFor();
    await page.goto(`${stage.url}/homes`);
    await page.getByRole('button', { name: 'Add a machine to many' }).click();
    await chooseTyped(page, 'What it is', 'Bathroom', 'Bathroom fan');
    await page.getByRole('button', { name: 'All', exact: true }).click();
    await expectFit(page, 'a machine in many');
    await page.getByRole('button', { name: 'Add to 3 units' }).click();
    await page.getByText('Added to 3 units.').waitFor();
    await page.getByRole('button', { name: 'Add units' }).click();
    await page.getByRole('combobox', { name: 'What stands in each' }).click({ force: true });
    await page.getByRole('option', { name: 'Holloway flat (your own)' }).waitFor();
    await page.keyboard.press('Escape');
  });

  it('is walked with a phone: pick, snap the plate, next', async () => {
    phone = await stage.page(PHONE);
    await signIn(phone, MANAGER_EMAIL);
    await phone
      .getByRole('application', { name: /Line board/ })
      .or(phone.getByRole('heading', { name: /past the line|in order|no record/ }))
      .first()
      .waitFor();
    await page.getByRole('link', { name: /Flat 2/ }).click();
    await page.getByRole('link', { name: 'Walk it on site' }).waitFor();
    await phone.goto(`${new URL(page.url()).pathname}/walk`);
    await phone.getByRole('heading', { name: 'What stands here?' }).waitFor();
    await expectFit(phone, 'the walk');
    await expectThumbs(phone, 'the walk');
    await phone.getByRole('textbox', { name: 'Find a machine' }).fill('freez');
    await phone.getByRole('button', { name: 'Freezer' }).click();
    await phone
      .locator('input[type=file]')
      .setInputFiles({ name: 'plate.jpg', mimeType: 'image/jpeg', buffer: await drawn('refrigerator.coil', 4) });
    await phone.getByRole('img', { name: 'Rating plate' }).waitFor();
    await expectFit(phone, 'the walk, a machine');
    await phone.getByRole('button', { name: 'Add, next machine' }).click();
    await phone.getByText('Added: Freezer').waitFor();
    await phone.getByRole('button', { name: 'Disposer' }).click();
    await phone.getByRole('button', { name: 'Add, next machine' }).click();
    await phone.getByText('Added: Disposer').waitFor();
    await phone.getByRole('button', { name: 'Take the last one back' }).click();
    await phone.getByText('Taken back.').waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'Freezer' }).waitFor();
    // Whoever works in the house finds the home and walks it as well.
    const email = 'walker@saltmarsh.example';
    const { env } = stage.running;
    const [{ id: organisationId } = { id: '' }] = await env.store.db.organisation.all({});
    const passwordHash = await hashPassword(PASSWORD);
    const walker = { id: env.newId(), name: 'T. Hollis', email, roles: ['staff' as const], properties: null };
    await env.store.write((db) => addPerson(env, db, organisationId, walker, passwordHash, env.clock()));
    const staff = await stage.page(PHONE);
    await signIn(staff, email);
    await staff.goto(new URL(page.url()).pathname);
    await staff.getByRole('link', { name: 'Walk it on site' }).click();
    await staff.getByRole('button', { name: 'Bathroom fan' }).click();
    await staff.getByRole('button', { name: 'Add, next machine' }).click();
    await staff.getByText('Added: Bathroom fan').waitFor();
    await staff.getByRole('button', { name: 'Take the last one back' }).click();
    await staff.getByText('Taken back.').waitFor();
    await staff.context().close();
  });

  it('shows what follows from what is entered: a dense filter in a small frame, a run that is too long', async () => {
    await page.goto(`${stage.url}/homes`);
    await page.getByRole('link', { name: /Flat 1/ }).click();
    await page
      .locator('.machine', { hasText: 'Air handler' })
      .getByRole('button', { name: 'Specification' })
      .first()
      .click();
    await page.getByLabel('Airflow of the system, CFM').fill('1000');
    await page.getByText(/Over the usual 300 ft\/min/).waitFor();
    await expectFit(page, 'a specification with its working');
    await page.locator('form.specify').getByRole('button', { name: 'Save' }).click();
    await page.locator('form.specify').waitFor({ state: 'detached' });
  });

  it('lets a machine lack parts, and move; its label goes with it', async () => {
    await page
      .locator('.machine', { hasText: 'Bathroom fan' })
      .getByRole('button', { name: 'Contract, signals, retire…' })
      .click();
    await page.getByRole('checkbox', { name: 'Fan housing' }).uncheck();
    await page.getByRole('button', { name: 'Save the parts' }).click();
    await page.getByRole('link', { name: 'Fan housing' }).waitFor({ state: 'detached' });
    await chooseTyped(page, 'Move it to', 'Flat 3', 'Quay House, Flat 3');
    await expectFit(page, 'more about a machine');
    await page.getByRole('button', { name: 'Move', exact: true }).click();
    await page.locator('.machine', { hasText: 'Bathroom fan' }).waitFor({ state: 'detached' });
  });

  it('prints labels whose codes open the machine, for the office and for its tenant', async () => {
    await page.goto(`${stage.url}/homes/labels`);
    await page
      .getByRole('button', { name: 'Make the sheets (PDF)' })
      .or(page.getByRole('link', { name: 'Make the sheets (PDF)' }))
      .waitFor();
    await expectFit(page, 'labels');
    const codes = await codesOn(page, '/api/labels/organisation/all');
    expect(codes.length).to.equal(await countOf(page));
    expect(new Set(codes).size).to.equal(codes.length);
    for (const code of codes) expect(code).to.match(new RegExp(`^${stage.url}/m/\\d+$`));
    await page.goto(codes[0]!);
    await page.getByRole('heading', { name: 'Washer, front load' }).waitFor();
    await expectFit(page, 'a label, at the desk');
    await page.getByRole('link', { name: 'See the home' }).click();
    await page.getByRole('button', { name: 'Make a personal link' }).click();
    tenant = await stage.page(PHONE);
    await tenant.goto(await page.locator('code').innerText());
    await tenant.getByRole('heading').first().waitFor();
    await tenant.goto(codes[0]!);
    await tenant.getByRole('heading', { name: 'Washer, front load' }).waitFor();
    await expectFit(tenant, 'a label, as tenant');
    await expectThumbs(tenant, 'a label, as tenant');
    await tenant.getByRole('link', { name: 'Look: Door boot and glass' }).waitFor();
    await tenant.getByRole('button', { name: 'Something is wrong' }).click();
    await tenant.getByText('Puddle under or in front of it').click();
    await tenant.getByRole('button', { name: 'Tell the office' }).click();
    await tenant.getByText('Told. Thank you.').waitFor();
    await tenant.goto(codes.at(-1)!);
    await tenant.getByText('It may have been moved').waitFor();
  });

  it('finds every procedure, and lets a manager make an edition of it and take ours up again', async () => {
    await page.goto(`${stage.url}/procedures`);
    await page.getByRole('textbox', { name: 'Find a machine or a part' }).fill('spray');
    await expectFit(page, 'procedures');
    await page.getByRole('link', { name: 'Spray arms' }).click();
    await page.getByRole('heading', { name: 'Clear the spray arms' }).waitFor();
    await page.getByRole('img', { name: 'Water poured into the hub leaves at both ends' }).waitFor();
    await expectFit(page, 'a procedure');
    await page.getByRole('button', { name: 'Edit as your own' }).click();
    await page.getByLabel('Minutes hands-on').fill('25');
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Clear each hole' })
      .getByLabel('Title')
      .fill('Clear every hole');
    await expectFit(page, 'editing a procedure');
    await page.getByRole('button', { name: 'Save the edition' }).click();
    await page.getByText('Saved as edition 1.').waitFor();
    await page.getByRole('heading', { name: 'Clear every hole' }).waitFor();
    await page.getByText('“Clear each hole” reworded').waitFor();
    await page.getByRole('button', { name: 'See ours' }).click();
    await page.getByRole('heading', { name: 'Clear each hole' }).waitFor();
    await page.getByRole('button', { name: 'Take ours up again' }).click();
    await page.getByRole('button', { name: 'Take ours up again, really' }).click();
    await page.getByText('Ours is in force again.').waitFor();
  });

  it('measures, in either system of units, and keeps a result with the record it belongs to', async () => {
    await page.goto(`${stage.url}/measure`);
    await page.getByText('Crosses it at 360 ft/min').waitFor();
    await expectFit(page, 'measure');
    await phone.goto(`${stage.url}/measure`);
    await phone.getByText('Crosses it at').waitFor();
    await expectFit(phone, 'measure, on a phone');
    await phone.goto(`${stage.url}/procedures/dishwasher.filter`);
    await phone.getByRole('heading', { name: 'Clean the dishwasher filter' }).waitFor();
    await expectFit(phone, 'a procedure, on a phone');
    await page.getByRole('radio', { name: 'US' }).check();
    await page.locator('#duct').getByText('Counts as 9.14 m (30 ft)').waitFor();
    expect(await page.locator('#duct').getByLabel('Straight length').inputValue()).to.equal('20');
    await page.locator('#dose').getByText('1¾ cups').waitFor();
    await page.locator('#drop').getByLabel('Air going in').fill('75');
    await page.locator('#drop').getByLabel('Air at the register').fill('57');
    await page.locator('#drop').getByText('Drop: 10 K (18 °F)').waitFor();
    await page.locator('#hardness').getByLabel('Hardness').fill('x');
    await page.locator('#hardness').getByText('Enter each value').waitFor();
    await page.locator('#pump').getByRole('button', { name: 'Keep with a record' }).click();
    const number = await page.evaluate(async () => {
      const board = (await (await fetch('/api/catalogue')).json()) as { machines: unknown[] };
      return board.machines.length;
    });
    expect(number).to.equal(19);
    await page.locator('#pump').getByLabel('Part number').fill('1');
    await page.locator('#pump').getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('This measurement does not belong to that part.').waitFor();
    await page.getByLabel('metric').check();
  });
});

const countOf = (page: Page) =>
  page.evaluate(async () => {
    const { properties } = (await (await fetch('/api/homes')).json()) as {
      properties: { places: { machines: number }[] }[];
    };
    return properties.flatMap(({ places }) => places).reduce((sum, { machines }) => sum + machines, 0);
  });

const require = createRequire(import.meta.url);

/** Draws a PDF in the browser, cuts it along its labels, and reads each code with a library. */
async function codesOn(page: Page, path: string): Promise<string[]> {
  const url = new URL('/', page.url()).origin;
  const library = { '/pdf.mjs': 'pdfjs-dist/build/pdf.mjs', '/pdf.worker.mjs': 'pdfjs-dist/build/pdf.worker.mjs' };
  for (const [at, name] of Object.entries(library))
    await page.route(`${url}${at}`, (route) =>
      route.fulfill({ contentType: 'text/javascript', body: readFileSync(require.resolve(name)) }),
    );
  const sheets = await page.evaluate(async (asked) => {
    const pdf = (await import(`${location.origin}/pdf.mjs` as string)) as {
      GlobalWorkerOptions: { workerSrc: string };
      getDocument: (from: { data: ArrayBuffer }) => {
        promise: Promise<{
          numPages: number;
          getPage: (
            n: number,
          ) => Promise<{
            getViewport: (o: { scale: number }) => { width: number; height: number };
            render: (o: object) => { promise: Promise<void> };
          }>;
        }>;
      };
    };
    pdf.GlobalWorkerOptions.workerSrc = `${location.origin}/pdf.worker.mjs`;
    const document_ = await pdf.getDocument({ data: await (await fetch(asked)).arrayBuffer() }).promise;
    const cells: { width: number; height: number; data: string }[] = [];
    for (let n = 1; n <= document_.numPages; n += 1) {
      const sheet = await document_.getPage(n);
      const viewport = sheet.getViewport({ scale: 2.5 });
      const canvas = Object.assign(document.createElement('canvas'), {
        width: viewport.width,
        height: viewport.height,
      });
      const context = canvas.getContext('2d')!;
      await sheet.render({ canvasContext: context, viewport }).promise;
      const mm = viewport.width / 210;
      for (let row = 0; row < 7; row += 1)
        for (let column = 0; column < 3; column += 1) {
          const [x, y, width, height] = [(7.2 + column * 66) * mm, (15.1 + row * 38.1) * mm, 63.5 * mm, 38.1 * mm].map(
            Math.round,
          ) as [number, number, number, number];
          const { data } = context.getImageData(x, y, width, height);
          let binary = '';
          for (let i = 0; i < data.length; i += 4) binary += String.fromCharCode(data[i]!);
          cells.push({ width, height, data: btoa(binary) });
        }
    }
    return cells;
  }, path);
  return sheets.flatMap(({ width, height, data }) => {
    const grey = Buffer.from(data, 'base64');
    const rgba = new Uint8ClampedArray(width * height * 4);
    grey.forEach((value, i) => rgba.set([value, value, value, 255], i * 4));
    const code = jsQR(rgba, width, height);
    return code ? [code.data] : [];
  });
}
