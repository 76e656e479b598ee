import type { Page, Route } from "playwright-core";
import { benchOf, openPage, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { dragTo, frames, until } from "../support/waits";

interface Suggested {
  moment: string;
  completion: string | null;
  blocks: { id: string; kind: string; column?: number; items: { text: string; own?: string }[] }[];
}

/** The search box: as shoppers use it, and as it is worked on in the window. */
describe("the search box in the shop", () => {
  const suite = withDemo();
  let page: Page;
  beforeEach(async () => {
    page = await openPage(suite.browser);
    await page.goto(`${suite.server.url}/shop/quillmoor`);
    await page.getByRole("heading", { name: "Selling well this month" }).waitFor();
  });
  afterEach(() => page.close());
  const box = () => page.getByRole("combobox", { name: "Search the shop" });
  const options = () => page.locator("[role=option]:visible");
  const chosen = () => page.locator("[role=option][aria-selected=true]").innerText();

  test("by keyboard alone: opens, completes the word in the field, walks over both columns, unfolds in place, and closes", async () => {
    await page.keyboard.press("Tab");
    while ((await page.evaluate(() => document.activeElement?.getAttribute("role"))) !== "combobox") await page.keyboard.press("Tab");
    await page.getByRole("group", { name: "Departments" }).waitFor();
    await page.keyboard.type("secat");
    await page.getByRole("group", { name: "Products" }).waitFor();
    await until(async () => (await box().getAttribute("aria-description"))?.startsWith("secateurs") ?? false, "the word completed");
    await page.keyboard.press("ArrowRight");
    expect(await box().inputValue()).toBe("secateurs");
    const more = page.getByRole("option", { name: "More", exact: true }).last();
    await more.waitFor();
    const before = await options().count();
    for (let i = 0; i < 40 && !(await more.getAttribute("aria-selected").then((on) => on === "true")); i++)
      await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await until(async () => (await options().count()) > before, "more of it in place");
    expect(await box().inputValue()).toBe("secateurs");
    await page.keyboard.press("Escape");
    expect(await box().getAttribute("aria-expanded")).toBe("false");
  });

  test("what was searched before comes back on focus, is forgotten with the Delete key, and stays in the browser", async () => {
    for (const text of ["climbing rose", "tomato seeds"]) {
      await box().fill(text);
      await box().press("Enter");
      await page.getByRole("heading", { name: `“${text}”` }).waitFor();
    }
    await box().fill("");
    const before = page.getByRole("group", { name: "You searched before" });
    await before.getByRole("option", { name: /tomato seeds/ }).waitFor();
    await page.keyboard.press("ArrowDown");
    expect(await chosen()).toContain("tomato seeds");
    await page.keyboard.press("Delete");
    await until(async () => (await before.getByRole("option").count()) === 1, "one search forgotten");
    await page.reload();
    await box().fill("");
    await before.waitFor();
    expect(await before.getByRole("option").allInnerTexts()).toEqual(["climbing rose"]);
  });

  test("a whole article number leads to its product, however fast it is typed", async () => {
    const { body } = await ask<{ hits: { id: string; title: string; fields: { sku: string } }[] }>(
      suite.server,
      "POST",
      "/shop/quillmoor/search",
      { query: "secateurs", limit: 1 },
    );
    const [{ title, fields }] = body.hits;
    await box().fill(fields.sku);
    await box().press("Enter");
    await page.getByRole("heading", { name: title, level: 1 }).waitFor();
  });

  test("answers that come in any order never replace newer ones", async () => {
    const delays = [900, 50, 700, 20, 500, 300, 10, 400];
    let number = 0;
    let answered = 0;
    await page.route("**/suggest", async (route: Route) => {
      const { query } = route.request().postDataJSON() as { query: string };
      const delay = delays[number++ % delays.length];
      // An answer is on its way whatever becomes of the question.
      await new Promise((done) => setTimeout(done, delay));
      const items = [{ text: `answer to ${query}` }];
      const blocks = [{ id: "c", kind: "completions", heading: "Searches", items }];
      await route
        .fulfill({ json: { moment: "typing", blocks, shares: [12], completion: null, state: {}, tookMs: 0 } })
        .catch(() => undefined);
      answered++;
    });
    await page.evaluate(() => {
      const seen: string[] = [];
      Object.assign(window, { seen });
      new MutationObserver(() => {
        const text = document.querySelector("[role=option]")?.textContent ?? "";
        if (text.startsWith("answer") && text !== seen.at(-1)) seen.push(text);
      }).observe(document.body, { childList: true, subtree: true, characterData: true });
    });
    await box().pressSequentially("lavender", { delay: 110 });
    await page.getByRole("option", { name: "answer to lavender" }).waitFor();
    await until(async () => answered === number, "every late answer");
    await frames(page, 5);
    const seen = await page.evaluate(() => (window as unknown as { seen: string[] }).seen);
    const lengths = seen.map((text) => text.length);
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
    expect(seen.at(-1)).toBe("answer to lavender");
  });

  test("who types with one key in five wrong still arrives", async () => {
    const KEYS = ["qwertyuiop", "asdfghjkl", "zxcvbnm"];
    let state = 20261126;
    const random = () => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return state / 2 ** 32;
    };
    const slip = (letter: string) => {
      const row = KEYS.find((keys) => keys.includes(letter));
      if (!row || random() >= 0.2) return letter;
      const at = row.indexOf(letter);
      const near = [row[at - 1], row[at + 1]].filter(Boolean);
      return near[Math.floor(random() * near.length)];
    };
    const wanted = ["lavender", "secateurs", "hydrangea", "watering can", "climbing rose", "strawberry", "rhododendron", "tomato seeds"];
    const lost: string[] = [];
    for (const want of wanted) {
      await page.goto(`${suite.server.url}/shop/quillmoor`);
      const typed = [...want].map(slip).join("");
      await box().fill("");
      const answered = page.waitForResponse((response) => response.request().postDataJSON()?.query === typed);
      await box().pressSequentially(typed, { delay: 30 });
      await answered;
      await frames(page, 5);
      // As shoppers do: what is meant is taken when it is in the panel, else what was typed is searched.
      const [word] = want.split(" ");
      const offered = options().filter({ hasText: new RegExp(word, "i") });
      if ((await offered.count()) > 0) await offered.first().click();
      else await box().press("Enter");
      const arrives = async () => new RegExp(word, "i").test(await page.locator("main").innerText());
      await until(arrives, want, 8000).catch(() => lost.push(`${want}, typed ${typed}`));
    }
    expect(lost).toEqual([]);
  });

  test("who speaks is heard, where the shop wants it and the browser understands speech", async () => {
    const { body, headers } = await ask<{ settings: { box: { voice: boolean } } }>(suite.server, "GET", "/api/stores/quillmoor/draft");
    expect(body.settings.box.voice).toBe(false);
    expect(await page.getByRole("button", { name: "Say what you look for" }).count()).toBe(0);
    await ask(suite.server, "PATCH", "/api/stores/quillmoor/draft", [{ op: "replace", path: "/box/voice", value: true }], {
      "content-type": "application/json-patch+json",
      "if-match": headers.get("etag") ?? "",
    });
    await ask(suite.server, "POST", "/api/stores/quillmoor/releases", { note: "Voice" });
    await page.addInitScript(() => {
      class Heard {
        onresult: ((event: object) => void) | null = null;
        onend: (() => void) | null = null;
        start() {
          setTimeout(() => {
            this.onresult?.({ results: [[{ transcript: "climbing rose" }]] });
            this.onend?.();
          }, 50);
        }
        abort() {}
      }
      Object.assign(window, { SpeechRecognition: Heard });
    });
    await page.reload();
    await page.getByRole("button", { name: "Say what you look for" }).click();
    await page.getByRole("heading", { name: "“climbing rose”" }).waitFor();
  });

  test("on a phone it fills the screen, in one column, and has a way back", async () => {
    const phone = await openPage(suite.browser, { width: 390, height: 760 });
    await phone.goto(`${suite.server.url}/shop/quillmoor`);
    const field = phone.getByRole("combobox", { name: "Search the shop" });
    await field.click();
    await field.fill("rose");
    await phone.getByRole("group", { name: "Products" }).waitFor();
    const panel = await phone.getByRole("listbox", { name: "Suggestions" }).boundingBox();
    const search = await phone.locator("search").boundingBox();
    expect(search).toMatchObject({ x: 0, y: 0, width: 390, height: 760 });
    expect(panel?.width).toBeGreaterThan(350);
    const columns = await phone
      .locator("[part=block]:visible")
      .evaluateAll((blocks) => new Set(blocks.map((block) => block.getBoundingClientRect().x)).size);
    expect(columns).toBe(1);
    await phone.getByRole("button", { name: "Close the search" }).click();
    await until(async () => ((await phone.locator("search").boundingBox())?.height ?? 760) < 100, "the page again");
    await phone.close();
  });
});

describe("the search box at the bench", () => {
  const suite = withDemo();
  let page: Page;
  const { open, shopper, store } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const field = () => shopper().getByRole("combobox", { name: "Search the shop" });
  const moment = (name: string) => page.getByRole("button", { name: new RegExp(`^${name}`) });
  const block = (id: string) => shopper().locator(`[data-edit=${id}]`);
  const blocks = () =>
    shopper()
      .locator("[data-edit]")
      .evaluateAll((all) => all.map((one) => one.getAttribute("data-edit")));
  const suggest = async (query: string, source = "draft") =>
    (await ask<Suggested>(suite.server, "POST", `${store}/suggest`, { query, source })).body;
  const columnsOf = async (query: string) => {
    const { blocks: found } = await suggest(query);
    return Object.fromEntries(found.map(({ id, column = 0 }) => [id, column]));
  };

  test("what is typed decides which moment is worked on, in each of the three arrangements", async () => {
    await open("search-box/panel");
    const FIRST = { "On focus": "recent", "While typing": "completions", "Nothing found": "message" };
    for (const [arrangement, columns] of [
      ["One list", 1],
      ["Products first", 2],
      ["Suggestions and products", 2],
    ] as const) {
      await page.getByRole("button", { name: arrangement }).click();
      for (const [name, first] of Object.entries(FIRST)) {
        await moment(name).click();
        await block(first).waitFor();
        await until(async () => (await moment(name).getAttribute("aria-pressed")) === "true", `the moment “${name}”`);
        const edges = () =>
          shopper()
            .locator("[data-edit]")
            .evaluateAll((all) => new Set(all.map((one) => Math.round(one.getBoundingClientRect().x))).size);
        await until(async () => (await edges()) === columns, `${columns} columns`);
      }
    }
    await field().fill("lav");
    await block("completions").waitFor();
    await field().fill("xqzvv");
    await block("message").waitFor();
  });

  test("blocks are named, counted, switched, moved and widened in place, and one undo takes back each", async () => {
    await open("search-box/panel");
    await moment("While typing").click();
    await block("completions").getByLabel("Heading of Completions").fill("Did you think of");
    await page.keyboard.press("Enter");
    await block("products").getByRole("button", { name: "Fewer in Products" }).click();
    await block("pages").getByRole("switch").click();
    await block("pages").getByText("Guides is switched off").waitFor();
    await until(async () => !("pages" in (await columnsOf("rose"))), "no guides for shoppers");
    await block("categories").getByRole("button", { name: "More about Categories" }).click();
    await page.getByRole("button", { name: "A new column" }).click();
    await until(async () => (await columnsOf("rose")).categories === 2, "categories in a column of their own");
    await page.keyboard.press("Escape");
    const edge = shopper().getByRole("separator", { name: "Width of column 1" });
    const before = Number(await edge.getAttribute("aria-valuenow"));
    await edge.focus();
    await page.keyboard.press("ArrowRight");
    await until(async () => Number(await edge.getAttribute("aria-valuenow")) === before + 1, "a wider column");
    await page.getByRole("button", { name: "Undo" }).click();
    await until(async () => Number(await edge.getAttribute("aria-valuenow")) === before, "the width as it was");
    const { blocks: found } = await suggest("rose");
    expect(found[0]).toMatchObject({ id: "completions", heading: "Did you think of" });
  });

  test("a block is dragged to another column with the mouse, and the panel is drawn out to the page", async () => {
    await open("search-box/panel");
    await page.getByRole("button", { name: "Suggestions and products" }).click();
    await moment("While typing").click();
    await until(async () => (await blocks()).join() === "completions,categories,pages,products", "the arrangement");
    const from = await block("categories").getByRole("button", { name: "Move Categories" }).boundingBox();
    const to = await block("products").boundingBox();
    if (!from || !to) throw new Error("Nothing to drag.");
    await dragTo(page, { x: from.x + 4, y: from.y + 6 }, { x: to.x + 60, y: to.y + 40 });
    await until(async () => (await columnsOf("rose")).categories === 1, "categories beside the products");
    const width = async () => (await shopper().locator("[part=panel]").boundingBox())?.width ?? 0;
    const narrow = await width();
    await shopper()
      .getByRole("button", { name: /^As wide as the field/ })
      .focus();
    await page.keyboard.press("ArrowRight");
    await until(async () => (await width()) > narrow + 30, "as wide as the page");
  });

  test("searches of the own list come first, say what they find, go live with a release, and are counted", async () => {
    await open("search-box/list");
    const add = async (text: string) => {
      await page.getByLabel("Search to complete").fill(text);
      await page.getByRole("button", { name: "Add", exact: true }).click();
    };
    await add("lavender unicorn");
    await page
      .getByRole("row", { name: /lavender unicorn/ })
      .getByText("finds nothing: not offered")
      .waitFor();
    await add("lavender for small pots");
    await page
      .getByRole("row", { name: /lavender for small pots/ })
      .getByText(/finds \d+ products?/)
      .waitFor();
    await page.getByLabel("Priority of lavender for small pots").fill("90");
    await page.keyboard.press("Enter");
    await until(async () => (await suggest("lav")).blocks[0].items[0].text === "lavender for small pots", "first in the draft");
    expect((await suggest("lav", "live")).blocks[0].items[0].text).not.toBe("lavender for small pots");
    await ask(suite.server, "POST", `${store}/releases`, { note: "Own list" });
    const shop = await openPage(suite.browser);
    await shop.goto(`${suite.server.url}/shop/quillmoor`);
    await shop.getByRole("combobox", { name: "Search the shop" }).fill("lav");
    await shop.getByRole("option", { name: /lavender for small pots/ }).click();
    await shop.getByRole("heading", { name: "“lavender for small pots”" }).waitFor();
    await shop.close();
    const facts = async () =>
      Object.values(
        (await ask<{ entries: Record<string, { shown: number; taken: number }> }>(suite.server, "GET", `${store}/box/list`)).body.entries,
      );
    await until(async () => (await facts()).some(({ shown, taken }) => shown > 0 && taken === 1), "offered and taken");
  });

  test("the product line is composed of parts, and a sold-out product is not among what is typed", async () => {
    await open("search-box/line");
    await page.getByRole("button", { name: "Add a part" }).click();
    await page.getByRole("button", { name: "Line: Brand" }).click();
    await field().fill("secateurs");
    await until(async () => (await block("products").locator("[part=line]").count()) > 0, "the brand under each title");
  });
});
