import { build } from "@core/index/build";
import { defaultSettings } from "@core/insights/propose/defaults";
import { prepare } from "@core/prepare/searcher";
import { findsSomething } from "@core/search/dead-end";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { Settings } from "@core/settings/schema";
import fc from "fast-check";
import { AT, gardenCatalogue } from "./garden";

const RUNS = Number(process.env.RUNS ?? 1500);

/** Texts of every kind: any characters, letters alone, words of the shop with slips, numbers and signs. */
const texts = fc.oneof(
  fc.string({ unit: "grapheme", maxLength: 60 }),
  fc.stringMatching(/^[a-z]{1,14}( [a-z]{1,14}){0,4}$/),
  fc
    .array(fc.constantFrom("lavender", "rose", "secatuers", "9cm", "QG-1001", "the", "für", "ß", "\u202e", "  ", "-", "'", "1,5"), {
      maxLength: 8,
    })
    .map((words) => words.join(" ")),
  fc.string({ maxLength: 600 }),
);

describe("any text at all", () => {
  test("gets results, a redirect, or a dead end with a way on that finds something itself", () => {
    const index = build(gardenCatalogue());
    for (const changes of [{}, { deadEnd: { ladder: [], automatic: false } }, { misspelling: { policy: "off" as const } }]) {
      const searcher = prepare(index, Settings.parse({ ...defaultSettings(index), ...changes }));
      fc.assert(
        fc.property(texts, (query) => {
          const found = search(searcher, SearchRequest.parse({ query }), { at: AT, visible: () => true });
          if (found.outcome === "results" || found.outcome === "partial")
            return expect(found.hits.length + found.pages.total).toBeGreaterThan(0);
          if (found.outcome === "redirect") return expect(found.redirect).not.toBeNull();
          expect(found.outcome).toBe("dead-end");
          const { searches, products } = found.deadEnd ?? { searches: [], products: [] };
          expect(products.length > 0 || searches.some((text) => findsSomething(searcher, text, AT))).toBe(true);
          for (const text of searches) expect(findsSomething(searcher, text, AT)).toBe(true);
        }),
        { numRuns: Math.ceil(RUNS / 3) },
      );
    }
  });
});
