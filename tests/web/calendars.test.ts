import { expect } from 'chai';
import ICAL from 'ical.js';
import type { Page } from 'playwright-core';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { hire, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** Calendars read elsewhere by an address of their own, and somebody's own calendar that says when they are busy. */
describe('Calendars, in a browser', function calendars() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let staff: Page;
  const today = dayOfInstant(Date.now(), ZONE);
  /** What a calendar program gets, which has no session. */
  const addressOn = (page: Page): Promise<string> =>
    page.locator('code').filter({ hasText: '/api/feeds/' }).innerText();
  const read = async (page: Page): Promise<Response> => fetch(await addressOn(page));

  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    const { id } = await hire(house);
    await house.manager
      .post('/jobs', { id: crypto.randomUUID(), pointIds: [flat.points['washer.tub']], assigneeId: id })
      .expect(200);
    [manager, staff] = [await stage.page(DESK), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
  });
  after(() => stage.close());

  it('give staff an address that any calendar program reads, until it is revoked', async () => {
    await staff.goto('/account');
    const part = staff.getByRole('region', { name: 'In your own calendar' });
    await part.getByRole('button', { name: 'Make an address' }).click();
    await part.getByText('It is shown this once.').waitFor();
    await expectFit(staff, 'an address for a calendar');
    await expectThumbs(staff, 'an address for a calendar');
    const answer = await read(staff);
    expect(answer.headers.get('content-type')).to.contain('text/calendar');
    const events = new ICAL.Component(ICAL.parse(await answer.text()) as never).getAllSubcomponents('vevent');
    expect(events.map((it) => it.getFirstPropertyValue('summary'))).to.deep.equal(['Washer, front load, Flat 1A']);
    const address = await addressOn(staff);
    await part.getByText(/nobody has read it yet/).waitFor();
    await staff.reload();
    await part.getByText(/last read/).waitFor();
    expect(await part.locator('code').count(), 'it was told once').to.equal(0);
    await part.getByRole('button', { name: /^Revoke: / }).click();
    await part.getByText(/last read/).waitFor({ state: 'detached' });
    expect((await fetch(address)).status).to.equal(404);
  });

  it('are read from a file on the device: broken lines are named, and times alone are kept', async () => {
    const day = (days: number) => isoFromDay(today + days).replaceAll('-', '');
    const file = [
      'BEGIN:VCALENDAR',
      'BEGIN:VEVENT',
      'UID:a',
      `DTSTART:${day(3)}T090000Z`,
      `DTEND:${day(3)}T110000Z`,
      'SUMMARY:What it is about',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:b',
      'DTSTART:nonsense',
      'END:VEVENT',
      'END:VCALENDAR',
    ].join('\r\n');
    const pick = (text: string) =>
      staff
        .getByLabel('Read a calendar file')
        .setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
    await pick('Dear all');
    await staff.getByText('This is no calendar file.').waitFor();
    await pick(file);
    await staff.getByText('One busy time in half a year, from one event.').waitFor();
    await staff.getByText('One event could not be read, from line 8 on.').waitFor();
    await expectFit(staff, 'busy times, looked at');
    await staff.getByRole('button', { name: 'Keep these times' }).click();
    await staff.getByText(/^One day to come with a busy time, 2 hours of working time/).waitFor();
    const rows = await house.env.store.db.busyTime.all({});
    expect(rows.map(({ day: on, untilMinute, fromMinute }) => [on - today, untilMinute - fromMinute])).to.deep.equal([
      [3, 120],
    ]);
    await staff.getByRole('button', { name: 'Forget all of them' }).click();
    await staff.getByText('Nothing is known of other appointments.').waitFor();
  });

  it('give a tenant the visits to their home, and a manager a property', async () => {
    const tenant = await stage.page(PHONE);
    const { path } = (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body;
    await tenant.goto(path);
    await tenant.getByText('In your own calendar').click();
    await tenant.getByRole('button', { name: 'Make an address' }).click();
    await tenant.getByText('It is shown this once.').waitFor();
    await expectFit(tenant, 'a tenant’s address');
    await expectThumbs(tenant, 'a tenant’s address');
    expect((await read(tenant)).status).to.equal(200);
    await manager.goto('/homes');
    await manager.getByRole('button', { name: 'Change: name, water, practice, The Ropewalk' }).first().click();
    await manager.getByText('In your own calendar').waitFor();
    await manager.getByRole('button', { name: 'Make an address' }).click();
    await manager.getByText('It is shown this once.').waitFor();
    expect(await (await read(manager)).text()).to.contain('NAME:The Ropewalk');
    await expectFit(manager, 'a property’s address');
  });
});
