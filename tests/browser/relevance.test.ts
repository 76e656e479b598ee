import type { Page } from "playwright-core";
import { benchOf, openPage, shownTitles, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { until } from "../support/waits";

interface Answer {
  total: number;
  outcome: string;
  hits: { id: string; title: string; fields: Record<string, unknown> }[];
}

/** A merchandiser mends five searches; what is wrong with each is found where it is seen, then mended, then seen again. */
describe("a merchandiser and relevance", () => {
  const suite = withDemo();
  let page: Page;
  const { store, open, tryOut, shopper, answer: answerTo } = benchOf(suite, () => page);
  const answer = answerTo<Answer>;
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const says = (text: string | RegExp) =>
    until(async () => {
      const said = await shopper().innerText();
      return typeof text === "string" ? said.includes(text) : text.test(said);
    }, `the window saying ${text}`);
  /** Asks in the window where a product is. */
  const whereIs = async (title: string) => {
    await page.getByRole("button", { name: "Where is…?" }).click();
    await page.getByLabel("Product to look for").fill(title);
    await page.getByRole("listbox", { name: "Products" }).getByRole("option").first().click();
    const told = await shopper().getByRole("status").filter({ hasText: ":" }).first().innerText();
    await page.getByRole("button", { name: "Where is…?" }).click();
    return told;
  };
  /** Opens the account of a result. */
  const whyIs = async (place: number) => {
    const card = page.locator("[data-product]").nth(place - 1);
    await card.hover();
    await card.getByRole("button", { name: /^Why/ }).click();
    const panel = page.getByRole("region", { name: /^Why is/ });
    await panel.waitFor();
    return panel;
  };

  test("“wine tulip”: the word means nothing here, until a group of colours has its name", async () => {
    await open("words/groups");
    await tryOut("wine tulip");
    await says("No product has all words");
    const [claret] = (await answer("claret tulip")).hits;
    // It is among all tulips, behind others, and nothing in its sum speaks of wine.
    expect(await whereIs(claret.title)).toMatch(/at place \d+/);
    const panel = await whyIs(1);
    expect(await panel.innerText()).not.toMatch(/wine/i);
    await panel.getByRole("button", { name: "Close" }).click();
    await page.getByLabel("Name of a new group").fill("Wine");
    await page.getByRole("button", { name: "Make the group" }).click();
    await page.getByRole("button", { name: "Change the group Wine" }).click();
    for (const colour of ["Claret", "Crimson"]) {
      await page.getByLabel("Find a value to put in").fill(colour);
      await page.getByRole("button", { name: `Add ${colour} to Wine` }).click();
      await page.getByRole("button", { name: `Remove ${colour} from Wine` }).waitFor();
    }
    await says("wine = ");
    const found = await answer("wine tulip");
    expect(found.outcome).toBe("results");
    for (const { fields } of found.hits) expect(["Claret", "Crimson"]).toContain([fields["flower-colour"]].flat()[0]);
  });

  test("“gift for gardener”: one word stands for a part of the range, another says nothing", async () => {
    await open("words/rules");
    await tryOut("gift for gardener");
    const before = (await answer("gift for gardener")).total;
    const [missed] = (await answer("gift voucher")).hits;
    await whereIs(missed.title);
    const panel = await whyIs(1);
    expect(await panel.innerText()).toMatch(/gift/i);
    await panel.getByRole("button", { name: "Close" }).click();
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("gift");
    await page.getByLabel("What the words do").click();
    await page.getByRole("option", { name: "means the category or value" }).click();
    await page.getByLabel("What it means").click();
    await page.getByRole("option", { name: "Occasion" }).click();
    await page.getByLabel("Value", { exact: true }).fill("Gift");
    await page.getByRole("button", { name: "Add the rule" }).click();
    await says("gift → Occasion: Gift");
    await page.getByRole("textbox", { name: "Words", exact: true }).fill("gardener");
    await page.getByLabel("What the words do").click();
    await page.getByRole("option", { name: "is ignored" }).click();
    await page.getByRole("button", { name: "Add the rule" }).click();
    await says(/Ignored:.*gardener/);
    expect((await answer("gift for gardener")).total).toBeGreaterThan(before);
  });

  test("“pack of 10 seeds”: bulbs answer, until the bare number has its sentence form", async () => {
    const asked = "pack of 10 seeds";
    await open("catalogue/fields");
    await tryOut(asked);
    const [first] = (await answer(asked)).hits;
    expect(first.fields["seed-count"]).toBeUndefined();
    const panel = await whyIs(1);
    expect(await panel.innerText()).not.toContain("Seed count");
    await panel.getByRole("button", { name: "Close" }).click();
    await page.getByRole("button", { name: "More about Seed count" }).click();
    await page.getByLabel("Sentence form of Seed count").fill("pack of {value} seeds");
    await page.getByLabel("Sentence form of Seed count").press("Enter");
    await until(async () => (await answer(asked)).hits.every(({ fields }) => fields["seed-count"] === 10), "packs of ten");
    expect((await answer(asked)).total).toBeGreaterThan(3);
    await says("One measure: pack of 10 seeds");
  });

  test("a sold-out plant on top goes behind what can be had", async () => {
    await open("ranking/stock");
    const choose = async (rule: string) => {
      await page.getByLabel("Sold out, search results").click();
      await page.getByRole("option", { name: rule, exact: true }).click();
    };
    await choose("as any other");
    const isSoldOut = (hit: Answer["hits"][number]) => hit.fields.stock === 0;
    let query = "";
    for (const text of ["rose", "hosta", "clematis", "lavender", "fern", "dahlia", "tomato seeds", "tulip"])
      if (query === "" && (await answer(text)).hits.some(isSoldOut)) query = text;
    await tryOut(query);
    const mixed = (await answer(query)).hits;
    const place = mixed.findIndex(isSoldOut) + 1;
    const panel = await whyIs(place);
    await panel.getByText(`is at ${place}`).waitFor();
    await panel.getByRole("button", { name: "Close" }).click();
    await choose("at the end");
    await until(async () => !(await answer(query)).hits.slice(0, place).some(isSoldOut), "what can be had first");
    await until(async () => !(await shownTitles(page)).slice(0, place).includes(mixed[place - 1].title), "the window following");
  });

  test("the own brand counts a fifth more, and says so in the sum", async () => {
    await open("ranking/boosts");
    await tryOut("trowel");
    const before = (await answer("trowel")).hits;
    const own = before.findIndex(({ fields }) => fields.brand === "Quillmoor") + 1;
    let panel = await whyIs(own);
    expect(await panel.innerText()).not.toContain("1.2");
    await panel.getByRole("button", { name: "Close" }).click();
    await page.getByRole("button", { name: "New boost" }).click();
    await page.getByLabel("Name of the boost").fill("Own brand");
    await page.getByRole("button", { name: "Condition" }).click();
    await page.getByLabel("Field", { exact: true }).first().click();
    await page.getByRole("option", { name: "Brand", exact: true }).click();
    await page.getByRole("form", { name: "New boost" }).locator("input[list], input[aria-label='Value']").last().fill("Quillmoor");
    await page.keyboard.press("Enter");
    await page.getByText(/products, \d+ % of recent results/).waitFor();
    await page.getByRole("button", { name: "Add the boost" }).click();
    await until(async () => (await answer("trowel")).hits[0].fields.brand === "Quillmoor", "the own brand first");
    await until(async () => (await shownTitles(page))[0] === (await answer("trowel")).hits[0].title, "the window following");
    panel = await whyIs(1);
    await until(async () => (await panel.innerText()).includes("Own brand"), "the boost in the sum");
    expect(await panel.innerText()).toMatch(/×\s?1\.2/);
  });

  test("a proposed set-up is beside the draft in the window before it is taken", async () => {
    await open("attributes");
    await tryOut("purple tulip");
    await page.getByRole("button", { name: "Suggest a set-up" }).click();
    await page.getByRole("button", { name: "See beside the draft" }).click();
    const proposed = shopper().getByRole("region", { name: "Proposed set-up" });
    await proposed.waitFor();
    await shopper().getByRole("region", { name: "Draft" }).waitFor();
    const revision = async () => (await ask<{ revision: number }>(suite.server, "GET", `${store}/draft`)).body.revision;
    const before = await revision();
    await page.getByRole("heading", { name: "Proposed set-up" }).first().click();
    await page.keyboard.press("]");
    await until(async () => (await page.getByLabel("Search being tried").inputValue()) !== "purple tulip", "a real search");
    await proposed.waitFor();
    expect(await revision()).toBe(before);
    await page.getByRole("button", { name: "Accept all" }).click();
    await until(async () => (await revision()) === before + 1, "one edit");
    await until(async () => (await proposed.count()) === 0, "the draft alone again");
  });

  test("a correction has a way back to what was typed", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=lavendar`);
    await page.getByText("Showing lavender; you typed lavendar.").waitFor();
    await page.getByRole("button", { name: "Search for lavendar instead" }).click();
    await page.getByText("Did you mean").waitFor();
    expect(page.url()).toContain("as=typed");
    await page.getByRole("button", { name: "lavender", exact: true }).click();
    await until(async () => !page.url().includes("as=typed") && page.url().includes("q=lavender"), "lavender");
  });
});
