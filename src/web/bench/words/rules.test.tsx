/** @jest-environment jsdom */

import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { useWindow } from "../state/window";
import Rules from "./Rules";

const WORDS = {
  spade: { does: "synonym", words: ["spade", "shovel"], quality: 0.9, on: true },
  gift: { does: "intent", words: ["gift", "present"], target: { field: "brand", value: "Tarn" }, as: "prefer", on: true },
  fuchsia: { does: "rewrite", words: ["fuschia"], to: ["fuchsia"], on: false },
  the: { does: "ignore", words: ["the", "a", "of", "and", "for", "with", "to"], on: true },
};
const USE = {
  searches: 100,
  clicked: 60,
  rules: {
    spade: { acted: 20, clicked: 4, by: "Maud", at: "2026-11-02T10:00:00Z" },
    gift: { acted: 12, clicked: 9, by: "Perrin", at: "2026-11-01T10:00:00Z" },
    the: { acted: 0, clicked: 0, by: null, at: null },
  },
};
beforeAll(() => giveSize());

const show = (words: object = WORDS) =>
  showInBench(<Rules />, { settings: { words }, serve: (path) => (path.endsWith("/words/use") ? USE : undefined) });
const rows = () => screen.getAllByRole("row").slice(1);
const first = () => rows().map((row) => within(row).getAllByRole("cell")[1].querySelector("button")?.textContent);
const choose = async (label: string, option: RegExp) => {
  const select = screen.getByRole("combobox", { name: label });
  select.focus();
  await userEvent.keyboard("{Enter}");
  await userEvent.click(await screen.findByRole("option", { name: option }));
};
// What the list of a select asks of a browser.
beforeAll(() => {
  Object.assign(Element.prototype, { hasPointerCapture: () => false, scrollIntoView: () => undefined });
});

describe("the table of word rules", () => {
  it("says what to think of while there is none", () => {
    show({});
    expect(screen.getByText(/^None yet/)).toBeTruthy();
  });

  it("has what was changed last on top, and can be put in another order", async () => {
    show();
    await screen.findAllByText("20 searches");
    expect(first().indexOf("spade")).toBeLessThan(first().indexOf("gift"));
    await choose("Order", /alphabet/);
    expect(first()).toEqual(["fuschia", "gift", "spade", "the"]);
    await choose("Order", /Most used/);
    expect(first()[0]).toBe("spade");
  });

  it("says each rule as a sentence, how often it was used, and what is clicked less than other searches", async () => {
    show();
    await screen.findAllByText("20 searches");
    const text = rows().map((row) => row.textContent);
    expect(text.some((said) => /spade.*=.*shovel.*mean the same/.test(said ?? ""))).toBe(true);
    expect(text.some((said) => /gift.*Tarn.* first/.test(said ?? ""))).toBe(true);
    expect(text.some((said) => /the.*\+2.*ignored/.test(said ?? ""))).toBe(true);
    expect(screen.getByText("20 % clicked").className).toContain("text-loss");
    expect(screen.getByText("75 % clicked").className).not.toContain("text-loss");
  });

  it("is searched by any word of a rule, and by its kind", async () => {
    show();
    await userEvent.type(screen.getByLabelText("Search in the rules"), "tarn");
    expect(first()).toEqual(["gift"]);
    await userEvent.clear(screen.getByLabelText("Search in the rules"));
    await choose("Kind of rule", /ignored/);
    expect(first()).toEqual(["the"]);
    await choose("Kind of rule", /All rules/);
    await choose("On or off", /Off \(1\)/);
    expect(first()).toEqual(["fuschia"]);
    await choose("On or off", /^On \(/);
    expect(first()).not.toContain("fuschia");
  });

  it("tries a word in the window, switches a rule and removes it", async () => {
    const { sent } = show();
    await userEvent.click(screen.getByRole("button", { name: "shovel" }));
    expect(useWindow.getState().address.query).toBe("shovel");
    await userEvent.click(screen.getByRole("switch", { name: "fuschia: on" }));
    await userEvent.click(screen.getByRole("button", { name: "Remove the rule for gift" }));
    expect(sent).toEqual([[{ op: "replace", path: "/words/fuchsia/on", value: true }], [{ op: "remove", path: "/words/gift" }]]);
  });

  it("opens a rule in the form above, and asks before what is typed there is lost", async () => {
    const { sent } = show();
    await userEvent.click(screen.getByTitle(/^Change this rule: spade/));
    expect(screen.getByRole("form", { name: "Change the rule" })).toBeTruthy();
    await userEvent.type(screen.getByLabelText("Words"), "digger,");
    await userEvent.click(screen.getByTitle(/^Change this rule: gift/));
    // Whether it may go is asked by the frame of the bench, which is not here: the form stays.
    expect(screen.getByText("digger")).toBeTruthy();
    await userEvent.click(within(screen.getByRole("form")).getByRole("button", { name: "Change the rule" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject([{ path: "/words/spade", value: { words: ["spade", "shovel", "digger"] } }]);
    await screen.findByRole("form", { name: "New rule" });
  });
});
