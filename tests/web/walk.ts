/** Walking a job on a phone as a person would: whatever a step asks for is given, then on. */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import type { Language } from '../../core/language/languages.ts';
import doingTextDe from '../../web/tenant/de.json' with { type: 'json' };
import { doingText } from '../../web/tenant/en.ts';
import { drawn } from '../server/house.ts';
import { expectFit, expectThumbs } from './browser.ts';

export interface Walked {
  readonly screens: readonly string[];
  readonly inputs: number;
  readonly photos: number;
}

/** What a page says while a job is walked. */
const SAYS = { en: doingText, de: doingTextDe } as const;

/** Walks from the stop points to "Ready to send". `look` is called on every screen. */
export async function walkJob(
  page: Page,
  procedure: string,
  { seed = 1, language = 'en' as Language, until = '', fit = false, keyboard = false } = {},
): Promise<Walked> {
  const says = SAYS[language];
  const last = until || says['job.review'];
  const step = new RegExp(says['job.step'].replaceAll(/\{\w+\}/g, '\\d+'));
  const optional = new RegExp(says['job.optional']);
  const screens: string[] = [];
  /** Presses, ticks and picks, by a finger or by a key. */
  const press = async (button: Locator) => {
    if (keyboard) {
      await button.focus();
      await page.keyboard.press('Enter');
    } else await button.click();
  };
  const tickIt = async (box: Locator) => {
    if (keyboard) {
      await box.focus();
      await page.keyboard.press('Space');
    } else await box.check({ force: (await box.getAttribute('type')) === 'radio' });
  };
  let inputs = 0;
  let photos = 0;
  await tickIt(page.getByRole('checkbox', { name: says['job.stops.read'] }));
  await press(page.getByRole('button', { name: says['job.start'], exact: true }));
  for (let i = 0; i < 40; i += 1) {
    await page.getByText(step).or(page.getByText(last)).first().waitFor();
    const heading = await page.getByRole('heading', { level: 1 }).innerText();
    screens.push(heading);
    if (fit) {
      await expectFit(page, heading);
      await expectThumbs(page, heading);
    }
    if (heading === last) return { screens, inputs, photos };
    for (const tick of await page.locator('.tick input').all()) {
      if (!(await tick.isChecked())) await tickIt(tick);
      inputs += 1;
    }
    for (const photo of await page.locator('.photo').all()) {
      if (optional.test((await photo.getAttribute('aria-label')) ?? '')) continue;
      await photo
        .locator('input[type=file]')
        .first()
        .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: await drawn(procedure, seed + i) });
      await photo.getByRole('img').waitFor();
      photos += 1;
    }
    for (const field of await page.locator('.grades, .chips:has([type=radio])').all()) {
      await tickIt(
        field.locator('input[type=radio]').nth((await field.locator('input[type=radio]').count()) > 2 ? 2 : 0),
      );
      inputs += 1;
    }
    for (const field of await page.locator('.field input').all())
      if (!optional.test(await field.locator('xpath=ancestor::div[1]').innerText())) {
        await field.fill('20');
        inputs += 1;
      }
    const waited = page.getByRole('button', { name: says['job.timer.already'] });
    if (await waited.count()) await press(waited);
    await press(page.locator('.foot .v-btn').first());
    await page.waitForFunction(
      (was) => document.querySelector('h1')?.textContent !== was || document.querySelector('[role=alert]'),
      heading,
    );
    if (keyboard && (await page.getByText(step).count()))
      expect(
        await page.evaluate(() => document.activeElement?.tagName),
        `${heading}: the next heading is read out`,
      ).to.equal('H1');
    expect(
      await page.getByRole('alert').count(),
      `${heading}: ${await page.getByRole('alert').allInnerTexts()}`,
    ).to.equal(0);
  }
  throw new Error(`no end: ${screens.join(', ')}`);
}
