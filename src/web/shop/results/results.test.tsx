/** @jest-environment jsdom */
import type { SearchAnswer, ShopFront } from "@contract/search";
import { Layout } from "@core/settings/page/layout";
import { readMessages } from "@core/storefront/read-messages";
import { sayWith } from "@core/storefront/say-messages";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { type Address, START } from "../address";
import { Chips } from "../filters/Chips";
import { FilterPanel, FoldedFilters } from "../filters/FilterPanel";
import NothingFound from "../NothingFound";
import { TextsContext } from "../texts";
import { Kinds } from "./Kinds";
import { Pages, Paging } from "./Paging";
import { FilledUp, ReadLimits } from "./ReadLimits";
import { PerPage, SortChoice, ViewChoice } from "./Toolbar";

const MESSAGES = readMessages("en", {});
const SAY = sayWith("en", MESSAGES);
const show = (part: ReactNode) => render(<TextsContext value={SAY}>{part}</TextsContext>);
const layout = (more: object = {}) => Layout.parse({ perPage: 24, ...more });
const FRONT = {
  language: "en",
  currency: "GBP",
  chosen: {},
  messages: MESSAGES,
  filterFields: { price: "price" },
  fields: [{ key: "price", role: "price" }],
  page: { layout: layout(), layouts: [], firstSort: "best", filters: "left", prices: { feed: "with", shown: "with", rate: 0 } },
} as unknown as ShopFront;
const answer = (more: object = {}) =>
  ({ total: 100, hits: Array(24).fill({}), sorts: [], pages: { total: 0 }, ...more }) as unknown as SearchAnswer;
const address = (more: Partial<Address> = {}): Address => ({ ...START, query: "rose", ...more });

describe("the choices over the results", () => {
  const SORTS = [
    { id: "best", label: "Best", selected: false },
    { id: "cheap", label: "Cheapest first", selected: true },
  ];

  it("order them; the shop's first order is in no address", async () => {
    const onChange = jest.fn();
    show(<SortChoice answer={answer({ sorts: SORTS })} first="best" onChange={onChange} />);
    const select = screen.getByRole<HTMLSelectElement>("combobox");
    expect([select.value, select.options[0].text]).toEqual(["cheap", SAY("results.best")]);
    await userEvent.selectOptions(select, "best");
    expect(onChange).toHaveBeenCalledWith("");
  });

  it("are not there where there is nothing to choose", () => {
    const { container } = show(
      <>
        <SortChoice answer={answer({ sorts: SORTS.slice(0, 1) })} first="best" onChange={() => undefined} />
        <ViewChoice layout={layout({ mayChange: false })} onChange={() => undefined} />
        <PerPage layout={layout({ perPageChoices: [] })} onChange={() => undefined} />
      </>,
    );
    expect(container.textContent).toBe("");
  });

  it("change between grid and list, where shoppers may", async () => {
    const onChange = jest.fn();
    show(<ViewChoice layout={layout({ mayChange: true, as: "grid" })} onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { pressed: false }));
    expect(onChange).toHaveBeenCalledWith("list");
  });

  it("say how many at once, in their order, with what the shop has itself", async () => {
    const onChange = jest.fn();
    show(<PerPage layout={layout({ perPage: 24, perPageChoices: [48, 12] })} onChange={onChange} />);
    expect([...screen.getByRole<HTMLSelectElement>("combobox").options].map(({ value }) => value)).toEqual(["12", "24", "48"]);
    await userEvent.selectOptions(screen.getByRole("combobox"), "48");
    expect(onChange).toHaveBeenCalledWith(48);
  });
});

describe("the way to further results", () => {
  it("is by pages, from the first to the last", async () => {
    const onPage = jest.fn();
    const { rerender } = show(<Pages page={1} pages={3} onPage={onPage} />);
    const [back, next] = screen.getAllByRole<HTMLButtonElement>("button");
    expect([back.disabled, next.disabled]).toEqual([true, false]);
    await userEvent.click(next);
    expect(onPage).toHaveBeenCalledWith(2);
    rerender(<Pages page={3} pages={3} onPage={onPage} />);
    expect(screen.getAllByRole<HTMLButtonElement>("button").map(({ disabled }) => disabled)).toEqual([false, true]);
  });

  it("is none where all are on one page", () => {
    const { container } = show(
      <Paging
        answer={answer({ total: 20 })}
        address={address()}
        layout={layout({ paging: "pages" })}
        front={FRONT}
        onChange={() => undefined}
      />,
    );
    expect(container.textContent).toBe("");
  });

  it("is a button for as many as are left, and says how many are shown", async () => {
    const onChange = jest.fn();
    const more = { ...FRONT, page: { ...FRONT.page, layout: layout({ paging: "more" }) } } as ShopFront;
    show(
      <Paging answer={answer({ total: 30 })} address={address()} layout={layout({ paging: "more" })} front={more} onChange={onChange} />,
    );
    await userEvent.click(screen.getByRole("button", { name: SAY("paging.more", { n: 6 }) }));
    expect(onChange).toHaveBeenCalledWith(address({ page: 2 }), { replace: false });
    expect(screen.getByText(SAY("paging.shown", { shown: 24, total: 30 }))).toBeTruthy();
  });

  it("goes on by itself where the list is endless, and going back passes over it", () => {
    const onChange = jest.fn();
    const watchers: ((entries: { isIntersecting: boolean }[]) => void)[] = [];
    Object.assign(globalThis, {
      IntersectionObserver: class {
        constructor(tell: (entries: { isIntersecting: boolean }[]) => void) {
          watchers.push(tell);
        }
        observe() {}
        disconnect() {}
      },
    });
    const endless = { ...FRONT, page: { ...FRONT.page, layout: layout({ paging: "endless" }) } } as ShopFront;
    show(<Paging answer={answer()} address={address()} layout={layout({ paging: "endless" })} front={endless} onChange={onChange} />);
    watchers[0]([{ isIntersecting: false }]);
    expect(onChange).not.toHaveBeenCalled();
    watchers[0]([{ isIntersecting: true }]);
    expect(onChange).toHaveBeenCalledWith(address({ page: 2 }), { replace: true });
  });
});

describe("products or guides", () => {
  it("are chosen where there are guides, and begin with the first page", async () => {
    const onChange = jest.fn();
    show(<Kinds answer={answer({ pages: { total: 3 } })} address={address({ page: 4 })} onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: /3/ }));
    expect(onChange).toHaveBeenCalledWith(address({ kind: "guides", page: 1 }));
  });

  it("are no choice where there is no guide, unless one looks at guides already", () => {
    const { container, rerender } = show(<Kinds answer={answer()} address={address()} onChange={() => undefined} />);
    expect(container.textContent).toBe("");
    rerender(<Kinds answer={answer()} address={address({ kind: "guides" })} onChange={() => undefined} />);
    expect(screen.getAllByRole("button")).toHaveLength(2);
  });
});

const value = (text: string, selected = true, more: object = {}) => ({ value: text, label: text, count: 3, selected, ...more });
const COLOUR = { id: "colour", label: "Colour", display: "ticks", values: [value("Red"), value("White"), value("Blue", false)] };
const PRICE = { id: "price", label: "Price", display: "slider", range: { min: 1, max: 90 }, selected: { min: 5, max: null }, bars: [] };
const chosen = (more: Partial<Address> = {}) =>
  address({ filters: { colour: { any: ["Red", "White"] }, price: { min: 5, max: null } }, page: 3, ...more });

describe("what is chosen in filters", () => {
  const chips = (filters: object[], onChange = jest.fn()) => {
    show(<Chips filters={filters as never} address={chosen()} front={FRONT} onChange={onChange} />);
    return { onChange, names: screen.getAllByRole("button").map((chip) => chip.textContent?.replace(" ×", "")) };
  };

  it("is said by value, and by the ends of a range", () => {
    expect(chips([COLOUR, PRICE]).names).toEqual(["Red", "White", `Price ${SAY("filters.at-least", { n: "£5" })}`, SAY("filters.clear")]);
  });

  it.each([
    [{ min: null, max: 20 }, `Price ${SAY("filters.up-to", { n: "£20" })}`],
    [{ min: 5, max: 20.5 }, "Price £5 – £20.50"],
  ])("says a range from what is set of it: %j", (selected, said) => {
    expect(chips([{ ...PRICE, selected }]).names[0]).toBe(said);
  });

  it("says of a yes its filter, and with a step its filter's name", () => {
    const yes = { id: "bees", label: "Good for bees", display: "yes-no", values: [value("Yes")] };
    const step = { id: "height", label: "Height", display: "steps", values: [value("h", true, { from: null, to: 20 })] };
    expect(chips([yes, step]).names.slice(0, 2)).toEqual(["Good for bees", `Height ${SAY("filters.under", { n: "20" })}`]);
  });

  it("is taken away one by one, from the first page on, and all at once", async () => {
    const { onChange } = chips([COLOUR, PRICE]);
    await userEvent.click(screen.getByRole("button", { name: SAY("filters.remove", { text: "Red" }) }));
    expect(onChange.mock.lastCall[0]).toMatchObject({ page: 1, filters: { colour: { any: ["White"] }, price: { min: 5, max: null } } });
    await userEvent.click(screen.getByRole("button", { name: SAY("filters.clear") }));
    expect(onChange.mock.lastCall[0].filters).toEqual({});
  });

  it("is nothing to say where nothing is chosen", () => {
    const { container } = show(<Chips filters={[]} address={address()} front={FRONT} onChange={() => undefined} />);
    expect(container.textContent).toBe("");
  });
});

describe("the filters beside the results", () => {
  const panel = (filters: object[], onChange = jest.fn()) => {
    show(<FilterPanel filters={filters as never} address={address()} front={FRONT} onChange={onChange} />);
    return onChange;
  };

  it("leave out one that has no value left", () => {
    panel([
      { ...COLOUR, values: [] },
      { ...PRICE, selected: null },
    ]);
    expect(screen.getAllByRole("region").map((region) => region.getAttribute("aria-label"))).toEqual(["Price"]);
  });

  it("are folded until they are opened, but not while something is chosen in them", async () => {
    panel([
      { ...COLOUR, folded: true, values: [value("Red", false)] },
      { ...COLOUR, id: "soil", label: "Soil", folded: true, help: "What it grows in", values: [value("Clay")] },
    ]);
    expect(screen.queryByRole("checkbox", { name: /Red/ })).toBeNull();
    expect(screen.getByText("What it grows in")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Colour" }));
    expect(screen.getByRole("checkbox", { name: /Red/ })).toBeTruthy();
  });

  it("lead to an address with what was chosen", async () => {
    const onChange = panel([{ ...COLOUR, values: [value("Red", false)] }]);
    await userEvent.click(screen.getByRole("checkbox", { name: /Red/ }));
    expect(onChange.mock.lastCall[0]).toMatchObject({ filters: { colour: { any: ["Red"] } }, page: 1 });
  });

  it("say how many are chosen where they are folded away altogether", () => {
    show(<FoldedFilters filters={[COLOUR] as never} address={chosen()} front={FRONT} onChange={() => undefined} />);
    expect(document.querySelector("summary")?.textContent).toBe(`${SAY("filters.title")} 2`);
  });
});

describe("where nothing is found", () => {
  const END = {
    message: "We have nothing for “terrapin”.",
    tips: ["Try fewer words"],
    searches: ["pond plants"],
    products: [],
    categories: [{ path: ["Plants", "Water"], count: 12 }],
    pages: [{ id: "g1", title: "Ponds" }],
    parts: [
      { part: "searches", heading: "Try instead" },
      { part: "message", heading: "" },
      { part: "products", heading: "Well liked" },
      { part: "categories", heading: "" },
    ],
  };

  it("stand the parts that the shop wants, in its order, and none that is empty", () => {
    const { container } = show(<NothingFound answer={answer({ deadEnd: END })} front={FRONT} onSearch={() => undefined} />);
    expect([...container.querySelectorAll("section")].map((part) => part.dataset.part)).toEqual(["searches", "message", "categories"]);
    expect(screen.getByRole("heading", { name: "Try instead" })).toBeTruthy();
    expect(screen.queryByText("Try fewer words")).toBeNull();
  });

  it("is searched for what is proposed", async () => {
    const onSearch = jest.fn();
    show(<NothingFound answer={answer({ deadEnd: END })} front={FRONT} onSearch={onSearch} />);
    await userEvent.click(screen.getByRole("button", { name: "pond plants" }));
    expect(onSearch).toHaveBeenCalledWith("pond plants");
  });

  it("is nothing to say where something was found", () => {
    const { container } = show(<NothingFound answer={answer()} front={FRONT} onSearch={() => undefined} />);
    expect(container.textContent).toBe("");
  });
});

describe("what was made of the words", () => {
  const limits = [
    { id: "price-1", text: "under £10", field: "price", min: null, max: 10 },
    { id: "price-2", text: "cheap", field: "price", min: null, max: 6.25 },
  ];
  const read = (more: object) => answer({ query: { fullMatches: 0, ...more } });

  it("is a limit of the price that can be taken away", async () => {
    const onChange = jest.fn();
    const props = { front: FRONT, address: address({ page: 3, ignore: ["price-9"] }), onChange };
    show(<ReadLimits answer={read({ read: limits })} {...props} />);
    expect(screen.getAllByRole("button").map((button) => button.textContent)).toEqual(["under £10 ×", "cheap: up to £6.25 ×"]);
    await userEvent.click(screen.getByRole("button", { name: SAY("filters.remove", { text: "under £10" }) }));
    expect(onChange).toHaveBeenCalledWith(address({ page: 1, ignore: ["price-9", "price-1"] }));
  });

  it("is said in the prices that shoppers see", () => {
    const page = { ...FRONT.page, prices: { feed: "without", shown: "with", rate: 100 } } as ShopFront["page"];
    show(<ReadLimits answer={read({ read: limits.slice(1) })} front={{ ...FRONT, page }} address={address()} onChange={() => undefined} />);
    expect(screen.getByRole("button").textContent).toBe("cheap: up to £12.50 ×");
  });

  it("is not there where nothing was read", () => {
    const { container } = show(<ReadLimits answer={read({})} front={FRONT} address={address()} onChange={() => undefined} />);
    expect(container.textContent).toBe("");
  });

  it("says how many have all of it, where others fill up behind them", () => {
    const say = (more: object, at: Partial<Address> = {}) => {
      const { container, unmount } = show(
        <FilledUp answer={answer({ outcome: "results", total: 12, query: { fullMatches: 3 }, ...more })} address={address(at)} />,
      );
      const text = container.textContent;
      unmount();
      return text;
    };
    expect(say({})).toBe(SAY("results.filled", { n: 3 }));
    expect(say({ query: { fullMatches: 12 } })).toBe("");
    expect(say({ outcome: "partial", query: { fullMatches: 0 } })).toBe("");
    expect([say({}, { page: 2 }), say({}, { filters: { a: { any: ["b"] } } })]).toEqual(["", ""]);
  });
});
