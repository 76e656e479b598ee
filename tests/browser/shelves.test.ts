import type { Page } from "playwright-core";
import { benchOf, moveByKeyboard, openPage, shownIds, shownTitles, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { until } from "../support/waits";

interface Found {
  outcome: string;
  total: number;
  hits: { id: string; title: string; position: number; arranged: { kind: string }[] }[];
  shelf: { id: string; name: string } | null;
  banner: { title: string } | null;
  redirect: { value: string } | null;
  nextChangeAt: string | null;
  why: Record<string, { reason?: string; position?: number }>;
}

/** A merchandiser arranges single searches, hides what is out of season, and sees it at once and in time. */
describe("shelves", () => {
  const suite = withDemo();
  let page: Page;
  const { open, tryOut, shopper, answer, store } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const choose = async (name: string, option: string) => {
    await page.getByRole("combobox", { name, exact: true }).last().click();
    await page.getByRole("option", { name: option, exact: true }).click();
  };
  /** What a product picker found. */
  const found = () => page.locator("[role=listbox] [role=option]:visible");
  const fold = (name: string) => page.getByRole("button", { name: new RegExp(`^${name}`) }).first();
  const travel = async (moment: string) => {
    await shopper().getByRole("button", { name: "Today" }).click();
    await page.getByLabel("See the shop as on").fill(moment);
    await page.keyboard.press("Escape");
  };
  const backToToday = async () => {
    await shopper()
      .getByRole("button", { name: /^\d+ \w+( \d{4})?$/ })
      .first()
      .click();
    await page.getByRole("button", { name: "Back to today" }).click();
  };
  const release = async (note: string) => {
    await page.getByRole("button", { name: "Review and release" }).click();
    await page.getByLabel(/note/i).first().fill(note);
    await page
      .getByRole("button", { name: /^Release/ })
      .last()
      .click();
    await page.getByText(/is live\.$/).waitFor();
  };
  const inShop = async (query: string) => (await ask<Found>(suite.server, "POST", "/shop/quillmoor/search", { query })).body;
  const year = new Date().getUTCFullYear() + 1;

  test("frost-tender plants are hidden from November to March, their pages stay, and it is seen by travelling in time", async () => {
    await open("shelves/hidden");
    await tryOut("pelargonium");
    const before = await shownIds(page);
    await page.getByRole("button", { name: "Hide something" }).click();
    await page.getByLabel("Rule name").fill("Frost-tender in winter");
    await page.getByRole("button", { name: "+ Condition" }).click();
    await choose("Field", "Tags");
    await page.getByLabel("Tags is").fill("frost-tender");
    await page.getByLabel("Tags is").press("Enter");
    await page.getByLabel("from", { exact: true }).fill(`${year}-11-01T00:00`);
    await page.getByLabel("until", { exact: true }).fill(`${year + 1}-03-01T00:00`);
    // What it comes to is shown before it enters the draft, with samples.
    await page.getByText(/^Changes \d+ of \d+ searches, made [\d,]+ times in the log/).waitFor();
    await page.getByText(/products, \d+ % of recent results/).waitFor();
    await page.getByRole("button", { name: /^Hide \d+ products$/ }).click();
    // Nothing changes today; what will is said, and one press leads there.
    const strip = shopper().getByRole("button", { name: /“Frost-tender in winter” begins/ });
    await strip.waitFor();
    expect(await shownIds(page)).toEqual(before);
    await strip.click();
    await until(async () => !(await shownIds(page)).includes(before[0]), "no tender plant in November");
    await backToToday();
    await until(async () => (await shownIds(page)).join() === before.join(), "all of them today");
    await travel(`${year + 1}-03-02T12:00`);
    await until(async () => (await shownIds(page)).join() === before.join(), "all of them in March");
    await backToToday();
    // Nowhere in winter: not in lists, counts, the box, nor among recommendations.
    const at = `${year}-12-15T12:00:00Z`;
    const december = await answer<Found>("pelargonium", { at, why: [before[0]] });
    expect(december.why[before[0]]).toMatchObject({ reason: "hidden" });
    const category = await answer<Found>("", { at, placement: "category", category: ["Plants", "Bedding"], limit: 250 });
    expect(category.hits.some(({ id }) => id === before[0])).toBe(false);
    expect(category.hits).toHaveLength(Math.min(250, category.total));
    const box = await ask(suite.server, "POST", `${store}/suggest`, { query: "pelarg", at });
    expect(JSON.stringify(box.body)).not.toContain(before[0]);
    await release("Winter");
    expect((await ask(suite.server, "GET", `/shop/quillmoor/products/${before[0]}/data.json`)).status).toBe(200);
  });

  test("of two products that are the same, one stays out of search and keeps its place in the category", async () => {
    await open("shelves/hidden");
    await tryOut("petunia");
    const [kept, out] = await shownIds(page);
    await page.getByRole("button", { name: "Hide something" }).click();
    await page.getByLabel("Rule name").fill("Twin");
    await page.getByRole("radio", { name: "one by one" }).click();
    const picker = page.getByRole("combobox", { name: "Product to hide" });
    await picker.fill(out);
    await found().first().waitFor();
    await picker.press("Enter");
    const places = page.getByLabel("Places", { exact: true });
    await places.getByText("categories").click();
    await places.getByText("recommendations").click();
    await page.getByLabel("Reason").fill("The same plant from another grower");
    await page.getByRole("button", { name: "Hide 1 product" }).and(page.locator(":enabled")).waitFor();
    await page.getByLabel("Reason").press("Enter");
    await until(async () => !(await shownIds(page)).includes(out), "the twin gone");
    expect(await shownIds(page)).toContain(kept);
    expect((await answer<Found>("petunia", { why: [out] })).why[out]).toMatchObject({ reason: "hidden" });
    const { path } = { path: ["Plants", "Bedding"] };
    expect((await answer<Found>("", { placement: "category", category: path, why: [out] })).why[out]).toHaveProperty("position");
    await page.getByText("hidden in search results, suggestions").waitFor();
  });

  test("the mailing names something that finds nothing: pinned, bannered and live in under two minutes", async () => {
    const started = Date.now();
    await open("shelves/this-search");
    await tryOut("moonlight box");
    expect((await answer<Found>("moonlight box")).outcome).not.toBe("results");
    const picker = page.getByRole("combobox", { name: "Products to bring to the shelf" });
    for (const text of ["gift set", "bird feeder"]) {
      await picker.fill(text);
      await found().nth(1).waitFor();
      await picker.press("Enter");
      await picker.press("ArrowDown");
      await picker.press("Enter");
    }
    await picker.fill("");
    await page.getByRole("button", { name: "Pin 4 products" }).click();
    await until(async () => (await shownIds(page)).length === 4, "the four of the mailing");
    await fold("Banner").click();
    await page.getByRole("button", { name: "Add a banner" }).click();
    await page.getByLabel("Title of the banner").fill("As in our letter");
    await page.getByLabel("Title of the banner").press("Enter");
    await shopper().getByText("As in our letter").waitFor();
    await release("Mailing");
    const live = await inShop("Moonlight Boxes");
    expect(live).toMatchObject({ outcome: "results", total: 4, banner: { title: "As in our letter" } });
    expect(live.hits.every(({ arranged }) => arranged[0].kind === "pin")).toBe(true);
    expect(Date.now() - started).toBeLessThan(120_000);
  });

  test("products are raised, kept out and cut off by the list; rules do it by condition; the trace says what stands behind", async () => {
    const tag = (await ask(suite.server, "GET", `${store}/draft`)).headers.get("etag") ?? "";
    const general = {
      name: "All lavenders",
      searches: [{ match: "contains", text: "lavender" }],
      categories: [],
      rank: "z",
      exclude: ["P-00002"],
    };
    await ask(suite.server, "PATCH", `${store}/draft`, [{ op: "add", path: "/shelves/lavenders", value: general }], {
      "content-type": "application/json-patch+json",
      "if-match": tag,
    });
    await open("shelves/this-search");
    await tryOut("lavender");
    await page.getByText(/Here the shelf “All lavenders” is active/).waitFor();
    const [, , third, fourth] = await shownIds(page);
    const name = (await shownTitles(page))[3];
    const strength = page.getByLabel(/^Raise or lower .* by per cent$/).nth(2);
    await strength.fill("300");
    await strength.press("Enter");
    // The shelf of this search begins as the one that acted, which stands behind it now.
    await page.getByText(/has a shelf of its own now. It began as “All lavenders”/).waitFor();
    await shopper().getByText("behind it: All lavenders, it fits more loosely").waitFor();
    await until(async () => (await shownIds(page))[0] === third, "the raised one first");
    await page.getByLabel(`Choose ${name}`).click();
    await page.getByRole("button", { name: "Exclude", exact: true }).click();
    await until(async () => !(await shownIds(page)).includes(fourth), "the fourth kept out");
    await page.getByRole("button", { name: "Limit how many show" }).click();
    await page.getByRole("radio", { name: "nothing", exact: true }).click();
    await until(async () => (await shownIds(page)).length === 8, "eight on the shelf");
    await page.getByRole("button", { name: "Move the limit" }).focus();
    await moveByKeyboard(page, "ArrowUp");
    await until(async () => (await shownIds(page)).length === 7, "the end moved");
    await fold("Rules").click();
    await page.getByRole("button", { name: "+ Rule" }).click();
    await page.getByRole("combobox", { name: "What is done" }).click();
    await page.getByRole("option", { name: "exclude" }).click();
    await page.getByRole("button", { name: "+ Condition" }).click();
    await page.getByLabel("Category is").fill("Seeds");
    await page.getByLabel("Category is").press("Enter");
    await page.getByRole("button", { name: "Add the rule" }).click();
    await page.getByRole("button", { name: /^excluded Category is Seeds/ }).waitFor();
    const [seed] = (await answer<Found>("lavender seed", { limit: 1 })).hits;
    expect((await answer<Found>("lavender", { why: [seed.id] })).why[seed.id]).toMatchObject({ reason: "excluded" });
    await page.getByRole("button", { name: "Let", exact: false }).first().click();
  });

  test("a promotion ends by itself, and the calendar and the window say when", async () => {
    await open("shelves/this-search");
    await tryOut("bird feeder");
    const [, second] = await shownIds(page);
    await page
      .getByLabel(/^Place of/)
      .nth(1)
      .fill("1");
    await page
      .getByLabel(/^Place of/)
      .nth(1)
      .press("Enter");
    await until(async () => (await shownIds(page))[0] === second, "the second one first");
    await fold("When").click();
    const end = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10);
    await page.getByLabel("until", { exact: true }).fill(`${end}T18:00`);
    await shopper()
      .getByRole("button", { name: /“bird feeder” ends, \d+ products? moves?/ })
      .waitFor();
    const { nextChangeAt } = await answer<Found>("bird feeder");
    expect(nextChangeAt?.slice(0, 10) ?? "").not.toBe("");
    const later = await answer<Found>("bird feeder", { at: `${end}T20:00:00Z` });
    expect(later).toMatchObject({ shelf: null });
    expect(later.hits[0].id).not.toBe(second);
    await page.getByRole("link", { name: /^All rules/ }).click();
    await page
      .getByRole("row", { name: /bird feeder/ })
      .getByText("active")
      .waitFor();
    await page.getByRole("radio", { name: "Calendar" }).click();
    await page.getByRole("button", { name: /^bird feeder shelf, active/ }).waitFor();
  });

  test("by keyboard alone: found, moved, announced, released", async () => {
    await open("shelves/this-search");
    /** Goes on with the tabulator key until something of a name has the focus. */
    const tabTo = async (name: RegExp) => {
      for (let i = 0; i < 150; i++) {
        const here = await page.evaluate(() => {
          const at = document.activeElement;
          return `${at?.getAttribute("aria-label") ?? ""} ${at?.textContent ?? ""} ${at?.getAttribute("placeholder") ?? ""}`.trim();
        });
        if (name.test(here)) return;
        await page.keyboard.press("Tab");
      }
      throw new Error(`Nothing called ${name} can be reached.`);
    };
    await page.keyboard.press("/");
    await page.keyboard.type("harvest hamper");
    await page
      .getByText("nothing found")
      .or(shopper().getByText(/No product has all words/))
      .first()
      .waitFor();
    await tabTo(/^Products to bring to the shelf/);
    await page.keyboard.type("spade");
    await found().nth(1).waitFor();
    await page.keyboard.press("Enter");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await tabTo(/^Pin 2 products/);
    await page.keyboard.press("Enter");
    await until(async () => (await shownIds(page)).length === 2, "two on the shelf");
    const before = await shownIds(page);
    await tabTo(/^Move .*/);
    await moveByKeyboard(page, "ArrowDown");
    await until(async () => (await shownIds(page))[0] === before[1], "the other one first");
    await tabTo(/^Banner/);
    await page.keyboard.press("Enter");
    await tabTo(/^Add a banner/);
    await page.keyboard.press("Enter");
    await tabTo(/^Title of the banner/);
    await page.keyboard.press("Control+A");
    await page.keyboard.type("For the harvest");
    await page.keyboard.press("Enter");
    await shopper().getByText("For the harvest").waitFor();
    await tabTo(/^Review and release/);
    await page.keyboard.press("Enter");
    await tabTo(/^Release \d+ change/);
    await page.keyboard.press("Enter");
    await page.getByText(/is live\.$/).waitFor();
    expect(await inShop("harvest hamper")).toMatchObject({ total: 2, banner: { title: "For the harvest" } });
  });

  test("a redirect is tested while it is written, named when it leads nowhere, and followed in the shop", async () => {
    await open("shelves/this-search");
    await tryOut("opening hours");
    await page.getByRole("button", { name: "Redirect" }).click();
    await choose("Redirect: to what", "a search");
    await page.getByLabel("Redirect: search").fill("xyzzyqk wqwqwq");
    await page.getByLabel("Redirect: search").press("Enter");
    await page
      .getByText(/nothing is there/)
      .first()
      .waitFor();
    await page.getByLabel("Redirect: search").fill("opening hours");
    await page.getByLabel("Redirect: search").press("Enter");
    await page
      .getByText(/comes back to itself/)
      .first()
      .waitFor();
    await page
      .getByRole("list", { name: "Conflicts" })
      .getByText(/leads back to itself/)
      .waitFor();
    await choose("Redirect: to what", "a guide");
    await choose("Redirect: guide", "Delivery and returns");
    await shopper()
      .getByText(/Shoppers are led to/)
      .waitFor();
    await release("Opening hours");
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=opening+hours`);
    await page.getByRole("heading", { name: "Delivery and returns" }).waitFor();
    expect(page.url()).toContain("/guide/delivery-and-returns");
  });

  test("recommendations are put there by hand, and shoppers see them first", async () => {
    await open("shelves/recommendations");
    await page
      .getByRole("button", { name: /^Open (?!store)/ })
      .first()
      .click();
    const lists = page.getByRole("region", { name: /^Recommendations of / });
    const picker = lists.getByRole("combobox", { name: "Products for “Complements”" });
    await picker.fill("secateurs");
    await found().first().waitFor();
    const name = await found().first().locator("span.truncate").innerText();
    await picker.press("Enter");
    await lists.getByRole("button", { name: "Add 1 product" }).first().click();
    await lists.getByText("by hand", { exact: false }).first().waitFor();
    await page.getByRole("checkbox", { name: "Filled up by itself" }).click();
    await until(async () => (await lists.getByText(/^alike/).count()) === 0, "nothing by itself");
    await release("Recommendations of");
    const title = await lists.count().then(() => name);
    const settings = (await ask<{ settings: { related: Record<string, object> } }>(suite.server, "GET", `${store}/draft`)).body.settings;
    const [id] = Object.keys(settings.related);
    await page.goto(`${suite.server.url}/shop/quillmoor/product/${id}`);
    await page.getByRole("link", { name: title }).first().waitFor();
    expect(await page.getByRole("heading", { name: /instead|else/i }).count()).toBe(0);
  });

  test("a product is given the searches for which it should appear", async () => {
    await open("catalogue/products/P-00001");
    const field = page.getByLabel("Search for which it should appear");
    await field.fill("grandmother's present");
    await field.press("Enter");
    await until(async () => (await shownIds(page)).includes("P-00001"), "the product in that search");
    await page.getByRole("button", { name: /^Pin .* first for grandmother's present$/ }).click();
    await page.getByText("pinned at 1 on the shelf").waitFor();
    await until(async () => (await shownIds(page))[0] === "P-00001", "the product first");
    await page.getByRole("button", { name: "No longer for grandmother's present" }).click();
    await until(async () => (await page.getByText("pinned at 1 on the shelf").count()) === 0, "the search taken back");
  });

  test("rules come from a file, looked at before they are taken over, and one undo takes them back", async () => {
    await open("shelves/all");
    await page.getByRole("row", { name: /Bulb season/ }).waitFor();
    const table =
      "kind,name,searches,pins,redirect\nshelf,Wellies,wellington boots,P-00001 @ 2,\nredirect,Jobs,jobs,,page: delivery-and-returns\nshelf,Wrong,x,P-1 @ 0,\n";
    await page
      .getByLabel("File of shelves and hides")
      .setInputFiles({ name: "shelves.csv", mimeType: "text/csv", buffer: Buffer.from(table) });
    const changes = page.getByRole("region", { name: "What shelves.csv would change" });
    await changes.getByText(/changes 2 rules, 1 line cannot be read/).waitFor();
    await changes.getByText(/Line 4: .*A place is at least 1/).waitFor();
    expect(await page.getByRole("row", { name: /Wellies/ }).count()).toBe(0);
    await changes.getByRole("button", { name: "Accept 2 changes" }).click();
    await page.getByRole("row", { name: /Wellies/ }).waitFor();
    await page.getByLabel("Choose Wellies").click();
    await page.getByLabel("Choose Jobs").click();
    await page.getByRole("group", { name: "Chosen rules" }).getByRole("button", { name: "Off" }).click();
    await page
      .getByRole("row", { name: /Wellies/ })
      .getByText("off", { exact: true })
      .waitFor();
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await page
      .getByRole("row", { name: /Wellies/ })
      .getByText("active", { exact: true })
      .waitFor();
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await until(async () => (await page.getByRole("row", { name: /Wellies/ }).count()) === 0, "the file taken back");
  });
});
