import { find, gardenCatalogue, gardenSearcher, idsOf } from "@tests/core/garden";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import type { FilterAnswer } from "../search/request";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import { Settings } from "../settings/schema";

const filter = (key: string, display: string, more: object = {}) => ({
  from: [{ field: key }],
  label: {},
  display,
  on: true,
  rank: key,
  ...more,
});
const FILTERS = {
  "flower-colour": filter("flower-colour", "swatches"),
  brand: filter("brand", "ticks"),
  price: filter("price", "histogram"),
  pot: filter("pot", "buttons", { order: "natural" }),
};
const GROUPS = {
  red: { field: "flower-colour", label: { en: "Red" }, colour: "#b3202c", values: ["Claret", "Crimson"] },
  cool: { field: "flower-colour", label: { en: "Cool" }, values: ["Purple", "Blue"] },
};
const garden = (more: object = {}) => gardenSearcher(Settings.partial().parse({ filters: FILTERS, ...more }) as never);
const valuesOf = (filters: FilterAnswer[], id: string) => {
  const found = filters.find((entry) => entry.id === id);
  return found && "values" in found ? Object.fromEntries(found.values.map(({ value, count }) => [value, count])) : null;
};

describe("value groups in a filter", () => {
  test("are in place of the values in them; a product counts once for a group", () => {
    const { filters } = find(garden({ groups: GROUPS }), "");
    expect(valuesOf(filters, "flower-colour")).toEqual({ Cool: 3, Red: 1, White: 1, Yellow: 1 });
    const shown = filters.find(({ id }) => id === "flower-colour");
    expect(shown && "values" in shown ? shown.values.find(({ value }) => value === "Red") : null).toMatchObject({
      label: "Red",
      colour: "#b3202c",
    });
  });

  test("can be asked for by their name or by a value in them, so that shared addresses outlive the making of a group", () => {
    const asked = (any: string[]) => idsOf(find(garden({ groups: GROUPS }), { filters: { "flower-colour": { any } } })).sort();
    expect(asked(["Red"])).toEqual(["P4"]);
    expect(asked(["Claret"])).toEqual(["P4"]);
    expect(asked(["Purple"])).toEqual(["P1", "P2", "P3"]);
    expect(find(garden({ groups: GROUPS }), { filters: { "flower-colour": { any: ["Puce"] } } }).ignored).toEqual(["flower-colour: Puce"]);
  });

  test("one that is off leaves its values as they are", () => {
    const off = { red: { ...GROUPS.red, on: false } };
    expect(valuesOf(find(garden({ groups: off }), "").filters, "flower-colour")).toMatchObject({ Claret: 1, Purple: 3 });
  });
});

describe("counts over most of a catalogue", () => {
  /** Three quarters of the products are in one department, so that what is left out is counted instead. */
  const catalogue = gardenCatalogue();
  const products = Array.from({ length: 240 }, (_, i) => ({
    id: `N${i}`,
    values: {
      title: `thing ${i}`,
      category: [i % 4 === 0 ? ["Tools"] : ["Plants"]],
      brand: ["Quillmoor", "Fernbank", "Hartsedge"][i % 3],
      "flower-colour": i % 5 === 0 ? [] : [["Red", "White"][i % 2]],
      height: (i % 30) + 1,
      sold: i,
    },
    options: [],
  }));
  const index = build({ ...catalogue, products });
  const searcher = prepare(
    index,
    Settings.parse({
      ...defaultSettings(index),
      filters: { brand: FILTERS.brand, "flower-colour": FILTERS["flower-colour"], height: filter("height", "histogram") },
    }),
  );
  const ask = (category: string[] | null, filters: object = {}) =>
    search(searcher, SearchRequest.parse({ category, filters, limit: 250 }), { at: 0, visible: () => true });

  test.each([
    ["everything", null, {}],
    ["most of it", ["Plants"], {}],
    ["little of it", ["Tools"], {}],
    ["most of it, narrowed", ["Plants"], { brand: { any: ["Quillmoor"] } }],
    ["everything, narrowed twice", null, { brand: { any: ["Quillmoor", "Fernbank"] }, height: { min: 4, max: 20 } }],
  ] as const)("equal what choosing each value alone finds: %s", (_name, category, chosen) => {
    const path = category ? [...category] : null;
    const { filters } = ask(path, chosen);
    expect(filters.length).toBeGreaterThan(1);
    for (const entry of filters) {
      if ("values" in entry) {
        for (const { value, count } of entry.values) expect(ask(path, { ...chosen, [entry.id]: { any: [value] } }).total).toBe(count);
      } else {
        const rest = ask(path, { ...chosen, [entry.id]: { min: entry.range.min, max: entry.range.max } });
        expect(entry.bars.reduce((sum, bar) => sum + bar.count, 0)).toBe(rest.total);
      }
    }
  });
});
