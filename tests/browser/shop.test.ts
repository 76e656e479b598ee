import type { Page } from "playwright-core";
import { openPage, withDemo } from "../support/browser";
import { holdBack, settled, until } from "../support/waits";

describe("a shopper in the demo shop", () => {
  const suite = withDemo();
  let page: Page;
  beforeEach(async () => {
    page = await openPage(suite.browser);
    await page.goto(`${suite.server.url}/shop/quillmoor`);
    await page.getByRole("heading", { name: "Selling well this month" }).waitFor();
  });
  afterEach(() => page.close());

  const box = () => page.getByRole("combobox", { name: "Search the shop" });
  const total = async () => Number((/([\d,]+) products?/.exec(await page.locator("main").innerText())?.[1] ?? "0").replace(",", ""));

  test("types, sees completions, categories and products, and chooses with the keyboard alone", async () => {
    await box().fill("clem");
    await page
      .getByRole("option", { name: /^clematis/ })
      .first()
      .waitFor();
    await page.keyboard.press("ArrowDown");
    expect(await page.getByRole("option", { selected: true }).innerText()).toContain("clematis");
    await page.keyboard.press("Enter");
    await page.getByRole("heading", { name: "“clematis”" }).waitFor();
    expect(page.url()).toContain("q=clematis");
  });

  test("a late answer never replaces a newer one", async () => {
    const late = await holdBack(page, "**/suggest", ({ query }) => query === "tu");
    await box().fill("tu");
    await until(async () => late.isHeld(), "the first question");
    await box().pressSequentially("lip");
    await page
      .getByRole("option", { name: /^tulip/ })
      .first()
      .waitFor();
    await late.release();
    const options = await page.getByRole("option").allInnerTexts();
    expect(options.some((text) => text.startsWith("tulip"))).toBe(true);
  });

  test("filters are in the address, can be shared, and the back button takes them away", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=lavender`);
    await until(async () => (await total()) > 0, "results");
    const all = await total();
    await page.getByRole("button", { name: /^White, / }).click();
    await until(async () => (await total()) < all, "fewer results");
    const few = await total();
    expect(page.url()).toContain("f.flower-colour=White");
    const other = await openPage(suite.browser);
    await other.goto(page.url());
    await other.getByText(`${few} products`).waitFor();
    await other.close();
    await page.goBack();
    await until(async () => (await total()) === all, "all results again");
  });

  test("a price range by keyboard, its chip, and clear all", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=rose`);
    await page.getByRole("slider", { name: "Price to" }).focus();
    const all = await total();
    for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowLeft");
    await until(async () => (await total()) < all, "cheaper roses");
    expect(page.url()).toMatch(/r\.price=\.\.\d/);
    await page.getByRole("button", { name: "Clear all" }).click();
    await until(async () => (await total()) === all, "all roses");
  });

  test("walks through departments to a product, chooses a size, and sees what goes with it", async () => {
    await page.getByRole("navigation", { name: "Departments" }).getByRole("link", { name: "Plants" }).click();
    await page.getByRole("link", { name: "Roses", exact: true }).click();
    await page.getByRole("heading", { name: "Roses", level: 1 }).waitFor();
    await page.locator("main ul li a").first().click();
    await page.getByRole("button", { name: /basket|Sold out/ }).waitFor();
    await page.getByRole("heading", { name: "Alternatives" }).waitFor();
    expect(await page.locator("main").innerText()).not.toMatch(/Margin/i);
  });

  test("finds nothing and is led on", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=terrapin`);
    await page.getByText("We have nothing for “terrapin”.").waitFor();
    await page.getByRole("button", { name: "lavender" }).click();
    await page.getByRole("heading", { name: "“lavender”" }).waitFor();
  });

  test("reads a guide", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=prune+lavender`);
    await page.getByRole("link", { name: "When to prune lavender" }).click();
    await page.getByText("Never cut into bare wood").waitFor();
  });

  test("fits a phone: nothing runs over the edge at 375 pixels", async () => {
    await page.setViewportSize({ width: 375, height: 740 });
    for (const path of ["", "/search?q=lavender", "/category/Plants", "/product/P-00005", "/search?q=aquarium"]) {
      await page.goto(`${suite.server.url}/shop/quillmoor${path}`);
      await page.locator("main").waitFor();
      await settled(page);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(375);
    }
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=lavender`);
    await page.getByText("Filters").click();
    await page.getByRole("checkbox").first().click();
    await until(async () => page.url().includes("f.category"), "the filter in the address");
  });
});
