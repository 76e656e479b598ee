import type { Browser, Page } from "playwright-core";
import { type Figure, quantile } from "./figure";

const TYPED = ["lavender", "climbing rose", "tomato seeds", "hydrangea"];
/** How long a key and all that it sets off is waited for, in ms. */
const PER_KEY = 260;
/** What the main thread may take for a key, in ms: a frame of 60 a second. */
const FRAME = 16;

/**
 * What each key typed into the search box costs the page's main thread, its answer drawn: the longest time for which the thread is
 * held, so that the next key or frame would have to wait; the page's own part (script, style and layout) in all; and everything in
 * all, with painting and pictures, which this machine does without a graphics card.
 */
export async function typingFigures(browser: Browser, shop: string, products: number): Promise<Figure[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => localStorage.setItem("clever-shelf.tour", "seen"));
  await page.goto(shop);
  const box = page.getByRole("combobox").first();
  await box.click();
  await page.keyboard.type("warm up", { delay: PER_KEY });
  const sums = await typed(page, (key) => summedUp(page, key));
  const longest = await typed(page, (key) => longestHeld(browser, page, key));
  await page.close();
  const figure = { products, beside: FRAME, than: "a frame", unit: "ms", goal: 1 };
  const own = sums.map((sum) => sum.own);
  const all = sums.map((sum) => sum.all);
  return [
    { ...figure, what: "longest hold of the main thread for a key in the search box", here: quantile(longest, 0.5) },
    { ...figure, what: "longest hold of the main thread for a key in the search box, 95th percentile", here: quantile(longest, 0.95) },
    { ...figure, what: "script, style and layout for a key in the search box", here: quantile(own, 0.5) },
    { ...figure, what: "script, style and layout for a key in the search box, 95th percentile", here: quantile(own, 0.95) },
    { ...figure, what: "main thread for a key in the search box, painting and all", here: quantile(all, 0.5) },
  ];
}

/** Measures each key of the texts, one after the other. */
async function typed<T>(page: Page, measured: (key: () => Promise<void>) => Promise<T>): Promise<T[]> {
  const all: T[] = [];
  for (const text of TYPED) {
    await page.getByRole("combobox").first().fill("");
    await page.waitForTimeout(2 * PER_KEY);
    for (const letter of text) {
      all.push(
        await measured(async () => {
          await page.keyboard.press(letter === " " ? "Space" : letter);
          await page.waitForTimeout(PER_KEY);
        }),
      );
    }
  }
  return all;
}

async function summedUp(page: Page, key: () => Promise<void>) {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("Performance.enable");
  const busy = async () => {
    const { metrics } = await devtools.send("Performance.getMetrics");
    const of = (name: string) => (metrics.find((metric) => metric.name === name)?.value ?? 0) * 1000;
    return { own: of("ScriptDuration") + of("LayoutDuration") + of("RecalcStyleDuration"), all: of("TaskDuration") };
  };
  const before = await busy();
  await key();
  const after = await busy();
  await devtools.detach();
  return { own: after.own - before.own, all: after.all - before.all };
}

interface TraceEvent {
  name: string;
  ph: string;
  pid: number;
  tid: number;
  dur?: number;
  args: { name?: string };
}

/** The longest task on a page's main thread while a key and what it sets off are worked on, in ms. */
async function longestHeld(browser: Browser, page: Page, key: () => Promise<void>): Promise<number> {
  await browser.startTracing(page, { categories: ["toplevel", "__metadata"] });
  await key();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
  const threadOf = (event: TraceEvent) => `${event.pid}:${event.tid}`;
  const mains = new Set(traceEvents.filter(({ name, args }) => name === "thread_name" && args.name === "CrRendererMain").map(threadOf));
  const tasks = traceEvents.filter((event) => event.ph === "X" && event.name.endsWith("RunTask") && mains.has(threadOf(event)));
  return Math.max(0, ...tasks.map(({ dur = 0 }) => dur / 1000));
}
