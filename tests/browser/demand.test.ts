import type { Page } from "playwright-core";
import { openPage, withDemo } from "../support/browser";
import { settled } from "../support/waits";

/** Demand: from what shoppers did to what is mended, by the screens alone. */
describe("Demand", () => {
  const suite = withDemo();
  let page: Page;
  beforeEach(async () => {
    page = await openPage(suite.browser);
  });
  afterEach(() => page.close());
  const open = (path: string) => page.goto(`${suite.server.url}/bench/quillmoor/demand/${path}`);
  const chosenFigure = async (name: string) => {
    await page.getByRole("button", { name, exact: true }).click();
    await page.getByRole("heading", { name, exact: true }).waitFor();
  };

  test("what went wrong in the fourth month is on the line: the release before it, the one that mended it", async () => {
    await open("overview");
    await page.getByRole("combobox", { name: "Period" }).click();
    await page.getByRole("option", { name: "Last 52 weeks" }).click();
    await chosenFigure("No results");
    await page.getByText("As a table").click();
    const rows = await page
      .getByRole("row")
      .filter({ has: page.locator("td:nth-child(3)") })
      .allInnerTexts();
    const weeks = rows.map((text) => text.split("\t")).filter((cells) => /%/.test(cells[1] ?? ""));
    const share = (cells: string[]) => Number.parseFloat(cells[1]);
    const worst = weeks.reduce((most, cells) => (share(cells) > share(most) ? cells : most));
    expect(share(worst)).toBeGreaterThan(2 * (weeks.map(share).toSorted((a, b) => a - b)[Math.floor(weeks.length / 2)] ?? 0));
    // What happened is said under the line, with its day: a release just before, its repair soon after.
    const marks = await page.getByRole("listitem").filter({ hasText: "Release" }).allInnerTexts();
    const at = (text: string) => Date.parse(`${/(\d+ \w+)/.exec(text)?.[1]} 2024`);
    const [bad, mended] = [marks.find((text) => text.includes("titles first")), marks.find((text) => text.includes("searched again"))];
    const days = (a: string, b: string) => (at(a) - at(b)) / 86_400_000;
    expect(Math.abs(days(worst[0], bad ?? ""))).toBeLessThan(14);
    expect(days(mended ?? "", bad ?? "")).toBe(9);
  });

  test("the bot is found by looking at bots alone", async () => {
    await open("overview?days=364");
    await page.getByRole("combobox", { name: "People or bots" }).click();
    await page.getByRole("option", { name: "Bots", exact: true }).click();
    await settled(page);
    const row = page.getByRole("row", { name: /^Searches/ });
    await page.getByRole("row", { name: /^Clicked.*0 %/ }).waitFor();
    expect(Number((await row.innerText()).replace(/\D*([\d,]+).*/s, "$1").replace(",", ""))).toBeGreaterThan(2_000);
  });

  test("a search that loses orders is found, looked at and led to its repair in few steps, and stepped through", async () => {
    await open("searches?see=lost");
    const table = page.getByRole("table", { name: "Searches" });
    await table.getByRole("button", { name: "Open", exact: true }).or(table.locator("[title^='Try']")).first().waitFor();
    const first = table.locator("[title^='Try']").first();
    const text = await first.innerText();
    await first.click();
    await page.waitForURL(`**q=${encodeURIComponent(text).replace(/%20/g, "+")}*`);
    // The window steps on, once it is there.
    await page.getByText("From Demand").waitFor();
    await page.keyboard.press("]");
    await page.waitForURL((url) => url.searchParams.get("q") !== text);
    await page.getByRole("button", { name: `All about “${text}”` }).click();
    await page.getByRole("heading", { name: text, exact: true }).waitFor();
    await page.getByText("What the position alone would give").waitFor();
    await page.getByRole("link", { name: "Look for a repair" }).click();
    await page.getByRole("heading", { name: "Repair", exact: true }).waitFor();
  });

  test("this week’s work is taken, and is still taken after a reload", async () => {
    await open("work");
    const list = page.getByRole("list", { name: "This week’s work" });
    const first = list.getByRole("listitem").first();
    await first.waitFor();
    const why = await first.innerText();
    expect(why).toMatch(/orders/);
    await first.getByRole("button", { name: /^Assign, snooze or ignore/ }).click();
    await page.getByRole("textbox", { name: "Who does it" }).fill("Perrin Dale");
    await page.getByRole("button", { name: "Assign", exact: true }).click();
    await page.getByRole("combobox", { name: "Which work" }).filter({ hasText: "To do" }).click();
    await page.getByRole("option", { name: "Assigned (1)" }).click();
    await page.getByText("Assigned to Perrin Dale").waitFor();
    await page.reload();
    await page.getByRole("combobox", { name: "Which work" }).click();
    await page.getByRole("option", { name: "Assigned (1)" }).waitFor();
  });
});
