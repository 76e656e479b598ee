import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { chromium } from "playwright-core";
import { type Figure, quantile } from "./figure";

const CHANGES = 20;

/** How long a settings change takes from the press of a key until the results in the shopper window have changed. */
export async function windowFigures(): Promise<Figure[]> {
  const data = mkdtempSync(join(tmpdir(), "shelf-bench-"));
  const here = resolve(import.meta.dirname);
  await ended(spawn("node", [join(here, "demo.js"), "--data", data], { stdio: "inherit" }));
  const server = spawn("node", [join(here, "start.js"), "--port", "0", "--data", data], { stdio: ["ignore", "pipe", "inherit"] });
  const url = await new Promise<string>((ready) =>
    server.stdout.on("data", (chunk: Buffer) => ready(/http:\/\/\S+/.exec(chunk.toString())?.[0] ?? "")),
  );
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${url}/bench`);
    await page.getByLabel("Search being tried").fill("scented rose");
    await page.getByText("Taken as typed").waitFor();
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
    return [
      {
        what: `settings change seen in the window, median of ${CHANGES}`,
        products: 2561,
        here: quantile(took, 0.5),
        beside: null,
        than: "",
        unit: "ms",
      },
      {
        what: `settings change seen in the window, slowest of ${CHANGES}`,
        products: 2561,
        here: Math.max(...took),
        beside: null,
        than: "",
        unit: "ms",
      },
    ];
  } finally {
    await browser.close();
    server.kill("SIGTERM");
    rmSync(data, { recursive: true, force: true });
  }
}

function ended(child: ReturnType<typeof spawn>): Promise<void> {
  return new Promise((done) => child.on("exit", () => done()));
}
