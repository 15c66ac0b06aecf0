import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { drawLook } from '../../core/proof/trust.ts';
import { give, honestWork, type Flat, type House } from '../server/house.ts';
import { story } from '../story.ts';
import { DESK, expectFit, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';

const HOUR_MS = 3_600_000;
const BOOT = 'washer.doorBoot';

/** A phone enlarged to 200 %: half as many pixels each way. */
const ENLARGED = { width: 180, height: 370 };

/** Whoever cannot use a mouse, enlarges the page, or has a queue of proofs before them. */
describe('Reach, in a browser', function reach() {
  story(this);
  let stage: Stage;
  let house: House;
  let flat: Flat;
  let manager: Page;
  let phone: Page;
  before(async () => {
    stage = await openStage();
    ({ house, flat } = await openOffice(stage));
    manager = await stage.page(DESK);
    await signIn(manager, MANAGER_EMAIL);
    phone = await stage.page(PHONE);
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await phone.goto(body.path);
    await phone.getByRole('link', { name: 'Something is wrong' }).waitFor();
  });
  after(() => stage.close());
  const focused = (page: Page) => page.evaluate(() => document.activeElement?.textContent?.trim().slice(0, 60) ?? '');

  it('gets from the board to the part that was picked in a few tabs, however many homes there are', async () => {
    await house.manager
      .post('/units', {
        propertyId: flat.propertyId,
        names: Array.from({ length: 60 }, (_, i) => `Flat ${i + 10}`),
        machines: [{ type: 'washer' }],
      })
      .expect(200);
    await manager.goto('/line');
    const board = manager.getByRole('application', { name: /Line board/ });
    await board.focus();
    await manager.keyboard.press('End');
    await manager.getByRole('complementary').getByRole('heading', { level: 2 }).waitFor();
    expect(await board.evaluate((it) => it === document.activeElement), 'End keeps the focus').to.equal(true);
    let tabs = 0;
    while (!(await manager.evaluate(() => document.activeElement?.closest('aside') !== null)) && tabs < 40) {
      await manager.keyboard.press('Tab');
      tabs += 1;
    }
    expect(tabs).to.be.at.most(12);
  });

  it('closes a form by Escape, and goes on from the part after a job is given', async () => {
    const { number } = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    await manager.goto(`/line/${number}`);
    await manager.getByRole('button', { name: 'Log as done' }).click();
    await manager.getByLabel('Done on').press('Escape');
    await manager.getByLabel('Done on').waitFor({ state: 'detached' });
    expect(await focused(manager)).to.contain('Door boot');
    await manager.getByRole('complementary').getByRole('button', { name: 'Give' }).first().click();
    await manager.getByRole('button', { name: 'Give the job' }).click();
    await manager.getByRole('button', { name: 'Give the job' }).waitFor({ state: 'detached' });
    await manager.waitForFunction(() => document.activeElement?.tagName === 'H2');
  });

  it('reads a step at 200 %: the foot lies under it, what is missing is shown, one loud button', async () => {
    await phone.reload();
    await phone.getByRole('link', { name: /Start/ }).first().click();
    await phone.getByRole('button', { name: 'Something is in the way' }).waitFor();
    await phone.setViewportSize(ENLARGED);
    const foot = await phone.locator('.foot').evaluate((it) => getComputedStyle(it).position);
    expect(foot).to.equal('static');
    await phone.locator('.foot .v-btn').first().click();
    await phone.waitForFunction(() => {
      const told = document.querySelector('[role="alert"]');
      const box = told?.getBoundingClientRect();
      return box !== undefined && box.top >= 0 && box.top < innerHeight;
    });
    await phone.setViewportSize(PHONE);
    await phone.getByRole('button', { name: 'Something is in the way' }).click();
    await phone
      .getByRole('link', { name: 'Finish later' })
      .or(phone.getByRole('button', { name: 'Finish later' }))
      .waitFor();
    expect(await phone.locator('.foot .v-btn--variant-flat, .foot .v-btn--variant-elevated').count()).to.equal(1);
    // Whoever is in danger finds it at once.
    await phone.getByRole('button', { name: 'Not safe' }).waitFor();
    await expectFit(phone, 'a step, with what is in the way');
  });

  it('at 400 % wants scrolling one way only, on every screen (WCAG 2.2, 1.4.10: 320 pixels wide)', async () => {
    await manager.setViewportSize({ width: 320, height: 256 });
    const machines = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.machines;
    const paths = [
      ...['today', 'line', 'proof', 'faults', 'homes', 'homes/import', 'homes/baseline', 'homes/labels', 'standing'],
      ...['procedures', 'procedures/machines', 'procedures/machines/new', `procedures/${BOOT}`, 'measure', 'practice'],
      ...['people', 'account', `homes/${flat.placeId}`, `homes/${flat.placeId}/tape`, `m/${machines[0].number}`],
      ...['faults/report', 'inspections', 'homes/templates', `procedures/${BOOT}/rehearsal`],
      ...[`look/${machines[0].points[0].number}`, `homes/${flat.placeId}/walk`],
    ];
    for (const path of paths) {
      await manager.goto(`/${path}`);
      await manager.getByRole('heading').first().waitFor();
      await manager.waitForLoadState('networkidle');
      const sizes = () => manager.evaluate(() => [document.documentElement.scrollWidth, innerWidth]);
      expect(await sizes(), path).to.deep.equal([320, 320]);
      // A title of its own (WCAG 2.2, 2.4.2).
      expect(await manager.title(), path).to.match(/^.+ · Dewline$/);
    }
    await manager.setViewportSize(DESK);
  });
  it('keeps its edges, its focus and what is pressed where the system’s own colours are forced', async () => {
    await phone.emulateMedia({ forcedColors: 'active' });
    await phone.goto('/home/');
    const report = phone.getByRole('link', { name: 'Something is wrong' });
    await report.focus();
    const seen = await report.evaluate((it) => {
      const { outlineStyle, borderStyle, forcedColorAdjust } = getComputedStyle(it);
      return { outline: outlineStyle !== 'none', border: borderStyle, adjusted: forcedColorAdjust };
    });
    expect(seen.outline).to.equal(true);
    expect(seen.adjusted).to.equal('auto');
    await expectFit(phone, 'my home, in forced colours');
    await phone.emulateMedia({ forcedColors: 'none' });
  });

  it('offers for a part only what can be found in it', async () => {
    const job = (await house.manager.get(`/points/${flat.points[BOOT]}`)).body.job;
    const tenant = await stage.page(PHONE);
    await tenant.close();
    const steps = (await flat.tenant.get(`/jobs/${job.id}`).expect(200)).body.steps as {
      needs: { need: { kind: string }; choices: { value: string }[] }[];
    }[];
    const finds = steps.flatMap(({ needs }) => needs).filter(({ need }) => need.kind === 'finds');
    for (const { choices } of finds) expect(choices.map(({ value }) => value)).not.to.include('seed');
  });

  it('looks through proofs by person, by what is worst, and after all at what was accepted by rule', async () => {
    await house.manager.put('/proof-rule', { first: 1, oneIn: 100 }).expect(200);
    const budget = { scope: 'organisation', subjectId: null, jobs: 20, minutes: 1000 };
    await house.manager.post('/budgets', budget).expect(200);
    const point = (await house.manager.get(`/points/${flat.points[BOOT]}`).expect(200)).body;
    const send = async (pointId: string, given?: { id: string }) => {
      const job = given
        ? (await flat.tenant.get(`/jobs/${given.id}`).expect(200)).body
        : await give(house, flat.tenant, flat.tenantId, [pointId]);
      await stage.running.env.store.write((db) => db.job.update({ id: job.id }, { givenAt: Date.now() - 4 * HOUR_MS }));
      const form = await honestWork({ ...house, clock: { now: Date.now() - 3 * HOUR_MS } }, flat.tenant, job);
      await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
      return form.records.map(({ id }) => id);
    };
    const sent = await send(flat.points[BOOT]!, point.job);
    await manager.goto('/proof');
    await manager.getByRole('heading', { name: 'Proof', exact: true }).waitFor();
    await manager.getByText('Flat 1A, The Ropewalk').first().waitFor();
    await manager.getByRole('button', { name: 'How proofs are looked at' }).click();
    await manager.getByLabel('Then one in').fill('50');
    await manager.getByRole('button', { name: 'Save', exact: true }).click();
    await manager.getByText('Saved. It holds for what is sent from now on.').waitFor();
    await expectFit(manager, 'how proofs are looked at');
    for (const id of sent)
      await house.manager.post(`/proof/${id}/verdict`, { verdict: 'accept', reason: 'Seen.' }).expect(200);
    const machineId = v7();
    const washer = { id: machineId, placeId: flat.placeId, type: 'washer', fuel: 'electric', owner: 'landlord' };
    await house.manager.post('/machines', washer).expect(200);
    const [boot] = await stage.running.env.store.db.point.all({ machineId, procedure: BOOT });
    // Drawn by a seed that leaves it to the rule.
    const { env } = stage.running;
    const { secret } = env;
    Object.assign(env, { secret: () => 'left to the rule' });
    expect(drawLook(env.secret(), true, { first: 1, oneIn: 50 }).drawn).to.equal(false);
    const [second] = await send(boot!.id);
    Object.assign(env, { secret });
    expect((await env.store.db.proof.one({ recordId: second! }))!.state).to.equal('accepted');
    await manager.goto('/proof');
    await manager.getByRole('button', { name: 'One was accepted by rule' }).click();
    await manager.getByText('Accepted by rule: it was clean').waitFor();
    await manager.waitForURL(/\/proof\/[0-9a-f-]+\?list=byRule$/);
    await manager.reload();
    await manager.getByText('Accepted by rule: it was clean').waitFor();
    await expectFit(manager, 'what was accepted by rule');
    await manager.getByRole('button', { name: 'Look at it after all' }).click();
    await manager.getByText('It waits for your verdict now.').waitFor();
    await manager.keyboard.press('a');
    await manager.getByText('No proof waits for you.').waitFor();
  });

  it('says how far the lines are that are drawn anew, and shows them when they are', async () => {
    const { env } = stage.running;
    await env.store.write((db) => db.mark.update({ placeId: flat.placeId }, { redrawAt: Date.now() }));
    const count = await env.store.db.mark.count({ placeId: flat.placeId });
    await manager.goto('/line');
    const told = manager.getByText(`Lines are being drawn anew: ${count} of ${count} left.`);
    await told.waitFor();
    await expectFit(manager, 'lines drawn anew');
    const board = manager.waitForResponse((response) => response.url().endsWith('/api/board'));
    await env.redrawing.run();
    await board;
    await told.waitFor({ state: 'hidden' });
  });

  it('tells a manager what waits for them, and what is next when nothing does', async () => {
    await manager.goto('/today');
    await manager.getByRole('heading', { name: 'Waits for you' }).waitFor();
    await manager.getByText('Nothing waits for you.').waitFor();
    await expectFit(manager, 'today, of a manager');
    const fault = { id: v7(), machineId: flat.machineId, symptom: 'washer.smell' };
    await flat.tenant.post('/faults', fault).expect(200);
    await stage.running.env.store.write((db) => db.fault.update({ id: fault.id }, { correctBy: Date.now() - 1000 }));
    await manager.reload();
    await manager.getByRole('link', { name: /past its time/ }).click();
    await manager.getByRole('heading', { name: 'Faults', exact: true }).waitFor();
  });
});
