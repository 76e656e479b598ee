import { z } from "zod";
import { FilterAnswer, FilterValue } from "../filters/answer-shape";
import { DEAD_END_PARTS } from "../settings/dead-end";
import { FilterChoice } from "../settings/parts";
import { BannerAnswer, RedirectAnswer } from "../shelves/answer-shape";
import { BEHIND } from "../shelves/choose";
import { RESTS } from "../shelves/when";

/** What a caller asks and what it gets: the named shapes of the HTTP interface. */

export { FilterAnswer, FilterChoice, FilterValue };

export const Source = z.union([z.enum(["draft", "live"]), z.strictObject({ release: z.number().int().min(1) })]).meta({ id: "Source" });
export type Source = z.infer<typeof Source>;

/** How many results can be skipped at most. */
export const MOST_SKIPPED = 10_000;

export const SearchRequest = z
  .strictObject({
    query: z.string().max(10_000).default(""),
    source: Source.default("draft"),
    placement: z.enum(["results", "category"]).default("results"),
    category: z.array(z.string().max(400)).max(12).nullable().default(null),
    /** A selection to which everything is limited, by its id, for a box that stands for a part of the range. */
    within: z.string().max(120).nullable().default(null),
    filters: z.record(z.string().max(120), FilterChoice).default({}),
    sort: z.string().max(120).default("best"),
    offset: z.number().int().min(0).max(MOST_SKIPPED, "At most 10,000 results can be skipped.").default(0),
    limit: z.number().int().min(0).max(250, "At most 250 results come at once.").default(24),
    at: z.iso.datetime({ offset: true }).nullable().default(null),
    context: z.strictObject({ device: z.string().max(40).default("desktop"), language: z.string().max(35).default("en") }).prefault({}),
    fields: z.array(z.string().max(120)).max(500).nullable().default(null),
    /** Guides that are skipped, and how many come. */
    pages: z
      .strictObject({ offset: z.number().int().min(0).max(10_000).default(0), limit: z.number().int().min(0).max(100).default(4) })
      .prefault({}),
    /** Words are searched as they are typed: none is corrected, none widened; what might have been meant is proposed. */
    asTyped: z.boolean().default(false),
    /** Ids of what was read of the query (`query.read`) that the shopper took away: its words mean nothing then. */
    ignore: z.array(z.string().max(40)).max(20).default([]),
    explain: z.boolean().default(false),
    why: z.array(z.string().max(120)).max(50).default([]),
  })
  .meta({ id: "SearchRequest" });
export type SearchRequest = z.infer<typeof SearchRequest>;
export type SearchRequestInput = z.input<typeof SearchRequest>;

const USUAL = SearchRequest.parse({});
type Said = Partial<Omit<SearchRequest, "pages" | "context">> & { [Key in "pages" | "context"]?: Partial<SearchRequest[Key]> };

/**
 * A request of our own making: what is said, and the usual for the rest. Nothing of it is refused: searches of the log, and what settings
 * name, may be longer than what a caller may send.
 */
export const requestOf = (said: Said): SearchRequest => ({
  ...USUAL,
  ...said,
  pages: { ...USUAL.pages, ...said.pages },
  context: { ...USUAL.context, ...said.context },
});

export const Step = z
  .strictObject({ kind: z.string(), from: z.string(), to: z.string().optional(), rule: z.string().optional() })
  .meta({ id: "QueryStep" });

export const Explanation = z
  .strictObject({
    base: z.number(),
    parts: z.array(z.strictObject({ unit: z.string(), field: z.string(), via: z.string(), matched: z.string(), points: z.number() })),
    factors: z.array(z.strictObject({ rule: z.string(), label: z.string(), factor: z.number() })),
    /** Where a shelf's rule puts it, before all else. */
    place: z.enum(["first", "usual", "last"]),
    /** It answers a part of the search, or by words close to it, and comes after what answers all. */
    behind: z.boolean(),
    /** It cannot be had, and comes after what can. */
    unavailable: z.boolean(),
    band: z.number().int(),
    ties: z.array(z.strictObject({ field: z.string(), value: z.number().nullable() })),
  })
  .meta({ id: "Explanation" });
export type Explanation = z.infer<typeof Explanation>;

/** Any JSON value. */
export type Json = string | number | boolean | null | Json[] | { [key: string]: Json };
export const Json = z.unknown().meta({ id: "Json", description: "Any value of JSON" }) as unknown as z.ZodType<Json, Json>;

export const FieldValue = Json;

/** How a product is shown, where that is not as usual. */
export const CardView = {
  /** The card, where it is not the usual one. */
  card: z.string().optional(),
  badges: z.array(z.string()).optional(),
  /** The options of a card that offers them. */
  choices: z
    .array(
      z.strictObject({
        id: z.string(),
        value: z.string(),
        colour: z.string().optional(),
        /** Where they are others than those of the option that is shown. */
        badges: z.array(z.string()).optional(),
        fields: z.record(z.string(), FieldValue),
      }),
    )
    .optional(),
  /** What matched, as it is written, in lower case. */
  marked: z.array(z.string()).optional(),
};
export type Choice = { id: string; value: string; colour?: string; badges?: string[]; fields: Record<string, unknown> };

export const Hit = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    position: z.number().int(),
    variant: z.string(),
    score: z.number(),
    tier: z.number().int(),
    answers: z.array(z.string()),
    arranged: z.array(z.strictObject({ kind: z.enum(["pin", "add", "boost", "bury"]), rule: z.string() })),
    fields: z.record(z.string(), FieldValue),
    explain: Explanation.nullable(),
    ...CardView,
  })
  .meta({ id: "Hit" });
export type Hit = z.infer<typeof Hit>;

export const PageHit = z
  .strictObject({ id: z.string(), title: z.string(), text: z.string(), link: z.string(), picture: z.string() })
  .meta({ id: "PageHit" });
export type PageHit = z.infer<typeof PageHit>;

/** A product in short, where it is proposed rather than found. */
export const ProductCard = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    /** The option that is shown; the product's id where it comes in one form. */
    variant: z.string(),
    fields: z.record(z.string(), FieldValue),
    ...CardView,
  })
  .meta({ id: "ProductCard" });
export type ProductCard = z.infer<typeof ProductCard>;

const CategoryHit = z.strictObject({ path: z.array(z.string()), count: z.number().int() }).meta({ id: "CategoryHit" });
export type CategoryHit = z.infer<typeof CategoryHit>;

export const BlockAnswer = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    place: z.enum(["above", "inside", "beside"]),
    /** Results before it, where it is among them. */
    after: z.number().int().optional(),
    products: z.array(ProductCard),
    categories: z.array(CategoryHit),
    pages: z.array(PageHit),
    /** Where all of it is, with the search kept; null where this is all. */
    more: z
      .strictObject({ query: z.string(), category: z.array(z.string()).nullable(), within: z.string().nullable(), total: z.number().int() })
      .nullable(),
  })
  .meta({ id: "BlockAnswer" });
export type BlockAnswer = z.infer<typeof BlockAnswer>;

export const DeadEndOutcome = z
  .strictObject({
    message: z.string(),
    tips: z.array(z.string()),
    searches: z.array(z.string()),
    products: z.array(ProductCard),
    pages: z.array(PageHit),
    categories: z.array(CategoryHit),
    /** What is on the page, in its order, with what each part is called. */
    parts: z.array(z.strictObject({ part: z.enum(DEAD_END_PARTS), heading: z.string() })),
  })
  .meta({ id: "DeadEndOutcome" });
export type DeadEndOutcome = z.infer<typeof DeadEndOutcome>;

export const WHY_REASONS = [
  "unknown-product",
  "not-in-category",
  "hidden",
  "excluded",
  "sold-out",
  "behind-end",
  "no-answer",
  "filtered",
] as const;
export const Why = z
  .union([
    z.strictObject({ position: z.number().int() }),
    z.strictObject({
      reason: z.enum(WHY_REASONS),
      rule: z.string().optional(),
      unit: z.string().optional(),
      filter: z.string().optional(),
    }),
  ])
  .meta({ id: "Why" });
export type Why = z.infer<typeof Why>;

export const ReadLimit = z
  .strictObject({
    id: z.string(),
    text: z.string(),
    /** Null where the catalogue does not say what has that which is not wanted. */
    field: z.string().nullable(),
    min: z.number().nullable(),
    max: z.number().nullable(),
    /** Values that are kept out, of “without thorns”; none where the catalogue does not say. */
    without: z.array(z.string()).optional(),
  })
  .meta({ id: "ReadLimit", description: "A limit that was read of a query, such as “under £10” or “without thorns”" });
export type ReadLimit = z.infer<typeof ReadLimit>;

const ShelfName = z.strictObject({ id: z.string(), name: z.string() });

/** What a search comes to, as far as the settings and the catalogue decide it. */
export const SearchFound = z
  .strictObject({
    outcome: z.enum(["results", "partial", "filtered-out", "dead-end", "redirect"]),
    nextChangeAt: z.string().nullable(),
    query: z.strictObject({
      typed: z.string(),
      searched: z.string(),
      steps: z.array(Step),
      leftOut: z.array(z.string()),
      didYouMean: z.array(z.string()),
      /** How many of the products answer every word, where others fill up behind them or are all there is. */
      fullMatches: z.number().int().optional(),
      /** What was read of the words as a limit: its words, and from which value to which; only where there is one. */
      read: z.array(ReadLimit).optional(),
    }),
    total: z.number().int(),
    hits: z.array(Hit),
    filters: z.array(FilterAnswer),
    sorts: z.array(z.strictObject({ id: z.string(), label: z.string(), selected: z.boolean() })),
    pages: z.strictObject({ total: z.number().int(), hits: z.array(PageHit) }),
    /** Categories in which most of the products stand, where the shop shows them. */
    categories: z.array(CategoryHit).optional(),
    blocks: z.array(BlockAnswer).optional(),
    ignored: z.array(z.string()),
    shelf: ShelfName.nullable(),
    /** Shelves that are meant for the search too, and in what the acting one is more specific. */
    shelvesBehind: z.array(ShelfName.extend({ because: z.enum(BEHIND) })),
    /** Shelves that are meant for it and whose conditions do not hold; only when there is one. */
    shelvesResting: z.array(ShelfName.extend({ because: z.enum(RESTS) })).optional(),
    banner: BannerAnswer.nullable(),
    redirect: RedirectAnswer.nullable(),
    deadEnd: DeadEndOutcome.nullable(),
    /** For each chosen filter the total without it; only when the filters leave nothing. */
    withoutFilter: z.record(z.string(), z.number().int()).optional(),
    why: z.record(z.string(), Why),
  })
  .meta({ id: "SearchFound" });
export type SearchFound = z.infer<typeof SearchFound>;
