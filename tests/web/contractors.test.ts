import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { drawn, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { walkJob } from './walk.ts';
import { story } from '../story.ts';

const FIRM = { name: 'Gannet Cooling', email: 'visits@gannet.example' };

/** A contractor's visit from the contract to the report, as the office and the contractor see it. */
describe('A contractor’s visit, in a browser', function contractors() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let contractor: Page;
  const today = dayOfInstant(Date.now(), ZONE);

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    const mail = { host: '127.0.0.1', port: stage.running.standInPort, secure: 'no', user: '', password: null };
    await house.manager
      .post('/duty', { people: [], minutes: 10, webhook: null, mail: { ...mail, from: 'office@saltmarsh.example' } })
      .expect(200);
    [manager, contractor] = [await stage.page(DESK), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
  });
  after(() => stage.close());
  const listed = () => manager.getByRole('region', { name: 'Contractors’ visits' }).getByRole('listitem');

  it('becomes a part of the machine with its contract, and is due by it', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'Contract, signals, retire…' }).click();
    await manager.getByLabel('A contractor comes every').fill('6');
    await manager.getByLabel('last visit').fill(isoFromDay(today - 190));
    await manager.getByLabel('contractor’s name').fill(FIRM.name);
    await manager.getByLabel('their address for letters').fill(FIRM.email);
    await manager.getByRole('button', { name: 'Save the contract' }).click();
    await manager.getByRole('link', { name: 'Contractor’s visit' }).waitFor();
    await expectFit(manager, 'a home with a contract');
  });

  it('is asked for from the list, and the letter opens the one job', async () => {
    await manager.goto('/asked');
    await manager.getByText(/days? past, and nobody was asked/).waitFor();
    await expectFit(manager, 'contractors’ visits');
    await manager.getByRole('link', { name: /^Ask to come/ }).click();
    await manager.getByText('A contractor comes every 6 months.').waitFor();
    expect(await manager.getByRole('link', { name: 'Look at it' }).count()).to.equal(0);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    expect(await manager.getByLabel('Their name').inputValue()).to.equal(FIRM.name);
    expect(await manager.getByLabel('Where they are written to').inputValue()).to.equal(FIRM.email);
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText(`goes to ${FIRM.email} in ten minutes`).waitFor();
    await expectFit(manager, 'a contractor who is asked');
    const noon = instantOfDay(today + 1, 12 * 60, ZONE);
    expect(await tellHouseholds({ ...stage.running.env, clock: () => noon })).to.equal(1);
    const [letter] = stage.running.env.letters!();
    expect(letter!.subject).to.contain('please come');
    await contractor.goto(/https?:\S+/.exec(letter!.text)![0]);
    await contractor.getByText('Contractor’s visit, as the contract says').first().waitFor();
    await manager.goto('/asked');
    await manager.getByText(`${FIRM.name} was asked on`).waitFor();
    await listed()
      .getByText(/^Asked to come: letter to/)
      .waitFor();
  });

  it('is announced to whoever lives there, by whom they will see at the door', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'Announce a visit' }).click();
    await choose(manager, 'Who comes', FIRM.name);
    await manager.getByLabel('Day', { exact: true }).fill(isoFromDay(today + 5));
    await manager.getByRole('button', { name: 'Announce it' }).click();
    await manager.getByText('Not told yet.').waitFor();
    await flat.tenant.get('/home').expect(200);
    await contractor.reload();
    await contractor.getByText(/^You are expected on .*10:00 to 12:00/).waitFor();
    await expectFit(contractor, 'a contractor’s page with a visit');
  });

  it('that nobody came to stands on Today and leads to where it is put right', async () => {
    await stage.running.env.store.write((db) => db.visit.update({ placeId: flat.placeId }, { day: today - 1 }));
    await manager.goto('/today');
    await manager.getByRole('link', { name: 'One contractor did not come.' }).click();
    await manager.getByText(/^Did not come on .*there is no report/).waitFor();
    await expectFit(manager, 'a contractor who did not come');
  });

  it('is proven by the contractor’s report, judged like any work, and moves its line by itself', async () => {
    await contractor.getByRole('link', { name: 'Start' }).click();
    await walkJob(contractor, 'contractor.visit', { fit: true, until: 'Sent. Thank you.' });
    await manager.goto('/asked');
    await manager.getByText('The report waits for your verdict.').waitFor();
    await manager.getByRole('link', { name: /^Look at it/ }).click();
    await manager.getByRole('link', { name: 'Judge the proof' }).click();
    await manager.getByRole('button', { name: /^Accept/ }).click();
    await manager.getByText('Accepted: Contractor’s visit, Flat 1A').waitFor();
    await manager.goto('/asked');
    await manager.getByText('One more is not near their day.').waitFor();
    await manager.getByRole('button', { name: 'Show all' }).click();
    await listed()
      .getByText(/^Due in \d+ days, nobody was asked\./)
      .waitFor();
  });

  it('that was left on paper is written down with its report, and counts as proven', async () => {
    await house.manager
      .put(`/machines/${flat.machineId}/contract`, {
        contract: { lastVisit: isoFromDay(today), everyMonths: 1, ...FIRM },
      })
      .expect(200);
    await listed()
      .getByRole('link', { name: /^Ask to come/ })
      .click();
    await manager.getByRole('button', { name: 'Log as done' }).click();
    await manager.getByText('With its report it counts as proven').waitFor();
    expect(await manager.getByText('Found (optional)').count()).to.equal(0);
    await manager
      .locator('form input[type=file]')
      .first()
      .setInputFiles({ name: 'report.jpg', mimeType: 'image/jpeg', buffer: await drawn('contractor.visit', 77) });
    await manager.locator('form img').waitFor();
    await expectFit(manager, 'a report that is written down');
    await manager.getByRole('button', { name: 'Log it' }).click();
    await manager.getByText('Log as done').waitFor();
    await manager
      .getByText(/Proven; accepted by/)
      .first()
      .waitFor();
  });
});
