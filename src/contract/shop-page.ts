import { ProductCard } from "@core/search/request";
import { z } from "zod";
import type { Routes } from "./route";

const CardFacts = z.strictObject({
  products: z.number().int(),
  /** Of how many products each part has something to say. */
  parts: z.record(z.string(), z.number().int()),
  richest: ProductCard.nullable(),
  poorest: ProductCard.nullable(),
});
export const PageFacts = z
  .strictObject({
    cards: z.record(z.string(), CardFacts),
    badges: z.record(z.string(), z.strictObject({ meant: z.number().int(), worn: z.number().int() })),
    /** Searches of the log that were asked again, and beside how many of them each block stands. */
    searches: z.number().int(),
    blocks: z.record(z.string(), z.number().int()),
  })
  .meta({ id: "PageFacts" });
export type PageFacts = z.output<typeof PageFacts>;

export const shopPageRoutes = {
  "GET /api/stores/{store}/page/facts": {
    summary: "Of how many products each part of a card and each badge has something to say; nothing is changed",
    answers: { 200: PageFacts },
  },
} satisfies Routes;
