import { z } from "zod";
import { file, type Routes } from "./route";

export const exportRoutes = {
  "GET /api/stores/{store}/export/{file}": {
    summary: "products.csv, products.jsonl, products.jsonld, fields.csv or fields.jsonl",
    /** "true" puts private fields into linked data too. */
    query: z.object({ all: z.string().optional() }),
    answers: { 200: file("text/csv", "application/x-ndjson", "application/ld+json") },
  },
} satisfies Routes;
