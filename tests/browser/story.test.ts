import type { Page } from "playwright-core";
import { atRest, benchOf, moveByKeyboard, openPage, shownIds, shownTitles, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { dragTo, until } from "../support/waits";

/** A merchandiser's first hour at the bench, without loading the page again. */
describe("a merchandiser at the bench", () => {
  const suite = withDemo();
  let page: Page;
  beforeAll(async () => {
    page = await openPage(suite.browser);
    await page.goto(`${suite.server.url}/bench`);
    await page.getByRole("heading", { name: "Attributes" }).waitFor();
    await page.evaluate(() => {
      (window as unknown as { opened: number }).opened = 1;
    });
  });

  const open = (area: string) => page.getByRole("navigation", { name: "Areas" }).getByRole("link", { name: area }).click();
  const { shopper, tryOut } = benchOf(suite, () => page);
  const card = (place: number) => page.locator("[data-product]").nth(place - 1);
  const act = async (place: number, name: RegExp) => {
    await card(place).hover();
    await card(place).getByRole("button", { name }).click();
  };
  const shopTop = async (query: string) =>
    (await ask<{ hits: { id: string }[] }>(suite.server, "POST", "/shop/quillmoor/search", { query })).body.hits.map((hit) => hit.id);

  test("sees that “aubergine seeds” misses what is called eggplant, adds a synonym, sees it found", async () => {
    await open("Words");
    await tryOut("aubergine seeds");
    expect((await shownTitles(page)).some((title) => /eggplant/i.test(title))).toBe(false);
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("aubergine, eggplant");
    await page.getByRole("button", { name: "Add the rule" }).click();
    await until(async () => (await shownTitles(page)).some((title) => /eggplant/i.test(title)), "the eggplants");
    expect(await shopper().innerText()).toContain("aubergine = eggplant");
    expect(await page.getByRole("status").first().innerText()).toBe("1 unreleased change");
  });

  test("searches “lavendar” and gets lavender", async () => {
    await tryOut("lavendar");
    expect(await shopper().innerText()).toContain("Showing lavender; you typed lavendar");
    expect((await shownTitles(page)).every((title) => /lavender|lavandula/i.test(title))).toBe(true);
  });

  test("switches an attribute off and raises another's weight, and sees results move at once", async () => {
    await open("Attributes");
    await tryOut("scented rose");
    const before = await shownIds(page);
    await page.getByLabel("Search in Title").click();
    await until(async () => (await shownIds(page)).join() !== before.join(), "results without the title");
    await page.getByLabel("Search in Title").click();
    await until(async () => (await shownIds(page)).join() === before.join(), "results as before");
    const slider = page.getByRole("slider", { name: "Weight of Description" });
    await slider.focus();
    for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowRight");
    await until(async () => (await shownIds(page)).join() !== before.join(), "results with a heavier description");
    expect(await shopper().innerText()).toMatch(/\d+ moved/);
    await page.getByLabel("Reset Description to what is live").click();
    await until(async () => (await shownIds(page)).join() === before.join(), "results as live");
  });

  test("turns a field into a filter and uses it", async () => {
    await open("Filters");
    await tryOut("lavender");
    await page.getByRole("button", { name: /^Show all/ }).click();
    await page.getByRole("button", { name: "Add a filter from Soil" }).click();
    await page.getByRole("heading", { name: "Filter Soil" }).waitFor();
    const filter = shopper().getByRole("region", { name: "Soil" });
    await filter.getByRole("checkbox").first().click();
    await until(
      async () =>
        (await shopper()
          .getByRole("button", { name: /^Remove / })
          .count()) === 1,
      "the chip",
    );
    const value =
      (
        await shopper()
          .getByRole("button", { name: /^Remove / })
          .getAttribute("aria-label")
      )?.replace("Remove ", "") ?? "";
    const total = Number(/(\d+) products/.exec(await shopper().innerText())?.[1]);
    const { body } = await ask<{ total: number }>(suite.server, "POST", "/api/stores/quillmoor/search", {
      query: "lavender",
      filters: { soil: { any: [value] } },
    });
    expect(total).toBe(body.total);
    await shopper().getByRole("button", { name: "Clear all" }).click();
  });

  test("pins a product by dragging it, and another by keyboard", async () => {
    await open("Shelves");
    await tryOut("climbing rose");
    const [, , , , fifth] = await shownIds(page);
    const from = await card(5).boundingBox();
    const to = await card(1).boundingBox();
    if (!from || !to) throw new Error("The cards are not there.");
    await dragTo(page, { x: from.x + 50, y: from.y + 70 }, { x: to.x + 50, y: to.y + 70 });
    await until(async () => (await shownIds(page))[0] === fifth, "the dragged product in front");
    expect(await card(1).innerText()).toContain("pinned");

    await atRest(page);
    const third = (await shownIds(page))[2];
    await card(3).locator("[aria-roledescription]").focus();
    await moveByKeyboard(page, "ArrowLeft");
    await until(async () => (await shownIds(page))[1] === third, "the product lifted by keyboard in second place");
  });

  test("boosts one, buries one, hides one", async () => {
    const [, , , fourth, , sixth, seventh] = await shownIds(page);
    await act(4, /^Raise/);
    const strengths = () =>
      page.getByLabel(/^Raise or lower .* by per cent$/).evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));
    await until(async () => (await strengths()).includes("50"), "the raise");
    await until(async () => (await shownIds(page)).indexOf(fourth) <= 3, "the raised product");
    await page.locator(`[data-product="${sixth}"]`).hover();
    await page
      .locator(`[data-product="${sixth}"]`)
      .getByRole("button", { name: /^Lower/ })
      .click();
    await until(async () => (await strengths()).includes("-33"), "the burial");
    const hidden = page.locator(`[data-product="${seventh}"]`);
    await hidden.hover();
    await hidden.getByRole("button", { name: /^Hide/ }).click();
    await page.getByRole("menuitem", { name: "Hide everywhere" }).click();
    await until(async () => !(await shownIds(page)).includes(seventh), "the hidden product gone");
    await page.getByRole("link", { name: /^Hidden\s*1$/ }).waitFor();
  });

  test("asks why a product is here, and where a missing one is", async () => {
    await act(3, /^Why/);
    const panel = page.getByRole("region", { name: /^Why is/ });
    await panel.waitFor();
    const numbers = (await panel.locator("tr td:last-child").allInnerTexts()).map((text) => Number(text.replace("×", "").trim()));
    const isFactor = (await panel.locator("tr td:last-child").allInnerTexts()).map((text) => text.includes("×"));
    const sum = numbers.slice(0, -1).reduce((all, number, i) => (isFactor[i] ? all : all + number), 0);
    const factor = numbers.slice(0, -1).reduce((all, number, i) => (isFactor[i] ? all * number : all), 1);
    expect(Math.abs(sum * factor - numbers[numbers.length - 1])).toBeLessThan(0.06);
    await panel.getByRole("button", { name: "Close" }).click();
    await page.getByRole("button", { name: "Where is…?" }).click();
    await page.getByLabel("Product to look for").fill("garden bench");
    await page.getByRole("listbox", { name: "Products" }).getByRole("option").first().click();
    await page.getByText("nothing in it answers").waitFor();
    await page.getByRole("button", { name: "Where is…?" }).click();
  });

  test("sets what shoppers get for “terrapin”: words and products", async () => {
    await open("No results");
    await page.getByRole("link", { name: "Own answers" }).click();
    await tryOut("terrapin");
    await page.getByRole("button", { name: "Answer “terrapin” itself" }).click();
    await page.getByLabel("Message for terrapin").fill("No fish here, but everything for a pond.");
    await page.keyboard.press("Enter");
    await page.getByLabel("Search to propose for terrapin").fill("water lily");
    await page.keyboard.press("Enter");
    await page.getByLabel("Product to propose for terrapin").fill("marsh marigold");
    await page.getByRole("listbox", { name: "Products" }).getByRole("option").first().click();
    await shopper().getByText("No fish here, but everything for a pond.").waitFor();
    await shopper().getByRole("button", { name: "water lily" }).waitFor();
    await until(async () => /marsh marigold/i.test(await shopper().innerText()), "the proposed product");
  });

  test("compares draft with live, undoes and redoes", async () => {
    await open("Releases");
    await tryOut("climbing rose");
    await page.getByRole("radio", { name: "Both" }).click();
    const draft = await page.getByRole("region", { name: "Draft" }).getByRole("listitem").first().innerText();
    const live = await page.getByRole("region", { name: "Live" }).getByRole("listitem").first().innerText();
    expect(draft).not.toBe(live);
    const count = () => page.getByRole("status").first().innerText();
    const before = await count();
    await page.getByTitle("Undo your last change (Ctrl Z)").click();
    await page.getByTitle("Redo (Ctrl Shift Z)").click();
    await until(async () => (await count()) === before, "the same changes");
    await page.getByRole("radio", { name: "Draft" }).click();
  });

  test("releases, and the demo shop changes", async () => {
    const draftTop = (await shownIds(page)).slice(0, 3);
    expect((await shopTop("climbing rose")).slice(0, 3)).not.toEqual(draftTop);
    await page.getByLabel("Note").fill("Roses, aubergines and a pond");
    await page.getByRole("button", { name: /^Release \d+ changes$/ }).click();
    await page.getByText("No unreleased changes", { exact: true }).waitFor();
    expect((await shopTop("climbing rose")).slice(0, 3)).toEqual(draftTop);
    const shop = await openPage(suite.browser);
    await shop.goto(`${suite.server.url}/shop/quillmoor/search?q=aubergine+seeds`);
    await shop
      .getByText(/Eggplant seeds/)
      .first()
      .waitFor();
    await shop.close();
  });

  test("never had to load the page again", async () => {
    expect(await page.evaluate(() => (window as unknown as { opened?: number }).opened)).toBe(1);
  });
});
