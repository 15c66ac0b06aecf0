import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { Caller, drawn, PASSWORD, registerFlat, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { story } from '../story.ts';
import { MANAGER_EMAIL, signIn } from './office.ts';

/** What the trade knows, where people meet it: at the step, in a report, at the machine, in the register. */
describe('The trade, in a browser', function trade() {
  story(this);
  let stage: Stage;
  let house: House;
  let fridge: Flat;
  let desk: Page;
  let phone: Page;
  let mine = '';

  before(async () => {
    stage = await openStage();
    const manager = new Caller(stage.url as never);
    await manager.open('/install', {
      organisation: 'Saltmarsh & Vane',
      name: 'R. Okonjo-Vane',
      email: 'vane@saltmarsh.example',
      password: PASSWORD,
    });
    house = { env: stage.running.env, manager, caller: () => new Caller(stage.url as never) } as House;
    mine = (await manager.get('/session')).body.me.id as string;
    fridge = await registerFlat(house, 'refrigerator', 'Flat 1A');
    desk = await stage.page(DESK);
    await signIn(desk, MANAGER_EMAIL);
    await desk.getByRole('link', { name: 'Homes' }).waitFor();
    phone = await stage.page(PHONE);
    await phone.goto(
      `${stage.url}${(await manager.post(`/tenancies/${fridge.tenancyId}/links`).expect(200)).body.path}`,
    );
    await phone.getByRole('heading', { name: 'Flat 1A' }).waitFor();
  });
  after(() => stage.close());
  const give = async (flat: Flat, to: string, ...points: string[]) => {
    const id = v7();
    await house.manager
      .post('/jobs', { id, pointIds: points.map((point) => flat.points[point]), assigneeId: to })
      .expect(200);
    return id;
  };
  const begin = async (page: Page) => {
    await page.getByRole('checkbox', { name: 'I have read this' }).check();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
  };
  const next = (page: Page) => page.locator('.foot .v-btn').first().click();

  it('says food first as soon as a fridge is read too warm, and the fault is there without a verdict', async () => {
    const job = await give(fridge, fridge.tenantId, 'refrigerator.temperatures');
    await phone.goto(`${stage.url}/home/jobs/${job}`);
    await begin(phone);
    if (await phone.locator('.tick input').count()) await phone.locator('.tick input').first().check();
    await next(phone);
    await phone.getByRole('button', { name: 'I waited already' }).click();
    await next(phone);
    await phone.getByLabel('Fridge').fill('9');
    await phone.getByText('Food first, now').waitFor();
    await phone.getByLabel('Freezer').fill('-19');
    await expectFit(phone, 'food first');
    await next(phone);
    await phone.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    await phone.getByText('by the food authority’s guidance').waitFor();
    await desk.goto(`${stage.url}/faults`);
    await desk.getByText('Food is getting warm, or things thaw', { exact: true }).waitFor();
    await desk.getByText('Fridge: 9 °C.').waitFor();
  });
  it('tells a tenant what may help before anybody is called, and takes the photo of a signal along', async () => {
    const dish = await registerFlat(house, 'dishwasher', 'Flat 2B');
    const tenant = await stage.page(PHONE);
    await tenant.goto(
      `${stage.url}${(await house.manager.post(`/tenancies/${dish.tenancyId}/links`).expect(200)).body.path}`,
    );
    await tenant.getByRole('heading', { name: 'Flat 2B' }).waitFor();
    await tenant.goto(`${stage.url}/home/report`);
    await tenant.getByLabel('Dishes come out cloudy').check();
    await tenant.getByText('put vinegar on one glass').waitFor();
    await expectFit(tenant, 'a tip');
    await expectThumbs(tenant, 'a tip');
    await tenant.getByLabel('A drain or filter code on the display').check();
    await tenant
      .locator('.photo input[type=file]')
      .first()
      .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: await drawn('dishwasher.filter', 5) });
    await tenant.locator('.photo').first().getByRole('img').waitFor();
    await tenant.getByRole('button', { name: 'Tell the office' }).click();
    await tenant.getByText('Thank you, the office has it.').waitFor();
    await desk.goto(`${stage.url}/faults`);
    await desk.locator('.signals').getByRole('img', { name: 'A drain or filter code on the display' }).waitFor();
    await expectFit(desk, 'signals with a photo');
  });
  it('shows where a part is from the second time on, asks how it looks after, and says when there is none', async () => {
    const washer = await registerFlat(house, 'washer', 'Flat 3C');
    const job = await give(washer, mine, 'washer.doorBoot', 'washer.drawer');
    await desk.goto(`${stage.url}/jobs/${job}`);
    await begin(desk);
    for (let i = 0; i < 30 && !(await desk.getByRole('heading', { name: 'Ready to send' }).count()); i += 1) {
      const heading = await desk.getByRole('heading', { level: 1 }).innerText();
      if (heading === 'Take the drawer out') {
        await expectFit(desk, 'a part that is not there');
        await desk.getByRole('button', { name: 'Looked, there is none' }).click();
        await desk.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, heading);
        continue;
      }
      const show = desk.getByRole('button', { name: 'Photograph where it is' });
      if (await show.count()) await show.click();
      for (const tick of await desk.locator('.tick input').all()) if (!(await tick.isChecked())) await tick.check();
      for (const photo of await desk.locator('.photo').all()) {
        await photo
          .locator('input[type=file]')
          .first()
          .setInputFiles({
            name: 'photo.jpg',
            mimeType: 'image/jpeg',
            buffer: await drawn('washer.doorBoot', 60 + i * 7 + (await photo.getAttribute('aria-label'))!.length),
          });
        await photo.getByRole('img').waitFor();
      }
      for (const field of await desk.locator('.grades, .chips:has([type=radio])').all())
        await field.locator('input[type=radio]').first().check({ force: true });
      await next(desk);
      await desk.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, heading);
    }
    await desk.locator('.after').getByText('clean', { exact: true }).click();
    await expectFit(desk, 'the condition after');
    await next(desk);
    await desk.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    const again = await give(washer, washer.tenantId, 'washer.tub');
    expect(again).to.have.length(36);
    await desk.goto(`${stage.url}/line`);
    const { open } = (await house.manager.get('/hand-backs').expect(200)).body as {
      open: { says: string; points: string[] }[];
    };
    expect(open[0]).to.deep.include({ says: 'Looked: there is none', points: ['Dispenser drawer'] });
    expect(
      await house.env.store.db.fact.count({ subjectId: washer.points['washer.doorBoot']!, name: 'whereabouts' }),
    ).to.equal(1);
  });
  it('draws what a machine read over time, against what it read at first', async () => {
    const dryer = await registerFlat(house, 'dryer', 'Flat 4D');
    for (const minutes of [38, 40, 41, 55])
      await house.manager
        .post('/measurements', {
          id: v7(),
          point: dryer.points['dryer.lintScreen'],
          measure: 'drying',
          inputs: { minutes },
          note: '',
        })
        .expect(200);
    const { number } = (await house.env.store.db.machine.one({ id: dryer.machineId }))!;
    await desk.goto(`${stage.url}/m/${number}`);
    await desk.getByText('At first: 40 min.').waitFor();
    expect(await desk.locator('figure circle').count()).to.equal(4);
    await expectFit(desk, 'readings of a machine');
  });
  it('lets the register say what a part is made of and how it is reached, and that a machine is wired in', async () => {
    const dish = await registerFlat(house, 'dishwasher', 'Flat 5E');
    await desk.goto(`${stage.url}/homes/${dish.placeId}`);
    await house.manager.put(`/machines/${dish.machineId}`, { hardWired: true }).expect(200);
    const point = (await house.manager.get(`/points/${dish.points['dishwasher.filter']}`).expect(200)).body;
    expect(point.levelSays).to.contain('wiring without a known switch');
    await desk.goto(`${stage.url}/line/${point.number}`);
    await desk.getByRole('button', { name: 'Give to…' }).click();
    await expectFit(desk, 'giving what wiring makes staff’s');
    expect(await desk.getByLabel('I. Marrable').isDisabled()).to.equal(true);
  });
  it('shows a tenancy that begins later, mends it and takes it back', async () => {
    const empty = v7();
    await house.manager
      .post('/places', { id: empty, propertyId: fridge.propertyId, kind: 'unit', name: 'Flat 6F' })
      .expect(200);
    const from = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10);
    await house.manager
      .post('/tenancies', {
        id: v7(),
        placeId: empty,
        personId: v7(),
        name: 'P. Quill',
        from,
        household: { people: 1, pets: 0, cooking: 'rare' },
      })
      .expect(200);
    await desk.goto(`${stage.url}/homes/${empty}`);
    await desk.getByText('P. Quill').waitFor();
    await expectFit(desk, 'a tenancy that begins later');
    await desk.getByRole('complementary').getByRole('button', { name: 'Change', exact: true }).click();
    await desk.getByLabel('Tenant').fill('P. Quillfeather');
    await desk.getByRole('button', { name: 'Save', exact: true }).click();
    await desk.getByText('P. Quillfeather').waitFor();
    await desk.getByRole('button', { name: 'Take it back' }).click();
    await desk.getByRole('button', { name: 'Really take it back' }).click();
    await desk.getByText('P. Quillfeather').waitFor({ state: 'detached' });
  });
});
