import { z } from "zod";
import { PLACES } from "./places";

/** Pieces that several parts of the settings share. */

export const Id = z.string().min(1).max(120);
export const Rank = z.string().min(1).max(200);
const Moment = z.iso.datetime({ offset: true }).nullable();
/** Texts by language tag. */
export const Label = z.record(z.string().max(35), z.string().max(2000));
export const Factor = z.number().min(0.01, "A factor is at least 0.01.").max(100, "A factor is at most 100.");

export const Place = z.enum(PLACES);
export type Place = z.infer<typeof Place>;

/** A span of time; null is open. */
export const span = { from: Moment.default(null), until: Moment.default(null) };

/** Who looks after a rule, and on which day somebody should look at it again. */
export const keeping = {
  owner: z.string().max(120).nullable().default(null),
  review: z.string().max(40).nullable().default(null),
};

/** What is chosen of a filter: values, or a span of numbers. */
export const FilterChoice = z
  .union([
    z.strictObject({ any: z.array(z.string().max(400)).max(500) }),
    z.strictObject({ min: z.number().nullable().optional(), max: z.number().nullable().optional() }),
  ])
  .meta({ id: "FilterChoice" });
export type FilterChoice = z.infer<typeof FilterChoice>;

/** For which typed searches something is meant; compared by stems. */
export const SearchMatch = z.strictObject({
  match: z.enum(["is", "starts", "contains"]),
  text: z.string().trim().min(1, "A search needs a text.").max(512),
});
export type SearchMatch = z.infer<typeof SearchMatch>;

const link = {
  to: z.enum(["page", "category", "search", "address"]),
  value: z.string().trim().min(1, "Say where it leads.").max(2000),
};
const isReachable = ({ to, value }: { to: string; value: string }) => to !== "address" || /^(https?:\/\/[^\s/]|\/(?![\\/]))/i.test(value);
const UNREACHABLE = { path: ["value"], message: "An address begins with https:// or, within the shop's site, with /." };

export const Link = z.strictObject(link).refine(isReachable, UNREACHABLE);
export type Link = z.infer<typeof Link>;

/** Where a search leads instead of showing results. */
export const Redirect = z
  .strictObject({
    ...link,
    /** What is chosen there from the start, by filter, as in a search. */
    filters: z.record(Id, FilterChoice).default({}),
    /** The search goes along: it is made in the category, and stands for {query} in an address. */
    keepSearch: z.boolean().default(false),
  })
  .refine(isReachable, UNREACHABLE);
export type Redirect = z.infer<typeof Redirect>;
