import { ShopperEvent } from "@core/log/events";
import { SearchRequest } from "@core/search/request";
import { SuggestRequest } from "@core/suggest/request";
import { z } from "zod";
import { Page } from "./pages";
import { Related, ShopProduct } from "./products";
import { below, nothing, type Routes } from "./route";
import { SearchAnswer, ShopFront, StartPage, SuggestAnswer } from "./search";

const TakenOffer = z.strictObject({ own: z.string().min(1).max(120) }).meta({ id: "TakenOffer" });

/** What a page of a shop has to say is short. */
const SHORT = { mostBytes: 64 * 1024, problems: [429] } as const;
const EVENTS = { mostBytes: 256 * 1024, problems: [429] } as const;

/** What shoppers ask: of what is live only, without explanations, and only with the fields that they may see. */
export const shopperRoutes = {
  "POST /search": { summary: "Search, as a shopper", body: SearchRequest, ...SHORT, answers: { 200: SearchAnswer } },
  "POST /suggest": {
    summary: "What opens under the search box, for a shopper",
    body: SuggestRequest,
    ...SHORT,
    answers: { 200: SuggestAnswer },
  },
  "POST /taken": {
    summary: "Record that a search of the shop's own list was taken",
    body: TakenOffer,
    ...SHORT,
    answers: { 202: nothing },
  },
  "GET /front.json": {
    summary: "What a page needs to know about its store",
    query: z.object({ language: z.string().optional() }),
    answers: { 200: ShopFront },
  },
  "GET /start.json": { summary: "What is shown before anything is searched", answers: { 200: StartPage } },
  "GET /products/{id}/data.json": { summary: "One product as shoppers see it", answers: { 200: ShopProduct } },
  "GET /pages/{id}/data.json": { summary: "A guide or information page, as shoppers see it", answers: { 200: Page } },
  "GET /related/{product}": { summary: "Recommendations of a product, as shoppers see them", answers: { 200: Related } },
  "POST /events": {
    summary: "Record what a shopper did, as the shop's page tells it",
    body: z.union([ShopperEvent, z.array(ShopperEvent).max(100)]),
    ...EVENTS,
    answers: { 202: nothing },
  },
} satisfies Routes;

/** The demo shop's own pages, and pages elsewhere by a store's public key. */
export const shopRoutes = { ...below("/shop/{store}", shopperRoutes), ...below("/public/{key}", shopperRoutes) };
