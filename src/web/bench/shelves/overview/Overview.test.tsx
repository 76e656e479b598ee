/** @jest-environment jsdom */
import { blankHide } from "@core/settings/blank-hide";
import { blankShelf } from "@core/shelves/edit";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { useWindow } from "../../state/window";
import Overview from "./Overview";

const SETTINGS = {
  shelves: {
    roses: { ...blankShelf("Roses", "a0"), searches: [{ match: "is", text: "rose" }], pins: { P1: 1 }, owner: "Maud" },
    away: {
      ...blankShelf("Gift card", "a1"),
      searches: [{ match: "is", text: "gift card" }],
      redirect: { to: "address", value: "https://shop.example/gifts", filters: {}, keepSearch: false },
    },
  },
  hides: { winter: { ...blankHide("Winter"), products: ["P2"], review: "2020-01-01" } },
  boosts: {
    own: {
      name: "Own brand",
      condition: { all: [{ field: "brand", is: "Tarn" }] },
      factor: 1.2,
      on: false,
      from: null,
      until: null,
      owner: null,
      review: null,
    },
  },
};
const facts = (part: string, id: string, more: object) => ({
  part,
  id,
  state: "acting",
  products: 4,
  searches: 0,
  acted: 0,
  clicked: 0,
  lastAt: null,
  by: "Perrin",
  at: "2026-11-20T10:00:00Z",
  ...more,
});
const ANSWER = {
  searches: 400,
  clicked: 240,
  rules: [
    facts("shelves", "roses", { searches: 30, acted: 20, clicked: 4 }),
    facts("shelves", "away", { state: "never", searches: 2 }),
    facts("hides", "winter", { state: "conflict", searches: 8 }),
    facts("boosts", "own", { state: "off", products: 12 }),
  ],
  conflicts: [],
};
beforeAll(() => {
  giveSize();
  Object.assign(Element.prototype, { hasPointerCapture: () => false, scrollIntoView: () => undefined });
});

const show = () =>
  showInBench(<Overview />, {
    settings: SETTINGS,
    serve: (path) => (path.includes("/shelves/overview") ? ANSWER : undefined),
  });
const names = () =>
  screen
    .getAllByRole("row")
    .slice(1)
    .map((row) => within(row).getAllByRole("cell")[1].querySelector("button")?.textContent);
const row = (name: string) => screen.getByRole("button", { name }).closest("[role=row]") as HTMLElement;
const choose = async (label: string, option: RegExp) => {
  screen.getByRole("combobox", { name: label }).focus();
  await userEvent.keyboard("{Enter}");
  await userEvent.click(await screen.findByRole("option", { name: option }));
};

describe("all rules in one table", () => {
  it("has what most searches meet on top, with what it does, its state and its owner", async () => {
    show();
    await screen.findByText("20 searches");
    expect(names()).toEqual(["Roses", "Winter", "Gift card", "Own brand"]);
    expect(row("Roses").textContent).toMatch(/“rose”.*Maud.*active.*20 % clicked/);
    expect(within(row("Roses")).getByText("20 % clicked").className).toContain("text-loss");
    expect(row("Winter").textContent).toMatch(/4 products, nowhere in the shop.*review due.*in conflict/);
    expect(row("Own brand").textContent).toMatch(/12 products, \+20 %.*off.*no searches yet/);
    expect(row("Gift card").textContent).toMatch(/never active.*no searches yet.*asked 2 times before/);
  });

  it("is narrowed by kind, by state, by what is due, and by words and owners", async () => {
    show();
    await screen.findByText("20 searches");
    await choose("Kind of rule", /redirects \(1\)/);
    expect(names()).toEqual(["Gift card"]);
    await choose("Kind of rule", /All kinds/);
    await choose("State", /review due \(1\)/);
    expect(names()).toEqual(["Winter"]);
    await choose("State", /Any state/);
    await userEvent.type(screen.getByLabelText("Search in the rules"), "maud");
    expect(names()).toEqual(["Roses"]);
  });

  it("is put in another order, by the choice above it and by its heads", async () => {
    show();
    await screen.findByText("20 searches");
    await choose("Order", /by name/);
    expect(names()).toEqual(["Gift card", "Own brand", "Roses", "Winter"]);
    await userEvent.click(within(screen.getByRole("columnheader", { name: "State" })).getByRole("button"));
    expect(names()).toEqual(["Roses", "Winter", "Gift card", "Own brand"]);
  });

  it("switches many off, gives them an owner, and removes them", async () => {
    const { sent } = show();
    await screen.findByText("20 searches");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Roses" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Winter" }));
    const bar = () => screen.getByRole("group", { name: "Chosen rules" });
    await userEvent.click(within(bar()).getByRole("button", { name: "Off" }));
    expect(sent[0]).toEqual([
      { op: "replace", path: "/shelves/roses/on", value: false },
      { op: "replace", path: "/hides/winter/on", value: false },
    ]);
    await waitFor(() => expect(screen.queryByRole("group", { name: "Chosen rules" })).toBeNull());
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose all these rules" }));
    await userEvent.type(within(bar()).getByLabelText("Owner"), "Perrin{Enter}");
    expect(sent[1]).toHaveLength(4);
    expect(sent[1][0]).toMatchObject({ value: "Perrin" });
  });

  it("opens a rule where it is made, with its search in the window", async () => {
    const { router } = show();
    await screen.findByText("20 searches");
    await userEvent.click(screen.getByRole("button", { name: "Roses" }));
    expect(useWindow.getState().address.query).toBe("rose");
    expect(router.state.location.pathname + router.state.location.search).toBe("/bench/corner/shelves/this-search?shelf=roses");
  });

  it("switches one rule in its row", async () => {
    const { sent } = show();
    await screen.findByText("20 searches");
    await userEvent.click(screen.getByRole("switch", { name: "Own brand: on" }));
    expect(sent).toEqual([[{ op: "replace", path: "/boosts/own/on", value: true }]]);
  });
});
