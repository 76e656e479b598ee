import { z } from "zod";

/** Pieces that several parts of the settings share. */

export const Id = z.string().min(1).max(120);
export const Rank = z.string().min(1).max(200);
export const Moment = z.iso.datetime({ offset: true }).nullable();
/** Texts by language tag. */
export const Label = z.record(z.string().max(35), z.string().max(2000));
export const Factor = z.number().min(0.01, "A factor is at least 0.01.").max(100, "A factor is at most 100.");

export const PLACES = ["browsing", "searching", "typing", "beside"] as const;
export const Place = z.enum(PLACES);
export type Place = z.infer<typeof Place>;

/** A span of time; null is open. */
export const span = { from: Moment.default(null), until: Moment.default(null) };

/** For which typed searches something is meant; compared by stems. */
export const SearchMatch = z.strictObject({
  match: z.enum(["is", "starts", "contains"]),
  text: z.string().trim().min(1, "A search needs a text.").max(512),
});
export type SearchMatch = z.infer<typeof SearchMatch>;

export const Link = z.strictObject({
  to: z.enum(["page", "category", "search", "address"]),
  value: z.string().min(1).max(2000),
});
export type Link = z.infer<typeof Link>;
