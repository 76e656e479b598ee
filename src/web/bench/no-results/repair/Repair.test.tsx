/** @jest-environment jsdom */

import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import Repair from "./Repair";

const entry = (text: string, lost: number) => ({
  text,
  texts: [{ text, asked: lost }],
  cause: "nothing",
  asked: lost,
  lost,
  since: "2026-10-01T08:00:00Z",
  lastAt: "2026-11-20T08:00:00Z",
  next: [],
  total: 0,
  weak: [],
  corrected: null,
});
const OVERVIEW = {
  progress: null,
  searches: 900,
  lostLive: 50,
  lostDraft: 40,
  cases: [entry("slug pelets", 30), entry("slugs", 10)],
  count: 2,
  causes: [
    { cause: "nothing", count: 2 },
    { cause: "part", count: 0 },
  ],
  aside: [],
};
const REPAIR = {
  kind: "read",
  reason: "",
  entry: { part: "words", value: { does: "rewrite", words: ["slug pelets"], to: ["slug pellets"], on: true } },
  outcome: "results",
  total: 6,
  titles: [],
};
const show = (overview: object | ((path: string) => object) = OVERVIEW, settings: object = {}) =>
  showInBench(<Repair />, {
    settings,
    serve(path, body) {
      if (path.includes("/repair/proposals"))
        return { cases: (body as { texts: string[] }).texts.map((text) => ({ text, repairs: [REPAIR] })) };
      return path.includes("/repair") ? (typeof overview === "function" ? overview(path) : overview) : undefined;
    },
  });

describe("the searches that fail", () => {
  it("are said in figures, with what the draft saves", async () => {
    show();
    await screen.findByText("slugs");
    expect(screen.getByRole("status").textContent).toBe(
      "40 of 900 searches are lost to 2 cases. The draft saves 10 of the 50 lost today, 20 %.",
    );
  });

  it("are none where none is left", async () => {
    show({ ...OVERVIEW, cases: [], count: 0, causes: [], lostDraft: 0, lostLive: 0 });
    await screen.findByText("No search of the log fails in this draft.");
    expect(screen.queryByLabelText("Choose all cases shown")).toBeNull();
  });

  it("leave the list with the repair that is accepted, which is made once for all of them", async () => {
    const { sent } = show();
    await screen.findAllByText(/is read as/);
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose all cases shown" }));
    await userEvent.click(await screen.findByRole("button", { name: "Accept the first repair of 2" }));
    await waitFor(() => expect(screen.queryByText("slugs")).toBeNull());
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject([{ op: "add", path: "/words/slug-pelets" }]);
  });

  it("stay, and stay chosen, when the repair is refused", async () => {
    const { sent, answer } = show();
    answer.isTaken = false;
    await screen.findAllByText(/is read as/);
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose slugs" }));
    await userEvent.click(await screen.findByRole("button", { name: "Accept the first repair of 1" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(screen.getByRole("checkbox", { name: "Choose slugs" }).getAttribute("aria-checked")).toBe("true");
  });

  it("are shown in steps of twenty-five", async () => {
    show({ ...OVERVIEW, cases: Array.from({ length: 30 }, (_, i) => entry(`search ${i}`, 30 - i)), count: 30 });
    await screen.findByText("search 24");
    expect(screen.queryByText("search 25")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Show 5 more of 30" }));
    await screen.findByText("search 29");
  });

  it("are there before all are looked at, and it is said how far that is", async () => {
    let asked = 0;
    show(() => (asked++ === 0 ? { ...OVERVIEW, progress: { looked: 300, of: 1200 }, cases: [entry("slugs", 10)] } : OVERVIEW));
    await screen.findByText("Looked at 300 of 1,200 searches; there is more to come.");
    expect(screen.getByText("slugs")).toBeTruthy();
    // The rest comes by itself.
    await waitFor(() => expect(screen.queryByText(/there is more to come/)).toBeNull());
    expect(screen.getByRole("button", { name: "All about slug pelets" })).toBeTruthy();
  });

  it("are shown of one cause alone, where that is wanted", async () => {
    show((path) => (path.includes("cause=part") ? { ...OVERVIEW, cases: [], count: 0 } : OVERVIEW));
    await screen.findByText("slugs");
    screen.getByRole("combobox", { name: "What is wrong" }).focus();
    await userEvent.keyboard("{Enter}");
    expect((await screen.findAllByRole("option")).map(({ textContent }) => textContent)).toEqual([
      "All that fail",
      "finds nothing (2)",
      "partly matched (0)",
    ]);
    await userEvent.keyboard("{End}{Enter}");
    await screen.findByText("No search is matched in part in this draft.");
  });

  it("take a meaning of one's own", async () => {
    const { sent } = show();
    await userEvent.click(await screen.findByRole("button", { name: "All about slugs" }));
    await userEvent.type(screen.getByLabelText("means"), "pellets, traps");
    await userEvent.click(screen.getAllByRole("button", { name: "Accept" }).at(-1) as HTMLElement);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual([
      { op: "add", path: "/words/slugs", value: { does: "one-way", words: ["slugs"], to: ["pellets", "traps"], quality: 0.9, on: true } },
    ]);
  });

  it("lead to the answer of their own that they have", async () => {
    show(OVERVIEW, { deadEnd: { answers: { mine: { searches: [{ match: "is", text: "Slugs" }], products: ["P1"] } } } });
    const link = await screen.findByRole("link", { name: "Open its own answer" });
    expect(link.getAttribute("href")).toBe("/bench/corner/no-results/answers?open=mine");
  });
});
