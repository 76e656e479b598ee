/** @jest-environment jsdom */

import type { WorkEntry } from "@contract/demand";
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useWindow } from "../state/window";
import Work from "./Work";

const entry = (kind: WorkEntry["kind"], about: string, more: Partial<WorkEntry> = {}): WorkEntry => ({
  id: `${kind} ${about}`,
  ...{ kind, about, cases: 60, clicked: 3, orders: 0, revenue: 0, entry: null },
  state: { state: "open", until: null, person: "", note: "", by: "", at: "" },
  ...more,
});
const ITEMS = [
  entry("no-results", "fertilizer", { orders: 7.2, revenue: 12_000 }),
  entry("not-clicked", "plant food", { orders: 4 }),
  entry("conflicts", "", { cases: 3 }),
  entry("review-due", "Roses", { entry: { part: "shelves", id: "roses" } }),
  entry("sold-out", "spade", { state: { state: "later", until: "2026-12-24", person: "", note: "new stock comes", by: "Maud", at: "" } }),
];

const user = userEvent.setup();

function show(items = ITEMS) {
  const put: unknown[] = [];
  let now = items;
  const shown = showInBench(<Work />, {
    serve(path, body) {
      if (!path.includes("/demand/work")) return undefined;
      if (body !== undefined) {
        put.push(body);
        const { item, ...state } = body as { item: string } & WorkEntry["state"];
        now = now.map((one) => (one.id === item ? { ...one, state: { ...one.state, ...state } } : one));
        return {};
      }
      return { items: now };
    },
  });
  return { ...shown, put };
}

describe("this week’s work", () => {
  it("says why each is here and what it may bring, and leads to where it is mended", async () => {
    const tried: string[] = [];
    useWindow.setState({ try: (query: string) => void tried.push(query) });
    show();
    expect(await screen.findByText("Finds nothing; asked 60 times.")).toBeTruthy();
    expect(screen.getByText("7.2 orders")).toBeTruthy();
    expect(screen.getByRole("status").textContent).toBe("11 orders in four weeks, £120");
    expect(screen.getByRole("link", { name: "Repair it" }).getAttribute("href")).toBe(
      "/bench/corner/no-results/repair?open=fertilizer&q=fertilizer",
    );
    expect(screen.getByText("3 conflicts")).toBeTruthy();
    const links = screen.getAllByRole("link", { name: "Look at it" }).map((link) => link.getAttribute("href"));
    expect(links).toContain("/bench/corner/shelves/this-search?shelf=roses");
    await user.click(screen.getByRole("button", { name: "fertilizer" }));
    expect(tried).toEqual(["fertilizer"]);
    expect(screen.queryByText("spade")).toBeNull();
  });

  it("is taken by somebody with a note, and leaves the list", async () => {
    const { put } = show();
    await user.click(await screen.findByRole("button", { name: "Assign, snooze or ignore fertilizer" }));
    const who = screen.getByRole("textbox", { name: "Who does it" });
    await user.clear(who);
    await user.type(who, "Perrin Dale");
    await user.type(screen.getByRole("textbox", { name: "Note" }), "ask the supplier");
    await user.click(screen.getByRole("button", { name: "Assign" }));
    await waitFor(() => expect(screen.queryByText("Finds nothing; asked 60 times.")).toBeNull());
    expect(put).toEqual([{ item: "no-results fertilizer", state: "taken", until: null, person: "Perrin Dale", note: "ask the supplier" }]);
    await user.click(screen.getByRole("combobox", { name: "Which work" }));
    await user.click(await screen.findByRole("option", { name: "Assigned (1)" }));
    expect(await screen.findByText("Assigned to Perrin Dale: ask the supplier")).toBeTruthy();
  });

  it("is put off until a day, left, or put back", async () => {
    const { put } = show();
    await user.click(await screen.findByRole("button", { name: "Assign, snooze or ignore plant food" }));
    await user.click(screen.getByRole("button", { name: "Not our range" }));
    await waitFor(() => expect(screen.queryByText("plant food")).toBeNull());
    await user.click(screen.getByRole("combobox", { name: "Which work" }));
    await user.click(await screen.findByRole("option", { name: "Snoozed (1)" }));
    expect(await screen.findByText("Snoozed until 24 Dec 2026: new stock comes")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Assign, snooze or ignore spade" }));
    await user.click(screen.getByRole("button", { name: "Reopen" }));
    await waitFor(() => expect(screen.getByText("None.")).toBeTruthy());
    expect(put.map((body) => (body as { state: string }).state)).toEqual(["ignored", "open"]);
  });

  it("says so where there is nothing to do", async () => {
    show([]);
    expect(await screen.findByText(/Nothing to do/)).toBeTruthy();
  });
});
