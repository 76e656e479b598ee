/** @jest-environment jsdom */
import type { ShopFront } from "@contract/search";
import { readMessages } from "@core/storefront/read-messages";
import { sayWith } from "@core/storefront/say-messages";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { TextsContext } from "../../texts";
import type { RangeFilter } from "../labels";
import { FromTo } from "./FromTo";

const SAY = sayWith("en", readMessages("en", {}));
const front = { language: "en", currency: "GBP", filterFields: {}, fields: [] } as unknown as ShopFront;

/** The fields, with what answers say is chosen. */
function show() {
  const onChoose = jest.fn();
  const part = (selected: { min: number | null; max: number | null } | null) => {
    const filter = { id: "price", label: "Price", display: "fields", range: { min: 1, max: 90 }, selected } as unknown as RangeFilter;
    return (
      <TextsContext value={SAY}>
        <FromTo filter={filter} front={front} onChoose={onChoose} />
      </TextsContext>
    );
  };
  const { rerender } = render(part(null));
  return {
    onChoose,
    answer: (min: number | null, max: number | null) => rerender(part(min === null && max === null ? null : { min, max })),
  };
}
const [from, to] = [SAY("filters.from"), SAY("filters.to")].map(
  (name) => () => screen.getByRole<HTMLInputElement>("textbox", { name: `Price ${name}` }),
);
const texts = () => [from().value, to().value];

describe("a range of numbers in two fields", () => {
  it("is chosen when one end is left, and says what is no range", async () => {
    const { onChoose } = show();
    await userEvent.type(from(), "30");
    await userEvent.type(to(), "20{Enter}");
    expect(onChoose.mock.calls).toEqual([[{ min: 30, max: null }]]);
    expect(screen.getByRole("alert").textContent).toBe(SAY("filters.turned"));
  });

  it("keeps what is typed when a late answer says what was chosen before", async () => {
    const { onChoose, answer } = show();
    await userEvent.type(from(), "30");
    await userEvent.type(to(), "20");
    await userEvent.clear(from());
    await userEvent.type(from(), "10");
    answer(30, null);
    expect(texts()).toEqual(["10", "20"]);
    await userEvent.type(to(), "{Enter}");
    expect(onChoose).toHaveBeenLastCalledWith({ min: 10, max: 20 });
    answer(10, 20);
    expect(texts()).toEqual(["10", "20"]);
  });

  it("is empty again when all is cleared, whatever was typed and not chosen", async () => {
    const { onChoose, answer } = show();
    await userEvent.type(from(), "30");
    await userEvent.type(to(), "20{Enter}");
    answer(30, null);
    answer(null, null);
    expect(texts()).toEqual(["", ""]);
    await userEvent.tab();
    expect(onChoose).toHaveBeenCalledTimes(1);
  });

  it("comes to the last choice, however answers come", async () => {
    const { answer } = show();
    await userEvent.type(from(), "5");
    await userEvent.type(to(), "9{Enter}");
    answer(5, null);
    answer(5, 9);
    expect(texts()).toEqual(["5", "9"]);
    answer(2, 8);
    expect(texts()).toEqual(["2", "8"]);
  });
});
