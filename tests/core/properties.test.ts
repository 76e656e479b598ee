import { build } from "@core/index/build";
import { prepare } from "@core/prepare/searcher";
import { cleanQuery } from "@core/query/clean";
import { relatedTo } from "@core/related/related";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import type { Place } from "@core/settings/parts";
import { PLACES } from "@core/settings/places";
import { Settings } from "@core/settings/schema";
import { Shelf } from "@core/settings/shelf";
import { SuggestRequest } from "@core/suggest/request";
import { suggest } from "@core/suggest/suggest";
import { stemmerOf } from "@core/text/stem";
import fc from "fast-check";
import { arrangement, cases, ids as hiddenIds, queries } from "./arbitrary";
import { AT } from "./garden";
import { referenceSearch } from "./reference";

const everything = { at: AT, visible: () => true };
/** The same cases each time; RUNS and SEED ask for more or for others. */
const seed = Number(process.env.SEED ?? 4820);
const runs = { numRuns: Number(process.env.RUNS ?? 300), seed };
const fewer = { numRuns: 150, seed };

/** What must hold for every catalogue, every settings and every search. */
describe("a search, whatever the shop", () => {
  test("answers as the slow reference does", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const found = search(prepare(build(catalogue), settings), request, everything);
        const scores = new Map(found.hits.map((hit) => [hit.id, hit.score]));
        const expected = referenceSearch(catalogue, settings, request, null);
        expect(found.query.searched).toBe(expected.searched);
        expect(found.query.leftOut).toEqual(expected.leftOut);
        for (const hit of found.hits) expect(hit.score).toBeCloseTo(expected.scores.get(hit.id) ?? 0, 9);
        // The order is compared on the very same numbers, since sums in another order differ in the last digit.
        const all = search(prepare(build(catalogue), settings), { ...request, filters: {} }, everything);
        for (const hit of all.hits) scores.set(hit.id, hit.score);
        expect(found.hits.map((hit) => hit.id)).toEqual(referenceSearch(catalogue, settings, request, scores).ids);
        for (const filter of found.filters) {
          if (!("values" in filter)) continue;
          const counts = Object.fromEntries(filter.values.filter((value) => value.count > 0).map((value) => [value.value, value.count]));
          expect(counts).toEqual(expected.counts[filter.id]);
        }
      }),
      runs,
    );
  });

  test("explains every score by parts that add up", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const found = search(prepare(build(catalogue), settings), { ...request, explain: true }, everything);
        for (const { score, explain } of found.hits) {
          if (!explain) throw new Error("There is no account.");
          const sum = explain.parts.reduce((all, part) => all + part.points, 0);
          expect(Math.abs(sum - explain.base)).toBeLessThanOrEqual(1e-9 * Math.max(1e-9, explain.base));
          const product = explain.factors.reduce((all, factor) => all * factor.factor, explain.base);
          expect(Math.abs(product - score)).toBeLessThanOrEqual(1e-9 * Math.max(1e-9, score));
        }
      }),
      runs,
    );
  });

  test("counts each filter value as the total one gets by choosing it alone", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const searcher = prepare(build(catalogue), settings);
        const found = search(searcher, request, everything);
        for (const filter of found.filters) {
          if ("values" in filter) {
            for (const { value, count } of filter.values) {
              const alone = search(searcher, { ...request, filters: { ...request.filters, [filter.id]: { any: [value] } } }, everything);
              expect(alone.total).toBe(count);
            }
          } else {
            const whole = search(searcher, { ...request, filters: { ...request.filters, [filter.id]: filter.range } }, everything);
            expect(filter.bars.reduce((sum, bar) => sum + bar.count, 0)).toBeGreaterThanOrEqual(whole.total);
          }
        }
      }),
      fewer,
    );
  });

  test("puts pins exactly where they were put, as far as there are products", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const found = search(prepare(build(catalogue), settings), { ...request, filters: {} }, everything);
        const { pins: placed = {}, pinGroups = {}, soldOut, end } = settings.shelves.k ?? {};
        if (Object.keys(pinGroups).length > 0 || soldOut !== "keep" || end !== null) return;
        const pins = Object.entries(placed).filter(([id]) => found.hits.some((hit) => hit.id === id));
        const places = pins.map(([, place]) => place);
        if (new Set(places).size !== places.length) return;
        for (const [id, place] of pins) {
          const position = found.hits.find((hit) => hit.id === id)?.position ?? 0;
          if (found.total - pins.length >= place) expect(position).toBe(place);
          else expect(position).toBeLessThanOrEqual(place);
        }
      }),
      runs,
    );
  });

  test("keeps a pinned group together, and shows nothing that is hidden or kept out, nor counts it", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const shelf = settings.shelves.k;
        const searcher = prepare(build(catalogue), settings);
        const found = search(searcher, { ...request, why: catalogue.products.map(({ id }) => id) }, everything);
        const hidden = new Set([...Object.values(settings.hides).flatMap((hide) => hide.products ?? []), ...(shelf?.exclude ?? [])]);
        for (const hit of found.hits) expect(hidden.has(hit.id)).toBe(false);
        expect(found.hits.length).toBe(found.total);
        for (const hit of found.hits) expect(found.why[hit.id]).toEqual({ position: hit.position });
        const places = new Map(found.hits.map((hit) => [hit.id, hit.position]));
        for (const { id } of catalogue.products) if (!places.has(id)) expect(found.why[id]).toHaveProperty("reason");
        for (const { products } of Object.values(shelf?.pinGroups ?? {})) {
          // A product in two arrangements is in the first, and a sold-out one where the shelf says.
          if (shelf?.soldOut !== "keep" || Object.keys(shelf.pinGroups).length > 1) continue;
          const members = products.filter((id) => places.has(id) && shelf.pins[id] === undefined);
          const own = members.map((id) => places.get(id) ?? 0);
          expect(own).toEqual(own.map((_, i) => own[0] + i));
        }
      }),
      runs,
    );
  });

  test("finds the same whether or not a shelf that waits for filters orders it", () => {
    fc.assert(
      fc.property(
        cases,
        arrangement,
        fc.subarray(["Red", "Blue", "White"], { minLength: 1 }),
        ({ catalogue, settings, request }, own, any) => {
          const { query } = request;
          fc.pre(query.trim() !== "");
          const waiting = Shelf.parse({
            ...own,
            name: "w",
            searches: [{ match: "is", text: query }],
            categories: [],
            rank: "0",
            when: { filters: { colour: [] } },
          });
          const index = build(catalogue);
          const asked = { ...request, filters: { ...request.filters, colour: { any } } };
          const before = search(prepare(index, settings), asked, everything);
          const after = search(prepare(index, { ...settings, shelves: { ...settings.shelves, w: waiting } }), asked, everything);
          const idsOf = (found: typeof before) => found.hits.map((hit) => hit.id).sort();
          expect(idsOf(after)).toEqual(idsOf(before));
          expect(after.total).toBe(before.total);
          expect(after.filters).toEqual(before.filters);
          expect(after.query.searched).toBe(before.query.searched);
          if (Object.hasOwn(settings.shelves, "k")) expect(after.shelf?.id).toBe("w");
        },
      ),
      runs,
    );
  });

  test("never shows in a place what is hidden there, neither in lists and counts, nor typing, nor among recommendations", () => {
    const hide = fc.record({ products: hiddenIds, places: fc.subarray([...PLACES], { minLength: 1 }) });
    fc.assert(
      fc.property(cases, hide, ({ catalogue, settings, request }, own) => {
        const hides = { h: { name: "h", ...own, on: true, from: null, until: null, reason: "", owner: null, review: null } };
        // Recommendations are named by hand too.
        const related = Object.fromEntries(
          catalogue.products.map(({ id }) => [id, { goesWith: own.products, insteadOf: [], automatic: true }]),
        );
        const searcher = prepare(build(catalogue), { ...settings, hides, related });
        const isHidden = (place: Place, id: string) => own.places.includes(place) && own.products.includes(id);
        const searched = search(searcher, request, everything);
        for (const { id } of searched.hits) expect(isHidden("searching", id)).toBe(false);
        expect(searched.hits).toHaveLength(searched.total);
        const browsed = search(searcher, SearchRequest.parse({ placement: "category", limit: 250 }), everything);
        for (const { id } of browsed.hits) expect(isHidden("browsing", id)).toBe(false);
        expect(browsed.hits).toHaveLength(browsed.total);
        for (const filter of browsed.filters)
          if ("values" in filter) for (const { count } of filter.values) expect(count).toBeLessThanOrEqual(browsed.total);
        const typed = suggest(searcher, SuggestRequest.parse({ query: request.query, limit: 20 }), everything);
        // The way to all results says how many its page shows.
        const results = search(searcher, SearchRequest.parse({ query: request.query }), everything);
        if (typed.total !== undefined) expect(typed.total).toBe(results.total);
        for (const block of typed.blocks)
          if (block.kind === "products") for (const { id = "" } of block.items) expect(isHidden("typing", id)).toBe(false);
        for (const { id } of catalogue.products.slice(0, 3)) {
          const beside = relatedTo(searcher, id, AT, () => true);
          for (const card of [...(beside?.goesWith ?? []), ...(beside?.insteadOf ?? [])]) expect(isHidden("beside", card.id)).toBe(false);
        }
      }),
      fewer,
    );
  });

  test("gives the same answer to the same question, whatever was asked before and in which order the feed came", () => {
    fc.assert(
      fc.property(cases, fc.infiniteStream(fc.integer()), ({ catalogue, settings, request }, keys) => {
        const searcher = prepare(build(catalogue), settings);
        const first = JSON.stringify(search(searcher, request, everything));
        search(searcher, { ...request, query: "rose garden", filters: {} }, everything);
        expect(JSON.stringify(search(searcher, request, everything))).toBe(first);
        expect(JSON.stringify(search(prepare(build(catalogue), settings, searcher), request, everything))).toBe(first);
        const shuffled = catalogue.products
          .map((product) => ({ product, key: keys.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ product }) => product);
        const other = search(prepare(build({ ...catalogue, products: shuffled }), settings), request, everything);
        expect(other.hits.map((hit) => hit.id)).toEqual(search(searcher, request, everything).hits.map((hit) => hit.id));
      }),
      fewer,
    );
  });

  test("always has a way on where a product may be shown at all, and no proposed search finds nothing", () => {
    fc.assert(
      fc.property(cases, fc.string({ maxLength: 12 }), ({ catalogue, settings }, query) => {
        const searcher = prepare(build(catalogue), settings);
        const found = search(searcher, SearchRequest.parse({ query }), everything);
        expect(["results", "partial", "dead-end"]).toContain(found.outcome);
        if (!found.deadEnd) return;
        const hidden = new Set(Object.values(settings.hides).flatMap((hide) => hide.products ?? []));
        const { searches, products } = found.deadEnd;
        if (catalogue.products.some((product) => !hidden.has(product.id))) expect(searches.length + products.length).toBeGreaterThan(0);
        for (const text of searches) expect(search(searcher, SearchRequest.parse({ query: text }), everything).total).toBeGreaterThan(0);
      }),
      runs,
    );
  });

  test("reads a query that was cleaned as it read the query itself", () => {
    const clean = (text: string) => cleanQuery(text, stemmerOf("en"), new Set()).words;
    fc.assert(
      fc.property(fc.oneof(queries, fc.string({ unit: "grapheme", maxLength: 80 })), (typed) => {
        const once = clean(typed);
        const twice = clean(once.map(({ word }) => word).join(" "));
        expect(twice.map(({ word }) => word)).toEqual(once.map(({ word }) => word));
      }),
      { numRuns: 1000, seed },
    );
  });

  test("gives on its pages together what one long page gives", () => {
    fc.assert(
      fc.property(cases, fc.integer({ min: 1, max: 5 }), ({ catalogue, settings, request }, limit) => {
        const searcher = prepare(build(catalogue), settings);
        const page = (offset: number, size: number) => search(searcher, { ...request, offset, limit: size }, everything);
        const whole = page(0, 100);
        const paged = Array.from({ length: Math.ceil(whole.total / limit) }, (_, i) => page(i * limit, limit).hits).flat();
        expect(paged).toEqual(whole.hits);
      }),
      fewer,
    );
  });

  test("a synonym more loses no product that was found", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const index = build(catalogue);
        const others = Object.fromEntries(Object.entries(settings.words).filter(([, rule]) => rule.does !== "synonym"));
        const plain = { ...settings, words: others, misspelling: { ...settings.misspelling, policy: "off" as const } };
        const before = search(prepare(index, plain), request, everything);
        // Beyond the limit of a shelf nothing shows: what comes in there pushes something out.
        if (before.outcome !== "results" || settings.shelves.k?.end !== null) return;
        const after = search(prepare(index, { ...plain, words: settings.words }), request, everything);
        const ids = new Set(after.hits.map((hit) => hit.id));
        expect(before.hits.filter((hit) => !ids.has(hit.id)).map((hit) => hit.id)).toEqual([]);
      }),
      runs,
    );
  });

  test("a word of the catalogue finds with misspellings allowed all that it finds without", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings }) => {
        const index = build(catalogue);
        const policy = (kind: "off" | "correct") => prepare(index, { ...settings, misspelling: { ...settings.misspelling, policy: kind } });
        const [off, on] = [policy("off"), policy("correct")];
        for (const query of ["rose", "lavender", "climbing", "hedge", "planter"]) {
          const strict = search(off, SearchRequest.parse({ query, limit: 250 }), everything);
          if (strict.outcome !== "results") continue;
          const ids = new Set(search(on, SearchRequest.parse({ query, limit: 250 }), everything).hits.map((hit) => hit.id));
          for (const hit of strict.hits) expect(ids.has(hit.id)).toBe(true);
        }
      }),
      fewer,
    );
  });

  test("never swaps two unpinned products by filtering or paging", () => {
    fc.assert(
      fc.property(cases, ({ catalogue, settings, request }) => {
        const searcher = prepare(build(catalogue), settings);
        const all = search(searcher, { ...request, filters: {} }, everything).hits;
        const isPinned = (id: string) => all.find((hit) => hit.id === id)?.arranged.some((entry) => entry.kind === "pin") ?? false;
        const unfiltered = all.map((hit) => hit.id).filter((id) => !isPinned(id));
        const filtered = search(searcher, request, everything)
          .hits.map((hit) => hit.id)
          .filter((id) => !isPinned(id));
        expect(unfiltered.filter((id) => filtered.includes(id))).toEqual(filtered);
        const pages = [0, 3, 6, 9, 12].flatMap((offset) =>
          search(searcher, { ...request, filters: {}, offset, limit: 3 }, everything).hits.map((hit) => hit.id),
        );
        expect(pages).toEqual(all.map((hit) => hit.id));
      }),
      fewer,
    );
  });

  test("never lowers a product that matches only in one field against one that matches only elsewhere, when that field counts more", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 10 }),
        fc.integer({ min: 1, max: 3 }),
        (weight, other, times) => {
          const shop = (title: string, text: string, id: string) => ({ id, values: { title, text }, options: [] });
          const fields = [
            { key: "title", label: "Title", type: "text" as const, role: "title" as const, unit: null, perOption: false, shown: true },
            { key: "text", label: "Text", type: "text" as const, role: "description" as const, unit: null, perOption: false, shown: true },
          ];
          const index = build({
            locale: "en",
            fields,
            pages: [],
            products: [shop("rose", "nothing here", "a"), shop("plain", "rose ".repeat(times), "b"), shop("oak", "tree", "c")],
          });
          const ratio = (title: number) => {
            const searcher = prepare(index, {
              ...Settings.parse({}),
              attributes: {
                title: { searchable: true, weight: title, early: false, length: "none", whole: false },
                text: { searchable: true, weight: other, early: false, length: "none", whole: false },
              },
            });
            const scores = new Map(
              search(searcher, SearchRequest.parse({ query: "rose" }), everything).hits.map((hit) => [hit.id, hit.score]),
            );
            return (scores.get("a") ?? 0) / (scores.get("b") ?? 1);
          };
          expect(ratio(weight + 1)).toBeGreaterThanOrEqual(ratio(weight) - 1e-12);
        },
      ),
    );
  });
});
