import { field, find, gardenCatalogue, gardenSearcher, idsOf } from "@tests/core/garden";
import type { Field } from "../catalogue/types";
import { build } from "../index/build";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { Settings, type SettingsInput } from "../settings/schema";

/** Flower colours are a filter and nothing of them is searched; no text of the garden says "purple" or "red". */
const garden = (more: SettingsInput = {}) => {
  const { settings } = gardenSearcher();
  return gardenSearcher({
    attributes: { ...settings.attributes, "flower-colour": { searchable: false, weight: 1 } },
    filters: { "flower-colour": { from: [{ field: "flower-colour" }], label: {}, display: "swatches", rank: "a" } },
    deadEnd: { ladder: [] },
    ...more,
  });
};
const RED = { red: { field: "flower-colour", label: { en: "Red" }, values: ["Claret", "Crimson"] } };
const stepsOf = (found: ReturnType<typeof find>, kind: string) => found.query.steps.filter((step) => step.kind === kind);

describe("a word that names a value of a filter", () => {
  test("is answered by the products that have it, though the field is not searched", () => {
    expect(idsOf(find(garden(), "purple")).sort()).toEqual(["P1", "P2", "P3"]);
    expect(idsOf(find(garden(), "purple seed"))).toEqual(["P3"]);
  });

  test("is a word like any other where no filter shows the value", () => {
    expect(find(garden({ filters: {} }), "purple").outcome).toBe("dead-end");
  });

  test("counts at full quality in the account, as a value", () => {
    const [hit] = find(garden(), { query: "purple", explain: true }).hits;
    expect(hit.explain?.parts).toEqual([expect.objectContaining({ field: "flower-colour", via: "value", matched: "Purple" })]);
  });
});

describe("a word that names a group of values", () => {
  test("finds what has any of them, and says which", () => {
    const found = find(garden({ groups: RED }), "red rose");
    expect(idsOf(found)).toEqual(["P4"]);
    expect(stepsOf(found, "group")).toEqual([{ kind: "group", from: "red", to: "Claret", rule: "red" }]);
  });

  test("finds nothing more once the group is off", () => {
    const off = find(garden({ groups: { red: { ...RED.red, on: false } } }), "red rose");
    expect(stepsOf(off, "group")).toEqual([]);
  });

  test("of several words counts as a whole, the longest name first", () => {
    const wine = { wine: { field: "flower-colour", label: { en: "Deep wine" }, values: ["Claret"] } };
    const found = find(garden({ groups: { ...RED, ...wine } }), "deep wine rose");
    expect(idsOf(found)).toEqual(["P4"]);
    expect(stepsOf(found, "group").map(({ from }) => from)).toEqual(["deep wine"]);
  });
});

describe("a value with the label of its field beside it", () => {
  const index = build({
    locale: "en",
    fields: [field("title", "text", "title"), field("sowing", "list"), field("harvest", "list")],
    products: [
      { id: "chard", values: { title: "Chard seeds to sow", sowing: ["April"], harvest: ["March"] }, options: [] },
      { id: "onion", values: { title: "Onion seeds", sowing: ["March"], harvest: ["August"] }, options: [] },
    ],
    pages: [],
  });
  const shop = prepare(index, defaultSettings(index));
  test("is of that field alone, small words between them or not", () => {
    for (const query of ["seeds to sow in march", "march sowing seeds", "seeds sow march"])
      expect(idsOf(find(shop, query))[0]).toBe("onion");
    expect(find(shop, "seeds to sow in march").query.fullMatches).toBe(1);
    expect(idsOf(find(shop, "harvest in march"))[0]).toBe("chard");
    // Without one it is a word like any other.
    expect(idsOf(find(shop, "march seeds")).sort()).toEqual(["chard", "onion"]);
  });
});

describe("a colour that the shop does not have", () => {
  /** The same garden, its flower colours known to be colours. */
  const colours = (words: SettingsInput["words"] = {}) => {
    const catalogue = gardenCatalogue();
    const fields = catalogue.fields.map((field) => (field.key === "flower-colour" ? { ...field, type: "colour" as const } : field));
    const { settings } = garden({ words });
    return prepare(build({ ...catalogue, fields }), settings);
  };

  test("leads to the nearest one that it has, at a lower quality, and says so", () => {
    const found = find(colours(), { query: "indigo lavender", explain: true });
    const [step] = stepsOf(found, "colour");
    expect(step).toMatchObject({ from: "indigo" });
    expect(["Blue", "Purple"]).toContain(step.to);
    expect(found.total).toBeGreaterThan(0);
    expect(found.hits[0].explain?.parts.some(({ via, matched }) => via === "value" && matched === step.to)).toBe(true);
  });

  test.each([
    ["navy", ["Black", "Blue", "Sage", "Red"], "Blue"],
    ["maroon", ["Black", "Blue", "Sage", "Red"], "Red"],
    ["turquoise", ["Sage", "Blue", "Black"], "Blue"],
    ["mustard", ["White", "Yellow", "Olive"], "Yellow"],
    ["charcoal", ["Navy", "Black", "White"], "Black"],
    ["ivory", ["White", "Yellow", "Grey"], "White"],
    ["fuchsia", ["Purple", "Pink", "Red", "Black"], "Pink"],
  ])("%s among %j is %s", (wanted, names, nearest) => {
    const field: Field = { key: "tones", label: "Tones", type: "colour", role: "attribute", unit: null, perOption: false, shown: true };
    const catalogue = gardenCatalogue();
    const products = catalogue.products.map((product, i) => ({
      ...product,
      values: { ...product.values, title: "Pot", tones: names[i % names.length] },
    }));
    const index = build({ ...catalogue, fields: [...catalogue.fields, field], products });
    const filters = { tones: { from: [{ field: "tones" }], label: {}, display: "swatches", rank: "a" } };
    const found = find(prepare(index, Settings.parse({ ...defaultSettings(index), filters })), `${wanted} pot`);
    expect(stepsOf(found, "colour").map(({ to }) => to)).toEqual([nearest]);
    expect(found.total).toBeGreaterThan(0);
  });
  test("is found in a list of several colours of a product too, not in a list of other things", () => {
    const found = find(garden(), "indigo lavender");
    expect(stepsOf(found, "colour").map(({ from }) => from)).toEqual(["indigo"]);
    expect(found.total).toBeGreaterThan(0);
    // What is a thing as well is one where nobody said that the values are colours.
    expect(stepsOf(find(garden(), "aubergine seeds"), "colour")).toEqual([]);
    const filters = { tags: { from: [{ field: "category" }], label: {}, display: "ticks", rank: "a" } } as SettingsInput["filters"];
    expect(stepsOf(find(garden({ filters }), "indigo lavender"), "colour")).toEqual([]);
  });
  test("of another language is one where it is no slip for what something is called", () => {
    const index = build({
      locale: "de",
      fields: [field("titel", "text", "title"), field("farbe", "colour")],
      products: [
        { id: "a", values: { titel: "Lavendel im Topf", farbe: "Lila" }, options: [] },
        { id: "b", values: { titel: "Rose im Topf", farbe: "Rosa" }, options: [] },
      ],
      pages: [],
    });
    const filters = { farbe: { from: [{ field: "farbe" }], label: {}, display: "swatches", rank: "a" } } as const;
    const german = prepare(index, Settings.parse({ ...defaultSettings(index), filters }));
    expect(idsOf(find(german, "lavender topf"))[0]).toBe("a");
    expect(stepsOf(find(german, "lavender topf"), "colour")).toEqual([]);
    expect(stepsOf(find(german, "pink topf"), "colour").map(({ to }) => to)).toEqual(["Rosa"]);
  });
  test("is none where the word alone names a thing", () => {
    expect(stepsOf(find(colours(), "plum"), "colour")).toEqual([]);
    expect(stepsOf(find(colours(), "plum lavender"), "colour")).toHaveLength(1);
  });
  test("is left alone where it is never changed, and where it is no colour", () => {
    const literal = colours({ w: { does: "literal", words: ["indigo"] } });
    expect(stepsOf(find(literal, "indigo lavender"), "colour")).toEqual([]);
    expect(stepsOf(find(colours(), "wheelbarrow lavender"), "colour")).toEqual([]);
  });
});
