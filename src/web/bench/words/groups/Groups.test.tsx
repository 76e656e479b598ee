/** @jest-environment jsdom */

import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { showInBench } from "@tests/support/bench";
import { useWindow } from "../../state/window";
import Groups from "./Groups";

const FIELDS = [
  {
    key: "colour",
    label: "Flower colour",
    proposals: [
      { label: "Red", colour: "#c22", values: ["Crimson", "Claret"], products: 40 },
      { label: "Blue", colour: "#22c", values: ["Azure"], products: 9 },
    ],
  },
  { key: "finish", label: "Finish", proposals: [] },
];
const VALUES = [
  { value: "Crimson", products: 30 },
  { value: "Claret", products: 10 },
  { value: "Azure", products: 9 },
  { value: "Lime", products: 2 },
];
const group = (field: string, label: string, values: string[], more: object = {}) => ({
  field,
  label: { en: label },
  colour: null,
  values,
  on: true,
  ...more,
});

const show = (groups: object = {}, fields: object[] = FIELDS) =>
  showInBench(<Groups />, {
    settings: { groups },
    serve(path) {
      if (path.includes("/groups/proposals")) return fields;
      return path.includes("/values") ? { total: VALUES.length, values: VALUES } : undefined;
    },
  });
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));

describe("groups of values", () => {
  it("say what to import where no field has values to group", async () => {
    show({}, []);
    await screen.findByText(/^No field has values/);
  });

  it("begin with the field for which something is proposed", async () => {
    show();
    await screen.findByText("Flower colour has no groups yet.");
    expect(screen.getByText("Crimson, Claret")).toBeTruthy();
  });

  it("are made as proposed, one or all, each under an id of its own", async () => {
    const { sent } = show({ "colour-red": group("finish", "Red", []) });
    (await screen.findByRole("combobox", { name: "Field" })).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.click(await screen.findByRole("option", { name: "Flower colour" }));
    await press(/^Make all 2/);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0].map(({ path }) => path)).toEqual(["/groups/colour-red-2", "/groups/colour-blue"]);
    expect(sent[0][0]).toMatchObject({
      value: { field: "colour", label: { en: "Red" }, colour: "#c22", values: ["Crimson", "Claret"], on: true },
    });
  });

  it("are made by name, and the name stays when the group is refused", async () => {
    const { sent, answer } = show();
    const name = await screen.findByLabelText<HTMLInputElement>("Name of a new group");
    answer.isTaken = false;
    await userEvent.type(name, "Green{Enter}");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(name.value).toBe("Green");
    answer.isTaken = true;
    await press("Make the group");
    await waitFor(() => expect(name.value).toBe(""));
    expect(sent[1]).toMatchObject([{ path: "/groups/colour-green", value: { values: [], colour: null } }]);
  });

  it("say their values and how many products they hold; what is in none is listed", async () => {
    show({ r: group("colour", "Red", ["Crimson", "Claret"]) });
    await screen.findByText("40 products", { selector: "li span" });
    await screen.findByRole("heading", { name: "Ungrouped" });
    expect(screen.getByRole("button", { name: /^Azure 9/ })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: /^Lime 2/ }));
    expect(useWindow.getState().address.query).toBe("Lime");
  });

  it("are opened: values put in and out, found by a part of their name", async () => {
    const { sent } = show({ r: group("colour", "Red", ["Crimson", "Gone red"]) });
    await screen.findByRole("heading", { name: "Ungrouped" });
    await press("Change the group Red");
    const inside = screen.getByRole("list", { name: "Values in Red" });
    expect(
      within(inside)
        .getAllByRole("listitem")
        .map((item) => item.textContent),
    ).toEqual(["Crimson30", "Gone redgone"]);
    await press("Remove Gone red from Red");
    await userEvent.type(screen.getByLabelText("Find a value to put in"), "CLA");
    expect(screen.queryByRole("button", { name: "Add Azure to Red" })).toBeNull();
    await press("Add Claret to Red");
    expect(sent).toEqual([
      [{ op: "replace", path: "/groups/r/values", value: ["Crimson"] }],
      [{ op: "replace", path: "/groups/r/values", value: ["Crimson", "Gone red", "Claret"] }],
    ]);
  });

  it("are renamed in the language they are written in, switched and removed", async () => {
    const { sent } = show({ r: group("colour", "Red", ["Crimson"]) });
    await screen.findByRole("heading", { name: "Ungrouped" });
    await press("Change the group Red");
    await userEvent.clear(screen.getByLabelText("Name of the group"));
    await userEvent.type(screen.getByLabelText("Name of the group"), "Reds{Tab}");
    await userEvent.click(screen.getByRole("switch", { name: "Red: on" }));
    await press("Remove the group Red");
    expect(sent).toEqual([
      [{ op: "replace", path: "/groups/r/label", value: { en: "Reds" } }],
      [{ op: "replace", path: "/groups/r/on", value: false }],
      [{ op: "remove", path: "/groups/r" }],
    ]);
  });
});

beforeAll(() => {
  Object.assign(Element.prototype, { hasPointerCapture: () => false, scrollIntoView: () => undefined });
});
