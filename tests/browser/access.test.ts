import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "playwright-core";
import { openContext, withDemo } from "../support/browser";
import { settled } from "../support/waits";

const inBench = (area: string) => `/bench/quillmoor/${area}`;
const CATALOGUE = ["feed", "fields", "products", "products/P-00017", "selections", "duplicates", "pages"].map((tab) =>
  inBench(`catalogue/${tab}`),
);
const BENCH = [
  "attributes",
  "words/rules",
  "words/proposals",
  "words/groups",
  "words/misspellings",
  "ranking/tie-breakers",
  "ranking/stock",
  "ranking/boosts",
  "shelves/this-search",
  "shelves/all",
  "shelves/hidden",
  "shelves/recommendations",
  "filters",
  "filters/flower-colour",
  "filters/price",
  "search-box/panel",
  "search-box/list",
  "search-box/line",
  "no-results/repair",
  "no-results/page",
  "no-results/answers",
  "no-results/fallbacks",
  "shop-page/cards",
  "shop-page/cards/plant",
  "shop-page/badges",
  "shop-page/blocks",
  "shop-page/layout",
  "shop-page/messages",
  "shop-page/look",
  "shop-page/embedding",
  "releases",
].map(inBench);
const SHOP = ["", "/search?q=lavender", "/category/Plants/Roses", "/product/P-00005", "/search?q=aquarium", "/guide/when-to-prune-lavender"]
  .map((path) => `/shop/quillmoor${path}`)
  .concat("/shop/quillmoor-de/search?q=schere");

describe("nothing serious is in anybody's way", () => {
  const suite = withDemo();
  // One page for all: what it has loaded once it need not load again.
  let page: Page;
  beforeAll(async () => {
    page = await (await openContext(suite.browser, { viewport: { width: 1280, height: 800 }, reducedMotion: "reduce" })).newPage();
  });
  /** Opens a screen; one of the same program without loading that anew, as a link does. */
  const goTo = async (path: string) => {
    const [, program, store] = path.split("/");
    if (!page.url().startsWith(`${suite.server.url}/${program}/${store}/`)) await page.goto(suite.server.url + path);
    else
      await page.evaluate((to) => {
        history.pushState(null, "", to);
        dispatchEvent(new PopStateEvent("popstate"));
      }, path);
  };
  /** What axe finds that is serious, in a theme. What is dark differs in its colours alone. */
  const seriousIn = async (colorScheme: "light" | "dark", path: string) => {
    await page.emulateMedia({ colorScheme });
    // No page has frames, so nothing needs to be put together from several: that takes two thirds of the time.
    const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"], preload: false });
    // The window is the same on every screen of the bench but that of the search box; it is looked at with the first.
    if (path.startsWith("/bench") && !path.endsWith("attributes") && !path.endsWith("search-box/panel"))
      builder.exclude("section[aria-label='Shopper window']");
    if (colorScheme === "dark") builder.withRules(["color-contrast"]);
    const { violations } = await builder.analyze();
    return violations
      .filter(({ impact }) => impact === "serious" || impact === "critical")
      .map(
        ({ id, nodes }) =>
          `${colorScheme}: ${id}: ${nodes
            .slice(0, 3)
            .map((node) => node.html.slice(0, 160))
            .join(" | ")}`,
      );
  };

  test.each([...CATALOGUE, ...BENCH, ...SHOP])("%s", async (path) => {
    await page.emulateMedia({ colorScheme: "light" });
    await goTo(path);
    await page.locator("main").waitFor();
    await settled(page);
    const found = await seriousIn("light", path);
    // The shop has its own theme, the same in both.
    if (path.startsWith("/bench")) found.push(...(await seriousIn("dark", path)));
    expect(found).toEqual([]);
    // Nothing is cut off at the right edge of a screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
  });

  test("the open search box, in each of its moments", async () => {
    await page.emulateMedia({ colorScheme: "light" });
    await page.goto(`${suite.server.url}/shop/quillmoor`);
    for (const text of ["", "lav", "xqzvv"]) {
      await page.getByRole("combobox").click();
      const answered = text && page.waitForResponse((response) => response.request().postDataJSON()?.query === text);
      await page.getByRole("combobox").fill(text);
      await answered;
      await settled(page);
      const { violations } = await new AxeBuilder({ page }).setLegacyMode(true).include("search").analyze();
      const serious = violations.filter(({ impact }) => impact === "serious" || impact === "critical");
      expect(serious.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 200)}`)).toEqual([]);
    }
  });
});
