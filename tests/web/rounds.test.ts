import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { hire, registerFlat, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, pick, signIn } from './office.ts';
import { story } from '../story.ts';

/** A plan is made, shaped by drag and by keys, planned anew, taken over, and walked by whoever comes. */
describe('Rounds, in a browser', function rounds() {
  story(this);
  let stage: Stage;
  let house: House;
  const flats: Flat[] = [];
  let manager: Page;
  let staff: Page;
  const today = dayOfInstant(Date.now(), ZONE);

  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    await hire(house);
    for (const name of ['Flat 5A', 'Flat 5B']) {
      const flat = await registerFlat(house, 'airHandler', name);
      flats.push(flat);
      // The drain is staff's; it is due in a week.
      const form = { id: v7(), done: isoFromDay(today - 83), grade: 'due', finds: [], note: '' };
      await house.manager.post('/records', { ...form, pointId: flat.points['airHandler.condensateDrain'] }).expect(200);
    }
    [manager, staff] = [await stage.page(DESK), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
  });
  after(() => stage.close());

  const block = (place: string) => manager.getByRole('button', { name: new RegExp(place) });
  const cell = (row: number, column: number) =>
    manager.locator('.plan-grid tbody tr').nth(row).locator('td').nth(column);
  /** The row and the column that a home's visit stands in. */
  const where = (place: string) =>
    manager.evaluate((name) => {
      const rows = [...document.querySelectorAll('.plan-grid tbody tr')];
      const row = rows.findIndex((it) => it.textContent.includes(name));
      const cells = [...(rows[row]?.querySelectorAll('td') ?? [])];
      return { row, column: cells.findIndex((it) => it.textContent.includes(name)) };
    }, place);
  const showWeek = async (place: string) => {
    await manager.locator('.plan-grid').waitFor();
    if ((await block(place).count()) === 0) await manager.getByRole('button', { name: 'The week after' }).click();
    await block(place).waitFor();
  };
  const planAnew = async () => {
    const made = manager.waitForResponse((it) => it.url().endsWith('/api/plan') && it.request().method() === 'POST');
    await manager.getByRole('button', { name: 'Plan anew' }).click();
    await made;
    await manager.getByText('Every part finds a place.').waitFor();
  };
  const settled = () => manager.waitForLoadState('networkidle');

  it('is made from what comes due, and compares itself with each machine on its day', async () => {
    await manager.goto('/rounds');
    await manager.getByRole('heading', { name: 'No plan yet' }).waitFor();
    await manager.getByRole('button', { name: 'Make a plan' }).click();
    await manager.getByText(/2 doors in 4 weeks instead of 2|One door in 4 weeks/).waitFor();
    await manager.getByText('Every part finds a place.').waitFor();
    await manager.getByText('Every part is counted').waitFor();
    // Both are due in the coming week, whichever calendar week that is.
    await showWeek('Flat 5A');
    await block('Flat 5A').click();
    await manager.getByText(/^Condensate drain .*: due by .*\.$/).waitFor();
    await expectFit(manager, 'the plan of rounds');
  });

  it('is read by house and day as well, and a visit opens there', async () => {
    await manager.getByText('By house and day').click();
    const visit = manager.getByRole('button', { name: /^Flat 5A/ });
    await visit.waitFor();
    expect(await manager.locator('.plan-grid').count()).to.equal(0);
    expect(await visit.getAttribute('aria-expanded')).to.equal('true');
    await visit.click();
    await manager.getByText(/^Condensate drain .*: due by .*\.$/).waitFor({ state: 'hidden' });
    await visit.click();
    await manager.getByText(/^Condensate drain .*: due by .*\.$/).waitFor();
    await expectFit(manager, 'the plan by house');
    await manager.getByText('By person and day').click();
    await block('Flat 5A').waitFor();
  });

  it('is shaped by the keyboard: an arrow moves a visit to the next day, and it says that it stands there by hand', async () => {
    const visit = block('Flat 5A');
    const before = await where('Flat 5A');
    await visit.focus();
    await manager.keyboard.press('ArrowRight');
    await manager.locator('.plan-block').filter({ hasText: 'by hand' }).waitFor();
    const after = await where('Flat 5A');
    expect(after.column).to.equal(before.column + 1);
    // The block that moved has the focus still, so that the next arrow finds it.
    await manager.keyboard.press(before.row === 0 ? 'ArrowDown' : 'ArrowUp');
    await manager.waitForFunction(
      ([row]) =>
        [...document.querySelectorAll('.plan-grid tbody tr')].findIndex((it) => it.textContent.includes('Flat 5A')) !==
        row,
      [before.row],
    );
    expect((await where('Flat 5A')).row).to.not.equal(before.row);
  });

  it('is shaped by dragging a visit onto another day, and two managers never overwrite each other', async () => {
    const { row, column } = await where('Flat 5B');
    const target = column === 4 ? 3 : column + 1;
    await block('Flat 5B').dragTo(cell(row, target).locator('.plan-day'));
    await manager.waitForFunction(
      ([r, c]) =>
        document
          .querySelectorAll('.plan-grid tbody tr')
          [r!]?.querySelectorAll('td')
          [c!]?.textContent.includes('Flat 5B'),
      [row, target],
    );
    const { plan } = (await house.manager.get('/plan').expect(200)).body;
    await house.manager
      .post('/plan/shapes', {
        revision: plan.revision,
        week: plan.week,
        visit: plan.visits[0]?.visit ?? 0,
        shape: 'pin',
      })
      .expect(({ status }) => expect([200, 404]).to.include(status));
    await block('Flat 5B').click();
    await manager.getByRole('button', { name: 'Take it out' }).click();
    await manager
      .getByText(/Somebody else has changed the plan meanwhile|One part finds no place/)
      .first()
      .waitFor();
  });

  it('keeps what was moved by hand through the next plan, and names what finds no place', async () => {
    const moved = await where('Flat 5A');
    await block('Flat 5A').click();
    await manager.getByText('Put here by hand.').waitFor();
    await planAnew();
    await settled();
    await showWeek('Flat 5A');
    expect(await where('Flat 5A')).to.deep.equal(moved);
    await block('Flat 5A').focus();
    await manager.keyboard.press('Delete');
    await manager.getByRole('heading', { name: 'No place yet' }).waitFor();
    await manager
      .getByText(/one more door|Every day in its window is full/)
      .first()
      .waitFor();
    await expectFit(manager, 'a plan with a part that has no place');
    await planAnew();
  });

  it('asks whether the people suffice, month by month', async () => {
    await manager.getByRole('button', { name: 'Reckon it' }).click();
    await manager.getByText('Every month has hours enough.').waitFor();
    await manager.getByRole('columnheader', { name: 'T. Hollis' }).last().waitFor();
    await expectFit(manager, 'hours needed and had');
  });

  it('reckons with days off, which a manager enters beside the person', async () => {
    await manager.goto('/people');
    await manager
      .getByRole('listitem')
      .filter({ hasText: 'T. Hollis' })
      .getByRole('button', { name: /Change/ })
      .click();
    await manager.getByRole('group', { name: 'Works on' }).getByLabel('Friday').uncheck();
    await manager.getByRole('button', { name: 'Save working time' }).click();
    await manager.getByText('Saved.').waitFor();
    await manager.getByLabel('From', { exact: true }).fill(isoFromDay(today + 40));
    await manager.getByRole('button', { name: 'Add days off' }).click();
    await manager.getByRole('button', { name: /^Remove: / }).waitFor();
    await expectFit(manager, 'working time');
  });

  it('is told at the door what to know', async () => {
    await staff.goto(`/homes/${flats[0]!.placeId}`);
    await staff.getByLabel('Key', { exact: true }).fill('with the neighbour');
    await staff.getByLabel('There is a dog').check();
    await staff
      .locator('form')
      .filter({ hasText: 'There is a dog' })
      .getByRole('button', { name: 'Save for the door' })
      .click();
    await staff.getByText('Saved.').waitFor();
    await expectFit(staff, 'going in, on a phone');
  });

  it('is taken over: whoever comes has the round on the phone, with or without a connection, and on one page', async () => {
    await manager.goto('/rounds');
    await showWeek('Flat 5A');
    await block('Flat 5A').click();
    await manager.getByRole('combobox', { name: 'To whom' }).click({ force: true });
    await pick(manager, manager.getByRole('option', { name: 'T. Hollis' }));
    await manager.getByRole('button', { name: 'Move', exact: true }).click();
    await manager.getByText('Put here by hand.').waitFor();
    await manager.getByRole('button', { name: 'Take this week over' }).click();
    await manager.getByText(/jobs? given, nobody had to be told|One job given, nobody had to be told/).waitFor();
    await staff.goto('/today');
    await staff.getByRole('link', { name: 'Your round' }).click();
    await staff.getByText('Flat 5A').waitFor();
    await staff.getByText('A dog.').waitFor();
    await staff.getByText('Key: with the neighbour').waitFor();
    await staff.getByRole('heading', { name: 'To carry' }).waitFor();
    await expectFit(staff, 'a round, on a phone');
    await staff.context().setOffline(true);
    await staff.getByRole('link', { name: 'Today' }).click();
    await staff.getByRole('link', { name: 'Your round' }).click();
    await staff.getByText('Key: with the neighbour').waitFor();
    await staff.context().setOffline(false);
    const printed = await staff.pdf({ format: 'A4' });
    expect(printed.toString('latin1').match(/\/Type\s*\/Page\b/g) ?? []).to.have.length(1);
  });
});
