import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { hire, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { choose, MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** Somebody comes: announced, answered from the letter, and nobody begins at a door without a word. */
describe('A visit, in a browser', function visit() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let tenant: Page;
  let staff: Page;
  const jobId = v7();
  const today = dayOfInstant(Date.now(), ZONE);

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    const { id } = await hire(house);
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 48 }).expect(200);
    const mail = { host: '127.0.0.1', port: stage.running.standInPort, secure: 'no', user: '', password: null };
    await house.manager
      .post('/duty', { people: [], minutes: 10, webhook: null, mail: { ...mail, from: 'office@saltmarsh.example' } })
      .expect(200);
    await house.manager
      .put(`/tenancies/${flat.tenancyId}/contact`, { way: 'mail', email: 'marrable@harbour.example' })
      .expect(200);
    await house.manager.post('/jobs', { id: jobId, pointIds: [flat.points['washer.tub']], assigneeId: id }).expect(200);
    [manager, tenant, staff] = [await stage.page(DESK), await stage.page(PHONE), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
  });
  after(() => stage.close());

  it('is announced on the page of the home, not sooner than its property allows', async () => {
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'Announce a visit' }).click();
    await manager.getByText('This property gives 48 hours of notice.').waitFor();
    await choose(manager, 'Who comes', 'T. Hollis');
    expect(await manager.getByLabel('What for, as they will read it').inputValue()).to.not.equal('');
    await manager.getByLabel('Day', { exact: true }).fill(isoFromDay(today + 1));
    await expectFit(manager, 'announcing a visit');
    await manager.getByRole('button', { name: 'Announce it' }).click();
    await manager.getByText('sooner than 48 hours of notice allow').waitFor();
    await manager.getByLabel('Day', { exact: true }).fill(isoFromDay(today + 5));
    await manager.getByRole('button', { name: 'Announce it' }).click();
    await manager.getByText('Not told yet.').waitFor();
    expect(await manager.getByRole('link', { name: 'Print the notice' }).getAttribute('href')).to.match(/notice$/);
  });

  it('reaches whoever lives there by a letter, who asks for another time', async () => {
    const noon = instantOfDay(today + 1, 12 * 60, ZONE);
    expect(await tellHouseholds({ ...stage.running.env, clock: () => noon })).to.equal(1);
    const [letter] = stage.running.env.letters!();
    expect(letter!.subject).to.contain('comes on');
    await tenant.goto(/https?:\S+/.exec(letter!.text)![0]);
    await tenant.getByRole('heading', { name: 'Somebody comes' }).waitFor();
    await expectFit(tenant, 'a visit, as a tenant');
    await tenant.getByRole('button', { name: 'Another time, please' }).click();
    await tenant.getByLabel('Day', { exact: true }).fill(isoFromDay(today + 6));
    await tenant.getByLabel('From').fill('17:00');
    await tenant.getByLabel('Until').fill('16:00');
    await tenant.getByRole('button', { name: 'Ask for this time' }).click();
    await tenant.getByText('Later than its beginning.').waitFor();
    await tenant.getByLabel('Until').fill('18:00');
    await expectFit(tenant, 'another time, as a tenant');
    await expectThumbs(tenant, 'another time, as a tenant');
    await tenant.getByRole('button', { name: 'Ask for this time' }).click();
    await tenant.getByText(/You asked for .* 17:00 to 18:00/).waitFor();
  });

  it('stands where the office looks, and becomes theirs by one press', async () => {
    await manager.goto('/asked');
    await manager.getByRole('heading', { name: 'Visits that want an answer' }).waitFor();
    await expectFit(manager, 'visits that want an answer');
    await manager.getByRole('button', { name: 'Yes to their time' }).click();
    await manager.getByRole('heading', { name: 'Visits that want an answer' }).waitFor({ state: 'detached' });
    await tenant.reload();
    await tenant.getByText('Agreed. Thank you.').waitFor();
  });

  it('stands on the day of whoever makes it, and wants somebody else once they are gone', async () => {
    await staff.goto('/today');
    await staff.getByRole('region', { name: 'Visits announced as yours' }).getByText('Agreed.').waitFor();
    await expectFit(staff, 'visits of one’s own');
    await expectThumbs(staff, 'visits of one’s own');
    const { id: personId } = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'N. Ferreday');
    await stage.running.env.store.write((db) => db.visit.update({ placeId: flat.placeId }, { personId }));
    await house.manager.post(`/people/${personId}/disable`).expect(200);
    await manager.goto('/asked');
    await manager.getByText('is of this office no more: move it to somebody else').waitFor();
    await manager.getByRole('heading', { name: 'Visits that want an answer' }).waitFor();
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByRole('button', { name: 'Move', exact: true }).click();
    await choose(manager, 'Who comes', 'T. Hollis');
    await manager.getByLabel('They have said yes already').check();
    await manager.getByRole('button', { name: 'Move and tell them' }).click();
    await manager.getByText(/17:00 to 18:00: T. Hollis/).waitFor();
    await manager.getByText('Agreed.').waitFor();
  });

  it('is not needed where somebody opens and agrees: a tap says who, another begins', async () => {
    await staff.goto(`/jobs/${jobId}`);
    await staff.getByText('Nobody was told in time, and nobody has agreed.').waitFor();
    await staff.getByLabel('I have read this').check();
    await staff.getByRole('button', { name: 'Start' }).click();
    await staff.getByText('Say who let you in, or why nobody could be asked.').waitFor();
    await staff.getByLabel('I. Marrable opened and agreed').check();
    await expectFit(staff, 'at the door');
    await expectThumbs(staff, 'at the door');
    await staff.getByRole('button', { name: 'Start' }).click();
    await staff.getByText(/^Step 1 of/).waitFor();
    await manager.goto(`/homes/${flat.placeId}`);
    await manager.getByText('T. Hollis: let in by I. Marrable').waitFor();
  });
});
