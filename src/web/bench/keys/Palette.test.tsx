/** @jest-environment jsdom */
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useWindow } from "../state/window";
import { isNamed, SCREENS } from "./find";
import Palette from "./Palette";

// What jsdom has not: the list keeps what is chosen in sight.
Element.prototype.scrollIntoView = () => undefined;
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

const boosts = { b1: { name: "Own brand first", condition: { field: "brand", is: "Own" }, factor: 2 } };

function show() {
  const onClose = jest.fn();
  const serve = (path: string) => {
    if (path.includes("/products/table")) return { total: 1, rows: [{ id: "A 1", values: { title: "Boostwood rose" } }] };
    if (path.includes("/log/queries")) return { queries: [{ text: "boots", asked: 12 }] };
    return undefined;
  };
  const front = { categories: [], fields: [{ key: "title", role: "title" }], filters: [], language: "en" };
  return { ...showInBench(<Palette onClose={onClose} />, { settings: { boosts }, open: { front }, serve }), onClose };
}
const names = () => screen.queryAllByRole("option").map((option) => option.textContent);

describe("finding anything by its name", () => {
  it("begins with every screen", () => {
    show();
    expect(names()).toHaveLength(SCREENS.length);
  });

  it("finds screens, settings, products and searches, and leads there by keyboard", async () => {
    const { router, onClose } = show();
    await userEvent.keyboard("boo");
    // Searches and products are two answers, that come in any order.
    await waitFor(() =>
      expect(names()).toEqual([
        "Ranking: BoostsOrder",
        "Boost “Own brand first”",
        "Try “boo”in the shopper window",
        "Answer “boo” itselfwhere nothing is found",
        "bootsasked 12 ×",
        "Boostwood roseA 1",
      ]),
    );
    await userEvent.keyboard("{ArrowDown}{Enter}");
    expect(router.state.location.pathname + router.state.location.search).toBe("/bench/corner/ranking/boosts?open=b1");
    expect(onClose).toHaveBeenCalled();
  });

  it("a product whose number was typed whole comes before searches of it", async () => {
    const { router } = show();
    await userEvent.keyboard("a 1");
    await waitFor(() => expect(names()[0]).toBe("Boostwood roseA 1"));
    await userEvent.keyboard("{Enter}");
    expect(router.state.location.pathname).toBe("/bench/corner/catalogue/products/A%201");
  });

  it("an answer of its own is made for what was typed", async () => {
    const { router, sent } = show();
    await userEvent.keyboard("blue thing{ArrowDown}{Enter}");
    await waitFor(() => expect(router.state.location.search).toBe("?open=blue-thing"));
    expect(sent[0]).toEqual([expect.objectContaining({ op: "add", path: "/deadEnd/answers/blue-thing" })]);
    expect(useWindow.getState().address.query).toBe("blue thing");
  });

  it("tries what was typed where nothing is called so", async () => {
    show();
    await userEvent.keyboard("blue thing{Enter}");
    expect(useWindow.getState().address.query).toBe("blue thing");
  });

  it("knows screens by other words of the trade too, by the beginnings of words in any order", () => {
    expect(isNamed("Ranking: Tie-breakers", "tie ran")).toBe(true);
    expect(isNamed("Ranking: Tie-breakers", "break")).toBe(true);
    expect(isNamed("Ranking: Tie-breakers", "reak")).toBe(false);
    expect(SCREENS.filter(({ name, also }) => isNamed(`${name} ${also}`, "synonym")).map(({ path }) => path)).toEqual(["words/rules"]);
  });
});
