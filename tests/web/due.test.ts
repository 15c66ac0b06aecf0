import { generateKeyPairSync } from 'node:crypto';
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { buildDemo } from '../../demo/build.ts';
import { emitSignal, type EmitterKey } from '../../demo/emitter.ts';
import { MANAGER, STAFF } from '../../demo/scenario.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { choose, chooseTyped, signIn } from './office.ts';

/** The due engine on its screens, over some weeks of the demo. */
describe('A due engine that practitioners would trust, in a browser', function story() {
  let stage: Stage;
  let manager: Page;
  let staff: Page;
  let tenant: Page;
  let emitter: EmitterKey;

  before(async () => {
    stage = await openStage();
    emitter = await buildDemo(stage.running.env, () => undefined, 60);
    manager = await stage.page(DESK);
    staff = await stage.page(PHONE);
    tenant = await stage.page(PHONE);
    await signIn(manager, MANAGER.email, MANAGER.password);
    await signIn(staff, STAFF[0]!.email, STAFF[0]!.password);
    await tenant.goto('/home/#demo-flat-1b');
    await tenant.getByRole('heading', { name: 'Flat 1B' }).waitFor();
  });
  after(() => stage.close());

  const db = () => stage.running.env.store.db;
  const placeId = async (name: string) => (await db().place.one({ name }))!.id;
  /** Number of a point, for its short links. */
  const numberOf = async (place: string, procedure: string) => {
    const machines = await db().machine.all({ placeId: await placeId(place) });
    return (await db().point.one({ machineId: machines.map(({ id }) => id), procedure }))!.number;
  };

  /** Types where, as in a long list one does: an option out of sight is not drawn. */
  const choosePlace = async (page: Page, place: string) => {
    await chooseTyped(page, 'Where', place, place);
  };

  it('compares practices before one is saved, follows the choice, and takes it back', async () => {
    await manager.getByRole('link', { name: 'Practice' }).click();
    const table = manager.getByRole('table', { name: 'What each practice asks' });
    await table.waitFor();
    expect(await table.getByRole('columnheader').count()).to.equal(6);
    // What was done stands beside what would be asked.
    const was = table
      .getByRole('row', { name: /Staff hours a month/ })
      .getByRole('cell')
      .last();
    expect(parseFloat(await was.innerText())).to.be.above(0);
    for (const row of [
      'Requests to tenants a month',
      'Staff hours a month',
      'Doors a month',
      'Parts heavy or blocked when served',
      'Cost a month',
    ])
      await table.getByRole('rowheader', { name: row }).waitFor();
    await expectFit(manager, 'practice');
    await choosePlace(manager, 'The Ropewalk');
    const requests = async () =>
      (
        await table
          .getByRole('row', { name: /Requests to tenants/ })
          .getByRole('cell')
          .allInnerTexts()
      ).map((text) => parseFloat(text));
    await manager.waitForFunction(() =>
      [...document.querySelectorAll('thead th.now b')].some((it) => it.textContent === 'Steady'),
    );
    const [watchful, steady] = await requests();
    expect(watchful).to.be.above(steady!);
    await manager.getByRole('button', { name: 'Choose Watchful' }).click();
    await manager
      .getByRole('status')
      .getByText(/^Chosen: Watchful\. \d+ points follow\./)
      .waitFor();
    await manager.locator('.exceptions').getByText('The Ropewalk', { exact: true }).waitFor();
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.getByText('Taken back.').waitFor();
    await manager.locator('.exceptions').getByText('The Ropewalk', { exact: true }).waitFor({ state: 'detached' });
  });

  it('chooses a method with each side’s reasons, and the procedure follows', async () => {
    await manager.getByRole('link', { name: 'Methods' }).click();
    await manager.getByText('Kills growth best.').waitFor();
    expect(await manager.getByText('not for tenants').count()).to.equal(3);
    await expectFit(manager, 'methods');
    await manager.getByLabel('Plain vinegar').check();
    await manager.getByRole('status').getByText('Condensate drain: what it is flushed with: Plain vinegar.').waitFor();
    const { procedureOf } = await import('../../core/catalogue/catalogue.ts');
    expect(
      procedureOf('airHandler.condensateDrain', { condensateAgent: 'vinegar' }).steps.map(({ text }) => text),
    ).to.include('airHandler.condensateDrain.flushVinegar');
    const { readHistory } = await import('../../server/due/history.ts');
    const point = (await db().point.one({ number: await numberOf('Plant room', 'airHandler.condensateDrain') }))!;
    expect((await readHistory(db(), point.id, Date.now())).procedure.materials.map(({ what }) => what)).to.include(
      'vinegar',
    );
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.locator('label.on', { hasText: 'Bleach, one to three of water' }).waitFor();
    // A property may have its own school.
    await choosePlace(manager, 'Tidemill Court');
    await manager.locator('label.on', { hasText: 'A detergent tablet, hottest cycle' }).waitFor();
    await choosePlace(manager, 'Samphire Row');
    await manager.getByLabel('Thin and cheap, every month').check();
    await manager.getByText('Elsewhere: Samphire Row: Thin and cheap, every month').waitFor();
    // A home of it follows, may differ, and follows again when that is taken back.
    await choosePlace(manager, 'Samphire Row, House 12');
    await manager.locator('label.on', { hasText: 'Thin and cheap, every month' }).waitFor();
    await manager.getByLabel('Dense, each season').check();
    await manager.getByText(/Elsewhere: .*House 12: Dense, each season/).waitFor();
    await manager.getByRole('button', { name: 'Undo' }).click();
    await manager.locator('label.on', { hasText: 'Thin and cheap, every month' }).waitFor();
    expect(await manager.getByText(/House 12: Dense/).count()).to.equal(0);
  });

  it('shows the working, one click from two sentences, and lets an assumption move the date before it is saved', async () => {
    const number = await numberOf('House 18', 'refrigerator.waterFilter');
    await manager.goto(`${stage.url}/line/${number}`);
    await manager.getByText(/About every \d+ days here\. That is/).waitFor();
    await manager.getByRole('link', { name: 'All figures, and try it otherwise' }).click();
    await manager.getByRole('heading', { name: 'The working: Water filter' }).waitFor();
    await manager.getByText('Reference: steady, a neutral home').waitFor();
    await expectFit(manager, 'the working');
    const facts = await db().fact.count({});
    await manager.getByLabel('Steady', { exact: true }).fill('90');
    await manager
      .getByRole('status')
      .getByText(/would be/)
      .waitFor();
    await manager.getByLabel('Steady', { exact: true }).fill('0');
    await manager.getByText('Some fields want another look.').waitFor();
    expect(await db().fact.count({})).to.equal(facts);
    await manager.getByRole('button', { name: 'Back to what is in force' }).click();
    await choose(manager, 'Practice', 'Watchful');
    await manager
      .getByRole('status')
      .getByText(/would be/)
      .waitFor();
    await manager.getByRole('button', { name: 'Keep this practice for this point' }).click();
    await manager.getByText('Watchful, chosen for the point itself').waitFor();
  });

  it('keeps a calendar, in words, snaps to an upkeep day, and is taken along as a calendar file', async () => {
    const number = await numberOf('Flat 2B', 'airHandler.returnFilter');
    await manager.goto(`${stage.url}/line/${number}/working`);
    await choose(manager, 'Calendar', 'Turn of the season');
    await manager.getByRole('button', { name: 'Keep this calendar' }).click();
    // What is tried reads the same as what is kept; the button goes once it is kept.
    await manager.getByRole('button', { name: 'Keep this calendar' }).waitFor({ state: 'detached' });
    await manager.getByText('on the 1st of March, June, September and December').first().waitFor();
    await manager.getByText(/^Next: /).waitFor();
    const link = await manager.getByRole('link', { name: /Take this point/ }).getAttribute('href');
    const file = await manager.request.get(link!);
    expect(await file.text()).to.match(/RRULE:FREQ=YEARLY;BYMONTH=3,6,9,12;BYMONTHDAY=1\r\n/);
    await manager.goto(`${stage.url}/practice/calendar`);
    await choose(manager, 'Upkeep day', 'First Saturday of the month');
    await manager.getByRole('button', { name: 'Save' }).first().click();
    await manager.getByText('Now: on the first Saturday of every month').waitFor();
    await choose(manager, 'Upkeep day', 'Another rule…');
    await manager.getByLabel('Recurrence rule').fill('FREQ=HOURLY');
    await manager.getByRole('button', { name: 'Save' }).first().click();
    await manager.getByText('Write a recurrence rule such as').waitFor();
    await expectFit(manager, 'calendar');
  });

  it('says beside the number what is wrong with an assumption, and saves sound ones together', async () => {
    await manager.getByRole('link', { name: 'Assumptions' }).click();
    await manager.getByLabel('One shedding pet').fill('9');
    await manager.getByLabel('Dishwasher: Interior wash, Steady').fill('0');
    await manager.getByRole('button', { name: 'Save 2 changes' }).click();
    await manager.getByText('Between 1 and 3.').waitFor();
    await manager.getByText('Whole days, from 1 to 3,650 (ten years).').waitFor();
    await expectFit(manager, 'assumptions');
    await manager.getByLabel('One shedding pet').fill('1.4');
    await manager.getByLabel('Dishwasher: Interior wash, Steady').fill('55');
    await manager.getByRole('button', { name: 'Save 2 changes' }).click();
    await manager.getByText('Saved.').waitFor();
    await manager.getByRole('button', { name: 'Nothing changed' }).waitFor();
    expect(await manager.getByLabel('One shedding pet').inputValue()).to.equal('1.4');
    await manager.getByRole('link', { name: 'Prices and budget' }).click();
    await manager.getByLabel('An hour of staff').waitFor();
    await expectFit(manager, 'prices');
  });

  it('teaches habits on one card, takes the tenant’s answers, and staff’s spot-check', async () => {
    await tenant.reload();
    await tenant.getByRole('heading', { name: 'How is it going?' }).waitFor();
    await expectFit(tenant, 'my home with habits');
    await expectThumbs(tenant, 'my home with habits');
    const card = tenant.locator('.card');
    const many = await card.getByRole('group').count();
    expect(many).to.be.at.least(3);
    for (let i = 0; i < many; i += 1)
      await card
        .getByRole('group')
        .nth(i)
        .getByLabel(i === 0 ? 'Not really' : 'I do that')
        .check();
    await card.getByRole('button', { name: 'Send' }).click();
    await tenant.getByText('Nobody is cross').waitFor();
    await staff.goto(`${stage.url}/homes/${await placeId('Flat 1B')}`);
    await staff.getByRole('button', { name: 'Spot-check' }).first().click();
    await staff.getByRole('button', { name: 'It is not kept' }).click();
    await staff.getByText('2 lapses').waitFor();
    await expectFit(staff, 'a home on a phone');
  });

  it('takes a look in a tap and a press, from staff and from a tenant, and refuses a day before the service', async () => {
    // The part of this home that has longest to go: nothing but the look makes it due.
    const marks = (await db().mark.all({ placeId: await placeId('Flat 1B'), work: 0, scheduled: 1 })).filter(
      ({ servedDay, type }) => servedDay > 0 && [...procedures.values()][type]!.kind !== 'sensor',
    );
    const { number } = marks.sort(
      (a, b) => b.servedDay + b.intervalDays - (a.servedDay + a.intervalDays) || a.number - b.number,
    )[0]!;
    await staff.goto(`${stage.url}/look/${number}`);
    await staff.locator('.grades').getByText('a little', { exact: true }).click();
    await expectFit(staff, 'a look');
    await staff.getByRole('button', { name: 'Send the look' }).click();
    await staff
      .getByRole('status')
      .getByText(/^Noted/)
      .waitFor();
    await tenant.goto(`${stage.url}/home/look/${number}`);
    await tenant.locator('.grades').getByText('heavy', { exact: true }).click();
    await tenant.getByRole('button', { name: 'I looked on another day' }).click();
    await tenant.getByLabel('Looked on').fill('2020-01-01');
    await tenant.getByRole('button', { name: 'Send the look' }).click();
    await tenant.getByText('before the last service').waitFor();
    await tenant.getByLabel('Looked on').fill('');
    await expectThumbs(tenant, 'a look');
    await tenant.getByRole('button', { name: 'Send the look' }).click();
    await tenant
      .getByRole('status')
      .getByText(/^Noted/)
      .waitFor();
    await manager.goto(`${stage.url}/line/${number}`);
    await manager.getByText('Due now, because it was seen heavy.').waitFor();
    await tenant.goto(`${stage.url}/home/look/${await numberOf('Flat 1A', 'washer.tub')}`);
    await tenant.getByText('not yours to see').waitFor();
  });

  it('makes a point due by what a tenant or a machine reports; setting it aside wants a reason and a day', async () => {
    await tenant.goto(`${stage.url}/home/report`);
    await tenant.getByLabel('Dishwasher').check();
    await tenant.getByLabel('A drain or filter code on the display').check();
    await tenant.getByRole('button', { name: 'Tell the office' }).click();
    await tenant.getByText('Thank you, the office has it.').waitFor();
    expect((await emitSignal(stage.url, emitter, 'washer.code', 'E18', Date.now())).status).to.equal(200);
    expect(
      (
        await emitSignal(
          stage.url,
          {
            ...emitter,
            privateKey: generateKeyPairSync('ed25519')
              .privateKey.export({ type: 'pkcs8', format: 'der' })
              .toString('base64'),
          },
          'washer.code',
          'E18',
          Date.now(),
        )
      ).status,
    ).to.equal(401);
    await manager.getByRole('link', { name: /^Faults/ }).click();
    const machine = manager.getByRole('listitem').filter({ hasText: 'A drain code on the display' });
    await machine.getByText('the machine itself').waitFor();
    const code = manager.getByRole('listitem').filter({ hasText: 'A drain or filter code on the display' });
    await code.getByRole('button', { name: 'Set aside…' }).click();
    await code.getByRole('button', { name: 'Set aside until then' }).click();
    await code.getByText('Say why it can wait').waitFor();
    await expectFit(manager, 'signals');
    await code.getByLabel('Why it can wait').fill('Filter was cleaned this morning; the code is from before.');
    await code.getByRole('button', { name: 'Set aside until then' }).click();
    await code.getByText(/comes back on .*: Filter was cleaned this morning/).waitFor();
    await machine.getByRole('link', { name: 'See the point it made due' }).click();
    await manager.getByText('Due now, because something was reported.').waitFor();
    await expectFit(manager, 'a point with a signal');
  });

  it('ends a tenancy, holds the empty home, lists what it wants, gives it, and lets it again', async () => {
    // Of homes that no other story here is about, the one that wants most before somebody moves in.
    const today = Math.floor(Date.now() / 86_400_000);
    const wanting = await Promise.all(
      ['No. 1', 'No. 3', 'No. 6', 'House 18'].map(async (name) => {
        const id = await placeId(name);
        return {
          id,
          many: (await db().mark.all({ placeId: id, work: 0 })).filter(
            ({ servedDay, intervalDays }) => servedDay > 0 && (today - servedDay) / intervalDays > 0.55,
          ).length,
        };
      }),
    );
    const home = wanting.sort((a, b) => b.many - a.many)[0]!.id;
    await manager.goto(`${stage.url}/homes/${home}`);
    await manager.getByRole('button', { name: 'End the tenancy…' }).click();
    await manager.getByLabel('Hold the empty home until').fill('2020-01-01');
    await manager.getByRole('button', { name: 'End the tenancy', exact: true }).click();
    await manager.getByText('Pick a day after today.').waitFor();
    const ahead = new Date(Date.now() + 50 * 86_400_000).toISOString().slice(0, 10);
    const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);
    await manager.getByLabel('Last day').fill(yesterday);
    await manager.getByLabel('Hold the empty home until').fill(ahead);
    await expectFit(manager, 'ending a tenancy');
    await manager.getByRole('button', { name: 'End the tenancy', exact: true }).click();
    await manager.getByText(/On hold until/).waitFor();
    await manager.getByRole('link', { name: 'Turnover…' }).click();
    await manager.getByRole('heading', { name: 'Turnover' }).waitFor();
    await manager.getByText(/things? to do before somebody moves in/).waitFor();
    await expectFit(manager, 'turnover');
    await choose(manager, 'Give all that is to be served to', 'T. Hollis');
    await manager.getByRole('button', { name: 'Give', exact: true }).click();
    await manager.getByText('Given.', { exact: true }).waitFor();
    await manager.goto(`${stage.url}/homes/${home}`);
    await manager.getByRole('button', { name: 'Begin a tenancy' }).click();
    await manager.getByLabel('Tenant').fill('V. Sandpiper');
    await manager.getByLabel('People').fill('0');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('At least one. For an empty home end the tenancy').waitFor();
    await manager.getByLabel('People').fill('40');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('At most 20. A larger household').waitFor();
    await manager.getByLabel('People').fill('3');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('V. Sandpiper').waitFor();
    await manager.getByText(/On hold until/).waitFor({ state: 'detached' });
  });

  it('lets what rides along be switched on, and shows a tenancy’s budget where a job is given', async () => {
    const number = await numberOf('Flat 2A', 'washer.drawer');
    await manager.goto(`${stage.url}/line/${number}`);
    await manager.getByText('Rides along when its machine is opened.').waitFor();
    await manager.getByRole('button', { name: 'Let it ask by itself' }).click();
    await manager.getByText('Rides along when its machine is opened.').waitFor({ state: 'detached' });
    await manager.goto(`${stage.url}/line/${await numberOf('No. 5', 'dishwasher.filter')}`);
    const give = manager.getByRole('button', { name: 'Give to…' });
    await give.click();
    await manager.getByText(/\d of 2 requests, \d+ min of 40 min this month/).waitFor();
    // By when to ask, from how this household and the others here have answered.
    await manager.getByText(/in four cases of five/).waitFor();
    await manager.getByText(/asked for, half the time within \d+ days\.|was asked for nothing yet/).waitFor();
    await expectFit(manager, 'giving within a budget');
  });

  it('offers the conversion where hardness was read in another unit', async () => {
    await manager.goto(`${stage.url}/homes`);
    await manager.getByRole('link', { name: 'Import a table' }).waitFor();
    await manager.getByRole('button', { name: 'Add a property' }).click();
    await manager.getByLabel('Hardness').fill('12');
    await manager.getByLabel('Hardness').blur();
    await manager.getByRole('button', { name: '12 grains/gal = 205.2 mg/L?' }).click();
    await manager.getByText('= 205.2 mg/L').waitFor();
    await expectFit(manager, 'hardness');
  });

  it('connects a machine’s signals, notes its contractor, and takes it out of service', async () => {
    await manager.goto(`${stage.url}/homes/${await placeId('Plant room')}`);
    await manager.getByRole('button', { name: 'Contract, signals, retire…' }).first().click();
    await manager.getByRole('button', { name: 'Connect its signals' }).click();
    await manager.getByText('Shown once.').waitFor();
    await expectFit(manager, 'a machine’s more');
    await manager.getByLabel('A contractor comes every').fill('12');
    await manager.getByRole('button', { name: 'Save the contract' }).click();
    await manager.getByText('contractor every 12 months').waitFor();
    await manager.getByRole('button', { name: 'Take out of service' }).click();
    await manager.getByText('out of service since').waitFor();
  });

  it('shows an empty home on hold in its place, with a sign of its own, and says so in the list', async () => {
    await manager.goto(`${stage.url}/line`);
    await manager.getByRole('application', { name: /Line board/ }).waitFor();
    await manager.getByPlaceholder('Find a home or a point').fill('No. 2');
    await manager.getByRole('button', { name: 'Read as a list' }).click();
    await manager.getByRole('cell', { name: 'on hold', exact: true }).first().waitFor();
    const held = await manager.getByRole('row').filter({ hasText: 'on hold' }).count();
    expect(held).to.be.at.least(4);
    await manager.getByRole('button', { name: 'Show the board' }).click();
    await manager.getByText('two bars: on hold').waitFor();
    await expectFit(manager, 'a board with an empty home');
    await manager.goto(`${stage.url}/homes/${await placeId('No. 2')}`);
    await manager.getByRole('button', { name: 'Take it off hold' }).click();
    await manager.getByRole('button', { name: 'Put on hold…' }).click();
    await manager.getByLabel('Review on').fill('2020-01-01');
    await manager.getByRole('button', { name: 'Put on hold', exact: true }).click();
    await manager.getByText('Pick a day after today.').waitFor();
  });

  it('names two grades that cannot both be right, with every condition, who found it and its weight', async () => {
    const number = await numberOf('House 14', 'refrigerator.waterFilter');
    for (const grade of ['heavy', 'clean']) {
      await staff.goto(`${stage.url}/look/${number}`);
      await staff.locator('.grades').getByText(grade, { exact: true }).click();
      await staff.getByRole('button', { name: 'Send the look' }).click();
      await staff
        .getByRole('status')
        .getByText(/^Noted/)
        .waitFor();
    }
    await staff.getByText('both cannot be right').waitFor();
    await manager.goto(`${stage.url}/line/${number}/working`);
    await manager.getByText(/Seen heavy on .*, then clean on .* with no service between/).waitFor();
    const table = manager.getByRole('table');
    await table.getByRole('columnheader', { name: 'Weight' }).waitFor();
    expect(await table.getByRole('row').filter({ hasText: 'T. Hollis' }).count()).to.be.at.least(2);
    await expectFit(manager, 'a contradiction');
  });

  it('holds at night and on a narrow window, too', async () => {
    await manager.goto(`${stage.url}/line`);
    await manager.getByRole('button', { name: 'Night' }).click();
    const number = await numberOf('House 16', 'dryer.lintScreen');
    for (const path of [
      '/practice',
      '/practice/methods',
      '/practice/calendar',
      '/practice/assumptions',
      '/practice/prices',
      `/line/${number}/working`,
      `/look/${number}`,
      `/homes/${await placeId('No. 2')}/turnover`,
    ]) {
      await manager.goto(`${stage.url}${path}`);
      await manager.getByRole('main').getByRole('heading').first().waitFor();
      await expectFit(manager, `${path} at night`);
    }
    await staff.goto(`${stage.url}/look/${number}`);
    await expectThumbs(staff, 'a look by staff');
  });
});
