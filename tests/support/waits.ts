import type { Page, Request, Route } from "playwright-core";

/** How long a test waits for what must come, in milliseconds: far longer than any machine needs, since it only ends a test that fails. */
export const PATIENCE = 120_000;

/** Waits until a condition holds. */
export async function until(check: () => Promise<boolean>, what: string, most = PATIENCE): Promise<void> {
  const end = Date.now() + most;
  while (!(await check())) {
    if (Date.now() > end) throw new Error(`Waited in vain: ${what}`);
    await new Promise((done) => setTimeout(done, 20));
  }
}

const onTheirWay = new WeakMap<Page, Set<Request>>();

/** Keeps account of what a page has asked and not yet got; see settled(). */
export function watchRequests(page: Page): void {
  const open = new Set<Request>();
  onTheirWay.set(page, open);
  page.on("request", (request) => request.resourceType() !== "eventsource" && open.add(request));
  page.on("requestfinished", (request) => open.delete(request));
  page.on("requestfailed", (request) => open.delete(request));
}

/** Lets the page draw so many pictures: what it had begun is then on the screen, however slow the machine. */
export function frames(page: Page, number = 3): Promise<void> {
  return page.evaluate(async (left) => {
    for (; left > 0; left--) await new Promise(requestAnimationFrame);
  }, number);
}

/** Waits until all that a page has asked for has come and nothing moves on it any more. */
export async function settled(page: Page): Promise<void> {
  const open = onTheirWay.get(page);
  await page.waitForLoadState("load");
  await until(async () => {
    const isQuiet = !open?.size;
    await frames(page);
    return isQuiet && !open?.size;
  }, "all answers");
  await page.evaluate(() => {
    const ends = document.getAnimations().filter((one) => one.effect?.getComputedTiming().endTime !== Number.POSITIVE_INFINITY);
    return Promise.all(ends.map((one) => one.playState === "running" && one.finished.catch(() => undefined))).then(() => undefined);
  });
  await frames(page);
}

/** Holds the first answer that fits until it is let go: a late answer without a clock. */
export async function holdBack(page: Page, address: string, isHeld: (body: Record<string, unknown>) => boolean = () => true) {
  let held: Promise<void> | null = null;
  let open: () => void = () => undefined;
  const gate = new Promise<void>((done) => {
    open = done;
  });
  const deliver = async (route: Route) => {
    const response = await route.fetch();
    await gate;
    // Whoever asked may have given up meanwhile.
    await route.fulfill({ response }).catch(() => undefined);
  };
  await page.route(address, async (route) => {
    if (held || !isHeld(route.request().postDataJSON() ?? {})) return route.continue().catch(() => undefined);
    held = deliver(route);
    await held;
  });
  return {
    isHeld: () => held !== null,
    /** Lets the late answer come, and the page deal with it. */
    async release() {
      open();
      await held;
      await page.unroute(address);
      await frames(page, 5);
    },
  };
}

/** Drags with the mouse from one point to another; what is carried has arrived when it is let go. */
export async function dragTo(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  // A list lifts what has been moved by some pixels.
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 6 });
  await frames(page);
  await page.mouse.move(to.x, to.y, { steps: 12 });
  await frames(page, 5);
  await page.mouse.up();
}
