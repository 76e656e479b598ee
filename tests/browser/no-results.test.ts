import type { Page } from "playwright-core";
import { benchOf, moveByKeyboard, openPage, withDemo } from "../support/browser";
import { askRepair } from "../support/server";
import { until } from "../support/waits";

interface Overview {
  lostLive: number;
  lostDraft: number;
  count: number;
  cases: { text: string; lost: number; cause: string }[];
  aside: { text: string; reason: string }[];
}
interface Found {
  outcome: string;
  total: number;
  deadEnd: { message: string; searches: string[]; products: { id: string }[]; parts: { part: string; heading: string }[] } | null;
}

/** What shoppers get when nothing is found, and the repair of searches that found nothing. */
describe("searches without results", () => {
  const suite = withDemo();
  let page: Page;
  const { open, tryOut, shopper, answer, store } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  /** All of it, once every search was looked at. */
  const overview = () => askRepair<Overview>(suite.server, store);
  const row = (text: string) =>
    page.getByRole("listitem").filter({ has: page.getByRole("checkbox", { name: `Choose ${text}`, exact: true }) });

  test("a failing search is repaired: tried in the window, taken, and the list shrinks by what it lost", async () => {
    const before = await overview();
    const [{ text, lost }] = before.cases;
    await open("no-results/repair");
    const first = row(text);
    await first.getByRole("button", { name: "Try", exact: true }).first().click();
    await shopper().getByText(`Repair of “${text}”`).first().waitFor();
    expect((await overview()).lostDraft).toBe(before.lostDraft);
    await first.getByRole("button", { name: "Accept", exact: true }).first().click();
    // Slips of it that are too short to be read as it are cases of their own now.
    await until(async () => (await overview()).lostDraft <= before.lostDraft - lost * 0.8, "fewer lost searches");
    await page.getByText(/The draft saves/).waitFor();
    await until(async () => (await row(text).count()) === 0, "gone from the list");
    expect((await answer<Found>(text)).outcome).toBe("results");
    await page.getByRole("button", { name: "Undo" }).first().click();
    await until(async () => (await overview()).lostDraft === before.lostDraft, "all as it was");
  });

  test("many are taken at once, as one edit", async () => {
    await open("no-results/repair");
    const before = await overview();
    for (const { text } of before.cases.slice(0, 4)) {
      await row(text).getByRole("button", { name: "Accept", exact: true }).first().waitFor();
      await page.getByRole("checkbox", { name: `Choose ${text}`, exact: true }).click();
    }
    await page.getByRole("button", { name: "Accept the first repair of 4" }).click();
    await until(async () => (await overview()).count <= before.count - 4, "four cases fewer");
    await page.getByRole("button", { name: "Undo" }).first().click();
    await until(async () => (await overview()).count === before.count, "one undo for all");
  });

  test("what is not of the range is ignored with a reason, is counted still, and can be taken back", async () => {
    await open("no-results/repair");
    const { cases } = await overview();
    const { text } = cases[1];
    await page.getByRole("button", { name: `All about ${text}` }).click();
    await page.getByLabel(`Why ${text} is not repaired`).fill("we sell no such thing");
    await page.getByRole("button", { name: "Ignore" }).click();
    await page.getByText(/we sell no such thing/).waitFor();
    expect((await overview()).aside).toMatchObject([{ text, reason: "we sell no such thing" }]);
    await page.getByRole("button", { name: "Stop ignoring" }).click();
    await page.getByRole("button", { name: "Stop ignoring" }).waitFor({ state: "detached" });
    await until(async () => (await overview()).cases.some((entry) => entry.text === text), "among the cases again");
  });

  test("the page of a dead end is put in order, renamed and shortened, with the window in sight", async () => {
    await open("no-results/page");
    await page.getByRole("button", { name: "Try “abracadabra”" }).click();
    await shopper().locator("[data-part=products]").waitFor();
    await page.getByLabel("Heading of Products").fill("What others buy now");
    await page.keyboard.press("Enter");
    await shopper().getByRole("heading", { name: "What others buy now" }).waitFor();
    await page.getByLabel("Products at most").fill("2");
    await page.keyboard.press("Enter");
    await until(async () => (await shopper().locator("[data-part=products] article").count()) === 2, "two products");
    await page.getByRole("switch", { name: "Tips: on" }).click();
    await until(async () => (await shopper().locator("[data-part=tips]").count()) === 0, "no tips");
    const order = () =>
      shopper()
        .locator("[data-part]")
        .evaluateAll((parts) => parts.map((part) => part.getAttribute("data-part")));
    expect((await order()).indexOf("products")).toBeGreaterThan((await order()).indexOf("searches"));
    await page.getByRole("button", { name: "Move Products" }).focus();
    await moveByKeyboard(page, "ArrowUp");
    await until(async () => (await order()).indexOf("products") < (await order()).indexOf("searches"), "products first");
  });

  test("a search has an answer of its own, and only between its dates", async () => {
    await open("no-results/answers");
    await tryOut("terrapin");
    await page.getByRole("button", { name: "Answer “terrapin” itself" }).click();
    await page.getByLabel("Message for terrapin").fill("No animals here, but ponds");
    await page.keyboard.press("Enter");
    await shopper().getByRole("heading", { name: "No animals here, but ponds" }).waitFor();
    await page.getByLabel("Search to propose for terrapin").fill("pond plants");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await shopper().getByRole("button", { name: "pond plants" }).waitFor();
    await page.getByLabel("until").fill("2026-01-01T00:00");
    await page.keyboard.press("Tab");
    await until(async () => (await answer<Found>("terrapin")).deadEnd?.message !== "No animals here, but ponds", "over");
  });

  test("how strictly a search is taken is seen on real searches before it is", async () => {
    await open("no-results/fallbacks");
    await page
      .getByText(/of [\d,]+ would find something/)
      .first()
      .waitFor();
    await tryOut("lavender zebra");
    expect((await answer<Found>("lavender zebra")).outcome).toBe("partial");
    await page
      .getByRole("button", { name: /^look at \d+/ })
      .first()
      .click();
    await page.getByText("would find nothing").first().waitFor();
    await page.getByRole("radio", { name: /^Every word/ }).click();
    await until(async () => (await answer<Found>("lavender zebra")).outcome === "dead-end", "every word wanted");
    await page.getByRole("radio", { name: /^Any part of it/ }).click();
    await until(async () => (await answer<Found>("lavender zebra")).outcome === "partial", "any part again");
    await page.getByText("No product has all words").first().waitFor();
  });
});
