/** @jest-environment jsdom */
import type { ShopFront } from "@contract/search";
import { frontOfSettings } from "@core/storefront/front";
import { sayWith } from "@core/storefront/say-messages";
import { SuggestRequest } from "@core/suggest/request";
import { suggest } from "@core/suggest/suggest";
import { render, screen } from "@testing-library/react";
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
const client = {
  suggest: async (asked: object) => suggest(searcher, SuggestRequest.parse(asked), { at: AT, visible: () => true }),
  take: () => undefined,
} as unknown as ShopClient;

/** The box of a garden shop, and what comes of it. */
async function open() {
  const on = { onSearch: jest.fn(), onCategory: jest.fn(), onProduct: jest.fn(), onPage: jest.fn() };
  render(
    <TextsContext value={sayWith("en", front.messages)}>
      <SearchBox client={client} front={front} value="" {...on} />
    </TextsContext>,
  );
  await userEvent.click(screen.getByRole("combobox"));
  return on;
}

describe("what is pressed under the search box", () => {
  it("is a category before anything is typed, and the search in that category afterwards", async () => {
    const { onCategory, onSearch } = await open();
    await userEvent.click(await screen.findByRole("option", { name: /^Plants/ }));
    expect(onCategory).toHaveBeenLastCalledWith(["Plants"]);
    await userEvent.type(screen.getByRole("combobox"), "lavender");
    await userEvent.click(await screen.findByRole("option", { name: /^Perennials/ }));
    expect(onSearch).toHaveBeenLastCalledWith("lavender", ["Plants", "Perennials"], undefined);
    expect(onCategory).toHaveBeenCalledTimes(1);
  });

  it("is a product with the option that was shown of it", async () => {
    const { onProduct } = await open();
    await userEvent.type(screen.getByRole("combobox"), "moorland haze");
    await userEvent.click(await screen.findByRole("option", { name: /Moorland Haze/i }));
    expect(onProduct).toHaveBeenLastCalledWith("P1", "P1-9");
  });
});
