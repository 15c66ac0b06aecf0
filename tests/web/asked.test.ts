import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { turnDay } from '../../server/clock/daily.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { hire, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** A tenant is told, reminded and, at the end, relieved: followed by their letters to the pages that these open. */
describe('Telling a household, in a browser', function telling() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let tenant: Page;
  const jobId = v7();

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    await hire(house);
    manager = await stage.page(DESK);
    tenant = await stage.page(PHONE);
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());

  /** Lets the clock come by at noon of a day to come: at night nobody is written to. */
  const comeBy = (daysAhead: number) => {
    const noon = instantOfDay(dayOfInstant(Date.now(), ZONE) + daysAhead, 12 * 60, ZONE);
    return tellHouseholds({ ...stage.running.env, clock: () => noon });
  };
  const letters = () => stage.running.env.letters!().filter(({ to }) => to === 'marrable@harbour.example');

  it('lets the office say how it writes, and how a household is reached', async () => {
    await manager.goto('/people');
    await manager.getByLabel('By mail, through a mail server').check();
    await manager.getByLabel('Mail server', { exact: true }).fill('127.0.0.1');
    await manager.getByLabel('Port').fill(String(stage.running.standInPort));
    await manager.getByLabel('From', { exact: true }).fill('office@saltmarsh.example');
    await manager.getByRole('button', { name: 'Save who is on duty' }).click();
    await manager.getByText('Saved.').waitFor();
    await manager.getByLabel('Quiet from').fill('21:00');
    await manager.getByLabel('Days of grace').fill('2');
    await manager.getByRole('button', { name: 'Save the rule' }).click();
    await manager.getByText('Saved.').nth(1).waitFor();
    await expectFit(manager, 'writing to tenants');
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByText('No address: they hear of nothing but by you.').waitFor();
    await manager.getByRole('button', { name: 'How to reach them' }).click();
    await manager.getByLabel('By mail', { exact: true }).check();
    await manager.getByRole('button', { name: 'Save how to reach them' }).click();
    await manager
      .getByText('Fill this in.')
      .or(manager.getByText(/want another look/))
      .first()
      .waitFor();
    await manager.getByLabel('Their email').fill('marrable@harbour.example');
    await expectFit(manager, 'how to reach a household');
    await manager.getByRole('button', { name: 'Save how to reach them' }).click();
    await manager.getByText('Letters to marrable@harbour.example.').waitFor();
  });

  it('shows who was asked and not told yet, and after the letter when it was told', async () => {
    await house.manager
      .post('/jobs', { id: jobId, pointIds: [flat.points['washer.doorBoot']], assigneeId: flat.tenantId })
      .expect(200);
    await manager.goto('/asked');
    await manager.getByText('One household has one job open that you asked for.').waitFor();
    await manager.getByText('Not told yet.').waitFor();
    await expectFit(manager, 'asked');
    expect(await comeBy(1)).to.equal(1);
    await manager.reload();
    await manager.getByText('Asked: letter to marrable@harbour.example').waitFor();
    await manager.getByText(/To staff on .* if not begun/).waitFor();
  });

  it('opens the home by the letter, where the household may have fewer of them', async () => {
    const [letter] = letters();
    expect(letter!.subject).to.match(/^Flat 1A: one small thing to do by/);
    await tenant.goto(/https?:\S+/.exec(letter!.text)![0]);
    await tenant.getByRole('heading', { name: 'One thing to do' }).waitFor();
    await tenant.getByText('We write to marrable@harbour.example').click();
    await tenant.getByText('Remind me before its day').click();
    await expectFit(tenant, 'letters, as a tenant');
    await expectThumbs(tenant, 'letters, as a tenant');
    await tenant.getByRole('button', { name: 'Save' }).click();
    await tenant.getByText('Saved.').waitFor();
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByText('Letters to marrable@harbour.example, no reminders.').waitFor();
  });

  it('reminds by one key, once a day', async () => {
    await manager.goto('/asked');
    const remind = manager.getByRole('button', { name: /^Remind.*I. Marrable$/ });
    await remind.waitFor();
    await manager.keyboard.press('r');
    await manager.getByText('I. Marrable gets a letter with all that is open').waitFor();
    expect(await remind.isDisabled()).to.equal(true);
    expect(await comeBy(2)).to.equal(1);
    expect(letters()[0]!.subject).to.contain('still open');
    await manager.getByRole('button', { name: 'I told them: I. Marrable' }).click();
    await manager.getByText('Written down: I. Marrable was told today.').waitFor();
    await manager.getByText(/Reminder: said by R. Okonjo-Vane/).waitFor();
  });

  it('says beside the job what was told', async () => {
    const { number } = (await house.manager.get(`/points/${flat.points['washer.doorBoot']}`).expect(200)).body;
    await manager.goto(`/line/${number}`);
    await manager.getByText('Asked: letter to marrable@harbour.example').click();
    await manager.getByText(/Please see to this by/).waitFor();
    await expectFit(manager, 'what was told of a job');
  });

  it('passes to staff what nobody began, who have it on their day', async () => {
    await comeBy(60);
    const staff = await stage.page(PHONE);
    await signIn(staff, 'hollis@saltmarsh.example');
    await staff.goto('/today');
    await staff.getByRole('heading', { name: 'Clean the washer’s door seal' }).waitFor();
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'Nothing to do just now.' }).waitFor();
    await manager.goto('/asked');
    await manager.getByRole('heading', { name: 'Nobody has anything open' }).waitFor();
    await expectFit(manager, 'nobody asked');
  });

  it('asks by itself, on its day, once the office wants that; the household has it and is written to', async () => {
    const drawer = flat.points['washer.drawer']!;
    const { days } = (await house.manager.get(`/points/${drawer}/working`).expect(200)).body;
    const done = dayOfInstant(Date.now(), ZONE) - (days - 4);
    await house.manager
      .post('/records', { id: v7(), pointId: drawer, done: isoFromDay(done), grade: 'due', finds: [], note: '' })
      .expect(200);
    await manager.goto('/asked');
    await manager.getByText('Nothing is asked by itself.').waitFor();
    await manager.getByText('ask today').waitFor();
    await expectFit(manager, 'to be asked next');
    await turnDay(stage.running.env);
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'Nothing to do just now.' }).waitFor();
    await manager.getByRole('link', { name: 'Change who asks' }).click();
    await manager.getByLabel(/^Ask tenants by itself/).check();
    await manager.getByRole('button', { name: 'Save the rule' }).click();
    await manager.getByText('Saved.').waitFor();
    await turnDay(stage.running.env);
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'One thing to do' }).waitFor();
    expect(await comeBy(1)).to.equal(1);
    expect(letters()[0]!.subject).to.match(/one small thing to do/);
    await manager.goto('/asked');
    await manager.getByText('One household has one job open that you asked for.').waitFor();
    await manager.getByText('Asked by itself, each on its day').waitFor();
    await manager.getByText(/Nothing is to be asked for in the next/).waitFor();
  });

  it('keeps to what a household agreed to: what is unticked is staff’s from then on', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'What they agreed to do' }).click();
    const seal = manager.getByRole('group', { name: 'What they agreed to do' }).getByLabel(/Door boot|door seal/i);
    expect(await seal.isChecked()).to.equal(true);
    await expectFit(manager, 'what a household agreed to');
    await seal.uncheck();
    await manager.getByRole('button', { name: 'Save what they agreed to' }).click();
    await manager.getByRole('group', { name: 'What they agreed to do' }).waitFor({ state: 'hidden' });
    const { level } = (await house.manager.get(`/points/${flat.points['washer.doorBoot']}`).expect(200)).body;
    expect(level).to.equal('staff');
    await manager.getByRole('button', { name: 'What they agreed to do' }).click();
    await seal.waitFor();
    expect(await seal.isChecked()).to.equal(false);
  });
});
