/** An office on a stage: installed over HTTP, one flat let, its people signed in through the page. */
import type { Locator, Page } from 'playwright-core';
import { Caller, PASSWORD, registerFlat, type Flat, type House } from '../server/house.ts';
import type { Stage } from './browser.ts';

export const MANAGER_EMAIL = 'vane@saltmarsh.example';

export async function openOffice(stage: Stage): Promise<{ house: House; flat: Flat }> {
  const manager = new Caller(stage.url as never);
  await manager.open('/install', {
    organisation: 'Saltmarsh & Vane',
    name: 'R. Okonjo-Vane',
    email: MANAGER_EMAIL,
    password: PASSWORD,
  });
  const house = { env: stage.running.env, manager, caller: () => new Caller(stage.url as never) } as House;
  return { house, flat: await registerFlat(house) };
}

/** Signs in at the desk; where that fails, the error has what the page says and what it asked for. */
export async function signIn(page: Page, email: string, password = PASSWORD): Promise<void> {
  const heard: string[] = [];
  page.on('request', (request) => heard.push(`> ${request.method()} ${request.url()}`));
  page.on('response', (response) => heard.push(`< ${response.status()} ${response.url()}`));
  page.on('requestfailed', (request) => heard.push(`! ${request.failure()?.errorText} ${request.url()}`));
  page.on('pageerror', (error) => heard.push(error.message));
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page
    .getByRole('button', { name: 'Sign out' })
    .waitFor()
    .catch(async (error: unknown) => {
      const says = await page.locator('body').innerText();
      const state = await page.evaluate(() => ({
        filled: [...document.querySelectorAll('input')].map(({ name, type, value }) => [name, type, value.length]),
        sending: document.querySelector('.v-btn--loading') !== null,
        valid: document.querySelector('form')?.checkValidity(),
        focus: document.activeElement?.outerHTML.slice(0, 120),
        seen: document.visibilityState,
        worker: navigator.serviceWorker?.controller?.state,
      }));
      throw new Error(
        `not signed in; the page says: ${says}\n${JSON.stringify(state)}\n${heard.filter((it) => !it.includes('/assets/')).join('\n')}`,
        { cause: error },
      );
    });
}

/** Picks the cause with which a fault is being closed. */
export async function nameCause(page: Page, says: string): Promise<void> {
  await chooseTyped(page, 'What it was', says, says);
}

/** A menu that is still closing takes the next click. */
export const menuShut = (page: Page) => page.getByRole('listbox').waitFor({ state: 'hidden' });

/** Presses an option; a press while the menu still opens, or while its list is narrowed, is lost on a busy machine. */
export async function pick(page: Page, option: Locator): Promise<void> {
  await option.click();
  await page
    .getByRole('listbox')
    .waitFor({ state: 'hidden', timeout: 5000 })
    .catch(() => option.click());
  await menuShut(page);
}

/** Types into a field and picks what is then first. */
export async function chooseTyped(page: Page, field: string, typed: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: field }).first().fill(typed);
  await pick(
    page,
    page
      .getByRole('option')
      .first()
      .and(page.getByRole('option', { name: option })),
  );
}

/** Picks an option of a field; the text of what is picked lies over the field, so that the click is forced. */
export async function choose(page: Page, field: string, option: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: field }).first().click({ force: true });
  await pick(page, page.getByRole('option', { name: option, exact: typeof option === 'string' }).first());
}
