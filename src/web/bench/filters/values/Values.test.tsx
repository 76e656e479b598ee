/** @jest-environment jsdom */
import type { FilterLook } from "@core/insights/measure/filter-look";
import { Filter } from "@core/settings/filter";
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useState } from "react";
import { Values } from "./Values";

const look = (values: [string, number][], more = 0): FilterLook => ({
  filled: 1,
  filledHere: 1,
  results: 40,
  values: values.map(([value, count]) => ({ value, group: null, colour: null, count, here: Math.floor(count / 2) })),
  offered: Object.fromEntries(values.map(([value, count]) => [value, { count, here: Math.floor(count / 2) }])),
  more,
  numbers: null,
  absence: null,
});
const SOIL = look([
  ["Clay", 40],
  ["Loam", 30],
  ["Sandy loam", 8],
  ["clay", 2],
]);
const START = Filter.parse({ from: [{ field: "soil" }], label: { en: "Soil" }, display: "ticks", rank: "a0" });

let filter: Filter;
function Held({ of, start }: { of: FilterLook; start: Filter }) {
  const [held, setHeld] = useState(start);
  filter = held;
  return <Values filter={held} look={of} language="en" onChange={(part) => setHeld({ ...held, ...part })} />;
}
const show = (of = SOIL, more: object = {}) => showInBench(<Held of={of} start={{ ...START, ...more }} />);
const names = () => screen.getAllByLabelText<HTMLInputElement>(/^Name of /).map((input) => input.value);
const choose = (name: string) => userEvent.click(screen.getByRole("checkbox", { name: `Choose ${name}` }));
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
const rename = async (from: string, to: string) => {
  await userEvent.clear(screen.getByLabelText(`Name of ${from}`));
  await userEvent.type(screen.getByLabelText(`Name of ${from}`), `${to}{Tab}`);
};
beforeAll(() => {
  Object.assign(Element.prototype, { hasPointerCapture: () => false, scrollIntoView: () => undefined });
});

describe("the values of a filter", () => {
  it("stand as shoppers see them, those with most products first", () => {
    show();
    expect(names()).toEqual(["Clay", "Loam", "Sandy loam", "clay"]);
  });

  it("are put in another order", async () => {
    show();
    screen.getByRole("combobox", { name: "Order of the values" }).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.click(await screen.findByRole("option", { name: "A to Z" }));
    expect(filter.order).toBe("alphabet");
  });

  it("are called otherwise, and put back by emptying the name", async () => {
    show();
    await rename("Loam", "Garden soil");
    expect(Object.values(filter.values)).toMatchObject([{ of: ["Loam"], label: { en: "Garden soil" } }]);
    await rename("Garden soil", "");
    await waitFor(() => expect(filter.values).toEqual({}));
  });

  it("become one with the value whose name they are given", async () => {
    show();
    await rename("clay", "CLAY");
    expect(Object.values(filter.values)).toMatchObject([{ of: ["Clay", "clay"], label: { en: "Clay" } }]);
    await press("Split Clay");
    expect(filter.values).toEqual({});
  });

  it("are merged under a name, or under that of the first", async () => {
    show();
    await choose("Loam");
    await choose("Sandy loam");
    await userEvent.type(screen.getByLabelText("Name of the merged value"), "Loams{Enter}");
    await waitFor(() => expect(Object.values(filter.values)).toMatchObject([{ of: ["Loam", "Sandy loam"], label: { en: "Loams" } }]));
    await choose("Clay");
    await choose("clay");
    await press("Merge 2 into one");
    await waitFor(() => expect(Object.values(filter.values)).toHaveLength(2));
    expect(Object.values(filter.values)[1]).toMatchObject({ label: { en: "Clay" } });
  });

  it("are renamed from above when one is chosen, which takes a name", async () => {
    show();
    await choose("Loam");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Rename" }).disabled).toBe(true);
    await userEvent.type(screen.getByLabelText("Name of the merged value"), "Garden soil");
    await press("Rename");
    await waitFor(() => expect(Object.values(filter.values)).toMatchObject([{ of: ["Loam"], label: { en: "Garden soil" } }]));
    expect(screen.queryByRole("button", { name: "Rename" })).toBeNull();
  });

  it("are hidden together, and chosen from the start one by one", async () => {
    show();
    await choose("Clay");
    await choose("clay");
    await press("Hide");
    expect(Object.values(filter.values)).toMatchObject([{ hidden: true }, { hidden: true }]);
    await userEvent.click(screen.getByRole("checkbox", { name: "Loam is chosen from the start" }));
    expect(Object.values(filter.values)[2]).toMatchObject({ of: ["Loam"], chosen: true });
  });

  it("forget the order by hand, where there is one", async () => {
    const rule = { of: ["Sandy loam"], label: {}, hidden: false, chosen: false, colour: null, picture: null, rank: "a0" };
    show(SOIL, { values: { s: rule } });
    expect(names()[0]).toBe("Sandy loam");
    await press("Forget the order by hand");
    expect(filter.values).toEqual({});
    expect(screen.queryByRole("button", { name: "Forget the order by hand" })).toBeNull();
  });

  it("are searched by their names and by what they are made of, and shown in steps", async () => {
    show(
      look(
        Array.from({ length: 60 }, (_, i) => [`Value ${i}`, 60 - i] as [string, number]),
        1234,
      ),
    );
    expect(names()).toHaveLength(25);
    expect(screen.getByText("And 1,234 values that few products have.")).toBeTruthy();
    await press("Show 35 more of 60");
    expect(names()).toHaveLength(60);
    await userEvent.type(screen.getByRole("searchbox", { name: "Search in the values" }), "value 5");
    expect(names()).toHaveLength(11);
  });
});
