/** @jest-environment jsdom */
import { Page } from "@core/settings/page";
import { lookOfPage } from "@core/settings/page/look";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { START } from "../../shop/address";
import { useWindow } from "../state/window";
import { Finder } from "./Finder";

const FRONT = {
  locale: "en-GB",
  language: "en",
  currency: "GBP",
  fields: [{ key: "title", role: "title" }],
  chosen: {},
  page: lookOfPage(Page.parse({})),
};
const HIDES = { winter: { name: "Too cold now", on: true, products: ["P7"], places: ["browsing", "typing"] } };
const PLACES = [
  { place: "browsing", why: { reason: "hidden", rule: "winter" } },
  { place: "searching", why: null },
  { place: "typing", why: { reason: "hidden", rule: "winter" } },
  { place: "beside", why: { reason: "sold-out" } },
];

/** Looks for a product that the catalogue has and no shopper's search finds. */
async function look() {
  useWindow.setState({ address: { ...START, query: "rose" }, at: null, lost: [], isFinding: true });
  const shown = showInBench(<Finder />, {
    open: { front: FRONT, fields: [] },
    settings: { hides: HIDES },
    serve: (path) => {
      if (path.includes("/products/table")) return { total: 1, rows: [{ id: "P7", values: { title: "Old rose" } }] };
      if (path.includes("/places")) return PLACES;
      return path.includes("/search") ? { hits: [], why: { P7: { reason: "no-answer", unit: "rose" } } } : undefined;
    },
  });
  await userEvent.type(screen.getByRole("combobox", { name: "Product to look for" }), "old");
  await userEvent.click(await screen.findByRole("option", { name: /Old rose/ }));
  return shown;
}

describe("where a product is", () => {
  it("is said of any product of the catalogue, hidden and sold out ones too, and of each place of the shop", async () => {
    await look();
    expect((await screen.findByRole("status")).textContent).toContain("Old rose: nothing in it answers “rose”");
    const lines = within(await screen.findByRole("list", { name: "Where it may be" }))
      .getAllByRole("listitem")
      .map(({ textContent }) => textContent);
    expect(lines).toEqual([
      "Nothing keeps it out in results.",
      "Hidden in categories, while typing: Too cold now.Show it again",
      "It cannot be had, and comes only when asked for in recommendations. Change that",
    ]);
  });

  it("is asked and changed by keyboard: the focus is in the field, and then on what can be done", async () => {
    await look();
    await waitFor(() => expect(document.activeElement?.textContent).toBe("Say what “rose” means"));
  });

  it("is changed where it is said", async () => {
    const { sent } = await look();
    await userEvent.click(await screen.findByRole("button", { name: "Show it again" }));
    await waitFor(() => expect(sent).toEqual([[{ op: "replace", path: "/hides/winter/on", value: false }]]));
    await userEvent.click(await screen.findByRole("button", { name: "Pin it to the top" }));
    await waitFor(() => expect(JSON.stringify(sent[1])).toContain('"pins":{"P7":1}'));
  });
});
