/** @jest-environment jsdom */
import type { ShopFront } from "@contract/search";
import { frontOfSettings } from "@core/storefront/front";
import { sayWith } from "@core/storefront/say-messages";
import { SuggestRequest } from "@core/suggest/request";
import { suggest } from "@core/suggest/suggest";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { AT, gardenSearcher } from "@tests/core/garden";
import type { ShopClient } from "../client";
import { TextsContext } from "../texts";
import { SearchBox } from "./SearchBox";

const searcher = gardenSearcher();
const front = {
  id: "garden",
  language: "en",
  locale: "en-GB",
  currency: "GBP",
  fields: searcher.index.fields,
  ...frontOfSettings(searcher.settings, "en-GB", "en", (css) => css),
} as unknown as ShopFront;
/** What was answered last. */
let answered = "";
const client = {
  suggest: async (asked: { query: string }) => {
    const answer = suggest(searcher, SuggestRequest.parse(asked), { at: AT, visible: () => true });
    answered = asked.query;
    return answer;
  },
  take: () => undefined,
} as unknown as ShopClient;

/** The box of a garden shop, and what comes of it. */
async function open(more: { category?: string[]; front?: ShopFront } = {}) {
  const on = { onSearch: jest.fn(), onCategory: jest.fn(), onProduct: jest.fn(), onPage: jest.fn() };
  render(
    <TextsContext value={sayWith("en", front.messages)}>
      <SearchBox client={client} front={front} value="" {...more} {...on} />
    </TextsContext>,
  );
  await userEvent.click(screen.getByRole("combobox"));
  return on;
}

/** Types, and waits for the answer to all of it: what an earlier answer drew goes away under the hand. */
async function typeWhole(text: string) {
  await userEvent.type(screen.getByRole("combobox"), text);
  await waitFor(() => expect(answered).toBe(text));
}

describe("a search within a category", () => {
  const inIt = () => screen.getByRole<HTMLInputElement>("checkbox", { name: /Plants/ });

  it("is one of the whole shop until the shopper wants it otherwise", async () => {
    const { onSearch } = await open({ category: ["Plants"] });
    expect(inIt().checked).toBe(false);
    await userEvent.type(screen.getByRole("combobox"), "lavender{Enter}");
    expect(onSearch).toHaveBeenLastCalledWith("lavender", null);
    await userEvent.click(inIt());
    await userEvent.type(screen.getByRole("combobox"), " haze{Enter}");
    expect(onSearch).toHaveBeenLastCalledWith("lavender haze", ["Plants"]);
  });

  it("stays in it where the shop says so, until the shopper does not want it", async () => {
    const { onSearch } = await open({ category: ["Plants"], front: { ...front, box: { ...front.box, scoped: true } } });
    await userEvent.type(screen.getByRole("combobox"), "lavender{Enter}");
    expect(onSearch).toHaveBeenLastCalledWith("lavender", ["Plants"]);
    await userEvent.click(inIt());
    await userEvent.type(screen.getByRole("combobox"), " haze{Enter}");
    expect(onSearch).toHaveBeenLastCalledWith("lavender haze", null);
  });
});

describe("what is pressed under the search box", () => {
  it("is a category before anything is typed, and the search in that category afterwards", async () => {
    const { onCategory, onSearch } = await open();
    await userEvent.click(await screen.findByRole("option", { name: /^Plants/ }));
    expect(onCategory).toHaveBeenLastCalledWith(["Plants"]);
    await typeWhole("lavender");
    await userEvent.click(await screen.findByRole("option", { name: /^Perennials/ }));
    expect(onSearch).toHaveBeenLastCalledWith("lavender", ["Plants", "Perennials"], undefined);
    expect(onCategory).toHaveBeenCalledTimes(1);
  });

  it("is a product with the option that was shown of it", async () => {
    const { onProduct } = await open();
    await typeWhole("moorland haze");
    await userEvent.click(await screen.findByRole("option", { name: /English lavender Moorland Haze/i }));
    expect(onProduct).toHaveBeenLastCalledWith("P1", "P1-9");
  });
});
