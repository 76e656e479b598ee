/** @jest-environment jsdom */
import type { Field } from "@contract/fields";
import { Attribute } from "@core/settings/schema";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { AttributeRow } from "./AttributeRow";

const field = (more: object = {}) =>
  ({
    key: "title",
    label: "Title",
    type: "text",
    role: "title",
    shown: true,
    samples: ["Rose", "Tulip", "Hyacinth"],
    coverage: 1,
    distinct: 420,
    averageLength: 4,
    ...more,
  }) as unknown as Field;
const attribute = (more: object = {}) => Attribute.parse({ searchable: true, weight: 4, ...more });
const impact = (answered: number, alone: number, clicked: number) => ({ answered, alone, clicked });

type RowProps = Parameters<typeof AttributeRow>[0];

function Row(of: Partial<RowProps>) {
  const [open, setOpen] = useState<string | null>(null);
  const same = { field: field(), attribute: attribute(), live: attribute(), impact: null, onChange: () => undefined };
  return <AttributeRow {...same} isOpen={open === "title"} onOpen={setOpen} {...of} />;
}

function show(of: Partial<RowProps> = {}) {
  const onChange = jest.fn();
  const { container } = render(<Row onChange={onChange} {...of} />);
  return { onChange, text: container.textContent ?? "" };
}
const weight = () => screen.getByLabelText<HTMLInputElement>("Weight of Title, as a number");

describe("a searchable attribute", () => {
  it.each([
    [{ coverage: 0 }, "Empty for every product."],
    [{}, "Filled for every product, 420 different values, such as Rose, Tulip"],
    [{ coverage: 0.42, distinct: 1 }, "Filled for 42 % of the products, always the same value, such as Rose, Tulip"],
    [{ role: "description", averageLength: 60 }, "Filled for every product."],
  ])("says what the field holds: %j", (more, said) => {
    expect(show({ field: field(more) }).text).toContain(said);
  });

  it.each([
    [impact(0, 0, 0), "Helped find results in none of last week's searches."],
    [impact(123, 0, 0), "Helped find results in 123 of last week's searches."],
    [
      impact(1230, 25, 1),
      "Helped find results in 1,230 of last week's searches; 25 found only through this field, 1 of those was clicked.",
    ],
    [impact(123, 25, 0), "25 found only through this field, none of those were clicked."],
  ])("says what it did for shoppers: %j", (effect, said) => {
    expect(show({ impact: effect }).text).toContain(said);
  });

  it.each([
    [{ shown: false }, {}, "Shoppers never see this field"],
    [{ type: "number", samples: ["40"] }, {}, "A bare number: shoppers search “40 cm”, not “40”."],
    [{ averageLength: 200 }, { weight: 5 }, "So long that it can drown the title."],
  ])("warns of what goes wrong in most shops: %j", (more, set, said) => {
    expect(show({ field: field(more), attribute: attribute(set) }).text).toContain(said);
  });

  it("warns of nothing while it is not searched in", () => {
    expect(show({ field: field({ shown: false }), attribute: attribute({ searchable: false }) }).text).not.toContain("Shoppers never");
  });

  it.each([
    ["6,5{Enter}", 6.5, "6.5"],
    ["99{Enter}", 10, "10"],
    ["-3{Enter}", 0, "0"],
    ["much{Enter}", null, "4"],
    ["4{Enter}", null, "4"],
    ["7{Escape}", null, "4"],
  ])("has its weight typed: %s", async (typed, taken, left) => {
    const { onChange } = show();
    await userEvent.clear(weight());
    await userEvent.type(weight(), typed);
    expect(onChange.mock.calls).toEqual(taken === null ? [] : [["title", { weight: taken }]]);
    expect(weight().value).toBe(left);
    const said = { 10: "10 is the most", 0: "0 is the least" }[taken ?? Number.NaN];
    expect(screen.queryByRole("status")?.textContent).toBe(said);
  });

  it("is switched off, and has no weight then", async () => {
    const { onChange } = show({ attribute: attribute({ searchable: false }) });
    expect(screen.queryByLabelText("Weight of Title, as a number")).toBeNull();
    await userEvent.click(screen.getByRole("checkbox", { name: "Search in Title" }));
    expect(onChange).toHaveBeenCalledWith("title", { searchable: true });
  });

  it("goes back to what is live by a press on the mark of a change", async () => {
    const live = attribute({ weight: 8 });
    const { onChange } = show({ live });
    await userEvent.click(screen.getByRole("button", { name: "Reset Title to what is live" }));
    expect(onChange).toHaveBeenCalledWith("title", live);
  });

  it("has more to say of it when it is opened", async () => {
    const { onChange } = show();
    await userEvent.click(screen.getByRole("button", { name: "More about Title" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "In Title, words near the start count more" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Title: only the whole value" }));
    await userEvent.click(screen.getByRole("radio", { name: "a lot" }));
    expect(onChange.mock.calls.map(([, part]) => part)).toEqual([{ early: true }, { whole: true }, { length: "lot" }]);
    expect(screen.getByText(/“Rose”, “Tulip”, “Hyacinth”/)).toBeTruthy();
  });
});
