import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { type Browser, chromium, type Page } from "playwright-core";
import { type Figure, quantile } from "./figure";
import { startServer, writeTable } from "./imports";
import { grownShop } from "./shop";
import { typingFigures } from "./typing";

/** Presses of each control that are measured, after two that warm the page up. */
const PRESSES = 15;

interface Control {
  name: string;
  screen: string;
  /** A search whose results the control changes. */
  query: string;
  /** Presses it once; turns alternate. */
  press: (page: Page, isEven: boolean) => Promise<void>;
}

const CONTROLS: readonly Control[] = [
  {
    name: "a field searched or not",
    screen: "attributes",
    query: "scented rose",
    press: (page) => page.getByLabel("Search in Title", { exact: true }).click(),
  },
  {
    name: "a word rule on or off",
    screen: "words/rules",
    query: "red tulip",
    press: (page) => page.getByLabel("red: on").click(),
  },
  {
    name: "misspellings corrected or asked about",
    screen: "words/misspellings",
    query: "lavendar",
    press: (page, isEven) => page.getByRole("radio", { name: isEven ? "Ask first" : "Correct, and say so" }).click(),
  },
  {
    name: "width of ties",
    screen: "ranking/tie-breakers",
    query: "lavender",
    press: (page, isEven) =>
      page
        .getByRole("slider")
        .first()
        .press(isEven ? "Home" : "End"),
  },
  {
    name: "sold out, searching",
    screen: "ranking/stock",
    query: "rose",
    async press(page, isEven) {
      await page.getByLabel("Sold out, search results").click();
      await page.getByRole("option", { name: isEven ? "if asked for" : "at the end" }).click();
    },
  },
  {
    name: "a filter on or off",
    screen: "filters",
    query: "rose",
    press: (page) => page.getByLabel("Brand: on").click(),
  },
];

/** How long each control takes from its press until the shopper window shows something else. */
export async function windowFigures(large: number): Promise<Figure[]> {
  const data = mkdtempSync(join(tmpdir(), "shelf-bench-"));
  const here = resolve(import.meta.dirname);
  await ended(spawn("node", [join(here, "demo.js"), "--data", join(data, "data")], { stdio: "inherit" }));
  const server = await startServer(data);
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
  });
  try {
    const figures = [
      ...(await typingFigures(browser, `${server.url}/shop/quillmoor`, 2561)),
      ...(await controlFigures(browser, `${server.url}/bench/quillmoor`, 2561, 100)),
    ];
    const table = join(data, "feed.csv");
    writeTable(table, grownShop(large));
    await server.post("/api/stores", { id: "big", name: "Big", locale: "en-GB", currency: "GBP" });
    await server.feed(table);
    await addRule(server.url);
    return [
      ...figures,
      ...(await typingFigures(browser, `${server.url}/shop/big`, large)),
      ...(await controlFigures(browser, `${server.url}/bench/big`, large, 250)),
    ];
  } finally {
    await browser.close();
    server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** A rule for “red”, as the demo shop has one: without it there is nothing to press. */
async function addRule(url: string): Promise<void> {
  const draft = `${url}/api/stores/big/draft`;
  const { revision } = (await (await fetch(draft)).json()) as { revision: number };
  const value = { does: "ignore", words: ["red"], on: true };
  await fetch(draft, {
    method: "PATCH",
    headers: { "content-type": "application/json-patch+json", "if-match": `"${revision}"` },
    body: JSON.stringify([{ op: "add", path: "/words/red", value }]),
  });
}

async function controlFigures(browser: Browser, bench: string, products: number, goal: number): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const control of CONTROLS) {
    const took = await pressed(browser, bench, control);
    const figure = { what: `seen in the window: ${control.name}`, products, than: "the time aimed at", unit: "ms" };
    figures.push({ ...figure, here: quantile(took, 0.5), beside: goal, goal: 1 });
    figures.push({ ...figure, what: `${figure.what}, slowest of ${PRESSES}`, here: Math.max(...took), beside: null, than: "" });
  }
  return figures;
}

declare global {
  interface Window {
    /** When a control was last pressed, and when the shopper window first differed after it, in ms. */
    seen: { pressed: number; changed: number };
  }
}

async function pressed(browser: Browser, bench: string, { screen, query, press }: Control): Promise<number[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => localStorage.setItem("clever-shelf.tour", "seen"));
  await page.goto(`${bench}/${screen}`);
  await page.getByLabel("Search being tried").fill(query);
  await page.locator("[data-product]").first().waitFor();
  await page.waitForTimeout(1500);
  await page.evaluate(watch);
  const took: number[] = [];
  for (let i = 0; i < PRESSES + 2; i++) {
    await page.evaluate(() => {
      window.seen = { pressed: 0, changed: 0 };
    });
    await press(page, i % 2 === 0);
    await page.waitForFunction(() => window.seen.changed > 0, null, { timeout: 10_000 });
    const elapsed = await page.evaluate(() => window.seen.changed - window.seen.pressed);
    if (i > 1) took.push(elapsed);
    // What the press sets off besides has come to an end before the next.
    await page.waitForTimeout(500);
  }
  await page.close();
  return took;
}

/** Notes, in the page, each press and the first change of the shopper window's text after it. */
function watch(): void {
  const shop = document.querySelector("section[aria-label='Shopper window']");
  if (!shop) return;
  let before = shop.textContent;
  const note = () => {
    before = shop.textContent;
    window.seen = { pressed: performance.now(), changed: 0 };
  };
  for (const kind of ["pointerdown", "keydown"]) window.addEventListener(kind, note, true);
  new MutationObserver(() => {
    if (window.seen.pressed === 0 || window.seen.changed > 0 || shop.textContent === before) return;
    window.seen.changed = performance.now();
  }).observe(shop, { subtree: true, childList: true, characterData: true });
}

function ended(child: ReturnType<typeof spawn>): Promise<void> {
  return new Promise((done) => child.on("exit", () => done()));
}
