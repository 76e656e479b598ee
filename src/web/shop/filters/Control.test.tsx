/** @jest-environment jsdom */
import type { ShopFront } from "@contract/search";
import type { FilterAnswer, FilterValue } from "@core/search/request";
import { readMessages } from "@core/storefront/read-messages";
import { sayWith } from "@core/storefront/say-messages";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { TextsContext } from "../texts";
import { Control } from "./Control";

const FRONT = {
  language: "en",
  currency: "GBP",
  messages: readMessages("en", {}),
  filterFields: { price: "price", stars: "rating", height: "height" },
  fields: [
    { key: "price", role: "price" },
    { key: "rating", role: "rating" },
    { key: "height", role: null, unit: "cm" },
  ],
  page: { prices: { feed: "with", shown: "with", rate: 0 } },
} as unknown as ShopFront;

const SAY = sayWith("en", FRONT.messages);

const value = (text: string, count: number, more: Partial<FilterValue> = {}): FilterValue => ({
  value: text,
  label: text,
  count,
  selected: false,
  ...more,
});
const COLOURS = [value("Red", 12), value("White", 5, { selected: true }), value("Blue", 0)];

/** Shows a filter of values as a display draws it, or one of numbers. */
function show(display: string, more: object) {
  const onChoose = jest.fn();
  const filter = { id: "colour", label: "Colour", display, ...more } as FilterAnswer;
  const wrapper = ({ children }: { children: ReactNode }) => <TextsContext value={SAY}>{children}</TextsContext>;
  const shown = render(<Control filter={filter} front={FRONT} onChoose={onChoose} />, { wrapper });
  return { onChoose, chosen: () => onChoose.mock.lastCall?.[0], ...shown };
}
const many = (number: number) => Array.from({ length: number }, (_, i) => value(`Value ${i + 1}`, number - i));

describe("a filter whose values are ticked", () => {
  it("has “All” above its values where the shop wants it, ticked while none of them is", async () => {
    const { chosen, unmount } = show("ticks", { values: COLOURS, all: true });
    const all = screen.getByRole<HTMLInputElement>("checkbox", { name: "All" });
    expect(all.checked).toBe(false);
    await userEvent.click(all);
    expect(chosen()).toBeNull();
    unmount();
    show("ticks", { values: [value("Red", 1)], all: true });
    expect(screen.getByRole<HTMLInputElement>("checkbox", { name: "All" }).checked).toBe(true);
  });

  it("takes values in beside those that are chosen, and out again", async () => {
    const { chosen } = show("ticks", { values: COLOURS });
    await userEvent.click(screen.getByRole("checkbox", { name: /^Red/ }));
    expect(chosen()).toEqual({ any: ["White", "Red"] });
    await userEvent.click(screen.getByRole("checkbox", { name: /^White/ }));
    expect(chosen()).toEqual({ any: [] });
  });

  it("lets nobody choose an option with no results", () => {
    show("ticks", { values: COLOURS });
    expect(screen.getByRole<HTMLInputElement>("checkbox", { name: /^Blue/ }).disabled).toBe(true);
  });

  it("lets a chosen value be taken out although it leaves nothing now", () => {
    show("ticks", { values: [value("Blue", 0, { selected: true })] });
    expect(screen.getByRole<HTMLInputElement>("checkbox", { name: /^Blue/ }).disabled).toBe(false);
  });

  it("shows the first ones and what is chosen, and the rest on demand", async () => {
    show("ticks", { values: [...many(9), value("Last", 1, { selected: true })], first: 4 });
    expect(screen.getAllByRole("checkbox")).toHaveLength(5);
    await userEvent.click(screen.getByRole("button", { name: /6/ }));
    expect(screen.getAllByRole("checkbox")).toHaveLength(10);
    await userEvent.click(screen.getByRole("button", { expanded: true }));
    expect(screen.getAllByRole("checkbox")).toHaveLength(5);
  });

  it("says no counts where the shop wants none", () => {
    show("ticks", { values: COLOURS, uncounted: true });
    expect(screen.queryByText("12")).toBeNull();
  });
});

describe("a long list", () => {
  const names = () => screen.getAllByRole("checkbox").map((box) => box.closest("label")?.textContent?.replace(/\d+$/, ""));

  it("is searched without regard to case and accents, and keeps what is chosen in sight", async () => {
    const values = [value("Rosé", 4), value("Côte d'Azur", 3), value("Moss", 2, { selected: true })];
    show("list", { values });
    await userEvent.type(screen.getByRole("searchbox"), "ROSE");
    expect(names()).toEqual(["Moss", "Rosé"]);
    await userEvent.clear(screen.getByRole("searchbox"));
    await userEvent.type(screen.getByRole("searchbox"), "cote");
    expect(names()).toEqual(["Moss", "Côte d'Azur"]);
  });

  it("says when no value is like what was typed", async () => {
    show("list", { values: many(30) });
    await userEvent.type(screen.getByRole("searchbox"), "zz");
    expect(screen.queryAllByRole("checkbox")).toEqual([]);
    expect(screen.getByText(/zz/)).toBeTruthy();
  });

  it("draws a hundred at most of what is found", async () => {
    show("list", { values: many(250) });
    await userEvent.type(screen.getByRole("searchbox"), "value");
    expect(screen.getAllByRole("checkbox")).toHaveLength(100);
  });
});

describe("one value at a time", () => {
  it("is chosen in place of the one before, and given up for all", async () => {
    const { chosen, onChoose } = show("choose", { values: COLOURS });
    expect(screen.getByRole<HTMLInputElement>("radio", { name: /^White/ }).checked).toBe(true);
    await userEvent.click(screen.getByRole("radio", { name: /^Red/ }));
    expect(chosen()).toEqual({ any: ["Red"] });
    await userEvent.click(screen.getAllByRole("radio")[0]);
    expect(onChoose).toHaveBeenLastCalledWith(null);
  });

  it("is a step of numbers, said by what it holds, and pressed again to give it up", async () => {
    const values = [
      value("4", 8, { from: 4, to: null, selected: true }),
      value("0-20", 3, { from: null, to: 20 }),
      value("20-40", 2, { from: 20, to: 40 }),
    ];
    const { onChoose } = show("steps", { id: "height", label: "Height", values });
    expect(screen.getAllByRole("button").map((button) => button.textContent?.replace(/\d+$/, ""))).toEqual([
      expect.stringMatching(/4 cm/),
      expect.stringMatching(/20 cm/),
      expect.stringMatching(/20 cm.*40 cm/),
    ]);
    await userEvent.click(screen.getByRole("button", { pressed: true }));
    expect(onChoose).toHaveBeenLastCalledWith(null);
    await userEvent.click(screen.getByRole("button", { name: /40 cm/ }));
    expect(onChoose).toHaveBeenLastCalledWith({ any: ["20-40"] });
  });

  it("is drawn as stars for ratings, with the words for those who listen", () => {
    const { container } = show("steps", { id: "stars", label: "Rating", values: [value("4", 8, { from: 4, to: null })] });
    expect(container.querySelectorAll("svg")).toHaveLength(5);
    expect(screen.getByRole("button").textContent).toMatch(/4/);
  });

  it("is a category of a tree: open along the way, one step back by pressing it, all by one button", async () => {
    const values = [
      value("Plants", 40, { depth: 0 }),
      value("Plants/Roses", 9, { label: "Roses", depth: 1, selected: true }),
      value("Tools", 0, { depth: 0 }),
    ];
    const { onChoose, container } = show("tree", { values, first: 1 });
    expect([...container.querySelectorAll("li")].map((row) => row.style.paddingLeft)).toEqual(["0px", "12px", "0px"]);
    await userEvent.click(screen.getByRole("button", { name: /^Plants/ }));
    expect(onChoose).toHaveBeenLastCalledWith({ any: ["Plants"] });
    await userEvent.click(screen.getByRole("button", { name: /^Roses/ }));
    expect(onChoose).toHaveBeenLastCalledWith(null);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: /^Tools/ }).disabled).toBe(true);
  });
});

describe("buttons and swatches", () => {
  it("are pressed for values in and out", async () => {
    const { chosen } = show("buttons", { values: COLOURS });
    expect(screen.getByRole("button", { pressed: true }).textContent).toMatch(/^White/);
    await userEvent.click(screen.getByRole("button", { name: /^Red/ }));
    expect(chosen()).toEqual({ any: ["White", "Red"] });
  });

  it("wear the colour that a value has or is called, a picture before it, and its letters without either", () => {
    const values = [
      value("Red", 3),
      value("Sunset", 2, { colour: "#ff8800" }),
      value("Tartan", 2, { picture: "https://shop.example/t a.png" }),
      value("Xyzzy", 1),
    ];
    show("swatches", { values });
    const [red, sunset, tartan, unknown] = screen.getAllByRole("button");
    expect([red.textContent, sunset.style.background, unknown.textContent]).toEqual(["", "rgb(255, 136, 0)", "Xy"]);
    expect(tartan.textContent).toBe("");
    expect(red.getAttribute("aria-label")).toBe("Red, 3");
  });

  it("name what is chosen below them", () => {
    show("swatches", { values: COLOURS });
    expect(screen.getByText("White")).toBeTruthy();
  });
});

describe("a range of numbers", () => {
  const PRICE = {
    id: "price",
    label: "Price",
    range: { min: 2, max: 80 },
    selected: null,
    bars: [
      { from: 2, to: 10, count: 8 },
      { from: 10, to: 40, count: 2 },
      { from: 40, to: 80, count: 0 },
    ],
  };

  it("is typed at both ends, with a comma or a point, and an end left open", async () => {
    const { onChoose } = show("fields", PRICE);
    const [from, to] = screen.getAllByRole("textbox");
    await userEvent.type(from, "4,5{Enter}");
    expect(onChoose).toHaveBeenLastCalledWith({ min: 4.5, max: null });
    await userEvent.type(to, "20.25{Enter}");
    expect(onChoose).toHaveBeenLastCalledWith({ min: 4.5, max: 20.25 });
  });

  it("says what is no number, and what is the wrong way round, and asks for neither", async () => {
    const { onChoose } = show("fields", PRICE);
    const [from, to] = screen.getAllByRole("textbox");
    await userEvent.type(from, "cheap{Enter}");
    expect([screen.getByRole("alert").textContent !== "", from.getAttribute("aria-invalid")]).toEqual([true, "true"]);
    await userEvent.clear(from);
    await userEvent.type(from, "30");
    await userEvent.type(to, "20{Enter}");
    expect(screen.getByRole("alert")).toBeTruthy();
    // The first end alone is a choice once it is left; the two together are none.
    expect(onChoose.mock.calls).toEqual([[{ min: 30, max: null }]]);
  });

  it("is drawn out over bars as high as they hold products, and its ends are said as money", () => {
    const { container } = show("histogram", PRICE);
    const heights = [...container.querySelectorAll<HTMLElement>("i")].map((bar) => bar.style.height);
    expect(heights).toEqual(["100%", "25%", "0px"]);
    expect(screen.getAllByRole("slider").map((thumb) => thumb.getAttribute("aria-valuetext"))).toEqual(["£2", "£80"]);
  });

  it("is moved by keyboard from edge to edge; at its very end it is open", async () => {
    const { onChoose } = show("slider", PRICE);
    const [from, to] = screen.getAllByRole("slider");
    from.focus();
    await userEvent.keyboard("{ArrowRight}");
    expect(onChoose).toHaveBeenLastCalledWith({ min: 10, max: null });
    to.focus();
    await userEvent.keyboard("{ArrowLeft}");
    expect(onChoose).toHaveBeenLastCalledWith({ min: 10, max: 40 });
  });

  it("has a box for products without a price, where the shop says so in words", async () => {
    const none = value("none", 3, { label: "Price on request" });
    const { onChoose, rerender } = show("slider", { ...PRICE, none });
    await userEvent.click(screen.getByRole("checkbox", { name: /Price on request/ }));
    expect(onChoose).toHaveBeenLastCalledWith({ any: ["none"] });
    const chosen = { ...PRICE, display: "slider", none: { ...none, selected: true } } as FilterAnswer;
    rerender(<Control filter={chosen} front={FRONT} onChoose={onChoose} />);
    await userEvent.click(within(document.body).getByRole("checkbox", { name: /Price on request/ }));
    expect(onChoose).toHaveBeenLastCalledWith(null);
  });
});
