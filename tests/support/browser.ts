import { type Browser, type BrowserContext, type BrowserContextOptions, chromium, type Page } from "playwright-core";
import { ask, startServer, type TestServer } from "./server";
import { frames, PATIENCE, settled, until, watchRequests } from "./waits";

const QUIET = [
  "--no-sandbox",
  "--disable-gpu",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: "/usr/bin/chromium", args: QUIET });
}

/** A browser of somebody who has been here before: no tour begins by itself. */
export async function openContext(browser: Browser, options: BrowserContextOptions): Promise<BrowserContext> {
  const context = await browser.newContext(options);
  await context.addInitScript(() => localStorage.setItem("clever-shelf.tour", "seen"));
  return context;
}

/** A page that fails its test when the page itself fails. */
export async function openPage(browser: Browser, size = { width: 1280, height: 800 }): Promise<Page> {
  const context = await openContext(browser, { viewport: size });
  const page = await context.newPage();
  page.on("close", () => void context.close().catch(() => undefined));
  page.setDefaultTimeout(PATIENCE);
  watchRequests(page);
  page.on("pageerror", (error) => {
    throw error;
  });
  return page;
}

/** Moves what has the focus in a sortable list by one step of the keyboard; each step is waited for, however slow the machine. */
export async function moveByKeyboard(page: Page, arrow: "ArrowUp" | "ArrowDown" | "ArrowLeft" | "ArrowRight"): Promise<void> {
  // What the list says to those who listen: it changes when the item is over another place.
  const said = () =>
    page
      .locator("[id^='DndLiveRegion']")
      .allInnerTexts()
      .then((texts) => texts.join());
  await settled(page);
  await page.keyboard.press("Space");
  await until(() => page.evaluate(() => document.activeElement?.getAttribute("aria-pressed") === "true"), "the item lifted");
  await frames(page, 5);
  const before = await said();
  await page.keyboard.press(arrow);
  await until(async () => (await said()) !== before, "the item over another place");
  await frames(page, 5);
  await page.keyboard.press("Space");
}

/** Ids of the products in the shopper window, in order. */
export const shownIds = (page: Page) =>
  page.locator("[data-product]").evaluateAll((items) => items.map((item) => item.getAttribute("data-product") ?? ""));

/** Their titles. */
export const shownTitles = (page: Page) =>
  page.locator("[data-product]").evaluateAll((items) => items.map((item) => item.querySelector("[part=title]")?.textContent ?? ""));

/** Waits until the shopper window shows the answer to what was asked last, down to the cards out of sight, which are drawn a turn later. */
export async function atRest(page: Page): Promise<void> {
  const window = page.locator("section[aria-label='Shopper window']");
  await until(
    async () => (await window.and(page.locator("[aria-busy=true]")).or(window.locator("[aria-busy=true]")).count()) === 0,
    "the window at rest",
  );
}

/** What every suite does at the bench of the demo shop. */
export function benchOf(suite: { server: TestServer }, page: () => Page) {
  const store = "/api/stores/quillmoor";
  return {
    store,
    async open(path: string) {
      await page().goto(`${suite.server.url}/bench/quillmoor/${path}`);
      await page().getByLabel("Search being tried").waitFor();
    },
    async tryOut(query: string) {
      const answered = page().waitForResponse(
        (response) => new URL(response.url()).pathname === `${store}/search` && response.request().postDataJSON()?.query === query,
      );
      await page().getByLabel("Search being tried").fill(query);
      await answered;
      await atRest(page());
    },
    shopper: () => page().locator("section[aria-label='Shopper window']"),
    answer: async <T>(query: string, more: object = {}) =>
      (await ask<T>(suite.server, "POST", `${store}/search`, { query, limit: 24, ...more })).body,
  };
}

/** A demo server and a browser for a whole suite, ended after it. Read the two only inside tests. */
export function withDemo(): { server: TestServer; browser: Browser } {
  const suite = {} as { server: TestServer; browser: Browser };
  beforeAll(async () => {
    suite.server = await startServer({ demo: true });
    suite.browser = await openBrowser();
  });
  afterAll(async () => {
    await suite.browser?.close();
    await suite.server?.stop();
  });
  return suite;
}
