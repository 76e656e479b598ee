import { Condition } from "@core/settings/condition";
import { z } from "zod";
import type { Routes } from "./route";

const ONE_OF = { message: "Name either a condition or products." };
const named = { condition: Condition.optional(), products: z.array(z.string().max(200)).max(100_000).optional() };
const isOne = (body: { condition?: unknown; products?: unknown }) => (body.condition === undefined) !== (body.products === undefined);

const ReachRequest = z.strictObject(named).refine(isOne, ONE_OF).meta({ id: "ReachRequest" });
const Reach = z
  .strictObject({
    products: z.number().int(),
    /** Of the results on the first pages of the most asked searches, and of those searches, each weighted by how often it was asked. */
    results: z.number(),
    searches: z.number(),
  })
  .meta({ id: "Reach" });

const StrengthRequest = z
  .strictObject({ ...named, query: z.string().max(512).default(""), most: z.number().int().min(0).max(200).default(30) })
  .refine(isOne, ONE_OF)
  .meta({ id: "StrengthRequest" });
const Placed = z.strictObject({ id: z.string(), title: z.string(), position: z.number().int() });
const Strength = z
  .strictObject({
    best: Placed,
    passes: z.array(Placed.extend({ percent: z.number().int().nullable() })),
    first: z.number().int().nullable(),
  })
  .meta({ id: "Strength" });
export const StrengthAnswer = z
  .strictObject({
    search: Strength.nullable(),
    frequent: z.array(
      z.strictObject({
        search: z.string(),
        asked: z.number().int(),
        position: z.number().int(),
        title: z.string(),
        first: z.number().int().nullable(),
      }),
    ),
  })
  .meta({ id: "StrengthAnswer" });
export type StrengthAnswer = z.output<typeof StrengthAnswer>;

const StockCounts = z
  .strictObject({
    soldOut: z.number().int(),
    toOrder: z.number().int(),
    coming: z.number().int(),
    /** What tie-breakers can go by beside fields. */
    derived: z.array(z.string()),
  })
  .meta({ id: "StockCounts" });

/** What ranking goes by and what a boost would reach. */
export const rankingRoutes = {
  "GET /api/stores/{store}/ranking/stock": {
    summary: "How many products are sold out, to order or coming, and what ties can go by beside fields",
    answers: { 200: StockCounts },
  },
  "POST /api/stores/{store}/reach": {
    summary: "How many products a condition names, and what share of recent results they are",
    body: ReachRequest,
    answers: { 200: Reach },
  },
  "POST /api/stores/{store}/strength": {
    summary: "How strong a boost of some products must be, for a search and for the most asked searches that show them",
    body: StrengthRequest,
    answers: { 200: StrengthAnswer },
  },
} satisfies Routes;
