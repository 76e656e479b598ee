/** @jest-environment jsdom */

import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { giveSize, showInBench } from "@tests/support/bench";
import { useState } from "react";
import type { Column } from "./columns";
import { PagedTable } from "./PagedTable";
import { VirtualTable } from "./VirtualTable";

interface Rule {
  id: string;
  name: string;
  used: number;
}
const RULES: Rule[] = [
  { id: "a", name: "zinc", used: 4 },
  { id: "b", name: "Acer", used: 12 },
  { id: "c", name: "moss", used: 0 },
];
const COLUMNS: Column<Rule>[] = [
  { id: "name", head: "Name", width: "1fr", by: ({ name }) => name.toLowerCase(), cell: ({ name }) => name },
  { id: "used", head: "Times used", width: "80px", isNumber: true, by: ({ used }) => used, cell: ({ used }) => used },
  { id: "remove", head: "Remove", isHidden: true, width: "28px", cell: ({ name }) => <button type="button">Remove {name}</button> },
];
const HEIGHT = 400;
const ROW = 40;
const rows = () => screen.getAllByRole("row").slice(1);
const names = () => rows().map((row) => within(row).queryAllByRole("cell")[1]?.textContent);
const press = (head: string) => userEvent.click(within(screen.getByRole("columnheader", { name: head })).getByRole("button"));

beforeAll(() => giveSize(HEIGHT));

const onChoose = jest.fn();
function Rules({ rules }: { rules: readonly Rule[] }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  return (
    <VirtualTable
      label="Rules"
      columns={COLUMNS}
      rows={rules}
      keyOf={({ id }) => id}
      nameOf={({ name }) => name}
      isDraft={({ id }) => id === "c"}
      rowHeight={ROW}
      nouns="rules"
      chosen={chosen}
      onChoose={(keys) => {
        onChoose([...keys].sort());
        setChosen(keys);
      }}
    />
  );
}

describe("a table whose rows are all here", () => {
  const show = (rules: readonly Rule[] = RULES) => showInBench(<Rules rules={rules} />);
  beforeEach(() => onChoose.mockReset());

  it("is in the order that it is given until a head is pressed", async () => {
    show();
    expect(names()).toEqual(["zinc", "Acer", "moss"]);
    await press("Name");
    expect(names()).toEqual(["Acer", "moss", "zinc"]);
    expect(screen.getByRole("columnheader", { name: "Name" }).getAttribute("aria-sort")).toBe("ascending");
    await press("Name");
    expect(names()).toEqual(["zinc", "moss", "Acer"]);
    await press("Times used");
    expect(names()).toEqual(["Acer", "zinc", "moss"]);
  });

  it("has no way to order by a column that has none", () => {
    show();
    const head = screen.getByRole("columnheader", { name: "Remove" });
    expect([within(head).queryByRole("button"), head.getAttribute("aria-sort")]).toEqual([null, null]);
  });

  it("has its rows chosen one by one, or all, and says which", async () => {
    show();
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose moss" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose zinc" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose moss" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose all these rules" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose all these rules" }));
    expect(onChoose.mock.calls.map(([keys]) => keys.join())).toEqual(["c", "a,c", "a", "a,b,c", ""]);
  });

  it("draws what is in sight of ten thousand rows, and says how many there are", () => {
    show(Array.from({ length: 10_000 }, (_, i) => ({ id: String(i), name: `rule ${i}`, used: i })));
    expect(screen.getByRole("table").getAttribute("aria-rowcount")).toBe("10001");
    expect(rows().length).toBeLessThan(HEIGHT / ROW + 20);
    expect(names().slice(0, 2)).toEqual(["rule 0", "rule 1"]);
  });
});

describe("a table whose rows lie on the server", () => {
  const onSort = jest.fn();
  const onShown = jest.fn();
  const choose = jest.fn();
  const show = (total: number | null, known: readonly Rule[], sorting: { column: string; direction: "asc" | "desc" } | null = null) =>
    showInBench(
      <PagedTable
        label="Products"
        columns={COLUMNS}
        total={total}
        rowAt={(place) => known[place]}
        keyOf={({ id }) => id}
        nameOf={({ name }) => name}
        rowHeight={ROW}
        choice={{ isChosen: (id) => id === "b", choose, isAll: false, chooseAll: () => undefined, label: "Choose all that were found" }}
        sorting={sorting}
        onSort={onSort}
        onShown={onShown}
      />,
    );
  beforeEach(() => {
    jest.resetAllMocks();
  });

  it("asks for what is in sight, and leaves room for what has not come", async () => {
    show(500, RULES);
    await waitFor(() => expect(onShown).toHaveBeenCalled());
    const [from, until] = onShown.mock.lastCall;
    expect([from, until >= HEIGHT / ROW]).toEqual([0, true]);
    expect(names().slice(0, 4)).toEqual(["zinc", "Acer", "moss", undefined]);
  });

  it("leaves the order to the server", async () => {
    show(3, RULES);
    await press("Times used");
    expect(onSort.mock.calls).toEqual([[{ column: "used", direction: "asc" }]]);
    expect(names()).toEqual(["zinc", "Acer", "moss"]);
  });

  it("turns the order round, and never ends without one", async () => {
    show(3, RULES, { column: "used", direction: "desc" });
    expect(screen.getByRole("columnheader", { name: "Times used" }).getAttribute("aria-sort")).toBe("descending");
    await press("Times used");
    await press("Name");
    expect(onSort.mock.calls).toEqual([[{ column: "used", direction: "asc" }], [{ column: "name", direction: "asc" }]]);
  });

  it("shows who is chosen, and hands on who is to be", async () => {
    show(3, RULES);
    expect(screen.getByRole("checkbox", { name: "Choose Acer" }).getAttribute("aria-checked")).toBe("true");
    await userEvent.click(screen.getByRole("checkbox", { name: "Choose zinc" }));
    expect(choose.mock.calls).toEqual([["a", true]]);
  });
});
