/** @jest-environment jsdom */

import type { DemandOneSearch, DemandOverview, DemandRow } from "@contract/demand";
import { NO_SUMS } from "@core/demand/searches";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { useWalk } from "../state/walk";
import { useWindow } from "../state/window";
import Overview from "./Overview";
import Products from "./Products";
import Searches from "./Searches";

// There is no canvas here; the browser tests draw.
jest.mock("chart.js", () => {
  class Chart {
    static register(): void {}
    destroy(): void {}
  }
  return new Proxy({ Chart }, { get: (known, name) => (name === "Chart" ? known.Chart : name === "__esModule" ? true : {}) });
});

const row = (text: string, asked: number, more: Partial<DemandRow> = {}): DemandRow => ({
  text,
  forms: [{ text, asked }],
  now: { ...NO_SUMS, asked, clicked: Math.floor(asked / 2), clicks: 4, positions: 10 },
  before: { ...NO_SUMS, asked: 3 },
  yearAgo: NO_SUMS,
  lost: 0,
  isNew: false,
  line: [1, 2, 3],
  ...more,
});
const search = ({ line: _, ...rest }: DemandRow) => rest;
const day = (asked: number) => ({ ...NO_SUMS, asked, clicked: Math.floor(asked / 2), visits: 2 });
const figures = (asked: number) => ({
  period: { from: "2026-11-01", until: "2026-11-03" },
  searches: { ...NO_SUMS, asked: asked * 3, clicked: Math.floor(asked / 2) * 3 },
  visits: { visits: 6, clicked: 3, basketed: 2, ordered: 1 },
  days: [day(asked), day(asked), day(asked)],
});
const OVERVIEW: DemandOverview = {
  kept: { from: "2026-10-01", until: "2026-11-03" },
  now: figures(200),
  before: figures(100),
  yearAgo: null,
  changes: { rose: [search(row("bird food", 90))], fell: [], began: [], vanished: [] },
  marks: [{ day: "2026-11-02", kind: "release", text: "Bulb season", id: "3" }],
  languages: ["en"],
};

const user = userEvent.setup();
let tried: string[] = [];
beforeEach(() => {
  giveSize();
  tried = [];
  useWindow.setState({ try: (query: string) => void tried.push(query) });
});

describe("the overview of Demand", () => {
  const show = (overview: DemandOverview = OVERVIEW) => {
    const asked: string[] = [];
    const shown = showInBench(<Overview />, {
      serve(path) {
        asked.push(path);
        return path.includes("/demand") ? overview : undefined;
      },
    });
    return { ...shown, asked };
  };

  it("draws the figure that is pressed, which is in the address, and has its days as a table", async () => {
    const { router } = show();
    expect(await screen.findByRole("heading", { name: "Searches" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Searches by day: 600 in all, 300 before" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Clicked" }));
    expect(screen.getByRole("heading", { name: "Clicked" })).toBeTruthy();
    expect(router.state.location.search).toBe("?figure=clicked");
    const [days] = screen.getAllByRole("table", { hidden: true });
    expect(within(days).getAllByRole("row", { hidden: true })).toHaveLength(4);
  });

  it("says what happened meanwhile, and tries a search that changed", async () => {
    show();
    expect((await screen.findByText(/Release 3: Bulb season/)).textContent).toContain("2 Nov");
    await user.click(screen.getByRole("button", { name: "bird food" }));
    expect(tried).toEqual(["bird food"]);
    expect(screen.getByText("None less than chance would do.")).toBeTruthy();
  });

  it("asks for the period and the people that are chosen", async () => {
    const { asked, router } = show();
    await screen.findByRole("heading", { name: "Searches" });
    await user.click(screen.getByRole("combobox", { name: "Period" }));
    await user.click(await screen.findByRole("option", { name: "Last 7 days" }));
    await waitFor(() => expect(asked.at(-1)).toContain("days=7"));
    await user.click(screen.getByRole("combobox", { name: "Device" }));
    await user.click(await screen.findByRole("option", { name: "Phones" }));
    await waitFor(() => expect(asked.at(-1)).toContain("device=phone"));
    expect(router.state.location.search).toBe("?days=7&device=phone");
  });

  it("says what to do where nothing was searched yet", async () => {
    show({ ...OVERVIEW, kept: null });
    expect(await screen.findByText(/Nothing was searched yet/)).toBeTruthy();
  });
});

describe("the searches of Demand", () => {
  const ROWS = [
    row("tulip", 40, {
      forms: [
        { text: "tulip", asked: 30 },
        { text: "tulips", asked: 10 },
      ],
    }),
    row("rose", 30, { isNew: true, lost: 4.2 }),
  ];
  const ONE: DemandOneSearch = {
    search: search(ROWS[0]),
    kept: { from: "2026-10-01", until: "2026-11-03" },
    now: figures(40),
    before: figures(20),
    yearAgo: null,
    marks: [],
    products: [
      { id: "P1", title: "Tulip Meadow Tale", shown: 100, position: 1, clicked: 10, expected: 40, basketed: 1, ordered: 1, revenue: 650 },
      { id: "P2", title: "", shown: 100, position: 2, clicked: 31, expected: 30, basketed: 0, ordered: 0, revenue: 0 },
    ],
    cameFrom: [{ text: "bulb", times: 4 }],
    wentTo: [],
    devices: [
      { device: "phone", asked: 30 },
      { device: "", asked: 10 },
    ],
    rules: { draft: ["w1", "s1"], live: ["w1"] },
    found: { draft: 54, live: 50 },
  };
  const show = (at: string | null = null) => {
    const asked: string[] = [];
    const words = { w1: { does: "synonym", words: ["tulip", "tulipa"], on: true } };
    const shown = showInBench(<Searches />, {
      settings: { words },
      serve(path) {
        asked.push(path);
        if (path.includes("/demand/searches"))
          return { period: OVERVIEW.now.period, languages: ["en"], total: 2, all: { ...NO_SUMS, asked: 70 }, searches: ROWS };
        if (path.includes("/demand/search?")) return ONE;
        return path.includes("/demand") ? OVERVIEW : undefined;
      },
    });
    if (at) void shown.router.navigate(at);
    return { ...shown, asked };
  };

  it("are tried by a press, and stepped through from there", async () => {
    show();
    expect(await screen.findByText("2 searches, asked 70 times")).toBeTruthy();
    await user.click(await screen.findByRole("button", { name: "rose" }));
    expect(tried).toEqual(["rose"]);
    const { list, searches, place, step } = useWalk.getState();
    expect([list, searches.map(({ text }) => text), place]).toEqual(["demand", ["tulip", "rose"], 1]);
    expect(step(-1)).toBe("tulip");
  });

  it("say how else they are written, what is new, and what is lost", async () => {
    show();
    expect(await screen.findByText("also tulips")).toBeTruthy();
    expect(screen.getByText("new")).toBeTruthy();
    expect(screen.getByText("4.2")).toBeTruthy();
  });

  it("are asked for in another view, order and spelling", async () => {
    const { asked } = show();
    await screen.findByText("also tulips");
    await user.click(screen.getByRole("combobox", { name: "View" }));
    await user.click(await screen.findByRole("option", { name: "Lost orders" }));
    await waitFor(() => expect(asked.at(-1)).toContain("view=lost"));
    await user.click(screen.getByRole("button", { name: "Lost" }));
    await waitFor(() => expect(asked.at(-1)).toMatch(/order=lost.*direction=asc/));
    await user.click(screen.getByRole("checkbox", { name: "Each spelling by itself" }));
    await waitFor(() => expect(asked.at(-1)).toContain("apart=true"));
  });

  it("have each a page: its products by position, what was searched before, what answers it", async () => {
    const { router } = show();
    await user.click(await screen.findByRole("button", { name: "All about “tulip”" }));
    expect(router.state.location.search).toBe("?open=tulip");
    expect(await screen.findByText(/Also written tulips \(10\)/)).toBeTruthy();
    expect(screen.getByText("Clicked far less often than its position alone would give")).toBeTruthy();
    expect(screen.getByRole("link", { name: "P2" })).toBeTruthy();
    expect(screen.getByText("54 products in the draft, 50 in what is live.")).toBeTruthy();
    expect(screen.getByRole("link", { name: "Word rule: tulip, tulipa" }).getAttribute("href")).toContain("/words/rules?open=w1");
    expect(screen.getByText("draft only")).toBeTruthy();
    expect(screen.getByText("Asked on phones 75 %, unknown devices 25 %.")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "bulb" }));
    expect(tried).toEqual(["bulb"]);
    await user.click(screen.getByRole("button", { name: "All searches" }));
    expect(router.state.location.search).toBe("");
  });
});

describe("the products of Demand", () => {
  const sums = (clicked: number) => ({ shown: 200, clicked, basketed: 3, ordered: 2, revenue: 1_300 });
  const show = () => {
    const asked: string[] = [];
    const shown = showInBench(<Products />, {
      serve(path) {
        asked.push(path);
        if (path.includes("/demand/products"))
          return {
            period: OVERVIEW.now.period,
            total: 2,
            all: sums(30),
            products: [
              { id: "P1", title: "Tulip Meadow Tale", now: sums(20), before: sums(8) },
              { id: "P9", title: "", now: sums(10), before: sums(10) },
            ],
          };
        return path.includes("/demand") ? OVERVIEW : undefined;
      },
    });
    return { ...shown, asked };
  };

  it("say how often they were shown, clicked and bought, and lead to their own pages", async () => {
    show();
    expect((await screen.findByRole("link", { name: "Tulip Meadow Tale" })).getAttribute("href")).toBe(
      "/bench/corner/catalogue/products/P1",
    );
    expect(screen.getByText("not in the catalogue any more")).toBeTruthy();
    expect(screen.getByText("8 before")).toBeTruthy();
    expect(screen.getAllByText("£13")).toHaveLength(2);
    expect(screen.getByText("2 products, clicked 30 times")).toBeTruthy();
    expect(screen.queryByRole("combobox", { name: "Device" })).toBeNull();
  });

  it("are asked for in another view and order", async () => {
    const { asked, router } = show();
    await screen.findByRole("link", { name: "Tulip Meadow Tale" });
    await user.click(screen.getByRole("combobox", { name: "View" }));
    await user.click(await screen.findByRole("option", { name: "Never clicked" }));
    await waitFor(() => expect(asked.some((path) => path.includes("view=unclicked"))).toBe(true));
    expect(router.state.location.search).toBe("?see=unclicked");
    await user.click(screen.getByRole("button", { name: "Shown" }));
    await waitFor(() => expect(asked.at(-1)).toMatch(/order=shown.*direction=asc/));
  });
});
