import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { moveByKeyboard, openPage, shownIds, withDemo } from "../support/browser";
import { ask, CSV, startServer } from "../support/server";
import { until } from "../support/waits";

/** Nothing is lost: second tab, reload, a server that does not answer, a first start. */
describe("nothing is lost", () => {
  const suite = withDemo();

  /** @param isDeaf whether the page is not told what others do. */
  const openBench = async (area: string, isDeaf = false): Promise<Page> => {
    const page = await openPage(suite.browser);
    if (isDeaf) await page.route("**/news?*", (route) => route.abort());
    await page.goto(`${suite.server.url}/bench/quillmoor/${area}`);
    await page.getByRole("heading", { level: 1 }).waitFor();
    return page;
  };
  const titleWeight = (page: Page) => page.getByLabel("Weight of Title, as a number");
  const weightOnServer = async () =>
    (await ask<{ settings: number }>(suite.server, "GET", "/api/stores/quillmoor/draft?pointer=/attributes/title/weight")).body.settings;

  test("a reload shows the draft as it was", async () => {
    const page = await openBench("attributes");
    await titleWeight(page).fill("6.5");
    await titleWeight(page).press("Enter");
    await until(async () => (await weightOnServer()) === 6.5, "the weight on the server");
    await page.reload();
    await titleWeight(page).waitFor();
    expect(await titleWeight(page).inputValue()).toBe("6.5");
    await page.close();
  });

  test("a number out of range is kept within it, and nonsense is put back", async () => {
    const page = await openBench("attributes");
    await titleWeight(page).fill("11");
    await titleWeight(page).press("Enter");
    expect(await titleWeight(page).inputValue()).toBe("10");
    await titleWeight(page).fill("heavy");
    await titleWeight(page).press("Enter");
    expect(await titleWeight(page).inputValue()).toBe("10");
    await page.close();
  });

  test("two tabs: different settings go together, the same setting is said and put right", async () => {
    const [one, two] = [await openBench("attributes", true), await openBench("attributes", true)];
    await one.getByLabel("Weight of Brand, as a number").fill("2");
    await one.getByLabel("Weight of Brand, as a number").press("Enter");
    await until(async () => (await one.getByText(/change/).count()) > 0, "the change in the first tab");
    await two.getByLabel("Weight of Tags, as a number").fill("7");
    await two.getByLabel("Weight of Tags, as a number").press("Enter");
    const attributes = async () =>
      (await ask<{ settings: Record<string, { weight: number }> }>(suite.server, "GET", "/api/stores/quillmoor/draft?pointer=/attributes"))
        .body.settings;
    await until(async () => (await attributes()).tags.weight === 7, "the second tab's change");
    expect((await attributes()).brand.weight).toBe(2);

    await one.getByLabel("Weight of Tags, as a number").fill("1");
    await one.getByLabel("Weight of Tags, as a number").press("Enter");
    await one.getByText(/Somebody changed the same settings meanwhile/).waitFor();
    await until(async () => (await one.getByLabel("Weight of Tags, as a number").inputValue()) === "7", "the other's value");
    await Promise.all([one.close(), two.close()]);
  });

  test("a server that does not answer is said, and the setting goes back to what it is", async () => {
    const page = await openBench("words");
    await page.route("**/draft", (route) => (route.request().method() === "PATCH" ? route.abort() : route.continue()));
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("spade, shovel");
    await page.getByRole("button", { name: "Add the rule" }).click();
    await page.getByText("The server does not answer.").waitFor();
    await until(async () => (await page.getByRole("button", { name: "shovel", exact: true }).count()) === 0, "the rule gone again");
    await page.close();
  });

  test("undo and redo by keyboard", async () => {
    const page = await openBench("filters");
    const filters = () => page.getByRole("switch").count();
    const before = await filters();
    await page.getByLabel("Remove Material").click();
    await until(async () => (await filters()) === before - 1, "one filter less");
    await page.keyboard.press("Control+z");
    await until(async () => (await filters()) === before, "the filter back");
    await page.keyboard.press("Control+Shift+z");
    await until(async () => (await filters()) === before - 1, "the filter gone again");
    await page.close();
  });

  test("filters are put in order by keyboard", async () => {
    const page = await openBench("filters");
    const first = () => page.locator("main li b").first().innerText();
    expect(await first()).toBe("Department");
    await page.getByRole("button", { name: "Move Price", exact: true }).focus();
    await moveByKeyboard(page, "ArrowUp");
    await until(async () => (await first()) === "Price", "price first");
    await page.getByRole("button", { name: "Move Price", exact: true }).focus();
    await moveByKeyboard(page, "ArrowDown");
    await until(async () => (await first()) === "Department", "department first again");
    await page.close();
  });

  test("the day can be pretended, the width is that of a phone, and a category can be looked at", async () => {
    const page = await openBench("shelves");
    await page.getByLabel("Search being tried").fill("bulbs");
    await page.getByText("Shelf Bulb season").waitFor();
    await page.getByRole("button", { name: "Today" }).click();
    await page.getByLabel("See the shop as on").fill("2027-03-01T12:00");
    await until(async () => (await page.getByText("Shelf Bulb season").count()) === 0, "the shelf ended");
    await page.keyboard.press("Escape");
    await page.getByRole("combobox", { name: "Width" }).click();
    await page.getByRole("option", { name: "375 px" }).click();
    expect(
      await page.locator("section[aria-label='Shopper window'] .shop").evaluate((shop) => Math.round(shop.getBoundingClientRect().width)),
    ).toBe(375);
    await page.getByRole("button", { name: "Look at a category instead" }).click();
    await page.getByRole("button", { name: "Roses" }).click();
    await until(async () => (await shownIds(page)).length > 10, "roses");
    await page.close();
  });

  test("where there is no room for both, the shop is a drawer", async () => {
    const page = await openPage(suite.browser, { width: 1000, height: 700 });
    await page.goto(`${suite.server.url}/bench/quillmoor/attributes`);
    await page.getByRole("button", { name: "Shopper window" }).click();
    await page.getByLabel("Search being tried").waitFor();
    await page.getByRole("button", { name: "Close the shopper window" }).click();
    await until(async () => !(await page.getByLabel("Search being tried").isVisible()), "the drawer closed");
    await page.close();
  });

  test("a first start: a file is dropped in, and the shop can be searched; a broken one is said", async () => {
    const fresh = await startServer();
    const page = await openPage(suite.browser);
    await page.goto(fresh.url);
    const folder = mkdtempSync(join(tmpdir(), "feed-"));
    writeFileSync(join(folder, "broken.csv"), 'id,title\n1,"never closed\n');
    writeFileSync(join(folder, "products.csv"), CSV);
    await page.getByLabel("File with products").setInputFiles(join(folder, "broken.csv"));
    await page.getByRole("button", { name: "Create the store" }).click();
    await page
      .getByRole("alert")
      .getByText(/is never closed/)
      .waitFor();
    await page.getByLabel("File with products").setInputFiles(join(folder, "products.csv"));
    await page.getByRole("button", { name: "Create the store" }).click();
    await page.getByRole("heading", { name: "Feed" }).waitFor();
    await page.getByText(/Added 4, changed 0, removed 0 products/).waitFor();
    await page.getByLabel("Search being tried").fill("rose");
    await until(async () => (await shownIds(page)).length === 2, "two roses");
    await page.close();
    await fresh.stop();
  });
});
