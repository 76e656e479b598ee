import { type Browser, chromium, type Page } from "playwright-core";
import { ask, startServer, type TestServer } from "./server";

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

/** A page that fails its test when the page itself fails. */
export async function openPage(browser: Browser, size = { width: 1280, height: 800 }): Promise<Page> {
  const context = await browser.newContext({ viewport: size });
  const page = await context.newPage();
  page.on("close", () => void context.close().catch(() => undefined));
  page.setDefaultTimeout(15_000);
  page.on("pageerror", (error) => {
    throw error;
  });
  return page;
}

/** Waits until a condition holds in the page. */
export async function until(check: () => Promise<boolean>, what: string, most = 8000): Promise<void> {
  const end = Date.now() + most;
  while (!(await check())) {
    if (Date.now() > end) throw new Error(`Waited in vain: ${what}`);
    await new Promise((done) => setTimeout(done, 20));
  }
}

/** Moves what has the focus in a sortable list by one step of the keyboard; each step is waited for, however slow the machine. */
export async function moveByKeyboard(page: Page, arrow: "ArrowUp" | "ArrowDown" | "ArrowLeft" | "ArrowRight"): Promise<void> {
  // What the list says to those who listen: it changes when the item is over another place.
  const said = () =>
    page
      .locator("[id^='DndLiveRegion']")
      .allInnerTexts()
      .then((texts) => texts.join());
  await page.waitForLoadState("networkidle");
  await page.keyboard.press("Space");
  await until(() => page.evaluate(() => document.activeElement?.getAttribute("aria-pressed") === "true"), "the item lifted");
  await page.waitForTimeout(250);
  const before = await said();
  await page.keyboard.press(arrow);
  await until(async () => (await said()) !== before, "the item over another place");
  await page.waitForTimeout(250);
  await page.keyboard.press("Space");
}

/** Ids of the products in the shopper window, in order. */
export const shownIds = (page: Page) =>
  page.locator("[data-product]").evaluateAll((items) => items.map((item) => item.getAttribute("data-product") ?? ""));

/** Their titles. */
export const shownTitles = (page: Page) =>
  page.locator("[data-product]").evaluateAll((items) => items.map((item) => item.querySelector("[part=title]")?.textContent ?? ""));

/** Waits until the shopper window stays as it is: cards out of sight are drawn a turn later than those in sight. */
export async function atRest(page: Page): Promise<void> {
  let before = "";
  await until(async () => {
    await page.waitForTimeout(150);
    const now = (await shownIds(page)).join();
    const isStill = now === before;
    before = now;
    return isStill;
  }, "the window at rest");
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
