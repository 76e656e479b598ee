/** @jest-environment jsdom */

import { Page } from "@core/settings/page";
import { lookOfPage } from "@core/settings/page/look";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useWindow } from "../state/window";
import { CategoryChoice, freeCategory } from "./CategoryChoice";
import { ProductPicker } from "./ProductPicker";
import { SearchMatches } from "./SearchMatches";
import { sayProblems, TableFile } from "./TableFile";
import { Trial } from "./Trial";
import { fromInput, toInput, ZonedSpan } from "./ZonedSpan";

const sendFile = jest.fn();
jest.mock("@ui/http", () => ({ ...jest.requireActual("@ui/http"), sendFile: (...all: unknown[]) => sendFile(...all) }));
const FRONT = {
  categories: [{ path: ["Plants"] }, { path: ["Plants", "Roses"] }, { path: ["Tools"] }],
  fields: [{ key: "price", role: "price" }],
  language: "en",
  currency: "GBP",
  page: lookOfPage(Page.parse({})),
};
beforeAll(() => {
  Object.assign(Element.prototype, { hasPointerCapture: () => false, scrollIntoView: () => undefined });
});

describe("finding a product", () => {
  const HITS = ["Old rose", "New rose", "Rose arch"].map((title, i) => ({ id: `P${i}`, title, fields: {} }));
  const show = (picked?: string[]) => {
    const onPick = jest.fn();
    showInBench(<ProductPicker label="Product to pin" picked={picked} onPick={onPick} />, {
      open: { front: FRONT },
      serve: (path) => (path.includes("/search") ? { hits: HITS } : undefined),
    });
    return { onPick, field: screen.getByRole<HTMLInputElement>("combobox", { name: "Product to pin" }) };
  };
  const active = (field: HTMLElement) => document.getElementById(field.getAttribute("aria-activedescendant") ?? "")?.textContent;

  it("offers what the store's own search finds, picked by keyboard", async () => {
    const { onPick, field } = show();
    await userEvent.type(field, "rose");
    await screen.findByRole("option", { name: /Rose arch/ });
    expect(field.getAttribute("aria-expanded")).toBe("true");
    await userEvent.keyboard("{ArrowDown}{ArrowDown}{ArrowDown}{ArrowUp}");
    expect(active(field)).toContain("New rose");
    await userEvent.keyboard("{Enter}");
    expect(onPick).toHaveBeenCalledWith({ id: "P1", title: "New rose" });
    expect(field.value).toBe("");
  });

  it("keeps its list open where several are picked, and shows which are", async () => {
    const { onPick, field } = show(["P2"]);
    await userEvent.type(field, "rose");
    const arch = await screen.findByRole("option", { name: /Rose arch/ });
    expect(arch.getAttribute("aria-selected")).toBe("true");
    await userEvent.click(arch);
    expect(onPick).toHaveBeenCalledWith({ id: "P2", title: "Rose arch" });
    expect(field.value).toBe("rose");
  });

  it("asks for nothing while nothing is typed, and is emptied by Escape", async () => {
    const { field } = show();
    await userEvent.type(field, "  ");
    expect(screen.queryAllByRole("option")).toEqual([]);
    await userEvent.type(field, "rose");
    await screen.findByRole("option", { name: /Old rose/ });
    await userEvent.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryAllByRole("option")).toEqual([]));
  });

  it("is open for whoever leaves it and comes back at once", async () => {
    jest.useFakeTimers({ advanceTimers: true });
    const serve = (path: string) => (path.includes("/search") ? { hits: [{ id: "P1", title: "Old rose", fields: {} }] } : undefined);
    showInBench(<ProductPicker label="Product" onPick={() => undefined} />, { open: { front: FRONT }, serve });
    const field = screen.getByRole("combobox");
    act(() => field.focus());
    act(() => field.blur());
    act(() => field.focus());
    fireEvent.change(field, { target: { value: "rose" } });
    await screen.findByRole("option", { name: /Old rose/ });
    act(() => void jest.advanceTimersByTime(1000));
    expect(screen.queryAllByRole("option")).toHaveLength(1);
    jest.useRealTimers();
  });

  it("does not send the form that it is in", async () => {
    const onSubmit = jest.fn((event: React.FormEvent) => event.preventDefault());
    showInBench(
      <form onSubmit={onSubmit}>
        <ProductPicker label="Product" onPick={() => undefined} />
        <button type="submit">Send</button>
      </form>,
      { open: { front: FRONT } },
    );
    await userEvent.type(screen.getByRole("combobox"), "rose{Enter}");
    expect(onSubmit).not.toHaveBeenCalled();
  });
});

describe("for which searches something is meant", () => {
  const SEARCHES = [
    { match: "is" as const, text: "rose" },
    { match: "contains" as const, text: "hedge" },
  ];

  it("is said one by one, each compared in its own way", async () => {
    const onChange = jest.fn();
    showInBench(<SearchMatches value={SEARCHES} lead="The search" onChange={onChange} />);
    await userEvent.clear(screen.getByLabelText("Search 2"));
    await userEvent.type(screen.getByLabelText("Search 2"), " hedges {Tab}");
    expect(onChange).toHaveBeenLastCalledWith([SEARCHES[0], { match: "contains", text: "hedges" }]);
    await userEvent.click(screen.getByRole("button", { name: "Forget search 1" }));
    expect(onChange).toHaveBeenLastCalledWith([SEARCHES[1]]);
    screen.getByRole("combobox", { name: /^Search 1/ }).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.click(await screen.findByRole("option", { name: "starts with" }));
    expect(onChange).toHaveBeenLastCalledWith([{ match: "starts", text: "rose" }, SEARCHES[1]]);
  });

  it("begins with the very search where it is needed, and with a part of it where it narrows", async () => {
    const onChange = jest.fn();
    const { unmount } = showInBench(<SearchMatches value={[]} lead="The search" onChange={onChange} />);
    await userEvent.type(screen.getByLabelText("Also for the search"), "tulip{Enter}");
    expect(onChange).toHaveBeenLastCalledWith([{ match: "is", text: "tulip" }]);
    unmount();
    showInBench(<SearchMatches value={[]} onChange={onChange} />);
    await userEvent.type(screen.getByLabelText("Only for searches with"), "tulip{Enter}");
    expect(onChange).toHaveBeenLastCalledWith([{ match: "contains", text: "tulip" }]);
  });
});

describe("a choice of a category", () => {
  const options = async () => {
    screen.getByRole("combobox").focus();
    await userEvent.keyboard("{Enter}");
    return (await screen.findAllByRole("option")).map((option) => option.textContent);
  };

  it("offers those that are not taken, and its own", async () => {
    showInBench(<CategoryChoice value={["Tools"]} label="Category" without={[["Tools"], ["Plants"]]} onChange={() => undefined} />, {
      open: { front: FRONT },
    });
    expect(await options()).toEqual(["Plants › Roses", "Tools"]);
  });

  it("keeps one that the shop has no longer", async () => {
    showInBench(<CategoryChoice value={["Gone"]} label="Category" onChange={() => undefined} />, { open: { front: FRONT } });
    expect((await options())[0]).toBe("Gone");
  });

  it("has a next one until all are taken", () => {
    expect(freeCategory(FRONT.categories, [["Plants"]])).toEqual(["Plants", "Roses"]);
    expect(
      freeCategory(
        FRONT.categories,
        FRONT.categories.map(({ path }) => path),
      ),
    ).toBeUndefined();
  });
});

describe("a table from a file", () => {
  const show = () => {
    const onRead = jest.fn();
    showInBench(
      <TableFile
        what="word rules"
        from="GET /api/stores/{store}/words/rules.csv"
        to="POST /api/stores/{store}/words/read"
        onRead={onRead}
      />,
    );
    return onRead;
  };
  const file = new File(["a,b"], "rules.csv", { type: "text/csv" });

  it("is read, and can be read again under the same name", async () => {
    sendFile.mockReset().mockResolvedValue({ rules: {} });
    const onRead = show();
    await userEvent.upload(screen.getByLabelText("File of word rules"), file);
    await userEvent.upload(screen.getByLabelText("File of word rules"), file);
    await waitFor(() =>
      expect(onRead.mock.calls).toEqual([
        [{ rules: {} }, "rules.csv"],
        [{ rules: {} }, "rules.csv"],
      ]),
    );
  });

  it("changes nothing when it cannot be read", async () => {
    sendFile.mockReset().mockRejectedValue(new Error("no"));
    const onRead = show();
    await userEvent.upload(screen.getByLabelText("File of word rules"), file);
    await waitFor(() => expect(sendFile).toHaveBeenCalled());
    expect(onRead).not.toHaveBeenCalled();
  });

  it("is saved from the address of the store's own", () => {
    show();
    expect(screen.getByRole("link", { name: "Save word rules as CSV" }).getAttribute("href")).toBe("/api/stores/corner/words/rules.csv");
  });

  it("says the first lines that could not be read, and how many more there are", () => {
    const problems = [1, 2, 3, 4, 5].map((line) => ({ line, field: "", message: `no ${line}` }));
    expect(sayProblems(problems.slice(0, 2))).toBe("line 1, no 1; line 2, no 2");
    expect(sayProblems(problems)).toBe("line 1, no 1; line 2, no 2; line 3, no 3 and 2 more");
  });
});

describe("what a change would do", () => {
  const state = (outcome: string, total: number, titles: string[] = []) => ({ outcome, total, titles });
  const PATCH = [{ op: "add" as const, path: "/words/x", value: {} }];
  const show = async (answer: object) => {
    const full = { changed: [], tried: 0, asked: 0, changedSearches: 0, changedAsked: 0, left: 0, ...answer };
    showInBench(<Trial patch={PATCH} />, { serve: (path) => (path.endsWith("/trial") ? full : undefined) });
    return (await screen.findByRole("status")).textContent;
  };

  it.each([
    [{}, "Nobody has searched with these words yet."],
    [{ tried: 12, asked: 0 }, "Changes none of 12 searches."],
    [{ tried: 1, asked: 40, left: 3 }, "Changes none of 1 search that were made 40 times. 3 rarer searches not tried."],
  ])("is said of the searches that shoppers make: %j", async (answer, said) => {
    expect(await show(answer)).toBe(said);
  });

  it("is said search by search: found, lost, in part, or moved", async () => {
    const changed = [
      { text: "shovel", asked: 30, before: state("dead-end", 0), after: state("results", 8, ["Spade"]), moved: 8 },
      { text: "spade", asked: 20, before: state("results", 8), after: state("dead-end", 0), moved: 8 },
      { text: "dig", asked: 0, before: state("partial", 3), after: state("partial", 3), moved: 1 },
    ];
    expect(await show({ tried: 9, changed, changedSearches: 3, changedAsked: 50 })).toBe(
      "Changes 3 of 9 searches, made 50 times in the log.",
    );
    const [found, lost, moved] = within(screen.getByRole("list")).getAllByRole("listitem");
    expect([found.textContent, lost.textContent, moved.textContent]).toEqual([
      "shovel30 ×nothing → 8Spade",
      "spade20 ×8 → nothing",
      "dig1 product moves on page one",
    ]);
    expect(within(found).getByText(/nothing → 8/).className).toContain("text-gain");
    expect(within(lost).getByText(/8 → nothing/).className).toContain("text-loss");
    await userEvent.click(within(found).getByRole("button"));
    expect(useWindow.getState().address.query).toBe("shovel");
  });

  it("is nothing while nothing is changed", () => {
    const { container } = showInBench(<Trial patch={null} />);
    expect(container.textContent).toBe("");
  });
});

describe("a span on the shop's own clock", () => {
  it.each([
    ["2027-01-15T12:00:00.000Z", "Europe/London", "2027-01-15T12:00"],
    ["2027-07-15T12:00:00.000Z", "Europe/London", "2027-07-15T13:00"],
    ["2027-01-15T23:30:00.000Z", "Asia/Tokyo", "2027-01-16T08:30"],
  ])("%s in %s is %s, there and back", (moment, zone, shown) => {
    expect([toInput(moment, zone), fromInput(shown, zone)]).toEqual([shown, moment]);
  });

  it("is open where nothing is said, or what is typed is no moment", () => {
    expect([toInput(null, "UTC"), fromInput("", "UTC"), fromInput("soon", "UTC")]).toEqual(["", null, null]);
  });

  it("is set at one end, and the other stays", () => {
    const onChange = jest.fn();
    showInBench(<ZonedSpan value={{ from: null, until: "2027-01-01T00:00:00.000Z" }} timeZone="UTC" onChange={onChange} />);
    fireEvent.change(screen.getByLabelText("from"), { target: { value: "2026-12-01T08:00" } });
    expect(onChange).toHaveBeenCalledWith({ from: "2026-12-01T08:00:00.000Z", until: "2027-01-01T00:00:00.000Z" });
  });
});
