/** @jest-environment jsdom */

import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { useWindow } from "../../state/window";
import OwnList from "./OwnList";

const entry = (text: string, more: object = {}) => ({ text, priority: 50, on: true, from: null, until: null, ...more });
const LIST = {
  hedge: entry("lavender hedge", { priority: 20 }),
  gifts: entry("gifts under £20", { priority: 90 }),
  pond: entry("pond plants", { on: false }),
};
const FACTS = {
  entries: {
    hedge: { finds: 0, redirect: null, corrected: false, shown: 0, taken: 0 },
    gifts: { finds: 31, redirect: null, corrected: false, shown: 40, taken: 10 },
    pond: { finds: 4, redirect: "Water garden", corrected: false, shown: 1, taken: 1 },
  },
};
beforeAll(() => giveSize());

const show = (list: object = LIST, facts: object = FACTS) =>
  showInBench(<OwnList />, { settings: { box: { list } }, serve: (path) => (path.endsWith("/box/list") ? facts : undefined) });
const rows = () => screen.getAllByRole("row").slice(1);
const row = (text: string) => rows().find((one) => one.textContent?.includes(text)) as HTMLElement;

describe("the own list of searches", () => {
  it("says what to do first while it is empty", () => {
    show({});
    expect(screen.getByText(/^None yet/)).toBeTruthy();
    expect(screen.queryByRole("table")).toBeNull();
  });

  it("has what comes first in the box on top, with what it finds and how it fared", async () => {
    show();
    await screen.findByText("finds 31 products");
    expect(rows().map((one) => within(one).getAllByRole("cell")[1].querySelector("button")?.textContent)).toEqual([
      "gifts under £20",
      "pond plants",
      "lavender hedge",
    ]);
    expect(row("lavender hedge").textContent).toContain("finds nothing: not offered");
    expect(row("pond plants").textContent).toContain("leads elsewhere: Water garden");
    expect(row("gifts").textContent).toContain("40 times25 % taken");
    expect(row("lavender hedge").textContent).toContain("not yet");
  });

  it("says of a search that only a correction helps", async () => {
    show(LIST, { entries: { hedge: { finds: 3, redirect: null, corrected: true, shown: 0, taken: 0 } } });
    await screen.findByText("finds 3 products, by a correction");
  });

  it("takes a search once, and keeps what is there already in the field", async () => {
    const { sent } = show();
    const field = screen.getByLabelText<HTMLInputElement>("Search to complete");
    await userEvent.type(field, "Pond Plants{Enter}");
    expect([sent, field.value]).toEqual([[], "Pond Plants"]);
    await userEvent.clear(field);
    await userEvent.type(field, " roses for shade {Enter}");
    await waitFor(() => expect(field.value).toBe(""));
    expect(sent).toMatchObject([[{ op: "add", path: "/box/list/roses-for-shade", value: { text: "roses for shade", on: true } }]]);
  });

  it("keeps a search that is refused in the field", async () => {
    const { sent, answer } = show();
    answer.isTaken = false;
    const field = screen.getByLabelText<HTMLInputElement>("Search to complete");
    await userEvent.type(field, "roses for shade{Enter}");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(field.value).toBe("roses for shade");
  });

  it("has a priority, a switch and dates in every row", async () => {
    const { sent } = show();
    const priority = screen.getByLabelText("Priority of lavender hedge");
    await userEvent.clear(priority);
    await userEvent.type(priority, "75{Tab}");
    await userEvent.click(screen.getByRole("switch", { name: "pond plants: on" }));
    await userEvent.click(screen.getByRole("button", { name: "Remove gifts under £20" }));
    expect(sent).toEqual([
      [{ op: "replace", path: "/box/list/hedge/priority", value: 75 }],
      [{ op: "replace", path: "/box/list/pond/on", value: true }],
      [{ op: "remove", path: "/box/list/gifts" }],
    ]);
    await userEvent.click(screen.getByRole("button", { name: "Dates of lavender hedge" }));
    expect(screen.getByRole("button", { name: "Done" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
  });

  it("switches many off at once, and removes them", async () => {
    const { sent } = show();
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose lavender hedge" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose pond plants" }));
    expect(screen.getByText("2 chosen")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Off" }));
    expect(sent[0].map((operation) => operation.path)).toEqual(["/box/list/pond/on", "/box/list/hedge/on"]);
    await waitFor(() => expect(screen.queryByText("2 chosen")).toBeNull());
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose all these searches" }));
    await userEvent.click(screen.getByRole("button", { name: "Remove 3 searches" }));
    expect(sent[1]).toHaveLength(3);
  });

  it("types a search into the box that is looked at", async () => {
    show();
    await userEvent.click(screen.getByRole("button", { name: "pond plants" }));
    expect(useWindow.getState().sample).toBe("pond plants");
  });
});
