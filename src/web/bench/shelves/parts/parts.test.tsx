/** @jest-environment jsdom */
import { Shelf } from "@core/settings/shelf";
import { blankShelf } from "@core/shelves/edit";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useState } from "react";
import type { ShelfChange } from "../edits";
import { BannerForm, startBanner } from "./BannerForm";
import { RedirectForm, sayLanding, startRedirect } from "./RedirectForm";
import { RuleRows } from "./RuleRows";
import { foldsOf } from "./shelf-folds";
import { WhenForm } from "./WhenForm";

const FRONT = {
  categories: [
    { path: ["Plants"], products: 4 },
    { path: ["Plants", "Roses"], products: 2 },
  ],
  fields: [],
  filters: [],
  language: "en",
};
const START = Shelf.parse({ ...blankShelf("Roses", "a0"), searches: [{ match: "is", text: "rose" }] });

let shelf: Shelf;
const answer = { isTaken: true };
/** Shows a part of a shelf; a change that is refused leaves the shelf as it was. */
function show(start: Shelf, Part: React.ComponentType<{ shelf: Shelf; onChange: ShelfChange }>, serve?: (path: string) => unknown) {
  answer.isTaken = true;
  function Held() {
    const [held, setHeld] = useState(start);
    shelf = held;
    const change: ShelfChange = async (how) => {
      if (answer.isTaken) setHeld(how);
      return answer.isTaken;
    };
    return <Part shelf={held} onChange={change} />;
  }
  return showInBench(<Held />, { open: { front: FRONT }, serve });
}
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
const typeOver = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), text);
};

const Banner = ({ shelf: { banner }, onChange }: { shelf: Shelf; onChange: ShelfChange }) => (
  <BannerForm banner={banner} onChange={onChange} />
);
const Redirect = ({ shelf: { redirect }, onChange }: { shelf: Shelf; onChange: ShelfChange }) => (
  <RedirectForm id="s" redirect={redirect} query="rose" onChange={onChange} />
);

const banner = (title: string) => ({ ...START, banner: startBanner(title) });
const refuse: ShelfChange = async () => false;
const foldOf = (id: string, of: Shelf) => foldsOf(of, id, "", refuse).find((fold) => fold.id === "banner")?.content;
function Two() {
  const [isSecond, setSecond] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setSecond(true)}>
        Other shelf
      </button>
      {isSecond ? foldOf("b", banner("Tulips")) : foldOf("a", banner("Roses"))}
    </>
  );
}

describe("the banner of a shelf", () => {
  it("begins with the name of the shelf", async () => {
    show(START, Banner);
    await press("Add a banner");
    expect(shelf.banner).toEqual({ ...startBanner("Roses"), title: { en: "Roses" } });
  });

  it("has a text in a language, and none where it is emptied", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    await typeOver("Text of the banner", "Bare roots are here{Enter}");
    expect(shelf.banner?.text).toEqual({ en: "Bare roots are here" });
    await typeOver("Text of the banner", "{Enter}");
    await waitFor(() => expect(shelf.banner?.text).toEqual({}));
  });

  it("has a drawing or a picture", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    const [sprig] = screen
      .getAllByRole("button", { name: /^Drawing: / })
      .filter((button) => button.getAttribute("aria-pressed") === "true");
    await userEvent.click(sprig);
    expect(shelf.banner?.drawing).toBeNull();
    await typeOver("Address of the picture", "https://shop.example/roses.jpg{Enter}");
    await waitFor(() => expect(shelf.banner?.picture).toBe("https://shop.example/roses.jpg"));
    expect(screen.queryByRole("group", { name: "Drawing" })).toBeNull();
  });

  it("is over the results, or among them behind a number of them", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    await userEvent.click(screen.getByRole("radio", { name: "a space among them" }));
    expect(shelf.banner?.after).toBe(2);
    await typeOver("Results before the banner", "6{Enter}");
    await waitFor(() => expect(shelf.banner?.after).toBe(6));
    await typeOver("Results before the banner", "900{Enter}");
    expect(screen.getByRole("alert").textContent).toBe("0 to 200");
  });

  it("leads somewhere, or nowhere", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    await press("Somewhere");
    expect(shelf.banner?.link).toEqual({ to: "category", value: "Plants" });
    await press("The banner leads nowhere");
    await waitFor(() => expect(shelf.banner?.link).toBeNull());
  });

  it("keeps what was typed and refused, says so, and goes on from there", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    answer.isTaken = false;
    await typeOver("Title of the banner", "Roses now{Enter}");
    await screen.findByText(/^Not saved/);
    expect(screen.getByLabelText<HTMLInputElement>("Title of the banner").value).toBe("Roses now");
    answer.isTaken = true;
    await typeOver("Title of the banner", "Roses again{Enter}");
    await waitFor(() => expect(shelf.banner?.title).toEqual({ en: "Roses again" }));
    expect(screen.queryByText(/^Not saved/)).toBeNull();
  });

  it("takes nothing that was refused to another shelf's banner", async () => {
    showInBench(<Two />, { open: { front: FRONT } });
    await typeOver("Title of the banner", "Not taken{Enter}");
    await screen.findByText(/^Not saved/);
    await press("Other shelf");
    expect(screen.getByLabelText<HTMLInputElement>("Title of the banner").value).toBe("Tulips");
    expect(screen.queryByText(/^Not saved/)).toBeNull();
  });

  it("is taken down", async () => {
    show({ ...START, banner: startBanner("Roses") }, Banner);
    await press("Remove the banner");
    expect(shelf.banner).toBeNull();
  });
});

describe("the redirect of a shelf", () => {
  const landing = { products: 12, title: "Plants", isDead: false, chain: [] as string[], isLoop: false };
  const serve = (path: string) => (path.includes("/landing") ? landing : undefined);
  const with_ = (part: object) => ({ ...START, redirect: { ...startRedirect(FRONT.categories), ...part } });

  it("begins with the shop's first category, and says where it comes out", async () => {
    show(START, Redirect, serve);
    await press("Redirect");
    expect(shelf.redirect).toEqual({ to: "category", value: "Plants", filters: {}, keepSearch: false });
    await screen.findByText("Plants, 12 products");
  });

  it("takes the search along only where there is something to take it to", async () => {
    show(with_({ to: "page", value: "p1" }), Redirect, serve);
    expect(screen.queryByRole("checkbox", { name: "The search goes along" })).toBeNull();
  });

  it("takes the search along to an address", async () => {
    show(with_({ to: "address", value: "https://shop.example/?q={query}" }), Redirect, serve);
    await userEvent.click(screen.getByRole("checkbox", { name: "The search goes along" }));
    expect(shelf.redirect?.keepSearch).toBe(true);
  });

  it("leads to an address that is typed after that was chosen; until it is whole, it leads where it did", async () => {
    show(START, Redirect, serve);
    await press("Redirect");
    screen.getByRole("combobox", { name: "Redirect: to what" }).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.click(await screen.findByRole("option", { name: "an address" }));
    const address = await screen.findByLabelText<HTMLInputElement>("Redirect: address");
    expect([address.value, screen.queryByRole("alert")]).toEqual(["", null]);
    await userEvent.type(address, "https://{Enter}");
    await screen.findByRole("alert");
    expect(shelf.redirect).toMatchObject({ to: "category", value: "Plants" });
    await userEvent.type(address, "shop.example/sale{Enter}");
    await waitFor(() => expect(shelf.redirect).toMatchObject({ to: "address", value: "https://shop.example/sale" }));
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("says at its field that an address is none, and does not save it", async () => {
    show(with_({ to: "address", value: "https://shop.example/" }), Redirect, serve);
    await typeOver("Redirect: address", "shop.example{Enter}");
    await screen.findByRole("alert");
    expect(shelf.redirect?.value).toBe("https://shop.example/");
    expect(screen.getByLabelText<HTMLInputElement>("Redirect: address").value).toBe("shop.example");
  });

  it.each([
    [{ ...landing, products: null }, "Plants"],
    [{ ...landing, products: 1, chain: ["s2"] }, "Plants, 1 product, through “Second”"],
    [{ ...landing, isDead: true }, "Plants: nothing is there."],
    [{ ...landing, isLoop: true, chain: ["s2"] }, "Nowhere: it comes back to itself, through “Second”."],
  ])("says where it leads: %j", (where, said) => {
    expect(sayLanding(where as never, () => "Second")).toBe(said);
  });
});

describe("when a shelf is active", () => {
  it("is on some days, and on all when none is named", async () => {
    show(START, WhenForm);
    expect(screen.getByText("every day")).toBeTruthy();
    const days = within(screen.getByLabelText("Days of the week")).getAllByRole("button");
    await userEvent.click(days[5]);
    await userEvent.click(days[6]);
    expect(shelf.when.weekdays).toEqual([6, 7]);
  });

  it("is at certain hours by a clock, or all day", async () => {
    show(START, WhenForm);
    await press("Only at certain hours");
    expect(shelf.when.hours).toEqual({ from: "09:00", until: "18:00" });
    await press("All day");
    expect(shelf.when.hours).toBeNull();
  });

  it("is on some devices", async () => {
    show(START, WhenForm);
    await press("phone");
    expect(shelf.when.devices).toEqual(["phone"]);
    expect(screen.queryByText("on all")).toBeNull();
  });
});

describe("the rules of a shelf", () => {
  const serve = (path: string) => (path.endsWith("/reach") ? { products: 1, results: 0, searches: 0 } : undefined);
  const rules = () => Object.values(shelf.rules);

  it("are put first, at most so many of the best", async () => {
    show(START, RuleRows, serve);
    await press("+ Rule");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Add the rule" }).disabled).toBe(true);
    await press("+ Condition");
    await screen.findByText("for 1 product");
    await press("Add the rule");
    await waitFor(() => expect(rules()).toMatchObject([{ does: "strength", factor: 1.5, on: true }]));
    expect(screen.queryByRole("form", { name: "New rule" })).toBeNull();
  });

  it("keep what was filled in when a new one is refused", async () => {
    show(START, RuleRows, serve);
    await press("+ Rule");
    await press("+ Condition");
    await typeOver("Strength in per cent", "80{Tab}");
    answer.isTaken = false;
    await press("Add the rule");
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>("button", { name: "Add the rule" }).disabled).toBe(false));
    expect([rules(), screen.getByLabelText<HTMLInputElement>("Strength in per cent").value]).toEqual([[], "80"]);
    answer.isTaken = true;
    await press("Add the rule");
    await waitFor(() => expect(rules()).toMatchObject([{ factor: 1.8 }]));
  });

  it("are switched off, changed in place, and removed", async () => {
    const rule = { does: "first" as const, most: null, condition: { all: [{ field: "brand", is: "Moss" }] }, on: true, rank: "a0" };
    show({ ...START, rules: { r: rule } }, RuleRows, serve);
    await userEvent.click(screen.getByRole("switch", { name: /^Rule / }));
    expect(rules()).toMatchObject([{ on: false }]);
    await userEvent.click(screen.getByRole("button", { expanded: false }));
    await typeOver("Put first at most", "5{Enter}");
    await waitFor(() => expect(rules()).toMatchObject([{ does: "first", most: 5 }]));
    await press(/^Remove the rule/);
    expect(rules()).toEqual([]);
  });
});
