import type { Locator, Page } from "playwright-core";
import { benchOf, moveByKeyboard, openPage, withDemo } from "../support/browser";
import { until } from "../support/waits";

/** A merchandiser builds each kind of filter, and uses it in the window as a shopper would, by mouse and by keyboard. */
describe("filters", () => {
  const suite = withDemo();
  let page: Page;
  const { open, tryOut, shopper } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const total = async () =>
    Number((/([\d,]+) products?\b/.exec(await shopper().locator(".shop").innerText()) ?? [])[1]?.replaceAll(",", ""));
  const chips = () => shopper().getByRole("button", { name: /^Remove / });
  const shown = (name: string) => shopper().getByRole("region", { name, exact: true });
  const control = async (of: string, name: string) => {
    const radio = page.getByRole("radiogroup", { name: `Control of ${of}` }).getByRole("radio", { name, exact: true });
    await radio.click();
    await until(async () => (await radio.getAttribute("data-state")) === "checked", `the control ${name}`);
  };
  /** Chooses by whatever the control has, and takes it back by its chip. */
  const choose = async (press: () => Promise<void>, expected?: number) => {
    await press();
    await until(async () => (await chips().count()) > 0, "a chip");
    if (expected !== undefined) await until(async () => (await total()) === expected, `${expected} products`);
    await shopper().getByRole("button", { name: "Clear all" }).click();
    await until(async () => (await chips().count()) === 0, "no chip");
  };
  const countIn = async (row: Locator) => Number(/(\d[\d,]*)\s*$/.exec((await row.innerText()).trim())?.[1]?.replaceAll(",", ""));

  test("each says what it does for real searches, and what else would serve is proposed with reasons", async () => {
    await open("filters");
    await tryOut("lavender");
    await page.getByText(/Measured by the \d+ most asked searches/).waitFor();
    await page
      .getByText(/Shown for \d+ % of searches; \d+ % of results have it/)
      .first()
      .waitFor();
    const proposal = page.getByRole("button", { name: "Add a filter from Availability" });
    const all = page.getByRole("button", { name: /^Show all/ });
    if (await all.isVisible()) await all.click();
    await proposal.click();
    await page.getByRole("heading", { name: "Filter Availability" }).waitFor();
    const inStock = shown("Availability").getByRole("checkbox", { name: /In stock/ });
    await inStock.waitFor();
    await choose(() => inStock.click(), await countIn(shown("Availability").locator("label").filter({ hasText: "In stock" })));
  });

  test("lists: ticks, one at a time, with a search, buttons, swatches; by mouse and keyboard", async () => {
    await open("filters/light");
    await tryOut("rose");
    await control("Light", "Checkbox list");
    const row = shown("Light").locator("label").first();
    await choose(() => row.click(), await countIn(row));
    await control("Light", "One at a time");
    const radio = shown("Light").getByRole("radio").nth(1);
    await radio.waitFor();
    const one = await countIn(shown("Light").locator("label").nth(1));
    await radio.focus();
    await choose(() => page.keyboard.press("Space"), one);
    await control("Light", "Buttons");
    const button = shown("Light").getByRole("button").first();
    await button.waitFor();
    const few = await countIn(button);
    await button.focus();
    await choose(() => page.keyboard.press("Enter"), few);
    await control("Light", "Swatches");
    await choose(() => shown("Light").getByRole("button").first().click());
    await open("filters/brand");
    await tryOut("rose bush");
    await control("Brand", "List with a search");
    await shown("Brand").getByRole("searchbox").fill("long");
    const found = shown("Brand").locator("label");
    await until(async () => (await found.count()) === 1, "one brand");
    await choose(() => found.click(), await countIn(found));
  });

  test("numbers: bars, from – to, steps with own thresholds, and more", async () => {
    await open("filters/price");
    await tryOut("rose");
    const all = await total();
    await control("Price", "Slider with bars");
    await choose(async () => {
      await shown("Price").getByRole("slider").first().press("ArrowRight");
      await until(async () => (await total()) < all, "fewer products");
    });
    await control("Price", "From – to");
    const from = shown("Price").getByLabel("Price from").and(page.locator("input"));
    const to = shown("Price").getByLabel("Price to").and(page.locator("input"));
    await from.fill("30");
    await to.fill("20");
    await to.press("Enter");
    await shown("Price").getByRole("alert").filter({ hasText: "The first number is above the second." }).waitFor();
    await choose(async () => {
      await from.fill("10");
      await to.press("Enter");
      await until(async () => (await total()) < all, "fewer products");
    });
    await control("Price", "Checkbox list");
    await page.getByLabel("Thresholds", { exact: true }).fill("20 10");
    await page.getByLabel("Thresholds", { exact: true }).press("Enter");
    await shown("Price").getByText("£10 to £20").waitFor();
    const step = shown("Price").locator("label").filter({ hasText: "£10 to £20" });
    await choose(() => step.click(), await countIn(step));
    await control("Price", "And more");
    const more = shown("Price").getByRole("button", { name: /£20 and more/ });
    await choose(() => more.click(), await countIn(more));
    await page.getByLabel("Thresholds", { exact: true }).fill("ten");
    await page.getByLabel("Thresholds", { exact: true }).press("Enter");
    await page.getByRole("alert").filter({ hasText: "Thresholds are numbers" }).waitFor();
  });

  test("a category tree opens along the way, and leads back", async () => {
    await open("filters/category");
    await control("Department", "Tree");
    await shown("Department")
      .getByRole("button", { name: /^Plants/ })
      .click();
    await shown("Department")
      .getByRole("button", { name: /^Perennials/ })
      .click();
    await until(async () => (await chips().count()) === 1, "one chip");
    await shown("Department").getByRole("button", { name: "All", exact: true }).click();
    await until(async () => (await chips().count()) === 0, "no chip");
  });

  test("values are renamed, merged, hidden, put in order by keyboard and chosen from the start", async () => {
    await open("filters/light");
    await tryOut("rose");
    await control("Light", "Checkbox list");
    const names = () =>
      shown("Light")
        .locator("label")
        .allInnerTexts()
        .then((texts) => texts.map((text) => text.replace(/\s*[\d,]+$/, "").trim()));
    await until(async () => (await names()).includes("Full sun"), "the values");
    await page.getByLabel("Name of Full sun").fill("In the sun");
    await page.getByLabel("Name of Full sun").press("Enter");
    await until(async () => (await names()).includes("In the sun"), "the new name");
    await page.getByLabel("Move In the sun").focus();
    const before = await names();
    if (before[0] === "In the sun") await moveByKeyboard(page, "ArrowDown");
    else await moveByKeyboard(page, "ArrowUp");
    await until(async () => (await names()).join() !== before.join(), "another order");
    await page.getByLabel("In the sun is chosen from the start").click();
    await until(async () => (await chips().count()) === 1, "what is chosen from the start");
    await chips().click();
    await until(async () => (await chips().count()) === 0, "it can be taken away");
    await page.getByLabel("Choose In the sun").click();
    await page.getByLabel("Choose Part shade").click();
    await page.getByLabel("Name of the merged value").fill("Some sun");
    await page.getByRole("button", { name: "Merge 2 into one" }).click();
    await until(async () => (await names()).includes("Some sun"), "the merged value");
    await page.getByRole("button", { name: "Split Some sun" }).click();
    await until(async () => (await names()).includes("Full sun"), "apart again");
    await page.getByRole("button", { name: "Hide Part shade" }).click();
    await until(async () => !(await names()).includes("Part shade"), "hidden");
    await page.getByRole("button", { name: "Show Part shade again" }).click();
    await until(async () => (await names()).includes("Part shade"), "shown again");
  });

  test("it stands where and when it is said to, folded and with help", async () => {
    await open("filters/light");
    await tryOut("rose");
    await shown("Light").waitFor();
    await page.getByRole("radio", { name: "folded, its name opens it" }).click();
    const head = shown("Light").getByRole("button", { name: "Light" });
    await head.waitFor();
    await page.getByLabel("Help under the name").fill("Where it grows best");
    await page.getByLabel("Help under the name").press("Enter");
    await head.click();
    await shown("Light").getByText("Where it grows best").waitFor();
    await page.getByLabel("Beside search results").click();
    await page.getByText("Not shown here: it is set up for other places.").waitFor();
    await until(async () => (await shown("Light").count()) === 0, "gone from the results");
    await page.getByLabel("Beside search results").click();
    await page.getByLabel("Only for searches with").fill("climbing");
    await page.getByLabel("Only for searches with").press("Enter");
    await page.getByText("Not shown here: it is set up for other searches.").waitFor();
    await tryOut("climbing rose");
    await shown("Light").waitFor();
  });
});
