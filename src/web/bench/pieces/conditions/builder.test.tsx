/** @jest-environment jsdom */
import type { Condition } from "@core/settings/condition";
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useState } from "react";
import { ConditionBuilder } from "./ConditionBuilder";

const FIELDS = [
  { key: "brand", label: "Brand", type: "text", role: "brand", shown: true, samples: ["Tarn & Thicket"] },
  { key: "price", label: "Price", type: "number", role: "price", shown: true, samples: [] },
  { key: "added", label: "Added", type: "date", role: null, shown: true, samples: [] },
  { key: "hardy", label: "Hardy", type: "flag", role: null, shown: true, samples: [] },
];

let said: Condition;
function Held({ start, without }: { start: Condition; without?: string }) {
  const [value, setValue] = useState(start);
  said = value;
  return <ConditionBuilder value={value} onChange={setValue} without={without} />;
}
const show = (start: Condition, { selections = {}, without }: { selections?: object; without?: string } = {}) =>
  showInBench(<Held start={start} without={without} />, { settings: { selections }, open: { fields: FIELDS } });
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
const type = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), `${text}{Enter}`);
};

describe("a condition that is put together", () => {
  it("begins with a test of what products are mostly chosen by", async () => {
    show({ all: [] });
    await press("+ Condition");
    expect(said).toEqual({ all: [{ field: "brand", is: "Tarn & Thicket" }] });
  });

  it("says how its tests are joined once there are two", async () => {
    show({ all: [{ field: "brand", is: "A" }] });
    expect(screen.queryByRole("radio", { name: "any of these" })).toBeNull();
    await press("+ Condition");
    await userEvent.click(screen.getByRole("radio", { name: "any of these" }));
    expect(said).toEqual({
      any: [
        { field: "brand", is: "A" },
        { field: "brand", is: "Tarn & Thicket" },
      ],
    });
  });

  it("holds a group within it, and no group within that", async () => {
    show({ all: [{ field: "brand", is: "A" }] });
    await press("+ Group");
    expect(said).toEqual({ all: [{ field: "brand", is: "A" }, { any: [{ field: "brand", is: "Tarn & Thicket" }] }] });
    expect(screen.getAllByRole("button", { name: "+ Group" })).toHaveLength(1);
  });

  it("gives up a test", async () => {
    show({
      all: [
        { field: "brand", is: "A" },
        { field: "hardy", is: true },
      ],
    });
    await userEvent.click(screen.getAllByRole("button", { name: "Remove this condition" })[0]);
    expect(said).toEqual({ all: [{ field: "hardy", is: true }] });
  });

  it("turns a test round, and back", async () => {
    show({ all: [{ field: "brand", is: "A" }] });
    await press("not");
    expect(said).toEqual({ all: [{ not: { field: "brand", is: "A" } }] });
    await userEvent.click(screen.getAllByRole("button", { name: "not" })[0]);
    expect(said).toEqual({ all: [{ field: "brand", is: "A" }] });
  });

  it("takes a selection, but never the one that is edited", async () => {
    const selections = { gifts: { name: "Gifts", condition: { all: [] } }, own: { name: "Own", condition: { all: [] } } };
    show({ all: [] }, { selections, without: "gifts" });
    await press("+ Selection");
    expect(said).toEqual({ all: [{ selection: "own" }] });
  });

  it("is a single test without a group around it, too", async () => {
    show({ field: "hardy", is: true });
    await userEvent.click(screen.getByRole("radio", { name: "no" }));
    expect(said).toEqual({ all: [{ field: "hardy", is: false }] });
  });
});

describe("a test of a field", () => {
  it("takes several values with commas", async () => {
    show({ all: [{ field: "brand", oneOf: [] }] });
    await type("Brand is one of", " Tarn , Moss,, ");
    expect(said).toEqual({ all: [{ field: "brand", oneOf: ["Tarn", "Moss"] }] });
  });

  it("takes numbers with a comma or a point, and leaves an end open", async () => {
    show({ all: [{ field: "price", between: [null, null] }] });
    await type("Price from", "4,50");
    expect(said).toEqual({ all: [{ field: "price", between: [4.5, null] }] });
    await type("Price to", "none");
    expect(said).toEqual({ all: [{ field: "price", between: [4.5, null] }] });
  });

  it("takes days, and none below 0", async () => {
    show({ all: [{ field: "added", newerThanDays: 30 }] });
    await type("Days", "-3");
    expect(said).toEqual({ all: [{ field: "added", newerThanDays: 0 }] });
  });

  it("of a field that is gone says so", () => {
    show({ all: [{ field: "lost", is: "x" }] });
    expect(screen.getByText("This field is gone.")).toBeTruthy();
  });

  it("for an empty field asks for no value", () => {
    show({ all: [{ field: "brand", empty: true }] });
    expect(screen.queryByRole("textbox")).toBeNull();
  });
});
