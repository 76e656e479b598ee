import { z } from "zod";
import { Id } from "./parts";

/** The recommendations on the page of a product, by hand. */
export const RelatedLists = z.strictObject({
  goesWith: z.array(Id).max(50, "A list holds at most 50 products.").default([]),
  insteadOf: z.array(Id).max(50, "A list holds at most 50 products.").default([]),
  /** Whether the lists are filled up by what is alike and what is bought together. */
  automatic: z.boolean().default(true),
});
export type RelatedLists = z.infer<typeof RelatedLists>;

export const LISTS = ["goesWith", "insteadOf"] as const;
export type RelatedList = (typeof LISTS)[number];
