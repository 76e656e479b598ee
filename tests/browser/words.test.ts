import type { Page } from "playwright-core";
import { benchOf, moveByKeyboard, openPage, shownTitles, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { until } from "../support/waits";

/** What a merchandiser does about words, groups and order, seen in the window each time. */
describe("words, groups and ranking", () => {
  const suite = withDemo();
  let page: Page;
  const { store, open, tryOut, shopper, answer } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const total = (query: string) => answer<{ total: number; outcome: string }>(query, { limit: 0 });

  test("an intent is tried on real searches, added, and said above the results", async () => {
    await open("words/rules");
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("present");
    await page.getByLabel("What the words do").click();
    await page.getByRole("option", { name: "means the category or value" }).click();
    await page.getByLabel("What it means").click();
    await page.getByRole("option", { name: "Occasion" }).click();
    await page.getByLabel("Value", { exact: true }).fill("Gift");
    await page
      .getByRole("region", { name: "Trial" })
      .getByText(/made \d+ times? in the log|Changes none/)
      .waitFor();
    await page.getByRole("button", { name: "Add the rule" }).click();
    await tryOut("present for gardener");
    await until(async () => (await shopper().innerText()).includes("present → Occasion: Gift"), "the trace");
    await page.getByRole("cell").filter({ hasText: "present" }).first().waitFor();
  });

  test("a rule that says what another says is not taken", async () => {
    await page.getByLabel("What the words do").click();
    await page.getByRole("option", { name: "mean the same" }).click();
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("zucchini, courgette");
    await page.getByText("finds “courgette” already").waitFor();
    expect(await page.getByRole("button", { name: "Add the rule" }).isDisabled()).toBe(true);
  });

  test("ten thousand rules come from a file, scroll and are searched", async () => {
    const lines = Array.from({ length: 10_000 }, (_, i) => `same,word${i}a; word${i}b,,0.9,,yes`);
    await page.getByLabel("File of word rules").setInputFiles({
      name: "many.csv",
      mimeType: "text/csv",
      buffer: Buffer.from(`does,words,with,quality,as,on\n${lines.join("\n")}\n`),
    });
    await page.getByText("10,000 rules added from many.csv.").waitFor({ timeout: 30_000 });
    await page.getByRole("status").filter({ hasText: "10,008 rules" }).waitFor();
    expect(await page.getByRole("table", { name: "Word rules" }).getByRole("row").count()).toBeLessThan(60);
    await page.getByLabel("Search in the rules").fill("word7777a");
    await page.getByRole("status").filter({ hasText: "1 rule" }).waitFor();
    await page.getByRole("button", { name: "word7777a", exact: true }).waitFor();
    await page.getByLabel("Choose all these rules").click();
    await page.getByRole("button", { name: "Remove 1 rule" }).click();
    await page.getByRole("status").filter({ hasText: "0 rules" }).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByRole("button", { name: "word7777a", exact: true }).waitFor();
    // The file was one edit: undo takes all of it back.
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByLabel("Search in the rules").fill("");
    await page
      .getByRole("status")
      .filter({ hasText: /^8 rules$/ })
      .waitFor();
  });

  test("groups of colours are proposed, made at once, and act in search and filter", async () => {
    const before = (await total("pink tulip")).total;
    await open("words/groups");
    await tryOut("pink tulip");
    await page.getByRole("button", { name: /^Make all/ }).click();
    await until(async () => (await total("pink tulip")).total >= before, "more pink tulips");
    await until(async () => (await shopper().innerText()).includes("pink = "), "the trace");
    await tryOut("rose");
    await shopper().getByRole("region", { name: "Flower colour" }).getByRole("button", { name: /Red/ }).waitFor();
  });

  test("proposals come with their reasons; one that is taken is a rule", async () => {
    await open("words/proposals");
    const eggplant = page.getByRole("listitem").filter({ hasText: "eggplant = aubergine" });
    await eggplant.waitFor({ timeout: 20_000 });
    expect(await eggplant.innerText()).toContain("Solanum melongena");
    await eggplant.getByRole("button", { name: "Accept" }).click();
    await until(async () => (await eggplant.count()) === 0, "the proposal gone");
    await until(async () => (await total("eggplant")).total === (await total("aubergine")).total, "the rule acting");
  });

  test("real searches are stepped through with one key, and judged", async () => {
    await page.locator("body").click({ position: { x: 5, y: 690 } });
    await page.keyboard.press("]");
    await page.getByText(/^1 of \d+$/).waitFor();
    const first = await page.getByLabel("Search being tried").inputValue();
    await page.keyboard.press("]");
    await until(async () => (await page.getByLabel("Search being tried").inputValue()) !== first, "the next search");
    await page.keyboard.press("[");
    await until(async () => (await page.getByLabel("Search being tried").inputValue()) === first, "the search before");
    await page.keyboard.press("b");
    await until(
      async () => (await ask<object[]>(suite.server, "GET", `${store}/judgments?query=${encodeURIComponent(first)}`)).body.length === 1,
      "the judgment",
    );
  });

  test("a boost says its reach before it enters the draft, and its strength is found first", async () => {
    await open("ranking/boosts");
    await tryOut("trowel");
    await page.getByRole("button", { name: "New boost" }).click();
    await page.getByLabel("Name of the boost").fill("Own brand");
    await page.getByRole("button", { name: "Condition" }).click();
    await page.getByLabel("Field", { exact: true }).first().click();
    await page.getByRole("option", { name: "Brand", exact: true }).click();
    await page.getByRole("form", { name: "New boost" }).locator("input[list], input[aria-label='Value']").last().fill("Quillmoor");
    await page.keyboard.press("Enter");
    await page.getByText(/products, \d+ % of recent results/).waitFor();
    await page.getByRole("button", { name: "Add the boost" }).click();
    await until(async () => (await page.getByText("+20 %").count()) > 0, "the boost");
  });

  test("tie-breakers order what scores alike, with a picture of who changes places", async () => {
    await open("ranking/tie-breakers");
    await tryOut("lavender");
    await page.getByText(/of the first \d+ are elsewhere/).waitFor();
    const before = await shownTitles(page);
    await page.getByRole("button", { name: "Margin" }).click();
    await page.getByRole("button", { name: "Move Margin", exact: true }).focus();
    await moveByKeyboard(page, "ArrowUp");
    await until(async () => JSON.stringify(await shownTitles(page)) !== JSON.stringify(before), "another order");
  });
});
