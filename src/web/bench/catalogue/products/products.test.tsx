/** @jest-environment jsdom */

import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { readTyped } from "./BulkPanel";
import { whichOf } from "./bulk";
import { ProductTable, sayValue } from "./ProductTable";
import { countChosen, isChosen, useTable } from "./state";

const field = (key: string, label: string, type: string, role: string | null) => ({ key, label, type, role, shown: true, samples: [] });
const FIELDS = [
  field("title", "Title", "text", "title"),
  field("cost", "Price", "number", "price"),
  field("left", "Stock", "number", "stock"),
  field("tags", "Tags", "list", "tags"),
  field("colour", "Colour", "text", null),
];
const product = (n: number, more: object = {}) => ({
  id: `P${n}`,
  values: { title: `Rose ${n}`, cost: n + 0.5, left: n },
  options: 0,
  byHand: [],
  boost: null,
  ...more,
});
const ROWS = [product(1, { options: 3 }), product(2, { byHand: ["cost"] }), product(3, { boost: 1.5, values: { title: "Bare" } })];

interface Asked {
  path: string;
  body: Record<string, unknown>;
}
function show({ changed = 2, answer = () => ({ total: 250, rows: ROWS }) }: { changed?: number; answer?: () => unknown } = {}) {
  const asked: Asked[] = [];
  useTable.setState({ search: "", condition: null, sort: null, direction: "asc", columns: null, chosen: { all: false, ids: new Set() } });
  const shown = showInBench(<ProductTable />, {
    open: { fields: FIELDS, front: { categories: [], fields: [], filters: [], language: "en", locale: "en-GB", currency: "GBP" } },
    serve(path, body) {
      asked.push({ path: path.split("?")[0].replace("/api/stores/corner", ""), body: body as Asked["body"] });
      if (path.includes("/products/table")) return answer();
      if (path.includes("/products/bulk")) return { changed };
      return undefined;
    },
  });
  return { ...shown, asked, tables: () => asked.filter(({ path }) => path === "/products/table").map(({ body }) => body) };
}
const rowOf = async (text: string) => (await screen.findByText(text)).closest("[role=row]") as HTMLElement;
beforeAll(() => giveSize());

describe("the table of products", () => {
  it("shows what shops look at first, in the shop's money, with what was set by hand", async () => {
    show();
    const first = await rowOf("Rose 1");
    expect(
      within(first)
        .getAllByRole("cell")
        .map((cell) => cell.textContent),
    ).toEqual(["", "", "Rose 13 options", "£1.50", "1"]);
    expect(within(await rowOf("Rose 2")).getByText("set by hand")).toBeTruthy();
    expect((await rowOf("Bare")).textContent).toContain("× 1.5");
    expect(within(await rowOf("Bare")).getAllByText("–")).toHaveLength(2);
    expect(screen.getAllByRole("columnheader").map((head) => head.textContent)).toEqual(["", "Picture", "Product", "Price", "Stock"]);
  });

  it("asks the server for its order, and for the other way round at the second press", async () => {
    const { tables } = show();
    await rowOf("Rose 1");
    const head = () => within(screen.getByRole("columnheader", { name: /Price/ })).getByRole("button");
    await userEvent.click(head());
    await waitFor(() => expect(tables().at(-1)).toMatchObject({ sort: "cost", direction: "asc", offset: 0 }));
    await userEvent.click(head());
    await waitFor(() => expect(tables().at(-1)).toMatchObject({ sort: "cost", direction: "desc" }));
    await userEvent.click(within(screen.getByRole("columnheader", { name: "Product" })).getByRole("button"));
    await waitFor(() => expect(tables().at(-1)).toMatchObject({ sort: "title", direction: "asc" }));
  });

  it("searches as a shopper would, and says how many are found", async () => {
    const { tables } = show();
    await rowOf("Rose 1");
    await userEvent.type(screen.getByLabelText("Search in the products"), "r");
    await waitFor(() => expect(tables().at(-1)).toMatchObject({ search: "r", sort: null }));
    await screen.findByText(/250 products found/);
  });

  it("says what went wrong where its rows do not come, and asks again", async () => {
    let isDown = true;
    show({ answer: () => (isDown ? new Error("The disk is full.") : { total: 250, rows: ROWS }) });
    await screen.findByText(/The disk is full/);
    isDown = false;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    await rowOf("Rose 1");
  });
});

describe("products that are changed together", () => {
  it("are chosen one by one, and all that were found but some", async () => {
    show();
    await rowOf("Rose 1");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 1" }));
    expect(screen.getByText("1 chosen")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Choose all 250" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 2" }));
    expect(screen.getByText("249 chosen")).toBeTruthy();
    const { chosen } = useTable.getState();
    expect([isChosen(chosen, "P1"), isChosen(chosen, "P2"), countChosen(chosen, 250)]).toEqual([true, false, 249]);
    expect(whichOf({ chosen, search: "rose", condition: null })).toEqual({ search: "rose", condition: null, except: ["P2"] });
    await userEvent.click(screen.getByRole("button", { name: "None" }));
    expect(screen.queryByText(/chosen/)).toBeNull();
  });

  it("are no longer chosen once something else is looked for", async () => {
    show();
    await rowOf("Rose 1");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 1" }));
    await userEvent.type(screen.getByLabelText("Search in the products"), "x");
    expect(screen.queryByText("1 chosen")).toBeNull();
  });

  it("are tried before they are changed, and the button says how many it changes", async () => {
    const { asked } = show({ changed: 1 });
    await rowOf("Rose 1");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 1" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 2" }));
    expect(screen.getByText("Type the tags to add.")).toBeTruthy();
    await userEvent.type(screen.getByLabelText("Tags"), "bee friendly, scented");
    const button = await screen.findByRole("button", { name: "Change 1 product" });
    expect(screen.getByText("1 product of those chosen already have it so.")).toBeTruthy();
    const trial = asked.filter(({ path }) => path === "/products/bulk").at(-1)?.body;
    expect(trial).toEqual({ which: { ids: ["P1", "P2"] }, change: { addTags: ["bee friendly", "scented"] }, dry: true });
    await userEvent.click(button);
    await waitFor(() => expect(asked.some(({ path, body }) => path === "/products/bulk" && body.dry === undefined)).toBe(true));
  });

  it("cannot be changed to what they are", async () => {
    show({ changed: 0 });
    await rowOf("Rose 1");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose Rose 1" }));
    await userEvent.type(screen.getByLabelText("Tags"), "x");
    await screen.findByText("All of them have it so already.");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Change" }).disabled).toBe(true);
  });
});

describe("a value as it is typed", () => {
  it.each([
    ["", "text", null],
    [" Red ", "text", "Red"],
    ["4,5", "number", 4.5],
    ["four", "number", undefined],
    ["ja", "flag", true],
    ["NO", "flag", false],
    ["maybe", "flag", undefined],
    ["a, ,b", "list", ["a", "b"]],
  ])("%p as %s is %p", (text, type, value) => {
    expect(readTyped(text, type)).toEqual(value);
  });

  it.each([
    [undefined, "text", "–"],
    [true, "flag", "Yes"],
    [["a", "b"], "list", "a, b"],
    [[["Plants", "Roses"], ["Gifts"]], "path", "Plants › Roses; Gifts"],
    [4.5, "number", "4.5"],
  ])("%p of a %s is said as %s", (value, type, said) => {
    expect(sayValue(value as never, { type } as never)).toBe(said);
  });
});
