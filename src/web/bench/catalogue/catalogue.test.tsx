/** @jest-environment jsdom */

import { blankHide } from "@core/settings/blank-hide";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useBench } from "../state/bench";
import Duplicates from "./duplicates/Duplicates";
import { useTable } from "./products/state";
import Selections from "./selections/Selections";

const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));

describe("selections", () => {
  const SELECTIONS = {
    own: { name: "Own brand", condition: { all: [{ field: "brand", is: "Tarn" }] } },
    gifts: { name: "Gifts", condition: { any: [{ selection: "own" }, { field: "price", between: [null, 20] }] } },
  };
  const FACTS = [
    { id: "own", products: 120, uses: ["the boost “Own brand”", "the filter “Ours”"] },
    { id: "gifts", products: 1, uses: [] },
  ];
  const show = (selections: object = SELECTIONS) =>
    showInBench(<Selections />, {
      settings: { selections },
      serve(path) {
        if (path.includes("/conditions/count")) return { products: 0, samples: [] };
        return path.includes("/selections") ? FACTS : undefined;
      },
    });

  it("say what to make first", () => {
    show({});
    expect(screen.getByText(/^None yet/)).toBeTruthy();
  });

  it("say their condition, how many products they hold, and where they are used", async () => {
    show();
    await screen.findByRole("button", { name: "120 products" });
    expect(screen.getByText("Used in the boost “Own brand”, the filter “Ours”")).toBeTruthy();
    expect(screen.getByRole("button", { name: "1 product" })).toBeTruthy();
    expect(screen.getAllByRole("listitem").map((item) => item.textContent)).toEqual([
      expect.stringMatching(/Own brand.*Brand is Tarn/),
      expect.stringMatching(/Gifts.*Own brand/),
    ]);
  });

  it("show their products in the table of products", async () => {
    const { router } = show();
    await userEvent.click(await screen.findByRole("button", { name: "120 products" }));
    expect(router.state.location.pathname).toBe("/bench/corner/catalogue/products");
    expect(useTable.getState()).toMatchObject({ search: "", condition: { selection: "own" } });
  });

  it("are made under an id that is free, named and given a condition", async () => {
    const { sent } = show();
    await press("New selection");
    expect(sent).toEqual([[{ op: "add", path: "/selections/selection", value: { name: "New selection", condition: { all: [] } } }]]);
    await press("Edit Own brand");
    await userEvent.clear(screen.getByLabelText("Name of the selection"));
    await userEvent.type(screen.getByLabelText("Name of the selection"), " House brand {Tab}");
    expect(sent[1]).toEqual([{ op: "replace", path: "/selections/own/name", value: "House brand" }]);
    await press("Remove this condition");
    expect(sent[2]).toEqual([{ op: "replace", path: "/selections/own/condition", value: { all: [] } }]);
    await screen.findByText("No product meets this.");
  });

  it("keep their name when it is emptied", async () => {
    const { sent } = show();
    await press("Edit Gifts");
    await userEvent.clear(screen.getByLabelText("Name of the selection"));
    await userEvent.tab();
    expect(sent).toEqual([]);
  });

  it("are removed, but not while something uses them", async () => {
    const { sent } = show();
    await screen.findByRole("button", { name: "120 products" });
    await press("Remove Own brand");
    expect(sent).toEqual([]);
    await press("Remove Gifts");
    expect(sent).toEqual([[{ op: "remove", path: "/selections/gifts" }]]);
  });
});

describe("duplicates", () => {
  const GROUP = {
    key: "k",
    title: "Old rose",
    products: [
      { id: "P1", picture: null },
      { id: "P2", picture: null },
    ],
    differ: [
      { key: "price", label: "Price", role: null, values: ["4.50", "5.00"] },
      { key: "link", label: "Link", role: null, values: ["/a", undefined] },
    ],
  };
  const show = (groups: object[], settings: object = {}) => {
    const decided: unknown[] = [];
    const reload = jest.fn(async () => undefined);
    const shown = showInBench(<Duplicates />, {
      settings,
      serve(path, body) {
        if (body === undefined) return path.includes("/duplicates") ? groups : undefined;
        decided.push(body);
        return {};
      },
    });
    useBench.setState({ reload } as never);
    return { ...shown, decided, reload };
  };

  it("say what they are where there is none", async () => {
    show([]);
    await screen.findByText("No two products look the same to shoppers.");
  });

  it("are side by side with what differs", async () => {
    show([GROUP]);
    await screen.findByText(/^1 group of products/);
    const rows = within(screen.getByRole("table")).getAllByRole("row");
    expect(rows.slice(0, 2).map((row) => [...row.children].map((cell) => cell.textContent))).toEqual([
      ["differs in", "P1", "P2"],
      ["Price", "4.50", "5.00"],
    ]);
  });

  it("become one product with options, which the catalogue is read again for", async () => {
    const { decided, reload } = show([GROUP]);
    await userEvent.click(await screen.findByRole("button", { name: "Merge as options" }));
    await waitFor(() => expect(reload).toHaveBeenCalled());
    expect(decided).toEqual([{ ids: ["P1", "P2"], as: "options" }]);
  });

  it("stay two products, which only the list is asked anew for", async () => {
    const { decided, reload } = show([GROUP]);
    await userEvent.click(await screen.findByRole("button", { name: "Keep apart" }));
    await waitFor(() => expect(decided).toEqual([{ ids: ["P1", "P2"], as: "apart" }]));
    expect(reload).not.toHaveBeenCalled();
  });

  it.each(["left-out-duplicates", "kept-out-twins"])("are excluded from search by one rule for all of them, %s", async (id) => {
    const old = { ...blankHide("Duplicates"), products: ["P9"], places: ["searching"] };
    const { sent } = show([GROUP], { hides: { [id]: old } });
    await screen.findByRole("table");
    await userEvent.click(screen.getAllByRole("button", { name: "Exclude from search" })[1]);
    expect(sent).toMatchObject([[{ op: "add", path: `/hides/${id}`, value: { products: ["P9", "P2"] } }]]);
  });
});
