import fc from "fast-check";
import type { Catalogue, Field, Product, Values } from "../catalogue/types";
import { build } from "../index/build";
import { productAt } from "../index/read";
import { defaultSettings } from "../insights/propose/defaults";
import { lookUp } from "../records";
import { SearchRequest, type SearchRequestInput } from "../search/request";
import { search } from "../search/search";
import { Settings } from "../settings/schema";
import { holdsAt, prepare, searcherAt } from "./searcher";

const plain = { unit: null, shown: true, perOption: false } as const;
const number = (key: string, role: Field["role"], perOption = false): Field => ({
  key,
  label: key,
  type: "number",
  role,
  ...plain,
  perOption,
});
const date = (key: string, role: Field["role"]): Field => ({ key, label: key, type: "date", role, ...plain, shown: false });
const TITLE: Field = { key: "title", label: "Title", type: "text", role: "title", ...plain };
const FIELDS = [TITLE, number("price", "price"), number("sale", "salePrice"), date("from", "saleFrom"), date("until", "saleUntil")];
const DATES: Field = { key: "dates", label: "Dates", type: "keyword", role: "saleDates", ...plain, shown: false };

const pot = (id: string, values: Values, options: Product["options"] = []): Product => ({
  id,
  values: { title: "Pot", ...values },
  options,
});
const shop = (products: Product[], fields: Field[] = FIELDS): Catalogue => ({ locale: "en-GB", fields, products, pages: [] });
const noon = (day: string) => Date.parse(`${day}T12:00:00Z`);
const NOON = noon("2026-11-30");

function searcherOf(catalogue: Catalogue, settings: object = {}, moment = { at: NOON, timeZone: "Europe/London" }) {
  const index = build(catalogue);
  return prepare(index, Settings.parse({ ...defaultSettings(index), ...settings }), undefined, moment);
}
const ask = (searcher: ReturnType<typeof searcherOf>, request: SearchRequestInput = {}, at = NOON) =>
  search(searcher, SearchRequest.parse({ limit: 50, ...request }), { at, visible: () => true });
const ids = (found: ReturnType<typeof ask>) => found.hits.map(({ id }) => id);

const REDUCED = shop([pot("list", { price: 7.25 }), pot("sale", { price: 9, sale: 5.15 }), pot("dear", { price: 6.5, sale: 8 })]);

describe("what a shopper pays now", () => {
  it("orders by price, fills the price filter and is told of a product", () => {
    const searcher = searcherOf(REDUCED);
    expect(ids(ask(searcher, { sort: "price-asc" }))).toEqual(["sale", "dear", "list"]);
    const found = ask(searcher, { filters: { price: { max: 6 } } });
    expect(ids(found)).toEqual(["sale"]);
    expect(found.filters.find(({ id }) => id === "price")).toMatchObject({ range: { min: 5.15, max: 7.25 } });
    expect(found.hits[0].fields).toMatchObject({ price: 5.15, ":list-price": 9 });
  });

  it("is what conditions, rules and tie-breakers mean by the price; the list price can be named beside it", () => {
    const cheap = { condition: { field: "price", between: [null, 6] }, name: "Cheap" };
    const full = { condition: { field: ":list-price", between: [8, null] }, name: "Full" };
    const ties = { t: { field: "price", direction: "asc", rank: "a" } };
    const searcher = searcherOf(REDUCED, { selections: { cheap, full }, ranking: { ties }, page: { sorts: {} } });
    expect(ids(ask(searcher, { within: "cheap" }))).toEqual(["sale"]);
    expect(ids(ask(searcher, { within: "full" }))).toEqual(["sale"]);
    expect(ids(ask(searcher))).toEqual(["sale", "dear", "list"]);
    const byDiscount = { ties: { t: { field: ":discount", direction: "desc", rank: "a" } } };
    expect(ids(ask(searcherOf(REDUCED, { ranking: byDiscount })))[0]).toBe("sale");
  });

  it("is each option's own", () => {
    const fields = FIELDS.map((field) => (field.key === "price" || field.key === "sale" ? { ...field, perOption: true } : field));
    const options: Product["options"] = [
      { id: "small", values: { price: 8, sale: 4 } },
      { id: "large", values: { price: 12 } },
    ];
    const searcher = searcherOf(shop([pot("both", {}, options), pot("one", { price: 5, sale: 3 })], fields));
    expect(productAt(searcher.index, 0).options.map(({ values }) => [values.price, values[":list-price"]])).toEqual([
      [4, 8],
      [12, 12],
    ]);
    expect(productAt(searcher.index, 1).values).toMatchObject({ price: 3, ":list-price": 5 });
    expect(ids(ask(searcher, { filters: { price: { min: 6, max: 20 } } }))).toEqual(["both"]);
  });

  it("is what was set by hand where that is so", () => {
    const products = { sale: { set: { sale: 4 } }, list: { set: { price: 3 } } };
    expect(ask(searcherOf(REDUCED, { products }), { sort: "price-asc" }).hits.map(({ fields }) => fields.price)).toEqual([3, 4, 6.5]);
  });

  it("is the list price where shoppers may not see the sale price, or the feed has none", () => {
    const secret = FIELDS.map((field) => (field.key === "sale" ? { ...field, shown: false } : field));
    expect(ids(ask(searcherOf(shop(REDUCED.products, secret)), { sort: "price-asc" }))).toEqual(["dear", "list", "sale"]);
    const index = build(shop(REDUCED.products, FIELDS.slice(0, 2)));
    expect(prepare(index, defaultSettings(index)).index).toBe(index);
  });
});

describe("a sale price with dates", () => {
  const seasonal = shop([pot("s", { price: 9, sale: 5, from: "2026-11-27", until: "2026-11-30" }), pot("l", { price: 7 })]);
  const priceAt = (searcher: ReturnType<typeof searcherOf>, at: number) =>
    ask(searcher, {}, at).hits.find(({ id }) => id === "s")?.fields.price;

  it("holds from the first day to the end of the last one, by the shop's clock, without an import", () => {
    const searcher = searcherOf(seasonal, {}, { at: NOON, timeZone: "America/New_York" });
    expect(priceAt(searcher, Date.parse("2026-11-27T04:59:59Z"))).toBe(9);
    expect(priceAt(searcher, Date.parse("2026-11-27T05:00:00Z"))).toBe(5);
    expect(priceAt(searcher, Date.parse("2026-12-01T04:59:59Z"))).toBe(5);
    expect(priceAt(searcher, Date.parse("2026-12-01T05:00:00Z"))).toBe(9);
  });

  it("says when it begins and ends as the next change", () => {
    const searcher = searcherOf(seasonal);
    expect(ask(searcher, {}, noon("2026-11-01")).nextChangeAt).toBe("2026-11-27T00:00:00.000Z");
    expect(ask(searcher, {}, NOON).nextChangeAt).toBe("2026-12-01T00:00:00.000Z");
    expect(ask(searcher, {}, noon("2026-12-02")).nextChangeAt).toBeNull();
    expect([holdsAt(searcher, NOON), holdsAt(searcher, noon("2026-12-02"))]).toEqual([true, false]);
  });

  it("may be written as an interval, with a time of day; what cannot be read limits nothing", () => {
    const spans = ["2026-11-30T08:00+01:00/2026-11-30T20:00+01:00", "2026-12-01/", "soon", "2026-11-01/2026-11-05"];
    const products = spans.map((dates, i) => pot(String(i), { price: 9, sale: 5, dates }));
    const searcher = searcherOf(shop(products, [...FIELDS.slice(0, 3), DATES]));
    const pricesAt = (at: number) => Array.from(products, (_, i) => productAt(searcherAt(searcher, at).index, i).values.price);
    expect(pricesAt(NOON)).toEqual([5, 9, 5, 9]);
    expect(pricesAt(Date.parse("2026-11-30T19:00:00Z"))).toEqual([9, 9, 5, 9]);
    expect(pricesAt(noon("2026-12-09"))).toEqual([9, 5, 5, 9]);
  });

  it("takes over all that no price has a part in", () => {
    const searcher = searcherOf(seasonal);
    const later = searcherAt(searcher, noon("2026-12-02"));
    expect(later.attributes).toBe(searcher.attributes);
    expect(searcherAt(searcher, noon("2026-12-03"))).toBe(later);
    const edited = prepare(later.base, { ...later.settings, words: {} }, later);
    expect([edited.index, edited.moment.timeZone]).toEqual([later.index, "Europe/London"]);
  });
});

/** A catalogue as it would be had the feed said what is paid at a moment: easy to believe. */
function asOf({ products, fields, ...rest }: Catalogue, at: number): Catalogue {
  const lay = (own: Values, whole: Values): Values => {
    const value = (key: string) => lookUp(own, key) ?? lookUp(whole, key);
    const [list, sale, from, until] = [value("price"), value("sale"), value("from"), value("until")];
    const begins = from === undefined ? -Infinity : Date.parse(`${from}T00:00:00Z`);
    const ends = until === undefined ? Infinity : Date.parse(`${until}T00:00:00Z`) + 86_400_000;
    const isOn = typeof sale === "number" && sale > 0 && (list === undefined || sale < Number(list)) && begins <= at && at < ends;
    const now = isOn ? sale : list;
    const kept = Object.fromEntries(Object.entries(own).filter(([key]) => !["price", "sale", "from", "until"].includes(key)));
    return now === undefined ? kept : { ...kept, price: now };
  };
  return {
    ...rest,
    fields: fields
      .filter(({ key }) => !["sale", "from", "until"].includes(key))
      .map((field) => (field.key === "price" ? { ...field, perOption: true } : field)),
    products: products.map(({ id, values, options }) =>
      options.length === 0
        ? { id, values: lay(values, values), options }
        : {
            id,
            values: Object.fromEntries(Object.entries(values).filter(([key]) => key === "title")),
            options: options.map((option) => ({ id: option.id, values: lay(option.values, values) })),
          },
    ),
  };
}

test("answers whatever is asked as if the feed had said what is paid at the moment", () => {
  const day = fc.integer({ min: 1, max: 28 }).map((n) => `2026-11-${String(n).padStart(2, "0")}`);
  const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
  const own = fc.record({ price: maybe(fc.integer({ min: 1, max: 9 })), sale: maybe(fc.integer({ min: 0, max: 9 })) });
  const product = fc.record({
    title: fc.constantFrom("Pot", "Red pot"),
    whole: own,
    from: maybe(day),
    until: maybe(day),
    options: fc.array(own, { maxLength: 3 }),
  });
  const request = fc.record({
    sort: fc.constantFrom("best", "price-asc", "price-desc"),
    filters: fc.constantFrom<NonNullable<SearchRequestInput["filters"]>>({}, { price: { max: 4 } }, { price: { min: 3, max: 6 } }),
    query: fc.constantFrom("", "red"),
  });
  const perOption = FIELDS.map((field) => (["price", "sale"].includes(field.key) ? { ...field, perOption: true } : field));
  const clean = (values: Record<string, unknown>) => JSON.parse(JSON.stringify(values)) as Values;
  fc.assert(
    fc.property(fc.array(product, { minLength: 1, maxLength: 9 }), request, day, (rows, asked, when) => {
      const products = rows.map(({ title, whole, from, until, options }, i) =>
        pot(
          `#${i}`,
          clean({ title, ...whole, from, until }),
          options.map((values, o) => ({ id: `#${i}/${o}`, values: clean(values) })),
        ),
      );
      const catalogue = shop(products, perOption);
      const at = noon(when);
      const settings = {
        ranking: { ties: { t: { field: "price", direction: "asc", rank: "a" } } },
        filters: { price: { from: [{ field: "price" }], label: { en: "Price" }, display: "slider", on: true, rank: "a" } },
      };
      const told = ({ hits, total, filters }: ReturnType<typeof ask>) => ({
        total,
        filters,
        hits: hits.map(({ id, variant, fields }) => [id, variant, fields.price]),
      });
      const now = ask(searcherOf(catalogue, settings, { at: 0, timeZone: "UTC" }), asked, at);
      const slow = ask(searcherOf(asOf(catalogue, at), settings, { at: 0, timeZone: "UTC" }), asked, at);
      expect(told(now)).toEqual(told(slow));
    }),
    { numRuns: 200, seed: 4820 },
  );
});
