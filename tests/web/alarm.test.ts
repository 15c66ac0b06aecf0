import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { PASSWORD, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, nameCause, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/**
 * *Not safe*, followed to the people whom it reaches: the doer, whoever is on duty, the office, and a colleague below
 * ground.
 */
describe('An alarm, in a browser', function alarm() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let staffId = '';
  let manager: Page;
  let tenant: Page;
  let staff: Page;

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    staffId = v7();
    await house.manager
      .post('/people', {
        id: staffId,
        name: 'T. Hollis',
        email: 'hollis@saltmarsh.example',
        password: PASSWORD,
        roles: ['staff'],
      })
      .expect(200);
    manager = await stage.page(DESK);
    staff = await stage.page(PHONE);
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
    tenant = await stage.page(PHONE);
  });
  after(() => stage.close());

  const give = async (to: string, procedure: string) => {
    const id = v7();
    await house.manager.post('/jobs', { id, pointIds: [flat.points[procedure]], assigneeId: to }).expect(200);
    return id;
  };
  const begin = async (page: Page) => {
    await page.getByLabel('I have read this').check();
    await page.getByRole('button', { name: 'Start' }).click();
    await page.getByText(/^Step 1 of/).waitFor();
  };

  it('lets the manager say who is called and how, tried before it is needed, and which numbers are shown', async () => {
    await manager.goto('/people');
    await manager.getByText('Nobody is on duty: an alarm reaches nobody.').waitFor();
    await manager.getByRole('button', { name: '+ T. Hollis' }).click();
    await manager.getByLabel('By mail, through a mail server').check();
    await manager.getByLabel('Mail server', { exact: true }).fill('127.0.0.1');
    await manager.getByLabel('Port').fill(String(stage.running.standInPort));
    await manager.getByLabel('From', { exact: true }).fill('office@saltmarsh.example');
    await expectFit(manager, 'people on duty');
    await manager.getByRole('button', { name: 'Save who is on duty' }).click();
    await manager.getByText('Saved.').waitFor();
    await manager.getByRole('button', { name: 'Try it: a letter to me' }).click();
    await manager.getByText('Sent to vane@saltmarsh.example.').waitFor();
    await manager.getByText('One letter in the stand-in').click();
    await manager.getByText('A try from Dewline').waitFor();
    await manager.goto('/homes');
    await manager
      .getByRole('button', { name: 'Change: name, water, practice' })
      .or(manager.getByRole('button', { name: 'Change' }))
      .first()
      .click();
    await manager.getByLabel('Gas emergency').fill('555 0101');
    await manager.getByLabel('Emergency services').fill('555 0100');
    await manager.locator('.numbers').getByRole('button', { name: 'Save the numbers' }).click();
    await manager.locator('.numbers').getByText('Saved.').waitFor();
    await expectFit(manager, 'emergency numbers');
  });

  it('is raised in two taps, tells the doer what to do now, and claims no more than is so', async () => {
    await give(flat.tenantId, 'washer.doorBoot');
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await tenant.goto(body.path);
    await tenant.getByRole('link', { name: 'Start' }).click();
    await begin(tenant);
    await tenant.getByRole('button', { name: 'It is unplugged' }).click();
    await tenant.getByRole('button', { name: 'Not safe' }).click();
    await tenant.getByRole('button', { name: 'Smell of gas' }).click();
    await tenant.getByText('No flame, no switch, no phone in here.').waitFor();
    await tenant.getByLabel('What do you see or smell? (optional)').fill('Smell of gas behind it, socket scorched');
    await expectFit(tenant, 'raising an alarm');
    await expectThumbs(tenant, 'raising an alarm');
    await tenant.getByRole('button', { name: 'Raise the alarm' }).click();
    await tenant.getByText('Nobody has answered yet').waitFor();
    await tenant.getByRole('link', { name: 'Gas emergency 555 0101' }).waitFor();
    await tenant.getByText('Still unplugged.').waitFor();
    await expectFit(tenant, 'after an alarm');
  });

  it('stands first on the board in the doer’s words, in Faults and on the home', async () => {
    await manager.goto('/line');
    await manager.getByText('Not safe: smell of gas').waitFor();
    await manager.getByText('Nobody has answered yet.').waitFor();
    await manager.getByText('Smell of gas behind it, socket scorched').waitFor();
    await expectFit(manager, 'the board with an alarm');
    for (const path of ['/faults', `/homes/${flat.placeId}`]) {
      await manager.goto(path);
      await manager.getByText('Smell of gas behind it, socket scorched').first().waitFor();
      await expectFit(manager, `${path} with an alarm`);
    }
  });

  it('comes by letter to whoever is on duty, whose answer the doer reads', async () => {
    await expectLetter();
    const [letter] = stage.running.env.letters!();
    const answering = await stage.page(PHONE);
    await answering.goto(/http\S+\/alarm#\S+/.exec(letter!.text)![0]);
    await answering.getByRole('heading', { name: 'Something is not safe' }).waitFor();
    await expectFit(answering, 'the page of the letter');
    expect(
      (await house.manager.get('/alarms').expect(200)).body.alarms[0].acknowledgedBy,
      'opening it says nothing',
    ).to.equal(null);
    await answering.getByRole('button', { name: 'I see to it' }).click();
    await answering.getByRole('heading', { name: 'You see to it' }).waitFor();
    await answering.getByText('socket scorched').waitFor();
    await tenant.getByText('T. Hollis has answered and sees to it').waitFor();
    await manager.goto('/line');
    await manager.getByText('T. Hollis sees to it.').waitFor();
  });
  const expectLetter = async () => {
    for (const until = Date.now() + 60_000; Date.now() < until;) {
      if (stage.running.env.letters!().some(({ subject }) => subject.startsWith('NOT SAFE'))) return;
      await manager.evaluate(() => new Promise(requestAnimationFrame));
    }
    throw new Error('no letter came');
  };

  it('is lifted when the fault is closed; raised again, it stops a colleague below ground as soon as the phone hears of it', async () => {
    await manager.goto('/faults');
    await manager.getByRole('button', { name: 'Close…' }).first().click();
    await nameCause(manager, 'Something else');
    await manager.getByLabel('In words').fill('A joint of the cooker beside it; tightened by the fitter.');
    await manager.getByRole('button', { name: 'Close the fault' }).click();
    await manager.getByText('Work on this machine stands still').waitFor({ state: 'hidden' });
    const job = await give(staffId, 'washer.drainPumpFilter');
    await staff.goto(`/jobs/${job}`);
    await begin(staff);
    await staff.context().setOffline(true);
    await staff.getByRole('button', { name: 'It is unplugged' }).click();
    await give(flat.tenantId, 'washer.tub');
    await tenant.goto(`${stage.url}/home/`);
    await tenant.getByRole('link', { name: 'Start' }).click();
    await tenant.getByRole('button', { name: 'Not safe' }).click();
    await tenant.getByRole('button', { name: 'Shock, bare wires' }).click();
    await tenant.getByRole('button', { name: 'Raise the alarm' }).click();
    await tenant.getByText('Not safe: work on it has stopped').waitFor();
    // Without a connection one goes on; with one, the next thing seen is that work has stopped.
    await staff.getByText(/^Step 2 of/).waitFor();
    await staff.context().setOffline(false);
    await staff.getByText('Not safe: work on it has stopped').waitFor();
    await staff.getByText('Touch nothing of it').waitFor();
    await expectFit(staff, 'work that was stopped');
  });

  it('raised without a connection says that nobody knows yet, and goes out when there is one', async () => {
    const before = (await house.manager.get('/alarms').expect(200)).body.alarms.length as number;
    const [fault] = (await house.manager.get('/faults').expect(200)).body.faults;
    await house.manager
      .post(`/faults/${fault.id}/close`, {
        cause: 'other',
        remedy: 'repaired',
        found: 'A loose wire, made fast by the electrician.',
      })
      .expect(200);
    expect(before).to.equal(1);
    await staff.reload();
    await staff.getByText(/^Step 2 of/).waitFor();
    await staff.context().setOffline(true);
    await staff.getByRole('button', { name: 'Not safe' }).click();
    await staff.getByRole('button', { name: 'Water', exact: true }).click();
    await staff.getByRole('button', { name: 'Raise the alarm' }).click();
    await staff.getByText('Nobody knows yet: there is no connection. Call a number below.').waitFor();
    await staff.getByRole('link', { name: 'Emergency 555 0100' }).waitFor();
    await staff.context().setOffline(false);
    await staff.getByText(/Nobody has answered yet|has answered and sees to it/).waitFor();
    expect((await house.manager.get('/alarms').expect(200)).body.alarms[0].kind).to.equal('water');
  });
});
