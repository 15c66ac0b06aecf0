import { expect } from 'chai';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { Caller, drawn, PASSWORD, registerFlat, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { walkJob } from './walk.ts';
import { story } from '../story.ts';
import { MANAGER_EMAIL, signIn } from './office.ts';

/** A phone below ground: the line is cut and comes back, the page is closed, the office changes its mind meanwhile. */
describe('Work without a connection, on a phone', function offline() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let staffId = '';
  let page: Page;

  before(async () => {
    stage = await openStage({ offline: true });
    const manager = new Caller(stage.url as never);
    await manager.open('/install', {
      organisation: 'Saltmarsh & Vane',
      name: 'R. Okonjo-Vane',
      email: 'vane@saltmarsh.example',
      password: PASSWORD,
    });
    house = { env: stage.running.env, manager, caller: () => new Caller(stage.url as never) } as House;
    flat = await registerFlat(house);
    staffId = v7();
    await manager
      .post('/people', {
        id: staffId,
        name: 'T. Hollis',
        email: 'hollis@saltmarsh.example',
        password: PASSWORD,
        roles: ['staff'],
      })
      .expect(200);
    page = await stage.page(PHONE);
    await signIn(page, 'hollis@saltmarsh.example');
    await page.getByRole('heading', { name: 'Today' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  });
  after(() => stage.close());

  const cut = (on: Page, is: boolean) => on.context().setOffline(is);
  const give = async (to: string, procedure: string) => {
    const id = v7();
    await house.manager.post('/jobs', { id, pointIds: [flat.points[procedure]], assigneeId: to }).expect(200);
    return id;
  };
  /** What comes by itself, once it is there. */
  const arrived = async <T>(look: () => Promise<T | undefined>): Promise<T> => {
    for (const until = Date.now() + 60_000; Date.now() < until;) {
      const found = await look();
      if (found !== undefined) return found;
    }
    throw new Error('it did not arrive');
  };
  /** Waits until a job is on the device, as one looks at the list before going down. */
  const onDevice = (on: Page, path: string) =>
    arrived(async () =>
      (await on.evaluate(
        (wanted) =>
          new Promise<boolean>((resolve) => {
            const open = indexedDB.open('dewline');
            open.onsuccess = () => {
              const keys = open.result.transaction('answers').objectStore('answers').getAllKeys();
              keys.onsuccess = () => {
                open.result.close();
                resolve(keys.result.some((key) => String(key).endsWith(wanted)));
              };
            };
            open.onerror = () => resolve(false);
          }),
        path,
      ))
        ? true
        : undefined,
    );
  const takeAlong = async (job: string) => {
    await page.goto('/today');
    await page.locator(`a[href="/jobs/${job}"]`).first().waitFor();
    await onDevice(page, `/jobs/${job}`);
  };
  const recordsOf = (job: string) => house.env.store.db.record.all({ jobId: job });
  const stateOf = async (job: string) => (await house.env.store.db.job.one({ id: job }))!.state;

  it('does a whole job with the connection cut, through a closed page, and sends it once when there is a connection again', async () => {
    const job = await give(staffId, 'washer.doorBoot');
    await takeAlong(job);
    const point = (await house.env.store.db.point.one({ id: flat.points['washer.doorBoot']! }))!;
    await onDevice(page, `/looks/${point.number}`);
    await cut(page, true);
    await page.reload();
    await page.getByText('there is no connection').waitFor();
    await expectFit(page, 'today, without a connection');
    const { number } = (await house.env.store.db.machine.one({ id: flat.machineId }))!;
    await page.goto(`/m/${number}`);
    await page.getByRole('link', { name: 'Look: Door boot and glass' }).click();
    await page.locator('.grades').getByText('a little', { exact: true }).click();
    await page.getByRole('button', { name: 'Send the look' }).click();
    await page.getByRole('heading', { name: /^Kept on this phone/ }).waitFor();
    await page.goto('/today');
    await page.locator(`a[href="/jobs/${job}"]`).first().click();
    await page.getByRole('heading', { name: 'Clean the washer’s door seal' }).waitFor();
    const { photos } = await walkJob(page, 'washer.doorBoot', { seed: 40 });
    await page.getByRole('button', { name: 'Send', exact: true }).click();
    await page.getByRole('heading', { name: 'Done, and kept on this phone.' }).waitFor();
    await expectFit(page, 'kept on this phone');
    expect(await recordsOf(job)).to.have.length(0);

    const context = page.context();
    await page.close();
    page = await context.newPage();
    page.setDefaultTimeout(15_000);
    await page.goto('/kept');
    await page.getByText('Finished work').waitFor();
    expect(await page.getByText('Photo', { exact: true }).count()).to.equal(photos);
    await expectFit(page, 'what waits');
    await cut(page, false);
    await page.getByText('Nothing waits.').waitFor();
    expect(await recordsOf(job)).to.have.length(1);
    expect(await stateOf(job)).to.equal('sent');
    expect(
      await house.env.store.db.condition.count({ pointId: flat.points['washer.doorBoot']!, kind: 'look' }),
      'the look, too',
    ).to.equal(1);
    const events = await house.env.store.db.jobEvent.all({ jobId: job }, { order: [['at', 'ASC']] });
    expect(events.map(({ move }) => move)).to.deep.equal(['give', 'start', 'workDone', 'send']);
    const [record] = await recordsOf(job);
    expect(await house.env.store.db.photoUse.count({ subjectId: record!.id })).to.equal(photos);
  });

  it('shows it when the office took the job back meanwhile, and throws nothing away', async () => {
    const job = await give(staffId, 'washer.drainPumpFilter');
    await takeAlong(job);
    await page.locator(`a[href="/jobs/${job}"]`).first().click();
    await page.getByRole('button', { name: 'Start', exact: true }).waitFor();
    await cut(page, true);
    await walkJob(page, 'washer.drainPumpFilter', { seed: 80 });
    await page.getByRole('button', { name: 'Send', exact: true }).click();
    await page.getByRole('heading', { name: 'Done, and kept on this phone.' }).waitFor();
    await house.manager.post(`/jobs/${job}/moves`, { move: 'cancel', reason: null, note: '', revision: 1 }).expect(200);
    await cut(page, false);
    // Finished, so it reaches the office, which decides.
    await page.getByRole('heading', { name: 'Sent' }).waitFor();
    expect(await stateOf(job)).to.equal('cancelled');
    const [record] = await recordsOf(job);
    expect(await house.env.store.db.proof.one({ recordId: record!.id })).to.include({ state: 'waiting' });
    const { findings } = (await house.manager.get(`/proof/${record!.id}`).expect(200)).body as {
      findings: { says: string }[];
    };
    expect(findings.map(({ says }) => says).join()).to.contain('taken back or given to somebody else');
    await house.manager
      .post(`/proof/${record!.id}/verdict`, { verdict: 'accept', reason: 'Done is done.' })
      .expect(200);
  });

  it('tells whoever is in the middle of it at the next step, and takes what is there, or throws it away when asked', async () => {
    for (const sends of [true, false]) {
      const job = await give(staffId, 'washer.drawer');
      await page.goto(`/jobs/${job}`);
      await page.getByLabel('I have read this').check();
      await page.getByRole('button', { name: 'Start', exact: true }).click();
      await page.getByRole('button', { name: 'It is unplugged' }).click();
      // The start has come to the office before the office moves the job.
      while ((await house.env.store.db.job.one({ id: job }))!.state !== 'started') await page.waitForTimeout(50);
      await house.manager
        .post(`/jobs/${job}/moves`, {
          move: 'cancel',
          reason: null,
          note: '',
          revision: (await house.env.store.db.job.one({ id: job }))!.revision,
        })
        .expect(200);
      await page.getByRole('button', { name: 'Back' }).click();
      await page.getByText('This job is cancelled').first().waitFor();
      await page.getByText('nothing is thrown away').waitFor();
      await expectFit(page, 'work that the office took back');
      if (sends) {
        await page.getByRole('button', { name: 'Send it to the office' }).click();
        await page.getByRole('heading', { name: 'Sent' }).waitFor();
        await page.getByText('they decide what counts').waitFor();
      } else {
        await page.getByRole('button', { name: 'Throw it away' }).click();
        await page.getByRole('button', { name: 'Yes, throw it away' }).click();
        await page.getByRole('heading', { name: 'Today' }).waitFor();
      }
      expect(await recordsOf(job)).to.have.length(sends ? 1 : 0);
      const [record] = await recordsOf(job);
      if (record)
        await house.manager
          .post(`/proof/${record.id}/verdict`, { verdict: 'sendBack', reason: 'Not done.' })
          .expect(200);
    }
  });

  it('is one tab’s at a time: a second one stands back until it is asked to go on', async () => {
    const job = await give(staffId, 'washer.tub');
    await page.goto(`/jobs/${job}`);
    await page.getByLabel('I have read this').check();
    const second = await page.context().newPage();
    await second.goto(`/jobs/${job}`);
    await second.getByRole('heading', { name: 'Open in another tab' }).waitFor();
    await expectFit(second, 'a job in two tabs');
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('heading', { name: 'Empty the drum and look' }).waitFor();
    await second.getByRole('button', { name: 'Go on here' }).click();
    await second.getByRole('heading', { name: 'Empty the drum and look' }).waitFor();
    await page.getByRole('heading', { name: 'Open in another tab' }).waitFor();
    await second.close();
    await house.manager
      .post(`/jobs/${job}/moves`, {
        move: 'cancel',
        reason: null,
        note: '',
        revision: (await house.env.store.db.job.one({ id: job }))!.revision,
      })
      .expect(200);
  });

  it('keeps a tenant’s work when the link is revoked in mid-job, says so, and sends it by the new link', async () => {
    const tenant = await stage.page(PHONE);
    const link = async () =>
      (await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200)).body.path as string;
    await tenant.goto(await link());
    const job = await give(flat.tenantId, 'washer.drainPumpFilter');
    await tenant.reload();
    await tenant.getByRole('link', { name: 'Start' }).click();
    await tenant.getByRole('checkbox', { name: 'I have read this' }).waitFor();
    await tenant.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await cut(tenant, true);
    const { screens, inputs } = await walkJob(tenant, 'washer.drainPumpFilter', { seed: 120 });
    expect(screens.length).to.be.above(3);
    expect(inputs).to.be.at.most(6);
    await house.manager.delete(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await cut(tenant, false);
    await tenant.getByRole('button', { name: 'Send', exact: true }).click();
    await tenant.getByText('open your personal link, and it is sent').waitFor();
    expect(await recordsOf(job)).to.have.length(0);
    await tenant.goto(await link());
    await tenant.getByText('being looked at').first().waitFor();
    expect(await stateOf(job)).to.equal('sent');
  });

  it('takes pictures as they come: a large one is made small and keeps its time, what is no picture is told, and a full phone too', async () => {
    const job = await give(staffId, 'washer.drawer');
    await takeAlong(job);
    await page.locator(`a[href="/jobs/${job}"]`).first().click();
    await page.getByRole('checkbox', { name: 'I have read this' }).check();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    for (let i = 0; i < 6 && !(await page.locator('.photo input').count()); i += 1) {
      for (const tick of await page.locator('.tick input').all()) await tick.check();
      await page.locator('.foot .v-btn').first().click();
    }
    const file = page.locator('.photo input').nth(1);
    await file.setInputFiles({
      name: 'plan.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('%PDF-1.7\nnot a picture'),
    });
    await page.getByText('This is no photo that can be read here.').waitFor();
    await file.setInputFiles({
      name: 'photo.heic',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic', 'latin1'),
    });
    await page.getByText('(HEIC)').waitFor();
    // What a browser answers where the device has no room.
    await page.evaluate(`{
      const { put } = IDBObjectStore.prototype;
      window.roomAgain = () => { IDBObjectStore.prototype.put = put; };
      IDBObjectStore.prototype.put = function (...args) {
        if (this.name === 'photos') throw new DOMException('no room', 'QuotaExceededError');
        return put.apply(this, args);
      };
    }`);
    await file.setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: await drawn('washer.drawer', 7) });
    await page.getByText('There is no room left on this phone.').waitFor();
    await page.evaluate('window.roomAgain()');
    const noise = await sharp({
      create: {
        width: 4000,
        height: 3000,
        channels: 3,
        background: '#777',
        noise: { type: 'gaussian', mean: 120, sigma: 60 },
      },
    })
      .withExif({ IFD2: { DateTimeOriginal: '2026:11:20 18:05:00', OffsetTimeOriginal: '+00:00' } })
      .withMetadata({ orientation: 6 })
      .jpeg({ quality: 90 })
      .toBuffer();
    expect(noise.length).to.be.above(2_000_000);
    const began = Date.now();
    await file.setInputFiles({ name: 'large.jpg', mimeType: 'image/jpeg', buffer: noise });
    await page.locator('.photo img').waitFor();
    const bytes = await page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('dewline');
          open.onsuccess = () => {
            const all = open.result.transaction('photos').objectStore('photos').getAll();
            all.onsuccess = () => resolve((all.result.at(-1) as { photo: Blob }).photo.size);
          };
        }),
    );
    expect(bytes).to.be.below(500_000);
    const stored = await arrived(async () =>
      (await house.env.store.db.photo.all({ personId: staffId }, { order: [['receivedAt', 'DESC']], limit: 1 })).find(
        ({ receivedAt }) => receivedAt >= began,
      ),
    );
    expect(new Date(stored!.capturedAt!).toISOString()).to.equal('2026-11-20T18:05:00.000Z');
    const sixty = await sharp({ create: { width: 8960, height: 6720, channels: 3, background: '#686' } })
      .jpeg({ quality: 60 })
      .toBuffer();
    await file.setInputFiles({ name: 'sixty.jpg', mimeType: 'image/jpeg', buffer: sixty });
    await arrived(
      async () => (await house.env.store.db.photo.all({ personId: staffId, width: 1600, height: 1200 }))[0],
    );
    expect([stored!.width, stored!.height], 'the right way up').to.satisfy(
      ([width, height]: number[]) => width! < height!,
    );
  });

  it('gives a contractor one job by link: done below ground, with a deficiency seen on the way', async () => {
    const manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
    await manager.getByRole('application', { name: /Line board/ }).waitFor();
    const number = (await house.env.store.db.point.one({ id: flat.points['washer.tub']! }))!.number;
    await manager.goto(`/line/${number}`);
    await manager.getByRole('button', { name: 'Give to…' }).click();
    await manager.getByLabel('A contractor, by link').check();
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByText('Please fill this in.').waitFor();
    await manager.getByLabel('Their name').fill('Gannet Works');
    for (const box of await manager.locator('form.give input[type=checkbox]').all()) await box.uncheck();
    await expectFit(manager, 'giving to a contractor');
    await manager.getByRole('button', { name: 'Give the job' }).click();
    const link = await manager.locator('.give code').innerText();

    const contractor = await stage.page(PHONE);
    await contractor.goto(link);
    await contractor.getByRole('heading', { name: 'Your work' }).waitFor();
    await expectFit(contractor, 'a contractor’s work');
    await contractor.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await contractor.getByRole('link', { name: 'Start' }).click();
    await contractor.getByRole('button', { name: 'Start', exact: true }).waitFor();
    await cut(contractor, true);
    await walkJob(contractor, 'washer.tub', { seed: 200 });
    await contractor.getByRole('button', { name: 'Seen something that cleaning will not cure?' }).click();
    await contractor.getByLabel('A part no longer clips in').check();
    await expectFit(contractor, 'a deficiency, seen at the job');
    await contractor.getByRole('button', { name: 'Tell the office' }).click();
    await contractor.getByText('The office hears of it as soon as there is a connection.').waitFor();
    await contractor.getByRole('button', { name: 'Send', exact: true }).click();
    await contractor.getByRole('heading', { name: 'Done, and kept on this phone.' }).waitFor();
    await cut(contractor, false);
    await contractor.getByRole('button', { name: 'Send now' }).click();
    await contractor.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();

    await manager.goto('/faults');
    await manager.getByText('A part no longer clips in').waitFor();
    await expectFit(manager, 'deficiencies');
    await manager.getByRole('button', { name: 'Put right' }).click();
    await manager.getByLabel('What was done?').fill('New catch fitted.');
    await manager.getByRole('button', { name: 'Put right' }).last().click();
    await manager.getByText('New catch fitted.').waitFor();
  });

  it('opens a home by the code of a printed card', async () => {
    const {
      body: { code },
    } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    const phone = await stage.page(PHONE);
    await phone.goto('/home/');
    await phone.getByLabel('Or type the code from your card').fill('K7');
    await phone.getByRole('button', { name: 'Open my home' }).click();
    await phone.getByText('A code has eight letters and figures').waitFor();
    await expectFit(phone, 'typing a code');
    await phone.getByLabel('Or type the code from your card').fill(code.toLowerCase().replace('-', ' '));
    await phone.getByRole('button', { name: 'Open my home' }).click();
    await phone.getByRole('heading', { name: 'Flat 1A' }).waitFor();
  });

  it('begins unplanned work from a scanned label', async () => {
    const other = await registerFlat(house, 'dishwasher', 'Flat 2B');
    const { number } = (await house.env.store.db.machine.one({ id: other.machineId }))!;
    await page.goto(`/m/${number}`);
    await page.getByRole('button', { name: 'Do some of it now' }).click();
    await page.getByLabel('Racks and wheels').check();
    await expectFit(page, 'beginning at the machine');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('checkbox', { name: 'I have read this' }).waitFor();
  });

  it('is done by the keyboard alone, every screen sound to axe, and says so when the office took a part out of it', async () => {
    const unit = await registerFlat(house, 'washer', 'Flat 4D');
    const job = v7();
    const [boot, drawer] = [unit.points['washer.doorBoot']!, unit.points['washer.drawer']!];
    await house.manager.post('/jobs', { id: job, pointIds: [boot, drawer], assigneeId: staffId }).expect(200);
    await page.goto(`/jobs/${job}`);
    await walkJob(page, 'washer.doorBoot', { seed: 400, fit: true, keyboard: true });
    await expectFit(page, 'ready to send');
    // Meanwhile somebody logs one of the two as done: it is out of this job.
    await house.manager
      .post('/records', {
        id: v7(),
        pointId: drawer,
        done: new Date().toISOString().slice(0, 10),
        grade: null,
        finds: [],
        note: '',
      })
      .expect(200);
    await page.getByRole('button', { name: 'Send', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Sent. Thank you.' }).waitFor();
    await page.getByText('they decide what counts').waitFor();
    const records = await recordsOf(job);
    expect(records.map(({ pointId }) => pointId)).to.have.members([boot, drawer]);
    const offered = (await house.env.store.db.proof.all({ recordId: records.map(({ id }) => id) })).filter(
      ({ findings }) => findings.includes('"offered"'),
    );
    expect(offered.map(({ pointId }) => pointId)).to.deep.equal([drawer]);
  });

  it('starts a wait at one stop and finishes it at another, over a locked phone', async () => {
    const fan = await registerFlat(house, 'dishwasher', 'Flat 3C');
    const job = v7();
    await house.manager
      .post('/jobs', { id: job, pointIds: [fan.points['dishwasher.filter']], assigneeId: staffId })
      .expect(200);
    await page.goto(`/jobs/${job}`);
    await page.getByRole('checkbox', { name: 'I have read this' }).check();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    for (let i = 0; i < 12 && !(await page.getByRole('button', { name: /Start the timer/ }).count()); i += 1) {
      for (const tick of await page.locator('.tick input').all()) await tick.check();
      for (const photo of await page.locator('.photo').all()) {
        await photo
          .locator('input[type=file]')
          .first()
          .setInputFiles({
            name: 'photo.jpg',
            mimeType: 'image/jpeg',
            buffer: await drawn('dishwasher.filter', 300 + i),
          });
        await photo.getByRole('img').waitFor();
      }
      for (const field of await page.locator('.grades').all())
        await field.locator('input[type=radio]').nth(1).check({ force: true });
      const heading = await page.getByRole('heading', { level: 1 }).innerText();
      await page.locator('.foot .v-btn').first().click();
      await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, heading);
    }
    await page.getByRole('button', { name: /Start the timer/ }).click();
    await page.getByRole('button', { name: 'Something is in the way' }).click();
    await page
      .getByRole('button', { name: 'Finish later' })
      .or(page.getByRole('link', { name: 'Finish later' }))
      .click();
    const card = page.locator('.card', { hasText: 'Flat 3C' });
    await card.getByText('Something else can be done meanwhile.').waitFor();
    await expectFit(page, 'today, with a wait that runs');
    // Time passes while the phone is locked: nothing ticks, and the end is still the end.
    await page.evaluate((id) => {
      const key = `dewline.job.${id}`;
      const draft = JSON.parse(localStorage.getItem(key)!) as { timers: Record<string, number> };
      for (const step of Object.keys(draft.timers)) draft.timers[step] = Date.now() - 1000;
      localStorage.setItem(key, JSON.stringify(draft));
    }, job);
    await page.reload();
    await card.getByText('The wait is over: go on here.').waitFor();
    await card.getByRole('link').click();
    await page.getByText('Time is up').waitFor();
  });

  it('rehearses a procedure by the keyboard alone, and remembers it', async () => {
    await page.goto('/procedures/washer.doorBoot');
    await page.getByRole('link', { name: 'Rehearse it' }).click();
    await page.getByRole('progressbar', { name: 'Rehearsal' }).waitFor();
    let asked = 0;
    for (let i = 0; i < 30 && !(await page.getByText(/\d of \d right/).count()); i += 1) {
      await page.getByRole('heading', { level: 1 }).waitFor();
      if (await page.getByRole('radio').count()) {
        if (asked === 0) await expectFit(page, 'a question of a rehearsal');
        await page.getByRole('radio').first().focus();
        await page.keyboard.press('Space');
        await page.getByText(/^(Right\.|Not that one\.)/).waitFor();
        asked += 1;
      }
      const heading = await page.getByRole('heading', { level: 1 }).innerText();
      await page.locator('.page .v-btn').first().focus();
      await page.keyboard.press('Enter');
      await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, heading);
    }
    expect(asked).to.be.at.least(3);
    await page.getByText(/\d of \d right/).waitFor();
    await expectFit(page, 'a rehearsal’s end');
    await page.getByRole('link', { name: 'Procedures' }).last().click();
    await page
      .getByText(/rehearsed \d+ \w+, \d of \d/)
      .first()
      .waitFor();
  });
});
