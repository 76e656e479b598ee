import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { chromium } from "playwright-core";
import { type Figure, quantile } from "./figure";
import { startServer, writeTable } from "./imports";
import { grownShop } from "./shop";

const CHANGES = 20;

/** How long a settings change takes from the press of a key until the results in the shopper window have changed. */
export async function windowFigures(large: number): Promise<Figure[]> {
  const data = mkdtempSync(join(tmpdir(), "shelf-bench-"));
  const here = resolve(import.meta.dirname);
  await ended(spawn("node", [join(here, "demo.js"), "--data", join(data, "data")], { stdio: "inherit" }));
  const server = await startServer(data);
  try {
    const demo = await ticks(`${server.url}/bench/quillmoor/attributes`, "scented rose");
    const table = join(data, "feed.csv");
    writeTable(table, grownShop(large));
    await server.post("/api/stores", { id: "big", name: "Big", locale: "en-GB", currency: "GBP" });
    await server.feed(table);
    const big = await ticks(`${server.url}/bench/big/attributes`, "scented rose");
    return [...figuresOf(demo, 2561), ...figuresOf(big, large)];
  } finally {
    server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

function figuresOf(took: readonly number[], products: number): Figure[] {
  const figure = (what: string, here: number) => ({ what, products, here, beside: null, than: "", unit: "ms" });
  return [
    figure(`settings change seen in the window, median of ${CHANGES}`, quantile(took, 0.5)),
    figure(`settings change seen in the window, slowest of ${CHANGES}`, Math.max(...took)),
  ];
}

/** Ticks a field on and off, each time until the products in the window are others. */
async function ticks(url: string, query: string): Promise<number[]> {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(url);
    await page.getByLabel("Search being tried").fill(query);
    await page.locator("[data-product]").first().waitFor();
    await page.waitForTimeout(1500);
    const took: number[] = [];
    for (let i = 0; i < CHANGES + 2; i++) {
      const elapsed = await page.evaluate(
        () =>
          new Promise<number>((done) => {
            const order = () => [...document.querySelectorAll("[data-product]")].map((item) => item.getAttribute("data-product")).join();
            const before = order();
            const started = performance.now();
            const observer = new MutationObserver(() => {
              if (order() === before) return;
              observer.disconnect();
              done(performance.now() - started);
            });
            observer.observe(document.body, { subtree: true, childList: true, attributes: true });
            document.querySelector<HTMLElement>("[aria-label='Search in Title']")?.click();
          }),
      );
      // The first two warm the page up.
      if (i > 1) took.push(elapsed);
      await page.waitForTimeout(150);
    }
    return took;
  } finally {
    await browser.close();
  }
}

function ended(child: ReturnType<typeof spawn>): Promise<void> {
  return new Promise((done) => child.on("exit", () => done()));
}
