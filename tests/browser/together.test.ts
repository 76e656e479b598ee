import type { Page } from "playwright-core";
import { atRest, benchOf, openPage, shownIds, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { settled, until } from "../support/waits";

/** Several people at one draft, links between them, and the bench by keyboard alone. */
describe("together", () => {
  const suite = withDemo();
  let page: Page;
  const { store, open, tryOut } = benchOf(suite, () => page);
  beforeEach(async () => {
    page = await openPage(suite.browser);
  });
  afterEach(() => page.close());

  const callOneself = async (of: Page, name: string) => {
    await of.getByRole("button", { name: /^You are/ }).click();
    await of.getByLabel("Your name").fill(name);
    await of.getByLabel("Your name").press("Enter");
    await of.keyboard.press("Escape");
  };
  const weightOf = (of: Page, field: string) => of.getByLabel(`Weight of ${field}, as a number`);
  const weigh = async (of: Page, field: string, weight: string) => {
    await weightOf(of, field).fill(weight);
    await weightOf(of, field).press("Enter");
  };

  test("colleagues see each other and what the other changes, undo their own alone, and release knowing whose it is", async () => {
    await open("attributes");
    await callOneself(page, "Maud Ellerby");
    const other = await openPage(suite.browser);
    await other.goto(`${suite.server.url}/bench/quillmoor/ranking/boosts`);
    await callOneself(other, "Perrin Dale");
    await page.getByRole("button", { name: "You are Maud Ellerby. 1 other here." }).click();
    await page.getByRole("link", { name: "Ranking, Boosts" }).waitFor();
    await page.keyboard.press("Escape");

    await other.getByRole("link", { name: "Attributes" }).click();
    await weigh(page, "Brand", "2.5");
    await until(async () => (await weightOf(other, "Brand").inputValue()) === "2.5", "the colleague's weight");
    await other.getByText("Maud Ellerby: Brand weight 4 → 2.5").waitFor();
    await weigh(other, "Tags", "6");
    await until(async () => (await weightOf(page, "Tags").inputValue()) === "6", "the other weight");

    // One's own last change, not the last one.
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Brand weight 2.5 → 4").waitFor();
    expect([await weightOf(page, "Brand").inputValue(), await weightOf(page, "Tags").inputValue()]).toEqual(["4", "6"]);
    await page.getByRole("button", { name: "Redo" }).click();
    await until(async () => (await weightOf(other, "Brand").inputValue()) === "2.5", "the change made again");

    await page.getByRole("button", { name: "Review and release" }).click();
    const changes = page.getByRole("region", { name: "Changes in Attributes" });
    await changes.getByText("Perrin Dale").waitFor();
    expect((await changes.getByRole("listitem").allInnerTexts()).map((text) => text.replace(/\s+/g, " ")).sort()).toEqual([
      "Brand weight 4 → 2.5 Maud Ellerby",
      expect.stringMatching(/^Tags weight .* Perrin Dale$/),
    ]);
    // Any change of the history, a colleague's too, is taken back alone.
    await page
      .locator("section", { hasText: "History of the draft" })
      .getByRole("listitem")
      .filter({ hasText: "Tags" })
      .first()
      .getByRole("button")
      .click();
    await until(async () => (await weightOf(other, "Tags").inputValue()) !== "6", "the change taken back");
    await changes.getByText("Perrin Dale").waitFor({ state: "detached" });
    await other.close();
  });

  test("a link shows a colleague the same screen, row, search, filter and state; back and reload do as well", async () => {
    await open("attributes");
    await tryOut("rose");
    await until(async () => page.url().includes("q=rose"), "the search in the address");
    await page
      .locator("section[aria-label='Shopper window']")
      .getByLabel(/^Red/)
      .first()
      .or(page.getByRole("checkbox", { name: /^Plants/ }))
      .first()
      .click();
    await page.getByRole("radio", { name: "Both" }).click();
    await page.getByRole("button", { name: "More about Brand" }).click();
    await until(
      async () => /state=both/.test(page.url()) && /f\./.test(page.url()) && /open=brand/.test(page.url()),
      "all of it in the address",
    );
    const link = page.url();
    const other = await openPage(suite.browser);
    await other.goto(link);
    await other.getByRole("button", { name: "More about Brand", expanded: true }).waitFor();
    expect(await other.getByLabel("Search being tried").inputValue()).toBe("rose");
    expect(await other.getByRole("radio", { name: "Both" }).getAttribute("aria-checked")).toBe("true");
    await other.close();

    await page.getByRole("link", { name: "Filters" }).click();
    await page.getByRole("heading", { name: "Filters" }).first().waitFor();
    await until(async () => page.url().includes("q=rose"), "the window, on the other screen too");
    await tryOut("spade");
    await until(async () => page.url().includes("q=spade"), "the next search");
    await page.goBack();
    await until(async () => (await page.getByLabel("Search being tried").inputValue()) === "rose", "the search before");
    await page.reload();
    await until(async () => (await page.getByLabel("Search being tried").inputValue()) === "rose", "the search after a reload");
    expect(page.url()).toContain("/filters");
    await page.goto(`${suite.server.url}/bench/quillmoor/words/rules`);
    await page.getByLabel("Store").selectOption({ index: 1 });
    await until(async () => page.url().includes("/bench/quillmoor-de/words/rules"), "the same area of the other store");
  });

  test("by keyboard alone: a search is tried, its results are pinned, and anything is found by its name", async () => {
    await open("attributes");
    await settled(page);
    await page.keyboard.press("Tab");
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe("Skip to the work");
    await page.keyboard.press("/");
    await page.keyboard.type("trowel");
    await page.keyboard.press("Enter");
    await until(async () => (await shownIds(page)).length > 2, "trowels");
    await atRest(page);
    const before = await shownIds(page);
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("r");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("t");
    await until(async () => (await shownIds(page))[0] === before[2], "the third one at the top");
    const focused = () => page.evaluate(() => (document.activeElement as HTMLElement).dataset.handle);
    await until(async () => (await focused()) === before[2], "the focus where it was");
    await page.keyboard.press("w");
    await page.getByText(/Why/).first().waitFor();
    const { body } = await ask<{ settings: Record<string, { searches: { text: string }[]; pins: object }> }>(
      suite.server,
      "GET",
      `${store}/draft?pointer=/shelves`,
    );
    expect(Object.values(body.settings).find(({ searches }) => searches.some(({ text }) => text === "trowel"))?.pins).toEqual({
      [before[2]]: 1,
    });

    await page.keyboard.press("Control+k");
    await page.getByPlaceholder("Area, setting, product, search").waitFor();
    await page.keyboard.type("synonym");
    await page.getByRole("option", { name: /Word rules/ }).waitFor();
    await page.keyboard.press("Enter");
    await until(async () => page.url().includes("/words/rules"), "the screen that was found");
    await page.keyboard.press("Escape");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("?");
    await page.getByRole("dialog").getByText("Pin it to the top").waitFor();
  });
});
