/** One browser for all files of a lane; a server for each file; a context for each person. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import axe from 'axe-core';
import { expect } from 'chai';
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { pino } from 'pino';
import { serve, type Running } from '../../server/serve.ts';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 360, height: 740 };

/** The lane's browser. It ends with the process, and is started again if it dies. */
let started: Promise<Browser> | undefined;

async function openBrowser(): Promise<Browser> {
  const browser = await started;
  if (browser?.isConnected()) return browser;
  started = chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: FLAGS });
  return started;
}

export interface StageOptions {
  /** Whether pages keep the app for working offline. Else no service worker downloads all of it in every context. */
  readonly offline?: boolean;
}

export interface Stage {
  readonly url: string;
  readonly data: string;
  readonly running: Running;
  /** A page of somebody new, on a desk or a phone. Errors on it fail the test that asks. */
  page(viewport: { width: number; height: number }): Promise<Page>;
  /** Ends the server and starts it again on the same folder and port. */
  restart(): Promise<void>;
  close(): Promise<void>;
}

export async function openStage({ offline = false }: StageOptions = {}): Promise<Stage> {
  const data = mkdtempSync(join(tmpdir(), 'dewline-stage-'));
  const start = (port: number) =>
    serve({
      data,
      port,
      web: resolve(import.meta.dirname, '../../dist/web'),
      logger: pino({ level: 'silent' }),
      rateFactor: 100,
      strict: true,
      standInPort: 0,
    });
  let running = await start(0);
  const browser = await openBrowser();
  const contexts: BrowserContext[] = [];
  return {
    data,
    get url() {
      return running.url;
    },
    get running() {
      return running;
    },
    async page(viewport) {
      const context = await browser.newContext({
        viewport,
        timezoneId: 'Europe/Dublin',
        locale: 'en-GB',
        reducedMotion: 'reduce',
        serviceWorkers: offline ? 'allow' : 'block',
        baseURL: running.url,
      });
      contexts.push(context);
      const page = await context.newPage();
      page.setDefaultTimeout(60_000);
      return page;
    },
    async restart() {
      const port = Number(new URL(running.url).port);
      await running.close();
      running = await start(port);
    },
    async close() {
      await Promise.all(contexts.map((context) => context.close()));
      await running.close();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

/** Kinds of elements that axe has found sound, by screen, theme, language and width; kept for all files of a lane. */
const checked = new Map<string, Set<string>>();

/**
 * What is on a page, as axe judges it: where, and the kinds of its visible elements: tag, classes, role, states, own
 * style but for its lengths, colours as they are drawn, what surrounds it, and whether something names it. Words are
 * left out, and ids unless two elements share one.
 */
const kindsOnPage = (page: Page): Promise<{ screen: string; kinds: string[] }> =>
  // No function has a name of its own here: tsx would name it by a helper that the page does not have.
  page.evaluate(() => {
    const path = location.pathname.replace(/[0-9a-f]{8}-[0-9a-f-]{27}|\d+/g, '#');
    const theme = /v-theme--\w+/.exec(document.querySelector('[class*=v-theme--]')?.className ?? '')?.[0];
    const shown = [...document.querySelectorAll<HTMLElement>('body *')].filter((it) => it.getClientRects().length > 0);
    const ids = [...document.querySelectorAll('[id]')].map(({ id }) => id);
    const kinds = shown.map((element) => {
      const { color, backgroundColor, opacity } = getComputedStyle(element);
      const labels = element instanceof HTMLInputElement ? element.labels?.length : '';
      const around = element.parentElement;
      return [
        element.tagName,
        element.getAttribute('class'),
        element.getAttribute('style')?.replace(/-?\d+(\.\d+)?(px|%|m?s|r?em)/g, '#'),
        [color, backgroundColor, opacity].join(),
        [around?.tagName, around?.getAttribute('class'), around?.getAttribute('role')].join(),
        element.textContent?.trim() ? 'text' : '',
        `labels ${labels}`,
        ...[...element.attributes]
          .filter(({ name }) => !/^(id|class|style|for|d|href|src|data-.*|value)$/.test(name))
          .map(({ name, value }) => {
            if (/^(role|type|tabindex|aria-(expanded|selected|checked|disabled|hidden))$/.test(name))
              return `${name}=${value}`;
            if (name === 'aria-labelledby') return `${name}: ${value.split(' ').every((id) => ids.includes(id))}`;
            return `${name}${value.trim() ? '' : ' empty'}`;
          })
          .sort(),
      ].join(' ');
    });
    return {
      screen: [path, theme, document.documentElement.lang, window.innerWidth].join(' '),
      kinds: [...new Set([...kinds, ...(new Set(ids).size < ids.length ? ['an id twice'] : [])])],
    };
  });

/**
 * No serious or critical finding of axe, and nothing that scrolls sideways. Axe looks again only where the screen shows
 * a kind of element that it has not passed there before, in this theme, language and width.
 */
export async function expectFit(page: Page, what: string): Promise<void> {
  const { screen, kinds } = await kindsOnPage(page);
  const passed = checked.get(screen) ?? new Set();
  if (kinds.some((kind) => !passed.has(kind))) {
    await expectAccessible(page, what);
    checked.set(screen, new Set([...passed, ...kinds]));
  }
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(wide, `${what} scrolls sideways`).to.be.at.most(0);
}

async function expectAccessible(page: Page, what: string): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const found = await page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, {
      resultTypes: ['violations'],
    });
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(
        ({ id, nodes }) =>
          `${id}: ${nodes
            .slice(0, 3)
            .map(({ html }) => html.slice(0, 160))
            .join(' | ')}`,
      );
  });
  expect(found, `axe on ${what}`).to.deep.equal([]);
}

/** Every button and link that a thumb must hit is at least 44 px high (inline links in text apart). */
export async function expectThumbs(page: Page, what: string): Promise<void> {
  const small = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('.v-btn, .tick, .safe, .take, .choice, .grades label, .chips label')]
      .filter((it) => it.offsetParent !== null && it.getBoundingClientRect().height < 44)
      .map((it) => `${it.className} ${it.textContent?.trim()} ${it.getBoundingClientRect().height}`),
  );
  expect(small, `targets on ${what}`).to.deep.equal([]);
}
