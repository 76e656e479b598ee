import { Json, ProductCard, SearchFound, SearchRequest } from "@core/search/request";
import { BoxLook } from "@core/settings/box/box";
import { PageLook } from "@core/settings/page";
import type { ReadMessages } from "@core/storefront/read-messages";
import { Suggested, SuggestRequest } from "@core/suggest/request";
import { z } from "zod";
import type { Routes } from "./route";

/** What of a store an answer was worked out from. */
export const AnswerState = z
  .strictObject({
    catalogue: z.number().int(),
    /** The revision of the draft, or the one that was released. */
    settings: z.number().int(),
    release: z.number().int().nullable(),
    log: z.number().int(),
    /** The moment that the answer is for. */
    at: z.string(),
  })
  .meta({ id: "AnswerState" });
export type AnswerState = z.output<typeof AnswerState>;

const worked = { state: AnswerState, tookMs: z.number() };

export const SearchAnswer = SearchFound.extend({ searchId: z.string(), ...worked }).meta({ id: "SearchAnswer" });
export type SearchAnswer = z.output<typeof SearchAnswer>;

export const SuggestAnswer = Suggested.extend(worked).meta({ id: "SuggestAnswer" });
export type SuggestAnswer = z.output<typeof SuggestAnswer>;

export const StartPage = z.strictObject({ products: z.array(ProductCard) }).meta({ id: "StartPage" });

const FrontField = z
  .strictObject({
    key: z.string(),
    label: z.string(),
    type: z.string(),
    role: z.string(),
    unit: z.string().nullable(),
    perOption: z.boolean(),
  })
  .meta({ id: "FrontField" });
export type FrontField = z.output<typeof FrontField>;

/** What a page of the shop has to know of its store before anything is searched. */
export const ShopFront = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    locale: z.string(),
    /** The language of labels and messages, and those that the shop has. */
    language: z.string(),
    languages: z.array(z.string()),
    currency: z.string(),
    fields: z.array(FrontField),
    /** The field that each filter narrows, by the filter's id. */
    filterFields: z.record(z.string(), z.string()),
    /** What is chosen in filters when a shopper begins a search. */
    chosen: z.record(z.string(), z.array(z.string())),
    page: PageLook,
    box: BoxLook,
    /** Fields that cards read, by key or by role (":price"). */
    cardFields: z.array(z.string()),
    /** Own rules for named parts, made safe. */
    css: z.string(),
    /** Plain texts, and the parts of those that values are put into: the parts are the message package's own, so they are described as JSON. */
    messages: z.record(z.string(), Json) as unknown as z.ZodType<ReadMessages>,
    categories: z.array(z.strictObject({ path: z.array(z.string()) })),
  })
  .meta({ id: "ShopFront" });
export type ShopFront = z.output<typeof ShopFront>;

/** Waits for a revision of the draft that is being made, and answers at it or a later one. */
export const AtRevision = z.object({ revision: z.coerce.number().int().min(0).optional() });

/** What the bench asks: of the draft, of what is live, or of a release, with every field. */
export const searchRoutes = {
  "POST /api/stores/{store}/search": { summary: "Search", query: AtRevision, body: SearchRequest, answers: { 200: SearchAnswer } },
  "POST /api/stores/{store}/suggest": {
    summary: "What opens under the search box",
    query: AtRevision,
    body: SuggestRequest,
    answers: { 200: SuggestAnswer },
  },
  "GET /api/stores/{store}/front": {
    summary: "What the bench needs to know to draw the shop",
    answers: { 200: ShopFront },
  },
  "GET /api/stores/{store}/start": {
    summary: "What the shop would show before anything is searched, by the draft",
    answers: { 200: StartPage },
  },
} satisfies Routes;
