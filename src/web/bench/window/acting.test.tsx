/** @jest-environment jsdom */
import type { Hit } from "@core/search/request";
import { blankShelf } from "@core/shelves/edit";
import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { START } from "../../shop/address";
import { useWindow } from "../state/window";
import { Actions } from "./Actions";
import { Edge } from "./Edge";
import { Strip } from "./Strip";
import { shelfOf } from "./shelf-actions";
import { loadStem } from "./stems";

const hit = (more: object = {}) =>
  ({ id: "P7", title: "Old rose", position: 3, arranged: [], fields: { left: 4 }, ...more }) as unknown as Hit;
const answer = (more: object = {}) => ({ query: { searched: "roses" }, shelf: null, shelvesResting: [], hits: [], ...more });
const lookAt = (more: object = {}) =>
  useWindow.setState({
    address: { ...START, query: "roses" },
    draft: answer() as never,
    asked: null,
    mode: "draft",
    at: null,
    device: "wide",
    ...more,
  });
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
const SHELF = { ...blankShelf("Roses", "a0"), searches: [{ match: "is", text: "rose" }] };

describe("what is done to a product where it stands", () => {
  const show = (settings: object, one = hit()) => {
    lookAt();
    return showInBench(<Actions hit={one} />, { settings });
  };

  it("makes a shelf for the search when it has none", async () => {
    const { sent } = show({});
    await press("Pin Old rose at place 3");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject([
      { op: "add", path: "/shelves/roses", value: { name: "roses", pins: { P7: 3 }, searches: [{ match: "is", text: "roses" }] } },
    ]);
  });

  it("pins it to the top in one press, where it is not there already", async () => {
    const { sent } = show({ shelves: { r: SHELF } });
    await press("Pin Old rose to the top");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject([{ path: "/shelves/r/pins", value: { P7: 1 } }]);
  });

  it("has no way to the top from the top", () => {
    show({}, hit({ position: 1 }));
    expect(screen.queryByRole("button", { name: /to the top/ })).toBeNull();
  });

  it("changes the shelf of the search, in whatever form its words are written", async () => {
    const { sent } = show({ shelves: { r: SHELF } });
    await press("Raise Old rose");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(JSON.stringify(sent[0])).toContain("/shelves/r/strength");
  });

  it("unpins what is pinned", async () => {
    const { sent } = show({ shelves: { r: { ...SHELF, pins: { P7: 3 } } } }, hit({ arranged: [{ kind: "pin" }] }));
    await press("Unpin Old rose");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(JSON.stringify(sent[0])).toMatch(/shelves\/r\/pins/);
  });

  it("hides it here, or everywhere", async () => {
    const { sent } = show({ shelves: { r: SHELF } });
    screen.getByRole("button", { name: "Hide Old rose" }).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.click(await screen.findByRole("menuitem", { name: "Hide everywhere" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject([{ op: "add", value: { products: ["P7"] } }]);
    expect(sent[0][0].path).toMatch(/^\/hides\//);
  });

  it("says why it stands here", async () => {
    show({});
    await press("Why is Old rose here?");
    expect(useWindow.getState().asked).toBe("P7");
  });
});

describe("the shelf of a search", () => {
  it("is found by the stems of its words, in the language of the catalogue", async () => {
    const settings = { shelves: { r: SHELF } } as never;
    const target = { search: "Roses", category: null };
    expect(shelfOf(settings, target, await loadStem("en-GB"), null)).toBe("r");
    expect(shelfOf(settings, target, (surface) => surface, null)).toBeNull();
  });
});

describe("the shelf edge under a product", () => {
  const FRONT = { fields: [{ key: "left", role: "stock" }] } as never;
  const edge = (one: Hit, movement: Parameters<typeof Edge>[0]["movement"] = null, factor: number | null = null) =>
    showInBench(<Edge hit={one} front={FRONT} movement={movement} factor={factor} />).container.textContent;

  it.each([
    [hit(), null, null, "34 in stock"],
    [hit({ fields: { left: 0 } }), null, null, "3sold out"],
    [hit({ fields: {} }), null, null, "3"],
    [hit({ arranged: [{ kind: "pin" }] }), { by: 4 }, 1.5, "3pinned▲ 44"],
    [hit({ arranged: [{ kind: "add" }] }), "new" as const, null, "3addednew here4 in stock"],
    [hit(), { by: -2 }, 0.5, "3▼ 2×0.54"],
  ])("says what moved it and what is in stock: %#", (one, movement, factor, said) => {
    expect(edge(one, movement, factor)).toBe(said);
  });
});

describe("the line over the window", () => {
  const show = (more: object = {}) => {
    lookAt(more);
    const front = { categories: [{ path: ["Plants"] }, { path: ["Plants", "Roses"] }, { path: ["Plants", "Roses", "Old"] }] };
    return showInBench(<Strip />, { open: { front } });
  };
  const field = () => screen.getByLabelText<HTMLInputElement>("Search being tried");

  it("tries a search while it is typed, and at once on Enter", async () => {
    show();
    await userEvent.clear(field());
    await userEvent.type(field(), "tulip{Enter}");
    expect(useWindow.getState().address.query).toBe("tulip");
    fireEvent.change(field(), { target: { value: "tulips" } });
    await waitFor(() => expect(useWindow.getState().address.query).toBe("tulips"));
  });

  it("puts back what was tried on Escape", async () => {
    show();
    fireEvent.change(field(), { target: { value: "x" } });
    fireEvent.keyDown(field(), { key: "Escape" });
    expect(field().value).toBe("roses");
  });

  it("is reached by a stroke from anywhere but a field", async () => {
    show();
    await userEvent.keyboard("/");
    expect(document.activeElement).toBe(field());
    await userEvent.keyboard("/");
    expect(field().value).toContain("/");
  });

  it("looks at a category instead, of the two upper levels", async () => {
    show();
    await press("Look at a category instead");
    const names = (await screen.findAllByRole("button", { name: /^(Plants|Roses|Old)$/ })).map((entry) => entry.textContent);
    expect(names).toEqual(["Plants", "Roses"]);
    await press("Roses");
    expect(useWindow.getState().address).toMatchObject({ query: "", category: ["Plants", "Roses"] });
  });

  it("shows the draft, what is live, or both", async () => {
    show({ asked: "P1" });
    await userEvent.click(screen.getByRole("radio", { name: "Both" }));
    expect(useWindow.getState()).toMatchObject({ mode: "both", asked: null });
  });

  it("shows another day, on the shop's own clock, and today again", async () => {
    show();
    await press("Today");
    const day = await screen.findByLabelText("See the shop as on");
    act(() => {
      fireEvent.change(day, { target: { value: "2027-07-01T12:00" } });
    });
    expect(useWindow.getState().at).toBe("2027-07-01T11:00:00.000Z");
    expect(screen.getByRole("button", { name: "1 Jul 2027", hidden: true })).toBeTruthy();
  });
});
