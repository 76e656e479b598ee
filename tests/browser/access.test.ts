import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "playwright-core";
import { withDemo } from "../support/browser";

const inBench = (area: string) => `/bench/quillmoor/${area}`;
const CATALOGUE = ["feed", "fields", "products", "products/P-00017", "selections", "twins", "pages"].map((tab) =>
  inBench(`catalogue/${tab}`),
);
const BENCH = [
  "attributes",
  "words/rules",
  "words/proposals",
  "words/groups",
  "words/misspellings",
  "ranking/near-equals",
  "ranking/stock",
  "ranking/boosts",
  "shelves/this-search",
  "shelves/all",
  "shelves/hidden",
  "shelves/beside",
  "filters",
  "filters/flower-colour",
  "filters/price",
  "dead-ends",
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
const DARK = [...BENCH, inBench("catalogue/fields"), inBench("catalogue/products")];
const SHOP = ["", "/search?q=lavender", "/category/Plants/Roses", "/product/P-00005", "/search?q=aquarium", "/guide/when-to-prune-lavender"]
  .map((path) => `/shop/quillmoor${path}`)
  .concat("/shop/quillmoor-de/search?q=schere");

describe("nothing serious stands in anybody's way", () => {
  const suite = withDemo();
  // One page for each theme: what it has loaded once it need not load again.
  const pages: Partial<Record<"light" | "dark", Page>> = {};
  const pageIn = async (colorScheme: "light" | "dark") => {
    pages[colorScheme] ??= await (
      await suite.browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme, reducedMotion: "reduce" })
    ).newPage();
    return pages[colorScheme];
  };

  test.each([
    ...CATALOGUE.map((path) => ["light", path]),
    ...BENCH.map((path) => ["light", path]),
    ...DARK.map((path) => ["dark", path]),
    ...SHOP.map((path) => ["light", path]),
  ] as ["light" | "dark", string][])("%s: %s", async (colorScheme, path) => {
    const page = await pageIn(colorScheme);
    await page.goto(suite.server.url + path);
    await page.locator("main").waitFor();
    await page.waitForTimeout(500);
    const builder = new AxeBuilder({ page }).options({ resultTypes: ["violations"] });
    // The window is the same on every screen of the bench; it is looked at with the first.
    if (path.startsWith("/bench") && !path.endsWith("attributes")) builder.exclude("section[aria-label='Shopper window']");
    // What is dark differs in its colours alone.
    if (colorScheme === "dark") builder.withRules(["color-contrast"]);
    const { violations } = await builder.analyze();
    const serious = violations.filter(({ impact }) => impact === "serious" || impact === "critical");
    expect(
      serious.map(
        ({ id, nodes }) =>
          `${id}: ${nodes
            .slice(0, 3)
            .map((node) => node.html.slice(0, 160))
            .join(" | ")}`,
      ),
    ).toEqual([]);
    // Nothing is cut off at the right edge of a screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
  });
});
