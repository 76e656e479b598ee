import type { Catalogue, Field, Product } from "@core/catalogue/types";
import { SearchRequest, type SearchRequestInput } from "@core/search/request";
import { Settings } from "@core/settings/schema";
import fc from "fast-check";

/** Random small shops, settings and searches: few words, so that they meet often. */

const WORDS = [
  "rose",
  "roses",
  "lavender",
  "lavenders",
  "tulip",
  "climbing",
  "climber",
  "garden",
  "gardener",
  "pot",
  "red",
  "blue",
  "plant",
  "planter",
  "seed",
  "hedge",
  "hedges",
  "black-eyed",
  "blackeyed",
  "oak",
] as const;
const COLOURS = ["Red", "Blue", "White", "Dark rose"] as const;
const SIZES = ["9 cm", "2 litre", "5 litre"] as const;

const base = { unit: null, perOption: false, shown: true } as const;
export const FIELDS: Field[] = [
  { key: "title", label: "Title", type: "text", role: "title", ...base },
  { key: "tags", label: "Tags", type: "list", role: "tags", ...base },
  { key: "colour", label: "Colour", type: "list", role: "attribute", ...base },
  { key: "text", label: "Text", type: "text", role: "description", ...base },
  { key: "size", label: "Size", type: "keyword", role: "attribute", ...base, perOption: true },
  { key: "price", label: "Price", type: "number", role: "price", ...base, perOption: true },
  { key: "stock", label: "Stock", type: "number", role: "stock", ...base, perOption: true },
  { key: "sold", label: "Sold", type: "number", role: "sold", ...base },
];

const phrase = (least: number, most: number) =>
  fc.array(fc.constantFrom(...WORDS), { minLength: least, maxLength: most }).map((words) => words.join(" "));
const option = fc.record({ size: fc.constantFrom(...SIZES), price: fc.integer({ min: 1, max: 9 }), stock: fc.integer({ min: 0, max: 2 }) });

const product = fc.record({
  title: phrase(1, 4),
  tags: fc.array(phrase(1, 2), { maxLength: 2 }),
  colour: fc.subarray([...COLOURS]),
  text: fc.option(phrase(1, 9), { nil: undefined }),
  sold: fc.option(fc.integer({ min: 0, max: 5 }), { nil: undefined }),
  options: fc.array(option, { minLength: 1, maxLength: 3 }),
});

export const catalogues: fc.Arbitrary<Catalogue> = fc.array(product, { minLength: 1, maxLength: 14 }).map((rows) => ({
  locale: "en",
  fields: FIELDS,
  pages: [],
  products: rows.map(({ title, tags, colour, text, sold, options }, i): Product => {
    const values = {
      title,
      ...(tags.length > 0 ? { tags: [...new Set(tags)] } : {}),
      ...(colour.length > 0 ? { colour } : {}),
      ...(text === undefined ? {} : { text }),
      ...(sold === undefined ? {} : { sold }),
    };
    return options.length === 1
      ? { id: `#${i}`, values: { ...values, ...options[0] }, options: [] }
      : { id: `#${i}`, values, options: options.map((entry, o) => ({ id: `#${i}/${o}`, values: entry })) };
  }),
}));

const attribute = fc.record({
  searchable: fc.boolean(),
  weight: fc.integer({ min: 0, max: 10 }),
  early: fc.boolean(),
  length: fc.constantFrom("lot", "some", "none"),
});
const filterOf = (field: string, display: string, rank: string) => ({ from: [{ field }], label: { en: field }, display, on: true, rank });
export const ids = fc.uniqueArray(
  fc.integer({ min: 0, max: 13 }).map((i) => `#${i}`),
  { maxLength: 3 },
);

const condition = fc.oneof(
  fc.constantFrom(...COLOURS).map((is) => ({ field: "colour", is })),
  fc.constantFrom(...SIZES).map((is) => ({ field: "size", is })),
  fc.constantFrom("text", "sold").map((field) => ({ field, empty: true })),
  fc.constant({ selection: "s" }),
);
const rule = fc.oneof(
  fc.record({ does: fc.constant("strength"), condition, factor: fc.constantFrom(0.01, 0.5, 3, 100), rank: fc.constantFrom("a", "b") }),
  fc.record({ does: fc.constant("first"), condition, most: fc.constantFrom(null, 1, 2), rank: fc.constantFrom("a", "b") }),
  fc.record({ does: fc.constant("last"), condition, rank: fc.constantFrom("a", "b") }),
  fc.record({ does: fc.constant("exclude"), condition, rank: fc.constantFrom("a", "b") }),
);
const pins = fc.dictionary(
  fc.integer({ min: 0, max: 13 }).map((i) => `#${i}`),
  fc.integer({ min: 1, max: 6 }),
  { maxKeys: 3 },
);
const group = fc.record({
  place: fc.integer({ min: 1, max: 5 }),
  products: fc.uniqueArray(
    fc.integer({ min: 0, max: 15 }).map((i) => `#${i}`),
    { minLength: 1, maxLength: 4 },
  ),
});

/** All that an arrangement can do; half of them do nothing but pin. */
export const arrangement = fc.oneof(
  pins.map((own) => ({ pins: own })),
  fc.record({
    pins,
    pinGroups: fc.array(group, { maxLength: 2 }).map((groups) => Object.fromEntries(groups.map((entry, i) => [`g${i}`, entry]))),
    add: ids,
    addSelections: fc.constantFrom([], [], ["s"], ["gone"]),
    exclude: fc.oneof(fc.constant([]), ids),
    strength: fc.dictionary(
      fc.integer({ min: 0, max: 13 }).map((i) => `#${i}`),
      fc.constantFrom(0.01, 0.3, 4, 100),
      { maxKeys: 2 },
    ),
    rules: fc.array(rule, { maxLength: 3 }).map((rules) => Object.fromEntries(rules.map((entry, i) => [`r${i}`, entry]))),
    end: fc.constantFrom(null, null, 0, 1, 3, 5),
    after: fc.constantFrom("nothing", "results"),
    soldOut: fc.constantFrom("keep", "close", "last"),
  }),
);

export const settingsFor = (query: string): fc.Arbitrary<Settings> =>
  fc
    .record({
      title: attribute,
      tags: attribute,
      colour: attribute,
      text: attribute,
      size: attribute,
      policy: fc.constantFrom("off", "correct"),
      synonyms: fc.array(fc.uniqueArray(phrase(1, 2), { minLength: 2, maxLength: 3 }), { maxLength: 2 }),
      pointers: fc.array(
        fc.record({ word: fc.constantFrom(...WORDS), value: fc.constantFrom(...COLOURS), as: fc.constantFrom("filter", "prefer") }),
        { maxLength: 2 },
      ),
      ignored: fc.subarray(["garden", "plant", "pot"], { maxLength: 2 }),
      group: fc.option(fc.record({ label: fc.constantFrom("Red", "Garden"), values: fc.subarray([...COLOURS], { minLength: 1 }) }), {
        nil: null,
      }),
      tieWidth: fc.constantFrom(0, 5, 30),
      hidden: ids,
      boosted: ids,
      factor: fc.constantFrom(0.2, 1.5, 8),
      arrangement,
    })
    .map((made) =>
      Settings.parse({
        attributes: {
          title: { ...made.title, searchable: true, weight: made.title.weight + 0 || 1 },
          tags: made.tags,
          colour: made.colour,
          text: made.text,
          size: made.size,
        },
        misspelling: { policy: made.policy },
        words: {
          ...Object.fromEntries(made.synonyms.map((words, i) => [`w${i}`, { does: "synonym", words }])),
          ...Object.fromEntries(
            made.pointers.map(({ word, value, as }, i) => [
              `p${i}`,
              { does: "intent", words: [word], target: { field: "colour", value }, as },
            ]),
          ),
          ...(made.ignored.length > 0 ? { i: { does: "ignore", words: made.ignored } } : {}),
        },
        groups: made.group ? { g: { field: "colour", label: { en: made.group.label }, values: made.group.values } } : {},
        ranking: { tieWidth: made.tieWidth, ties: { t: { field: "sold", direction: "desc", rank: "a" } } },
        selections: { s: { name: "s", condition: { field: "colour", is: "Blue" } } },
        hides: made.hidden.length > 0 ? { h: { name: "h", products: made.hidden, places: ["searching"] } } : {},
        boosts: { b: { name: "b", products: made.boosted, factor: made.factor } },
        shelves: query.trim()
          ? { k: { name: "k", searches: [{ match: "is", text: query }], categories: [], rank: "a", ...made.arrangement } }
          : {},
        filters: {
          colour: filterOf("colour", "ticks", "a"),
          size: filterOf("size", "buttons", "b"),
          price: filterOf("price", "slider", "c"),
        },
        deadEnd: { ladder: ["widening", "partial"] },
      }),
    );

const misspell = (word: string) => fc.integer({ min: 0, max: word.length - 1 }).map((i) => word.slice(0, i) + word.slice(i + 1));
const queryWord = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...WORDS) },
  { weight: 2, arbitrary: fc.constantFrom(...WORDS).chain(misspell) },
  { weight: 1, arbitrary: fc.constantFrom("aquarium", "gard", "lav", "cli", "dark rose", "white", "for", "the", "violet", "lilac") },
);
export const queries = fc.array(queryWord, { maxLength: 4 }).map((words) => words.join(" ").replaceAll("-", " "));

const choices = fc.record(
  {
    colour: fc.record({ any: fc.subarray([...COLOURS, "Garden"], { minLength: 1 }) }),
    size: fc.record({ any: fc.subarray([...SIZES], { minLength: 1 }) }),
    price: fc.record({ min: fc.constantFrom(null, 2, 4), max: fc.constantFrom(null, 5, 7) }),
  },
  { requiredKeys: [] },
);

/** A shop, settings and a search that go together. */
export const cases = fc.tuple(catalogues, queries, choices).chain(([catalogue, query, filters]) =>
  settingsFor(query).map((settings) => ({
    catalogue,
    settings,
    request: SearchRequest.parse({ query, filters, limit: 250 } satisfies SearchRequestInput),
  })),
);
