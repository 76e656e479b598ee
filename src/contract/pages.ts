import { z } from "zod";
import { nothing, type Routes } from "./route";

export const Page = z
  .strictObject({
    id: z.string().min(1).max(120),
    title: z.string().trim().min(1).max(400),
    text: z.string().max(100_000).default(""),
    link: z.string().max(2000).default(""),
    picture: z.string().max(2000).nullable().default(null),
  })
  .meta({ id: "Page" });
export type Page = z.output<typeof Page>;
const PageCount = z.strictObject({ pages: z.number().int() }).meta({ id: "PageCount" });

/** Guides and information pages. */
export const pageRoutes = {
  "GET /api/stores/{store}/pages": { summary: "Guides and information pages", answers: { 200: z.array(Page) } },
  "POST /api/stores/{store}/pages": {
    summary: "Put guides and information pages in",
    body: z.union([Page, z.array(Page).max(10_000)]),
    answers: { 200: PageCount },
    problems: [409],
  },
  "POST /api/stores/{store}/pages/feed": {
    summary: "Import pages from a file of any format that products come in",
    accepts: "*",
    answers: { 200: PageCount },
    problems: [409],
  },
  "DELETE /api/stores/{store}/pages/{id}": { summary: "Take a page out", answers: { 204: nothing }, problems: [409] },
} satisfies Routes;
