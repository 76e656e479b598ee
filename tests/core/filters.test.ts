import { keysOf, numberOf } from "@core/catalogue/text-of";
import type { Catalogue, Field, Product } from "@core/catalogue/types";
import { readInterval } from "@core/filters/intervals";
import { build } from "@core/index/build";
import { optionValue } from "@core/index/columns";
import { prepare } from "@core/prepare/searcher";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import type { Filter, FilterSource } from "@core/settings/filter";
import { valueOfRule } from "@core/settings/read-filter";
import { Settings } from "@core/settings/schema";
import fc from "fast-check";
import { catalogues, FIELDS } from "./arbitrary";
import { AT } from "./garden";

/**
 * Filters of every kind against a definition that runs over every option of every product: several sources, tag prefixes, chosen
 * values, selections, availability, groups, values changed by hand, steps, and any combination of choices.
 */

const runs = { numRuns: Number(process.env.RUNS ?? 300), seed: Number(process.env.SEED ?? 4820) };
const COLOURS = ["Red", "Blue", "White", "Dark rose"];
const SIZES = ["9 cm", "2 litre", "5 litre"];

const source: fc.Arbitrary<object> = fc.oneof(
  fc.constant({ field: "colour" }),
  fc.constant({ field: "size" }),
  fc.constant({ field: "tags" }),
  fc.constant({ field: "tags", prefix: "ro" }),
  fc.constant({ field: ":availability" }),
  fc.constant({ selection: "s" }),
  fc.record({ field: fc.constant("colour"), only: fc.subarray(COLOURS) }),
  fc.record({ field: fc.constant("size"), without: fc.subarray(SIZES) }),
);

const rule = fc.record({
  of: fc.subarray([...COLOURS, ...SIZES, "Warm"], { minLength: 1, maxLength: 3 }),
  label: fc.constantFrom({}, { en: "Own name" }),
  hidden: fc.boolean(),
});
const merging = rule.map((made) => (made.of.length > 1 ? { ...made, label: { en: "Own name" } } : made));

const keyFilter = fc.record({
  from: fc.array(source, { minLength: 1, maxLength: 3 }),
  values: fc.oneof(
    fc.constant({}),
    merging.map((made) => ({ r: made })),
  ),
  display: fc.constantFrom("ticks", "list", "choose"),
  shown: fc.record({ empty: fc.constantFrom("hidden", "grey") }),
});
const numberFilter = fc.record({
  from: fc.constant([{ field: "price" }]),
  display: fc.constantFrom("ticks", "steps", "histogram"),
  numbers: fc.oneof(fc.constant({}), fc.record({ edges: fc.constantFrom([3], [2, 5, 7]) })),
});

const shops = fc
  .record({
    catalogue: catalogues,
    key: keyFilter,
    other: keyFilter,
    price: numberFilter,
    group: fc.option(fc.subarray(COLOURS, { minLength: 1 }), { nil: null }),
    tag: fc.constantFrom("rose", "garden", "red pot"),
  })
  .map(({ catalogue, key, other, price, group, tag }) => ({
    catalogue,
    settings: Settings.parse({
      attributes: { title: { searchable: true, weight: 1 } },
      selections: { s: { name: "Chosen", condition: { field: "tags", contains: tag } } },
      groups: group ? { g: { field: "colour", label: { en: "Warm" }, values: group } } : {},
      filters: {
        key: { ...key, label: {}, rank: "a" },
        other: { ...other, label: {}, rank: "b" },
        price: { ...price, label: {}, rank: "c" },
      },
    }),
  }));

const ask = (catalogue: Catalogue, settings: Settings) => {
  const searcher = prepare(build(catalogue), settings);
  return (filters: SearchRequest["filters"]) =>
    search(searcher, SearchRequest.parse({ placement: "category", filters, limit: 0 }), { at: AT, visible: () => true });
};

const fieldOf = (key: string): Field => FIELDS.find((field) => field.key === key) ?? FIELDS[0];
const optionsOf = (product: Product) => (product.options.length === 0 ? [0] : product.options.map((_, option) => option));

/** The names that a source gives an option. */
function namesFrom(from: FilterSource, product: Product, option: number, settings: Settings): string[] {
  if ("selection" in from) {
    const { condition, name } = settings.selections[from.selection];
    const text = "contains" in condition ? (condition.contains ?? "") : "";
    return keysOf(fieldOf("tags"), product.values.tags).some((tag) => tag.toLowerCase().includes(text)) ? [name] : [];
  }
  if (from.field === ":availability")
    return [numberOf(fieldOf("stock"), optionValue(fieldOf("stock"), product, option)) > 0 ? "In stock" : "Sold out"];
  const { prefix = "", only, without } = from;
  return keysOf(fieldOf(from.field), optionValue(fieldOf(from.field), product, option))
    .filter((value) => value.startsWith(prefix) && value.length > prefix.length)
    .map((value) =>
      prefix
        ? value
            .slice(prefix.length)
            .trim()
            .replace(/^./u, (first) => first.toUpperCase())
        : value,
    )
    .filter((value) => (!only || only.includes(value)) && !without?.includes(value));
}

/** What an option is offered under in a filter, hidden names too. */
function offeredAs(filter: Filter, product: Product, option: number, settings: Settings): string[] {
  const names = filter.from.flatMap((from) => namesFrom(from, product, option, settings));
  const groups = Object.values(settings.groups).filter(({ field }) => filter.from.some((from) => "field" in from && from.field === field));
  const grouped = names.map((name) => groups.find(({ values }) => [...values, "Warm"].includes(name))?.label.en ?? name);
  const rules = Object.entries(filter.values);
  const groupOf = (name: string) => groups.find(({ values }) => [...values, "Warm"].includes(name))?.label.en ?? name;
  return grouped.map((name) => {
    const found = rules.find(([, { of, label }]) => [...of, ...(of.length > 1 ? Object.values(label) : [])].map(groupOf).includes(name));
    if (!found) return name;
    const [id, made] = found;
    return made.of.length === 1 ? groupOf(made.of[0]) : valueOfRule(id, made, "en");
  });
}

const isHidden = (filter: Filter, name: string, group: (name: string) => string) =>
  Object.entries(filter.values).some(
    ([id, made]) => made.hidden && name === (made.of.length === 1 ? group(made.of[0]) : valueOfRule(id, made, "en")),
  );

function meets(id: string, choice: SearchRequest["filters"][string], product: Product, option: number, settings: Settings): boolean {
  const filter = settings.filters[id];
  if (id === "price") {
    const number = numberOf(fieldOf("price"), optionValue(fieldOf("price"), product, option));
    if (!("any" in choice)) return number >= (choice.min ?? -Infinity) && number <= (choice.max ?? Infinity);
    return choice.any.some((name) => {
      const interval = readInterval(name);
      return interval !== null && number >= (interval.from ?? -Infinity) && number < (interval.to ?? Infinity);
    });
  }
  return "any" in choice && offeredAs(filter, product, option, settings).some((name) => choice.any.includes(name));
}

const meeting = ({ products }: Catalogue, filters: SearchRequest["filters"], settings: Settings) =>
  products.filter((product) =>
    optionsOf(product).some((option) => Object.entries(filters).every(([id, choice]) => meets(id, choice, product, option, settings))),
  ).length;

describe("filters of every kind", () => {
  test("count what the definition counts, whatever is chosen, and as choosing the value alone does", () => {
    fc.assert(
      fc.property(shops, fc.infiniteStream(fc.nat()), ({ catalogue, settings }, picks) => {
        const asked = ask(catalogue, settings);
        const pick = <T>(list: readonly T[]): T | undefined => list[Number(picks.next().value) % Math.max(list.length, 1)];
        const groupOf = (id: string) => (name: string) =>
          Object.values(settings.groups).find(
            ({ field, values }) =>
              settings.filters[id].from.some((from) => "field" in from && from.field === field) && [...values, "Warm"].includes(name),
          )?.label.en ?? name;
        // A choice of one or two values in each filter that offers some.
        const chosen: SearchRequest["filters"] = {};
        for (const filter of asked({}).filters) {
          if (Number(picks.next().value) % 3 === 0) continue;
          if ("bars" in filter) chosen[filter.id] = { min: pick(filter.bars)?.from ?? null, max: null };
          else {
            const values = [pick(filter.values)?.value, pick(filter.values)?.value].filter((value) => value !== undefined);
            if (values.length > 0) chosen[filter.id] = { any: [...new Set(values)] };
          }
        }
        const found = asked(chosen);
        expect(found.ignored).toEqual([]);
        expect(found.total).toBe(meeting(catalogue, chosen, settings));
        for (const filter of found.filters) {
          if ("bars" in filter) {
            filter.bars.forEach((bar, i) => {
              const rest = { ...chosen };
              delete rest[filter.id];
              const isLast = i === filter.bars.length - 1;
              const inBar = (product: Product, option: number) => {
                const number = numberOf(fieldOf("price"), optionValue(fieldOf("price"), product, option));
                return (i === 0 || number >= bar.from) && (isLast || number < bar.to);
              };
              const count = catalogue.products.filter((product) =>
                optionsOf(product).some(
                  (option) =>
                    inBar(product, option) && Object.entries(rest).every(([id, choice]) => meets(id, choice, product, option, settings)),
                ),
              ).length;
              expect(bar.count).toBe(count);
            });
            continue;
          }
          for (const { value, count } of filter.values) {
            const alone = { ...chosen, [filter.id]: { any: [value] } };
            expect(count).toBe(meeting(catalogue, alone, settings));
            expect(asked(alone).total).toBe(count);
            if (filter.id !== "price") expect(isHidden(settings.filters[filter.id], value, groupOf(filter.id))).toBe(false);
          }
        }
      }),
      runs,
    );
  });

  test("stand or go by the base set alone: a choice elsewhere takes none away", () => {
    fc.assert(
      fc.property(shops, fc.nat(), ({ catalogue, settings }, n) => {
        const asked = ask(catalogue, settings);
        const all = asked({}).filters;
        const [first] = all;
        if (!first || "bars" in first || first.values.length === 0) return;
        const after = asked({ [first.id]: { any: [first.values[n % first.values.length].value] } }).filters.map(({ id }) => id);
        expect(after).toEqual(all.map(({ id }) => id));
      }),
      runs,
    );
  });
});
