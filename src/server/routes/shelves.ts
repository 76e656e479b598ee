import { marginField } from "@core/catalogue/margin";
import { fieldWithRole } from "@core/catalogue/types";
import { optionValue } from "@core/index/columns";
import { productAt, productNumber } from "@core/index/read";
import { SearchRequest } from "@core/search/request";
import { Redirect } from "@core/settings/parts";
import { CONFLICTS } from "@core/shelves/conflicts/conflict";
import { follow } from "@core/shelves/conflicts/redirects";
import { RULE_STATES } from "@core/shelves/state";
import { upcomingChanges } from "@core/shelves/upcoming";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { conflictsOf, overviewOf } from "../log/overview";
import { resultOf } from "../slices";

const InSearch = z.strictObject({
  shown: z.number().int(),
  clicks: z.number().int(),
  baskets: z.number().int(),
  orders: z.number().int(),
});
const SearchFactsShape = z
  .strictObject({
    /** Searches of this text in the log. */
    asked: z.number().int(),
    products: z.record(z.string(), InSearch),
  })
  .meta({ id: "SearchFacts" });
const ProductFactsShape = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    picture: z.string().nullable(),
    price: z.number().nullable(),
    stock: z.number().nullable(),
    sold: z.number().nullable(),
    rating: z.number().nullable(),
    /** Of the field whose name speaks of a margin; null without one. */
    margin: z.number().nullable(),
    isGone: z.boolean(),
  })
  .meta({ id: "ProductFacts" });
const RuleRef = z.strictObject({ part: z.enum(["shelves", "hides", "boosts", "words"]), id: z.string() });
const ConflictShape = z
  .strictObject({
    kind: z.enum(CONFLICTS),
    rule: RuleRef,
    other: RuleRef.nullable(),
    products: z.array(z.string()),
    count: z.number().int(),
    about: z.string(),
  })
  .meta({ id: "Conflict" });
const RuleFactsShape = z
  .strictObject({
    part: z.enum(["shelves", "hides", "boosts"]),
    id: z.string(),
    state: z.enum(RULE_STATES),
    /** Products that it names or moves. */
    products: z.number().int(),
    /** Searches of the log that it is meant for, or on whose first page it changes something. */
    searches: z.number().int(),
    acted: z.number().int(),
    clicked: z.number().int(),
    lastAt: z.string().nullable(),
    by: z.string().nullable(),
    at: z.string().nullable(),
  })
  .meta({ id: "ArrangementFacts" });
const Overview = z
  .strictObject({
    searches: z.number().int(),
    clicked: z.number().int(),
    rules: z.array(RuleFactsShape),
    conflicts: z.array(ConflictShape),
  })
  .meta({ id: "ArrangementOverview" });
const LandingShape = z
  .strictObject({
    products: z.number().int().nullable(),
    title: z.string(),
    isDead: z.boolean(),
    chain: z.array(z.string()),
    isLoop: z.boolean(),
  })
  .meta({ id: "RedirectLanding" });
const UpcomingShape = z
  .strictObject({
    at: z.string(),
    turns: z.array(z.strictObject({ part: z.string(), id: z.string(), name: z.string(), begins: z.boolean() })),
    total: z.number().int(),
    moved: z.number().int(),
    shelf: z.string().nullable(),
    outcome: z.string(),
  })
  .meta({ id: "UpcomingChange" });

const DAYS_AHEAD = 370;
const DAY = 86_400_000;

/** What is known of arrangements: their products, their searches, what is at odds, and what comes. */
export function shelfRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/search/facts",
      summary: "What shoppers were shown and took when they searched a text",
      query: z.object({ query: z.string().max(512) }),
      answers: { status: 200, schema: SearchFactsShape },
      handle: ({ param, query }) => engine.searchFacts(engine.store(param("store")).row.id, query.query ?? ""),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/products/facts",
      summary: "Title, picture and figures of products by their ids",
      body: z.strictObject({ ids: z.array(z.string().max(200)).max(1000) }),
      answers: { status: 200, schema: z.array(ProductFactsShape) },
      handle: ({ param, body }) => body.ids.map((id) => factsOf(engine.store(param("store")), id)),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/shelves/overview",
      summary: "All shelves, storewide hides and boosts: how each stands, what it touches, and what is at odds",
      answers: { status: 200, schema: Overview },
      handle: ({ param }) => overviewOf(engine, engine.store(param("store"))),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/shelves/conflicts",
      summary: "What is at odds among shelves, hides, boosts and words of the draft",
      answers: { status: 200, schema: z.array(ConflictShape) },
      handle: ({ param }) => conflictsOf(engine.store(param("store"))),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/shelves/landing",
      summary: "Where a redirect comes out, before it enters the draft",
      body: z.strictObject({
        redirect: Redirect,
        /** The shelf whose redirect it is, and the search that is led away. */
        shelf: z.string().max(120).nullable().default(null),
        query: z.string().max(512).default(""),
      }),
      answers: { status: 200, schema: LandingShape },
      handle: ({ param, body }) =>
        follow(engine.store(param("store")).searcher("draft").searcher, body.redirect, body.shelf, body.query, Date.now()),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/search/upcoming",
      summary: "When the results of a search change by themselves, and which rules do it",
      body: SearchRequest,
      answers: { status: 200, schema: z.array(UpcomingShape) },
      handle: async ({ param, body }) => {
        const at = body.at ? Date.parse(body.at) : Date.now();
        const { searcher } = engine.store(param("store")).searcher(body.source);
        const found = await resultOf(upcomingChanges(searcher, body, at, { until: at + DAYS_AHEAD * DAY, most: 8 }));
        return found.map((entry) => ({ ...entry, at: new Date(entry.at).toISOString() }));
      },
    });
}

function factsOf(store: Store, id: string): z.output<typeof ProductFactsShape> {
  const { index } = store.searcher("draft").searcher;
  const number = productNumber(index, id);
  const product = number < 0 ? null : productAt(index, number);
  const margin = marginField(index.fields)?.key;
  const read = (key: string | null | undefined) => {
    const field = index.fields.find((entry) => entry.key === key);
    return field && product ? optionValue(field, product, 0) : undefined;
  };
  const byRole = (role: Parameters<typeof fieldWithRole>[1]) => read(fieldWithRole(index.fields, role));
  const asNumber = (value: unknown) => (typeof value === "number" ? value : null);
  const picture = byRole("picture");
  return {
    id,
    title: product ? String(byRole("title") ?? id) : id,
    picture: typeof picture === "string" ? picture : Array.isArray(picture) && typeof picture[0] === "string" ? picture[0] : null,
    price: asNumber(byRole("price")),
    stock: stockOf(),
    sold: asNumber(byRole("sold")),
    rating: asNumber(byRole("rating")),
    margin: asNumber(read(margin)),
    isGone: product === null,
  };

  /** Of all options together. */
  function stockOf(): number | null {
    const field = index.fields.find((entry) => entry.role === "stock");
    if (!field || !product) return null;
    const amounts =
      product.options.length > 0 && field.perOption
        ? product.options.map((_, o) => optionValue(field, product, o))
        : [product.values[field.key]];
    const known = amounts.filter((amount) => typeof amount === "number");
    return known.length === 0 ? null : known.reduce((sum, amount) => sum + amount, 0);
  }
}
