import { find, gardenSearcher, idsOf } from "@tests/core/garden";
import type { SearchRequestInput } from "../../search/request";
import type { SettingsInput } from "../../settings/schema";

const garden = (settings: SettingsInput = {}) => gardenSearcher(settings);
const ask = (query: string, more: SearchRequestInput = {}, settings: SettingsInput = {}) => find(garden(settings), { query, ...more });
const read = (query: string) => ask(query).query.read?.map(({ text, min, max }) => [text, min, max]) ?? [];
const priceOf = (found: ReturnType<typeof ask>) => found.hits.map(({ fields }) => Number(fields.price));

describe("words that say how much something may cost", () => {
  test.each([
    ["lavender under £7", "under £7", null, 7],
    ["lavender under 7 pounds", "under 7 pounds", null, 7],
    ["lavender up to 6.50 £", "up to 6.50 £", null, 6.5],
    ["lavender less than £7", "less than £7", null, 7],
    ["lavender not more than 7 quid", "not more than 7 quid", null, 7],
    ["lavender over £4", "over £4", 4, null],
    ["lavender more than £4", "more than £4", 4, null],
    ["lavender between 3 and 7 pounds", "between 3 and 7 pounds", 3, 7],
    ["lavender £3-£7", "£3-£7", 3, 7],
    ["lavender £7 to £3", "£7 to £3", 3, 7],
    ["lavender under 7", "under 7", null, 7],
  ])("%s", (query, text, min, max) => {
    expect(read(query)).toEqual([[text, min, max]]);
    const found = ask(query);
    expect(found.outcome).toBe("results");
    for (const price of priceOf(found)) expect(price >= (min ?? 0) && price <= (max ?? 1e9)).toBe(true);
    // The words themselves are searched no more.
    expect(found.hits[0].answers).toEqual(["lavender"]);
  });

  test.each(["lavender under 60 cm", "lavender 9cm", "under the wall", "lavender 2 litre", "from lavender"])(
    "%s says nothing of it",
    (query) => {
      expect(read(query)).toEqual([]);
    },
  );

  test("what is cheap is the lower third of what is found without it", () => {
    const all = ask("lavender");
    const cheap = ask("cheap lavender");
    const [limit] = cheap.query.read ?? [];
    expect(limit).toMatchObject({ text: "cheap", min: null });
    expect(cheap.total).toBeGreaterThan(0);
    expect(cheap.total).toBeLessThan(all.total);
    expect(Math.max(...priceOf(cheap))).toBe(limit.max);
  });

  test("a limit can be taken away, gives way to a filter of the price, and is put back among the words where nothing is left", () => {
    const [limit] = ask("lavender under £5").query.read ?? [];
    const without = ask("lavender under £5", { ignore: [limit.id] });
    expect(without.query.read).toBeUndefined();
    expect(idsOf(without)).toEqual(idsOf(ask("lavender")));
    const filters = { price: { from: [{ field: "price" }], label: {}, display: "slider" as const, rank: "a" } };
    const chosen = ask("lavender under £5", { filters: { price: { min: 6, max: null } } }, { filters });
    expect(chosen.query.read).toBeUndefined();
    expect(Math.min(...priceOf(chosen))).toBeGreaterThanOrEqual(6);
    expect(ask("lavender under £0.01").query.read).toBeUndefined();
  });

  test("is in the price that shoppers see, with the tax or without", () => {
    const taxed = ask("lavender under £12", {}, { page: { prices: { feed: "without", shown: "with", rate: 100 } } });
    expect(Math.max(...priceOf(taxed))).toBeLessThanOrEqual(6.01);
  });

  test("says why a product is not there", () => {
    const dear = ask("lavender over £4").hits.at(-1)?.id ?? "";
    expect(ask("lavender under £4", { why: [dear] }).why[dear]).toEqual({ reason: "no-answer", unit: "under £4" });
  });
});
