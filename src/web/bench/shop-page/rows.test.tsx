/** @jest-environment jsdom */
import { Badge } from "@core/settings/page/badge";
import { Block } from "@core/settings/page/block";
import { readMessages } from "@core/storefront/read-messages";
import { sayWith } from "@core/storefront/say-messages";
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { BadgeRow } from "./badges/BadgeRow";
import { BlockRow } from "./blocks/BlockRow";
import { MessageRow } from "./messages/MessageRow";

const badge = (more: object = {}) =>
  Badge.parse({
    name: "Reduced",
    text: { en: "{discount} % off" },
    condition: { all: [{ field: "price", empty: false }] },
    tone: "loss",
    rank: "a0",
    ...more,
  });
const block = (more: object = {}) =>
  Block.parse({ title: { en: "In books" }, shows: { same: { category: ["Books"] } }, rank: "a0", ...more });
const FRONT = {
  categories: [{ path: ["Plants"] }, { path: ["Books"] }],
  fields: [],
  filters: [],
  language: "en",
  css: "",
  page: { theme: { colours: {} } },
};
const typeOver = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), text);
};

jest.mock("../../shop/ShopRoot", () => ({ ShopRoot: ({ children }: { children: React.ReactNode }) => children }));

describe("a badge in its list", () => {
  const show = (of = badge(), facts?: { meant: number; worn: number }, isOpen = false) => {
    const onOpen = jest.fn();
    const row = <BadgeRow id="b" badge={of} facts={facts} language="en" isOpen={isOpen} onOpen={onOpen} />;
    return { onOpen, ...showInBench(row, { settings: { page: { badges: { b: of } } }, open: { front: FRONT } }) };
  };

  it.each([
    [undefined, true, ""],
    [{ meant: 9, worn: 9 }, true, "On 9 products."],
    [{ meant: 9, worn: 4 }, true, "On 4 products; 5 more meet the condition, but show others."],
    [{ meant: 0, worn: 0 }, true, "No product meets the condition."],
    [{ meant: 1, worn: 0 }, false, "Off. 1 product would have it."],
  ])("says on how many products it is: %j, on %s", (facts, on, said) => {
    const { container } = show(badge({ on }), facts);
    expect(container.textContent?.endsWith(said)).toBe(true);
  });

  it("is shown with figures as an example", () => {
    show();
    expect(screen.getByText("20 % off")).toBeTruthy();
  });

  it("is switched and removed in its row, and opened by a press", async () => {
    const { sent, onOpen } = show();
    await userEvent.click(screen.getByRole("switch", { name: "Reduced: on" }));
    await userEvent.click(screen.getByRole("button", { name: "Remove Reduced" }));
    await userEvent.click(screen.getByRole("button", { name: "Set up Reduced" }));
    expect(sent).toEqual([[{ op: "replace", path: "/page/badges/b/on", value: false }], [{ op: "remove", path: "/page/badges/b" }]]);
    expect(onOpen).toHaveBeenCalledTimes(1);
  });

  it("has its name, tone and place changed, each for itself", async () => {
    const { sent } = show(badge(), undefined, true);
    await typeOver("Name of the badge", "Sale{Tab}");
    await userEvent.click(screen.getByRole("radio", { name: "dark" }));
    await userEvent.click(screen.getByRole("radio", { name: "among the texts" }));
    expect(sent).toEqual([
      [{ op: "replace", path: "/page/badges/b/name", value: "Sale" }],
      [
        { op: "replace", path: "/page/badges/b/tone", value: "ink" },
        { op: "replace", path: "/page/badges/b/colour", value: null },
      ],
      [{ op: "replace", path: "/page/badges/b/place", value: "text" }],
    ]);
  });

  it("keeps its name when it is emptied", async () => {
    const { sent } = show(badge(), undefined, true);
    await typeOver("Name of the badge", "   {Tab}");
    expect(sent).toEqual([]);
  });

  it("keeps a name that is too long where it was typed, and says why it is not taken", async () => {
    const { sent } = show(badge(), undefined, true);
    await userEvent.clear(screen.getByLabelText("Name of the badge"));
    await userEvent.click(screen.getByLabelText("Name of the badge"));
    await userEvent.paste("x".repeat(500));
    await userEvent.tab();
    await screen.findByRole("alert");
    expect([sent, screen.getByLabelText<HTMLInputElement>("Name of the badge").value.length]).toEqual([[], 500]);
  });
});

describe("a block in its list", () => {
  const show = (of = block(), { stands, searches = 40, isOpen = false }: { stands?: number; searches?: number; isOpen?: boolean } = {}) => {
    const row = <BlockRow id="b" block={of} stands={stands} searches={searches} language="en" isOpen={isOpen} onOpen={() => undefined} />;
    return showInBench(row, { settings: { page: { blocks: { b: of } } }, open: { front: FRONT } });
  };

  it.each([
    [{ stands: 12 }, {}, "Shown for 12 of the 40 most asked searches."],
    [{ stands: 0 }, {}, "Shown for none of the 40 most asked searches."],
    [{ stands: 12 }, { on: false }, null],
    [{ stands: 12, searches: 0 }, {}, null],
    [{}, {}, null],
  ])("says how often it is shown: %j %j", (facts, more, said) => {
    const { container } = show(block(more), facts);
    expect(said === null ? /most asked/.test(container.textContent ?? "") : container.textContent?.includes(said)).toBe(said !== null);
  });

  it("shows as many as it may, and only with enough of them", async () => {
    const { sent } = show(block(), { isOpen: true });
    await typeOver("Shown at most", "8{Tab}");
    await typeOver("There at least", "3{Tab}");
    await typeOver("Shown at most", "99{Tab}");
    expect(screen.getByRole("alert").textContent).toBe("1 to 24");
    expect(sent.flat()).toEqual([
      { op: "replace", path: "/page/blocks/b/most", value: 8 },
      { op: "replace", path: "/page/blocks/b/least", value: 3 },
    ]);
  });

  it("says behind how many results it stands only where it is among them", async () => {
    show(block(), { isOpen: true });
    expect(screen.queryByLabelText("Results before it")).toBeNull();
    await userEvent.click(screen.getByRole("radio", { name: "among them" }));
    expect(screen.getByLabelText("Results before it")).toBeTruthy();
  });

  it("is for searches, for categories, and for some of them alone", async () => {
    const { sent } = show(block(), { isOpen: true });
    await userEvent.click(screen.getByRole("checkbox", { name: "Categories" }));
    await userEvent.click(screen.getByRole("button", { name: "+ Only in some categories" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.flat()).toEqual([
      { op: "replace", path: "/page/blocks/b/browsing", value: true },
      { op: "replace", path: "/page/blocks/b/categories", value: [["Plants"]] },
    ]);
  });
});

describe("a message of the shop", () => {
  const SAY = sayWith("en", readMessages("en", {}));
  const show = (text: string | null) => {
    const onChange = jest.fn();
    showInBench(<MessageRow id="filters.more" text={text} was={null} language="en" say={SAY} onChange={onChange} />);
    return { onChange, input: screen.getByRole<HTMLInputElement>("textbox") };
  };

  it("is read as usual, and written anew", async () => {
    const { onChange, input } = show(null);
    expect(input.value).toContain("{n");
    await userEvent.clear(input);
    await userEvent.click(input);
    await userEvent.paste("{n} further values");
    await userEvent.tab();
    expect(onChange).toHaveBeenCalledWith("{n} further values");
  });

  it("is checked while it is typed; what is wrong is said and not taken", async () => {
    const { onChange, input } = show(null);
    await userEvent.clear(input);
    await userEvent.click(input);
    await userEvent.paste("{number} more");
    expect(screen.getByRole("alert").textContent).not.toBe("");
    expect(input.getAttribute("aria-invalid")).toBe("true");
    await userEvent.tab();
    expect(onChange).not.toHaveBeenCalled();
  });

  it("is as usual again when it is emptied, when it is typed as usual, and by a press", async () => {
    const { onChange, input } = show("{n} further values");
    await userEvent.clear(input);
    await userEvent.tab();
    expect(onChange).toHaveBeenLastCalledWith(null);
    await userEvent.click(screen.getByRole("button", { name: /^As usual/ }));
    expect(onChange).toHaveBeenCalledTimes(2);
  });

  it("is put back on Escape", async () => {
    const { onChange, input } = show("{n} further values");
    await userEvent.type(input, "!!{Escape}");
    await userEvent.tab();
    expect([input.value, onChange.mock.calls.length]).toEqual(["{n} further values", 0]);
  });
});
